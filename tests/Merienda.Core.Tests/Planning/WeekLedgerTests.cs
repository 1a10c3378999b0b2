using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Planning;

public class WeekLedgerTests
{
    private static readonly IReadOnlyList<DateOnly> Days = [.. Enumerable.Range(0, 7).Select(new DateOnly(2026, 11, 21).AddDays)];
    private static readonly IReadOnlyList<MealSlot> Meals = [.. Rhythm.Usual.Meals];

    private static Eater Eater(string name, params Rule[] rules) =>
        new(
            Guid.NewGuid(),
            name,
            new EaterRules(rules, Context()),
            [.. Meals.Select(meal => EaterMeal.Daily(meal.Key, 0.25m))],
            Rhythm.Usual
        );

    private static readonly Helping Sugar = new("sugar", Portion(1, "10 g sugar"), 1);
    private static readonly Helping Cod = new("cod", Portion(1, "200 g cod"), 1);

    [Fact]
    public void A_day_adds_up_its_meals_and_names_the_ones_that_nothing_covers()
    {
        var teun = Eater("Teun", AtMost(Measure.NetCarbohydrate, 25));
        var ledger = new WeekLedger(
            Days,
            Meals,
            [teun],
            [
                (new(Days[2], "lunch", teun.Id), Sugar),
                (new(Days[2], "supper", teun.Id), Sugar with { Size = 2 }),
                (new(Days[2], "supper", teun.Id), Cod),
            ]
        );
        var day = ledger[Days[2], teun.Id];
        Assert.Equal(["breakfast", "bite"], day.OpenMeals);
        Assert.Equal(30, day.Tightest!.Value!.Value.Best);
        Assert.Equal(Verdict.Breaks, day.Verdict);
        Assert.Equal(7 * 4 - 2, ledger.Days.Sum(item => item.OpenMeals.Count));
        Assert.Equal("Net carbs: 30 g, over 25 g a day; most of it from sugar 30 g.", day.Findings.Single().Because);
    }

    [Fact]
    public void Eaters_at_one_table_are_judged_by_their_own_rules()
    {
        var (one, other) = (Eater("One", AtMost(Measure.NetCarbohydrate, 5)), Eater("Other", AtMost(Measure.NetCarbohydrate, 50)));
        var ledger = new WeekLedger(
            Days,
            Meals,
            [one, other],
            [(new(Days[0], "lunch", one.Id), Sugar), (new(Days[0], "lunch", other.Id), Sugar)]
        );
        Assert.Equal((Verdict.Breaks, Verdict.Fits), (ledger[Days[0], one.Id].Verdict, ledger[Days[0], other.Id].Verdict));
    }

    [Fact]
    public void Week_rules_sum_seven_days_and_meal_rules_each_meal()
    {
        var eater = Eater(
            "E",
            AtMost(Measure.NetCarbohydrate, 65, Period.Week),
            AtMost(Measure.NetCarbohydrate, 15, Period.Meal) with
            {
                Id = "meal",
            }
        );
        var ledger = new WeekLedger(Days, Meals, [eater], Days.Select(day => (new Cell(day, "lunch", eater.Id), Sugar)));
        Assert.Equal(70, ledger.Weeks[eater.Id].Single().Value!.Value.Best);
        Assert.Equal(Verdict.Breaks, ledger.Weeks[eater.Id].Single().Verdict);
        Assert.Empty(ledger[Days[1], eater.Id].Findings);
        Assert.Equal(20, new EaterDay(Days[1], eater, [new(Slot("lunch"), [Sugar, Sugar])]).Findings.Single().Value!.Value.Best);
    }

    [Fact]
    public void Two_portions_of_one_batch_err_together_and_of_two_foods_partly_cancel()
    {
        var together = new Intake([Sugar, Sugar]).Sum(Measure.NetCarbohydrate);
        var apart = new Intake([Sugar, new("rice", Portion(1, "12.6 g white rice"), 1)]).Sum(Measure.NetCarbohydrate);
        Assert.Equal(1.0m, together.Above, 6);
        Assert.InRange(apart.Above, 0.5m, 0.8m);
    }

