using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class MealSizeRuleTests
{
    private static MealSizeRule Rule(int? least, int? most, string by = "weight") =>
        new()
        {
            Id = "size",
            By = by,
            AtLeast = least,
            AtMost = most,
        };

    private static Intake Yoghurt(params int[] grams) =>
        new([.. grams.Select((much, at) => At(0, "lunch", $"Pot {at}", $"{much} g plain yoghurt"))]);

    [Theory]
    [InlineData(120, Verdict.Fits)]
    [InlineData(121, Verdict.TooClose)] // cooked it would weigh 0.7 of that or more
    [InlineData(171, Verdict.TooClose)]
    [InlineData(172, Verdict.Breaks)]
    public void Both_sides_of_a_size(int grams, Verdict verdict)
    {
        Assert.Equal(verdict, Rule(null, 120).Check(Yoghurt(grams), Context()).Verdict);
        Assert.Equal(verdict, Rule(null, 120).JudgePortion(Yoghurt(grams), null, Context()));
    }

    [Fact]
    public void Everything_of_one_meal_counts_together()
    {
        Assert.Equal(Verdict.Fits, Rule(null, 120).Check(Yoghurt(60, 60), Context()).Verdict);
        Assert.Equal(Verdict.TooClose, Rule(null, 120).Check(Yoghurt(60, 61), Context()).Verdict);
        Assert.Equal(121m, Rule(null, 120).Check(Yoghurt(60, 61), Context()).Value!.Value.Best);
    }

    [Fact]
    public void One_portion_is_not_asked_to_fill_a_meal()
    {
        var rule = Rule(100, 120);
        Assert.Equal(Verdict.Breaks, rule.Check(Yoghurt(60), Context()).Verdict);
        Assert.Equal(Verdict.Fits, rule.CheckPortion(Yoghurt(60), null, Context()).Verdict);
        Assert.Equal(Verdict.Fits, rule.JudgePortion(Yoghurt(60), null, Context()));
        Assert.Equal(Verdict.Breaks, rule.CheckPortion(Yoghurt(180), null, Context()).Verdict);
    }

    [Fact]
    public void What_is_cooked_is_doubtful_until_the_batch_is_weighed()
    {
        var stew = Rule(null, 300).Check(Eat(1, "200 g beef shin", "150 g carrot"), Context());
        Assert.Equal(Verdict.TooClose, stew.Verdict);
        Assert.Contains("weigh the cooked batch", Assert.Single(stew.Notes), StringComparison.Ordinal);
        Assert.Empty(Rule(null, 120).Check(Yoghurt(100), Context()).Notes);
    }

    [Fact]
    public void Volume_is_another_rule_than_weight()
    {
        var oil = Eat(1, "100 ml olive oil"); // 91 g
        Assert.Equal(Verdict.Fits, Rule(null, 96).Check(oil, Context()).Verdict);
        Assert.Equal(Verdict.TooClose, Rule(null, 96, "volume").Check(oil, Context()).Verdict);
        Assert.Equal("Size of a meal by volume: at most 250 ml", Rule(null, 250, "volume").Sentence(Data.Classes));
        Assert.Equal("Size of a meal by weight: between 100 and 250 g", Rule(100, 250).Sentence(Data.Classes));
    }

    [Fact]
    public void What_nobody_knows_could_be_any_size() =>
        Assert.Equal(Verdict.CannotTell, Rule(null, 120).Check(Eat(1, "100 g plain yoghurt", "some moonfruit"), Context()).Verdict);

    [Fact]
    public void A_number_that_nobody_stated_cannot_be_told()
    {
        var rule = Rule(null, null) with { AsksAtMost = true };
        Assert.True(rule.Check(Yoghurt(10), Context()).NeedsAllowance);
        Assert.Equal(Verdict.CannotTell, rule.JudgePortion(Yoghurt(10), null, Context()));
    }
}
