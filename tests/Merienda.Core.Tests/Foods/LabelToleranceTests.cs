using Merienda.Core.Foods.Labels;

namespace Merienda.Core.Tests.Foods;

/// <summary>EU: Commission guidance on tolerances, December 2012; US: 21 CFR 101.9(g); both from memory [M].</summary>
public class LabelToleranceTests
{
    private static PacketLabel Label(LabelCountry country, decimal serving, LabelNutrient nutrient, string printed) =>
        PacketLabel
            .Of(
                country,
                null,
                serving,
                new Dictionary<LabelNutrient, DeclaredValue> { [nutrient] = DeclaredValue.Read(nutrient, printed).Value }
            )
            .Value;

    [Theory]
    [InlineData(LabelNutrient.Carbohydrate, "9.9", 7.9, 11.9)]
    [InlineData(LabelNutrient.Carbohydrate, "10", 8, 12)]
    [InlineData(LabelNutrient.Protein, "40", 32, 48)]
    [InlineData(LabelNutrient.Protein, "41", 33, 49)]
    [InlineData(LabelNutrient.Fibre, "1.5", 0, 3.5)]
    [InlineData(LabelNutrient.Sugars, "20", 16, 24)]
    [InlineData(LabelNutrient.Fat, "9.0", 7.5, 10.5)]
    [InlineData(LabelNutrient.Fat, "30", 24, 36)]
    [InlineData(LabelNutrient.SaturatedFat, "3.9", 3.1, 4.7)]
    [InlineData(LabelNutrient.SaturatedFat, "5.0", 4, 6)]
    [InlineData(LabelNutrient.Energy, "200", 199.5, 200.5)]
    public void Eu_values_per_hundred_grams(LabelNutrient nutrient, string printed, double low, double high)
    {
        var counted = Label(LabelCountry.EuropeanUnion, 100, nutrient, printed).WithTolerances().Of(nutrient)!.Value;
        Assert.Equal(((decimal)low, (decimal)high), (counted.Low, counted.High));
    }

    [Theory]
    [InlineData(LabelNutrient.Energy, "100", 95, 120)]
    [InlineData(LabelNutrient.Fat, "10", 9.5, 12)]
    [InlineData(LabelNutrient.Sodium, "150", 145, 180)]
    [InlineData(LabelNutrient.Protein, "10", 8, 10.5)]
    [InlineData(LabelNutrient.Carbohydrate, "20", 16, 20.5)]
    [InlineData(LabelNutrient.Carbohydrate, "0", 0, 0.5)]
    public void Us_values_per_serving(LabelNutrient nutrient, string printed, double low, double high)
    {
        var counted = Label(LabelCountry.UnitedStates, 30, nutrient, printed).WithTolerances().Of(nutrient)!.Value;
        Assert.Equal(((decimal)low, (decimal)high), (counted.Low, counted.High));
    }

    [Fact]
    public void Nothing_is_tolerated_unless_a_household_says_so_and_elsewhere_nothing_is_known()
    {
        var label = Label(LabelCountry.EuropeanUnion, 100, LabelNutrient.Fat, "30");
        Assert.False(label.IsTolerant);
        Assert.Equal(30.5m, label.Of(LabelNutrient.Fat)!.Value.High);
        Assert.Equal(30.5m, Label(LabelCountry.Australia, 100, LabelNutrient.Fat, "30").WithTolerances().Of(LabelNutrient.Fat)!.Value.High);
    }

    [Fact]
    public void Eu_tolerances_are_of_a_hundred_grams_whatever_the_serving_is()
    {
        // 5 g in 50 g are 10 g in 100 g: 20 % of them, so 1 g of the serving.
        var counted = Label(LabelCountry.EuropeanUnion, 50, LabelNutrient.Fat, "5").WithTolerances().Of(LabelNutrient.Fat)!.Value;
        Assert.Equal((4m, 6m), (counted.Low, counted.High));
    }
}
