using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Foods.Statements;
using Merienda.Core.Outcomes;
using Merienda.Storage.Edits;
using Microsoft.Extensions.Caching.Memory;

namespace Merienda.Storage;

/// <summary>A version of a packet with the food it makes.</summary>
public sealed record StoredPacket(Guid PacketId, Guid VersionId, int Number, DateTimeOffset CreatedAt, Food Food)
{
    public PrintedPacket Printed => Food.Packet!.Printed;
}

/// <summary>A household's packets in use, and every food it can cook with.</summary>
/// <param name="Matcher">The packets before the table's foods.</param>
public sealed record HouseholdFoods(FoodMatcher Matcher, IReadOnlyDictionary<Guid, StoredPacket> Packets, IReadOnlyList<LearntWord> Learnt);

/// <summary>What is needed to read packets; it ships with the program.</summary>
public sealed record PacketKnowledge(FoodMatcher Foods, StatementLexicon Statements, FoodClasses Classes);

/// <summary>
/// Packets as lines of immutable versions; the packet says which one counts. A household's list is kept in memory; whether it is still the
/// one that was read its revision says.
/// </summary>
public sealed class PacketStore : IDisposable
{
    private readonly Database _database;
    private readonly EditDoor _door;
    private readonly Func<PacketKnowledge> _knowledge;

    // Sized by packets: a household may bring in ten thousand.
    private readonly MemoryCache _lists = new(new MemoryCacheOptions { SizeLimit = 60_000 });

    private sealed record Kept(long Revision, bool IsTolerant, HouseholdFoods Foods);

    private sealed record PacketState(PacketRow? Row, int Newest, bool IsNameTaken);

    public PacketStore(Database database, EditDoor door, Func<PacketKnowledge> knowledge)
    {
        (_database, _door, _knowledge) = (database, door, knowledge);
        Foods = Reading
            .Of(
                "select larder_revision, counts_tolerances from household where id = app_household();",
                null,
                rows => rows.ReadSingleAsync<(long Revision, bool IsTolerant)>()
            )
            .Then(Bring);
    }

    /// <summary>Everything the household can cook with.</summary>
    public Reading<HouseholdFoods> Foods { get; }

    public void Dispose() => _lists.Dispose();

    /// <summary>Every version of one packet, the newest first; empty when there is no such packet.</summary>
    public Reading<IReadOnlyList<StoredPacket>> Versions(Guid packetId) =>
        Reading.Of<IReadOnlyList<StoredPacket>>(
            $"select counts_tolerances from household where id = app_household();\n{PacketRows.SelectVersion} where version.packet_id = @versionsOf order by version.number desc;",
            new { versionsOf = packetId },
            async rows =>
            {
                var tolerant = await rows.ReadSingleAsync<bool>();
                return [.. (await rows.ReadAsync<PacketRows.VersionRow>()).Select(row => row.ToPacket(tolerant, _knowledge()))];
            }
        );

    /// <summary>Stores a version; a first one makes the packet. Two packets in use never share a name.</summary>
    /// <param name="basedOn">The version that was edited; refused when another one counts by now. Null for a new packet.</param>
    /// <returns>The key of the packet's food.</returns>
    public Task<Result<Edited<string>>> Save(EditStamp stamp, Guid packetId, PrintedPacket printed, int? basedOn, DateTimeOffset at) =>
        _door.Edit<PacketState, string>(
            stamp,
            Journal.Packet,
            State(packetId, printed.Name),
            state =>
            {
                if (printed.Read(_knowledge().Classes).Refusal is { } unread)
                {
                    return unread;
                }

                if (state.IsNameTaken)
                {
                    return Taken(printed.Name);
                }

                if (basedOn != state.Row?.Number)
                {
                    return new Refusal(
                        "packet-changed",
                        "basedOn",
                        $"version {basedOn}",
                        "somebody saved another version of the packet meanwhile",
                        "Open it again and bring over what you changed; what you typed is still here"
                    );
                }

                var change = new Change($"{(state.Row is null ? "Kept" : "Changed")} {printed.Name.Trim()}");
                Put(change, state.Row, state.Newest, packetId, printed, stamp, at);
                return new Decided<string>(change, Packet.KeyOf(packetId));
            }
        );

