using System.IO.Compression;
using System.Net;
using System.Text.Json.Nodes;
using Dapper;
using DbUp;
using Merienda.Storage;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Npgsql;

namespace Merienda.Web.Tests.OldHouseholds;

/// <summary>
/// The households of an earlier program, as it kept them and as it showed their weeks: the demo's and a busy one with six eaters, three
/// weeks, packets, an own protocol and stock, all made up. Today's program carries them over and shows the same.
/// </summary>
public sealed class OldHouseholdTests(TestDatabase cluster)
{
    private const string LastMigration = "0009";

    [Fact]
    public async Task Every_household_is_carried_over_with_the_same_weeks_and_numbers()
    {
        await using var database = await Fill();
        var expected = JsonNode.Parse(Unpacked("weeks.json.gz"))!.AsObject();
        Assert.Equal(8, expected.Count);
        foreach (var (email, weeks) in expected)
        {
            var visitor = await database.Enter(email);
            foreach (var (start, week) in weeks!.AsObject())
            {
                var (board, shelf) = (await visitor.Get($"/api/weeks/{start}"), await visitor.Get($"/api/weeks/{start}/shelf"));
                var (was, shown) = (Placed(week!), Compact(board, shelf));
                Assert.True(JsonNode.DeepEquals(was, shown), $"{email} {start}\nwas {was.ToJsonString()}\nis  {shown.ToJsonString()}");
            }
        }
    }

    [Fact]
    public async Task What_was_done_before_says_clearly_that_it_cannot_be_taken_back_and_new_edits_can()
    {
        await using var database = await Fill();
        var visitor = await database.Enter("odile.m@port-ansel.example");
        var board = await visitor.Get("/api/weeks/2026-11-22");
        Assert.Null(board["undo"]);
        await visitor.Refused(
            HttpStatusCode.Conflict,
            "undo-too-old",
            HttpMethod.Post,
            "/api/undo",
            new { sequence = database.NewestOfTheBusy }
        );

        var batch = board["batches"]!.AsArray().First(one => one!["loose"]!.GetValue<decimal>() > 0)!;
        var placed = await visitor.Edit(
            HttpMethod.Post,
            $"/api/weeks/2026-11-22/batches/{batch["id"]}/place",
            new
            {
                to = new
                {
                    date = "2026-11-28",
                    meal = "supper",
                    eaterId = board["eaters"]![1]!["id"]!.GetValue<Guid>(),
                },
            },
            Guid.NewGuid()
        );
        Assert.Equal(HttpStatusCode.OK, placed.Status);
        await visitor.Must(HttpMethod.Post, "/api/undo", new { sequence = placed.Sequence });
        var after = await visitor.Get("/api/weeks/2026-11-22");
        Assert.Equal(board["batches"]!.ToJsonString(), after["batches"]!.ToJsonString());
        Assert.Equal(board["servings"]!.ToJsonString(), after["servings"]!.ToJsonString());
    }

    /// <summary>A database at the old schema with the old rows, and the application that finds it so.</summary>
    private async Task<OldDatabase> Fill()
    {
        var database = new OldDatabase(cluster);
        await database.Create();
        var migrated = DeployChanges
            .To.PostgresqlDatabase(database.Owner)
            .WithScriptsEmbeddedInAssembly(
                typeof(Migrator).Assembly,
                name => string.CompareOrdinal(name[(name.IndexOf("Migrations.", StringComparison.Ordinal) + 11)..][..4], LastMigration) <= 0
            )
            .WithTransactionPerScript()
            .WithVariablesDisabled()
            .LogToNowhere()
            .Build()
            .PerformUpgrade();
        Assert.True(migrated.Successful, migrated.Error?.Message);
        await using var owner = new NpgsqlConnection(database.Owner);
        var forced = (
            await owner.QueryAsync<string>("select relname::text from pg_class where relforcerowsecurity and relkind = 'r'")
        ).ToList();
        // Rows of many households at once: for this the owner is let past.
        await owner.ExecuteAsync(string.Concat(forced.Select(table => $"alter table {table} no force row level security;")));
        await owner.ExecuteAsync(Unpacked("migration-0009.sql.gz"));
        database.NewestOfTheBusy = await owner.QuerySingleAsync<long>(
            "select max(sequence) from journal where account_id = (select id from account where email = 'odile.m@port-ansel.example') and not is_undone"
        );
        await owner.ExecuteAsync(string.Concat(forced.Select(table => $"alter table {table} force row level security;")));
        return database;
    }

    private static string Unpacked(string file)
    {
        using var packed = typeof(OldHouseholdTests).Assembly.GetManifestResourceStream(typeof(OldHouseholdTests), file)!;
        using var reader = new StreamReader(new GZipStream(packed, CompressionMode.Decompress));
        return reader.ReadToEnd();
    }

