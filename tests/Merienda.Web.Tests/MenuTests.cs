using System.Net;
using System.Text.Json.Nodes;
using Merienda.Storage;
using Microsoft.Extensions.DependencyInjection;

namespace Merienda.Web.Tests;

public class MenuTests(TestDatabase database)
{
    private static async Task<JsonNode> Only(Visitor member) => (await member.Get("/api/groups/menus")).AsArray().Single()!;

    private static Task<JsonNode> Publish(Circle circle, string changed) =>
        circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed });

    private static Task<JsonNode> Take(Visitor member, Circle circle, params int[] days) =>
        member.Must(HttpMethod.Post, $"/api/groups/{circle.Group}/menus/{circle.Menu}/take", new { days });

    private static string[] Names(JsonNode list) => [.. list.AsArray().Select(name => name!.GetValue<string>())];

    [Fact]
    public async Task A_member_reads_what_was_published_and_not_what_is_drafted_since()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        await circle.Put(1, await circle.Desk.AddRecipe("Swede soup", 4, "1 kg swede"));
        var menu = await Only(farah);
        Assert.Equal(["Harbour beans"], menu["recipes"]!.AsArray().Select(recipe => recipe!["name"]!.GetValue<string>()));
        Assert.Equal(
            ("Supper Circle", "Harbour week", 1),
            (menu["groupName"]!.GetValue<string>(), menu["name"]!.GetValue<string>(), menu["number"]!.GetValue<int>())
        );
        Assert.Equal("Cook on Saturday", menu["note"]!.GetValue<string>());
        Assert.Single(menu["dishes"]!.AsArray());
        Assert.Equal("new", (string?)menu["recipes"]![0]!["state"]);
    }

    [Fact]
    public async Task What_the_desk_notes_for_itself_goes_out_with_nothing()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        await circle.Desk.Must(
            HttpMethod.Put,
            $"/api/groups/menus/{circle.Menu}",
            new
            {
                name = "Harbour week",
                startsOn = ThisWeek.Day(0),
                days = 7,
                note = "Cook on Saturday",
                deskNote = "Hake is dear",
            }
        );
        Assert.Equal("Hake is dear", (string?)(await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!["deskNote"]);
        await Publish(circle, "A note");
        foreach (
            var path in (string[])["/api/groups/menus", $"/api/groups/{circle.Group}/menus/{circle.Menu}/hand-out.json", "/api/groups"]
        )
        {
            Assert.DoesNotContain("Hake", (await farah.Get(path)).ToJsonString(), StringComparison.Ordinal);
        }

        await circle.Desk.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("", (string?)(await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!["deskNote"]);
    }

    [Fact]
    public async Task A_correction_is_a_new_version_that_says_what_changed_and_the_first_one_stays_as_it_was()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        await circle.Put(1, await circle.Desk.AddRecipe("Swede soup", 4, "1 kg swede"));
        foreach (var changed in new[] { " ", new string('x', 501) })
        {
            await circle.Desk.Refused(
                HttpStatusCode.UnprocessableEntity,
                "menu-changed",
                HttpMethod.Post,
                $"/api/groups/menus/{circle.Menu}/publish",
                new { changed }
            );
        }

        var sheet = await Publish(circle, "Swede soup on the second day");
        Assert.Equal([2, 1], sheet["issues"]!.AsArray().Select(issue => issue!["number"]!.GetValue<int>()));
        var menu = await Only(farah);
        Assert.Equal((2, "Swede soup on the second day"), (menu["number"]!.GetValue<int>(), menu["changed"]!.GetValue<string>()));
        Assert.Equal(2, menu["dishes"]!.AsArray().Count);
        var first = await database
            .Services.GetRequiredService<Database>()
            .Read(
                new Tenant(Guid.NewGuid(), circle.Group, IsOutside: true),
                Reading.Of("select content::text from menu_version where number = 1;", null, rows => rows.ReadSingleAsync<string>())
            );
        Assert.Contains("Harbour beans", first, StringComparison.Ordinal);
        Assert.DoesNotContain("Swede", first, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_helpers_who_publish_at_once_make_one_version_and_the_other_hears_of_it()
    {
        var circle = await Circle.Founded(database);
        var draft = (await circle.Desk.Must(HttpMethod.Post, "/api/groups/menus", Circle.Drafted("Next week")))["id"]!.GetValue<Guid>();
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{draft}/dishes", Circle.Dish(0, circle.Recipe));
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 2)
                .Select(_ => circle.Desk.Send(HttpMethod.Post, $"/api/groups/menus/{draft}/publish", new { changed = "" }))
        );
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.UnprocessableEntity], answers.Select(answer => answer.Status).Order());
    }

    [Fact]
    public async Task The_recipes_of_a_day_come_home_once_with_what_they_use_and_go_with_one_undo()
    {
        var circle = await Circle.Founded(database);
        await circle.Desk.AddRecipe("Green sauce", 4, "1 bunch parsley", "4 tbsp olive oil");
        await circle.Put(1, await circle.Desk.AddRecipe("Cod with sauce", 2, "300 g cod fillet", "2 portions Green sauce"));
        await Publish(circle, "Cod");
        var (farah, _) = await circle.Member("Farah");
        var menu = await Only(farah);
        Assert.Equal(3, menu["recipes"]!.AsArray().Count);
        Assert.Equal(2, menu["recipes"]!.AsArray().Count(recipe => recipe!["isOnMenu"]!.GetValue<bool>()));

        var taken = await Take(farah, circle, 1);
        Assert.Equal(["Cod with sauce", "Green sauce"], Names(taken["brought"]!).Order());
        var home = (await farah.Get("/api/recipes")).ToJsonString();
        Assert.Contains("Cod with sauce", home);
        Assert.DoesNotContain("Harbour beans", home);
        taken = await Take(farah, circle);
        Assert.Equal(["Harbour beans"], Names(taken["brought"]!));
        Assert.Equal(2, Names(taken["there"]!).Length);
        Assert.Empty(Names((await Take(farah, circle))["brought"]!));
        await farah.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.DoesNotContain("Harbour beans", (await farah.Get("/api/recipes")).ToJsonString());
    }

    [Fact]
    public async Task Taken_home_on_two_devices_at_once_a_recipe_comes_once()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        await Task.WhenAll(Take(farah, circle), Take(farah, circle));
        Assert.Single((await farah.Get("/api/recipes")).AsArray());
    }

    [Fact]
    public async Task What_a_dish_is_for_an_eater_is_the_same_on_the_menu_and_at_home()
    {
        var circle = await Circle.Founded(database);
        foreach (var (name, line) in new[] { ("Cod", "300 g cod fillet"), ("Doubt", "200 g moonfruit"), ("Swede", "1 kg swede") })
        {
            await circle.Put(1, await circle.Desk.AddRecipe(name, 2, line));
        }

        await Publish(circle, "Three more");
        var (farah, _) = await circle.Member("Farah");
        var eater = (await farah.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await farah.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "vegan" } });
        await farah.BecomeAllergic(eater, "fish");
        var menu = await Only(farah);
        var onMenu = menu["dishes"]!
            .AsArray()
            .ToDictionary(
                dish => menu["recipes"]![dish!["recipe"]!.GetValue<int>()]!["name"]!.GetValue<string>(),
                dish => dish!["verdicts"]![0]!["verdict"]!.GetValue<string>()
            );
        Assert.Equal(("breaks", "cannotTell", "fits"), (onMenu["Cod"], onMenu["Doubt"], onMenu["Swede"]));
        await Take(farah, circle);
        foreach (var row in (await farah.Get("/api/recipes/library"))["rows"]!.AsArray())
        {
            Assert.Equal(onMenu[row!["name"]!.GetValue<string>()], row["verdicts"]![0]!["verdict"]!.GetValue<string>());
        }
    }

    [Fact]
    public async Task A_dish_that_was_put_away_or_changed_stays_as_it_was_put_on_the_menu()
    {
        var circle = await Circle.Founded(database);
        await circle.Desk.Must(
            HttpMethod.Put,
            $"/api/recipes/{circle.Recipe}",
            Visitor.Draft("Harbour beans", 2, ["1 tin white beans, drained"], basedOn: 1)
        );
        var desk = (await circle.Desk.Get("/api/groups"))["desk"]!;
        Assert.True(desk["menus"]![0]!["dishes"]![0]!["hasNewer"]!.GetValue<bool>());
        await circle.Desk.Must(HttpMethod.Delete, $"/api/recipes/{circle.Recipe}");
        var sheet = await Publish(circle, "Nothing but a test");
        Assert.Equal("Harbour beans", sheet["dishes"]![0]!["name"]!.GetValue<string>());
        var (farah, _) = await circle.Member("Farah");
        await Take(farah, circle);
        Assert.Contains("Harbour beans", (await farah.Get("/api/recipes")).ToJsonString());
    }

    [Fact]
    public async Task What_cannot_be_is_refused_and_the_menu_stays()
    {
        var circle = await Circle.Founded(database);
        var menu = $"/api/groups/menus/{circle.Menu}";
        var dishes = (await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!["dishes"]!.AsArray();
        var wrong = HttpStatusCode.UnprocessableEntity;
        await circle.Desk.Refused(wrong, "menu-days", HttpMethod.Post, $"{menu}/dishes", Circle.Dish(7, circle.Recipe));
        await circle.Desk.Refused(wrong, "unknown-meal", HttpMethod.Post, $"{menu}/dishes", Circle.Dish(0, circle.Recipe, "tea"));
        await circle.Desk.Refused(
            HttpStatusCode.NotFound,
            "recipe-gone",
            HttpMethod.Post,
            $"{menu}/dishes",
            Circle.Dish(0, Guid.NewGuid())
        );
        var away = await circle.Desk.AddRecipe("Put away");
        await circle.Desk.Must(HttpMethod.Delete, $"/api/recipes/{away}");
        await circle.Desk.Refused(HttpStatusCode.NotFound, "recipe-gone", HttpMethod.Post, $"{menu}/dishes", Circle.Dish(0, away));
        await circle.Desk.Refused(HttpStatusCode.Conflict, "dish-gone", HttpMethod.Delete, $"{menu}/dishes/{Guid.NewGuid()}");
        await circle.Desk.Refused(
            HttpStatusCode.NotFound,
            "menu-gone",
            HttpMethod.Put,
            $"/api/groups/menus/{Guid.NewGuid()}",
            Circle.Drafted()
        );
        await circle.Desk.Refused(
            wrong,
            "menu-note",
            HttpMethod.Put,
            menu,
            new
            {
                name = "x",
                startsOn = "2026-11-29",
                days = 7,
                note = new string('x', 2001),
            }
        );
        for (var dish = dishes.Count; dish < 6; dish++)
        {
            await circle.Put(0, circle.Recipe);
        }

        await circle.Desk.Refused(HttpStatusCode.Conflict, "menu-full", HttpMethod.Post, $"{menu}/dishes", Circle.Dish(0, circle.Recipe));
        var empty = (await circle.Desk.Must(HttpMethod.Post, "/api/groups/menus", Circle.Drafted("Empty")))["id"]!.GetValue<Guid>();
        await circle.Desk.Refused(
            HttpStatusCode.Conflict,
            "menu-empty",
            HttpMethod.Post,
            $"/api/groups/menus/{empty}/publish",
            new { changed = "" }
        );
        await TestDatabase.Ask<object>(
            database.Owner,
            $"select set_config('app.household_id', '{circle.Group}', false); insert into menu select '{circle.Group}', gen_random_uuid(), 'x', current_date, 7, '', '[]' from generate_series(1, 198)"
        );
        await circle.Desk.Refused(HttpStatusCode.Conflict, "too-many-menus", HttpMethod.Post, "/api/groups/menus", Circle.Drafted("x"));
    }

    [Fact]
    public async Task A_kitchen_is_no_desk_and_a_dish_is_taken_off_and_put_back()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        await farah.Refused(HttpStatusCode.Conflict, "no-desk", HttpMethod.Post, "/api/groups/menus", Circle.Drafted());
        await farah.Refused(
            HttpStatusCode.Conflict,
            "no-desk",
            HttpMethod.Post,
            $"/api/groups/menus/{circle.Menu}/publish",
            new { changed = "" }
        );
        var dish = (await circle.Put(3, circle.Recipe))["dishes"]!.AsArray().Last()!["id"]!.GetValue<Guid>();
        var off = await circle.Desk.Must(HttpMethod.Delete, $"/api/groups/menus/{circle.Menu}/dishes/{dish}");
        Assert.Single(off["dishes"]!.AsArray());
        await circle.Desk.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(2, (await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!["dishes"]!.AsArray().Count);
    }
}
