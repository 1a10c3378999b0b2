using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class MealSlotRuleTests
{
    private static readonly MealSlotRule Rule = new()
    {
        Id = "lunch-fish",
        Name = "Fish",
        Meal = "lunch",
        Measure = Measure.Protein,
        Classes = ["fish"],
        AtLeast = 25,
        AtMost = 35,
    };

    private static RuleContext At(MealRole? meal) => Context() with { Meal = meal };

    [Theory] // cod holds 17.8 g protein in 100 g; 5 % beyond a bound counts as kept
    [InlineData("150 g cod", Verdict.Fits)] // 26.7 g
    [InlineData("100 g cod", Verdict.Breaks)]
    [InlineData("250 g cod", Verdict.Breaks)] // 44.5 g
    [InlineData("140 g cod", Verdict.TooClose)] // 24.9 g, 23.6 to 26.2
    [InlineData("150 g cod or chicken breast", Verdict.CannotTell)]
    [InlineData("150 g chicken breast or cod", Verdict.CannotTell)]
    [InlineData("150 g wonderdust cod", Verdict.CannotTell)] // only likely cod
    [InlineData("150 g cod, optional", Verdict.CannotTell)]
    [InlineData("100 g moonfish", Verdict.CannotTell)]
    public void The_group_s_share_of_the_meal_lies_between_its_bounds(string line, Verdict verdict) =>
        Assert.Equal(verdict, Rule.Check(Eat(1, line), At(MealRole.Lunch)).Verdict);

    [Fact]
    public void Only_the_group_counts()
    {
        var both = Rule.Check(Eat(1, "150 g cod", "200 g chicken breast"), At(MealRole.Lunch));
        var alone = Rule.Check(Eat(1, "150 g cod"), At(MealRole.Lunch));
        Assert.Equal(alone.Value, both.Value);
        Assert.Equal(["Cod fillet"], both.Contributors.Where(one => one.Amount > 0).Select(one => one.Name));
    }

    [Theory]
    [InlineData(MealRole.Supper)]
    [InlineData(MealRole.Bite)]
    [InlineData(MealRole.Breakfast)]
    [InlineData(null)]
    public void Another_meal_is_not_held_against_it(MealRole? meal)
    {
        var finding = Rule.Check(Eat(1, "250 g cod"), At(meal));
        Assert.Equal((Verdict.Fits, "Fish at lunch: this is not lunch."), (finding.Verdict, finding.Because));
        Assert.Null(finding.Value);
    }

    [Theory]
    [InlineData(MealRole.Supper)]
    [InlineData(null)]
    public void Every_meal_is_held_against_a_rule_for_any(MealRole? meal)
    {
        var any = Rule with { Meal = "any" };
        Assert.Equal(Verdict.Breaks, any.Check(Eat(1, "250 g cod"), At(meal)).Verdict);
        Assert.Equal("Fish: between 25 and 35 g of protein from fish", any.Sentence(Data.Classes));
        Assert.Equal("Fish at lunch: between 25 and 35 g of protein from fish", Rule.Sentence(Data.Classes));
    }

    [Fact]
    public void Half_a_gram_of_carbohydrate_over_is_over()
    {
        // The 5 % that count as kept are for energy, protein and fat.
        var rule = Rule with
        {
            Measure = Measure.NetCarbohydrate,
            Classes = ["added-sugar"],
            AtLeast = null,
            AtMost = 10,
        };
        Assert.Equal(Verdict.TooClose, rule.Check(Eat(1, "10 g sugar"), At(MealRole.Lunch)).Verdict);
        Assert.Equal(Verdict.Breaks, rule.Check(Eat(1, "11 g sugar"), At(MealRole.Lunch)).Verdict);
    }

    [Fact]
    public void A_free_food_of_the_group_is_not_counted() =>
        Assert.Equal(0, (Rule with { Free = [new("cod")] }).Check(Eat(1, "150 g cod"), At(MealRole.Lunch)).Value!.Value.Best);

    [Fact]
    public void A_part_that_nobody_stated_cannot_be_told() =>
        Assert.True((Rule with { AtLeast = null, AsksAtLeast = true }).Check(Eat(1, "150 g cod"), At(MealRole.Lunch)).NeedsAllowance);

    [Fact]
    public void What_is_short_over_or_unknown_says_so_with_what_brings_it()
    {
        string Says(params string[] lines) => Rule.Check(Eat(1, lines), At(MealRole.Lunch)).Because;
        Assert.StartsWith("Fish at lunch: 17.8 g", Says("100 g cod"), StringComparison.Ordinal);
        Assert.Contains("most of it from Cod fillet 44.5 g", Says("250 g cod"), StringComparison.Ordinal);
        var asked = Rule.Check(Eat(1, "150 g cod or chicken breast"), At(MealRole.Lunch));
        Assert.NotEmpty(asked.Doubts);
        Assert.Empty(Rule.Check(Eat(1, "100 g cod"), At(MealRole.Lunch)).Doubts);
    }

    [Fact]
    public void A_part_that_is_asked_for_names_nobody_else_and_has_no_verdict_yet()
    {
        var finding = (Rule with { AtMost = null, AsksAtMost = true }).Check(Eat(1, "150 g cod"), At(MealRole.Lunch));
        Assert.Equal((Verdict.CannotTell, true), (finding.Verdict, finding.NeedsAllowance));
        Assert.Equal(26.7m, finding.Value!.Value.Best);
    }

    [Theory] // the table's values hold within 5 %, and 5 % below a bound counts as kept
    [InlineData(Measure.Protein, Verdict.Fits)]
    [InlineData(Measure.Energy, Verdict.Fits)]
    [InlineData(Measure.Fat, Verdict.Fits)]
    [InlineData(Measure.Sodium, Verdict.TooClose)] // of other measures nothing is kept
    public void How_far_a_bound_is_kept_goes_by_the_measure(Measure measure, Verdict verdict)
    {
        var cod = Eat(1, "150 g cod");
        var rule = Rule with { Measure = measure, AtLeast = cod.Sum(measure).Best, AtMost = null };
        Assert.Equal(verdict, rule.Check(cod, At(MealRole.Lunch)).Verdict);
    }

    [Fact]
    public void Free_foods_of_the_group_do_not_count_and_doubts_are_told_where_they_decide()
    {
        var free = Rule with { Free = [new("cod")] };
        var both = free.Check(Eat(1, "150 g cod", "120 g salmon"), At(MealRole.Lunch));
        Assert.Equal(Rule.Check(Eat(1, "120 g salmon"), At(MealRole.Lunch)).Value!.Value.Best, both.Value!.Value.Best);
        Assert.Equal(["Salmon fillet"], both.Contributors.Select(item => item.Name));
        Assert.Empty(Rule.Check(Eat(1, "300 g cod", "10 g cod or chicken breast"), At(MealRole.Lunch)).Doubts);
        Assert.Single(Rule.Check(Eat(1, "150 g cod or chicken breast"), At(MealRole.Lunch)).Doubts);
        var unknown = Rule.Check(Eat(1, "moonfruit", "sunroot", "starleaf", "skyroot"), At(MealRole.Lunch)).Because;
        Assert.Contains("moonfruit and sunroot and starleaf;", unknown, StringComparison.Ordinal);
    }
}
