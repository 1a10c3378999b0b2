using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class ShareRulesTests
{
    private static EnergyShareRule Fat(Period per) =>
        new()
        {
            Id = "fat",
            Measure = Measure.Fat,
            Per = per,
        };

    [Fact]
    public void Half_and_half_by_grams_is_two_thirds_by_energy()
    {
        // domain.md section 11, value 4: 3 g carbohydrate, 38 g fat, 39 g protein: 67 % of energy from fat, protein to fat 1.03 by grams.
        var energy = Estimate.Exactly(EnergyFactors.Plain(39, 38, 3));
        Assert.Equal(67, Math.Round(QuotientRule.Quotient(Estimate.Exactly(38) * (100 * EnergyFactors.Fat), energy, 100).Best));
        Assert.Equal(1.03m, Math.Round(QuotientRule.Quotient(Estimate.Exactly(39), Estimate.Exactly(38), null).Best, 2));
    }

    [Theory]
    [InlineData(75, Verdict.Fits)]
    [InlineData(68, Verdict.TooClose)]
    [InlineData(60, Verdict.Breaks)]
    public void A_share_of_energy_is_judged_a_portion(int most, Verdict verdict)
    {
        // 20 g butter and 20 g sugar: 16.2 g fat bring 146 of 221 kcal, 66.1 % ± 5 to 6.
        var rule = Fat(Period.Portion) with
        {
            AtMost = most,
        };
        Assert.Equal(verdict, rule.Check(Eat(1, "20 g butter", "20 g sugar"), Context()).Verdict);
    }

    [Fact]
    public void One_portion_never_breaks_the_ratio_of_a_day()
    {
        var rule = new GramRatioRule
        {
            Id = "ratio",
            Measure = Measure.Protein,
            To = Measure.Fat,
            Per = Period.Day,
            AtLeast = 0.8m,
            AtMost = 1.25m,
        };
        Assert.Equal(Verdict.Fits, rule.CheckPortion(Eat(1, "100 g cod"), null, Context()).Verdict);
        Assert.Equal(Verdict.Breaks, rule.Check(Eat(1, "100 g cod"), Context()).Verdict);
        Assert.Equal("Protein to fat by grams: between 0.8 and 1.25 a day", rule.Sentence(Data.Classes));
    }

    [Fact]
    public void Nothing_over_nothing_is_unknown_and_an_empty_day_breaks_no_share()
    {
        Assert.True(QuotientRule.Quotient(Estimate.Zero, Estimate.Zero, 100).IsOpen);
        var rule = Fat(Period.Day) with { AtLeast = 60 };
        Assert.Equal(Verdict.Fits, rule.Check(new Intake([]), Context()).Verdict);
    }

    [Fact]
    public void The_widths_of_a_quotient_combine_by_root_sum_square_each_side_with_the_other_side_of_the_whole()
    {
        var (part, whole) = (Estimate.Between(27, 30, 36), Estimate.Between(80, 100, 105));
        var quotient = QuotientRule.Quotient(part, whole, null);
        Assert.Equal(0.3m, quotient.Best);
        // Below: 3/30 and 5/100; above: 6/30 and 20/100.
        Assert.Equal(0.3m * 0.1118034m, quotient.Below, 6);
        Assert.Equal(0.3m * 0.2828427m, quotient.Above, 6);
    }

    [Fact]
    public void A_quotient_keeps_to_its_bounds()
    {
        // Half to one and a half times as much: it is never below nothing, nor above the whole.
        var wide = QuotientRule.Quotient(Estimate.Between(0, 90, 180), Estimate.Between(40, 100, 200), 1);
        Assert.Equal((0m, 0.9m, 1m), (wide.Low, wide.Best, wide.High));
        // More than the whole, by data that do not agree: the best value is kept.
        Assert.Equal(1.2m, QuotientRule.Quotient(Estimate.Exactly(120), Estimate.Exactly(100), 1).High);
        Assert.True(QuotientRule.Quotient(Estimate.Between(0, 90, 180), Estimate.Between(40, 100, 200), null).High > 1);
        // Of nothing there may still be what nobody measured: 2 of 50.
        var none = QuotientRule.Quotient(Estimate.Between(0, 0, 2), Estimate.Exactly(50), null);
        Assert.Equal((0m, 0m, 0.04m), (none.Low, none.Best, none.High));
    }

    [Fact]
    public void An_unknown_part_or_whole_leaves_the_quotient_open_from_nothing()
    {
        foreach (
            var open in new[]
            {
                QuotientRule.Quotient(Estimate.AtLeast(10, 20), Estimate.Exactly(40), 100),
                QuotientRule.Quotient(Estimate.Exactly(20), Estimate.AtLeast(30, 40), 100),
            }
        )
        {
            Assert.Equal((0m, 0.5m, true), (open.Low, open.Best, open.IsOpen));
        }
    }

    [Fact]
    public void A_portion_that_is_off_a_days_share_says_that_the_day_decides_and_one_of_its_own_does_not()
    {
        var rule = Fat(Period.Day) with { AtMost = 30 };
        var day = rule.CheckPortion(Eat(1, "20 g butter", "20 g sugar"), null, Context());
        Assert.Equal(Verdict.Fits, day.Verdict);
        Assert.EndsWith("in this portion; what else is eaten that day decides.", day.Because, StringComparison.Ordinal);
        var portion = (rule with { Per = Period.Portion }).CheckPortion(Eat(1, "20 g butter", "20 g sugar"), null, Context());
        Assert.Equal(Verdict.Breaks, portion.Verdict);
        Assert.DoesNotContain("decides", rule.CheckPortion(Eat(1, "20 g sugar"), null, Context()).Because, StringComparison.Ordinal);
        var asked = (rule with { AtMost = null, AsksAtMost = true }).CheckPortion(Eat(1, "20 g butter"), null, Context());
        Assert.Equal((Verdict.CannotTell, true), (asked.Verdict, asked.NeedsAllowance));
    }
}
