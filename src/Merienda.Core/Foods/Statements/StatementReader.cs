using System.Globalization;
using System.Text.RegularExpressions;

namespace Merienda.Core.Foods.Statements;

/// <summary>
/// Takes an ingredient statement apart: commas, nested brackets, percentages, "less than 2 % of", "may contain". It never throws and always
/// ends: each character is looked at once a level.
/// </summary>
public static partial class StatementReader
{
    /// <summary>Longest statement, characters; what is longer is cut there.</summary>
    public const int Longest = 20_000;

    /// <summary>Deepest nesting of brackets that is followed; deeper ones stay words.</summary>
    public const int Deepest = 8;

    public static IngredientStatement Read(string text)
    {
        var ingredients = new List<StatedIngredient>();
        var mayContain = new List<StatedIngredient>();
        var sentences = Sentences(text[..Math.Min(text.Length, Longest)]).ToList();
        // "Free from milk and egg." says what is not in it; where it is all that is said, it stays a thing to look at.
        foreach (
            var sentence in sentences.TrueForAll(FreeFrom().IsMatch)
                ? sentences
                : sentences.Where(sentence => !FreeFrom().IsMatch(sentence))
        )
        {
            var warning = Warning().Match(sentence);
            if (warning.Success)
            {
                // "Nuts are handled on this line": what stands before the verb is warned of too; before a plain "may contain" it is an
                // ingredient.
                var before = sentence[..warning.Index];
                var isHandled = Handled().IsMatch(before);
                mayContain.AddRange(Warned(sentence[(warning.Index + warning.Length)..]));
                if (isHandled)
                {
                    mayContain.AddRange(Warned(before));
                }
                else
                {
                    ingredients.AddRange(Items(Heading().Replace(before, ""), 0, false));
                }
            }
            else
            {
                ingredients.AddRange(Items(Heading().Replace(sentence, ""), 0, false));
            }
        }

        return new(ingredients, mayContain);
    }

    private static IEnumerable<StatedIngredient> Warned(string text) =>
        Items(Together().Replace(Handled().Replace(text, " "), ","), Deepest, false);

    /// <summary>A full stop ends a sentence when a space and a capital follow, and no bracket is open.</summary>
    private static IEnumerable<string> Sentences(string text)
    {
        var (start, depth) = (0, 0);
        for (var at = 0; at < text.Length; at++)
        {
            depth = Math.Max(0, depth + Step(text[at]));
            if (
                depth == 0
                && text[at] == '.'
                && (at + 1 == text.Length || (at + 2 < text.Length && char.IsWhiteSpace(text[at + 1]) && char.IsUpper(text[at + 2])))
            )
            {
                yield return text[start..at];
                start = at + 1;
            }
        }

        yield return text[start..];
    }

    private static IEnumerable<StatedIngredient> Items(string text, int level, bool isTrace)
    {
        foreach (var part in Split(text))
        {
            var trace = Trace().Match(part);
            isTrace |= trace.Success;
            if (Item(trace.Success ? part[(trace.Index + trace.Length)..] : part, level, isTrace) is { } item)
            {
                yield return item;
            }
        }
    }

    private static IEnumerable<string> Split(string text)
    {
        var (start, depth) = (0, 0);
        for (var at = 0; at < text.Length; at++)
        {
            depth = Math.Max(0, depth + Step(text[at]));
            // A comma between digits is a decimal mark.
            if (
                depth == 0
                && (
                    text[at] == ';'
                    || (text[at] == ',' && !(at > 0 && at + 1 < text.Length && char.IsDigit(text[at - 1]) && char.IsDigit(text[at + 1])))
                )
            )
            {
                yield return text[start..at];
                start = at + 1;
            }
        }

        yield return text[start..];
    }

