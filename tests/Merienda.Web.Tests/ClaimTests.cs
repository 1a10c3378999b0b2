using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>What a source says of a recipe, kept beside what we count.</summary>
public class ClaimTests(TestDatabase database)
{
    private static JsonNode Draft(params JsonObject[] claims)
    {
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft("Cod and rice", 2, ["400 g cod", "100 g rice"]))!;
        for (var at = 0; at < 2; at++)
        {
            draft["lines"]![at]!["id"] = Guid.NewGuid();
        }

        draft["claims"] = new JsonArray([.. claims]);
        return draft;
    }

    private static JsonObject Says(string what, decimal value, string? variant = null) =>
        new()
        {
            ["what"] = what,
            ["value"] = value,
            ["variant"] = variant,
        };

    private static IEnumerable<(string Theirs, string Verdict)> Found(JsonNode sheet) =>
        sheet["claims"]!.AsArray().Select(claim => (claim!["theirs"]!.GetValue<string>(), claim["verdict"]!.GetValue<string>()));

    [Fact]
    public async Task A_stated_value_is_kept_compared_and_of_another_dish_after_a_change()
    {
        var cook = await database.SignUp();
        var draft = Draft(Says("protein", 40), Says("energy", 900));
        (draft["source"], draft["note"]) = ("Aunt Sabela's card", "The small pan is enough.");
        var sheet = await cook.Must(HttpMethod.Post, "/api/recipes", draft);
        Assert.Equal([("40 g", "agrees"), ("900 kcal", "differs")], Found(sheet));
        Assert.Equal(
            ("Aunt Sabela's card", "The small pan is enough."),
            (sheet["source"]!.GetValue<string>(), sheet["note"]!.GetValue<string>())
        );
        Assert.Contains("It says 900 kcal; we count", sheet["claims"]![1]!["because"]!.GetValue<string>(), StringComparison.Ordinal);

        // A smaller line: what was said is of another dish now. Said anew, it is of this one.
        draft["lines"]![1]!["text"] = "80 g rice";
        draft["basedOn"] = 1;
        draft["claims"] = new JsonArray([.. sheet["claims"]!.AsArray().Select(claim => claim!["claim"]!.DeepClone())]);
        sheet = await cook.Must(HttpMethod.Put, $"/api/recipes/{sheet["id"]}", draft);
        Assert.All(Found(sheet), found => Assert.Equal("saidBefore", found.Verdict));
        draft["basedOn"] = 2;
        draft["claims"] = new JsonArray(Says("protein", 40));
        Assert.Equal([("40 g", "agrees")], Found(await cook.Must(HttpMethod.Put, $"/api/recipes/{sheet["id"]}", draft)));
    }

    [Fact]
    public async Task A_value_is_said_of_a_variant()
    {
        var cook = await database.SignUp();
        var draft = Draft(Says("energy", 160, "Half"));
        draft["variants"] = new JsonArray(
            new JsonObject
            {
                ["name"] = "Half",
                ["lines"] = new JsonArray(new JsonObject { ["line"] = draft["lines"]![1]!["id"]!.DeepClone(), ["times"] = 0 }),
                ["parts"] = new JsonArray(),
                ["added"] = new JsonArray(),
            }
        );
        var sheet = await cook.Must(HttpMethod.Post, "/api/recipes", draft);
        Assert.Equal([("160 kcal", "agrees")], Found(sheet));
        Assert.Equal(
            "Half",
            (await cook.Get($"/api/recipes/{sheet["id"]}?variant=Half"))["claims"]![0]!["claim"]!["variant"]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task What_a_source_says_is_read_from_words_and_from_a_pasted_recipe()
    {
        var cook = await database.SignUp();
        var read = await cook.Must(HttpMethod.Post, "/api/recipes/read-claims", new { text = "420 kcal, 3 g net carbs" });
        Assert.Equal(["energy", "netCarbohydrate"], read.AsArray().Select(claim => claim!["what"]!.GetValue<string>()));
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "no-claims",
            HttpMethod.Post,
            "/api/recipes/read-claims",
            new { text = "very tasty" }
        );
        var pasted = await cook.Must(
            HttpMethod.Post,
            "/api/recipes/read-text",
            new { text = "Soup\nServes 4\n500 g leeks\n1 l stock\nMethod\nSimmer 20 min.\nPer serving: 120 kcal, 4 g protein" }
        );
        Assert.Equal(["energy", "protein"], pasted["claims"]!.AsArray().Select(claim => claim!["what"]!.GetValue<string>()));
        Assert.Single(pasted["tasks"]!.AsArray());
    }
}
