using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

public class PastedRowTests
{
    [Theory]
    [InlineData("Chicken breast\t500\tg", "500 g Chicken breast")]
    [InlineData("Broccoli\t1\thead", "1 head Broccoli")]
    [InlineData("Eggs\t4", "4 Eggs")]
    [InlineData("Feta\t100 g\tcrumbled", "100 g Feta, crumbled")]
    [InlineData("500\tg\tChicken breast", "500 g Chicken breast")]
    [InlineData("Salt\tto taste", "Salt to taste")]
    [InlineData("200 g rice", "200 g rice")] // no cells
    [InlineData("Ingredient\tQty\tUnit", null)] // headings
    [InlineData("| Cabbage | 400 g |", "400 g Cabbage")]
    [InlineData("| Ingredient | Amount |", null)]
    [InlineData("|---|:--:|", null)]
    [InlineData("| Salt | to taste |", "Salt to taste")]
    [InlineData("Cabbage;400;g", "400 g Cabbage")]
    [InlineData("400 g beans; drained", "400 g beans; drained")]
    public void Cells_of_a_spreadsheet_become_a_line(string row, string? line) => Assert.Equal(line, PastedRow.FromCells(row));

    [Theory]
    [InlineData("two tablespoons of olive oil, one onion, three cloves of garlic and 500 grams of beef mince", 4)]
    [InlineData("500 g red lentils, 2 tins chopped tomatoes, 6 eggs", 3)]
    [InlineData("1,5 l stock, 2 leeks, 1 potato", 3)] // a decimal comma parts nothing
    [InlineData("2 chicken breasts, about 8 oz each", 1)]
    [InlineData("4 fillets, 200 g each, 800 g total", 1)]
    [InlineData("1 onion, 2 carrots", 1)] // two may be one thing with a remark: they stay as typed
    [InlineData("1 onion, peeled, chopped and fried", 1)]
    public void A_list_in_one_breath_is_several_lines(string row, int lines) => Assert.Equal(lines, PastedRow.Things(row).Count);

    [Theory]
    [InlineData("1 tsp each cumin, coriander and paprika", "1 tsp cumin|1 tsp coriander|1 tsp paprika")]
    [InlineData("¼ tsp each salt and pepper", "¼ tsp salt|¼ tsp pepper")]
    [InlineData("1 tbsp each of soy sauce, honey, & peanut butter", "1 tbsp soy sauce|1 tbsp honey|1 tbsp peanut butter")]
    [InlineData("1/2 tsp each: cumin and coriander, ground", "1/2 tsp cumin, ground|1/2 tsp coriander, ground")] // a remark is said of each
    [InlineData("2 chicken breasts, 200 g each, skinned and boned", "2 chicken breasts, 200 g each, skinned and boned")] // of one food
    [InlineData("4 fillets (150 g each) cod and chips", "4 fillets (150 g each) cod and chips")]
    public void An_amount_of_each_is_said_of_every_food(string row, string lines) =>
        Assert.Equal(lines, string.Join('|', PastedRow.Things(row)));

    [Fact]
    public void A_table_is_read_without_its_headings()
    {
        var recipe = RecipeTextReader.Read("Tray of chicken\n\nIngredient\tQty\tUnit\nChicken breast\t500\tg\nBroccoli\t1\thead").Value;
        Assert.Equal("Tray of chicken", recipe.Name);
        Assert.Equal(["500 g Chicken breast", "1 head Broccoli"], recipe.Lines.Select(line => line.Text));
    }

    [Theory]
    [InlineData("Dice the chicken, 6 minutes.")]
    [InlineData("Shred the cabbage, 10 minutes.")]
    [InlineData("Mince the garlic.")]
    public void A_method_begins_with_whatever_is_done_first(string step)
    {
        var recipe = RecipeTextReader.Read($"Harbour bowl\nServes 4\n500 g chicken breast\n\n{step}\nFry for 10 minutes.").Value;
        Assert.Equal((1, 2), (recipe.Lines.Count, recipe.Steps.Count));
    }
}
