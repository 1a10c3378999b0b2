using System.Text.RegularExpressions;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>
/// Reads one ingredient line of plain English text into amount, unit, food words, state, note and alternatives. It never throws and never
/// guesses a food:
/// words it cannot place stay in the food words, where the matcher finds them or leaves the line unmatched.
/// </summary>
public static partial class IngredientLineReader
{
    /// <summary>Longer lines are prose, not ingredients; they are kept as typed and left unread.</summary>
    public const int LongestLine = 300;

    /// <param name="describes">Whether words only describe ("boneless"): a comma behind them does not end the name. Without it a comma
    /// always does.</param>
    public static ReadLine Read(string text, Func<string, bool>? describes = null)
    {
        var clean = text.Length > LongestLine * 4 ? text : LineTokens.Clean(text);
        if (clean.Contains(" & ", StringComparison.Ordinal))
        {
            clean = Ampersand().Replace(clean, " and ");
        }

        if (clean.Length > 0 && char.IsAsciiLetter(clean[0]) && LineTokens.HasNumber(clean))
        {
            // "drain 2 tins of chickpeas", "juice 1 lime".
            clean = JuiceOf().Replace(DoneFirst().Replace(clean, ""), "juice of ");
        }

        if (clean.Contains('+', StringComparison.Ordinal))
        {
            clean = MoreFor().Replace(clean, "");
        }

        if (clean.Contains('/', StringComparison.Ordinal))
        {
            clean = CountedToThePound().Replace(clean, "");
        }

        if (clean.AsSpan().IndexOfAny("£$€") >= 0)
        {
            clean = Price().Replace(clean, "");
        }

        if (clean.Length > LongestLine)
        {
            return new(text, null, null, null, null, clean, "", false, false, false);
        }

        var tokens = new LineTokens(clean);
        var isToServe = (tokens.Has("to") || tokens.Has("for")) && ToServe().IsMatch(clean);
        var isOptional = (tokens.Has("optional") || tokens.Has("optionally") || tokens.Has("if")) && OptionalWord().IsMatch(clean);
        if (isOptional)
        {
            tokens = new(OptionalWord().Replace(clean, "").Replace("()", "", StringComparison.Ordinal));
        }

        var part =
            (tokens.Has("of") || tokens.Has("from")) && PartOf().Match(tokens.Text) is { Success: true } partOf
                ? partOf.Groups["part"].Value
                : null;
        if (part is not null)
        {
            tokens = new(PartOf().Replace(tokens.Text, ""));
        }

        var amount = MeasuredWords.Read(tokens, 0);
        var words = LineSegments.Of(tokens, amount?.Next ?? 0, describes);
        if (Repeated(words.Food, tokens, amount) is { } sum)
        {
            (amount, words) = (sum, words with { Food = words.Food[..words.Food.IndexOf('+', StringComparison.Ordinal)].Trim() });
        }

        amount ??= Behind(ref words, describes);
        // "1 chicken 1.8 kg": what it weighs stands behind what it is.
        if (
            amount is { Unit: null or { Name: "each" }, Size: null }
            && LineTokens.HasNumber(words.Food)
            && TrailingMeasure().Match(words.Food) is { Success: true } weighs
        )
        {
            words = words with { Food = words.Food[..weighs.Index], Notes = [weighs.Groups["measure"].Value, .. words.Notes] };
        }

        var (unit, size, mass) = Weighed(words, amount);
        var food = words.Food;
        (food, unit) = part is null ? (food, unit) : ApplyPart(part, food, unit);
        return new(
            text,
            amount?.Amount,
            amount is null ? null : unit ?? Unit.Each,
            size,
            mass,
            food.Trim(' ', '.', ':', ';', '-'),
            string.Join(", ", words.Notes),
            isOptional,
            isToServe,
            amount is { } read && (read.IsByEye || read.Unit is { IsByEye: true })
        )
        {
            Alternatives = words.Alternatives,
            State = LineState.Of(words.Notes, amount?.Unit),
            // How it is cut changes what a cup of it weighs, and nothing else.
            Forms = unit is { Kind: UnitKind.Volume } ? tokens.WordsAmong(CutWords) : [],
            PieceSize = amount?.PieceSize ?? PieceSize.Unsaid,
            Second = words.Second,
        };
    }

