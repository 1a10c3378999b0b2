using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Stock;

namespace Merienda.Core.Shopping;

/// <summary>A batch as the list needs it.</summary>
/// <param name="Letter">Empty for what is eaten as it is bought.</param>
/// <param name="On">Local date that it is cooked or eaten on.</param>
/// <param name="Portions">Portions cooked; the recipe's lines are scaled to them.</param>
public sealed record BatchToShop(string Letter, DateOnly On, RecipeVersion Recipe, decimal Portions)
{
    public decimal Scale => Portions / Recipe.Portions;
}

/// <summary>What one batch needs of an item.</summary>
public sealed record NeedOfBatch(string Letter, Estimate Grams);

/// <summary>One thing to buy.</summary>
/// <param name="Key">Key of the food that is bought, or the words of a line that no food was found for.</param>
/// <param name="Food">Null for what is on the list by its words.</param>
/// <param name="Grams">That all batches need, in what is bought; open when a line gave no amount that can be weighed.</param>
/// <param name="AsTyped">Lines whose weight nobody knows, word for word, with the batch's scale when it is not one.</param>
/// <param name="For">What recipes call it where it is bought as something else: "Vegetable stock, made up".</param>
/// <param name="There">What is taken from stock.</param>
/// <param name="Buy">Null where nothing has to be bought, or nobody can tell how much.</param>
public sealed record ShoppingItem(
    string Key,
    string Name,
    Food? Food,
    Estimate Grams,
    IReadOnlyList<NeedOfBatch> Batches,
    IReadOnlyList<string> AsTyped,
    IReadOnlyList<string> For,
    StockTaken There,
    Purchase? Buy
)
{
    /// <summary>Grams of something that most cupboards hold, up to which one looks before one buys [C].</summary>
    private const decimal Little = 40;

    private static readonly string[] Cupboard = ["spices", "oils", "oils and vinegars", "baking", "sauces"];

    /// <summary>Whether one looks at home before one buys it: a little of what most cupboards hold.</summary>
    public bool IsLookedFor => Food is not null && Cupboard.Contains(Food.Aisle) && There.Missing <= Little;

    /// <summary>Grams that are left of what is bought; 0 where it is sold by weight or enough is there.</summary>
    public decimal LeftOver => Buy is { Packs.Count: > 0 } ? Math.Max(0, Buy.Grams - There.Missing) : 0;
}

/// <summary>Adds up what all batches need, by food across recipes, and takes what is there from it.</summary>
/// <param name="SoldAs">What is bought as something else.</param>
/// <param name="WithKey">Every food that may be bought.</param>
/// <param name="Stock">What stands there and may be used.</param>
public sealed record ShoppingList(SoldAs SoldAs, Func<string, Food?> WithKey, IReadOnlyList<StockItem> Stock, PriceBook Prices)
{
    /// <summary>A list of somebody who has nothing and knows no prices.</summary>
    public static ShoppingList FromNothing(SoldAs soldAs, Func<string, Food?> withKey) => new(soldAs, withKey, [], PriceBook.Empty);

    private sealed record Line(BatchToShop Batch, RecipeLine Read, Food? Food, decimal Times)
    {
        public string Key => Food?.Key ?? Read.Read.Text.Trim();

        /// <summary>What goes in, in what is bought for it.</summary>
        public Estimate Grams => Read.GramsIn * (Batch.Scale * Times);
    }

    public IReadOnlyList<ShoppingItem> Of(IEnumerable<BatchToShop> batches) =>
        [
            .. (
                from batch in batches
                from line in batch.Recipe.Ingredients
                where line.Food is not { IsWater: true }
                select LineOf(batch, line)
            )
                .GroupBy(line => line.Key)
                .Select(group => Item([.. group]))
                .OrderBy(item => item.Food is { } food ? Aisles.PlaceOf(food.Aisle) : int.MaxValue)
                .ThenBy(item => item.Food?.Aisle, StringComparer.Ordinal)
                .ThenBy(item => item.Name, StringComparer.Ordinal),
        ];

    /// <summary>The list once some batches have taken theirs out of stock: what is cooked before leaves the rest.</summary>
    public ShoppingList After(IEnumerable<BatchToShop> batches, DateOnly today)
    {
        var changed = StockUsed.Of(Stock, UsedBy(batches), today).ToDictionary(one => one.Was.Id, one => one.Is);
        return this with { Stock = [.. Stock.Select(item => changed.GetValueOrDefault(item.Id, item)).Where(item => item.GoneOn is null)] };
    }

    /// <summary>Grams that batches take, by the key of the food that they are bought as.</summary>
    public IReadOnlyDictionary<string, decimal> UsedBy(IEnumerable<BatchToShop> batches) =>
        (from batch in batches from line in batch.Recipe.Ingredients let used = LineOf(batch, line) where used.Food is not null select used)
            .GroupBy(line => line.Key)
            .ToDictionary(food => food.Key, food => food.Sum(line => line.Grams.Best));

    private Line LineOf(BatchToShop batch, RecipeLine line)
    {
        var (food, times) = line.Food is { } named ? SoldAs.Of(named, WithKey) : (line.Food, 1);
        return new(batch, line, food, times);
    }

    private ShoppingItem Item(IReadOnlyList<Line> lines)
    {
        var food = lines[0].Food;
        var grams = Sum(lines);
        var there = StockTaken.Of(
            lines.Where(line => line.Grams.Best > 0).Select(line => new Needed(line.Batch.On, line.Grams.Best)),
            [.. Stock.Where(item => food is not null && item.Food == food.Key).Select(item => new InStock(item, LastDay(item, food!)))]
        );
        return new(
            lines[0].Key,
            food?.Name ?? lines[0].Read.Name,
            food,
            grams,
            [.. lines.GroupBy(line => line.Batch.Letter).Select(batch => new NeedOfBatch(batch.Key, Sum([.. batch])))],
            [
                .. lines
                    .Where(line => line.Grams.IsOpen)
                    .Select(line =>
                        line.Batch.Scale == 1 ? line.Read.Read.Text.Trim() : $"{line.Read.Read.Text.Trim()} (× {line.Batch.Scale:0.##})"
                    ),
            ],
            [.. lines.Where(line => line.Read.Food?.Key != line.Key).Select(line => line.Read.Food?.Name).OfType<string>().Distinct()],
            there,
            food is not null && there.Missing > 0 ? Purchase.Of(food, there.Missing, Prices) : null
        );
    }

    private static Estimate Sum(IReadOnlyList<Line> lines) => lines.Aggregate(Estimate.Zero, (sum, line) => sum + line.Grams);

    /// <summary>Until when a thing is good; what only loses quality is good.</summary>
    private static DateOnly? LastDay(StockItem item, Food food) =>
        GoBy.Of(item, food.Keeping, food.Packet?.Printed.OpenedDays) is { IsQuality: false } goBy ? goBy.Date : null;
}
