using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;

namespace Merienda.Core.Planning;

/// <summary>What is in a vessel while a step goes on, ml.</summary>
public static class BatchVolume
{
    /// <summary>1 g of moist food takes 1 ml when it has settled [C].</summary>
    private const decimal Settled = 1;

    /// <summary>Loose leaves take many times their weight and are wilted down to so much, ml per g, at most [C].</summary>
    private const decimal Loosest = 3;

    /// <summary>Dry grains and pulses with the water that they are boiled in, as often as themselves [C].</summary>
    private const decimal Boiled = 3;

    /// <summary>From settled to as loose as it goes in; open when the weight of something is not known.</summary>
    /// <param name="takes">All that is in it.</param>
    /// <param name="isBoiled">Whether dry grains take up water there.</param>
    public static Estimate Of(IEnumerable<StepTake> takes, bool isBoiled)
    {
        var all = takes.SelectMany(take => Ingredients(take)).Where(item => !item.Line.Read.IsToServe).ToList();
        // Where stock or milk is in it, that is what they take up.
        var takesUp = isBoiled && !all.Exists(item => item.Line.Food is { } food && IsLiquid(food));
        return all.Aggregate(
            Estimate.Zero,
            (sum, item) =>
            {
                if (item.Grams is not { } grams)
                {
                    return sum + Estimate.Unknown;
                }

                var settled = Settled * (takesUp && item.Line.Food is { } food && ServedAmount.IsDry(food) ? Boiled : 1);
                var loose = Math.Max(
                    settled,
                    Math.Min(Loosest, item.Line.Food is { } measured ? ServedAmount.MillilitresPerGram(measured) ?? settled : settled)
                );
                return sum + (Estimate.Between(settled, (settled + loose) / 2, loose) * grams);
            }
        );
    }

    /// <summary>Whether it is poured.</summary>
    internal static bool IsLiquid(Foods.Food food) =>
        food.Name.Split(',', ' ').Any(word => Liquids.Contains(word.ToLowerInvariant())) && !food.Is("cheese");

    private static readonly HashSet<string> Liquids =
    [
        "stock",
        "broth",
        "water",
        "milk",
        "passata",
        "juice",
        "wine",
        "kefir",
        "buttermilk",
    ];

    /// <summary>A used recipe takes the room of what is in it.</summary>
    private static IEnumerable<(RecipeLine Line, decimal? Grams)> Ingredients(StepTake take) =>
        take.Line.Use is null
            ? [(take.Line, take.InAllGrams)]
            : take.Line.Ingredients.Select(line =>
                (line, line.GramsIn.IsOpen ? (decimal?)null : line.GramsIn.Best / take.Line.Times * take.InAll)
            );
}
