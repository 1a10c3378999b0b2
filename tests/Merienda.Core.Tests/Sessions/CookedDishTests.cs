using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;

namespace Merienda.Core.Tests.Sessions;

public class CookedDishTests
{
    private static readonly KnownRecipe Pork = Known("Harbour pork", 8, Table.Line("1 kg pork shoulder"));

    private static KnownRecipe Known(string name, decimal portions, params RecipeLine[] lines) =>
        new(Guid.NewGuid(), Guid.NewGuid(), Table.Recipe(name, portions, lines));

    private static RecipeLine Some(string text, KnownRecipe of) => RecipeLine.Using(text, of, Table.Foods, MeasureSystem.Metric);

    private static BatchToCook Batch(string letter, KnownRecipe recipe, decimal portions) =>
        new(letter, recipe.Version, recipe.Of, [new(recipe.Of, portions)]);

    [Fact]
    public void A_base_of_two_dishes_is_cooked_once()
    {
        var rolls = Known("Rolls", 4, Some("½ of Harbour pork", Pork));
        var bowls = Known("Bowls", 2, Some("2 portions Harbour pork", Pork));
        var dishes = CookedDish.Of([Batch("A", rolls, 8), Batch("B", bowls, 2)]);
        Assert.Equal(["A+B", "A", "B"], dishes.Select(dish => dish.Letter));
        // Eight rolls take a whole batch of eight, two bowls take two portions.
        Assert.Equal([10m, 8m, 2m], dishes.Select(dish => dish.Portions));
        Assert.Equal([true, false, false], dishes.Select(dish => dish.IsBase));
        Assert.Equal([Pork.Version], dishes[1].Needs);
    }

    [Fact]
    public void A_base_that_stands_on_the_bench_itself_is_cooked_larger()
    {
        var rolls = Known("Rolls", 4, Some("½ of Harbour pork", Pork));
        var dishes = CookedDish.Of([Batch("A", rolls, 4), Batch("B", Pork, 8)]);
        Assert.Equal([("A", 4m), ("B", 12m)], dishes.Select(dish => (dish.Letter, dish.Portions)));
        Assert.Equal([Pork.Version], dishes[0].Needs);
        Assert.Equal(["A"], dishes[1].For);
        Assert.Empty(dishes[0].For);
    }

    [Fact]
    public void What_a_base_itself_takes_is_cooked_for_the_same_dishes()
    {
        var filling = Known("Filling", 6, Some("½ of Harbour pork", Pork));
        var pasties = Known("Pasties", 3, Some("1 batch filling", filling));
        var dishes = CookedDish.Of([Batch("A", pasties, 6)]);
        // Twice the pasties: two batches of filling, so one of pork.
        Assert.Equal([("Filling", 12m), ("Harbour pork", 8m), ("Pasties", 6m)], dishes.Select(dish => (dish.Recipe.Name, dish.Portions)));
    }

    [Fact]
    public void Dishes_that_share_nothing_stay_as_they_are()
    {
        var dishes = CookedDish.Of([Batch("A", Pork, 8), Batch("B", Known("Rice", 2, Table.Line("200 g rice")), 4)]);
        Assert.All(dishes, dish => Assert.True(dish is { IsBase: false, For: [], Needs: [] }));
        Assert.Equal([8m, 4m], dishes.Select(dish => dish.Portions));
    }

    [Fact]
    public void A_base_that_only_one_variant_takes_is_cooked_for_that_lot()
    {
        var rolls = Known("Rolls", 4, Table.Line("4 rolls"));
        var filled = Table.Recipe("Rolls", 4, [Table.Line("4 rolls"), Some("½ of Harbour pork", Pork)]);
        var dishes = CookedDish.Of([new("A", rolls.Version, rolls.Of, [new(rolls.Of, 6), new(filled, 2)])]);
        Assert.Equal([("Harbour pork", 2m), ("Rolls", 8m)], dishes.Select(dish => (dish.Recipe.Name, dish.Portions)));
        Assert.Equal([Pork.Version], dishes[1].Needs);
    }
}