    /// <summary>Stores many at once: new packets, and new versions of those that are in use under the same name; all or none.</summary>
    /// <param name="choose">Which of them, by what is in use.</param>
    public Task<Result<Edited<int>>> Import(
        EditStamp stamp,
        Func<HouseholdFoods, IReadOnlyList<PrintedPacket>> choose,
        DateTimeOffset at,
        CancellationToken stop
    ) =>
        _door.Edit<(HouseholdFoods Foods, IReadOnlyList<(Guid Id, int Number)> Newest), int>(
            stamp,
            Journal.Packet,
            Foods.And(Newest),
            locked =>
            {
                var packets = choose(locked.Foods);
                var newest = locked.Newest.ToDictionary(row => row.Id, row => row.Number);
                var inUse = locked.Foods.Packets.Values.ToDictionary(packet => packet.Printed.Name.Trim().ToLowerInvariant());
                var change = new Change($"Brought in {packets.Count} packets");
                var (before, after, versions) = (new List<PacketRow>(), new List<PacketRow>(), new List<PacketVersionRow>());
                foreach (var printed in packets)
                {
                    stop.ThrowIfCancellationRequested();
                    var known = inUse.GetValueOrDefault(printed.Name.Trim().ToLowerInvariant());
                    var id = known?.PacketId ?? Guid.CreateVersion7();
                    var version = PacketRows.Of(id, printed, newest.GetValueOrDefault(id) + 1, stamp, at);
                    versions.Add(version);
                    var row = new PacketRow(id, version.Name, version.Id, version.Number, null);
                    before.Add(
                        known is null
                            ? row with
                            {
                                ArchivedAt = at,
                            }
                            : new(id, known.Printed.Name.Trim(), known.VersionId, known.Number, null)
                    );
                    after.Add(row);
                }

                return new Decided<int>(change.Put(Tables.Packet, before, after).Append(Tables.PacketVersion, versions), packets.Count);
            }
        );

    /// <summary>Takes a packet out of use; what was planned with it keeps it.</summary>
    public Task<Result<Edited<bool>>> Archive(EditStamp stamp, Guid packetId, DateTimeOffset at) =>
        _door.Edit<PacketState, bool>(
            stamp,
            Journal.Packet,
            State(packetId, ""),
            state =>
                state.Row is { ArchivedAt: null } row
                    ? new Decided<bool>(new Change($"Put away {row.Name}").Put(Tables.Packet, row, row with { ArchivedAt = at }), true)
                    : Gone(packetId)
        );

    /// <summary>Writes what an eater decided about a packet, or takes it back.</summary>
    /// <param name="decide">The opinion, or null to take it back, by what is known of packet and eater.</param>
    public Task<Result<Edited<bool>>> Decide(
        EditStamp stamp,
        Guid packetId,
        Guid eaterId,
        Reading<Core.Planning.Table> table,
        Func<Core.Planning.Table, Core.Planning.EaterSettings, StoredPacket, Result<Core.Protocols.PacketOpinion?>> decide
    ) =>
        _door.Edit<((Core.Planning.Table Table, HouseholdFoods Foods) Known, PacketOpinionRow? Before), bool>(
            stamp,
            Journal.Opinion,
            table.And(Foods).And(OpinionOf(packetId, eaterId)),
            locked =>
            {
                if (!locked.Known.Foods.Packets.TryGetValue(packetId, out var packet))
                {
                    return Gone(packetId);
                }

                if (locked.Known.Table.WithId(eaterId) is not { } eater)
                {
                    return HouseholdStore.EaterGone(eaterId);
                }

                var decided = decide(locked.Known.Table, eater, packet);
                if (decided.Refusal is { } refusal)
                {
                    return refusal;
                }

                var after = decided.Value is { } said
                    ? new PacketOpinionRow(packetId, eaterId, said.IsApproved, said.Reason, said.Statement, said.On, stamp.Tenant.Account)
                    : null;
                var done =
                    after is null ? "took back what was decided on"
                    : after.IsApproved ? "approved"
                    : "rejected";
                return new Decided<bool>(
                    new Change($"{eater.Name} {done} {packet.Printed.Name}").Put(Tables.PacketOpinion, locked.Before, after),
                    true
                );
            }
        );

