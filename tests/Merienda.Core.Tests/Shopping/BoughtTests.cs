using Merienda.Core.Shopping;
using Merienda.Core.Stock;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Shopping;

public class BoughtTests
{
    private static readonly DateOnly Today = new(2026, 11, 28);

    private static Core.Outcomes.Result<StockItem> Came(string food, decimal grams = 400, decimal? cost = null, string shop = "") =>
        new Bought(food, "2 × 200 g", grams, cost, shop).ToStock(Guid.NewGuid(), Data.Foods.WithKey, Today);

    [Theory]
    [InlineData("chicken-breast", StockPlace.Fridge)]
    [InlineData("feta", StockPlace.Fridge)]
    [InlineData("spinach", StockPlace.Fridge)]
    [InlineData("edamame", StockPlace.Freezer)]
    [InlineData("rice-white", StockPlace.Pantry)]
    [InlineData("apple", StockPlace.Pantry)]
    public void What_comes_home_goes_where_it_keeps(string food, StockPlace place)
    {
        var item = Came(food).Value;
        Assert.Equal((place, "2 × 200 g", 400m, Today), (item.Place, item.Amount, item.Grams, item.MadeOn));
        Assert.Equal(place == StockPlace.Freezer ? Today : null, item.FrozenOn);
    }

    [Fact]
    public void What_cannot_be_is_refused()
    {
        Assert.Equal("unknown-food", Came("moonfruit").Refusal!.Code);
        Assert.Equal("stock-amount-out-of-range", Came("feta", 0).Refusal!.Code);
        Assert.Equal("price-out-of-range", Came("feta", cost: -1).Refusal!.Code);
        Assert.Equal("shop-name-length", Came("feta", shop: new string('x', 61)).Refusal!.Code);
    }
}
