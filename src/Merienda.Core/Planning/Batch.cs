using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;

namespace Merienda.Core.Planning;

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

    /// <summary>Portions of what no meal has that go into the freezer, at most; of no meaning once it is portioned.</summary>
    public decimal FrozenRest { get; init; }

    /// <summary>Local date on which its portions went into boxes; null while they are planned.</summary>
    public DateOnly? PortionedOn { get; init; }

    /// <summary>Names of the parts that a lot has.</summary>
    public IReadOnlyList<string> PartsOf(Lot lot) => lot.Parts ?? Parts;

    public Lot LotOf(Draw draw) => LotWithId(draw.Lot);

    public Lot LotOf(Container box) => LotWithId(box.Lot);

    internal Lot LotWithId(Guid id) => Lots.First(lot => lot.Id == id);

    /// <summary>What a portion's share of a part weighs in a lot, g, as weighed or by the recipe; null when nobody knows.</summary>
    public decimal? GramsOf(Lot lot, string part) =>
        Yields.FirstOrDefault(one => one.Part == part) is { } weighed
            ? weighed.NetG * ShareOf(lot, part) / Lots.Sum(one => one.Portions * ShareOf(one, part))
            : PlannedOf(lot, part);

    /// <summary>What a whole portion of a lot weighs, g; null when nobody knows.</summary>
    public decimal? GramsPerPortion(Lot lot) =>
        PartsOf(lot).Select(part => GramsOf(lot, part)).Aggregate((decimal?)0, (sum, grams) => sum + grams) is > 0 and var all ? all : null;

    /// <summary>How much of a weighed part a portion of a lot has beside one of the others: by the recipe, or as much where that is not known.</summary>
    internal decimal ShareOf(Lot lot, string part) =>
        !PartsOf(lot).Contains(part) ? 0
        : Lots.All(one => PlannedOf(one, part) > 0 || !PartsOf(one).Contains(part)) ? PlannedOf(lot, part)!.Value
        : 1;

    /// <summary>What a part of all of it weighs by the recipe, g; null when nobody knows.</summary>
    public decimal? PlannedOf(string part) =>
        Lots.Aggregate((decimal?)0, (sum, lot) => sum + lot.Portions * PlannedOf(lot, part)) is > 0 and var all ? all : null;

    private decimal? PlannedOf(Lot lot, string part) => lot.PlannedGrams.ElementAtOrDefault(IndexOf(part));

    /// <summary>The batch as a version of its recipe has it: parts, what they weigh and how they keep.</summary>
    public Batch Of(RecipeVersion recipe)
    {
        var dishes = Lots.Select(lot => lot.DishOf(recipe)).ToList();
        var names = dishes.SelectMany(dish => dish.PartNames).ToHashSet();
        IReadOnlyList<string> parts = [.. recipe.PartNames.Where(names.Remove), .. names];
        return this with
        {
            Parts = parts,
            Keeping = recipe.Keeping,
            PartKeeping = [.. parts.Select(recipe.OwnKeepingOf)],
            Lots = [.. Lots.Zip(dishes, (lot, dish) => lot.Of(dish, parts))],
        };
    }

    private int IndexOf(string part) => Parts.TakeWhile(one => one != part).Count();

    /// <param name="variants">What is in no variant is cooked as written.</param>
    public static Result<Batch> Make(
        string letter,
        DateOnly cooked,
        decimal portions,
        IReadOnlyList<VariantPortions> variants,
        RecipeVersion recipe,
        Func<Guid> newId
    )
    {
        if ((RefusePortions(portions) ?? VariantPortions.Refuse(variants, portions, recipe)) is { } refusal)
        {
            return refusal;
        }

        var batch = new Batch(newId(), letter, cooked, VariantPortions.Lots(variants, portions, [], newId));
        return batch.Of(recipe);
    }

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
