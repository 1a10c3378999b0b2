using System.Net;

namespace Merienda.Web.Tests;

public class RecipeAndTableTests(TestDatabase database)
{
    [Fact]
    public async Task Pasted_text_is_read_checked_and_saved_as_it_was_typed()
    {
        var cook = await database.SignUp();
        var draft = await cook.Must(
            HttpMethod.Post,
            "/api/recipes/read-text",
            new
            {
                text = "Bean pot\nServes 3\n\nIngredients\n400 g tin white beans, drained\n1 firkin of moonfruit\n\nMethod\n1. Simmer for 25 minutes.",
            }
        );
        Assert.Equal(3, draft["portions"]!.GetValue<decimal>());
        Assert.Equal(25, draft["tasks"]![0]!["unattended"]!.GetValue<int>());
        var sheet = await cook.Must(HttpMethod.Post, "/api/recipes", draft);
        Assert.Equal("1 firkin of moonfruit", sheet["lines"]![1]!["text"]!.GetValue<string>());
        Assert.Null(sheet["lines"]![1]!["grams"]);
        Assert.Null(sheet["perPortion"]![0]!["value"]!["high"]);
    }

    [Fact]
    public async Task A_part_is_called_as_its_heading_says_without_shouting()
    {
        var cook = await database.SignUp();
        var text = "Bowl\nServes 2\n200 g cod\nSAUCE\n2 tbsp olive oil\nFor the slaw\n1 carrot\n\nMethod\nMix.";
        var draft = await cook.Must(HttpMethod.Post, "/api/recipes/read-text", new { text });
        Assert.Equal(["", "Sauce", "Slaw"], draft["lines"]!.AsArray().Select(line => line!["part"]!.GetValue<string>()));
    }

