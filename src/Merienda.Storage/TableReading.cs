using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage.Edits;
using static Dapper.SqlMapper;

namespace Merienda.Storage;

/// <summary>One version of a household's own protocol.</summary>
/// <param name="Origin">The protocol it was copied from; null when it was imported.</param>
public sealed record OwnProtocol(string Id, int Version, string Content, string? Origin, bool IsArchived);

/// <summary>A household's own protocols as a week sees them.</summary>
/// <param name="Latest">The version that counts of each, archived ones too: an eater may still follow one.</param>
/// <param name="Pinned">Versions that the asked week was planned with, by protocol id; empty without a week.</param>
/// <param name="PinnedContent">Content of pinned own versions that are not the latest.</param>
public sealed record ProtocolShelf(
    IReadOnlyList<OwnProtocol> Latest,
    IReadOnlyDictionary<string, int> Pinned,
    IReadOnlyList<OwnProtocol> PinnedContent
);

/// <summary>Who sits at the table, and what the household made of protocols; the documents are not read yet.</summary>
public sealed record StoredTable(Household Household, IReadOnlyList<EaterSettings> Eaters, ProtocolShelf Protocols);

/// <summary>Reads a household's table whole, in one round trip.</summary>
internal static class TableReading
{
    public const string OwnProtocolColumns = """
        select version.protocol_id as id, version.version, version.content::text as content,
            protocol.origin_id as origin, protocol.archived_at is not null as is_archived
        from household_protocol_version version
        join household_protocol protocol on protocol.household_id = version.household_id and protocol.id = version.protocol_id
        """;

    private const string SelectHousehold = """
        select id, name, time_zone, units, number_format, first_day, counts_tolerances from household where id = app_household();
        select key, name, role, usual_time, position, is_former from meal_slot order by position;
        select weekday, starts_at, cooks, name, eaten_after_days from prep_day order by weekday;
        """;

    private const string SelectEaters = """
        select id, name, portion_habit, counts_traces, trusts_refined_soybean_oil, is_guest from eater order by position, id;
        select eater_id, protocol_id from eater_protocol order by protocol_id;
        select eater_id, protocol_id, rule_id, at_least, at_most, valid_from from allowance order by protocol_id, rule_id, valid_from;
        select eater_id, meal, day_share, pattern from eater_meal
        join meal_slot on meal_slot.household_id = eater_meal.household_id and key = meal order by position;
        select eater_id, protocol_id, choice_id, option_id from eater_choice order by protocol_id, choice_id;
        select eater_id, class_key from eater_allergy order by class_key;
        select eater_id, what, reason, accepted_by, accepted_at from eater_acceptance order by what;
        select eater_id, what from eater_dislike order by what;
        select eater_id, recipe_id, variant from eater_variant order by recipe_id;
        select eater_id, recipe_id, part from eater_dish order by recipe_id, part;
        select eater_id, measure from eater_pin order by position;
        select eater_id, protocol_id, starts_on, restriction_ends_on from eater_phase order by protocol_id;
        select eater_id, protocol_id, challenge_id, outcome from eater_challenge order by position;
        select eater_id, packet_id, is_approved, reason, decided_on, statement from packet_opinion order by decided_on, packet_id;
        """;

    /// <summary>Also when its first day was another weekday then: what was kept for a week belongs to the one with most of its days.</summary>
    private const string PinnedIn = "week_start between @tableWeek::date - 3 and @tableWeek::date + 3";

    /// <inheritdoc cref="PinnedIn"/>
    internal static bool IsOfWeek(DateOnly kept, DateOnly start) => Math.Abs(kept.DayNumber - start.DayNumber) <= 3;

    private const string SelectShelf = $"""
        {OwnProtocolColumns} where version.version = protocol.version order by version.protocol_id;
        select protocol_id, version from week_protocol where {PinnedIn};
        {OwnProtocolColumns}
        join week_protocol pinned on pinned.household_id = version.household_id
            and pinned.protocol_id = version.protocol_id and pinned.version = version.version
        where {PinnedIn} and version.version <> protocol.version;
        """;

    public static readonly Reading<Household> Household = Reading.Of(SelectHousehold, null, TakeHousehold);

    /// <param name="week">First day of the week whose protocol versions are asked for; null for the latest ones.</param>
    public static Reading<StoredTable> Of(DateOnly? week) =>
        Reading.Of(
            $"{SelectHousehold}\n{SelectEaters}\n{SelectShelf}",
            new { tableWeek = week },
            async rows => new StoredTable(await TakeHousehold(rows), await TakeEaters(rows), await TakeShelf(rows))
        );

    private static async Task<Household> TakeHousehold(GridReader rows)
    {
        var (id, name, zone, units, format, first, tolerances) = await rows.ReadSingleAsync<HouseholdColumns>();
        return new(id, name, zone, units, format, await RhythmRows.Take(rows, first), tolerances);
    }

