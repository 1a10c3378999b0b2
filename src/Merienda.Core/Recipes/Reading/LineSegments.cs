namespace Merienda.Core.Recipes;

/// <summary>What stands behind the amount: the words that name the food, notes, alternatives, a second ingredient.</summary>
internal sealed record LineSegments(string Food, IReadOnlyList<string> Notes, IReadOnlyList<string> Alternatives, string Second)
{
    /// <summary>Words that end the name of a food: what follows is what is done with it.</summary>
    private static readonly HashSet<string> Stops = new(StringComparer.OrdinalIgnoreCase) { "to", "for", "cut", "such", "at", "as", "if", "plus", "mixed", "until", "preferably", "depending", "weighing", "i", "we", "you", "about", "approx", "approximately", "brushed", "tossed", "dissolved", "from", "with", "without", "then", "but", "like", "soaked", "left", "made", "reserved", "divided", "minus", "like" };

    /// <summary>Words behind "or" that name no other food.</summary>
    private static readonly HashSet<string> NoFood = new(StringComparer.OrdinalIgnoreCase) { "to", "more", "less", "as", "so", "until", "if", "about", "until" };

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

    /// <summary>The line's main text in pieces between commas and dashes; brackets become notes, or alternatives where they begin with "or".</summary>
    private static List<string> Pieces(LineTokens tokens, int from, List<string> notes, List<string> alternatives)
    {
        var pieces = new List<string>();
        var text = new System.Text.StringBuilder();
        var last = -1;
        for (var at = from; at < tokens.Count; at++)
        {
            var token = tokens[at];
            if (token.Is('(') || token.Is('['))
            {
                var (close, depth) = (at + 1, 1);
                for (; close < tokens.Count; close++)
                {
                    depth += tokens[close].Is('(') || tokens[close].Is('[') ? 1 : tokens[close].Is(')') || tokens[close].Is(']') ? -1 : 0;
                    if (depth == 0)
                    {
                        break;
                    }
                }

                foreach (var inside in tokens.Between(at + 1, close).Split([',', ';'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
                {
                    if (Or(inside) is { } other)
                    {
                        alternatives.Add(other);
                    }
                    else
                    {
                        notes.Add(inside);
                    }
                }

                at = close;
                continue;
            }

            var isDash = (token.Is('-') || token.Is('–') || token.Is('—')) && token.Start > 0 && tokens.Text[token.Start - 1] == ' ' && token.End < tokens.Text.Length && tokens.Text[token.End] == ' ';
            if (token.Is(',') || token.Is(';') || isDash)
            {
                pieces.Add(text.ToString().Trim());
                text.Clear();
                last = -1;
                continue;
            }

            if (token.Is(')') || token.Is(']'))
            {
                continue;
            }

            if (text.Length > 0 && (last < 0 || token.Start > last))
            {
                text.Append(' ');
            }

            text.Append(token.Text);
            last = token.End;
        }

        pieces.Add(text.ToString().Trim());
        return pieces;
    }

    /// <summary>"olive oil for frying": the name, then what is done with it; "eggs plus 4 egg whites": the name, then a second ingredient.</summary>
    private static (string Name, string Note, string Second) Trailing(string food)
    {
        var words = food.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        for (var at = 1; at < words.Length; at++)
        {
            var isAmount = words[at] is "+" || words[at].Equals("plus", StringComparison.OrdinalIgnoreCase);
            if (isAmount && at + 1 < words.Length && Plus($"plus {string.Join(' ', words[(at + 1)..])}") is { } second)
            {
                return (string.Join(' ', words[..at]), "", second);
            }

            if (Stops.Contains(words[at]) || (words[at].Equals("or", StringComparison.OrdinalIgnoreCase) && at + 1 < words.Length && NoFood.Contains(words[at + 1])))
            {
                return (string.Join(' ', words[..at]), string.Join(' ', words[at..]), "");
            }
        }

        return (food, "", "");
    }

    /// <summary>The foods of "tahini or peanut butter", "soy sauce/tamari".</summary>
    private static (string First, IReadOnlyList<string> Others) Split(string name)
    {
        if (!name.Contains(" or ", StringComparison.OrdinalIgnoreCase) && !name.Contains('/', StringComparison.Ordinal))
        {
            return (name, []);
        }

        var parts = System.Text.RegularExpressions.Regex.Split(name, @"\s+(?:and/or|or|OR|Or)\s+|(?<=\p{L}{3})\s*/\s*(?=\p{L}{3})").Select(part => part.Trim()).Where(part => part.Length > 0).ToList();
        return parts.Count == 0 ? (name, []) : (parts[0], [.. parts.Skip(1).Select(Bare)]);
    }

    private static string? Or(string piece) =>
        piece.StartsWith("or ", StringComparison.OrdinalIgnoreCase) && piece[3..].TrimStart() is { Length: > 0 } rest && !NoFood.Contains(rest.Split(' ')[0]) ? Bare(rest) : null;

    /// <summary>"plus 4 egg whites": only with an amount and a food behind it; "plus extra" and "plus 1 tsp" are remarks.</summary>
    private static string? Plus(string piece)
    {
        var rest = piece.StartsWith("plus ", StringComparison.OrdinalIgnoreCase) ? piece[5..] : piece.StartsWith('+') ? piece[1..].Trim() : null;
        return rest is not null && new LineTokens(rest) is var tokens && tokens[0].Kind == TokenKind.Number && MeasuredWords.Read(tokens, 0) is { } more
            && tokens[more.Next].Kind == TokenKind.Word && !tokens[more.Next].Is("for") && !tokens[more.Next].Is("to") && !tokens[more.Next].Is("extra") && !tokens[more.Next].Is("more") ? rest : null;
    }

    /// <summary>An alternative without an amount of its own.</summary>
    private static string Bare(string alternative)
    {
        var tokens = new LineTokens(alternative);
        var bare = tokens[0].Kind == TokenKind.Number && MeasuredWords.Read(tokens, 0) is { } measured && measured.Next < tokens.Count ? tokens.Between(measured.Next, tokens.Count) : alternative;
        var words = bare.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var stop = Array.FindIndex(words, 1, word => Stops.Contains(word));
        return stop > 0 ? string.Join(' ', words[..stop]) : bare;
    }
}
