using Dapper;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Protocols;
using Npgsql;

namespace Merienda.Storage;

public sealed record EaterMeal(string Meal, decimal DayShare, bool IsFromPrep);

/// <param name="From">First local date it holds on; 0001-01-01 when it always did.</param>
public sealed record StatedAllowance(string ProtocolId, string RuleId, decimal? AtLeast, decimal? AtMost, DateOnly From = default);

public sealed record EaterChoice(string ProtocolId, string ChoiceId, string OptionId);

public sealed record StoredAcceptance(string What, string Reason, Guid AcceptedBy, DateTimeOffset AcceptedAt);

/// <summary>What the eater decided about a packet; with the ingredients that were approved.</summary>
public sealed record StoredOpinion(Guid PacketId, bool IsApproved, string Reason, DateOnly DecidedOn, string Statement)
{
    public static PacketOpinions ToRules(IEnumerable<StoredOpinion> opinions, bool countsTraces, bool trustsRefinedSoybeanOil) =>
        new(
            [
                .. opinions.Select(opinion => new PacketOpinion(
                    Packet.KeyOf(opinion.PacketId),
                    opinion.IsApproved,
                    opinion.Reason,
                    opinion.DecidedOn,
                    opinion.Statement
                )),
            ],
            countsTraces
        )
        {
            TrustsRefinedSoybeanOil = trustsRefinedSoybeanOil,
        };
}

public sealed record StoredChallenge(string ChallengeId, ChallengeOutcome Outcome);

public sealed record StoredPhase(
    string ProtocolId,
    DateOnly StartsOn,
    DateOnly RestrictionEndsOn,
    IReadOnlyList<StoredChallenge> Challenges
);

/// <summary>Everything a household says about one eater.</summary>
public sealed record EaterSettings(
    Guid Id,
    string Name,
    IReadOnlyList<string> Protocols,
    IReadOnlyList<StatedAllowance> Allowances,
    IReadOnlyList<EaterMeal> Meals
)
{
    public decimal PortionHabit { get; init; } = 1;

    public IReadOnlyList<EaterChoice> Choices { get; init; } = [];

    public IReadOnlyList<string> Allergies { get; init; } = [];

    public IReadOnlyList<StoredAcceptance> Accepted { get; init; } = [];

    public IReadOnlyList<string> Dislikes { get; init; } = [];

    public IReadOnlyList<StoredPhase> Phases { get; init; } = [];

    /// <summary>Whether a trace low in a statement counts for what protocols leave out.</summary>
    public bool CountsTraces { get; init; } = true;

    /// <summary>Whether soybean oil that the label's law exempts is no soy for an allergy.</summary>
    public bool TrustsRefinedSoybeanOil { get; init; }

    /// <summary>Packets decided on; they are written by the packet, not with the eater.</summary>
    public IReadOnlyList<StoredOpinion> Opinions { get; init; } = [];

    public PacketOpinions PacketOpinions => StoredOpinion.ToRules(Opinions, CountsTraces, TrustsRefinedSoybeanOil);

    /// <summary>Equal when all lists hold the same, in any order.</summary>
    public bool IsSameAs(EaterSettings other) =>
        Id == other.Id
        && Name == other.Name
        && PortionHabit == other.PortionHabit
        && (CountsTraces, TrustsRefinedSoybeanOil) == (other.CountsTraces, other.TrustsRefinedSoybeanOil)
        && Same(Protocols, other.Protocols)
        && Same(Allowances, other.Allowances)
        && Same(Meals, other.Meals)
        && Same(Choices, other.Choices)
        && Same(Allergies, other.Allergies)
        && Same(Accepted.Select(item => item.What), other.Accepted.Select(item => item.What))
        && Same(Dislikes, other.Dislikes)
        && Same(Phases.Select(Flat), other.Phases.Select(Flat));

    private static bool Same<T>(IEnumerable<T> own, IEnumerable<T> others) => own.ToHashSet().SetEquals(others);

    private static string Flat(StoredPhase phase) =>
        $"{phase.ProtocolId} {phase.StartsOn:O} {phase.RestrictionEndsOn:O} {string.Join(",", phase.Challenges)}";
}