    /// <summary>How food is cut, as measures by volume tell it apart.</summary>
    private static readonly HashSet<string> CutWords = new(StringComparer.OrdinalIgnoreCase)
    {
        "sliced",
        "flaked",
        "slivered",
        "grated",
        "shredded",
        "shaved",
        "mashed",
        "crumbled",
        "cubed",
        "diced",
        "chopped",
        "minced",
        "crushed",
        "halved",
        "ground",
        "whole",
    };

    /// <summary>"lamb shoulder, 1.2 kg", "onion x 2", "chicken breast 500 g": the amount stands behind the food.</summary>
    private static MeasuredAmount? Behind(ref LineSegments words, Func<string, bool>? describes)
    {
        for (var at = 0; at < words.Notes.Count; at++)
        {
            if (!LineTokens.HasNumber(words.Notes[at]))
            {
                if (LooseMeasure(words.Notes[at]) is { } loose)
                {
                    words = words with { Notes = [.. words.Notes.Where((_, other) => other != at)] };
                    return loose;
                }

                continue;
            }

            var tokens = new LineTokens(words.Notes[at]);
            if (
                tokens[MeasuredWords.IsAbout(tokens, 0) ? 1 : 0].Kind == TokenKind.Number
                && MeasuredWords.Read(tokens, 0, isAlone: true) is { } measured
                && (
                    measured.Unit is not null
                    || measured.Next >= tokens.Count
                    || describes?.Invoke(tokens.Between(measured.Next, tokens.Count)) == true
                )
            )
            {
                var rest = tokens.Between(measured.Next, tokens.Count).Trim(' ', ',');
                words = words with
                {
                    Notes = [.. words.Notes.Take(at), .. rest.Length > 0 ? [rest] : Array.Empty<string>(), .. words.Notes.Skip(at + 1)],
                };
                return measured;
            }
        }

        var food = words.Food;
        if (!LineTokens.HasNumber(food))
        {
            return null;
        }

        if (TrailingTimes().Match(food) is { Success: true } times && AmountReader.Read(times.Groups["n"].Value) is { } count)
        {
            words = words with { Food = food[..times.Index].Trim(' ', '-', ':', ',') };
            return new(
                count.Amount,
                times.Groups["piece"] is { Length: > 0 } piece ? Unit.Spelled(piece.Value) : null,
                null,
                PieceSize.Unsaid,
                false,
                0
            );
        }

        if (
            TrailingMeasure().Match(food) is { Success: true } trailing
            && MeasuredWords.Read(new(trailing.Groups["measure"].Value + " x"), 0) is { Unit: not null } behind
        )
        {
            words = words with { Food = food[..trailing.Index].Trim(' ', '-', ':', ',') };
            return behind;
        }

        // "tuna steak 250 g sashimi grade": what stands behind says how it is.
        if (
            MiddleMeasure().Match(food) is { Success: true } middle
            && MeasuredWords.Read(new(middle.Groups["measure"].Value + " x"), 0) is { Unit: not null } inside
        )
        {
            words = words with
            {
                Food = food[..middle.Index].Trim(' ', '-', ':', ','),
                Notes = [middle.Groups["rest"].Value, .. words.Notes],
            };
            return inside;
        }

        // "carrots 2", "potatoes 3 medium", "nori 1 sheet"; the flour 00 is a name.
        if (
            TrailingCount().Match(food) is { Success: true } counted
            && MeasuredWords.Read(new(counted.Groups["count"].Value), 0, isAlone: true) is { Amount.Low: > 0 } pieces
        )
        {
            words = words with { Food = food[..counted.Index].Trim(' ', '-', ':', ',') };
            return pieces;
        }

        return null;
    }

    /// <summary>"a dash", "a small handful": a measure in words and nothing else; "cloves" alone is none.</summary>
    private static MeasuredAmount? LooseMeasure(string note) =>
        Loose().IsMatch(note) && MeasuredWords.Read(new($"{note} x"), 0) is { Unit: not null } measured ? measured : null;

