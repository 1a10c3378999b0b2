using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Sessions;

public class SessionPlanTests
{
    private static PrepTask Task(string id, int handsOn, int unattended = 0, Appliance appliance = Appliance.None, params string[] after) =>
        new(id, id, handsOn, unattended, appliance, null, after);

    private static CookedDish Dish(string letter, IReadOnlyList<PrepTask> tasks, params CookedDish[] needs) =>
        Dish(letter, Recipe($"Harbour {letter}", 1, [], tasks), needs);

    private static CookedDish Dish(string letter, RecipeVersion recipe, params CookedDish[] needs) =>
        new(letter, Guid.NewGuid(), recipe, [new(recipe, 1)], [], [.. needs.Select(dish => dish.Version)]);

    [Fact]
    public void The_longest_unattended_goes_first()
    {
        var order = SessionPlan.Order(
            [
                Dish("A", [Task("salad", 20)]),
                Dish("B", [Task("sear", 10, 0, Appliance.Burner), Task("braise", 5, 180, Appliance.SlowCooker, "sear")]),
                Dish("C", [Task("lentils", 5, 25, Appliance.Burner)]),
            ],
            SessionKitchen.Plain
        );
        Assert.Equal(["sear", "braise", "lentils", "salad"], order.Select(item => item.Task.Id));
        Assert.Equal([0, 10, 15, 20], order.Select(item => item.Start));
    }

    [Fact]
    public void One_oven_takes_one_dish_at_a_time()
    {
        var order = SessionPlan.Order(
            [Dish("A", [Task("roast", 5, 40, Appliance.Oven)]), Dish("B", [Task("bake", 5, 30, Appliance.Oven)])],
            SessionKitchen.Plain
        );
        // It is made ready while the first one bakes.
        Assert.Equal(40, order.Single(item => item.Dish == 1).Start);
    }

    [Fact]
    public void Tasks_that_wait_in_a_ring_or_for_nothing_still_come_out_once() =>
        Assert.Equal(
            ["x", "y", "z"],
            SessionPlan
                .Order(
                    [
                        Dish(
                            "A",
                            [
                                Task("x", 5, 0, Appliance.None, "y"),
                                Task("y", 5, 0, Appliance.None, "x"),
                                Task("z", 1, 0, Appliance.None, "missing"),
                            ]
                        ),
                    ],
                    SessionKitchen.Plain
                )
                .Select(item => item.Task.Id)
                .Order()
        );

    [Fact]
    public void A_dish_waits_for_what_it_takes_of_another_where_a_step_names_it()
    {
        var pork = Dish("pork", Recipe("Pulled pork", 8, [Line("1 kg pork shoulder")], [Task("braise", 10, 120, Appliance.Oven)]));
        RecipeVersion Takes(params PrepTask[] tasks) =>
            Recipe(
                "Harbour plate",
                1,
                [
                    RecipeLine.Using(
                        "2 portions pulled pork",
                        new(Guid.NewGuid(), pork.Version, pork.Recipe),
                        Table.Foods,
                        MeasureSystem.Metric
                    ),
                ],
                tasks
            );
        var order = SessionPlan.Order(
            [
                pork,
                Dish("rolls", Takes(Task("chop the slaw", 15), Task("fill with the pork", 5)), pork),
                Dish("bowls", Takes(Task("boil rice", 5, 20), Task("serve", 5)), pork),
            ],
            SessionKitchen.Plain
        );
        var start = order.ToDictionary(item => item.Task.Id, item => item.Start);
        Assert.Equal(0, start["braise"]);
        Assert.Equal(10, start["chop the slaw"]);
        Assert.True(start["fill with the pork"] >= 130);
        // No step of the bowls names the pork: all of them wait.
        Assert.True(start["boil rice"] >= 130 && start["serve"] >= 130);
    }
}
