using System.Text.RegularExpressions;
using Merienda.Core.Foods;
using Merienda.Core.Recipes;

namespace Merienda.Core.Stock;

/// <summary>
/// Takes what came in apart: "500 g red lentils, butter 250 g, and a bag of spinach" are three things; "mince, frozen" and "garlic, 1 head"
/// are one each.
/// </summary>
public static partial class StockLine
{
    /// <summary>Most things at once.</summary>
    public const int Most = 40;

    /// <summary>Each row is a thing; of a row each piece that is a food, or that an amount begins.</summary>
    public static IReadOnlyList<string> Things(string text, FoodMatcher foods) =>
        [
            .. Rows()
                .Split(text)
                .Select(RecipeTextReader.WithoutBullet)
                .Where(row => row.Length > 0)
                // What is called so as a whole is one thing, commas and all.
                .SelectMany(row => foods.Match(row).IsSure ? [row] : Pieces(row, foods)),
        ];

    private static List<string> Pieces(string row, FoodMatcher foods)
    {
        var pieces = new List<string>();
        foreach (
            var piece in PastedRow.Between().Split(row).Select(piece => And().Replace(piece.Trim(), "")).Where(piece => piece.Length > 0)
        )
        {
            if (
                pieces.Count == 0
                || LineThings.NamesOne(piece, foods)
                || (PastedRow.BeginsWithAmount(piece) && !IsAmountOf(pieces[^1], piece))
            )
            {
                pieces.Add(piece);
            }
            else
            {
                pieces[^1] = $"{pieces[^1]}, {piece}";
            }
        }

        return pieces;
    }

    /// <summary>Whether the piece says how much there is of the food before it, which has no amount yet: "garlic, 1 head".</summary>
    private static bool IsAmountOf(string food, string piece) =>
        CountAndWord().IsMatch(piece) && IngredientLineReader.Read(food).Amount is null;

    [GeneratedRegex(@"[\r\n;•]+")]
    private static partial Regex Rows();

    [GeneratedRegex(@"^(and|plus|&)\s+", RegexOptions.IgnoreCase)]
    private static partial Regex And();

    [GeneratedRegex(@"^\S+(\s+\p{L}+)?$")]
    private static partial Regex CountAndWord();
}
