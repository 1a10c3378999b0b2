using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Weeks;

/// <param name="PlannedGrams">What the batch's lines weigh of it, g; null when nobody knows.</param>
/// <param name="Over">Grams that no box got; null while it is not weighed.</param>
public sealed record PortioningPart(string Name, decimal? PlannedGrams, int? GrossG, int? TareG, string? Vessel, decimal? Over);

public sealed record PortioningBox(
    Guid Id,
    string? Variant,
    int Number,
    decimal Portions,
    string? Eater,
    BoardPlace? Place,
    IReadOnlyList<ShelfPart> Parts,
    string Container,
    KeptIn KeptIn,
    DateOnly EatBy
);

/// <param name="Note">How it went, for the next time; may be empty.</param>
public sealed record PortioningBatch(
    Guid Id,
    string Letter,
    string Tape,
    string Name,
    decimal Portions,
    DateOnly? PortionedOn,
    IReadOnlyList<PortioningPart> Parts,
    IReadOnlyList<PortioningBox> Boxes,
    string Note
);

public sealed record PortioningSession(DateOnly Date, IReadOnlyList<PortioningBatch> Batches);

/// <param name="TareG">What it weighs empty, g; null when nobody weighed it.</param>
public sealed record PortioningVessel(string Name, int? TareG);

public sealed record PortioningPage(DateOnly Start, IReadOnlyList<PortioningSession> Sessions, IReadOnlyList<PortioningVessel> Vessels);

/// <param name="GrossG">What the scale shows, g.</param>
/// <param name="TareG">The vessel alone, g; 0 when the scale was set to zero before.</param>
/// <param name="Vessel">Its name; where it is one of the kitchen's, its weight is remembered.</param>
public sealed record YieldRequest(string Part, int GrossG, int TareG, string Vessel);

/// <param name="At">When it happened; the device may send it later.</param>
/// <param name="Portions">What was eaten, given or thrown away; null for what its meal takes, or all that is left.</param>
/// <param name="Reason">Why it was thrown away, or to whom it was given; may be empty.</param>
public sealed record BoxEventRequest(BoxEventKind Kind, DateTimeOffset At, decimal? Portions = null, string Reason = "");

/// <summary>Portioning a session, weighing, and what becomes of boxes.</summary>
public static class BoxEndpoints
{
    public static void MapPortioning(this RouteGroupBuilder weeks)
    {
        weeks
            .MapGet(
                "/portioning",
                async (DateOnly date, CurrentTenant tenant, BoxStore boxes, KnowledgeBase knowledge) =>
                    TypedResults.Ok(ToPage(await boxes.Read(tenant, date), knowledge))
            )
            .WithName("GetPortioning");
        weeks.MapPut("/batches/{batch:guid}/portioned", Portion).WithName("PortionBatch");
        weeks.MapPut("/sessions/{day}/portioned", PortionSession).WithName("PortionSession");
        weeks.MapPut("/batches/{batch:guid}/yield", Weigh).WithName("WeighPart");
    }

    public static void MapBoxes(this IEndpointRouteBuilder api) =>
        api.MapPost("/batches/{batch:guid}/boxes/{box:guid}/events", Tell).WithTags("Shelf").WithName("TellOfBox").RequireAuthorization();

    /// <summary>What portioning needs.</summary>
    private sealed record Bench(BoxStore Boxes, KnowledgeBase Knowledge, TimeProvider Clock)
    {
        public async Task<Results<Ok<PortioningPage>, ProblemHttpResult>> Portion(
            DateOnly date,
            Editing editing,
            Func<WeekPlan, IReadOnlyList<Guid>> which,
            PartYield? weighed = null
        ) => editing.Answer(await Boxes.Portion(editing, date, which, weighed, Clock.GetUtcNow(), stored => ToPage(stored, Knowledge)));
    }

