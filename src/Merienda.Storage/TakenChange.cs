using Merienda.Core.Filling;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;

namespace Merienda.Storage;

/// <summary>A week as it would be with a change, and the batches that come with it.</summary>
public sealed record TakenChange(StoredWeek Week, IReadOnlyList<(Batch Batch, StoredRecipe Recipe)> Made)
{
    /// <summary>The week with all of a change, or why it can't be so any more.</summary>
    /// <param name="library">Recipes as they are now: one that was changed since it was judged is not cooked.</param>
    public static Result<TakenChange> Of(StoredWeek week, WeekChange change, IReadOnlyList<StoredRecipe> library, Func<Guid> newId)
    {
        var recipes = library.ToDictionary(recipe => recipe.RecipeId);
        foreach (var batch in change.Batches)
        {
            if (recipes.GetValueOrDefault(batch.Recipe) is not { } recipe)
            {
                return new Refusal(
                    "recipe-gone",
                    "recipe",
                    batch.Name,
                    "it was put away since the week was solved with it",
                    "Let the week be solved again, or leave its meals out"
                );
            }

            if (recipe.VersionId != batch.Version)
            {
                return new Refusal(
                    "recipe-changed",
                    "recipe",
                    batch.Name,
                    "it was changed since the week was solved with it",
                    "Let the week be solved again, or leave its meals out"
                );
            }
        }

        return week
            .Plan.Take(
                change,
                batch => recipes[batch.Recipe].Version,
                week.DishOf,
                text => ReadyFood.Read(text, week.Foods.Matcher, week.System),
                (eater, dish) => week.Diner(eater) is { } diner ? diner.Stop(dish.Name, dish.Profile) : HouseholdStore.EaterGone(eater),
                newId
            )
            .Select(taken =>
            {
                IReadOnlyList<(Batch Batch, StoredRecipe Recipe)> made =
                [
                    .. change.Batches.Select(batch => (taken.Made[batch.Number], recipes[batch.Recipe])),
                ];
                var versions = week.Versions.Concat(made.Select(one => KeyValuePair.Create(one.Batch.Id, one.Recipe)));
                return new TakenChange(week with { Plan = taken.Plan, Versions = versions.ToDictionary() }, made);
            });
    }
}
