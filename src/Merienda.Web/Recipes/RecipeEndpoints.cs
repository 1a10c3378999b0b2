using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
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
        recipes.MapGet("/keeping", Keeping).WithName("GetKeepingClasses");
        recipes.MapGet("/{id:guid}", One).WithName("GetRecipe");
        recipes.MapPost("/read-text", ReadText).WithName("ReadRecipeText");
        recipes.MapPost("/read-claims", ReadClaims).WithName("ReadClaims");
        recipes.MapPost("/check", Check).WithName("CheckRecipe");
        recipes.MapPost("", Add).WithName("AddRecipe");
        recipes.MapPut("/{id:guid}", Change).WithName("ChangeRecipe");
        recipes.MapDelete("/{id:guid}", Archive).WithName("ArchiveRecipe");
        recipes.MapSwaps();
        recipes.MapLibrary();
        recipes.MapScaling();
        recipes.MapHistory();
        recipes.MapImport();
        recipes.MapExport();
        api.MapPictures(recipes);
        recipes.MapGet("/{id:guid}/vessels", Vessels).WithName("RecipeVessels");
        api.MapGet("/foods", Foods).WithTags("Recipes").WithName("FindFoods").RequireAuthorization();
    }

    /// <summary>What every look at a recipe needs.</summary>
    public sealed record Desk(
        Database Database,
        RecipeStore Recipes,
        HouseholdStore Households,
        PacketStore Packets,
        KnowledgeBase Knowledge
    )
    {
        /// <summary>A recipe, who eats and what there is: what a question about a saved recipe needs.</summary>
        public Reading<((StoredRecipe? Recipe, Core.Planning.Table Table) First, HouseholdFoods Foods)> Looking(Guid id) =>
            Recipes
                .Latest(id)
                .And(Households.Table())
                .And(Packets.Foods)
                .Select(read => ((read.First.First, read.First.Second), read.Second));
    }

    /// <summary>How a recipe goes into the household's vessels, step by step.</summary>
    /// <param name="portions">How many are cooked; those of the recipe without it.</param>
    private static async Task<Results<Ok<IReadOnlyList<SheetVessel>>, ProblemHttpResult>> Vessels(
        Guid id,
        CurrentTenant tenant,
        [AsParameters] Desk desk,
        decimal? portions = null
    )
    {
        var (recipe, kitchen) = await desk.Database.Read(tenant, desk.Recipes.Latest(id).And(KitchenStore.Current));
        if (recipe is null)
        {
            return RecipeStore.Gone(id).ToProblem();
        }

        var version = recipe.Version;
        var dish = CookedDish.Alone(version, portions is > 0 and <= 1000 ? portions.Value : version.Portions)[^1];
        return TypedResults.Ok<IReadOnlyList<SheetVessel>>([
            .. VesselFit
                .Of(dish, kitchen)
                .Select(finding => new SheetVessel(
                    finding.Task,
                    version.Tasks.First(task => task.Id == finding.Task).Text,
                    finding.Verdict,
                    finding.Said
                )),
        ]);
    }

    private static Ok<IReadOnlyList<SheetKeeping>> Keeping() =>
        TypedResults.Ok<IReadOnlyList<SheetKeeping>>([.. Core.Keeping.KeepingClass.All.Select(RecipeSheets.ToKeeping)]);

    /// <param name="variant">Whose lines, numbers and verdicts are shown; the recipe's own without it.</param>
    private static async Task<Results<Ok<RecipeSheet>, NotFound>> One(
        Guid id,
        CurrentTenant tenant,
        [AsParameters] Desk desk,
        string? variant = null
    ) => await desk.Database.Read(tenant, SheetOf(id, desk, variant)) is { } sheet ? TypedResults.Ok(sheet) : TypedResults.NotFound();

    /// <summary>
    /// Takes what was pasted apart into a draft: text, JSON-LD or a saved page. What it does not say is left for the cook.
    /// </summary>
    private static async Task<Results<Ok<RecipeDraft>, ProblemHttpResult>> ReadText(
        ReadTextRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var read = RecipeFile.Read(request.Text);
        if (read.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        var written = read.Value;
        return written.Portions is <= 0 or > 1000
            ? new Refusal(
                "portions-out-of-range",
                "portions",
                $"{written.Portions}",
                "a recipe makes between 0.25 and 1000 portions",
                "Write for example: Serves 4"
            ).ToProblem()
            : TypedResults.Ok(
                RecipeDrafts.Of(
                    written,
                    desk.Knowledge.Foods.Latest,
                    (await desk.Database.Read(tenant, desk.Households.Table())).Household.Rhythm
                )
            );
    }

    /// <summary>Reads what a source says a portion has: "420 kcal, 3 g net carbs; 63 % protein".</summary>
    private static Results<Ok<IReadOnlyList<DraftClaim>>, ProblemHttpResult> ReadClaims(ReadTextRequest request) =>
        ClaimReader.Read(request.Text[..Math.Min(request.Text.Length, RecipeTextReader.MostCharacters)]) is { Count: > 0 } claims
            ? TypedResults.Ok<IReadOnlyList<DraftClaim>>([.. claims.Select(claim => RecipeSheets.ToDraft(claim) with { Of = null })])
            : new Refusal(
                "no-claims",
                "text",
                request.Text[..Math.Min(60, request.Text.Length)],
                "no value that a portion may have is in it",
                "Type a number with its word: 420 kcal, protein 41 g, 3 g net carbs, 2 points, keeps 4 days"
            ).ToProblem();

    /// <param name="variant">Whose lines, numbers and verdicts are answered; the recipe's own without it.</param>
    /// <param name="recipe">The recipe that is changed; none for a new one.</param>
    private static async Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> Check(
        RecipeDraft draft,
        CurrentTenant tenant,
        [AsParameters] Desk desk,
        string? variant = null,
        Guid? recipe = null
    )
    {
        var ((table, foods), recipes) = await desk.Database.Read(
            tenant,
            desk.Households.Table().And(desk.Packets.Foods).And(desk.Recipes.Cookbook(draft.Uses, recipe))
        );
        // While it is typed a name, the portions and how it keeps may still be missing: one portion is then all of it.
        var soFar = draft with
        {
            Name = draft.Name.Trim().Length == 0 ? "Untitled" : draft.Name,
            Portions = draft.Portions ?? 1,
            Keeping = draft.Keeping.Length == 0 ? Core.Keeping.KeepingClass.All[0].Key : draft.Keeping,
            // Nor is a variant that was only just begun a mistake.
            Variants = [.. (draft.Variants ?? []).Where(one => one.IsBegun)],
        };
        var read = RecipeDrafts.ToRecipe(soFar, recipe ?? Guid.Empty, foods.Matcher, recipes);
        return read.Refusal is { } refusal
            ? refusal.ToProblem()
            : TypedResults.Ok(RecipeSheets.ToSheet(read.Value, null, table, foods.Matcher, desk.Knowledge, NoneNewer, variant));
    }

    private static Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> Add(
        RecipeDraft draft,
        Editing editing,
        [AsParameters] Desk desk,
        TimeProvider clock
    ) => Save(draft, Guid.CreateVersion7(), null, editing, desk, clock);

    private static Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> Change(
        Guid id,
        RecipeDraft draft,
        Editing editing,
        [AsParameters] Desk desk,
        TimeProvider clock
    ) => Save(draft, id, draft.BasedOn ?? 0, editing, desk, clock);

    private static async Task<Results<NoContent, ProblemHttpResult>> Archive(
        Guid id,
        Editing editing,
        RecipeStore recipes,
        TimeProvider clock
    ) => editing.Done(await recipes.Archive(editing, id, clock.GetUtcNow()));

    /// <param name="packets">False where only a food of the table can be meant: a protocol, a dislike, an acceptance.</param>
    /// <param name="recipes">True where a line may take some of another recipe; those stand first.</param>
    private static async Task<Ok<IReadOnlyList<FoodFound>>> Foods(
        string query,
        CurrentTenant tenant,
        [AsParameters] Desk desk,
        bool packets = true,
        bool recipes = false
    )
    {
        if (!packets)
        {
            return TypedResults.Ok<IReadOnlyList<FoodFound>>([.. Found(desk.Knowledge.Foods.Latest, query)]);
        }

        var (foods, own) = await desk.Database.Read(
            tenant,
            desk.Packets.Foods.And(recipes ? RecipeStore.Find(query, 4) : Reading.Known<IReadOnlyList<(Guid Id, string Name)>>([]))
        );
        return TypedResults.Ok<IReadOnlyList<FoodFound>>([
            .. own.Select(recipe => new FoodFound(Cookbook.KeyOf(recipe.Id), recipe.Name, "your recipe", "", "")),
            .. Found(foods.Matcher, query),
        ]);
    }

    private static IEnumerable<FoodFound> Found(FoodMatcher foods, string query) =>
        foods.Search(query, 12).Select(food => new FoodFound(food.Key, food.Name, food.Aisle, food.Source, food.Mark.ToString()));

    private static async Task<Results<Ok<RecipeSheet>, ProblemHttpResult>> Save(
        RecipeDraft draft,
        Guid id,
        int? basedOn,
        Editing editing,
        Desk desk,
        TimeProvider clock
    ) =>
        editing.Answer(
            await desk.Recipes.Save(
                editing,
                id,
                basedOn,
                desk.Recipes.Cookbook(draft.Uses, id),
                (foods, recipes) => RecipeDrafts.ToRecipe(draft, id, foods.Matcher, recipes),
                (recipe, foods) => RecipeDrafts.LearntFrom(recipe, foods.Matcher),
                clock.GetUtcNow(),
                saved => SheetOf(saved, desk).Select(sheet => sheet!)
            )
        );

    /// <summary>What is read just now uses the versions that count.</summary>
    private static readonly IReadOnlyDictionary<Guid, Guid> NoneNewer = new Dictionary<Guid, Guid>();

    internal static Reading<RecipeSheet?> SheetOf(Guid id, Desk desk, string? variant = null) =>
        desk
            .Recipes.Latest(id)
            .And(desk.Households.Table())
            .And(desk.Packets.Foods)
            .And(RecipeStore.UsedBy(id))
            .And(LibraryStore.Order)
            .Select(read =>
            {
                var ((((recipe, table), foods), current), order) = read;
                return recipe is null
                    ? null
                    : RecipeSheets.ToSheet(recipe, id, table, foods.Matcher, desk.Knowledge, current, variant) with
                    {
                        Collections = [.. order.Collections[id]],
                        Picture = order.PictureOf(id),
                    };
            });
}
