using System.Globalization;
using System.Text.RegularExpressions;

namespace Merienda.Core.Foods;

/// <summary>What a word beside a food's name does to it.</summary>
public enum WordEffect
{
    /// <summary>Leaves it the same food: "large", "boneless", "finely chopped".</summary>
    Describes,

    /// <summary>Makes it another food, which only its own row may answer for: "vegan", "battered", "smoked".</summary>
    Changes,

    /// <summary>Another word for the same: "zucchini" is written "courgette".</summary>
    Same,
}

/// <summary>
/// The words of ingredient lines in one form: lower case, singular, both sides of the ocean alike, a fat content as one token ("93 % lean"
/// is "7%"); and what the words beside
/// a name do. Read from data/line-words.csv.
/// </summary>
public sealed partial class FoodWords
{
    private readonly Phrases<WordEffect> _effects = new();
    private readonly Phrases<string[]> _same = new();

    // Last words of what describes: words that end otherwise are told at one look not only to describe.
    private readonly HashSet<string> _describing = new(StringComparer.Ordinal);

    public static readonly FoodWords None = new([]);

    /// <param name="words">Phrases with their effect and, for <see cref="WordEffect.Same"/>, what they are written as.</param>
    public FoodWords(IEnumerable<(string Phrase, WordEffect Effect, string To)> words)
    {
        foreach (var (phrase, effect, to) in words)
        {
            string[] tokens = [.. Plain(phrase)];
            if (effect == WordEffect.Same)
            {
                _same.Add(tokens, [.. Plain(to)]);
                continue;
            }

            _effects.Add(tokens, effect);
            if (effect == WordEffect.Describes)
            {
                _describing.Add(tokens[^1]);
            }
        }
    }

    /// <summary>The words in their one form.</summary>
    public List<string> Of(string text)
    {
        var tokens = Plain(text);
        for (var at = 0; at < tokens.Count; at++)
        {
            if (_same.Longest(tokens, at) is { Length: > 0 } same)
            {
                tokens.RemoveRange(at, same.Length);
                tokens.InsertRange(at, same.Means!);
                at += same.Means!.Length - 1;
            }
        }

        return tokens;
    }

    /// <summary>The words with each that is a slip away from one that is written otherwise as that one: "zuchini" as courgette.</summary>
    internal IReadOnlyList<string> Respelled(IReadOnlyList<string> tokens) =>
        [
            .. tokens.SelectMany(token =>
                _same
                    .Single.Select(same => (same.Means, Slips: Nearness.SlipsOf(token, same.Word)))
                    .Where(same => same.Slips is > 0)
                    .OrderBy(same => same.Slips)
                    .Select(same => same.Means)
                    .FirstOrDefault([token])
            ),
        ];

    /// <summary>What each word does; null for one that is part of a name or not known.</summary>
    public WordEffect?[] EffectsOf(IReadOnlyList<string> tokens)
    {
        var effects = new WordEffect?[tokens.Count];
        for (var at = 0; at < tokens.Count; )
        {
            var (length, effect) = _effects.Longest(tokens, at);
            Array.Fill(effects, effect, at, length);
            at += Math.Max(1, length);
        }

        return effects;
    }

    /// <summary>Whether every word only describes.</summary>
    public bool OnlyDescribes(string text) =>
        Of(text) is { Count: > 0 } tokens
        && _describing.Contains(tokens[^1])
        && Array.TrueForAll(EffectsOf(tokens), effect => effect == WordEffect.Describes);

    /// <summary>
    /// Whether the words only say which food it is: at least one that makes it another, or a fat content, and none that is part of a name.
    /// </summary>
    public bool Changes(string text)
    {
        var tokens = Of(text);
        if (tokens.Count is 0 or > 6)
        {
            return false;
        }

        var effects = EffectsOf(tokens);
        var hasChange = false;
        for (var at = 0; at < tokens.Count; at++)
        {
            var isChange = effects[at] == WordEffect.Changes || tokens[at].EndsWith('%');
            hasChange |= isChange;
            if (!isChange && effects[at] != WordEffect.Describes)
            {
                return false;
            }
        }

        return hasChange;
    }

    private static List<string> Plain(string text)
    {
        if (text.Contains('/', StringComparison.Ordinal))
        {
            text = LeanByFat().Replace(text, match => $" {match.Groups["fat"].Value}% ");
        }

        if (text.Contains('%', StringComparison.Ordinal))
        {
            text = Percent()
                .Replace(
                    text,
                    match =>
                        match.Groups["lean"].Success
                            ? $" {(100 - decimal.Parse(match.Groups["share"].ValueSpan, CultureInfo.InvariantCulture)).ToString("0.##", CultureInfo.InvariantCulture)}% "
                            : $" {match.Groups["share"].ValueSpan}% "
                );
        }

        var tokens = new List<string>(6);
        var letters = Latin.Folded(text);
        Span<char> word = letters.Length <= 512 ? stackalloc char[letters.Length] : new char[letters.Length];
        var length = 0;
        foreach (var letter in letters)
        {
            if (char.IsLetterOrDigit(letter) || letter == '%' || (letter == '.' && length > 0 && char.IsDigit(word[length - 1])))
            {
                word[length++] = letter;
            }
            else if (letter is not ('\'' or '’'))
            {
                End(word);
            }
        }

        End(word);
        return tokens;

        void End(ReadOnlySpan<char> read)
        {
            if (length > 0)
            {
                tokens.Add(Singular(read[..length].TrimEnd('.').ToString()));
                length = 0;
            }
        }
    }

    private static string Singular(string word) =>
        word switch
        {
            _ when word.Length < 4
                    || !word.EndsWith('s')
                    || word.EndsWith("ss", StringComparison.Ordinal)
                    || word.EndsWith("us", StringComparison.Ordinal) => word,
            "swiss" or "molasses" or "christmas" or "brussels" or "peas" or "greens" or "grits" => word == "peas" ? "pea" : word,
            "leaves" => "leaf",
            "loaves" => "loaf",
            "halves" => "half",
            _ when word.EndsWith("oes", StringComparison.Ordinal) => word[..^2],
            _ when word.EndsWith("ies", StringComparison.Ordinal) && word.Length > 5 => word[..^3] + "y",
            _ when word.EndsWith("ches", StringComparison.Ordinal)
                    || word.EndsWith("shes", StringComparison.Ordinal)
                    || word.EndsWith("sses", StringComparison.Ordinal)
                    || word.EndsWith("xes", StringComparison.Ordinal) => word[..^2],
            _ => word[..^1],
        };

    [GeneratedRegex(@"\b(?<lean>\d{2})\s*/\s*(?<fat>\d{1,2})\b(?!\s*(cup|tsp|tbsp|inch))", RegexOptions.IgnoreCase)]
    private static partial Regex LeanByFat();

    [GeneratedRegex(
        @"(?<share>\d{1,2}(\.\d+)?)\s*%\s*((?<lean>(extra\s+)?lean)\b|(milk\s*)?fat\b)?",
        RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture
    )]
    private static partial Regex Percent();
}
