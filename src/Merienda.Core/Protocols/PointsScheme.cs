using Merienda.Core.Foods;
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

/// <summary>Points for each unit of a measure; a credit has a negative value and may have a most it takes off a portion.</summary>
/// <param name="PointsPerUnit">Points per kcal, gram or milligram of the measure.</param>
/// <param name="MostCredit">Most points that a credit takes off one portion, as a positive number; null for no end.</param>
public sealed record PointsCoefficient(Measure Measure, decimal PointsPerUnit, decimal? MostCredit = null);

/// <summary>A points scheme as a moderator edits it. Points are never below zero a portion and round half up to whole steps.</summary>
/// <param name="Step">Rounding step, above zero: 0.5 for half points.</param>
/// <param name="FreeFoods">Keys of foods that add and subtract nothing in points and keep their kcal.</param>
public sealed record PointsScheme(string Id, string Name, IReadOnlyList<PointsCoefficient> Coefficients, decimal Step, PointsRounding Rounding, IReadOnlySet<string> FreeFoods)
{
    /// <summary>Points of one helping, rounded as the scheme says.</summary>
    public Estimate PointsOf(Helping helping) => PointsOf(helping, Rounding);

    /// <summary>Points of one helping under another rounding, for the sheet that shows them side by side.</summary>
    public Estimate PointsOf(Helping helping, PointsRounding rounding)
    {
        if (rounding != PointsRounding.Ingredient)
        {
            var whole = Evaluate(measure => SumWithoutFree(helping, measure));
            return rounding == PointsRounding.Portion ? Rounded(whole) : whole;
        }

        // Rounded ingredients add plainly: each was judged for itself, as on a list of points.
        return Enumerable.Range(0, helping.Profile.Lines.Count)
            .Where(line => !IsFree(helping.Profile.Lines[line]))
            .Select(line => Rounded(Evaluate(measure => helping.Profile[line, measure].Estimate * helping.Size)))
            .Aggregate(Estimate.Zero, (sum, points) => sum + points);
    }

    /// <summary>Points that one line brings to one portion, before any rounding; a credit shows as a negative number.</summary>
    public decimal UnroundedPointsOfLine(PortionProfile profile, int line) =>
        IsFree(profile.Lines[line]) ? 0 : Coefficients.Sum(coefficient => coefficient.PointsPerUnit * profile[line, coefficient.Measure].Best);

    private bool IsFree(RecipeLine line) => line.Food is { } food && FreeFoods.Contains(food.Key);

    private Estimate SumWithoutFree(Helping helping, Measure measure)
    {
        if (FreeFoods.Count == 0)
        {
            return helping.Profile.Total(measure) * helping.Size;
        }

        var counted = PortionProfile.Of(helping.Profile.Lines.Where(line => !IsFree(line)), helping.Profile.Portions);
        return counted.Total(measure) * helping.Size;
    }

    private Estimate Evaluate(Func<Measure, Estimate> amountOf)
    {
        decimal low = 0, best = 0;
        decimal? high = 0;
        foreach (var coefficient in Coefficients)
        {
            var amount = amountOf(coefficient.Measure);
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

    private Estimate Rounded(Estimate points) => points.High is { } high
        ? Estimate.Between(Round(points.Low), Round(points.Best), Round(high))
        : Estimate.AtLeast(Round(points.Low), Round(points.Best));

    private decimal Round(decimal points) => Math.Floor((points / Step) + 0.5m) * Step;
}
