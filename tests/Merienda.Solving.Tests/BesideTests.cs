using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Solving.Tests.SmallWeek;

namespace Merienda.Solving.Tests;

/// <summary>Bought things beside what fills a meal: only for a day that lacks something, and never against a rule.</summary>
public class BesideTests
{
    private const int Potato = 2;

    private static FillQuestion Lunches(Eater eater, params FillDish[] bought) =>
        First(3, eater, [Dish(Potato, 20), .. bought]) with
        {
            Wishes = FillWishes.Usual with { MostTimes = 7 },
        };

    private static Eater Lunch(params Rule[] rules) => Eats(["lunch"], rules);

    private static List<FillServing> BesideOf(FillAnswer answer) => [.. answer.Plan.Servings.Where(serving => serving.IsBeside)];

    /// <summary>A potato of 250 g brings about 5 g of protein, a pot of skyr about 16.</summary>
    private static readonly Rule Floor = AtLeast("protein", Measure.Protein, 18);

    [Theory]
    [InlineData(3)]
    [InlineData(2)]
    public void It_brings_what_no_dish_brings_as_often_as_it_may(int most)
    {
        var question = Lunches(Lunch(Floor), BoughtTests.Bought("150 g skyr", "lunch", most));
        Assert.Empty(Fill(question with { Dishes = [question.Dishes[0]] }).Plan.Servings);
        var answer = Fill(question);
        var judge = new FillJudge(question, answer.Plan);
        Assert.Equal((most, 3 - most), (BesideOf(answer).Count, judge.Uncovered.Count));
        Assert.Empty(judge.Impossible);
        Assert.Empty(judge.Broken);
        Assert.All(BesideOf(answer), beside => Assert.Contains(answer.Plan.Servings, one => one.Cell == beside.Cell && !one.IsBeside));
    }

    [Fact]
    public void A_meal_with_something_beside_is_one_meal_that_is_taken_or_left()
    {
        var question = Lunches(Lunch(Floor), BoughtTests.Bought("150 g skyr", "lunch", 3));
        var change = WeekChange.Of(question, Fill(question).Plan, recipe => recipe);
        Assert.Equal((6, 3), (change.Meals.Count, change.Cells));
        Assert.Equal([false, true, false, true, false, true], change.Meals.Select(meal => meal.IsBeside));
        var left = change.Without(new HashSet<Cell> { change.Meals[0].Cell });
        Assert.Equal((4, 2), (left.Meals.Count, left.Cells));
    }

    [Fact]
    public void Nothing_comes_beside_where_nothing_lacks()
    {
        var skyr = BoughtTests.Bought("150 g skyr", "lunch", 3);
        Assert.Empty(BesideOf(Fill(Lunches(Lunch(), skyr))));
        Assert.Empty(BesideOf(Fill(Lunches(Lunch(AtLeast("protein", Measure.Protein, 2)), skyr))));
    }

    [Fact]
    public void Not_to_whom_it_would_break_the_day_or_who_may_not_have_it()
    {
        var skyr = BoughtTests.Bought("150 g skyr", "lunch", 3);
        var potato = new FillTable(Lunches(Lunch())).HelpingOf(0, 3);
        var most = AtMost("energy", Measure.Energy, Intake.Of(potato).Sum(Measure.Energy).Best + 40);
        Assert.Empty(Fill(Lunches(Lunch(Floor, most), skyr)).Plan.Servings);
        Assert.Empty(BesideOf(Fill(Lunches(Lunch().AllergicTo("dairy"), skyr))));
    }

    [Fact]
    public void Not_to_whom_a_rule_holds_a_meal_together()
    {
        var meal = new LimitRule
        {
            Id = "meal",
            Measure = Measure.Energy,
            Per = Period.Meal,
            AtMost = 900,
        };
        Assert.Empty(Fill(Lunches(Lunch(Floor, meal), BoughtTests.Bought("150 g skyr", "lunch", 3))).Plan.Servings);
    }

    [Fact]
    public void It_mends_a_day_that_lacks_something_without_exchanging_a_dish()
    {
        var planned = There(
            First(3, Lunch(Floor), [Dish(Potato, 20), Dish(0, 20)]),
            4,
            (0, "lunch", 0, 1),
            (1, "lunch", 0, 1),
            (2, "lunch", 1, 1)
        );
        var question = planned with { Dishes = [.. planned.Dishes, BoughtTests.Bought("150 g skyr", "lunch", 7)] };
        var answer = Fill(question);
        Assert.Equal(
            ["Every meal that is to come fits", "2 meals changed", "No dish exchanged"],
            answer.Levels.Take(3).Select(level => level.Says)
        );
        Assert.Empty(new FillJudge(question, answer.Plan).Broken);
        var change = WeekChange.Of(question, answer.Plan, recipe => recipe);
        Assert.Equal([0, 1], change.Meals.Select(meal => meal.Cell.Date.DayNumber - question.Start.DayNumber));
        Assert.All(change.Meals, meal => Assert.True(meal is { IsBeside: true, Off: null, On.Ready: not null }));
    }
}
