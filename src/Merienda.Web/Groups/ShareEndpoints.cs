using Merienda.Core.Groups;
using Merienda.Core.Planning;
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
    private static GroupShare Of(Ticked ticked, EaterSettings eater, Core.Planning.Table table)
    {
        var shipped = eater.Protocols.ToDictionary(id => id, id => table.Latest(id)?.Own is { } own ? own.Origin : id);
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
        HouseholdStore households,
        MenuStore menus
    )
    {
        var (((read, shares), members), table) = await database.Read(
            tenant,
            menus.WithDishes(id).And(ShareStore.All).And(GroupStore.Members).And(households.Table())
        );
        if (read.Menus.WithId(id) is not { } menu)
        {
            return MenuStore.Gone(id).ToProblem();
        }

        // Who shares the same is judged once.
        var strands = shares
            .GroupBy(share => share.Print, StringComparer.Ordinal)
            .Select(same => new Strand(table.DinerOf(same.First().ToEater(table.Household.Rhythm)), same.Count()))
            .ToList();
        return TypedResults.Ok(
            new MenuCheckSheet(
                members,
                DishCheck.Said(shares.Count),
                [
                    .. menu.Dishes.Select(dish =>
                    {
                        var check = DishCheck.Of(read.Recipes[dish.RecipeVersion].Version, dish.Slot, strands);
                        return new DishCheckSheet(
                            dish.Id,
                            check.SaidMembers(),
                            [
                                .. check.Reasons.Select(reason => new CheckReasonSheet(
                                    reason.Verdict,
                                    reason.Because,
                                    DishCheck.Said(reason.Members)
                                )),
                            ]
                        );
                    }),
                ]
            )
        );
    }
}
