using Merienda.Core.Quantities;

namespace Merienda.Core.Tests.Quantities;

public class ScaleTests
{
    [Theory]
    [InlineData(12.34, "12.3 g")]
    [InlineData(12.35, "12.4 g")] // a tie goes up
    [InlineData(12, "12 g")]
    [InlineData(1234.5, "1,234.5 g")]
    [InlineData(0.04, "0 g")]
    public void Grams_have_one_decimal_that_is_not_shown_when_it_is_zero(double value, string shown) =>
        Assert.Equal(shown, Scale.Grams.ShowWithUnit((decimal)value));

    [Fact]
    public void Whole_numbers_have_no_decimal_mark_and_a_ratio_no_unit()
    {
        Assert.Equal("1,235 g", Scale.WholeGrams.ShowWithUnit(1234.5m));
        Assert.Equal("250 ml", Scale.Millilitres.ShowWithUnit(250));
        Assert.Equal("7 %", Scale.Percent.ShowWithUnit(6.5m));
        Assert.Equal("0.67", Scale.Ratio.ShowWithUnit(2m / 3));
        Assert.Equal(Scale.Ratio.Show(0.5m), Scale.Ratio.ShowWithUnit(0.5m));
    }

    [Fact]
    public void One_is_said_of_one_and_of_nothing_else()
    {
        Assert.Equal("1 meal", Scale.Meals.ShowWithUnit(1));
        Assert.Equal("2 meals", Scale.Meals.ShowWithUnit(2));
        Assert.Equal("0 meals", Scale.Meals.ShowWithUnit(0));
        Assert.Equal("1 time", Scale.Times.ShowWithUnit(1));
        Assert.Equal("3 times", Scale.Times.ShowWithUnit(3));
        Assert.Equal("1 g", Scale.Grams.ShowWithUnit(1));
        // What only is shown as 1 is not one.
        Assert.Equal("1 times", Scale.Times.ShowWithUnit(1.2m));
    }
}
