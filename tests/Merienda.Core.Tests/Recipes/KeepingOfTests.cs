using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

public class KeepingOfTests
{
    [Theory]
    [InlineData("Fish supper", "400 g cod; 2 carrots", "Bake for 20 minutes.", "cooked-fish")]
    [InlineData("Fish supper", "400 g cod; 2 carrots", "", "cooked-fish")]
    [InlineData("Prawn rice", "300 g prawns; 200 g white rice", "Fry the prawns. Boil the rice.", "cooked-fish")]
    [InlineData("Beef stew", "500 g beef chuck; 2 carrots", "Simmer for 2 hours.", "cooked")]
    [InlineData("Beef stew", "500 g beef chuck; 2 carrots", "", "cooked")]
    [InlineData("Egg bake", "8 eggs; 200 g spinach", "Bake at 180 C for 30 minutes.", "baked-egg")]
    [InlineData("Cake", "1 egg; 500 g flour; 300 g sugar", "Bake at 180 C.", "cooked")] // an egg in a cake makes no egg dish
    [InlineData("Rice bowl", "200 g white rice; 1 tin black beans", "Cook the rice.", "cooked-rice")]
    [InlineData("Tuna salad", "2 tins tuna; 4 tbsp mayonnaise", "Mix everything.", "dressed-salad")]
    [InlineData("Slaw", "1 red cabbage; 2 tbsp olive oil; 1 tbsp wine vinegar", "Toss together.", "dressed-salad")]
    [InlineData("Overnight oats", "50 g oats; 200 ml whole milk", "Stir and chill.", "soaked-oats")]
    [InlineData("Chia pots", "40 g chia seeds; 400 ml almond milk", "Stir, chill overnight.", "soaked-oats")]
    [InlineData("Marinated chicken", "600 g chicken thighs; 2 tbsp soy sauce", "Marinate in the fridge.", "raw-marinating")]
    [InlineData("Pancake batter", "2 eggs; 200 g plain flour; 300 ml whole milk", "Whisk until smooth.", "raw-batter")]
    [InlineData("Boiled eggs", "6 hard-boiled eggs", "Peel.", "hard-cooked-eggs")]
    [InlineData("House dressing", "3 tbsp olive oil; 1 tbsp wine vinegar; 1 tsp mustard", "Shake.", "vinaigrette")]
    [InlineData("Garlic dressing", "3 tbsp olive oil; 1 tbsp wine vinegar; 1 clove garlic", "Shake.", "dressed-salad")] // fresh garlic: no fortnight
    [InlineData("Crudites", "3 carrots; 1 cucumber", "Cut into sticks.", "cut-vegetables")]
    public void A_dish_keeps_as_what_it_holds_and_what_is_done_to_it(string name, string lines, string steps, string key)
    {
        var found = KeepingOf.Of(name, [.. lines.Split("; ").Select(line => Table.Line(line))], steps.Length == 0 ? [] : [steps]);
        Assert.Equal(key, found?.Class.Key);
        Assert.NotEqual("", found!.Because);
    }

    [Fact]
    public void What_says_nothing_is_asked_and_never_taken_for_cooked() =>
        Assert.Null(KeepingOf.Of("Thing", [Table.Line("200 g sugar"), Table.Line("2 firkins of moonfruit")], []));
}
