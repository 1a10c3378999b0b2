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
