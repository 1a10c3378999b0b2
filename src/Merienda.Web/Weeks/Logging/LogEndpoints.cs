using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Weeks.Logging;

/// <summary>The Log: the day as it goes.</summary>
public static class LogEndpoints
{
    public static void MapLog(this RouteGroupBuilder weeks)
    {
        weeks.MapGet("/log", Day).WithName("GetLog");
        weeks.MapGet("/look-back", LookBack).WithName("LookBack");
        weeks.MapPut("/log", Say).WithName("SayWhatWasEaten");
        weeks.MapPost("/log/extra", Extra).WithName("SayWhatWasEatenBesides");
    }

    /// <summary>What saying of a day needs.</summary>
    private sealed record Desk(LogStore Log, TimeProvider Clock)
    {
        /// <summary>When it happened; what a device says whose clock is ahead happened now.</summary>
        public Moment Of(DateTimeOffset at, StoredWeek week)
        {
            var now = Clock.GetUtcNow();
            var heard = at > now ? now : at.ToUniversalTime();
            return new(heard, HouseholdClock.DayOf(heard, week.Table.Household.TimeZone)) { Now = now };
        }
    }

    /// <param name="day">A day of the week; null for today, or the week's first where today is in another.</param>
    /// <param name="eater">Null for the first who follows something.</param>
    private static async Task<Results<Ok<LogPage>, ProblemHttpResult>> Day(
        DateOnly date,
        DateOnly? day,
        Guid? eater,
        CurrentTenant tenant,
        LogStore log,
        KnowledgeBase knowledge
    )
    {
        var ((stored, extras), weight) = await log.Read(tenant, date, eater);
        var week = new WeekView(stored, knowledge);
        var at = day ?? (week.Plan.Holds(week.Table.Today) ? week.Table.Today : week.Start);
        var who = eater ?? week.Table.Eaters.OrderBy(one => one.IsGuest).Select(one => one.Id).FirstOrDefault();
        if (week.Eaters.FirstOrDefault(one => one.Id == who) is not { } diner)
        {
            return HouseholdStore.EaterGone(who).ToProblem();
        }

        return week.Plan.WrongCell(null, new(at, "", who)) is { } refusal
            ? refusal.ToProblem()
            : TypedResults.Ok(week.ToLog(at, diner, extras, weight));
    }

    private static async Task<Ok<LookBackPage>> LookBack(DateOnly date, CurrentTenant tenant, WeekStore weeks, KnowledgeBase knowledge)
    {
        var (week, prices) = await weeks.ReadShelf(tenant, date);
        return TypedResults.Ok(new WeekView(week, knowledge).ToLookBack(prices));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Say(
        DateOnly date,
        LogRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        editing.Done(
            await desk.Log.Say(
                editing,
                date,
                week =>
                {
                    var cell = request.Place.ToCell();
                    if (week.DinerAt(cell).Refusal is { } nobody)
                    {
                        return nobody;
                    }

                    var names = request.Items.Select(one => week.NameOf(one.Item)).ToList();
                    var verb =
                        request.Items.All(one => one.Share is null) ? "Took back"
                        : request.Items.All(one => one.Share == 0) ? "Left out"
                        : "Ate";
                    return WeekEdit.Said(
                        week.Plan.Log(
                            cell,
                            [.. request.Items.Select(one => new EatenOf(one.Item, one.Share))],
                            week.Kitchen.Containers,
                            desk.Of(request.At, week),
                            Guid.CreateVersion7
                        ),
                        $"{verb} {string.Join(", ", names)}"
                    );
                }
            )
        );

    private static async Task<Results<NoContent, ProblemHttpResult>> Extra(
        DateOnly date,
        ExtraRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) => editing.Done(await desk.Log.Say(editing, date, week => Besides(week, request, editing, desk.Of(request.At, week))));

    private static Result<(WeekPlan, string)> Besides(StoredWeek week, ExtraRequest request, Editing editing, Moment now)
    {
        var cell = request.Place.ToCell();
        var diner = week.DinerAt(cell);
        if (diner.Refusal is { } nobody)
        {
            return nobody;
        }

        var ids = new Queue<Guid>([editing.Stamp.EditId]);
        Guid NewId() => ids.TryDequeue(out var first) ? first : Guid.CreateVersion7();
        if (request.BatchId is not { } batch)
        {
            // What was eaten is a fact: nothing stops it, the day says what it breaks.
            var read = MealEndpoints.Read(week, request.Line ?? "", request.Food, isEaten: true);
            return read.Refusal is { } unread
                ? unread
                : WeekEdit.Said(
                    week.Plan.LogExtra(cell, new ReadyFood(NewId(), read.Value), Guid.CreateVersion7),
                    $"Ate {read.Value.Read.Text.Trim()}"
                );
        }

        var lots = week.LotsFor(batch, diner.Value, request.LotId ?? LotOf(week.Plan, batch, request.BoxId));
        if (lots.Refusal is { } stop)
        {
            return stop;
        }

        return WeekEdit.Said(
            request.BoxId is { } box
                ? week.Plan.LogBox(cell, (batch, box), request.Portions, week.Kitchen.Containers, now, NewId)
                : week.Plan.LogLoose(
                    cell,
                    batch,
                    lots.Value,
                    request.Portions ?? diner.Value.PortionHabit,
                    week.Kitchen.Containers,
                    now,
                    NewId
                ),
            $"Ate {week.LetterOf(batch)}"
        );
    }

    /// <summary>Which variant is in a box, a real or a planned one.</summary>
    private static Guid? LotOf(WeekPlan plan, Guid batch, Guid? box) =>
        plan.Containers.FirstOrDefault(one => one.Id == box)?.Lot
        ?? (plan.BatchWithId(batch) is { } of ? plan.BoxesOf(of).FirstOrDefault(one => one.Id == box)?.Lot.Id : null);
}