    [Fact] // domain.md section 11 no. 10
    public void Twelve_jars_at_two_a_day_cover_six_days_and_the_seventh_is_shown_as_not_covered()
    {
        var (one, two) = (
            Eater("One") with
            {
                Meals = [EaterMeal.Daily("breakfast", 1)],
            },
            Eater("Two") with
            {
                Meals = [EaterMeal.Daily("breakfast", 1)],
            }
        );
        var batch = Cooked.Batch("A", Days[0], 12);
        var plan = new WeekPlan(Days[0], [batch], [], []);
        var cells = Days.SelectMany(day => new[] { new Cell(day, "breakfast", one.Id), new Cell(day, "breakfast", two.Id) });
        var placed = new List<(Cell, Helping)>();
        foreach (var cell in cells)
        {
            if (plan.Place(batch.Id, cell, 1, Guid.NewGuid) is { IsRefused: false } next)
            {
                plan = next.Value;
                placed.Add((cell, Cod));
            }
        }

        var ledger = new WeekLedger(Days, Meals, [one, two], placed);
        Assert.Equal([Days[6], Days[6]], ledger.Days.Where(day => day.OpenMeals.Count > 0).Select(day => day.Date));
    }

    [Fact]
    public void A_meal_eaten_out_is_not_missed()
    {
        var eater = Eater("E") with { Meals = [EaterMeal.Daily("lunch", 0.5m), EaterMeal.Daily("supper", 0.5m)] };
        var ledger = new WeekLedger(Days, Meals, [eater], [], [new Cell(Days[1], "supper", eater.Id)]);
        Assert.Equal(["lunch"], ledger[Days[1], eater.Id].OpenMeals);
        Assert.Equal(["lunch", "supper"], ledger[Days[2], eater.Id].OpenMeals);
    }

    [Fact]
    public void Only_weekdays_on_which_a_meal_comes_from_the_prep_are_open()
    {
        var pattern = Enumerable.Repeat(MealSource.Nothing, 7).ToArray();
        (pattern[(int)Days[1].DayOfWeek], pattern[(int)Days[2].DayOfWeek], pattern[(int)Days[3].DayOfWeek]) = (
            MealSource.Prep,
            MealSource.Fresh,
            MealSource.Out
        );
        var eater = Eater("E") with { Meals = [new("lunch", 1, pattern)] };
        var ledger = new WeekLedger(Days, Meals, [eater], []);
        Assert.Equal([Days[1]], ledger.Days.Where(day => day.OpenMeals.Count > 0).Select(day => day.Date));
    }

    [Fact]
    public void A_floor_of_the_week_waits_for_meals_of_the_week_that_are_open()
    {
        var eater = Eater("E", AtLeast(Measure.NetCarbohydrate, 500, Period.Week));
        var all = from day in Days from meal in Meals select (new Cell(day, meal.Key, eater.Id), Cod);
        Assert.Equal(Verdict.Breaks, new WeekLedger(Days, Meals, [eater], all).Weeks[eater.Id].Single().Verdict);
        Assert.Equal(Verdict.CannotTell, new WeekLedger(Days, Meals, [eater], all.Skip(1)).Weeks[eater.Id].Single().Verdict);
    }

    [Fact]
    public void A_meal_is_judged_by_rules_of_a_portion_and_of_a_meal()
    {
        var meal = new PlannedMeal(Slot("lunch"), [Sugar, Sugar]);
        Verdict Of(params Rule[] rules) => new EaterDay(Days[0], Eater("E", rules), [meal]).VerdictOf(meal);
        Assert.Equal(Verdict.Breaks, Of(AtMost(Measure.NetCarbohydrate, 15, Period.Meal))); // 20 g together
        Assert.Equal(Verdict.Fits, Of(AtMost(Measure.NetCarbohydrate, 25, Period.Meal)));
        Assert.Equal(Verdict.Fits, Of(AtMost(Measure.NetCarbohydrate, 15, Period.Portion))); // 10 g each
        Assert.Equal(Verdict.Breaks, Of(AtMost(Measure.NetCarbohydrate, 5, Period.Portion)));
        Assert.Equal(Verdict.Fits, Of(AtMost(Measure.NetCarbohydrate, 5))); // a rule of the day says nothing of a meal
    }

    [Fact]
    public void The_tightest_ruler_is_the_heaviest_verdict_then_a_ceiling_then_the_fullest()
    {
        static LimitRule Named(string id, LimitRule rule) => rule with { Id = id };
        string Tightest(params Rule[] rules) => new EaterDay(Days[0], Eater("E", rules), [new(Slot("lunch"), [Sugar, Cod])]).Tightest!.Rule;
        var full = Named("full", AtMost(Measure.NetCarbohydrate, 12));
        var roomy = Named("roomy", AtMost(Measure.NetCarbohydrate, 100));
        var broken = Named("broken", AtMost(Measure.Protein, 1));
        var missed = Named("missed", AtLeast(Measure.Protein, 10));
        Assert.Equal("full", Tightest(roomy, full));
        Assert.Equal("full", Tightest(full, roomy));
        Assert.Equal("broken", Tightest(full, broken, roomy));
        Assert.Equal("roomy", Tightest(missed, roomy)); // a floor that is reached stands behind any ceiling
    }
}
