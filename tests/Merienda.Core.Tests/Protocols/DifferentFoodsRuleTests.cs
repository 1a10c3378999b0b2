using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class DifferentFoodsRuleTests
{
    private static readonly DifferentFoodsRule Plants = new()
    {
        Id = "plants",
        Name = "Plants",
        Classes = ["vegetable", "fruit"],
        Grams = 10,
        AtLeast = 3,
    };

    [Theory]
    [InlineData(Verdict.Fits, "100 g carrot", "100 g leek", "1 apple")]
    [InlineData(Verdict.Breaks, "100 g carrot", "300 g carrot", "1 apple")] // a food counts once
    [InlineData(Verdict.Breaks, "100 g carrot", "9 g leek", "1 apple")] // too little to count
    [InlineData(Verdict.TooClose, "100 g carrot", "100 g moonfruit", "1 apple")] // could be one
    [InlineData(Verdict.Breaks, "100 g carrot", "100 g cod", "1 apple")]
    public void Different_foods_are_counted_from_a_stated_weight(Verdict verdict, params string[] lines) =>
        Assert.Equal(verdict, Plants.Check(Eat(1, lines), Context()).Verdict);

    [Fact]
    public void Open_meals_may_still_bring_some_and_a_ceiling_breaks()
    {
        Assert.Equal(Verdict.CannotTell, Plants.Check(Eat(1, "1 apple"), Context(4)).Verdict);
        Assert.Equal(Verdict.Breaks, (Plants with { AtLeast = null, AtMost = 1 }).Check(Eat(1, "1 apple", "1 pear"), Context()).Verdict);
        Assert.Equal("Plants: at least 3 foods of vegetables, fruit a week, from 10 g on", Plants.Sentence(Data.Classes));
    }

    [Theory]
    [InlineData("10 g carrot", 1, 1, 1)] // exactly the weight counts
    [InlineData("9.9 g carrot", 0, 0, 0)]
    [InlineData("about 10 g carrot", 0, 1, 1)] // by eye it may be less
    [InlineData("about 9 g carrot", 0, 0, 1)] // or more
    [InlineData("some carrots", 0, 0, 1)]
    public void A_food_counts_for_certain_by_its_best_weight_and_possibly(string line, int low, int best, int high)
    {
        var value = Plants.Check(Eat(1, line), Context()).Value!.Value;
        Assert.Equal((low, best, high), ((int)value.Low, (int)value.Best, (int)value.High!.Value));
    }

    [Fact]
    public void One_line_that_reaches_the_weight_is_enough_and_what_nobody_knows_is_named()
    {
        Assert.Equal(1, Plants.Check(Eat(1, "4 g carrot", "12 g carrot"), Context()).Value!.Value.Low);
        var told = (Plants with { AtLeast = 2 }).Check(Eat(1, "100 g carrot", "10 g stardust"), Context(1)).Because;
        Assert.Contains("1 meal is still open", told, StringComparison.Ordinal);
    }

    [Fact]
    public void A_portion_brings_some_and_is_never_short_alone_and_an_unstated_count_cannot_be_told()
    {
        var portion = Plants.CheckPortion(Eat(1, "100 g carrot", "1 apple"), null, Context());
        Assert.Equal((Verdict.Fits, "Plants: this brings 2 of at least 3 foods a week."), (portion.Verdict, portion.Because));
        Assert.Equal(Verdict.Fits, Plants.JudgePortion(Eat(1, "100 g cod"), null, Context()));
        var asked = Plants with { AtLeast = null, AsksAtLeast = true };
        Assert.Equal(Verdict.CannotTell, asked.JudgePortion(Eat(1, "100 g carrot"), null, Context()));
        Assert.True(asked.CheckPortion(Eat(1, "100 g carrot"), null, Context()).NeedsAllowance);
        Assert.True(asked.Check(Eat(1, "100 g carrot"), Context()).NeedsAllowance);
        Assert.False(Plants.Check(Eat(1, "100 g carrot"), Context()).NeedsAllowance);
    }
}
