using Merienda.Core.Outcomes;
using static Merienda.Core.Recipes.RecipeMarks;

namespace Merienda.Core.Recipes;

/// <summary>
/// Takes pasted text apart: the title, what it makes, the ingredients with their parts and the method, with or without headings.
/// </summary>
public static class RecipeTextReader
{
    /// <summary>Most characters of a recipe; the longest of ours has under three thousand.</summary>
    public const int MostCharacters = 60_000,
        MostLines = 200;

    /// <summary>Every recipe of a text.</summary>
    public static IEnumerable<Result<WrittenRecipe>> ReadAll(string text) =>
        (text.Length > MostCharacters ? [text] : PastedRecipes.Split(text)).Select(Read);

    /// <summary>The recipe of a text that holds one.</summary>
    public static Result<WrittenRecipe> Read(string text)
    {
        if (text.Length > MostCharacters)
        {
            return new Refusal(
                "recipe-too-long",
                "text",
                $"{text.Length:#,0} characters",
                $"a recipe has at most {MostCharacters:#,0}",
                "Paste one recipe, not the whole page"
            );
        }

        var rows = text.ReplaceLineEndings("\n")
            .Split('\n')
            .SelectMany(PastedRow.Columns)
            .Select(PastedRow.FromCells)
            .OfType<string>()
            .Select(row => PastedRow.FromChat(row.Trim()))
            .ToList();
        if (rows.All(row => row.Length == 0))
        {
            return new Refusal("recipe-empty", "text", "", "there is nothing to read", "Paste or type a recipe, one ingredient a line");
        }

        (rows, var address) = PastedPage.Of(WithoutFrontMatter(rows));
        rows = PastedRecipes.Spread(rows);
        if (PastedRecipes.Starts(rows) is { Count: > 0 } others)
        {
            return new Refusal(
                "many-recipes",
                "text",
                string.Join(", ", others.Select(at => Bare(rows[at]))),
                $"“{string.Join("”, “", others.Take(4).Select(at => Bare(rows[at])))}” {(others.Count == 1 ? "is another recipe" : "are other recipes")} in it",
                "Paste one at a time, or save the text as a file and bring that in: all of them are read then"
            );
        }

        var reading = new PastedSections(rows);
        for (var at = 0; at < rows.Count; at++)
        {
            reading.Take(rows[at], at + 1 < rows.Count ? rows[at + 1] : "");
        }

        reading.End();
        return reading.Lines.Count > MostLines
                ? new Refusal(
                    "too-many-lines",
                    "text",
                    $"{reading.Lines.Count} lines",
                    $"a recipe has at most {MostLines} ingredient lines",
                    "Paste one recipe at a time"
                )
            : OtherLanguage.Refuses(reading.Lines.Select(line => line.Text).ToList()) is { } refusal ? refusal
            : new WrittenRecipe(reading.Name ?? "Untitled", reading.Portions, reading.Lines, reading.Steps)
            {
                // How many it makes is no claim here: it is taken.
                Source = address,
                Course = reading.Course,
                Claims = [.. ClaimReader.Read(string.Join('\n', reading.Stated)).Where(claim => claim.What != ClaimedValue.Portions)],
            };
    }

    /// <summary>Most rows of what a notebook keeps about its page.</summary>
    private const int MostFrontMatter = 60;

    /// <summary>A page of a notebook without the rows between dashes that it begins with.</summary>
    private static List<string> WithoutFrontMatter(List<string> rows)
    {
        var first = rows.FindIndex(row => row.Length > 0);
        var end =
            rows[first] == "---" ? rows.FindIndex(first + 1, Math.Min(MostFrontMatter, rows.Count - first - 1), row => row == "---") : -1;
        return end < 0 || end + 1 == rows.Count ? rows : rows[(end + 1)..];
    }

    /// <summary>"For the slaw" is the part Slaw, and SAUCE the part Sauce.</summary>
    public static string Headed(string part) =>
        part.Length == 0 ? "" : $"{char.ToUpperInvariant(part[0])}{(part.Any(char.IsLower) ? part[1..] : part[1..].ToLowerInvariant())}";

    /// <summary>A row without what stands before the rows of a list, and the comma behind.</summary>
    public static string WithoutBullet(string row) => Bullet().Replace(row.Trim(), "").TrimEnd(',', ';');

    /// <summary>Ingredient lines that came as a list, with the headings among them taken for parts.</summary>
    public static IReadOnlyList<(string Part, string Text)> InParts(IEnumerable<string> lines)
    {
        var (part, found) = ("", new List<(string, string)>());
        foreach (var line in lines)
        {
            var bare = Bare(line);
            if (IsPart(line, bare, isShouted: true) && (bare.EndsWith(':') || PartStart().IsMatch(bare)))
            {
                part = PartName().Replace(bare, "", 1).TrimEnd(':').Trim();
            }
            else if (bare.Length > 0 && !Equipment().IsMatch(bare))
            {
                found.AddRange(Things(part, line));
            }
        }

        return found;
    }

    internal static IEnumerable<(string Part, string Text)> Things(string part, string typed) =>
        PastedRow.Things(WithoutBullet(typed)) is { Count: > 1 } things ? things.Select(thing => (part, thing)) : [(part, typed)];
}
