using System.Diagnostics.CodeAnalysis;
using Dapper;
using Npgsql;
using static Dapper.SqlMapper;

namespace Merienda.Storage;

/// <summary>
/// Statements with what their results make. Readings are put together before they are asked, so that one round trip asks them all;
/// only what depends on an answer (an immutable version that is not in memory yet) is asked after it.
/// </summary>
public sealed class Reading<T>
{
    private readonly Func<GridReader, Task<Func<Scope, Task<T>>>> _take;

    internal Reading(string sql, object? parameters, Func<GridReader, Task<Func<Scope, Task<T>>>> take) =>
        (Sql, Parameters, _take) = (sql, parameters, take);

    internal string Sql { get; }

    internal object? Parameters { get; }

    /// <summary>Goes on with what was read, in the same transaction.</summary>
    public Reading<TNext> Then<TNext>(Func<Scope, T, Task<TNext>> next) =>
        new(
            Sql,
            Parameters,
            async rows =>
            {
                var complete = await _take(rows);
                return async scope => await next(scope, await complete(scope));
            }
        );

    public Reading<TNext> Select<TNext>(Func<T, TNext> draw) => Then((_, value) => Task.FromResult(draw(value)));

    /// <summary>Asks both at once.</summary>
    public Reading<(T First, TOther Second)> And<TOther>(Reading<TOther> other)
    {
        var parameters = new DynamicParameters();
        parameters.AddDynamicParams(Parameters);
        parameters.AddDynamicParams(other.Parameters);
        return new(
            $"{Sql}\n{other.Sql}",
            parameters,
            async rows =>
            {
                var (own, others) = (await _take(rows), await other._take(rows));
                return async scope => (await own(scope), await others(scope));
            }
        );
    }

    internal Task<Func<Scope, Task<T>>> Take(GridReader rows) => _take(rows);
}

public static class Reading
{
    /// <param name="sql">One or more statements, each with its semicolon.</param>
    public static Reading<T> Of<T>(string sql, object? parameters, Func<GridReader, Task<T>> take) =>
        new(
            sql,
            parameters,
            async rows =>
            {
                var value = await take(rows);
                return _ => Task.FromResult(value);
            }
        );

    /// <summary>What needs no asking.</summary>
    public static Reading<T> Known<T>(T value) => Of("", null, _ => Task.FromResult(value));
}

/// <summary>What one tenant asks, one thing after the other.</summary>
/// <param name="isOneTransaction">Whether a transaction is open; without one each round trip is its own and enters anew.</param>
public sealed class Scope(NpgsqlConnection connection, Tenant tenant, bool isOneTransaction)
{
    /// <summary>How long an edit waits for another one of the same household, ms.</summary>
    private const int LongestWait = 8_000;

    /// <summary>A household is entered by those who belong to it, whatever an old cookie says.</summary>
    private const string Enter = """
        select set_config('app.account_id', @scopeAccount, true), set_config('lock_timeout', @scopeWait, true);
        select set_config('app.household_id', case when @scopeOutside or exists (
            select 1 from household_member where household_id = @scopeHousehold and account_id = @scopeMember) then @scopeHousehold::text else '' end, true);
        """;

    private bool _isEntered;

    public Tenant Tenant => tenant;

    /// <summary>Whether it wrote something: what it reads from then on may yet be rolled back and is not kept in memory.</summary>
    internal bool HasWritten { get; set; }

    /// <summary>Asks a reading in one round trip; the first one of a transaction sets the tenant on its way.</summary>
    public async Task<T> Read<T>(Reading<T> reading)
    {
        if ((_isEntered || !isOneTransaction) && reading.Sql.Length == 0)
        {
            return await Nothing(reading);
        }

        var parameters = new DynamicParameters();
        parameters.AddDynamicParams(reading.Parameters);
        if (!_isEntered)
        {
            parameters.Add("scopeAccount", tenant.Account.ToString());
            parameters.Add("scopeMember", tenant.Account);
            parameters.Add("scopeHousehold", tenant.Household);
            parameters.Add("scopeOutside", tenant.IsOutside);
            parameters.Add("scopeWait", $"{LongestWait}");
        }

        Func<Scope, Task<T>> complete;
        await using (var rows = await connection.QueryMultipleAsync(_isEntered ? reading.Sql : $"{Enter}\n{reading.Sql}", parameters))
        {
            if (!_isEntered)
            {
                await rows.ReadAsync();
                if (await rows.ReadSingleAsync<string>() == "" && tenant.Household != Guid.Empty)
                {
                    throw new NoMemberException(tenant);
                }

                _isEntered = isOneTransaction;
            }

            complete = await reading.Take(rows);
        }

        return await complete(this);
    }

    [SuppressMessage("Reliability", "CA2025", Justification = "Nothing is read: there are no results to dispose.")]
    private async Task<T> Nothing<T>(Reading<T> reading) => await (await reading.Take(null!))(this);
}
