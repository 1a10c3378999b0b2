using System.Text.Json;
using Dapper;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
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
public sealed record HouseholdFoods(FoodMatcher Matcher, IReadOnlyDictionary<Guid, StoredPacket> Packets);

/// <summary>A packet's change for the journal: a new version (both), a new packet (no before) or one put away (no after).</summary>
public sealed record PacketChange(Guid PacketId, Guid? VersionBefore, Guid? VersionAfter);

/// <summary>A changed decision of one eater on one packet for the journal; null for none.</summary>
public sealed record OpinionChange(Guid PacketId, Guid EaterId, StoredOpinion? Before, StoredOpinion? After);

/// <summary>What is needed to read packets; it ships with the program.</summary>
public sealed record PacketKnowledge(FoodMatcher Foods, StatementLexicon Statements, FoodClasses Classes);

/// <summary>
/// Packets as lines of immutable versions. Versions never change, so they are kept in memory once read; whether a household's list is still the one that was read
/// its revision says.
/// </summary>
public sealed class PacketStore(Database database, Func<PacketKnowledge> knowledge) : IDisposable
{
    private const string SelectVersion =
        """
        select version.id, version.packet_id, version.number, version.name, version.country, version.label_basis, version.serving, version.declared::text as declared, version.statement, version.may_contain,
               version.pack, version.price, version.points, version.opened_days, version.classes, version.aisle, version.created_at
        from packet_version version
        """;

    // Sized by packets: a household may bring in ten thousand. A changed one is read alone, the others are still there.
    private readonly MemoryCache _lists = new(new MemoryCacheOptions { SizeLimit = 60_000 });
    private readonly MemoryCache _versions = new(new MemoryCacheOptions { SizeLimit = 60_000 });

    public Task<HouseholdFoods> Foods(Tenant tenant) => database.As(tenant, connection => Foods(connection, tenant));

    internal async Task<HouseholdFoods> Foods(NpgsqlConnection connection, Tenant tenant)
    {
        var (revision, tolerant) = await connection.QuerySingleAsync<(long, bool)>("select larder_revision, counts_tolerances from household where id = app_household()");
        var key = (tenant.Household, revision, tolerant);
        if (_lists.TryGetValue(key, out HouseholdFoods? kept))
        {
            return kept!;
        }

        var ids = await connection.QueryAsync<Guid>(
            """
            select distinct on (version.packet_id) version.id
            from packet_version version join packet on packet.household_id = version.household_id and packet.id = version.packet_id
            where packet.archived_at is null
            order by version.packet_id, version.number desc
            """);
        var packets = (await Versions(connection, [.. ids], tolerant)).Values.ToDictionary(packet => packet.PacketId);
        var known = knowledge();
        var foods = new HouseholdFoods(packets.Count == 0 ? known.Foods : known.Foods.With(packets.Values.Select(packet => packet.Food)), packets);
        return _lists.Set(key, foods, new MemoryCacheEntryOptions { Size = 1 + packets.Count });
    }

    /// <summary>Every version of one packet, the newest first; empty when there is no such packet.</summary>
    public Task<IReadOnlyList<StoredPacket>> Versions(Tenant tenant, Guid packetId) => database.As<IReadOnlyList<StoredPacket>>(tenant, async connection =>
    {
        var tolerant = await CountsTolerances(connection);
        return [.. (await connection.QueryAsync<VersionRow>($"{SelectVersion} where version.packet_id = @packetId order by version.number desc", new { packetId })).Select(row => row.ToPacket(tolerant, knowledge()))];
    });

    /// <summary>Stores a version; a first one makes the packet. Two packets in use never share a name.</summary>
    /// <param name="basedOn">The version that was edited; refused when another is the latest by now. Null for a new packet.</param>
    public Task<Result<StoredPacket>> Save(Tenant tenant, Guid packetId, PrintedPacket printed, int? basedOn, DateTimeOffset at) => database.As<Result<StoredPacket>>(tenant, async connection =>
    {
        await Touch(connection);
        if (await Named(connection, printed.Name, packetId))
        {
            return Taken(printed.Name);
        }

        var latest = await Latest(connection, packetId);
        if (basedOn != latest?.Number)
        {
            return new Refusal("packet-changed", "basedOn", $"version {basedOn}", "somebody saved another version of the packet meanwhile", "Open it again and bring over what you changed; what you typed is still here");
        }

        var stored = await Insert(connection, tenant, packetId, printed, (latest?.Number ?? 0) + 1, at);
        await Journal.Write(connection, tenant, Journal.Packet, latest is null ? $"Kept {printed.Name.Trim()}" : $"Changed {printed.Name.Trim()}", new PacketChange(packetId, latest?.VersionId, stored.VersionId));
        return stored;
    });

