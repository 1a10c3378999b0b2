using CsCheck;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Sessions;

/// <summary>Sessions in the kitchen that is there: cooks, racks, burners, and dishes that share an oven.</summary>
public class SessionKitchenTests
{
    private static PrepTask Task(string id, int handsOn, int alone, Appliance appliance, int? heat = null, params string[] after) =>
        new(id, id, handsOn, alone, appliance, heat, after);

    private static CookedDish Dish(params PrepTask[] tasks)
    {
        var recipe = Recipe($"Harbour {tasks[0].Id}", 1, [], tasks);
        return new(tasks[0].Id, Guid.NewGuid(), recipe, [new(recipe, 1)], [], []);
    }

    private static SessionKitchen With(int cooks = 1, int[]? racks = null, int burners = 4) =>
        SessionKitchen.Plain with
        {
            Cooks = cooks,
            Ovens = racks ?? [1],
            Places = SessionKitchen.Plain.Places.ToDictionary(
                place => place.Key,
                place => place.Key == Appliance.Burner ? burners : place.Value
            ),
        };

    private static int End(IReadOnlyList<ScheduledTask> order) => order.Max(item => item.End);

    private static KitchenItem Item(string kind, int count) => new(Guid.NewGuid(), kind, kind, count, null, null, null, null);

    private static Kitchen Household(params KitchenItem[] items) => new("metric", "point", null, items, []);

    [Fact]
    public void Three_dishes_at_one_temperature_share_a_run()
    {
        CookedDish[] three =
        [
            Dish(Task("A", 5, 30, Appliance.Oven, 177)),
            Dish(Task("B", 5, 30, Appliance.Oven, 177)),
            Dish(Task("C", 5, 30, Appliance.Oven, 177)),
        ];
        Assert.Equal(45, End(SessionPlan.Order(three, With(racks: [3]))));
        Assert.Equal(95, End(SessionPlan.Order(three, With())));
    }

    [Theory]
    [InlineData(195, true, 28)] // 33 minutes at 180 °C are 28 at 195 °C
    [InlineData(196, false, 33)]
    [InlineData(165, true, 38)]
    [InlineData(164, false, 33)]
    public void Dishes_within_fifteen_degrees_share_the_oven_and_take_their_time(int first, bool share, int alone)
    {
        var order = SessionPlan.Order(
            [Dish(Task("A", 0, 90, Appliance.Oven, first)), Dish(Task("B", 0, 33, Appliance.Oven, 180))],
            With(racks: [2])
        );
        var second = order.Single(item => item.Task.Id == "B");
        Assert.Equal((share ? 0 : 90, alone, share ? first : 180), (second.Start, second.End - second.HandsOnEnd, second.Heat));
    }

    [Fact]
    public void Two_ovens_bake_at_two_temperatures()
    {
        CookedDish[] two = [Dish(Task("A", 5, 30, Appliance.Oven, 160)), Dish(Task("B", 5, 30, Appliance.Oven, 220))];
        Assert.Equal(40, End(SessionPlan.Order(two, With(racks: [1, 1]))));
        Assert.Equal([0, 1], SessionPlan.Order(two, With(racks: [1, 1])).Select(item => item.Unit).Order());
        Assert.Equal(65, End(SessionPlan.Order(two, With(racks: [2]))));
    }

    [Fact]
    public void One_burner_is_a_queue_and_two_cooks_have_four_hands()
    {
        CookedDish[] two = [Dish(Task("A", 10, 20, Appliance.Burner)), Dish(Task("B", 10, 20, Appliance.Burner))];
        Assert.Equal((40, 60), (End(SessionPlan.Order(two, With())), End(SessionPlan.Order(two, With(burners: 1)))));
        var shared = SessionPlan.Order(two, With(cooks: 2));
        Assert.Equal(30, End(shared));
        Assert.Equal([0, 1], shared.Select(item => item.Cook).Order());
    }

    [Fact]
    public void An_air_fryer_is_a_queue_of_rounds() =>
        Assert.Equal(
            55,
            End(
                SessionPlan.Order(
                    [
                        Dish(Task("A", 0, 20, Appliance.AirFryer)),
                        Dish(Task("B", 0, 25, Appliance.AirFryer)),
                        Dish(Task("C", 0, 10, Appliance.AirFryer)),
                    ],
                    With()
                )
            )
        );

    [Fact]
    public void What_a_household_lists_is_what_there_is()
    {
        var listed = Household(Item("oven", 3), Item("burner", 1), Item("pan", 2)).ForSession(2);
        Assert.Equal(
            (2, 3, 1, 1),
            (listed.Cooks, listed.Ovens.Single(), listed.PlacesOf(Appliance.Burner), listed.PlacesOf(Appliance.AirFryer))
        );
        Assert.Contains(Appliance.AirFryer, listed.Unlisted);
        Assert.DoesNotContain(Appliance.Oven, listed.Unlisted);
        Assert.Equal([2, 1], Household(Item("oven", 2), Item("oven", 1)).ForSession(1).Ovens);
        Assert.Null(listed.PlacesOf(Appliance.Fridge));
        // Pans say nothing of what there is to cook on.
        var silent = Household(Item("pan", 2)).ForSession(3);
        Assert.Equal((3, 4, 0), (silent.Cooks, silent.PlacesOf(Appliance.Burner), silent.Unlisted.Count));
    }

