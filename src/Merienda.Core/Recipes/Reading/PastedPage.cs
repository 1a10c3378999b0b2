using System.Text.RegularExpressions;

namespace Merienda.Core.Recipes;

/// <summary>What a page that was copied whole has round its recipe: its address, stars, buttons, who wrote it, what readers said.</summary>
internal static partial class PastedPage
{
    /// <summary>The rows of the recipe, and the address that stood among them; empty when none did.</summary>
    public static (List<string> Rows, string Address) Of(List<string> rows)
    {
        var end = rows.FindIndex(row => Readers().IsMatch(row));
        var kept = end > rows.Count / 2 ? rows[..end] : rows;
        var address = kept.Find(row => Address().IsMatch(row)) ?? "";
        var content = kept.Where(row => !Address().IsMatch(row) && !Furniture().IsMatch(row)).ToList();
        // "Yield" above "4 wraps".
        for (var at = 0; at + 1 < content.Count; at++)
        {
            if (YieldAlone().IsMatch(content[at]) && RecipeYield.PortionsIn(content[at + 1]) is not null)
            {
                content[at] = $"Makes {content[at + 1]}";
                content.RemoveAt(at + 1);
            }
        }

        return content.Exists(row => row.Length > 0) ? (content, address) : (rows, "");
    }

    [GeneratedRegex(@"^https?://\S+$|^www\.\S+$", RegexOptions.IgnoreCase)]
    private static partial Regex Address();

    /// <summary>Stars, buttons, a name, the number of a step in a row of its own.</summary>
    [GeneratedRegex(
        @"^([★☆⭐\s]+.{0,20}|\d([.,]\d)? ?(/ ?5 ?)?\(\d[\d,]*( (ratings?|reviews?|votes?))?\)|((save|print|share|pin|rate|e?mail|tweet|review|jump to recipe|comment)[\s|·•]*){2,}|by (the )?\p{L}[\p{L}.'’-]*( \p{L}[\p{L}.'’-]*){0,3}|step \d+:?)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Furniture();

    [GeneratedRegex(
        @"^(\d+ )?(comments?|reviews?|reader reviews|recommended|related( recipes)?|you (may|might) also like|more recipes( like this)?|leave a (comment|reply))( \(\d+\))?:?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Readers();

    [GeneratedRegex(@"^(yields?|servings?|serves|portions|makes):?$", RegexOptions.IgnoreCase)]
    private static partial Regex YieldAlone();
}
