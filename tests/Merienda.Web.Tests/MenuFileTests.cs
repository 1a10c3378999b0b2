using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A menu that one desk handed out as our own JSON and another reads in.</summary>
public class MenuFileTests(TestDatabase database)
{
    private static object File(string file) => new { file, startsOn = Day(7) };

    private static async Task<string> HandedOut(Circle circle) =>
        (await circle.Desk.Get($"/api/groups/{circle.Group}/menus/{circle.Menu}/hand-out.json")).ToJsonString();

    private static string Told(JsonNode menu) =>
        string.Join(
            '\n',
            menu["dishes"]!
                .AsArray()
                .Select(dish =>
                    $"{dish!["day"]} {dish["meal"]} {dish["name"]} {dish["portions"]!.ToJsonString()} {dish["variants"]!.ToJsonString()}"
                )
                .Order()
        );

    [Fact]
    public async Task It_is_a_draft_there_with_its_tiers_recipes_and_what_they_use_and_goes_out_again_the_same()
    {
        var circle = await Circle.Founded(database);
        await circle.Desk.AddRecipe("Quay sauce", 4, "200 ml double cream");
        await circle.Put(3, await circle.Desk.AddRecipe("Quay pan", 2, "300 g cod fillet", "1 portion Quay sauce"));
        var tiers = new[] { new { name = "small", energyKcal = 1200 }, new { name = "large", energyKcal = 1600 } };
        await circle.Desk.Must(
            HttpMethod.Put,
            $"/api/groups/menus/{circle.Menu}",
            new
            {
                name = "Harbour week",
                startsOn = Day(0),
                days = 7,
                note = "Cook on Saturday",
                tiers,
            }
        );
        var dish = (await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!["dishes"]![0]!["id"];
        await circle.Desk.Must(
            HttpMethod.Put,
            $"/api/groups/menus/{circle.Menu}/dishes/{dish}",
            new { portions = new[] { new { tier = "small", portions = 0.5 } }, variants = Array.Empty<object>() }
        );
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Tiers" });
        var file = await HandedOut(circle);

        var other = await Circle.Founded(database);
        var menu = await other.Desk.Must(HttpMethod.Post, "/api/groups/menus/read", File(file));
        Assert.Equal(
            ("Harbour week", Day(7), "Cook on Saturday"),
            ((string?)menu["name"], (string?)menu["startsOn"], (string?)menu["note"])
        );
        Assert.Equal(["small", "large"], menu["tiers"]!.AsArray().Select(tier => (string?)tier!["name"]));
        Assert.Equal(Told((await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!), Told(menu));
        Assert.Equal(
            ["Harbour beans", "Quay pan", "Quay sauce"],
            (await other.Desk.Get("/api/recipes")).AsArray().Select(one => (string?)one!["name"]).Order()
        );

        await other.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{menu["id"]}/publish", new { changed = "" });
        var again = await other.Desk.Must(
            HttpMethod.Post,
            "/api/groups/menus/read",
            File((await other.Desk.Get($"/api/groups/{other.Group}/menus/{menu["id"]}/hand-out.json")).ToJsonString())
        );
        Assert.Equal(Told(menu), Told(again));
        await other.Desk.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(2, (await other.Desk.Get("/api/groups"))["desk"]!["menus"]!.AsArray().Count);
    }

    [Fact]
    public async Task What_is_no_menu_is_refused_with_what_is_wrong_and_nothing_comes_in()
    {
        var circle = await Circle.Founded(database);
        var file = await HandedOut(circle);
        var lost = JsonNode.Parse(file)!;
        lost["dishes"]![0]!["recipe"] = 7;
        var odd = JsonNode.Parse(file)!;
        odd["days"] = 99;
        var other = await Circle.Founded(database);
        foreach (var wrong in new[] { "", "no JSON", "{}", "null", "[]", file[..(file.Length / 2)], lost.ToJsonString() })
        {
            await other.Desk.Refused(
                HttpStatusCode.UnprocessableEntity,
                "menu-file",
                HttpMethod.Post,
                "/api/groups/menus/read",
                File(wrong)
            );
        }

        await other.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "menu-days",
            HttpMethod.Post,
            "/api/groups/menus/read",
            File(odd.ToJsonString())
        );
        Assert.Single((await other.Desk.Get("/api/groups"))["desk"]!["menus"]!.AsArray());
        var (farah, _) = await circle.Member("Farah");
        await farah.Refused(HttpStatusCode.Conflict, "no-desk", HttpMethod.Post, "/api/groups/menus/read", File(file));
    }
}
