using Merienda.Core.Quantities;
using Merienda.Core.Shopping;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Shopping;

public class PriceTests
{
    private static readonly DateOnly Today = new(2026, 11, 28);

    private static Core.Outcomes.Result<Price> Read(string food, string pack, decimal amount = 2, string shop = "") =>
        Price.Read(new(food, pack, amount, shop), Data.Foods, MeasureSystem.Metric, Today);

    [Theory]
    [InlineData("red lentils", "500 g", 500)]
    [InlineData("lentils-red", "1 kg", 1000)]
    [InlineData("eggs", "12", 600)]
    [InlineData("eggs", "1 dozen", 600)]
    [InlineData("eggs", "half a dozen", 300)]
    [InlineData("carrots", "per kg", 1000)]
    [InlineData("carrots", "kg", 1000)]
    [InlineData("feta", "per 100 g", 100)]
    [InlineData("bananas", "each", 120)]
    [InlineData("garlic", "bulb", 45)]
    [InlineData("garlic", "1 head", 45)]
    [InlineData("semi-skimmed milk", "2 l", 2060)]
    public void A_pack_is_read_like_the_amount_of_a_line(string food, string pack, int grams)
    {
        var price = Read(food, $" {pack} ").Value;
        Assert.Equal((pack, Today), (price.Pack, price.SeenOn));
        Assert.InRange(price.Grams, grams * 0.9m, grams * 1.1m);
        Assert.Equal(2 / price.Grams, price.PerGram);
    }

    [Theory]
    [InlineData("moonfruit", "500 g", 1, "", "unknown-food", "food")]
    [InlineData("red lentils", "", 1, "", "price-pack-unreadable", "pack")]
    [InlineData("red lentils", "some", 1, "", "price-pack-unreadable", "pack")]
    [InlineData("carrots", "some", 1, "", "price-pack-unreadable", "pack")]
    [InlineData("red lentils", "0 g", 1, "", "price-pack-unreadable", "pack")]
    [InlineData("red lentils", "51 kg", 1, "", "price-pack-unreadable", "pack")]
    [InlineData("red lentils", "500 g", -0.01, "", "price-out-of-range", "price")]
    [InlineData("red lentils", "500 g", 100_000.01, "", "price-out-of-range", "price")]
    [InlineData(
        "red lentils",
        "500 g",
        1,
        "a shop whose name is much too long to be anything that a cook calls it by",
        "shop-name-length",
        "shop"
    )]
    public void What_cannot_be_is_refused_with_its_field(string food, string pack, double amount, string shop, string code, string field)
    {
        var refusal = Read(food, pack, (decimal)amount, shop).Refusal!;
        Assert.Equal((code, field), (refusal.Code, refusal.Field));
    }

    [Fact]
    public void The_bounds_are_taken_and_money_has_hundredths()
    {
        Assert.Equal(0, Read("red lentils", "50 kg", 0).Value.Amount);
        Assert.Equal(100_000, Read("red lentils", "0.1 g", 100_000).Value.Amount);
        Assert.Equal(1.24m, Read("red lentils", "500 g", 1.235m).Value.Amount);
        Assert.Equal("quay", Read("red lentils", "500 g", 1, " quay ").Value.Shop);
    }
}
