using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Quantities;
using Merienda.Core.Shopping;

namespace Merienda.Formats;

/// <summary>A row as it was read: a price, or what is wrong with it.</summary>
public sealed record PriceRow(Price? Price, FileProblem? Problem);

/// <summary>
/// Prices as CSV, one a row: what it is called here, what is bought, what that costs and, where it matters, at which shop.
/// </summary>
public static class PriceFile
{
    public static readonly IReadOnlyList<string> Required = ["food", "pack", "price"],
        All = [.. Required, "shop"];

    /// <param name="nameOf">What the food of a price is called.</param>
    public static string Write(IEnumerable<Price> prices, Func<Price, string> nameOf) =>
        CsvTable.Write([All, .. prices.Select(price => (string[])[nameOf(price), price.Pack, CsvTable.Number(price.Amount), price.Shop])]);

    /// <param name="seenOn">Local date that the prices are of.</param>
    public static Result<OpenedFile<PriceRow>> Read(ReadOnlyMemory<byte> file, FoodMatcher foods, MeasureSystem system, DateOnly seenOn)
    {
        var seen = new Dictionary<(string, string), int>();
        return CsvTable.Read(
            file,
            Required,
            All,
            line =>
            {
                var read = PriceIn(line, foods, system, seenOn);
                return read.Price is not { } price || seen.TryAdd((price.Food, price.Shop.ToLowerInvariant()), line.Number)
                    ? read
                    : new(
                        null,
                        line.Wrong(
                            "food",
                            $"row {seen[(price.Food, price.Shop.ToLowerInvariant())]} has a price of it at that shop already",
                            "Keep one of the two"
                        )
                    );
            },
            problem => new PriceRow(null, problem)
        );
    }

    private static PriceRow PriceIn(CsvLine line, FoodMatcher foods, MeasureSystem system, DateOnly seenOn)
    {
        if (CsvTable.NumberIn(line.Cell("price")) is not { } amount)
        {
            return new(null, line.Wrong("price", "this is no number", "Type for example 2.49"));
        }

        var price = Price.Read(new(line.Cell("food"), line.Cell("pack"), amount, line.Cell("shop")), foods, system, seenOn);
        return price.Refusal is { } refusal ? new(null, line.Wrong(refusal.Field, refusal)) : new(price.Value, null);
    }
}
