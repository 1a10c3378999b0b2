using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Merienda.Web.Recipes;

/// <summary>What recipes look like: never asked for, kept small, and without what the camera wrote beside it.</summary>
public static class PictureEndpoints
{
    /// <summary>More is read than is taken, so that a large file is answered in words.</summary>
    private const int MostRead = 60_000_000;

    public static void MapPictures(this IEndpointRouteBuilder api, RouteGroupBuilder recipes)
    {
        recipes
            .MapPut("/{id:guid}/picture", Show)
            .WithName("ShowPicture")
            .Accepts<byte[]>("application/octet-stream")
            .WithMetadata(new RequestSizeLimitAttribute(MostRead));
        recipes.MapDelete("/{id:guid}/picture", TakeAway).WithName("TakePictureAway");
        api.MapGet("/pictures/{id:guid}", Picture)
            .WithTags("Recipes")
            .WithName("GetPicture")
            .RequireAuthorization()
            .Produces<byte[]>(contentType: "image/jpeg");
    }

    private static async Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> Show(
        Guid id,
        HttpRequest request,
        Editing editing,
        PictureStore pictures,
        [AsParameters] RecipeEndpoints.Desk desk,
        TimeProvider clock
    )
    {
        if (request.ContentLength > PictureFile.MostBytes)
        {
            return PictureFile.TooLarge(request.ContentLength.Value).ToProblem();
        }

        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, request.HttpContext.RequestAborted);
        var picture = PictureFile.Read(body.ToArray());
        return picture.Refusal is { } refusal
            ? refusal.ToProblem()
            : await Put(id, (picture.Value.Large, picture.Value.Small), editing, pictures, desk, clock);
    }

    private static Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> TakeAway(
        Guid id,
        Editing editing,
        PictureStore pictures,
        [AsParameters] RecipeEndpoints.Desk desk,
        TimeProvider clock
    ) => Put(id, null, editing, pictures, desk, clock);

    private static async Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> Put(
        Guid id,
        (byte[] Large, byte[] Small)? picture,
        Editing editing,
        PictureStore pictures,
        RecipeEndpoints.Desk desk,
        TimeProvider clock
    ) =>
        editing.Answer(
            await pictures.Show(
                editing,
                (id, desk.Recipes.Latest(id)),
                picture,
                clock.GetUtcNow(),
                () => RecipeEndpoints.SheetOf(id, desk).Select(sheet => sheet!)
            )
        );

    /// <param name="small">At most 400 pixels on its longer side instead of 1,600.</param>
    private static async Task<Results<FileContentHttpResult, NotFound>> Picture(
        Guid id,
        CurrentTenant tenant,
        Database database,
        bool small = false
    ) =>
        await database.Read(tenant, PictureStore.Of(id, small)) is { } picture
            ? TypedResults.File(picture, "image/jpeg")
            : TypedResults.NotFound();
}
