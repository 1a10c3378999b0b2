using Dapper;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Foods.Statements;
using Merienda.Core.Outcomes;
using Microsoft.Extensions.Caching.Memory;
using Npgsql;

namespace Merienda.Storage;

/// <summary>A version of a packet with the food it makes.</summary>
public sealed record StoredPacket(Guid PacketId, Guid VersionId, int Number, DateTimeOffset CreatedAt, Food Food)
{
    public PrintedPacket Printed => Food.Packet!.Printed;
}

/// <summary>A household's packets in use, and every food it can cook with.</summary>
/// <param name="Matcher">The packets before the table's foods.</param>
public sealed record HouseholdFoods(FoodMatcher Matcher, IReadOnlyDictionary<Guid, StoredPacket> Packets, IReadOnlyList<LearntWord> Learnt);

/// <summary>A packet's change for the journal: a new version (both), a new packet (no before) or one put away (no after).</summary>
public sealed record PacketChange(Guid PacketId, Guid? VersionBefore, Guid? VersionAfter);

/// <summary>What is needed to read packets; it ships with the program.</summary>
public sealed record PacketKnowledge(FoodMatcher Foods, StatementLexicon Statements, FoodClasses Classes);

/// <summary>
/// Packets as lines of immutable versions. Versions never change, so they are kept in memory once read; whether a household's list is still
/// the one that was read
/// its revision says.
/// </summary>
public sealed class PacketStore(Database database, Func<PacketKnowledge> knowledge) : IDisposable
{
    // Sized by packets: a household may bring in ten thousand. A changed one is read alone, the others are still there.
    private readonly MemoryCache _lists = new(new MemoryCacheOptions { SizeLimit = 60_000 });
    private readonly MemoryCache _versions = new(new MemoryCacheOptions { SizeLimit = 60_000 });

    public Task<HouseholdFoods> Foods(Tenant tenant) => database.As(tenant, connection => Foods(connection, tenant));

    internal async Task<HouseholdFoods> Foods(NpgsqlConnection connection, Tenant tenant)
    {
        var (revision, tolerant) = await connection.QuerySingleAsync<(long, bool)>(
            "select larder_revision, counts_tolerances from household where id = app_household()"
        );
        var key = (tenant.Household, revision, tolerant);
        if (_lists.TryGetValue(key, out HouseholdFoods? kept))
        {
            return kept!;
        }

        var ids = await connection.QueryAsync<Guid>("select version_id from packet where archived_at is null");
        var packets = (await Versions(connection, [.. ids], tolerant)).Values.ToDictionary(packet => packet.PacketId);
        var known = knowledge();
        var learnt = await LearntWords.All(connection);
        var isOwn = packets.Count > 0 || learnt.Count > 0;
        var foods = new HouseholdFoods(
            isOwn
                ? known.Foods.With(packets.Values.Select(packet => packet.Food), learnt.Select(word => (word.Words, word.FoodKey)))
                : known.Foods,
            packets,
            learnt
        );
        return _lists.Set(key, foods, new MemoryCacheEntryOptions { Size = 1 + packets.Count });
    }

    /// <summary>Forgets what was learnt of some words; false when nothing was.</summary>
    public Task<bool> Forget(Tenant tenant, string words, DateTimeOffset at) =>
        database.As(
            tenant,
            async connection =>
            {
                if ((await LearntWords.All(connection)).FirstOrDefault(word => word.Words == words) is not { } known)
                {
                    return false;
                }

                var change = new WordChange(words, known.FoodKey, null);
                await LearntWords.Apply(connection, tenant, [change], at);
                await Journal.Write(connection, tenant, Journal.Word, $"Forgot what \"{words}\" means", change);
                return true;
            }
        );

    /// <summary>Every version of one packet, the newest first; empty when there is no such packet.</summary>
    public Task<IReadOnlyList<StoredPacket>> Versions(Tenant tenant, Guid packetId) =>
        database.As<IReadOnlyList<StoredPacket>>(
            tenant,
            async connection =>
            {
                var tolerant = await CountsTolerances(connection);
                return
                [
                    .. (
                        await connection.QueryAsync<PacketRows.VersionRow>(
                            $"{PacketRows.SelectVersion} where version.packet_id = @packetId order by version.number desc",
                            new { packetId }
                        )
                    ).Select(row => row.ToPacket(tolerant, knowledge())),
                ];
            }
        );

