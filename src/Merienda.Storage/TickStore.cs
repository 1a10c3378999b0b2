using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Sessions;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What is ticked off: things in the basket, steps of the prep session.</summary>
public sealed class TickStore(EditDoor door)
{
    /// <summary>Every step that is ticked.</summary>
    internal static readonly Reading<IReadOnlyList<TaskTickRow>> Tasks = Reading.Of<IReadOnlyList<TaskTickRow>>(
        "select batch_id, task_id from task_tick where batch_id in (select id from batch);",
        null,
        async rows => [.. await rows.ReadAsync<TaskTickRow>()]
    );

    /// <param name="date">Any day of the week.</param>
    public Task<Result<Edited<bool>>> TickShop(EditStamp stamp, DateOnly date, string itemKey, bool isTicked) =>
        door.Edit<(Household Household, IReadOnlyList<DateOnly> Ticked), bool>(
            stamp,
            Journal.Tick,
            TableReading.Household.And(
                Reading.Of<IReadOnlyList<DateOnly>>(
                    "select week_start from shop_tick where item_key = @itemKey and week_start between @tickedDay - 9 and @tickedDay + 3;",
                    new { tickedDay = date, itemKey },
                    async rows => [.. await rows.ReadAsync<DateOnly>()]
                )
            ),
            locked =>
            {
                var start = locked.Household.Rhythm.WeekOf(date);
                var kept = locked.Ticked.Where(week => TableReading.IsOfWeek(week, start)).ToList();
                return Tick(Tables.ShopTick, [new ShopTickRow(kept.Append(start).First(), itemKey)], _ => kept.Count > 0, isTicked);
            }
        );

    public Task<Result<Edited<bool>>> TickTask(EditStamp stamp, Guid batchId, string taskId, bool isTicked) =>
        door.Edit<(IReadOnlyList<Guid> Session, IReadOnlyList<TaskTickRow> Ticks), bool>(
            stamp,
            Journal.Tick,
            Reading
                .Of<IReadOnlyList<Guid>>(
                    "select id from batch where session_id = (select session_id from batch where id = @tickedBatch);",
                    new { tickedBatch = batchId },
                    async rows => [.. await rows.ReadAsync<Guid>()]
                )
                .And(Tasks),
            locked =>
                locked.Session.Count == 0
                    ? BatchGone(batchId)
                    : Tick(
                        Tables.TaskTick,
                        (CookedDish.IsShared(taskId) ? locked.Session : [batchId]).Select(batch => new TaskTickRow(batch, taskId)),
                        locked.Ticks.Contains,
                        isTicked
                    )
        );

    internal static Refusal BatchGone(Guid batchId) =>
        new("batch-gone", "batch", batchId.ToString(), "somebody took it off the bench", "Load the session again");

    private static Decided<bool> Tick<TRow>(TenantTable<TRow> table, IEnumerable<TRow> rows, Func<TRow, bool> was, bool isTicked)
        where TRow : class
    {
        var change = new Change(isTicked ? "Ticked" : "Unticked");
        foreach (var row in rows)
        {
            change.Put(table, was(row) ? row : null, isTicked ? row : null);
        }

        return new(change, isTicked);
    }
}
