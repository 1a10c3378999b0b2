using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A published menu in a member's own week.</summary>
public class IntoWeekTests(TestDatabase database)
{
    /// <summary>The week after this one: all of its sessions are to come.</summary>
    private static readonly string Next = Day(7);

    private static Task<JsonNode> Look(Visitor member, Circle circle) => member.Must(HttpMethod.Post, $"{Path(circle)}/look", Into());

    private static string Path(Circle circle) => $"/api/groups/{circle.Group}/menus/{circle.Menu}/into-week";

    private static object Into(string? week = null) => new { week = week ?? Next };

    private static int Placed(JsonNode board) => board["servings"]!.AsArray().Count(serving => serving!["items"]!.AsArray().Count > 0);

    [Fact]
    public async Task A_menu_is_looked_at_first_and_put_on_the_week_as_one_edit_with_its_recipes_at_home()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        var looked = await Look(farah, circle);
        Assert.Equal("Harbour beans", (string?)looked["toBring"]![0]);
        Assert.Equal(("Harbour beans", 1m), ((string?)looked["batches"]![0]!["name"], (decimal)looked["batches"]![0]!["portions"]!));
        Assert.Empty(looked["left"]!.AsArray());
        // Looking brings nothing.
        Assert.Empty((await farah.Get("/api/recipes")).AsArray());
        Assert.Equal(0, Placed(await farah.Get($"/api/weeks/{Next}")));

