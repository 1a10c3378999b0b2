using System.Text.RegularExpressions;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>What stands behind the amount: the words that name the food, notes, alternatives, a second ingredient.</summary>
internal sealed partial record LineSegments(string Food, IReadOnlyList<string> Notes, IReadOnlyList<string> Alternatives, string Second)
{
    /// <summary>Words that end the name of a food: what follows is what is done with it.</summary>
    private static readonly HashSet<string> Stops = new(StringComparer.OrdinalIgnoreCase)
    {
        "to",
        "for",
        "cut",
        "such",
        "at",
        "as",
        "if",
        "plus",
        "mixed",
        "until",
        "preferably",
        "depending",
        "weighing",
        "i",
        "we",
        "you",
        "about",
        "approx",
        "approximately",
        "brushed",
        "tossed",
        "dissolved",
        "from",
        "with",
        "without",
        "then",
        "but",
        "like",
        "soaked",
        "left",
        "made",
        "reserved",
        "divided",
        "minus",
    };

    /// <summary>Words behind "or" that name no other food.</summary>
    private static readonly HashSet<string> NoFood = new(StringComparer.OrdinalIgnoreCase)
    {
        "to",
        "more",
        "less",
        "as",
        "so",
        "until",
        "if",
        "about",
    };

    private static readonly HashSet<string>.AlternateLookup<ReadOnlySpan<char>> StopWords = Stops.GetAlternateLookup<ReadOnlySpan<char>>(),
        NoFoodWords = NoFood.GetAlternateLookup<ReadOnlySpan<char>>();

    public static LineSegments Of(LineTokens tokens, int from, Func<string, bool>? describes)
    {
        var notes = new List<string>();
        var alternatives = new List<string>();
        var pieces = Pieces(tokens, from, notes, alternatives);
        var food = pieces[0];
        var used = 1;
        // "boneless, skinless chicken thighs": what only describes is not yet the name.
        while (describes is not null && used < pieces.Count && pieces[used].Length > 0 && food.Length > 0 && describes(food))
        {
            food = $"{food} {pieces[used++]}";
        }

        var behind = pieces.Skip(used).Where(piece => piece.Length > 0).ToList();
        var second = "";
        foreach (var piece in behind)
        {
            if (Or(piece) is { } other)
            {
                alternatives.Add(other);
            }
            else if (Plus(piece) is { } more)
            {
                second = more;
            }
        }

        notes.InsertRange(0, behind.Where(piece => Or(piece) is null));
        var (name, trailing, rest) = Trailing(food);
        second = rest.Length > 0 ? rest : second;
        if (trailing.Length > 0)
        {
            notes.Insert(0, trailing);
        }

        var (first, others) = Split(name);
        return new(first, notes, [.. others, .. alternatives], second);
    }

