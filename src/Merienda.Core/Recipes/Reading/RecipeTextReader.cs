using System.Globalization;
using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Recipes;

/// <summary>A recipe as somebody wrote it: lines and steps still words.</summary>
/// <param name="Portions">As written, or null when the text does not say.</param>
/// <param name="Lines">Ingredient lines with the part of the dish they stand under; empty for a dish of one part.</param>
public sealed record WrittenRecipe(string Name, decimal? Portions, IReadOnlyList<(string Part, string Text)> Lines, IReadOnlyList<string> Steps);

/// <summary>Takes pasted text apart: the title, what it makes, the ingredients and the method.</summary>
public static partial class RecipeTextReader
{
    /// <summary>Most characters of a recipe; the longest of ours has under three thousand.</summary>
    public const int MostCharacters = 60_000, MostLines = 200;

    public static Result<WrittenRecipe> Read(string text)
    {
        if (text.Length > MostCharacters)
        {
            return new Refusal("recipe-too-long", "text", $"{text.Length:#,0} characters", $"a recipe has at most {MostCharacters:#,0}", "Paste one recipe, not the whole page");
        }

        var rows = text.ReplaceLineEndings("\n").Split('\n').Select(row => row.Trim()).ToList();
        if (rows.All(row => row.Length == 0))
        {
            return new Refusal("recipe-empty", "text", "", "there is nothing to read", "Paste or type a recipe, one ingredient a line");
        }

        var reading = new Reading(rows.Any(row => IngredientsHeading().IsMatch(row)));
        foreach (var row in rows)
        {
            reading.Take(row);
        }

        return reading.Lines.Count > MostLines
            ? new Refusal("too-many-lines", "text", $"{reading.Lines.Count} lines", $"a recipe has at most {MostLines} ingredient lines", "Paste one recipe at a time")
            : new WrittenRecipe(reading.Name ?? "Untitled", reading.Portions, reading.Lines, reading.Steps);
    }

    /// <summary>Reads what a recipe makes: "Serves 4", "6 portions", "12 (two each)". Null when no number stands in it.</summary>
    public static decimal? PortionsIn(string text) =>
        FirstNumber().Match(text) is { Success: true } match && decimal.TryParse(match.Value.Replace(',', '.'), NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var portions) ? portions : null;

    private sealed class Reading(bool hasHeading)
    {
        private bool _inIngredients = !hasHeading;
        private bool _inMethod;
        private string _part = "";

        public string? Name { get; private set; }

        public decimal? Portions { get; private set; }

        public List<(string, string)> Lines { get; } = [];

        public List<string> Steps { get; } = [];

        public void Take(string row)
        {
            if (row.Length == 0)
            {
                return;
            }

            if (IngredientsHeading().IsMatch(row))
            {
                (_inIngredients, _inMethod) = (true, false);
            }
            else if (MethodHeading().IsMatch(row))
            {
                (_inIngredients, _inMethod) = (false, true);
            }
            else if (!_inMethod && Yield().Match(row) is { Success: true })
            {
                Portions ??= PortionsIn(row);
            }
            else if (_inMethod)
            {
                Steps.Add(row);
            }
            else if (Name is null && AmountReader.Read(row.TrimStart('-', '*', '•', ' ')) is null)
            {
                Name = row.TrimStart('#', ' ');
            }
            else if (_inIngredients && PartHeading().Match(row) is { Success: true } part)
            {
                _part = part.Groups["name"].Value.Trim();
            }
            else if (_inIngredients && row.Length > IngredientLineReader.LongestLine)
            {
                Steps.Add(row);
            }
            else if (_inIngredients)
            {
                Lines.Add((_part, row));
            }
        }
    }

    [GeneratedRegex(@"^#*\s*(ingredients|you need|you will need)\s*:?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex IngredientsHeading();

    [GeneratedRegex(@"^#*\s*(method|instructions|directions|preparation|steps|how to make it)\s*:?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex MethodHeading();

    [GeneratedRegex(@"^(serves|makes|yields?|portions|servings)\b[\s:]*(about\s+)?-?\d|^-?\d+([.,]\d+)?\s+(servings|portions)\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Yield();

    [GeneratedRegex(@"^(for the\s+)?(?<name>[\p{L}][\p{L}\s'’-]{1,40}):$", RegexOptions.IgnoreCase)]
    private static partial Regex PartHeading();

    [GeneratedRegex(@"-?\d+([.,]\d+)?")]
    private static partial Regex FirstNumber();
}
