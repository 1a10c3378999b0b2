using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

public sealed record DiaryEntry(Guid Id, DateOnly NotedOn, string Text);

/// <summary>What eaters note of a protocol's phases.</summary>
public sealed class DiaryStore(Database database, EditDoor door, HouseholdStore households)
{
    public Task<IReadOnlyList<DiaryEntry>> Of(Tenant tenant, Guid eaterId, string protocolId) =>
        database.Read(
            tenant,
            Reading.Of<IReadOnlyList<DiaryEntry>>(
                """
                select id, noted_on, text from diary_entry
                where eater_id = @eaterId and protocol_id = @protocolId order by noted_on desc, id desc limit 200;
                """,
                new { eaterId, protocolId },
                async rows => [.. await rows.ReadAsync<DiaryEntry>()]
            )
        );

    public Task<Result<Edited<Guid>>> Write(EditStamp stamp, Guid eaterId, string protocolId, DateOnly notedOn, string text) =>
        door.Edit<Table, Guid>(
            stamp,
            Journal.Diary,
            households.Table(),
            table =>
            {
                if (table.WithId(eaterId) is not { } eater)
                {
                    return HouseholdStore.EaterGone(eaterId);
                }

                if (table.WrongNote(notedOn, text) is { } refusal)
                {
                    return refusal;
                }

                var entry = new DiaryEntryRow(Guid.CreateVersion7(), eaterId, protocolId, notedOn, text.Trim(), stamp.Tenant.Account);
                return new Decided<Guid>(new Change($"Noted something of {eater.Name}").Put(Tables.DiaryEntry, null, entry), entry.Id);
            }
        );

    public Task<Result<Edited<bool>>> Strike(EditStamp stamp, Guid entryId) =>
        door.Edit<DiaryEntryRow?, bool>(
            stamp,
            Journal.Diary,
            Reading.Of(
                "select id, eater_id, protocol_id, noted_on, text, written_by from diary_entry where id = @entryId;",
                new { entryId },
                rows => rows.ReadSingleOrDefaultAsync<DiaryEntryRow?>()
            ),
            entry =>
                entry is null
                    ? new Refusal("note-gone", "entry", entryId.ToString(), "there is no such note", "Load the diary again")
                    : new Decided<bool>(new Change("Struck out a note").Put(Tables.DiaryEntry, entry, null), true)
        );
}
