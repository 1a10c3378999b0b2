using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

public class MemberTests(TestDatabase database)
{
    private static async Task<string> Invite(Visitor host) =>
        (await host.Must(HttpMethod.Post, "/api/members/invitations"))["path"]!.GetValue<string>();

    private static async Task<JsonNode> Person(Visitor visitor) => (await visitor.Get("/api/account"))["person"]!;

    private static async Task<Visitor> Come(Visitor guest, string path)
    {
        await guest.Must(HttpMethod.Post, $"/api{path}");
        await guest.Refresh();
        return guest;
    }

    private static object Form(string path, string? household = null) =>
        new
        {
            name = "Teun Brandt",
            email = $"{Guid.NewGuid():N}@port-ansel.example",
            password = "a long enough one",
            householdName = household,
            timeZone = "Europe/Lisbon",
            join = new { household = path.Split('/')[2], secret = path.Split('/')[3] },
        };

    [Fact]
    public async Task Another_adult_comes_by_a_link_and_works_in_the_kitchen_with_their_own_beside_it()
    {
        var (host, guest) = (await database.SignUp("Odalys"), await database.SignUp("Teun"));
        await host.AddRecipe("Barley bowl");
        var path = await Invite(host);
        var look = await database.Visit().Get($"/api{path}");
        Assert.Equal(("Halvard", "Odalys"), (look["household"]!.GetValue<string>(), look["madeBy"]!.GetValue<string>()));
        await Come(guest, path);
        Assert.Contains("Barley bowl", (await guest.Get("/api/recipes")).ToJsonString());
        Assert.Equal(2, (await host.Get("/api/members"))["members"]!.AsArray().Count);
        Assert.Empty((await host.Get("/api/members"))["invitations"]!.AsArray());

        var own = (await Person(guest))["others"]!.AsArray().Single()!["id"]!.GetValue<string>();
        await guest.Must(HttpMethod.Post, "/api/account/household", new { household = own });
        await guest.Refresh();
        Assert.DoesNotContain("Barley bowl", (await guest.Get("/api/recipes")).ToJsonString());
        // It is still so on the next day, on another device.
        Assert.Single((await Person(guest))["others"]!.AsArray());
    }

