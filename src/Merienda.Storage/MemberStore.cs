using Merienda.Core.Outcomes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>Somebody who signs in to a household.</summary>
/// <param name="IsHelper">At a group's desk: drafts, reviews and answers, and publishes nothing.</param>
public sealed record Member(Guid Account, string Name, string Email, bool IsHelper)
{
    internal HouseholdMemberRow Row => new(Account, IsHelper);
}

/// <param name="MadeBy">Name of the one who made it.</param>
public sealed record OpenInvitation(Guid Id, string MadeBy, DateTimeOffset ExpiresAt);

/// <summary>What a link invites to.</summary>
public sealed record Invited(string Household, string MadeBy, DateTimeOffset ExpiresAt);

/// <summary>Who signs in to a household: invited by a link, come by it, or gone.</summary>
public sealed class MemberStore(Database database, EditDoor door)
{
    public const int MostOpen = 10;

    /// <summary>How long a link leads in.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromDays(7);

    private sealed record Found(InvitationRow? Row, string Household, string MadeBy);

    public Task<(IReadOnlyList<Member> Members, IReadOnlyList<OpenInvitation> Invitations)> Read(Tenant tenant, DateTimeOffset now) =>
        database.Read(tenant, Members.And(Open(now)));

    /// <param name="secret">What the link carries; only its hash is kept.</param>
    public Task<Result<Edited<bool>>> Invite(EditStamp stamp, string secret, DateTimeOffset now) =>
        door.Edit<(IReadOnlyList<OpenInvitation> Open, Refusal? Helper), bool>(
            stamp,
            Journal.People,
            Open(now).And(Desks.HelperMayNot),
            locked =>
                locked.Helper is { } helper ? helper
                : locked.Open.Count >= MostOpen
                    ? new Refusal(
                        "too-many-invitations",
                        "invitations",
                        $"{locked.Open.Count}",
                        $"at most {MostOpen} invitations are open at once",
                        "Take one back first"
                    )
                : new Decided<bool>(
                    new Change("Invited somebody").Put(
                        Tables.Invitation,
                        null,
                        new InvitationRow(Guid.CreateVersion7(), LinkSecret.Hash(secret), stamp.Tenant.Account, now + Lasts, null)
                    ),
                    true
                )
        );

    public Task<Result<Edited<bool>>> TakeBack(EditStamp stamp, Guid invitation) =>
        door.Edit<(InvitationRow? Row, Refusal? Helper), bool>(
            stamp,
            Journal.People,
            Rows("id = @invited and used_by is null", new { invited = invitation })
                .Select(rows => rows.SingleOrDefault())
                .And(Desks.HelperMayNot),
            locked =>
                locked.Helper is { } helper ? helper
                : locked.Row is not { } row ? Over(invitation.ToString())
                : new Decided<bool>(new Change("Took an invitation back").Put(Tables.Invitation, row, null), true)
        );

    /// <summary>What a link invites to; null when it leads nowhere.</summary>
    public async Task<Invited?> Look(Guid household, string secret, DateTimeOffset now)
    {
        var found = await database.Read(new Tenant(Guid.Empty, household, IsOutside: true), Find(secret, now));
        return found.Row is { } row ? new(found.Household, found.MadeBy, row.ExpiresAt) : null;
    }

    /// <summary>Comes by a link: it is used up, and the account belongs to the household.</summary>
    /// <param name="stamp">Of the one who comes, and does not belong yet.</param>
    public Task<Result<Edited<bool>>> Come(EditStamp stamp, string secret, DateTimeOffset now) =>
        door.Edit<((Found Found, IReadOnlyList<Member> Members) Known, string? Desk), bool>(
            stamp,
            Journal.People,
            Find(secret, now).And(Members).And(GroupStore.Desk),
            locked =>
                locked.Known.Members.Any(member => member.Account == stamp.Tenant.Account)
                    ? new Decided<bool>(new Change("Was there"), true)
                : locked.Known.Found.Row is not { } row ? Over(secret)
                : new Decided<bool>(
                    new Change("Came to the kitchen")
                        // Whoever comes to a desk helps there, until a moderator says more.
                        .Put(Tables.HouseholdMember, null, new HouseholdMemberRow(stamp.Tenant.Account, locked.Desk is not null))
                        .Put(Tables.Invitation, row, row with { UsedBy = stamp.Tenant.Account }),
                    true
                )
        );