    /// <summary>The kept form with the boxes that were placed; loose ones are counted, not listed.</summary>
    private static JsonObject Placed(JsonNode week)
    {
        var kept = week.DeepClone().AsObject();
        foreach (var batch in kept["batches"]!.AsArray())
        {
            batch!["boxes"] = Sorted(batch["boxes"]!.AsArray().Where(box => box!["place"] is not null).Select(box => box!.DeepClone()));
        }

        return kept;
    }

    private static JsonArray Sorted(IEnumerable<JsonNode> boxes) =>
        new([
            .. boxes.OrderBy(box => $"{box["place"]!["date"]} {box["place"]!["meal"]} {box["place"]!["eaterId"]}", StringComparer.Ordinal),
        ]);

    /// <summary>What board and shelf say of batches, placed boxes and rulers, in the form that was kept.</summary>
    private static JsonObject Compact(JsonNode board, JsonNode shelf) =>
        new()
        {
            ["batches"] = new JsonArray([
                .. board["batches"]!
                    .AsArray()
                    .Select(batch => new JsonObject
                    {
                        ["letter"] = batch!["letter"]!.DeepClone(),
                        ["name"] = batch["name"]!.DeepClone(),
                        ["cookedOn"] = batch["cookedOn"]!.DeepClone(),
                        ["portions"] = batch["portions"]!.DeepClone(),
                        // The earlier program still counted a box that was gone as loose.
                        ["loose"] = batch["loose"]!.GetValue<decimal>() + batch["gone"]!.GetValue<decimal>(),
                        ["boxes"] = Sorted(
                            shelf["boxes"]!
                                .AsArray()
                                .Where(box =>
                                    box!["tape"]!.GetValue<string>() == batch["tape"]!.GetValue<string>()
                                    && box["madeOn"]!.GetValue<string>() == batch["cookedOn"]!.GetValue<string>()
                                    && box["place"] is not null
                                )
                                .Select(box => new JsonObject
                                {
                                    ["size"] = box!["size"]!.DeepClone(),
                                    ["place"] = box["place"]!.DeepClone(),
                                    ["eatBy"] = box["eatBy"]!.DeepClone(),
                                    ["numbers"] = new JsonArray([
                                        .. box["numbers"]!
                                            .AsArray()
                                            .Select(number => new JsonArray(
                                                number!["key"]!.DeepClone(),
                                                number["value"]!["low"]!.DeepClone(),
                                                number["value"]!["best"]!.DeepClone(),
                                                number["value"]!["high"]?.DeepClone()
                                            )),
                                    ]),
                                })
                        ),
                    }),
            ]),
            ["ledger"] = new JsonArray([
                .. board["ledger"]!
                    .AsArray()
                    .Select(day => new JsonArray(
                        day!["eaterId"]!.DeepClone(),
                        day["date"]!.DeepClone(),
                        day["openMeals"]!.DeepClone(),
                        day["tightest"] is { } tightest
                            ? new JsonArray(tightest["rule"]!.DeepClone(), tightest["value"]?["best"]!.DeepClone())
                            : null
                    )),
            ]),
        };

    private sealed class OldDatabase(TestDatabase cluster) : WebApplicationFactory<Program>
    {
        private readonly string _name = $"test_{Guid.NewGuid():N}";

        public string Owner => On(cluster.Owner);

        public long NewestOfTheBusy { get; set; }

        private string On(string connection) => new NpgsqlConnectionStringBuilder(connection) { Database = _name }.ConnectionString;

        public Task Create() => TestDatabase.Ask<object>(cluster.Owner, $"create database {_name}");

        public async Task<Visitor> Enter(string email)
        {
            var visitor = new Visitor(
                CreateClient(
                    new WebApplicationFactoryClientOptions { BaseAddress = new Uri("https://localhost"), AllowAutoRedirect = false }
                )
            );
            var demo = (await visitor.Get("/api/account"))["demoPeople"]!.AsArray();
            await using var owner = new NpgsqlConnection(Owner);
            var id = await owner.QuerySingleAsync<Guid>("select id from account where email = @email", new { email });
            await (
                demo.Any(person => person!["id"]!.GetValue<Guid>() == id)
                    ? visitor.Must(HttpMethod.Post, "/api/account/demo", new { id })
                    : visitor.Must(HttpMethod.Post, "/api/account/sign-in", new { email, password = "a long enough one" })
            );
            await visitor.Refresh();
            return visitor;
        }

        protected override void ConfigureWebHost(IWebHostBuilder builder)
        {
            TestDatabase.Furnish(builder, Owner, On(cluster.App));
        }
    }
}
