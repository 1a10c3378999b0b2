using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Shopping;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Shopping;

public class PurchaseTests
{
    private static string Of(Food food, decimal grams, PriceBook? prices = null)
    {
        var buy = Purchase.Of(food, grams, prices ?? PriceBook.Empty);
        return buy.Packs.Count == 0 ? $"{buy.Grams:0.#} g" : string.Join(" + ", buy.Packs.Select(pack => $"{pack.Count} of {pack.Size}"));
    }

    private static PriceBook Paid(string food, string pack, decimal grams, decimal amount = 2) =>
        PriceBook.Of([new(food, amount, pack, grams, "", new(2026, 11, 1))], [Food(food)]);

    [Theory]
    [InlineData("carrot", 1, "1 of 500 g")]
    [InlineData("carrot", 520, "1 of 1 kg")]
    [InlineData("aubergine", 301, "1 of each")]
    [InlineData("lemon", 85, "1 of each")]
    [InlineData("lemon", 87, "1 of each")] // as good as one
    [InlineData("lemon", 88, "2 of each")]
    [InlineData("garlic", 12, "1 of head")]
    [InlineData("stock-cube", 10, "1 of 8 cubes")]
    [InlineData("chickpeas-tinned", 240, "1 of 400 g")] // drained
    [InlineData("egg", 100, "1 of 6")]
    [InlineData("egg", 350, "1 of 12")]
    [InlineData("egg", 900, "1 of 12 + 1 of 6")]
    [InlineData("chicken-breast", 400, "1 of 400 g")]
    [InlineData("chicken-breast", 950, "1 of 600 g + 1 of 400 g")]
    [InlineData("chicken-breast", 1200, "2 of 600 g")]
    [InlineData("rice-white", 600, "1 of 1 kg")]
    [InlineData("rice-white", 1400, "1 of 1 kg + 1 of 500 g")]
    [InlineData("anchovies", 6, "1 of 50 g")]
    [InlineData("saffron", 0.1, "1 of 0.4 g")]
    [InlineData("bagel", 95, "1 of 5")]
    [InlineData("new-potatoes", 900, "1 of 1 kg")] // 25 of them, which nobody asks for
    [InlineData("milk-whole", 1100, "1 of 1 l + 1 of 500 ml")]
    [InlineData("soy-sauce", 20, "1 of 150 ml")]
    [InlineData("water-sparkling", 300, "1 of 330 ml")]
    [InlineData("honey", 20, "1 of 340 g")] // has a density, and is sold by weight
    public void Packs_and_pieces_are_whole_and_leave_the_least(string food, double grams, string bought) =>
        Assert.Equal(bought, Of(Food(food), (decimal)grams));

    [Theory]
    [InlineData(0.4, "1 g")]
    [InlineData(9, "9 g")]
    [InlineData(11, "20 g")]
    [InlineData(200, "200 g")]
    [InlineData(201, "250 g")]
    public void What_has_no_pack_is_bought_by_weight(double grams, string bought) =>
        Assert.Equal(bought, Of(Food("lamb-neck"), (decimal)grams));

    [Theory]
    [InlineData("egg", 350, 7)]
    [InlineData("potato", 340, 2)]
    [InlineData("aubergine", 60, 0.5)]
    [InlineData("aubergine", 374, 1)]
    [InlineData("aubergine", 375, 1.5)]
    public void What_one_counts_is_said_in_halves(string food, int grams, double pieces) =>
        Assert.Equal((decimal)pieces, Purchase.PiecesIn(Food(food), grams));

    [Theory]
    [InlineData("strawberries")]
    [InlineData("cod")]
    [InlineData("rocket")]
    [InlineData("feta")]
    public void Nobody_counts_strawberries_or_fillets(string food) => Assert.Null(Purchase.PiecesIn(Food(food), 200));

    [Fact]
    public void A_tin_holds_what_is_left_of_it_when_it_is_drained() =>
        Assert.Equal(240, Purchase.Of(Food("chickpeas-tinned"), 200, PriceBook.Empty).Grams);

    [Fact]
    public void Aisles_come_as_one_walks_and_what_is_unknown_behind() =>
        Assert.Equal(
            ["vegetables", "tins", "frozen", "my own"],
            new[] { "my own", "frozen", "vegetables", "tins" }.OrderBy(Aisles.PlaceOf)
        );

    [Fact]
    public void The_pack_that_was_paid_for_is_the_one_that_is_bought()
    {
        Assert.Equal("2 of 300 g", Of(Food("chicken-breast"), 600, Paid("chicken-breast", "300 g", 300)));
        // At a counter one buys what one needs.
        Assert.Equal("450 g", Of(Food("cod"), 420, Paid("cod", "per kg", 1000)));
        Assert.Equal("2 of each", Of(Food("aubergine"), 400, Paid("aubergine", "per kg", 1000)));
    }

    [Fact]
    public void Whole_packs_are_paid_for()
    {
        Assert.Equal(4m, Purchase.Of(Food("feta"), 210, Paid("feta", "200 g", 200)).Cost);
        Assert.Equal(2m, Purchase.Of(Food("feta"), 206, Paid("feta", "200 g", 200)).Cost);
        Assert.Null(Purchase.Of(Food("feta"), 210, PriceBook.Empty).Cost);
    }

    [Fact]
    public void No_other_number_of_packs_would_leave_less() =>
        Gen.Select(Gen.Int[1, 5000], Gen.Int[50, 500], Gen.Int[501, 2000])
            .Sample(
                (grams, small, large) =>
                {
                    var food = new Food
                    {
                        Key = "x",
                        Name = "X",
                        Aisle = "tins",
                        Profile = Food("cod").Profile,
                        Measures = Food("rocket").Measures,
                        Classes = Food("cod").Classes,
                        Source = "for the test",
                        Packs = [small, large],
                    };
                    var best = (
                        from many in Enumerable.Range(0, 12)
                        from few in Enumerable.Range(0, 110)
                        let all = (many * large) + (few * small)
                        where all >= grams * 0.97m
                        orderby all, many + few
                        select (Grams: (decimal)all, Count: many + few)
                    ).First();
                    var bought = Purchase.Of(food, grams, PriceBook.Empty);
                    Assert.Equal(best, (bought.Grams, bought.Packs.Sum(pack => pack.Count)));
                },
                iter: 300
            );
}
