using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Recipes;

/// <summary>Lines that leave a choice: what may be meant, and what the line becomes once it is chosen.</summary>
public class ChoiceTests
{
    [Theory]
    [InlineData("2 tbsp tahini or peanut butter", "tahini|peanut-butter")]
    [InlineData("2 tbsp tahini, peanut butter or almond butter", "tahini|peanut-butter|almond-butter")]
    [InlineData("100 g almonds, walnuts, or pecans", "almonds|walnuts|pecans")]
    [InlineData("500 g chicken, turkey or pork mince", "chicken-mince|turkey-mince|pork-mince")] // the noun is meant with each
    [InlineData("100g feta, goat's cheese or halloumi, crumbled", "feta|goat-cheese|halloumi")]
    [InlineData("1 tsp paprika, smoked or sweet", "paprika")] // how, not what
    [InlineData("2 chicken breasts, grilled or fried", "chicken-breast")]
    [InlineData("1 onion, chopped or sliced", "onion")]
    [InlineData("2 eggs, or more to taste", "egg")]
    public void A_choice_holds_every_food_that_may_be_meant(string text, string foods)
    {
        var keys = Line(text).Meanings.Select(meaning => meaning.Food?.Key ?? meaning.Words).ToList();
        Assert.True(
            keys.Count == foods.Split('|').Length
                && keys.Zip(foods.Split('|')).All(pair => pair.First.StartsWith(pair.Second, StringComparison.Ordinal)),
            string.Join('|', keys)
        );
    }

    [Theory]
    [InlineData("100g feta, goat's cheese or halloumi, crumbled", 1, "100g goat's cheese, crumbled")]
    [InlineData("100 g almonds, walnuts, or pecans", 2, "100 g pecans")]
    [InlineData("500 g chicken, turkey or pork mince", 0, "500 g chicken mince")]
    [InlineData("2 tbsp soy sauce (or tamari)", 1, "2 tbsp tamari")]
    public void Choosing_rewrites_the_line_to_what_is_meant(string text, int choice, string becomes)
    {
        var line = Line(text);
        Assert.Equal(becomes, line.With(line.Meanings[choice]));
        Assert.Equal((line.Meanings[choice].Food, false), (Line(becomes).Food, Line(becomes).HasChoice));
    }

    [Fact]
    public void A_sum_says_that_another_may_be_meant()
    {
        Assert.Equal("Tahini (or Peanut butter)", Line("2 tbsp tahini or peanut butter").NameInSums);
        Assert.Equal("Whole milk (or another kind)", Line("200 ml milk").NameInSums);
        Assert.Equal("Whole milk", Line("200 ml whole milk").NameInSums);
        Assert.Equal("some moonfruit", Line("some moonfruit").NameInSums);
    }
}
