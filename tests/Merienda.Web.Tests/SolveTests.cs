using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.FollowedProtocols;
using static Merienda.Web.Tests.Solved;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A week is filled and mended by a search, looked at before it is taken, and taken as one edit.</summary>
public class SolveTests(TestDatabase database)
{
    private static readonly (string, string)[] Three =
    [
        ("Cod", "600 g cod"),
        ("Beef", "600 g beef shin"),
        ("Lentils", "400 g red lentils"),
    ];

    private static object Place(MealKitchen.Kitchen kitchen, int day) => kitchen.At(day);

    private static Task<JsonNode> Board(Visitor cook, params object[] without) =>
        cook.Must(HttpMethod.Post, $"{NextWeek}/solve/board", new { without });

    private static int Placed(JsonNode board) => board["servings"]!.AsArray().Count(serving => serving!["items"]!.AsArray().Count > 0);

    private static object Taking(JsonNode page, params object[] without) => new { jobId = page["jobId"], without };

    private static string Says(JsonNode page, string goal) =>
        page["levels"]!.AsArray().Single(level => level!["goal"]!.GetValue<string>() == goal)!["says"]!.GetValue<string>();

    [Fact]
    public async Task Open_meals_are_proposed_and_nothing_changes_before_they_are_taken_as_one_edit()
    {
        var kitchen = await database.EatsSupper(Three);
        var cook = kitchen.Cook;
        var page = await cook.Solve("fill");
        Assert.Equal(("Every meal is covered", 7), (Says(page, "covered"), page["meals"]!.GetValue<int>()));
        Assert.Equal("proven", page["levels"]![0]!["sure"]!.GetValue<string>());

        Assert.Equal(0, Placed(await cook.Get(NextWeek)));
        var proposed = await Board(cook);
        Assert.Equal(7, Placed(proposed["board"]!));
        Assert.Equal(
            proposed["board"]!["batches"]!.AsArray().Select(batch => batch!["id"]!.GetValue<Guid>()),
            proposed["newBatches"]!.AsArray().Select(id => id!.GetValue<Guid>())
        );
        // Drawn again it is the same, down to its ids.
        Assert.Equal(proposed.ToJsonString(), (await Board(cook)).ToJsonString());

        var board = await cook.Must(HttpMethod.Post, $"{NextWeek}/solve/take", Taking(page));
        Assert.Equal(7, Placed(board));
        Assert.Equal("Filled 7 meals", board["undo"]!["summary"]!.GetValue<string>());
        Assert.Null((await cook.Get($"{NextWeek}/solve"))["jobId"]);
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        var undone = await cook.Get(NextWeek);
        Assert.Equal((0, 0), (Placed(undone), undone["batches"]!.AsArray().Count));
    }

    [Fact]
    public async Task A_meal_is_left_alone_and_a_batch_is_as_large_as_what_is_taken_of_it()
    {
        var kitchen = await database.EatsSupper(Three[0]);
        var cook = kitchen.Cook;
        // One dish comes three times.
        var page = await cook.Solve("fill");
        Assert.Equal(3, page["meals"]!.GetValue<int>());
        Assert.Equal("4 meals not covered", Says(page, "covered"));
        Assert.Contains("no supper", page["unmet"]![0]!.GetValue<string>(), StringComparison.Ordinal);
        var meals = (await Board(cook))["meals"]!.AsArray().Select(meal => meal!["place"]!.DeepClone()).ToList();

        var less = await Board(cook, meals[0]);
        Assert.Equal((2, 3), (Placed(less["board"]!), less["meals"]!.AsArray().Count));
        Assert.Empty(less["meals"]![0]!["itemIds"]!.AsArray());
        var board = await cook.Must(HttpMethod.Post, $"{NextWeek}/solve/take", Taking(page, meals[0]));
        Assert.Equal(2, Placed(board));
        Assert.Equal(2, board["batches"]!.AsArray().Sum(batch => batch!["portions"]!.GetValue<decimal>()));
    }

