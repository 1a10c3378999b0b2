using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Extensions.Options;

namespace Merienda.Web.Recipes;

/// <summary>Recipes out: one as a schema.org file or as Markdown, or the whole library in an archive.</summary>
public static partial class ExportEndpoints
{
    public static void MapExport(this RouteGroupBuilder recipes)
    {
        recipes.MapGet("/{id:guid}/recipe.json", JsonLd).WithName("ExportRecipe").Produces<string>(contentType: "application/ld+json");
        recipes.MapGet("/{id:guid}/recipe.md", Markdown).WithName("ExportRecipeMarkdown").Produces<string>(contentType: "text/markdown");
        recipes.MapGet("/recipes.zip", All).WithName("ExportRecipes").Produces<byte[]>(contentType: "application/zip");
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> JsonLd(
        Guid id,
        CurrentTenant tenant,
        Database database,
        RecipeStore recipes,
        IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json
    ) =>
        await database.Read(tenant, recipes.Latest(id).And(PictureStore.OfRecipe(id))) is ({ } recipe, var picture)
            ? TypedResults.File(
                Encoding.UTF8.GetBytes(
                    Written(recipe, json.Value, picture is null ? null : $"data:image/jpeg;base64,{Convert.ToBase64String(picture)}")
                ),
                "application/ld+json",
                $"{FileName(recipe)}.json"
            )
            : RecipeStore.Gone(id).ToProblem();

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Markdown(
        Guid id,
        CurrentTenant tenant,
        Database database,
        RecipeStore recipes
    ) =>
        await database.Read(tenant, recipes.Latest(id)) is { } recipe
            ? TypedResults.File(
                Encoding.UTF8.GetBytes(RecipeWriter.Markdown(recipe.Version)),
                "text/markdown; charset=utf-8",
                $"{FileName(recipe)}.md"
            )
            : RecipeStore.Gone(id).ToProblem();

    private static async Task<FileContentHttpResult> All(
        CurrentTenant tenant,
        Database database,
        RecipeStore recipes,
        IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json
    )
    {
        var (library, order) = await database.Read(tenant, recipes.All.And(LibraryStore.Order));
        using var written = new MemoryStream();
        using (var archive = new ZipArchive(written, ZipArchiveMode.Create, leaveOpen: true))
        {
            void Write(string file, byte[] content)
            {
                using var entry = archive.CreateEntry($"recipes/{file}").Open();
                entry.Write(content);
            }

            var names = new Dictionary<string, int>();
            foreach (var recipe in library)
            {
                var name = FileName(recipe);
                // Two of one name stand side by side.
                var many = names[name] = names.GetValueOrDefault(name) + 1;
                name = $"{name}{(many > 1 ? $" {many}" : "")}";
                var picture = order.PictureOf(recipe.RecipeId) is { } shown
                    ? await database.Read(tenant, PictureStore.Of(shown, isSmall: false))
                    : null;
                Write($"{name}.json", Encoding.UTF8.GetBytes(Written(recipe, json.Value, picture is null ? null : $"{name}.jpg")));
                if (picture is not null)
                {
                    Write($"{name}.jpg", picture);
                }
            }
        }

        return TypedResults.File(written.ToArray(), "application/zip", "merienda-recipes.zip");
    }

    /// <summary>What another kitchen of ours reads whole, and any other reader as far as it goes.</summary>
    /// <param name="image">What it looks like, as an address; null without one.</param>
    private static string Written(StoredRecipe recipe, Microsoft.AspNetCore.Http.Json.JsonOptions json, string? image) =>
        RecipeWriter.JsonLd(recipe.Version, JsonSerializer.SerializeToNode(BroughtRecipes.Of(recipe), json.SerializerOptions)!, image);

    private static string FileName(StoredRecipe recipe) => FileName(recipe.Version.Name);

    /// <summary>A name as every file system takes it.</summary>
    internal static string FileName(string name) => Odd().Replace(name, " ").Trim(' ', '.') is { Length: > 0 } plain ? plain : "recipe";

    /// <summary>What no file system takes.</summary>
    [GeneratedRegex(@"[\\/:*?""<>|\p{C}\s]+")]
    private static partial Regex Odd();
}
