using System.Net;

namespace Merienda.Web.Tests;

/// <summary>Who helps at a group's desk, and what is a moderator's.</summary>
public class HelperTests(TestDatabase database)
{
    private static async Task<Guid> AccountOf(Visitor visitor, string name) =>
        (await visitor.Get("/api/members"))["members"]!.AsArray().First(one => one!["name"]!.GetValue<string>() == name)![
            "account"
        ]!.GetValue<Guid>();

    private async Task<Visitor> Helper(Circle circle, string name = "Teun")
    {
        var path = (await circle.Desk.Must(HttpMethod.Post, "/api/members/invitations"))["path"]!.GetValue<string>();
        var helper = await database.SignUp(name);
        await helper.Must(HttpMethod.Post, $"/api{path}");
        await helper.Refresh();
        return helper;
    }

    private static async Task<int> Mails(Visitor visitor) => (await visitor.Get("/api/mail"))["all"]!.GetValue<int>();

    private static object Role(bool isHelper) => new { isHelper };

    [Fact]
    public async Task A_helper_drafts_reviews_and_answers_and_publishes_nothing()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        await circle.Bring(farah);
        var helper = await Helper(circle);
        Assert.True((await helper.Get("/api/groups"))["desk"]!["isHelper"]!.GetValue<bool>());
        Assert.False((await circle.Desk.Get("/api/groups"))["desk"]!["isHelper"]!.GetValue<bool>());

        await helper.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/dishes", Circle.Dish(2, circle.Recipe));
        var brought = (await helper.Get("/api/groups/queue"))["submissions"]![0]!["id"];
        await helper.Must(HttpMethod.Post, $"/api/groups/queue/{brought}/take-up", new { name = "Quay pan" });
        var asked = (await helper.Get("/api/groups/asked"))["questions"]![0]!["id"];
        await helper.Must(
            HttpMethod.Put,
            $"/api/groups/asked/{asked}",
            new
            {
                answer = "It is",
                isPinned = true,
                isHidden = false,
            }
        );

        var link = (await circle.Desk.Get("/api/groups"))["desk"]!["links"]![0]!["id"];
        var (founder, own) = (await AccountOf(helper, "Odalys"), await AccountOf(helper, "Teun"));
        foreach (
            var (method, path, body) in new (HttpMethod, string, object?)[]
            {
                (HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Mine" }),
                (HttpMethod.Post, "/api/groups/links", new { uses = 1 }),
                (HttpMethod.Post, "/api/groups/invitations", new { list = "a@b.example" }),
                (HttpMethod.Delete, "/api/groups/invitations", null),
                (HttpMethod.Delete, $"/api/groups/links/{link}", null),
                (HttpMethod.Put, "/api/groups/help", new { help = "Mine" }),
                (HttpMethod.Post, "/api/members/invitations", null),
                (HttpMethod.Delete, $"/api/members/{founder}", null),
                (HttpMethod.Put, $"/api/members/{own}/role", Role(false)),
                (HttpMethod.Put, $"/api/members/{founder}/role", Role(true)),
            }
        )
        {
            await helper.Refused(HttpStatusCode.UnprocessableEntity, "helper-may-not", method, path, body);
        }

        // Who was asked by which address is not for helpers either.
        await circle.Desk.Must(HttpMethod.Post, "/api/groups/invitations", new { list = "a@b.example" });
        Assert.Equal((1, 0), (await Mails(circle.Desk), await Mails(helper)));

        var invited = (await circle.Desk.Must(HttpMethod.Post, "/api/members/invitations"))["path"];
        var open = (await helper.Get("/api/members"))["invitations"]![0]!["id"];
        Assert.NotNull(invited);
        await helper.Refused(HttpStatusCode.UnprocessableEntity, "helper-may-not", HttpMethod.Delete, $"/api/members/invitations/{open}");
        // Going is everybody's own.
        await helper.Must(HttpMethod.Delete, $"/api/members/{own}");
    }

    [Fact]
    public async Task A_helper_becomes_a_moderator_and_one_always_stays()
    {
        var circle = await Circle.Founded(database);
        var helper = await Helper(circle);
        var (founder, teun) = (await AccountOf(helper, "Odalys"), await AccountOf(helper, "Teun"));
        await circle.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "last-moderator",
            HttpMethod.Put,
            $"/api/members/{founder}/role",
            Role(true)
        );
        await circle.Desk.Refused(HttpStatusCode.UnprocessableEntity, "last-moderator", HttpMethod.Delete, $"/api/members/{founder}");
        await circle.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-member",
            HttpMethod.Put,
            $"/api/members/{Guid.NewGuid()}/role",
            Role(true)
        );
        await circle.Desk.Must(HttpMethod.Put, $"/api/members/{teun}/role", Role(false));
        await helper.Must(HttpMethod.Post, "/api/groups/links", new { uses = 1 });
        await helper.Must(HttpMethod.Put, $"/api/members/{founder}/role", Role(true));
        await circle.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "helper-may-not",
            HttpMethod.Post,
            $"/api/groups/menus/{circle.Menu}/publish",
            new { changed = "Mine" }
        );
    }

    [Fact]
    public async Task In_a_kitchen_nobody_is_a_helper()
    {
        var host = await database.SignUp("Ilse");
        var me = (await host.Get("/api/members"))["members"]![0]!;
        Assert.False(me["isHelper"]!.GetValue<bool>());
        await host.Refused(HttpStatusCode.Conflict, "no-desk", HttpMethod.Put, $"/api/members/{me["account"]}/role", Role(true));
        var path = (await host.Must(HttpMethod.Post, "/api/members/invitations"))["path"]!.GetValue<string>();
        var guest = await database.SignUp("Teun");
        await guest.Must(HttpMethod.Post, $"/api{path}");
        await guest.Refresh();
        await guest.Must(HttpMethod.Post, "/api/members/invitations");
    }
}
