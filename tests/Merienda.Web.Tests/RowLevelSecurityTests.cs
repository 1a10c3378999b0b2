using Merienda.Storage;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace Merienda.Web.Tests;

public class RowLevelSecurityTests(TestDatabase database)
{
    private static readonly string[] TenantTables =
    [
        "eater",
        "eater_meal",
        "invitation",
        "meal_slot",
        "prep_day",
        "eater_protocol",
        "allowance",
        "recipe",
        "recipe_version",
        "recipe_line",
        "recipe_task",
        "prep_session",
        "batch",
        "lot",
        "serving",
        "serving_item",
        "container",
        "container_event",
        "part_yield",
        "shop_tick",
        "task_tick",
        "journal",
        "eater_choice",
        "eater_allergy",
        "eater_acceptance",
        "eater_dislike",
        "eater_phase",
        "eater_challenge",
        "diary_entry",
        "household_protocol",
        "household_protocol_version",
        "week_protocol",
        "kitchen_item",
        "container_kind",
        "packet",
        "packet_version",
        "packet_opinion",
        "stock_item",
        "learnt_word",
    ];

    [Fact]
    public async Task A_query_without_any_condition_sees_the_own_rows_none_of_another_household_and_nothing_without_one()
    {
        var (visitor, email) = (database.Visit(), $"{Guid.NewGuid():N}@port-ansel.example");
        await visitor.Must(
            HttpMethod.Post,
            "/api/account/sign-up",
            new
            {
                name = "Rune",
                email,
                password = "a long enough one",
                householdName = "Halvard",
                timeZone = "Europe/Lisbon",
            }
        );
        await visitor.Refresh();
        await FillEveryTable(visitor);
        var own = await HouseholdOf(email);
        foreach (var table in TenantTables)
        {
            // Without rows of its own the two zeros below would prove nothing.
            Assert.True(await Count(table, own) > 0, $"{table} has no row to hide");
            Assert.Equal(0, await Count(table, Guid.NewGuid()));
            Assert.Equal(0, await Count(table, null));
        }
    }