    /// <summary>Stores a version; a first one makes the packet. Two packets in use never share a name.</summary>
    /// <param name="basedOn">The version that was edited; refused when another is the latest by now. Null for a new packet.</param>
    public Task<Result<StoredPacket>> Save(Tenant tenant, Guid packetId, PrintedPacket printed, int? basedOn, DateTimeOffset at) =>
        database.As<Result<StoredPacket>>(
            tenant,
            async connection =>
            {
                await Touch(connection);
                if (await Named(connection, printed.Name, packetId))
                {
                    return Taken(printed.Name);
                }

                var latest = await Latest(connection, packetId);
                if (basedOn != latest?.Number)
                {
                    return new Refusal(
                        "packet-changed",
                        "basedOn",
                        $"version {basedOn}",
                        "somebody saved another version of the packet meanwhile",
                        "Open it again and bring over what you changed; what you typed is still here"
                    );
                }

                var stored = await Insert(connection, tenant, packetId, printed, (latest?.Number ?? 0) + 1, at);
                await Journal.Write(
                    connection,
                    tenant,
                    Journal.Packet,
                    latest is null ? $"Kept {printed.Name.Trim()}" : $"Changed {printed.Name.Trim()}",
                    new PacketChange(packetId, latest?.VersionId, stored.VersionId)
                );
                return stored;
            }
        );

    /// <summary>Stores many at once: new packets, and new versions of those that are in use under the same name; all or none.</summary>
    /// <param name="progress">Told how many more are done.</param>
    public Task Import(
        Tenant tenant,
        IReadOnlyList<PrintedPacket> packets,
        DateTimeOffset at,
        Func<int, Task> progress,
        CancellationToken stop
    ) =>
        database.As(
            tenant,
            async connection =>
            {
                await Touch(connection);
                var latest = (await connection.QueryAsync<PacketRows.LatestRow>(PacketRows.SelectLatest)).ToDictionary(row =>
                    row.Name.ToLowerInvariant()
                );
                var changes = new List<PacketChange>();
                foreach (var chunk in packets.Chunk(250))
                {
                    stop.ThrowIfCancellationRequested();
                    var rows = chunk
                        .Select(printed => (Printed: printed, Known: latest.GetValueOrDefault(printed.Name.Trim().ToLowerInvariant())))
                        .Select(row =>
                            (
                                Id: row.Known?.PacketId ?? Guid.CreateVersion7(),
                                row.Printed,
                                Number: (row.Known?.Number ?? 0) + 1,
                                row.Known?.VersionId
                            )
                        )
                        .ToList();
                    var ids = await PacketRows.Insert(connection, tenant, [.. rows.Select(row => (row.Id, row.Printed, row.Number))], at);
                    changes.AddRange(rows.Zip(ids, (row, id) => new PacketChange(row.Id, row.VersionId, id)));
                    await progress(chunk.Length);
                }

                await Journal.Write(connection, tenant, Journal.PacketFile, $"Brought in {packets.Count} packets", changes);
            }
        );

    /// <summary>Takes a packet out of use; what was planned with it keeps it. False when it is not there.</summary>
    public Task<bool> Archive(Tenant tenant, Guid packetId, DateTimeOffset at) =>
        database.As(
            tenant,
            async connection =>
            {
                await Touch(connection);
                if (
                    await Latest(connection, packetId) is not { } latest
                    || await connection.ExecuteAsync(
                        "update packet set archived_at = @at where id = @packetId and archived_at is null",
                        new { packetId, at }
                    ) == 0
                )
                {
                    return false;
                }

                await Journal.Write(
                    connection,
                    tenant,
                    Journal.Packet,
                    $"Put away {latest.Printed.Name}",
                    new PacketChange(packetId, latest.VersionId, null)
                );
                return true;
            }
        );

    public void Dispose()
    {
        _lists.Dispose();
        _versions.Dispose();
    }

    /// <summary>Packets by version; only ids that the tenant's transaction has read may be asked for.</summary>
    internal async Task<IReadOnlyDictionary<Guid, StoredPacket>> Versions(
        NpgsqlConnection connection,
        IReadOnlyCollection<Guid> ids,
        bool tolerant
    )
    {
        var found = ids.Where(id => _versions.TryGetValue((id, tolerant), out _))
            .ToDictionary(id => id, id => _versions.Get<StoredPacket>((id, tolerant)));
        var missing = ids.Where(id => found.GetValueOrDefault(id) is null).ToArray();
        if (missing.Length > 0)
        {
            foreach (
                var row in await connection.QueryAsync<PacketRows.VersionRow>(
                    $"{PacketRows.SelectVersion} where version.id = any(@missing)",
                    new { missing }
                )
            )
            {
                found[row.Id] = _versions.Set(
                    (row.Id, tolerant),
                    row.ToPacket(tolerant, knowledge()),
                    new MemoryCacheEntryOptions { Size = 1 }
                );
            }
        }

        return found!;
    }

    internal static Task<bool> CountsTolerances(NpgsqlConnection connection) =>
        connection.QuerySingleAsync<bool>("select counts_tolerances from household where id = app_household()");

