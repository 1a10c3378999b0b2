using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>What became of a recipe: versions, their differences, and what was weighed of it.</summary>
public class RecipeHistoryTests(TestDatabase database)
{
    private static async Task<(Visitor Cook, Guid Id, JsonNode Draft)> TwoVersions(TestDatabase database)
    {
        var cook = await database.SignUp();
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft("Cod and rice", 4, ["400 g cod", "200 g rice"]))!;
        for (var at = 0; at < 2; at++)
        {
            draft["lines"]![at]!["id"] = Guid.NewGuid();
        }

        var id = (await cook.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>();
        draft["lines"]![1]!["text"] = "150 g rice";
        draft["basedOn"] = 1;
        await cook.Must(HttpMethod.Put, $"/api/recipes/{id}", draft);
        return (cook, id, draft);
    }

    [Fact]
    public async Task Versions_say_what_is_otherwise_and_an_earlier_one_can_be_taken_again()
    {
        var (cook, id, _) = await TwoVersions(database);
        var history = await cook.Get($"/api/recipes/{id}/history");
        Assert.Equal([2, 1], history["versions"]!.AsArray().Select(version => version!["number"]!.GetValue<int>()));
        var change = Assert.Single(history["versions"]![0]!["changes"]!.AsArray())!;
        Assert.Equal(("200 g rice", "150 g rice"), (change["was"]!.GetValue<string>(), change["now"]!.GetValue<string>()));
        Assert.Empty(history["versions"]![1]!["changes"]!.AsArray());
        Assert.Single(history["sinceFirst"]!.AsArray());

        var first = await cook.Get($"/api/recipes/{id}/versions/1");
        var again = await cook.Must(HttpMethod.Put, $"/api/recipes/{id}", first.DeepClone());
        Assert.Equal((3, "200 g rice"), (again["number"]!.GetValue<int>(), again["lines"]![1]!["text"]!.GetValue<string>()));
        Assert.Empty((await cook.Get($"/api/recipes/{id}/history"))["sinceFirst"]!.AsArray());
        await cook.Refused(HttpStatusCode.NotFound, "recipe-gone", HttpMethod.Get, $"/api/recipes/{id}/versions/9");
        await cook.Refused(HttpStatusCode.NotFound, "recipe-gone", HttpMethod.Get, $"/api/recipes/{Guid.NewGuid()}/history");
    }

    [Fact]
    public async Task What_a_batch_weighed_is_offered_to_the_recipe_until_it_says_so()
    {
        var (cook, id, draft) = await TwoVersions(database);
        var board = await cook.MakeBatch(Week, id, Day(-1), 8);
        await cook.Must(
            HttpMethod.Put,
            $"{Week}/batches/{board["batches"]![0]!["id"]}/yield",
            new
            {
                part = "",
                grossG = 2100,
                tareG = 500,
                vessel = "",
            }
        );
        async Task<JsonArray> Yields() => (await cook.Get($"/api/recipes/{id}/history"))["yields"]!.AsArray();

        // 1,600 g of eight portions are 800 g of the recipe's four.
        var offered = Assert.Single(await Yields())!;
        Assert.Equal((800m, null), (offered["grams"]!.GetValue<decimal>(), offered["says"]));
        foreach (var (says, isOffered) in new[] { (700, true), (823, false), (800, false) })
        {
            var part = RecipePartTests.Slaw();
            (part["name"], part["madeAmount"], part["madeUnit"]) = ("", says, "grams");
            draft["parts"] = new JsonArray(part);
            draft["basedOn"] = (await cook.Get($"/api/recipes/{id}"))["number"]!.GetValue<int>();
            await cook.Must(HttpMethod.Put, $"/api/recipes/{id}", draft);
            Assert.Equal(isOffered, (await Yields()).Count == 1);
        }
    }

    [Fact]
    public async Task A_piece_has_its_share_of_the_batch()
    {
        var cook = await database.SignUp();
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft("Koftas", 6, ["900 g turkey mince"]))!;
        var part = RecipePartTests.Slaw();
        (part["name"], part["madeAmount"], part["madeUnit"]) = ("", 24, "pieces");
        draft["parts"] = new JsonArray(part);
        var sheet = await cook.Must(HttpMethod.Post, "/api/recipes", draft);
        decimal Energy(string of) => sheet[of]![0]!["value"]!["best"]!.GetValue<decimal>();
        Assert.Equal(24, sheet["pieces"]!.GetValue<decimal>());
        Assert.Equal(Energy("batch") / 24, Energy("perPiece"), 1);
    }
}
