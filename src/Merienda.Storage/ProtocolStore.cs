using System.Text.Json.Nodes;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>An own protocol that was saved, with the version that counts now.</summary>
public sealed record SavedProtocol(string Id, int Version);

/// <summary>A household's own protocols: lines of immutable versions, with the versions that each week was planned with.</summary>
/// <param name="write">Writes a protocol as a document.</param>
public sealed class ProtocolStore(Database database, EditDoor door, HouseholdStore households, Func<Protocol, string> write)
{
    public const int Most = 40;

    public Task<IReadOnlyList<OwnProtocol>> Versions(Tenant tenant, string id) =>
        database.Read(
            tenant,
            Reading.Of<IReadOnlyList<OwnProtocol>>(
                $"{TableReading.OwnProtocolColumns} where version.protocol_id = @id order by version.version desc;",
                new { id },
                async rows => [.. await rows.ReadAsync<OwnProtocol>()]
            )
        );

    /// <summary>Adds a protocol and moves eaters over to it in the same step.</summary>
    /// <param name="originId">The protocol that is copied; null when the document was imported.</param>
    /// <param name="document">The protocol to keep, under the name it is to have; it may depend on the table.</param>
    public Task<Result<Edited<SavedProtocol>>> Add(
        EditStamp stamp,
        string? originId,
        Func<Table, Result<Protocol>> document,
        IReadOnlyList<Guid> followers,
        DateTimeOffset at
    ) =>
        door.Edit<(Table Table, IReadOnlyList<(Guid Eater, int Position)> Seats), SavedProtocol>(
            stamp,
            Journal.Protocol,
            households.Table().And(HouseholdStore.Seats),
            locked =>
            {
                var table = locked.Table;
                var read = document(table);
                if ((read.Refusal ?? Full(table, read.Value.Name, 1)) is { } refusal)
                {
                    return refusal;
                }

                var change = new Change($"Added {read.Value.Name.Trim()}");
                var added = PutNew(change, table, originId, read.Value, [], stamp, at);
                if (added.Refusal is { } wrong)
                {
                    return wrong;
                }

                var id = added.Value;
                foreach (var eater in table.Eaters.Where(eater => followers.Contains(eater.Id)))
                {
                    change.Put(eater, eater.MoveOver(originId ?? "", id), HouseholdStore.SeatOf(locked.Seats, eater.Id));
                }

                return new Decided<SavedProtocol>(change, new(id, 1));
            }
        );

    /// <summary>A protocol that is new here, as part of an edit.</summary>
    /// <param name="coming">Ids of those that come in with it.</param>
    /// <returns>Its id.</returns>
    internal Result<string> PutNew(
        Change change,
        Table table,
        string? originId,
        Protocol protocol,
        IReadOnlyCollection<string> coming,
        EditStamp stamp,
        DateTimeOffset at
    )
    {
        if (table.WrongProtocolName(protocol.Name, null) is { } wrong)
        {
            return wrong;
        }

        var (name, id) = (protocol.Name.Trim(), table.OwnProtocolId(protocol.Name, coming));
        var row = new OwnProtocolRow(id, originId, originId is null ? null : table.Latest(originId)?.Version, 1, null);
        change
            .Append(Tables.OwnProtocolVersion, [VersionOf(stamp, id, 1, write(protocol with { Id = id, Name = name }), at)])
            // Taken back it is put away, not removed: a version never goes.
            .Put(Tables.OwnProtocol, row with { ArchivedAt = at }, row);
        return id;
    }

    /// <summary>The next version of a protocol that is here, as part of an edit; begun weeks keep theirs.</summary>
    /// <param name="newest">Number of the newest version.</param>
    internal void PutNext(Change change, OwnProtocolRow row, int newest, Protocol protocol, EditStamp stamp, DateTimeOffset at) =>
        change
            .Append(Tables.OwnProtocolVersion, [VersionOf(stamp, row.Id, newest + 1, write(protocol with { Id = row.Id }), at)])
            .Put(Tables.OwnProtocol, row, row with { Version = newest + 1 });

    /// <summary>Stores a new version; refused when somebody saved another one since.</summary>
    /// <param name="document">What it is to be; it may depend on the table.</param>
    /// <param name="week">First day of a week that takes the new version over; null when all begun weeks keep theirs.</param>
    public Task<Result<Edited<SavedProtocol>>> Change(
        EditStamp stamp,
        string id,
        Func<Table, Result<Protocol>> document,
        int basedOn,
        Func<Table, DateOnly?> week,
        DateTimeOffset at
    ) =>
        door.Edit<(Table Table, OwnRows Own), SavedProtocol>(
            stamp,
            Journal.Protocol,
            households.Table().And(Rows(id)),
            locked =>
            {
                var (table, own) = locked;
                if (own.Row is not { } row)
                {
                    return table.Latest(id) is { } shipped
                        ? new Refusal(
                            "shipped-protocol",
                            "protocol",
                            shipped.Protocol.Name,
                            "this protocol ships with the program and is the same for everybody",
                            "Copy it and change the copy"
                        )
                        : Gone(id);
                }

                var read = document(table);
                if ((read.Refusal ?? table.WrongProtocolName(read.Value.Name, id)) is { } refusal)
                {
                    return refusal;
                }

                if (row.Version != basedOn)
                {
                    return new Refusal(
                        "changed-meanwhile",
                        "basedOn",
                        $"version {basedOn}",
                        $"somebody saved version {row.Version} meanwhile",
                        "Open it again in another tab and bring over what you changed; what you typed is still here"
                    );
                }

                var next = own.Newest + 1;
                var taking = (week(table) is { } start ? PinsOf(own.Weeks, start) : []).ToList();
                var change = new Change($"Changed {read.Value.Name}").Put(
                    Tables.WeekProtocol,
                    taking,
                    taking.Select(pin => pin with { Version = next })
                );
                PutNext(change, row, own.Newest, read.Value, stamp, at);
                return new Decided<SavedProtocol>(change, new(id, next));
            }
        );

