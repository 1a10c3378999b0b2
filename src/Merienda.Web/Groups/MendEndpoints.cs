using Merienda.Core.Groups;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Recipes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Groups;

/// <summary>What would make a dish of a menu fit for more members.</summary>
public static class MendEndpoints
{
    public static void MapMends(this RouteGroupBuilder groups) =>
        groups.MapGet("/menus/{id:guid}/dishes/{dish:guid}/mends", Find).WithName("FindMends");

    private static async Task<Results<Ok<IReadOnlyList<DishMendSheet>>, ProblemHttpResult>> Find(
        Guid id,
        Guid dish,
        CurrentTenant tenant,
        [AsParameters] RecipeEndpoints.Desk desk,
        MenuStore menus
    )
    {
        var (((menu, recipes), table), (shares, foods)) = await desk.Database.Read(
            tenant,
            menus.WithDishes(id).And(desk.Households.Table()).And(ShareStore.All.And(desk.Packets.Foods))
        );
        if (menu.WithId(id)?.Dishes.FirstOrDefault(one => one.Id == dish) is not { } found)
        {
            return Menu.DishGone(dish).ToProblem();
        }

        var recipe = recipes[found.RecipeVersion];
        return TypedResults.Ok<IReadOnlyList<DishMendSheet>>([
            .. DishMend
                .Of(found, recipe.Version, ShareEndpoints.StrandsOf(shares, table), foods.Matcher, recipe.System)
                .Select(mend => new DishMendSheet(
                    SwapEndpoints.ToOffer(mend.Swap, recipe, null, table, desk.Knowledge),
                    mend.After.SaidMembers(),
                    // Beside how many it fits now it would say how many the few are.
                    mend.After.SaidMembers().All(one => one.Members is not null)
                        ? DishCheck.Said(mend.FitsMore)
                        : null
                )),
        ]);
    }
}
