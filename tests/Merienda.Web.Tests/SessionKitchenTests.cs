using System.Text.Json;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>What a household says of its kitchen and its cooks changes how a session goes.</summary>
public class SessionKitchenTests(TestDatabase database)
{
    [Fact]
    public async Task Burners_and_cooks_that_are_there_are_the_ones_that_are_planned_with()
    {
        var cook = await database.SignUp();
        foreach (var name in new[] { "Beans", "Peas" })
        {
            await cook.MakeBatch(Week, await cook.AddRecipe(name), Day(0));
        }

        async Task<JsonNode> Session() => (await cook.Get($"{Week}/sessions")).AsArray().Single()!;
        async Task<(int Minutes, int Unlisted)> Said() =>
            await Session() is var page ? (page["minutes"]!.GetValue<int>(), page["unlisted"]!.AsArray().Count) : default;
        // Five minutes by hand each and twenty on a burner of a plain kitchen.
        Assert.Equal((30, 0), await Said());
        Assert.StartsWith("Beans", (await Session())["tasks"]![0]!["dish"]!.GetValue<string>(), StringComparison.Ordinal);

        await cook.Must(HttpMethod.Put, "/api/table/kitchen", KitchenTests.Kitchen(kind: "burner", fill: null));
        Assert.Equal((50, 0), await Said());
        Assert.Equal("The burner alone is needed for 50 min: no order is shorter.", (await Session())["limit"]!.GetValue<string>());

        await cook.Must(HttpMethod.Put, "/api/table/kitchen", KitchenTests.Kitchen(kind: "burner", count: 2, fill: null));
        await cook.Must(
            HttpMethod.Put,
            $"{Week}/sessions/{Day(0)}",
            new
            {
                date = Day(0),
                start = "14:00:00",
                cooks = 2,
                name = "Long",
            }
        );
        Assert.Equal((25, 0), await Said());
        Assert.Equal([1, 2], (await Session())["tasks"]!.AsArray().Select(task => task!["cook"]!.GetValue<int>()).Order());

        await cook.Must(HttpMethod.Put, "/api/table/kitchen", KitchenTests.Kitchen(kind: "microwave", fill: null));
        Assert.Equal("The kitchen lists no burner: a usual one is taken.", (await Session())["unlisted"]![0]!.GetValue<string>());
    }

    [Fact]
    public async Task Two_dishes_put_into_one_pot_at_once_are_said_and_ordered_one_after_the_other()
    {
        var cook = await database.SignUp();
        foreach (var name in new[] { "Broth", "Chowder" })
        {
            var draft = JsonSerializer.SerializeToNode(Visitor.Draft(name, 4, ["1000 ml chicken stock"]))!;
            draft["tasks"]![0]!["text"] = "Simmer the stock.";
            var saved = await cook.Must(HttpMethod.Post, "/api/recipes", draft);
            await cook.MakeBatch(Week, saved["id"]!.GetValue<Guid>(), Day(0));
        }

        await cook.Must(HttpMethod.Put, "/api/table/kitchen", KitchenTests.Kitchen(kind: "pot", fill: null));
        async Task<JsonNode> Session() => (await cook.Get($"{Week}/sessions")).AsArray().Single()!;
        var begins = 0;
        foreach (var task in (await Session())["tasks"]!.AsArray())
        {
            await cook.Must(
                HttpMethod.Put,
                $"{Week}/sessions/tick",
                new
                {
                    batchId = task!["batchId"]!.GetValue<Guid>(),
                    taskId = task["taskId"]!.GetValue<string>(),
                    isTicked = false,
                    put = begins++ * 10,
                }
            );
        }

        var page = await Session();
        Assert.Contains("Let one of them move", page["putProblem"]!.GetValue<string>(), StringComparison.Ordinal);
        var tasks = page["tasks"]!.AsArray();
        Assert.True(tasks[1]!["start"]!.GetValue<int>() >= tasks[0]!["end"]!.GetValue<int>());
        Assert.Equal("Cooker, washed after A", tasks[1]!["vessel"]!.GetValue<string>());
    }
}
