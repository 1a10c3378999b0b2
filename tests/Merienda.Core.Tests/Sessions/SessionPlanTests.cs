using CsCheck;
using Merienda.Core.Sessions;

namespace Merienda.Core.Tests.Sessions;

public class SessionPlanTests
{
    private static PrepTask Task(string id, int handsOn, int unattended = 0, Appliance appliance = Appliance.None, params string[] after) =>
        new(id, id, handsOn, unattended, appliance, null, after);

    [Fact]
    public void The_longest_unattended_goes_first()
    {
        var order = SessionPlan.Order([
            ("A", [Task("salad", 20)]),
            ("B", [Task("sear", 10, 0, Appliance.Burner), Task("braise", 5, 180, Appliance.SlowCooker, "sear")]),
            ("C", [Task("lentils", 5, 25, Appliance.Burner)]),
        ]);
        Assert.Equal(["sear", "braise", "lentils", "salad"], order.Select(item => item.Task.Id));
        Assert.Equal([0, 10, 15, 20], order.Select(item => item.Start));
    }

    [Fact]
    public void One_oven_takes_one_dish_at_a_time()
    {
        var order = SessionPlan.Order([("A", [Task("roast", 5, 40, Appliance.Oven)]), ("B", [Task("bake", 5, 30, Appliance.Oven)])]);
        Assert.Equal(45, order.Single(item => item.Letter == "B").Start);
    }

    [Fact]
    public void Tasks_that_wait_in_a_ring_or_for_nothing_still_come_out_once() =>
        Assert.Equal(
            ["x", "y", "z"],
            SessionPlan
                .Order([
                    (
                        "A",
                        [
                            Task("x", 5, 0, Appliance.None, "y"),
                            Task("y", 5, 0, Appliance.None, "x"),
                            Task("z", 1, 0, Appliance.None, "missing"),
                        ]
                    ),
                ])
                .Select(item => item.Task.Id)
                .Order()
        );

    [Fact]
    public void In_any_session_hands_and_oven_are_never_double_booked_and_nothing_starts_before_what_it_waits_for() =>
        Gen.Select(Gen.Int[0, 20], Gen.Int[0, 90], Gen.Int[0, 3], Gen.Int[-1, 4])
            .Array[1, 14]
            .Sample(seeds =>
            {
                var tasks = seeds
                    .Select(
                        (seed, at) =>
                            Task(
                                $"{at}",
                                seed.Item1,
                                seed.Item2,
                                (Appliance)seed.Item3,
                                seed.Item4 >= 0 && seed.Item4 < at ? [$"{seed.Item4}"] : []
                            )
                    )
                    .ToList();
                var order = SessionPlan.Order([("A", tasks)]);
                var ends = order.ToDictionary(item => item.Task.Id, item => item.End);
                bool Overlap(int s1, int e1, int s2, int e2) => s1 < e2 && s2 < e1;
                var pairs = from one in order from two in order where string.CompareOrdinal(one.Task.Id, two.Task.Id) < 0 select (one, two);
                return order.Count == tasks.Count
                    && order.All(item => item.Task.After.All(id => ends[id] <= item.Start))
                    && pairs.All(pair =>
                        !Overlap(pair.one.Start, pair.one.HandsOnEnd, pair.two.Start, pair.two.HandsOnEnd)
                        && (
                            pair.one.Task.Appliance != Appliance.Oven
                            || pair.two.Task.Appliance != Appliance.Oven
                            || !Overlap(pair.one.Start, pair.one.End, pair.two.Start, pair.two.End)
                        )
                    );
            });

    [Fact]
    public void Steps_are_read_with_their_minutes_temperature_and_appliance()
    {
        var tasks = TaskReader.Read(["1. Chop the fennel for 10 minutes.", "Roast at 200 °C for 35–40 minutes.", "Stir in the herbs."]);
        Assert.Equal((10, 0, Appliance.None), (tasks[0].HandsOn, tasks[0].Unattended, tasks[0].Appliance));
        Assert.Equal(
            (5, 40, Appliance.Oven, 200),
            (tasks[1].HandsOn, tasks[1].Unattended, tasks[1].Appliance, tasks[1].TemperatureC!.Value)
        );
        Assert.Equal((TaskReader.UsualHandsOn, 0), (tasks[2].HandsOn, tasks[2].Unattended));
        Assert.Equal([tasks[0].Id], tasks[1].After);
    }
}
