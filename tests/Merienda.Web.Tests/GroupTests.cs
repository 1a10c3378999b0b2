using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

public class GroupTests(TestDatabase database)
{
    private static async Task<JsonNode> DeskOf(Visitor desk) => (await desk.Get("/api/groups"))["desk"]!;

    [Fact]
    public async Task Whoever_founds_a_group_works_at_its_desk_and_is_its_first_member()
    {
        var circle = await Circle.Founded(database);
        var page = await circle.Desk.Get("/api/groups");
        Assert.Equal("Supper Circle", page["groups"]!.AsArray().Single()!["name"]!.GetValue<string>());
        Assert.Equal(1, page["desk"]!["members"]!.GetValue<int>());
        var person = (await circle.Desk.Get("/api/account"))["person"]!;
        Assert.Equal(("Supper Circle", true), (person["household"]!.GetValue<string>(), person["isDesk"]!.GetValue<bool>()));
        // Their own kitchen is still there, and is no desk.
        await circle.Desk.Must(HttpMethod.Post, "/api/account/household", new { household = person["others"]![0]!["id"] });
        await circle.Desk.Refresh();
        Assert.Null((await circle.Desk.Get("/api/groups"))["desk"]);
        Assert.False((await circle.Desk.Get("/api/account"))["person"]!["isDesk"]!.GetValue<bool>());
        foreach (var (code, name) in new[] { ("name-length", ""), ("name-length", new string('x', 81)) })
        {
            await circle.Desk.Refused(
                HttpStatusCode.UnprocessableEntity,
                code,
                HttpMethod.Post,
                "/api/groups",
                new { name, timeZone = "Europe/Lisbon" }
            );
        }
    }

    [Fact]
    public async Task A_link_lets_so_many_in_and_nobody_once_it_is_used_up_withdrawn_or_old()
    {
        var circle = await Circle.Founded(database);
        var (one, other) = (await database.SignUp("Farah"), await database.SignUp("Ilse"));
        var link = await circle.Link(1);
        Assert.Equal("Supper Circle", (await database.Visit().Get($"/api{link}"))["group"]!.GetValue<string>());
        await one.Must(HttpMethod.Post, $"/api{link}");
        await other.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Post, $"/api{link}");
        await other.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Get, $"/api{link}");
        // Whoever is in takes no place a second time.
        var wide = await circle.Link(2);
        await one.Must(HttpMethod.Post, $"/api{wide}");
        await other.Must(HttpMethod.Post, $"/api{wide}");
        var desk = await DeskOf(circle.Desk);
        Assert.Equal(3, desk["members"]!.GetValue<int>());
        Assert.Equal([1, 100], desk["links"]!.AsArray().Select(open => open!["usesLeft"]!.GetValue<int>()).Order());
        // Nobody at the desk learns who came.
        Assert.DoesNotContain("Farah", desk.ToJsonString());

        var late = await database.SignUp("Rune");
        var left = desk["links"]!.AsArray().Single(open => open!["usesLeft"]!.GetValue<int>() == 1)!["id"]!.GetValue<Guid>();
        await late.Refused(HttpStatusCode.Conflict, "no-desk", HttpMethod.Post, "/api/groups/links", new { uses = 1 });
        await late.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Delete, $"/api/groups/links/{left}");
        await circle.Desk.Must(HttpMethod.Delete, $"/api/groups/links/{left}");
        await late.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Post, $"/api{wide}");
        await late.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Post, $"/api{wide}x");
        var old = await circle.Link(5);
        await TestDatabase.Ask<object>(
            database.Owner,
            $"select set_config('app.household_id', '{circle.Group}', false); update group_link set expires_at = now() - interval '1 minute' where uses_left = 5"
        );
        await late.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Post, $"/api{old}");
    }

    [Fact]
    public async Task A_desk_keeps_ten_links_open_each_for_one_to_five_thousand()
    {
        var circle = await Circle.Founded(database);
        foreach (var uses in new[] { 0, 5001 })
        {
            await circle.Desk.Refused(HttpStatusCode.UnprocessableEntity, "link-uses", HttpMethod.Post, "/api/groups/links", new { uses });
        }

        for (var link = 0; link < 9; link++)
        {
            await circle.Link(link == 0 ? 5000 : 1);
        }

        await circle.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "too-many-invitations",
            HttpMethod.Post,
            "/api/groups/links",
            new { uses = 1 }
        );
    }

    [Fact]
    public async Task Two_who_come_by_a_link_for_one_at_the_same_moment_are_one()
    {
        var circle = await Circle.Founded(database);
        var link = await circle.Link(1);
        Visitor[] both = [await database.SignUp("Farah"), await database.SignUp("Ilse")];
        var answers = await Task.WhenAll(both.Select(one => one.Send(HttpMethod.Post, $"/api{link}")));
        Assert.Equal([HttpStatusCode.NoContent, HttpStatusCode.UnprocessableEntity], answers.Select(answer => answer.Status).Order());
        Assert.Equal(2, (await DeskOf(circle.Desk))["members"]!.GetValue<int>());
    }

    [Fact]
    public async Task Who_leaves_reads_nothing_more_and_comes_again_by_a_link()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        Assert.Single((await farah.Get("/api/groups/menus")).AsArray());
        await farah.Must(HttpMethod.Delete, $"/api/groups/{circle.Group}/membership");
        Assert.Empty((await farah.Get("/api/groups/menus")).AsArray());
        Assert.Empty((await farah.Get("/api/groups"))["groups"]!.AsArray());
        await farah.Refused(HttpStatusCode.NotFound, "unknown-group", HttpMethod.Delete, $"/api/groups/{circle.Group}/membership");
        await farah.Refused(
            HttpStatusCode.NotFound,
            "menu-gone",
            HttpMethod.Post,
            $"/api/groups/{circle.Group}/menus/{circle.Menu}/take",
            new { days = Array.Empty<int>() }
        );
        await farah.Must(HttpMethod.Post, $"/api{await circle.Link(1)}");
        Assert.Single((await farah.Get("/api/groups/menus")).AsArray());
    }
}
