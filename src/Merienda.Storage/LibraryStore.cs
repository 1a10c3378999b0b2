using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>How a household keeps its library: the collections that recipes are in, and what is looked for again and again.</summary>
/// <param name="Collections">Names, by recipe.</param>
/// <param name="Pictures">Ids, by recipe.</param>
public sealed record LibraryOrder(
    ILookup<Guid, string> Collections,
    IReadOnlyList<LibraryFilterRow> Filters,
    IReadOnlyDictionary<Guid, Guid> Pictures
)
{
    public Guid? PictureOf(Guid recipeId) => Pictures.TryGetValue(recipeId, out var picture) ? picture : null;
}

/// <summary>Keeps collections and filters.</summary>
public sealed class LibraryStore(EditDoor door)
{
    public static readonly Reading<LibraryOrder> Order = Reading.Of(
        """
        select recipe_id, name from recipe_collection order by name;
        select name, query from library_filter order by name;
        select recipe_id, picture_id from recipe_picture;
        """,
        null,
        async rows => new LibraryOrder(
            (await rows.ReadAsync<RecipeCollectionRow>()).ToLookup(row => row.RecipeId, row => row.Name),
            [.. await rows.ReadAsync<LibraryFilterRow>()],
            (await rows.ReadAsync<RecipePictureRow>()).ToDictionary(row => row.RecipeId, row => row.PictureId)
        )
    );

    /// <summary>Puts a recipe into collections, and out of all others.</summary>
    public Task<Result<Edited<TView>>> Collect<TView>(
        EditStamp stamp,
        (Guid Id, Reading<StoredRecipe?> Read) recipe,
        IReadOnlyList<string> names,
        Func<Reading<TView>> view
    ) =>
        door.Edit<(LibraryOrder Order, StoredRecipe? Recipe), bool, TView>(
            stamp,
            Journal.Recipe,
            Order.And(recipe.Read),
            locked =>
            {
                var after = Library.Collections(names);
                return (locked.Recipe is null ? RecipeStore.Gone(recipe.Id) : after.Refusal) is { } refusal
                    ? refusal
                    : new Decided<bool>(
                        new Change($"Put {locked.Recipe!.Version.Name} into collections").Put(
                            Tables.RecipeCollection,
                            locked.Order.Collections[recipe.Id].Select(name => new RecipeCollectionRow(recipe.Id, name)),
                            after.Value.Select(name => new RecipeCollectionRow(recipe.Id, name))
                        ),
                        true
                    );
            },
            _ => view()
        );

    /// <summary>Keeps a filter under a name, or lets it go.</summary>
    /// <param name="query">Null to let it go.</param>
    public Task<Result<Edited<bool>>> KeepFilter(EditStamp stamp, string name, string? query) =>
        door.Edit<LibraryOrder, bool>(
            stamp,
            Journal.Recipe,
            Order,
            order =>
            {
                var before = order.Filters.FirstOrDefault(filter => filter.Name == name.Trim());
                return Library.WrongFilter(name.Trim(), query, order.Filters.Count(filter => filter.Name != name.Trim())) is { } refusal
                    ? refusal
                    : new Decided<bool>(
                        new Change(query is null ? $"Let the filter {name.Trim()} go" : $"Kept the filter {name.Trim()}").Put(
                            Tables.LibraryFilter,
                            before,
                            query is null ? null : new LibraryFilterRow(name.Trim(), query)
                        ),
                        true
                    );
            }
        );
}
