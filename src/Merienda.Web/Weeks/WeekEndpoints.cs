using System.Globalization;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Hosting;
using Merienda.Web.Weeks.Cooking;
using Merienda.Web.Weeks.Logging;
using Merienda.Web.Weeks.Solving;
using Microsoft.AspNetCore.Http.HttpResults;
using static Merienda.Web.Weeks.WeekEdit;

namespace Merienda.Web.Weeks;

/// <summary>The board and what hangs on it. Every edit answers with the whole board, so that the rulers move at once.</summary>
public static class WeekEndpoints
{
    public static void MapWeeks(this IEndpointRouteBuilder api)
    {
        var weeks = api.MapGroup("/weeks/{date}").WithTags("Week").RequireAuthorization().AddEndpointFilter(OnCalendar);
        weeks.MapGet("", Board).WithName("GetWeek");
        weeks.MapPost("/batches", Make).WithName("MakeBatch");
        weeks.MapPut("/batches/{batch:guid}/portions", Resize).WithName("ResizeBatch");
        weeks.MapPut("/batches/{batch:guid}/freezing", FreezeBatch).WithName("FreezeBatch");
        weeks.MapDelete("/batches/{batch:guid}", Delete).WithName("DeleteBatch");
        weeks.MapPost("/batches/{batch:guid}/place", Place).WithName("PlacePortion");
        weeks.MapPost("/items/{item:guid}/move", Move).WithName("MoveItem");
        weeks.MapPut("/items/{item:guid}/size", Size).WithName("SizeItem");
        weeks.MapPut("/items/{item:guid}/freezing", FreezeItem).WithName("FreezeItem");
        weeks.MapPut("/items/{item:guid}/lot", ChangeLot).WithName("ChangeLot");
        weeks.MapMeals();
        weeks.MapSessions();
        weeks.MapDays();
        weeks.MapBest();
        weeks.MapSolving();
        weeks.MapPost("/protocols/renew", RenewProtocols).WithName("RenewProtocols");
        api.MapPost("/undo", Undo).WithTags("Week").WithName("Undo").RequireAuthorization();
        weeks.MapShop();
        weeks.MapGet("/sessions", Sessions).WithName("GetSessions");
        weeks.MapGet("/sessions/{day}/shorter", Shorter).WithName("GetWhatShortens");
        weeks.MapPut("/sessions/tick", SayOfStep).WithName("SayOfStep");
        weeks.MapPut("/sessions/remark", Say).WithName("SayOfCooking");
        weeks.MapPut("/sessions/again", SayAgain).WithName("SayWhetherAgain");
        weeks.MapGet("/shelf", Shelf).WithName("GetShelf");
        weeks.MapPortioning();
        weeks.MapLog();
        api.MapBoxes();
        api.MapWeights();
    }

    /// <summary>What every look at a week needs.</summary>
    public sealed record Desk(WeekStore Weeks, KnowledgeBase Knowledge)
    {
        public async Task<WeekView> View(DateOnly date, CurrentTenant tenant) => new(await Weeks.Read(tenant, date), Knowledge);
    }

    private static async Task<Ok<WeekBoard>> Board(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk) =>
        TypedResults.Ok((await desk.View(date, tenant)).ToBoard());

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Make(MakeBatchRequest request, [AsParameters] WeekEdit edit) =>
        edit.Editing.Answer(
            await edit.Weeks.Make(
                edit.Editing,
                request.RecipeId,
                edit.Date,
                request.CookedOn,
                request.Portions,
                request.Variants ?? [],
                edit.Draw
            )
        );

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Resize(
        Guid batch,
        ResizeBatchRequest request,
        [AsParameters] WeekEdit edit
    ) =>
        edit.Decide(week =>
            Said(
                request.Variants is { } variants && week.Plan.BatchWithId(batch) is { } one
                    ? week.Plan.Split(batch, request.Portions, variants, week.RecipeOf(one).Version, Guid.CreateVersion7)
                    : week.Plan.Resize(batch, request.Portions),
                $"Changed the portions of {week.LetterOf(batch)}"
            )
        );

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> FreezeBatch(
        Guid batch,
        FreezeBatchRequest request,
        [AsParameters] WeekEdit edit
    ) =>
        edit.Decide(week =>
            Said(
                week.Plan.Freeze(batch, request.Share),
                request.Share == FreezeShare.Nothing
                    ? $"Kept {week.LetterOf(batch)} out of the freezer"
                    : $"Planned {(request.Share == FreezeShare.Half ? "half of " : "")}{week.LetterOf(batch)} for the freezer"
            )
        );

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> FreezeItem(
        Guid item,
        FreezeItemRequest request,
        [AsParameters] WeekEdit edit
    ) =>
        edit.Decide(week =>
            Said(
                week.Plan.Freeze(item, request.IsFrozen),
                request.IsFrozen ? "Planned a box for the freezer" : "Planned a box for the fridge"
            )
        );

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Delete(Guid batch, [AsParameters] WeekEdit edit) =>
        edit.Decide(week => Said(week.Plan.Remove(batch), $"Took {week.LetterOf(batch)} off the bench"));

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Place(Guid batch, PlaceRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
        {
            var diner = week.DinerAt(request.To.ToCell());
            if (diner.Refusal is { } nobody)
            {
                return nobody;
            }

            var lots = week.LotsFor(batch, diner.Value, request.LotId);
            return lots.Refusal is { } stop
                ? stop
                : Said(
                    week.Plan.Place(
                        batch,
                        request.To.ToCell(),
                        request.Portions ?? diner.Value.PortionHabit,
                        edit.Ids(),
                        request.Parts,
                        lots.Value
                    ),
                    $"Placed {week.LetterOf(batch)}"
                );
        });

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Move(Guid item, MoveRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
        {
            if (request.To is { } to)
            {
                var diner = week.DinerAt(to.ToCell());
                if ((diner.Refusal ?? week.StopOf(week.Plan.Find(item)?.Item, diner.Value)) is { } refusal)
                {
                    return refusal;
                }
            }

            return Said(
                week.Plan.Move(item, request.From.ToCell(), request.To is { } place ? place.ToCell() : null, Guid.CreateVersion7),
                $"{(request.To is null ? "Took back" : "Moved")} {week.NameOf(item)}"
            );
        });

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Size(Guid item, SizeRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
            Said(
                week.Plan.ChangeSize(item, new(request.From.Amount, request.From.IsInGrams), new(request.To.Amount, request.To.IsInGrams)),
                $"Changed a portion of {week.NameOf(item)}"
            )
        );

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> ChangeLot(Guid item, LotRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
            week.Plan.Find(item) is (var serving, Draw draw)
            && week.Diner(serving.Cell.Eater) is { } eater
            && week.LotsFor(draw.Batch, eater, request.To).Refusal is { } stop
                ? stop
                : Said(week.Plan.ChangeLot(item, request.From, request.To), $"Took another variant of {week.NameOf(item)}")
        );

