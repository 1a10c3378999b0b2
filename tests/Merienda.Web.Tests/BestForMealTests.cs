using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.FollowedProtocols;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>The best things for an open meal.</summary>
public class BestForMealTests(TestDatabase database)
{
    private static string Best(MealKitchen.Kitchen kitchen, int day, string meal = "supper") =>
        $"{Week}/best?day={Day(day)}&meal={meal}&eater={kitchen.Eater}";

    private static string[] Names(JsonNode best) => [.. best.AsArray().Select(thing => thing!["name"]!.GetValue<string>())];

    [Fact]
    public async Task Loose_portions_come_in_the_size_that_suits_the_day_and_what_breaks_it_comes_last()
    {
        var kitchen = await database.MoveIn();
        var cook = kitchen.Cook;
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{kitchen.Eater}/protocols", new { protocols = new[] { "low-carb" } });
        await State(cook, kitchen.Eater, "low-carb", "net-carbs", 25);
        // Of 4 portions each: about 1 g and 79 g of net carbs.
        await kitchen.Make("Cod", 4, "600 g cod", "200 g spinach");
        await kitchen.Make("Rice", 4, "400 g white rice");
        var best = await cook.Get(Best(kitchen, 1));

        Assert.Equal(["Cod", "Rice"], Names(best));
        Assert.Equal(["fits", "breaks"], best.AsArray().Select(thing => thing!["verdict"]!.GetValue<string>()));
        var ruler = best[1]!["rulers"]!.AsArray().Single(one => one!["name"]!.GetValue<string>() == "Net carbs")!;
        Assert.Equal((0m, 25m), (ruler["before"]!.GetValue<decimal>(), ruler["atMost"]!.GetValue<decimal>()));
        Assert.True(ruler["after"]!.GetValue<decimal>() > 25);
        // The smallest portion of what is too much.
        Assert.Equal(0.75m, best[1]!["portions"]!.GetValue<decimal>());

        var placed = await cook.Must(
            HttpMethod.Post,
            $"{Week}/batches/{best[1]!["batchId"]}/place",
            new
            {
                to = kitchen.At(1),
                lotId = best[1]!["lotId"],
                portions = 0.75,
            }
        );
        Assert.Equal(0.75m, MealKitchen.Items(placed, 1)[0]!["portions"]!.GetValue<decimal>());
    }

    [Fact]
    public async Task What_an_eater_is_allergic_to_is_never_offered_and_neither_is_what_does_not_keep()
    {
        var kitchen = await database.MoveIn();
        await kitchen.Cook.BecomeAllergic(kitchen.Eater, "fish");
        await kitchen.Make("Cod", 4, "600 g cod");
        await kitchen.Make("Beef", 4, "600 g beef shin");

        Assert.Equal(["Beef"], Names(await kitchen.Cook.Get(Best(kitchen, 1))));
    }

    [Fact]
    public async Task Instead_of_what_breaks_the_day_a_planned_batch_is_offered_and_grows_when_it_is_taken()
    {
        var kitchen = await database.MoveIn();
        var cook = kitchen.Cook;
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{kitchen.Eater}/protocols", new { protocols = new[] { "low-carb" } });
        await State(cook, kitchen.Eater, "low-carb", "net-carbs", 25);
        // The week to come: its batches are still to be cooked.
        async Task<string> Make(string name, decimal portions, params string[] lines)
        {
            var recipe = await cook.AddRecipe(name, 4, lines);
            var made = await cook.MakeBatch(Solved.NextWeek, recipe, Day(6), portions);
            return made["batches"]!.AsArray().Single(batch => batch!["name"]!.GetValue<string>() == name)!["id"]!.GetValue<string>();
        }

        var (cod, rice) = (await Make("Cod", 1, "600 g cod"), await Make("Rice", 2, "400 g white rice"));
        await cook.Must(HttpMethod.Post, $"{Solved.NextWeek}/batches/{cod}/place", new { to = kitchen.At(8) });
        var board = await cook.Must(HttpMethod.Post, $"{Solved.NextWeek}/batches/{rice}/place", new { to = kitchen.At(7) });
        var item = MealKitchen.Items(board, 7)[0]!["id"]!.GetValue<Guid>();
        var path = $"{Solved.NextWeek}/best?day={Day(7)}&meal=supper&eater={kitchen.Eater}";
        var best = await cook.Get($"{path}&instead={item}");
        Assert.Equal(["Cod"], Names(best));
        Assert.Equal((true, "fits"), (best[0]!["isMore"]!.GetValue<bool>(), best[0]!["verdict"]!.GetValue<string>()));
        Assert.True(best[0]!["rulers"]![0]!["before"]!.GetValue<decimal>() > best[0]!["rulers"]![0]!["after"]!.GetValue<decimal>());

        // What would break the day as well is not better.
        var codItem = MealKitchen.Items(board, 8)[0]!["id"]!.GetValue<Guid>();
        Assert.Empty(Names(await cook.Get($"{Solved.NextWeek}/best?day={Day(8)}&meal=supper&eater={kitchen.Eater}&instead={codItem}")));

        object Asked(Guid? instead, string? ready = null, string? batch = "") =>
            new
            {
                place = kitchen.At(7),
                instead,
                batchId = batch is null || ready is not null ? null : cod,
                lotId = ready is null ? best[0]!["lotId"] : null,
                portions = 1,
                ready,
            };
        var then = await cook.Must(HttpMethod.Post, $"{Solved.NextWeek}/put", Asked(item));
        Assert.Equal("Cod", Assert.Single(MealKitchen.Items(then, 7))!["name"]!.GetValue<string>());
        Assert.Equal(2, then["batches"]!.AsArray().Single(batch => (string)batch!["id"]! == cod)!["portions"]!.GetValue<decimal>());
        Assert.Equal("Exchanged something of a meal", then["undo"]!["summary"]!.GetValue<string>());

        await cook.Refused(HttpStatusCode.Conflict, "item-gone", HttpMethod.Post, $"{Solved.NextWeek}/put", Asked(item));
        await cook.Refused(HttpStatusCode.Conflict, "item-gone", HttpMethod.Get, $"{path}&instead={item}");
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "nothing-chosen",
            HttpMethod.Post,
            $"{Solved.NextWeek}/put",
            Asked(null, null, null)
        );
        await cook.BecomeAllergic(kitchen.Eater, "fish");
        await cook.Refused(HttpStatusCode.Conflict, "allergy", HttpMethod.Post, $"{Solved.NextWeek}/put", Asked(null));
        var beside = await cook.Must(HttpMethod.Post, $"{Solved.NextWeek}/put", Asked(null, "150 g skyr"));
        Assert.Equal(2, MealKitchen.Items(beside, 7).Count);
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "ready-amount-missing",
            HttpMethod.Post,
            $"{Solved.NextWeek}/put",
            Asked(null, "skyr")
        );
    }

    [Fact]
    public async Task A_meal_of_another_week_or_of_nobody_is_refused()
    {
        var kitchen = await database.MoveIn();
        await kitchen.Cook.Refused(HttpStatusCode.UnprocessableEntity, "out-of-week", HttpMethod.Get, Best(kitchen, 9));
        await kitchen.Cook.Refused(HttpStatusCode.UnprocessableEntity, "unknown-meal", HttpMethod.Get, Best(kitchen, 1, "tea"));
        await kitchen.Cook.Refused(
            HttpStatusCode.NotFound,
            "eater-gone",
            HttpMethod.Get,
            $"{Week}/best?day={Day(1)}&meal=supper&eater={Guid.NewGuid()}"
        );
    }
}
