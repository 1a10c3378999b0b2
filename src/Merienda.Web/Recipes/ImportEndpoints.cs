using System.Text.Json;
using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.Options;

namespace Merienda.Web.Recipes;

/// <param name="Name">Of the file, with its folder.</param>
public sealed record RecipeFileText(string Name, string Text);

public sealed record ReadFilesRequest(IReadOnlyList<RecipeFileText> Files);

/// <summary>A recipe that was read from a file.</summary>
/// <param name="Uses">Names of the recipes and foods that keys in the draft mean where it was written.</param>
public sealed record RecipeToBring(RecipeDraft Draft, IReadOnlyDictionary<string, string> Uses);

/// <summary>What was found in a file: a recipe, or why there is none.</summary>
/// <param name="Problem">What is wrong, with its cure; null where it can come in once what it needs is said.</param>
/// <param name="Needs">Fields of the draft that it does not say: "portions", "keeping".</param>
/// <param name="IsThere">Whether a recipe of its name is in the library.</param>
public sealed record FileRead(string File, RecipeToBring? Recipe, string? Problem, IReadOnlyList<string> Needs, bool IsThere);

/// <param name="Recipes">At most 500; they come in whole or not at all.</param>
public sealed record BringInRequest(IReadOnlyList<RecipeToBring> Recipes);

/// <param name="Count">How many came in.</param>
public sealed record BroughtIn(int Count);

/// <summary>Recipes in bulk: files and archives are read first and looked over, then all of them come in with one edit.</summary>
public static class ImportEndpoints
{
    private const int MostBytes = 24_000_000;

