using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What lines say of recipes that they may use.</summary>
public readonly record struct RecipeUses(string Words, IReadOnlyList<Guid> Chosen);

/// <summary>Recipes as lines of immutable versions; the recipe says which one counts.</summary>
public sealed partial class RecipeStore(EditDoor door, RecipeVersions versions, PacketStore packets)
{
    /// <param name="Number">Of the version that counts.</param>
    /// <param name="Newest">The highest number that was ever given.</param>
    private sealed record Stored(RecipeRow? Row, int? Number, string? Name, int Newest);

    /// <summary>Every recipe that is not put away, by name.</summary>
    public Reading<IReadOnlyList<StoredRecipe>> All { get; } =
        Reading
            .Of(
                $"select version_id from recipe where archived_at is null;\n{LarderState.Select}",
                null,
                async rows => (Ids: (await rows.ReadAsync<Guid>()).ToList(), Larder: await LarderState.Take(rows))
            )
            .Then<IReadOnlyList<StoredRecipe>>(
                async (scope, library) =>
                    [
                        .. (await versions.Of(scope, library.Ids, library.Larder)).Values.OrderBy(
                            recipe => recipe.Version.Name,
                            StringComparer.OrdinalIgnoreCase
                        ),
                    ]
            );

    /// <summary>The version of one recipe that counts, put away or not; null when there is none.</summary>
    public Reading<StoredRecipe?> Latest(Guid recipeId) =>
        Reading
            .Of(
                $"select version_id from recipe where id = @latestOf;\n{LarderState.Select}",
                new { latestOf = recipeId },
                async rows => (Id: await rows.ReadSingleOrDefaultAsync<Guid?>(), Larder: await LarderState.Take(rows))
            )
            .Then(async (scope, found) => found.Id is { } id ? (await versions.Of(scope, [id], found.Larder))[id] : (StoredRecipe?)null);

    /// <summary>Whether there is such a recipe that is not put away.</summary>
    public static Reading<bool> IsInUse(Guid recipeId) =>
        Reading.Of(
            "select exists (select 1 from recipe where id = @usedRecipe and archived_at is null);",
            new { usedRecipe = recipeId },
            rows => rows.ReadSingleAsync<bool>()
        );

    /// <summary>Recipes in use with some words in their name, the shortest first.</summary>
    public static Reading<IReadOnlyList<(Guid Id, string Name)>> Find(string words, int most) =>
        Reading.Of<IReadOnlyList<(Guid Id, string Name)>>(
            """
            select recipe.id, version.name from recipe
            join recipe_version version on version.household_id = recipe.household_id and version.id = recipe.version_id
            where archived_at is null and position(@wanted in lower(version.name)) > 0
            order by length(version.name), version.name, recipe.id limit @mostRecipes;
            """,
            new { wanted = words.Trim().ToLowerInvariant(), mostRecipes = words.Trim().Length == 0 ? 0 : most },
            async rows => [.. await rows.ReadAsync<(Guid Id, string Name)>()]
        );

    /// <summary>Of each recipe that one takes some of, the version that counts now.</summary>
    public static Reading<IReadOnlyDictionary<Guid, Guid>> UsedBy(Guid recipeId) =>
        Reading.Of<IReadOnlyDictionary<Guid, Guid>>(
            """
            select id, version_id from recipe where id in (
                select used.recipe_id from recipe_line line
                join recipe_version used on used.household_id = line.household_id and used.id = line.used_version_id
                where line.recipe_version_id = (select version_id from recipe where id = @usedBy));
            """,
            new { usedBy = recipeId },
            async rows => (await rows.ReadAsync<(Guid Id, Guid Version)>()).ToDictionary(row => row.Id, row => row.Version)
        );

    /// <summary>
    /// The recipes that some lines may use: those that are chosen, those in use whose name stands in the words, and those that the recipe
    /// uses already, whatever became of them.
    /// </summary>
    /// <param name="uses">The words of the lines, and the recipes that are chosen for them, put away or not: what uses one goes on doing
    /// so.</param>
    /// <param name="self">The recipe that the lines are of; null for a new one.</param>
    public Reading<Cookbook> Cookbook(RecipeUses uses, Guid? self) =>
        Reading
            .Of(
                $"""
                select recipe.version_id from recipe
                join recipe_version version on version.household_id = recipe.household_id and version.id = recipe.version_id
                where recipe.id = any(@chosenRecipes) or (archived_at is null and position(lower(version.name) in @words) > 0)
                    or recipe.id in (
                        select used.recipe_id from recipe_line line
                        join recipe_version used on used.household_id = line.household_id and used.id = line.used_version_id
                        where line.recipe_version_id = (select version_id from recipe where id = @selfRecipe))
                order by recipe.id limit 400;
                select distinct used.recipe_id, used.name from recipe_line line
                join recipe_version used on used.household_id = line.household_id and used.id = line.used_version_id
                where line.recipe_version_id = (select version_id from recipe where id = @selfRecipe);
                {LarderState.Select}
                """,
                new
                {
                    words = uses.Words.ToLowerInvariant(),
                    chosenRecipes = uses.Chosen.ToArray(),
                    selfRecipe = self,
                },
                async rows =>
                    (
                        Ids: (await rows.ReadAsync<Guid>()).ToList(),
                        Former: (await rows.ReadAsync<(Guid Id, string Name)>()).ToList(),
                        Larder: await LarderState.Take(rows)
                    )
            )
            .Then(
                async (scope, found) =>
                    new Cookbook(
                        [.. (await versions.Of(scope, found.Ids, found.Larder)).Values.Select(recipe => recipe.Known)],
                        self,
                        found.Former
                    )
            );

