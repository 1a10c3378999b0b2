using Dapper;
using Npgsql;

namespace Merienda.Storage;

public sealed record HouseholdRow(
    Guid Id,
    string Name,
    string TimeZone,
    string Units,
    string NumberFormat,
    int PrepDay,
    int? SecondDay,
    bool CountsTolerances
);

/// <summary>Who sits at the table and what the household made of protocols.</summary>
public sealed record StoredTable(HouseholdRow Household, IReadOnlyList<EaterSettings> Eaters, ProtocolShelf Protocols);

public sealed record DiaryEntry(Guid Id, DateOnly NotedOn, string Text);

/// <summary>Households, who belongs to them, and their eaters.</summary>
public sealed class HouseholdStore(Database database)
{
    public Task Create(Tenant tenant, string name, string timeZone, IEnumerable<EaterSettings> eaters) =>
        database.As(
            tenant,
            async connection =>
            {
                await connection.ExecuteAsync(
                    "insert into household (id, name, time_zone) values (@Household, @name, @timeZone)",
                    new
                    {
                        tenant.Household,
                        name,
                        timeZone,
                    }
                );
                await AddMember(connection, tenant);
                foreach (var (eater, position) in eaters.Select((eater, position) => (eater, position)))
                {
                    await connection.ExecuteAsync(
                        "insert into eater (household_id, id, name, position) values (@Household, @Id, @Name, @position)",
                        new
                        {
                            tenant.Household,
                            eater.Id,
                            eater.Name,
                            position,
                        }
                    );
                    await EaterRows.Write(connection, tenant, eater);
                }
            }
        );

    public Task Join(Tenant tenant) => database.As(tenant, connection => AddMember(connection, tenant));

    /// <summary>The household that an account works in: the one it belongs to longest.</summary>
    public Task<Guid?> HouseholdOf(Guid account) =>
        database.As(
            new Tenant(account, Guid.Empty),
            connection =>
                connection.QueryFirstOrDefaultAsync<Guid?>(
                    "select household_id from household_member where account_id = @account order by household_id limit 1",
                    new { account }
                )
        );

    private const string SelectHousehold =
        "select id, name, time_zone, units, number_format, prep_day::int as prep_day, second_day::int as second_day, counts_tolerances from household where id = app_household()";

    public Task<HouseholdRow> Household(Tenant tenant) =>
        database.As(tenant, connection => connection.QuerySingleAsync<HouseholdRow>(SelectHousehold));

    /// <summary>Who sits at the table, and under which own protocols.</summary>
    public Task<StoredTable> Table(Tenant tenant) => database.As(tenant, connection => ReadTable(connection, null));

    /// <param name="weekStart">The week whose protocol versions are asked for; null for the latest ones.</param>
    internal static async Task<StoredTable> ReadTable(NpgsqlConnection connection, DateOnly? weekStart)
    {
        using var rows = await connection.QueryMultipleAsync(
            $"{SelectHousehold};\n{EaterRows.Select}\n{OwnProtocols.SelectShelf}",
            new { weekStart }
        );
        return new(await rows.ReadSingleAsync<HouseholdRow>(), await EaterRows.ReadFrom(rows), await OwnProtocols.ReadFrom(rows));
    }

    public Task AddEater(Tenant tenant, EaterSettings eater) =>
        database.As(
            tenant,
            async connection =>
            {
                await EaterRows.Add(connection, tenant, eater);
                await Journal.Write(connection, tenant, Journal.Eater, $"{eater.Name} came to the table", new EaterChange(null, eater));
            }
        );

    /// <summary>Changes an eater and writes the change to the journal; null when there is no such eater.</summary>
    public Task<EaterSettings?> ChangeEater(Tenant tenant, Guid eaterId, string summary, Func<EaterSettings, EaterSettings> change) =>
        database.As(
            tenant,
            async connection =>
            {
                await connection.ExecuteAsync("select 1 from eater where id = @eaterId for update", new { eaterId });
                var before = (await EaterRows.Read(connection)).FirstOrDefault(eater => eater.Id == eaterId);
                if (before is null)
                {
                    return null;
                }

                var after = change(before);
                await EaterRows.Write(connection, tenant, after);
                await Journal.Write(connection, tenant, Journal.Eater, summary, new EaterChange(before, after));
                return after;
            }
        );

    /// <summary>Takes an eater from the table; false when portions stand in their days.</summary>
    public Task<bool> RemoveEater(Tenant tenant, Guid eaterId) =>
        database.As(
            tenant,
            async connection =>
            {
                var before = (await EaterRows.Read(connection)).FirstOrDefault(eater => eater.Id == eaterId);
                if (before is null || !await EaterRows.Remove(connection, eaterId))
                {
                    return false;
                }

                await Journal.Write(connection, tenant, Journal.Eater, $"{before.Name} left the table", new EaterChange(before, null));
                return true;
            }
        );

    public Task<IReadOnlyList<DiaryEntry>> Diary(Tenant tenant, Guid eaterId, string protocolId) =>
        database.As<IReadOnlyList<DiaryEntry>>(
            tenant,
            async connection =>
                [
                    .. await connection.QueryAsync<DiaryEntry>(
                        "select id, noted_on, text from diary_entry where eater_id = @eaterId and protocol_id = @protocolId order by noted_on desc, id desc limit 200",
                        new { eaterId, protocolId }
                    ),
                ]
        );

    public Task WriteDiary(Tenant tenant, Guid eaterId, string protocolId, DiaryEntry entry) =>
        database.As(
            tenant,
            connection =>
                connection.ExecuteAsync(
                    "insert into diary_entry (household_id, id, eater_id, protocol_id, noted_on, text, written_by) values (@Household, @Id, @eaterId, @protocolId, @NotedOn, @Text, @Account)",
                    new
                    {
                        tenant.Household,
                        tenant.Account,
                        entry.Id,
                        eaterId,
                        protocolId,
                        entry.NotedOn,
                        entry.Text,
                    }
                )
        );

    public Task<bool> DeleteDiary(Tenant tenant, Guid entryId) =>
        database.As(
            tenant,
            async connection => await connection.ExecuteAsync("delete from diary_entry where id = @entryId", new { entryId }) == 1
        );

    private static Task AddMember(NpgsqlConnection connection, Tenant tenant) =>
        connection.ExecuteAsync(
            "insert into household_member (household_id, account_id) values (@Household, @Account)",
            new { tenant.Household, tenant.Account }
        );
}
