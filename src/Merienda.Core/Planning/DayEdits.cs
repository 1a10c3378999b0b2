using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>Edits of many meals at once. What is locked is left alone, and what is there already stays.</summary>
public static class DayEdits
{
    /// <summary>Puts on another day what stands on one, as far as portions are loose and cooked by then; only empty meals are filled.</summary>
    public static Result<WeekPlan> RepeatDay(this WeekPlan plan, DateOnly from, DateOnly to, Seating seating, Func<Guid> newId)
    {
        var meals = plan.Servings.Where(serving =>
            serving.Cell.Date == from && serving.Items.Count > 0 && plan.IsFree(serving.Cell with { Date = to })
        );
        var repeated = meals
            .SelectMany(serving => serving.Items.Select(item => (Cell: serving.Cell with { Date = to }, Item: item)))
            .Aggregate(plan, (done, next) => done.PutAgain(next.Item, next.Cell, seating, newId));
        return repeated == plan
            ? new Refusal(
                "nothing-to-repeat",
                "to",
                $"{to:yyyy-MM-dd}",
                "nothing of that day can stand there: no portion is loose and cooked by then, or the meals are taken",
                "Cook more, or clear the day first"
            )
            : repeated;
    }

    /// <summary>Exchanges two days, each eater's meals with their own; a locked meal keeps its day, and so does the one it would meet.</summary>
    public static Result<WeekPlan> SwapDays(this WeekPlan plan, DateOnly one, DateOnly other)
    {
        if (!plan.Holds(one) || !plan.Holds(other) || one == other)
        {
            return new Refusal("days-not-two", "to", $"{other:yyyy-MM-dd}", "two days of this week change places", "Choose another day");
        }

        DateOnly Across(DateOnly day) => day == one ? other : one;
        bool Stays(Serving serving) =>
            serving.Cell.Date != one && serving.Cell.Date != other
            || serving.IsLocked
            || plan.At(serving.Cell with { Date = Across(serving.Cell.Date) }) is { IsLocked: true };
        var moving = plan.Servings.Where(serving => !Stays(serving)).ToList();
        if (
            moving
                .SelectMany(serving => serving.Draws.Select(draw => (Batch: plan.BatchWithId(draw.Batch)!, To: Across(serving.Cell.Date))))
                .FirstOrDefault(move => move.To < move.Batch.Cooked) is
            { Batch: { } early } uncooked
        )
        {
            return new Refusal(
                "not-cooked-yet",
                "date",
                $"{uncooked.To:yyyy-MM-dd}",
                $"{early.Letter} is cooked on {early.Cooked:yyyy-MM-dd}",
                "Swap with a later day, or move its portions first"
            );
        }

        // A serving keeps its cell, so that a meal has one row for ever; what stands in it is what goes across.
        var cells = moving
            .Select(serving => serving.Cell)
            .Concat(moving.Select(serving => serving.Cell with { Date = Across(serving.Cell.Date) }))
            .Distinct()
            .ToDictionary(cell => cell, cell => plan.At(cell with { Date = Across(cell.Date) }));
        var there = plan.Servings.Select(serving => serving.Cell).ToHashSet();
        return plan with
        {
            Servings =
            [
                .. plan.Servings.Select(serving => cells.TryGetValue(serving.Cell, out var across) ? Filled(serving, across) : serving),
                .. cells
                    .Where(cell => !there.Contains(cell.Key) && cell.Value is not null)
                    .Select(cell => Filled(new Serving(Guid.CreateVersion7(), cell.Key, []), cell.Value)),
            ],
        };
    }

    /// <summary>Places a portion in every meal of a row that is open from the day it is cooked, while portions are loose.</summary>
    /// <param name="lots">Those of its lots that it may come from, the one to take first in front.</param>
    public static Result<WeekPlan> PlaceRow(
        this WeekPlan plan,
        Guid batchId,
        string meal,
        Guid eater,
        decimal wanted,
        IReadOnlyList<Guid> lots,
        Func<Guid> newId
    )
    {
        if (plan.BatchWithId(batchId) is not { } batch)
        {
            return plan.Remove(batchId);
        }

        var placed = Enumerable
            .Range(0, WeekPlan.Days)
            .Select(day => new Cell(plan.Start.AddDays(day), meal, eater))
            .Where(cell => cell.Date >= batch.Cooked && plan.IsFree(cell))
            .Aggregate(
                plan,
                (done, cell) => done.Place(batchId, cell, wanted, newId, null, lots) is { IsRefused: false } next ? next.Value : done
            );
        return placed == plan
            ? new Refusal(
                "row-full",
                "meal",
                plan.Rhythm.NameOf(meal),
                $"no {plan.Rhythm.NameOf(meal)} of the row is open, or no portion of {batch.Letter} is loose",
                "Cook more of it, or clear a meal"
            )
            : placed;
    }

