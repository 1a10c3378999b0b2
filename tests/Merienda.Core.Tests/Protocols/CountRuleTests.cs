using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class CountRuleTests
{
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

    private static readonly CountRule Fish = new()
    {
        Id = "fish",
        Name = "Fish",
        Classes = ["fish"],
        Grams = 120,
        AtLeast = 1,
    };

    [Theory]
    [InlineData("120 g cod", 1, 1)] // exactly the weight counts
    [InlineData("119 g cod", 0, 0)]
    [InlineData("120 g cod or chicken breast", 0, 1)] // it may not be fish at all
    [InlineData("120 g chicken breast or cod", 0, 1)]
    [InlineData("120 g cod or hake", 1, 1)]
    [InlineData("120 g cod, optional", 0, 1)]
    public void A_meal_counts_from_the_stated_weight_on(string line, int low, int high)
    {
        var value = Fish.Check(new([At(0, "lunch", "Dish", line)]), Context()).Value!.Value;
        Assert.Equal((low, high), ((int)value.Low, (int)value.High!.Value));
    }

    [Fact]
    public void Two_dishes_of_one_meal_weigh_together_and_portions_of_no_meal_stand_alone()
    {
        Assert.Equal(
            Verdict.Fits,
            Fish.Check(new([At(0, "lunch", "One", "60 g cod"), At(0, "lunch", "Other", "60 g cod")]), Context()).Verdict
        );
        var loose = Eat(1, "60 g cod").Helpings.Concat(Eat(1, "60 g cod").Helpings);
        Assert.Equal(Verdict.Breaks, Fish.Check(new([.. loose]), Context()).Verdict);
    }

    [Theory]
    [InlineData("120 g cod", "Fish: this counts as one of at least 1 meal a week.")]
    [InlineData("300 g moonfish", "Fish: this may count as one of at least 1 meal a week.")]
    [InlineData("120 g rice", "Fish: this does not count as one of at least 1 meal a week.")]
    public void A_portion_says_whether_it_counts(string line, string says) =>
        Assert.Equal(says, Fish.CheckPortion(Eat(1, line), null, Context()).Because);

    [Fact]
    public void The_dishes_that_count_are_named_the_most_frequent_first()
    {
        var rule = Fish with { AtLeast = null, AtMost = 1 };
        var finding = rule.Check(
            new([At(0, "lunch", "Hake", "120 g cod"), Cod(0), Cod(1), At(2, "lunch", "Rice", "100 g rice")]),
            Context()
        );
        Assert.Equal(["Cod", "Hake"], finding.Contributors.Select(one => one.Name));
        Assert.Equal([2m, 1m], finding.Contributors.Select(one => one.Amount));
    }

    [Fact]
    public void A_number_that_nobody_stated_cannot_be_told()
    {
        var rule = Fish with { AtLeast = null, AsksAtLeast = true };
        Assert.True(rule.Check(new([Cod(0)]), Context()).NeedsAllowance);
        Assert.True(rule.CheckPortion(new([Cod(0)]), null, Context()).NeedsAllowance);
        Assert.Equal(Verdict.CannotTell, rule.JudgePortion(new([Cod(0)]), null, Context()));
        Assert.Equal(Verdict.Fits, Fish.JudgePortion(Eat(1, "100 g rice"), null, Context()));
    }
}