    /// <summary>"¼ onion + ¼ onion": the same food twice adds up.</summary>
    private static MeasuredAmount? Repeated(string food, LineTokens tokens, MeasuredAmount? first)
    {
        var plus = food.IndexOf('+', StringComparison.Ordinal);
        if (first is not { } one || plus < 1)
        {
            return null;
        }

        var rest = new LineTokens(food[(plus + 1)..].Trim());
        return
            MeasuredWords.Read(rest, 0) is { } more
            && more.Unit == one.Unit
            && rest.Between(more.Next, rest.Count).Equals(food[..plus].Trim(), StringComparison.OrdinalIgnoreCase)
            ? one with
            {
                Amount = one.Amount + more.Amount,
            }
            : null;
    }

    /// <summary>The unit, the size of a package, and what all of it weighs where a note or the piece's own size says so.</summary>
    private static (Unit? Unit, (decimal, Unit)? Size, Mass? Stated) Weighed(LineSegments words, MeasuredAmount? amount)
    {
        var (unit, size) = (amount?.Unit, amount?.Size);
        if (size is { Unit: var of, Amount: var apiece } && unit is null or { IsPackage: false })
        {
            return of.Kind == UnitKind.Mass ? (unit, null, of.Mass * (apiece * amount!.Value.Amount.Best)) : (unit, size, null);
        }

        // Of "(450 g, drained 350 g)" the drained weight is eaten; "(70 kcal, 6 g protein)" says what is in it, not what it weighs.
        foreach (
            var note in words
                .Notes.Where(note => LineTokens.HasNumber(note) && !RecipeMarks.SaidOfAPortion().IsMatch(note.Trim()))
                .OrderBy(note => !note.Contains("drained", StringComparison.OrdinalIgnoreCase))
        )
        {
            var tokens = new LineTokens(note);
            var start = 0;
            while (
                tokens[start].Is("each")
                || tokens[start].Is("weighing")
                || tokens[start].Is("weight")
                || tokens[start].Is("drained")
                || tokens[start].Is("net")
                || MeasuredWords.IsAbout(tokens, start)
                || (start > 0 && tokens[start].Is('.'))
                || tokens[start].Is("total")
            )
            {
                start++;
            }

            if (
                tokens[start].Kind != TokenKind.Number
                || MeasuredWords.Read(tokens, start) is not { Unit: { Kind: not UnitKind.Piece } measured } found
            )
            {
                continue;
            }

            if (unit is { IsPackage: true } && size is null && !tokens.Has("drained"))
            {
                return (unit, (found.Amount.Best, measured), null);
            }

            if (measured.Kind == UnitKind.Mass && unit is null or { Kind: not UnitKind.Mass })
            {
                var isApiece = Apiece().IsMatch(note) || (unit is { IsPackage: true } && !tokens.Has("total"));
                return (unit, size, measured.Mass * (found.Amount.Best * (isApiece ? amount?.Amount.Best ?? 1 : 1)));
            }
        }

        return (unit, size, null);
    }

    private static (string Food, Unit? Unit) ApplyPart(string part, string food, Unit? unit)
    {
        var hasJuice = part.Contains("juice", StringComparison.OrdinalIgnoreCase);
        var hasZest =
            part.Contains("zest", StringComparison.OrdinalIgnoreCase) || part.Contains("rind", StringComparison.OrdinalIgnoreCase);
        return (hasJuice, hasZest) switch
        {
            _ when part.Contains("green", StringComparison.OrdinalIgnoreCase) || part.Contains("top", StringComparison.OrdinalIgnoreCase) =>
                ($"{food} green part", unit),
            _ when part.Contains("white", StringComparison.OrdinalIgnoreCase) => ($"{food} white part", unit),
            (true, false) => ($"{food} juice", unit),
            (false, true) => (food, Unit.Spelled("zest")),
            _ => (food, unit),
        };
    }

    [GeneratedRegex(@"\b(optional(ly)?|if (you like|liked|desired|using|wanted))\b,?", RegexOptions.IgnoreCase)]
    private static partial Regex OptionalWord();

