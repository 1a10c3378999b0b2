using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

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
        weeks.MapDelete("/batches/{batch:guid}", Delete).WithName("DeleteBatch");
        weeks.MapPost("/batches/{batch:guid}/place", Place).WithName("PlacePortion");
        weeks.MapPost("/batches/{batch:guid}/containers/{container:guid}/move", Move).WithName("MovePortion");
        weeks.MapPut("/batches/{batch:guid}/containers/{container:guid}/size", Size).WithName("SizePortion");
        weeks.MapPost("/protocols/renew", RenewProtocols).WithName("RenewProtocols");
        api.MapPost("/undo", Undo).WithTags("Week").WithName("Undo").RequireAuthorization();
        weeks.MapGet("/shop", Shop).WithName("GetShop");
        weeks.MapPut("/shop/tick", TickShop).WithName("TickShop");
        weeks.MapGet("/sessions", Sessions).WithName("GetSessions");
        weeks.MapPut("/sessions/tick", TickTask).WithName("TickTask");
        weeks.MapGet("/shelf", Shelf).WithName("GetShelf");
    }

    /// <summary>What every look at a week needs.</summary>
    public sealed record Desk(WeekStore Weeks, KnowledgeBase Knowledge)
    {
        public WeekBoard Draw(StoredWeek stored) => new WeekView(stored, Knowledge).ToBoard();

        public async Task<WeekView> View(DateOnly date, CurrentTenant tenant) =>
            new(await Weeks.Read(tenant, HouseholdClock.WeekOf(date)), Knowledge);
    }

    private static async Task<Ok<WeekBoard>> Board(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk) =>
        TypedResults.Ok((await desk.View(date, tenant)).ToBoard());

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Make(
        DateOnly date,
        MakeBatchRequest request,
        Editing editing,
        [AsParameters] Desk desk
    )
    {
        var start = HouseholdClock.WeekOf(date);
        return request.CookedOn < start.AddDays(-1) || request.CookedOn > start.AddDays(5)
            ? new Refusal(
                "session-out-of-week",
                "cookedOn",
                $"{request.CookedOn:yyyy-MM-dd}",
                $"this week is cooked for between {start.AddDays(-1):yyyy-MM-dd} and {start.AddDays(5):yyyy-MM-dd}",
                "Choose a session of this week"
            ).ToProblem()
            : editing.Answer(await desk.Weeks.Make(editing, request.RecipeId, start, request.CookedOn, request.Portions, desk.Draw));
    }

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Resize(
        DateOnly date,
        Guid batch,
        ResizeBatchRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Change(
            date,
            batch,
            "Changed the portions of",
            null,
            (current, _) => current.Resize(request.Portions, Guid.CreateVersion7),
            editing,
            desk
        );

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Delete(
        DateOnly date,
        Guid batch,
        Editing editing,
        [AsParameters] Desk desk
    ) => editing.Answer(await desk.Weeks.Delete(editing, HouseholdClock.WeekOf(date), batch, desk.Draw));

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Place(
        DateOnly date,
        Guid batch,
        PlaceRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        UnknownMeal(request.To) is { } refusal
            ? refusal.ToProblem()
            : await Change(
                date,
                batch,
                "Placed",
                ToCell(request.To),
                (current, eater) => current.Place(ToCell(request.To), Guid.CreateVersion7, eater!.PortionHabit),
                editing,
                desk
            );

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Move(
        DateOnly date,
        Guid batch,
        Guid container,
        MoveRequest request,
        Editing editing,
        [AsParameters] Desk desk
    )
    {
        var to = request.To is { } place ? ToCell(place) : null;
        return request.To is { } asked && UnknownMeal(asked) is { } refusal
            ? refusal.ToProblem()
            : await Change(
                date,
                batch,
                to is null ? "Took back" : "Moved",
                to,
                (current, _) => current.Move(container, ToCell(request.From), to, Guid.CreateVersion7),
                editing,
                desk
            );
    }

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Size(
        DateOnly date,
        Guid batch,
        Guid container,
        SizeRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Change(
            date,
            batch,
            "Changed a portion of",
            null,
            (current, _) => current.ChangeSize(container, request.From, request.To, Guid.CreateVersion7),
            editing,
            desk
        );

    private static async Task<Results<Ok<UndoneEdit>, ProblemHttpResult>> Undo(UndoRequest request, Editing editing, UndoDoor undo) =>
        editing.Answer((await undo.Undo(editing, request.Sequence)).Select(undone => undone.Select(edit => new UndoneEdit(edit.Summary))));

    private static async Task<Ok<ShopPage>> Shop(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk)
    {
        var (week, stock) = await desk.Weeks.ReadWithStock(tenant, HouseholdClock.WeekOf(date));
        return TypedResults.Ok(new WeekView(week, desk.Knowledge).ToShop(stock));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> TickShop(
        DateOnly date,
        ShopTickRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        request.Key.Length is 0 or > 300
            ? new Refusal("unknown-item", "key", request.Key, "no item has such a name", "Load the list again").ToProblem()
            : editing.Done(await desk.Weeks.TickShop(editing, HouseholdClock.WeekOf(date), request.Key, request.IsTicked));

    private static async Task<Ok<IReadOnlyList<SessionPage>>> Sessions(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk) =>
        TypedResults.Ok((await desk.View(date, tenant)).ToSessions());

    private static async Task<Results<NoContent, ProblemHttpResult>> TickTask(
        DateOnly date,
        TaskTickRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) => editing.Done(await desk.Weeks.TickTask(editing, request.BatchId, request.TaskId, request.IsTicked));

    private static async Task<Ok<ShelfPage>> Shelf(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk) =>
        TypedResults.Ok((await desk.View(date, tenant)).ToShelf());

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> RenewProtocols(
        DateOnly date,
        Editing editing,
        [AsParameters] Desk desk,
        ProtocolStore protocols,
        WeekReading weeks
    )
    {
        var start = HouseholdClock.WeekOf(date);
        return editing.Answer(await protocols.Renew(editing, start, () => weeks.Of(start).Select(desk.Draw)));
    }

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Change(
        DateOnly date,
        Guid batch,
        string summary,
        Cell? to,
        Func<Batch, Eater?, Result<Batch>> decide,
        Editing editing,
        Desk desk
    ) => editing.Answer(await desk.Weeks.Change(editing, HouseholdClock.WeekOf(date), batch, summary, to, decide, desk.Draw));

    /// <summary>A week has days before and after it: the ends of the calendar have not.</summary>
    private static async ValueTask<object?> OnCalendar(EndpointFilterInvocationContext context, EndpointFilterDelegate next) =>
        context.Arguments.OfType<DateOnly>().FirstOrDefault() is { Year: < 2000 or > 2100 } date
            ? new Refusal(
                "date-out-of-range",
                "date",
                $"{date:yyyy-MM-dd}",
                "weeks are planned from 2000 to 2100",
                "Choose a day in those years"
            ).ToProblem()
            : await next(context);

    private static Cell ToCell(BoardPlace place) => new(place.Date, place.Meal, place.EaterId);

    private static Refusal? UnknownMeal(BoardPlace to) =>
        Occasion.Meals.Contains(to.Meal)
            ? null
            : new("unknown-meal", "meal", to.Meal, "there is no such meal", $"Use one of {string.Join(", ", Occasion.Meals)}");
}
