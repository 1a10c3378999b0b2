using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Table;

/// <summary>
/// Who eats, under which protocols, with which allowances, split how over the day. An edit answers with the verdicts that it turns.
/// </summary>
public static class EaterEndpoints
{
    public static void MapEaters(this RouteGroupBuilder table)
    {
        table.MapGet("", Page).WithName("GetTable");
        table.MapPost("/eaters", AddEater).WithName("AddEater");
        table.MapDelete("/eaters/{eater:guid}", Remove).WithName("RemoveEater");
        table.MapPut("/eaters/{eater:guid}/name", Rename).WithName("RenameEater");
        table.MapPut("/eaters/{eater:guid}/protocols", ChooseProtocols).WithName("ChooseProtocols");
        table.MapPut("/eaters/{eater:guid}/choice", Choose).WithName("ChooseOption");
        table.MapPut("/eaters/{eater:guid}/allowance", StateAllowance).WithName("StateAllowance");
        table.MapPost("/eaters/{eater:guid}/allowances/as", StateAllowancesAs).WithName("StateAllowancesAs");
        table.MapPut("/eaters/{eater:guid}/meals", SplitMeals).WithName("SplitMeals");
        table.MapPut("/eaters/{eater:guid}/personal", StatePersonal).WithName("StatePersonal");
        table.MapPut("/eaters/{eater:guid}/pinned", Pin).WithName("PinMeasures");
        table.MapPost("/eaters/{eater:guid}/accepted", Accept).WithName("AcceptFood");
        table.MapPost("/eaters/{eater:guid}/accepted/withdraw", Withdraw).WithName("WithdrawFood");
    }

    /// <summary>What every edit of an eater needs.</summary>
    public sealed record Desk(HouseholdStore Households, EffectReader Effects, TimeProvider Clock);

    private static async Task<Ok<TablePage>> Page(
        CurrentTenant tenant,
        Database database,
        HouseholdStore households,
        KnowledgeBase knowledge
    )
    {
        var table = await database.Read(tenant, households.Table());
        return TypedResults.Ok(
            new TablePage(
                table.Household.Name,
                table.Household.TimeZone,
                table.Today,
                [.. table.Eaters.Select(eater => EaterSheets.ToEater(eater, table, knowledge))],
                [
                    .. table
                        .Protocols.Where(edition => edition.Own?.IsArchived != true)
                        .Select(edition => ProtocolSheets.ToRow(edition, table)),
                ],
                [.. knowledge.Classes.All.Select(item => new TableClass(item.Key, item.Parent, item.Name, item.Allergen, item.AllergyTo))]
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> AddEater(
        AddEaterRequest request,
        Editing editing,
        HouseholdStore households
    ) => editing.Done(await households.AddEater(editing, request.Name, request.IsGuest));

    private static async Task<Results<NoContent, ProblemHttpResult>> Remove(Guid eater, Editing editing, HouseholdStore households) =>
        editing.Done(await households.RemoveEater(editing, eater));

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> Rename(
        Guid eater,
        NameRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) => Change(eater, editing, desk, was => $"Renamed {was.Name}", (table, current) => table.Rename(current, request.Name));

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> ChooseProtocols(
        Guid eater,
        ProtocolsRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Change(
            eater,
            editing,
            desk,
            was => $"Chose {was.Name}'s protocols",
            (table, current) => table.ChooseProtocols(current, request.Protocols)
        );

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> Choose(
        Guid eater,
        ChoiceRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Change(
            eater,
            editing,
            desk,
            was => $"Made a choice for {was.Name}",
            (table, current) => table.Choose(current, new(request.Protocol, request.Choice, request.Option))
        );

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> StateAllowance(
        Guid eater,
        AllowanceRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Change(
            eater,
            editing,
            desk,
            was => $"Stated an allowance of {was.Name}",
            (table, current) =>
                table.StateAllowance(
                    current,
                    new(request.Protocol, request.Rule, request.AtLeast, request.AtMost, request.From ?? default),
                    request.ClinicalTeam,
                    request.Until
                )
        );

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> StateAllowancesAs(
        Guid eater,
        SameAllowancesRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Change(
            eater,
            editing,
            desk,
            was => $"Stated the same allowances for {was.Name}",
            (table, current) =>
                table.WithId(request.From) is { } other ? table.StateAllowancesAs(current, other) : HouseholdStore.EaterGone(request.From)
        );

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> SplitMeals(
        Guid eater,
        MealsRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) => Change(eater, editing, desk, was => $"Split {was.Name}'s day", (table, current) => table.SplitDay(current, request.Meals));

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> StatePersonal(
        Guid eater,
        PersonalRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Change(
            eater,
            editing,
            desk,
            was => $"Stated what {was.Name} cannot or will not have",
            (table, current) =>
                table.StatePersonal(
                    current,
                    current with
                    {
                        Allergies = request.Allergies,
                        Dislikes = request.Dislikes,
                        PortionHabit = request.PortionHabit,
                        CountsTraces = request.CountsTraces,
                        TrustsRefinedSoybeanOil = request.TrustsRefinedSoybeanOil,
                    }
                )
        );

    private static async Task<Results<NoContent, ProblemHttpResult>> Pin(
        Guid eater,
        PinRequest request,
        Editing editing,
        HouseholdStore households
    ) =>
        editing.Done(
            await households.ChangeEater(
                editing,
                eater,
                was => $"Chose what {was.Name}'s days are shown with",
                (_, current) => current.Pin(request.Measures),
                _ => Reading.Known(eater)
            )
        );

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> Accept(
        Guid eater,
        AcceptanceRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Change(
            eater,
            editing,
            desk,
            was => $"Accepted {request.What.Trim()} for {was.Name}",
            (_, current) =>
                current.Accept(new(request.What, request.Reason, editing.Tenant.Account, desk.Clock.GetUtcNow()), request.IsAdult)
        );

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> Withdraw(
        Guid eater,
        WithdrawRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) => Change(eater, editing, desk, was => $"Withdrew what was accepted for {was.Name}", (_, current) => current.Withdraw(request.What));

    /// <summary>Judged by the latest versions on both sides: only this change is to be seen. A retry shows none.</summary>
    internal static async Task<Results<Ok<Effects>, ProblemHttpResult>> Change(
        Guid eater,
        Editing editing,
        Desk desk,
        Func<EaterSettings, string> summary,
        Func<Core.Planning.Table, EaterSettings, Result<EaterSettings>> decide
    ) =>
        editing.Answer(
            await desk.Households.ChangeEater(
                editing,
                eater,
                summary,
                decide,
                seen =>
                    seen is var (table, before, after)
                        ? desk
                            .Effects.Compare(table.Household.Rhythm.WeekOf(table.Today), [table.DinerOf(before)], [table.DinerOf(after)])
                            .Select(turned => new Effects(turned))
                        : Reading.Known(new Effects([]))
            )
        );
}
