using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>How many portions of a batch are cooked in one variant.</summary>
/// <param name="Variant">Name of the recipe's variant; null for the recipe as it is.</param>
public sealed record Lot(Guid Id, string? Variant, decimal Portions);

/// <summary>A recipe cooked in one prep session. What is drawn from it stands in servings; <see cref="WeekPlan"/> keeps the account.</summary>
/// <param name="Letter">The tape letter.</param>
/// <param name="Cooked">Local date of the session.</param>
/// <param name="Lots">At least one.</param>
public sealed record Batch(Guid Id, string Letter, DateOnly Cooked, IReadOnlyList<Lot> Lots)
{
    public const decimal MostPortions = 60,
        SmallestSize = 0.25m,
        LargestSize = 4;

    public decimal Portions => Lots.Sum(lot => lot.Portions);

    /// <summary>Names of the dish's parts; the first may be unnamed.</summary>
    public IReadOnlyList<string> Parts { get; init; } = [""];

    /// <summary>What a portion's share of each part weighs by its recipe, g, in the order of the parts; null where nobody knows.</summary>
    public IReadOnlyList<decimal?> PlannedGrams { get; init; } = [];

    /// <summary>Parts that were weighed.</summary>
    public IReadOnlyList<PartYield> Yields { get; init; } = [];

    /// <summary>How it keeps; null when nobody said.</summary>
    public KeepingClass? Keeping { get; init; }

    /// <summary>How its parts keep where that is otherwise than the dish, in the order of the parts; empty when all keep as it.</summary>
    public IReadOnlyList<KeepingClass?> PartKeeping { get; init; } = [];

    /// <summary>How some parts keep together, all of them when null; null when nobody said how it keeps.</summary>
    public KeepingClass? KeepingOf(IReadOnlyList<string>? parts) =>
        Keeping is not { } dish || PartKeeping.All(kind => kind is null)
            ? Keeping
            : KeepingClass.Shortest((parts ?? Parts).Select(part => PartKeeping.ElementAtOrDefault(IndexOf(part)) ?? dish));

    /// <summary>Local date on which its portions went into boxes; null while they are planned.</summary>
    public DateOnly? PortionedOn { get; init; }

    /// <summary>What a portion's share of a part weighs, g, as weighed or by the recipe; null when nobody knows.</summary>
    public decimal? GramsOf(string part) =>
        Yields.FirstOrDefault(one => one.Part == part) is { } weighed
            ? weighed.NetG / Portions
            : PlannedGrams.ElementAtOrDefault(IndexOf(part));

    /// <summary>What a whole portion weighs, g; null when nobody knows.</summary>
    public decimal? GramsPerPortion =>
        Parts.Select(GramsOf).Aggregate((decimal?)0, (sum, grams) => sum + grams) is > 0 and var all ? all : null;

    private int IndexOf(string part) => Parts.TakeWhile(one => one != part).Count();

    public static Result<Batch> Make(Guid id, string letter, DateOnly cooked, decimal portions, Guid lot) =>
        RefusePortions(portions) is { } refusal ? refusal : new Batch(id, letter, cooked, [new(lot, null, portions)]);

    /// <summary>Why a batch of so many portions is not cooked; null when it can be.</summary>
    public static Refusal? RefusePortions(decimal portions) =>
        portions is >= 1 and <= MostPortions && portions % SmallestSize == 0
            ? null
            : new(
                "portions-out-of-range",
                "portions",
                $"{portions:0.##}",
                $"a batch makes 1 to {MostPortions} portions in steps of {SmallestSize}",
                "Choose a number in that range"
            );
}
