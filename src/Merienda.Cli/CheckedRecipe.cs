using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Cli;

/// <summary>A recipe with its numbers for one portion and what every rule says of it.</summary>
public sealed record CheckedRecipe(
    string Name,
    decimal Portions,
    IReadOnlyList<RecipeLine> Lines,
    IReadOnlyList<(MeasureInfo Measure, Estimate Value)> PerPortion,
    IReadOnlyList<Finding> Findings
)
{
    public Verdict Verdict => Findings.Select(finding => finding.Verdict).RollUp();

    /// <param name="size">Portions that the eater takes.</param>
    public static CheckedRecipe Of(string name, decimal portions, IReadOnlyList<RecipeLine> lines, EaterRules rules, decimal size)
    {
        var portion = Intake.Of(new Helping(name, PortionProfile.Of(lines, portions), size));
        return new(
            name,
            portions,
            lines,
            [.. MeasureInfo.All.Select(info => (info, portion.Value(info.Measure, rules.Context.Scheme)))],
            rules.CheckPortion(portion, null)
        );
    }
}
