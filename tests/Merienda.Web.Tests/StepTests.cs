using System.Text.Json;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>What the steps of a recipe take, on its sheet and in the session that cooks it.</summary>
public class StepTests(TestDatabase database)
{
    private static JsonObject Step(string id, string text, params string[] after) =>
        new()
        {
            ["id"] = id,
            ["text"] = text,
            ["handsOn"] = 5,
            ["unattended"] = 12,
            ["appliance"] = "airFryer",
            ["temperatureC"] = 200,
            ["after"] = new JsonArray([.. after.Select(one => (JsonNode)one)]),
        };

    private static IEnumerable<string> Takes(JsonNode sheet, int step) =>
        sheet["steps"]![step]!["takes"]!.AsArray().Select(take => take!["said"]!.GetValue<string>());

    [Fact]
    public async Task A_step_keeps_what_is_said_of_it_and_the_session_says_how_much_goes_in()
    {
        var cook = await database.SignUp();
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft("Thighs", 4, ["8 chicken thighs", "2 tbsp olive oil", "1 lemon"]))!;
        var ids = draft["lines"]!.AsArray().Select(_ => Guid.NewGuid()).ToList();
        for (var at = 0; at < ids.Count; at++)
        {
            draft["lines"]![at]!["id"] = ids[at];
        }

        var fry = Step("2", "Air fry them for 25 minutes.", "1");
        fry["instead"] = new JsonObject
        {
            ["appliance"] = "oven",
            ["unattended"] = 38,
            ["temperatureC"] = 200,
        };
        (fry["lines"], fry["waitsAtMost"], fry["roundPieces"]) = (new JsonArray(ids[0], ids[2], Guid.NewGuid()), 10, 8);
        draft["tasks"] = new JsonArray(Step("1", "Turn the chicken in the oil."), fry);
        var sheet = await cook.Must(HttpMethod.Post, "/api/recipes", draft);
        Assert.Equal(["8 chicken thighs", "2 tbsp olive oil"], Takes(sheet, 0));
        Assert.Equal(["chicken thighs", "1 lemon"], Takes(sheet, 1));
        var kept = (await cook.Get($"/api/recipes/{sheet["id"]}"))["tasks"]![1]!;
        // A line that is not the recipe's is not kept.
        Assert.Equal([ids[0], ids[2]], kept["lines"]!.AsArray().Select(id => id!.GetValue<Guid>()));
        Assert.Equal(38, kept["instead"]!["unattended"]!.GetValue<int>());
        Assert.Equal((10, 8m), (kept["waitsAtMost"]!.GetValue<int>(), kept["roundPieces"]!.GetValue<decimal>()));
        // Its words say 25 minutes alone.
        Assert.NotNull(sheet["steps"]![1]!["says"]);

        await cook.Must(
            HttpMethod.Post,
            $"{Week}/batches",
            new
            {
                recipeId = sheet["id"]!.GetValue<Guid>(),
                cookedOn = Day(-1),
                portions = 8,
            }
        );
        var tasks = (await cook.Get($"{Week}/sessions"))[0]!["tasks"]!.AsArray();
        Assert.Equal(["1", "2", "2~2"], tasks.Select(task => task!["taskId"]!.GetValue<string>()));
        Assert.Equal(["16 chicken thighs", "4 tbsp olive oil"], tasks[0]!["takes"]!.AsArray().Select(take => take!.GetValue<string>()));
        Assert.Equal(["2 lemon"], tasks[1]!["takes"]!.AsArray().Select(take => take!.GetValue<string>()));
        Assert.Equal((2, 2), (tasks[2]!["round"]!.GetValue<int>(), tasks[2]!["rounds"]!.GetValue<int>()));
    }
}
