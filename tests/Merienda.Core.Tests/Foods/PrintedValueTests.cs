using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Foods;

public class PrintedValueTests
{
    [Theory]
    [InlineData("1046 kJ / 250 kcal", 250)]
    [InlineData("250 kcal / 1046 kJ", 250)]
    [InlineData("1046kJ/250kcal", 250)]
    [InlineData("1046 kJ (250 kcal)", 250)]
    [InlineData("1,046 kJ, 250 kcal", 250)]
    [InlineData("2,100 kcal", 2100)]
    [InlineData("250", 250)]
    public void Both_energies_of_a_panel_are_read_and_kilocalories_count(string printed, int kilocalories) =>
        Assert.Equal(
            (kilocalories, false),
            (
                DeclaredValue.Read(LabelNutrient.Energy, printed).Value.Value,
                DeclaredValue.Read(LabelNutrient.Energy, printed).Value.IsKilojoules
            )
        );

    [Theory]
    [InlineData("1046 kJ / 350 kcal", "energies-differ")]
    [InlineData("1046 kJ / 262 kcal", "energies-differ")]
    [InlineData("1046 kJ / 1046 kJ", "unreadable-value")]
    [InlineData("250 kcal / 250 kcal", "unreadable-value")]
    [InlineData("kJ / kcal", "unreadable-value")]
    public void Energies_that_do_not_mean_the_same_are_refused_with_both(string printed, string code) =>
        Assert.Equal(code, DeclaredValue.Read(LabelNutrient.Energy, printed).Refusal!.Code);

    [Theory]
    [InlineData("1046 kJ / 258 kcal")] // 250.0 against 258: 3.1 %
    [InlineData("17 kJ / 4 kcal")]
    [InlineData("40 kJ / 12 kcal")] // 9.6 against 12: under 3 kcal
    public void Energies_that_differ_by_their_rounding_are_the_same(string printed) =>
        Assert.False(DeclaredValue.Read(LabelNutrient.Energy, printed).IsRefused);

    [Theory]
    [InlineData(LabelNutrient.Sodium, "1,240", 1240)]
    [InlineData(LabelNutrient.Sodium, "1,240 mg", 1240)]
    [InlineData(LabelNutrient.Fat, "1,2", 1.2)]
    [InlineData(LabelNutrient.Fat, "0,125", 0.125)]
    [InlineData(LabelNutrient.Fat, "12,5", 12.5)]
    public void A_comma_before_three_digits_parts_thousands_and_any_other_is_a_decimal_mark(
        LabelNutrient nutrient,
        string printed,
        double value
    ) => Assert.Equal((decimal)value, DeclaredValue.Read(nutrient, printed).Value.Value);

    [Theory]
    [InlineData("½ can (200 g)", 200, 0.5, "tin")]
    [InlineData("1 scoop (31 g)", 31, 1, "scoop")]
    [InlineData("1/2 cup (120 g)", 120, 0.5, "cup")]
    public void A_serving_of_half_a_can_or_a_scoop_is_read_with_its_weight(string printed, int grams, double count, string unit)
    {
        var serving = PrintedServing.Read("serving", printed).Value;
        Assert.Equal((grams, (decimal)count, unit), (serving.Grams, serving.Count, serving.Unit?.Name));
    }

    [Fact]
    public void Allulose_is_credited_whole()
    {
        var bar = Bought(
            Printed(
                "Allulose, cocoa butter",
                (LabelNutrient.Carbohydrate, "50"),
                (LabelNutrient.Allulose, "40"),
                (LabelNutrient.Sugars, "2"),
                (LabelNutrient.Fibre, "0")
            ) with
            {
                Country = LabelCountry.UnitedStates,
            }
        );
        Assert.Equal(10, bar.Nutrition[Measure.NetCarbohydrate].Best);
        Assert.Equal(50, bar.Nutrition[Measure.Carbohydrate].Best);
    }

    [Fact]
    public void The_best_value_is_what_was_declared_and_fibre_is_at_best_all_of_the_carbohydrate()
    {
        // Printed as 1 g and 2 g of a US serving, which rounding makes possible: 1.4 g of fibre in 1.49 g of carbohydrate.
        var crisp = Bought(
            Printed("Oats, water", (LabelNutrient.Carbohydrate, "1"), (LabelNutrient.Fibre, "2")) with
            {
                Country = LabelCountry.UnitedStates,
                Serving = "100 g",
            }
        );
        Assert.Equal(1, crisp.Nutrition[Measure.Carbohydrate].Best);
        Assert.Equal(1, crisp.Nutrition[Measure.Fibre].Best);
        Assert.Equal(0, crisp.Nutrition[Measure.NetCarbohydrate].Low);
    }

    [Fact]
    public void Widths_of_one_packet_add_up_within_it()
    {
        // Carbohydrate 19.5 to 20.5 and erythritol 14.5 to 15.5 of one US panel: net carbs 4 to 6, not the root of the squares.
        var sweet = Bought(
            Printed(
                "Erythritol, maize starch",
                (LabelNutrient.Carbohydrate, "20"),
                (LabelNutrient.Polyols, "15"),
                (LabelNutrient.Fibre, "0"),
                (LabelNutrient.Sugars, "0")
            ) with
            {
                Country = LabelCountry.UnitedStates,
            }
        );
        var net = sweet.Nutrition[Measure.NetCarbohydrate];
        Assert.Equal((3.5m, 5m, 6m), (net.Low, net.Best, net.High)); // fibre under 0.5 g may be printed as 0
    }
}
