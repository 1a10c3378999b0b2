using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class RepetitionRuleTests
{
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

    [Theory]
    [InlineData(3, Verdict.Fits)]
    [InlineData(4, Verdict.Breaks)]
    public void A_dish_comes_as_often_as_is_stated_and_not_once_more(int times, Verdict verdict) =>
        Assert.Equal(
            verdict,
            new RepetitionRule { Id = "variety", AtMost = 3 }
                .Check(new([.. Enumerable.Range(0, times).Select(day => Cod(day))]), Context())
                .Verdict
        );

    [Fact]
    public void Two_portions_of_one_meal_are_one_time() =>
        Assert.Equal(
            Verdict.Fits,
            new RepetitionRule
            {
                Id = "variety",
                AtMost = 1,
                NotInARow = true,
            }
                .Check(new([Cod(0), Cod(0)]), Context())
                .Verdict
        );

    [Fact]
    public void A_row_goes_on_over_night_and_is_broken_by_another_meal()
    {
        var rule = new RepetitionRule { Id = "variety", NotInARow = true };
        Assert.Equal(Verdict.Breaks, rule.Check(new([Cod(1, "breakfast"), Cod(0)]), Context()).Verdict);
        Assert.Equal(Verdict.Fits, rule.Check(new([Cod(0), At(1, "breakfast", "Oats", "50 g oats"), Cod(1, "lunch")]), Context()).Verdict);
        Assert.Equal("Variety: not twice in a row", rule.Sentence(Data.Classes));
    }

    [Fact]
    public void One_portion_repeats_nothing_and_a_number_nobody_stated_cannot_be_told()
    {
        var rule = new RepetitionRule { Id = "variety", AtMost = 1 };
        Assert.Equal(Verdict.Fits, rule.CheckPortion(new([Cod(0)]), null, Context()).Verdict);
        var asks = rule with { AtMost = null, AsksAtMost = true };
        Assert.True(asks.CheckPortion(new([Cod(0)]), null, Context()).NeedsAllowance);
        Assert.True(asks.Check(new([Cod(0)]), Context()).NeedsAllowance);
    }

    [Fact]
    public void A_week_of_nothing_repeats_nothing_and_what_comes_most_is_named_first()
    {
        var rule = new RepetitionRule { Id = "variety", AtMost = 2 };
        var nothing = rule.Check(new([]), Context());
        Assert.Equal((Verdict.Fits, 0m), (nothing.Verdict, nothing.Value!.Value.Best));
        var week = rule.Check(new([At(0, "lunch", "Soup", "200 g carrot"), Cod(0), Cod(1), Cod(1)]), Context());
        Assert.Equal([("Cod", 2m), ("Soup", 1m)], week.Contributors.Select(item => (item.Name, item.Amount)));
        Assert.Equal((Verdict.Fits, 2m), (week.Verdict, week.Value!.Value.Best));
        Assert.True((rule with { AtMost = null, AsksAtMost = true }).Check(new([Cod(0)]), Context()).NeedsAllowance);
    }

    [Fact]
    public void What_is_not_ruled_out_may_be()
    {
        var sameDay = new[] { Cod(0, "lunch"), Cod(0) };
        Assert.Equal(
            Verdict.Fits,
            new RepetitionRule { Id = "variety", AtMost = 3 }
                .Check(new(sameDay), Context())
                .Verdict
        );
        Assert.Equal(
            Verdict.Breaks,
            new RepetitionRule { Id = "variety", NotInARow = true }
                .Check(new([.. sameDay.Reverse()]), Context())
                .Verdict
        );
        // In the order in which they are eaten, however they are listed.
        Assert.Contains(
            "on Mon",
            new RepetitionRule { Id = "variety", NotInARow = true }
                .Check(new([Cod(1), Cod(0)]), Context())
                .Because,
            StringComparison.Ordinal
        );
    }
}
