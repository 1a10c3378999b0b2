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
            await farah.Refused(
                HttpStatusCode.UnprocessableEntity,
                "menu-tier",
                HttpMethod.Post,
                path,
                Eating(Guid.NewGuid(), true, "huge")
            );
            await farah.Refused(
                HttpStatusCode.UnprocessableEntity,
                "unknown-meal",
                HttpMethod.Post,
                path,
                new
                {
                    week = Next,
                    answers = new { eaters = Array.Empty<object>(), meals = new[] { new { meal = "supper", slot = "tea" } } },
                }
            );
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
        await SupperIs(farah, "evening meal");
        await farah.Must(HttpMethod.Post, $"/api/groups/{circle.Group}/menus/{circle.Menu}/take", new { days = Array.Empty<int>() });
        var evening = (await farah.Get("/api/table/rhythm"))["meals"]!.AsArray().Single(meal => (string?)meal!["name"] == "evening meal")![
            "key"
        ]!;
        var recipe = (await farah.Get("/api/recipes")).AsArray().Single(one => (string?)one!["name"] == "Quay pan")!["id"];
        Assert.Equal((string?)evening, (string?)(await farah.Get($"/api/recipes/{recipe}"))["meal"]);
    }

    [Fact]
    public async Task What_it_cannot_know_is_asked_remembered_and_changed_with_what_stands_there()
    {
        var circle = await Circle.Founded(database);
        var tiers = new[] { new { name = "small", energyKcal = 1200 } };
        await circle.Desk.Must(
            HttpMethod.Put,
            $"/api/groups/menus/{circle.Menu}",
            new
            {
                name = "Harbour week",
                startsOn = Day(0),
                days = 7,
                note = "",
                tiers,
            }
        );
        var dish = (await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!["dishes"]![0]!["id"];
        await circle.Desk.Must(
            HttpMethod.Put,
            $"/api/groups/menus/{circle.Menu}/dishes/{dish}",
            new { portions = new[] { new { tier = "small", portions = 0.5 } }, variants = Array.Empty<object>() }
        );
        await circle.Put(1, await circle.Desk.AddRecipe("Quay pan", 2, "400 g cod", "2 spoons of moonfruit paste"));
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "Tiers" });
        var (farah, _) = await circle.Member("Farah");
        await farah.Must(HttpMethod.Post, "/api/table/eaters", new { name = "Dov", isGuest = false });

        var asks = (await Look(farah, circle))["asks"]!;
        Assert.Equal(["Farah", "Dov"], asks["eaters"]!.AsArray().Select(one => (string?)one!["name"]));
        Assert.Equal("Quay pan: 2 spoons of moonfruit paste", (string?)Assert.Single(asks["unread"]!.AsArray()));
        Assert.Empty(asks["meals"]!.AsArray());
        var eaters = asks["eaters"]!.AsArray().Select(one => one!["id"]!.GetValue<Guid>()).ToList();

        // Dov eats nothing of it, Farah by the tier.
        object Said(params object[] said) => new { week = Next, answers = new { eaters = said, meals = Array.Empty<object>() } };
        object[] first = [Answer(eaters[0], true, "small"), Answer(eaters[1], false, null)];
        await farah.Must(HttpMethod.Post, Path(circle), Said(first));
        Assert.Equal(2, Placed(await farah.Get($"/api/weeks/{Next}")));

        // Asked again, in this week and in another one, it is known.
        foreach (var week in new[] { Next, Day(14) })
        {
            var known = (await farah.Must(HttpMethod.Post, $"{Path(circle)}/look", Into(week)))["asks"]!["answers"]!["eaters"]!.AsArray();
            Assert.Equal(
                [(eaters[0], true, "small"), (eaters[1], false, null)],
                known.Select(one => (one!["eater"]!.GetValue<Guid>(), one["eats"]!.GetValue<bool>(), (string?)one["tier"]))
            );
        }

        // Answered otherwise, what stands there is exchanged: a portion instead of half of one, and Dov has some.
        var looked = await farah.Must(HttpMethod.Post, $"{Path(circle)}/look", Said(Answer(eaters[1], true, "small")));
        Assert.Contains("Harbour beans", (string)Assert.Single(looked["off"]!.AsArray())!, StringComparison.Ordinal);
        await farah.Must(HttpMethod.Post, Path(circle), Said(Answer(eaters[1], true, "small")));
        Assert.Equal(4, Placed(await farah.Get($"/api/weeks/{Next}")));
        await farah.Refused(HttpStatusCode.Conflict, "menu-nothing", HttpMethod.Post, Path(circle), Into());
        await farah.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(2, Placed(await farah.Get($"/api/weeks/{Next}")));
    }

    [Fact]
    public async Task A_meal_that_the_own_days_do_not_have_is_eaten_where_one_says_so()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        await SupperIs(farah, null);
        var looked = await Look(farah, circle);
        Assert.Equal("supper", (string?)Assert.Single(looked["asks"]!["meals"]!.AsArray())!["key"]);
        Assert.Equal("your days have no such meal", (string?)Assert.Single(looked["left"]!.AsArray())!["because"]);
        var lunch = looked["asks"]!["slots"]!.AsArray().Single(slot => (string?)slot!["name"] == "lunch")!["key"]!.GetValue<string>();
        await farah.Must(
            HttpMethod.Post,
            Path(circle),
            new { week = Next, answers = new { eaters = Array.Empty<object>(), meals = new[] { new { meal = "supper", slot = lunch } } } }
        );
        var board = await farah.Get($"/api/weeks/{Next}");
        Assert.Equal(
            lunch,
            (string?)board["servings"]!.AsArray().Single(serving => serving!["items"]!.AsArray().Count > 0)!["place"]!["meal"]
        );
    }

    private static object Answer(Guid eater, bool eats, string? tier) =>
        new
        {
            eater,
            eats,
            tier,
        };

    private static object Eating(Guid eater, bool eats, string? tier) =>
        new { week = Next, answers = new { eaters = new[] { Answer(eater, eats, tier) }, meals = Array.Empty<object>() } };

    /// <summary>The own days have another meal in the place of supper, or none.</summary>
    private static async Task SupperIs(Visitor cook, string? name)
    {
        var rhythm = await cook.Get("/api/table/rhythm");
        var meals = rhythm["meals"]!.AsArray().Where(meal => (string?)meal!["key"] != "supper").Select(meal => meal!.DeepClone()).ToList();
        if (name is not null)
        {
            meals.Add(
                new JsonObject
                {
                    ["key"] = null,
                    ["name"] = name,
                    ["role"] = "supper",
                    ["at"] = "19:00:00",
                }
            );
        }

        await cook.Must(
            HttpMethod.Put,
            "/api/table/rhythm",
            new
            {
                firstDay = "sunday",
                meals,
                prepDays = rhythm["prepDays"],
            }
        );
    }
}
