using Merienda.Core.Outcomes;

namespace Merienda.Storage.Edits;

/// <summary>The newest thing that a person can take back.</summary>
public sealed record Undoable(long Sequence, string Summary);

/// <summary>A journal entry as a live view hears of it.</summary>
public sealed record EditNews(long Sequence, string Kind);

/// <summary>Who changed what, with the rows before and after; written in the transaction of the change itself.</summary>
public static class Journal
{
    public const string Batch = "batch",
        Eater = "eater",
        Recipe = "recipe",
        Protocol = "protocol",
        Kitchen = "kitchen",
        Rhythm = "rhythm",
        People = "people",
        Packet = "packet",
        Opinion = "opinion",
        Stock = "stock",
        Price = "price",
        Box = "box",
        Log = "log",
        Word = "word",
        Tick = "tick",
        Diary = "diary",
        Menu = "menu",
        Brought = "brought",
        Published = "published",
        Enclosed = "enclosed",
        Undo = "undo";

    /// <summary>Form of the rows in an entry. Entries of an earlier form cannot be taken back any more.</summary>
    public const int Schema = 6;

    /// <summary>Channel on which a committed entry is told: household, sequence and kind.</summary>
    public const string Channel = "merienda_edits";

    /// <summary>Kinds that are taken back where they were done (a tick is ticked again), not by "undo the last thing".</summary>
    private static readonly string[] Quiet = [Tick, Diary, People, Published, Undo];

    internal sealed record Entry(long Sequence, string Kind, string Answer);

    /// <summary>Locks the household for edits, and finds the entry that this very edit has left already.</summary>
    internal static Reading<Entry?> Lock(EditStamp stamp) =>
        Reading.Of(
            """
            select 1 from household where id = app_household() for no key update;
            select sequence, kind, answer::text from journal where household_id = app_household() and edit_id = @doorEdit;
            """,
            new { doorEdit = stamp.EditId },
            async rows =>
            {
                await rows.ReadAsync<int>();
                return await rows.ReadSingleOrDefaultAsync<Entry?>();
            }
        );

    internal static Reading<long> Append(EditStamp stamp, string kind, string summary, string image, string answer) =>
        Reading.Of(
            $"""
            with entry as (
                insert into journal (household_id, account_id, at, kind, summary, change, schema_version, edit_id, answer, is_quiet)
                values (app_household(), app_account(), now(), @doorKind, @doorSummary, @doorImage::jsonb, {Schema}, @doorEdit, @doorAnswer::jsonb, @doorQuiet)
                returning sequence)
            select sequence, pg_notify('{Channel}', app_household() || ' ' || sequence || ' ' || @doorKind)::text from entry;
            """,
            new
            {
                doorKind = kind,
                doorSummary = summary.Length > 200 ? summary[..200] : summary,
                doorImage = image,
                doorEdit = stamp.EditId,
                doorAnswer = answer,
                doorQuiet = Quiet.Contains(kind),
            },
            async rows => (await rows.ReadSingleAsync<(long Sequence, string)>()).Sequence
        );

    internal static Reading<Undoable?> Newest() =>
        Reading.Of(
            $"""
            select sequence, summary from journal
            where household_id = app_household() and account_id = app_account() and not is_undone and not is_quiet and schema_version = {Schema}
            order by sequence desc limit 1;
            """,
            null,
            rows => rows.ReadSingleOrDefaultAsync<Undoable?>()
        );

    /// <summary>The newest entry of the household; 0 before the first.</summary>
    public static readonly Reading<long> Last = Reading.Of(
        "select coalesce(max(sequence), 0) from journal where household_id = app_household();",
        null,
        rows => rows.ReadSingleAsync<long>()
    );

    /// <summary>Entries since one that was heard of, the oldest first.</summary>
    public static Reading<IReadOnlyList<EditNews>> Since(long sequence) =>
        Reading.Of<IReadOnlyList<EditNews>>(
            "select sequence, kind from journal where household_id = app_household() and sequence > @since order by sequence limit 500;",
            new { since = sequence },
            async rows => [.. await rows.ReadAsync<EditNews>()]
        );

    internal static Refusal IdUsed(EditStamp stamp) =>
        new(
            "edit-id-used",
            "X-Edit-Id",
            stamp.EditId.ToString(),
            "another kind of edit was done under this id",
            "Give every edit an id of its own"
        );
}