    /// <summary>Stores a version; refused when the one it is based on does not count any more.</summary>
    /// <param name="basedOn">Number of the version that was edited; null makes a new recipe.</param>
    /// <param name="cookbook">The recipes that it may use.</param>
    /// <param name="read">The version to store, read with the household's foods and those recipes.</param>
    /// <param name="learnt">What words were given a food in it.</param>
    /// <param name="view">What is answered, by the household's foods then.</param>
    public Task<Result<Edited<TView>>> Save<TView>(
        EditStamp stamp,
        Guid recipeId,
        int? basedOn,
        Reading<Cookbook> cookbook,
        Func<HouseholdFoods, Cookbook, Result<StoredRecipe>> read,
        Func<StoredRecipe, HouseholdFoods, IReadOnlyList<(string Words, string FoodKey)>> learnt,
        DateTimeOffset at,
        Func<Guid, Reading<TView>> view
    ) =>
        door.Edit<(((Stored Recipe, HouseholdFoods Foods) Known, Cookbook Recipes) Used, Household Household), Guid, TView>(
            stamp,
            Journal.Recipe,
            Rows(recipeId).And(packets.Foods).And(cookbook).And(TableReading.Household),
            locked =>
            {
                var ((((row, number, name, newest), foods), recipes), household) = locked;
                if (number != basedOn)
                {
                    return row is null
                        ? Gone(recipeId)
                        : new Refusal(
                            "recipe-changed",
                            "basedOn",
                            $"version {basedOn}",
                            $"somebody saved version {number} of {name} meanwhile",
                            "Open it again in another tab and bring over what you changed; what you typed is still here"
                        );
                }

                var draft = read(foods, recipes);
                if ((draft.Refusal ?? WrongMeal(draft.Value.Version, household.Rhythm)) is { } refusal)
                {
                    return refusal;
                }

                var recipe = draft.Value with { Number = newest + 1 };
                var after = new RecipeRow(recipeId, recipe.VersionId, null);
                var change = new Change($"{(row is null ? "Added" : "Changed")} {recipe.Version.Name}")
                // Taken back, a new recipe is put away: a version never goes.
                .Put(Tables.Recipe, row ?? after with { ArchivedAt = at }, after);
                RecipeAppending.Append(change, recipe, foods, versions, stamp, at);
                LearntWords.Learn(change, foods.Learnt, learnt(recipe, foods), stamp, at);
                return new Decided<Guid>(change, recipeId);
            },
            view
        );

    public Task<Result<Edited<bool>>> Archive(EditStamp stamp, Guid recipeId, DateTimeOffset at) =>
        door.Edit<Stored, bool>(
            stamp,
            Journal.Recipe,
            Rows(recipeId),
            locked =>
                locked.Row is { ArchivedAt: null } row
                    ? new Decided<bool>(new Change($"Put away {locked.Name}").Put(Tables.Recipe, row, row with { ArchivedAt = at }), true)
                    : Gone(recipeId)
        );

    public static Refusal Gone(Guid recipeId) =>
        new("recipe-gone", "recipe", recipeId.ToString(), "there is no such recipe", "Choose a recipe from the list");

    private static Reading<Stored> Rows(Guid recipeId) =>
        Reading.Of(
            """
            select id, version_id, archived_at from recipe where id = @recipe;
            select number::int, name from recipe_version where id = (select version_id from recipe where id = @recipe);
            select coalesce(max(number), 0)::int from recipe_version where recipe_id = @recipe;
            """,
            new { recipe = recipeId },
            async rows =>
            {
                var row = await rows.ReadSingleOrDefaultAsync<RecipeRow?>();
                var (number, name) = await rows.ReadSingleOrDefaultAsync<(int?, string?)>();
                return new Stored(row, number, name, await rows.ReadSingleAsync<int>());
            }
        );

    /// <summary>A meal of earlier weeks is still what a recipe was made for.</summary>
    private static Refusal? WrongMeal(RecipeVersion recipe, Rhythm rhythm) =>
        recipe.Meal is null ? null : Rhythm.UnknownMeal(rhythm.Slots, recipe.Meal);
}
