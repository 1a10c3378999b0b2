using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A kitchen with one batch on the bench.</summary>
internal static class FirstBatch
{
    public static object Place(JsonNode board, int day, string meal = "supper") =>
        Place(board["eaters"]![0]!["id"]!.GetValue<Guid>(), day, meal);

    public static object Place(Guid eater, int day, string meal = "supper") =>
        new
        {
            to = new
            {
                date = Day(day),
                meal,
                eaterId = eater,
            },
        };

    public static async Task<(JsonNode Board, string Batch)> Make(Visitor cook, decimal portions = 4)
    {
        var recipe = await cook.AddRecipe();
        var board = await cook.MakeBatch(Week, recipe, Day(-1), portions);
        return (board, board["batches"]![0]!["id"]!.GetValue<string>());
    }
}
