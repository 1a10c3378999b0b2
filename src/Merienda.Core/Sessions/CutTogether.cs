using Merienda.Core.Foods;

namespace Merienda.Core.Sessions;

/// <summary>The same food cut for several dishes in one go.</summary>
/// <param name="Count">Pieces in all where every line counts them; null otherwise.</param>
/// <param name="Grams">In all; null where a line does not say.</param>
/// <param name="Dishes">Places of the dishes in what the session cooks.</param>
public sealed record CutTogether(Food Food, decimal? Count, decimal? Grams, IReadOnlyList<int> Dishes)
{
    internal static CutTogether Of(Food food, IReadOnlyList<(int Dish, CookedStep Step)> steps)
    {
        var takes = steps.SelectMany(one => one.Step.Takes).Where(take => take.Times > 0 && take.Line.Food == food).ToList();
        return new(
            food,
            takes.TrueForAll(take => take.Line.Read is { Unit.Name: "each", Amount: not null })
                ? takes.Sum(take => take.Line.Read.Amount!.Value.Best * take.Times)
                : null,
            takes.TrueForAll(take => take.Grams is not null) ? takes.Sum(take => take.Grams!.Value) : null,
            [.. steps.Select(one => one.Dish).Distinct()]
        );
    }
}
