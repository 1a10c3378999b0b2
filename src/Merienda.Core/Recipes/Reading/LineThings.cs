using System.Text.RegularExpressions;
using Merienda.Core.Foods;

namespace Merienda.Core.Recipes;

/// <summary>Tells a line of several foods from one with a remark: "2 tomatoes, 50 g feta" and "2 tomatoes, 50 g each".</summary>
public static partial class LineThings
{
    /// <summary>The lines of a written recipe, each with its part; none is taken for a heading: a word that names no food stays in doubt.</summary>
    public static IEnumerable<TypedLine> Of(WrittenRecipe written, FoodMatcher foods) =>
        written.Lines.SelectMany(row =>
            Of(RecipeTextReader.WithoutBullet(row.Text), foods).Select(text => new TypedLine(text, RecipeTextReader.Headed(row.Part)))
        );

    /// <summary>The lines that a row is: more than one where every piece names a food, each with an amount or none with any.</summary>
    public static IReadOnlyList<string> Of(string row, FoodMatcher foods)
    {
        // "100 g oats; 1 apple, grated; 200 ml juice".
        var things = row.Split([';', '|', '·', '•'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        if (
            things.Length > 1
            && things.Skip(1).Count(thing => PastedRow.BeginsWithAmount(thing) && NamesOne(thing, foods)) * 2 >= things.Length - 1
        )
        {
            return [.. things.SelectMany(thing => Of(thing, foods))];
        }

        // "Mint + coriander".
        var added = row.Split(" + ", StringSplitOptions.TrimEntries);
        if (added.Length > 1 && !row.Any(char.IsDigit) && added.All(thing => NamesOne(thing, foods)))
        {
            return added;
        }

        var pieces = Pieces(row, foods);
        var isList =
            pieces.Count > 1
            && (
                PastedRow.BeginsWithAmount(pieces[0]) && pieces.Skip(1).Any(PastedRow.BeginsWithAmount)
                    // What has no amount among amounts ("zest of a lemon") is a thing as well.
                    ? pieces.Skip(1).All(piece => NamesOne(piece, foods))
                    // "Salt, pepper, mustard": two may be a food with what is done to it.
                    : pieces.Count > 2 && !row.Any(char.IsDigit) && pieces.TrueForAll(piece => NamesOne(piece, foods))
            );
        return isList ? pieces : [row];
    }

    /// <summary>What of a typed line is another food with an amount of its own, and the line without it; null where it is one thing.</summary>
    internal static (string First, string Others)? Parted(string text, FoodMatcher foods) =>
        NumberBehind().IsMatch(text) && Of(text, foods) is { Count: > 1 } lines ? (lines[0], string.Join(", ", lines.Skip(1))) : null;

    /// <summary>Told at one look of nearly every line: "onion, chopped".</summary>
    [GeneratedRegex(@"[,;|]\s+[\p{N}]")]
    private static partial Regex NumberBehind();

    /// <summary>What stands between the commas; what names no food ("chopped") belongs to the one before it.</summary>
    private static List<string> Pieces(string row, FoodMatcher foods)
    {
        var pieces = new List<string>();
        foreach (var piece in PastedRow.Between().Split(row).Select(piece => piece.Trim()).Where(piece => piece.Length > 0))
        {
            if (pieces.Count > 0 && row.Any(char.IsDigit) && !NamesOne(piece, foods) && !PastedRow.BeginsWithAmount(piece))
            {
                pieces[^1] = $"{pieces[^1]}, {piece}";
            }
            else
            {
                pieces.Add(piece);
            }
        }

        return pieces;
    }

    /// <summary>Whether a piece, with or without an amount, is a food by its whole name.</summary>
    internal static bool NamesOne(string piece, FoodMatcher foods) =>
        IngredientLineReader.Read(piece).Food is { Length: > 0 } name && foods.NamedWholly(name) is not null;
}
