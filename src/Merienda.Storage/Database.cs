using System.Data;
using Dapper;
using Npgsql;

namespace Merienda.Storage;

/// <summary>Whose rows a transaction may see.</summary>
/// <param name="IsOutside">The account does not belong to the household yet: it opens it, or comes by a link.</param>
public readonly record struct Tenant(Guid Account, Guid Household, bool IsOutside = false);

/// <summary>The account belongs to the household no more.</summary>
public sealed class NoMemberException(Tenant tenant) : Exception($"{tenant.Account} does not belong to {tenant.Household}.");

/// <summary>The commit was asked for and its answer did not come: nobody knows whether the work was kept.</summary>
public sealed class CommitUnsureException(Exception inner) : Exception("The commit was not answered.", inner);

/// <summary>The database as the application role sees it. Every piece of work is one transaction with its tenant set.</summary>
public sealed class Database(NpgsqlDataSource source)
{
    static Database()
    {
        DefaultTypeMap.MatchNamesWithUnderscores = true;
        SqlMapper.AddTypeHandler(new DateOnlyHandler());
        SqlMapper.AddTypeHandler(new TimeOnlyHandler());
        SqlMapper.AddTypeHandler(new DateTimeOffsetHandler());
    }

    /// <summary>Runs work as a tenant and commits it when it returns; anything thrown rolls back.</summary>
    /// <exception cref="CommitUnsureException">The connection was lost while it committed.</exception>
    public async Task<T> As<T>(Tenant tenant, Func<Scope, Task<T>> work)
    {
        await using var connection = await source.OpenConnectionAsync();
        await using var transaction = await connection.BeginTransactionAsync();
        var result = await work(new Scope(connection, tenant, isOneTransaction: true));
        try
        {
            await transaction.CommitAsync();
        }
        catch (NpgsqlException lost) when (lost is not PostgresException)
        {
            throw new CommitUnsureException(lost);
        }

        return result;
    }

    /// <summary>
    /// Asks in as few round trips as it takes. Statements that are sent together are one transaction by themselves, so that nothing is begun
    /// and nothing has to be committed.
    /// </summary>
    public async Task<T> Read<T>(Tenant tenant, Reading<T> reading)
    {
        await using var connection = await source.OpenConnectionAsync();
        return await new Scope(connection, tenant, isOneTransaction: false).Read(reading);
    }

    /// <summary>Writes what no edit door stands before: accounts, and who belongs to a household.</summary>
    public Task<T> Write<T>(Tenant tenant, Reading<T> writing) => As(tenant, scope => scope.Read(writing));

    /// <summary>Work on tables that belong to no household: accounts, keys, shipped foods.</summary>
    public async Task<T> Unscoped<T>(Func<NpgsqlConnection, Task<T>> work)
    {
        await using var connection = await source.OpenConnectionAsync();
        return await work(connection);
    }

    /// <summary>Work that only one instance does at a time, such as seeding at start.</summary>
    public async Task Exclusively(Func<Task> work)
    {
        await using var connection = await source.OpenConnectionAsync();
        await using var transaction = await connection.BeginTransactionAsync();
        await connection.ExecuteAsync("select pg_advisory_xact_lock(@Lock)", new { Lock = Migrator.StartLock });
        await work();
        await transaction.CommitAsync();
    }

    private sealed class DateOnlyHandler : SqlMapper.TypeHandler<DateOnly>
    {
        public override DateOnly Parse(object value) => value is DateOnly date ? date : DateOnly.FromDateTime((DateTime)value);

        public override void SetValue(IDbDataParameter parameter, DateOnly value)
        {
            parameter.DbType = DbType.Date;
            parameter.Value = value;
        }
    }

    private sealed class TimeOnlyHandler : SqlMapper.TypeHandler<TimeOnly>
    {
        public override TimeOnly Parse(object value) => value is TimeOnly time ? time : TimeOnly.FromTimeSpan((TimeSpan)value);

        public override void SetValue(IDbDataParameter parameter, TimeOnly value) => parameter.Value = value;
    }

    private sealed class DateTimeOffsetHandler : SqlMapper.TypeHandler<DateTimeOffset>
    {
        public override DateTimeOffset Parse(object value) =>
            value is DateTimeOffset at ? at : new DateTimeOffset(DateTime.SpecifyKind((DateTime)value, DateTimeKind.Utc));

        public override void SetValue(IDbDataParameter parameter, DateTimeOffset value) => parameter.Value = value.ToUniversalTime();
    }
}
