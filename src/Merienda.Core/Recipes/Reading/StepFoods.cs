using System.Text.RegularExpressions;
using Merienda.Core.Foods;

namespace Merienda.Core.Recipes;

/// <summary>
/// What a step measures out and no line holds: "blend with 3 tbsp tahini". Nobody counts it, so somebody has to be told.
/// </summary>
public static partial class StepFoods
{
    /// <summary>Each as written, with its amount.</summary>
    public static IReadOnlyList<string> Unlisted(PrepTask task, IReadOnlyList<RecipeLine> lines, FoodMatcher foods) =>
        [
            .. Clauses()
                .Split(task.Text)
                .Select(clause => Measured().Match(clause).Value.Trim(' ', '.', '!'))
                .Where(said => said.Length > 0 && StepMinutes.In(said).Count == 0 && IsUnlisted(said, lines, foods))
                .Distinct(),
        ];

    private static bool IsUnlisted(string said, IReadOnlyList<RecipeLine> lines, FoodMatcher foods)
    {
        var read = IngredientLineReader.Read(said);
        // Pieces are what comes of it as often: "shape 24 meatballs".
        if (
            read is not { Amount: not null, Unit: { Name: not "each" }, Food: { Length: > 0 } name }
            || foods.Match(name, read.State) is not { IsSure: true } named
        )
        {
            return false;
        }

        var meant = named.Kinds?.Foods ?? (named.Food is { } food ? [food] : []);
        var words = foods.Words.Of(name);
        return meant.Count > 0
            // Water has nothing in it that anybody counts.
            && !meant[0].IsWater
            && lines.All(line =>
                !line.Meanings.Any(meaning => meaning.Foods.Intersect(meant).Any())
                && !line.NameWords.Any(word => words.Contains(word.Text))
            );
    }

    [GeneratedRegex(@"[,;()]|\.\s|\s(and|then|with|into|over|until|or)\s|\s&\s", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture)]
    private static partial Regex Clauses();

    /// <summary>From the first amount on: "blend 3 tbsp tahini".</summary>
    [GeneratedRegex(
        @"(?<![\d.,/\p{L}])([\d½⅓⅔¼¾⅛].*|an? (handful|pinch|splash|dash|knob|drizzle|tin|can|clove|spoon(ful)?) (of )?\p{L}.*)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Measured();
}
