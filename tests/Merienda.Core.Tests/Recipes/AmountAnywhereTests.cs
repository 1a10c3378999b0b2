using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

/// <summary>Amounts that do not stand where most lines have them.</summary>
public class AmountAnywhereTests
{
    [Theory]
    [InlineData("carrots 2", "carrot", 140)]
    [InlineData("potatoes 3 medium", "potato", 510)]
    [InlineData("white cabbage 1/4", "cabbage-white", 225)]
    [InlineData("nori 1 sheet", "seaweed-nori", 3)]
    [InlineData("garlic x4 cloves", "garlic", 16)]
    [InlineData("4 cl. garlic", "garlic", 16)]
    [InlineData("raspberries, a small handful", "raspberries", 40)]
    [InlineData("drain 2 x 400 g tins chickpeas", "chickpeas-tinned", 480)]
    [InlineData("1 banana (approx. 100g peeled)", "banana", 100)]
    [InlineData("1 tin tuna in olive oil (drained weight 112g)", "tuna-oil", 112)]
    [InlineData("tuna steak 250 g sashimi grade", "tuna-fresh", 250)]
    [InlineData("half-fat crème fraîche, 2 tablespoons", "creme-fraiche-light", 30)]
    [InlineData("juice 1 lime", "lime-juice", 30)]
    [InlineData("1 tin coconut milk (light)", "coconut-milk-light", 400)]
    [InlineData("2 jars roasted red peppers (450g, drained 350g)", "peppers-roasted", 700)]
    [InlineData("80 g spelt flour + a bit for shaping", "flour-spelt", 80)]
    [InlineData("1 chicken 1.8kg", "chicken-whole", 1800)]
    [InlineData("1 lb shrimp 31/40, peeled", "prawns", 454)]
    [InlineData("1 bowl cooked rice (~250 g)", "rice-white-cooked", 250)]
    [InlineData("1 cup (125g) self-rising flour + more for dusting", "flour-self-raising", 125)]
    [InlineData("thumb-size piece ginger", "ginger", 15)]
    public void It_is_read_all_the_same(string text, string food, int grams)
    {
        var line = Table.Line(text);
        Assert.Equal((food, (decimal)grams), (line.Food!.Key, Math.Round(line.GramsIn.Best)));
    }

    [Theory]
    [InlineData("flour 00")]
    [InlineData("cottage cheese 2%")]
    [InlineData("beef mince 5 %")]
    public void A_number_of_a_name_is_no_amount(string text) => Assert.Null(IngredientLineReader.Read(text).Amount);

    [Theory]
    [InlineData("milk, a splash", 5, 15, 45)]
    [InlineData("2 dollops of crème fraîche", 10, 30, 90)]
    public void A_splash_is_about_a_spoon(string text, int low, int best, int high)
    {
        var grams = Table.Line(text).GramsIn;
        Assert.Equal(
            (low, best, (decimal?)high),
            ((int)Math.Round(grams.Low), (int)Math.Round(grams.Best), grams.High is { } most ? Math.Round(most) : null)
        );
    }

    [Fact]
    public void What_its_cook_took_instead_is_a_choice() =>
        Assert.Equal(["mayonnaise", "mayonnaise-light"], Table.Line("1 cup mayo (I use light)").Meanings.Select(one => one.Food!.Key));
}
