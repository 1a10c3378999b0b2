using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.FirstBatch;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>Freezing by choice: one box, half of a batch, all of it; on the board, on the shelf, and taken back.</summary>
public class FreezingTests(TestDatabase database)
{
    private static IEnumerable<string> Kept(JsonNode board) =>
        board["servings"]!
            .AsArray()
            .SelectMany(serving => serving!["items"]!.AsArray())
            .Select(item => $"{item!["keptIn"]} {item["freezing"]?.ToString() ?? "-"}");

    [Fact]
    public async Task A_box_and_then_half_of_a_batch_go_into_the_freezer_and_come_out_by_undo()
    {
        var cook = await database.SignUp();
        var (board, batch) = await Make(cook);
        // Cooked the day before the week begins: what is eaten on its first day is eaten too soon.
        foreach (var day in new[] { 0, 1, 2 })
        {
            board = await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, day));
        }

        Assert.Equal(["fridge -", "fridge false", "fridge false"], Kept(board));
        var item = MealKitchen.Items(board, 1)[0]!["id"];
        Task<JsonNode> Freeze(string path, object body) => cook.Must(HttpMethod.Put, $"{Week}/{path}/freezing", body);
        board = await Freeze($"items/{item}", new { isFrozen = true });
        Assert.Equal(["fridge -", "freezer true", "fridge false"], Kept(board));
        Assert.Equal((4, 1), ((int)board["batches"]![0]!["boxes"]!, (int)board["batches"]![0]!["frozenBoxes"]!));
        var undone = await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(["fridge -", "fridge false", "fridge false"], Kept(await cook.Get(Week)));
        Assert.NotNull(undone);

        board = await Freeze($"batches/{batch}", new { share = "half" });
        Assert.Equal(["fridge -", "fridge false", "freezer true"], Kept(board));
        Assert.Equal(1, board["batches"]![0]!["looseFrozen"]!.GetValue<decimal>());
        var shelf = await cook.Get($"{Week}/shelf");
        Assert.Equal(2, shelf["boxes"]!.AsArray().Count(box => (string)box!["keptIn"]! == "freezer"));
        board = await Freeze($"batches/{batch}", new { share = "nothing" });
        Assert.Equal(["fridge -", "fridge false", "fridge false"], Kept(board));
    }

    [Fact]
    public async Task What_is_eaten_too_soon_or_never_frozen_says_so()
    {
        var cook = await database.SignUp();
        var (board, batch) = await Make(cook);
        board = await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 0));
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "too-soon-to-freeze",
            HttpMethod.Put,
            $"{Week}/items/{MealKitchen.Items(board, 0)[0]!["id"]}/freezing",
            new { isFrozen = true }
        );
        await cook.Refused(
            HttpStatusCode.Conflict,
            "item-gone",
            HttpMethod.Put,
            $"{Week}/items/{Guid.NewGuid()}/freezing",
            new { isFrozen = true }
        );
        await cook.Refused(
            HttpStatusCode.Conflict,
            "batch-gone",
            HttpMethod.Put,
            $"{Week}/batches/{Guid.NewGuid()}/freezing",
            new { share = "all" }
        );
    }
}
