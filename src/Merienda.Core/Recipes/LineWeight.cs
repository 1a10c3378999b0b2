using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>Turns what a line says into grams of its food, with the width its way of measuring brings (domain.md sections 3 and 7).</summary>
public static class LineWeight
{
    /// <summary>Widths by precision of an amount [C]: weighed, measured by volume, counted, by eye.</summary>
    public const decimal Weighed = 0, Measured = 0.05m, Counted = 0.10m, ByEye = 0.30m;

    /// <summary>An amount nobody gave ("to taste") is taken as one pinch, from none to three [C].</summary>
    public const decimal MostPinches = 3;

    public static (Estimate Grams, string? Doubt) Of(ReadLine line, Food food, MeasureSystem system)
    {
        if (line.Amount is not { } amount || line.Unit is not { } unit)
        {
            return Unmeasured(food);
        }

        if (amount.Low <= 0)
        {
            return (Estimate.Unknown, $"An amount of {amount.Low} says nothing; type how much goes in, or delete the line");
        }

        if (line.StatedMass is { } stated)
        {
            return (Widen(new(amount.Low / amount.Best, amount.High / amount.Best), stated.Grams, line.IsByEye ? ByEye : Counted), null);
        }

        if (line.Size is { } size)
        {
            return Packages(line, food, system, amount, size);
        }

        return food.WeightOf(unit, system) is { } each
            ? (Widen(amount, each.Grams, Precision(line, unit)), null)
            : (Estimate.Unknown, $"Nobody knows what {(unit == Unit.Each ? "one" : $"a {unit.Name}")} of {food.Name} weighs; type grams");
    }

    private static (Estimate, string?) Unmeasured(Food food) => food.Measures.TryGetValue("pinch", out var pinch)
        ? (Estimate.Between(0, pinch, pinch * MostPinches), "No amount given: taken as a pinch, from none to three")
        : (Estimate.Unknown, "No amount given; type how much goes in");

    private static (Estimate, string?) Packages(ReadLine line, Food food, MeasureSystem system, WrittenAmount amount, (decimal Amount, Unit Unit) size)
    {
        if (food.WeightOf(size.Unit, system) is not { } each)
        {
            return (Estimate.Unknown, $"Nobody knows what {size.Amount:0.##} {size.Unit} of {food.Name} weighs; type grams");
        }

        // The table lists tinned foods drained; what is printed on the tin counts the liquid too.
        var left = food.Measures.TryGetValue("drained", out var percent) ? percent / 100 : 1;
        return (Widen(amount, each.Grams * size.Amount * left, left < 1 ? Measured : Weighed), null);
    }

    private static decimal Precision(ReadLine line, Unit unit) => unit switch
    {
        _ when line.IsByEye => ByEye,
        { Kind: UnitKind.Mass } => Weighed,
        { Kind: UnitKind.Volume } => Measured,
        _ => Counted,
    };

    private static Estimate Widen(WrittenAmount amount, decimal each, decimal share) =>
        Estimate.Between(amount.Low * each * (1 - share), amount.Best * each, amount.High * each * (1 + share));
}
