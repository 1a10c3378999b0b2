using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>Portions whose meal comes later than they keep and that do not freeze: cooked in a later session instead.</summary>
public static class LaterEdits
{
    /// <summary>The day on which the late portions of a batch can be cooked instead, or null: the last session before the first of them.</summary>
    /// <param name="today">Nothing is cooked in the past.</param>
    public static DateOnly? LaterSession(this WeekPlan plan, Batch batch, DateOnly today) =>
        Late(plan, batch).Select(item => (DateOnly?)item.Serving.Cell.Date).Min() is not { } first
            ? null
            : plan
                .Rhythm.SessionsOf(plan.Start)
                .Concat(plan.CookedForIt.Select(other => other.Cooked))
                .Where(date => date > batch.Cooked && date >= today && date <= first && plan.WrongSession("date", date) is null)
                .Select(date => (DateOnly?)date)
                .Max();

    /// <summary>
    /// Cooks in the later session what keeps from there to its meal, as a batch of its own; the first one is that much smaller. When nothing
    /// else is placed of it, the whole batch is cooked there. The portions are drawn anew: what is taken back gives the first ones again.
    /// </summary>
    public static Result<WeekPlan> CookLater(this WeekPlan plan, Guid batchId, DateOnly today, Func<Guid> newId)
    {
        if (plan.BatchWithId(batchId) is not { } batch)
        {
            return WeekEdits.BatchGone(batchId);
        }

        if (BatchEdits.IsPortioned(batch) is { } portioned)
        {
            return portioned;
        }

        if (plan.LaterSession(batch, today) is not { } date)
        {
            return new Refusal(
                "no-later-session",
                "batch",
                batch.Letter,
                "no session of this week is late enough for it",
                "Eat it sooner, or put a session between"
            );
        }

        var moved = Late(plan, batch).Where(item => batch.KeepingOf(item.Draw.Parts)!.EatBy(date) >= item.Serving.Cell.Date).ToList();
        if (plan.DrawsOf(batch.Id).Count() == moved.Count)
        {
            return plan.CookOn(batch.Id, date, newId());
        }

        var taken = moved.ToLookup(item => item.Draw.Lot, item => plan.PortionsOf(batch, item.Draw));
        var lots = batch.Lots.Where(lot => taken.Contains(lot.Id)).ToDictionary(lot => lot.Id, lot => lot with { Id = newId() });
        var later = batch with
        {
            Id = newId(),
            Letter = TapeLetter.FirstFree(plan.Batches.Select(one => one.Letter).ToHashSet()),
            Cooked = date,
            Lots = Cookable(lots.Select(lot => lot.Value with { Portions = taken[lot.Key].Sum() })),
            Yields = [],
        };
        var less = batch with { Lots = Cookable(batch.Lots.Select(lot => lot with { Portions = lot.Portions - taken[lot.Id].Sum() })) };
        var gone = moved.Select(item => item.Draw.Id).ToHashSet();
        return plan.WithDraws(
                batchId,
                draw => gone.Contains(draw.Id) ? draw with { Id = newId(), Batch = later.Id, Lot = lots[draw.Lot].Id } : draw
            )
            .With(batch, less)
            .WithoutLeftOut(batchId, less.Lots)
            .WithSession(date, newId())
            .Add(later);
    }

    /// <summary>The least that can be cooked of lots from which so much is drawn: whole steps, and one portion at least.</summary>
    private static List<Lot> Cookable(IEnumerable<Lot> drawn)
    {
        var lots = drawn
            .Where(lot => lot.Portions > 0)
            .Select(lot => lot with { Portions = Math.Ceiling(lot.Portions / Batch.SmallestSize) * Batch.SmallestSize })
            .ToList();
        lots[0] = lots[0] with { Portions = lots[0].Portions + Math.Max(0, 1 - lots.Sum(lot => lot.Portions)) };
        return lots;
    }

    private static IEnumerable<(Serving Serving, Draw Draw)> Late(WeekPlan plan, Batch batch) =>
        batch.PortionedOn is not null || batch.Keeping is null
            ? []
            : plan.DrawsOf(batch.Id)
                .Where(item =>
                    item.Draw.Container is null
                    && KeepingPlan.For(batch.KeepingOf(item.Draw.Parts)!, batch.Cooked, item.Serving.Cell.Date, item.Draw.IsFrozen).KeptIn
                        == KeptIn.PastItsTime
                );
}