    /// <summary>Stores many at once: new packets, and new versions of those that are in use under the same name; all or none.</summary>
    /// <param name="progress">Told how many more are done.</param>
    public Task Import(Tenant tenant, IReadOnlyList<PrintedPacket> packets, DateTimeOffset at, Func<int, Task> progress, CancellationToken stop) => database.As(tenant, async connection =>
    {
        await Touch(connection);
        var latest = (await connection.QueryAsync<(string Name, Guid Id, int Number)>(
            """
            select lower(packet.name), packet.id, max(version.number)
            from packet join packet_version version on version.household_id = packet.household_id and version.packet_id = packet.id
            where packet.archived_at is null group by packet.id, packet.name
            """)).ToDictionary(row => row.Name, row => (row.Id, row.Number));
        foreach (var chunk in packets.Chunk(250))
        {
            stop.ThrowIfCancellationRequested();
            await InsertRows(connection, tenant, [.. chunk.Select(printed => latest.TryGetValue(printed.Name.Trim().ToLowerInvariant(), out var known) ? (known.Id, printed, known.Number + 1) : (Guid.CreateVersion7(), printed, 1))], at);
            await progress(chunk.Length);
        }
    });

    /// <summary>Takes a packet out of use; what was planned with it keeps it. False when it is not there.</summary>
    public Task<bool> Archive(Tenant tenant, Guid packetId, DateTimeOffset at) => database.As(tenant, async connection =>
    {
        await Touch(connection);
        if (await Latest(connection, packetId) is not { } latest || await connection.ExecuteAsync("update packet set archived_at = @at where id = @packetId and archived_at is null", new { packetId, at }) == 0)
        {
            return false;
        }

        await Journal.Write(connection, tenant, Journal.Packet, $"Put away {latest.Printed.Name}", new PacketChange(packetId, latest.VersionId, null));
        return true;
    });

    /// <summary>Writes what an eater decided, or with null takes it back; false when packet or eater is not there.</summary>
    public Task<bool> Decide(Tenant tenant, Guid packetId, Guid eaterId, StoredOpinion? opinion) => database.As(tenant, async connection =>
    {
        var there = await connection.QueryFirstOrDefaultAsync<(string? Packet, string? Eater)>(
            "select packet.name, eater.name from packet, eater where packet.id = @packetId and eater.id = @eaterId for update of packet", new { packetId, eaterId });
        if (there.Packet is null)
        {
            return false;
        }

        var before = await OpinionOf(connection, packetId, eaterId);
        await SetOpinion(connection, tenant, packetId, eaterId, opinion);
        var said = opinion is null ? "took back what was decided on" : opinion.IsApproved ? "approved" : "rejected";
        await Journal.Write(connection, tenant, Journal.Opinion, $"{there.Eater} {said} {there.Packet}", new OpinionChange(packetId, eaterId, before, opinion));
        return true;
    });

    public void Dispose()
    {
        _lists.Dispose();
        _versions.Dispose();
    }

    /// <summary>Packets by version; only ids that the tenant's transaction has read may be asked for.</summary>
    internal async Task<IReadOnlyDictionary<Guid, StoredPacket>> Versions(NpgsqlConnection connection, IReadOnlyCollection<Guid> ids, bool tolerant)
    {
        var found = ids.Where(id => _versions.TryGetValue((id, tolerant), out _)).ToDictionary(id => id, id => _versions.Get<StoredPacket>((id, tolerant)));
        var missing = ids.Where(id => found.GetValueOrDefault(id) is null).ToArray();
        if (missing.Length > 0)
        {
            foreach (var row in await connection.QueryAsync<VersionRow>($"{SelectVersion} where version.id = any(@missing)", new { missing }))
            {
                found[row.Id] = _versions.Set((row.Id, tolerant), row.ToPacket(tolerant, knowledge()), new MemoryCacheEntryOptions { Size = 1 });
            }
        }

        return found!;
    }

    internal static Task<bool> CountsTolerances(NpgsqlConnection connection) => connection.QuerySingleAsync<bool>("select counts_tolerances from household where id = app_household()");

