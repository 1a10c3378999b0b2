using System.Globalization;
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
        while (UnitWords.IsSize(tokens[start]))
        {
            start++;
        }

        if (AmountReader.Read(tokens, start) is not { } number)
        {
            // "pinch of salt", "large handful of spinach": one of it.
            var (loose, size, behind) = UnitWords.At(tokens, at);
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
        if (Parted(tokens, amount, at) is { } parted)
        {
            (amount, at) = parted;
        }

        // "2 x 400 g tins", "3 x 150 g fillets".
        if (
            tokens[at].Is("x")
            && AmountReader.Read(tokens, at + 1) is { } each
            && UnitWords.At(tokens, each.Next) is { Unit: { Kind: not UnitKind.Piece } sized } measured
        )
        {
            if (MayPartThousands(tokens, each.Next))
            {
                return null;
            }

            var (package, pieces, behind) = UnitWords.At(tokens, measured.Next);
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
        if (UnitWords.LengthBehind(tokens, at) is { } length)
        {
            return new(new(1, 1), Unit.Each, null, PieceSize.Unsaid, true, length);
        }

        // "four 6-ounce fillets", "1 (28-ounce) can", "4 (6 oz) breasts", "a 2-inch piece".
        var open = tokens[at].Is('(') || tokens[at].Is('[') ? 1 : 0;
        var inner = open == 1 && IsAbout(tokens, at + 1) ? at + 2 : at + open;
        if (AmountReader.Read(tokens, inner) is { } one && tokens[inner].Kind == TokenKind.Number)
        {
            if (UnitWords.LengthBehind(tokens, one.Next) is { } piece)
            {
                return new(amount, Unit.Each, null, PieceSize.Unsaid, true, piece);
            }

            if (
                UnitWords.At(tokens, one.Next) is { Unit: { Kind: not UnitKind.Piece } apiece } found
                && (open == 0 || Closing(tokens, found.Next) is not null)
            )
            {
                var behind = open == 0 ? found.Next : Closing(tokens, found.Next)!.Value;
                var (package, size, next) = UnitWords.At(tokens, behind);
                return package is { IsPackage: true }
                    ? new(amount, package, (one.Amount.Best, apiece), size, false, next)
                    : new(
                        amount with
                        {
                            MayBeThousands = IsSpaced(tokens, at),
                        },
                        Unit.Each,
                        (one.Amount.Best, apiece),
                        PieceSize.Unsaid,
                        false,
                        // "1 (8 oz) block cream cheese": the block is no name.
                        package == Unit.Each
                            ? next
                            : behind
                    );
            }
        }

        var (unit, pieceSize, after) = UnitWords.At(tokens, at, isAlone);
        // "4 cl. garlic": nobody pours it.
        unit = unit is { Name: "cl" } && tokens[after].Is("garlic") ? Unit.Spelled("clove") : unit;
        after = SkipOtherSystem(tokens, unit, after);
        if (unit is { Kind: not UnitKind.Piece } && UnitWords.At(tokens, after) is { Unit: { IsPackage: true } tin } packed)
        {
            // "400 g tin of tomatoes": one tin.
            return new(new(1, 1), tin, (amount.Best, unit), packed.Size, false, packed.Next);
        }

        return Added(tokens, new(amount, unit, null, pieceSize, false, after));
    }

    /// <summary>
    /// Thousands parted as half of Europe parts them. "1 000 g" is a thousand; "1.000 g" is a thousand to most who write it and one to some,
    /// so it is anything between until somebody says.
    /// </summary>
    private static (WrittenAmount Amount, int Next)? Parted(LineTokens tokens, WrittenAmount amount, int at) =>
        tokens[at] is { Kind: TokenKind.Number, Text: ['0', _, _] digits } && amount is { Low: >= 1 and < 1_000 } && IsSmall(tokens, at + 1)
            ? (new((amount.Low * 1_000) + decimal.Parse(digits, CultureInfo.InvariantCulture)), at + 1)
        : MayPartThousands(tokens, at) ? (amount with { High = amount.High * 1_000, MayBeThousands = true }, at)
        // "1,500 kg": nobody cooks tonnes.
        : tokens[at - 1] is { Kind: TokenKind.Number, Value: >= 1_000, Text: [.., ',', _, _, _] }
        && UnitWords.At(tokens, at).Unit is { Name: "kg" or "l" }
            ? (amount * 0.001m, at)
        : null;

    /// <summary>Whether the number before a token may be a thousand or one: "1.000 g", "2.500 ml"; "3.877 g" was measured.</summary>
    public static bool MayPartThousands(LineTokens tokens, int at) =>
        tokens[at - 1] is { Kind: TokenKind.Number, Value: >= 1, Text: [.., '.', _, _, '0'] } && IsSmall(tokens, at);

    /// <summary>"1 500 g": one of 500 g, or a space that parts thousands.</summary>
    private static bool IsSpaced(LineTokens tokens, int at) =>
        tokens[at - 1] is { Kind: TokenKind.Number, Text.Length: <= 3 }
        && tokens[at] is { Kind: TokenKind.Number, Text.Length: 3, Value: >= 100 }
        && UnitWords.At(tokens, at + 1).Unit is { Name: "g" };

    /// <summary>Nobody weighs a thousandth of these.</summary>
    private static bool IsSmall(LineTokens tokens, int at) => UnitWords.At(tokens, at).Unit is { Name: "g" or "ml" or "mg" };

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
            || UnitWords.At(tokens, more.Next) is not { Unit: { } second } rest
            || second.Kind != unit.Kind
            || UnitWords.At(tokens, rest.Next) is { Unit.IsPackage: true }
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
            || UnitWords.At(tokens, other.Next) is not { Unit: not null } measured
        )
        {
            return at;
        }

        return
            AmountReader.Read(tokens, measured.Next) is { } more
            && tokens[measured.Next].Kind == TokenKind.Number
            && UnitWords.At(tokens, more.Next) is { Unit.Kind: not UnitKind.Piece } second
            ? second.Next
            : measured.Next;
    }

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
