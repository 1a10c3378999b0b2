using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A recipe that takes some of another one, from the editor to the prep session.</summary>
public class RecipeUseTests(TestDatabase database)
{
    private static Task<Guid> AddBase(Visitor cook) => cook.AddRecipe("Harbour base", 8, "1000 g cod", "200 g feta");

    private static async Task<JsonNode> Line(Visitor cook, Guid recipe, int at = 0) =>
        (await cook.Get($"/api/recipes/{recipe}"))["lines"]![at]!;

    private static decimal Energy(JsonNode sheet) =>
        sheet["perPortion"]!.AsArray().Single(one => one!["key"]!.GetValue<string>() == "energy")!["value"]!["best"]!.GetValue<decimal>();

    private static object Chosen(string text, Guid recipe)
    {
        var draft = System.Text.Json.JsonSerializer.SerializeToNode(Visitor.Draft("Pie", 4, [text]))!;
        draft["lines"]![0]!["food"] = $"recipe:{recipe}";
        return draft;
    }

    [Fact]
    public async Task Numbers_of_a_dish_are_those_of_the_lines_it_takes_over()
    {
        var cook = await database.SignUp();
        var used = await AddBase(cook);
        var pie = await cook.AddRecipe("Pie", 4, "½ of Harbour base", "300 g potato");
        var plain = await cook.AddRecipe("Plain", 4, "500 g cod", "100 g feta", "300 g potato");
        Assert.Equal(Energy(await cook.Get($"/api/recipes/{plain}")), Energy(await cook.Get($"/api/recipes/{pie}")));
        var line = await Line(cook, pie);
        Assert.Equal((used, 0.5m), (line["uses"]!["id"]!.GetValue<Guid>(), line["uses"]!["batches"]!["best"]!.GetValue<decimal>()));
        Assert.Equal(("Harbour base", 600m), (line["foodName"]!.GetValue<string>(), line["grams"]!["best"]!.GetValue<decimal>()));
    }

    [Fact]
    public async Task A_dish_keeps_the_version_it_was_saved_with_until_it_is_saved_again()
    {
        var cook = await database.SignUp();
        var used = await AddBase(cook);
        var pie = await cook.AddRecipe("Pie", 4, "1 batch Harbour base");
        var before = Energy(await cook.Get($"/api/recipes/{pie}"));
        await cook.Must(HttpMethod.Put, $"/api/recipes/{used}", Visitor.Draft("Harbour base", 8, ["2000 g cod", "400 g feta"], 1));
        Assert.Equal(before, Energy(await cook.Get($"/api/recipes/{pie}")));
        Assert.True((await Line(cook, pie))["uses"]!["hasNewer"]!.GetValue<bool>());
        await cook.Must(HttpMethod.Put, $"/api/recipes/{pie}", Visitor.Draft("Pie", 4, ["1 batch Harbour base"], 1));
        Assert.Equal(2 * before, Energy(await cook.Get($"/api/recipes/{pie}")), 0);
        Assert.False((await Line(cook, pie))["uses"]!["hasNewer"]!.GetValue<bool>());
    }

