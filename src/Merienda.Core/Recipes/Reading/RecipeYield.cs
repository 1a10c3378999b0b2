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
        if (Single().IsMatch(text))
        {
            return 1;
        }

        if (Sized().Match(text) is { Success: true } sized)
        {
            return AmountOf(sized.Groups["n"].Value);
        }

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
        ForOne().Match(title) is { Success: true, Index: > 0 } one ? (title[..one.Index].TrimEnd(' ', '-', '–', '—', ',', '|', ':'), 1)
        : ServesInTitle().Match(title) is { Success: true, Index: > 0 } serves && PortionsIn(serves.Value.TrimEnd('p')) is { } portions
            ? (Closed(title[..serves.Index].TrimEnd(' ', '-', '–', '—', ',', '|', ':', '=')), portions)
        // "Frittata — Serves: 6 — Time: 35 mins".
        : BetweenInTitle().Split(title) is { Length: > 1 } pieces && pieces.Skip(1).FirstOrDefault(IsYield) is { } said
            ? (pieces[0].Trim(), PortionsIn(said))
        // "Jambalaya, serves 8 hungry people or 10".
        : ServesInText().Match(title) is { Success: true, Index: > 0 } served && PortionsIn(served.Value) is { } all
            ? (title[..served.Index].TrimEnd(' ', '-', '–', '—', ',', '|', ':', '('), all)
        : (title, null);

    /// <summary>"Porridge base (dry mix" with the bracket that what it makes stood before.</summary>
    private static string Closed(string name) => name.LastIndexOf('(') > name.LastIndexOf(')') ? $"{name})" : name;

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

    [GeneratedRegex(@"^(a )?single (serving|portion)$", RegexOptions.IgnoreCase)]
    private static partial Regex Single();

    private const string Number = @"(?<n>-?\d+(?:[.,]\d+)?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|half|a)";

    [GeneratedRegex(
        @"^\(?(recipe )?(makes enough for|serves|makes|yields?|portions?|servings?( size)?|feeds|enough for|quantity)\b\s*[:\-]?\s*(about |approx\.? |approximately |around |up to |roughly )?(a (family|crowd) of )?(-?\d|(one|two|three|four|five|six|eight|ten|twelve|a)\b)|^for "
            + Number
            + @"(\s*(to|-|–)\s*\d+)?( (people|persons|eaters|adults))?$|^"
            + Number
            + @"\s*(?:to \d+ |[-–]\s*\d+ )?(servings?|serves|portions?|ports|people|lunches|dinners|suppers|breakfasts|meals|bowls)\s*$|^(a )?single (serving|portion)$|^[^\d,]{0,20}(\d[^\d,]{0,12})?\b\d{1,2} (servings|portions)$|^"
            + Number
            + @" (loaf|loaves|tray|pie|cake|batch)\b(,?.*\d+ (slices|pieces|servings|portions|squares|bars).*)?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Stated();

    /// <summary>"Makes 10 x 50 g servings".</summary>
    [GeneratedRegex(@"\b(?<n>\d{1,3})\s*[x×]\s*\d+\s?(g|ml) (servings?|portions?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Sized();

    /// <summary>"Makes 12 (2 per serving)".</summary>
    [GeneratedRegex(@"\b(?<n>\d+)\b[^\d(]*\((?<each>\d+) (per|a|each) (serving|portion|person)\)", RegexOptions.IgnoreCase)]
    private static partial Regex PiecesEach();

    /// <summary>"2 adults and 2 children".</summary>
    [GeneratedRegex(@"\b(?<n>\d+) adults?,? (and|\+|&|plus) (?<more>\d+) (children|child|kids?|toddlers?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Family();

    /// <summary>"Serves 4", "makes about 1.6 kg, 12 portions".</summary>
    [GeneratedRegex(
        @"\b((serves|makes|feeds)\s+"
            + Number
            + @"(?!\s?(g|kg|ml|l|x)\b|[.,]?\d)\b|(makes|yields)\s([^.!]|\.\d){0,30}?\b\d{1,3} (portions|servings)\b|(?<=^|[.!] )(?<n>\d{1,3}) (portions|servings|ports|bowls)\.?$|(?<=[.!] )for (?<n>\d{1,2})( people)?\.?$)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex ServesInText();

    [GeneratedRegex(
        @"[\s,–—|-]*[(\[]?\b((serves|makes|feeds)\s+"
            + Number
            + @"( (portions|servings|people|jars|boxes))?|"
            + Number
            + @" (portions|servings|serves|people|jars|pots|boxes|bowls|lunches|dinners|suppers|breakfasts|meals|slices))[)\]]?\s*$"
            // "Fish pie (6)", "Stuffed peppers ×4", "One-pot orzo, 2p".
            + @"|[\s–—-]+makes (about |approx\.? )?\d{1,3}\s*[x×]\s*\d+\s?(g|ml) (servings|portions)\s*$|\s*\((?<n>\d{1,2})\)\s*$|\s+[x×]\s?(?<n>\d{1,2})\s*$|,\s+(?<n>\d{1,2})\s?p\s*$|\s+(pour|für|para|per|voor) (?<n>\d{1,2})\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex ServesInTitle();

    /// <summary>"Gyros bowl, per person", "Chia pudding – single serving".</summary>
    [GeneratedRegex(
        @"[\s,–—|(-]+(per (person|portion|serving|head)|(a )?single (serving|portion)|for (one|1)|(one|1)[ -](person|portion|serving))\)?\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex ForOne();

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
