using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>
/// What stands on the plate of what went in, as long as nobody weighed the pot: meat keeps 0.70 to 0.75 of its raw weight [M: USDA cooking
/// yields], vegetables lose water,
/// dry grains and pulses take up one to two times their own [C] (domain.md section 7).
/// </summary>
public static class ServedAmount
{
    private const decimal DryFromCarbohydrate = 55;

    /// <summary>Millilitres of a US cup, for the measures of the food table.</summary>
    private const decimal Cup = 236.588m,
        Tablespoon = 14.787m;

    /// <summary>Grams on the plate; open when the line's weight is.</summary>
    public static Estimate Weight(RecipeLine line, Estimate gramsIn)
    {
        var (low, best, high) = line.Food switch
        {
            // Nobody says how the line is cooked: from the least of its methods to what went in, or to the most.
            { Yields: { Count: > 0 } yields } => (
                Math.Min(1, yields.Min(item => item.Factor)),
                yields.Average(item => item.Factor),
                Math.Max(1, yields.Max(item => item.Factor))
            ),
            { } food when IsDry(food) => (1m, 2.5m, 3m),
            _ => (0.7m, 1m, 1m),
        };
        return gramsIn.High is { } most
            ? Estimate.Between(gramsIn.Low * low, gramsIn.Best * best, most * high)
            : Estimate.AtLeast(gramsIn.Low * low, gramsIn.Best * best);
    }

    /// <summary>Millilitres on the plate by the food's own measure; open without one, because no density is invented.</summary>
    public static Estimate Volume(RecipeLine line, Estimate gramsIn) =>
        line.Food is { } food && MillilitresPerGram(food) is { } each ? Weight(line, gramsIn) * each : Estimate.Unknown;

    internal static decimal? MillilitresPerGram(Food food) =>
        food.Measures switch
        {
            var measures when measures.TryGetValue("cup", out var cup) => Cup / cup,
            var measures when measures.TryGetValue("tbsp", out var spoon) => Tablespoon / spoon,
            _ => null,
        };

    internal static bool IsDry(Food food) =>
        (food.Is("grain") || food.Is("legume")) && food.Nutrition[Measure.Carbohydrate].Best >= DryFromCarbohydrate;
}
