using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

/// <summary>Half of Europe parts its thousands by a point or a space and its decimals by a comma.</summary>
public class PartedThousandsTests
{
    private static RecipeLine Read(string text) => Table.Line(text, MeasureSystem.Metric);

    [Theory]
    [InlineData("1,000 g flour", 1_000)]
    [InlineData("1 000 g flour", 1_000)]
    [InlineData("2 050 g potatoes", 2_050)]
    [InlineData("1,500 kg potatoes", 1_500)] // one and a half
    [InlineData("1.500 kg potatoes", 1_500)]
    [InlineData("0.500 kg potatoes", 500)]
    [InlineData("0.125 g saffron", 0.125)]
    [InlineData("1.25 g saffron", 1.25)]
    [InlineData("3.877 g olive oil", 3.877)] // as a table of foods writes it
    [InlineData("2 400 g tins chopped tomatoes", 800)]
    [InlineData("2 150 g salmon fillets", 300)]
    [InlineData("2 x 500 g flour", 1_000)]
    public void What_can_be_only_one_amount_is_that(string text, double grams)
    {
        var line = Read(text);
        Assert.Equal(grams, (double)line.Grams.Best, 3);
        Assert.True(line.Grams.High < 1.2m * (decimal)grams, $"{line.Grams}");
    }

    [Theory]
    [InlineData("1.000 g flour", 1, 1_000, "1 or 1000 g?")]
    [InlineData("1.500 g potatoes", 1.5, 1_500, "1.5 or 1500 g?")]
    [InlineData("10.000 mg salt", 0.01, 10, "10 or 10000 mg?")]
    [InlineData("1 500 g flour", 450, 1_500, "500 or 1500 g?")]
    public void What_may_be_a_thousand_or_one_spans_both_and_asks(string text, double low, double high, string asked)
    {
        var line = Read(text);
        Assert.Equal((low, high), ((double)line.Grams.Low, (double)line.Grams.High!.Value));
        Assert.StartsWith(asked, line.Doubt, StringComparison.Ordinal);
    }

    [Fact]
    public void A_size_that_may_be_a_thousand_or_one_has_no_weight() => Assert.True(Read("2 x 1.000 g flour").Grams.IsOpen);
}
