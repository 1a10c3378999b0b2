using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class ShareRulesTests
{
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
        var rule = new EnergyShareRule
        {
            Id = "fat",
            Measure = Measure.Fat,
            Per = Period.Portion,
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
        var rule = new EnergyShareRule
        {
            Id = "fat",
            Measure = Measure.Fat,
            Per = Period.Day,
            AtLeast = 60,
        };
        Assert.Equal(Verdict.Fits, rule.Check(new Intake([]), Context()).Verdict);
    }
}
