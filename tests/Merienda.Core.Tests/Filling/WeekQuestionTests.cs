using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Core.Tests.Planning;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

/// <summary>A planned week as a question: what is still to be cooked, what is loose, what may be changed.</summary>
public class WeekQuestionTests
{
    private static readonly DateOnly Saturday = Sunday.AddDays(-1);
    private static readonly DateOnly Wednesday = Sunday.AddDays(3);
    private static readonly Guid Recipe = Guid.NewGuid();

    private static readonly RecipeVersion Stew = new()
    {
        Name = "Stew",
        Portions = 4,
        Lines = [Line("600 g beef shin")],
        Keeping = KeepingClass.WithKey("cooked")!,
    };

    private static readonly Eater Ilse = new(
        Guid.NewGuid(),
        "Ilse",
        new EaterRules([], [], PersonalLimits.None, Data.HouseScheme, Data.Classes, Sunday),
        [EaterMeal.Daily("supper", 1)],
        Rhythm.Usual
    );

    private static readonly FillDish Dish = new(Recipe, null, Stew);

    private static Cell Supper(int day) => new(Sunday.AddDays(day), "supper", Ilse.Id);

    private static WeekPlan Week(Batch? batch, params (int Day, decimal Size)[] placed) =>
        placed.Aggregate(
            new WeekPlan(Sunday, batch is null ? [] : [batch], [], [])
            {
                Sessions = [Rhythm.Usual.SessionOn(Saturday, Sunday, Guid.NewGuid())],
            },
            (plan, one) => plan.Place(batch!.Id, Supper(one.Day), one.Size, Guid.NewGuid).Value
        );

    private static WeekQuestion Ask(WeekPlan plan, DateOnly? today = null) =>
        new(
            plan,
            [Ilse],
            today ?? Saturday,
            [Dish],
            (_, lot) => new(Recipe, lot.Variant, Stew),
            [
                .. plan.Servings.SelectMany(serving =>
                    serving.Items.Select(item => new OnMeal(serving.Cell, item, new("A", Stew.Profile, 1) { Dish = "Stew" }))
                ),
            ],
            FillWishes.Usual
        );

    private static Batch Batch(decimal portions) => Cooked.Batch("A", Saturday, portions) with { Keeping = Stew.Keeping };

    [Fact]
    public void An_empty_week_asks_for_every_meal_from_its_sessions()
    {
        var question = Ask(Week(null)).ToFill(FillScope.All);
        Assert.Equal([Saturday, Wednesday], question.Sessions.Select(session => session.Date));
        Assert.Equal(7, question.Open.Count());
        Assert.Empty(question.Rests);
        Assert.Equal([Dish], question.Dishes);
    }

    [Fact]
    public void Boxes_that_are_planned_or_frozen_by_choice_stand_there_and_what_is_loose_or_may_change_is_sought()
    {
        var batch = Batch(4);
        var plan = Week(batch, (1, 1));
        Assert.Single(Ask(plan).ToFill(FillScope.All).Waiting);
        Assert.Empty(Ask(plan).ToMend(FillScope.All).Waiting);
        var frozen = plan.Freeze(batch.Id, FreezeShare.Half).Value;
        Assert.Equal([false, true, true], Ask(frozen).ToFill(FillScope.All).Waiting.Select(box => box.IsFrozen));
    }

    [Fact]
    public void Sessions_and_days_that_are_over_are_over_and_without_a_session_to_come_one_is_today()
    {
        Assert.Equal([Wednesday], Ask(Week(null), Wednesday).ToFill(FillScope.All).Sessions.Select(session => session.Date));
        var late = Ask(Week(null), Wednesday.AddDays(1)).ToFill(FillScope.All);
        Assert.Equal([Wednesday.AddDays(1)], late.Sessions.Select(session => session.Date));
        Assert.Equal([4, 5, 6], late.Open.Select(cell => cell.Date.DayNumber - Sunday.DayNumber));
        Assert.Equal(late.Sessions[0].Date, late.From);
    }

    [Fact]
    public void What_is_loose_is_there_and_a_batch_that_is_still_to_be_cooked_may_grow()
    {
        var batch = Batch(4);
        var rest = Assert.Single(Ask(Week(batch, (0, 1.5m))).ToFill(FillScope.All).Rests);
        Assert.Equal((2.5m, 8, Saturday, 1), (rest.Portions, rest.More, rest.Cooked, rest.Dish));
        Assert.Equal(
            (2.5m, 0),
            (
                Ask(Week(batch, (0, 1.5m)), Sunday).ToFill(FillScope.All).Rests[0].Portions,
                Ask(Week(batch), Sunday).ToFill(FillScope.All).Rests[0].More
            )
        );
        // Nothing loose and nothing to come: nothing is there.
        Assert.Empty(Ask(Week(Batch(1), (0, 1)), Sunday).ToFill(FillScope.All).Rests);
        Assert.Contains((Recipe, Saturday), Ask(Week(batch)).ToFill(FillScope.All).Taken);
    }

