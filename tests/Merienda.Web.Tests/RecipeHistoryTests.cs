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

    internal static object Remark(Guid batchId, string taskId, int? minutes, string note = "") =>
        new
        {
            batchId,
            taskId,
            minutes,
            note,
        };

    private static Task Say(Visitor cook, Guid batch, string task, int? minutes, string note = "") =>
        cook.Must(HttpMethod.Put, $"{Week}/sessions/remark", Remark(batch, task, minutes, note));

    [Fact]
    public async Task Minutes_that_a_step_really_took_are_offered_to_the_recipe_until_it_says_so()
    {
        var (cook, id, draft) = await TwoVersions(database);
        var task = draft["tasks"]![0]!;
        (task["handsOn"], task["unattended"], draft["basedOn"]) = (10, 30, 2);
        await cook.Must(HttpMethod.Put, $"/api/recipes/{id}", draft);
        var board = await cook.MakeBatch(Week, id, Day(-1), 4);
        var batch = board["batches"]![0]!["id"]!.GetValue<Guid>();
        var key = task["id"]!.GetValue<string>();
        async Task<JsonArray> Took() => (await cook.Get($"/api/recipes/{id}/history"))["took"]!.AsArray();
        Assert.Empty(await Took());

        await Say(cook, batch, key, 55);
        var step = (await cook.Get($"{Week}/sessions"))[0]!["tasks"]!.AsArray().Single(one => one!["taskId"]!.GetValue<string>() == key)!;
        Assert.Equal(55, step["took"]!.GetValue<int>());
        var offered = Assert.Single(await Took())!;
        Assert.Equal(
            (55, 40, 10, 45),
            (
                offered["minutes"]!.GetValue<int>(),
                offered["says"]!.GetValue<int>(),
                offered["handsOn"]!.GetValue<int>(),
                offered["unattended"]!.GetValue<int>()
            )
        );

        // A step that is worded anew is another one; the old words bring it back.
        (task["text"], draft["basedOn"]) = ($"{task["text"]}, covered", 3);
        await cook.Must(HttpMethod.Put, $"/api/recipes/{id}", draft);
        Assert.Empty(await Took());
        var third = await cook.Get($"/api/recipes/{id}/versions/3");
        await cook.Must(HttpMethod.Put, $"/api/recipes/{id}", third.DeepClone());
        Assert.Single(await Took());
        (third["tasks"]![0]!["unattended"], third["basedOn"]) = (45, 5);
        await cook.Must(HttpMethod.Put, $"/api/recipes/{id}", third);
        Assert.Empty(await Took());

        await Say(cook, batch, key, 15);
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Empty(await Took());
    }

    [Fact]
    public async Task What_was_said_of_a_dish_stands_in_its_recipe_and_where_it_is_cooked_again()
    {
        var (cook, id, _) = await TwoVersions(database);
        var first = (await cook.MakeBatch(Week, id, Day(-2), 4))["batches"]![0]!["id"]!.GetValue<Guid>();
        await Say(cook, first, "", null, " Too salty ");
        Assert.Equal(
            "Too salty",
            Assert.Single((await cook.Get($"/api/recipes/{id}/history"))["remarks"]!.AsArray())!["note"]!.GetValue<string>()
        );
        var portioning = await cook.Get($"{Week}/portioning");
        Assert.Equal("Too salty", portioning["sessions"]![0]!["batches"]![0]!["note"]!.GetValue<string>());
        Assert.Empty((await cook.Get($"{Week}/sessions"))[0]!["earlier"]!.AsArray());

        await cook.MakeBatch(Week, id, Day(-1), 4);
        var sessions = (await cook.Get($"{Week}/sessions")).AsArray();
        Assert.Empty(sessions[0]!["earlier"]!.AsArray());
        Assert.Equal("Too salty", Assert.Single(sessions[1]!["earlier"]!.AsArray())!["note"]!.GetValue<string>());

        // It goes with its batch, and comes back with it.
        await cook.Must(HttpMethod.Delete, $"{Week}/batches/{first}");
        Assert.Empty((await cook.Get($"/api/recipes/{id}/history"))["remarks"]!.AsArray());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Single((await cook.Get($"/api/recipes/{id}/history"))["remarks"]!.AsArray());
        await Say(cook, first, "", null);
        Assert.Empty((await cook.Get($"/api/recipes/{id}/history"))["remarks"]!.AsArray());
    }

    [Fact]
    public async Task Minutes_of_a_base_are_offered_to_the_base()
    {
        var cook = await database.SignUp();
        var basis = await cook.AddRecipe("Red base", 4, "400 g chopped tomatoes");
        var dish = await cook.AddRecipe("Red cod", 4, "½ batch of Red base", "400 g cod");
        await cook.MakeBatch(Week, dish, Day(-1), 4);
        var step = (await cook.Get($"{Week}/sessions"))[0]!["tasks"]!
            .AsArray()
            .First(one => one!["taskId"]!.GetValue<string>().Contains(':'))!;
        await Say(cook, step["batchId"]!.GetValue<Guid>(), step["taskId"]!.GetValue<string>(), 90);
        Assert.Equal(90, Assert.Single((await cook.Get($"/api/recipes/{basis}/history"))["took"]!.AsArray())!["minutes"]!.GetValue<int>());
        Assert.Empty((await cook.Get($"/api/recipes/{dish}/history"))["took"]!.AsArray());
    }

    [Fact]
    public async Task What_cannot_be_said_of_a_cook_is_refused_in_words()
    {
        var (cook, id, _) = await TwoVersions(database);
        var batch = (await cook.MakeBatch(Week, id, Day(-1), 4))["batches"]![0]!["id"]!.GetValue<Guid>();
        foreach (
            var (said, status, code) in new[]
            {
                (Remark(batch, "1", 0), HttpStatusCode.UnprocessableEntity, "took-out-of-range"),
                (Remark(batch, "1", 1441), HttpStatusCode.UnprocessableEntity, "took-out-of-range"),
                (Remark(batch, "", null, new string('x', 401)), HttpStatusCode.UnprocessableEntity, "remark-length"),
                (Remark(batch, new string('x', 121), 5), HttpStatusCode.UnprocessableEntity, "unknown-task"),
                (Remark(Guid.NewGuid(), "", null, "x"), HttpStatusCode.Conflict, "batch-gone"),
            }
        )
        {
            await cook.Refused(status, code, HttpMethod.Put, $"{Week}/sessions/remark", said);
        }
    }
}
