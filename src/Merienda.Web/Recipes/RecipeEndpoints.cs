using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Recipes;

/// <summary>The library, the sheet, and the live reading of what is pasted or typed.</summary>
public static class RecipeEndpoints
{
    public static void MapRecipes(this IEndpointRouteBuilder api)
    {
        var recipes = api.MapGroup("/recipes").WithTags("Recipes").RequireAuthorization();
        recipes.MapGet("", All).WithName("GetRecipes");
        recipes.MapGet("/keeping", Keeping).WithName("GetKeepingClasses");
        recipes.MapGet("/{id:guid}", One).WithName("GetRecipe");
        recipes.MapPost("/read-text", ReadText).WithName("ReadRecipeText");
        recipes.MapPost("/check", Check).WithName("CheckRecipe");
        recipes.MapPost("", Add).WithName("AddRecipe");
        recipes.MapPut("/{id:guid}", Change).WithName("ChangeRecipe");
        recipes.MapDelete("/{id:guid}", Archive).WithName("ArchiveRecipe");
        api.MapGet("/foods", Foods).WithTags("Recipes").WithName("FindFoods").RequireAuthorization();
    }

    private static async Task<Ok<IReadOnlyList<RecipeRow>>> All(
        CurrentTenant tenant,
        RecipeStore recipes,
        DinersReader diners,
        KnowledgeBase knowledge
    )
    {
        var eaters = await Eaters(tenant, diners);
        return TypedResults.Ok<IReadOnlyList<RecipeRow>>([
            .. (await recipes.All(tenant)).Select(recipe => RecipeSheets.ToRow(recipe, eaters, knowledge)),
        ]);
    }

    private static Ok<IReadOnlyList<SheetKeeping>> Keeping() =>
        TypedResults.Ok<IReadOnlyList<SheetKeeping>>([.. Core.Keeping.KeepingClass.All.Select(RecipeSheets.ToKeeping)]);

    private static async Task<Results<Ok<RecipeSheet>, NotFound>> One(
        Guid id,
        CurrentTenant tenant,
        RecipeStore recipes,
        DinersReader diners,
        PacketStore packets,
        KnowledgeBase knowledge
    ) =>
        await recipes.Latest(tenant, id) is { } recipe
            ? TypedResults.Ok(
                RecipeSheets.ToSheet(recipe, id, await Eaters(tenant, diners), (await packets.Foods(tenant)).Matcher, knowledge)
            )
            : TypedResults.NotFound();