    /// <summary>Puts a protocol away; refused while an eater follows it.</summary>
    public Task<Result<Edited<bool>>> Archive(EditStamp stamp, string id, DateTimeOffset at) =>
        door.Edit<(Table Table, OwnRows Own), bool>(
            stamp,
            Journal.Protocol,
            households.Table().And(Rows(id)),
            locked =>
                locked.Table.Eaters.FirstOrDefault(eater => eater.Protocols.Contains(id)) is { } follower ? Followed(id, follower.Name)
                : locked.Own.Row is not { ArchivedAt: null } row ? Gone(id)
                : new Decided<bool>(
                    new Change($"Put {locked.Table.Latest(id)?.Protocol.Name ?? "a protocol"} away").Put(
                        Tables.OwnProtocol,
                        row,
                        row with
                        {
                            ArchivedAt = at,
                        }
                    ),
                    true
                )
        );

    /// <summary>Lets a begun week take over the latest version of every followed protocol.</summary>
    public Task<Result<Edited<TView>>> Renew<TView>(EditStamp stamp, DateOnly date, Func<Reading<TView>> view) =>
        door.Edit<(Table Table, IReadOnlyList<WeekProtocolRow> Pins), bool, TView>(
            stamp,
            Journal.Batch,
            households.Table().And(Pins(date)),
            locked =>
            {
                var start = locked.Table.Household.Rhythm.WeekOf(date);
                return new Decided<bool>(
                    new Change("Took over the newer rules").Put(
                        Tables.WeekProtocol,
                        PinsOf(locked.Pins, start),
                        PinsNow(locked.Table, start)
                    ),
                    true
                );
            },
            _ => view()
        );

    /// <summary>Versions that a week was planned with, whatever its first day was then; <see cref="PinsOf"/> takes them out.</summary>
    /// <param name="date">Any day of the week.</param>
    internal static Reading<IReadOnlyList<WeekProtocolRow>> Pins(DateOnly date) =>
        Reading.Of<IReadOnlyList<WeekProtocolRow>>(
            "select week_start, protocol_id, version from week_protocol where week_start between @pinnedWeek - 9 and @pinnedWeek + 3;",
            new { pinnedWeek = date },
            async rows => [.. await rows.ReadAsync<WeekProtocolRow>()]
        );

    internal static IEnumerable<WeekProtocolRow> PinsOf(IEnumerable<WeekProtocolRow> pins, DateOnly start) =>
        pins.Where(pin => TableReading.IsOfWeek(pin.WeekStart, start));

    /// <summary>The versions that are followed now.</summary>
    internal static IEnumerable<WeekProtocolRow> PinsNow(Table table, DateOnly weekStart) =>
        table
            .Eaters.SelectMany(eater => eater.Protocols)
            .Distinct()
            .Select(table.Latest)
            .OfType<ProtocolEdition>()
            .Select(edition => new WeekProtocolRow(weekStart, edition.Protocol.Id, edition.Version));

    /// <summary>Each own protocol that is in use, with the number of its newest version.</summary>
    internal static readonly Reading<IReadOnlyList<(OwnProtocolRow Row, int Newest)>> InUse = Reading.Of<
        IReadOnlyList<(OwnProtocolRow, int)>
    >(
        """
        select protocol.id, origin_id, origin_version, protocol.version, archived_at, max(written.version)::int as newest
        from household_protocol protocol
        join household_protocol_version written on written.household_id = protocol.household_id and written.protocol_id = protocol.id
        where archived_at is null group by protocol.household_id, protocol.id;
        """,
        null,
        async rows =>
            [
                .. (await rows.ReadAsync<(string, string?, int?, int, DateTimeOffset?, int)>()).Select(row =>
                    (new OwnProtocolRow(row.Item1, row.Item2, row.Item3, row.Item4, row.Item5), row.Item6)
                ),
            ]
    );

    private sealed record OwnRows(OwnProtocolRow? Row, int Newest, IReadOnlyList<WeekProtocolRow> Weeks);

    private static Reading<OwnRows> Rows(string id) =>
        Reading.Of(
            """
            select id, origin_id, origin_version, version, archived_at from household_protocol where id = @own;
            select coalesce(max(version), 0) from household_protocol_version where protocol_id = @own;
            select week_start, protocol_id, version from week_protocol where protocol_id = @own;
            """,
            new { own = id },
            async rows => new OwnRows(
                await rows.ReadSingleOrDefaultAsync<OwnProtocolRow?>(),
                await rows.ReadSingleAsync<int>(),
                [.. await rows.ReadAsync<WeekProtocolRow>()]
            )
        );

    /// <param name="eater">Who does.</param>
    internal static Refusal Followed(string id, string eater) =>
        new("still-followed", "protocol", id, $"{eater} follows it", "Choose another protocol for them first");

    public static Refusal Gone(string id) => new("protocol-gone", "protocol", id, "there is no such protocol", "Load the page again");

    /// <param name="coming">How many are added.</param>
    internal static Refusal? Full(Table table, string name, int coming) =>
        table.Protocols.Count(edition => edition.Own is { IsArchived: false }) + coming > Most
            ? new("too-many-protocols", "protocol", name, $"a household keeps at most {Most} protocols of its own", "Put one away first")
            : null;

    private static OwnProtocolVersionRow VersionOf(EditStamp stamp, string id, int version, string content, DateTimeOffset at) =>
        new(id, version, JsonNode.Parse(content)!, at, stamp.Tenant.Account);
}