    private static async Task<Results<Ok<UndoneEdit>, ProblemHttpResult>> Undo(UndoRequest request, Editing editing, UndoDoor undo) =>
        editing.Answer((await undo.Undo(editing, request.Sequence)).Select(undone => undone.Select(edit => new UndoneEdit(edit.Summary))));

    private static async Task<Ok<IReadOnlyList<SessionPage>>> Sessions(
        DateOnly date,
        CurrentTenant tenant,
        SessionOrders orders,
        [AsParameters] Desk desk
    )
    {
        var ((week, kitchen), notes) = await desk.Weeks.ReadSessions(tenant, date);
        return TypedResults.Ok(await orders.PagesOf(new WeekView(week, desk.Knowledge), kitchen, notes));
    }

    private static async Task<Ok<IReadOnlyList<SessionShorter>>> Shorter(
        DateOnly date,
        DateOnly day,
        CurrentTenant tenant,
        SessionOrders orders,
        [AsParameters] Desk desk
    )
    {
        var ((week, kitchen), _) = await desk.Weeks.ReadSessions(tenant, date);
        return TypedResults.Ok(await orders.ShorterThan(new WeekView(week, desk.Knowledge), kitchen, day));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> SayOfStep(
        StepRequest request,
        [AsParameters] WeekEdit edit,
        TickStore ticks
    ) =>
        edit.Editing.Done(
            await ticks.Say(
                edit.Editing,
                request.BatchId,
                request.TaskId,
                request.IsTicked,
                new(request.Put, Moment(request.HandsOffAt), Moment(request.UntilAt), Moment(request.DoneAt), request.IsSkipped)
            )
        );

    /// <summary>As the database keeps it.</summary>
    private static DateTimeOffset? Moment(DateTimeOffset? said) =>
        said is { } at ? DateTimeOffset.FromUnixTimeMilliseconds(at.ToUnixTimeMilliseconds()) : null;

    private static async Task<Results<NoContent, ProblemHttpResult>> Say(
        RemarkRequest request,
        [AsParameters] WeekEdit edit,
        WeekReading weeks,
        RemarkStore remarks
    ) =>
        edit.Editing.Done(
            await remarks.Say(edit.Editing, weeks.Of(edit.Date), (request.BatchId, request.TaskId, request.Minutes, request.Note))
        );

    private static async Task<Results<NoContent, ProblemHttpResult>> SayAgain(
        AgainRequest request,
        [AsParameters] WeekEdit edit,
        WeekReading weeks,
        RemarkStore remarks
    ) => edit.Editing.Done(await remarks.SayAgain(edit.Editing, weeks.Of(edit.Date), request.BatchId, request.Again));

    private static async Task<Ok<ShelfPage>> Shelf(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk)
    {
        var (week, prices) = await desk.Weeks.ReadShelf(tenant, date);
        return TypedResults.Ok(new WeekView(week, desk.Knowledge).ToShelf(prices));
    }

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> RenewProtocols(
        ProtocolStore protocols,
        WeekReading weeks,
        [AsParameters] WeekEdit edit
    ) => edit.Editing.Answer(await protocols.Renew(edit.Editing, edit.Date, () => weeks.After(edit.Date).Select(edit.Draw)));

    /// <summary>A week has days before and after it: the ends of the calendar have not.</summary>
    private static async ValueTask<object?> OnCalendar(EndpointFilterInvocationContext context, EndpointFilterDelegate next) =>
        DateOnly.TryParse($"{context.HttpContext.GetRouteValue("date")}", CultureInfo.InvariantCulture, out var date)
        && date.Year is < 2000 or > 2100
            ? new Refusal(
                "date-out-of-range",
                "date",
                $"{date:yyyy-MM-dd}",
                "weeks are planned from 2000 to 2100",
                "Choose a day in those years"
            ).ToProblem()
            : await next(context);
}
