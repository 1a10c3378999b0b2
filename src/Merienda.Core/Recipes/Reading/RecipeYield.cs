using System.Globalization;
using System.Text.RegularExpressions;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>
/// Reads what a recipe makes: "Serves 4", "12 muffins", "1 loaf, 12 slices", "2 dozen", "2 per person, serves 4". The size of a tin is no
/// number of portions.
/// </summary>
public static partial class RecipeYield
{
    /// <summary>Whether a row only says what the recipe makes.</summary>
    public static bool IsYield(string row) => Stated().IsMatch(row);

    /// <summary>How many portions one of several things in a row says: "Prep 10 min | Serves 3"; null for a row that says one thing.</summary>
    public static decimal? AmongOthers(string row) =>
        row.Split('|', '•', '·') is { Length: > 1 } things
            ? things.Select(thing => thing.Trim()).Where(IsYield).Select(PortionsIn).FirstOrDefault()
            : null;

    /// <summary>How many portions the words say, or null when they do not say it.</summary>
    public static decimal? PortionsIn(string text)
    {
        if (PiecesEach().Match(text) is { Success: true } served && AmountOf(served.Groups["each"].Value) is > 0 and var each)
        {
            return AmountOf(served.Groups["n"].Value) / each;
        }

        if (Family().Match(text) is { Success: true } family)
        {
            return AmountOf(family.Groups["n"].Value) + AmountOf(family.Groups["more"].Value);
        }

        var words = SizesOf().Replace(text, " ");
        // Who it serves comes first, then slices and pieces of a loaf or a tray, then whatever is counted first.
        var match =
            Serves().Match(words) is { Success: true } serves ? serves
            : Servings().Match(words) is { Success: true } servings ? servings
            : Pieces().Match(words) is { Success: true } pieces ? pieces
            : Counted().Match(words);
        if (!match.Success || AmountOf(match.Groups["n"].Value) is not { } number)
        {
            return null;
        }

        return match.Groups["dozen"].Success ? number * 12
            : Whole().IsMatch(words) && number == 1 ? null
            : number;
    }

    /// <summary>Whom a sentence says it serves, among other words; null when it says nothing of that.</summary>
    public static decimal? ServedIn(string sentence) =>
        ServesInText().Match(sentence) is { Success: true } serves ? PortionsIn(serves.Value) : null;

    /// <summary>A title without what it says of portions: "Dal (serves 4)".</summary>
    public static (string Name, decimal? Portions) InTitle(string title) =>
        ServesInTitle().Match(title) is { Success: true, Index: > 0 } serves && PortionsIn(serves.Value) is { } portions
            ? (title[..serves.Index].TrimEnd(' ', '-', '–', '—', ',', '|', ':'), portions)
        // "Frittata — Serves: 6 — Time: 35 mins".
        : BetweenInTitle().Split(title) is { Length: > 1 } pieces && pieces.Skip(1).FirstOrDefault(IsYield) is { } said
            ? (pieces[0].Trim(), PortionsIn(said))
        : (title, null);

    [GeneratedRegex(@"\s+[—–|·•-]+\s+")]
    private static partial Regex BetweenInTitle();

    private static decimal? AmountOf(string text) =>
        decimal.TryParse(
            text.Replace(',', '.'),
            NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
            CultureInfo.InvariantCulture,
            out var number
        )
            ? number
        : AmountReader.Read($"{text} x") is { } read ? read.Amount.Low
        : null;

    private const string Number = @"(?<n>-?\d+(?:[.,]\d+)?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|half|a)";

    [GeneratedRegex(
        @"^\(?(recipe )?(makes enough for|serves|makes|yields?|portions?|servings?|feeds|enough for|quantity)\b\s*[:\-]?\s*(about |approx\.? |approximately |around |up to |roughly )?(a (family|crowd) of )?(-?\d|(one|two|three|four|five|six|eight|ten|twelve|a)\b)|^for "
            + Number
            + @"(\s*(to|-|–)\s*\d+)?( (people|persons|eaters|adults))?$|^"
            + Number
            + @"\s*(?:to \d+ |[-–]\s*\d+ )?(servings?|portions?|people)\s*$|^"
            + Number
            + @" (loaf|loaves|tray|pie|cake|batch)\b(,?.*\d+ (slices|pieces|servings|portions|squares|bars).*)?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Stated();

    /// <summary>"Makes 12 (2 per serving)".</summary>
    [GeneratedRegex(@"\b(?<n>\d+)\b[^\d(]*\((?<each>\d+) (per|a|each) (serving|portion|person)\)", RegexOptions.IgnoreCase)]
    private static partial Regex PiecesEach();

    /// <summary>"2 adults and 2 children".</summary>
    [GeneratedRegex(@"\b(?<n>\d+) adults?,? (and|\+|&|plus) (?<more>\d+) (children|child|kids?|toddlers?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Family();

    [GeneratedRegex(@"\b(serves|makes|feeds)\s+" + Number + @"\b", RegexOptions.IgnoreCase)]
    private static partial Regex ServesInText();

    [GeneratedRegex(
        @"[\s,–—|-]*[(\[]?\b((serves|makes|feeds)\s+"
            + Number
            + @"( (portions|servings|people|jars|boxes))?|"
            + Number
            + @" (portions|servings|people|jars|pots|boxes|bowls))[)\]]?\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex ServesInTitle();

    [GeneratedRegex(
        @"\b(serves|feeds|enough for|serving)\s*:?\s*(about |approx\.? |up to |around )?(a (family|crowd) of )?" + Number,
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Serves();

    [GeneratedRegex(
        Number + @"\s*(?:to \d+ |[-–]\s*\d+ |[-–] )?(?<dozen>dozen )?(servings?|portions?|people|persons?)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Servings();

    [GeneratedRegex(Number + @" (slices|pieces|squares|bars|wedges)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Pieces();

    [GeneratedRegex(@"(?<![\d.,])" + Number + @"(?!\s*per\b)\s*(?<dozen>dozen)?(?=\b|\s|$)", RegexOptions.IgnoreCase)]
    private static partial Regex Counted();

    /// <summary>"a 9-inch pie", "one 20 cm tin", "9x13 pan", "2 litres".</summary>
    [GeneratedRegex(
        @"\(?\b\d+(?:[.,]\d+)?\s*(?:[x×]\s*\d+(?:[.,]\d+)?\s*)?[- ]?(?:inch(?:es)?|in\b|""|cm|mm|ml|litres?|liters?|l\b|g\b|kg\b|oz\b|lb\b|cups?|quarts?)\)?|\b\d+\s*[x×]\s*\d+\b|\b\d+(?:[.,]\d+)? per person,?",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex SizesOf();

    [GeneratedRegex(
        @"\b(?:1|one|a)\s+(?:[\w-]+\s+){0,3}(loaf|pie|cake|tart|pan|tray|batch|pot|casserole|jar|quiche|tin)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Whole();
}