/// <summary>One eater's allergies with what was accepted, and the usual portion.</summary>
public sealed record EaterLimits(
    string Name,
    decimal PortionHabit,
    IReadOnlyList<string> Allergies,
    IReadOnlyList<Acceptance> Accepted,
    PacketOpinions Packets
);

/// <summary>Reads and writes an eater with everything that hangs on it.</summary>
internal static class EaterRows
{
    /// <summary>
    /// Statements whose results <see cref="ReadFrom"/> takes in this order, so that a caller can ask more in the same round trip.
    /// </summary>
    public const string Select = """
        select id, name, portion_habit, counts_traces, trusts_refined_soybean_oil from eater order by position, id;
        select eater_id, protocol_id from eater_protocol order by protocol_id;
        select eater_id, protocol_id, rule_id, at_least, at_most, valid_from from allowance order by protocol_id, rule_id, valid_from;
        select eater_id, meal, day_share, is_from_prep from eater_meal;
        select eater_id, protocol_id, choice_id, option_id from eater_choice order by protocol_id, choice_id;
        select eater_id, class_key from eater_allergy order by class_key;
        select eater_id, what, reason, accepted_by, accepted_at from eater_acceptance order by what;
        select eater_id, what from eater_dislike order by what;
        select eater_id, protocol_id, starts_on, restriction_ends_on from eater_phase order by protocol_id;
        select eater_id, protocol_id, challenge_id, outcome from eater_challenge order by position;
        select eater_id, packet_id, is_approved, reason, decided_on, statement from packet_opinion order by decided_on, packet_id;
        """;

    public static async Task<IReadOnlyList<EaterSettings>> Read(NpgsqlConnection connection)
    {
        using var rows = await connection.QueryMultipleAsync(Select);
        return await ReadFrom(rows);
    }

    public static async Task<IReadOnlyList<EaterSettings>> ReadFrom(SqlMapper.GridReader rows)
    {
        var eaters = (
            await rows.ReadAsync<(Guid Id, string Name, decimal Habit, bool CountsTraces, bool TrustsRefinedSoybeanOil)>()
        ).ToList();
        var protocols = (await rows.ReadAsync<(Guid Eater, string Protocol)>()).ToLookup(row => row.Eater, row => row.Protocol);
        var allowances = (
            await rows.ReadAsync<(Guid Eater, string Protocol, string Rule, decimal? AtLeast, decimal? AtMost, DateOnly From)>()
        ).ToLookup(row => row.Eater, row => new StatedAllowance(row.Protocol, row.Rule, row.AtLeast, row.AtMost, row.From));
        var meals = (await rows.ReadAsync<(Guid Eater, string Meal, decimal Share, bool FromPrep)>()).ToLookup(
            row => row.Eater,
            row => new EaterMeal(row.Meal, row.Share, row.FromPrep)
        );
        var choices = (await rows.ReadAsync<(Guid Eater, string Protocol, string Choice, string Option)>()).ToLookup(
            row => row.Eater,
            row => new EaterChoice(row.Protocol, row.Choice, row.Option)
        );
        var allergies = (await rows.ReadAsync<(Guid Eater, string Class)>()).ToLookup(row => row.Eater, row => row.Class);
        var accepted = (await rows.ReadAsync<(Guid Eater, string What, string Reason, Guid By, DateTimeOffset At)>()).ToLookup(
            row => row.Eater,
            row => new StoredAcceptance(row.What, row.Reason, row.By, row.At)
        );
        var dislikes = (await rows.ReadAsync<(Guid Eater, string What)>()).ToLookup(row => row.Eater, row => row.What);
        var phases = (await rows.ReadAsync<(Guid Eater, string Protocol, DateOnly Start, DateOnly End)>()).ToLookup(row => row.Eater);
        var challenges = (await rows.ReadAsync<(Guid Eater, string Protocol, string Challenge, string Outcome)>()).ToLookup(
            row => (row.Eater, row.Protocol),
            row => new StoredChallenge(row.Challenge, Enum.Parse<ChallengeOutcome>(row.Outcome))
        );
        var opinions = (
            await rows.ReadAsync<(Guid Eater, Guid Packet, bool IsApproved, string Reason, DateOnly On, string Statement)>()
        ).ToLookup(row => row.Eater, row => new StoredOpinion(row.Packet, row.IsApproved, row.Reason, row.On, row.Statement));
        return
        [
            .. eaters.Select(eater => new EaterSettings(
                eater.Id,
                eater.Name,
                [.. protocols[eater.Id]],
                [.. allowances[eater.Id]],
                [.. meals[eater.Id].OrderBy(meal => Occasion.Meals.ToList().IndexOf(meal.Meal))]
            )
            {
                PortionHabit = eater.Habit,
                CountsTraces = eater.CountsTraces,
                TrustsRefinedSoybeanOil = eater.TrustsRefinedSoybeanOil,
                Opinions = [.. opinions[eater.Id]],
                Choices = [.. choices[eater.Id]],
                Allergies = [.. allergies[eater.Id]],
                Accepted = [.. accepted[eater.Id]],
                Dislikes = [.. dislikes[eater.Id]],
                Phases =
                [
                    .. phases[eater.Id]
                        .Select(phase => new StoredPhase(
                            phase.Protocol,
                            phase.Start,
                            phase.End,
                            [.. challenges[(eater.Id, phase.Protocol)]]
                        )),
                ],
            }),
        ];
    }

