using Merienda.Core.Stock;

namespace Merienda.Core.Shopping;

/// <summary>What cooking takes out of stock: the oldest first, as far as anybody knows what is there.</summary>
public static class StockUsed
{
    /// <summary>So little, g, is nothing that still stands on a shelf.</summary>
    private const decimal Crumbs = 1;

    /// <param name="used">Grams by the key of a food.</param>
    /// <returns>Each thing that changes, as it was and as it is then.</returns>
    public static IReadOnlyList<(StockItem Was, StockItem Is)> Of(
        IReadOnlyList<StockItem> stock,
        IReadOnlyDictionary<string, decimal> used,
        DateOnly today
    )
    {
        var changed = new List<(StockItem, StockItem)>();
        foreach (var food in stock.Where(item => item is { Food: not null, Grams: not null }).GroupBy(item => item.Food!))
        {
            var open = used.GetValueOrDefault(food.Key);
            foreach (
                var item in food.OrderBy(item => item.BestBefore ?? DateOnly.MaxValue).ThenBy(item => item.MadeOn).ThenBy(item => item.Id)
            )
            {
                if (open <= 0)
                {
                    break;
                }

                var left = item.Grams!.Value - open;
                open = Math.Max(0, -left);
                // "2 tins" are not there any more once one of them is open.
                changed.Add((item, left < Crumbs ? item.UsedUp(today) : item with { Grams = Math.Round(left, 1), Amount = "" }));
            }
        }

        return changed;
    }
}
