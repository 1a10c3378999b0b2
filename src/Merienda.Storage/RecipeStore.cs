using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>Recipes as lines of immutable versions; the recipe says which one counts.</summary>
public sealed class RecipeStore(EditDoor door, RecipeVersions versions, PacketStore packets)
{
    /// <param name="Number">Of the version that counts.</param>
    /// <param name="Newest">The highest number that was ever given.</param>
    private sealed record Stored(RecipeRow? Row, int? Number, string? Name, int Newest);

    /// <summary>Every recipe that is not put away, by name.</summary>
    public Reading<IReadOnlyList<StoredRecipe>> All { get; } =
        Reading
            .Of(
                "select version_id from recipe where archived_at is null;\nselect counts_tolerances from household where id = app_household();",
                null,
                async rows => (Ids: (await rows.ReadAsync<Guid>()).ToList(), IsTolerant: await rows.ReadSingleAsync<bool>())
            )
            .Then<IReadOnlyList<StoredRecipe>>(
                async (scope, library) =>
                    [
                        .. (await versions.Of(scope, library.Ids, library.IsTolerant)).Values.OrderBy(
                            recipe => recipe.Version.Name,
                            StringComparer.OrdinalIgnoreCase
                        ),
                    ]
            );

    /// <summary>The version of one recipe that counts, put away or not; null when there is none.</summary>
    public Reading<StoredRecipe?> Latest(Guid recipeId) =>
        Reading
            .Of(
                "select version_id from recipe where id = @latestOf;\nselect counts_tolerances from household where id = app_household();",
                new { latestOf = recipeId },
                async rows => (Id: await rows.ReadSingleOrDefaultAsync<Guid?>(), IsTolerant: await rows.ReadSingleAsync<bool>())
            )
            .Then(
                async (scope, found) => found.Id is { } id ? (await versions.Of(scope, [id], found.IsTolerant))[id] : (StoredRecipe?)null
            );

    /// <summary>Stores a version; refused when the one it is based on does not count any more.</summary>
    /// <param name="basedOn">Number of the version that was edited; null makes a new recipe.</param>
    /// <param name="read">The version to store, read with the household's foods.</param>
    /// <param name="learnt">What words were given a food in it.</param>
    /// <param name="view">What is answered, by the household's foods then.</param>
    public Task<Result<Edited<TView>>> Save<TView>(
        EditStamp stamp,
        Guid recipeId,
        int? basedOn,
        Func<HouseholdFoods, Result<StoredRecipe>> read,
        Func<StoredRecipe, HouseholdFoods, IReadOnlyList<(string Words, string FoodKey)>> learnt,
        DateTimeOffset at,
        Func<Guid, Reading<TView>> view
    ) =>
        door.Edit<((Stored Recipe, HouseholdFoods Foods) Known, Household Household), Guid, TView>(
            stamp,
            Journal.Recipe,
            Rows(recipeId).And(packets.Foods).And(TableReading.Household),
            locked =>
            {
                var (((row, number, name, newest), foods), household) = locked;
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

                var draft = read(foods);
                if ((draft.Refusal ?? WrongMeal(draft.Value.Version, household.Rhythm)) is { } refusal)
                {
                    return refusal;
                }

                var recipe = draft.Value with { Number = newest + 1 };
                var after = new RecipeRow(recipeId, recipe.VersionId, null);
                var change = new Change($"{(row is null ? "Added" : "Changed")} {recipe.Version.Name}")
                // Taken back, a new recipe is put away: a version never goes.
                .Put(Tables.Recipe, row ?? after with { ArchivedAt = at }, after);
                Append(change, recipe, foods, stamp, at);
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

    internal static Refusal Gone(Guid recipeId) =>
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

    private void Append(Change change, StoredRecipe recipe, HouseholdFoods foods, EditStamp stamp, DateTimeOffset at)
    {
        var version = recipe.Version;
        change
            .Append(
                Tables.RecipeVersion,
                [
                    new RecipeVersionRow(
                        recipe.VersionId,
                        recipe.RecipeId,
                        recipe.Number,
                        version.Name,
                        version.Portions,
                        version.Meal,
                        version.Keeping.Key,
                        version.Reheating,
                        version.AtEating,
                        recipe.System.ToString(),
                        at,
                        stamp.Tenant.Account
                    ),
                ]
            )
            .Append(
                Tables.RecipeLine,
                version.Lines.Select(
                    (line, position) =>
                        new RecipeLineRow(
                            recipe.VersionId,
                            position,
                            line.Part,
                            line.Read.Text,
                            line.Food is { Packet: null } food ? versions.IdOf(food) : null,
                            line.Food?.Packet is { } packet ? foods.Packets[packet.Id].VersionId : null,
                            line.Match.ToString(),
                            recipe.Chosen[position]
                        )
                )
            )
            .Append(
                Tables.RecipeTask,
                version.Tasks.Select(
                    (task, position) =>
                        new RecipeTaskRow(
                            recipe.VersionId,
                            position,
                            task.Id,
                            task.Text,
                            task.HandsOn,
                            task.Unattended,
                            task.Appliance.ToString(),
                            task.TemperatureC,
                            task.After
                        )
                )
            );
    }

    /// <summary>A meal of earlier weeks is still what a recipe was made for.</summary>
    private static Refusal? WrongMeal(RecipeVersion recipe, Rhythm rhythm) =>
        recipe.Meal is null ? null : Rhythm.UnknownMeal(rhythm.Slots, recipe.Meal);
}
