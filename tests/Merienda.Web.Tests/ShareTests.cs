using System.Net;
using System.Text.Json.Nodes;
using Merienda.Storage;
using Microsoft.Extensions.DependencyInjection;

namespace Merienda.Web.Tests;

public class ShareTests(TestDatabase database)
{
    private static async Task<Visitor> Member(Circle circle, params string[] allergies)
    {
        var (member, _) = await circle.Member("Farah");
        var eater = await EaterOf(member);
        await member.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "vegan" } });
        await member.BecomeAllergic(eater, allergies);
        return member;
    }

    private static async Task<Guid> EaterOf(Visitor member) => (await member.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();

    private static Task<JsonNode> Check(Circle circle) => circle.Desk.Get($"/api/groups/menus/{circle.Menu}/check");

    /// <summary>"fits 2, breaks ?" of the first dish; a question mark for a few, or all but a few.</summary>
    private static string Counts(JsonNode check, int dish = 0) =>
        string.Join(
            ", ",
            check["dishes"]![dish]!["counts"]!
                .AsArray()
                .Select(count => $"{count!["verdict"]!.GetValue<string>()} {count["members"]?.ToJsonString() ?? "?"}")
        );

    [Fact]
    public async Task A_menu_is_checked_for_what_members_share_and_a_few_are_not_counted()
    {
        var circle = await Circle.Founded(database);
        await circle.Put(1, await circle.Desk.AddRecipe("Cod", 2, "300 g cod fillet"));
        Assert.Equal("", Counts(await Check(circle)));
        for (var many = 0; many < 4; many++)
        {
            await Circle.Share(await Member(circle), circle.Group);
        }

        var check = await Check(circle);
        Assert.Equal((5, "fits ?", "breaks ?"), (check["members"]!.GetValue<int>(), Counts(check), Counts(check, 1)));
        Assert.Null(check["sharing"]);
        await Circle.Share(await Member(circle), circle.Group);
        check = await Check(circle);
        Assert.Equal(("fits 5", "breaks 5", 5), (Counts(check), Counts(check, 1), check["sharing"]!.GetValue<int>()));
        Assert.Contains("Cod fillet", check["dishes"]![1]!["reasons"]![0]!["because"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_mends_most_is_found_and_becomes_a_variant_of_the_recipe()
    {
        var circle = await Circle.Founded(database);
        await circle.Put(1, await circle.Desk.AddRecipe("Cod with curd", 2, "300 g cod fillet", "60 g feta"));
        for (var many = 0; many < 5; many++)
        {
            var (member, _) = await circle.Member("Farah");
            await member.BecomeAllergic(await EaterOf(member), "milk");
            await Circle.Share(member, circle.Group);
        }

        var dish = (await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!["dishes"]![1]!;
        var path = $"/api/groups/menus/{circle.Menu}/dishes/{dish["id"]}";
        var mend = (await circle.Desk.Get($"{path}/mends"))[0]!;
        Assert.Equal(5, mend["fitsMore"]!.GetValue<int>());
        await circle.Desk.Must(HttpMethod.Put, $"/api/recipes/{dish["recipe"]}", mend["offer"]!["asVariant"]);
        var menu = await circle.Desk.Must(HttpMethod.Put, path, new { isNewest = true });
        Assert.Equal((string?)mend["offer"]!["variantName"], (string?)menu["dishes"]![1]!["can"]![0]);
        await circle.Desk.Refused(
            HttpStatusCode.Conflict,
            "dish-gone",
            HttpMethod.Get,
            $"/api/groups/menus/{circle.Menu}/dishes/{Guid.NewGuid()}/mends"
        );
    }

    [Fact]
    public async Task What_is_not_shared_reaches_nobody_and_what_was_shared_before_is_gone()
    {
        var circle = await Circle.Founded(database);
        await circle.Put(1, await circle.Desk.AddRecipe("Celery", 2, "300 g celery"));
        var member = await Member(circle, "celery");
        var shared = await Circle.Share(member, circle.Group, allergies: false);
        Assert.Empty(shared["allergies"]!.AsArray());
        Assert.Equal("fits ?", Counts(await Check(circle), 1));
        Assert.DoesNotContain("celery", (await Check(circle)).ToJsonString(), StringComparison.OrdinalIgnoreCase);

        await Circle.Share(member, circle.Group);
        Assert.Equal("breaks ?", Counts(await Check(circle), 1));
        var mine = (await member.Get("/api/groups"))["groups"]![0]!["shared"]!;
        Assert.Equal(
            ("Vegan", "celery"),
            (mine["protocols"]![0]!.GetValue<string>(), mine["allergies"]![0]!.GetValue<string>().ToLowerInvariant())
        );
        Assert.DoesNotContain("Farah", (await Check(circle)).ToJsonString());

        await member.Must(
            HttpMethod.Put,
            $"/api/groups/{circle.Group}/share",
            new
            {
                eater = await EaterOf(member),
                protocols = false,
                allergies = false,
                portion = false,
            }
        );
        Assert.Null((await member.Get("/api/groups"))["groups"]![0]!["shared"]);
        Assert.Equal("", Counts(await Check(circle), 1));
        await Circle.Share(member, circle.Group);
        await member.Must(HttpMethod.Delete, $"/api/groups/{circle.Group}/membership");
        Assert.Equal("", Counts(await Check(circle), 1));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    public async Task Whatever_members_tick_no_answer_of_the_desk_says_anything_else_of_them(int seed)
    {
        var (drawn, circle) = (new Random(seed), await Circle.Founded(database));
        (string Class, string Line)[] dishes = [("celery", "300 g celery"), ("sesame", "60 g sesame seeds"), ("fish", "300 g cod fillet")];
        for (var day = 0; day < dishes.Length; day++)
        {
            await circle.Put(day + 1, await circle.Desk.AddRecipe($"Dish {day}", 2, dishes[day].Line));
        }

        var (told, secret) = (new HashSet<string>(), new List<string>());
        for (var many = 0; many < 4; many++)
        {
            var (member, email) = await circle.Member("Farah Quillon");
            var eater = await EaterOf(member);
            var allergies = dishes.Select(dish => dish.Class).Where(_ => drawn.Next(2) == 0).ToArray();
            await member.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "points" } });
            await member.Must(
                HttpMethod.Put,
                $"/api/table/eaters/{eater}/allowance",
                new
                {
                    protocol = "points",
                    rule = "points",
                    atLeast = (decimal?)null,
                    atMost = 37 + many,
                    clinicalTeam = false,
                }
            );
            await member.BecomeAllergic(eater, allergies);
            var isTicked = drawn.Next(2) == 0;
            await Circle.Share(member, circle.Group, protocols: drawn.Next(2) == 0, allergies: isTicked);
            told.UnionWith(isTicked ? allergies : []);
            secret.AddRange([email, $"{eater}", $"{37 + many} points", $"of {37 + many}", "Quillon", "Farah"]);
        }

        var answers = new List<string>();
        foreach (
            var path in (string[])
                [
                    "/api/groups",
                    $"/api/groups/menus/{circle.Menu}/check",
                    $"/api/groups/menus/{circle.Menu}/enclosed",
                    "/api/groups/queue",
                    "/api/groups/asked",
                    "/api/mail",
                    "/api/table",
                    "/api/recipes",
                ]
        )
        {
            answers.Add((await circle.Desk.Get(path)).ToJsonString());
        }

        Assert.All(secret, word => Assert.All(answers, answer => Assert.DoesNotContain(word, answer, StringComparison.Ordinal)));
        var check = answers[1];
        foreach (var (name, _) in dishes)
        {
            Assert.True(
                told.Contains(name) == check.Contains(name, StringComparison.OrdinalIgnoreCase),
                $"seed {seed}: {name}, told {string.Join(", ", told)}: {check}"
            );
        }
    }

    [Fact]
    public async Task A_member_is_told_when_their_table_is_other_than_what_they_share()
    {
        var circle = await Circle.Founded(database);
        var member = await Member(circle, "celery");
        await Circle.Share(member, circle.Group);
        async Task<bool> IsOutdated() => (await member.Get("/api/groups"))["groups"]![0]!["shared"]!["isOutdated"]!.GetValue<bool>();
        Assert.False(await IsOutdated());
        await member.BecomeAllergic(await EaterOf(member), "celery", "fish");
        Assert.True(await IsOutdated());
        await Circle.Share(member, circle.Group);
        Assert.False(await IsOutdated());
        // What is not shared may change as it likes.
        await Circle.Share(member, circle.Group, allergies: false);
        await member.BecomeAllergic(await EaterOf(member), "sesame");
        Assert.False(await IsOutdated());
    }

    [Fact]
    public async Task Nothing_at_the_desk_says_who_shares_what()
    {
        var circle = await Circle.Founded(database);
        await Circle.Share(await Member(circle, "celery"), circle.Group);
        // Not even its journal, read without any condition.
        var journal = await database
            .Services.GetRequiredService<Database>()
            .Read(
                new Tenant(Guid.NewGuid(), circle.Group, IsOutside: true),
                Reading.Of("select string_agg(journal::text, ' ') from journal;", null, rows => rows.ReadSingleAsync<string>())
            );
        Assert.Contains("Somebody joined", journal, StringComparison.Ordinal);
        Assert.DoesNotContain("celery", journal, StringComparison.Ordinal);
        Assert.DoesNotContain("vegan", journal, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Only_a_member_shares_and_only_of_an_eater_of_their_own()
    {
        var circle = await Circle.Founded(database);
        var stranger = await database.SignUp("Rune");
        object Of(Guid eater) =>
            new
            {
                eater,
                protocols = true,
                allergies = true,
                portion = true,
            };
        await stranger.Refused(
            HttpStatusCode.NotFound,
            "unknown-group",
            HttpMethod.Put,
            $"/api/groups/{circle.Group}/share",
            Of(await EaterOf(stranger))
        );
        var (member, _) = await circle.Member("Farah");
        await member.Refused(
            HttpStatusCode.NotFound,
            "eater-gone",
            HttpMethod.Put,
            $"/api/groups/{circle.Group}/share",
            Of(await EaterOf(stranger))
        );
        await stranger.Refused(HttpStatusCode.NotFound, "menu-gone", HttpMethod.Get, $"/api/groups/menus/{circle.Menu}/check");
    }

    [Fact]
    public async Task A_protocol_of_ones_own_counts_as_the_one_it_was_copied_from()
    {
        var circle = await Circle.Founded(database);
        var (member, _) = await circle.Member("Farah");
        var eater = await EaterOf(member);
        await member.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "vegan" } });
        await member.Must(HttpMethod.Post, "/api/table/protocols/vegan/copy", new { name = "Ours", followers = new[] { eater } });
        var shared = await Circle.Share(member, circle.Group);
        Assert.Equal("Vegan", shared["protocols"]!.AsArray().Single()!.GetValue<string>());
    }
}
