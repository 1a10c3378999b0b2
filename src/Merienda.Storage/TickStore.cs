using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
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
                return Tick(Tables.ShopTick, new ShopTickRow(kept.Append(start).First(), itemKey), kept.Count > 0, isTicked);
            }
        );

    public Task<Result<Edited<bool>>> TickTask(EditStamp stamp, Guid batchId, string taskId, bool isTicked) =>
        door.Edit<(bool IsThere, IReadOnlyList<TaskTickRow> Ticks), bool>(
            stamp,
            Journal.Tick,
            Reading
                .Of(
                    "select exists (select 1 from batch where id = @tickedBatch);",
                    new { tickedBatch = batchId },
                    rows => rows.ReadSingleAsync<bool>()
                )
                .And(Tasks),
            locked =>
                !locked.IsThere
                    ? new Refusal("batch-gone", "batch", batchId.ToString(), "somebody took it off the bench", "Load the session again")
                    : Tick(
                        Tables.TaskTick,
                        new TaskTickRow(batchId, taskId),
                        locked.Ticks.Contains(new TaskTickRow(batchId, taskId)),
                        isTicked
                    )
        );

    private static Decided<bool> Tick<TRow>(TenantTable<TRow> table, TRow row, bool was, bool isTicked)
        where TRow : class =>
        new(new Change(isTicked ? "Ticked" : "Unticked").Put(table, was ? row : null, isTicked ? row : null), isTicked);
}