    [Fact]
    public void Meals_that_have_something_are_settled_or_of_others_are_not_asked_for()
    {
        var plan = Week(Batch(4), (0, 1)).Say(Supper(1), ServingState.Out, false, "", Guid.NewGuid).Value;
        Assert.Equal([2, 3, 4, 5, 6], Ask(plan).ToFill(FillScope.All).Open.Select(cell => cell.Date.DayNumber - Sunday.DayNumber));
        Assert.Empty(Ask(plan).ToFill(new(new HashSet<Guid>())).Open);
        Assert.Equal(5, Ask(plan).ToFill(new(new HashSet<Guid> { Ilse.Id })).Open.Count());
        var days = new HashSet<DateOnly> { Sunday, Sunday.AddDays(3) };
        Assert.Equal([Sunday.AddDays(3)], Ask(plan).ToFill(new(null, days)).Open.Select(cell => cell.Date));
        Assert.Equal([Sunday], Ask(plan).ToMend(new(null, days)).Open.Select(cell => cell.Date));
        Assert.Empty(Ask(plan).ToMend(new(new HashSet<Guid>())).Now);
    }

    [Fact]
    public void Mending_may_change_whole_portions_to_come_and_leaves_what_is_locked_said_or_weighed_out()
    {
        var batch = Batch(6).Weighing(300);
        var plan = Week(batch, (0, 1), (1, 1.25m), (2, 1), (3, 1)).Say(Supper(2), ServingState.Planned, true, "", Guid.NewGuid).Value;
        plan = plan.ChangeSize(plan.At(Supper(3))!.Draws.Single().Id, new(1), new(280, true)).Value;

        var question = Ask(plan).ToMend(FillScope.All);
        Assert.True(question.IsMend);
        Assert.Equal([(Supper(0), 1m), (Supper(1), 1.25m)], question.Now.Select(now => (now.Cell, now.Size)));
        // What may be changed counts as loose; what stays does not.
        Assert.Equal(6 - 1 - 1 + 0.0m, question.Rests[0].Portions);
        Assert.Equal([Supper(2), Supper(3)], question.Placed.Select(one => one.Cell));
        Assert.Equal([Supper(1)], Ask(plan, Sunday.AddDays(1)).ToMend(FillScope.All).Now.Select(now => now.Cell));
        Assert.Equal([Supper(0), Supper(1)], question.Open);
    }

    [Fact]
    public void Boxes_are_there_each_with_its_own_clock_and_a_meal_takes_of_one()
    {
        var batch = Batch(3) with { PortionedOn = Saturday };
        Container Box(int number, decimal portions, params BoxEvent[] life) =>
            new(Guid.NewGuid(), batch.Id, batch.Lots[0].Id, number, portions, life);
        BoxEvent Frozen() => new(Guid.NewGuid(), BoxEventKind.Frozen, DateTimeOffset.UnixEpoch, Saturday, 0, null, "");
        var plan = Week(batch) with { Containers = [Box(1, 1), Box(2, 1), Box(3, 1, Frozen())] };

        var rests = Ask(plan).ToFill(FillScope.All).Rests;
        Assert.Equal([(2m, false), (1m, true)], rests.Select(rest => (rest.Portions, rest.IsFrozen)));
        Assert.All(rests, rest => Assert.Equal((1m, 0), (rest.Box, rest.More)));
        Assert.Equal([KeptIn.Fridge, KeptIn.PastItsTime], new[] { 3, 4 }.Select(day => rests[0].KeptUntil(Dish, Sunday.AddDays(day))));
        Assert.Equal(KeptIn.Freezer, rests[1].KeptUntil(Dish, Sunday.AddDays(6)));
    }

    [Fact]
    public void What_nothing_can_replace_stays_on_its_meal()
    {
        var question = Ask(Week(Batch(4), (0, 1), (1, 1))).ToMend(FillScope.All);
        var stuck = question.WithStuck(FillPlan.Empty);
        Assert.Equal([Supper(0), Supper(1)], stuck.Servings.Select(serving => serving.Cell));
        Assert.True(WeekChange.Of(question, stuck, recipe => recipe).IsEmpty);
        var smaller = stuck.Servings[0] with { Size = 0.75m };
        var change = WeekChange.Of(question, question.WithStuck(new([smaller], [])), recipe => recipe);
        Assert.Equal((Supper(0), 1m, 0.75m), (change.Meals.Single().Cell, change.Meals[0].Off!.Portions, change.Meals[0].On!.Size));
    }
}
