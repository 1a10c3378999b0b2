using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>A packet as an edit finds it.</summary>
/// <param name="Newest">Number of its newest version; 0 when there is none.</param>
internal sealed record PacketState(PacketRow? Row, int Newest, bool IsNameTaken);

/// <summary>What packets are read by.</summary>
internal static class PacketReadings
{
    // Right after a first import the planner still takes the tables for empty: pair by pair, 10,000 packets took it 36 s.
    public static Reading<(List<Guid> Ids, List<LearntWord> Learnt, List<PacketRows.VersionRow> Rows)> InUse(Guid[] known) =>
        Reading.Of(
            $"""
            select version_id from packet where archived_at is null order by id;
            select words, food_key, learnt_at, learnt_by from learnt_word order by words;
            select set_config('enable_nestloop', 'off', true);
            {PacketRows.SelectVersion}
            join packet on packet.household_id = version.household_id and packet.version_id = version.id
            where packet.archived_at is null and not version.id = any(@knownPackets);
            select set_config('enable_nestloop', 'on', true);
            """,
            new { knownPackets = known },
            async rows =>
            {
                var (ids, learnt) = ((await rows.ReadAsync<Guid>()).ToList(), (await rows.ReadAsync<LearntWord>()).ToList());
                await rows.ReadAsync<string>();
                var versions = (await rows.ReadAsync<PacketRows.VersionRow>()).ToList();
                await rows.ReadAsync<string>();
                return (ids, learnt, versions);
            }
        );

    public static readonly Reading<IReadOnlyList<(Guid Id, int Number)>> Newest = Reading.Of<IReadOnlyList<(Guid, int)>>(
        "select packet_id, max(number)::int from packet_version group by packet_id;",
        null,
        async rows => [.. await rows.ReadAsync<(Guid, int)>()]
    );

    public static Reading<PacketState> State(Guid packetId, string name) =>
        Reading.Of(
            """
            select id, name, version_id, number, archived_at from packet where id = @packet;
            select coalesce(max(number), 0)::int from packet_version where packet_id = @packet;
            select exists (select 1 from packet where lower(name) = lower(@packetName) and id <> @packet and archived_at is null);
            """,
            new { packet = packetId, packetName = name.Trim() },
            async rows => new PacketState(
                await rows.ReadSingleOrDefaultAsync<PacketRow?>(),
                await rows.ReadSingleAsync<int>(),
                await rows.ReadSingleAsync<bool>()
            )
        );

    public static Reading<PacketOpinionRow?> OpinionOf(Guid packetId, Guid eaterId) =>
        Reading.Of(
            """
            select packet_id, eater_id, is_approved, reason, statement, decided_on, decided_by from packet_opinion
            where packet_id = @opinionOn and eater_id = @opinionOf;
            """,
            new { opinionOn = packetId, opinionOf = eaterId },
            rows => rows.ReadSingleOrDefaultAsync<PacketOpinionRow?>()
        );
}
