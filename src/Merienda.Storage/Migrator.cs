using DbUp;
using DbUp.Engine;
using Npgsql;

namespace Merienda.Storage;

/// <summary>Runs the numbered migrations as the owner of the schema, one instance at a time.</summary>
public static class Migrator
{
    /// <summary>Any constant will do; it only has to be the same in every instance.</summary>
    public const long StartLock = 7_420_061;

    /// <exception cref="InvalidOperationException">A migration failed; the message names it.</exception>
    public static void Run(string ownerConnectionString)
    {
        using var connection = new NpgsqlConnection(ownerConnectionString);
        connection.Open();
        Execute(connection, $"select pg_advisory_lock({StartLock})");
        try
        {
            var result = DeployChanges
                .To.PostgresqlDatabase(ownerConnectionString)
                .WithScriptsEmbeddedInAssembly(typeof(Migrator).Assembly)
                .WithTransactionPerScript()
                .WithVariablesDisabled()
                .LogToNowhere()
                .Build()
                .PerformUpgrade();
            ThrowIfFailed(result);
        }
        finally
        {
            Execute(connection, $"select pg_advisory_unlock({StartLock})");
        }
    }

    private static void ThrowIfFailed(DatabaseUpgradeResult result)
    {
        if (!result.Successful)
        {
            throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed: {result.Error.Message}", result.Error);
        }
    }

    private static void Execute(NpgsqlConnection connection, string sql)
    {
        using var command = new NpgsqlCommand(sql, connection);
        command.ExecuteNonQuery();
    }
}
