using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A kitchen of one cook whose meals hold several things.</summary>
internal static class MealKitchen
{
    public sealed record Kitchen(Visitor Cook, Guid Eater)
    {
        public object At(int day, string meal = "supper") =>
            new
            {
                date = Day(day),
                meal,
                eaterId = Eater,
            };

        public async Task<string> Make(string name, decimal portions, params string[] lines)
        {
            var recipe = await Cook.AddRecipe(name, 4, lines);
            var board = await Cook.MakeBatch(Week, recipe, Day(-1), portions);
            return board["batches"]!.AsArray().Single(batch => batch!["name"]!.GetValue<string>() == name)!["id"]!.GetValue<string>();
        }

        public Task<JsonNode> Ready(int day, string line) => Cook.Must(HttpMethod.Post, $"{Week}/ready", new { to = At(day), line });
    }

    public static async Task<Kitchen> MoveIn(this TestDatabase database)
    {
        var cook = await database.SignUp();
        return new(cook, (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>());
    }

    public static JsonArray Items(JsonNode board, int day, string meal = "supper") =>
        board["servings"]!
            .AsArray()
            .Single(serving =>
                (serving!["place"]!["date"]!.GetValue<string>(), serving["place"]!["meal"]!.GetValue<string>()) == (Day(day), meal)
            )!["items"]!.AsArray();
}
