using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
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
        weeks.MapPost("/items/{item:guid}/move", Move).WithName("MoveItem");
        weeks.MapPut("/items/{item:guid}/size", Size).WithName("SizeItem");
        weeks.MapMeals();
        weeks.MapSessions();
        weeks.MapDays();
        weeks.MapPost("/protocols/renew", RenewProtocols).WithName("RenewProtocols");
        api.MapPost("/undo", Undo).WithTags("Week").WithName("Undo").RequireAuthorization();
        weeks.MapGet("/shop", Shop).WithName("GetShop");
        weeks.MapPut("/shop/tick", TickShop).WithName("TickShop");
        weeks.MapGet("/sessions", Sessions).WithName("GetSessions");
        weeks.MapPut("/sessions/tick", TickTask).WithName("TickTask");
        weeks.MapGet("/shelf", Shelf).WithName("GetShelf");
        weeks.MapPortioning();
        api.MapBoxes();
    }

    /// <summary>What every look at a week needs.</summary>
    public sealed record Desk(WeekStore Weeks, KnowledgeBase Knowledge)
    {
        public WeekBoard Draw(StoredWeek stored) => new WeekView(stored, Knowledge).ToBoard();

        public async Task<WeekView> View(DateOnly date, CurrentTenant tenant) => new(await Weeks.Read(tenant, date), Knowledge);
    }

    private static async Task<Ok<WeekBoard>> Board(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk) =>
        TypedResults.Ok((await desk.View(date, tenant)).ToBoard());

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Make(
        DateOnly date,
        MakeBatchRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) => editing.Answer(await desk.Weeks.Make(editing, request.RecipeId, date, request.CookedOn, request.Portions, desk.Draw));

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Resize(
        DateOnly date,
        Guid batch,
        ResizeBatchRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Edit(
            date,
            editing,
            desk,
            week => Said(week.Plan.Resize(batch, request.Portions), $"Changed the portions of {LetterOf(week, batch)}")
        );

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Delete(
        DateOnly date,
        Guid batch,
        Editing editing,
        [AsParameters] Desk desk
    ) => Edit(date, editing, desk, week => Said(week.Plan.Remove(batch), $"Took {LetterOf(week, batch)} off the bench"));

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Place(
        DateOnly date,
        Guid batch,
        PlaceRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Edit(
            date,
            editing,
            desk,
            week =>
                Diner(week, request.To) is var diner && diner.Refusal is { } nobody ? nobody
                : Stop(week, batch, diner.Value) is { } stop ? stop
                : Said(
                    week.Plan.Place(batch, ToCell(request.To), diner.Value.PortionHabit, Guid.CreateVersion7, request.Parts),
                    $"Placed {LetterOf(week, batch)}"
                )
        );

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Move(
        DateOnly date,
        Guid item,
        MoveRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Edit(
            date,
            editing,
            desk,
            week =>
            {
                if (request.To is { } to)
                {
                    var diner = Diner(week, to);
                    if ((diner.Refusal ?? StopItem(week, week.Plan.Find(item)?.Item, diner.Value)) is { } refusal)
                    {
                        return refusal;
                    }
                }

                return Said(
                    week.Plan.Move(item, ToCell(request.From), request.To is { } place ? ToCell(place) : null, Guid.CreateVersion7),
                    $"{(request.To is null ? "Took back" : "Moved")} {NameOf(week, item)}"
                );
            }
        );

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Size(
        DateOnly date,
        Guid item,
        SizeRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        Edit(
            date,
            editing,
            desk,
            week =>
                Said(
                    week.Plan.ChangeSize(
                        item,
                        new(request.From.Amount, request.From.IsInGrams),
                        new(request.To.Amount, request.To.IsInGrams)
                    ),
                    $"Changed a portion of {NameOf(week, item)}"
                )
        );

    private static async Task<Results<Ok<UndoneEdit>, ProblemHttpResult>> Undo(UndoRequest request, Editing editing, UndoDoor undo) =>
        editing.Answer((await undo.Undo(editing, request.Sequence)).Select(undone => undone.Select(edit => new UndoneEdit(edit.Summary))));

    private static async Task<Ok<ShopPage>> Shop(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk)
    {
        var (week, stock) = await desk.Weeks.ReadWithStock(tenant, date);
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
            : editing.Done(await desk.Weeks.TickShop(editing, date, request.Key, request.IsTicked));

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
    ) => editing.Answer(await protocols.Renew(editing, date, () => weeks.Of(date).Select(desk.Draw)));

    /// <summary>One edit of the week: decided on it as it is now, answered with the board as it is then.</summary>
    internal static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Edit(
        DateOnly date,
        Editing editing,
        Desk desk,
        Func<StoredWeek, Result<(WeekPlan, string)>> decide
    ) => editing.Answer(await desk.Weeks.Edit(editing, date, decide, desk.Draw));

    internal static Result<(WeekPlan, string)> Said(Result<WeekPlan> plan, string summary) => plan.Select(decided => (decided, summary));

    /// <summary>Who eats at a place of the board.</summary>
    internal static Result<Eater> Diner(StoredWeek week, BoardPlace at) =>
        Rhythm.UnknownMeal(week.Plan.Meals, at.Meal) is { } refusal ? refusal
        : week.Table.Diners.FirstOrDefault(one => one.Id == at.EaterId) is { } eater ? eater
        : HouseholdStore.EaterGone(at.EaterId);

    internal static Refusal? Stop(StoredWeek week, Guid batchId, Eater eater) =>
        week.Plan.BatchWithId(batchId) is { } batch && week.RecipeOf(batch).Version is { } recipe
            ? eater.Stop(recipe.Name, recipe.Profile)
            : null;

    /// <summary>Why an eater may not have a thing of the week at all; null when nothing stops it.</summary>
    internal static Refusal? StopItem(StoredWeek week, ServingItem? item, Eater eater) =>
        item switch
        {
            Draw draw => Stop(week, draw.Batch, eater),
            ReadyFood ready => eater.Stop(ready.Line.Name, Core.Recipes.PortionProfile.Of([ready.Line], 1)),
            _ => null,
        };

    internal static string LetterOf(StoredWeek week, Guid batch) => week.Plan.BatchWithId(batch)?.Letter ?? "a batch";

    internal static string NameOf(StoredWeek week, Guid item) =>
        week.Plan.Find(item) is { } found ? week.Plan.NameOf(found.Item) : "something";

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

    internal static Cell ToCell(BoardPlace place) => new(place.Date, place.Meal, place.EaterId);
}
