using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Core.Filling;

/// <summary>A portion of a dish on a meal.</summary>
/// <param name="Size">Portions.</param>
/// <param name="Cooked">Date of its session.</param>
public sealed record FillServing(Cell Cell, FillDish Dish, decimal Size, DateOnly Cooked)
{
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

/// <summary>One thing that is sought after another: how far it came.</summary>
/// <param name="Name">In the cook's words: "Meals not covered".</param>
/// <param name="Bound">The best that it can be; null where nobody proved one.</param>
public sealed record FillLevel(string Key, string Name, long Value, long? Bound)
{
    /// <summary>Whether nothing better is possible, with what the levels before it found.</summary>
    public bool IsProven => Bound == Value;
}