    [Fact]
    public void A_sink_a_fridge_and_the_space_to_cool_are_there_and_end_where_somebody_says_so()
    {
        CookedDish[] Cool(Appliance where) => [Dish(Task("A", 2, 30, where)), Dish(Task("B", 2, 30, where)), Dish(Task("C", 2, 30, where))];
        int In(Kitchen kitchen, Appliance where) => End(SessionPlan.Order(Cool(where), kitchen.ForSession(1)));
        var (silent, said) = (
            Household(Item("oven", 1)),
            Household(Item("oven", 1), Item("sink", 2), Item("fridge", 1), Item("cooling-space", 2))
        );
        Assert.DoesNotContain(silent.ForSession(1).Unlisted, one => one is Appliance.Sink or Appliance.Fridge or Appliance.Cooling);
        // One sink, taken while somebody fills it; nobody counted the room to cool and the fridge.
        Assert.Equal((96, 36, 36), (In(silent, Appliance.Sink), In(silent, Appliance.Cooling), In(silent, Appliance.Fridge)));
        // Two basins; one thing after the other in the fridge, which is filled when it is put in; two that cool, the third when one is cold.
        Assert.Equal((64, 92, 62), (In(said, Appliance.Sink), In(said, Appliance.Fridge), In(said, Appliance.Cooling)));
    }

    [Fact]
    public void What_keeps_a_session_from_being_shorter_is_known()
    {
        var braise = Dish(Task("sear", 10, 0, Appliance.Burner), Task("braise", 5, 180, Appliance.SlowCooker, null, "sear"));
        var (rice, salad) = (Dish(Task("rice", 5, 20, Appliance.Burner)), Dish(Task("salad", 200, 0, Appliance.None)));
        Assert.Equal(new SessionBound(195, 0, null), SessionBound.Of(CookedSession.Of([braise, rice], With())));
        Assert.Equal(new SessionBound(220, null, null), SessionBound.Of(CookedSession.Of([braise, rice, salad], With())));
        Assert.Equal(new SessionBound(200, 2, null), SessionBound.Of(CookedSession.Of([braise, rice, salad], With(cooks: 2))));
        CookedDish[] fried = [Dish(Task("A", 0, 20, Appliance.AirFryer)), Dish(Task("B", 0, 25, Appliance.AirFryer))];
        Assert.Equal(new SessionBound(45, null, Appliance.AirFryer), SessionBound.Of(CookedSession.Of(fried, With())));
        Assert.Equal(new SessionBound(0, null, null), SessionBound.Of(CookedSession.Of([], With())));
        // Another dish's oven may be a little hotter; one alone bakes at its own temperature.
        var bread = Dish(Task("bread", 0, 100, Appliance.Oven, 180));
        Assert.Equal(
            100,
            SessionBound.Of(CookedSession.Of([bread, Dish(Task("pie", 0, 5, Appliance.Oven, 220))], With(racks: [2]))).Minutes
        );
        Assert.Equal(
            90,
            SessionBound.Of(CookedSession.Of([bread, Dish(Task("pie", 0, 5, Appliance.Oven, 190))], With(racks: [2]))).Minutes
        );
    }

    [Fact]
    public void What_might_shorten_a_session_is_one_more_cook_or_the_air_fryer_that_is_there()
    {
        CookedDish[] dishes = [Dish(Task("peppers", 4, 30, Appliance.Oven, 220)), Dish(Task("toast", 1, 5, Appliance.Oven, 220))];
        IReadOnlyList<Shortening> In(SessionKitchen kitchen) => Shortening.Of(dishes, CookedSession.Of(dishes, kitchen), kitchen, 4);
        var tries = In(With());
        Assert.Equal([(null, null), (0, 24)], tries.Select(one => (one.Dish, one.Elsewhere?.Unattended)));
        Assert.Equal(2, tries[0].Question.Cooks);
        Assert.Equal(Appliance.AirFryer, tries[1].Question.Places[tries[1].Question.Works[0].Ways.Single().Place!.Value].Appliance);
        Assert.Empty(In(With(cooks: 4) with { Unlisted = new HashSet<Appliance> { Appliance.AirFryer } }));
    }

    [Fact]
    public void In_any_kitchen_nothing_is_held_twice_and_no_order_is_shorter_than_it_can_be() =>
        Gen.Select(
                Gen.Select(Gen.Int[0, 20], Gen.Int[0, 90], Gen.Int[0, 10], Gen.Int[-1, 4], Gen.Int[0, 3]).Array[1, 14],
                Gen.Int[1, 3],
                Gen.Int[1, 3].Array[1, 2],
                Gen.Int[1, 2]
            )
            .Sample(
                (seeds, cooks, racks, burners) =>
                {
                    int?[] heats = [null, 160, 175, 200];
                    var tasks = seeds
                        .Select(
                            (seed, at) =>
                                Task(
                                    $"{at}",
                                    seed.Item1,
                                    seed.Item2,
                                    (Appliance)seed.Item3,
                                    (Appliance)seed.Item3 == Appliance.Oven ? heats[seed.Item5] : null,
                                    seed.Item4 >= 0 && seed.Item4 < at ? [$"{seed.Item4}"] : []
                                )
                        )
                        .ToArray();
                    var (dishes, kitchen) = (new[] { Dish(tasks) }, With(cooks, racks, burners));
                    var session = CookedSession.Of(dishes, kitchen);
                    var answer = SessionPlan.Of(session.Question);
                    Assert.Empty(SessionJudge.Wrong(session.Question, answer));
                    var order = session.Order(answer);
                    Assert.Equal(tasks.Length, order.Count);
                    Assert.Empty(ScheduleCheck.Wrong(order, kitchen));
                    Assert.True(End(order) >= SessionBound.Of(CookedSession.Of(dishes, kitchen)).Minutes);
                }
            );
}
