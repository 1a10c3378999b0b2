using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>Reads the unit that stands at a token of a line, with the words of size before it: "heaped tbsp", "28-ounce", "fl. oz".</summary>
internal static class UnitWords
{
    private static readonly HashSet<string> Sizes = new(
        (
            "small medium large big heaped heaping level rounded generous scant good fat thick thin whole sized medium-sized jumbo mini full tiny huge extra standard overflowing packed loosely lightly firmly slightly average lg lge lrg med sm sml"
        ).Split(' '),
        StringComparer.OrdinalIgnoreCase
    );

    public static bool IsSize(LineToken token) => token.Kind == TokenKind.Word && Sizes.Contains(token.Text);

    /// <summary>Whether words are a size and nothing more: "large, finely chopped".</summary>
    public static bool IsSizeAlone(string words) => words.Split(',')[0].Split(' ').All(Sizes.Contains);

    /// <summary>The unit at a token, sizes before it passed over; "of" behind it too.</summary>
    public static (Unit? Unit, PieceSize Size, int Next) At(LineTokens tokens, int at, bool isAlone = false)
    {
        // "28-ounce".
        var word = tokens[at].Is('-') && tokens[at + 1].Kind == TokenKind.Word ? at + 1 : at;
        var size = PieceSize.Unsaid;
        while (IsSize(tokens[word]))
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
        if (tokens[word].Is("thumb") && tokens[word + 1].Is('-') && (tokens[word + 2].Is("sized") || tokens[word + 2].Is("size")))
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
    public static int? LengthBehind(LineTokens tokens, int at)
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
}
