using Merienda.Core.Outcomes;

namespace Merienda.Storage;

/// <summary>What helpers at a group's desk may not do: publish, let people in, say who is what.</summary>
internal static class Desks
{
    /// <summary>Why whoever asks may not do what is a moderator's; null for a moderator, and in any kitchen.</summary>
    public static readonly Reading<Refusal?> HelperMayNot = Reading.Of(
        "select is_helper from household_member where household_id = app_household() and account_id = app_account();",
        null,
        async rows =>
            await rows.ReadSingleOrDefaultAsync<bool>()
                ? new Refusal("helper-may-not", "role", "helper", "that is for a moderator of this desk", "Ask one of them")
                : null
    );

    public static bool IsLastModerator(IReadOnlyList<Member> members, Member member) =>
        !member.IsHelper && members.Count(one => !one.IsHelper) == 1;

    public static Refusal LastModerator(Member member) =>
        new("last-moderator", "account", member.Name, "nobody else here may publish", "Make somebody else a moderator first");
}
