using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

public class RecipeYieldTests
{
    [Theory]
    [InlineData("Serves 4", 4)]
    [InlineData("serves 4 to 6", 4)]
    [InlineData("Serves: 4-6", 4)]
    [InlineData("Makes 12 muffins", 12)]
    [InlineData("1 loaf, 12 slices", 12)]
    [InlineData("Makes 2 dozen cookies", 24)]
    [InlineData("Makes a dozen", 12)]
    [InlineData("2 per person, serves 4", 4)]
    [InlineData("Makes about 24 meatballs (serves 6)", 6)]
    [InlineData("1 pie (6 servings)", 6)]
    [InlineData("6 portions", 6)]
    [InlineData("Yield: 8 servings", 8)]
    [InlineData("Makes one 9-inch pie, 8 slices", 8)]
    [InlineData("Makes 1.5 litres, serves 6", 6)]
    [InlineData("Feeds six", 6)]
    [InlineData("Feeds a family of 5", 5)]
    [InlineData("Makes 12 (2 per serving)", 6)]
    [InlineData("Serves: 2 adults and 2 children", 4)]
    [InlineData("makes enough for 5 lunches", 5)]
    [InlineData("(Serves 3)", 3)]
    [InlineData("SERVES FOUR", 4)]
    [InlineData("for 2 people", 2)]
    [InlineData("4 lunches", 4)]
    [InlineData("single serving", 1)]
    [InlineData("makes approx 10 x 50g servings", 10)]
    public void Portions_are_read_from_what_a_recipe_makes(string text, int portions) =>
        Assert.Equal(portions, RecipeYield.PortionsIn(text));

    [Theory]
    [InlineData("Serves: one")]
    [InlineData("SERVES FOUR")]
    [InlineData("for 2 people")]
    [InlineData("Feeds a family of 5")]
    [InlineData("Serves four to six")]
    [InlineData("For 6")]
    [InlineData("for 4-5")]
    [InlineData("4 lunches")]
    [InlineData("a single serving")]
    [InlineData("(Serves 3)")]
    [InlineData("makes enough for 5 lunches")]
    public void A_row_that_says_only_whom_it_feeds_is_a_yield(string row) => Assert.True(RecipeYield.IsYield(row));

    [Theory]
    [InlineData("Prep 10 min | Cook 20 min | Serves 3", 3)]
    [InlineData("Serves 3 · 320 kcal", 3)]
    [InlineData("Prep 10 min | Cook 20 min", null)]
    [InlineData("Serves 3", null)]
    public void Among_other_things_of_a_row_a_yield_is_found(string row, int? portions) =>
        Assert.Equal(portions, RecipeYield.AmongOthers(row));

    [Theory]
    [InlineData("Fish pie (6)", "Fish pie", 6)]
    [InlineData("Stuffed peppers ×4", "Stuffed peppers", 4)]
    [InlineData("One-pot orzo, 2p", "One-pot orzo", 2)]
    [InlineData("Salade pour 2", "Salade", 2)]
    [InlineData("Gyros bowl, per person", "Gyros bowl", 1)]
    [InlineData("Chia pudding – single serving", "Chia pudding", 1)]
    [InlineData("Porridge base (dry mix, 10 serves)", "Porridge base (dry mix)", 10)]
    [InlineData("Banana bread (1 loaf, 10 slices)", "Banana bread (1 loaf)", 10)]
    [InlineData("Granola - makes approx 10 x 50g servings", "Granola", 10)]
    [InlineData("Seven-layer dip", "Seven-layer dip", null)]
    [InlineData("Soup for one-pot cooks", "Soup for one-pot cooks", null)]
    public void A_title_may_say_what_it_makes(string title, string name, int? portions) =>
        Assert.Equal((name, portions), RecipeYield.InTitle(title));

    [Theory]
    [InlineData("150 ml water. Serves 3.", 3)]
    [InlineData("Shred. Makes about 1.6 kg, 12 portions. Freezes well.", 12)]
    [InlineData("Cook all 40 min. 4 portions.", 4)]
    [InlineData("Poach 10 min in barely simmering water. For 3.", 3)]
    [InlineData("Makes 600 g, keeps 4 days.", null)]
    public void A_sentence_may_say_whom_it_serves(string sentence, int? portions) => Assert.Equal(portions, RecipeYield.ServedIn(sentence));

    [Theory]
    [InlineData("Makes one 9-inch pie")]
    [InlineData("1 loaf")]
    [InlineData("a 20 cm cake")]
    [InlineData("9x13 inch pan")]
    [InlineData("some")]
    [InlineData("")]
    public void What_does_not_say_how_many_is_asked_for(string text) => Assert.Null(RecipeYield.PortionsIn(text));
}