    private static StatedIngredient? Item(string text, int level, bool isTrace)
    {
        // "(52 %)" is a share, not a list of parts.
        text = BracketedShare().Replace(text, " $1 % ");
        var open = level < Deepest ? text.IndexOfAny(['(', '[', '{']) : -1;
        var (own, inner, after) = (text, "", "");
        if (open >= 0)
        {
            var close = Closing(text, open);
            (own, inner, after) = (text[..open], text[(open + 1)..close], close + 1 < text.Length ? text[(close + 1)..] : "");
        }

        var colon = level < Deepest ? own.IndexOf(':', StringComparison.Ordinal) : -1;
        var behind = "";
        if (colon >= 0)
        {
            // "Emulsifier: soya lecithin (E322)" says what it is for and what it is; the bracket belongs to what it is.
            (own, behind, inner, after) = (text[..colon], text[(colon + 1)..], "", "");
        }

        var percent = Percentage().Match($"{own} {after}");
        var parts = new List<StatedIngredient>();
        // "Spices (contain celery)" names one thing and leaves the others open.
        var isPartial = Contains().IsMatch(inner);
        if (behind.Length > 0)
        {
            parts.AddRange(Items(behind, level + 1, isTrace));
        }

        if (!string.IsNullOrWhiteSpace(inner))
        {
            parts.AddRange(Items(Contains().Replace(inner, ""), level + 1, isTrace));
        }

        var words = Clean($"{own} {after}");
        return words.Length == 0 && parts.Count == 0
            ? null
            : new(
                words,
                percent.Success ? decimal.Parse(percent.Groups[1].Value.Replace(',', '.'), CultureInfo.InvariantCulture) : null,
                isTrace,
                parts
            )
            {
                NamesOnlySome = isPartial && colon < 0,
            };
    }

    private static int Closing(string text, int open)
    {
        var depth = 0;
        for (var at = open; at < text.Length; at++)
        {
            depth += Step(text[at]);
            if (depth == 0)
            {
                return at;
            }
        }

        // An open bracket that is never closed holds the rest.
        return text.Length;
    }

    private static int Step(char letter) =>
        letter switch
        {
            '(' or '[' or '{' => 1,
            ')' or ']' or '}' => -1,
            _ => 0,
        };

    private static string Clean(string text) =>
        Spaces().Replace(Marks().Replace(Percentage().Replace(text, " "), " "), " ").Trim().ToLowerInvariant();

    [GeneratedRegex(
        @"\b(may (also |still )?(contain|include)s?( traces( of)?)?|(may|might) be present|((is|are|was|were) )?(also )?(made|packed|packaged|produced|processed|manufactured|prepared|baked|bottled|roasted|handled) (in|on|at|using|alongside|near)? ?(an?|the|our|this|same|shared|common)\b|(packed|made|produced|processed|manufactured|prepared) where|on (the )?(same|shared|this) (equipment|line|lines|machinery)|(on )?shared (equipment|lines?|machinery|facility|facilities)|in an? (factory|facility|bakery|kitchen|plant|site|environment|area)|not suitable for|traces of|(we )?(can ?not|can't) guarantee)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Warning();

    [GeneratedRegex(
        @"\b((same |shared |dedicated )?(factory|facility|facilities|kitchen|bakery|plant|site|environment|equipment|machinery|lines?|area)( (that|which|where))?|(is|are) (also )?(handled|used|processed|present|stored|packed)|that|which|also|handles?|uses?|processe?s?|processing|free (from|of)|allergy sufferers|(people|those|anyone) with|an?|allergy|allergies)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Handled();

    /// <summary>A sentence of nothing but what is left out: one that goes on to say what is in it is read whole.</summary>
    [GeneratedRegex(
        @"^\s*(100 ?% )?free (from|of)\b(?!.*(\b(contain\w*|includ\w*|made|traces?|with\w*|may|but|except\w*|is|are|has|ingredients?)\b|:))",
        RegexOptions.IgnoreCase | RegexOptions.Singleline
    )]
    private static partial Regex FreeFrom();

    [GeneratedRegex(@"\s+(and|or|&|/)\s+", RegexOptions.IgnoreCase)]
    private static partial Regex Together();

    [GeneratedRegex(@"^\s*(ingredients?|contains)\s*:", RegexOptions.IgnoreCase)]
    private static partial Regex Heading();

    [GeneratedRegex(
        @"\b((contains\s+)?less than|contains)?\s*\d+([.,]\d+)?\s*%\s*(or less\s*)?(of|or less of)\s*(the following)?\s*:?",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Trace();

    [GeneratedRegex(@"^\s*(contain(s|ing)?|includ(es|ing)|incl\.?|with)[\s:]+", RegexOptions.IgnoreCase)]
    private static partial Regex Contains();

    [GeneratedRegex(@"(?:min(?:imum)?\.?\s*)?(\d{1,3}(?:[.,]\d{1,2})?)\s*%")]
    private static partial Regex Percentage();

    [GeneratedRegex(@"[(\[{]\s*(?:min(?:imum)?\.?\s*)?(\d{1,3}(?:[.,]\d{1,2})?)\s*%\s*[)\]}]")]
    private static partial Regex BracketedShare();

    [GeneratedRegex(@"[^\p{L}\p{N}' -]")]
    private static partial Regex Marks();

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();
}
