using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>The amount at the start of some words: number, unit, the size of a package or a piece.</summary>
/// <param name="Size">Mass or volume of one package or piece.</param>
/// <param name="Next">Token behind it.</param>
internal readonly record struct MeasuredAmount(
    WrittenAmount Amount,
    Unit? Unit,
    (decimal Amount, Unit Unit)? Size,
    PieceSize PieceSize,
    bool IsByEye,
    int Next
);

/// <summary>
/// Reads amounts with their units: "2 x 400 g tins", "4 (6 oz)", "1 cup plus 2 tbsp", "2 lb 4 oz", "a generous handful of".
/// </summary>
internal static class MeasuredWords
{
    private static readonly HashSet<string> About = new(StringComparer.OrdinalIgnoreCase)
    {
        "about",
        "approx",
        "approximately",
        "around",
        "roughly",
        "circa",
        "ca",
        "c",
        "nearly",
        "almost",
        "just",
        "over",
        "under",
        "up",
    };

    private static readonly HashSet<string> Sizes = new(StringComparer.OrdinalIgnoreCase)
    {
        "small",
        "medium",
        "large",
        "big",
        "heaped",
        "heaping",
        "level",
        "rounded",
        "generous",
        "scant",
        "good",
        "fat",
        "thick",
        "thin",
        "whole",
        "sized",
        "medium-sized",
        "jumbo",
        "mini",
        "full",
        "tiny",
        "huge",
        "extra",
        "standard",
        "overflowing",
        "packed",
        "loosely",
        "lightly",
        "firmly",
        "slightly",
        "average",
        "lg",
        "lge",
        "lrg",
        "med",
        "sm",
        "sml",
    };

    /// <summary>A spoon or cup that is not level holds what the cook's eye says.</summary>
    private static readonly HashSet<string> NotLevel = new(StringComparer.OrdinalIgnoreCase)
    {
        "heaped",
        "heaping",
        "rounded",
        "generous",
        "scant",
        "overflowing",
    };

    public static bool IsAbout(LineTokens tokens, int at) =>
        tokens[at].Is('~')
        || (tokens[at].Kind == TokenKind.Word && About.Contains(tokens[at].Text) && (tokens[at].Text.Length > 1 || tokens[at + 1].Is('.')));

    /// <summary>The amount at a token; null when none stands there.</summary>
    /// <param name="isAlone">Whether the amount stands behind its food, so that a piece needs nothing behind it: "ginger, 1 thumb".</param>
    public static MeasuredAmount? Read(LineTokens tokens, int at, bool isAlone = false)
    {
        var isByEye = false;
        while (IsAbout(tokens, at) || (at > 0 && isByEye && (tokens[at].Is('.') || tokens[at].Is("to"))))
        {
            (isByEye, at) = (true, at + 1);
        }

        // "scant 1/4 cup", "generous pinch".
        var start = at;
        while (tokens[start].Kind == TokenKind.Word && Sizes.Contains(tokens[start].Text))
        {
            start++;
        }

        if (AmountReader.Read(tokens, start) is not { } number)
        {
            // "pinch of salt", "large handful of spinach": one of it.
            var (loose, size, behind) = UnitAt(tokens, at);
            return loose is { Kind: UnitKind.Piece } && loose != Unit.Each && loose is not { IsPackage: true } && behind < tokens.Count
                ? new(new(1, 1), loose, null, size, isByEye, behind)
                : null;
        }

        return Counted(tokens, number.Amount, number.Next, isAlone) is { } read
            ? read with
            {
                IsByEye = isByEye || start > at || number.Amount.IsByEye || IsNotLevel(tokens, number.Next, read.Next),
            }
            : null;
    }

    private static bool IsNotLevel(LineTokens tokens, int from, int to)
    {
        for (var at = from; at < to; at++)
        {
            if (NotLevel.Contains(tokens[at].Text))
            {
                return true;
            }
        }

        return false;
    }

