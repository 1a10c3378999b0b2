using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Core.Filling;

/// <summary>A portion of a dish on a meal.</summary>
/// <param name="Size">Portions.</param>
/// <param name="Cooked">Date of its session.</param>
/// <param name="Rest">Where it comes from when nothing is cooked for it.</param>
public sealed record FillServing(Cell Cell, FillDish Dish, decimal Size, DateOnly Cooked, FillRest? Rest = null)
{
    /// <summary>Something bought that comes beside what the meal has, for a day that lacks something.</summary>
    public bool IsBeside { get; init; }

    public Helping Helping => new(Dish.Name, Dish.Version.Profile, Size) { Dish = Dish.Version.Name };
}

/// <summary>A recipe cooked in a session, in one lot or several.</summary>
/// <param name="Lots">Whole portions of each variant.</param>
public sealed record FillBatch(DateOnly Cooked, IReadOnlyList<(FillDish Dish, int Portions)> Lots)
{
    public int Portions => Lots.Sum(lot => lot.Portions);
}

/// <summary>How a week may be filled.</summary>
public sealed record FillPlan(IReadOnlyList<FillServing> Servings, IReadOnlyList<FillBatch> Batches)
{
    public static readonly FillPlan Empty = new([], []);
}
