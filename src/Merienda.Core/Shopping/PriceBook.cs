using Merienda.Core.Foods;
using Merienda.Core.Recipes;

namespace Merienda.Core.Shopping;

/// <summary>What things cost.</summary>
/// <param name="Amount">Of the household's money, for one portion.</param>
/// <param name="Guessed">Names of what has no price, or no weight, of its own.</param>
public sealed record DishCost(decimal Amount, IReadOnlyList<string> Guessed);

/// <summary>
/// Every price that is known: of a food the newest counts, of a packet without one what was printed or typed with it. What has no price is
/// taken at the middle price of its aisle, else of everything, and named: unknown is not free.
/// </summary>
public sealed class PriceBook
{
    public static readonly PriceBook Empty = new([], []);

    private readonly Dictionary<string, Price> _newest;
    private readonly Dictionary<string, decimal> _byAisle;
    private readonly decimal? _middle;

    private PriceBook(IEnumerable<Price> prices, IEnumerable<Food> foods)
    {
        _newest = prices
            .GroupBy(price => price.Food)
            .ToDictionary(
                group => group.Key,
                group => group.OrderByDescending(price => price.SeenOn).ThenBy(price => price.PerGram).First()
            );
        var bought = foods.Where(food => !food.IsWater).DistinctBy(food => food.Key).ToList();
        var priced = bought.Where(food => _newest.ContainsKey(food.Key)).ToList();
        _byAisle = priced
            .GroupBy(food => food.Aisle)
            .ToDictionary(aisle => aisle.Key, aisle => MiddleOf(aisle.Select(food => _newest[food.Key].PerGram))!.Value);
        _middle = MiddleOf(priced.Select(food => _newest[food.Key].PerGram));
        var without = bought.Count - priced.Count;
        Says =
            priced.Count == 0 ? "no price is noted yet"
            : without == 0 ? ""
            : $"{without} of {bought.Count} things have no price and are taken at the middle price of their aisle";
    }

    /// <param name="prices">As the household noted them.</param>
    /// <param name="foods">What is cooked with, packets among it.</param>
    public static PriceBook Of(IReadOnlyList<Price> prices, IReadOnlyCollection<Food> foods)
    {
        var noted = prices.Select(price => price.Food).ToHashSet();
        return new([.. prices, .. foods.Where(food => !noted.Contains(food.Key)).Select(OfPacket).OfType<Price>()], foods);
    }

    /// <summary>Whether nothing has a price: then nothing can be said of costs.</summary>
    public bool IsEmpty => _middle is null;

    /// <summary>How far it is to be trusted, as a sentence; empty where everything has a price.</summary>
    public string Says { get; }

    /// <summary>Null when nobody noted one.</summary>
    public Price? Of(string food) => _newest.GetValueOrDefault(food);

    /// <summary>What goes into one portion, by its best values.</summary>
    public DishCost CostOf(RecipeVersion dish)
    {
        var (sum, guessed) = (0m, new List<string>());
        foreach (var line in dish.Ingredients.Where(line => line.Food is not { IsWater: true }))
        {
            var price = line.Food is { } food ? Of(food.Key)?.PerGram : null;
            if (price is null || line.GramsIn.IsOpen)
            {
                guessed.Add(line.Name);
            }

            sum += line.GramsIn.Best * (price ?? GuessOf(line.Food));
        }

        return new(sum / dish.Portions, guessed);
    }

    private decimal GuessOf(Food? food) => food is not null && _byAisle.TryGetValue(food.Aisle, out var middle) ? middle : _middle ?? 0;

    private static Price? OfPacket(Food food) =>
        food.Packet is { Printed.Price: { } amount, PackGrams: { } grams } packet
            ? new(food.Key, amount, packet.Printed.Pack, grams, "", DateOnly.MinValue)
            : null;

    /// <summary>The lower of two in the middle: a guess needs no mean.</summary>
    private static decimal? MiddleOf(IEnumerable<decimal> prices)
    {
        var rising = prices.Order().ToList();
        return rising.Count == 0 ? null : rising[(rising.Count - 1) / 2];
    }
}