    [GeneratedRegex(
        @"\b(to serve|for serving|to garnish|for garnish(ing)?|to decorate|for decorating|to finish|for sprinkling|to sprinkle|for dusting|to dust)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex ToServe();

    [GeneratedRegex(
        @"^(the\s+)?(?<part>((finely |freshly )?(grated )?(juice|zest|rind)( ?(and|&|\+|/) ?(juice|zest|rind))?)|((dark |light )?(green|white) (tops?|parts?|ends?|bits?)|tops)( only)?) (of|from) ",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex PartOf();

    [GeneratedRegex(
        @"\s[x×]\s?(?<n>[\d½¼¾/.]+)( (?<piece>cloves?|slices?|sticks?|tins?|cans?|fillets?|rashers?|sprigs?|bunch(es)?))?$|\s(?<n>[\d½¼¾/.]+)\s?[x×]$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex TrailingTimes();

    [GeneratedRegex(
        @"\s(?<measure>(about |approx\.? )?[\d½¼¾/.,]+\s?(g|kg|ml|l|oz|lb|lbs|cups?|tbsps?|tsps?|tablespoons?|teaspoons?|litres?|liters?|grams?))$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex TrailingMeasure();

    [GeneratedRegex(
        @"(?<=\p{L}{3})\s(?<measure>\d+([.,]\d+)?\s?(g|kg|ml|tbsp|tsp|oz|lb))\s(?!(and|or|with|plus)\b)(?<rest>\p{L}[\p{L} ]*)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex MiddleMeasure();

    [GeneratedRegex(
        @"(?<=\p{L}|\))\s(?<count>(\d{1,2}|\d?[½⅓⅔¼¾]|\d/\d)( (small|medium|large|big))?( (cloves?|slices?|sticks?|tins?|cans?|fillets?|rashers?|sprigs?|sheets?|bunch(es)?|handfuls?|pinch(es)?|head|leaves|pieces?|each))?)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex TrailingCount();

    [GeneratedRegex(
        @"^(an?|one|half an?) ((small|large|big|good|generous|tiny) )?\p{L}+$|^(small|large|big|good|generous) (handful|bunch|pinch|knob|dash|splash|glug)$|^(pinch|dash|splash|knob|handful|drizzle|glug)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Loose();

    /// <summary>What is done first stands before the amount.</summary>
    [GeneratedRegex(
        @"^(drain|rinse|chop|grate|slice|peel|dice|soak|open|halve|mince|crush)( and (drain|rinse|chop|slice|dice))? (?=[\d½¼¾])",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex DoneFirst();

    /// <summary>"+ more for dusting".</summary>
    [GeneratedRegex(@"\s\+\s?(more|extra|a (little|bit)|some)\b( more| extra)?( (for|to)\b.*)?$", RegexOptions.IgnoreCase)]
    private static partial Regex MoreFor();

    /// <summary>"shrimp 31/40": so many make a pound.</summary>
    [GeneratedRegex(@"(?<=\b(shrimps?|prawns?)),?\s+\(?\d{1,2}/\d{1,2}\)?(?=\W|$)", RegexOptions.IgnoreCase)]
    private static partial Regex CountedToThePound();

    [GeneratedRegex(@"^juice (?=[\d½¼¾])", RegexOptions.IgnoreCase)]
    private static partial Regex JuiceOf();

    /// <summary>"salt &amp; pepper"; between numbers it adds.</summary>
    [GeneratedRegex(@"(?<=\p{L}) & (?=\p{L})")]
    private static partial Regex Ampersand();

    /// <summary>What it cost, behind everything else.</summary>
    [GeneratedRegex(@"[\s,;–-]+([£$€]\s?\d+([.,]\d{1,2})?|\d+([.,]\d{1,2})?\s?[£€])\s*$")]
    private static partial Regex Price();

    [GeneratedRegex(@"\b(each|apiece|per (piece|fillet|breast))\b", RegexOptions.IgnoreCase)]
    private static partial Regex Apiece();
}
