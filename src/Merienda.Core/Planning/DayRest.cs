using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>What one limit of a day still allows: as the day stands, with what was eaten and what is still planned.</summary>
/// <param name="Stands">The finding with all of it.</param>
/// <param name="Eaten">What was eaten so far, best value.</param>
/// <param name="Planned">What is still to come, best value.</param>
public sealed record DayRest(Finding Stands, decimal Eaten, decimal Planned)
{
    /// <summary>How much more may come before the ceiling; below zero for what it is over. Null without a ceiling.</summary>
    public decimal? Left => IsSum ? Stands.Limit!.AtMost - Stands.Value!.Value.Best : null;

    /// <summary>How much more has to come to the floor, zero or less when it is reached; null without one.</summary>
    public decimal? Lacks => IsSum ? Stands.Limit!.AtLeast - Stands.Value!.Value.Best : null;

    /// <summary>One plain sentence; empty for a share or a ratio.</summary>
    public string Says =>
        string.Join(
            ", ",
            new[]
            {
                Lacks > 0 ? $"{Show(Lacks.Value)} still to come" : null,
                Left switch
                {
                    null => Lacks <= 0 ? "reached" : null,
                    < 0 => $"{Show(-Left.Value)} over",
                    // What nobody knows may take all of it.
                    _ when Stands.Value!.Value.IsOpen => $"at most {Show(Left.Value)} left",
                    _ when Stands.Value!.Value.High > Stands.Limit!.AtMost => $"about {Show(Left.Value)} left, perhaps nothing",
                    _ => $"{Show(Left.Value)} left",
                },
            }.OfType<string>()
        );

    private string Show(decimal value) => Stands.Scale!.ShowWithUnit(value);

    /// <summary>A share or a ratio is no amount that something is left of.</summary>
    private bool IsSum => Stands is { Scale.IsQuotient: false, Limit: not null, Value: not null };

    /// <summary>The limits of a day on what may be added up.</summary>
    /// <param name="stands">The day with what was eaten, and what is planned where nobody said.</param>
    /// <param name="eaten">The same day with what was eaten only.</param>
    public static IReadOnlyList<DayRest> Of(EaterDay stands, EaterDay eaten)
    {
        var soFar = eaten.Findings.Where(finding => finding.Limit is { Per: Period.Day }).ToLookup(finding => finding.Rule);
        return
        [
            .. stands
                .Findings.Where(finding => finding is { Limit.Per: Period.Day, Value: not null, NeedsAllowance: false })
                .Select(finding =>
                {
                    var then = soFar[finding.Rule].FirstOrDefault()?.Value?.Best ?? 0;
                    return new DayRest(finding, then, Math.Max(0, finding.Value!.Value.Best - then));
                }),
        ];
    }
}
