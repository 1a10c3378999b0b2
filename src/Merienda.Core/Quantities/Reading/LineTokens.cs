using System.Buffers;
using System.Globalization;
using System.Net;
using System.Text;

namespace Merienda.Core.Quantities;

internal enum TokenKind
{
    Word,
    Number,
    Mark,
}

/// <summary>A word, a number or a mark of a line, with where it stands in the cleaned text.</summary>
internal readonly record struct LineToken(TokenKind Kind, string Text, int Start, decimal Value, bool IsFraction)
{
    public int End => Start + Text.Length;

    public bool Is(string word) => Kind == TokenKind.Word && Text.Equals(word, StringComparison.OrdinalIgnoreCase);

    public bool Is(char mark) => Kind == TokenKind.Mark && Text[0] == mark;
}

/// <summary>An ingredient line as pasted, cleaned and cut into words, numbers and marks.</summary>
internal sealed class LineTokens
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
        ['⅐'] = 1m / 7,
        ['⅛'] = 1m / 8,
        ['⅜'] = 3m / 8,
        ['⅝'] = 5m / 8,
        ['⅞'] = 7m / 8,
        ['⅑'] = 1m / 9,
        ['⅒'] = 0.1m,
    };

    private static readonly SearchValues<char> Odd = SearchValues.Create("\t\n\r\0*");

    private static readonly SearchValues<char> Digits = SearchValues.Create([
        '0',
        '1',
        '2',
        '3',
        '4',
        '5',
        '6',
        '7',
        '8',
        '9',
        .. Fractions.Keys,
    ]);

    private readonly List<LineToken> _tokens = new(12);

    /// <param name="text">Cleaned text.</param>
    public LineTokens(string text)
    {
        Text = text;
        for (var at = 0; at < text.Length; )
        {
            at =
                text[at] == ' ' ? at + 1
                : char.IsLetter(text[at]) ? Word(at)
                : char.IsAsciiDigit(text[at]) ? Number(at)
                : Fractions.ContainsKey(text[at]) ? Fraction(at)
                : Mark(at);
        }
    }

    public string Text { get; }

    public int Count => _tokens.Count;

    public LineToken this[int at] => at >= 0 && at < _tokens.Count ? _tokens[at] : new(TokenKind.Mark, "\0", Text.Length, 0, false);

    /// <summary>The text from one token on, up to another.</summary>
    public string Between(int from, int to) => from >= to || from >= Count ? "" : Text[this[from].Start..this[to - 1].End];

    public bool Has(string word)
    {
        foreach (var token in _tokens)
        {
            if (token.Is(word))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>The words that are among some, as these are written.</summary>
    public IReadOnlyList<string> WordsAmong(HashSet<string> words)
    {
        List<string>? among = null;
        foreach (var token in _tokens)
        {
            if (token.Kind == TokenKind.Word && words.TryGetValue(token.Text, out var word))
            {
                (among ??= []).Add(word);
            }
        }

        return among ?? (IReadOnlyList<string>)[];
    }

    /// <summary>Whether digits stand in a text: without any no measure does.</summary>
    public static bool HasNumber(string text) => text.AsSpan().ContainsAny(Digits);

    /// <summary>Entities, odd spaces, bullets, tick boxes, pictures, list numbers and bold marks gone.</summary>
    public static string Clean(string text)
    {
        var decoded = text.Contains('&', StringComparison.Ordinal) ? WebUtility.HtmlDecode(text) : text;
        if (Ascii.IsValid(decoded) && !decoded.AsSpan().ContainsAny(Odd) && !decoded.Contains("  ", StringComparison.Ordinal))
        {
            // Nothing but plain letters: only what stands before the line can be odd.
            return Unlisted(decoded.Trim());
        }

        var clean = new StringBuilder(decoded.Length);
        foreach (var rune in decoded.EnumerateRunes())
        {
            var category = Rune.GetUnicodeCategory(rune);
            if (Rune.IsWhiteSpace(rune) || category is UnicodeCategory.Format or UnicodeCategory.Control)
            {
                // A soft hyphen or a direction mark stands between no words.
                if (!(category == UnicodeCategory.Format) && clean.Length > 0 && clean[^1] != ' ')
                {
                    clean.Append(' ');
                }
            }
            else if (
                category
                    is UnicodeCategory.OtherSymbol
                        or UnicodeCategory.Surrogate
                        or UnicodeCategory.PrivateUse
                        or UnicodeCategory.NonSpacingMark
                        or UnicodeCategory.EnclosingMark
                    && !IsLatin(rune, clean)
                || rune.Value == '*'
            )
            {
                continue;
            }
            else
            {
                clean.Append(
                    rune.Value switch
                    {
                        '⁄' or '∕' => "/",
                        '×' => "x",
                        '‐' or '‑' or '‒' or '−' => "-",
                        '’' or '‘' => "'",
                        _ => rune.ToString(),
                    }
                );
            }
        }

        return Unlisted(clean.ToString().Trim());
    }

    /// <summary>An accent typed apart from its letter stays.</summary>
    private static bool IsLatin(Rune rune, StringBuilder before) =>
        Rune.GetUnicodeCategory(rune) == UnicodeCategory.NonSpacingMark && before.Length > 0 && char.IsLetter(before[^1]);

    private static string Unlisted(string text)
    {
        var start = 0;
        while (
            start < text.Length
            && (
                text[start]
                    is '-'
                        or '•'
                        or '–'
                        or '—'
                        or '·'
                        or '>'
                        or '+'
                        or '#'
                        or ' '
                        or '‣'
                        or '○'
                        or '●'
                        or '□'
                        or '.'
                        or ','
                        or ';'
                        or '_'
                || (text[start] == '[' && start + 2 < text.Length && text[start + 2] == ']' && text[start + 1] is ' ' or 'x' or 'X')
            )
        )
        {
            // "[ ]" is a box to tick.
            start += text[start] == '[' ? 3 : 1;
        }

        // "1. 200 g flour" is numbered; "1. flour" may be either and is read as one.
        var digits = start;
        while (digits < text.Length && char.IsAsciiDigit(text[digits]))
        {
            digits++;
        }

        return
            digits > start
            && digits + 2 < text.Length
            && text[digits] is '.' or ')'
            && text[digits + 1] == ' '
            && (char.IsAsciiDigit(text[digits + 2]) || Fractions.ContainsKey(text[digits + 2]))
            ? text[(digits + 2)..]
            : text[start..];
    }

    private int Number(int start)
    {
        var end = start;
        while (
            end < Text.Length
            && (char.IsAsciiDigit(Text[end]) || (Text[end] is '.' or ',' && end + 1 < Text.Length && char.IsAsciiDigit(Text[end + 1])))
        )
        {
            end++;
        }

        var digits = Text[start..end];
        // A comma before exactly three digits parts thousands, any other comma is a decimal mark.
        var comma = digits.IndexOf(',', StringComparison.Ordinal);
        var isThousands =
            comma is > 0 and <= 3 && digits[(comma + 1)..] is { Length: 3 } rest && rest.All(char.IsAsciiDigit) && digits[0] != '0';
        var plain = isThousands ? digits.Replace(",", "", StringComparison.Ordinal) : digits.Replace(',', '.');
        var value =
            plain.Length <= 12
            && decimal.TryParse(plain, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number)
            && number < 1_000_000
                ? number
                : -1;
        _tokens.Add(new(value < 0 ? TokenKind.Word : TokenKind.Number, digits, start, value, false));
        return end;
    }

    private int Fraction(int start)
    {
        _tokens.Add(new(TokenKind.Number, Text.Substring(start, 1), start, Fractions[Text[start]], true));
        return start + 1;
    }

    private int Word(int start)
    {
        var end = start;
        while (
            end < Text.Length
            && (
                char.IsLetter(Text[end])
                || char.GetUnicodeCategory(Text[end]) == UnicodeCategory.NonSpacingMark
                || (Text[end] == '\'' && end + 1 < Text.Length && char.IsLetter(Text[end + 1]))
            )
        )
        {
            end++;
        }

        _tokens.Add(new(TokenKind.Word, Text[start..end], start, 0, false));
        return end;
    }

    private int Mark(int at)
    {
        _tokens.Add(new(TokenKind.Mark, Text.Substring(at, 1), at, 0, false));
        return at + 1;
    }
}