    /// <summary>
    /// Takes what was pasted apart into a draft: text, JSON-LD or a saved page. What it does not say is left for the cook.
    /// </summary>
    private static Results<Ok<RecipeDraft>, ProblemHttpResult> ReadText(ReadTextRequest request)
    {
        var read = RecipeFile.Read(request.Text);
        if (read.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        var written = read.Value;
        var tasks = TaskReader.Read(written.Steps).Take(RecipeSheets.MostTasks).Select(RecipeSheets.ToTask);
        return written.Portions is <= 0 or > 1000
            ? new Refusal(
                "portions-out-of-range",
                "portions",
                $"{written.Portions}",
                "a recipe makes between 0.25 and 1000 portions",
                "Write for example: Serves 4"
            ).ToProblem()
            : TypedResults.Ok(
                new RecipeDraft(
                    written.Name[..Math.Min(120, written.Name.Length)],
                    written.Portions,
                    null,
                    "",
                    "",
                    "",
                    MeasureSystem.Metric,
                    [.. written.Lines.Select(line => new DraftLine(line.Part, RecipeTextReader.WithoutBullet(line.Text), null))],
                    [.. tasks],
                    null
                )
            );
    }

    private static async Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> Check(
        RecipeDraft draft,
        CurrentTenant tenant,
        DinersReader diners,
        PacketStore packets,
        KnowledgeBase knowledge
    )
    {
        var foods = (await packets.Foods(tenant)).Matcher;
        // While it is typed a name, the portions and how it keeps may still be missing: one portion is then all of it.
        var soFar = draft with
        {
            Name = draft.Name.Trim().Length == 0 ? "Untitled" : draft.Name,
            Portions = draft.Portions ?? 1,
            Keeping = draft.Keeping.Length == 0 ? Core.Keeping.KeepingClass.All[0].Key : draft.Keeping,
        };
        var read = RecipeSheets.ToRecipe(soFar, Guid.Empty, foods);
        return read.Refusal is { } refusal
            ? refusal.ToProblem()
            : TypedResults.Ok(RecipeSheets.ToSheet(read.Value, null, await Eaters(tenant, diners), foods, knowledge));
    }

    private static Task<Results<Ok<RecipeSheet>, NotFound, ProblemHttpResult>> Add(
        RecipeDraft draft,
        CurrentTenant tenant,
        RecipeStore recipes,
        DinersReader diners,
        PacketStore packets,
        KnowledgeBase knowledge,
        TimeProvider clock
    ) => Save(draft, Guid.CreateVersion7(), tenant, recipes, diners, packets, knowledge, clock);

    private static async Task<Results<Ok<RecipeSheet>, NotFound, ProblemHttpResult>> Change(
        Guid id,
        RecipeDraft draft,
        CurrentTenant tenant,
        RecipeStore recipes,
        DinersReader diners,
        PacketStore packets,
        KnowledgeBase knowledge,
        TimeProvider clock
    )
    {
        var latest = await recipes.Latest(tenant, id);
        if (latest is null)
        {
            return TypedResults.NotFound();
        }

        return draft.BasedOn == latest.Number
            ? await Save(draft, id, tenant, recipes, diners, packets, knowledge, clock)
            : new Refusal(
                "recipe-changed",
                "basedOn",
                $"version {draft.BasedOn}",
                $"somebody saved version {latest.Number} of {latest.Version.Name} meanwhile",
                "Open it again in another tab and bring over what you changed; what you typed is still here"
            ).ToProblem();
    }

    private static async Task<Results<NoContent, NotFound>> Archive(
        Guid id,
        CurrentTenant tenant,
        RecipeStore recipes,
        TimeProvider clock
    ) => await recipes.Archive(tenant, id, clock.GetUtcNow()) ? TypedResults.NoContent() : TypedResults.NotFound();

    /// <param name="packets">False where only a food of the table can be meant: a protocol, a dislike, an acceptance.</param>
    private static async Task<Ok<IReadOnlyList<FoodFound>>> Foods(
        string query,
        CurrentTenant tenant,
        PacketStore store,
        KnowledgeBase knowledge,
        bool packets = true
    )
    {
        var foods = packets ? (await store.Foods(tenant)).Matcher : knowledge.Foods.Latest;
        return TypedResults.Ok<IReadOnlyList<FoodFound>>([
            .. foods.Search(query, 12).Select(food => new FoodFound(food.Key, food.Name, food.Aisle, food.Source, food.Mark.ToString())),
        ]);
    }

    private static async Task<Results<Ok<RecipeSheet>, NotFound, ProblemHttpResult>> Save(
        RecipeDraft draft,
        Guid id,
        CurrentTenant tenant,
        RecipeStore recipes,
        DinersReader diners,
        PacketStore packets,
        KnowledgeBase knowledge,
        TimeProvider clock
    )
    {
        var foods = (await packets.Foods(tenant)).Matcher;
        var read = RecipeSheets.ToRecipe(draft, id, foods);
        if (read.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        var saved = await recipes.Save(tenant, read.Value, RecipeSheets.LearntFrom(read.Value, foods), clock.GetUtcNow());
        return TypedResults.Ok(RecipeSheets.ToSheet(saved, id, await Eaters(tenant, diners), foods, knowledge));
    }

    private static async Task<IReadOnlyList<Eater>> Eaters(CurrentTenant tenant, DinersReader diners) => (await diners.Read(tenant)).Eaters;
}
