using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A kitchen of one cook who makes beans.</summary>
internal static class BeanKitchen
{
    public sealed record Kitchen(Visitor Cook, Guid Eater, Guid Recipe)
    {
        public object Place(int day, string meal = "supper") =>
            new
            {
                date = Day(day),
                meal,
                eaterId = Eater,
            };

        public async Task<JsonNode> Make(decimal portions = 4) =>
            (await Cook.MakeBatch(Week, Recipe, Day(-1), portions))["batches"]!.AsArray()[^1]!;

        public Task<JsonNode> Put(JsonNode batch, int day, string meal = "supper") =>
            Cook.Must(HttpMethod.Post, $"{Week}/batches/{Id(batch)}/place", new { to = Place(day, meal) });
    }

    public static object Portions(decimal amount) => new { amount, isInGrams = false };

    public static string Id(JsonNode node) => node["id"]!.GetValue<string>();

    public static JsonNode Placed(JsonNode board) =>
        board["servings"]!.AsArray().SelectMany(serving => serving!["items"]!.AsArray()).First()!;

    public static async Task<Kitchen> MoveInWithBeans(this TestDatabase database, params string[] lines)
    {
        var cook = await database.SignUp();
        var board = await cook.Get(Week);
        return new(cook, board["eaters"]![0]!["id"]!.GetValue<Guid>(), await cook.AddRecipe("Beans", 4, lines));
    }
}
