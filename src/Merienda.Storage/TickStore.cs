using Merienda.Core.Outcomes;
using Merienda.Core.Sessions;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>Steps of the prep session: ticked off, put at a minute, running, done.</summary>
public sealed class TickStore(EditDoor door)
{
    internal const string SelectRuns = "select batch_id, task_id, put_minute, hands_off_at, until_at, done_at, is_skipped from step_run";

    /// <summary>Every step of which something is said.</summary>
    internal static readonly Reading<(IReadOnlyList<TaskTickRow> Ticks, IReadOnlyList<StepRunRow> Runs)> Steps = Reading.Of<(
        IReadOnlyList<TaskTickRow>,
        IReadOnlyList<StepRunRow>
    )>(
        $"""
        select batch_id, task_id from task_tick where batch_id in (select id from batch);
        {SelectRuns} where batch_id in (select id from batch);
        """,
        null,
        async rows => ([.. await rows.ReadAsync<TaskTickRow>()], [.. await rows.ReadAsync<StepRunRow>()])
    );

    internal static StepRun ToRun(StepRunRow row) => new(row.PutMinute, row.HandsOffAt, row.UntilAt, row.DoneAt, row.IsSkipped);

    /// <summary>Says how a step goes; what was said of it before goes. A step that is cooked once for several is said of all of them.</summary>
    public Task<Result<Edited<bool>>> Say(EditStamp stamp, Guid batchId, string taskId, bool isTicked, StepRun run) =>
        door.Edit<(IReadOnlyList<Guid> Session, (IReadOnlyList<TaskTickRow> Ticks, IReadOnlyList<StepRunRow> Runs) Said), bool>(
            stamp,
            Journal.Tick,
            Reading
                .Of<IReadOnlyList<Guid>>(
                    "select id from batch where session_id = (select session_id from batch where id = @tickedBatch);",
                    new { tickedBatch = batchId },
                    async rows => [.. await rows.ReadAsync<Guid>()]
                )
                .And(Steps),
            locked =>
                locked.Session.Count == 0 ? BatchGone(batchId)
                : run.Wrong(taskId) is { } refusal ? refusal
                : Said(CookedDish.IsShared(taskId) ? locked.Session : [batchId], taskId, locked.Said, isTicked, run)
        );

    internal static Refusal BatchGone(Guid batchId) =>
        new("batch-gone", "batch", batchId.ToString(), "somebody took it off the bench", "Load the session again");

    private static Decided<bool> Said(
        IReadOnlyList<Guid> batches,
        string task,
        (IReadOnlyList<TaskTickRow> Ticks, IReadOnlyList<StepRunRow> Runs) was,
        bool isTicked,
        StepRun run
    )
    {
        var change = new Change(isTicked ? "Ticked" : "Unticked");
        foreach (var batch in batches)
        {
            var tick = new TaskTickRow(batch, task);
            change.Put(Tables.TaskTick, was.Ticks.Contains(tick) ? tick : null, isTicked ? tick : null);
            change.Put(
                Tables.StepRun,
                was.Runs.FirstOrDefault(one => one.BatchId == batch && one.TaskId == task),
                run == StepRun.Nothing ? null : new(batch, task, run.Put, run.HandsOff, run.Until, run.Done, run.IsSkipped)
            );
        }

        return new(change, isTicked);
    }
}
