using Merienda.Core.Outcomes;
using Merienda.Core.Sessions;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What was said of a dish when it was cooked before.</summary>
public sealed record EarlierNote(Guid RecipeId, Guid BatchId, DateOnly CookedOn, string Note);

/// <summary>Keeps what cooking a batch taught.</summary>
public sealed class RemarkStore(EditDoor door)
{
    internal static readonly Reading<IReadOnlyList<CookRemarkRow>> All = Reading.Of<IReadOnlyList<CookRemarkRow>>(
        "select batch_id, task_id, took_minutes, note, again from cook_remark where batch_id in (select id from batch);",
        null,
        async rows => [.. await rows.ReadAsync<CookRemarkRow>()]
    );

    /// <summary>Notes on whole dishes, the newest first.</summary>
    public static readonly Reading<IReadOnlyList<EarlierNote>> Notes = Reading.Of<IReadOnlyList<EarlierNote>>(
        """
        select version.recipe_id, batch.id as batch_id, session.cooked_on, remark.note from cook_remark remark
        join batch on batch.household_id = remark.household_id and batch.id = remark.batch_id
        join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
        join recipe_version version on version.household_id = batch.household_id and version.id = batch.recipe_version_id
        where remark.task_id = '' and remark.note <> '' order by session.cooked_on desc, batch.letter, batch.id limit 400;
        """,
        null,
        async rows => [.. await rows.ReadAsync<EarlierNote>()]
    );

    internal static CookRemark ToRemark(CookRemarkRow row) => new(row.BatchId, row.TaskId, row.TookMinutes, row.Note, row.Again);

    /// <summary>Keeps what a step took and what is noted instead of what was there; one that says nothing takes it away.</summary>
    public Task<Result<Edited<bool>>> Say(
        EditStamp stamp,
        Reading<StoredWeek> week,
        (Guid Batch, string Task, int? Minutes, string Note) said
    ) => Keep(stamp, week, said.Batch, said.Task, before => CookRemark.Of(said.Batch, said.Task, said.Minutes, said.Note, before?.Again));

    /// <summary>Says whether a dish is cooked again; what is noted of it stays.</summary>
    public Task<Result<Edited<bool>>> SayAgain(EditStamp stamp, Reading<StoredWeek> week, Guid batch, bool? again) =>
        Keep(stamp, week, batch, "", before => CookRemark.Of(batch, "", before?.Minutes, before?.Note ?? "", again));

    private Task<Result<Edited<bool>>> Keep(
        EditStamp stamp,
        Reading<StoredWeek> week,
        Guid batchId,
        string task,
        Func<CookRemark?, Result<CookRemark?>> decide
    ) =>
        door.Edit<StoredWeek, bool>(
            stamp,
            Journal.Batch,
            week,
            locked =>
            {
                var before = locked.Remarks.GetValueOrDefault((batchId, task));
                var after = decide(before);
                if (after.Refusal is { } refusal)
                {
                    return refusal;
                }

                if (locked.Plan.BatchWithId(batchId) is not { } batch)
                {
                    return TickStore.BatchGone(batchId);
                }

                return new Decided<bool>(
                    new Change($"Said how {batch.Letter} went").Put(
                        Tables.CookRemark,
                        before is null ? null : ToRow(before),
                        after.Value is { } remark ? ToRow(remark) : null
                    ),
                    true
                );
            }
        );

    private static CookRemarkRow ToRow(CookRemark remark) => new(remark.Batch, remark.Task, remark.Minutes, remark.Note, remark.Again);
}
