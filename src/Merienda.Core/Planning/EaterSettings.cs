using Merienda.Core.Foods;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>Where a meal comes from.</summary>
public enum MealSource
{
    Prep,

    /// <summary>Bought, or made fresh.</summary>
    Fresh,
    Out,
    Nothing,
}

/// <param name="DayShare">Share of the day's allowance for this meal, 0 to 1.</param>
/// <param name="Pattern">Where it comes from on each weekday, Sunday first.</param>
public sealed record EaterMeal(string Meal, decimal DayShare, IReadOnlyList<MealSource> Pattern)
{
    public static EaterMeal Daily(string meal, decimal dayShare, MealSource source = MealSource.Prep) =>
        new(meal, dayShare, [.. Enumerable.Repeat(source, WeekPlan.Days)]);

    public MealSource On(DateOnly date) => Pattern[(int)date.DayOfWeek];
}

/// <param name="From">First local date it holds on; 0001-01-01 when it always did.</param>
public sealed record StatedAllowance(string ProtocolId, string RuleId, decimal? AtLeast, decimal? AtMost, DateOnly From = default);

public sealed record EaterChoice(string ProtocolId, string ChoiceId, string OptionId);

/// <summary>A food or a line's words that an adult accepted for somebody with an allergy.</summary>
public sealed record StatedAcceptance(string What, string Reason, Guid AcceptedBy, DateTimeOffset AcceptedAt);

public sealed record StatedChallenge(string ChallengeId, ChallengeOutcome Outcome);

public sealed record StatedPhase(
    string ProtocolId,
    DateOnly StartsOn,
    DateOnly RestrictionEndsOn,
    IReadOnlyList<StatedChallenge> Challenges
);

/// <summary>The variant of a recipe that is made for somebody.</summary>
public sealed record UsualVariant(Guid Recipe, string Variant);

/// <summary>A dish, or a part of one, that an eater does not like.</summary>
/// <param name="Part">Its name; empty for the whole dish.</param>
public sealed record DislikedDish(Guid Recipe, string Part);

/// <summary>Everything a household says about one eater; <see cref="Table"/> makes an <see cref="Eater"/> with rules of it.</summary>
public sealed record EaterSettings(
    Guid Id,
    string Name,
    IReadOnlyList<string> Protocols,
    IReadOnlyList<StatedAllowance> Allowances,
    IReadOnlyList<EaterMeal> Meals
)
{
    /// <summary>A mouth without protocol: gets portions, has no rules; allergies may be stated.</summary>
    public bool IsGuest { get; init; }

    /// <summary>Portions the eater usually takes of a dish, 0.25 to 4.</summary>
    public decimal PortionHabit { get; init; } = 1;

    public IReadOnlyList<EaterChoice> Choices { get; init; } = [];

    /// <summary>Keys of classes.</summary>
    public IReadOnlyList<string> Allergies { get; init; } = [];

    public IReadOnlyList<StatedAcceptance> Accepted { get; init; } = [];

    /// <summary>Keys of classes or foods.</summary>
    public IReadOnlyList<string> Dislikes { get; init; } = [];

    /// <summary>At most one of a recipe.</summary>
    public IReadOnlyList<UsualVariant> UsualVariants { get; init; } = [];

    public IReadOnlyList<DislikedDish> DislikedDishes { get; init; } = [];

    /// <summary>What the days are shown with, ruled on or not; without any, the tightest limit is.</summary>
    public IReadOnlyList<Measure> Pinned { get; init; } = [];

    public IReadOnlyList<StatedPhase> Phases { get; init; } = [];

    /// <summary>Whether a trace low in a statement counts for what protocols leave out.</summary>
    public bool CountsTraces { get; init; } = true;

    /// <summary>Whether soybean oil that the label's law exempts is no soy for an allergy.</summary>
    public bool TrustsRefinedSoybeanOil { get; init; }

    /// <summary>Packets decided on; they are written with the packet, not with the eater.</summary>
    public IReadOnlyList<PacketOpinion> Opinions { get; init; } = [];

    public PersonalLimits Limits =>
        new(Allergies, [.. Accepted.Select(item => new Acceptance(item.What, item.Reason))], Dislikes)
        {
            Packets = new(Opinions, CountsTraces) { TrustsRefinedSoybeanOil = TrustsRefinedSoybeanOil },
        };

    /// <summary>A new eater: no protocol and no allowance, because what somebody may have is asked, never assumed.</summary>
    public static EaterSettings Named(Guid id, string name, Rhythm rhythm) =>
        new(
            id,
            name,
            [],
            [],
            [.. rhythm.Meals.Zip(RhythmEdits.UsualShares(rhythm.Meals), (meal, share) => EaterMeal.Daily(meal.Key, share))]
        );

    /// <summary>A new guest, of whom nothing is expected: a meal has a portion for them when somebody places one.</summary>
    public static EaterSettings Guest(Guid id, string name, Rhythm rhythm) =>
        Named(id, name, rhythm).ExpectingNothing() with
        {
            IsGuest = true,
        };

    private EaterSettings ExpectingNothing() =>
        this with
        {
            Meals = [.. Meals.Select(meal => EaterMeal.Daily(meal.Meal, meal.DayShare, MealSource.Nothing))],
        };

    public IReadOnlyDictionary<string, string> ChosenIn(string protocol) =>
        Choices.Where(item => item.ProtocolId == protocol).ToDictionary(item => item.ChoiceId, item => item.OptionId);

    public PhasePlan? PlanOf(string protocol) =>
        Phases.FirstOrDefault(phase => phase.ProtocolId == protocol) is { } phase
            ? new(
                protocol,
                phase.StartsOn,
                phase.RestrictionEndsOn,
                [.. phase.Challenges.Select(item => item.ChallengeId)],
                phase.Challenges.ToDictionary(item => item.ChallengeId, item => item.Outcome)
            )
            : null;
}
