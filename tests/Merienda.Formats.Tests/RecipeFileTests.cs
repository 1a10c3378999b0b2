namespace Merienda.Formats.Tests;

public class RecipeFileTests
{
    private const string Json =
        """{"@graph":[{"@type":"WebPage"},{"@type":["Recipe"],"name":["Soup &amp; bread"],"recipeYield":["4","4 bowls"],"recipeIngredient":"For the soup:\n2 leeks, sliced\n1&frac12; cups <b>milk</b>","recipeInstructions":[{"@type":"HowToSection","itemListElement":[{"@type":"HowToStep","text":"<p>Boil.</p>"}]}]}]}""";

    [Theory]
    [InlineData(Json)]
    [InlineData(
        "<!doctype html><html><head><script type=\"application/ld+json\">{\"@type\":\"Organization\"}</script><script type=\"application/ld+json\">"
            + Json
            + "</script></head><body>x</body></html>"
    )]
    [InlineData("<div>page</div><script type=\"application/ld+json\">" + Json + "</script>")]
    public void Data_and_saved_pages_are_read_alike(string text)
    {
        var recipe = RecipeFile.Read(text).Value;
        Assert.Equal(("Soup & bread", 4m), (recipe.Name, recipe.Portions));
        Assert.Equal([("soup", "2 leeks, sliced"), ("soup", "1½ cups milk")], recipe.Lines);
        Assert.Equal(["Boil."], recipe.Steps);
    }

    [Fact]
    public void A_page_that_marks_its_recipe_in_the_text_is_read_too()
    {
        var recipe = RecipeFile
            .Read(
                "<html><body itemscope itemtype='https://schema.org/Recipe'><h1 itemprop='name'>Bean pot</h1><span itemprop='recipeYield'>Serves 6</span><ul><li itemprop='recipeIngredient'>2  onions</li><li itemprop='recipeIngredient'>400 g tin beans</li></ul><ol itemprop='recipeInstructions'><li>Fry.</li><li>Simmer.</li></ol></body></html>"
            )
            .Value;
        Assert.Equal(("Bean pot", 6m, 2, 2), (recipe.Name, recipe.Portions, recipe.Lines.Count, recipe.Steps.Count));
    }

    [Fact]
    public void A_page_without_a_recipe_says_so_and_what_to_do() =>
        Assert.Equal(
            "no-recipe",
            RecipeFile.Read("<html><head><title>My page</title></head><body><p>Hello</p></body></html>").Refusal!.Code
        );

    [Fact]
    public void Plain_text_stays_plain_text() => Assert.Equal("Soup", RecipeFile.Read("Soup\nServes 2\n1 leek").Value.Name);

    [Fact]
    public void A_page_past_all_measure_is_refused() =>
        Assert.Equal("page-too-long", RecipeFile.Read("<html>" + new string('x', RecipeFile.MostCharacters)).Refusal!.Code);
}
