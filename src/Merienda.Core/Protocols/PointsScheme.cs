using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>Where points are rounded (domain.md section 4).</summary>
public enum PointsRounding
{
    Portion,
    Ingredient,
    Nothing,
}

/// <summary>
/// Points for each unit of a measure or each gram of a food class; a credit has a negative value and may have a most it takes off a
/// portion.
/// </summary>
/// <param name="Measure">What is counted; null when a class is.</param>
/// <param name="PointsPerUnit">Points per kcal, gram or milligram of the measure, or per gram of the class.</param>
/// <param name="MostCredit">Most points that a credit takes off one portion, as a positive number; null for no end.</param>
/// <param name="Class">Key of the food class whose grams are counted; null when a measure is.</param>
public sealed record PointsCoefficient(Measure? Measure, decimal PointsPerUnit, decimal? MostCredit = null, string? Class = null);

/// <summary>A points scheme as a moderator edits it. Points are never below zero a portion and round half up to whole steps.</summary>
/// <param name="Step">Rounding step, above zero: 0.5 for half points.</param>
/// <param name="Free">Foods that add and subtract nothing in points and keep their kcal, wholly or up to an amount.</param>
/// <param name="Typed">Foods whose points were typed from a packet.</param>
public sealed record PointsScheme(
    string Id,
    string Name,
    IReadOnlyList<PointsCoefficient> Coefficients,
    decimal Step,
    PointsRounding Rounding,
    IReadOnlyList<FreeFood> Free,
    IReadOnlyList<TypedPoints> Typed
)
{
    /// <summary>Points of one helping, rounded as the scheme says.</summary>
    public Estimate PointsOf(Helping helping) => PointsOf(helping, Rounding);

    /// <summary>Points of one helping under another rounding, for the sheet that shows them side by side.</summary>
    public Estimate PointsOf(Helping helping, PointsRounding rounding) => PointsOf(helping, rounding, SharesOf([helping])?[0]);

    /// <summary>Points of each helping of a meal, a day or a week; what is free is used up across them.</summary>
    public IEnumerable<(Helping Helping, Estimate Points)> PointsOf(IReadOnlyList<Helping> helpings)
    {
        if (SharesOf(helpings) is { } shares)
        {
            return helpings.Select((helping, at) => (helping, PointsOf(helping, Rounding, shares[at])));
        }

        // Where nothing is free, helpings of one dish and size have the same points.
        var known = new Dictionary<(PortionProfile, decimal), Estimate>();
        return helpings.Select(helping =>
        {
            var key = (helping.Profile, helping.Size);
            if (!known.TryGetValue(key, out var points))
            {
                known.Add(key, points = PointsOf(helping, Rounding, null));
            }

            return (helping, points);
        });
    }

    /// <summary>Points that one line brings to one portion, before any rounding; a credit shows as a negative number.</summary>
    public decimal UnroundedPointsOfLine(PortionProfile profile, int line)
    {
        var counted = SharesOf([new Helping("", profile, 1)])?[0][line] ?? 1;
        var eaten = profile.Lines[line];
        return counted
            * (
                TypedFor(eaten) is { } typed
                    ? eaten.Grams.Best / profile.Portions * typed.Points / typed.Grams
                    : Coefficients.Sum(coefficient => coefficient.PointsPerUnit * AmountOf(coefficient, profile, line).Best)
            );
    }

    /// <summary>
    /// The counted share of each line of each helping; null when nothing in them is free. A printed 0 is free for the serving it was
    /// printed for, once a day; beyond that the formula counts.
    /// </summary>
    private decimal[][]? SharesOf(IReadOnlyList<Helping> helpings)
    {
        if (Free.Count + Typed.Count == 0 && !helpings.Any(helping => helping.Profile.HasPrintedPoints))
        {
            return null;
        }

        var nothing = helpings
            .Where(helping => Typed.Count > 0 || helping.Profile.HasPrintedPoints)
            .SelectMany(helping => helping.Profile.Lines)
            .Select(PrintedFor)
            .OfType<TypedPoints>()
            .Where(printed => printed.Points == 0 && Free.All(item => item.Food != printed.Food))
            .DistinctBy(printed => printed.Food)
            .Select(printed => new FreeFood(printed.Food, printed.Grams, Period.Day))
            .ToList();
        return Free.Count + nothing.Count == 0 ? null : FreeAmounts.CountedShares(helpings, [.. Free, .. nothing]);
    }

    private Estimate PointsOf(Helping helping, PointsRounding rounding, decimal[]? counted)
    {
        var profile = helping.Profile;
        if (rounding == PointsRounding.Ingredient)
        {
            // Rounded ingredients add plainly: each was judged for itself, as on a list of points.
            return Enumerable
                .Range(0, profile.Lines.Count)
                .Where(line => counted?[line] is null or > 0)
                .Select(line => Rounded(PointsOfLine(helping, line, counted?[line] ?? 1)))
                .Aggregate(Estimate.Zero, (sum, points) => sum + points);
        }

        var whole =
            counted is null && Typed.Count == 0 && !profile.HasPrintedPoints && Coefficients.All(coefficient => coefficient.Class is null)
                ? Evaluate(coefficient => profile.Total(coefficient.Measure!.Value) * helping.Size)
                : Evaluate(coefficient => SumOf(coefficient, helping, counted)) + TypedPoints(helping, counted);
        return rounding == PointsRounding.Portion ? Rounded(whole) : whole;
    }

    private Estimate PointsOfLine(Helping helping, int line, decimal counted) =>
        TypedFor(helping.Profile.Lines[line]) is { } typed
            ? helping.GramsOf(line) * (counted * typed.Points / typed.Grams)
            : Evaluate(coefficient => AmountOf(coefficient, helping.Profile, line) * (helping.Size * counted));

    private Estimate SumOf(PointsCoefficient coefficient, Helping helping, decimal[]? counted) =>
        Over(
            helping,
            (tally, line) =>
            {
                if (TypedFor(helping.Profile.Lines[line]) is null)
                {
                    tally.Add(
                        helping.Profile.Lines[line].Source,
                        AmountOf(coefficient, helping.Profile, line) * (helping.Size * (counted?[line] ?? 1))
                    );
                }
            }
        );

    private Estimate TypedPoints(Helping helping, decimal[]? counted) =>
        Over(
            helping,
            (tally, line) =>
            {
                if (TypedFor(helping.Profile.Lines[line]) is { } typed)
                {
                    tally.Add(
                        helping.Profile.Lines[line].Source,
                        helping.GramsOf(line) * ((counted?[line] ?? 1) * typed.Points / typed.Grams)
                    );
                }
            }
        );

    private static Estimate Over(Helping helping, Action<Tally, int> add)
    {
        var tally = new Tally();
        for (var line = 0; line < helping.Profile.Lines.Count; line++)
        {
            add(tally, line);
        }

        return tally.Plausible;
    }

    private static Estimate AmountOf(PointsCoefficient coefficient, PortionProfile profile, int line) =>
        coefficient switch
        {
            { Measure: { } measure } => profile[line, measure].Estimate,
            _ when profile.Lines[line].Food is { } food && !food.Is(coefficient.Class!) => Estimate.Zero,
            _ => profile.Lines[line].Grams * (1 / profile.Portions),
        };

    private TypedPoints? TypedFor(RecipeLine line) => PrintedFor(line) is { Points: > 0 } printed ? printed : null;

    private TypedPoints? PrintedFor(RecipeLine line) =>
        line.Food is not { } food ? null
        : food.Packet is { Points: { } printed } ? printed
        : Typed.Count == 0 ? null
        : Typed.FirstOrDefault(typed => typed.Food == food.Key);

    private Estimate Evaluate(Func<PointsCoefficient, Estimate> amountOf)
    {
        decimal low = 0,
            best = 0;
        decimal? high = 0;
        foreach (var coefficient in Coefficients)
        {
            var amount = amountOf(coefficient);
            if (coefficient.PointsPerUnit >= 0)
            {
                low += coefficient.PointsPerUnit * amount.Low;
                best += coefficient.PointsPerUnit * amount.Best;
                high += coefficient.PointsPerUnit * amount.High;
            }
            else
            {
                // More of what is credited makes fewer points: the bounds change places.
                low -= Credit(coefficient, amount.High);
                best -= Credit(coefficient, amount.Best);
                high -= Credit(coefficient, amount.Low);
            }
        }

        low = Math.Max(0, low);
        best = Math.Max(low, best);
        return high is { } most ? Estimate.Between(low, best, Math.Max(best, most)) : Estimate.AtLeast(low, best);
    }

    private static decimal Credit(PointsCoefficient coefficient, decimal? amount)
    {
        var most = coefficient.MostCredit ?? decimal.MaxValue;
        return amount is { } known ? Math.Min(most, -coefficient.PointsPerUnit * known) : most;
    }

    private Estimate Rounded(Estimate points) =>
        points.High is { } high
            ? Estimate.Between(Round(points.Low), Round(points.Best), Round(high))
            : Estimate.AtLeast(Round(points.Low), Round(points.Best));

    private decimal Round(decimal points) => Math.Floor((points / Step) + 0.5m) * Step;
}