    internal static Refusal Taken(string name) =>
        new(
            "packet-name-taken",
            "name",
            name.Trim(),
            "another packet is called so",
            "Give this one a name of its own, for example with its maker or size; or open the other and change it"
        );

    private static Refusal Gone(Guid packetId) =>
        new("packet-gone", "packet", packetId.ToString(), "there is no such packet", "Load the Larder again");

    private static void Put(
        Change change,
        PacketRow? row,
        int newest,
        Guid packetId,
        PrintedPacket printed,
        EditStamp stamp,
        DateTimeOffset at
    )
    {
        var version = PacketRows.Of(packetId, printed, newest + 1, stamp, at);
        var after = new PacketRow(packetId, version.Name, version.Id, version.Number, null);
        // Taken back, a new packet is put away: a version never goes.
        change.Put(Tables.Packet, row ?? after with { ArchivedAt = at }, after).Append(Tables.PacketVersion, [version]);
    }

    /// <summary>Brings the list from memory, or reads what memory does not hold of it.</summary>
    private async Task<HouseholdFoods> Bring(Scope scope, (long Revision, bool IsTolerant) asked)
    {
        var kept = _lists.Get<Kept>(scope.Tenant.Household);
        if (kept is not null && (kept.Revision, kept.IsTolerant) == asked)
        {
            return kept.Foods;
        }

        var known = kept?.IsTolerant == asked.IsTolerant ? kept.Foods.Packets.Values.ToDictionary(packet => packet.VersionId) : [];
        var (ids, learnt, rows) = await scope.Read(List(known.Keys.ToArray()));
        var read = rows.ToDictionary(row => row.Id, row => row.ToPacket(asked.IsTolerant, _knowledge()));
        var packets = ids.Select(id => read.GetValueOrDefault(id) ?? known[id]).ToDictionary(packet => packet.PacketId);
        var foods = new HouseholdFoods(
            packets.Count + learnt.Count > 0
                ? _knowledge().Foods.With(packets.Values.Select(packet => packet.Food), learnt.Select(word => (word.Words, word.FoodKey)))
                : _knowledge().Foods,
            packets,
            learnt
        );
        if (!scope.HasWritten)
        {
            _lists.Set(
                scope.Tenant.Household,
                new Kept(asked.Revision, asked.IsTolerant, foods),
                new MemoryCacheEntryOptions { Size = 1 + packets.Count }
            );
        }

        return foods;
    }

    // Right after a first import the planner still takes the tables for empty: pair by pair, 10,000 packets took it 36 s.
    private static Reading<(List<Guid> Ids, List<LearntWord> Learnt, List<PacketRows.VersionRow> Rows)> List(Guid[] known) =>
        Reading.Of(
            $"""
            select version_id from packet where archived_at is null;
            select words, food_key, learnt_at, learnt_by from learnt_word order by words;
            set local enable_nestloop = off;
            {PacketRows.SelectVersion}
            join packet on packet.household_id = version.household_id and packet.version_id = version.id
            where packet.archived_at is null and not version.id = any(@knownPackets);
            set local enable_nestloop = on;
            """,
            new { knownPackets = known },
            async rows =>
                (
                    (await rows.ReadAsync<Guid>()).ToList(),
                    (await rows.ReadAsync<LearntWord>()).ToList(),
                    (await rows.ReadAsync<PacketRows.VersionRow>()).ToList()
                )
        );

    private static readonly Reading<IReadOnlyList<(Guid Id, int Number)>> Newest = Reading.Of<IReadOnlyList<(Guid, int)>>(
        "select packet_id, max(number)::int from packet_version group by packet_id;",
        null,
        async rows => [.. await rows.ReadAsync<(Guid, int)>()]
    );

    private static Reading<PacketState> State(Guid packetId, string name) =>
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

    private static Reading<PacketOpinionRow?> OpinionOf(Guid packetId, Guid eaterId) =>
        Reading.Of(
            """
            select packet_id, eater_id, is_approved, reason, statement, decided_on, decided_by from packet_opinion
            where packet_id = @opinionOn and eater_id = @opinionOf;
            """,
            new { opinionOn = packetId, opinionOf = eaterId },
            rows => rows.ReadSingleOrDefaultAsync<PacketOpinionRow?>()
        );
}
