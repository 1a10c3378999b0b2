using Dapper;
using Npgsql;

namespace Merienda.Storage;

public sealed record HouseholdRow(Guid Id, string Name, string TimeZone);

public sealed record EaterMeal(string Meal, decimal DayShare, bool IsFromPrep);

public sealed record StatedAllowance(string ProtocolId, string RuleId, decimal? AtLeast, decimal? AtMost);

/// <summary>Everything a household says about one eater.</summary>
public sealed record EaterSettings(Guid Id, string Name, IReadOnlyList<string> Protocols, IReadOnlyList<StatedAllowance> Allowances, IReadOnlyList<EaterMeal> Meals)
{
    /// <summary>Equal when all lists hold the same, in any order.</summary>
    public bool IsSameAs(EaterSettings other) => Id == other.Id && Name == other.Name && Protocols.ToHashSet().SetEquals(other.Protocols)
        && Allowances.ToHashSet().SetEquals(other.Allowances) && Meals.ToHashSet().SetEquals(other.Meals);
}

/// <summary>Households, who belongs to them, and their eaters.</summary>
public sealed class HouseholdStore(Database database)
{
    public static readonly IReadOnlyList<string> Meals = ["breakfast", "lunch", "merienda", "supper"];

    public Task Create(Tenant tenant, string name, string timeZone, IEnumerable<EaterSettings> eaters) => database.As(tenant, async connection =>
    {
        await connection.ExecuteAsync("insert into household (id, name, time_zone) values (@Household, @name, @timeZone)", new { tenant.Household, name, timeZone });
        await AddMember(connection, tenant);
        foreach (var (eater, position) in eaters.Select((eater, position) => (eater, position)))
        {
            await connection.ExecuteAsync("insert into eater (household_id, id, name, position) values (@Household, @Id, @Name, @position)", new { tenant.Household, eater.Id, eater.Name, position });
            await WriteEater(connection, tenant, eater);
        }
    });

    public Task Join(Tenant tenant) => database.As(tenant, connection => AddMember(connection, tenant));

    /// <summary>The household that an account works in: the one it belongs to longest.</summary>
    public Task<Guid?> HouseholdOf(Guid account) => database.As(new Tenant(account, Guid.Empty), connection =>
        connection.QueryFirstOrDefaultAsync<Guid?>("select household_id from household_member where account_id = @account order by household_id limit 1", new { account }));

    public Task<HouseholdRow> Household(Tenant tenant) => database.As(tenant, connection =>
        connection.QuerySingleAsync<HouseholdRow>("select id, name, time_zone from household where id = @Household", new { tenant.Household }));

    public Task<IReadOnlyList<EaterSettings>> Eaters(Tenant tenant) => database.As(tenant, connection => ReadEaters(connection));

    public Task AddEater(Tenant tenant, EaterSettings eater) => database.As(tenant, async connection =>
    {
        await connection.ExecuteAsync(
            "insert into eater (household_id, id, name, position) select @Household, @Id, @Name, coalesce(max(position), 0) + 1 from eater", new { tenant.Household, eater.Id, eater.Name });
        await WriteEater(connection, tenant, eater);
    });

    /// <summary>Changes an eater and writes the change to the journal; null when there is no such eater.</summary>
    public Task<EaterSettings?> ChangeEater(Tenant tenant, Guid eaterId, string summary, Func<EaterSettings, EaterSettings> change) => database.As(tenant, async connection =>
    {
        await connection.ExecuteAsync("select 1 from eater where id = @eaterId for update", new { eaterId });
        var before = (await ReadEaters(connection)).FirstOrDefault(eater => eater.Id == eaterId);
        if (before is null)
        {
            return null;
        }

        var after = change(before);
        await WriteEater(connection, tenant, after);
        await Journal.Write(connection, tenant, Journal.Eater, summary, new EaterChange(before, after));
        return after;
    });

    internal static async Task<IReadOnlyList<EaterSettings>> ReadEaters(NpgsqlConnection connection)
    {
        using var rows = await connection.QueryMultipleAsync(
            """
            select id, name from eater order by position, id;
            select eater_id, protocol_id from eater_protocol order by protocol_id;
            select eater_id, protocol_id, rule_id, at_least, at_most from allowance order by protocol_id, rule_id;
            select eater_id, meal, day_share, is_from_prep from eater_meal;
            """);
        var eaters = (await rows.ReadAsync<(Guid Id, string Name)>()).ToList();
        var protocols = (await rows.ReadAsync<(Guid Eater, string Protocol)>()).ToLookup(row => row.Eater, row => row.Protocol);
        var allowances = (await rows.ReadAsync<(Guid Eater, string Protocol, string Rule, decimal? AtLeast, decimal? AtMost)>()).ToLookup(row => row.Eater, row => new StatedAllowance(row.Protocol, row.Rule, row.AtLeast, row.AtMost));
        var meals = (await rows.ReadAsync<(Guid Eater, string Meal, decimal Share, bool FromPrep)>()).ToLookup(row => row.Eater, row => new EaterMeal(row.Meal, row.Share, row.FromPrep));
        return [.. eaters.Select(eater => new EaterSettings(eater.Id, eater.Name, [.. protocols[eater.Id]], [.. allowances[eater.Id]], [.. meals[eater.Id].OrderBy(meal => Meals.ToList().IndexOf(meal.Meal))]))];
    }

    internal static async Task WriteEater(NpgsqlConnection connection, Tenant tenant, EaterSettings eater)
    {
        await connection.ExecuteAsync(
            """
            update eater set name = @Name where id = @Id;
            delete from eater_protocol where eater_id = @Id;
            delete from allowance where eater_id = @Id;
            delete from eater_meal where eater_id = @Id;
            """, new { eater.Id, eater.Name });
        await connection.ExecuteAsync(
            "insert into eater_protocol (household_id, eater_id, protocol_id) values (@Household, @Eater, @Protocol)",
            eater.Protocols.Select(protocol => new { tenant.Household, Eater = eater.Id, Protocol = protocol }));
        await connection.ExecuteAsync(
            "insert into allowance (household_id, eater_id, protocol_id, rule_id, at_least, at_most) values (@Household, @Eater, @ProtocolId, @RuleId, @AtLeast, @AtMost)",
            eater.Allowances.Select(item => new { tenant.Household, Eater = eater.Id, item.ProtocolId, item.RuleId, item.AtLeast, item.AtMost }));
        await connection.ExecuteAsync(
            "insert into eater_meal (household_id, eater_id, meal, day_share, is_from_prep) values (@Household, @Eater, @Meal, @DayShare, @IsFromPrep)",
            eater.Meals.Select(meal => new { tenant.Household, Eater = eater.Id, meal.Meal, meal.DayShare, meal.IsFromPrep }));
    }

    private static Task AddMember(NpgsqlConnection connection, Tenant tenant) =>
        connection.ExecuteAsync("insert into household_member (household_id, account_id) values (@Household, @Account)", new { tenant.Household, tenant.Account });
}