    [Fact]
    public async Task A_food_that_a_person_chose_wins_over_the_words_and_stays_chosen()
    {
        var cook = await database.SignUp();
        var body = System.Text.Json.Nodes.JsonNode.Parse(
            System.Text.Json.JsonSerializer.Serialize(
                Visitor.Draft("Odd", 2, ["200 g moonfruit"]),
                System.Text.Json.JsonSerializerOptions.Web
            )
        )!;
        body["lines"]![0]!["food"] = "pear";
        var id = (await cook.Must(HttpMethod.Post, "/api/recipes", body))["id"]!.GetValue<Guid>();
        var line = (await cook.Get($"/api/recipes/{id}"))["lines"]![0]!;
        Assert.Equal(
            ("pear", true, "200 g moonfruit"),
            (line["food"]!.GetValue<string>(), line["isChosen"]!.GetValue<bool>(), line["text"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task A_version_is_never_rewritten_and_a_batch_keeps_the_one_it_was_made_from()
    {
        var cook = await database.SignUp();
        var id = await cook.AddRecipe("Soup", 4, "100 g sugar");
        var today = DateOnly.FromDateTime(DateTime.UtcNow);
        var week = today.AddDays(-(int)today.DayOfWeek).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
        await cook.MakeBatch($"/api/weeks/{week}", id, week, 4);
        var second = await cook.Must(HttpMethod.Put, $"/api/recipes/{id}", Visitor.Draft("Soup", 4, ["200 g sugar"], basedOn: 1));
        Assert.Equal(2, second["number"]!.GetValue<int>());
        var energy = (await cook.Get($"/api/weeks/{week}"))["batches"]![0]!["lots"]![0]!["perPortion"]![0]!["value"]![
            "best"
        ]!.GetValue<decimal>();
        Assert.Equal(96.75m, energy);
        await cook.Refused(
            HttpStatusCode.Conflict,
            "recipe-changed",
            HttpMethod.Put,
            $"/api/recipes/{id}",
            Visitor.Draft("Soup", 4, ["300 g sugar"], basedOn: 1)
        );
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("100 g sugar", (await cook.Get($"/api/recipes/{id}"))["lines"]![0]!["text"]!.GetValue<string>());
        Assert.Equal(1, (await cook.Get($"/api/recipes/{id}"))["number"]!.GetValue<int>());
        // A number is never given twice: the next version is the third.
        var next = await cook.Must(HttpMethod.Put, $"/api/recipes/{id}", Visitor.Draft("Soup", 4, ["300 g sugar"], basedOn: 1));
        Assert.Equal(3, next["number"]!.GetValue<int>());
    }

    [Fact]
    public async Task Bad_recipes_are_refused_with_field_and_cure_and_nothing_is_stored()
    {
        var cook = await database.SignUp();
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "portions-out-of-range",
            HttpMethod.Post,
            "/api/recipes",
            Visitor.Draft("Zero", 0, ["1 egg"])
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "portions-out-of-range",
            HttpMethod.Post,
            "/api/recipes/read-text",
            new { text = "Nothing\nServes 0\n1 egg" }
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "no-ingredients",
            HttpMethod.Post,
            "/api/recipes",
            Visitor.Draft("Air", 2, ["  "])
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "name-length",
            HttpMethod.Post,
            "/api/recipes",
            Visitor.Draft(" ", 2, ["1 egg"])
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "recipe-empty",
            HttpMethod.Post,
            "/api/recipes/read-text",
            new { text = " \n " }
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "recipe-too-long",
            HttpMethod.Post,
            "/api/recipes/read-text",
            new { text = new string('x', 70_000) }
        );
        Assert.Empty((await cook.Get("/api/recipes")).AsArray());
    }

    [Fact]
    public async Task What_nobody_stated_cannot_be_told_until_it_is_stated()
    {
        var cook = await database.SignUp();
        var id = await cook.AddRecipe();
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "points" } });
        var asked = (await cook.Get($"/api/recipes/{id}"))["verdicts"]![0]!;
        Assert.Equal("cannotTell", asked["verdict"]!.GetValue<string>());
        Assert.True(asked["findings"]![0]!["needsAllowance"]!.GetValue<bool>());
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/allowance",
            new
            {
                protocol = "points",
                rule = "points",
                atLeast = (decimal?)null,
                atMost = 23,
                from = (DateOnly?)null,
                clinicalTeam = false,
            }
        );
        Assert.Equal("fits", (await cook.Get($"/api/recipes/{id}"))["verdicts"]![0]!["verdict"]!.GetValue<string>());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("cannotTell", (await cook.Get($"/api/recipes/{id}"))["verdicts"]![0]!["verdict"]!.GetValue<string>());
    }

    [Theory] // domain.md section 10
    [InlineData(799, false, "clinical-team")]
    [InlineData(799, true, null)]
    [InlineData(800, false, null)]
    [InlineData(-1, false, "allowance-out-of-range")]
    public async Task An_energy_target_below_eight_hundred_needs_the_clinical_team(int kilocalories, bool clinicalTeam, string? code)
    {
        var cook = await database.SignUp();
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "calories-macros" } });
        var request = new
        {
            protocol = "calories-macros",
            rule = "energy",
            atLeast = (decimal?)null,
            atMost = kilocalories,
            clinicalTeam,
        };
        var (status, answer) = await cook.Send(HttpMethod.Put, $"/api/table/eaters/{eater}/allowance", request);
        Assert.Equal(code, answer?["code"]?.GetValue<string>());
        Assert.Equal(code is null, status == HttpStatusCode.OK);
        if (code is null)
        {
            Assert.Contains(
                "professional advice",
                (await cook.Get("/api/table"))["eaters"]![0]!["rules"]![0]!["caution"]!.GetValue<string>(),
                StringComparison.Ordinal
            );
        }
    }

    [Fact]
    public async Task A_pasted_recipe_is_for_the_meal_that_its_course_or_its_name_says()
    {
        var cook = await database.SignUp();
        async Task<string?> MealOf(string text) =>
            (await cook.Must(HttpMethod.Post, "/api/recipes/read-text", new { text }))["meal"]?.GetValue<string>();
        Assert.Equal("breakfast", await MealOf("Egg cups\nServes 4\nCourse: breakfast\n8 eggs"));
        Assert.Equal("bite", await MealOf("Apple bites\nServes 4\n4 apples"));
        Assert.Equal("supper", await MealOf("Beef pot\nServes 4\nCourse: main course\n600 g beef shin"));
        Assert.Null(await MealOf("Beef pot\nServes 4\n600 g beef shin"));
    }

    [Fact]
    public async Task The_day_is_split_whole_and_eaters_have_names_of_their_own()
    {
        var cook = await database.SignUp();
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        object Split(decimal breakfast, int days = 7) =>
            new
            {
                meals = new[] { ("breakfast", breakfast), ("lunch", 0.3m), ("bite", 0.2m), ("supper", 0.3m) }.Select(meal => new
                {
                    meal = meal.Item1,
                    dayShare = meal.Item2,
                    pattern = Enumerable.Repeat(meal.Item1 == "bite" ? "fresh" : "prep", days),
                }),
            };
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "shares-not-whole",
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/meals",
            Split(0.3m)
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "pattern-incomplete",
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/meals",
            Split(0.2m, 6)
        );
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/meals", Split(0.2m));
        await cook.Refused(HttpStatusCode.UnprocessableEntity, "name-taken", HttpMethod.Post, "/api/table/eaters", new { name = "Rune" });
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-protocol",
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/protocols",
            new { protocols = new[] { "moon" } }
        );
        await cook.Must(HttpMethod.Post, "/api/table/eaters", new { name = "Ilse" });
        Assert.Equal(2, (await cook.Get("/api/table"))["eaters"]!.AsArray().Count);
    }

    [Fact]
    public async Task A_guest_gets_portions_has_no_rules_and_is_kept_from_what_they_are_allergic_to()
    {
        var cook = await database.SignUp();
        await cook.Must(HttpMethod.Post, "/api/table/eaters", new { name = "Grandfather", isGuest = true });
        var guest = (await cook.Get("/api/table"))["eaters"]![1]!;
        var id = guest["id"]!.GetValue<Guid>();
        Assert.True(guest["isGuest"]!.GetValue<bool>());
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "guest-has-no-rules",
            HttpMethod.Put,
            $"/api/table/eaters/{id}/protocols",
            new { protocols = new[] { "low-carb-net" } }
        );
        var recipe = await cook.AddRecipe("Barley soup", 2, "200 g pearl barley");
        var board = await cook.Must(
            HttpMethod.Post,
            "/api/weeks/2026-11-22/batches",
            new
            {
                recipeId = recipe,
                cookedOn = "2026-11-21",
                portions = 2,
            }
        );
        var place = new
        {
            to = new
            {
                date = "2026-11-23",
                meal = "lunch",
                eaterId = id,
            },
        };
        var path = $"/api/weeks/2026-11-22/batches/{board["batches"]![0]!["id"]}/place";
        board = await cook.Must(HttpMethod.Post, path, place);
        Assert.Single(board["servings"]!.AsArray());
        // Nothing is missed of a guest, and nothing is judged.
        var days = board["ledger"]!.AsArray().Where(day => day!["eaterId"]!.GetValue<Guid>() == id).ToList();
        Assert.All(days, day => Assert.Equal((0, 0), (day!["openMeals"]!.AsArray().Count, day["findings"]!.AsArray().Count)));
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{id}/personal",
            new
            {
                allergies = new[] { "gluten-cereal" },
                dislikes = Array.Empty<string>(),
                portionHabit = 1,
                countsTraces = true,
                trustsRefinedSoybeanOil = false,
            }
        );
        await cook.Refused(HttpStatusCode.Conflict, "allergy", HttpMethod.Post, path, place);
    }
}
