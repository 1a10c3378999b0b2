using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>Some portions of one dish: what a container holds.</summary>
/// <param name="Size">Portions, above zero; 1.5 is a portion and a half.</param>
public sealed record Helping(string Name, PortionProfile Profile, decimal Size);

/// <summary>What is eaten on one occasion or over a day or a week, as rules see it: sums with their contributors.</summary>
public sealed class Intake(IReadOnlyList<Helping> helpings)
{
    public IReadOnlyList<Helping> Helpings { get; } = helpings;

    public static Intake Of(Helping helping) => new([helping]);

    /// <summary>The sum of an additive measure; points go through <see cref="Points"/>.</summary>
    public Estimate Sum(Measure measure)
    {
        if (Helpings.Count == 1)
        {
            return Helpings[0].Profile.Total(measure) * Helpings[0].Size;
        }

        var tally = new Tally();
        foreach (var helping in Helpings)
        {
            helping.Profile.AddTo(tally, measure, helping.Size);
        }

        return tally.Plausible;
    }

    /// <summary>The day's points are the sum of rounded helpings (domain.md section 4); helpings of one dish err together, other dishes apart.</summary>
    public Estimate Points(PointsScheme scheme)
    {
        var tally = new Tally();
        foreach (var helping in Helpings)
        {
            tally.Add(helping.Profile, scheme.PointsOf(helping));
        }

        return tally.Plausible;
    }

    public Estimate Value(Measure measure, PointsScheme? scheme) =>
        measure != Measure.Points ? Sum(measure) : scheme is null ? Estimate.Unknown : Points(scheme);

    /// <summary>Who brings how much, in falling order: the ingredients of a single dish, the dishes of several.</summary>
    public IReadOnlyList<Contributor> Contributors(Measure measure, PointsScheme? scheme) =>
        [.. (Helpings.Count == 1 ? Ingredients(Helpings[0], measure, scheme) : Dishes(measure, scheme)).Where(item => item.Amount != 0).OrderByDescending(item => item.Amount).ThenBy(item => item.Name, StringComparer.Ordinal)];

    private IEnumerable<Contributor> Dishes(Measure measure, PointsScheme? scheme) => Helpings
        .GroupBy(helping => helping.Name)
        .Select(dish => new Contributor(dish.Key, dish.Sum(helping => measure == Measure.Points ? scheme?.PointsOf(helping).Best ?? 0 : helping.Profile.Total(measure).Best * helping.Size)));

    private static IEnumerable<Contributor> Ingredients(Helping helping, Measure measure, PointsScheme? scheme)
    {
        var profile = helping.Profile;
        return Enumerable.Range(0, profile.Lines.Count)
            .Select(line => (profile.Lines[line].Name, Amount: helping.Size * (measure == Measure.Points ? scheme?.UnroundedPointsOfLine(profile, line) ?? 0 : profile[line, measure].Best)))
            .GroupBy(item => item.Name)
            .Select(item => new Contributor(item.Key, item.Sum(line => line.Amount)));
    }
}
