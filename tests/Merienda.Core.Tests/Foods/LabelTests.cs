using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Quantities;

namespace Merienda.Core.Tests.Foods;

/// <summary>
/// US: 21 CFR 101.9(c), per serving; EU: Commission guidance on tolerances, December 2012, per 100 g; both from memory [M].
/// </summary>
public class LabelTests
{
    private static LabelInterval Interval(LabelCountry country, LabelNutrient nutrient, string printed) =>
        LabelRounding.IntervalOf(country, nutrient, DeclaredValue.Read(nutrient, printed).Value);

    [Theory]
    [InlineData(LabelNutrient.Energy, "0", 0, 5)]
    [InlineData(LabelNutrient.Energy, "5", 5, 7.5)]
    [InlineData(LabelNutrient.Energy, "45", 42.5, 47.5)]
    [InlineData(LabelNutrient.Energy, "50", 47.5, 55)]
    [InlineData(LabelNutrient.Energy, "60", 55, 65)]
    [InlineData(LabelNutrient.Fat, "0", 0, 0.5)]
    [InlineData(LabelNutrient.Fat, "0.5", 0.5, 0.75)]
    [InlineData(LabelNutrient.Fat, "4.5", 4.25, 4.75)]
    [InlineData(LabelNutrient.Fat, "5", 4.75, 5.5)]
    [InlineData(LabelNutrient.Fat, "6", 5.5, 6.5)]
    [InlineData(LabelNutrient.SaturatedFat, "0", 0, 0.5)]
    [InlineData(LabelNutrient.Carbohydrate, "0", 0, 0.5)]
    [InlineData(LabelNutrient.Carbohydrate, "less than 1 g", 0.5, 1)]
    [InlineData(LabelNutrient.Carbohydrate, "<1", 0.5, 1)]
    [InlineData(LabelNutrient.Carbohydrate, "1", 0.5, 1.5)]
    [InlineData(LabelNutrient.Protein, "12", 11.5, 12.5)]
    [InlineData(LabelNutrient.Sodium, "0", 0, 5)]
    [InlineData(LabelNutrient.Sodium, "140", 137.5, 145)]
    [InlineData(LabelNutrient.Sodium, "150", 145, 155)]
    [InlineData(LabelNutrient.Energy, "52", 51.5, 52.5)] // finer than the rule
    public void A_us_value_stands_for_its_interval(LabelNutrient nutrient, string printed, double low, double high)
    {
        var interval = Interval(LabelCountry.UnitedStates, nutrient, printed);
        Assert.Equal(((decimal)low, (decimal)high), (interval.Low, interval.High));
    }

    [Theory]
    [InlineData(LabelNutrient.Energy, "0", 0, 0.5)]
    [InlineData(LabelNutrient.Energy, "354", 353.5, 354.5)]
    [InlineData(LabelNutrient.Fat, "0", 0, 0.5)]
    [InlineData(LabelNutrient.Fat, "0.5", 0.5, 0.55)]
    [InlineData(LabelNutrient.Fat, "0.6", 0.55, 0.65)]
    [InlineData(LabelNutrient.Fat, "9.9", 9.85, 9.95)]
    [InlineData(LabelNutrient.Fat, "10", 9.95, 10.5)]
    [InlineData(LabelNutrient.Fat, "11", 10.5, 11.5)]
    [InlineData(LabelNutrient.Fat, "12.4", 12.35, 12.45)] // finer than the rule
    [InlineData(LabelNutrient.SaturatedFat, "0", 0, 0.1)]
    [InlineData(LabelNutrient.Salt, "0", 0, 0.0125)]
    [InlineData(LabelNutrient.Salt, "0.02", 0.015, 0.025)]
    [InlineData(LabelNutrient.Salt, "1.0", 0.995, 1.05)]
    [InlineData(LabelNutrient.Salt, "1.2", 1.15, 1.25)]
    public void An_eu_value_stands_for_its_interval(LabelNutrient nutrient, string printed, double low, double high)
    {
        var interval = Interval(LabelCountry.EuropeanUnion, nutrient, printed);
        Assert.Equal(((decimal)low, (decimal)high), (interval.Low, interval.High));
    }

