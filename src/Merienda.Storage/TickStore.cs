using Merienda.Core.Outcomes;
using Merienda.Core.Sessions;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>Steps of the prep session that are ticked off.</summary>
public sealed class TickStore(EditDoor door)
{
    /// <summary>Every step that is ticked.</summary>
    internal static readonly Reading<IReadOnlyList<TaskTickRow>> Tasks = Reading.Of<IReadOnlyList<TaskTickRow>>(
        "select batch_id, task_id from task_tick where batch_id in (select id from batch);",
        null,
        async rows => [.. await rows.ReadAsync<TaskTickRow>()]
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
