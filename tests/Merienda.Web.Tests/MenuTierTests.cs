using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>A menu for members who eat more or less, and for those who follow something that a dish as written does not suit.</summary>
public class MenuTierTests(TestDatabase database)
{
    private static readonly object[] Tiers = [new { name = "small", energyKcal = 1200 }, new { name = "large", energyKcal = 1600 }];

    /// <summary>A dish of oats and milk with a variant without the milk, twice on the menu's first day.</summary>
    private static async Task<(Circle Circle, string Dish)> WithOats(TestDatabase database)
    {
        var circle = await Circle.Founded(database);
        var line = Guid.NewGuid();
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft("Oats", 2, ["100 g oats", "200 ml whole milk"]))!;
        draft["lines"]![1]!["id"] = line;
        draft["variants"] = new JsonArray(
            new JsonObject
            {
                ["name"] = "Without milk",
                ["lines"] = new JsonArray(new JsonObject { ["line"] = line, ["times"] = 0 }),
                ["parts"] = new JsonArray(),
                ["added"] = new JsonArray(),
            }
        );
        var recipe = (await circle.Desk.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>();
        await circle.Desk.Must(
            HttpMethod.Put,
            $"/api/groups/menus/{circle.Menu}",
            new
            {
                name = "Tiers",
                startsOn = ThisWeek.Day(0),
                days = 7,
                tiers = Tiers,
            }
        );
        await circle.Put(0, recipe);
        var menu = await circle.Put(1, recipe);
        var dish = menu["dishes"]!.AsArray().First(one => one!["name"]!.GetValue<string>() == "Oats")!;
        Assert.Equal("Without milk", dish["can"]![0]!.GetValue<string>());
        return (circle, $"/api/groups/menus/{circle.Menu}/dishes/{dish["id"]}");
    }

    private static object Serving(decimal portions, string variant = "Without milk", string tier = "small") =>
        new { portions = new[] { new { tier, portions } }, variants = new[] { new { protocol = "vegan", variant } } };

