using Merienda.Core.Keeping;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Shopping;

public class PriceBookTests
{
    private static readonly DateOnly Day = new(2026, 11, 1);

    private static Price Of(string food, decimal amount, decimal grams, int day = 0, string shop = "") =>
        new(food, amount, $"{grams} g", grams, shop, Day.AddDays(day));

    private static RecipeVersion Dish(decimal portions, params string[] lines) =>
        new()
        {
            Name = "Dish",
            Portions = portions,
            Lines = [.. lines.Select(line => Line(line))],
            Keeping = KeepingClass.All[0],
        };

    private static readonly Core.Foods.Food[] Four = [Food("carrot"), Food("onion"), Food("lentils-red"), Food("water")];

    [Fact]
    public void Of_a_food_the_newest_price_counts_and_of_one_day_the_cheaper()
    {
        var book = PriceBook.Of(
            [Of("carrot", 1, 1000, 3, "a"), Of("carrot", 2, 1000, 4, "b"), Of("carrot", 3, 2000, 4, "c"), Of("carrot", 9, 1000, 2, "d")],
            Four
        );
        Assert.Equal("c", book.Of("carrot")!.Shop);
        Assert.Null(book.Of("onion"));
    }

    [Fact]
    public void A_portion_costs_its_share_of_what_goes_in()
    {
        var book = PriceBook.Of([Of("carrot", 1, 1000), Of("lentils-red", 2, 500)], Four);
        var cost = book.CostOf(Dish(4, "400 g carrots", "200 g red lentils", "1 l water"));
        Assert.Equal(((0.4m + 0.8m) / 4, 0), (cost.Amount, cost.Guessed.Count));
    }

    [Fact]
    public void What_has_no_price_is_never_free_but_taken_at_the_middle_of_its_aisle()
    {
        // Of two in the aisle the lower is the middle.
        var book = PriceBook.Of([Of("carrot", 1, 1000), Of("onion", 3, 1000), Of("lentils-red", 8, 1000)], [.. Four, Food("leek")]);
        var leek = book.CostOf(Dish(1, "1000 g leeks"));
        Assert.Equal((1m, "Leek"), (leek.Amount, leek.Guessed.Single()));
        // Its aisle has none: the middle of everything.
        var cod = book.CostOf(Dish(1, "1000 g cod fillet"));
        Assert.Equal((3m, "Cod fillet"), (cod.Amount, cod.Guessed.Single()));
        Assert.Equal("1 of 4 things have no price and are taken at the middle price of their aisle", book.Says);
    }

    [Fact]
    public void A_line_that_nobody_can_weigh_is_named()
    {
        var cost = PriceBook.Of([Of("carrot", 1, 1000)], Four).CostOf(Dish(1, "carrots for the plate"));
        Assert.Equal("Carrot", cost.Guessed.Single());
    }

    [Fact]
    public void A_packet_costs_what_was_typed_with_it_until_a_price_is_noted()
    {
        var packet = Bought(Printed("Rye flour") with { Pack = "250 g", Price = 2 });
        Assert.Equal(2m / 250, PriceBook.Of([], [packet]).Of(packet.Key)!.PerGram);
        Assert.Equal(3m / 250, PriceBook.Of([Of(packet.Key, 3, 250)], [packet]).Of(packet.Key)!.PerGram);
        Assert.Null(PriceBook.Of([], [Bought(Printed("Rye flour") with { Price = 2 })]).Of(packet.Key));
    }

    [Fact]
    public void Without_a_price_nothing_is_said_of_costs()
    {
        Assert.Equal((true, "no price is noted yet"), (PriceBook.Of([], Four).IsEmpty, PriceBook.Of([], Four).Says));
        // A price of what nobody cooks with says nothing.
        Assert.True(PriceBook.Of([Of("leek", 1, 1000)], Four).IsEmpty);
        var whole = PriceBook.Of([Of("carrot", 1, 1), Of("onion", 1, 1), Of("lentils-red", 1, 1)], Four);
        Assert.Equal((false, ""), (whole.IsEmpty, whole.Says));
        Assert.Equal(0, PriceBook.Empty.CostOf(Dish(1, "100 g carrots")).Amount);
    }
}
