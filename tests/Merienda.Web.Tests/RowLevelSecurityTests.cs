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
        "recipe_part",
        "recipe_variant",
        "recipe_variant_change",
        "recipe_line",
        "recipe_task",
        "recipe_claim",
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
        "eater_variant",
        "eater_dish",
        "eater_pin",
        "ready_choice",
        "price",
        "purchase",
        "staple",
        "batch_swap",
        "recipe_collection",
        "cook_remark",
        "step_run",
        "weighing",
        "body_weight",
        "solve_job",
        "picture",
        "recipe_picture",
        "library_filter",
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

    /// <summary>Those that a group's desk has beside everything that a household has.</summary>
    private static readonly string[] GroupTables =
    [
        "group_desk",
        "group_member",
        "group_link",
        "menu",
        "menu_dish",
        "menu_version",
        "group_share",
        "group_sharer",
        "submission",
        "question",
        "question_too",
        "question_report",
        "mail",
    ];

    [Fact]
    public async Task A_member_sees_what_is_published_and_nothing_of_the_desk_and_nobody_else_sees_anything()
    {
        var circle = await Circle.Founded(database);
        var ((farah, email), group) = (await circle.Member("Farah"), circle.Group);
        await Circle.Share(farah, group);
        await circle.Bring(farah);
        await circle.Desk.Must(HttpMethod.Post, "/api/groups/invitations", new { list = "ilse@port-ansel.example" });
        foreach (var table in GroupTables)
        {
            // Who shares what is seen by nobody but themselves, not even at the desk.
            Assert.Equal(table != "group_sharer", await Count(table, group) > 0);
            Assert.Equal(0, await Count(table, Guid.NewGuid()));
            Assert.Equal(0, await Count(table, null));
        }

        // From her own kitchen: the sign over the door, her own membership, the published menu. From no other account's.
        var account = await TestDatabase.Ask<Guid>(database.Owner, $"select id from account where email = '{email}'");
        var home = await HouseholdOf(email);
        // What was put on her week is hers, not the group's.
        await farah.Must(HttpMethod.Post, $"/api/groups/{group}/menus/{circle.Menu}/into-week", new { week = ThisWeek.Day(7) });
        await circle.Desk.Must(
            HttpMethod.Post,
            "/api/table/protocols/points/copy",
            new { name = "Circle points", followers = Array.Empty<Guid>() }
        );
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Our points" });
        await farah.Must(
            HttpMethod.Post,
            $"/api/groups/{group}/enclosed",
            new { things = new[] { new { kind = "protocol", name = "Circle points" } } }
        );
        foreach (var table in (string[])["menu_taken", "recipe_taken", "enclosed_taken"])
        {
            Assert.Equal((1, 0, 0), (await Count(table, home), await Count(table, group), await Count(table, null)));
        }

        Assert.Equal([1, 1, 0, 0, 0, 2, 1, 1, 1, 1, 1, 0, 0], await Counts(new Tenant(account, home, IsOutside: true)));
        Assert.Equal(new long[13], await Counts(new Tenant(Guid.NewGuid(), home, IsOutside: true)));
        Assert.Equal([1, 1, 0, 0, 0, 2, 1, 1, 1, 1, 1, 0, 0], await Counts(new Tenant(account, Guid.Empty)));

        async Task<List<long>> Counts(Tenant tenant)
        {
            var counts = new List<long>();
            foreach (var table in GroupTables)
            {
                counts.Add(await Count(table, tenant));
            }

            return counts;
        }
    }

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
        await EveryTable.Fill(visitor);
        var own = await HouseholdOf(email);
        foreach (var table in TenantTables)
        {
            // Without rows of its own the two zeros below would prove nothing.
            Assert.True(await Count(table, own) > 0, $"{table} has no row to hide");
            Assert.Equal(0, await Count(table, Guid.NewGuid()));
            Assert.Equal(0, await Count(table, null));
        }
    }

    private async Task<Guid> HouseholdOf(string email)
    {
        var account = await TestDatabase.Ask<Guid>(database.Owner, $"select id from account where email = '{email}'");
        return (await database.Services.GetRequiredService<HouseholdStore>().HouseholdsOf(account))[0];
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
            (long)TenantTables.Length + GroupTables.Length + 5,
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
                "update recipe_part set name = 'x'",
                "update recipe_claim set value = 0",
                "delete from household_protocol_version",
                "update packet_version set name = 'x'",
                "insert into food_version (id) values (gen_random_uuid())",
                "update menu_version set number = 2",
                "delete from menu_version",
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

    private Task<long> Count(string table, Guid? household) =>
        Count(table, new Tenant(Guid.NewGuid(), household ?? Guid.Empty, IsOutside: true));

    private async Task<long> Count(string table, Tenant tenant)
    {
        await using var source = NpgsqlDataSource.Create(database.App);
        return await new Database(source).Read(
            tenant,
            Reading.Of($"select count(*) from {table};", null, rows => rows.ReadSingleAsync<long>())
        );
    }
}
