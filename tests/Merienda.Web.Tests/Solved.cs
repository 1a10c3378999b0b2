using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A week that is solved through the API: the one after this, which is wholly to come.</summary>
internal static class Solved
{
    public static string NextWeek => $"/api/weeks/{Day(7)}";

    /// <summary>Somebody who eats supper from the prep only, with a few dishes for it.</summary>
    public static async Task<MealKitchen.Kitchen> EatsSupper(this TestDatabase database, params (string Name, string Line)[] dishes)
    {
        var kitchen = await database.MoveIn();
        await kitchen.Cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{kitchen.Eater}/meals",
            new
            {
                meals = new[] { "breakfast", "lunch", "bite", "supper" }.Select(meal => new
                {
                    meal,
                    dayShare = 0.25m,
                    pattern = Enumerable.Repeat(meal == "supper" ? "prep" : "nothing", 7),
                }),
            }
        );
        foreach (var (name, line) in dishes)
        {
            await kitchen.Cook.AddRecipe(name, 4, line);
        }

        return kitchen;
    }

    /// <summary>Asks for a search and waits until it is over.</summary>
    /// <param name="with">What is asked; null for everything as usual.</param>
    public static async Task<JsonNode> Solve(this Visitor cook, string kind, string? week = null, object? with = null)
    {
        await cook.Must(HttpMethod.Post, $"{week ?? NextWeek}/solve", with ?? new { kind });
        return await cook.Wait(page => page["state"]!.GetValue<string>() is "done" or "failed", week);
    }

    public static async Task<JsonNode> Wait(this Visitor cook, Func<JsonNode, bool> until, string? week = null)
    {
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        while (true)
        {
            var page = await cook.Get($"{week ?? NextWeek}/solve");
            if (until(page))
            {
                return page;
            }

            await Task.Delay(100, patience.Token);
        }
    }
}
