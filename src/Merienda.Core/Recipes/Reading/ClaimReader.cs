using System.Globalization;
using System.Text.RegularExpressions;

namespace Merienda.Core.Recipes;

/// <summary>
/// Reads what a source says a portion has: "420 kcal, protein 41 g, 3 g net carbs; 63 % protein", "Serves 6", "ready in 45 min", "keeps 4 days".
/// What it does not know it passes over.
/// </summary>
public static partial class ClaimReader
{
    /// <summary>1 kcal, in kJ (domain.md section 1), and the salt that 1 g of sodium makes, g.</summary>
    private const decimal KilojoulesEach = 4.184m,
        SaltOfSodium = 2.5m;

    private const int DaysOfWeek = 7;

    private static readonly (string Pattern, ClaimedValue? What)[] Nutrients =
    [
        (@"unsaturated|trans|cholesterol|potassium|calcium|iron|vitamin|\bdaily\b|\bdv\b|\bri\b", null),
        (@"net\s*carb", ClaimedValue.NetCarbohydrate),
        (@"carb|^c$", ClaimedValue.Carbohydrate),
        (@"protein|^p$", ClaimedValue.Protein),
        (@"saturate|\bsat\b", ClaimedValue.SaturatedFat),
        (@"\bfat\b|^f$", ClaimedValue.Fat),
        (@"fib(re|er)", ClaimedValue.Fibre),
        (@"sugar", ClaimedValue.Sugars),
        (@"sodium|\bsalt\b", ClaimedValue.Sodium),
        (@"points?\b|\bpts\b", ClaimedValue.Points),
    ];

    /// <summary>Each value once: the first that is said.</summary>
    public static IReadOnlyList<Claim> Read(string text) =>
        [
            .. text.ReplaceLineEndings("\n")
                .Split(["\n", ";", "|", " / ", " · ", " • ", ". "], StringSplitOptions.None)
                .SelectMany(row => Pieces().Split(AfterHead().Replace(row, "")))
                .Select(piece => Of(piece.Trim().ToLowerInvariant()))
                .OfType<Claim>()
                .DistinctBy(claim => claim.What),
        ];

    private static Claim? Of(string piece)
    {
        var match = Number().Match(piece);
        if (!match.Success)
        {
            return null;
        }

        // "−5 kcal" is no amount of anything.
        if (match.Index > 0 && piece[match.Index - 1] is '-' or '−')
        {
            return null;
        }

        var unit = match.Groups["u"].Value;
        var words = piece.Remove(match.Index, match.Length).Trim(' ', ':', '=', '.', '(', ')', '~');
        // Of "30–35 g" the middle is taken.
        var value = match.Groups["to"].Success
            ? (ValueOf(match.Groups["n"].Value, unit) + ValueOf(match.Groups["to"].Value, unit)) / 2
            : ValueOf(match.Groups["n"].Value, unit);
        if (value > Claim.Most)
        {
            return null;
        }

        return Energy(value, unit, words) ?? Nutrient(value, unit, words) ?? Other(value, unit, words, piece);
    }

    private static decimal ValueOf(string written, string unit) =>
        decimal.Parse(
            Thousands().IsMatch(written) ? written.Replace(",", "", StringComparison.Ordinal)
                : unit.StartsWith('k') && DottedThousands().IsMatch(written) ? written.Replace(".", "", StringComparison.Ordinal)
                : written.Replace(',', '.'),
            CultureInfo.InvariantCulture
        );

    private static Claim? Energy(decimal value, string unit, string words) =>
        unit is "kj" ? new(ClaimedValue.Energy, Math.Round(value / KilojoulesEach, 0))
        : unit is "kcal" or "kcals" or "cal" or "cals" or "calories" or "calorie" || (unit.Length == 0 && IsEnergy().IsMatch(words))
            ? new(ClaimedValue.Energy, value)
        : null;

    private static Claim? Nutrient(decimal value, string unit, string words)
    {
        if (Nutrients.FirstOrDefault(one => Regex.IsMatch(words, one.Pattern)).What is not { } what)
        {
            return null;
        }

        return (what, unit) switch
        {
            (ClaimedValue.Protein, "%") => new(ClaimedValue.ProteinShare, value),
            (ClaimedValue.Fat, "%") => new(ClaimedValue.FatShare, value),
            (ClaimedValue.Carbohydrate, "%") => new(ClaimedValue.CarbohydrateShare, value),
            (_, "%") => null,
            (ClaimedValue.Points, "" or "pts" or "points" or "point") => new(ClaimedValue.Points, value),
            (ClaimedValue.Points, _) => null,
            (ClaimedValue.Sodium, "g") => new(
                ClaimedValue.Sodium,
                Math.Round(value * 1000 / (words.Contains("salt", StringComparison.Ordinal) ? SaltOfSodium : 1), 0)
            ),
            (ClaimedValue.Sodium, _) => words.Contains("salt", StringComparison.Ordinal) ? null : new(ClaimedValue.Sodium, value),
            (_, "mg") => new(what, value / 1000),
            (_, "g" or "") => new(what, value),
            _ => null,
        };
    }

