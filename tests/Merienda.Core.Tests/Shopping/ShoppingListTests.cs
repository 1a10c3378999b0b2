using Merienda.Core.Keeping;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;
using Merienda.Core.Stock;
using Merienda.Formats;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Shopping;

public class ShoppingListTests
{
    private static readonly DateOnly Saturday = new(2026, 11, 28);

    private static readonly ShoppingList Plain = ShoppingList.FromNothing(
        SoldAsFile.Load(Path.Combine(DataFiles.Find(), "sold-as.csv"), Data.Foods.WithKey),
        Data.Foods.WithKey
    );

    private static BatchToShop Batch(string letter, decimal portions, params string[] lines) => Batch(letter, Saturday, portions, lines);

    private static BatchToShop Batch(string letter, DateOnly on, decimal portions, params string[] lines) =>
        new(
            letter,
            on,
            new()
            {
                Name = "dish",
                Portions = 4,
                Lines = [.. lines.Select(line => Line(line))],
                Keeping = KeepingClass.All[0],
            },
            portions
        );

    private static StockItem There(string food, decimal? grams, DateOnly? bestBefore = null, StockPlace place = StockPlace.Pantry) =>
        new(Guid.NewGuid(), food, food, "", grams, place, Saturday.AddDays(-1), null, null, null, bestBefore, null);

    private static ShoppingItem Item(IReadOnlyList<ShoppingItem> list, string key) => list.Single(item => item.Key == key);

    [Fact]
    public void One_food_is_added_up_across_recipes_and_scaled_to_what_is_cooked()
    {
        var list = Plain.Of([Batch("A", 6, "400 g carrots", "1 l water"), Batch("B", 2, "200 g carrots", "3 eggs")]);
        var carrots = Item(list, "carrot");
        Assert.Equal(700, carrots.Grams.Best);
        Assert.Equal([("A", 600m), ("B", 100m)], carrots.Batches.Select(need => (need.Letter, need.Grams.Best)));
        Assert.Equal((new PackCount(1, "1 kg", 1000), 300m), (carrots.Buy!.Packs.Single(), carrots.LeftOver));
        Assert.DoesNotContain(list, item => item.Key == "water");
    }

    [Fact]
    public void A_line_that_nobody_can_weigh_is_still_on_the_list_word_for_word()
    {
        var list = Plain.Of([Batch("A", 8, "2 firkins of moonfruit", "olive oil for frying")]);
        var odd = list.Single(item => item.Food is null);
        Assert.Equal(("2 firkins of moonfruit (× 2)", (Purchase?)null), (odd.AsTyped.Single(), odd.Buy));
        var oil = Item(list, "olive-oil");
        Assert.Equal(("olive oil for frying (× 2)", (Purchase?)null), (oil.AsTyped.Single(), oil.Buy));
        Assert.Equal(odd, list[^1]);
    }

    [Theory]
    [InlineData("500 g cooked rice", "rice-white", 179)]
    [InlineData("500 ml vegetable stock", "stock-cube", 10)]
    [InlineData("3 egg whites", "egg", 150)]
    [InlineData("90 g lemon juice", "lemon", 170)]
    public void What_nobody_sells_so_is_bought_as_what_it_is_made_of(string line, string bought, int grams)
    {
        var item = Assert.Single(Plain.Of([Batch("A", 4, line)]));
        Assert.Equal((bought, 1), (item.Key, item.For.Count));
        Assert.InRange(item.Grams.Best, grams * 0.97m, grams * 1.03m);
    }

    [Fact]
    public void Lemons_for_juice_and_lemons_are_the_same_lemons()
    {
        var item = Assert.Single(Plain.Of([Batch("A", 4, "1 lemon"), Batch("B", 4, "45 g lemon juice")]));
        Assert.Equal(2, item.Buy!.Packs.Single().Count);
        Assert.Equal(["Lemon juice"], item.For);
    }

    [Fact]
    public void What_is_there_is_taken_first_and_only_while_it_is_good()
    {
        var stocked = Plain with
        {
            Stock = [There("lentils-red", 300), There("lentils-red", 400, Saturday.AddDays(2)), There("carrot", null), There("onion", 500)],
        };
        BatchToShop[] twice = [Batch("A", Saturday, 4, "200 g red lentils"), Batch("B", Saturday.AddDays(4), 4, "600 g red lentils")];
        var lentils = Item(stocked.Of(twice), "lentils-red");
        // 400 g are good for Saturday only: 200 of them; on Wednesday 300 g are there.
        Assert.Equal(300, lentils.There.Missing);
        Assert.Equal([200m, 300m], lentils.There.Taken.Select(one => one.Grams));

        var onions = Item(stocked.Of([Batch("A", 4, "200 g onions")]), "onion");
        Assert.Equal((0m, (Purchase?)null, 0m), (onions.There.Missing, onions.Buy, onions.LeftOver));
        // Nobody knows how many carrots there are.
        Assert.Equal(200, Item(stocked.Of([Batch("A", 4, "200 g carrots")]), "carrot").There.Missing);
    }

    [Fact]
    public void What_is_cooked_before_leaves_the_rest()
    {
        var stocked = Plain with { Stock = [There("lentils-red", 500)] };
        var list = stocked.After([Batch("A", 4, "400 g red lentils")], Saturday);
        Assert.Equal(200, Item(list.Of([Batch("B", Saturday.AddDays(4), 4, "300 g red lentils")]), "lentils-red").There.Missing);
        Assert.Empty(stocked.After([Batch("A", 4, "600 g red lentils")], Saturday).Stock);
    }

    [Theory]
    [InlineData("40 g paprika", true)]
    [InlineData("41 g paprika", false)]
    [InlineData("10 g feta", false)]
    public void A_little_of_what_cupboards_hold_is_looked_for_first(string line, bool isLookedFor) =>
        Assert.Equal(isLookedFor, Assert.Single(Plain.Of([Batch("A", 4, line)])).IsLookedFor);

    [Fact]
    public void What_goes_off_before_it_is_cooked_is_named()
    {
        var stocked = Plain with { Stock = [There("chicken-breast", 600, place: StockPlace.Fridge)] };
        var chicken = Item(stocked.Of([Batch("A", Saturday.AddDays(4), 4, "500 g chicken breast")]), "chicken-breast");
        Assert.Equal((500m, Saturday), (chicken.There.Missing, chicken.There.TooOld.Single().Until));
        Assert.Empty(Item(stocked.Of([Batch("A", Saturday, 4, "500 g chicken breast")]), "chicken-breast").There.TooOld);
    }

    [Fact]
    public void What_is_left_of_a_pack_is_known()
    {
        var packet = Bought(Printed("Rye flour") with { Pack = "250 g", Serving = "100 g; 1 piece = 10 g" });
        var batch = Batch("A", 4) with
        {
            Recipe = Recipe("plate", 4, [RecipeLine.From("260 g", Data.Foods, Core.Quantities.MeasureSystem.Metric, chosenFood: packet)]),
        };
        var item = Assert.Single(Plain.Of([batch]));
        Assert.Equal((2, 240m), (item.Buy!.Packs.Single().Count, item.LeftOver));
        // By weight one buys what one needs.
        Assert.Equal(0, Assert.Single(Plain.Of([Batch("A", 4, "130 g diced lamb")])).LeftOver);
    }
}
