using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Planning;

/// <summary>The line on top of the board: each thing once, with all the days it is true of.</summary>
public class WeekTroublesTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 22);
    private static readonly IReadOnlyList<DateOnly> Days = [.. Enumerable.Range(0, 7).Select(Sunday.AddDays)];

    private static readonly Helping Sugar = new("A sugar", Portion(1, "10 g sugar"), 1) { Dish = "sugar" };
    private static readonly Helping Rice = new("B rice", Portion(1, "20 g white rice"), 1) { Dish = "rice" };

    private static Eater Eater(params Rule[] rules) =>
        new(Guid.NewGuid(), "Teun", new EaterRules(rules, Context()), [], Rhythm.Usual)
        {
            Meals = [EaterMeal.Daily("lunch", 0.5m, MealSource.Nothing), EaterMeal.Daily("supper", 0.5m, MealSource.Nothing)],
        };

    private static IReadOnlyList<WeekTrouble> Of(Eater eater, DateOnly today, params (int Day, string Meal, Helping Helping)[] placed) =>
        Of([eater], today, [], [.. placed.Select(one => (new Cell(Days[one.Day], one.Meal, eater.Id), one.Helping))]);

    private static IReadOnlyList<WeekTrouble> Of(
        IReadOnlyList<Eater> eaters,
        DateOnly today,
        IReadOnlyList<PastItsTime> past,
        IReadOnlyList<(Cell, Helping)> placed
    ) => new WeekTroubles(new(Days, [.. Rhythm.Usual.Meals], eaters, placed), eaters, Rhythm.Usual, today, past, []).All;

    [Fact]
    public void A_limit_that_breaks_on_several_days_is_said_once_with_the_worst_day_and_what_brings_most()
    {
        var teun = Eater(AtMost(Measure.NetCarbohydrate, 15));
        var found = Assert.Single(
            Of(
                teun,
                Sunday,
                (1, "lunch", Sugar),
                (1, "supper", Sugar with { Size = 2 }),
                (2, "lunch", Rice),
                (2, "supper", Sugar),
                (4, "lunch", Sugar with { Size = 1.6m }),
                (5, "lunch", Sugar)
            )
        );
        Assert.Equal((TroubleKind.Breaks, 1, teun.Id), (found.Kind, found.Count, found.Eater!.Value));
        Assert.Equal([Days[1], Days[2], Days[4]], found.Days);
        Assert.Equal("Teun, Mon, Tue and Thu: Net carbs over 15 g a day, up to 30 g; A sugar brings most.", found.Text);
    }

    [Fact]
    public void One_day_says_its_own_sentence_and_too_much_is_another_trouble_than_too_little()
    {
        var teun = Eater(AtMost(Measure.NetCarbohydrate, 15) with { AtLeast = 5 });
        var found = Of(
            teun,
            Sunday,
            [
                .. Days.Select(
                    (_, at) =>
                        (
                            at,
                            "lunch",
                            at == 3 ? Sugar with { Size = 2 }
                            : at < 2 ? Sugar
                            : Sugar with { Size = at == 5 ? 0.25m : 0.3m }
                        )
                ),
            ]
        );
        Assert.Equal(
            [
                "Teun, Tue, Thu, Fri and Sat: Net carbs below 5 g a day, down to 2.5 g.",
                "Teun, Wed: Net carbs: 20 g, over 15 g a day; most of it from White sugar 20 g.",
            ],
            found.Select(trouble => trouble.Text)
        );
    }

    [Fact]
    public void A_dish_that_breaks_a_rule_by_portion_counts_once_however_often_and_in_whatever_size_it_is_eaten()
    {
        var teun = Eater(AtMost(Measure.NetCarbohydrate, 9, Period.Portion));
        var found = Of(
            teun,
            Sunday,
            (0, "lunch", Sugar),
            (0, "supper", Sugar with { Size = 1.5m }),
            (3, "lunch", Sugar),
            (3, "supper", Rice)
        );
        Assert.Equal(
            [
                "Teun, Sun and Wed: sugar: Net carbs over 9 g a portion, up to 15 g.",
                "Teun, Wed: rice: Net carbs: 15.7 g, over 9 g a portion; most of it from White rice, dry 15.7 g.",
            ],
            found.Select(trouble => trouble.Text)
        );
        Assert.Equal(2, found.Sum(trouble => trouble.Count));
    }

    [Fact]
    public void A_rule_by_meal_names_the_meal()
    {
        var teun = Eater(AtMost(Measure.NetCarbohydrate, 15, Period.Meal));
        var found = Of(teun, Sunday, (0, "supper", Sugar with { Size = 2 }), (1, "lunch", Sugar with { Size = 2 }));
        Assert.Equal(
            [
                "Teun, Sun: supper: Net carbs: 20 g, over 15 g a meal; most of it from White sugar 20 g.",
                "Teun, Mon: lunch: Net carbs: 20 g, over 15 g a meal; most of it from White sugar 20 g.",
            ],
            found.Select(trouble => trouble.Text)
        );
    }

    [Fact]
    public void Open_meals_are_one_thing_an_eater_and_count_each_and_days_that_are_over_are_none()
    {
        var teun = Eater() with { Meals = [EaterMeal.Daily("lunch", 0.5m), EaterMeal.Daily("supper", 0.5m)] };
        var runa = Eater() with { Name = "Runa", Meals = [EaterMeal.Daily("supper", 1)] };
        var lunches = Days.Take(6).Select(day => (new Cell(day, "lunch", teun.Id), Sugar)).ToList();
        var found = Of([teun, runa], Days[4], [], lunches);
        Assert.Equal(
            [
                (TroubleKind.Open, 4, "Teun has nothing yet for supper on Thu, Fri and Sat and lunch on Sat."),
                (TroubleKind.Open, 3, "Runa has nothing yet for supper on Thu, Fri and Sat."),
            ],
            found.Select(trouble => (trouble.Kind, trouble.Count, trouble.Text))
        );
        Assert.Equal([Days[4], Days[5], Days[6]], found[0].Days);
    }

    [Fact]
    public void Meals_of_the_same_days_are_said_together_and_a_whole_week_as_every_day()
    {
        var teun = Eater() with { Meals = [EaterMeal.Daily("lunch", 0.5m), EaterMeal.Daily("supper", 0.5m)] };
        Assert.Equal("Teun has nothing yet for lunch and supper every day.", Assert.Single(Of(teun, Sunday)).Text);
        var lunches = new[] { 0, 2, 4, 5, 6 }.Select(day => (day, "lunch", Sugar)).ToArray();
        Assert.Equal("Teun has nothing yet for supper every day and lunch on Mon and Wed.", Assert.Single(Of(teun, Sunday, lunches)).Text);
    }

    [Fact]
    public void What_is_over_comes_last_and_the_heaviest_first()
    {
        var teun = Eater(AtMost(Measure.NetCarbohydrate, 15)) with { Meals = [EaterMeal.Daily("lunch", 1)] };
        var past = new PastItsTime(new(Days[6], "lunch", teun.Id), "A·21 Slaw", Days[2]);
        var found = Of([teun], Days[3], [past], [(new(Days[1], "lunch", teun.Id), Sugar with { Size = 3 })]);
        Assert.Equal([TroubleKind.PastItsTime, TroubleKind.Open, TroubleKind.Breaks], found.Select(trouble => trouble.Kind));
        Assert.Equal("A·21 Slaw keeps until Tue and does not freeze; it is planned for Sat.", found[0].Text);
        Assert.Equal(teun.Id, found[0].Eater);
    }

    [Fact]
    public void A_dish_past_its_time_is_one_thing_for_all_who_would_eat_it()
    {
        var (teun, runa) = (Eater(), Eater() with { Name = "Runa" });
        PastItsTime Slaw(int day, Eater eater) => new(new(Days[day], "lunch", eater.Id), "A·21 Slaw", Days[2]);
        var found = Assert.Single(Of([teun, runa], Sunday, [Slaw(5, teun), Slaw(4, runa), Slaw(5, runa)], []));
        Assert.Null(found.Eater);
        Assert.Equal("A·21 Slaw keeps until Tue and does not freeze; it is planned for Thu and Fri.", found.Text);
    }

    [Fact]
    public void An_allowance_that_nobody_stated_is_said_once_and_is_no_trouble_of_a_day()
    {
        var teun = Eater(AtMost(Measure.NetCarbohydrate, 15) with { AtMost = null, AsksAtMost = true });
        var found = Assert.Single(Of(teun, Sunday, (0, "lunch", Sugar)));
        Assert.Equal((TroubleKind.Unstated, "Teun: state the allowance for net carbs at the Table."), (found.Kind, found.Text));
        Assert.Empty(found.Days);
    }

    [Fact]
    public void A_rule_of_the_week_is_of_no_day()
    {
        var found = Assert.Single(
            Of(Eater(AtMost(Measure.NetCarbohydrate, 15, Period.Week)), Sunday, (0, "lunch", Sugar), (1, "lunch", Sugar))
        );
        Assert.Equal("Teun, the week: Net carbs: 20 g, over 15 g a week; most of it from A sugar 20 g.", found.Text);
        Assert.Empty(found.Days);
    }

    [Fact]
    public void A_pinned_measure_is_held_against_the_tightest_limit_of_the_day_or_only_shown()
    {
        var teun = Eater(
            AtMost(Measure.NetCarbohydrate, 25),
            AtMost(Measure.NetCarbohydrate, 15) with
            {
                Id = "less",
            },
            AtMost(Measure.Energy, 1, Period.Meal) with
            {
                Id = "meal",
            }
        );
        var day = new EaterDay(Sunday, teun, [new(Slot("lunch"), [Sugar with { Size = 2 }])]);
        Assert.Equal(
            ("less", Verdict.Breaks, 20m),
            (
                day.Of(Measure.NetCarbohydrate).Rule,
                day.Of(Measure.NetCarbohydrate).Verdict,
                day.Of(Measure.NetCarbohydrate).Value!.Value.Best
            )
        );
        var shown = day.Of(Measure.Energy);
        Assert.Equal((Verdict.Fits, null, "Energy"), (shown.Verdict, shown.Limit, shown.Title));
        Assert.InRange(shown.Value!.Value.Best, 70, 90);
        // 20 g of sugar in the house's scheme: 78 kcal / 60 + 4, in half steps.
        Assert.Equal(5.5m, day.Of(Measure.Points).Value!.Value.Best);
    }
}
