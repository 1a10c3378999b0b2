using Merienda.Core.Shopping;
using Merienda.Core.Stock;

namespace Merienda.Storage;

/// <summary>What a week is cooked from: what stands in stock, and what the rest costs.</summary>
public sealed record Supplies(IReadOnlyList<StockItem> Stock, IReadOnlyList<Price> Prices)
{
    public static readonly Supplies None = new([], []);

    internal static readonly Reading<Supplies> Current = StockStore
        .Items.And(PriceStore.All)
        .Select(read => new Supplies(read.First, read.Second));
}
