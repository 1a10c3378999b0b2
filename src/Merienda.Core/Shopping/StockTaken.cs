using Merienda.Core.Stock;

namespace Merienda.Core.Shopping;

/// <summary>Something in stock that a need of a food may be met from.</summary>
/// <param name="Until">Last date to use it; null for no clock that would stop anybody.</param>
public sealed record InStock(StockItem Item, DateOnly? Until);

/// <summary>What is needed of one food on a date.</summary>
/// <param name="Grams">Above 0.</param>
public sealed record Needed(DateOnly On, decimal Grams);

/// <summary>What stands there is used first, the one that goes off first before the others, and none on a day that it is not good for any more.</summary>
/// <param name="Missing">Grams that have to be bought.</param>
/// <param name="Taken">Grams by the thing that they come from.</param>
/// <param name="TooOld">What would be there and has gone off by the day that it is needed.</param>
public sealed record StockTaken(decimal Missing, IReadOnlyList<(StockItem Item, decimal Grams)> Taken, IReadOnlyList<InStock> TooOld)
{
    public static StockTaken Of(IEnumerable<Needed> needs, IReadOnlyList<InStock> stock)
    {
        var left = stock
            .Where(one => one.Item.Grams is not null)
            .OrderBy(one => one.Until ?? DateOnly.MaxValue)
            .ThenBy(one => one.Item.MadeOn)
            .Select(one => (one.Item, one.Until, Grams: one.Item.Grams!.Value))
            .ToList();
        var (missing, taken) = (0m, new Dictionary<StockItem, decimal>());
        foreach (var need in needs.OrderBy(need => need.On))
        {
            var open = need.Grams;
            for (var at = 0; at < left.Count && open > 0; at++)
            {
                if (left[at].Until is null || left[at].Until >= need.On)
                {
                    var some = Math.Min(open, left[at].Grams);
                    if (some > 0)
                    {
                        taken[left[at].Item] = taken.GetValueOrDefault(left[at].Item) + some;
                        left[at] = left[at] with { Grams = left[at].Grams - some };
                        open -= some;
                    }
                }
            }

            missing += open;
        }

        return new(
            missing,
            [.. taken.Select(one => (one.Key, one.Value))],
            missing == 0 ? [] : [.. stock.Where(one => one.Item.Grams is not null && !taken.ContainsKey(one.Item))]
        );
    }
}
