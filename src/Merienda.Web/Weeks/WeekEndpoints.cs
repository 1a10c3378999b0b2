using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Weeks;

/// <summary>The board and what hangs on it. Every edit answers with the whole board, so that the rulers move at once.</summary>
public static class WeekEndpoints
{
    public static void MapWeeks(this IEndpointRouteBuilder api)
    {
        var weeks = api.MapGroup("/weeks/{date}").WithTags("Week").RequireAuthorization();
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

    /// <summary>Services that every edit of the week needs.</summary>
    public sealed record Desk(WeekStore Weeks, KnowledgeBase Knowledge, DinersReader Diners, OwnProtocols Protocols, TimeProvider Clock);

    private static async Task<Ok<WeekBoard>> Board(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk) =>
        TypedResults.Ok((await View(date, tenant, desk)).ToBoard());

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Make(
        DateOnly date,
        MakeBatchRequest request,
        CurrentTenant tenant,
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
            : await Answer(await desk.Weeks.Make(tenant, request.RecipeId, start, request.CookedOn, request.Portions), date, tenant, desk);
    }

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Resize(
        DateOnly date,
        Guid batch,
        ResizeBatchRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        await Answer(
            await desk.Weeks.Change(
                tenant,
                batch,
                "Changed the portions of",
                current => current.Resize(request.Portions, Guid.CreateVersion7)
            ),
            date,
            tenant,
            desk
        );

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Delete(
        DateOnly date,
        Guid batch,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) => await Answer(await desk.Weeks.Delete(tenant, batch), date, tenant, desk);

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Place(
        DateOnly date,
        Guid batch,
        PlaceRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        await Answer(
            await desk.Weeks.Change(
                tenant,
                batch,
                "Placed",
                request.To.EaterId,
                (current, eater) =>
                    WrongPlace(current, request.To) is { } refusal
                        ? refusal
                        : current.Place(ToCell(request.To), Guid.CreateVersion7, eater?.PortionHabit ?? 1),
                (recipe, eater) => HardStop(recipe, eater, desk.Knowledge)
            ),
            date,
            tenant,
            desk
        );

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Move(
        DateOnly date,
        Guid batch,
        Guid container,
        MoveRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        await Answer(
            await desk.Weeks.Change(
                tenant,
                batch,
                request.To is null ? "Took back" : "Moved",
                request.To?.EaterId,
                (current, _) =>
                    request.To is { } to && WrongPlace(current, to) is { } refusal
                        ? refusal
                        : current.Move(
                            container,
                            ToCell(request.From),
                            request.To is { } place ? ToCell(place) : null,
                            Guid.CreateVersion7
                        ),
                (recipe, eater) => HardStop(recipe, eater, desk.Knowledge)
            ),
            date,
            tenant,
            desk
        );

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Size(
        DateOnly date,
        Guid batch,
        Guid container,
        SizeRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        await Answer(
            await desk.Weeks.Change(
                tenant,
                batch,
                "Changed a portion of",
                current => current.ChangeSize(container, request.From, request.To, Guid.CreateVersion7)
            ),
            date,
            tenant,
            desk
        );

    private static async Task<Results<Ok<UndoneEdit>, ProblemHttpResult>> Undo(
        UndoRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        await desk.Weeks.Undo(tenant, request.Sequence, desk.Clock.GetUtcNow()) is var undone && undone.Refusal is { } refusal
            ? refusal.ToProblem()
            : TypedResults.Ok(new UndoneEdit(undone.Value.Summary));

    private static async Task<Ok<ShopPage>> Shop(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk, StockStore stock) =>
        TypedResults.Ok((await View(date, tenant, desk)).ToShop(await stock.Items(tenant)));

    private static async Task<Results<NoContent, ProblemHttpResult>> TickShop(
        DateOnly date,
        ShopTickRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        if (request.Key.Length is 0 or > 300)
        {
            return new Refusal("unknown-item", "key", request.Key, "no item has such a name", "Load the list again").ToProblem();
        }

        await desk.Weeks.TickShop(tenant, HouseholdClock.WeekOf(date), request.Key, request.IsTicked);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<IReadOnlyList<SessionPage>>> Sessions(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk) =>
        TypedResults.Ok((await View(date, tenant, desk)).ToSessions());

    private static async Task<Results<NoContent, ProblemHttpResult>> TickTask(
        DateOnly date,
        TaskTickRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        await desk.Weeks.TickTask(tenant, request.BatchId, request.TaskId, request.IsTicked)
            ? TypedResults.NoContent()
            : new Refusal(
                "batch-gone",
                "batch",
                request.BatchId.ToString(),
                "somebody took it off the bench",
                "Load the session again"
            ).ToProblem();

    private static async Task<Ok<ShelfPage>> Shelf(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk) =>
        TypedResults.Ok((await View(date, tenant, desk)).ToShelf());

    private static async Task<WeekView> View(DateOnly date, CurrentTenant tenant, Desk desk)
    {
        var start = HouseholdClock.WeekOf(date);
        var stored = await desk.Weeks.Read(tenant, start);
        return new WeekView(start, stored, desk.Knowledge, desk.Diners.Of(stored.Table));
    }

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Answer(
        Result<StoredBatch> edited,
        DateOnly date,
        CurrentTenant tenant,
        Desk desk
    ) => edited.Refusal is { } refusal ? refusal.ToProblem() : TypedResults.Ok((await View(date, tenant, desk)).ToBoard());

    /// <summary>An allergy refuses a portion whatever else is planned (domain.md section 5).</summary>
    private static Refusal? HardStop(StoredRecipe recipe, EaterLimits eater, KnowledgeBase knowledge)
    {
        var allergy = new AllergyRule
        {
            Id = "allergy",
            Classes = eater.Allergies,
            Accepted = eater.Accepted,
        };
        var stop = allergy.Check(
            Intake.Of(new Helping(recipe.Version.Name, recipe.Version.Profile, 1)),
            new RuleContext(null, knowledge.Classes) { Packets = eater.Packets }
        );
        return stop.Verdict == Verdict.Fits
            ? null
            : new(
                "allergy",
                "eater",
                eater.Name,
                $"{eater.Name} is allergic: {stop.Because[(stop.Title.Length + 2)..].TrimEnd('.')}",
                stop.Verdict == Verdict.Breaks
                    ? "Give them another dish; at the Table an adult can accept a food by name"
                    : "Match the line to a food, or let an adult accept it by name: a food at the Table, a packet in the Larder"
            );
    }

    private static async Task<Ok<WeekBoard>> RenewProtocols(DateOnly date, CurrentTenant tenant, [AsParameters] Desk desk)
    {
        await desk.Protocols.Renew(tenant, HouseholdClock.WeekOf(date));
        return TypedResults.Ok((await View(date, tenant, desk)).ToBoard());
    }

    private static Cell ToCell(BoardPlace place) => new(place.Date, place.Meal, place.EaterId);

    private static Refusal? WrongPlace(Batch batch, BoardPlace to) =>
        to switch
        {
            _ when !Occasion.Meals.Contains(to.Meal) => new(
                "unknown-meal",
                "meal",
                to.Meal,
                "there is no such meal",
                $"Use one of {string.Join(", ", Occasion.Meals)}"
            ),
            _ when to.Date < batch.Cooked => new(
                "not-cooked-yet",
                "date",
                $"{to.Date:yyyy-MM-dd}",
                $"{batch.Letter} is cooked on {batch.Cooked.ToString("dddd", System.Globalization.CultureInfo.InvariantCulture)}",
                "Place it on that day or later"
            ),
            _ => null,
        };
}