    private static MeasuredAmount? Counted(LineTokens tokens, WrittenAmount amount, int at, bool isAlone)
    {
        // "2 x 400 g tins", "3 x 150 g fillets".
        if (
            tokens[at].Is("x")
            && AmountReader.Read(tokens, at + 1) is { } each
            && UnitAt(tokens, each.Next) is { Unit: { Kind: not UnitKind.Piece } sized } measured
        )
        {
            var (package, pieces, behind) = UnitAt(tokens, measured.Next);
            return package is { IsPackage: true }
                ? new(amount, package, (each.Amount.Best, sized), pieces, false, behind)
                : new(
                    new(amount.Low * each.Amount.Low, amount.High * each.Amount.High),
                    sized,
                    null,
                    PieceSize.Unsaid,
                    false,
                    package == Unit.Each ? behind : measured.Next
                );
        }

        at = tokens[at].Is("x") || ((tokens[at].Is("a") || tokens[at].Is("an")) && amount.Best < 1) ? at + 1 : at;
        // "2-inch piece of ginger", "5 cm piece": one piece of that length.
        if (LengthBehind(tokens, at) is { } length)
        {
            return new(new(1, 1), Unit.Each, null, PieceSize.Unsaid, true, length);
        }

        // "four 6-ounce fillets", "1 (28-ounce) can", "4 (6 oz) breasts", "a 2-inch piece".
        var open = tokens[at].Is('(') || tokens[at].Is('[') ? 1 : 0;
        var inner = open == 1 && IsAbout(tokens, at + 1) ? at + 2 : at + open;
        if (AmountReader.Read(tokens, inner) is { } one && tokens[inner].Kind == TokenKind.Number)
        {
            if (LengthBehind(tokens, one.Next) is { } piece)
            {
                return new(amount, Unit.Each, null, PieceSize.Unsaid, true, piece);
            }

            if (
                UnitAt(tokens, one.Next) is { Unit: { Kind: not UnitKind.Piece } apiece } found
                && (open == 0 || Closing(tokens, found.Next) is not null)
            )
            {
                var behind = open == 0 ? found.Next : Closing(tokens, found.Next)!.Value;
                var (package, size, next) = UnitAt(tokens, behind);
                return package is { IsPackage: true }
                    ? new(amount, package, (one.Amount.Best, apiece), size, false, next)
                    : new(amount, Unit.Each, (one.Amount.Best, apiece), PieceSize.Unsaid, false, behind);
            }
        }

        var (unit, pieceSize, after) = UnitAt(tokens, at, isAlone);
        after = SkipOtherSystem(tokens, unit, after);
        if (unit is { Kind: not UnitKind.Piece } && UnitAt(tokens, after) is { Unit: { IsPackage: true } tin } packed)
        {
            // "400 g tin of tomatoes": one tin.
            return new(new(1, 1), tin, (amount.Best, unit), packed.Size, false, packed.Next);
        }

        return Added(tokens, new(amount, unit, null, pieceSize, false, after));
    }

    /// <summary>"1 cup plus 2 tbsp", "2 lb 4 oz": measures of one kind add up, in the first one's unit.</summary>
    private static MeasuredAmount Added(LineTokens tokens, MeasuredAmount first)
    {
        if (first.Unit is not { Kind: UnitKind.Mass or UnitKind.Volume } unit)
        {
            return first;
        }

        var at =
            tokens[first.Next].Is('+') || tokens[first.Next].Is("plus") || tokens[first.Next].Is("and") || tokens[first.Next].Is('&')
                ? first.Next + 1
                : first.Next;
        if (
            AmountReader.Read(tokens, at) is not { } more
            || (at == first.Next && tokens[at].Kind != TokenKind.Number)
            || UnitAt(tokens, more.Next) is not { Unit: { } second } rest
            || second.Kind != unit.Kind
            || UnitAt(tokens, rest.Next) is { Unit.IsPackage: true }
        )
        {
            return first;
        }

        var ratio =
            unit.Kind == UnitKind.Mass
                ? second.Mass / unit.Mass
                : Math.Round(second.VolumeIn(MeasureSystem.UnitedStates) / unit.VolumeIn(MeasureSystem.UnitedStates), 4);
        return first with { Amount = first.Amount + (more.Amount * ratio), Next = rest.Next };
    }

    /// <summary>"500 g/1 lb 2 oz mince": the first system counts, the other is passed over.</summary>
    private static int SkipOtherSystem(LineTokens tokens, Unit? unit, int at)
    {
        if (
            unit is null
            || !(tokens[at].Is('/') || tokens[at].Is('|'))
            || AmountReader.Read(tokens, at + 1) is not { } other
            || UnitAt(tokens, other.Next) is not { Unit: not null } measured
        )
        {
            return at;
        }

        return
            AmountReader.Read(tokens, measured.Next) is { } more
            && tokens[measured.Next].Kind == TokenKind.Number
            && UnitAt(tokens, more.Next) is { Unit.Kind: not UnitKind.Piece } second
            ? second.Next
            : measured.Next;
    }

