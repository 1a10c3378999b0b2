using Merienda.Core.Foods;
using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Groups;

/// <summary>What a member shares of an eater, and whom a menu suits by what is shared.</summary>
public static class ShareEndpoints
{
    public static void MapShares(this RouteGroupBuilder groups)
    {
        groups.MapPut("/{group:guid}/share", Share).WithName("ShareWithGroup");
        groups.MapGet("/menus/{id:guid}/check", Check).WithName("CheckMenu");
    }

    /// <summary>As the member reads it.</summary>
    internal static ShareSheet ToSheet(Ticked ticked, GroupShare share, Core.Planning.Table table) =>
        new(
            [.. share.Protocols.Select(id => table.Latest(id)?.Protocol.Name ?? id)],
            [.. share.Allergies.Select(table.Knowledge.Classes.NameOf)],
            share.PortionHabit,
            new(ticked.Eater, ticked.Protocols, ticked.Allergies, ticked.Portion),
            table.WithId(ticked.Eater) is not { } eater || Of(ticked, eater, table).Print != share.Print
        );

    private static async Task<Results<Ok<ShareSheet>, NoContent, ProblemHttpResult>> Share(
        Guid group,
        ShareRequest request,
        CurrentTenant tenant,
        Database database,
        HouseholdStore households,
        ShareStore shares
    )
    {
        var table = await database.Read(tenant, households.Table());
        if (table.WithId(request.Eater) is not { } eater)
        {
            return HouseholdStore.EaterGone(request.Eater).ToProblem();
        }

        var ticked = new Ticked(request.Eater, request.Protocols, request.Allergies, request.Portion);
        var share = Of(ticked, eater, table);
        return !await shares.Put(tenant.Tenant.Account, group, ticked, share) ? GroupStore.NoMember(group).ToProblem()
            : ticked.IsNothing ? TypedResults.NoContent()
            : TypedResults.Ok(ToSheet(ticked, share, table));
    }

    /// <summary>A protocol of the household's own counts as the one it was copied from: the desk has no other.</summary>
    internal static GroupShare Of(Ticked ticked, EaterSettings eater, Core.Planning.Table table)
    {
        var shipped = eater.Protocols.ToDictionary(id => id, table.ShippedAs);
        return new(
            ticked.Protocols ? [.. shipped.Values.OfType<string>().Distinct()] : [],
            ticked.Protocols
                ?
                [
                    .. eater
                        .Choices.Where(choice => shipped.GetValueOrDefault(choice.ProtocolId) is not null)
                        .Select(choice => choice with { ProtocolId = shipped[choice.ProtocolId]! }),
                ]
                : [],
            ticked.Allergies ? eater.Allergies : [],
            ticked.Portion ? eater.PortionHabit : 1
        );
    }

    private static async Task<Results<Ok<MenuCheckSheet>, ProblemHttpResult>> Check(
        Guid id,
        CurrentTenant tenant,
        Database database,
        PriceStore prices,
        MenuStore menus
    )
    {
        var (((read, shares), members), stored) = await database.Read(
            tenant,
            menus.WithDishes(id).And(ShareStore.All).And(GroupStore.Members).And(prices.Stored)
        );
        if (read.Menus.WithId(id) is not { } menu)
        {
            return MenuStore.Gone(id).ToProblem();
        }

        var table = stored.Table;
        var strands = StrandsOf(shares, table);
        var recipes = read.Recipes.ToDictionary(recipe => recipe.Key, recipe => recipe.Value.Version);
        var check = new MenuCheck(menu, recipes, [.. table.Household.Rhythm.Meals]);
        var book = PriceBook.Of(
            stored.Prices,
            [.. recipes.Values.SelectMany(recipe => recipe.Ingredients).Select(line => line.Food).OfType<Food>()]
        );
        return TypedResults.Ok(
            new MenuCheckSheet(
                members,
                DishCheck.Said(shares.Count),
                [.. menu.Dishes.Select(dish => ToSheet(dish, recipes[dish.RecipeVersion], strands, book))],
                [
                    .. check
                        .Over(strands)
                        .Select(found => new MenuFindingSheet(found.Verdict, found.Because, found.Days, DishCheck.Said(found.Members))),
                ],
                [
                    .. check
                        .Tiers(table.Knowledge.HouseScheme, table.Knowledge.Classes)
                        .Select(one => new TierDaySheet(
                            one.Tier.Name,
                            one.Day,
                            string.Join(", ", one.Strands.Select(follow => MenuSheets.NameOf(follow, table))),
                            Math.Round(one.Energy.Best),
                            one.Energy.IsOpen,
                            one.Verdict,
                            one.Open
                        )),
                ],
                book.IsEmpty ? "" : book.Says
            )
        );
    }

    /// <summary>Who shares the same is judged once.</summary>
    internal static IReadOnlyList<Strand> StrandsOf(IReadOnlyList<GroupShare> shares, Core.Planning.Table table) =>
        [
            .. shares
                .GroupBy(share => share.Print, StringComparer.Ordinal)
                .Select(same => new Strand(
                    table.DinerOf(same.First().ToEater(table.Household.Rhythm)),
                    same.First().Protocols,
                    same.Count()
                )),
        ];

    private static DishCheckSheet ToSheet(MenuDish dish, RecipeVersion recipe, IReadOnlyList<Strand> strands, PriceBook book)
    {
        var check = DishCheck.Of(dish, recipe, strands);
        return new(
            dish.Id,
            check.SaidMembers(),
            [.. check.Reasons.Select(reason => new CheckReasonSheet(reason.Verdict, reason.Because, DishCheck.Said(reason.Members)))],
            recipe.Tasks.Sum(task => task.HandsOn),
            book.IsEmpty ? null : Math.Round(book.CostOf(recipe).Amount, 2)
        );
    }
}