    [Fact]
    public async Task A_week_that_breaks_is_mended_with_the_fewest_changes()
    {
        var kitchen = await database.EatsSupper(Three);
        var (cook, eater) = (kitchen.Cook, kitchen.Eater);
        var rice = await cook.AddRecipe("Rice", 4, "400 g white rice");
        foreach (var recipe in new[] { rice, await cook.AddRecipe("Hake", 4, "600 g hake") })
        {
            var board = await cook.MakeBatch(NextWeek, recipe, Day(6), 4);
            var batch = board["batches"]!.AsArray().First(one => one!["recipeId"]!.GetValue<Guid>() == recipe)!;
            var day = recipe == rice ? 7 : 8;
            await cook.Must(HttpMethod.Post, $"{NextWeek}/batches/{batch["id"]}/place", new { to = Place(kitchen, day) });
        }

        Assert.Equal("Nothing has to change", Says(await cook.Solve("mend"), "changes"));
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "low-carb" } });
        await State(cook, eater, "low-carb", "net-carbs", 25);

        // Only what is asked for is changed: the break lies on another day.
        var other = await cook.Solve(
            "mend",
            with: new
            {
                kind = "mend",
                eaters = new[] { eater },
                days = new[] { Day(8) },
            }
        );
        Assert.Equal((0, "Nothing has to change"), (other["meals"]!.GetValue<int>(), Says(other, "changes")));
        var broken = await cook.Solve("mend", with: new { kind = "mend", days = new[] { Day(7) } });
        Assert.Equal(1, broken["meals"]!.GetValue<int>());

        var page = await cook.Solve("mend");
        Assert.Equal(("Every meal that is to come fits", "1 meal changed"), (Says(page, "mended"), Says(page, "changes")));
        var meal = Assert.Single((await Board(cook))["meals"]!.AsArray())!;
        Assert.Equal(("Rice", Day(7)), (meal["was"]!["name"]!.GetValue<string>(), meal["place"]!["date"]!.GetValue<string>()));
        var mended = await cook.Must(HttpMethod.Post, $"{NextWeek}/solve/take", Taking(page));
        Assert.DoesNotContain(mended["troubles"]!.AsArray(), trouble => trouble!["kind"]!.GetValue<string>() == "breaks");
        Assert.Equal("Mended 1 meal", mended["undo"]!["summary"]!.GetValue<string>());
    }

    private static Task<JsonNode> ListBought(Visitor cook, params object[] ready) =>
        cook.Must(
            HttpMethod.Put,
            "/api/table/kitchen",
            new
            {
                units = "metric",
                numberFormat = "point",
                freezerLitres = (decimal?)null,
                items = Array.Empty<object>(),
                containers = Array.Empty<object>(),
                countsTolerances = false,
                ready,
            }
        );

    [Fact]
    public async Task What_a_day_lacks_comes_beside_a_dish_and_is_taken_and_left_with_it()
    {
        var kitchen = await database.EatsSupper(("Potato", "1 kg potato"));
        var cook = kitchen.Cook;
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{kitchen.Eater}/protocols", new { protocols = new[] { "calories-macros" } });
        foreach (var (rule, atLeast, atMost) in new[] { ("protein", (int?)18, (int?)null), ("energy", null, 2000) })
        {
            await cook.Must(
                HttpMethod.Put,
                $"/api/table/eaters/{kitchen.Eater}/allowance",
                new
                {
                    protocol = "calories-macros",
                    rule,
                    atLeast,
                    atMost,
                    clinicalTeam = false,
                }
            );
        }

        await ListBought(
            cook,
            new
            {
                id = Guid.NewGuid(),
                text = "150 g skyr",
                meal = "supper",
                mostAWeek = 5,
            }
        );
        var page = await cook.Solve("fill", with: new { kind = "fill", mostTimes = 7 });
        Assert.Equal(("2 meals not covered", 5), (Says(page, "covered"), page["meals"]!.GetValue<int>()));
        var meals = (await Board(cook))["meals"]!.AsArray();
        Assert.All(
            meals,
            meal => Assert.Equal(["Potato", "Skyr"], meal!["then"]!.AsArray().Select(one => one!["name"]!.GetValue<string>()))
        );
        Assert.All(meals, meal => Assert.Equal(2, meal!["itemIds"]!.AsArray().Count));

        var left = meals[0]!["place"]!.DeepClone();
        var board = await cook.Must(HttpMethod.Post, $"{NextWeek}/solve/take", Taking(page, left));
        Assert.Equal("Filled 4 meals", board["undo"]!["summary"]!.GetValue<string>());
        Assert.Equal(8, board["servings"]!.AsArray().Sum(serving => serving!["items"]!.AsArray().Count));
        Assert.DoesNotContain(board["troubles"]!.AsArray(), trouble => trouble!["kind"]!.GetValue<string>() == "breaks");
    }

    [Fact]
    public async Task Bought_things_of_the_kitchen_s_list_fill_meals_are_offered_for_one_and_shopped_for()
    {
        var kitchen = await database.EatsSupper();
        var cook = kitchen.Cook;
        Task<JsonNode> List(params object[] ready) => ListBought(cook, ready);
        var (skyr, pear) = (Guid.NewGuid(), Guid.NewGuid());
        await List(
            new
            {
                id = skyr,
                text = "150 g skyr",
                meal = "supper",
                mostAWeek = 2,
            },
            new
            {
                id = pear,
                text = "1 pear",
                meal = (string?)null,
                mostAWeek = 3,
            }
        );
        Assert.Equal(2, (await cook.Get("/api/table/kitchen"))["kitchen"]!["ready"]!.AsArray().Count);

        var less = await cook.Solve("fill", with: new { kind = "fill", withoutReady = new[] { pear } });
        Assert.Equal(2, less["meals"]!.GetValue<int>());
        var page = await cook.Solve("fill");
        Assert.Equal(("2 meals not covered", 5), (Says(page, "covered"), page["meals"]!.GetValue<int>()));
        var board = await cook.Must(HttpMethod.Post, $"{NextWeek}/solve/take", Taking(page));
        Assert.Empty(board["batches"]!.AsArray());
        var texts = board["servings"]!
            .AsArray()
            .SelectMany(one => one!["items"]!.AsArray())
            .Select(item => item!["text"]!.GetValue<string>());
        Assert.Equal([("1 pear", 3), ("150 g skyr", 2)], texts.CountBy(text => text).Select(one => (one.Key, one.Value)).Order());

        var shop = await cook.Get($"{NextWeek}/shop");
        var items = shop["aisles"]!
            .AsArray()
            .SelectMany(aisle => aisle!["items"]!.AsArray())
            .ToDictionary(item => item!["name"]!.GetValue<string>());
        Assert.Equal("300 g", items["Skyr"]!["needed"]!.GetValue<string>());
        Assert.Equal("as it is", items["Skyr"]!["batches"]![0]!["tape"]!.GetValue<string>());

        // How often is said to a search; a cook may take one more.
        var open = board["ledger"]!.AsArray().First(day => day!["openMeals"]!.AsArray().Count > 0)!["date"]!.GetValue<string>();
        var best = await cook.Get($"{NextWeek}/best?day={open}&meal=supper&eater={kitchen.Eater}");
        Assert.Contains(best.AsArray(), thing => thing!["ready"]?.GetValue<string>() == "150 g skyr");
    }

    [Fact]
    public async Task What_was_changed_since_is_named_and_nothing_is_taken()
    {
        var kitchen = await database.EatsSupper(Three);
        var cook = kitchen.Cook;
        var page = await cook.Solve("fill");
        var first = (await Board(cook))["meals"]!.AsArray().Select(one => one!["place"]!).First();
        await cook.Must(HttpMethod.Post, $"{NextWeek}/ready", new { to = first.DeepClone(), line = "1 banana" });
        await cook.Refused(HttpStatusCode.Conflict, "meal-changed", HttpMethod.Post, $"{NextWeek}/solve/take", Taking(page));
        Assert.NotNull((await Board(cook))["problem"]);
        Assert.Equal(7, Placed(await cook.Must(HttpMethod.Post, $"{NextWeek}/solve/take", Taking(page, first.DeepClone()))));

        await cook.Refused(HttpStatusCode.Conflict, "nothing-to-take", HttpMethod.Post, $"{NextWeek}/solve/take", Taking(page));
    }

    [Fact]
    public async Task A_recipe_that_was_changed_since_is_not_cooked_as_it_was_judged()
    {
        var kitchen = await database.EatsSupper();
        var cook = kitchen.Cook;
        var recipe = await cook.AddRecipe("Cod", 4, "600 g cod");
        var page = await cook.Solve("fill");
        await cook.Must(HttpMethod.Put, $"/api/recipes/{recipe}", Visitor.Draft("Cod", 4, ["900 g cod"], 1));
        await cook.Refused(HttpStatusCode.Conflict, "recipe-changed", HttpMethod.Post, $"{NextWeek}/solve/take", Taking(page));
        await cook.Must(HttpMethod.Delete, $"/api/recipes/{recipe}");
        await cook.Refused(HttpStatusCode.NotFound, "recipe-gone", HttpMethod.Post, $"{NextWeek}/solve/take", Taking(page));
    }

    [Fact]
    public async Task What_cannot_be_sought_is_refused_with_its_field()
    {
        var kitchen = await database.EatsSupper();
        var cook = kitchen.Cook;
        Task Refused(HttpStatusCode status, string code, object asked, string? week = null) =>
            cook.Refused(status, code, HttpMethod.Post, $"{week ?? NextWeek}/solve", asked);

        await Refused(HttpStatusCode.Conflict, "nothing-to-cook", new { kind = "fill" });
        await cook.AddRecipe("Cod", 4, "600 g cod");
        await Refused(HttpStatusCode.Conflict, "nothing-planned", new { kind = "mend" });
        await Refused(HttpStatusCode.Conflict, "week-over", new { kind = "fill" }, $"/api/weeks/{Day(-14)}");
        await Refused(HttpStatusCode.NotFound, "eater-gone", new { kind = "fill", eaters = new[] { Guid.NewGuid() } });
        await Refused(HttpStatusCode.Conflict, "nothing-open", new { kind = "fill", eaters = Array.Empty<Guid>() });
        await Refused(HttpStatusCode.UnprocessableEntity, "unknown-goal", new { kind = "fill", goals = new[] { "batches", "batches" } });
        await Refused(HttpStatusCode.UnprocessableEntity, "unknown-goal", new { kind = "fill", goals = new[] { "changes" } });
        foreach (var times in new[] { 0, 15 })
        {
            await Refused(HttpStatusCode.UnprocessableEntity, "dish-times-out-of-range", new { kind = "fill", mostTimes = times });
        }

        foreach (var minutes in new[] { 9, 601 })
        {
            await Refused(
                HttpStatusCode.UnprocessableEntity,
                "session-minutes-out-of-range",
                new { kind = "fill", minutesASession = minutes }
            );
        }

        await Refused(HttpStatusCode.UnprocessableEntity, "one-eater", new { kind = "less" });
        await Refused(HttpStatusCode.UnprocessableEntity, "one-eater", new { kind = "more", eaters = Array.Empty<Guid>() });
        await Refused(HttpStatusCode.Conflict, "no-bite", new { kind = "less", eaters = new[] { kitchen.Eater } });
        Assert.Null((await cook.Get($"{NextWeek}/solve"))["jobId"]);
    }

    [Fact]
    public async Task A_bite_is_left_out_and_put_on_as_one_edit_each()
    {
        var kitchen = await database.EatsSupper();
        var (cook, eater) = (kitchen.Cook, kitchen.Eater);
        var nuts = JsonSerializer.SerializeToNode(Visitor.Draft("Nuts", 1, ["30 g walnuts"]))!;
        nuts["meal"] = "bite";
        await cook.Must(HttpMethod.Post, "/api/recipes", nuts);
        await cook.Must(HttpMethod.Post, $"{NextWeek}/ready", new { to = kitchen.At(8, "bite"), line = "25 g walnuts" });
        object Asked(string kind, params int[] days) =>
            new
            {
                kind,
                eaters = new[] { eater },
                days = days.Select(day => Day(day)),
            };

        var more = await cook.Solve("more", with: Asked("more", 8, 9));
        Assert.Equal((2, 0), (more["meals"]!.GetValue<int>(), more["unmet"]!.AsArray().Count));
        Assert.Matches("^About (1[5-9]|2[0-4])[0-9] kcal more a day$", Says(more, "step"));
        var board = await cook.Must(HttpMethod.Post, $"{NextWeek}/solve/take", Taking(more));
        Assert.Equal("Added a bite to 2 meals", board["undo"]!["summary"]!.GetValue<string>());
        Assert.Equal((2, 1), (MealKitchen.Items(board, 8, "bite").Count, MealKitchen.Items(board, 9, "bite").Count));

        var less = await cook.Solve("less", with: Asked("less", 8, 9, 10));
        Assert.Matches("^About [0-9]+ kcal less a day$", Says(less, "step"));
        Assert.Contains("can be left out on", less["unmet"]![0]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal([0, 0], (await Board(cook))["meals"]!.AsArray().Select(meal => meal!["then"]!.AsArray().Count));
        board = await cook.Must(HttpMethod.Post, $"{NextWeek}/solve/take", Taking(less));
        Assert.Equal("Left the bite out of 2 meals", board["undo"]!["summary"]!.GetValue<string>());
        Assert.Equal(
            ["planned", "skipped"],
            board["servings"]!
                .AsArray()
                .Where(serving => serving!["place"]!["meal"]!.GetValue<string>() == "bite")
                .OrderBy(serving => serving!["place"]!["date"]!.GetValue<string>())
                .Select(serving => serving!["state"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task What_goes_off_soon_goes_into_the_week()
    {
        var kitchen = await database.EatsSupper(Three);
        var cook = kitchen.Cook;
        await cook.Must(
            HttpMethod.Post,
            "/api/larder/stock",
            new
            {
                line = "400 g red lentils",
                place = "pantry",
                bestBefore = Day(6),
            }
        );
        var page = await cook.Solve("fill");
        Assert.Equal("What goes off soon is used", Says(page, "due"));
    }

    [Fact]
    public async Task A_proposal_is_the_household_s_and_is_forgotten_or_replaced()
    {
        var kitchen = await database.EatsSupper(Three[0]);
        var cook = kitchen.Cook;
        var first = await cook.Solve("fill");
        Assert.Null((await (await database.SignUp()).Get($"{NextWeek}/solve"))["jobId"]);

        var second = await cook.Solve("fill");
        Assert.NotEqual(first["jobId"]!.GetValue<Guid>(), second["jobId"]!.GetValue<Guid>());
        await cook.Refused(HttpStatusCode.Conflict, "nothing-to-take", HttpMethod.Post, $"{NextWeek}/solve/take", Taking(first));
        await cook.Send(HttpMethod.Delete, $"{NextWeek}/solve");
        Assert.Null((await cook.Get($"{NextWeek}/solve"))["jobId"]);
        Assert.Empty((await Board(cook))["meals"]!.AsArray());
    }

    [Fact]
    public async Task The_goals_say_what_a_cook_may_want()
    {
        var cook = await database.SignUp();
        var choices = await cook.Get($"{NextWeek}/solve/choices");
        var goals = choices["goals"]!;
        Assert.Equal("Each day near its targets", goals[0]!["want"]!.GetValue<string>());
        Assert.DoesNotContain(goals.AsArray(), goal => goal!["goal"]!.GetValue<string>() is "covered" or "changes");

        // An empty library: every meal of the day is one for which nothing is there.
        string[] Gaps(JsonNode of) => [.. of["gaps"]!.AsArray().Select(gap => gap!.GetValue<string>())];
        Assert.Equal(4, Gaps(choices).Length);
        Assert.Contains("Nothing is meant for lunch: 7 meals stay open.", Gaps(choices));
        await cook.AddRecipe("Cod", 4, "600 g cod");
        Assert.Equal(
            ["Nothing is meant for breakfast: 7 meals stay open.", "Nothing is meant for afternoon bite: 7 meals stay open."],
            Gaps(await cook.Get($"{NextWeek}/solve/choices"))
        );
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!;
        await cook.BecomeAllergic(eater["id"]!.GetValue<Guid>(), "fish");
        Assert.Contains(
            $"Nothing for supper is what {eater["name"]} may have: 7 meals stay open.",
            Gaps(await cook.Get($"{NextWeek}/solve/choices"))
        );
    }

    /// <summary>Packs of 250 g that keep three days once opened, 100 g to a portion: four times leave less than three times.</summary>
    [Fact]
    public async Task What_is_left_of_packs_that_go_off_once_opened_is_sought_to_be_little()
    {
        var kitchen = await database.EatsSupper(("Cod", "600 g cod"));
        var cook = kitchen.Cook;
        await TypedPackets.Keep(cook, TypedPackets.Packet());
        await cook.AddRecipe("Cracker pot", 4, "400 g sea crackers");
        var asked = new
        {
            kind = "fill",
            mostTimes = 4,
            goals = new[] { "sizes", "packs" },
        };
        var page = await cook.Solve("fill", with: asked);
        Assert.Equal("About 100 g of opened packs left over", Says(page, "packs"));
        // A pack that is there is used up first.
        await cook.Must(HttpMethod.Post, "/api/larder/stock", new { line = "50 g sea crackers", place = "pantry" });
        Assert.Equal("No opened pack is left over", Says(await cook.Solve("fill", with: asked), "packs"));
    }
}
