using Merienda.Core.Foods;

namespace Merienda.Core.Shopping;

/// <summary>So many packs of one size.</summary>
/// <param name="Size">As it is called: "500 g", "tin", "each".</param>
/// <param name="Grams">Of one.</param>
public sealed record PackCount(int Count, string Size, decimal Grams);

/// <summary>What is bought of something.</summary>
/// <param name="Packs">Empty for what is sold by weight.</param>
/// <param name="Grams">In all.</param>
/// <param name="Cost">In the household's money; null where nobody noted a price.</param>
public sealed record Purchase(IReadOnlyList<PackCount> Packs, decimal Grams, decimal? Cost)
{
    /// <summary>A pack is enough when this share of what is needed is missing: nobody opens a second tin for a spoonful [C].</summary>
    private const decimal Short = 0.03m;

    /// <summary>Pieces under this weight, g, are bought by weight: nobody counts strawberries [C].</summary>
    private const decimal SmallPiece = 20;

    /// <summary>A pack is poured when its millilitres are so many times a whole number, and its grams are not.</summary>
    private const decimal RoundVolume = 50;

    private const int MostPacks = 60;

    private static readonly string[] Pieces = ["tin", "each", "head", "bulb", "bunch"];

    /// <summary>Classes of what one counts at home: half a block of cheese is a weight [C].</summary>
    private static readonly string[] Counted = ["egg", "fruit", "tuber", "vegetable"];

    /// <summary>Aisles with a counter, where one asks for a weight [C].</summary>
    private static readonly string[] Counters = ["fish", "meat"];

    /// <summary>Aisles whose packs are called by their weight, whatever one piece weighs: nobody asks for 25 new potatoes [C].</summary>
    private static readonly string[] Weighed = [.. Counters, "grains", "tins", "vegetables"];

    /// <param name="grams">That are needed, above 0.</param>
    public static Purchase Of(Food food, decimal grams, PriceBook prices)
    {
        var price = prices.Of(food.Key);
        var packs = Fewest(SizesOf(food, price), grams);
        var bought = packs.Count > 0 ? packs.Sum(pack => pack.Count * pack.Grams) : ByWeight(grams);
        return new(packs, bought, price is null ? null : Math.Round(bought * price.PerGram, 2));
    }

    /// <summary>Pieces that so many grams are, in halves; null for what nobody counts.</summary>
    public static decimal? PiecesIn(Food food, decimal grams) =>
        food.Packet is null && Counted.Any(food.Is) && food.Measures.GetValueOrDefault("each") is >= SmallPiece and var each
            ? Math.Max(0.5m, Math.Round(grams / each * 2, MidpointRounding.AwayFromZero) / 2)
            : null;

    /// <summary>What a pack is called, and its grams; none for what is sold by weight.</summary>
    private static IReadOnlyList<(string Name, decimal Grams)> SizesOf(Food food, Price? price)
    {
        if (food.Packet is { } packet)
        {
            return packet.PackGrams is { } whole ? [(packet.Printed.Pack.Trim(), whole)] : [];
        }

        if (price is { IsLoose: false })
        {
            return [(price.Pack, price.Grams)];
        }

        if (price is null && food.Packs.Count > 0)
        {
            // A tin is sold by all that is in it, and holds so much of what is eaten.
            var drained = food.Measures.TryGetValue("drained", out var share) ? share / 100 : 1;
            return [.. food.Packs.Select(pack => (NameOf(pack, food), pack * drained))];
        }

        return
            !Counters.Contains(food.Aisle)
            && Pieces.FirstOrDefault(unit => food.Measures.GetValueOrDefault(unit) >= SmallPiece) is { } piece
            ? [(piece, food.Measures[piece])]
            : [];
    }

    /// <summary>A carton of eggs holds six of them, milk is sold by the litre; of anything else the weight is said.</summary>
    private static string NameOf(decimal pack, Food food) =>
        food.Measures.GetValueOrDefault("cube") is > 0 and var cube ? $"{pack / cube:0} cubes"
        : InPieces(pack, food) is { } pieces ? $"{pieces:0}"
        : InMillilitres(pack, food) is { } volume ? Sized(volume, "ml", "l")
        : Sized(pack, "g", "kg");

    private static decimal? InPieces(decimal pack, Food food) =>
        !Weighed.Contains(food.Aisle)
        && food.Measures.GetValueOrDefault("each") is >= SmallPiece and var each
        && each < pack
        && pack % each == 0
            ? pack / each
            : null;

    /// <summary>What is drunk is sold by volume; of what else is poured, whichever of the two numbers is a round one.</summary>
    private static decimal? InMillilitres(decimal pack, Food food) =>
        food.Density is { } density
        && Math.Round(pack / density) is var volume
        && (food.Aisle == "drinks" || (volume % RoundVolume == 0 && pack % RoundVolume != 0))
            ? volume
            : null;

    private static string Sized(decimal amount, string small, string large) =>
        amount >= 1000 ? $"{amount / 1000:0.##} {large}" : $"{amount:0.##} {small}";

    /// <summary>The packs that leave least over; of those that leave the same, the fewest.</summary>
    private static IReadOnlyList<PackCount> Fewest(IReadOnlyList<(string Name, decimal Grams)> sizes, decimal grams)
    {
        if (sizes.Count == 0)
        {
            return [];
        }

        var least = grams * (1 - Short);
        var large = sizes.MaxBy(size => size.Grams);
        var best = new[] { new PackCount((int)Math.Ceiling(least / large.Grams), large.Name, large.Grams) }.ToList();
        var bestGrams = best[0].Count * large.Grams;
        foreach (var small in sizes.Where(size => size.Grams < large.Grams))
        {
            for (var many = 0; many <= Math.Min(MostPacks, (int)Math.Ceiling(least / large.Grams)); many++)
            {
                var rest = least - (many * large.Grams);
                var few = rest > 0 ? (int)Math.Ceiling(rest / small.Grams) : 0;
                var all = (many * large.Grams) + (few * small.Grams);
                if (all < bestGrams || (all == bestGrams && many + few < best.Sum(pack => pack.Count)))
                {
                    (best, bestGrams) = ([new(many, large.Name, large.Grams), new(few, small.Name, small.Grams)], all);
                }
            }
        }

        return [.. best.Where(pack => pack.Count > 0)];
    }

    /// <summary>Rounded up as one asks for it: tens of grams, from 200 g on fifties.</summary>
    private static decimal ByWeight(decimal grams) =>
        grams switch
        {
            < 10 => Math.Ceiling(grams),
            < 200 => Math.Ceiling(grams / 10) * 10,
            _ => Math.Ceiling(grams / 50) * 50,
        };
}