    internal async Task<Refusal?> Undo(NpgsqlConnection connection, Tenant tenant, PacketChange change, DateTimeOffset now)
    {
        await Touch(connection);
        var changed = new Refusal(
            "changed-meanwhile",
            "undo",
            "the packet",
            "somebody changed it since",
            "Look at it as it is now and change it by hand"
        );
        switch (change)
        {
            case { VersionAfter: null }:
                var name = await connection.QuerySingleAsync<string>(
                    "select name from packet where id = @PacketId",
                    new { change.PacketId }
                );
                return await Named(connection, name, change.PacketId) ? Taken(name)
                    : await SetArchived(connection, change.PacketId, null) ? null
                    : changed;
            case { VersionBefore: null }:
                return await SetArchived(connection, change.PacketId, now) ? null : changed;
            default:
                if (await Latest(connection, change.PacketId) is not { } latest || latest.VersionId != change.VersionAfter)
                {
                    return changed;
                }

                // History is never rewritten: what was before comes back as a new version.
                var earlier = (
                    await connection.QuerySingleAsync<PacketRows.VersionRow>(
                        $"{PacketRows.SelectVersion} where version.id = @VersionBefore",
                        new { change.VersionBefore }
                    )
                ).ToPrinted();
                if (await Named(connection, earlier.Name, change.PacketId))
                {
                    return Taken(earlier.Name);
                }

                await Insert(connection, tenant, change.PacketId, earlier, latest.Number + 1, now);
                return null;
        }
    }

    /// <summary>Takes a whole file back, when nobody changed any of its packets since.</summary>
    internal static async Task<Refusal?> Undo(
        NpgsqlConnection connection,
        Tenant tenant,
        IReadOnlyList<PacketChange> file,
        DateTimeOffset now
    )
    {
        await Touch(connection);
        var latest = (
            await connection.QueryAsync<PacketRows.LatestRow>(
                $"{PacketRows.SelectLatest} and id = any(@ids)",
                new { ids = file.Select(change => change.PacketId).ToArray() }
            )
        ).ToDictionary(row => row.PacketId);
        if (file.Any(change => latest.GetValueOrDefault(change.PacketId)?.VersionId != change.VersionAfter))
        {
            return new(
                "changed-meanwhile",
                "undo",
                "the file",
                "some of its packets were changed since",
                "Look at them as they are now and change them by hand"
            );
        }

        await connection.ExecuteAsync(
            "update packet set archived_at = @now where id = any(@added)",
            new { now, added = file.Where(change => change.VersionBefore is null).Select(change => change.PacketId).ToArray() }
        );
        var earlier = await connection.QueryAsync<PacketRows.VersionRow>(
            $"{PacketRows.SelectVersion} where version.id = any(@before)",
            new { before = file.Select(change => change.VersionBefore).OfType<Guid>().ToArray() }
        );
        await PacketRows.Insert(
            connection,
            tenant,
            [.. earlier.Select(row => (row.PacketId, row.ToPrinted(), latest[row.PacketId].Number + 1))],
            now
        );
        return null;
    }

    private static async Task<bool> SetArchived(NpgsqlConnection connection, Guid packetId, DateTimeOffset? at) =>
        await connection.ExecuteAsync(
            "update packet set archived_at = @at where id = @packetId and (archived_at is null) <> (@at is null)",
            new { packetId, at }
        ) == 1;

    private static Refusal Taken(string name) =>
        new(
            "packet-name-taken",
            "name",
            name.Trim(),
            "another packet is called so",
            "Give this one a name of its own, for example with its maker or size; or open the other and change it"
        );

    /// <summary>Locks the household's list and says that what was read of it is old.</summary>
    internal static Task Touch(NpgsqlConnection connection) =>
        connection.ExecuteAsync("update household set larder_revision = larder_revision + 1 where id = app_household()");

    private static Task<bool> Named(NpgsqlConnection connection, string name, Guid except) =>
        connection.QuerySingleAsync<bool>(
            "select exists (select 1 from packet where lower(name) = lower(@name) and id <> @except and archived_at is null)",
            new { name = name.Trim(), except }
        );

    private async Task<StoredPacket?> Latest(NpgsqlConnection connection, Guid packetId) =>
        (
            await connection.QueryFirstOrDefaultAsync<PacketRows.VersionRow>(
                $"{PacketRows.SelectVersion} where version.id = (select version_id from packet where id = @packetId)",
                new { packetId }
            )
        )?.ToPacket(false, knowledge());

    private async Task<StoredPacket> Insert(
        NpgsqlConnection connection,
        Tenant tenant,
        Guid packetId,
        PrintedPacket printed,
        int number,
        DateTimeOffset at
    )
    {
        var id = (await PacketRows.Insert(connection, tenant, [(packetId, printed, number)], at))[0];
        var tolerant = await CountsTolerances(connection);
        return (
            await connection.QuerySingleAsync<PacketRows.VersionRow>($"{PacketRows.SelectVersion} where version.id = @id", new { id })
        ).ToPacket(tolerant, knowledge());
    }
}
