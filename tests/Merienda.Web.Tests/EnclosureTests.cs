using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;
using static Merienda.Web.Tests.TypedPackets;

namespace Merienda.Web.Tests;

/// <summary>What goes with a group's menus besides recipes: protocols, packets, words, prices.</summary>
public class EnclosureTests(TestDatabase database)
{
    private static string Path(Circle circle) => $"/api/groups/{circle.Group}/enclosed";

    private static async Task<string[]> Listed(Visitor member, Circle circle) =>
        [.. (await member.Get(Path(circle))).AsArray().Select(one => $"{one!["kind"]} {one["name"]}: {one["state"]}")];

    private static Task<JsonNode> TakeOver(Visitor member, Circle circle, params (string Kind, string Name)[] things) =>
        member.Must(HttpMethod.Post, Path(circle), Asked(things));

    private static object Asked(params (string Kind, string Name)[] things) =>
        new { things = things.Select(one => new { kind = one.Kind, name = one.Name }) };

    private static readonly (string, string)[] Everything =
    [
        ("protocol", "Circle points"),
        ("packet", "Bell crackers"),
        ("word", "bell biscuit"),
        ("price", "Bell crackers, Quay"),
        ("price", "Carrot"),
    ];

    /// <summary>A desk with a packet of its own on the menu, a word for it, prices, and a protocol.</summary>
    internal static async Task<(Circle Circle, string Packet)> Equipped(TestDatabase database, object? publish = null)
    {
        var circle = await Circle.Founded(database);
        var packet = await Keep(
            circle.Desk,
            Packet("Bell crackers", "Oats, salt", values: [("energy", "400"), ("carbohydrate", "60"), ("protein", "10"), ("fat", "9")])
        );
        var draft = System.Text.Json.JsonSerializer.SerializeToNode(
            Visitor.Draft("Quay plate", 2, ["100 g bell biscuit", "200 g carrot"])
        )!;
        draft["lines"]![0]!["food"] = packet;
        var recipe = (await circle.Desk.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>();
        foreach (var (food, shop) in new[] { ("Bell crackers", "Quay"), ("Carrot", "") })
        {
            await circle.Desk.Must(
                HttpMethod.Put,
                "/api/larder/prices",
                new
                {
                    food,
                    pack = "250 g",
                    price = 1.5,
                    shop,
                }
            );
        }

        await circle.Desk.Must(
            HttpMethod.Post,
            "/api/table/protocols/points/copy",
            new { name = "Circle points", followers = Array.Empty<Guid>() }
        );
        await circle.Put(1, recipe);
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", publish ?? new { changed = "A plate" });
        return (circle, packet);
    }

    [Fact]
    public async Task They_are_told_at_the_desk_and_taken_over_in_one_edit_that_one_undo_takes_back()
    {
        var (circle, _) = await Equipped(database);
        var told = (await circle.Desk.Get($"/api/groups/menus/{circle.Menu}/enclosed")).AsArray();
        Assert.Equal(Everything, told.Select(one => ((string)one!["kind"]!, (string)one["name"]!)));
        var (farah, _) = await circle.Member("Farah");
        Assert.Equal(Everything.Select(one => $"{one.Item1} {one.Item2}: new"), await Listed(farah, circle));

        await TakeOver(farah, circle, Everything);
        Assert.Equal(Everything.Select(one => $"{one.Item1} {one.Item2}: there"), await Listed(farah, circle));
        Assert.Equal("Circle points", (string?)(await farah.Get("/api/table/protocols/own-circle-points"))["protocol"]!["name"]);
        Assert.Equal(2, (await farah.Get("/api/larder/prices"))["prices"]!.AsArray().Count);

        await farah.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(Everything.Select(one => $"{one.Item1} {one.Item2}: new"), await Listed(farah, circle));
        Assert.Empty((await farah.Get("/api/larder/prices"))["prices"]!.AsArray());
        // Somebody who has taken it back may take it over again; once somebody follows the protocol it stays.
        var (_, _, taken) = await farah.Edit(HttpMethod.Post, Path(circle), Asked(Everything), Guid.NewGuid());
        await farah.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{await Eater(farah)}/protocols",
            new { protocols = new[] { "own-circle-points-2" } }
        );
        await farah.Refused(HttpStatusCode.Conflict, "still-followed", HttpMethod.Post, "/api/undo", new { sequence = taken });
        Assert.All(await Listed(farah, circle), one => Assert.EndsWith("there", one, StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_dish_that_takes_a_packet_is_judged_by_it_once_it_is_taken_over_and_never_before()
    {
        var (circle, _) = await Equipped(database);
        var (farah, _) = await circle.Member("Farah");
        await farah.BecomeAllergic((await farah.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>(), "milk");
        async Task<string?> Verdict() =>
            (string?)
                (await farah.Get("/api/groups/menus"))[0]!["dishes"]!.AsArray().Single(dish => (int)dish!["day"]! == 1)!["verdicts"]![0]![
                    "verdict"
                ];
        Assert.Equal("cannotTell", await Verdict());
        await TakeOver(farah, circle, ("packet", "Bell crackers"));
        Assert.Equal("fits", await Verdict());
        await farah.Must(HttpMethod.Post, $"/api/groups/{circle.Group}/menus/{circle.Menu}/take", new { days = new[] { 1 } });
        var recipe = (await farah.Get("/api/recipes")).AsArray().Single(one => (string?)one!["name"] == "Quay plate")!["id"];
        var line = (await farah.Get($"/api/recipes/{recipe}"))["lines"]![0]!;
        Assert.Contains("Bell crackers", line.ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_newer_one_is_told_and_what_was_changed_at_home_stays_until_it_is_asked_for()
    {
        var (circle, packet) = await Equipped(database);
        var ((farah, _), (rune, _)) = (await circle.Member("Farah"), await circle.Member("Rune"));
        await TakeOver(farah, circle, Everything);
        await TakeOver(rune, circle, ("packet", "Bell crackers"));
        await circle.Desk.Must(
            HttpMethod.Put,
            $"/api/larder/packets/{IdOf(packet)}",
            Packet("Bell crackers", "Oats, salt, milk powder", basedOn: 1)
        );
        // Nothing is told before it is published.
        Assert.Contains("packet Bell crackers: there", await Listed(farah, circle));
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "The crackers have milk now" });
        Assert.Contains("packet Bell crackers: newer", await Listed(farah, circle));

        var key = (string)(await rune.Get("/api/larder/foods?query=bell&foodClass=&kind=packets"))["foods"]![0]!["key"]!;
        await rune.Must(HttpMethod.Put, $"/api/larder/packets/{IdOf(key)}", Packet("Bell crackers", "Oats, salt, linseed", basedOn: 1));
        Assert.Contains("packet Bell crackers: ownAndNewer", await Listed(rune, circle));
        await TakeOver(farah, circle, ("packet", "Bell crackers"));
        Assert.Contains("packet Bell crackers: there", await Listed(farah, circle));
        await farah.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Contains("packet Bell crackers: newer", await Listed(farah, circle));
    }

    [Fact]
    public async Task What_the_own_kitchen_calls_so_is_told_as_its_own_and_gets_a_version_only_when_it_is_asked_for()
    {
        var (circle, _) = await Equipped(database);
        var (farah, _) = await circle.Member("Farah");
        var mine = await Keep(farah, Packet("bell crackers", "Rye, salt"));
        Assert.Contains("packet Bell crackers: own", await Listed(farah, circle));
        await TakeOver(farah, circle, ("word", "bell biscuit"));
        // The word means the own packet of that name.
        var learnt = (await farah.Get("/api/larder/words")).ToJsonString();
        Assert.Contains(mine, learnt, StringComparison.Ordinal);
        await TakeOver(farah, circle, ("packet", "Bell crackers"));
        Assert.Contains("packet Bell crackers: there", await Listed(farah, circle));
        var changed = await farah.Must(HttpMethod.Put, $"/api/larder/packets/{IdOf(mine)}", Packet("Bell crackers", "Rye", basedOn: 2));
        Assert.NotNull(changed);
        Assert.Contains("packet Bell crackers: own", await Listed(farah, circle));
    }

    [Fact]
    public async Task What_rests_on_a_packet_that_is_not_there_and_what_no_menu_brings_is_refused_and_nothing_comes()
    {
        var (circle, _) = await Equipped(database);
        var (farah, _) = await circle.Member("Farah");
        foreach (var things in new[] { Asked(("word", "bell biscuit")), Asked(("price", "Bell crackers, Quay"), ("price", "Carrot")) })
        {
            await farah.Refused(HttpStatusCode.Conflict, "enclosed-food", HttpMethod.Post, Path(circle), things);
        }

        foreach (
            var things in new[] { Asked(), Asked(("packet", "Gone crackers")), Asked(("packet", "Bell crackers"), ("word", "Carrot")) }
        )
        {
            await farah.Refused(HttpStatusCode.Conflict, "enclosed-gone", HttpMethod.Post, Path(circle), things);
        }

        Assert.All(await Listed(farah, circle), one => Assert.EndsWith("new", one, StringComparison.Ordinal));
        // Who is no member reads nothing, and takes nothing.
        var stranger = await database.SignUp("Ilse");
        Assert.Empty(await Listed(stranger, circle));
        await stranger.Refused(HttpStatusCode.Conflict, "enclosed-gone", HttpMethod.Post, Path(circle), Asked(("packet", "Bell crackers")));
        await stranger.Refused(HttpStatusCode.NotFound, "menu-gone", HttpMethod.Get, $"/api/groups/menus/{circle.Menu}/enclosed");
        await farah.Refused(HttpStatusCode.NotFound, "menu-gone", HttpMethod.Get, $"/api/groups/menus/{circle.Menu}/enclosed");
    }

    [Fact]
    public async Task The_desk_keeps_what_it_does_not_tick_to_itself()
    {
        var (circle, _) = await Equipped(database, new { changed = "A plate", encloses = new[] { "packet" } });
        var (farah, _) = await circle.Member("Farah");
        Assert.Equal(["packet Bell crackers: new"], await Listed(farah, circle));
        Assert.DoesNotContain("Quay\"", (await farah.Get("/api/groups/menus")).ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Another_desk_gets_it_with_the_file_and_keeps_what_it_has()
    {
        var (circle, _) = await Equipped(database);
        var file = (await circle.Desk.Get($"/api/groups/{circle.Group}/menus/{circle.Menu}/hand-out.json")).ToJsonString();
        var other = await Circle.Founded(database);
        await Keep(other.Desk, Packet("Bell crackers", "Rye, salt"));
        var menu = await other.Desk.Must(HttpMethod.Post, "/api/groups/menus/read", new { file, startsOn = Day(7) });
        var told = (await other.Desk.Get($"/api/groups/menus/{menu["id"]}/enclosed")).AsArray();
        Assert.Equal(Everything, told.Select(one => ((string)one!["kind"]!, (string)one["name"]!)));
        Assert.Contains(
            "Rye, salt",
            await other.Desk.Client.GetStringAsync("/api/larder/packets.csv", TestContext.Current.CancellationToken),
            StringComparison.Ordinal
        );

        // A file whose enclosures cannot be read brings nothing.
        var third = await Circle.Founded(database);
        var broken = JsonNode.Parse(file)!;
        broken["enclosed"]!["packets"] = ((string)broken["enclosed"]!["packets"]!).Replace("EU", "Atlantis", StringComparison.Ordinal);
        await third.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "enclosed-packet",
            HttpMethod.Post,
            "/api/groups/menus/read",
            new { file = broken.ToJsonString(), startsOn = Day(7) }
        );
        var wordy = JsonNode.Parse(file)!;
        wordy["enclosed"]!["words"]![0]!["words"] = new string('x', 301);
        await third.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "enclosed-word",
            HttpMethod.Post,
            "/api/groups/menus/read",
            new { file = wordy.ToJsonString(), startsOn = Day(7) }
        );
        Assert.Single((await third.Desk.Get("/api/groups"))["desk"]!["menus"]!.AsArray());
    }

    [Fact]
    public async Task A_packet_that_a_protocol_counts_as_free_is_the_own_kitchen_s_packet_of_that_name()
    {
        var (circle, _) = await Equipped(database);
        // It is on no dish: it goes because the protocol names it.
        var free = await Keep(circle.Desk, Packet("Harbour broth", "Water, salt", values: [("energy", "4"), ("carbohydrate", "1")]));
        var document = JsonNode.Parse(
            await circle.Desk.Client.GetStringAsync("/api/table/protocols/points/export", TestContext.Current.CancellationToken)
        )!;
        document["name"] = "Broth points";
        document["scheme"]!["free"] = new JsonArray(new JsonObject { ["food"] = free });
        await circle.Desk.Must(HttpMethod.Post, "/api/table/protocols/import", new { document = document.ToJsonString() });
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Free broth" });
        var (farah, _) = await circle.Member("Farah");
        await farah.Refused(HttpStatusCode.Conflict, "enclosed-food", HttpMethod.Post, Path(circle), Asked(("protocol", "Broth points")));
        await TakeOver(farah, circle, ("protocol", "Broth points"), ("packet", "Harbour broth"));
        var listed = await Listed(farah, circle);
        Assert.Contains("protocol Broth points: there", listed);
        Assert.Contains("packet Harbour broth: there", listed);
        var taken = (await farah.Get("/api/table/protocols/own-broth-points"))["document"]!.GetValue<string>();
        var own = (string?)JsonNode.Parse(taken)!["scheme"]!["free"]![0]!["food"];
        Assert.NotEqual(free, own);
        Assert.Equal("Harbour broth", (string?)(await farah.Get($"/api/larder/foods/{own}"))["name"]);
    }
}