    private static Claim? Other(decimal value, string unit, string words, string piece) =>
        unit is "points" or "point" or "pts" ? new(ClaimedValue.Points, value)
        : Days().Match(piece) is { Success: true } days && !piece.Contains("freez", StringComparison.Ordinal)
            ? new(ClaimedValue.FridgeDays, value * (days.Groups["week"].Success ? DaysOfWeek : 1))
        : unit.Length == 0 && !PartOfWork().IsMatch(words) && StepMinutes.In(Within().Replace(piece, "")) is { Count: > 0 } durations
            ? new(ByHand().IsMatch(words) ? ClaimedValue.HandsOn : ClaimedValue.Minutes, durations.Sum(one => one.Minutes))
        : unit == "g" && PortionSize().IsMatch(words) ? new(ClaimedValue.PortionGrams, value)
        : unit.Length == 0 && Serves().IsMatch(words) ? new(ClaimedValue.Portions, value)
        : null;

    /// <summary>"1,200" has a thousand in it, "3,5" a decimal comma.</summary>
    [GeneratedRegex(@"^\d{1,3}(,\d{3})+(\.\d+)?$")]
    private static partial Regex Thousands();

    /// <summary>"1.200 kJ" is written so where the comma is the decimal mark.</summary>
    [GeneratedRegex(@"^\d{1,3}(\.\d{3})+$")]
    private static partial Regex DottedThousands();

    [GeneratedRegex(
        @",\s+|\s+and\s+|(?<=\d\s?(?:g|mg|kcal)?)\s*\((?=[a-z])|(?<=[a-z])\s*\((?=\d+([.,]\d+)?\s?g\b)|(?<=[a-z%)])\s{2,}|(?<=\d\s?[pfc])\s*[\s/]\s*(?=\d)|(?<=[a-z])\s+(?=(?:protein|fat|carbs?|fib(?:re|er))\s*:)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Pieces();

    [GeneratedRegex(
        @"^\s*(macros|nutrition)\s*:\s*|^\s*(nutrition(al)?( (info(rmation)?|facts|values))?|macros|amounts?)?\s*\(?(per|each|a|one|1) (serving|portion|piece|slice)s?( (has|contains|is))?\)?( \(?(?=\d))?\s*[:\-–]?\s*(?!size)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex AfterHead();

    [GeneratedRegex(
        @"(?<![a-z\d])(?<n>\d+(,\d{3})*([.,]\d+)?)(\s*[-–]\s*(?<to>\d+([.,]\d+)?))?\s*(?<u>kcals?|kj|calories|calorie|cals?|mg|g|%|points?|pts)?(?![a-z%\d])|(?<![a-z\d])(?<n>\d+([.,]\d+)?)(?!\d)"
    )]
    private static partial Regex Number();

    [GeneratedRegex(@"\b(calories|kcal|energy|cal)\b")]
    private static partial Regex IsEnergy();

    /// <summary>Times of a stage, of which nobody knows whether hands are in it.</summary>
    [GeneratedRegex(@"\b(prep|preparation|cook|cooking|bake|baking|rest|resting|chill|chilling|marinat\w+|soak\w*)\b")]
    private static partial Regex PartOfWork();

    /// <summary>"Ready in 45 min" is a time of its own here.</summary>
    [GeneratedRegex(@"\b(in|at|after)\b")]
    private static partial Regex Within();

    [GeneratedRegex(@"\b(hands[- ]on|active|by hand)\b")]
    private static partial Regex ByHand();

    [GeneratedRegex(@"\b(serving|portion)( size)?\b|\beach\b|\ba (portion|serving)\b")]
    private static partial Regex PortionSize();

    [GeneratedRegex(@"^(serves|servings|portions|makes|yields?)\b|\b(servings|portions)$")]
    private static partial Regex Serves();

    [GeneratedRegex(@"\bdays?\b|(?<week>\bweeks?\b)")]
    private static partial Regex Days();
}
