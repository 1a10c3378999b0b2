using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Sessions;

/// <summary>What is left to order of a session that is being cooked, and what its steps took by the clock.</summary>
public class SessionRunTests
{
    /// <summary>Across the night in which clocks go back: minutes are those that pass.</summary>
    private static readonly DateTimeOffset Begins = new(2026, 10, 25, 0, 30, 0, TimeSpan.Zero);

    private static readonly CookedSession Session = CookedSession.Of(
        [
            Dish("A", new("a", "Cut", 10, 0, Appliance.None, null, []), new("b", "Bake", 5, 30, Appliance.Oven, 180, ["a"])),
            Dish("B", new PrepTask("c", "Stir", 8, 0, Appliance.None, null, [])),
        ],
        SessionKitchen.Plain
    );

    private static readonly SessionAnswer Planned = new([0, 10, 15], [0, 0, 0], 45);

    private static CookedDish Dish(string letter, params PrepTask[] tasks)
    {
        var recipe = Recipe(letter, 1, [], tasks);
        return new(letter, Guid.NewGuid(), recipe, [new(recipe, 1)], [], []);
    }

    private static DateTimeOffset At(double minute) => Begins.AddMinutes(minute);

    private static SessionQuestion Left(params (StepRun Run, bool IsTicked)[] steps) => SessionRun.Left(Session, Planned, steps, Begins);

    private static readonly (StepRun, bool) Waiting = (StepRun.Nothing, false);

    [Fact]
    public void A_session_that_nobody_has_touched_is_as_planned() => Assert.Same(Session.Question, Left(Waiting, Waiting, Waiting));

    [Fact]
    public void What_is_done_and_what_runs_stays_and_nothing_begins_before_the_last_press()
    {
        var left = Left(
            (StepRun.Nothing with { Done = At(12.7) }, true),
            (StepRun.Nothing with { HandsOff = At(20), Until = At(55) }, false),
            Waiting
        );
        Assert.Equal((12, true, 0), (left.Works[0].At, left.Works[0].IsUnderway, left.Works[0].HandsOn));
        Assert.Equal((20, true, 35), (left.Works[1].At, left.Works[1].IsUnderway, left.Works[1].Ways.Single().Alone));
        Assert.Equal((null, 20, 15, 8), (left.Works[2].At, left.Works[2].Earliest, left.Works[2].Was, left.Works[2].HandsOn));
        var order = Session.Order(SessionPlan.Of(left), left);
        Assert.Equal([(2, 12), (15, 55), (20, 28)], order.Select(item => (item.Start, item.End)));
        Assert.Equal(20, order[1].HandsOnEnd);
    }

    [Fact]
    public void What_was_begun_before_its_time_stays_where_it_was()
    {
        // Somebody baked first and cuts now: nothing can change that, and there is an order all the same.
        var left = Left(Waiting, (StepRun.Nothing with { HandsOff = At(5), Until = At(35) }, false), Waiting);
        var answer = SessionPlan.Of(left);
        Assert.Empty(SessionJudge.Wrong(left, answer));
        Assert.Equal((5, true), (answer.Starts[1], answer.Starts[0] >= 5));
    }

    [Fact]
    public void What_was_put_before_the_last_press_is_let_go()
    {
        var put = Left(Waiting, Waiting, (StepRun.Nothing with { Put = 30 }, false));
        Assert.Equal((30, 0), (put.Works[2].At, put.Works[2].Earliest));
        Assert.Null(Left((StepRun.Nothing with { Done = At(31) }, true), Waiting, (StepRun.Nothing with { Put = 30 }, false)).Works[2].At);
    }

    [Fact]
    public void A_press_of_another_day_says_nothing_of_the_minutes()
    {
        Assert.Same(Session.Question, Left((StepRun.Nothing with { Done = Begins.AddDays(1) }, true), Waiting, Waiting));
        Assert.Same(Session.Question, Left((StepRun.Nothing with { Done = Begins.AddHours(-4) }, true), Waiting, Waiting));
        // Somebody who begins early begins at the start.
        Assert.Equal(0, Left((StepRun.Nothing with { Done = Begins.AddHours(-1) }, true), Waiting, Waiting).Works[0].At);
    }

    [Fact]
    public void What_a_step_took_is_from_the_press_before_it()
    {
        (StepRun, bool)[] steps =
        [
            (StepRun.Nothing with { Done = At(10) }, true),
            (StepRun.Nothing with { HandsOff = At(17), Until = At(47), Done = At(50) }, true),
            (StepRun.Nothing with { Done = At(29) }, true),
        ];
        Assert.Equal([null, 40, 12], SessionRun.Took(steps, 1));
        // Two cooks press for each other; what was left out took nothing.
        Assert.All(SessionRun.Took(steps, 2), Assert.Null);
        steps[2] = (StepRun.Nothing with { Done = At(29), IsSkipped = true }, true);
        Assert.Equal([null, 40, null], SessionRun.Took(steps, 1));
    }
}
