using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;

namespace Merienda.Web.Hosting;

/// <summary>A value with its bounds as it goes over the wire. High is null when a part is unknown.</summary>
public sealed record ShownEstimate(decimal Low, decimal Best, decimal? High);

/// <summary>A measure of one portion or container: "Net carbs 6.5 g".</summary>
public sealed record ShownMeasure(string Key, string Name, string Unit, int Decimals, ShownEstimate Value);

public sealed record ShownContributor(string Name, decimal Amount);

public sealed record ShownFinding(
    string Rule,
    string Title,
    Verdict Verdict,
    string? Unit,
    int Decimals,
    bool IsQuotient,
    ShownEstimate? Value,
    decimal? AtLeast,
    decimal? AtMost,
    Period? Per,
    IReadOnlyList<ShownContributor> Contributors,
    string Because,
    string? Cure,
    IReadOnlyList<string> Notes,
    bool IsHardStop,
    bool NeedsAllowance
);

/// <summary>One eater's verdict with what it rests on.</summary>
public sealed record ShownVerdict(Guid EaterId, string Eater, Verdict Verdict, IReadOnlyList<ShownFinding> Findings);

/// <summary>Turns what the core found into what the pages draw; numbers are rounded to two places for the wire.</summary>
public static class Shown
{
    public static ShownEstimate Of(Estimate value) => new(Round(value.Low), Round(value.Best), value.High is { } high ? Round(high) : null);

    public static ShownMeasure Of(MeasureInfo measure, Estimate value) =>
        new(measure.Key, measure.Name, measure.Unit, measure.Decimals, Of(value));

    public static ShownFinding Of(Finding finding) =>
        new(
            finding.Rule,
            finding.Title,
            finding.Verdict,
            finding.Scale?.Unit,
            finding.Scale?.Decimals ?? 0,
            finding.Scale?.IsQuotient == true,
            finding.Value is { } value ? Of(value) : null,
            finding.Limit?.AtLeast,
            finding.Limit?.AtMost,
            finding.Limit?.Per,
            [.. finding.Contributors.Take(6).Select(item => new ShownContributor(item.Name, Round(item.Amount)))],
            finding.Because,
            finding.Cure,
            finding.Notes,
            finding.IsHardStop,
            finding.NeedsAllowance
        );

    public static decimal Round(decimal value) => Math.Round(value, 2, MidpointRounding.AwayFromZero);

    /// <summary>The measures that a container's label and a recipe's row show; points in the schemes of those who eat it.</summary>
    public static IReadOnlyList<ShownMeasure> Short(Helping helping, IReadOnlyList<Eater> eaters, PointsScheme house) =>
        [
            .. new[] { Measure.Energy, Measure.Protein, Measure.NetCarbohydrate }.Select(measure =>
                Of(MeasureInfo.Of(measure), Intake.Of(helping).Value(measure, house))
            ),
            .. Points(helping, eaters, house),
        ];

    /// <summary>
    /// The points of a helping in every scheme that an eater follows, with the names where schemes differ; in the house's where nobody
    /// follows one.
    /// </summary>
    public static IEnumerable<ShownMeasure> Points(Helping helping, IReadOnlyList<Eater> eaters, PointsScheme house)
    {
        var points = MeasureInfo.Of(Measure.Points);
        var schemes = eaters.Where(eater => eater.Rules.CountsPoints).GroupBy(eater => eater.Rules.Context.Scheme ?? house).ToList();
        return schemes.Count <= 1
            ? [Of(points, Intake.Of(helping).Value(Measure.Points, schemes.FirstOrDefault()?.Key ?? house))]
            : schemes
                .Select(scheme => (Names: string.Join(" and ", scheme.Select(eater => eater.Name)), scheme.Key))
                .Select(scheme =>
                    Of(points, Intake.Of(helping).Value(Measure.Points, scheme.Key)) with
                    {
                        Key = $"points-{scheme.Names}",
                        Name = $"Points, {scheme.Names}",
                    }
                );
    }
}
