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
}
