using Merienda.Core.Planning;
using Merienda.Core.Shopping;
using Merienda.Core.Stock;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What went into batches that are in boxes by now stands in stock no more.</summary>
internal static class UsedUp
{
    /// <param name="batches">Those that were not in boxes before.</param>
    public static Change Use(
        this Change change,
        SoldAs soldAs,
        IReadOnlyList<StockItem> stock,
        IEnumerable<Batch> batches,
        IReadOnlyDictionary<Guid, StoredRecipe> recipes,
        HouseholdFoods foods,
        DateOnly today
    )
    {
        var used = ShoppingList
            .FromNothing(soldAs, foods.Matcher.WithKey)
            .UsedBy(
                batches.SelectMany(batch =>
                    batch.Lots.Select(lot => new BatchToShop(
                        batch.Letter,
                        batch.Cooked,
                        lot.DishOf(recipes[batch.Id].Version),
                        lot.Portions
                    ))
                )
            );
        var changed = StockUsed.Of(stock, used, today);
        return change.Put(
            Tables.StockItem,
            changed.Select(one => StockStore.RowOf(one.Was)),
            changed.Select(one => StockStore.RowOf(one.Is))
        );
    }
}
