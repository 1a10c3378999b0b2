using System.Globalization;
using System.Text.RegularExpressions;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>
/// The durations of a clause: "20–25 min" is 25, because a plan holds the longer time free; "4 min per side" is 8; what happens within
/// another time ("stir after 10 minutes", "turning every 5") is none of its own.
/// </summary>
internal static partial class StepMinutes
{
    /// <summary>A night [C].</summary>
    public const int Overnight = 8 * 60;

    /// <summary>How long, and where in the clause it is said.</summary>
    /// <param name="IsInstead">Another way to take the time before it: "or overnight", "ideally 4 hours".</param>
    public readonly record struct Duration(int Minutes, int At, bool IsInstead);

    /// <summary>Whether each side has its time: somebody stands by and turns it.</summary>
    public static bool IsTurned(string clause) => Sides().IsMatch(clause);

    public static IReadOnlyList<Duration> In(string clause)
    {
        var times = IsTurned(clause) ? 2 : 1;
        if (Each().IsMatch(clause) && Batches().Match(clause) is { Success: true } batches)
        {
            times *= (int)(AmountReader.Read($"{batches.Groups["n"].Value} x")?.Amount.High ?? 1);
        }

        var found = new List<Duration>();
        var end = -1;
        foreach (Match match in Said().Matches(clause))
        {
            if (match.Groups["within"].Success || MinutesOf(match) is not { } minutes)
            {
                continue;
            }

            var isInstead = match.Groups["instead"].Success;
            // "1 hour 20 minutes", "an hour and a half": one time.
            if (found.Count > 0 && !isInstead && Joint().IsMatch(clause[end..match.Groups["n"].Index]))
            {
                found[^1] = found[^1] with { Minutes = found[^1].Minutes + minutes };
            }
            else
            {
                found.Add(new(minutes, match.Index, isInstead));
            }

            end = match.Index + match.Length;
        }

        return [.. found.Select(one => one with { Minutes = Math.Min(TaskReader.MostMinutes, one.Minutes * times) })];
    }

    private static int? MinutesOf(Match match)
    {
        if (match.Groups["night"].Success)
        {
            return Overnight;
        }

        var number = match.Groups["n"].Value.Trim();
        var amount = number.StartsWith("a couple", StringComparison.OrdinalIgnoreCase)
            ? 2
            : AmountReader.Read($"{number.Replace("half an", "half", StringComparison.OrdinalIgnoreCase)} x")?.Amount.High;
        var unit = match.Groups["unit"].Value;
        // Of "for 25" and "5 more" minutes are meant.
        var each =
            unit.StartsWith('h') || unit.StartsWith('H') ? 60
            : unit.StartsWith('s') || unit.StartsWith('S') ? 1m / 60
            : 1;
        return amount is { } many
            ? (int)Math.Ceiling(Math.Min(TaskReader.MostMinutes, (many + (match.Groups["half"].Success ? 0.5m : 0)) * each))
                + RestOf(match, each)
            : null;
    }

    /// <summary>The minutes behind an hour: "1h30", "1 hr 20".</summary>
    private static int RestOf(Match match, decimal each) =>
        each == 60 && match.Groups["rest"].Success ? int.Parse(match.Groups["rest"].Value, CultureInfo.InvariantCulture) : 0;

    private const string One =
        @"(half an|an?|a couple of|a few|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|sixty|ninety|\d+([.,]\d+)?( ?[½¼¾]| \d/\d)?|[½¼¾]|\d/\d)";

    [GeneratedRegex(
        @"(?<within>\b(after|every|in|at|for the (first|last|final)|the (first|last|final))\s+(about |around |another )?)?"
            + @"(?<instead>\b(or|ideally|preferably|better|up to)\s+((for|about|on|at|low|high|in the)\s+)*)?"
            + @"((?<night>\bovernight\b)"
            + "|(?<![\\d.,/])(?!(?<=\\p{L})\\p{L})(?<n>"
            + One
            + @"(\s?(-|–|—|to|or)\s?"
            + One
            + @")?)[\s-]*(?<more>more |further |another )?(?<unit>h(?=\d)|['’′](?=\s|$|[,.;)])|(h|hours?|hrs?|min|mins|minutes?|seconds?|secs?)\b)(?<half> and a half)?(\s?(?<rest>[0-5]\d)\b(?!\s?(min|°|º|[CFg]\b|%)))?"
            + @"|\b(?<n>\d+)\s+(?<unit>more)\b(?! \w)"
            + @"|\b((?-i:for)|bake|roast|simmer|fry|boil|cook)\s+(?<n>\d+)(?=\s*$|\s*[,.)]|\s+at\s+\d)(?<unit>)"
            + @"|(?<n>\d{1,3})(?<unit>m)\b)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Said();

    [GeneratedRegex(@"\b(per|a|each|on each|on both|either) sides?\b", RegexOptions.IgnoreCase)]
    private static partial Regex Sides();

    [GeneratedRegex(@"\b(each|apiece|per batch|a batch)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Each();

    [GeneratedRegex(@"\bin (?<n>two|three|four|2|3|4) (batches|lots|goes|rounds)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Batches();

    [GeneratedRegex(@"^\s*(and|,)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Joint();
}
