using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.FollowedProtocols;
using static Merienda.Web.Tests.MealKitchen;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>Much at once: rows, days, weeks and the size that fits a day.</summary>
public class FillTests(TestDatabase database)
{
    [Fact]
    public async Task A_row_a_day_and_a_week_are_filled_in_one_act_and_taken_back_in_one()
    {
        var kitchen = await database.MoveIn();
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
        var kitchen = await database.MoveIn();
        var cook = kitchen.Cook;
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{kitchen.Eater}/protocols", new { protocols = new[] { "low-carb" } });
        await State(cook, kitchen.Eater, "low-carb", "net-carbs", 60);
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
        var kitchen = await database.MoveIn();
        var cook = kitchen.Cook;
        var rice = await kitchen.Make("Rice", 4, "400 g rice");
        var placed = await cook.Must(HttpMethod.Post, $"{Week}/batches/{rice}/place", new { to = kitchen.At(1) });
        await cook.BecomeAllergic(kitchen.Eater, "milk");
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
        var kitchen = await database.MoveIn();
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

        await cook.BecomeAllergic(kitchen.Eater, "milk");
        foreach (var sequence in takenBack)
        {
            await cook.Refused(HttpStatusCode.Conflict, "allergy", HttpMethod.Post, "/api/undo", new { sequence });
        }

        var after = await cook.Get(Week);
        Assert.Equal(4m, after["batches"]![0]!["loose"]!.GetValue<decimal>());
        Assert.All(after["servings"]!.AsArray(), serving => Assert.Empty(serving!["items"]!.AsArray()));
    }

    [Fact]
    public async Task Energy_goes_over_from_one_meal_of_the_day_to_another_and_back_by_undo()
    {
        var kitchen = await database.MoveIn();
        var cook = kitchen.Cook;
        var beef = await kitchen.Make("Beef", 4, "1.2 kg beef shin");
        var cod = await kitchen.Make("Cod", 4, "1.4 kg cod");
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{cod}/place", new { to = kitchen.At(1, "lunch") });
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{beef}/place", new { to = kitchen.At(1) });
        object Asked(string measure, string from, string to) =>
            new
            {
                day = Day(1),
                eaterId = kitchen.Eater,
                measure,
                from,
                to,
            };
        static (decimal Lunch, decimal Supper) Sizes(JsonNode board) =>
            (Items(board, 1, "lunch")[0]!["portions"]!.GetValue<decimal>(), Items(board, 1)[0]!["portions"]!.GetValue<decimal>());

        var shifted = await cook.Must(HttpMethod.Post, $"{Week}/days/shift", Asked("energy", "supper", "lunch"));
        Assert.True(Sizes(shifted) is { Lunch: > 1, Supper: < 1 });
        Assert.Matches("^About [0-9]+ kcal went from supper to lunch$", shifted["undo"]!["summary"]!.GetValue<string>());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal((1m, 1m), Sizes(await cook.Get(Week)));

        Task Refused(HttpStatusCode status, string code, object asked) =>
            cook.Refused(status, code, HttpMethod.Post, $"{Week}/days/shift", asked);
        await Refused(HttpStatusCode.UnprocessableEntity, "not-shifted", Asked("points", "supper", "lunch"));
        await Refused(HttpStatusCode.UnprocessableEntity, "not-shifted", Asked("luck", "supper", "lunch"));
        await Refused(HttpStatusCode.Conflict, "nothing-to-shift", Asked("fat", "supper", "breakfast"));
        await Refused(HttpStatusCode.Conflict, "nothing-to-shift", Asked("fat", "breakfast", "supper"));
    }
}
