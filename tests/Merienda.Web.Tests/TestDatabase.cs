using Merienda.Storage;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

[assembly: AssemblyFixture(typeof(Merienda.Web.Tests.TestDatabase))]

namespace Merienda.Web.Tests;

/// <summary>A database of its own for the whole run, on the cluster that ./merienda test started, and the application on it.</summary>
public class TestDatabase : WebApplicationFactory<Program>, IAsyncLifetime
{
    private readonly string _name = $"test_{Guid.NewGuid():N}";

    private static string Given(string role) =>
        Environment.GetEnvironmentVariable($"MERIENDA_TEST_{role}")
        ?? throw new InvalidOperationException($"MERIENDA_TEST_{role} is not set; run the tests with ./merienda test.");

    public string Owner => new NpgsqlConnectionStringBuilder(Given("OWNER")) { Database = _name }.ConnectionString;

    public string App => new NpgsqlConnectionStringBuilder(Given("APP")) { Database = _name }.ConnectionString;

    /// <summary>Makes the database and starts the application on it. ./merienda test drops those of earlier runs.</summary>
    public async ValueTask InitializeAsync()
    {
        await Ask<object>(Given("OWNER"), $"create database {_name}");
        _ = Services;
    }

    /// <summary>A browser that nobody has signed in with; cookies need https.</summary>
    public Visitor Visit() =>
        new(CreateClient(new WebApplicationFactoryClientOptions { BaseAddress = new Uri("https://localhost"), AllowAutoRedirect = false }));

    /// <summary>A signed-up person with a household of their own.</summary>
    public async Task<Visitor> SignUp(string name = "Rune Halvard")
    {
        var visitor = Visit();
        await visitor.Must(
            HttpMethod.Post,
            "/api/account/sign-up",
            new
            {
                name,
                email = $"{Guid.NewGuid():N}@port-ansel.example",
                password = "a long enough one",
                householdName = "Halvard",
                timeZone = "Europe/Lisbon",
            }
        );
        await visitor.Refresh();
        return visitor;
    }

    public static async Task<T?> Ask<T>(string connectionString, string sql)
    {
        await using var connection = new NpgsqlConnection(connectionString);
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand(sql, connection);
        return (T?)await command.ExecuteScalarAsync();
    }

    /// <summary>The household of somebody who is signed in, as a store knows it.</summary>
    internal async Task<Tenant> TenantOf(Visitor visitor)
    {
        var email = (await visitor.Get("/api/account"))["person"]!["email"]!.GetValue<string>();
        var account = await Ask<Guid>(Owner, $"select id from account where email = '{email}'");
        return new(account, (await Services.GetRequiredService<HouseholdStore>().HouseholdsOf(account))[0]);
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder) => Furnish(builder, Owner, App);

    /// <summary>The application as every test has it: with demo people, without processes of its own, and with many sign-ins a minute.</summary>
    internal static void Furnish(IWebHostBuilder builder, string owner, string app)
    {
        builder.UseSetting("ConnectionStrings:Owner", owner);
        builder.UseSetting("ConnectionStrings:App", app);
        builder.UseSetting("Demo", "true");
        builder.UseSetting("Solving:Apart", "false");
        builder.UseSetting("SignInsPerMinute", "1000");
        builder.UseSetting("Logging:LogLevel:Default", "Warning");
    }
}
