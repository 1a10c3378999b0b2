using System.Globalization;
using System.Text.RegularExpressions;

namespace Merienda.Core.Stock;

/// <summary>Reads the date that is printed on a packet from the line that takes it in: "6 eggs, best before 12/12".</summary>
public static partial class PrintedDate
{
    /// <summary>A date without a year that is over longer than this is one of next year.</summary>
    private const int DaysBack = 60;

    private static readonly string[] Months = CultureInfo.InvariantCulture.DateTimeFormat.AbbreviatedMonthNames[..12];

    private static readonly string[] Days = CultureInfo.InvariantCulture.DateTimeFormat.AbbreviatedDayNames;

    /// <summary>The line without its date, and the date; the words of a date that is none, where they are none.</summary>
    /// <param name="Words">Null where the line says no date.</param>
    public sealed record Found(string Line, DateOnly? Date, string? Words);

    /// <param name="today">The household's local date: a year that is not said is the one nearest to it.</param>
    /// <param name="monthFirst">Whether 12/11 is 11 December, as the United States write it, and not 12 November.</param>
    public static Found TakeOff(string line, DateOnly today, bool monthFirst)
    {
        if (Said().Match(line) is not { Success: true } said)
        {
            return new(line, null, null);
        }

        var date = ByName(said, today) ?? ByNumber(said, today, monthFirst) ?? ByDay(said, today);
        return new($"{line[..said.Index]}{line[(said.Index + said.Length)..]}".Trim(' ', ',', '-', '–'), date, said.Groups["date"].Value);
    }

    private static DateOnly? ByName(Match said, DateOnly today) =>
        said.Groups["month"] is { Success: true } month
            ? Of(Year(said), Array.IndexOf(Months, Capital(month.Value)) + 1, Number(said.Groups["day"]), today)
            : null;

    private static DateOnly? ByNumber(Match said, DateOnly today, bool monthFirst)
    {
        if (said.Groups["iso"].Success)
        {
            return Of(Number(said.Groups["isoYear"]), Number(said.Groups["one"]) ?? 0, Number(said.Groups["two"]), today);
        }

        // A year alone is kept until its last day.
        if (Number(said.Groups["lone"]) is { } lone)
        {
            return new(lone, 12, 31);
        }

        if (Number(said.Groups["first"]) is not { } first || Number(said.Groups["second"]) is not { } second)
        {
            return null;
        }

        var (month, day) = monthFirst ? (first, second) : (second, first);
        return Of(Year(said), month, day, today) ?? Of(Year(said), day, month, today);
    }

    private static DateOnly? ByDay(Match said, DateOnly today) =>
        said.Groups["weekday"] is { Success: true } word
            ? word.Value.ToLowerInvariant() switch
            {
                "today" => today,
                "tomorrow" => today.AddDays(1),
                var name => today.AddDays((Array.IndexOf(Days, Capital(name)) - (int)today.DayOfWeek + 7) % 7),
            }
            : null;

    /// <summary>A month without a day is kept until its last one.</summary>
    private static DateOnly? Of(int? year, int month, int? day, DateOnly today)
    {
        if (month is < 1 or > 12 || year is < 2000 or > 2100)
        {
            return null;
        }

        var years = year is { } said ? [said] : new[] { today.Year - 1, today.Year, today.Year + 1 };
        return years
            .Select(one => (Year: one, Day: day ?? DateTime.DaysInMonth(one, month)))
            .Where(one => one.Day >= 1 && one.Day <= DateTime.DaysInMonth(one.Year, month))
            .Select(one => (DateOnly?)new DateOnly(one.Year, month, one.Day))
            .FirstOrDefault(one => year is not null || one >= today.AddDays(-DaysBack));
    }

    private static int? Year(Match said) => Number(said.Groups["year"]) is { } year ? (year < 100 ? 2000 + year : year) : null;

    private static int? Number(Group group) => group.Success ? int.Parse(group.Value, CultureInfo.InvariantCulture) : null;

    private static string Capital(string name) => $"{char.ToUpperInvariant(name[0])}{name[1..3].ToLowerInvariant()}";

    [GeneratedRegex(
        """
            [\s,(]+(?:best\s+(?:before|by)(?:\s+end(?:\s+of)?)?|bbe?|use\s+(?:by|before)|eat\s+by|sell\s+by|exp(?:iry|ires)?(?:\s+date)?|good\s+until|until)\b[\s:.]*
            (?:the\s+)?
            (?<date>
                (?<iso>(?<isoYear>\d{4})-(?<one>\d\d?)-(?<two>\d\d?))
              | (?<day>\d\d?)(?:st|nd|rd|th)?\.?\s*(?:of\s+)?(?<month>jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?(?:,?\s+(?<year>\d{4}|\d\d))?(?!\d)
              | (?<month>jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?(?:\s+(?<day>\d\d?)(?:st|nd|rd|th)?(?!\d))?(?:,?\s+(?<year>\d{4}))?
              | (?<first>\d\d?)\s*[/.\-]\s*(?<second>\d\d?)(?:\s*[/.\-]\s*(?<year>\d{4}|\d\d))?\.?(?!\d)
              | (?<lone>20\d\d)(?!\S)
              | (?<weekday>today|tomorrow|(?:sun|mon|tue|wed|thu|fri|sat)[a-z]*)
              | \d\S*
            )\)?
            """,
        RegexOptions.IgnoreCase | RegexOptions.IgnorePatternWhitespace
    )]
    private static partial Regex Said();
}