    /// <summary>The unit at a token, sizes before it passed over; "of" behind it too.</summary>
    public static (Unit? Unit, PieceSize Size, int Next) UnitAt(LineTokens tokens, int at, bool isAlone = false)
    {
        // "28-ounce".
        var word = tokens[at].Is('-') && tokens[at + 1].Kind == TokenKind.Word ? at + 1 : at;
        var size = PieceSize.Unsaid;
        while (tokens[word].Kind == TokenKind.Word && Sizes.Contains(tokens[word].Text))
        {
            size = tokens[word].Text.ToUpperInvariant() switch
            {
                "SMALL" or "MINI" or "SM" or "SML" => PieceSize.Small,
                "MEDIUM" or "MED" => PieceSize.Medium,
                "LARGE" or "BIG" or "JUMBO" or "LG" or "LGE" or "LRG" => PieceSize.Large,
                _ => size,
            };
            word++;
            word = tokens[word].Is('-') || tokens[word].Is('.') || tokens[word].Is("sized") ? word + 1 : word;
        }

        if (tokens[word].Kind != TokenKind.Word)
        {
            return (null, size, at);
        }

        if (FluidOunce(tokens, word) is { } fluid)
        {
            return (Unit.FluidOunce, size, SkipOf(tokens, fluid));
        }

        // "thumb-sized piece of ginger".
        if (tokens[word].Is("thumb") && tokens[word + 1].Is('-') && tokens[word + 2].Is("sized"))
        {
            return (
                Unit.Spelled("thumb"),
                size,
                SkipOf(tokens, tokens[word + 3].Is("piece") || tokens[word + 3].Is("knob") ? word + 4 : word + 3)
            );
        }

        // "4 no. eggs", "4 nos. eggs".
        if ((tokens[word].Is("no") && tokens[word + 1].Is('.')) || tokens[word].Is("nos"))
        {
            return (Unit.Each, size, SkipOf(tokens, tokens[word + 1].Is('.') ? word + 2 : word + 1));
        }

        if (Unit.Spelled(tokens[word].Text) is not { } unit)
        {
            return (null, size, word > at && size != PieceSize.Unsaid ? word : at);
        }

        var next = tokens[word + 1].Is('.') ? word + 2 : word + 1;
        next = SkipOf(tokens, next);
        // A piece needs something behind it that it is a piece of, or it is the food itself: "2 cloves".
        return
            !isAlone
            && unit.Kind == UnitKind.Piece
            && (next >= tokens.Count || tokens[next] is { Kind: TokenKind.Mark, Text: not "(" })
            && !unit.IsPackage
            ? (null, size, at)
            : (unit, size, next);
    }

    private static int? FluidOunce(LineTokens tokens, int at)
    {
        if (tokens[at].Is("fl") || tokens[at].Is("fluid"))
        {
            var ounce = tokens[at + 1].Is('.') ? at + 2 : at + 1;
            return tokens[ounce].Is("oz") || tokens[ounce].Is("ounce") || tokens[ounce].Is("ounces")
                ? tokens[ounce + 1].Is('.')
                    ? ounce + 2
                    : ounce + 1
                : null;
        }

        return null;
    }

    /// <summary>Token behind "-inch piece of" or "cm knob"; null when no length stands there.</summary>
    private static int? LengthBehind(LineTokens tokens, int at)
    {
        var word = tokens[at].Is('-') ? at + 1 : at;
        if (
            !(
                tokens[word].Is("inch")
                || tokens[word].Is("inches")
                || tokens[word].Is("in")
                || tokens[word].Is("cm")
                || tokens[word].Is('"')
                || tokens[word].Is("centimetre")
            )
        )
        {
            return null;
        }

        var next = word + 1;
        var hasPiece =
            tokens[next].Is("piece")
            || tokens[next].Is("knob")
            || tokens[next].Is("chunk")
            || tokens[next].Is("stick")
            || tokens[next].Is("length")
            || tokens[next].Is("strip");
        return hasPiece ? SkipOf(tokens, next + 1) : null;
    }

    private static int SkipOf(LineTokens tokens, int at) =>
        tokens[at].Is("of")
            ? tokens[at + 1].Is("the") || tokens[at + 1].Is("a") || tokens[at + 1].Is("an")
                ? at + 2
                : at + 1
            : at;

    private static int? Closing(LineTokens tokens, int at)
    {
        // "(6 oz each)", "(about 200 g)".
        while (tokens[at].Is("each") || tokens[at].Is("apiece") || tokens[at].Is('.') || tokens[at].Is('-') || tokens[at].Is("total"))
        {
            at++;
        }

        return tokens[at].Is(')') || tokens[at].Is(']') ? at + 1 : null;
    }
}
