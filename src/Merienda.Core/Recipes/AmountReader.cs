using System.Globalization;
using System.Text.RegularExpressions;

namespace Merienda.Core.Recipes;

/// <summary>An amount as written, with the bounds that the wording gives: "3–4" is 3 to 4, "a few" is 2 to 4.</summary>
public readonly record struct WrittenAmount(decimal Low, decimal High, bool IsByEye = false)
{
    public decimal Best => (Low + High) / 2;
}

/// <summary>Reads the number at the start of a text: 2, 1.5, 1,5, 1 1/2, 1½, ½, 1–2, 3 or 4, a, two, half a dozen.</summary>
public static partial class AmountReader
{
    private static readonly Dictionary<char, decimal> Fractions = new()
    {
        ['½'] = 1m / 2,
        ['⅓'] = 1m / 3,
        ['⅔'] = 2m / 3,
        ['¼'] = 1m / 4,
        ['¾'] = 3m / 4,
        ['⅕'] = 1m / 5,
        ['⅖'] = 2m / 5,
        ['⅗'] = 3m / 5,
        ['⅘'] = 4m / 5,
        ['⅙'] = 1m / 6,
        ['⅚'] = 5m / 6,
        ['⅛'] = 1m / 8,
        ['⅜'] = 3m / 8,
        ['⅝'] = 5m / 8,
        ['⅞'] = 7m / 8,
    };

    private static readonly Dictionary<string, WrittenAmount> Words = new(StringComparer.OrdinalIgnoreCase)
    {
        ["a"] = new(1, 1),
        ["an"] = new(1, 1),
        ["one"] = new(1, 1),
        ["two"] = new(2, 2),
        ["three"] = new(3, 3),
        ["four"] = new(4, 4),
        ["five"] = new(5, 5),
        ["six"] = new(6, 6),
        ["seven"] = new(7, 7),
        ["eight"] = new(8, 8),
        ["nine"] = new(9, 9),
        ["ten"] = new(10, 10),
        ["eleven"] = new(11, 11),
        ["twelve"] = new(12, 12),
        ["half"] = new(0.5m, 0.5m),
        ["half a"] = new(0.5m, 0.5m),
        ["half an"] = new(0.5m, 0.5m),
        ["a half"] = new(0.5m, 0.5m),
        ["quarter of a"] = new(0.25m, 0.25m),
        ["a quarter"] = new(0.25m, 0.25m),
        ["a dozen"] = new(12, 12),
        ["half a dozen"] = new(6, 6),
        ["dozen"] = new(12, 12),
        ["a couple of"] = new(2, 2),
        ["a couple"] = new(2, 2),
        ["couple of"] = new(2, 2),
        ["a few"] = new(2, 4, true),
        ["few"] = new(2, 4, true),
        ["several"] = new(3, 5, true),
    };

    /// <summary>Reads a leading amount and returns what follows it; null when the text does not start with one.</summary>
    public static (WrittenAmount Amount, string Tail)? Read(string text)
    {
        if (Number(text) is not { } first)
        {
            return Word(text);
        }

        if (RangeSign().Match(first.Tail) is { Success: true } sign && Number(first.Tail[sign.Length..]) is { } last && last.Value > first.Value)
        {
            return (new(first.Value, last.Value), last.Tail);
        }

        return (new(first.Value, first.Value), first.Tail);
    }

    private static (WrittenAmount, string)? Word(string text)
    {
        var match = Words.Keys
            .Where(word => text.StartsWith(word, StringComparison.OrdinalIgnoreCase) && text.Length > word.Length && char.IsWhiteSpace(text[word.Length]))
            .MaxBy(word => word.Length);
        return match is null ? null : (Words[match], text[match.Length..].TrimStart());
    }

    private static (decimal Value, string Tail)? Number(string text)
    {
        if (Slash().Match(text) is { Success: true } slash)
        {
            return Divide(0, slash) is { } value ? (value, text[slash.Length..].TrimStart()) : null;
        }

        var whole = Decimal().Match(text);
        if (!whole.Success)
        {
            return text.Length > 0 && Fractions.TryGetValue(text[0], out var alone) ? (alone, text[1..].TrimStart()) : null;
        }

        if (Parse(whole.Value) is not { } number)
        {
            return null;
        }

        var rest = text[whole.Length..];
        var after = AndBetween().Replace(rest, "", 1).TrimStart(' ', '\u00a0', '\u2009');
        if (after.Length > 0 && Fractions.TryGetValue(after[0], out var part))
        {
            return (number + part, after[1..].TrimStart());
        }

        if (Slash().Match(after) is { Success: true } mixed && rest.Length > 0 && !char.IsDigit(rest[0]) && Divide(number, mixed) is { } sum)
        {
            return (sum, after[mixed.Length..].TrimStart());
        }

        return (number, rest.TrimStart());
    }

    private static decimal? Divide(decimal whole, Match slash) =>
        Parse(slash.Groups["under"].Value) is > 0 and { } under && Parse(slash.Groups["over"].Value) is { } over ? whole + (over / under) : null;

    /// <summary>A comma before exactly three digits parts thousands, any other comma is a decimal mark.</summary>
    private static decimal? Parse(string digits)
    {
        var plain = Thousands().IsMatch(digits) ? digits.Replace(",", "", StringComparison.Ordinal) : digits.Replace(',', '.');
        return decimal.TryParse(plain, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) && value < 1_000_000 ? value : null;
    }

    [GeneratedRegex(@"^\d+([.,]\d+)?")]
    private static partial Regex Decimal();

    [GeneratedRegex(@"^[1-9]\d{0,2},\d{3}$")]
    private static partial Regex Thousands();

    [GeneratedRegex(@"^(?<over>\d+)\s*[/⁄]\s*(?<under>\d+)")]
    private static partial Regex Slash();

    [GeneratedRegex(@"^\s+(and|&)\s+(?=[\d½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞])")]
    private static partial Regex AndBetween();

    [GeneratedRegex(@"^\s*(-|–|—|to\s|or\s)\s*")]
    private static partial Regex RangeSign();
}
