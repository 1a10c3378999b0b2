using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>A body weight, kg, above zero.</summary>
public sealed record WeighIn(DateOnly On, decimal Kg);

/// <summary>What an eater weighs, kept only where somebody turned it on.</summary>
public static class BodyWeight
{
    public const decimal Least = 20,
        Most = 400;

    /// <summary>Days after which nobody tells any more what they weighed.</summary>
    public const int OldestDays = 400;

    /// <summary>A loss above this share of body weight a week is flagged (domain.md section 10).</summary>
    public const decimal Fastest = 0.01m;

    /// <summary>A pace is of the last four weeks, and of ten days at least: water comes and goes within days [C].</summary>
    private const int Stretch = 28,
        Shortest = 10;

    /// <summary>Why a weight is not kept; null when it is.</summary>
    public static Refusal? Wrong(WeighIn weighed, DateOnly today) =>
        weighed.Kg is < Least or > Most
            ? new("weight-range", "kg", $"{weighed.Kg:0.#}", $"a body weight lies between {Least:0} and {Most:0} kg", "Type it in kg")
        : weighed.On > today || weighed.On < today.AddDays(-OldestDays)
            ? new(
                "weight-day",
                "on",
                $"{weighed.On:yyyy-MM-dd}",
                $"it was weighed today, or in the last {OldestDays} days",
                "Choose the day"
            )
        : null;

    /// <summary>
    /// Share of body weight that is lost a week (below zero: gained), by the straight line through the weights of the last four weeks; null
    /// where they are fewer than three or span fewer than ten days.
    /// </summary>
    /// <param name="weighIns">In any order.</param>
    public static decimal? LossPerWeek(IReadOnlyList<WeighIn> weighIns)
    {
        if (weighIns.Count == 0)
        {
            return null;
        }

        var last = weighIns.Max(one => one.On);
        var points = weighIns
            .Where(one => one.On > last.AddDays(-Stretch))
            .Select(one => (Day: (decimal)(one.On.DayNumber - last.DayNumber), one.Kg))
            .ToList();
        if (points.Count < 3 || -points.Min(one => one.Day) < Shortest)
        {
            return null;
        }

        var (day, kg) = (points.Average(one => one.Day), points.Average(one => one.Kg));
        var slope = points.Sum(one => (one.Day - day) * (one.Kg - kg)) / points.Sum(one => (one.Day - day) * (one.Day - day));
        return -slope * 7 / kg;
    }
}
