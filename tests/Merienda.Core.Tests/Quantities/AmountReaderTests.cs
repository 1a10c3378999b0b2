using Merienda.Core.Quantities;

namespace Merienda.Core.Tests.Quantities;

public class AmountReaderTests
{
    [Theory]
    [InlineData("2 eggs", 2, 2, "eggs")]
    [InlineData("1.5 kg", 1.5, 1.5, "kg")]
    [InlineData("1,5 kg", 1.5, 1.5, "kg")]
    [InlineData("1,250 g", 1250, 1250, "g")]
    [InlineData("0,125 l", 0.125, 0.125, "l")]
    [InlineData("1/2 cup", 0.5, 0.5, "cup")]
    [InlineData("1 1/2 cups", 1.5, 1.5, "cups")]
    [InlineData("1 and 1/2 cups", 1.5, 1.5, "cups")]
    [InlineData("3 & 1/4 cups", 3.25, 3.25, "cups")]
    [InlineData("½ cup", 0.5, 0.5, "cup")]
    [InlineData("1½ cups", 1.5, 1.5, "cups")]
    [InlineData("2 ¾ cups", 2.75, 2.75, "cups")]
    [InlineData("1⁄4 cup", 0.25, 0.25, "cup")]
    [InlineData("2-3 carrots", 2, 3, "carrots")]
    [InlineData("2–3 carrots", 2, 3, "carrots")]
    [InlineData("2 to 3 carrots", 2, 3, "carrots")]
    [InlineData("2 or 3 carrots", 2, 3, "carrots")]
    [InlineData("½ – 1 tsp", 0.5, 1, "tsp")]
    [InlineData("1/2 to 3/4 cup", 0.5, 0.75, "cup")]
    [InlineData("a lemon", 1, 1, "lemon")]
    [InlineData("an onion", 1, 1, "onion")]
    [InlineData("Three eggs", 3, 3, "eggs")]
    [InlineData("half a lime", 0.5, 0.5, "lime")]
    [InlineData("a dozen eggs", 12, 12, "eggs")]
    [InlineData("half a dozen eggs", 6, 6, "eggs")]
    [InlineData("a few leaves", 2, 4, "leaves")]
    public void A_leading_amount_is_read(string text, double low, double high, string rest)
    {
        var (amount, tail) = AmountReader.Read(text)!.Value;
        Assert.Equal(((decimal)low, (decimal)high, rest), (amount.Low, amount.High, tail));
    }

    [Theory]
    [InlineData("eggs")]
    [InlineData("apple")] // starts with "a", which is no amount here
    [InlineData("")]
    [InlineData("/2 cups")]
    [InlineData("1/0 cups")]
    [InlineData("9999999 g")]
    public void What_is_no_amount_is_not_read_as_one(string text) => Assert.Null(AmountReader.Read(text));

    [Fact]
    public void A_range_that_runs_backwards_is_not_a_range()
    {
        var (amount, _) = AmountReader.Read("3-2 carrots")!.Value;
        Assert.Equal((3m, 3m), (amount.Low, amount.High));
    }

    [Fact]
    public void The_best_of_a_range_is_its_middle() => Assert.Equal(2.5m, AmountReader.Read("2–3 carrots")!.Value.Amount.Best);
}
