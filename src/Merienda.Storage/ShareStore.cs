using System.Text.Json;
using Merienda.Core.Planning;

namespace Merienda.Storage;

/// <summary>What a member lets a group know of an eater: what they follow, allergies as classes, how large a portion; never a number of theirs.</summary>
/// <param name="Protocols">Ids of shipped protocols.</param>
public sealed record GroupShare(
    IReadOnlyList<string> Protocols,
    IReadOnlyList<EaterChoice> Choices,
    IReadOnlyList<string> Allergies,
    decimal PortionHabit
)
{
    /// <summary>The same for all who share the same.</summary>
    public string Print =>
        string.Join(
            '\n',
            string.Join(',', Protocols.Order()),
            string.Join(',', Choices.Select(choice => $"{choice}").Order()),
            string.Join(',', Allergies.Order()),
            PortionHabit.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture)
        );

    /// <summary>As an eater of the group's desk who states no number.</summary>
    public EaterSettings ToEater(Rhythm rhythm) =>
        EaterSettings.Named(Guid.CreateVersion7(), "Member", rhythm) with
        {
            Protocols = Protocols,
            Choices = Choices,
            Allergies = Allergies,
            PortionHabit = PortionHabit,
        };
}

/// <summary>What is shared of an eater: which of it was ticked.</summary>
public sealed record Ticked(Guid Eater, bool Protocols, bool Allergies, bool Portion)
{
    public bool IsNothing => this is { Protocols: false, Allergies: false, Portion: false };
}

/// <summary>
/// What members share. It is no edit of the desk's: its journal would say who shares what, so nothing is written there.
/// </summary>
public sealed class ShareStore(Database database)
{
    private sealed class Row
    {
        public string[] Protocols { get; init; } = [];

        public string Choices { get; init; } = "";

        public string[] Allergies { get; init; } = [];

        public decimal PortionHabit { get; init; }
    }

    private const string Columns = "share.protocols, share.choices::text as choices, share.allergies, share.portion_habit";

    /// <summary>What whoever asks shares with each of their groups.</summary>
    public static readonly Reading<IReadOnlyDictionary<Guid, (Ticked Ticked, GroupShare Share)>> Own = Reading.Of<
        IReadOnlyDictionary<Guid, (Ticked, GroupShare)>
    >(
        $"""
        select household_id, eater_id, protocols, allergies, portion from group_sharer where account_id = app_account() order by household_id;
        select {Columns} from group_sharer sharer
        join group_share share on share.household_id = sharer.household_id and share.id = sharer.share_id
        where sharer.account_id = app_account() order by sharer.household_id;
        """,
        null,
        async rows =>
            (await rows.ReadAsync<(Guid Group, Guid Eater, bool Protocols, bool Allergies, bool Portion)>())
                .ToList()
                .Zip(await rows.ReadAsync<Row>())
                .ToDictionary(
                    one => one.First.Group,
                    one => (new Ticked(one.First.Eater, one.First.Protocols, one.First.Allergies, one.First.Portion), Of(one.Second))
                )
    );

    /// <summary>What is shared with the desk, by nobody's name.</summary>
    public static readonly Reading<IReadOnlyList<GroupShare>> All = Reading.Of<IReadOnlyList<GroupShare>>(
        $"select {Columns} from group_share share where household_id = app_household() order by id;",
        null,
        async rows => [.. (await rows.ReadAsync<Row>()).Select(Of)]
    );

    /// <summary>Shares this with a group instead of what was shared before; nothing any more when nothing is ticked.</summary>
    /// <returns>False for who is no member.</returns>
    public Task<bool> Put(Guid account, Guid group, Ticked ticked, GroupShare share) =>
        database.Write(
            new Tenant(account, group, IsOutside: true),
            Reading.Of(
                $"""
                delete from group_sharer where household_id = app_household() and account_id = app_account();
                {(ticked.IsNothing ? "" : Insert)}
                select exists (select 1 from group_member where household_id = app_household() and account_id = app_account());
                """,
                new
                {
                    protocols = share.Protocols.ToArray(),
                    choices = JsonSerializer.Serialize(share.Choices, JsonSerializerOptions.Web),
                    allergies = share.Allergies.ToArray(),
                    habit = share.PortionHabit,
                    eater = ticked.Eater,
                    hasProtocols = ticked.Protocols,
                    hasAllergies = ticked.Allergies,
                    hasPortion = ticked.Portion,
                    // Its id says nothing of when it was made.
                    share = Guid.NewGuid(),
                },
                rows => rows.ReadSingleAsync<bool>()
            )
        );

    private const string Insert = """
        insert into group_share (household_id, id, protocols, choices, allergies, portion_habit)
        select household_id, @share, @protocols, @choices::jsonb, @allergies, @habit
        from group_member where household_id = app_household() and account_id = app_account();
        insert into group_sharer (household_id, account_id, share_id, eater_id, protocols, allergies, portion)
        select household_id, account_id, @share, @eater, @hasProtocols, @hasAllergies, @hasPortion
        from group_member where household_id = app_household() and account_id = app_account();
        """;

    private static GroupShare Of(Row row) =>
        new(
            row.Protocols,
            JsonSerializer.Deserialize<List<EaterChoice>>(row.Choices, JsonSerializerOptions.Web)!,
            row.Allergies,
            row.PortionHabit
        );
}
