using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.FollowedProtocols;
using static Merienda.Web.Tests.MealKitchen;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>Whole meals: several things at once, foods as they are bought, parts, weights, and what is said of a meal.</summary>
public class MealTests(TestDatabase database)
{
    private static void Near(decimal expected, decimal actual) =>
        Assert.True(Math.Abs(expected - actual) < 0.1m, $"{expected} and {actual} differ");

    private static decimal Kcal(JsonNode item) =>
        item["numbers"]!.AsArray().Single(number => number!["key"]!.GetValue<string>() == "energy")!["value"]!["best"]!.GetValue<decimal>();

    [Fact]
    public async Task A_meal_of_two_dishes_and_a_pot_of_yoghurt_is_judged_together()
    {
        var kitchen = await database.MoveIn();
        var cook = kitchen.Cook;
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{kitchen.Eater}/protocols", new { protocols = new[] { "calories-macros" } });
        await State(cook, kitchen.Eater, "calories-macros", "energy", 2000);
        var (rice, cod) = (await kitchen.Make("Rice", 4, "400 g rice"), await kitchen.Make("Cod", 4, "600 g cod"));
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{rice}/place", new { to = kitchen.At(1) });
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{cod}/place", new { to = kitchen.At(1) });
        var board = await kitchen.Ready(1, "1 banana");
        var items = Items(board, 1);
        Assert.Equal(["draw", "draw", "ready"], items.Select(item => item!["kind"]!.GetValue<string>()));
        var day = board["ledger"]!.AsArray().Single(one => one!["date"]!.GetValue<string>() == Day(1))!;
        var energy = day["findings"]!.AsArray().First(finding => finding!["rule"]!.GetValue<string>() == "energy")!["value"]!["best"]!;
        Near(items.Sum(item => Kcal(item!)), energy.GetValue<decimal>());
        Assert.DoesNotContain("supper", day["openMeals"]!.AsArray().Select(meal => meal!.GetValue<string>()));

        // Another order, another amount, and one thing less; each is taken back by its own sequence.
        var turned = items.Select(item => item!["id"]!.GetValue<string>()).Reverse().ToList();
        var ordered = await cook.Must(HttpMethod.Put, $"{Week}/order", new { place = kitchen.At(1), items = turned });
        Assert.Equal(turned, Items(ordered, 1).Select(item => item!["id"]!.GetValue<string>()));
        var more = await cook.Edit(
            HttpMethod.Put,
            $"{Week}/items/{turned[0]}/text",
            new { from = "1 banana", to = "2 bananas" },
            Guid.NewGuid()
        );
        Near(2 * Kcal(items[2]!), Kcal(Items(more.Body!, 1)[0]!));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = more.Sequence });
        var before = await cook.Get(Week);
        Assert.Equal("1 banana", Items(before, 1)[0]!["text"]!.GetValue<string>());
        var off = await cook.Must(HttpMethod.Post, $"{Week}/items/{turned[0]}/move", new { from = kitchen.At(1), to = (object?)null });
        Assert.Equal(2, Items(off, 1).Count);
    }

    [Fact]
    public async Task A_portion_by_weight_counts_by_its_share_of_the_batch_and_goes_back_to_portions()
    {
        var kitchen = await database.MoveIn();
        var rice = await kitchen.Make("Rice", 4, "400 g rice", "800 g water");
        var placed = await kitchen.Cook.Must(HttpMethod.Post, $"{Week}/batches/{rice}/place", new { to = kitchen.At(1) });
        var item = Items(placed, 1)[0]!;
        object Portions(decimal amount) => new { amount, isInGrams = false };
        object Grams(decimal amount) => new { amount, isInGrams = true };
        var path = $"{Week}/items/{item["id"]}/size";
        var board = await kitchen.Cook.Must(HttpMethod.Put, path, new { from = Portions(1), to = Grams(450) });
        Assert.Equal(
            (1.5m, 2.5m),
            (Items(board, 1)[0]!["portions"]!.GetValue<decimal>(), board["batches"]![0]!["loose"]!.GetValue<decimal>())
        );
        Near(1.5m * Kcal(item), Kcal(Items(board, 1)[0]!));
        board = await kitchen.Cook.Must(HttpMethod.Put, path, new { from = Grams(450), to = Portions(0.5m) });
        Assert.Equal(3.5m, board["batches"]![0]!["loose"]!.GetValue<decimal>());
        await kitchen.Cook.Refused(
            HttpStatusCode.Conflict,
            "item-changed",
            HttpMethod.Put,
            path,
            new { from = Grams(450), to = Portions(1) }
        );
    }

    [Fact]
    public async Task What_is_eaten_out_is_not_open_and_a_note_and_a_lock_stay()
    {
        var kitchen = await database.MoveIn();
        var board = await kitchen.Cook.Must(
            HttpMethod.Put,
            $"{Week}/serving",
            new
            {
                place = kitchen.At(2),
                state = "out",
                isLocked = true,
                note = " with the neighbours ",
            }
        );
        var serving = board["servings"]![0]!;
        Assert.Equal(
            ("out", true, "with the neighbours"),
            (serving["state"]!.GetValue<string>(), serving["isLocked"]!.GetValue<bool>(), serving["note"]!.GetValue<string>())
        );
        // Open meals are missed from today on; the one eaten out is the third day's.
        var left = 7 - (int)DateTime.UtcNow.DayOfWeek;
        Assert.Equal((4 * left) - (left >= 5 ? 1 : 0), board.OpenMeals());
    }

    [Fact]
    public async Task A_food_as_it_is_bought_needs_an_amount_a_name_and_an_eater_who_may_have_it()
    {
        var kitchen = await database.MoveIn();
        var cook = kitchen.Cook;
        Task<JsonNode> Refused(HttpStatusCode status, string code, string line, string? food = null) =>
            cook.Refused(
                status,
                code,
                HttpMethod.Post,
                $"{Week}/ready",
                new
                {
                    to = kitchen.At(1),
                    line,
                    food,
                }
            );
        await Refused(HttpStatusCode.UnprocessableEntity, "ready-amount-missing", "skyr");
        await Refused(HttpStatusCode.UnprocessableEntity, "ready-length", " ");
        await Refused(HttpStatusCode.UnprocessableEntity, "ready-length", new string('x', 301));
        await Refused(HttpStatusCode.UnprocessableEntity, "unknown-food", "1 moonfruit", "moonfruit");
        await cook.BecomeAllergic(kitchen.Eater, "milk");
        await Refused(HttpStatusCode.Conflict, "allergy", "150 g yogurt");
        // What nobody knows is refused too, until it is settled.
        await Refused(HttpStatusCode.Conflict, "allergy", "150 g moonfruit");
        Assert.Single(Items(await kitchen.Ready(1, "1 banana"), 1));
    }
}