    private static async Task<IReadOnlyList<EaterSettings>> TakeEaters(GridReader rows)
    {
        var eaters = (
            await rows.ReadAsync<(Guid Id, string Name, decimal Habit, bool CountsTraces, bool TrustsRefinedSoybeanOil, bool IsGuest)>()
        ).ToList();
        var protocols = await By<(Guid Eater, string Protocol), string>(rows, row => row.Eater, row => row.Protocol);
        var allowances = await By<
            (Guid Eater, string Protocol, string Rule, decimal? AtLeast, decimal? AtMost, DateOnly From),
            StatedAllowance
        >(rows, row => row.Eater, row => new(row.Protocol, row.Rule, row.AtLeast, row.AtMost, row.From));
        var meals = await By<(Guid Eater, string Meal, decimal Share, string Pattern), EaterMeal>(
            rows,
            row => row.Eater,
            row => new(row.Meal, row.Share, EaterPut.Sources(row.Pattern))
        );
        var choices = await By<(Guid Eater, string Protocol, string Choice, string Option), EaterChoice>(
            rows,
            row => row.Eater,
            row => new(row.Protocol, row.Choice, row.Option)
        );
        var allergies = await By<(Guid Eater, string Class), string>(rows, row => row.Eater, row => row.Class);
        var accepted = await By<(Guid Eater, string What, string Reason, Guid By, DateTimeOffset At), StatedAcceptance>(
            rows,
            row => row.Eater,
            row => new(row.What, row.Reason, row.By, row.At)
        );
        var dislikes = await By<(Guid Eater, string What), string>(rows, row => row.Eater, row => row.What);
        var variants = await By<(Guid Eater, Guid Recipe, string Variant), UsualVariant>(
            rows,
            row => row.Eater,
            row => new(row.Recipe, row.Variant)
        );
        var dishes = await By<(Guid Eater, Guid Recipe, string Part), DislikedDish>(
            rows,
            row => row.Eater,
            row => new(row.Recipe, row.Part)
        );
        var pinned = await By<(Guid Eater, string Measure), Measure>(
            rows,
            row => row.Eater,
            row => MeasureInfo.WithKey(row.Measure)!.Measure
        );
        var phases = await By<(Guid Eater, string Protocol, DateOnly Start, DateOnly End), (string Protocol, DateOnly Start, DateOnly End)>(
            rows,
            row => row.Eater,
            row => (row.Protocol, row.Start, row.End)
        );
        var challenges = (await rows.ReadAsync<(Guid Eater, string Protocol, string Challenge, string Outcome)>()).ToLookup(
            row => (row.Eater, row.Protocol),
            row => new StatedChallenge(row.Challenge, Enum.Parse<ChallengeOutcome>(row.Outcome))
        );
        var opinions = await By<(Guid Eater, Guid Packet, bool IsApproved, string Reason, DateOnly On, string Statement), PacketOpinion>(
            rows,
            row => row.Eater,
            row => new(Packet.KeyOf(row.Packet), row.IsApproved, row.Reason, row.On, row.Statement)
        );
        return
        [
            .. eaters.Select(eater => new EaterSettings(
                eater.Id,
                eater.Name,
                [.. protocols[eater.Id]],
                [.. allowances[eater.Id]],
                [.. meals[eater.Id]]
            )
            {
                PortionHabit = eater.Habit,
                CountsTraces = eater.CountsTraces,
                TrustsRefinedSoybeanOil = eater.TrustsRefinedSoybeanOil,
                IsGuest = eater.IsGuest,
                Opinions = [.. opinions[eater.Id]],
                Choices = [.. choices[eater.Id]],
                Allergies = [.. allergies[eater.Id]],
                Accepted = [.. accepted[eater.Id]],
                Dislikes = [.. dislikes[eater.Id]],
                UsualVariants = [.. variants[eater.Id]],
                DislikedDishes = [.. dishes[eater.Id]],
                Pinned = [.. pinned[eater.Id]],
                Phases =
                [
                    .. phases[eater.Id]
                        .Select(phase => new StatedPhase(
                            phase.Protocol,
                            phase.Start,
                            phase.End,
                            [.. challenges[(eater.Id, phase.Protocol)]]
                        )),
                ],
            }),
        ];
    }

    private static async Task<ProtocolShelf> TakeShelf(GridReader rows)
    {
        var latest = (await rows.ReadAsync<OwnProtocol>()).ToList();
        var pins = (await rows.ReadAsync<(string Id, int Version)>()).ToDictionary(row => row.Id, row => row.Version);
        return new(latest, pins, [.. await rows.ReadAsync<OwnProtocol>()]);
    }

    private static async Task<ILookup<Guid, TValue>> By<TRow, TValue>(GridReader rows, Func<TRow, Guid> eater, Func<TRow, TValue> value) =>
        (await rows.ReadAsync<TRow>()).ToLookup(eater, value);

    private sealed record HouseholdColumns(
        Guid Id,
        string Name,
        string TimeZone,
        string Units,
        string NumberFormat,
        int FirstDay,
        bool CountsTolerances
    );
}