    /// <summary>
    /// The line's main text in pieces between commas and dashes; brackets become notes, or alternatives where they begin with "or".
    /// </summary>
    private static List<string> Pieces(LineTokens tokens, int from, List<string> notes, List<string> alternatives)
    {
        var pieces = new List<string>();
        // The text of a piece before a bracket in it; what stands behind the last one begins at a token of its own.
        var (before, start) = ("", from);
        for (var at = from; at < tokens.Count; at++)
        {
            var token = tokens[at];
            if (token.Is('(') || token.Is('['))
            {
                var (close, depth) = (at + 1, 1);
                for (; close < tokens.Count; close++)
                {
                    depth +=
                        tokens[close].Is('(') || tokens[close].Is('[') ? 1
                        : tokens[close].Is(')') || tokens[close].Is(']') ? -1
                        : 0;
                    if (depth == 0)
                    {
                        break;
                    }
                }

                foreach (
                    var inside in tokens
                        .Between(at + 1, close)
                        .Split([',', ';'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                )
                {
                    if (Or(inside) is { } other)
                    {
                        alternatives.Add(other);
                    }
                    else if (IUse().Match(inside) is { Success: true } used)
                    {
                        alternatives.Add(used.Groups["what"].Value);
                    }
                    else
                    {
                        notes.Add(inside);
                    }
                }

                (before, start, at) = (Joined(before, tokens.Between(start, at)), close + 1, close);
                continue;
            }

            var isDash =
                (token.Is('-') || token.Is('–') || token.Is('—'))
                && token.Start > 0
                && tokens.Text[token.Start - 1] == ' '
                && token.End < tokens.Text.Length
                && tokens.Text[token.End] == ' ';
            if (token.Is(',') || token.Is(';') || isDash)
            {
                pieces.Add(Joined(before, tokens.Between(start, at)));
                (before, start) = ("", at + 1);
            }
            else if (token.Is(')') || token.Is(']'))
            {
                // It closes nothing.
                (before, start) = (Joined(before, tokens.Between(start, at)), at + 1);
            }
        }

        pieces.Add(Joined(before, tokens.Between(start, tokens.Count)));
        return pieces;
    }

    private static string Joined(string one, string other) =>
        one.Length == 0 ? other
        : other.Length == 0 ? one
        : $"{one} {other}";

    /// <summary>
    /// "olive oil for frying": the name, then what is done with it; "eggs plus 4 egg whites": the name, then a second ingredient.
    /// </summary>
    private static (string Name, string Note, string Second) Trailing(string food)
    {
        for (var space = food.IndexOf(' ', StringComparison.Ordinal); space > 0; space = food.IndexOf(' ', space + 1))
        {
            var word = WordAt(food, space + 1);
            var behind = Math.Min(food.Length, space + 2 + word.Length);
            if ((word is "+" || word.Equals("plus", StringComparison.OrdinalIgnoreCase)) && Plus($"plus {food[behind..]}") is { } second)
            {
                return (food[..space], "", second);
            }

            if (
                StopWords.Contains(word)
                || (word.Equals("or", StringComparison.OrdinalIgnoreCase) && NoFoodWords.Contains(WordAt(food, behind)))
            )
            {
                return (food[..space], food[(space + 1)..], "");
            }
        }

        return (food, "", "");
    }

    private static ReadOnlySpan<char> WordAt(string text, int from) =>
        text.AsSpan(from) is var rest && rest.IndexOf(' ') is >= 0 and var end ? rest[..end] : rest;

    /// <summary>The foods of "tahini or peanut butter", "soy sauce/tamari".</summary>
    private static (string First, IReadOnlyList<string> Others) Split(string name)
    {
        if (!name.Contains(" or ", StringComparison.OrdinalIgnoreCase) && !name.Contains('/', StringComparison.Ordinal))
        {
            return (name, []);
        }

        var parts = Choice().Split(name).Select(part => part.Trim()).Where(part => part.Length > 0).ToList();
        return parts.Count == 0 ? (name, []) : (parts[0], [.. parts.Skip(1).Select(Bare)]);
    }

    private static string? Or(string piece) =>
        piece.StartsWith("or ", StringComparison.OrdinalIgnoreCase)
        && piece[3..].TrimStart() is { Length: > 0 } rest
        && !NoFood.Contains(rest.Split(' ')[0])
            ? Bare(rest)
            : null;

    /// <summary>"plus 4 egg whites": only with an amount and a food behind it; "plus extra" and "plus 1 tsp" are remarks.</summary>
    private static string? Plus(string piece)
    {
        var rest =
            piece.StartsWith("plus ", StringComparison.OrdinalIgnoreCase) ? piece[5..]
            : piece.StartsWith('+') ? piece[1..].Trim()
            : null;
        return
            rest is not null
            && LineTokens.HasNumber(rest)
            && new LineTokens(rest) is var tokens
            && tokens[0].Kind == TokenKind.Number
            && MeasuredWords.Read(tokens, 0) is { } more
            && tokens[more.Next].Kind == TokenKind.Word
            && !tokens[more.Next].Is("for")
            && !tokens[more.Next].Is("to")
            && !tokens[more.Next].Is("extra")
            && !tokens[more.Next].Is("more")
            ? rest
            : null;
    }

    /// <summary>An alternative without an amount of its own.</summary>
    private static string Bare(string alternative)
    {
        var tokens = new LineTokens(LineTokens.HasNumber(alternative) ? alternative : "");
        var bare =
            tokens[0].Kind == TokenKind.Number && MeasuredWords.Read(tokens, 0) is { } measured && measured.Next < tokens.Count
                ? tokens.Between(measured.Next, tokens.Count)
                : alternative;
        var words = bare.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var stop = Array.FindIndex(words, 1, word => Stops.Contains(word));
        return stop > 0 ? string.Join(' ', words[..stop]) : bare;
    }

    /// <summary>"(I use light)": what its cook took instead.</summary>
    [GeneratedRegex(@"^(i|we) (used?|take|like|prefer|buy) (the |a )?(?<what>\p{L}[\p{L} -]{1,30})$", RegexOptions.IgnoreCase)]
    private static partial Regex IUse();

    [GeneratedRegex(@"\s+(?:and/or|or|OR|Or)\s+|(?<=\p{L}{3})\s*/\s*(?=\p{L}{3})")]
    private static partial Regex Choice();
}
