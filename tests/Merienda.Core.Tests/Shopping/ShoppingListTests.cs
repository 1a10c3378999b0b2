using Merienda.Core.Keeping;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Shopping;

public class ShoppingListTests
{
    private static RecipeVersion Recipe(string name, decimal portions, params string[] lines) =>
        new()
        {
            Name = name,
            Portions = portions,
            Lines = [.. lines.Select(line => Line(line))],
            Keeping = KeepingClass.All[0],
        };

    [Fact]
    public void One_food_is_added_up_across_recipes_and_scaled_to_what_is_cooked()
    {
        var list = ShoppingList.Of([
            new("A", Recipe("stew", 4, "400 g carrots", "1 l water"), 6),
            new("B", Recipe("slaw", 2, "100 g carrots", "3 eggs"), 2),
        ]);
        var carrots = list.Single(item => item.Key == "carrot");
        Assert.Equal(700, carrots.Grams.Best);
        Assert.Equal([("A", 600m), ("B", 100m)], carrots.Batches.Select(need => (need.Letter, need.Grams.Best)));
        Assert.Equal((10m, "each"), carrots.Pieces);
        Assert.DoesNotContain(list, item => item.Key == "water");
    }

    [Fact]
    public void A_line_that_nobody_can_weigh_is_still_on_the_list_word_for_word()
    {
        var list = ShoppingList.Of([new("A", Recipe("odd", 2, "2 firkins of moonfruit", "olive oil for frying"), 4)]);
        Assert.Equal("2 firkins of moonfruit (× 2)", list.Single(item => item.Aisle is null).AsTyped.Single());
        Assert.Equal("olive oil for frying (× 2)", list.Single(item => item.Key == "olive-oil").AsTyped.Single());
        Assert.Null(list[^1].Aisle);
    }

    [Theory]
    [InlineData(63, 1)]
    [InlineData(250, 1)]
    [InlineData(251, 2)]
    public void A_packet_is_bought_whole(int grams, int packs)
    {
        var packet = Bought(Printed("Rye flour") with { Pack = "250 g", Serving = "100 g; 1 piece = 10 g" });
        RecipeVersion Of(Core.Foods.Food food) =>
            new()
            {
                Name = "plate",
                Portions = 1,
                Lines = [RecipeLine.From($"{grams} g", Table.Foods, Core.Quantities.MeasureSystem.Metric, chosenFood: food)],
                Keeping = KeepingClass.All[0],
            };
        Assert.Equal((packs, "pack"), ShoppingList.Of([new("A", Of(packet), 1)]).Single().Pieces);
        Assert.Null(ShoppingList.Of([new("A", Of(Bought(Printed("Rye flour"))), 1)]).Single().Pieces);
    }

    [Theory]
    [InlineData(100, 2)] // an egg weighs 50 g
    [InlineData(101, 2.5)] // half a piece more than enough
    [InlineData(125, 2.5)]
    [InlineData(126, 3)]
    public void Pieces_are_rounded_up_to_halves(int grams, double pieces)
    {
        var list = ShoppingList.Of([new("A", Recipe("eggs", 1, $"{grams} g eggs"), 1)]);
        Assert.Equal(((decimal)pieces, "each"), list.Single().Pieces);
    }
}
