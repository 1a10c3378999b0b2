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
public sealed record HouseholdFoods(FoodMatcher Matcher, IReadOnlyDictionary<Guid, StoredPacket> Packets, IReadOnlyList<LearntWord> Learnt)
{
    /// <summary>Of the larder when it was read.</summary>
    public long Revision { get; init; }
}

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
            $"""
            select counts_tolerances from household where id = app_household();
            {PacketRows.SelectVersion} where version.packet_id = @versionsOf order by version.number desc;
            """,
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
            PacketReadings.State(packetId, printed.Name),
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
            Foods.And(PacketReadings.Newest),
            locked =>
            {
                var packets = choose(locked.Foods);
                var change = new Change($"Brought in {packets.Count} packets");
                PutAll(change, packets, locked.Foods, locked.Newest, stamp, at, stop);
                return new Decided<int>(change, packets.Count);
            }
        );

    /// <summary>Takes a packet out of use; what was planned with it keeps it.</summary>
    public Task<Result<Edited<bool>>> Archive(EditStamp stamp, Guid packetId, DateTimeOffset at) =>
        _door.Edit<PacketState, bool>(
            stamp,
            Journal.Packet,
            PacketReadings.State(packetId, ""),
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
            table.And(Foods).And(PacketReadings.OpinionOf(packetId, eaterId)),
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

    /// <summary>New packets, and new versions of those that are in use under the same name, as part of an edit.</summary>
    /// <returns>Their rows.</returns>
    internal static IReadOnlyList<PacketVersionRow> PutAll(
        Change change,
        IReadOnlyList<PrintedPacket> packets,
        HouseholdFoods foods,
        IReadOnlyList<(Guid Id, int Number)> newest,
        EditStamp stamp,
        DateTimeOffset at,
        CancellationToken stop
    )
    {
        var numbers = newest.ToDictionary(row => row.Id, row => row.Number);
        var inUse = foods.Packets.Values.ToDictionary(packet => packet.Printed.Name.Trim().ToLowerInvariant());
        var (before, after, versions) = (new List<PacketRow>(), new List<PacketRow>(), new List<PacketVersionRow>());
        foreach (var printed in packets)
        {
            stop.ThrowIfCancellationRequested();
            var known = inUse.GetValueOrDefault(printed.Name.Trim().ToLowerInvariant());
            var id = known?.PacketId ?? Guid.CreateVersion7();
            var version = PacketRows.Of(id, printed, numbers.GetValueOrDefault(id) + 1, stamp, at);
            versions.Add(version);
            var row = new PacketRow(id, version.Name, version.Id, version.Number, null);
            before.Add(
                known is null ? row with { ArchivedAt = at } : new(id, known.Printed.Name.Trim(), known.VersionId, known.Number, null)
            );
            after.Add(row);
        }

        change.Put(Tables.Packet, before, after).Append(Tables.PacketVersion, versions);
        return versions;
    }

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
        var (ids, learnt, rows) = await scope.Read(PacketReadings.InUse(known.Keys.ToArray()));
        var read = rows.ToDictionary(row => row.Id, row => row.ToPacket(asked.IsTolerant, _knowledge()));
        var packets = ids.Select(id => read.GetValueOrDefault(id) ?? known[id]).ToDictionary(packet => packet.PacketId);
        var foods = new HouseholdFoods(
            packets.Count + learnt.Count > 0
                ? _knowledge().Foods.With(packets.Values.Select(packet => packet.Food), learnt.Select(word => (word.Words, word.FoodKey)))
                : _knowledge().Foods,
            packets,
            learnt
        )
        {
            Revision = asked.Revision,
        };
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
}