    public static void MapImport(this RouteGroupBuilder recipes)
    {
        recipes.MapPost("/import/read", ReadFiles).WithName("ReadRecipeFiles").WithMetadata(new RequestSizeLimitAttribute(MostBytes));
        recipes
            .MapPost("/import/zip", ReadZip)
            .WithName("ReadRecipeZip")
            .Accepts<byte[]>("application/zip")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes));
        recipes.MapPost("/import", BringIn).WithName("BringInRecipes").WithMetadata(new RequestSizeLimitAttribute(MostBytes));
    }

    private static async Task<Ok<IReadOnlyList<FileRead>>> ReadFiles(
        ReadFilesRequest request,
        CurrentTenant tenant,
        [AsParameters] RecipeEndpoints.Desk desk,
        IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json
    ) =>
        TypedResults.Ok(
            await Read([.. request.Files.Select(file => new ArchivedFile(file.Name, file.Text, ""))], tenant, desk, json.Value)
        );

    private static async Task<Results<Ok<IReadOnlyList<FileRead>>, ProblemHttpResult>> ReadZip(
        HttpRequest request,
        CurrentTenant tenant,
        [AsParameters] RecipeEndpoints.Desk desk,
        IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json
    )
    {
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, request.HttpContext.RequestAborted);
        body.Position = 0;
        var files = RecipeArchive.Read(body);
        return files.Refusal is { } refusal ? refusal.ToProblem() : TypedResults.Ok(await Read(files.Value, tenant, desk, json.Value));
    }

    private static async Task<IReadOnlyList<FileRead>> Read(
        IReadOnlyList<ArchivedFile> files,
        CurrentTenant tenant,
        RecipeEndpoints.Desk desk,
        Microsoft.AspNetCore.Http.Json.JsonOptions json
    )
    {
        var rhythm = (await desk.Database.Read(tenant, desk.Households.Table())).Household.Rhythm;
        var found = files
            .SelectMany(file =>
                file.Text is null
                    ? [(file.Name, Recipe: (RecipeToBring?)null, (Refusal?)null, file.Problem)]
                    : RecipeFile
                        .ReadAll(file.Text)
                        .Select(read =>
                            (
                                file.Name,
                                Recipe: read.Recipe.Refusal is null
                                    ? Own(read.Own, json)
                                        ?? new(RecipeDrafts.Of(read.Recipe.Value, desk.Knowledge.Foods.Latest, rhythm), Nothing)
                                    : null,
                                read.Recipe.Refusal,
                                Problem: ""
                            )
                        )
            )
            .ToList();
        var uses = new RecipeUses(
            string.Join('\n', found.SelectMany(one => one.Recipe?.Draft.AllLines ?? []).Select(line => line.Text)),
            []
        );
        var (((foods, recipes), library), _) = await desk.Database.Read(
            tenant,
            desk.Packets.Foods.And(desk.Recipes.Cookbook(uses, null)).And(desk.Recipes.All).And(desk.Households.Table())
        );
        var names = library.Select(recipe => recipe.Version.Name).ToHashSet(Cookbook.SameName);
        return
        [
            .. found.Select(one =>
            {
                if (one.Recipe is not { } recipe)
                {
                    return new FileRead(one.Name, null, one.Refusal is { } unread ? Said(unread) : Sentence(one.Problem), [], false);
                }

                var (wrong, needs) = Lacking(BroughtRecipes.Here(recipe, recipes, foods.Matcher), foods.Matcher, recipes);
                return new FileRead(one.Name, recipe, wrong is null ? null : Said(wrong), needs, names.Contains(recipe.Draft.Name));
            }),
        ];
    }

    /// <summary>What a draft does not say, and what is wrong with it beside that.</summary>
    private static (Refusal? Wrong, IReadOnlyList<string> Needs) Lacking(RecipeDraft draft, FoodMatcher foods, Cookbook recipes)
    {
        var needs = new List<string>();
        while (true)
        {
            var wrong = RecipeDrafts.ToRecipe(draft, Guid.Empty, foods, recipes).Refusal;
            switch (wrong?.Code)
            {
                case "portions-missing":
                    draft = draft with { Portions = 1 };
                    break;
                case "keeping-missing":
                    draft = draft with { Keeping = Core.Keeping.KeepingClass.All[0].Key };
                    break;
                default:
                    return (wrong, needs);
            }

            needs.Add(wrong.Field);
        }
    }

    private static readonly IReadOnlyDictionary<string, string> Nothing = new Dictionary<string, string>();

    private static string Said(Refusal refusal) => $"{Sentence(refusal.Reason)} {Sentence(refusal.Cure)}";

    private static string Sentence(string words) => words.Length == 0 ? "" : $"{char.ToUpperInvariant(words[0])}{words[1..].TrimEnd('.')}.";

    /// <summary>What we wrote ourselves; null where it is not ours or not whole: then what everybody reads is read.</summary>
    private static RecipeToBring? Own(string? own, Microsoft.AspNetCore.Http.Json.JsonOptions json)
    {
        try
        {
            return own is null ? null : JsonSerializer.Deserialize<RecipeToBring>(own, json.SerializerOptions);
        }
        catch (Exception error) when (error is JsonException or BadHttpRequestException)
        {
            return null;
        }
    }

    private static async Task<Results<Ok<BroughtIn>, ProblemHttpResult>> BringIn(
        BringInRequest request,
        Editing editing,
        [AsParameters] RecipeEndpoints.Desk desk,
        TimeProvider clock
    )
    {
        if (request.Recipes.Count is 0 or > RecipeStore.MostAtOnce)
        {
            return new Refusal(
                "too-many-recipes",
                "recipes",
                $"{request.Recipes.Count}",
                $"1 to {RecipeStore.MostAtOnce} recipes come in at once",
                "Bring the others in afterwards"
            ).ToProblem();
        }

        var edited = await desk.Recipes.BringIn(
            editing,
            desk.Recipes.Cookbook(BroughtRecipes.UsesOf(request.Recipes), null),
            (foods, recipes) => BroughtRecipes.Read(request.Recipes, foods.Matcher, recipes, _ => null),
            clock.GetUtcNow()
        );
        return editing.Answer<BroughtIn>(
            edited.Refusal is { } refusal ? refusal : edited.Value.Select(_ => new BroughtIn(request.Recipes.Count))
        );
    }
}
