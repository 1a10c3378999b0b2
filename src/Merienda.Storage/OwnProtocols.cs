using Dapper;
using Merienda.Core.Outcomes;
using Npgsql;

namespace Merienda.Storage;

/// <summary>One version of a household's own protocol.</summary>
/// <param name="Origin">The protocol it was copied from; null when it was imported.</param>
public sealed record OwnProtocol(string Id, int Version, string Content, string? Origin, bool IsArchived);

/// <summary>A household's own protocols as a week sees them.</summary>
/// <param name="Latest">The latest version of each, archived ones too: an eater may still follow one.</param>
/// <param name="Pinned">Versions that the asked week was planned with, by protocol id; empty without a week.</param>
/// <param name="PinnedContent">Content of pinned own versions that are not the latest.</param>
public sealed record ProtocolShelf(
    IReadOnlyList<OwnProtocol> Latest,
    IReadOnlyDictionary<string, int> Pinned,
    IReadOnlyList<OwnProtocol> PinnedContent
);

/// <summary>A household's own protocols: lines of immutable versions, with the versions that each week was planned with.</summary>
public sealed class OwnProtocols(Database database)
{
    private const string Select =
        "select version.protocol_id as id, version.version, version.content::text as content, protocol.origin_id as origin, protocol.archived_at is not null as is_archived from household_protocol_version version join household_protocol protocol on protocol.household_id = version.household_id and protocol.id = version.protocol_id";

    public const int Most = 40;

    public Task<IReadOnlyList<OwnProtocol>> Versions(Tenant tenant, string id) =>
        database.As<IReadOnlyList<OwnProtocol>>(
            tenant,
            async connection =>
                [
                    .. await connection.QueryAsync<OwnProtocol>(
                        $"{Select} where version.protocol_id = @id order by version.version desc",
                        new { id }
                    ),
                ]
        );

    /// <summary>Adds a protocol and moves eaters over to it in the same step.</summary>
    /// <param name="move">Changes an eater who follows it from now on.</param>
    public Task<Result<OwnProtocol>> Add(
        Tenant tenant,
        string id,
        string name,
        string content,
        (string Id, int Version)? origin,
        DateTimeOffset at,
        IReadOnlyList<Guid> followers,
        Func<EaterSettings, EaterSettings> move
    ) =>
        database.As<Result<OwnProtocol>>(
            tenant,
            async connection =>
            {
                await connection.ExecuteAsync("select 1 from household where id = @Household for update", new { tenant.Household });
                if (
                    await connection.QuerySingleAsync<int>("select count(*)::int from household_protocol where archived_at is null") >= Most
                )
                {
                    return new Refusal(
                        "too-many-protocols",
                        "protocol",
                        name,
                        $"a household keeps at most {Most} protocols of its own",
                        "Put one away first"
                    );
                }

                await connection.ExecuteAsync(
                    "insert into household_protocol (household_id, id, origin_id, origin_version) values (@Household, @id, @Origin, @OriginVersion)",
                    new
                    {
                        tenant.Household,
                        id,
                        Origin = origin?.Id,
                        OriginVersion = origin?.Version,
                    }
                );
                await Insert(connection, tenant, id, 1, content, at);
                var eaters = new List<EaterChange>();
                foreach (var before in (await EaterRows.Read(connection)).Where(eater => followers.Contains(eater.Id)))
                {
                    var after = move(before);
                    await EaterRows.Write(connection, tenant, after);
                    eaters.Add(new(before, after));
                }

                await Journal.Write(connection, tenant, Journal.Protocol, $"Added {name}", new ProtocolChange(id, null, 1, eaters));
                return new OwnProtocol(id, 1, content, origin?.Id, false);
            }
        );

    /// <summary>Stores a new version; refused when somebody saved another one since.</summary>
    /// <param name="week">First day of a week that takes the new version over; null when all begun weeks keep theirs.</param>
    public Task<Result<OwnProtocol>> Change(
        Tenant tenant,
        string id,
        string name,
        string content,
        int basedOn,
        DateOnly? week,
        DateTimeOffset at
    ) =>
        database.As<Result<OwnProtocol>>(
            tenant,
            async connection =>
            {
                await connection.ExecuteAsync("select 1 from household_protocol where id = @id for update", new { id });
                if (await Latest(connection, id) is not { } latest)
                {
                    return new Refusal("protocol-gone", "protocol", id, "there is no such protocol", "Load the page again");
                }

                if (latest.Version != basedOn)
                {
                    return new Refusal(
                        "changed-meanwhile",
                        "basedOn",
                        $"version {basedOn}",
                        $"somebody saved version {latest.Version} meanwhile",
                        "Open it again in another tab and bring over what you changed; what you typed is still here"
                    );
                }

                await Insert(connection, tenant, id, latest.Version + 1, content, at);
                if (week is { } start)
                {
                    await connection.ExecuteAsync(
                        "update week_protocol set version = @version where week_start = @start and protocol_id = @id",
                        new
                        {
                            start,
                            id,
                            version = latest.Version + 1,
                        }
                    );
                }

                await Journal.Write(
                    connection,
                    tenant,
                    Journal.Protocol,
                    $"Changed {name}",
                    new ProtocolChange(id, latest.Version, latest.Version + 1, [])
                );
                return latest with { Version = latest.Version + 1, Content = content };
            }
        );

