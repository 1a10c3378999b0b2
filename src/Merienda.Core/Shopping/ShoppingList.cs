using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Shopping;

/// <summary>A batch as the list needs it.</summary>
/// <param name="Letter">Empty for what is eaten as it is bought.</param>
/// <param name="Portions">Portions cooked; the recipe's lines are scaled to them.</param>
public sealed record BatchToShop(string Letter, RecipeVersion Recipe, decimal Portions)
{
    public decimal Scale => Portions / Recipe.Portions;
}

/// <summary>What one batch needs of an item.</summary>
public sealed record NeedOfBatch(string Letter, Estimate Grams);

/// <summary>One thing to buy.</summary>
/// <param name="Key">The food's key, or the words of a line that no food was found for.</param>
/// <param name="Aisle">Null for lines without a known food.</param>
/// <param name="Grams">Of all batches; open when a line gave no amount that can be weighed.</param>
/// <param name="Pieces">How many pieces or tins that is, or null for foods not sold so.</param>
/// <param name="AsTyped">Lines whose weight nobody knows, word for word, with the batch's scale when it is not one.</param>
public sealed record ShoppingItem(
    string Key,
    string Name,
    string? Aisle,
    Estimate Grams,
    (decimal Count, string Unit)? Pieces,
    IReadOnlyList<NeedOfBatch> Batches,
    IReadOnlyList<string> AsTyped
);

/// <summary>Adds up what all batches need, by food across recipes.</summary>
public static class ShoppingList
{
    private static readonly string[] SoldBy = ["tin", "each", "head", "bulb", "bunch"];

    public static IReadOnlyList<ShoppingItem> Of(IEnumerable<BatchToShop> batches)
    {
        var lines =
            from batch in batches
            from line in batch.Recipe.Ingredients
            where line.Food is not { IsWater: true }
            select (Batch: batch, Line: line, Key: line.Food?.Key ?? line.Read.Text.Trim());
        return
        [
            .. lines
                .GroupBy(item => item.Key)
                .Select(group => Item([.. group]))
                .OrderBy(item => item.Aisle is null)
                .ThenBy(item => item.Aisle, StringComparer.Ordinal)
                .ThenBy(item => item.Name, StringComparer.Ordinal),
        ];
    }

    private static ShoppingItem Item(IReadOnlyList<(BatchToShop Batch, RecipeLine Line, string Key)> lines)
    {
        var food = lines[0].Line.Food;
        var grams = lines.Aggregate(Estimate.Zero, (sum, item) => sum + (item.Line.GramsIn * item.Batch.Scale));
        var needs = lines
            .GroupBy(item => item.Batch.Letter)
            .Select(batch => new NeedOfBatch(
                batch.Key,
                batch.Aggregate(Estimate.Zero, (sum, item) => sum + (item.Line.GramsIn * item.Batch.Scale))
            ));
        var unweighed = lines
            .Where(item => item.Line.GramsIn.IsOpen)
            .Select(item =>
                item.Batch.Scale == 1 ? item.Line.Read.Text.Trim() : $"{item.Line.Read.Text.Trim()} (× {item.Batch.Scale:0.##})"
            );
        return new(
            lines[0].Key,
            lines[0].Line.Name,
            food?.Aisle,
            grams,
            food is null ? null : Pieces(food, grams.Best),
            [.. needs],
            [.. unweighed]
        );
    }

    private static (decimal, string)? Pieces(Food food, decimal grams)
    {
        if (food.Packet is { } packet)
        {
            // A packet is bought whole.
            return packet.PackGrams is { } pack ? (Math.Ceiling(grams / pack), "pack") : null;
        }

        var unit = SoldBy.FirstOrDefault(food.Measures.ContainsKey);
        // Pieces under 10 g (an almond, a bay leaf) are bought by weight.
        return unit is null || food.Measures[unit] < 10 ? null : (Math.Ceiling(grams / food.Measures[unit] * 2) / 2, unit);
    }
}