    /// <summary>What must be known of one eater before a portion is given to them; null when there is no such eater.</summary>
    public static async Task<EaterLimits?> Limits(NpgsqlConnection connection, Guid eaterId)
    {
        using var rows = await connection.QueryMultipleAsync(
            """
            select name, portion_habit, trusts_refined_soybean_oil from eater where id = @eaterId;
            select class_key from eater_allergy where eater_id = @eaterId;
            select what, reason from eater_acceptance where eater_id = @eaterId;
            select packet_id, is_approved, reason, decided_on, statement from packet_opinion where eater_id = @eaterId;
            """,
            new { eaterId }
        );
        var (name, habit, trusts) = await rows.ReadSingleOrDefaultAsync<(string?, decimal, bool)>();
        return name is null
            ? null
            : new(
                name,
                habit,
                [.. await rows.ReadAsync<string>()],
                [.. await rows.ReadAsync<Acceptance>()],
                StoredOpinion.ToRules(await rows.ReadAsync<StoredOpinion>(), true, trusts)
            );
    }

    /// <summary>Seats an eater last.</summary>
    public static async Task Add(NpgsqlConnection connection, Tenant tenant, EaterSettings eater)
    {
        await connection.ExecuteAsync(
            "insert into eater (household_id, id, name, position) select @Household, @Id, @Name, coalesce(max(position), 0) + 1 from eater",
            new
            {
                tenant.Household,
                eater.Id,
                eater.Name,
            }
        );
        await Write(connection, tenant, eater);
        foreach (var opinion in eater.Opinions)
        {
            await OpinionStore.Write(connection, tenant, eater.Id, opinion);
        }
    }

    /// <summary>False when there is no such eater, or portions stand in their days.</summary>
    public static async Task<bool> Remove(NpgsqlConnection connection, Guid eaterId) =>
        await connection.ExecuteAsync(
            "delete from eater where id = @eaterId and not exists (select 1 from serving join container on container.household_id = serving.household_id and container.serving_id = serving.id where serving.eater_id = @eaterId)",
            new { eaterId }
        ) == 1;

