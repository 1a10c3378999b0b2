using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>Recipes that come in together, out of a file or from a group.</summary>
public sealed partial class RecipeStore
{
    /// <summary>Most recipes that come in with one edit.</summary>
    public const int MostAtOnce = 500;

    /// <summary>Brings recipes in, all or none; taken back, all of them are put away.</summary>
    /// <param name="cookbook">The recipes that they may use.</param>
    /// <param name="read">The versions to store, each after those that it uses.</param>
    public Task<Result<Edited<bool>>> BringIn(
        EditStamp stamp,
        Reading<Cookbook> cookbook,
        Func<HouseholdFoods, Cookbook, Result<IReadOnlyList<StoredRecipe>>> read,
        DateTimeOffset at
    ) =>
        BringIn<bool, bool>(
            stamp,
            Journal.Recipe,
            cookbook,
            read,
            at,
            Reading.Known(true),
            (change, _, _) => new Decided<bool>(change, true)
        );

    /// <summary>What was taken home of groups' menus.</summary>
    public static readonly Reading<IReadOnlyList<RecipeTakenRow>> Taken = Reading.Of<IReadOnlyList<RecipeTakenRow>>(
        "select group_id, name, print, recipe_version_id, taken_at from recipe_taken where household_id = app_household();",
        null,
        async rows => [.. await rows.ReadAsync<RecipeTakenRow>()]
    );

    /// <summary>Brings recipes of a group's menu home, and remembers what they said.</summary>
    /// <param name="read">The versions to store, each after those that it uses, with the print of what the group published.</param>
    public Task<Result<Edited<bool>>> BringHome(
        EditStamp stamp,
        Guid group,
        Reading<Cookbook> cookbook,
        Func<HouseholdFoods, Cookbook, Result<IReadOnlyList<StoredRecipe>>> read,
        Func<StoredRecipe, string> printOf,
        DateTimeOffset at
    ) =>
        BringIn<IReadOnlyList<RecipeTakenRow>, bool>(
            stamp,
            Journal.Recipe,
            cookbook,
            read,
            at,
            Taken,
            (change, brought, taken) =>
            {
                var rows = brought
                    .Select(recipe => new RecipeTakenRow(group, recipe.Version.Name, printOf(recipe), recipe.VersionId, at))
                    .ToList();
                var names = rows.Select(row => row.Name).ToHashSet();
                return new Decided<bool>(
                    change.Put(Tables.RecipeTaken, taken.Where(row => row.GroupId == group && names.Contains(row.Name)), rows),
                    true
                );
            }
        );

    /// <summary>Each recipe in use, with the number of its newest version.</summary>
    private static readonly Reading<IReadOnlyDictionary<Guid, (RecipeRow Row, int Newest)>> InUse = Reading.Of<
        IReadOnlyDictionary<Guid, (RecipeRow, int)>
    >(
        """
        select recipe.id, recipe.version_id, max(number)::int from recipe
        join recipe_version version on version.household_id = recipe.household_id and version.recipe_id = recipe.id
        where archived_at is null group by recipe.household_id, recipe.id;
        """,
        null,
        async rows =>
            (await rows.ReadAsync<(Guid Id, Guid Version, int Newest)>()).ToDictionary(
                row => row.Id,
                row => (new RecipeRow(row.Id, row.Version, null), row.Newest)
            )
    );

    /// <summary>The same as part of an edit of another kind.</summary>
    /// <param name="bring">The versions to store, each after those that it uses; one of a recipe that is in use is its next.</param>
    /// <param name="also">What else is written, by what was brought in and what was read beside it.</param>
    internal Task<Result<Edited<TAnswer>>> BringIn<TMore, TAnswer>(
        EditStamp stamp,
        string kind,
        Reading<Cookbook> cookbook,
        Func<HouseholdFoods, Cookbook, Result<IReadOnlyList<StoredRecipe>>> bring,
        DateTimeOffset at,
        Reading<TMore> more,
        Func<Change, IReadOnlyList<StoredRecipe>, TMore, Result<Decided<TAnswer>>> also
    ) =>
        door.Edit<
            (
                (
                    ((HouseholdFoods Foods, Cookbook Recipes) Known, Household Household) Kitchen,
                    IReadOnlyDictionary<Guid, (RecipeRow Row, int Newest)> InUse
                ) Home,
                TMore More
            ),
            TAnswer
        >(
            stamp,
            kind,
            packets.Foods.And(cookbook).And(TableReading.Household).And(InUse).And(more),
            locked =>
            {
                var ((((foods, recipes), household), inUse), beside) = locked;
                var read = bring(foods, recipes);
                if (read.Refusal is { } refusal)
                {
                    return refusal;
                }

                var brought = read.Value.Select(recipe => recipe with { Version = recipe.Version.At(household.Rhythm) }).ToList();
                var change = new Change(brought is [var only] ? $"Brought in {only.Version.Name}" : $"Brought in {brought.Count} recipes");
                foreach (var recipe in brought)
                {
                    var row = new RecipeRow(recipe.RecipeId, recipe.VersionId, null);
                    var (before, newest) = inUse.TryGetValue(recipe.RecipeId, out var known) ? known : (row with { ArchivedAt = at }, 0);
                    change.Put(Tables.Recipe, before, row);
                    RecipeAppending.Append(change, recipe with { Number = newest + 1 }, foods, versions, stamp, at);
                }

                return also(change, brought, beside);
            }
        );
}
