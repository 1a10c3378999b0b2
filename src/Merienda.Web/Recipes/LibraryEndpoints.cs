using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Recipes;

/// <summary>The library: who can eat what, and how a household keeps it in order.</summary>
public static class LibraryEndpoints
{
    public static void MapLibrary(this RouteGroupBuilder recipes)
    {
        recipes.MapGet("", All).WithName("GetRecipes");
        recipes.MapGet("/library", Library).WithName("GetLibrary");
        recipes.MapPut("/{id:guid}/usual", PreferVariant).WithName("PreferVariant");
        recipes.MapPut("/{id:guid}/disliked", Dislike).WithName("DislikeDish");
        recipes.MapPut("/{id:guid}/collections", Collect).WithName("CollectRecipe");
        recipes.MapPut("/filters", KeepFilter).WithName("KeepFilter");
    }

    private static async Task<Ok<IReadOnlyList<RecipeRow>>> All(CurrentTenant tenant, [AsParameters] RecipeEndpoints.Desk desk)
    {
        var (table, library) = await desk.Database.Read(tenant, desk.Households.Table().And(desk.Recipes.All));
        return TypedResults.Ok<IReadOnlyList<RecipeRow>>([
            .. library.Select(recipe => RecipeSheets.ToRow(recipe, table.Diners, desk.Knowledge)),
        ]);
    }

    private static async Task<Results<Ok<LibraryPage>, ProblemHttpResult>> Library(
        [AsParameters] LibraryQuery query,
        CurrentTenant tenant,
        [AsParameters] RecipeEndpoints.Desk desk
    )
    {
        var ((table, library), order) = await desk.Database.Read(
            tenant,
            desk.Households.Table().And(desk.Recipes.All).And(LibraryStore.Order)
        );
        var page = LibraryPages.Of(query, library, table.Diners, desk.Knowledge, order);
        return page.Refusal is { } refusal ? refusal.ToProblem() : TypedResults.Ok(page.Value);
    }

    private static async Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> PreferVariant(
        Guid id,
        UsualVariantRequest request,
        Editing editing,
        [AsParameters] RecipeEndpoints.Desk desk
    ) =>
        editing.Answer(
            await desk.Households.PreferVariant(
                editing,
                (id, desk.Recipes.Latest(id)),
                request.EaterId,
                request.Variant,
                () => RecipeEndpoints.SheetOf(id, desk, request.Variant).Select(sheet => sheet!)
            )
        );

    private static async Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> Dislike(
        Guid id,
        DislikeRequest request,
        Editing editing,
        [AsParameters] RecipeEndpoints.Desk desk
    ) =>
        editing.Answer(
            await desk.Households.Dislike(
                editing,
                (id, desk.Recipes.Latest(id)),
                request.EaterId,
                request.Part,
                request.IsDisliked,
                () => RecipeEndpoints.SheetOf(id, desk).Select(sheet => sheet!)
            )
        );

    private static async Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> Collect(
        Guid id,
        CollectionsRequest request,
        Editing editing,
        LibraryStore library,
        [AsParameters] RecipeEndpoints.Desk desk
    ) =>
        editing.Answer(
            await library.Collect(
                editing,
                (id, desk.Recipes.Latest(id)),
                request.Names,
                () => RecipeEndpoints.SheetOf(id, desk).Select(sheet => sheet!)
            )
        );

    private static async Task<Results<NoContent, ProblemHttpResult>> KeepFilter(
        FilterRequest request,
        Editing editing,
        LibraryStore library
    ) => editing.Done(await library.KeepFilter(editing, request.Name, request.Query));
}