    [Fact]
    public async Task A_variant_for_what_is_followed_is_judged_for_it_at_the_desk_and_by_the_member_on_its_day_only()
    {
        var (circle, dish) = await WithOats(database);
        await circle.Desk.Must(HttpMethod.Put, dish, Serving(0.5m));
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Oats" });
        var (farah, _) = await circle.Member("Farah");
        var eater = (await farah.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await farah.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "vegan" } });
        await Circle.Share(farah, circle.Group);

        var menu = (await farah.Get("/api/groups/menus"))[0]!;
        JsonNode On(int day) =>
            menu["dishes"]!
                .AsArray()
                .First(one =>
                    one!["day"]!.GetValue<int>() == day
                    && one["meal"]!.GetValue<string>() == "supper"
                    && one["verdicts"]!.AsArray().Count > 0
                    && menu["recipes"]![one["recipe"]!.GetValue<int>()]!["name"]!.GetValue<string>() == "Oats"
                )!;
        Assert.Equal(("Without milk", "fits"), ((string?)On(0)["verdicts"]![0]!["variant"], (string?)On(0)["verdicts"]![0]!["verdict"]));
        Assert.Equal((null, "breaks"), ((string?)On(1)["verdicts"]![0]!["variant"], (string?)On(1)["verdicts"]![0]!["verdict"]));
        Assert.Equal("Vegan", (string?)menu["follows"]![0]!["name"]);

        var check = await circle.Desk.Get($"/api/groups/menus/{circle.Menu}/check");
        var counts = check["dishes"]!
            .AsArray()
            .ToDictionary(one => one!["dish"]!.GetValue<Guid>(), one => (string?)one!["counts"]![0]!["verdict"]);
        Assert.Equal("fits", counts[Guid.Parse(dish[(dish.LastIndexOf('/') + 1)..])]);
        // Half of it for the small ones: 100 g of oats and 100 ml of milk are two portions.
        var small = check["tiers"]!.AsArray().Where(one => one!["day"]!.GetValue<int>() == 0 && (string?)one["follows"] == "").ToList();
        Assert.True(
            (decimal)small.Single(one => (string?)one!["tier"] == "small")!["energy"]!
                < (decimal)small.Single(one => (string?)one!["tier"] == "large")!["energy"]!
        );
    }

    [Fact]
    public async Task What_a_dish_and_a_menu_cannot_have_is_refused_and_a_copy_begins_again_with_all_of_it()
    {
        var (circle, dish) = await WithOats(database);
        var wrong = HttpStatusCode.UnprocessableEntity;
        await circle.Desk.Refused(wrong, "dish-portions", HttpMethod.Put, dish, Serving(0.3m));
        await circle.Desk.Refused(wrong, "menu-tier", HttpMethod.Put, dish, Serving(1, tier: "huge"));
        await circle.Desk.Refused(wrong, "unknown-variant", HttpMethod.Put, dish, Serving(1, "Without oats"));
        await circle.Desk.Refused(
            HttpStatusCode.Conflict,
            "dish-gone",
            HttpMethod.Put,
            $"/api/groups/menus/{circle.Menu}/dishes/{Guid.NewGuid()}",
            Serving(1)
        );
        await circle.Desk.Must(HttpMethod.Put, dish, Serving(0.5m));
        var copy = await circle.Desk.Must(
            HttpMethod.Post,
            $"/api/groups/menus/{circle.Menu}/again",
            new { name = "Once more", startsOn = ThisWeek.Day(7) }
        );
        Assert.Equal(("Once more", 3, 2), ((string?)copy["name"], copy["dishes"]!.AsArray().Count, copy["tiers"]!.AsArray().Count));
        Assert.Single(copy["dishes"]!.AsArray(), one => one!["variants"]!.AsArray().Count == 1 && one["portions"]!.AsArray().Count == 1);
        Assert.Empty(copy["issues"]!.AsArray());
        await circle.Desk.Refused(
            HttpStatusCode.NotFound,
            "menu-gone",
            HttpMethod.Post,
            $"/api/groups/menus/{Guid.NewGuid()}/again",
            new { name = "x", startsOn = ThisWeek.Day(7) }
        );
    }

    [Fact]
    public async Task A_changed_recipe_is_taken_as_it_is_now_and_keeps_what_was_said_of_it()
    {
        var (circle, dish) = await WithOats(database);
        await circle.Desk.Must(HttpMethod.Put, dish, Serving(0.5m));
        var menu = (await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!;
        var recipe = menu["dishes"]!.AsArray().First(one => (string?)one!["name"] == "Oats")!["recipe"]!.GetValue<Guid>();
        await circle.Desk.Must(HttpMethod.Put, $"/api/recipes/{recipe}", Visitor.Draft("Oats", 2, ["120 g oats"], basedOn: 1));
        var after = await circle.Desk.Must(HttpMethod.Put, dish, new { isNewest = true });
        var served = after["dishes"]!.AsArray().First(one => dish.EndsWith((string)one!["id"]!, StringComparison.Ordinal))!;
        Assert.False((bool)served["hasNewer"]!);
        // It has no such variant any more; the amounts of the tiers stay.
        Assert.Empty(served["variants"]!.AsArray());
        Assert.Equal(0.5m, (decimal)served["portions"]![0]!["portions"]!);
    }

    [Fact]
    public async Task A_published_menu_is_handed_out_in_every_form_to_members_only_and_the_draft_is_not()
    {
        var (circle, dish) = await WithOats(database);
        await circle.Desk.Must(HttpMethod.Put, dish, Serving(0.5m));
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Oats with milk" });
        await circle.Desk.Must(HttpMethod.Delete, dish);
        var (farah, _) = await circle.Member("Farah");
        var path = $"/api/groups/{circle.Group}/menus/{circle.Menu}/hand-out";
        foreach (
            var (form, type) in new[]
            {
                ("html", "text/html"),
                ("md", "text/markdown"),
                ("csv", "text/csv"),
                ("ics", "text/calendar"),
                ("json", "application/json"),
            }
        )
        {
            using var answer = await farah.Client.GetAsync(
                new Uri($"{path}.{form}?eaters=3", UriKind.Relative),
                TestContext.Current.CancellationToken
            );
            Assert.Equal(type, answer.Content.Headers.ContentType!.MediaType);
            Assert.Contains(
                "Oats",
                await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
                StringComparison.OrdinalIgnoreCase
            );
        }

        // Her own prep days cook it.
        Assert.Contains(
            "SUMMARY:Cook: ",
            await farah.Client.GetStringAsync(new Uri($"{path}.ics", UriKind.Relative), TestContext.Current.CancellationToken),
            StringComparison.Ordinal
        );

        using var word = await farah.Client.GetAsync(new Uri($"{path}.docx", UriKind.Relative), TestContext.Current.CancellationToken);
        Assert.Equal("Tiers.docx", word.Content.Headers.ContentDisposition!.FileName);
        var page = await farah.Client.GetStringAsync(
            new Uri($"{path}.md?eaters=3", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Contains("Corrected: Oats with milk", page, StringComparison.Ordinal);
        Assert.Contains("| 0.5 |", page, StringComparison.Ordinal);
        Assert.Contains("Without milk: Vegan", page, StringComparison.Ordinal);
        Assert.Contains("150 g oats", page, StringComparison.Ordinal);
        await farah.Refused(HttpStatusCode.UnprocessableEntity, "menu-form", HttpMethod.Get, $"{path}.exe");
        foreach (var eaters in new[] { 0, 501 })
        {
            await farah.Refused(HttpStatusCode.UnprocessableEntity, "menu-eaters", HttpMethod.Get, $"{path}.md?eaters={eaters}");
        }

        var stranger = await database.SignUp("Ilse");
        await stranger.Refused(HttpStatusCode.NotFound, "menu-gone", HttpMethod.Get, $"{path}.md");
    }
}