    /// <summary>Somebody belongs to the household no more; what they did stays.</summary>
    public Task<Result<Edited<bool>>> Leave(EditStamp stamp, Guid account) =>
        door.Edit<(IReadOnlyList<Member> Members, Refusal? Helper), bool>(
            stamp,
            Journal.People,
            Members.And(Desks.HelperMayNot),
            locked =>
                locked.Members.FirstOrDefault(one => one.Account == account) is not { } member ? NoMember(account)
                : account != stamp.Tenant.Account && locked.Helper is { } helper ? helper
                : locked.Members.Count > 1 && Desks.IsLastModerator(locked.Members, member) ? Desks.LastModerator(member)
                : locked.Members.Count == 1
                    ? new Refusal(
                        "last-member",
                        "account",
                        member.Name,
                        "nobody else signs in here, and what is planned would be lost",
                        "Invite somebody first"
                    )
                : new Decided<bool>(new Change($"{member.Name} left the kitchen").Put(Tables.HouseholdMember, member.Row, null), true)
        );

    /// <summary>Says at a group's desk who is a moderator and who helps.</summary>
    public Task<Result<Edited<bool>>> Say(EditStamp stamp, Guid account, bool isHelper) =>
        door.Edit<((IReadOnlyList<Member> Members, Refusal? Helper) Known, string? Desk), bool>(
            stamp,
            Journal.People,
            Members.And(Desks.HelperMayNot).And(GroupStore.Desk),
            locked =>
                locked.Desk is null ? GroupStore.NoDesk()
                : locked.Known.Helper is { } helper ? helper
                : locked.Known.Members.FirstOrDefault(one => one.Account == account) is not { } member ? NoMember(account)
                : isHelper && Desks.IsLastModerator(locked.Known.Members, member) ? Desks.LastModerator(member)
                : new Decided<bool>(
                    new Change(isHelper ? $"{member.Name} helps" : $"{member.Name} is a moderator").Put(
                        Tables.HouseholdMember,
                        member.Row,
                        member.Row with
                        {
                            IsHelper = isHelper,
                        }
                    ),
                    true
                )
        );

    private static Refusal NoMember(Guid account) =>
        new("unknown-member", "account", $"{account}", "nobody of that kind signs in here", "Load the page again");

    private static readonly Reading<IReadOnlyList<Member>> Members = Reading.Of<IReadOnlyList<Member>>(
        """
        select account.id as account, display_name as name, email, is_helper from household_member member join account on account.id = member.account_id
        where member.household_id = app_household() order by account.id;
        """,
        null,
        async rows => [.. await rows.ReadAsync<Member>()]
    );

    private static Reading<IReadOnlyList<OpenInvitation>> Open(DateTimeOffset now) =>
        Reading.Of<IReadOnlyList<OpenInvitation>>(
            """
            select invitation.id, display_name as made_by, expires_at from invitation join account on account.id = made_by
            where used_by is null and expires_at > @openAt order by expires_at;
            """,
            new { openAt = now },
            async rows => [.. await rows.ReadAsync<OpenInvitation>()]
        );

    private static Reading<Found> Find(string secret, DateTimeOffset now) =>
        Rows(
                "secret_hash = @linkHash and used_by is null and expires_at > @linkAt",
                new { linkHash = LinkSecret.Hash(secret), linkAt = now }
            )
            .And(
                Reading.Of(
                    """
                    select household.name, account.display_name from household
                    left join invitation on invitation.household_id = household.id and secret_hash = @namedHash left join account on account.id = made_by
                    where household.id = app_household();
                    """,
                    new { namedHash = LinkSecret.Hash(secret) },
                    rows => rows.ReadSingleOrDefaultAsync<(string? Household, string? MadeBy)>()
                )
            )
            .Select(read => new Found(read.First.SingleOrDefault(), read.Second.Household ?? "", read.Second.MadeBy ?? ""));

    private static Reading<IReadOnlyList<InvitationRow>> Rows(string which, object parameters) =>
        Reading.Of<IReadOnlyList<InvitationRow>>(
            $"select id, secret_hash, made_by, expires_at, used_by from invitation where {which};",
            parameters,
            async rows => [.. await rows.ReadAsync<InvitationRow>()]
        );

    public static Refusal Over(string link) =>
        new(
            "invitation-over",
            "invitation",
            LinkSecret.Shown(link),
            "this link was used, taken back or is older than a week",
            "Ask for a new one"
        );
}
