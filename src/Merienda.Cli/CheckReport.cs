using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Cli;

/// <summary>Writes a checked recipe for people or, as JSON, for programs.</summary>
public static class CheckReport
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static void Write(CheckedRecipe recipe, bool asJson, TextWriter output)
    {
        if (asJson)
        {
            output.WriteLine(JsonSerializer.Serialize(ToJson(recipe), Json));
            return;
        }

        output.WriteLine($"{recipe.Name}, {recipe.Portions:0.##} portions");
        output.WriteLine();
        foreach (var (measure, value) in recipe.PerPortion.Where(row => row.Value.Best > 0 || row.Value.IsOpen))
        {
            output.WriteLine($"  {measure.Name, -16}{measure.Show(value.Best), 8} {measure.Unit, -7} {Range(measure, value)}");
        }

        output.WriteLine();
        foreach (
            var (line, doubt) in recipe
                .Lines.Select(line => (line, UnusualAmount.Of(line, recipe.Portions) ?? line.Doubt))
                .Where(row => row.Item2 is not null)
        )
        {
            output.WriteLine($"  ? {line.Read.Text.Trim()}: {doubt!.TrimEnd('?')}{(doubt.EndsWith('?') ? '?' : '.')}");
        }

        foreach (var finding in recipe.Findings)
        {
            output.WriteLine($"  {finding.Verdict.Word(), -18} {finding.Because}");
            foreach (
                var said in finding.Notes.Prepend(finding.Cure is { } cure ? $"To make it fit: {cure}." : "").Where(said => said.Length > 0)
            )
            {
                output.WriteLine($"  {"", -18} {said}");
            }
        }

        output.WriteLine();
        output.WriteLine(recipe.Verdict.Word());
    }

    private static string Range(MeasureInfo measure, Estimate value) =>
        value.High is { } high ? $"{measure.Show(value.Low)} to {measure.Show(high)}" : "a part unknown";

    private static object ToJson(CheckedRecipe recipe) =>
        new
        {
            Recipe = recipe.Name,
            recipe.Portions,
            PerPortion = recipe.PerPortion.ToDictionary(row => row.Measure.Key, row => EstimateJson.Of(row.Value, row.Measure.Unit)),
            Lines = recipe.Lines.Select(line => new
            {
                line.Read.Text,
                Food = line.Food?.Key,
                Grams = line.Grams.IsOpen ? (decimal?)null : Round(line.Grams.Best),
                Match = line.Match.ToString().ToLowerInvariant(),
                Doubt = UnusualAmount.Of(line, recipe.Portions) ?? line.Doubt,
            }),
            Findings = recipe.Findings.Select(finding => new
            {
                finding.Rule,
                Verdict = finding.Verdict.Key(),
                Value = finding.Value is { } value ? EstimateJson.Of(value, finding.Scale!.Unit) : null,
                Limit = finding.Limit is { } limit
                    ? new
                    {
                        limit.AtLeast,
                        limit.AtMost,
                        finding.Scale!.Unit,
                        Per = limit.Per.ToString().ToLowerInvariant(),
                    }
                    : null,
                finding.Because,
                finding.Cure,
                finding.Notes,
                Contributors = finding.Contributors.Take(5).Select(item => new { item.Name, Amount = Round(item.Amount) }),
            }),
            Verdict = recipe.Verdict.Key(),
        };

    private static decimal Round(decimal value) => Math.Round(value, 2, MidpointRounding.AwayFromZero);

    /// <summary>High is null when a part is unknown: low and best then hold the known part.</summary>
    private sealed record EstimateJson(
        decimal Low,
        decimal Best,
        [property: JsonIgnore(Condition = JsonIgnoreCondition.Never)] decimal? High,
        string Unit
    )
    {
        public static EstimateJson Of(Estimate value, string unit) =>
            new(Round(value.Low), Round(value.Best), value.High is { } high ? Round(high) : null, unit);
    }
}
