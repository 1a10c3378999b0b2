using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>
/// Turns what a line says into grams of its food, with the width its way of measuring brings (domain.md sections 3 and 7).
/// </summary>
public static class LineWeight
{
    /// <summary>Widths by precision of an amount [C]: weighed, measured by volume, counted, by eye.</summary>
    public const decimal Weighed = 0,
        Measured = 0.05m,
        Counted = 0.10m,
        ByEye = 0.30m;

    /// <summary>An amount nobody gave ("to taste") is taken as one pinch, from none to three [C].</summary>
    public const decimal MostPinches = 3;

    /// <summary>A splash or a drizzle is taken as a tablespoon, from a third of one to three [C].</summary>
    public const decimal MostSplashes = 3;

    /// <summary>Where only one size of pack is usual, the one that is meant is taken as half of it to twice [C].</summary>
    public const decimal OtherPack = 2;

    /// <summary>A small and a large piece against the usual one where the table has no size of its own [C].</summary>
    public const decimal SmallShare = 0.7m,
        LargeShare = 1.3m;

    /// <param name="said">How the amount was measured, where a person says it.</param>
    public static (Estimate Grams, string? Doubt) Of(ReadLine line, Food food, MeasureSystem system, Precision? said = null)
    {
        var (grams, doubt) = ByWords(line, food, system);
        // A range that was typed stays one, however it is measured, and so does what its words leave in doubt.
        return said is not { } precision || doubt is not null || grams.IsOpen || line.Amount is not { Low: > 0 } amount
            ? (grams, doubt)
            : (Widen(new(amount.Low / amount.Best, amount.High / amount.Best), grams.Best, WidthOf(precision)), doubt);
    }

    public static decimal WidthOf(Precision precision) =>
        precision switch
        {
            Recipes.Precision.Weighed => Weighed,
            Recipes.Precision.Measured => Measured,
            Recipes.Precision.Counted => Counted,
            _ => ByEye,
        };

    private static (Estimate Grams, string? Doubt) ByWords(ReadLine line, Food food, MeasureSystem system)
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
            var weight = Widen(new(amount.Low / amount.Best, amount.High / amount.Best), stated.Grams, line.IsByEye ? ByEye : Counted);
            // Nobody counts flour: "1 500 g flour" is one and a half kilograms to who parts thousands by a space.
            var many = (amount.Best * 1_000) + (stated.Grams / amount.Best);
            return unit == Unit.Each && amount.MayBeThousands && !food.Measures.ContainsKey("each")
                ? (Estimate.Between(weight.Low, weight.Best, many), Asked(weight.Best, many, "g", "space"))
                : (weight, null);
        }

        if (line.Size is { } size)
        {
            return Packages(line, food, system, amount, size);
        }

        if (unit == Unit.Each && OfSize(line.PieceSize, food, system) is { } piece)
        {
            return (Widen(amount, piece.Grams, line.IsByEye ? ByEye : piece.Width), null);
        }

        if (food.WeightOf(unit, system, line.Forms) is { } each)
        {
            var weight = Widen(amount, each.Grams, WidthBy(line, unit));
            return (weight, amount.MayBeThousands ? Asked(amount.Low, amount.High, unit.Name, "point") : null);
        }

        // "A splash of milk", "a drizzle of oil".
        if (unit.Name == "dash" && food.WeightOf(Unit.Tablespoon, system, line.Forms) is { } spoon)
        {
            return (
                Estimate.Between(
                    amount.Low * spoon.Grams / MostSplashes,
                    amount.Best * spoon.Grams,
                    amount.High * spoon.Grams * MostSplashes
                ),
                "Taken as a tablespoon, from a third to three"
            );
        }

        return unit.IsPackage && food.Packs.Count > 0
            ? (
                UsualPack(amount, food.Packs),
                $"No size given: taken as a usual {unit.Name}, {string.Join(" or ", food.Packs.Select(pack => $"{pack:0.##}"))} g"
            )
            : (Estimate.Unknown, $"No weight yet for {(unit == Unit.Each ? "one" : $"a {unit.Name} of")} {food.Name}; type grams");
    }

    /// <summary>From the smallest usual pack to the largest.</summary>
    private static Estimate UsualPack(WrittenAmount amount, IReadOnlyList<decimal> packs)
    {
        var width = packs.Count == 1 ? OtherPack : 1;
        return Estimate.Between(amount.Low * packs[0] / width, amount.Best * packs[0], amount.High * packs[^1] * width);
    }

    /// <summary>
    /// Grams of one piece of the size that is said; the table's own sizes first, and of those the ones that hold where the recipe comes
    /// from: a large egg is larger in Europe.
    /// </summary>
    private static (decimal Grams, decimal Width)? OfSize(PieceSize size, Food food, MeasureSystem system)
    {
        if (size == PieceSize.Unsaid)
        {
            return null;
        }

        var name = size switch
        {
            PieceSize.Small => "small",
            PieceSize.Large => "large",
            _ => "medium",
        };
        return (system != MeasureSystem.UnitedStates && food.Measures.TryGetValue($"{name}.metric", out var own))
            || food.Measures.TryGetValue(name, out own)
                ? (own, Counted)
            : !food.Measures.TryGetValue("each", out var usual) ? null
            : size switch
            {
                PieceSize.Small => (usual * SmallShare, 2 * Counted),
                PieceSize.Large => (usual * LargeShare, 2 * Counted),
                _ => (usual, Counted),
            };
    }

    private static (Estimate, string?) Unmeasured(Food food) =>
        food.Measures.TryGetValue("pinch", out var pinch)
            ? (Estimate.Between(0, pinch, pinch * MostPinches), "No amount given: taken as a pinch, from none to three")
            : (Estimate.Unknown, "No amount given; type how much goes in");

    private static (Estimate, string?) Packages(
        ReadLine line,
        Food food,
        MeasureSystem system,
        WrittenAmount amount,
        (decimal Amount, Unit Unit) size
    )
    {
        if (food.WeightOf(size.Unit, system) is not { } each)
        {
            return (Estimate.Unknown, $"No weight yet for {size.Amount:0.##} {size.Unit} of {food.Name}; type grams");
        }

        // The table lists tinned foods drained; what is printed on the tin counts the liquid too.
        var left =
            food.Measures.TryGetValue("drained", out var percent) && line.Unit is { Name: "tin" or "jar" or "each" } ? percent / 100 : 1;
        return (Widen(amount, each.Grams * size.Amount * left, left < 1 ? Measured : Weighed), null);
    }

    private static string Asked(decimal few, decimal many, string unit, string mark) =>
        $"{few:0.###} or {many:0} {unit}? Type it without the {mark}; until then the numbers span both";

    private static decimal WidthBy(ReadLine line, Unit unit) =>
        unit switch
        {
            _ when line.IsByEye => ByEye,
            { Kind: UnitKind.Mass } => Weighed,
            { Kind: UnitKind.Volume } => Measured,
            _ => Counted,
        };

    private static Estimate Widen(WrittenAmount amount, decimal each, decimal share) =>
        Estimate.Between(amount.Low * each * (1 - share), amount.Best * each, amount.High * each * (1 + share));
}
