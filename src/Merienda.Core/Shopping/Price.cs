using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Shopping;

/// <summary>A price as a person types it: "red lentils", "500 g", 2.10, "the quay".</summary>
/// <param name="Food">Its key, or what it is called.</param>
public sealed record TypedPrice(string Food, string Pack, decimal Amount, string Shop);

/// <summary>What something costs somewhere.</summary>
/// <param name="Food">Key of a food or a packet.</param>
/// <param name="Amount">For the pack, in the household's money: 0 to 100,000.</param>
/// <param name="Pack">What is bought for it, as typed: "500 g", "12", "1 bunch".</param>
/// <param name="Grams">What the pack weighs, above 0 and at most 50 kg.</param>
/// <param name="Shop">Empty for anywhere.</param>
/// <param name="SeenOn">Local date; the newest price of a food counts.</param>
public sealed record Price(string Food, decimal Amount, string Pack, decimal Grams, string Shop, DateOnly SeenOn)
{
    public const decimal Most = 100_000;

    public const int LongestShop = 60,
        LongestPack = 60;

    private const decimal MostGrams = 50_000;

    private const string Loose = "per ";

    public decimal PerGram => Amount / Grams;

    /// <summary>Whether it is what a weight costs of something that is sold by any weight ("per kg"), and no pack.</summary>
    public bool IsLoose => IsForAnyAmount(Pack);

    /// <inheritdoc cref="IsLoose"/>
    public static bool IsForAnyAmount(string pack) => pack.StartsWith(Loose, StringComparison.OrdinalIgnoreCase);

    internal static Refusal? WrongAmount(decimal amount) =>
        amount is < 0 or > Most
            ? new("price-out-of-range", "price", $"{amount}", "a price is between 0 and 100,000", "Type what one pack costs")
            : null;

    internal static Refusal? WrongShop(string shop) =>
        shop.Trim().Length > LongestShop
            ? new(
                "shop-name-length",
                "shop",
                shop[..LongestShop],
                $"a shop's name has at most {LongestShop} characters",
                "Type what you call it, or leave it empty"
            )
            : null;

    /// <summary>Without a number it is for one: "per kg", "each", "tin".</summary>
    private static string Amounted(string pack)
    {
        var of = pack.StartsWith(Loose, StringComparison.OrdinalIgnoreCase) ? pack[Loose.Length..].Trim() : pack;
        return Unit.Spelled(of.Split(' ')[0]) is null ? of : $"1 {of}";
    }

    /// <summary>The food that words surely mean; null where nobody can tell.</summary>
    public static Food? FoodOf(FoodMatch match) => match.IsSure ? match.Food : null;

    /// <summary>Reads a price as it is typed: the pack like the amount of an ingredient line.</summary>
    /// <param name="system">Whose cups and spoons the pack means.</param>
    public static Result<Price> Read(TypedPrice typed, FoodMatcher foods, MeasureSystem system, DateOnly seenOn)
    {
        var (words, pack, amount, shop) = typed;
        if ((foods.WithKey(words) ?? FoodOf(foods.Match(words.Trim()))) is not { } food)
        {
            return new Refusal(
                "unknown-food",
                "food",
                words.Length > LongestShop ? words[..LongestShop] : words,
                "nobody can tell which food this is",
                "Write it as the Larder calls it"
            );
        }

        if ((WrongAmount(amount) ?? WrongShop(shop)) is { } wrong)
        {
            return wrong;
        }

        var line = pack.Trim().Length is 0 or > LongestPack
            ? null
            : RecipeLine.From($"{Amounted(pack.Trim())} {food.Name}", foods, system, food);
        return line is { Read.Amount: not null, GramsIn: { IsOpen: false, Best: > 0 and <= MostGrams } grams }
            ? new Price(food.Key, Math.Round(amount, 2), pack.Trim(), Math.Round(grams.Best, 1), shop.Trim(), seenOn)
            : new Refusal(
                "price-pack-unreadable",
                "pack",
                pack.Length > LongestPack ? pack[..LongestPack] : pack,
                $"nobody can tell what that weighs of {food.Name}",
                "Type what is bought for the price with its weight, for example 500 g"
            );
    }
}
