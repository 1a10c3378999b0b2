using Merienda.Core.Groups;
using Merienda.Core.Groups.Filling;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Recipes;
using Merienda.Web.Weeks.Solving;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Groups;

/// <param name="MostChanges">So many of the dishes that stand there may give way each week; null where the open meals are filled.</param>
public sealed record MenuSolveRequest(int? MostChanges);

/// <param name="Open">Meals without a dish.</param>
/// <param name="FitsPercent">Of what its dishes are to all members; null where nobody shares, or nothing is there.</param>
/// <param name="Over">Rules of meals, days and weeks that are broken for somebody.</param>
/// <param name="Tiers">Days, for each tier one, that come to its energy.</param>
public sealed record MenuStandingSheet(int Open, int? FitsPercent, int Over, int Tiers);

/// <param name="Replaces">Id of the dish whose place it takes; null on an open meal.</param>
/// <param name="Was">Name of that dish.</param>
/// <param name="Version">Of the recipe.</param>
public sealed record MenuChangeSheet(
    int Day,
    string Meal,
    Guid? Replaces,
    string Was,
    Guid Version,
    string Name,
    IReadOnlyList<TierPortions> Portions,
    IReadOnlyList<StrandVariant> Variants
);

/// <param name="IsProven">Whether no other menu of these dishes leaves fewer members out.</param>
public sealed record MenuOfferSheet(
    MenuStandingSheet Before,
    MenuStandingSheet After,
    IReadOnlyList<MenuChangeSheet> Changes,
    bool IsProven
);

/// <param name="Changes">What was offered, all or some of it.</param>
public sealed record MenuSolvedRequest(IReadOnlyList<MenuChangeSheet> Changes);

/// <summary>A menu filled and mended by the solver: offered first, then put there as one edit.</summary>
public static class MenuSolveEndpoints
{
    public static void MapMenuSolve(this RouteGroupBuilder groups)
    {
        groups.MapPost("/menus/{id:guid}/solve", Solve).WithName("SolveMenu");
        groups.MapPost("/menus/{id:guid}/solved", Take).WithName("TakeSolvedMenu");
    }

    private static async Task<Results<Ok<MenuOfferSheet>, ProblemHttpResult>> Solve(
        Guid id,
        MenuSolveRequest request,
        CurrentTenant tenant,
        [AsParameters] RecipeEndpoints.Desk desk,
        MenuStore menus,
        MenuOrders orders
    )
    {
        var (((all, written), table), (shares, library)) = await desk.Database.Read(
            tenant,
            menus.WithDishes(id).And(desk.Households.Table()).And(ShareStore.All.And(desk.Recipes.All))
        );
        if (all.WithId(id) is not { } menu)
        {
            return MenuStore.Gone(id).ToProblem();
        }

        if (library.Count == 0)
        {
            return new Refusal(
                "nothing-to-cook",
                "library",
                menu.Name,
                "this desk has no recipes to choose from",
                "Write some, or take up what members bring"
            ).ToProblem();
        }

        var (strands, rhythm) = (ShareEndpoints.StrandsOf(shares, table), table.Household.Rhythm);
        var recipes = written
            .Values.Concat(library)
            .DistinctBy(recipe => recipe.VersionId)
            .ToDictionary(recipe => recipe.VersionId, recipe => recipe.Version);
        var search = new MenuTable(
            menu,
            recipes,
            [.. SolveQuestions.Dishes(library).Select(one => (one.RecipeId, one.VersionId, one.Version))],
            strands,
            rhythm
        );
        var question = request.MostChanges is { } most ? search.ToMend(Math.Max(0, most)) : search.ToFill();
        if (await orders.Of(question) is not { } answer)
        {
            return TypedResults.Problem(
                statusCode: 503,
                title: "The search gave no answer.",
                detail: "Nothing was changed. Try again in a moment."
            );
        }

        var offer = MenuOffer.Of(menu, search, question, answer, recipes);
        var meals = rhythm.Meals.ToList();
        var context = new RuleContext(table.Knowledge.HouseScheme, table.Knowledge.Classes);
        return TypedResults.Ok(
            new MenuOfferSheet(
                ToSheet(MenuStanding.Of(menu, recipes, strands, meals, context)),
                ToSheet(MenuStanding.Of(offer.Menu, recipes, strands, meals, context)),
                [
                    .. from dish in offer.Come
                    orderby dish.Day, meals.FindIndex(meal => meal.Key == dish.Slot)
                    let was = offer.Go.FirstOrDefault(one => (one.Day, one.Slot) == (dish.Day, dish.Slot))
                    select new MenuChangeSheet(
                        dish.Day,
                        dish.Slot,
                        was?.Id,
                        was is null ? "" : recipes[was.RecipeVersion].Name,
                        dish.RecipeVersion,
                        recipes[dish.RecipeVersion].Name,
                        dish.Portions,
                        dish.Variants
                    ),
                ],
                answer.IsProven
            )
        );
    }

    private static async Task<Results<Ok<MenuSheet>, ProblemHttpResult>> Take(
        Guid id,
        MenuSolvedRequest request,
        Editing editing,
        [AsParameters] RecipeEndpoints.Desk desk,
        MenuStore menus
    )
    {
        var library = (await desk.Database.Read(editing.Tenant, desk.Recipes.All)).ToDictionary(one => one.VersionId, one => one.Version);
        return editing.Answer(
            await menus.Change(
                editing,
                id,
                menu => $"Put {(request.Changes.Count == 1 ? "a dish" : $"{request.Changes.Count} dishes")} on {menu.Name}",
                (menu, slots) => request.Changes.Aggregate((Result<Menu>)menu!, (draft, change) => Changed(draft, change, slots, library)),
                menu => MenuSheets.One(menus, menu)
            )
        );
    }

    private static Result<Menu> Changed(
        Result<Menu> draft,
        MenuChangeSheet change,
        IReadOnlyCollection<string> slots,
        Dictionary<Guid, RecipeVersion> library
    )
    {
        if (draft.IsRefused)
        {
            return draft;
        }

        if (!library.TryGetValue(change.Version, out var recipe))
        {
            // It was changed, or put away, since it was offered.
            return new Refusal(
                "offer-outdated",
                "version",
                change.Name,
                "the recipe is another one by now",
                "Search once more and look at what is offered then"
            );
        }

        var dish = new MenuDish(Guid.CreateVersion7(), change.Day, change.Meal, change.Version);
        var freed = change.Replaces is { } replaces ? draft.Value.Without(replaces) : draft;
        var put = freed.IsRefused ? freed : freed.Value.With(dish, slots);
        return put.IsRefused ? put : put.Value.Serving(dish.Id, recipe, change.Portions, change.Variants, change.Version);
    }

    private static MenuStandingSheet ToSheet(MenuStanding standing) =>
        new(standing.Open, standing.Fits is { } fits ? (int)Math.Floor(fits * 100) : null, standing.Over, standing.Tiers);
}