    /// <summary>Puts a protocol away; refused while an eater follows it.</summary>
    public Task<Refusal?> Archive(Tenant tenant, string id, DateTimeOffset at) =>
        database.As<Refusal?>(
            tenant,
            async connection =>
            {
                var follower = await connection.QueryFirstOrDefaultAsync<string>(
                    "select eater.name from eater_protocol join eater on eater.household_id = eater_protocol.household_id and eater.id = eater_protocol.eater_id where protocol_id = @id order by eater.position limit 1",
                    new { id }
                );
                if (follower is not null)
                {
                    return new("still-followed", "protocol", id, $"{follower} follows it", "Choose another protocol for them first");
                }

                if (
                    await connection.ExecuteAsync(
                        "update household_protocol set archived_at = @at where id = @id and archived_at is null",
                        new { id, at }
                    ) == 0
                )
                {
                    return new("protocol-gone", "protocol", id, "there is no such protocol", "Load the page again");
                }

                await Journal.Write(
                    connection,
                    tenant,
                    Journal.Protocol,
                    "Put a protocol away",
                    new ProtocolChange(id, (await Latest(connection, id))!.Version, null, [])
                );
                return null;
            }
        );

    /// <summary>Lets a begun week take over the latest version of every protocol.</summary>
    public Task Renew(Tenant tenant, DateOnly weekStart) =>
        database.As(
            tenant,
            async connection =>
            {
                await connection.ExecuteAsync("delete from week_protocol where week_start = @weekStart", new { weekStart });
                await Pin(connection, tenant, weekStart);
            }
        );

    /// <summary>A week keeps the versions that are followed when its first batch is made.</summary>
    internal static Task Pin(NpgsqlConnection connection, Tenant tenant, DateOnly weekStart) =>
        connection.ExecuteAsync(
            """
            insert into week_protocol (household_id, week_start, protocol_id, version)
            select @Household, @weekStart, followed.protocol_id, latest.version
            from (select distinct protocol_id from eater_protocol) followed
            cross join lateral (select coalesce((select max(own.version) from household_protocol_version own where own.protocol_id = followed.protocol_id),
                                                (select max(shipped.version) from protocol_version shipped where shipped.protocol_id = followed.protocol_id)) as version) latest
            where latest.version is not null
            on conflict do nothing
            """,
            new { tenant.Household, weekStart }
        );

    /// <summary>Statements whose results <see cref="ReadFrom"/> takes in this order; @weekStart may be null.</summary>
    internal const string SelectShelf = $"""
        select distinct on (id) * from ({Select}) own order by id, version desc;
        select protocol_id, version from week_protocol where week_start = @weekStart;
        {Select} join week_protocol pinned on pinned.household_id = version.household_id and pinned.protocol_id = version.protocol_id and pinned.version = version.version where pinned.week_start = @weekStart;
        """;

    internal static async Task<ProtocolShelf> ReadFrom(SqlMapper.GridReader rows)
    {
        var latest = (await rows.ReadAsync<OwnProtocol>()).ToList();
        var pins = (await rows.ReadAsync<(string Id, int Version)>()).ToDictionary(row => row.Id, row => row.Version);
        return new(latest, pins, [.. await rows.ReadAsync<OwnProtocol>()]);
    }

    internal static async Task<Refusal?> Undo(NpgsqlConnection connection, Tenant tenant, ProtocolChange change, DateTimeOffset at)
    {
        var latest = await Latest(connection, change.ProtocolId);
        var eaters = await EaterRows.Read(connection);
        if (
            latest is null
            || latest.Version != (change.VersionAfter ?? change.VersionBefore)
            || change.Eaters.Any(moved => eaters.FirstOrDefault(eater => eater.Id == moved.After!.Id)?.IsSameAs(moved.After!) != true)
        )
        {
            return new(
                "changed-meanwhile",
                "undo",
                change.ProtocolId,
                "somebody changed it since",
                "Look at it as it is now and change it by hand"
            );
        }

        switch (change)
        {
            case { VersionAfter: null }:
                await connection.ExecuteAsync(
                    "update household_protocol set archived_at = null where id = @ProtocolId",
                    new { change.ProtocolId }
                );
                break;
            case { VersionBefore: null }:
                foreach (var moved in change.Eaters)
                {
                    await EaterRows.Write(connection, tenant, moved.Before!);
                }

                await connection.ExecuteAsync(
                    "update household_protocol set archived_at = @at where id = @ProtocolId",
                    new { change.ProtocolId, at }
                );
                break;
            default:
                var earlier = await connection.QuerySingleAsync<string>(
                    "select content::text from household_protocol_version where protocol_id = @ProtocolId and version = @VersionBefore",
                    new { change.ProtocolId, change.VersionBefore }
                );
                await Insert(connection, tenant, change.ProtocolId, latest.Version + 1, earlier, at);
                // Weeks that took the change over take its undoing over too.
                await connection.ExecuteAsync(
                    "update week_protocol set version = @next where protocol_id = @ProtocolId and version = @VersionAfter",
                    new
                    {
                        change.ProtocolId,
                        change.VersionAfter,
                        next = latest.Version + 1,
                    }
                );
                break;
        }

        return null;
    }

    private static Task<OwnProtocol?> Latest(NpgsqlConnection connection, string id) =>
        connection.QueryFirstOrDefaultAsync<OwnProtocol>(
            $"{Select} where version.protocol_id = @id order by version.version desc limit 1",
            new { id }
        );

    private static Task Insert(NpgsqlConnection connection, Tenant tenant, string id, int version, string content, DateTimeOffset at) =>
        connection.ExecuteAsync(
            "insert into household_protocol_version (household_id, protocol_id, version, content, created_at, created_by) values (@Household, @id, @version, @content::jsonb, @at, @Account)",
            new
            {
                tenant.Household,
                tenant.Account,
                id,
                version,
                content,
                at,
            }
        );
}