        await farah.Must(HttpMethod.Post, Path(circle), Into());
        Assert.Single((await farah.Get("/api/recipes")).AsArray());
        Assert.Equal(1, Placed(await farah.Get($"/api/weeks/{Next}")));
        await farah.Refused(HttpStatusCode.Conflict, "menu-nothing", HttpMethod.Post, Path(circle), Into());
        await farah.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(0, Placed(await farah.Get($"/api/weeks/{Next}")));
        Assert.Single((await farah.Get("/api/recipes")).AsArray());
    }

    [Fact]
    public async Task Which_version_is_on_which_week_is_said_with_what_was_corrected_since()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        async Task<JsonArray> Taken() => (await farah.Get("/api/groups/menus"))[0]!["taken"]!.AsArray();
        Assert.Empty(await Taken());
        await farah.Must(HttpMethod.Post, Path(circle), Into());
        var taken = Assert.Single(await Taken())!;
        Assert.Equal((Next, 1), ((string?)taken["week"], (int)taken["number"]!));
        Assert.Empty(taken["since"]!.AsArray());

        await circle.Put(1, circle.Recipe);
        foreach (var changed in new[] { "Beans twice", "Beans, soaked" })
        {
            await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed });
        }

        Assert.Equal(["Beans twice", "Beans, soaked"], Assert.Single(await Taken())!["since"]!.AsArray().Select(said => (string?)said));
        // Put there again it fills what is free, and is the newest.
        await farah.Must(HttpMethod.Post, Path(circle), Into());
        Assert.Equal(3, (int)Assert.Single(await Taken())!["number"]!);
        await farah.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(1, (int)Assert.Single(await Taken())!["number"]!);
        // Who leaves reads no menu any more; what was taken stays on the week.
        await farah.Must(HttpMethod.Delete, $"/api/groups/{circle.Group}/membership");
        Assert.Equal(1, Placed(await farah.Get($"/api/weeks/{Next}")));
    }

    [Fact]
    public async Task A_correction_takes_off_what_it_replaces_and_renews_the_recipe_that_was_taken_as_it_is()
    {
        var circle = await Circle.Founded(database);
        await circle.Put(1, await circle.Desk.AddRecipe("Cod", 2, "300 g cod fillet"));
        var publish = $"/api/groups/menus/{circle.Menu}/publish";
        await circle.Desk.Must(HttpMethod.Post, publish, new { changed = "Cod" });
        var (farah, _) = await circle.Member("Farah");
        await farah.Must(HttpMethod.Post, Path(circle), Into());
        Assert.Equal(2, Placed(await farah.Get($"/api/weeks/{Next}")));

        // The cod goes, and the beans are written otherwise.
        var dishes = (await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!["dishes"]!.AsArray();
        string Dish(string name) =>
            $"/api/groups/menus/{circle.Menu}/dishes/{dishes.Single(dish => (string?)dish!["name"] == name)!["id"]}";
        await circle.Desk.Must(HttpMethod.Delete, Dish("Cod"));
        await circle.Desk.ChangeRecipe(circle.Recipe, "Harbour beans", "600 g white beans, dry", "2 onions");
        await circle.Desk.Must(HttpMethod.Put, Dish("Harbour beans"), new { isNewest = true });
        await circle.Desk.Must(HttpMethod.Post, publish, new { changed = "No cod; onions in the beans" });

        var looked = await Look(farah, circle);
        Assert.Equal(["Harbour beans"], looked["toRenew"]!.AsArray().Select(name => (string?)name));
        Assert.Empty(looked["toBring"]!.AsArray());
        Assert.Equal(2, looked["off"]!.AsArray().Count);
        Assert.Contains(looked["off"]!.AsArray(), said => ((string)said!).Contains("Cod: ", StringComparison.Ordinal));
        await farah.Must(HttpMethod.Post, Path(circle), Into());
        var board = await farah.Get($"/api/weeks/{Next}");
        Assert.Equal(1, Placed(board));
        Assert.Equal("Harbour beans", (string?)Assert.Single(board["batches"]!.AsArray())!["name"]);
        var beans = (await farah.Get("/api/recipes")).AsArray().Single(one => (string?)one!["name"] == "Harbour beans")!["id"];
        Assert.Equal(2, (int)(await farah.Get($"/api/recipes/{beans}"))["number"]!);

        // One undo takes the week back; the recipe stays renewed.
        await farah.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(2, Placed(await farah.Get($"/api/weeks/{Next}")));

        // What is changed at home is the own one from then on: it is cooked, and told.
        await farah.ChangeRecipe(beans!.GetValue<Guid>(), "Harbour beans", "500 g white beans, dry", "1 onion");
        await circle.Desk.ChangeRecipe(circle.Recipe, "Harbour beans", "600 g white beans, dry", "3 onions");
        await circle.Desk.Must(HttpMethod.Put, Dish("Harbour beans"), new { isNewest = true });
        await circle.Desk.Must(HttpMethod.Post, publish, new { changed = "More onions" });
        Assert.Equal(
            "ownAndNewer",
            (string?)
                (await farah.Get("/api/groups/menus"))[0]!["recipes"]!.AsArray().Single(one => (string?)one!["name"] == "Harbour beans")![
                    "state"
                ]
        );
        looked = await Look(farah, circle);
        Assert.Equal((0, "Harbour beans"), (looked["toRenew"]!.AsArray().Count, (string?)looked["own"]![0]));
        var taken = await farah.Must(
            HttpMethod.Post,
            $"/api/groups/{circle.Group}/menus/{circle.Menu}/take",
            new { days = Array.Empty<int>() }
        );
        Assert.Equal((0, 0, 1), (taken["brought"]!.AsArray().Count, taken["renewed"]!.AsArray().Count, taken["there"]!.AsArray().Count));
    }

    [Fact]
    public async Task Two_devices_at_once_put_it_there_once()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        var answers = await Task.WhenAll(
            farah.Send(HttpMethod.Post, Path(circle), Into()),
            farah.Send(HttpMethod.Post, Path(circle), Into())
        );
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.Conflict], answers.Select(answer => answer.Status).Order());
        var board = await farah.Get($"/api/weeks/{Next}");
        Assert.Equal(1, Placed(board));
        Assert.Single(board["batches"]!.AsArray());
    }

    [Fact]
    public async Task An_allergy_leaves_its_meal_open_and_says_so()
    {
        var circle = await Circle.Founded(database);
        await circle.Put(1, await circle.Desk.AddRecipe("Cod", 2, "300 g cod fillet"));
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Cod" });
        var (farah, _) = await circle.Member("Farah");
        var eater = (await farah.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await farah.BecomeAllergic(eater, "fish");
        var sheet = await farah.Must(HttpMethod.Post, Path(circle), Into());
        Assert.Equal("Harbour beans", (string?)Assert.Single(sheet["batches"]!.AsArray())!["name"]);
        Assert.Contains("allergic", (string?)Assert.Single(sheet["left"]!.AsArray())!["because"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Who_is_no_member_has_no_such_menu_and_a_week_that_is_over_takes_nothing()
    {
        var circle = await Circle.Founded(database);
        var stranger = await database.SignUp("Ilse");
        await stranger.Refused(HttpStatusCode.NotFound, "menu-gone", HttpMethod.Post, Path(circle), Into());
        await stranger.Refused(HttpStatusCode.NotFound, "menu-gone", HttpMethod.Post, $"{Path(circle)}/look", Into());
        var (farah, _) = await circle.Member("Farah");
        await farah.Refused(HttpStatusCode.Conflict, "menu-nothing", HttpMethod.Post, Path(circle), Into(Day(-14)));
        foreach (var path in new[] { Path(circle), $"{Path(circle)}/look" })
        {
            await farah.Refused(HttpStatusCode.UnprocessableEntity, "menu-tier", HttpMethod.Post, path, new { week = Next, tier = "huge" });
        }
    }

    [Fact]
    public async Task A_meal_that_the_group_calls_otherwise_is_the_one_of_the_same_kind_at_home()
    {
        var circle = await Circle.Founded(database);
        var draft = System.Text.Json.JsonSerializer.SerializeToNode(Visitor.Draft("Quay pan", 4, ["400 g cod"]))!;
        draft["meal"] = "supper";
        await circle.Put(1, (await circle.Desk.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>());
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Quay pan" });
        var (farah, _) = await circle.Member("Farah");
        var home = (await farah.Get("/api/table/rhythm"))["meals"]!.AsArray();
        var without = home.Where(meal => (string?)meal!["key"] != "supper").Select(meal => meal!.DeepClone()).ToList();
        without.Add(
            new JsonObject
            {
                ["key"] = null,
                ["name"] = "evening meal",
                ["role"] = "supper",
                ["at"] = "19:00:00",
            }
        );
        await farah.Must(
            HttpMethod.Put,
            "/api/table/rhythm",
            new
            {
                firstDay = "sunday",
                meals = without,
                prepDays = (await farah.Get("/api/table/rhythm"))["prepDays"],
            }
        );
        await farah.Must(HttpMethod.Post, $"/api/groups/{circle.Group}/menus/{circle.Menu}/take", new { days = Array.Empty<int>() });
        var evening = (await farah.Get("/api/table/rhythm"))["meals"]!.AsArray().Single(meal => (string?)meal!["name"] == "evening meal")![
            "key"
        ]!;
        var recipe = (await farah.Get("/api/recipes")).AsArray().Single(one => (string?)one!["name"] == "Quay pan")!["id"];
        Assert.Equal((string?)evening, (string?)(await farah.Get($"/api/recipes/{recipe}"))["meal"]);
    }
}
