using System.Text.RegularExpressions;
using static Merienda.Core.Recipes.RecipeMarks;

namespace Merienda.Core.Recipes;

/// <summary>Pasted rows that are not one recipe with a row for each thing: several recipes, or a whole one in one breath.</summary>
internal static partial class PastedRecipes
{
    /// <summary>A title is no longer than this.</summary>
    private const int LongestTitle = 80;

    /// <summary>
    /// Rows at which one more recipe begins: a title after a blank with what it makes below it, or with ingredients and a method of its
    /// own, where a recipe stands before it and something measured behind.
    /// </summary>
    public static IReadOnlyList<int> Starts(IReadOnlyList<string> rows)
    {
        var found = new List<int>();
        var bare = rows.Select(row => Bare(RecipeTextReader.WithoutBullet(row))).ToList();
        var measured = bare.FindIndex(IsMeasured);
        for (var at = measured + 1; measured >= 0 && at < rows.Count; at++)
        {
            var next = bare.FindIndex(at + 1, row => row.Length > 0);
            if (
                next > 0
                && rows[at - 1].Length == 0
                && IsTitle(bare[at])
                && (RecipeYield.IsYield(bare[next]) || HasBoth(bare, at, next))
                && bare.FindIndex(next, IsMeasured) >= 0
            )
            {
                found.Add(at);
            }
        }

        return found;
    }

    /// <summary>Whether ingredients and then a method stand under headings, as they did before it.</summary>
    private static bool HasBoth(List<string> bare, int at, int next) =>
        IngredientsHeading().IsMatch(bare[next])
        && bare.FindIndex(next, row => MethodHeading().IsMatch(row)) > 0
        && bare.FindIndex(0, at, row => MethodHeading().IsMatch(row)) > 0;

    private static bool IsTitle(string bare) =>
        bare.Length is > 2 and <= LongestTitle
        && bare.Any(char.IsLetter)
        && bare[^1] is not ('.' or '!' or ':' or ',')
        && !IsMeasured(bare)
        && !IngredientsHeading().IsMatch(bare)
        && !MethodHeading().IsMatch(bare)
        && !PassedHeading().IsMatch(bare)
        && !PartStart().IsMatch(bare)
        && !Remark().IsMatch(bare)
        && !StatedRow().IsMatch(bare)
        && !RecipeYield.IsYield(bare);

    private static bool IsMeasured(string bare) => bare.Length > 0 && PastedRow.BeginsWithAmount(bare);

    /// <summary>"Omelette (serves 1): 2 eggs, 30 g cheddar, salt. Whisk and fry." with a row for each thing; all else stays.</summary>
    public static List<string> Spread(List<string> rows)
    {
        if (rows.Count(row => row.Length > 0) != 1)
        {
            return rows;
        }

        var only = rows.First(row => row.Length > 0);
        if (WithoutCommas().Match(only) is { Success: true } bare)
        {
            return
            [
                bare.Groups["name"].Value,
                "",
                .. BeforeNumber().Split(bare.Groups["things"].Value),
                "",
                "Method",
                bare.Groups["steps"].Value,
            ];
        }

        if (OneBreath().Match(only) is not { Success: true } said)
        {
            return rows;
        }

        var things = Comma()
            .Split(said.Groups["things"].Value)
            .Select(thing => thing.Trim(' ', '.'))
            .Where(thing => thing.Length > 0)
            .ToList();
        return things.Count(thing => IngredientLineReader.Read(thing).Amount is not null) < 2
            ? rows
            :
            [
                said.Groups["name"].Value,
                "",
                .. things,
                .. said.Groups["steps"] is { Length: > 0 } steps ? ["", "Method", steps.Value] : Array.Empty<string>(),
            ];
    }

    [GeneratedRegex(@"^(?<name>[^:.]{2,80}):\s*(?<things>.+?)(\.\s+(?<steps>\p{Lu}.*)|\.?$)")]
    private static partial Regex OneBreath();

    /// <summary>"Ratatouille. 1 aubergine 2 courgettes 4 tomatoes. Cook all 40 min."</summary>
    [GeneratedRegex(@"^(?<name>[^.:,\d]{2,60})[.:]\s+(?<things>\d[^.,;]*\p{L}{3}\s+\d[^.,;]*\p{L}{3}\s+\d[^.,;]*)\.\s+(?<steps>\p{Lu}.*)$")]
    private static partial Regex WithoutCommas();

    [GeneratedRegex(@"(?<=\p{L}{3})\s+(?=\d)")]
    private static partial Regex BeforeNumber();

    [GeneratedRegex(@",(?!\d)|(?<!\d),|;")]
    private static partial Regex Comma();

    /// <summary>The text of each recipe.</summary>
    public static IReadOnlyList<string> Split(string text)
    {
        var rows = text.ReplaceLineEndings("\n").Split('\n');
        var starts = Starts([.. rows.Select(row => PastedRow.FromCells(row)?.Trim() ?? "")]);
        return starts.Count == 0
            ? [text]
            : [.. starts.Prepend(0).Zip(starts.Append(rows.Length), (from, to) => string.Join('\n', rows[from..to]))];
    }
}
