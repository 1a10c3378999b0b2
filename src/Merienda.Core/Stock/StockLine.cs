using System.Text.RegularExpressions;
using Merienda.Core.Recipes;

namespace Merienda.Core.Stock;

/// <summary>
/// Takes a line of what came in apart: "500 g red lentils, 2 tins chopped tomatoes, 6 eggs" are three things; "mince, frozen" is one.
/// </summary>
public static partial class StockLine
{
    /// <summary>Most things on one line.</summary>
    public const int Most = 40;

    /// <summary>A comma or a line end parts two things where an amount follows it.</summary>
    public static IReadOnlyList<string> Things(string line)
    {
        var things = new List<string>();
        foreach (var piece in Between().Split(line).Select(piece => piece.Trim()).Where(piece => piece.Length > 0))
        {
            if (things.Count == 0 || PastedRow.BeginsWithAmount(piece))
            {
                things.Add(piece);
            }
            else
            {
                things[^1] = $"{things[^1]}, {piece}";
            }
        }

        return things;
    }

    /// <summary>A comma between digits is a decimal mark.</summary>
    [GeneratedRegex(@"[\r\n;]+|,(?!\d)|(?<!\d),")]
    private static partial Regex Between();
}
