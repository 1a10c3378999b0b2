using CsCheck;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Sessions;

/// <summary>Pots and trays of which there are so many: a dish keeps its own until its last step in it is over.</summary>
public class SessionVesselTests
{
    private static PrepTask Task(string id, int handsOn, int alone, params string[] after) =>
        new(id, id, handsOn, alone, Appliance.Burner, null, after);

    private static CookedDish Dish(params PrepTask[] tasks)
    {
        var recipe = Recipe($"Harbour {tasks[0].Id}", 1, [], tasks);
        return new(tasks[0].Id, Guid.NewGuid(), recipe, [new(recipe, 1)], [], []);
    }

    /// <summary>Every dish in one vessel from its first step to its last.</summary>
    private static SessionKitchen With(int pots, int pans = 0) =>
        SessionKitchen.Plain with
        {
            Vessels = [("Pot", pots), ("Pan", pans)],
            StaysOf = dish => [new([.. dish.Recipe.Tasks.Select(task => task.Id)], pans > 0 ? [0, 1] : [0])],
        };

    private static readonly CookedDish[] Two =
    [
        Dish(Task("A", 5, 20), Task("A2", 5, 0, "A")),
        Dish(Task("B", 5, 20), Task("B2", 5, 0, "B")),
    ];

    private static (CookedSession Session, SessionAnswer Answer, int End) Planned(SessionKitchen kitchen, params CookedDish[] dishes)
    {
        var session = CookedSession.Of(dishes, kitchen);
        var answer = SessionPlan.Of(session.Question);
        Assert.Empty(SessionJudge.Wrong(session.Question, answer));
        return (session, answer, answer.End(session.Question));
    }

    [Fact]
    public void Two_dishes_in_one_pot_come_one_after_the_other_and_it_is_washed_between()
    {
        Assert.Equal(35, Planned(With(2), Two).End);
        Assert.Equal(35, Planned(With(1, 1), Two).End);
        var (session, answer, end) = Planned(With(1), Two);
        Assert.Equal(60, end);
        Assert.Equal(
            [("A", 0, (int?)null), ("A2", null, null), ("B", 0, 0), ("B2", null, null)],
            session.Order(answer).Select(item => (item.Task.Id, item.Vessel, item.VesselAfter))
        );
    }

    [Fact]
    public void The_pot_that_everything_waits_for_is_named_and_one_more_of_it_is_tried()
    {
        var dishes = new[] { Dish(Task("A", 2, 60)), Dish(Task("B", 2, 60)), Dish(Task("C", 2, 60)) };
        var bound = SessionBound.Of(CookedSession.Of(dishes, With(1)));
        Assert.Equal((186, (int?)0, (Appliance?)null), (bound.Minutes, bound.Vessel, bound.Appliance));
        Assert.Equal(93, SessionBound.Of(CookedSession.Of(dishes, With(2))).Minutes);
        // Who may take a pan as well is not bound to the pot.
        Assert.Null(SessionBound.Of(CookedSession.Of(dishes, With(1, 1))).Vessel);
        var more = Shortening.Of(dishes, CookedSession.Of(dishes, With(1)), With(1), 1);
        Assert.Equal([2, 0], more.Single().Question.Vessels);
        Assert.Equal(0, more.Single().Vessel);
        Assert.Empty(Shortening.Of(dishes, CookedSession.Of(dishes, With(3)), With(3), 1));
    }

    [Fact]
    public void Two_dishes_that_wait_for_each_others_vessel_are_cooked_all_the_same()
    {
        // Each begins in one vessel and needs the other's before it is done with its own: somebody has to give way.
        CookedDish[] dishes =
        [
            Dish(Task("A", 1, 10), Task("A2", 1, 10, "A"), Task("A3", 1, 0, "A2")),
            Dish(Task("B", 1, 10), Task("B2", 1, 10, "B"), Task("B3", 1, 0, "B2")),
        ];
        var kitchen = SessionKitchen.Plain with
        {
            Vessels = [("Pot", 1), ("Pan", 1)],
            StaysOf = dish => dish == dishes[0] ? [new(["A", "A3"], [0]), new(["A2"], [1])] : [new(["B", "B3"], [1]), new(["B2"], [0])],
        };
        var session = CookedSession.Of(dishes, kitchen);
        var answer = SessionPlan.Of(session.Question);
        Assert.Equal(6, answer.Starts.Count);
        Assert.Contains(SessionJudge.Wrong(session.Question, answer), one => one.StartsWith("vessel", StringComparison.Ordinal));
    }

    [Fact]
    public void What_is_in_a_pot_that_does_not_hold_it_or_in_none_is_wrong()
    {
        var (session, answer, _) = Planned(With(1), Two);
        Assert.Contains(
            SessionJudge.Wrong(session.Question, answer with { Vessels = [0, 1] }),
            one => one.Contains("does not hold", StringComparison.Ordinal)
        );
        Assert.Contains(
            SessionJudge.Wrong(session.Question, answer with { Vessels = [0] }),
            one => one.Contains("not every step", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void While_it_is_cooked_a_pot_stays_with_its_dish_until_that_is_over()
    {
        var (session, planned, _) = Planned(With(1), Two);
        var begins = new DateTimeOffset(2026, 10, 24, 14, 0, 0, TimeSpan.Zero);
        SessionQuestion Left(params (StepRun, bool)[] steps) => SessionRun.Left(session, planned, steps, begins);
        (StepRun, bool) Done(int minute) => (StepRun.Nothing with { Done = begins.AddMinutes(minute) }, true);
        (StepRun, bool) waiting = (StepRun.Nothing, false);

        var left = Left(Done(30), waiting, waiting, waiting);
        Assert.Equal(2, left.Stays.Count);
        var answer = SessionPlan.Of(left);
        Assert.Empty(SessionJudge.Wrong(left, answer));
        Assert.True(answer.Starts[2] >= answer.EndOf(left, 1));
        // Both begun in the only pot: that is as it is, and the rest has an order.
        var both = Left(Done(30), waiting, Done(30), waiting);
        Assert.Single(both.Stays);
        Assert.Empty(SessionJudge.Wrong(both, SessionPlan.Of(both)));
        Assert.Single(Left(Done(30), Done(36), waiting, waiting).Stays);
    }

    [Fact]
    public void In_any_session_without_rings_no_vessel_is_taken_twice() =>
        Gen.Select(
                Gen.Select(Gen.Int[0, 9], Gen.Int[0, 30], Gen.Int[0, 9], Gen.Int[0, 30]).Array[1, 7],
                Gen.Int[1, 2],
                Gen.Int[0, 2],
                Gen.Int[1, 3]
            )
            .Sample(
                (seeds, pots, pans, cooks) =>
                {
                    var dishes = seeds
                        .Select((seed, at) => Dish(Task($"{at}", seed.Item1, seed.Item2), Task($"{at}b", seed.Item3, seed.Item4, $"{at}")))
                        .ToArray();
                    var (session, answer, end) = Planned(With(pots, pans) with { Cooks = cooks }, dishes);
                    Assert.True(end >= SessionBound.Of(session).Minutes);
                    Assert.Equal(dishes.Length, session.Order(answer).Count(item => item.Vessel is not null));
                }
            );
}
