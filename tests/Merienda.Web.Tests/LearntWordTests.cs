using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

public class LearntWordTests(TestDatabase database)
{
    private static JsonNode Draft(string line, string? food)
    {
        var body = JsonNode.Parse(JsonSerializer.Serialize(Visitor.Draft("Odd pot", 2, [line]), JsonSerializerOptions.Web))!;
        body["lines"]![0]!["food"] = food;
        return body;
    }

    private static async Task<JsonNode> Checked(Visitor cook, string line) =>
        (await cook.Must(HttpMethod.Post, "/api/recipes/check", Draft(line, null)))["lines"]![0]!;

    [Fact]
    public async Task A_food_chosen_for_words_is_remembered_with_the_recipe_used_from_then_on_and_forgotten()
    {
        var (cook, stranger) = (await database.SignUp(), await database.SignUp());
        Assert.Equal("none", (await Checked(cook, "200 g nonna's zorblat, chopped"))["match"]!.GetValue<string>());
        await cook.Must(HttpMethod.Post, "/api/recipes", Draft("200 g nonna's zorblat, chopped", "cod"));

        // Other amount, other preparation, same words.
        var later = await Checked(cook, "1 kg Nonna's Zorblat");
        Assert.Equal(("cod", "learnt"), (later["food"]!.GetValue<string>(), later["match"]!.GetValue<string>()));
        Assert.Equal("none", (await Checked(stranger, "1 kg nonna's zorblat"))["match"]!.GetValue<string>());

        var row = Assert.Single((await cook.Get("/api/larder/words")).AsArray())!;
        Assert.Equal("Cod fillet", row["foodName"]!.GetValue<string>());
        await cook.Must(HttpMethod.Delete, $"/api/larder/words?words={Uri.EscapeDataString(row["words"]!.GetValue<string>())}");
        Assert.Equal("none", (await Checked(cook, "1 kg nonna's zorblat"))["match"]!.GetValue<string>());
        Assert.Equal(HttpStatusCode.NotFound, (await cook.Send(HttpMethod.Delete, "/api/larder/words?words=never")).Status);
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("learnt", (await Checked(cook, "1 kg nonna's zorblat"))["match"]!.GetValue<string>());
    }

    [Fact]
    public async Task Taking_back_the_recipe_takes_back_what_was_learnt_with_it()
    {
        var cook = await database.SignUp();
        await cook.Must(HttpMethod.Post, "/api/recipes", Draft("2 flimmers", "egg"));
        Assert.Single((await cook.Get("/api/larder/words")).AsArray());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Empty((await cook.Get("/api/larder/words")).AsArray());
        Assert.Empty((await cook.Get("/api/recipes")).AsArray());
    }

    [Fact]
    public async Task A_choice_of_what_the_words_say_anyway_teaches_nothing()
    {
        var cook = await database.SignUp();
        await cook.Must(HttpMethod.Post, "/api/recipes", Draft("200 g cod", "cod"));
        Assert.Empty((await cook.Get("/api/larder/words")).AsArray());
    }

    [Fact]
    public async Task A_line_that_leaves_a_choice_offers_each_rewritten_and_one_without_a_food_the_five_nearest()
    {
        var cook = await database.SignUp();
        var line = await Checked(cook, "2 tbsp tahini or peanut butter, stirred");
        Assert.Equal(
            ["2 tbsp tahini, stirred", "2 tbsp peanut butter, stirred"],
            line["choices"]!.AsArray().Select(choice => choice!["line"]!.GetValue<string>())
        );
        var unknown = await Checked(cook, "200 g salmn filet");
        Assert.Equal(5, unknown["nearest"]!.AsArray().Count);
        Assert.Equal("salmon", unknown["nearest"]![0]!["key"]!.GetValue<string>());
        Assert.Contains("kcal", unknown["nearest"]![0]!["about"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Contains(
            "cereals containing gluten",
            (await Checked(cook, "1 tbsp oyster sauce"))["packetsDiffer"]!.AsArray().Select(name => name!.GetValue<string>())
        );
    }

    [Fact]
    public async Task Portions_and_keeping_that_the_text_does_not_say_are_asked_for()
    {
        var cook = await database.SignUp();
        var draft = await cook.Must(
            HttpMethod.Post,
            "/api/recipes/read-text",
            new { text = "Cod supper\n\n400 g cod\n2 carrots\n\nMethod\nBake for 20 minutes." }
        );
        Assert.Null(draft["portions"]);
        var check = await cook.Must(HttpMethod.Post, "/api/recipes/check", draft);
        Assert.Equal("cooked-fish", check["suggestedKeeping"]!["key"]!.GetValue<string>());
        await cook.Refused(HttpStatusCode.UnprocessableEntity, "portions-missing", HttpMethod.Post, "/api/recipes", draft);
        draft["portions"] = 2;
        Assert.Equal("cooked-fish", (await cook.Must(HttpMethod.Post, "/api/recipes", draft))["keeping"]!["key"]!.GetValue<string>());
        var vague = JsonNode.Parse(JsonSerializer.Serialize(Visitor.Draft("Thing", 2, ["200 g sugar"]), JsonSerializerOptions.Web))!;
        vague["keeping"] = "";
        vague["tasks"] = new JsonArray();
        await cook.Refused(HttpStatusCode.UnprocessableEntity, "keeping-missing", HttpMethod.Post, "/api/recipes", vague);
    }
}
