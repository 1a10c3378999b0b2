using System.Globalization;
using System.Text.RegularExpressions;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>A line of a dish that is cooked larger or smaller.</summary>
/// <param name="Line">As it is written then.</param>
/// <param name="Note">Where what is written is not just so many times as much: what it is off by, or what to begin with; null where it is.</param>
public sealed record ScaledLine(RecipeLine Line, string? Note);

/// <summary>
/// A recipe written for another amount: linear (domain.md section 7), whole eggs and tins rounded with the difference told, salt, spice and
/// thickener with a gentler amount to begin with.
/// </summary>
public static partial class Scaling
{
    /// <summary>Least and most times a recipe is written anew.</summary>
    public const decimal Least = 0.05m,
        Most = 50;

    /// <summary>
    /// What seasons or thickens grows by this power of the factor: twice the stew takes not quite twice the salt to begin with [C].
    /// </summary>
    private const double Gentle = 0.8;

    /// <summary>From so many times as much on the gentler amount is another [C].</summary>
    private const decimal GentleFrom = 1.5m;

    /// <summary>What is written may be off by so much of what it should weigh; else it is written by its weight.</summary>
    private const decimal MostOff = 0.06m;

    private static readonly string[] Whole = ["each", "tin"];

    public static IReadOnlyList<ScaledLine> Of(RecipeVersion recipe, decimal times, FoodMatcher foods, MeasureSystem system) =>
        [.. recipe.Lines.Select(line => Of(line, times, foods, system))];

    /// <summary>The recipe's variants beside it: what only they have grows as it does.</summary>
    public static IReadOnlyList<Variant> VariantsOf(RecipeVersion recipe, decimal times, FoodMatcher foods, MeasureSystem system) =>
        [
            .. recipe.Variants.Select(variant =>
                variant with
                {
                    Added = [.. variant.Added.Select(added => added with { Line = Of(added.Line, times, foods, system).Line })],
                }
            ),
        ];

    private static ScaledLine Of(RecipeLine line, decimal times, FoodMatcher foods, MeasureSystem system)
    {
        if (times == 1)
        {
            return new(line, null);
        }

        var wanted = line.GramsIn * times;
        var isWhole = IsWhole(line);
        var text = Rewritten(line.Read.Text.Trim(), times, isWhole);
        var read = text is null ? null : Read(line, text, foods, system);
        if (line.Use is not null || line.GramsIn.IsOpen)
        {
            return read is null ? new(line, $"{Said(times)} times as much") : new(read, null);
        }

        if (read is null || (!isWhole && Math.Abs(read.GramsIn.Best - wanted.Best) > MostOff * wanted.Best))
        {
            read = Read(line, $"{Number(wanted.Best)} g {line.Read.Food}", foods, system);
        }

        return new(read, NoteOf(line, read, wanted.Best, times, isWhole));
    }

    private static RecipeLine Read(RecipeLine line, string text, FoodMatcher foods, MeasureSystem system) =>
        line.Use is { } use
            ? RecipeLine.Using(line.Typed with { Text = text }, use.Of, foods, system)
            : RecipeLine.From(line.Typed with { Text = text }, foods, system, line.Typed.IsChosen ? line.Food : null);

    /// <summary>An egg is not cut, and a tin not left half full.</summary>
    private static bool IsWhole(RecipeLine line) =>
        line.Read is { Unit.Name: { } unit, Amount: { } amount }
        && Whole.Contains(unit)
        && amount.Low == amount.High
        && (unit == "tin" || line.Food?.Is("egg") == true);

    private static string? NoteOf(RecipeLine line, RecipeLine read, decimal wanted, decimal times, bool isWhole)
    {
        if (isWhole)
        {
            var off = read.GramsIn.Best - wanted;
            return Math.Abs(off) <= 0.01m * wanted
                ? null
                : $"{Number(Math.Abs(off))} g {(off > 0 ? "more" : "less")} than {Said(times)} times as much";
        }

        return times >= GentleFrom && IsSeasoning(line)
            ? $"begin with {Number(line.GramsIn.Best * (decimal)Math.Pow((double)times, Gentle))} g, then taste"
            : null;
    }

    private static bool IsSeasoning(RecipeLine line) =>
        line.Food is { } food && (food.Is("salt") || food.Is("spice") || food.Is("thickener"));

    /// <summary>The words with the amount they begin with so many times as large; null when they begin with none.</summary>
    private static string? Rewritten(string text, decimal times, bool isWhole)
    {
        var match = Leading().Match(text);
        if (!match.Success)
        {
            return null;
        }

        string Larger(string written)
        {
            var value = ValueOf(written) * times;
            return isWhole
                ? Math.Max(1, Math.Round(value, MidpointRounding.AwayFromZero)).ToString(CultureInfo.InvariantCulture)
                : Number(value);
        }

        var high = match.Groups["high"];
        var amount = Larger(match.Groups["low"].Value) + (high.Success ? $"–{Larger(high.Value)}" : "");
        return $"{amount}{text[match.Length..]}";
    }

    private static decimal ValueOf(string written)
    {
        var sum = 0m;
        foreach (Match match in Numbers().Matches(written))
        {
            sum += match.Groups["over"].Success
                ? decimal.Parse(match.Groups["of"].Value, CultureInfo.InvariantCulture)
                    / Math.Max(1, decimal.Parse(match.Groups["over"].Value, CultureInfo.InvariantCulture))
                : match.Value[0] switch
                {
                    '½' => 0.5m,
                    '¼' => 0.25m,
                    '¾' => 0.75m,
                    '⅓' => 1m / 3,
                    '⅔' => 2m / 3,
                    '⅛' => 0.125m,
                    _ => decimal.Parse(match.Value.Replace(',', '.'), CultureInfo.InvariantCulture),
                };
        }

        return sum;
    }

    /// <summary>As a cook writes it: quarters of small numbers, whole ones from ten on, fives from a hundred on.</summary>
    internal static string Number(decimal value) =>
        (
            value >= 100 ? Math.Round(value / 5) * 5
            : value >= 10 ? Math.Round(value)
            : value >= 1 ? Math.Round(value * 4) / 4
            : Math.Round(value, 2)
        ).ToString("0.##", CultureInfo.InvariantCulture);

    private static string Said(decimal times) => times.ToString("0.##", CultureInfo.InvariantCulture);

    private const string One = @"(\d/\d|\d+([.,]\d+)?(\s?[½¼¾⅓⅔⅛]|\s\d/\d)?|[½¼¾⅓⅔⅛])";

    [GeneratedRegex($@"^(?<low>{One})(\s?[-–]\s?(?<high>{One}))?(?=\D)")]
    private static partial Regex Leading();

    [GeneratedRegex(@"(?<of>\d)/(?<over>\d)|\d+([.,]\d+)?|[½¼¾⅓⅔⅛]")]
    private static partial Regex Numbers();
}