    [Fact]
    public async Task A_ring_through_two_others_is_refused_by_name()
    {
        var cook = await database.SignUp();
        var used = await AddBase(cook);
        await cook.AddRecipe("Filling", 4, "½ of Harbour base");
        await cook.AddRecipe("Pasties", 4, "1 batch Filling");
        var refused = await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "recipe-ring",
            HttpMethod.Put,
            $"/api/recipes/{used}",
            Visitor.Draft("Harbour base", 8, ["1000 g cod", "2 portions pasties"], 1)
        );
        Assert.Contains("Pasties, Filling, Harbour base", refused.ToJsonString(), StringComparison.Ordinal);
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "recipe-ring",
            HttpMethod.Put,
            $"/api/recipes/{used}",
            Visitor.Draft("Harbour base", 8, ["½ of the harbour base"], 1)
        );
        // Words alone never take a dish for itself.
        await cook.Must(HttpMethod.Put, $"/api/recipes/{used}", Visitor.Draft("Harbour base", 8, ["300 g harbour base"], 1));
    }

    [Fact]
    public async Task Two_who_would_close_a_ring_from_both_ends_do_not_both_save()
    {
        for (var round = 0; round < 8; round++)
        {
            var cook = await database.SignUp();
            var (left, right) = (await cook.AddRecipe("Harbour pie", 4, "1 egg"), await cook.AddRecipe("Dock stew", 4, "1 egg"));
            var answers = await Task.WhenAll(
                cook.Send(HttpMethod.Put, $"/api/recipes/{left}", Visitor.Draft("Harbour pie", 4, ["½ of Dock stew"], 1)),
                cook.Send(HttpMethod.Put, $"/api/recipes/{right}", Visitor.Draft("Dock stew", 4, ["½ of Harbour pie"], 1))
            );
            Assert.Single(answers, answer => answer.Status == HttpStatusCode.OK);
        }
    }

    [Fact]
    public async Task More_ingredients_than_a_dish_can_have_are_refused()
    {
        var cook = await database.SignUp();
        await cook.AddRecipe("Ten", 1, [.. Enumerable.Range(1, 10).Select(grams => $"{grams} g cod")]);
        await cook.AddRecipe("Hundred", 1, [.. Enumerable.Repeat("1 batch Ten", 10)]);
        await cook.AddRecipe("Thousand", 1, [.. Enumerable.Repeat("1 batch Hundred", 10)]);
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "too-many-ingredients",
            HttpMethod.Post,
            "/api/recipes",
            Visitor.Draft("More", 1, ["1 batch Thousand", "1 egg"])
        );
    }

    [Fact]
    public async Task A_chosen_recipe_wins_over_the_words_and_goes_on_when_it_is_put_away()
    {
        var cook = await database.SignUp();
        var used = await AddBase(cook);
        var pie = (await cook.Must(HttpMethod.Post, "/api/recipes", Chosen("2 portions of what is left", used)))["id"]!.GetValue<Guid>();
        Assert.Equal(0.25m, (await Line(cook, pie))["uses"]!["batches"]!["best"]!.GetValue<decimal>());
        await cook.Must(HttpMethod.Delete, $"/api/recipes/{used}");
        var again = Chosen("3 portions of what is left", used);
        ((JsonNode)again)["basedOn"] = 1;
        await cook.Must(HttpMethod.Put, $"/api/recipes/{pie}", again);
        Assert.Equal(0.38m, (await Line(cook, pie))["uses"]!["batches"]!["best"]!.GetValue<decimal>(), 2);
        // Its name is no longer found by words.
        Assert.Null((await Line(cook, await cook.AddRecipe("Bowl", 1, "½ of Harbour base")))["uses"]);
    }

    [Fact]
    public async Task Words_go_on_meaning_a_base_that_was_renamed_or_put_away_since()
    {
        var cook = await database.SignUp();
        var used = await AddBase(cook);
        var pie = await cook.AddRecipe("Pie", 4, "½ of Harbour base", "1 onion");
        await cook.Must(HttpMethod.Put, $"/api/recipes/{used}", Visitor.Draft("Quay base", 8, ["1000 g cod"], 1));
        var draft = Visitor.Draft("Pie", 4, ["½ of Harbour base", "2 onions"], 1);
        // So it reads while it is typed, and so when it is saved; in another dish the old name means nothing.
        Assert.Equal(used, Used(await cook.Must(HttpMethod.Post, $"/api/recipes/check?recipe={pie}", draft)));
        Assert.Null(Used(await cook.Must(HttpMethod.Post, "/api/recipes/check", draft)));
        await cook.Must(HttpMethod.Put, $"/api/recipes/{pie}", draft);
        Assert.Equal(used, Used(await cook.Get($"/api/recipes/{pie}")));
        await cook.Must(HttpMethod.Delete, $"/api/recipes/{used}");
        await cook.Must(HttpMethod.Put, $"/api/recipes/{pie}", Visitor.Draft("Pie", 4, ["½ of Quay base"], 2));
        Assert.Equal(used, Used(await cook.Get($"/api/recipes/{pie}")));

        static Guid? Used(JsonNode sheet) => sheet["lines"]![0]!["uses"]?["id"]!.GetValue<Guid>();
    }

    [Fact]
    public async Task A_base_that_is_done_stays_done_when_the_first_batch_that_takes_it_goes()
    {
        var cook = await database.SignUp();
        await AddBase(cook);
        var board = await cook.MakeBatch(Week, await cook.AddRecipe("Pie", 2, "½ of Harbour base"), Day(-1), 2);
        var first = board["batches"]![0]!["id"]!.GetValue<string>();
        await cook.MakeBatch(Week, await cook.AddRecipe("Soup", 2, "½ of Harbour base"), Day(-1), 2);
        Assert.False(await IsDone());
        await Tick(true);
        Assert.True(await IsDone());
        await cook.Must(HttpMethod.Delete, $"{Week}/batches/{first}");
        Assert.True(await IsDone());
        await Tick(false);
        Assert.False(await IsDone());

        async Task<JsonNode> Task() => (await cook.Get($"{Week}/sessions"))[0]!["tasks"]![0]!;
        async Task<bool> IsDone() => (await Task())["isTicked"]!.GetValue<bool>();
        async Task Tick(bool isTicked)
        {
            var task = await Task();
            var (batchId, taskId) = (task["batchId"]!.GetValue<Guid>(), task["taskId"]!.GetValue<string>());
            await cook.Must(
                HttpMethod.Put,
                $"{Week}/sessions/tick",
                new
                {
                    batchId,
                    taskId,
                    isTicked,
                }
            );
        }
    }

    [Fact]
    public async Task A_recipe_of_another_household_is_no_food()
    {
        var (cook, other) = (await database.SignUp(), await database.SignUp());
        var theirs = await AddBase(other);
        await cook.Refused(HttpStatusCode.UnprocessableEntity, "unknown-food", HttpMethod.Post, "/api/recipes", Chosen("½ of it", theirs));
        Assert.Null((await Line(cook, await cook.AddRecipe("Pie", 4, "½ of Harbour base")))["uses"]);
    }

    [Fact]
    public async Task A_food_and_a_recipe_of_one_name_are_asked_about_and_settled_by_key()
    {
        var cook = await database.SignUp();
        var own = await cook.AddRecipe("Feta", 4, "100 g tofu");
        var line = await Line(cook, await cook.AddRecipe("Salad", 1, "50 g feta"));
        Assert.Equal(["feta", $"recipe:{own}"], line["choices"]!.AsArray().Select(choice => choice!["key"]!.GetValue<string>()));
        Assert.Null(line["grams"]);
    }

    [Fact]
    public async Task Recipes_stand_first_among_the_foods_of_a_line()
    {
        var cook = await database.SignUp();
        var used = await AddBase(cook);
        var found = (await cook.Get("/api/foods?query=harb&recipes=true")).AsArray();
        Assert.Equal(($"recipe:{used}", "Harbour base"), (found[0]!["key"]!.GetValue<string>(), found[0]!["name"]!.GetValue<string>()));
        Assert.DoesNotContain(
            (await cook.Get("/api/foods?query=harb")).AsArray(),
            food => food!["key"]!.GetValue<string>() == $"recipe:{used}"
        );
    }

    [Fact]
    public async Task The_session_cooks_it_once_and_the_shop_buys_it_once()
    {
        var cook = await database.SignUp();
        await AddBase(cook);
        var (pie, soup) = (await cook.AddRecipe("Pie", 4, "½ of Harbour base"), await cook.AddRecipe("Soup", 2, "2 portions Harbour base"));
        await cook.MakeBatch(Week, pie, Day(-1), 8);
        await cook.MakeBatch(Week, soup, Day(-1), 2);
        var shop = await cook.Get($"{Week}/shop");
        var cod = shop["aisles"]!
            .AsArray()
            .SelectMany(aisle => aisle!["items"]!.AsArray())
            .Single(item => item!["key"]!.GetValue<string>() == "cod")!;
        Assert.Equal("1.25 kg", cod["needed"]!.GetValue<string>());
        var session = (await cook.Get($"{Week}/sessions")).AsArray().Single()!;
        Assert.Equal(
            ["Harbour base is cooked once for A and B: 10 portions."],
            session["shared"]!.AsArray().Select(said => said!.GetValue<string>())
        );
        var tasks = session["tasks"]!.AsArray();
        Assert.Equal(["A+B", "A", "B"], tasks.Select(task => task!["letter"]!.GetValue<string>()));
        var shared = tasks[0]!;
        await cook.Must(
            HttpMethod.Put,
            $"{Week}/sessions/tick",
            new
            {
                batchId = shared["batchId"]!.GetValue<Guid>(),
                taskId = shared["taskId"]!.GetValue<string>(),
                isTicked = true,
            }
        );
        session = (await cook.Get($"{Week}/sessions")).AsArray().Single()!;
        Assert.Equal([true, false, false], session["tasks"]!.AsArray().Select(task => task!["isTicked"]!.GetValue<bool>()));
        Assert.Equal("cooking", session["state"]!.GetValue<string>());
    }

    [Fact]
    public async Task An_allergy_reaches_through_the_recipe_that_is_used()
    {
        var cook = await database.SignUp();
        await AddBase(cook);
        var pie = await cook.AddRecipe("Pie", 4, "½ of Harbour base", "300 g potato");
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.BecomeAllergic(eater, "fish");
        var row = (await cook.Get("/api/recipes")).AsArray().Single(recipe => recipe!["id"]!.GetValue<Guid>() == pie)!;
        Assert.Equal("breaks", row["verdicts"]![0]!["verdict"]!.GetValue<string>());
        Assert.Contains("fish", (await cook.Get($"/api/recipes/{pie}"))["allergens"]!.AsArray().Select(name => name!.GetValue<string>()));
    }
}
