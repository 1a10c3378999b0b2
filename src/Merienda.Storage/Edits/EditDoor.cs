using System.Text.Json;
using Merienda.Core.Outcomes;

namespace Merienda.Storage.Edits;

/// <summary>Whose edit it is, with the id that the client gave it: sent twice, it is done once.</summary>
public sealed record EditStamp(Tenant Tenant, Guid EditId);

/// <summary>A decided edit: the rows it writes, and what it answers (kept, so that a retry is answered the same).</summary>
public sealed record Decided<TAnswer>(Change Change, TAnswer Answer);

/// <summary>An edit that was kept, with the view read in its own transaction.</summary>
/// <param name="Sequence">Of its journal entry, which is what undo is asked for; null when nothing differed, so nothing was written.</param>
public sealed record Edited<TView>(long? Sequence, TView View)
{
    public Edited<TNext> Select<TNext>(Func<TView, TNext> draw) => new(Sequence, draw(View));
}

/// <summary>
/// The one way to write anything of a household: its row is locked, so that its edits follow each other; the edit is decided on what was
/// read under the lock; the rows that differ are written with one journal entry; and the answer is read before the commit.
/// </summary>
public sealed class EditDoor(Database database)
{
    /// <param name="kind">What is edited, one of <see cref="Journal"/>'s.</param>
    /// <param name="locked">What the decision needs to know, read under the lock.</param>
    /// <param name="decide">Refuses, or says what is written.</param>
    /// <param name="view">What is answered, read after the write in the same transaction.</param>
    public Task<Result<Edited<TView>>> Edit<TLocked, TAnswer, TView>(
        EditStamp stamp,
        string kind,
        Reading<TLocked> locked,
        Func<TLocked, Result<Decided<TAnswer>>> decide,
        Func<TAnswer, Reading<TView>> view
    ) =>
        database.As<Result<Edited<TView>>>(
            stamp.Tenant,
            async scope =>
            {
                var (first, rows) = await scope.Read(Journal.Lock(stamp).And(locked));
                if (first is not null)
                {
                    return first.Kind == kind
                        ? new Edited<TView>(first.Sequence, await scope.Read(view(JsonSerializer.Deserialize<TAnswer>(first.Answer)!)))
                        : Journal.IdUsed(stamp);
                }

                var decided = decide(rows);
                if (decided.Refusal is { } refusal)
                {
                    return refusal;
                }

                var (change, answer) = decided.Value;
                if (change.IsEmpty)
                {
                    return new Edited<TView>(null, await scope.Read(view(answer)));
                }

                scope.HasWritten = true;
                var (sequence, shown) = await scope.Read(Write(stamp, kind, change, answer).And(view(answer)));
                return new Edited<TView>(sequence, shown);
            }
        );

    /// <summary>An edit that answers with what was decided.</summary>
    public Task<Result<Edited<TAnswer>>> Edit<TLocked, TAnswer>(
        EditStamp stamp,
        string kind,
        Reading<TLocked> locked,
        Func<TLocked, Result<Decided<TAnswer>>> decide
    ) => Edit(stamp, kind, locked, decide, Reading.Known);

    private static Reading<long> Write<TAnswer>(EditStamp stamp, string kind, Change change, TAnswer answer)
    {
        var (sql, parameters) = change.Statements();
        return Reading
            .Of(sql, parameters, _ => Task.FromResult(true))
            .And(Journal.Append(stamp, kind, change.Summary, change.Image(), JsonSerializer.Serialize(answer)))
            .Select(written => written.Second);
    }
}