    private static async Task FillEveryTable(Visitor visitor)
    {
        var week = $"/api/weeks/{HouseholdWeek()}";
        var eater = (await visitor.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await visitor.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "points" } });
        var path = $"/api/table/eaters/{eater}";
        await visitor.Must(
            HttpMethod.Put,
            $"{path}/allowance",
            new
            {
                protocol = "points",
                rule = "points",
                atLeast = (decimal?)null,
                atMost = 23,
                clinicalTeam = false,
            }
        );
        await visitor.Must(
            HttpMethod.Put,
            $"{path}/choice",
            new
            {
                protocol = "points",
                choice = "budget",
                option = "day",
            }
        );
        await visitor.Must(
            HttpMethod.Put,
            $"{path}/personal",
            new
            {
                allergies = new[] { "sesame" },
                dislikes = new[] { "celery" },
                portionHabit = 1,
            }
        );
        await visitor.Must(
            HttpMethod.Post,
            $"{path}/accepted",
            new
            {
                what = "tahini",
                reason = "For the test only",
                isAdult = true,
            }
        );
        await visitor.Must(
            HttpMethod.Put,
            $"{path}/phases",
            new
            {
                protocol = "low-fodmap",
                start = "2026-01-01",
                restrictionEnds = "2026-01-28",
                order = new[] { "lactose" },
            }
        );
        await visitor.Must(
            HttpMethod.Post,
            $"{path}/diary",
            new
            {
                protocol = "low-fodmap",
                notedOn = "2026-01-30",
                text = "A glass of milk, nothing",
            }
        );
        await visitor.Must(HttpMethod.Post, "/api/table/protocols/vegan/copy", new { name = "Ours", followers = Array.Empty<Guid>() });
        await visitor.Must(HttpMethod.Post, "/api/members/invitations");
        await visitor.Must(HttpMethod.Put, "/api/table/kitchen", KitchenTests.Kitchen());
        var packet = Core.Foods.Packets.Packet.IdOf(
            (await visitor.Must(HttpMethod.Post, "/api/larder/packets", TypedPackets.Packet("Only ours"))).GetValue<string>()
        );
        await visitor.Must(
            HttpMethod.Put,
            $"/api/larder/packets/{packet}/opinions/{eater}",
            new
            {
                isApproved = false,
                reason = "For the test only",
                isAdult = false,
            }
        );
        await visitor.Must(
            HttpMethod.Post,
            "/api/larder/stock",
            new
            {
                line = "500 g red lentils",
                food = (string?)null,
                place = "pantry",
                madeOn = (string?)null,
                bestBefore = (string?)null,
            }
        );
        var odd = System.Text.Json.Nodes.JsonNode.Parse(
            System.Text.Json.JsonSerializer.Serialize(
                Visitor.Draft("Odd", 2, ["200 g moonfruit"]),
                System.Text.Json.JsonSerializerOptions.Web
            )
        )!;
        odd["lines"]![0]!["food"] = "pear";
        await visitor.Must(HttpMethod.Post, "/api/recipes", odd);
        var board = await visitor.Must(
            HttpMethod.Post,
            $"{week}/batches",
            new
            {
                recipeId = await visitor.AddRecipe(),
                cookedOn = HouseholdWeek(),
                portions = 2,
            }
        );
        var batch = board["batches"]![0]!["id"]!.GetValue<Guid>();
        await visitor.Must(
            HttpMethod.Post,
            $"{week}/batches/{batch}/place",
            new
            {
                to = new
                {
                    date = HouseholdWeek(),
                    meal = "supper",
                    eaterId = eater,
                },
            }
        );
        var loose = (await visitor.Get($"{week}/shelf"))["boxes"]!.AsArray().Last()!["id"];
        await visitor.Must(
            HttpMethod.Post,
            $"/api/batches/{batch}/boxes/{loose}/events",
            new { kind = "Given", at = DateTimeOffset.UtcNow }
        );
        await visitor.Must(
            HttpMethod.Put,
            $"{week}/batches/{batch}/yield",
            new
            {
                part = "",
                grossG = 500,
                tareG = 0,
                vessel = "",
            }
        );
        await visitor.Must(HttpMethod.Put, $"{week}/shop/tick", new { key = "olive-oil", isTicked = true });
        await visitor.Must(
            HttpMethod.Put,
            $"{week}/sessions/tick",
            new
            {
                batchId = batch,
                taskId = "1",
                isTicked = true,
            }
        );
    }

    private async Task<Guid> HouseholdOf(string email)
    {
        var account = await TestDatabase.Ask<Guid>(database.Owner, $"select id from account where email = '{email}'");
        return (await database.Services.GetRequiredService<HouseholdStore>().HouseholdsOf(account))[0];
    }

    private static string HouseholdWeek()
    {
        var today = DateOnly.FromDateTime(DateTime.UtcNow);
        return today.AddDays(-(int)today.DayOfWeek).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public async Task A_household_sees_its_own_rows_and_only_those()
    {
        var (one, other) = (await database.SignUp("One"), await database.SignUp("Other"));
        await one.AddRecipe("Only mine");
        Assert.Contains("Only mine", (await one.Get("/api/recipes")).ToJsonString());
        Assert.DoesNotContain("Only mine", (await other.Get("/api/recipes")).ToJsonString());
    }

    [Fact]
    public async Task The_application_role_owns_no_table_cannot_bypass_and_cannot_change_what_is_immutable()
    {
        Assert.False(
            await TestDatabase.Ask<bool>(database.App, "select rolbypassrls or rolsuper from pg_roles where rolname = current_user")
        );
        Assert.Equal(
            0L,
            await TestDatabase.Ask<long>(
                database.App,
                "select count(*) from pg_tables where schemaname = 'public' and tableowner = current_user"
            )
        );
        Assert.Equal(
            (long)TenantTables.Length + 2,
            await TestDatabase.Ask<long>(
                database.App,
                "select count(*) from pg_class where relrowsecurity and relforcerowsecurity and relkind = 'r'"
            )
        );
        foreach (
            var forbidden in new[]
            {
                "update recipe_version set name = 'x'",
                "delete from recipe_line",
                "delete from household_protocol_version",
                "update packet_version set name = 'x'",
                "insert into food_version (id) values (gen_random_uuid())",
                "drop table eater",
                "alter table eater disable row level security",
            }
        )
        {
            var refused = await Assert.ThrowsAsync<PostgresException>(() => TestDatabase.Ask<object>(database.App, forbidden));
            Assert.Equal(PostgresErrorCodes.InsufficientPrivilege, refused.SqlState);
        }
    }

    [Fact]
    public async Task A_row_for_another_household_cannot_be_written()
    {
        await using var source = NpgsqlDataSource.Create(database.App);
        var storage = new Database(source);
        var refused = await Assert.ThrowsAsync<PostgresException>(() =>
            storage.Read(
                new Tenant(Guid.NewGuid(), Guid.NewGuid(), IsOutside: true),
                Reading.Of(
                    "insert into recipe (household_id, id, version_id) values (gen_random_uuid(), gen_random_uuid(), gen_random_uuid()) returning 1;",
                    null,
                    rows => rows.ReadSingleAsync<int>()
                )
            )
        );
        Assert.Equal(PostgresErrorCodes.InsufficientPrivilege, refused.SqlState);
    }

    private async Task<long> Count(string table, Guid? household)
    {
        await using var source = NpgsqlDataSource.Create(database.App);
        return await new Database(source).Read(
            new Tenant(Guid.NewGuid(), household ?? Guid.Empty, IsOutside: true),
            Reading.Of($"select count(*) from {table};", null, rows => rows.ReadSingleAsync<long>())
        );
    }
}
