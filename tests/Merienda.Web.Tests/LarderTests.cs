using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

public class LarderTests(TestDatabase database)
{
    /// <summary>A packet as the form sends it.</summary>
    public static object Packet(
        string name = "Sea crackers",
        string statement = "Oats, salt",
        string country = "europeanUnion",
        string serving = "100 g",
        string mayContain = "",
        int? basedOn = null,
        string[]? classes = null,
        params (string Nutrient, string Printed)[] values
    ) =>
        new
        {
            name,
            country,
            basis = (string?)null,
            serving,
            values = values.Select(value => new { nutrient = value.Nutrient, printed = value.Printed }),
            statement,
            mayContain,
            pack = "250 g",
            price = (decimal?)1.5m,
            points = (decimal?)null,
            openedDays = (int?)3,
            classes = classes ?? [],
            aisle = "bakery",
            basedOn,
        };

    private static object Reading(object packet, decimal servings = 14) => new { packet, servings };

    private static async Task<string> Keep(Visitor cook, object packet) =>
        (await cook.Must(HttpMethod.Post, "/api/larder/packets", packet)).GetValue<string>();

    private static Guid IdOf(string key) => Core.Foods.Packets.Packet.IdOf(key)!.Value;

    private static async Task<Guid> Eater(Visitor cook) => (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();

    [Theory]
    [InlineData(-1)]
    [InlineData(1001)]
    public async Task A_batch_takes_no_impossible_number_of_servings(int servings) =>
        await (await database.SignUp()).Refused(
            HttpStatusCode.UnprocessableEntity,
            "servings-out-of-range",
            HttpMethod.Post,
            "/api/larder/packet",
            Reading(Packet("Sugar", "Sugar", "unitedStates", "10 g"), servings)
        );

    [Fact]
    public async Task A_packet_is_read_for_everybody_at_the_table_while_it_is_typed()
    {
        var cook = await database.SignUp();
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{await Eater(cook)}/protocols", new { protocols = new[] { "vegan" } });
        var answer = await cook.Must(
            HttpMethod.Post,
            "/api/larder/packet",
            Reading(
                Packet(
                    "",
                    "Sugar, whey powder",
                    "unitedStates",
                    "2 pieces or 93 g",
                    values: [("carbohydrate", "10"), ("fibre", "7"), ("fat", "0")]
                )
            )
        );
        Assert.Equal((93m, "1 piece is 46.5 g"), (answer["servingGrams"]!.GetValue<decimal>(), answer["measure"]!.GetValue<string>()));
        Assert.Equal(3.23m, answer["netCarbs"]!["best"]!.GetValue<decimal>());
        var fat = answer["values"]!.AsArray().Single(value => value!["nutrient"]!.GetValue<string>() == "fat")!;
        Assert.Equal((0.5m, 7m), (fat["served"]!["high"]!.GetValue<decimal>(), fat["batch"]!["high"]!.GetValue<decimal>()));
        var verdict = answer["verdicts"]![0]!;
        Assert.Equal(
            ("breaks", "Animal foods: This packet (\"whey powder\", milk) is left out."),
            (verdict["verdict"]!.GetValue<string>(), verdict["findings"]![0]!["because"]!.GetValue<string>())
        );
        var mark = answer["statement"]!["marks"]!.AsArray().Single(one => one!["kind"]!.GetValue<string>() == "leftOut")!;
        Assert.Equal(
            ("whey powder", "milk"),
            (
                "Sugar, whey powder".Substring(mark["start"]!.GetValue<int>(), mark["length"]!.GetValue<int>()),
                mark["says"]!.GetValue<string>()
            )
        );
    }

    [Fact]
    public async Task A_us_and_an_eu_packet_of_the_same_thing_are_compared_with_the_same_net_carbs()
    {
        var cook = await database.SignUp();
        var european = await Keep(cook, Packet("Ours", values: [("carbohydrate", "3.0"), ("fibre", "7.0"), ("energy", "1046 kJ")]));
        var american = await Keep(
            cook,
            Packet(
                "Theirs",
                country: "unitedStates",
                serving: "1 cup (100 g)",
                values: [("carbohydrate", "10"), ("fibre", "7"), ("energy", "320")]
            )
        );
        var compared = await cook.Get($"/api/larder/compare?left={european}&right={american}&eater={await Eater(cook)}");
        JsonNode Of(string key) => compared["measures"]!.AsArray().Single(measure => measure!["key"]!.GetValue<string>() == key)!;
        Assert.Equal(
            (3m, 3m),
            (Of("netCarbohydrate")["left"]!["best"]!.GetValue<decimal>(), Of("netCarbohydrate")["right"]!["best"]!.GetValue<decimal>())
        );
        Assert.Null(Of("netCarbohydrate")["morePerHundredGrams"]);
        Assert.Equal("right", Of("energy")["morePerHundredGrams"]!.GetValue<string>());
        Assert.Equal("0.60 a 100 g", compared["left"]!["price"]!.GetValue<string>());
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await cook.Send(HttpMethod.Get, $"/api/larder/compare?left={european}&right=no-such")).Status
        );
    }

    [Fact]
    public async Task Bad_packets_are_refused_with_field_and_cure_and_nothing_is_kept()
    {
        var cook = await database.SignUp();
        await Keep(cook, Packet("Taken"));
        foreach (
            var (packet, code) in new[]
            {
                (Packet(serving: "0 g"), "serving-out-of-range"),
                (Packet(serving: "2 pieces"), "serving-without-weight"),
                (Packet(country: "other"), "basis-unknown"),
                (Packet(values: [("fat", "lots")]), "unreadable-value"),
                (Packet(country: "unitedStates", values: [("carbohydrate", "3"), ("fibre", "7")]), "fibre-above-carbohydrate"),
                (Packet(statement: new string('a', 100_000)), "statement-too-long"),
                (Packet(" "), "packet-name-length"),
                (Packet("  TAKEN "), "packet-name-taken"),
                (Packet(classes: ["moon"]), "unknown-class"),
            }
        )
        {
            await cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Post, "/api/larder/packets", packet);
        }

        Assert.Equal(1, (await cook.Get("/api/larder/foods?query=&foodClass=&kind=packets"))["total"]!.GetValue<int>());
    }

    [Fact]
    public async Task Energy_that_no_macros_explain_is_queried_and_kept_all_the_same()
    {
        var cook = await database.SignUp();
        var packet = Packet(values: [("energy", "400"), ("fat", "1.0"), ("carbohydrate", "10"), ("protein", "5.0")]);
        Assert.StartsWith(
            "400 kcal in 100 g are declared, the macros make 69",
            (await cook.Must(HttpMethod.Post, "/api/larder/packet", Reading(packet)))["energyQuery"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        await Keep(cook, packet);
    }

    [Fact]
    public async Task A_new_version_leaves_what_was_saved_with_the_old_one_until_somebody_saves_again()
    {
        var cook = await database.SignUp();
        var key = await Keep(cook, Packet(values: [("carbohydrate", "60"), ("fibre", "10")]));
        var recipe = await cook.AddRecipe("Crackers", 1, "100 g Sea crackers");
        async Task<(decimal Net, bool Newer)> Now()
        {
            var sheet = await cook.Get($"/api/recipes/{recipe}");
            return (
                sheet["perPortion"]!.AsArray().Single(one => one!["key"]!.GetValue<string>() == "netCarbohydrate")!["value"]![
                    "best"
                ]!.GetValue<decimal>(),
                sheet["lines"]![0]!["hasNewerPacket"]!.GetValue<bool>()
            );
        }

        Assert.Equal((60m, false), await Now());
        await cook.Must(
            HttpMethod.Put,
            $"/api/larder/packets/{IdOf(key)}",
            Packet(basedOn: 1, values: [("carbohydrate", "50"), ("fibre", "10")])
        );
        Assert.Equal((60m, true), await Now());
        await cook.Refused(
            HttpStatusCode.Conflict,
            "packet-changed",
            HttpMethod.Put,
            $"/api/larder/packets/{IdOf(key)}",
            Packet(basedOn: 1)
        );
        await cook.Must(HttpMethod.Put, $"/api/recipes/{recipe}", Visitor.Draft("Crackers", 1, ["100 g Sea crackers"], 1));
        Assert.Equal((50m, false), await Now());
        var sheet = await cook.Get($"/api/larder/foods/{key}");
        Assert.Equal([2, 1], sheet["packet"]!["versions"]!.AsArray().Select(version => version!["number"]!.GetValue<int>()));
        Assert.Equal("Crackers", sheet["usedIn"]![0]!["name"]!.GetValue<string>());
    }

    [Fact]
    public async Task Keeping_changing_and_putting_a_packet_away_can_be_taken_back()
    {
        var cook = await database.SignUp();
        async Task<JsonArray> Names() =>
            new([
                .. (await cook.Get("/api/larder/foods?query=&foodClass=&kind=packets"))["foods"]!
                    .AsArray()
                    .Select(food => JsonValue.Create(food!["name"]!.GetValue<string>())),
            ]);
        async Task Undo() => await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        var id = IdOf(await Keep(cook, Packet("First")));
        await cook.Must(HttpMethod.Put, $"/api/larder/packets/{id}", Packet("Second", basedOn: 1));
        Assert.Equal("""["Second"]""", (await Names()).ToJsonString());
        await Undo();
        Assert.Equal("""["First"]""", (await Names()).ToJsonString());
        await cook.Must(HttpMethod.Delete, $"/api/larder/packets/{id}");
        Assert.Empty(await Names());
        var other = IdOf(await Keep(cook, Packet("first")));
        // Its name is taken by now: what was put away does not come back over it.
        await cook.Must(HttpMethod.Delete, $"/api/larder/packets/{other}");
        await Undo();
        Assert.Equal("""["first"]""", (await Names()).ToJsonString());
        await Undo();
        await Undo();
        Assert.Equal("""["First"]""", (await Names()).ToJsonString());
        Assert.Equal(HttpStatusCode.NotFound, (await cook.Send(HttpMethod.Delete, $"/api/larder/packets/{Guid.NewGuid()}")).Status);
    }

    [Fact]
    public async Task A_rejected_packet_is_met_again_in_a_recipe_and_in_an_exchange_and_in_shop()
    {
        var cook = await database.SignUp();
        var (eater, key) = (
            await Eater(cook),
            await Keep(cook, Packet(values: [("energy", "400"), ("fat", "1.0"), ("carbohydrate", "60"), ("protein", "10")]))
        );
        var recipe = await cook.AddRecipe("Crackers", 1, "100 g Sea crackers");
        var path = $"/api/larder/packets/{IdOf(key)}/opinions/{eater}";
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "reason-length",
            HttpMethod.Put,
            path,
            new
            {
                isApproved = false,
                reason = " ",
                isAdult = false,
            }
        );
        await cook.Must(
            HttpMethod.Put,
            path,
            new
            {
                isApproved = false,
                reason = "too salty",
                isAdult = false,
            }
        );
        Assert.Contains(
            "rejected on",
            (await cook.Get($"/api/recipes/{recipe}"))["verdicts"]![0]!["findings"]!.ToJsonString(),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "too salty",
            (await cook.Get($"/api/table/exchange?from=oats&grams=40&to={key}&equal=energy"))["rejected"]!.ToJsonString(),
            StringComparison.Ordinal
        );
        var week = (await cook.Get("/api/account"))["person"]!["today"]!.GetValue<string>();
        await cook.Must(
            HttpMethod.Post,
            $"/api/weeks/{week}/batches",
            new
            {
                recipeId = recipe,
                cookedOn = Sunday(week),
                portions = 1,
            }
        );
        Assert.Contains("too salty", (await cook.Get($"/api/weeks/{week}/shop"))["aisles"]!.ToJsonString(), StringComparison.Ordinal);
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        await cook.Must(HttpMethod.Delete, path);
        Assert.DoesNotContain("too salty", (await cook.Get($"/api/recipes/{recipe}")).ToJsonString(), StringComparison.Ordinal);
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Contains(
            "too salty",
            (await cook.Get($"/api/larder/foods/{key}"))["packet"]!["opinions"]!.ToJsonString(),
            StringComparison.Ordinal
        );
    }

    private static string Sunday(string date)
    {
        var day = DateOnly.Parse(date, System.Globalization.CultureInfo.InvariantCulture);
        return day.AddDays(-(int)day.DayOfWeek).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public async Task An_allergic_eater_gets_a_packet_that_warns_only_after_an_adult_approved_these_ingredients()
    {
        var cook = await database.SignUp();
        var eater = await Eater(cook);
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/personal",
            new
            {
                allergies = new[] { "milk" },
                dislikes = Array.Empty<string>(),
                portionHabit = 1,
            }
        );
        var id = IdOf(await Keep(cook, Packet(mayContain: "milk")));
        var recipe = await cook.AddRecipe("Crackers", 2, "100 g Sea crackers");
        var today = (await cook.Get("/api/account"))["person"]!["today"]!.GetValue<string>();
        var batch = (
            await cook.Must(
                HttpMethod.Post,
                $"/api/weeks/{today}/batches",
                new
                {
                    recipeId = recipe,
                    cookedOn = Sunday(today),
                    portions = 2,
                }
            )
        )["batches"]![0]!["id"]!.GetValue<Guid>();
        var place = new
        {
            to = new
            {
                date = today,
                meal = "supper",
                eaterId = eater,
            },
        };
        await cook.Refused(HttpStatusCode.Conflict, "allergy", HttpMethod.Post, $"/api/weeks/{today}/batches/{batch}/place", place);
        var path = $"/api/larder/packets/{id}/opinions/{eater}";
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "adult-needed",
            HttpMethod.Put,
            path,
            new
            {
                isApproved = true,
                reason = "the maker was asked",
                isAdult = false,
            }
        );
        await cook.Must(
            HttpMethod.Put,
            path,
            new
            {
                isApproved = true,
                reason = "the maker was asked",
                isAdult = true,
            }
        );
        await cook.Must(HttpMethod.Post, $"/api/weeks/{today}/batches/{batch}/place", place);

        // Other ingredients are another packet to decide on; one that names the allergen cannot be approved at all.
        await cook.Must(HttpMethod.Put, $"/api/larder/packets/{id}", Packet(statement: "Oats, salt, flavouring", basedOn: 1));
        Assert.False(
            (await cook.Get($"/api/larder/foods/{Core.Foods.Packets.Packet.KeyOf(id)}"))["packet"]!["opinions"]![0]![
                "holds"
            ]!.GetValue<bool>()
        );
        await cook.Must(HttpMethod.Put, $"/api/larder/packets/{id}", Packet(statement: "Oats, whey powder", basedOn: 2));
        await cook.Refused(
            HttpStatusCode.Conflict,
            "packet-names-it",
            HttpMethod.Put,
            path,
            new
            {
                isApproved = true,
                reason = "no",
                isAdult = true,
            }
        );
    }

    [Fact]
    public async Task Foods_and_packets_are_found_by_word_class_kind_and_verdict()
    {
        var cook = await database.SignUp();
        var eater = await Eater(cook);
        await Keep(cook, Packet("Zucchini crisps", "Courgette, sunflower oil, salt"));
        async Task<JsonNode> Find(string query, string foodClass = "", string rest = "kind=") =>
            await cook.Get($"/api/larder/foods?query={query}&foodClass={foodClass}&{rest}");
        static IEnumerable<string> Names(JsonNode page) => page["foods"]!.AsArray().Select(food => food!["name"]!.GetValue<string>());
        Assert.InRange((await Find(""))["total"]!.GetValue<int>(), 420, 10_000);
        Assert.Equal(["Courgette", "Zucchini crisps"], Names(await Find("zucchini")).Order());
        Assert.Equal(["Zucchini crisps"], Names(await Find("zucchini", rest: "kind=packets")));
        Assert.Equal(["Courgette"], Names(await Find("zucchini", rest: "kind=foods")));
        Assert.All(
            (await Find("", "crustacean"))["foods"]!.AsArray(),
            food => Assert.Contains("crustaceans", food!["classes"]!.ToJsonString(), StringComparison.Ordinal)
        );
        Assert.Equal(0, (await Find("zzzz"))["total"]!.GetValue<int>());
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "vegan" } });
        Assert.DoesNotContain("Cheddar", Names(await Find("ched", rest: $"kind=&eater={eater}&verdict=fits")));
        Assert.Contains("Cheddar", Names(await Find("ched", rest: $"kind=&eater={eater}&verdict=breaks")));
        var fitting = await Find("", rest: $"kind=&eater={eater}&verdict=fits");
        Assert.Equal((true, null, 60), (fitting["hasMore"]!.GetValue<bool>(), (int?)fitting["total"], fitting["foods"]!.AsArray().Count));
    }

    [Fact]
    public async Task Where_only_a_food_of_the_table_can_be_meant_no_packet_is_offered()
    {
        var cook = await database.SignUp();
        await Keep(cook, Packet("Zucchini crisps"));
        async Task<IEnumerable<string>> Found(string rest) =>
            (await cook.Get($"/api/foods?query=zucchini{rest}")).AsArray().Select(food => food!["name"]!.GetValue<string>());
        Assert.Equal(["Courgette", "Zucchini crisps"], (await Found("")).Order());
        Assert.Equal(["Courgette"], await Found("&packets=false"));
    }

    [Fact]
    public async Task A_sheet_says_what_is_known_of_a_food()
    {
        var cook = await database.SignUp();
        var sheet = await cook.Get("/api/larder/foods/chicken-breast");
        Assert.Contains("1 day in the fridge as raw poultry", sheet["keeping"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Contains("roasted", sheet["yields"]!.ToJsonString(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await cook.Send(HttpMethod.Get, "/api/larder/foods/no-such")).Status);
    }

    [Fact]
    public async Task What_the_law_tolerates_widens_a_packet_when_the_household_says_so()
    {
        var cook = await database.SignUp();
        await Keep(cook, Packet(values: [("protein", "20")]));
        var recipe = await cook.AddRecipe("Crackers", 1, "100 g Sea crackers");
        async Task<decimal> High() =>
            (await cook.Get($"/api/recipes/{recipe}"))["perPortion"]!
                .AsArray()
                .Single(one => one!["key"]!.GetValue<string>() == "protein")!["value"]!["high"]!.GetValue<decimal>();
        Assert.Equal(20.5m, await High());
        var kitchen = System.Text.Json.JsonSerializer.SerializeToNode(KitchenTests.Kitchen(), System.Text.Json.JsonSerializerOptions.Web)!;
        kitchen["countsTolerances"] = true;
        await cook.Must(HttpMethod.Put, "/api/table/kitchen", kitchen);
        Assert.Equal(24m, await High());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(20.5m, await High());
    }

    [Fact]
    public async Task Whether_traces_count_is_stated_with_the_eater()
    {
        var cook = await database.SignUp();
        var eater = await Eater(cook);
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "vegan" } });
        await Keep(cook, Packet(statement: "Oats, contains less than 2 % of: milk powder"));
        var recipe = await cook.AddRecipe("Crackers", 1, "100 g Sea crackers");
        async Task<string> Verdict() => (await cook.Get($"/api/recipes/{recipe}"))["verdicts"]![0]!["verdict"]!.GetValue<string>();
        Assert.Equal("breaks", await Verdict());
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/personal",
            new
            {
                allergies = Array.Empty<string>(),
                dislikes = Array.Empty<string>(),
                portionHabit = 1,
                countsTraces = false,
            }
        );
        Assert.Equal("fits", await Verdict());
    }

    [Fact]
    public async Task Whether_refined_soybean_oil_is_soy_is_stated_with_the_eater_and_undone()
    {
        var cook = await database.SignUp();
        var eater = await Eater(cook);
        object Personal(bool? trusts) =>
            trusts is { } said
                ? new
                {
                    allergies = new[] { "soy" },
                    dislikes = Array.Empty<string>(),
                    portionHabit = 1,
                    countsTraces = true,
                    trustsRefinedSoybeanOil = said,
                }
                : new
                {
                    allergies = new[] { "soy-oil" },
                    dislikes = Array.Empty<string>(),
                    portionHabit = 1,
                    countsTraces = true,
                };
        async Task<string> Verdict(Guid recipe) =>
            (await cook.Get($"/api/recipes/{recipe}"))["verdicts"]![0]!["verdict"]!.GetValue<string>();

        await Keep(cook, Packet(statement: "Oats, fully refined soybean oil, salt"));
        var recipe = await cook.AddRecipe("Crackers", 1, "100 g Sea crackers");
        // The careful answer is the default, and whoever names the oil means soy.
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/personal", Personal(null));
        Assert.Equal("breaks", await Verdict(recipe));
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/personal", Personal(true));
        Assert.Equal("fits", await Verdict(recipe));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("breaks", await Verdict(recipe));
    }
}
