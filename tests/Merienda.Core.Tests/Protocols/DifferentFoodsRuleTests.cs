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
}
