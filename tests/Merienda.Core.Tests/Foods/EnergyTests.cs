using Merienda.Core.Foods;

namespace Merienda.Core.Tests.Foods;

public class EnergyTests
{
    [Fact] // EU Regulation 1169/2011 Annex XIV [M]
    public void Energy_by_factors_converts_a_total_basis_to_available_first()
    {
        var total = new NutrientProfile
        {
            Protein = 10,
            Fat = 5,
            Carbohydrate = 20,
            Fibre = 6,
            Polyols = 0,
            Erythritol = 0,
            Alcohol = 0,
            Basis = LabelBasis.Total,
        };
        Assert.Equal(40 + 45 + 56 + 12, EnergyFactors.PerHundredGrams(total));
        Assert.Equal(40 + 45 + 56 + 12, EnergyFactors.PerHundredGrams(total with { Carbohydrate = 14, Basis = LabelBasis.Available }));
        Assert.Equal(
            2.4m * 10,
            EnergyFactors.PerHundredGrams(total with { Protein = 0, Fat = 0, Fibre = 0, Carbohydrate = 10, Polyols = 10 })
        );
        Assert.Equal(0, EnergyFactors.PerHundredGrams(total with { Protein = 0, Fat = 0, Fibre = 0, Carbohydrate = 10, Erythritol = 10 }));
        Assert.Null(EnergyFactors.PerHundredGrams(total with { Fat = null }));
    }

    [Fact] // domain.md section 11 no. 2
    public void A_claim_with_swapped_shares_and_too_little_energy_is_queried_twice()
    {
        var energy = EnergyFactors.Plain(41, 32.5m, 2.8m);
        Assert.Equal(467.7m, energy);
        Assert.True(EnergyClaim.IsQueried(423, energy));
        Assert.Equal(0.106m, EnergyClaim.Difference(423, energy), 3);
        var (protein, fat, carbohydrate) = EnergyClaim.Shares(41, 32.5m, 2.8m);
        Assert.Equal((0.351m, 0.625m, 0.024m), (Math.Round(protein, 3), Math.Round(fat, 3), Math.Round(carbohydrate, 3)));
        Assert.True(EnergyClaim.AreSharesSwapped(0.63m, 0.35m, 41, 32.5m, 2.8m));
        Assert.False(EnergyClaim.AreSharesSwapped(0.35m, 0.63m, 41, 32.5m, 2.8m));
    }

    [Fact] // domain.md section 11 nos. 3, 4 and 5
    public void Small_differences_are_accepted()
    {
        Assert.Equal(600, EnergyFactors.Plain(32, 16, 82));
        Assert.False(EnergyClaim.IsQueried(581, 600));
        Assert.Equal(0.033m, EnergyClaim.Difference(581, 600), 3);
        Assert.Equal(510, EnergyFactors.Plain(39, 38, 3));
        Assert.Equal(0.67m, EnergyClaim.Shares(39, 38, 3).Fat, 2);
        Assert.False(EnergyClaim.IsQueried(414, 234 + 176));
    }

    [Theory] // queried above 10 % and above 20 kcal, both
    [InlineData(200, 220, false)]
    [InlineData(200, 221, true)]
    [InlineData(100, 120, false)]
    [InlineData(300, 330, false)]
    public void A_query_needs_both_bounds_passed(int declared, int computed, bool queried) =>
        Assert.Equal(queried, EnergyClaim.IsQueried(declared, computed));
}
