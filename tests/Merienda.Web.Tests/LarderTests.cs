using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.TypedPackets;

namespace Merienda.Web.Tests;

public class LarderTests(TestDatabase database)
{
    private static object Reading(object packet, decimal servings = 14) => new { packet, servings };

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
}