    public static async Task Write(NpgsqlConnection connection, Tenant tenant, EaterSettings eater)
    {
        await connection.ExecuteAsync(
            """
            update eater set name = @Name, portion_habit = @PortionHabit, counts_traces = @CountsTraces, trusts_refined_soybean_oil = @TrustsRefinedSoybeanOil where id = @Id;
            delete from eater_protocol where eater_id = @Id;
            delete from allowance where eater_id = @Id;
            delete from eater_meal where eater_id = @Id;
            delete from eater_choice where eater_id = @Id;
            delete from eater_allergy where eater_id = @Id;
            delete from eater_acceptance where eater_id = @Id;
            delete from eater_dislike where eater_id = @Id;
            delete from eater_phase where eater_id = @Id;
            """,
            new
            {
                eater.Id,
                eater.Name,
                eater.PortionHabit,
                eater.CountsTraces,
                eater.TrustsRefinedSoybeanOil,
            }
        );
        Task Insert<T>(string sql, IEnumerable<T> rows) => connection.ExecuteAsync(sql, rows);
        await Insert(
            "insert into eater_protocol (household_id, eater_id, protocol_id) values (@Household, @Eater, @Protocol)",
            eater.Protocols.Select(protocol => new
            {
                tenant.Household,
                Eater = eater.Id,
                Protocol = protocol,
            })
        );
        await Insert(
            "insert into allowance (household_id, eater_id, protocol_id, rule_id, at_least, at_most, valid_from) values (@Household, @Eater, @ProtocolId, @RuleId, @AtLeast, @AtMost, @From)",
            eater.Allowances.Select(item => new
            {
                tenant.Household,
                Eater = eater.Id,
                item.ProtocolId,
                item.RuleId,
                item.AtLeast,
                item.AtMost,
                item.From,
            })
        );
        await Insert(
            "insert into eater_meal (household_id, eater_id, meal, day_share, is_from_prep) values (@Household, @Eater, @Meal, @DayShare, @IsFromPrep)",
            eater.Meals.Select(meal => new
            {
                tenant.Household,
                Eater = eater.Id,
                meal.Meal,
                meal.DayShare,
                meal.IsFromPrep,
            })
        );
        await Insert(
            "insert into eater_choice (household_id, eater_id, protocol_id, choice_id, option_id) values (@Household, @Eater, @ProtocolId, @ChoiceId, @OptionId)",
            eater.Choices.Select(item => new
            {
                tenant.Household,
                Eater = eater.Id,
                item.ProtocolId,
                item.ChoiceId,
                item.OptionId,
            })
        );
        await Insert(
            "insert into eater_allergy (household_id, eater_id, class_key) values (@Household, @Eater, @Class)",
            eater.Allergies.Select(key => new
            {
                tenant.Household,
                Eater = eater.Id,
                Class = key,
            })
        );
        await Insert(
            "insert into eater_acceptance (household_id, eater_id, what, reason, accepted_by, accepted_at) values (@Household, @Eater, @What, @Reason, @AcceptedBy, @AcceptedAt)",
            eater.Accepted.Select(item => new
            {
                tenant.Household,
                Eater = eater.Id,
                item.What,
                item.Reason,
                item.AcceptedBy,
                item.AcceptedAt,
            })
        );
        await Insert(
            "insert into eater_dislike (household_id, eater_id, what) values (@Household, @Eater, @What)",
            eater.Dislikes.Select(what => new
            {
                tenant.Household,
                Eater = eater.Id,
                What = what,
            })
        );
        await Insert(
            "insert into eater_phase (household_id, eater_id, protocol_id, starts_on, restriction_ends_on) values (@Household, @Eater, @ProtocolId, @StartsOn, @RestrictionEndsOn)",
            eater.Phases.Select(phase => new
            {
                tenant.Household,
                Eater = eater.Id,
                phase.ProtocolId,
                phase.StartsOn,
                phase.RestrictionEndsOn,
            })
        );
        await Insert(
            "insert into eater_challenge (household_id, eater_id, protocol_id, challenge_id, position, outcome) values (@Household, @Eater, @ProtocolId, @ChallengeId, @Position, @Outcome)",
            eater.Phases.SelectMany(phase =>
                phase.Challenges.Select(
                    (item, position) =>
                        new
                        {
                            tenant.Household,
                            Eater = eater.Id,
                            phase.ProtocolId,
                            item.ChallengeId,
                            Position = position,
                            Outcome = item.Outcome.ToString(),
                        }
                )
            )
        );
    }
}