    internal async Task<Refusal?> Undo(NpgsqlConnection connection, Tenant tenant, PacketChange change, DateTimeOffset now)
    {
        await Touch(connection);
        var changed = new Refusal("changed-meanwhile", "undo", "the packet", "somebody changed it since", "Look at it as it is now and change it by hand");
        switch (change)
        {
            case { VersionAfter: null }:
                var name = await connection.QuerySingleAsync<string>("select name from packet where id = @PacketId", new { change.PacketId });
                return await Named(connection, name, change.PacketId) ? Taken(name) : await SetArchived(connection, change.PacketId, null) ? null : changed;
            case { VersionBefore: null }:
                return await SetArchived(connection, change.PacketId, now) ? null : changed;
            default:
                if (await Latest(connection, change.PacketId) is not { } latest || latest.VersionId != change.VersionAfter)
                {
                    return changed;
                }

                // History is never rewritten: what was before comes back as a new version.
                var earlier = (await connection.QuerySingleAsync<VersionRow>($"{SelectVersion} where version.id = @VersionBefore", new { change.VersionBefore })).ToPrinted();
                await Insert(connection, tenant, change.PacketId, earlier, latest.Number + 1, now);
                return null;
        }
    }

    internal static async Task<Refusal?> Undo(NpgsqlConnection connection, Tenant tenant, OpinionChange change)
    {
        if (await OpinionOf(connection, change.PacketId, change.EaterId) != change.After)
        {
            return new("changed-meanwhile", "undo", "the decision", "somebody changed it since", "Look at the packet as it is now and decide by hand");
        }

        await SetOpinion(connection, tenant, change.PacketId, change.EaterId, change.Before);
        return null;
    }

    internal static Task WriteOpinion(NpgsqlConnection connection, Tenant tenant, Guid eaterId, StoredOpinion opinion) => connection.ExecuteAsync(
        """
        insert into packet_opinion (household_id, packet_id, eater_id, is_approved, reason, statement, decided_on, decided_by)
        values (@Household, @PacketId, @eaterId, @IsApproved, @Reason, @Statement, @DecidedOn, @Account)
        """, new { tenant.Household, tenant.Account, eaterId, opinion.PacketId, opinion.IsApproved, opinion.Reason, opinion.Statement, opinion.DecidedOn });

    private static Task<StoredOpinion?> OpinionOf(NpgsqlConnection connection, Guid packetId, Guid eaterId) => connection.QueryFirstOrDefaultAsync<StoredOpinion>(
        "select packet_id, is_approved, reason, decided_on, statement from packet_opinion where packet_id = @packetId and eater_id = @eaterId", new { packetId, eaterId });

    private static async Task SetOpinion(NpgsqlConnection connection, Tenant tenant, Guid packetId, Guid eaterId, StoredOpinion? opinion)
    {
        await connection.ExecuteAsync("delete from packet_opinion where packet_id = @packetId and eater_id = @eaterId", new { packetId, eaterId });
        if (opinion is not null)
        {
            await WriteOpinion(connection, tenant, eaterId, opinion);
        }
    }

    private static async Task<bool> SetArchived(NpgsqlConnection connection, Guid packetId, DateTimeOffset? at) =>
        await connection.ExecuteAsync("update packet set archived_at = @at where id = @packetId and (archived_at is null) <> (@at is null)", new { packetId, at }) == 1;

    private static Refusal Taken(string name) => new("packet-name-taken", "name", name.Trim(), "another packet is called so", "Give this one a name of its own, for example with its maker or size; or open the other and change it");

    /// <summary>Locks the household's list and says that what was read of it is old.</summary>
    private static Task Touch(NpgsqlConnection connection) => connection.ExecuteAsync("update household set larder_revision = larder_revision + 1 where id = app_household()");

    private static Task<bool> Named(NpgsqlConnection connection, string name, Guid except) =>
        connection.QuerySingleAsync<bool>("select exists (select 1 from packet where lower(name) = lower(@name) and id <> @except and archived_at is null)", new { name = name.Trim(), except });

    private async Task<StoredPacket?> Latest(NpgsqlConnection connection, Guid packetId) =>
        (await connection.QueryFirstOrDefaultAsync<VersionRow>($"{SelectVersion} where version.packet_id = @packetId order by version.number desc limit 1", new { packetId }))?.ToPacket(false, knowledge());

