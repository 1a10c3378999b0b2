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
    [InlineData("2 dozen eggs", 24, 24, "eggs")]
    [InlineData("1 doz. eggs", 12, 12, "eggs")]
    [InlineData("1½ dozen eggs", 18, 18, "eggs")]
    [InlineData("a few leaves", 2, 4, "leaves")]
    [InlineData("three or four carrots", 3, 4, "carrots")]
    [InlineData("three to four carrots", 3, 4, "carrots")]
    [InlineData("four or three carrots", 4, 4, "or three carrots")] // no range
    [InlineData("three or three carrots", 3, 3, "or three carrots")]
    [InlineData("three and four carrots", 3, 3, "and four carrots")]
    [InlineData("three or four", 3, 3, "or four")] // of what?
    [InlineData("a third of a cup", 0.333333333, 0.333333333, "cup")]
    [InlineData("1-1/2 cups", 1.5, 1.5, "cups")]
    [InlineData("11/2 cups", 5.5, 5.5, "cups")]
    [InlineData("2 3/2 cups", 2, 2, "3/2 cups")]
    [InlineData("1.5 1/2 cups", 1.5, 1.5, "1/2 cups")]
    public void A_leading_amount_is_read(string text, double low, double high, string rest)
    {
        var (amount, tail) = AmountReader.Read(text)!.Value;
        Assert.Equal(rest, tail);
        Assert.Equal((low, high), (Math.Round((double)amount.Low, 9), Math.Round((double)amount.High, 9)));
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

    [Theory]
    [InlineData("a few leaves")]
    [InlineData("few leaves")]
    [InlineData("several leaves")]
    public void What_nobody_counted_is_by_eye(string text) => Assert.True(AmountReader.Read(text)!.Value.Amount.IsByEye);

    [Fact]
    public void Written_amounts_add_up_and_scale_with_their_bounds()
    {
        var (some, few) = (new WrittenAmount(1, 2), new WrittenAmount(2, 4, true));
        Assert.Equal(new WrittenAmount(3, 6, true), some + few);
        Assert.Equal(new WrittenAmount(2, 4), some + some);
        Assert.Equal(new WrittenAmount(6, 12, true), few * 3);
        Assert.False(new WrittenAmount(3).IsByEye);
    }
}
