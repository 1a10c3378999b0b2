using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using Merienda.Web.Mail;
using Microsoft.Extensions.DependencyInjection;

namespace Merienda.Web.Tests;

public class MailTests(TestDatabase database)
{
    private const string Invitations = "/api/groups/invitations";

    private static Task<JsonNode> Invite(Visitor desk, string list) => desk.Must(HttpMethod.Post, Invitations, new { list });

    private static async Task<IReadOnlyList<JsonNode>> Mails(Visitor visitor) =>
        [.. (await visitor.Get("/api/mail"))["mails"]!.AsArray().Select(mail => mail!)];

    private static async Task<int> Invited(Visitor desk) => (await desk.Get("/api/groups"))["desk"]!["invited"]!.GetValue<int>();

    private Task<int> Round(double hours) =>
        database
            .Services.GetRequiredService<DigestRound>()
            .Go(DateTimeOffset.UtcNow.AddHours(hours), TestContext.Current.CancellationToken);

    [Fact]
    public async Task Each_address_of_a_list_gets_a_mail_with_a_link_that_leads_in_once()
    {
        var circle = await Circle.Founded(database);
        var done = await Invite(circle.Desk, "Name,E-mail\nIlse,ilse@b.example\nRune <rune@b.example>\nILSE@b.example\nnobody\nkwab@b");
        Assert.Equal(
            (2, 0, 1, 2),
            (
                done["invited"]!.GetValue<int>(),
                done["waiting"]!.GetValue<int>(),
                done["doubles"]!.GetValue<int>(),
                done["allBad"]!.GetValue<int>()
            )
        );
        Assert.Equal([5, 6], done["bad"]!.AsArray().Select(bad => bad!["row"]!.GetValue<int>()));
        var mails = await Mails(circle.Desk);
        Assert.Equal(["ilse@b.example", "rune@b.example"], mails.Select(mail => mail["address"]!.GetValue<string>()).Order());
        Assert.All(mails, mail => Assert.Equal("Supper Circle: you are asked to join", mail["subject"]!.GetValue<string>()));
        var path = mails[0]["path"]!.GetValue<string>();
        Assert.NotEqual(path, mails[1]["path"]!.GetValue<string>());

        var (one, other) = (await database.SignUp("Ilse"), await database.SignUp("Other"));
        await one.Must(HttpMethod.Post, $"/api{path}");
        await other.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Post, $"/api{path}");
        Assert.Equal(1, await Invited(circle.Desk));
        // What the desk sends is read by nobody else; what the table holds cannot be used.
        Assert.Empty(await Mails(one));
        Assert.Empty(await Mails(other));
        Assert.DoesNotContain(
            path[^12..],
            await TestDatabase.Ask<string>(
                database.Owner,
                $"select set_config('app.household_id', '{circle.Group}', false); select string_agg(mail::text, '') from mail"
            )
        );
        // It is no link that is handed round.
        Assert.Single((await circle.Desk.Get("/api/groups"))["desk"]!["links"]!.AsArray());
    }

    [Fact]
    public async Task Who_waits_is_not_asked_again_who_came_and_left_is_and_undo_takes_links_and_mails_back()
    {
        var circle = await Circle.Founded(database);
        await Invite(circle.Desk, "ilse@b.example");
        var (_, again, sequence) = await circle.Desk.Edit(
            HttpMethod.Post,
            Invitations,
            new { list = "ilse@b.example, rune@b.example" },
            null
        );
        Assert.Equal((1, 1), (again!["invited"]!.GetValue<int>(), again["waiting"]!.GetValue<int>()));
        await circle.Desk.Must(HttpMethod.Post, "/api/undo", new { sequence });
        var left = Assert.Single(await Mails(circle.Desk));
        Assert.Equal(("ilse@b.example", 1), (left["address"]!.GetValue<string>(), await Invited(circle.Desk)));

        var ilse = await database.SignUp("Ilse");
        await ilse.Must(HttpMethod.Post, $"/api{left["path"]!.GetValue<string>()}");
        await ilse.Must(HttpMethod.Delete, $"/api/groups/{circle.Group}/membership");
        Assert.Equal(1, (await Invite(circle.Desk, "ilse@b.example"))["invited"]!.GetValue<int>());
        await circle.Desk.Must(HttpMethod.Delete, Invitations);
        Assert.Equal(0, await Invited(circle.Desk));
        var path = (await Mails(circle.Desk))[0]["path"]!.GetValue<string>();
        await ilse.Refused(HttpStatusCode.UnprocessableEntity, "invitation-over", HttpMethod.Post, $"/api{path}");
    }

    [Fact]
    public async Task Five_thousand_with_a_hundred_bad_ones_are_asked_at_once()
    {
        var circle = await Circle.Founded(database);
        var rows = Enumerable
            .Range(0, 5000)
            .Select(at => $"m{at.ToString(CultureInfo.InvariantCulture)}@{(at % 50 == 0 ? "b" : "b.example")}");
        var done = await Invite(circle.Desk, string.Join('\n', rows));
        Assert.Equal((4900, 100), (done["invited"]!.GetValue<int>(), done["allBad"]!.GetValue<int>()));
        var outbox = await circle.Desk.Get("/api/mail");
        Assert.Equal((4900, 100), (outbox["all"]!.GetValue<int>(), outbox["mails"]!.AsArray().Count));
        Assert.Equal(4900, await Invited(circle.Desk));
    }

    [Fact]
    public async Task A_list_without_an_address_and_a_kitchen_are_refused()
    {
        var circle = await Circle.Founded(database);
        await circle.Desk.Refused(HttpStatusCode.UnprocessableEntity, "address-list", HttpMethod.Post, Invitations, new { list = "Ilse" });
        var (farah, _) = await circle.Member("Farah");
        await farah.Refused(HttpStatusCode.Conflict, "no-desk", HttpMethod.Post, Invitations, new { list = "a@b.example" });
        await farah.Refused(HttpStatusCode.Conflict, "no-desk", HttpMethod.Delete, Invitations);
    }

    [Fact]
    public async Task What_is_new_comes_in_one_mail_a_day_to_the_member_alone_and_ends_by_its_link()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        await circle.Bring(farah);
        Assert.Empty(await Mails(farah));
        await Round(25);
        // A day later nobody has said anything.
        Assert.Empty(await Mails(farah));

        var question = (await circle.Desk.Get("/api/groups/asked"))["questions"]![0]!["id"];
        await circle.Desk.Must(
            HttpMethod.Put,
            $"/api/groups/asked/{question}",
            new
            {
                answer = "It is, at 74 °C.",
                isPinned = false,
                isHidden = false,
            }
        );
        var brought = (await circle.Desk.Get("/api/groups/queue"))["submissions"]![0]!["id"];
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/queue/{brought}/ask-back", new { reply = "How much stock?" });
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Beans are soaked." });
        await Round(0.5);
        Assert.Empty(await Mails(farah));
        await Round(25);
        await Round(26);
        var mail = Assert.Single(await Mails(farah));
        Assert.Equal("New at Supper Circle", mail["subject"]!.GetValue<string>());
        var body = mail["before"]!.GetValue<string>();
        Assert.Contains("The menu “Harbour week” was corrected: Beans are soaked.", body, StringComparison.Ordinal);
        Assert.Contains("You asked: “Is it done?” The answer: It is, at 74 °C.", body, StringComparison.Ordinal);
        Assert.Contains("“Quay pan”: the desk asks: How much stock?", body, StringComparison.Ordinal);
        Assert.Empty(await Mails(circle.Desk));

        // It was told once; what is new after it is told on another day, unless mail is off.
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Salt." });
        var path = mail["path"]!.GetValue<string>();
        Assert.StartsWith("/no-mail/", path, StringComparison.Ordinal);
        var stranger = database.Visit();
        await stranger.Refresh();
        await stranger.Must(HttpMethod.Post, "/api/mail/end", new { token = path["/no-mail/".Length..] });
        await stranger.Refused(
            HttpStatusCode.UnprocessableEntity,
            "mail-link-unknown",
            HttpMethod.Post,
            "/api/mail/end",
            new { token = "x" }
        );
        Assert.True((await farah.Get("/api/mail"))["isOff"]!.GetValue<bool>());
        await Round(50);
        Assert.Single(await Mails(farah));
        await farah.Must(HttpMethod.Put, "/api/mail/digest", new { isOff = false });
        Assert.False((await farah.Get("/api/mail"))["isOff"]!.GetValue<bool>());
    }

    [Fact]
    public async Task What_is_new_with_a_menu_stands_in_the_day_s_mail_once()
    {
        var (circle, packet) = await EnclosureTests.Equipped(database);
        var (farah, _) = await circle.Member("Farah");
        Task Publish(string changed) => circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed });

        await circle.Desk.Must(
            HttpMethod.Put,
            $"/api/larder/packets/{TypedPackets.IdOf(packet)}",
            TypedPackets.Packet("Bell crackers", "Oats, salt, milk powder", basedOn: 1)
        );
        await Publish("Other crackers");
        // Who came after that hears only of what is new since.
        var (rune, _) = await circle.Member("Rune");
        await Publish("Salt");
        await Round(25);
        // Of all that goes with it the packet alone is another one.
        Assert.Contains("New with it, to take over: Bell crackers.", Told(Assert.Single(await Mails(farah))), StringComparison.Ordinal);
        Assert.DoesNotContain("New with it", Told(Assert.Single(await Mails(rune))), StringComparison.Ordinal);

        static string Told(JsonNode mail) => mail["before"]!.GetValue<string>();
    }
}