    private static Task<Results<Ok<PortioningPage>, ProblemHttpResult>> Portion(
        DateOnly date,
        Guid batch,
        Editing editing,
        [AsParameters] Bench bench
    ) => bench.Portion(date, editing, _ => [batch]);

    private static async Task<Results<Ok<PortioningPage>, ProblemHttpResult>> PortionSession(
        DateOnly date,
        DateOnly day,
        Editing editing,
        [AsParameters] Bench bench
    ) => await bench.Portion(date, editing, plan => [.. plan.Batches.Where(batch => batch.Cooked == day).Select(batch => batch.Id)]);

    private static Task<Results<Ok<PortioningPage>, ProblemHttpResult>> Weigh(
        DateOnly date,
        Guid batch,
        YieldRequest request,
        Editing editing,
        [AsParameters] Bench bench
    ) => bench.Portion(date, editing, _ => [batch], new PartYield(request.Part, request.GrossG, request.TareG, request.Vessel.Trim()));

    private static async Task<Results<NoContent, ProblemHttpResult>> Tell(
        Guid batch,
        Guid box,
        BoxEventRequest request,
        Editing editing,
        BoxStore boxes,
        TimeProvider clock
    )
    {
        return editing.Done(
            await boxes.Tell(
                editing,
                batch,
                box,
                new(editing.Stamp.EditId, request.Kind, request.At.ToUniversalTime(), request.Portions, request.Reason),
                (table, at) => HouseholdClock.DayOf(at, table.Household.TimeZone),
                clock.GetUtcNow()
            )
        );
    }

    private static PortioningPage ToPage(StoredPortioning stored, KnowledgeBase knowledge)
    {
        var week = new WeekView(stored.Week, knowledge);
        var names = week.Eaters.ToDictionary(eater => eater.Id, eater => eater.Name);
        return new(
            week.Start,
            [
                .. week
                    .CookedForIt.GroupBy(batch => batch.Cooked)
                    .OrderBy(session => session.Key)
                    .Select(session => new PortioningSession(session.Key, [.. session.Select(batch => ToBatch(week, batch, names))])),
            ],
            [
                .. stored
                    .Kitchen.Items.Where(item => KitchenItem.Vessels.Contains(item.Kind))
                    .Select(item => new PortioningVessel(item.Name, item.TareG)),
            ]
        );
    }

    private static PortioningBatch ToBatch(WeekView week, Batch batch, IReadOnlyDictionary<Guid, string> names)
    {
        var recipe = week.RecipeOf(batch).Version;
        return new(
            batch.Id,
            batch.Letter,
            WeekView.Tape(batch),
            recipe.Name,
            batch.Portions,
            batch.PortionedOn,
            [
                .. batch.Parts.Select(part =>
                {
                    var weighed = batch.Yields.FirstOrDefault(one => one.Part == part);
                    return new PortioningPart(
                        part,
                        batch.PlannedOf(part) is { } all ? Math.Round(all) : null,
                        weighed?.GrossG,
                        weighed?.TareG,
                        weighed?.Vessel,
                        weighed is null ? null : week.Plan.Over(batch, weighed)
                    );
                }),
            ],
            [
                .. ShelvedBox
                    .Of(week.Plan, batch, recipe, week.Table.Today)
                    .Select(box => new PortioningBox(
                        box.Id,
                        box.Lot.Variant,
                        box.Number,
                        Math.Round(box.Portions, 2),
                        box.Cell is null ? null : names.GetValueOrDefault(box.Cell.Eater),
                        box.Cell is null ? null : new BoardPlace(box.Cell.Date, box.Cell.Meal, box.Cell.Eater),
                        ShelfPages.PartsOf(box),
                        box.Real is { Kind.Length: > 0 } real ? $"{real.Kind}, {real.Material}" : "",
                        box.KeptIn,
                        box.EatBy
                    )),
            ],
            week.RemarkOn(batch.Id, "")?.Note ?? ""
        );
    }
}