    private async Task<StoredPacket> Insert(NpgsqlConnection connection, Tenant tenant, Guid packetId, PrintedPacket printed, int number, DateTimeOffset at)
    {
        var id = (await InsertRows(connection, tenant, [(packetId, printed, number)], at))[0];
        var tolerant = await CountsTolerances(connection);
        return (await connection.QuerySingleAsync<VersionRow>($"{SelectVersion} where version.id = @id", new { id })).ToPacket(tolerant, knowledge());
    }

    private static async Task<IReadOnlyList<Guid>> InsertRows(NpgsqlConnection connection, Tenant tenant, IReadOnlyList<(Guid PacketId, PrintedPacket Printed, int Number)> rows, DateTimeOffset at)
    {
        var ids = rows.Select(_ => Guid.CreateVersion7()).ToArray();
        // One statement for all rows: a file brings thousands.
        var packets = JsonSerializer.Serialize(rows.Select((row, position) => new
        {
            id = ids[position],
            packet_id = row.PacketId,
            number = row.Number,
            name = row.Printed.Name.Trim(),
            country = row.Printed.Country.ToString(),
            label_basis = row.Printed.Basis?.ToString(),
            serving = row.Printed.Serving.Trim(),
            declared = row.Printed.Values.Where(value => !string.IsNullOrWhiteSpace(value.Value)).ToDictionary(value => value.Key.ToString(), value => value.Value.Trim()),
            statement = row.Printed.Statement.Trim(),
            may_contain = row.Printed.MayContain.Trim(),
            pack = row.Printed.Pack.Trim(),
            price = row.Printed.Price,
            points = row.Printed.Points,
            opened_days = row.Printed.OpenedDays,
            classes = row.Printed.Classes,
            aisle = row.Printed.Aisle.Trim(),
        }));
        await connection.ExecuteAsync(
            """
            insert into packet (household_id, id, name)
            select @Household, packet_id, name from jsonb_to_recordset(@packets::jsonb) as row (packet_id uuid, name text)
            on conflict on constraint packet_key do update set name = excluded.name;
            insert into packet_version (household_id, id, packet_id, number, name, country, label_basis, serving, declared, statement, may_contain, pack, price, points, opened_days, classes, aisle, created_at, created_by)
            select @Household, id, packet_id, number, name, country, label_basis, serving, declared, statement, may_contain, pack, price, points, opened_days, classes, aisle, @at, @Account
            from jsonb_to_recordset(@packets::jsonb) as row (id uuid, packet_id uuid, number integer, name text, country text, label_basis text, serving text, declared jsonb, statement text, may_contain text,
                                                             pack text, price numeric, points numeric, opened_days integer, classes text[], aisle text)
            """, new { tenant.Household, tenant.Account, packets, at });
        return ids;
    }

    private sealed record VersionRow
    {
        public Guid Id { get; init; }

        public Guid PacketId { get; init; }

        public int Number { get; init; }

        public string Name { get; init; } = "";

        public string Country { get; init; } = "";

        public string? LabelBasis { get; init; }

        public string Serving { get; init; } = "";

        public string Declared { get; init; } = "{}";

        public string Statement { get; init; } = "";

        public string MayContain { get; init; } = "";

        public string Pack { get; init; } = "";

        public decimal? Price { get; init; }

        public decimal? Points { get; init; }

        public int? OpenedDays { get; init; }

        public string[] Classes { get; init; } = [];

        public string Aisle { get; init; } = "";

        public DateTimeOffset CreatedAt { get; init; }

        public PrintedPacket ToPrinted() => new(
            Name,
            Enum.Parse<LabelCountry>(Country),
            LabelBasis is null ? null : Enum.Parse<LabelBasis>(LabelBasis),
            Serving,
            JsonSerializer.Deserialize<Dictionary<string, string>>(Declared)!.ToDictionary(value => Enum.Parse<LabelNutrient>(value.Key), value => value.Value),
            Statement,
            MayContain,
            Pack,
            Price,
            Points,
            OpenedDays,
            Classes,
            Aisle);

        public StoredPacket ToPacket(bool countsTolerances, PacketKnowledge known)
        {
            var printed = ToPrinted();
            // It was read before it was stored; what can no longer be read is a bug of a newer program.
            var read = printed.Read(known.Classes);
            return new(PacketId, Id, Number, CreatedAt, Packet.ToFood(PacketId, Number, printed, read.Value, countsTolerances, known.Statements, known.Classes));
        }
    }
}
