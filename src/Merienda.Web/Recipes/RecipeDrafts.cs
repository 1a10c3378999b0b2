using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;
using Merienda.Storage;

namespace Merienda.Web.Recipes;

/// <summary>Makes a recipe's version of what was typed, or says why it cannot be one.</summary>
public static class RecipeDrafts
{
    public const int MostTasks = 60;

    /// <summary>
    /// Reads a draft's lines and refuses what cannot be a recipe. Lines that nobody can read are kept: they count as unknown.
    /// </summary>
    public static Result<StoredRecipe> ToRecipe(RecipeDraft draft, Guid recipeId, FoodMatcher foods, Cookbook recipes)
    {
        if (Wrong(draft, foods, recipes) is { } refusal)
        {
            return refusal;
        }

        var written = draft.Lines.Where(line => line.Text.Trim().Length > 0).ToList();
        var lines = written
            .Select(line =>
                line.Food is { } key && recipes.WithKey(key) is { } used
                    ? RecipeLine.Using(line.Text.Trim(), used, foods, draft.System, line.Part)
                    : RecipeLine.From(
                        line.Text.Trim(),
                        foods,
                        draft.System,
                        line.Part,
                        line.Food is { } food ? foods.WithKey(food) : null,
                        recipes
                    )
            )
            .ToList();
        var keeping =
            KeepingClass.WithKey(draft.Keeping) ?? KeepingOf.Of(draft.Name, lines, [.. draft.Tasks.Select(task => task.Text)])?.Class;
        if (keeping is null)
        {
            return new Refusal(
                "keeping-missing",
                "keeping",
                "",
                "neither lines nor steps say how it keeps",
                "Choose what kind of dish it is; that says how many days it keeps"
            );
        }

        var version = new RecipeVersion
        {
            Name = draft.Name.Trim(),
            Portions = draft.Portions!.Value,
            Meal = draft.Meal,
            Lines = lines,
            Tasks =
            [
                .. draft.Tasks.Select(task => new PrepTask(
                    task.Id,
                    task.Text.Trim(),
                    task.HandsOn,
                    task.Unattended,
                    task.Appliance,
                    task.TemperatureC,
                    task.After
                )),
            ],
            Keeping = keeping,
            Reheating = draft.Reheating.Trim(),
            AtEating = draft.AtEating.Trim(),
        };
        if (WrongUse(version, recipeId) is { } misused)
        {
            return misused;
        }

        return new StoredRecipe(
            recipeId,
            Guid.CreateVersion7(),
            0,
            draft.System,
            version,
            [.. written.Select(line => line.Food is not null)]
        );
    }

    /// <summary>Foods that a person chose for words which the matcher would not have understood so: what the household remembers.</summary>
    public static IReadOnlyList<(string Words, string FoodKey)> LearntFrom(StoredRecipe recipe, FoodMatcher foods) =>
        [
            .. recipe
                .Version.Lines.Where((line, at) => recipe.Chosen[at] && line.Food is not null && line.Read.Food.Length > 0)
                .Where(line =>
                    foods.Match(line.Read.Food, line.Read.State) is var match && !(match.IsSure && match.Food?.Key == line.Food!.Key)
                )
                .Select(line => (foods.KeyOf(line.Read.Food), line.Food!.Key)),
        ];

    /// <summary>A recipe that is part of itself is never cooked, and one that is made of too much is never listed.</summary>
    private static Refusal? WrongUse(RecipeVersion version, Guid recipeId) =>
        version.PathTo(recipeId) is { } path
            ? new(
                "recipe-ring",
                "lines",
                path,
                path.Contains(',', StringComparison.Ordinal)
                    ? $"{version.Name} would be part of itself through {path}"
                    : $"{version.Name} would be part of itself",
                "Take that line out, or choose a food for it"
            )
        : version.Ingredients.Count > RecipeVersion.MostIngredients
            ? new(
                "too-many-ingredients",
                "lines",
                $"{version.Ingredients.Count}",
                $"a dish has at most {RecipeVersion.MostIngredients} ingredients, with those of the recipes that it uses",
                "Use fewer recipes, or buy one of them"
            )
        : null;

    private static Refusal? Wrong(RecipeDraft draft, FoodMatcher foods, Cookbook recipes) =>
        draft switch
        {
            _ when draft.Name.Trim().Length is 0 or > 120 => new(
                "name-length",
                "name",
                draft.Name,
                "a recipe's name has 1 to 120 characters",
                "Type a short name"
            ),
            _ when draft.Portions is null => new(
                "portions-missing",
                "portions",
                "",
                "nobody said how many portions it makes",
                "Type how many portions the lines make"
            ),
            _ when draft.Portions is < 0.25m or > 1000 => new(
                "portions-out-of-range",
                "portions",
                $"{draft.Portions}",
                "a recipe makes between 0.25 and 1000 portions",
                "Type how many portions the lines make"
            ),
            _ when draft.Keeping.Length > 0 && KeepingClass.WithKey(draft.Keeping) is null => new(
                "unknown-keeping",
                "keeping",
                draft.Keeping,
                "there is no such keeping class",
                "Choose one from the list"
            ),
            _ when draft.Lines.Count(line => line.Text.Trim().Length > 0) is 0 or > RecipeTextReader.MostLines => new(
                "no-ingredients",
                "lines",
                $"{draft.Lines.Count} lines",
                $"a recipe has 1 to {RecipeTextReader.MostLines} ingredient lines",
                "Type one ingredient a line"
            ),
            _ when draft.Lines.FirstOrDefault(line => line.Text.Trim().Length > IngredientLineReader.LongestLine) is { } line => new(
                "line-too-long",
                "lines",
                line.Text[..40],
                $"a line has at most {IngredientLineReader.LongestLine} characters",
                "Split it, one ingredient a line"
            ),
            _ when draft.Lines.FirstOrDefault(line => line.Food is { } key && foods.WithKey(key) is null && recipes.WithKey(key) is null)
                    is { } odd => new("unknown-food", "lines", odd.Food!, "there is no such food or recipe", "Choose one from the list"),
            _ when draft.Tasks.Count > MostTasks => new(
                "too-many-tasks",
                "tasks",
                $"{draft.Tasks.Count}",
                $"a recipe has at most {MostTasks} tasks",
                "Merge some steps"
            ),
            _ when draft.Tasks.FirstOrDefault(task =>
                    task.HandsOn is < 0 or > TaskReader.MostMinutes || task.Unattended is < 0 or > TaskReader.MostMinutes
                )
                    is { } tooLong => new(
                "minutes-out-of-range",
                "tasks",
                tooLong.Text,
                $"minutes lie between 0 and {TaskReader.MostMinutes}",
                "Type the minutes again"
            ),
            _ when draft.Tasks.FirstOrDefault(task => task.TemperatureC is < 0 or > 350) is { } hot => new(
                "temperature-out-of-range",
                "tasks",
                $"{hot.TemperatureC}",
                "an oven has 0 to 350 °C",
                "Type the temperature again"
            ),
            _ when draft.Tasks.Select(task => task.Id).Distinct().Count() != draft.Tasks.Count => new(
                "task-id-twice",
                "tasks",
                "",
                "two tasks have one id",
                "Give each task its own"
            ),
            _ => null,
        };
}
