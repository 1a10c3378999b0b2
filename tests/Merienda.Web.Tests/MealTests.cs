using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>Whole meals: several things at once, foods as they are bought, parts, weights, and what is said of a meal.</summary>
public class MealTests(TestDatabase database)
{
    private static readonly DateOnly Start = DateOnly.FromDateTime(DateTime.UtcNow) is var today
        ? today.AddDays(-(int)today.DayOfWeek)
        : default;

    private static string Day(int offset) => Start.AddDays(offset).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static string Week => $"/api/weeks/{Day(0)}";

    private sealed record Kitchen(Visitor Cook, Guid Eater)
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
            var board = await Cook.Must(
                HttpMethod.Post,
                $"{Week}/batches",
                new
                {
                    recipeId = recipe,
                    cookedOn = Day(-1),
                    portions,
                }
            );
            return board["batches"]!.AsArray().Single(batch => batch!["name"]!.GetValue<string>() == name)!["id"]!.GetValue<string>();
        }

        public Task<JsonNode> Ready(int day, string line) => Cook.Must(HttpMethod.Post, $"{Week}/ready", new { to = At(day), line });
    }

    private async Task<Kitchen> Move_in()
    {
        var cook = await database.SignUp();
        return new(cook, (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>());
    }

    private static JsonArray Items(JsonNode board, int day, string meal = "supper") =>
        board["servings"]!
            .AsArray()
            .Single(serving =>
                (serving!["place"]!["date"]!.GetValue<string>(), serving["place"]!["meal"]!.GetValue<string>()) == (Day(day), meal)
            )!["items"]!.AsArray();

    private static void Near(decimal expected, decimal actual) =>
        Assert.True(Math.Abs(expected - actual) < 0.1m, $"{expected} and {actual} differ");

    private static decimal Kcal(JsonNode item) =>
        item["numbers"]!.AsArray().Single(number => number!["key"]!.GetValue<string>() == "energy")!["value"]!["best"]!.GetValue<decimal>();

    [Fact]
    public async Task A_meal_of_two_dishes_and_a_pot_of_yoghurt_is_judged_together()
    {
        var kitchen = await Move_in();
        var cook = kitchen.Cook;
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{kitchen.Eater}/protocols", new { protocols = new[] { "calories-macros" } });
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{kitchen.Eater}/allowance",
            new
            {
                protocol = "calories-macros",
                rule = "energy",
                clinicalTeam = false,
                atMost = 2000,
            }
        );
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
        var kitchen = await Move_in();
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
        var kitchen = await Move_in();
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
        Assert.Equal(
            (4 * left) - (left >= 5 ? 1 : 0),
            board["troubles"]!.AsArray().Count(trouble => trouble!["kind"]!.GetValue<string>() == "open")
        );
    }

    [Fact]
    public async Task A_food_as_it_is_bought_needs_an_amount_a_name_and_an_eater_who_may_have_it()
    {
        var kitchen = await Move_in();
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
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{kitchen.Eater}/personal",
            new
            {
                allergies = new[] { "milk" },
                dislikes = Array.Empty<string>(),
                portionHabit = 1,
                countsTraces = true,
                trustsRefinedSoybeanOil = false,
            }
        );
        await Refused(HttpStatusCode.Conflict, "allergy", "150 g yogurt");
        // What nobody knows is refused too, until it is settled.
        await Refused(HttpStatusCode.Conflict, "allergy", "150 g moonfruit");
        Assert.Single(Items(await kitchen.Ready(1, "1 banana"), 1));
    }

    [Fact]
    public async Task A_row_a_day_and_a_week_are_filled_in_one_act_and_taken_back_in_one()
    {
        var kitchen = await Move_in();
        var cook = kitchen.Cook;
        var rice = await kitchen.Make("Rice", 6, "400 g rice");
        var row = await cook.Edit(
            HttpMethod.Post,
            $"{Week}/batches/{rice}/row",
            new { meal = "lunch", eaterId = kitchen.Eater },
            Guid.NewGuid()
        );
        Assert.Equal(0, row.Body!["batches"]![0]!["loose"]!.GetValue<decimal>());
        Assert.Equal(6, row.Body["servings"]!.AsArray().Count);
        await kitchen.Ready(1, "1 banana");

        var to = Day(7);
        var copied = await cook.Edit(HttpMethod.Post, $"{Week}/copy", new { to, withMeals = true }, Guid.NewGuid());
        Assert.Equal(
            (1, 7, 0),
            (copied.Body!["batches"]!.GetValue<int>(), copied.Body["placed"]!.GetValue<int>(), copied.Body["left"]!.GetValue<int>())
        );
        var next = await cook.Get($"/api/weeks/{to}");
        Assert.Equal(Day(6), next["batches"]![0]!["cookedOn"]!.GetValue<string>());
        Assert.Equal(7, next["servings"]!.AsArray().Sum(serving => serving!["items"]!.AsArray().Count));
        Assert.Equal(7, (await cook.Get(Week))["servings"]!.AsArray().Sum(serving => serving!["items"]!.AsArray().Count));

        var swapped = await cook.Must(HttpMethod.Post, $"{Week}/days/swap", new { from = Day(1), to = Day(6) });
        Assert.Contains(Items(swapped, 6), item => item!["kind"]!.GetValue<string>() == "ready");
        await cook.Must(HttpMethod.Put, $"{Week}/batches/{rice}/portions", new { portions = 7 });
        var repeated = await cook.Must(HttpMethod.Post, $"{Week}/days/repeat", new { from = Day(5), to = Day(1) });
        Assert.Single(Items(repeated, 1, "lunch"));

        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = copied.Sequence });
        Assert.Empty((await cook.Get($"/api/weeks/{to}"))["batches"]!.AsArray());
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "copy-not-later",
            HttpMethod.Post,
            $"{Week}/copy",
            new { to = Day(0), withMeals = true }
        );
        await cook.Refused(
            HttpStatusCode.Conflict,
            "nothing-to-copy",
            HttpMethod.Post,
            $"/api/weeks/{Day(14)}/copy",
            new { to = Day(21), withMeals = true }
        );
    }

    [Fact]
    public async Task A_portion_is_made_as_large_as_the_tightest_allowance_of_the_day_allows()
    {
        var kitchen = await Move_in();
        var cook = kitchen.Cook;
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{kitchen.Eater}/protocols", new { protocols = new[] { "low-carb" } });
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{kitchen.Eater}/allowance",
            new
            {
                protocol = "low-carb",
                rule = "net-carbs",
                clinicalTeam = false,
                atMost = 60,
            }
        );
        // 25 g of sugar a portion: two and a quarter fit under 60 g for certain, two and a half do not.
        var sweet = await kitchen.Make("Sweet", 8, "100 g sugar");
        var placed = await cook.Must(HttpMethod.Post, $"{Week}/batches/{sweet}/place", new { to = kitchen.At(1) });
        var item = Items(placed, 1)[0]!["id"];
        var fitted = await cook.Must(HttpMethod.Post, $"{Week}/items/{item}/fit");
        Assert.Equal(2.25m, Items(fitted, 1)[0]!["portions"]!.GetValue<decimal>());
    }

    [Fact]
    public async Task A_copied_week_is_judged_by_the_recipe_as_it_is_cooked_then()
    {
        var kitchen = await Move_in();
        var cook = kitchen.Cook;
        var rice = await kitchen.Make("Rice", 4, "400 g rice");
        var placed = await cook.Must(HttpMethod.Post, $"{Week}/batches/{rice}/place", new { to = kitchen.At(1) });
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{kitchen.Eater}/personal",
            new
            {
                allergies = new[] { "milk" },
                dislikes = Array.Empty<string>(),
                portionHabit = 1,
                countsTraces = true,
                trustsRefinedSoybeanOil = false,
            }
        );
        // It holds milk now: it is cooked for the others, and not placed for who is allergic.
        await cook.Must(
            HttpMethod.Put,
            $"/api/recipes/{placed["batches"]![0]!["recipeId"]}",
            Visitor.Draft("Rice", 4, ["400 g rice", "500 ml milk"], 1)
        );
        var copied = await cook.Must(HttpMethod.Post, $"{Week}/copy", new { to = Day(7), withMeals = true });
        Assert.Equal((1, 0, 1), (copied["batches"]!.GetValue<int>(), copied["placed"]!.GetValue<int>(), copied["left"]!.GetValue<int>()));
    }

    [Fact]
    public async Task Undo_puts_nothing_before_somebody_who_said_an_allergy_since()
    {
        var kitchen = await Move_in();
        var cook = kitchen.Cook;
        var rice = await kitchen.Make("Milk rice", 4, "400 g rice", "500 ml milk");
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{rice}/place", new { to = kitchen.At(1) });
        await kitchen.Ready(2, "150 g yogurt");
        var board = await cook.Get(Week);
        var takenBack = new List<long?>();
        foreach (var day in new[] { 1, 2 })
        {
            var item = Items(board, day).Single();
            var (_, _, sequence) = await cook.Edit(
                HttpMethod.Post,
                $"{Week}/items/{item!["id"]}/move",
                new { from = kitchen.At(day), to = (object?)null },
                Guid.NewGuid()
            );
            takenBack.Add(sequence);
        }

        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{kitchen.Eater}/personal",
            new
            {
                allergies = new[] { "milk" },
                dislikes = Array.Empty<string>(),
                portionHabit = 1,
                countsTraces = true,
                trustsRefinedSoybeanOil = false,
            }
        );
        foreach (var sequence in takenBack)
        {
            await cook.Refused(HttpStatusCode.Conflict, "allergy", HttpMethod.Post, "/api/undo", new { sequence });
        }

        var after = await cook.Get(Week);
        Assert.Equal(4m, after["batches"]![0]!["loose"]!.GetValue<decimal>());
        Assert.All(after["servings"]!.AsArray(), serving => Assert.Empty(serving!["items"]!.AsArray()));
    }
}
