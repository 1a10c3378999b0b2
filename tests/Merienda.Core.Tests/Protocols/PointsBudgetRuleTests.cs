using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class PointsBudgetRuleTests
{
    [Fact]
    public void A_day_over_its_points_draws_on_what_was_carried_then_on_the_reserve()
    {
        // 600 g potato: 462 kcal, 7.5 points rounded from 7.7; 5 % more or less round to 7.5 and 8.
        Helping Potato(int day, int grams) => At(day, "lunch", "Potato", $"{grams} g potato");
        var rule = new PointsBudgetRule
        {
            Id = "points",
            AtMost = 5,
            Reserve = 4,
            CarryOver = 2,
        };
        Intake Day(params Helping[] helpings) => new(helpings);
        Assert.Equal(Verdict.Fits, rule.Check(Day(Potato(0, 600)), Context()).Verdict); // the week decides
        Assert.Equal(Verdict.Breaks, (rule with { Reserve = 0, CarryOver = 0 }).Check(Day(Potato(0, 600)), Context()).Verdict);
        Assert.Null((rule with { Reserve = 0, CarryOver = 0 }).CheckWeek([Day(Potato(0, 600))], Context()));
        // 2.5 over on the first day; the second leaves 5, of which 2 are carried; the third is 2.5 over, 0.5 after what was carried.
        var week = rule.CheckWeek([Day(Potato(0, 600)), Day(), Day(Potato(2, 600))], Context())!;
        Assert.Equal(
            (3m, Verdict.TooClose),
            (
                week.Value!.Value.Best,
                (rule with { Reserve = 3 }).CheckWeek([Day(Potato(0, 600)), Day(), Day(Potato(2, 600))], Context())!.Verdict
            )
        );
        Assert.Equal(Verdict.Fits, week.Verdict);
        Assert.Equal(Verdict.Breaks, rule.CheckWeek([Day(Potato(0, 600)), Day(Potato(1, 600)), Day(Potato(2, 600))], Context())!.Verdict);
    }

    private static readonly PointsBudgetRule Budget = new() { Id = "points", AtMost = 10 };

    [Fact]
    public void A_portion_says_its_share_of_the_day_and_whether_that_is_more_than_its_meal_s()
    {
        var potato = Eat(1, "600 g potato");
        Assert.Equal("Points: 7.5 uses 75 % of the day.", Budget.CheckPortion(potato, null, Context()).Because);
        Assert.Equal("Points: 7.5 uses 75 % of the day.", Budget.CheckPortion(potato, 0.75m, Context()).Because);
        Assert.Equal("Points: 7.5 uses 75 % of the day, more than the meal's 30 %.", Budget.CheckPortion(potato, 0.3m, Context()).Because);
    }

    [Fact]
    public void Sentences_name_what_the_scheme_has()
    {
        Assert.Equal("Points: at most 10 a day", Budget.Sentence(Data.Classes));
        Assert.Equal(
            "Points: at most 10 a day, 4 more over the week, up to 2 unused go to the next day",
            (Budget with { Reserve = 4, CarryOver = 2 }).Sentence(Data.Classes)
        );
    }

    [Theory]
    [InlineData(3, Verdict.Fits)] // 7.5 or 8 against 5 and 3 more
    [InlineData(2, Verdict.Breaks)]
    public void A_day_is_covered_up_to_what_the_week_can_give_for_certain(int reserve, Verdict verdict)
    {
        var rule = Budget with { AtMost = 5, Reserve = reserve };
        Assert.Equal(verdict, rule.Check(Eat(1, "600 g potato"), Context()).Verdict);
        Assert.Equal(verdict, rule.JudgePortion(Eat(1, "600 g potato"), null, Context()));
    }

    [Fact]
    public void What_is_drawn_says_its_account_and_an_unknown_food_leaves_it_open()
    {
        var rule = Budget with { AtMost = 5, Reserve = 4 };
        Assert.Equal(
            "Points: 7.5, 2.5 over the day's 5, drawn from what is carried over and in reserve.",
            rule.Check(Eat(1, "600 g potato"), Context()).Because
        );
        Assert.Equal("Weekly reserve: 2.5 of 4 points are drawn.", rule.CheckWeek([Eat(1, "600 g potato")], Context())!.Because);
        var open = rule.CheckWeek([Eat(1, "600 g potato", "some moonfruit")], Context())!;
        Assert.Equal((Verdict.CannotTell, true), (open.Verdict, open.Value!.Value.IsOpen));
        Assert.Equal("points-reserve", open.Rule);
    }

    [Fact]
    public void A_budget_that_nobody_stated_cannot_be_told()
    {
        var rule = Budget with { AtMost = null, AsksAtMost = true, Reserve = 4 };
        Assert.True(rule.Check(Eat(1, "600 g potato"), Context()).NeedsAllowance);
        Assert.Equal(Verdict.CannotTell, rule.JudgePortion(Eat(1, "600 g potato"), null, Context()));
        Assert.Null(rule.CheckWeek([Eat(1, "600 g potato")], Context()));
    }

    [Fact]
    public void The_week_s_account_runs_with_a_carry_over_alone()
    {
        var rule = Budget with { AtMost = 5, CarryOver = 2 };
        // Nothing is eaten on the first day: 2 of its 5 points go to the second, which has 7.5, or 8, of 7.
        var week = rule.CheckWeek([new Intake([]), Eat(1, "600 g potato")], Context())!;
        Assert.Equal((0.5m, 0.5m, 1m), (week.Value!.Value.Low, week.Value!.Value.Best, week.Value!.Value.High!.Value));
        Assert.Equal((Verdict.Breaks, "Weekly reserve: 0.5 of 0 points would be drawn."), (week.Verdict, week.Because));
        var half = (rule with { AtMost = 5.5m }).CheckWeek([new Intake([]), Eat(1, "600 g potato")], Context())!;
        Assert.Equal((Verdict.TooClose, "Weekly reserve: 0 of 0 points are drawn, too close to tell."), (half.Verdict, half.Because));
        Assert.Equal("Weekly reserve: 2.5 of 0 points would be drawn.", rule.CheckWeek([Eat(1, "600 g potato")], Context())!.Because);
        // What is left of what was carried goes on: 5 + 2 less 4 are 3, of which again 2 are carried.
        var three = rule.CheckWeek([new Intake([]), Eat(1, "300 g potato"), Eat(1, "520 g potato")], Context())!;
        Assert.Equal((Verdict.Fits, 0m), (three.Verdict, three.Value!.Value.Best));
    }

    [Fact]
    public void One_day_that_nobody_knows_leaves_the_account_open()
    {
        var rule = Budget with { AtMost = 5, Reserve = 4 };
        var week = rule.CheckWeek([Eat(1, "600 g potato"), Eat(1, "some moonfruit")], Context())!;
        Assert.True(week.Value!.Value.IsOpen);
        Assert.Equal((Verdict.CannotTell, "Weekly reserve: 2.5 of 4 points are drawn, too close to tell."), (week.Verdict, week.Because));
    }

    [Fact]
    public void A_budget_of_nothing_names_no_share_and_the_cure_is_in_the_food_that_brings_most()
    {
        Assert.Equal(
            "Points: 0, at most 0 a day.",
            (Budget with { AtMost = 0 }).CheckPortion(Eat(1, "160 g cucumber"), null, Context()).Because
        );
        var over = (Budget with { AtMost = 5 }).Check(Eat(1, "600 g potato", "10 g olive oil"), Context());
        Assert.EndsWith("less Potato a portion", over.Cure, StringComparison.Ordinal);
        Assert.Equal(
            "Points: 0 so far, and no values yet for moonfruit and sunroot and starleaf; the limit is at most 5 a day.",
            (Budget with { AtMost = 5 }).Check(Eat(1, "moonfruit", "sunroot", "starleaf", "skyroot"), Context()).Because
        );
    }
}
