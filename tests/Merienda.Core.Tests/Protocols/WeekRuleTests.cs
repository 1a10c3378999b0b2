using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

/// <summary>Rules that look at when something is eaten: counts, variety, pairing, the points account.</summary>
public class WeekRuleTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 22);

    private static Helping At(int day, string meal, string dish, params string[] lines) =>
        new($"A {dish}", Portion(1, lines), 1) { At = new(Sunday.AddDays(day), Slot(meal)), Dish = dish };

    private static Helping Cod(int day, string meal = "supper") => At(day, meal, "Cod", "120 g cod");

    [Fact]
    public void Meals_of_a_class_are_counted_once_a_meal_and_from_a_stated_weight()
    {
        var rule = new CountRule
        {
            Id = "fish",
            Name = "Fish",
            Classes = ["fish"],
            Grams = 75,
            AtLeast = 2,
        };
        Verdict Of(int open, params Helping[] helpings) => rule.Check(new(helpings), Context(open)).Verdict;
        Assert.Equal(Verdict.Fits, Of(0, Cod(0), Cod(2)));
        Assert.Equal(Verdict.Breaks, Of(0, Cod(0), Cod(0))); // one meal
        Assert.Equal(Verdict.CannotTell, Of(3, Cod(0))); // three meals are still open
        Assert.Equal(Verdict.Breaks, Of(0, Cod(0), At(1, "lunch", "Broth", "1 tbsp fish sauce", "200 g carrot")));
        Assert.Equal(Verdict.TooClose, Of(0, Cod(0), At(1, "lunch", "Catch", "300 g moonfish")));
        Assert.Equal("Fish: at least 2 meals a week with 75 g or more of fish", rule.Sentence(Data.Classes));
        Assert.Equal("Fish: this counts as one of at least 2 meals a week.", rule.CheckPortion(new([Cod(0)]), null, Context()).Because);
    }

    [Fact]
    public void A_ceiling_of_meals_breaks_when_too_many_are_certain()
    {
        var rule = new CountRule
        {
            Id = "red",
            Name = "Red meat",
            Classes = ["beef", "lamb"],
            Grams = 50,
            AtMost = 1,
        };
        Helping Stew(int day) => At(day, "lunch", "Stew", "100 g beef shin");
        Assert.Equal(Verdict.Fits, rule.Check(new([Stew(0)]), Context()).Verdict);
        Assert.Equal(Verdict.Breaks, rule.Check(new([Stew(0), Stew(1)]), Context()).Verdict);
    }

    [Fact]
    public void Variety_counts_dishes_rows_and_days()
    {
        var rule = new RepetitionRule
        {
            Id = "variety",
            AtMost = 3,
            NotInARow = true,
            NotSameDay = true,
        };
        Finding Of(params Helping[] helpings) => rule.Check(new(helpings), Context());
        var other = At(1, "lunch", "Soup", "200 g carrot");
        Assert.Equal(Verdict.Fits, Of(Cod(0), other, Cod(1), At(2, "lunch", "Stew", "100 g lamb leg"), Cod(2)).Verdict);
        Assert.Contains("Cod comes twice in a row", Of(Cod(0), Cod(1)).Because, StringComparison.Ordinal);
        Assert.Contains(
            "Cod is lunch and supper on Sun",
            Of(Cod(0, "lunch"), At(0, "bite", "Apple", "1 apple"), Cod(0)).Because,
            StringComparison.Ordinal
        );
        var four = Of(Cod(0), other, Cod(1), At(2, "lunch", "Stew", "100 g lamb leg"), Cod(2), At(3, "lunch", "Bake", "2 eggs"), Cod(3));
        Assert.Contains("Cod comes 4 times", four.Because, StringComparison.Ordinal);
        Assert.Equal(
            "Variety: the same dish at most 3 times a week, not twice in a row, not at lunch and supper of one day",
            rule.Sentence(Data.Classes)
        );
    }

    [Theory]
    [InlineData("60 g butter", "60 g butter", Verdict.Breaks)]
    [InlineData("60 g butter", "10 g butter", Verdict.Fits)]
    [InlineData("60 g butter", "25 g butter", Verdict.Breaks)] // light alone, but too much beside a heavy one
    [InlineData("25 g butter", "25 g butter", Verdict.Fits)]
    [InlineData("37 g butter", "60 g butter", Verdict.Breaks)]
    [InlineData("60 g butter", "300 g moonfruit", Verdict.CannotTell)]
    public void No_two_heavy_meals_a_day_and_light_beside_a_heavy_one(string lunch, string supper, Verdict verdict)
    {
        // 25 g butter: 20.3 g fat; 37 g: 30 g; 60 g: 48.7 g.
        var rule = new PairingRule
        {
            Id = "pairing",
            Measure = Measure.Fat,
            AtMost = 30,
            BesideIt = 15,
        };
        Assert.Equal(verdict, rule.Check(new([At(0, "lunch", "One", lunch), At(0, "supper", "Other", supper)]), Context()).Verdict);
    }

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

    [Theory]
    [InlineData("lunch", "supper", false)]
    [InlineData("breakfast", "bite", true)] // small meals may repeat
    [InlineData("breakfast", "supper", true)]
    [InlineData("bite", "lunch", true)]
    public void Not_on_one_day_is_said_of_the_two_main_meals_only(string one, string other, bool isKept)
    {
        var rule = new RepetitionRule { Id = "variety", NotSameDay = true };
        Assert.Equal(isKept ? Verdict.Fits : Verdict.Breaks, rule.Check(new([Cod(0, one), Cod(0, other)]), Context()).Verdict);
        Assert.Equal(Verdict.Fits, rule.Check(new([Cod(0, one), Cod(1, other)]), Context()).Verdict);
    }
}