    /// <summary>The largest size of a portion with which a day still fits for certain.</summary>
    /// <param name="verdictAt">What the day's rules say with the portion of a size.</param>
    public static Result<WeekPlan> FitDay(this WeekPlan plan, Guid itemId, Func<Draw, Verdict> verdictAt)
    {
        if (plan.Find(itemId) is not (_, Draw draw) || plan.BatchWithId(draw.Batch) is not { } batch)
        {
            return plan.ChangeSize(itemId, default, default);
        }

        Refusal? unchangeable = null;
        for (var size = Batch.LargestSize; size >= Batch.SmallestSize; size -= Batch.SmallestSize)
        {
            if (verdictAt(draw with { Size = new(size) }) != Verdict.Fits)
            {
                continue;
            }

            var fitting = plan.ChangeSize(itemId, draw.Size, new(size));
            if (!fitting.IsRefused)
            {
                return fitting;
            }

            unchangeable = fitting.Refusal;
        }

        // Where the smallest would fit and is refused all the same, it is not the day that stops it.
        return unchangeable
            ?? new Refusal(
                "nothing-fits",
                "size",
                batch.Letter,
                $"with no portion of {batch.Letter} the day fits for certain",
                "Take something else off the day, or another dish"
            );
    }

    /// <summary>Fills the free meals of this week as those of an earlier one are, day by day.</summary>
    /// <param name="batches">This week's batch for each of the earlier one's that is cooked again.</param>
    /// <param name="seating">Who may have what of the earlier week, and of the batches that are cooked again.</param>
    /// <returns>How many things stand here now, and how many could not.</returns>
    public static (WeekPlan Plan, int Placed, int Left) FillFrom(
        this WeekPlan plan,
        WeekPlan earlier,
        IReadOnlyDictionary<Guid, Guid> batches,
        Seating seating,
        Func<Guid> newId
    )
    {
        var days = plan.Start.DayNumber - earlier.Start.DayNumber;
        var (filled, placed, left) = (plan, 0, 0);
        foreach (var serving in earlier.Servings.Where(serving => earlier.Holds(serving.Cell.Date)))
        {
            var cell = serving.Cell with { Date = serving.Cell.Date.AddDays(days) };
            foreach (var item in serving.Items)
            {
                var again = plan.IsFree(cell) ? Again(filled, earlier, item, cell, batches, seating, newId) : filled;
                (placed, left) = again == filled ? (placed, left + 1) : (placed + 1, left);
                filled = again;
            }
        }

        return (filled, placed, left);
    }

    private static WeekPlan Again(
        WeekPlan plan,
        WeekPlan earlier,
        ServingItem item,
        Cell cell,
        IReadOnlyDictionary<Guid, Guid> batches,
        Seating seating,
        Func<Guid> newId
    ) =>
        item is not Draw draw || item.IsExtra ? plan.PutAgain(item, cell, seating, newId)
        : batches.TryGetValue(draw.Batch, out var id) && plan.BatchWithId(id) is { } batch && earlier.BatchWithId(draw.Batch) is { } old
            ? plan.Drawn(batch, draw with { Size = new(earlier.PortionsOf(old, draw)) }, old.LotOf(draw).Variant, cell, seating, newId)
        : plan;

    /// <summary>Nothing stands there, nothing is said of it, and nobody locked it.</summary>
    internal static bool IsFree(this WeekPlan plan, Cell cell) =>
        plan.Holds(cell.Date) && plan.At(cell) is null or { Items.Count: 0, IsLocked: false, State: ServingState.Planned };

    /// <summary>The same thing once more, as far as it goes and the eater may have it.</summary>
    internal static WeekPlan PutAgain(this WeekPlan plan, ServingItem item, Cell cell, Seating seating, Func<Guid> newId) =>
        item switch
        {
            // What nobody planned is no plan for another day.
            { IsExtra: true } => plan,
            Draw draw when plan.BatchWithId(draw.Batch) is { } batch => plan.Drawn(
                batch,
                draw with
                {
                    Size = new(plan.PortionsOf(batch, draw)),
                },
                batch.LotOf(draw).Variant,
                cell,
                seating,
                newId
            ),
            ReadyFood food
                when seating.Stop(food, cell.Eater) is null
                    && plan.AddReady(cell, new ReadyFood(newId(), food.Line), newId) is { IsRefused: false } put => put.Value,
            _ => plan,
        };

    /// <summary>A share like another one, in its variant where there is still some of it.</summary>
    private static WeekPlan Drawn(this WeekPlan plan, Batch batch, Draw like, string? variant, Cell cell, Seating seating, Func<Guid> newId)
    {
        var lots = seating.Lots(batch, cell.Eater).OrderBy(lot => batch.LotWithId(lot).Variant != variant).ToList();
        return plan.Place(batch.Id, cell, like.Size.Amount, newId, like.Parts, lots) is not { IsRefused: false } placed ? plan
            : like.IsFrozen && placed.Value.Freeze(placed.Value.At(cell)!.Items[^1].Id, true) is { IsRefused: false } frozen ? frozen.Value
            : placed.Value;
    }

    private static Serving Filled(Serving serving, Serving? across) =>
        across is null
            ? serving with
            {
                Items = [],
                State = ServingState.Planned,
                Note = "",
            }
            : serving with
            {
                Items = across.Items,
                State = across.State,
                Note = across.Note,
            };
}