    [Fact]
    public async Task Who_signs_up_by_a_link_opens_no_kitchen_of_their_own()
    {
        var host = await database.SignUp("Odalys");
        var path = await Invite(host);
        var guest = database.Visit();
        await guest.Must(HttpMethod.Post, "/api/account/sign-up", Form(path));
        await guest.Refresh();
        var person = await Person(guest);
        Assert.Equal("Halvard", person["household"]!.GetValue<string>());
        Assert.Empty(person["others"]!.AsArray());
        // The link is used up: nobody comes by it a second time, and no account is left behind.
        var late = Form(path);
        await database
            .Visit()
            .Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Post, "/api/account/sign-up", late);
        await database
            .Visit()
            .Refused(
                HttpStatusCode.UnprocessableEntity,
                "name-length",
                HttpMethod.Post,
                "/api/account/sign-up",
                new
                {
                    name = "Teun",
                    email = "x@port-ansel.example",
                    password = "a long enough one",
                    householdName = (string?)null,
                    timeZone = "UTC",
                }
            );
    }

    [Fact]
    public async Task A_link_that_was_taken_back_used_or_guessed_leads_nowhere()
    {
        var (host, guest) = (await database.SignUp(), await database.SignUp());
        var path = await Invite(host);
        var open = (await host.Get("/api/members"))["invitations"]!.AsArray().Single()!;
        Assert.InRange(open["expiresAt"]!.GetValue<DateTimeOffset>() - DateTimeOffset.UtcNow, TimeSpan.FromDays(6.9), TimeSpan.FromDays(7));
        await guest.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Post, $"/api{path}x");
        await host.Must(HttpMethod.Delete, $"/api/members/invitations/{open["id"]}");
        await guest.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Post, $"/api{path}");
        await guest.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Get, $"/api{path}");
        await host.Refused(
            HttpStatusCode.UnprocessableEntity,
            "invitation-over",
            HttpMethod.Delete,
            $"/api/members/invitations/{open["id"]}"
        );
        for (var made = 0; made < 10; made++)
        {
            await Invite(host);
        }

        await host.Refused(HttpStatusCode.UnprocessableEntity, "too-many-invitations", HttpMethod.Post, "/api/members/invitations");
    }

    [Fact]
    public async Task A_link_older_than_a_week_leads_nowhere()
    {
        var (host, guest) = (await database.SignUp(), await database.SignUp());
        var path = await Invite(host);
        await TestDatabase.Ask<object>(
            database.Owner,
            $"set row_security = on; select set_config('app.household_id', '{path.Split('/')[2]}', false); update invitation set expires_at = now() - interval '1 minute'"
        );
        await guest.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Post, $"/api{path}");
    }

    [Fact]
    public async Task Two_who_come_by_one_link_at_once_are_one()
    {
        var host = await database.SignUp();
        var guests = new[] { await database.SignUp(), await database.SignUp(), await database.SignUp() };
        var path = await Invite(host);
        var came = await Task.WhenAll(guests.Select(guest => guest.Send(HttpMethod.Post, $"/api{path}")));
        Assert.Equal(1, came.Count(answer => answer.Status == HttpStatusCode.NoContent));
        Assert.Equal(2, (await host.Get("/api/members"))["members"]!.AsArray().Count);
    }

    [Fact]
    public async Task Who_was_sent_away_is_out_at_once_whatever_the_cookie_says()
    {
        var (host, guest) = (await database.SignUp(), await database.SignUp());
        await Come(guest, await Invite(host));
        var members = (await host.Get("/api/members"))["members"]!.AsArray();
        var away = members.Single(one => !one!["isMe"]!.GetValue<bool>())!["account"]!.GetValue<string>();
        await host.Must(HttpMethod.Delete, $"/api/members/{away}");
        Assert.Equal(HttpStatusCode.Unauthorized, (await guest.Send(HttpMethod.Get, "/api/recipes")).Status);
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await guest.Send(HttpMethod.Post, "/api/table/eaters", new { name = "Nobody", isGuest = false })).Status
        );
        // The page opens their own kitchen.
        Assert.Equal("Halvard", (await Person(guest))["household"]!.GetValue<string>());
        await guest.Refresh();
        Assert.Empty((await guest.Get("/api/recipes")).AsArray());
        var last = members.Single(one => one!["isMe"]!.GetValue<bool>())!["account"]!.GetValue<string>();
        await host.Refused(HttpStatusCode.UnprocessableEntity, "last-member", HttpMethod.Delete, $"/api/members/{last}");
        await host.Refused(HttpStatusCode.UnprocessableEntity, "unknown-member", HttpMethod.Delete, $"/api/members/{away}");
    }

    [Fact]
    public async Task Who_has_no_kitchen_left_opens_one()
    {
        var host = await database.SignUp();
        var guest = database.Visit();
        await guest.Must(HttpMethod.Post, "/api/account/sign-up", Form(await Invite(host)));
        await guest.Refresh();
        var away = (await guest.Get("/api/members"))["members"]!.AsArray().Single(one => one!["isMe"]!.GetValue<bool>())!["account"];
        await guest.Must(HttpMethod.Delete, $"/api/members/{away}");
        Assert.Equal("Teun's kitchen", (await Person(guest))["household"]!.GetValue<string>());
        await guest.Refresh();
        await guest.Must(HttpMethod.Post, "/api/account/households", new { name = "The boat", timeZone = "Europe/Lisbon" });
        Assert.Equal("The boat", (await Person(guest))["household"]!.GetValue<string>());
        await guest.Refresh();
        await guest.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-household",
            HttpMethod.Post,
            "/api/account/household",
            new { household = Guid.NewGuid() }
        );
        await guest.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-time-zone",
            HttpMethod.Post,
            "/api/account/households",
            new { name = "x", timeZone = "Nowhere/Land" }
        );
    }

    [Fact]
    public async Task An_account_works_in_at_most_twenty_kitchens()
    {
        var cook = await database.SignUp();
        object Kitchen(int number) => new { name = $"Kitchen {number}", timeZone = "Europe/Lisbon" };
        for (var number = 2; number <= 20; number++)
        {
            await cook.Must(HttpMethod.Post, "/api/account/households", Kitchen(number));
            await cook.Refresh();
        }

        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "too-many-households",
            HttpMethod.Post,
            "/api/account/households",
            Kitchen(21)
        );
    }
}
