using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>A recipe for another amount: looked at, saved, and refused where nothing reaches it.</summary>
public class ScaleTests(TestDatabase database)
{
    private static async Task<(Visitor Cook, Guid Recipe)> MoveIn(TestDatabase database)
    {
        var cook = await database.SignUp();
        return (cook, await cook.AddRecipe("Cod and rice", 4, "400 g cod", "200 g basmati rice", "2 eggs", "6 g salt", "some moonfruit"));
    }

    private static Task<JsonNode> Scale(Visitor cook, Guid recipe, string query) => cook.Get($"/api/recipes/{recipe}/scale?{query}");

    private static IEnumerable<string> Texts(JsonNode scaled) =>
        scaled["lines"]!.AsArray().Select(line => line!["text"]!.GetValue<string>());

    [Fact]
    public async Task Six_portions_are_half_as_much_again_and_saved_they_have_the_numbers_of_before()
    {
        var (cook, recipe) = await MoveIn(database);
        var scaled = await Scale(cook, recipe, "portions=6");
        Assert.Equal((1.5m, 6m), (scaled["times"]!.GetValue<decimal>(), scaled["portions"]!.GetValue<decimal>()));
        Assert.Equal(["600 g cod", "300 g basmati rice", "3 eggs", "9 g salt", "some moonfruit"], Texts(scaled));
        Assert.StartsWith("begin with", scaled["lines"]![3]!["note"]!.GetValue<string>(), StringComparison.Ordinal);
        var before = await cook.Get($"/api/recipes/{recipe}");
        await cook.Must(HttpMethod.Put, $"/api/recipes/{recipe}", scaled["draft"]!.DeepClone());
        var after = await cook.Get($"/api/recipes/{recipe}");
        Assert.Equal(6, after["portions"]!.GetValue<decimal>());
        Assert.Equal(
            before["perPortion"]![0]!["value"]!["best"]!.GetValue<decimal>(),
            after["perPortion"]![0]!["value"]!["best"]!.GetValue<decimal>()
        );
    }

    [Fact]
    public async Task What_is_at_hand_says_how_large_the_batch_is()
    {
        var (cook, recipe) = await MoveIn(database);
        var line = (await cook.Get($"/api/recipes/{recipe}"))["lines"]!;
        var scaled = await Scale(cook, recipe, $"line={line[0]!["id"]}&grams=900");
        Assert.Equal((2.25m, 9m), (scaled["times"]!.GetValue<decimal>(), scaled["portions"]!.GetValue<decimal>()));
        Assert.Equal("900 g cod", Texts(scaled).First());
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "scale-line-unknown",
            HttpMethod.Get,
            $"/api/recipes/{recipe}/scale?line={line[4]!["id"]}&grams=900"
        );
    }

    [Fact]
    public async Task So_many_pieces_are_so_many_times_the_recipe_where_it_says_how_many_it_makes()
    {
        var (cook, recipe) = await MoveIn(database);
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "scale-pieces-unknown",
            HttpMethod.Get,
            $"/api/recipes/{recipe}/scale?pieces=36"
        );
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft("Koftas", 6, ["900 g turkey mince"]))!;
        var part = RecipePartTests.Slaw();
        (part["name"], part["madeAmount"], part["madeUnit"]) = ("", 24, "pieces");
        draft["parts"] = new JsonArray(part);
        var id = (await cook.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>();
        var scaled = await Scale(cook, id, "pieces=36");
        Assert.Equal((1.5m, 9m), (scaled["times"]!.GetValue<decimal>(), scaled["portions"]!.GetValue<decimal>()));
        Assert.Equal(["1350 g turkey mince"], Texts(scaled));
    }

    [Fact]
    public async Task A_portion_that_may_have_so_much_is_one_of_more_portions_as_few_as_reach_it()
    {
        var cook = await database.SignUp();
        var recipe = await cook.AddRecipe("Cod and rice", 4, "400 g cod", "400 g basmati rice");
        var has = (await cook.Get($"/api/recipes/{recipe}"))["perPortion"]![0]!["value"]!["best"]!.GetValue<decimal>();
        var scaled = await Scale(cook, recipe, $"measure=energy&atMost={has * 4 / 5 + 0.5m}".Replace(',', '.'));
        Assert.Equal((1m, 5m), (scaled["times"]!.GetValue<decimal>(), scaled["portions"]!.GetValue<decimal>()));
        await cook.Must(HttpMethod.Put, $"/api/recipes/{recipe}", scaled["draft"]!.DeepClone());
        Assert.InRange(
            (await cook.Get($"/api/recipes/{recipe}"))["perPortion"]![0]!["value"]!["best"]!.GetValue<decimal>(),
            has * 0.79m,
            has * 0.8m + 0.5m
        );
        Assert.Equal(2, (await Scale(cook, recipe, "measure=points&atMost=2"))["lines"]!.AsArray().Count);
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "scale-unreachable",
            HttpMethod.Get,
            $"/api/recipes/{recipe}/scale?measure=energy&atMost=1"
        );
    }

    [Fact]
    public async Task What_only_a_variant_has_and_what_a_part_was_measured_to_make_grow_too()
    {
        var cook = await database.SignUp();
        var draft = System.Text.Json.JsonSerializer.SerializeToNode(Visitor.Draft("Bowls", 4, ["400 g cod", "100 g feta"]))!;
        var feta = Guid.NewGuid();
        draft["lines"]![1]!["id"] = feta;
        var tofu = draft["lines"]![0]!.DeepClone();
        (tofu["id"], tofu["text"]) = (Guid.NewGuid(), "120 g tofu");
        var added = new JsonObject { ["instead"] = feta, ["line"] = tofu };
        draft["variants"] = new JsonArray(
            new JsonObject
            {
                ["name"] = "Tofu",
                ["lines"] = new JsonArray(),
                ["parts"] = new JsonArray(),
                ["added"] = new JsonArray(added),
            }
        );
        var part = RecipePartTests.Slaw();
        (part["name"], part["madeAmount"], part["madeUnit"]) = ("", 900, "grams");
        draft["parts"] = new JsonArray(part);
        var recipe = (await cook.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>();
        var scaled = await Scale(cook, recipe, "portions=6");
        await cook.Must(HttpMethod.Put, $"/api/recipes/{recipe}", scaled["draft"]!.DeepClone());
        var sheet = await cook.Get($"/api/recipes/{recipe}?variant=Tofu");
        Assert.Equal("180 g tofu", sheet["lines"]![1]!["text"]!.GetValue<string>());
        Assert.Equal(1350, sheet["parts"]![0]!["madeAmount"]!.GetValue<decimal>());
    }

    [Theory]
    [InlineData("", "scale-nothing-said")]
    [InlineData("measure=ghost&atMost=3", "scale-nothing-said")]
    [InlineData("portions=0", "scale-out-of-range")]
    [InlineData("portions=201", "scale-out-of-range")]
    [InlineData("measure=energy&atMost=0", "scale-unreachable")]
    public async Task What_no_scaling_reaches_is_refused_in_words(string query, string code)
    {
        var (cook, recipe) = await MoveIn(database);
        await cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Get, $"/api/recipes/{recipe}/scale?{query}");
        await cook.Refused(HttpStatusCode.NotFound, "recipe-gone", HttpMethod.Get, $"/api/recipes/{Guid.NewGuid()}/scale?portions=6");
    }
}