    [Theory]
    [InlineData("5", 4.5, 5.5)]
    [InlineData("5.0", 4.95, 5.05)]
    [InlineData("0", 0, 0.5)]
    public void Elsewhere_half_of_the_last_printed_digit_is_hidden(string printed, double low, double high) =>
        Assert.Equal(
            ((decimal)low, (decimal)high),
            (Interval(LabelCountry.Other, LabelNutrient.Fat, printed).Low, Interval(LabelCountry.Other, LabelNutrient.Fat, printed).High)
        );

    [Fact]
    public void What_is_printed_for_a_true_value_stands_for_an_interval_that_holds_it()
    {
        var nutrients = Enum.GetValues<LabelNutrient>();
        Gen.Select(Gen.Int[0, nutrients.Length - 1], Gen.Bool, Gen.Int[0, 60_000])
            .Sample(
                (at, isAmerican, thousandths) =>
                {
                    var country = isAmerican ? LabelCountry.UnitedStates : LabelCountry.EuropeanUnion;
                    var value = thousandths / 100m;
                    if (LabelRounding.Print(country, nutrients[at], value) is { } printed)
                    {
                        var text = printed.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture);
                        Assert.True(Interval(country, nutrients[at], text).Contains(value), $"{nutrients[at]} {value} printed as {text}");
                    }
                },
                iter: 20_000
            );
    }

    [Fact]
    public void Fourteen_servings_of_zero_hide_just_under_seven_grams()
    {
        // domain.md section 11, value 13.
        var zero = Interval(LabelCountry.UnitedStates, LabelNutrient.Carbohydrate, "0").Estimate;
        Assert.Equal(7m, (zero * 14).High);
        var twenty = new Tally();
        for (var packet = 0; packet < 20; packet++)
        {
            twenty.Add(new object(), zero);
        }

        Assert.Equal(2.2m, Math.Round(twenty.Plausible.High!.Value, 1));
        Assert.Equal(10m, twenty.WorstCase.High);
    }

    private static PacketLabel Label(LabelCountry country, decimal serving, params (LabelNutrient, string)[] values) =>
        PacketLabel
            .Of(
                country,
                null,
                serving,
                values.ToDictionary(value => value.Item1, value => DeclaredValue.Read(value.Item1, value.Item2).Value)
            )
            .Value;

    [Theory]
    [InlineData(LabelCountry.UnitedStates, LabelBasis.Total)]
    [InlineData(LabelCountry.Canada, LabelBasis.Total)]
    [InlineData(LabelCountry.EuropeanUnion, LabelBasis.Available)]
    [InlineData(LabelCountry.UnitedKingdom, LabelBasis.Available)]
    [InlineData(LabelCountry.Australia, LabelBasis.AvailableWithoutPolyols)]
    [InlineData(LabelCountry.NewZealand, LabelBasis.AvailableWithoutPolyols)]
    [InlineData(LabelCountry.Other, null)]
    public void The_country_says_what_carbohydrate_holds(LabelCountry country, LabelBasis? basis) =>
        Assert.Equal(basis, LabelCountries.BasisOf(country));

    [Fact]
    public void Salt_and_sodium_are_the_same_thing()
    {
        var label = Label(LabelCountry.EuropeanUnion, 100, (LabelNutrient.Salt, "1.0"));
        Assert.Equal(
            (398m, 400m, 420m),
            (
                label.PerHundredGrams(LabelNutrient.Sodium).Low,
                label.PerHundredGrams(LabelNutrient.Sodium).Best,
                label.PerHundredGrams(LabelNutrient.Sodium).High
            )
        );
        Assert.True(Label(LabelCountry.EuropeanUnion, 100).PerHundredGrams(LabelNutrient.Sodium).IsOpen);
    }

    [Theory]
    [InlineData(0, "serving-out-of-range")]
    [InlineData(0.1, null)]
    [InlineData(2001, "serving-out-of-range")]
    public void A_serving_weighs_something(double grams, string? code) =>
        Assert.Equal(
            code,
            PacketLabel.Of(LabelCountry.UnitedStates, null, (decimal)grams, new Dictionary<LabelNutrient, DeclaredValue>()).Refusal?.Code
        );

    [Fact]
    public void Fibre_above_the_total_that_holds_it_is_refused_and_on_an_available_basis_it_is_not()
    {
        var values = new Dictionary<LabelNutrient, DeclaredValue>
        {
            [LabelNutrient.Carbohydrate] = new(3, false, 0),
            [LabelNutrient.Fibre] = new(7, false, 0),
        };
        Assert.Equal("fibre-above-carbohydrate", PacketLabel.Of(LabelCountry.UnitedStates, null, 100, values).Refusal?.Code);
        Assert.Null(PacketLabel.Of(LabelCountry.EuropeanUnion, null, 100, values).Refusal);
        Assert.Equal("basis-unknown", PacketLabel.Of(LabelCountry.Other, null, 100, values).Refusal?.Code);
    }

    [Theory]
    [InlineData("5 g", 5, false, 0)]
    [InlineData("0,50", 0.5, false, 2)]
    [InlineData("< 0.5 g", 0.5, true, 1)]
    [InlineData("Less than 5mg", 0.005, true, 3)]
    public void A_value_is_read_as_printed(string printed, double value, bool isLessThan, int decimals) =>
        Assert.Equal(new DeclaredValue((decimal)value, isLessThan, decimals), DeclaredValue.Read(LabelNutrient.Fat, printed).Value);

    [Theory]
    [InlineData(LabelNutrient.Energy, "1046 kJ", 249.88, 250, 250.12)] // 1 kcal is 4.184 kJ
    [InlineData(LabelNutrient.Energy, "250", 249.5, 250, 250.5)]
    [InlineData(LabelNutrient.Sodium, "0.4 g", 350, 400, 450)] // no EU rule for sodium: half of the last digit
    [InlineData(LabelNutrient.Sodium, "400", 399.5, 400, 400.5)]
    [InlineData(LabelNutrient.Salt, "<0.5", 0, 0.25, 0.5)]
    public void The_unit_that_is_printed_counts(LabelNutrient nutrient, string printed, double low, double best, double high)
    {
        var interval = Interval(LabelCountry.EuropeanUnion, nutrient, printed).Estimate;
        Assert.Equal(
            ((decimal)low, (decimal)best, (decimal)high),
            (Math.Round(interval.Low, 2), Math.Round(interval.Best, 2), Math.Round(interval.High!.Value, 2))
        );
    }

    [Theory]
    [InlineData(LabelNutrient.Fat, "100 kJ")]
    [InlineData(LabelNutrient.Energy, "3 g")]
    public void A_unit_of_something_else_is_refused(LabelNutrient nutrient, string printed) =>
        Assert.Equal("unreadable-value", DeclaredValue.Read(nutrient, printed).Refusal!.Code);

    [Theory]
    [InlineData("")]
    [InlineData("-1")]
    [InlineData("five")]
    [InlineData("1.2.3")]
    [InlineData("9999999")]
    public void What_no_packet_prints_is_refused_with_the_field(string printed) =>
        Assert.Equal("fat", DeclaredValue.Read(LabelNutrient.Fat, printed).Refusal!.Field);

    [Fact]
    public void Declared_energy_is_held_against_the_factors()
    {
        var label = Label(
            LabelCountry.UnitedStates,
            50,
            (LabelNutrient.Protein, "10"),
            (LabelNutrient.Fat, "10"),
            (LabelNutrient.Carbohydrate, "10"),
            (LabelNutrient.Fibre, "5"),
            (LabelNutrient.Energy, "160")
        );
        // 40 + 90 + 4 · 5 + 2 · 5 = 160 a serving.
        Assert.Equal(320, label.EnergyByFactors);
        Assert.Null(Label(LabelCountry.UnitedStates, 50, (LabelNutrient.Fat, "10")).EnergyByFactors);
    }
}
