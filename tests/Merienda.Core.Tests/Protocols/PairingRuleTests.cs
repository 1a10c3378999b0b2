using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class PairingRuleTests
{
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

    private static readonly PairingRule Fat = new()
    {
        Id = "pairing",
        Measure = Measure.Fat,
        AtMost = 30,
        BesideIt = 15,
    };

    [Theory]
    [InlineData("60 g butter", "Pairing by fat: 48.7 g is a heavy meal; the day's other meals should be light.")]
    [InlineData("10 g butter", "Pairing by fat: 8.1 g is a light meal.")]
    [InlineData("37 g butter", "Pairing by fat: 30 g may be a heavy meal.")]
    public void A_portion_says_what_meal_it_makes(string line, string says)
    {
        Assert.Equal(says, Fat.CheckPortion(Eat(1, line), null, Context()).Because);
        Assert.Equal(Verdict.Fits, Fat.JudgePortion(Eat(1, line), null, Context()));
    }

    [Fact]
    public void One_meal_is_no_pair_however_heavy_and_its_dishes_weigh_together()
    {
        Assert.Equal(Verdict.Fits, Fat.Check(new([At(0, "lunch", "One", "60 g butter")]), Context()).Verdict);
        Assert.Equal(Verdict.Fits, Fat.Check(new([]), Context()).Verdict);
        var twoDishes = At(0, "lunch", "Other", "20 g butter");
        Assert.Equal(
            Verdict.Fits,
            Fat.Check(new([At(0, "lunch", "One", "20 g butter"), At(0, "supper", "Two", "25 g butter")]), Context()).Verdict
        );
        Assert.Equal(
            Verdict.Breaks,
            Fat.Check(new([At(0, "lunch", "One", "20 g butter"), twoDishes, At(0, "supper", "Two", "25 g butter")]), Context()).Verdict
        );
    }

    [Fact]
    public void Without_a_bound_for_the_other_only_two_heavy_meals_break()
    {
        var rule = Fat with { BesideIt = null };
        Intake Day(string lunch, string supper) => new([At(0, "lunch", "One", lunch), At(0, "supper", "Other", supper)]);
        Assert.Equal(Verdict.Fits, rule.Check(Day("60 g butter", "25 g butter"), Context()).Verdict);
        var broken = rule.Check(Day("50 g butter", "60 g butter"), Context());
        Assert.Equal("Pairing by fat: supper 48.7 g and lunch 40.6 g do not go together; no two meals a day above 30 g.", broken.Because);
        Assert.Equal(["supper", "lunch"], broken.Contributors.Select(one => one.Name));
        Assert.Equal(
            "Pairing by fat: no two meals a day above 30 g; beside such a meal the others at most 15 g",
            Fat.Sentence(Data.Classes)
        );
    }

    [Fact]
    public void A_bound_that_nobody_stated_cannot_be_told()
    {
        var rule = Fat with { AtMost = null, AsksAtMost = true };
        Assert.True(rule.Check(Eat(1, "60 g butter"), Context()).NeedsAllowance);
        Assert.True(rule.CheckPortion(Eat(1, "60 g butter"), null, Context()).NeedsAllowance);
        Assert.Equal(Verdict.CannotTell, rule.JudgePortion(Eat(1, "60 g butter"), null, Context()));
        Assert.Equal("Pairing by fat: no two heavy meals a day, from an amount you state", rule.Sentence(Data.Classes));
    }

    private static Estimate FatOf(string line) => Eat(1, line).Sum(Measure.Fat);

    [Fact]
    public void A_meal_is_heavy_from_just_above_the_bound_and_light_up_to_it()
    {
        var fat = FatOf("60 g butter");
        string Says(decimal most) => (Fat with { AtMost = most }).CheckPortion(Eat(1, "60 g butter"), null, Context()).Because;
        Assert.EndsWith("is a light meal.", Says(fat.High!.Value), StringComparison.Ordinal);
        Assert.EndsWith("may be a heavy meal.", Says(fat.High!.Value - 0.001m), StringComparison.Ordinal);
        Assert.EndsWith("may be a heavy meal.", Says(fat.Low), StringComparison.Ordinal);
        Assert.Contains("is a heavy meal;", Says(fat.Low - 0.001m), StringComparison.Ordinal);
    }

    [Fact]
    public void Beside_a_heavy_meal_the_other_is_held_against_its_own_bound_on_both_sides()
    {
        var other = FatOf("20 g butter");
        Verdict With(decimal beside) =>
            (Fat with { BesideIt = beside })
                .Check(new([At(0, "lunch", "One", "60 g butter"), At(0, "supper", "Other", "20 g butter")]), Context())
                .Verdict;
        Assert.Equal(Verdict.Fits, With(other.High!.Value));
        Assert.Equal(Verdict.TooClose, With(other.High!.Value - 0.001m));
        Assert.Equal(Verdict.TooClose, With(other.Low));
        Assert.Equal(Verdict.Breaks, With(other.Low - 0.001m));
        // A bound above the heavy one's says nothing more.
        Assert.Equal(
            Verdict.Breaks,
            (Fat with { AtMost = 10, BesideIt = 40 })
                .Check(new([At(0, "lunch", "One", "60 g butter"), At(0, "supper", "Other", "20 g butter")]), Context())
                .Verdict
        );
    }

    [Theory]
    [InlineData("60 g butter", "10 g butter", "300 g moonfruit", Verdict.CannotTell)] // the supper may be anything
    [InlineData("60 g butter", "60 g butter", "300 g moonfruit", Verdict.Breaks)] // what is known is too much already
    [InlineData("10 g butter", "10 g butter", "300 g moonfruit", Verdict.Fits)] // beside so light a lunch anything goes
    public void A_dish_that_nobody_knows_is_judged_by_what_it_may_be(string lunch, string supper, string unknown, Verdict verdict) =>
        Assert.Equal(verdict, Fat.Check(new([At(0, "lunch", "One", lunch), At(0, "supper", "Other", supper, unknown)]), Context()).Verdict);

    [Fact]
    public void What_may_not_go_together_says_so_and_what_goes_together_repeats_the_rule()
    {
        var other = FatOf("20 g butter");
        Intake day = new([At(0, "lunch", "One", "60 g butter"), At(0, "supper", "Other", "20 g butter")]);
        Assert.Contains(
            "may not go together",
            (Fat with { BesideIt = other.Best }).Check(day, Context()).Because,
            StringComparison.Ordinal
        );
        var kept = (Fat with { BesideIt = 20 }).Check(day, Context());
        Assert.Equal($"{(Fat with { BesideIt = 20 }).Sentence(Data.Classes)}; kept.", kept.Because);
        Assert.Null(kept.Value);
    }
}
