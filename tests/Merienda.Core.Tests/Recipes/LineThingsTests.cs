using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

/// <summary>Several foods in one row, and one food with a remark.</summary>
public class LineThingsTests
{
    [Theory]
    [InlineData("1 onion, 2 carrots", 2)]
    [InlineData("2 tomatoes, 50 g feta", 2)]
    [InlineData("200 g rice, 100 g peas (frozen)", 2)]
    [InlineData("600 g chicken breast, 1 tbsp olive oil", 2)]
    [InlineData("Salt, pepper, mustard", 3)]
    [InlineData("100g oats; 1 apple, grated; 200ml apple juice; handful hazelnuts", 4)]
    [InlineData("500 g gnocchi | 1 courgette, sliced | 200 g cherry tomatoes", 3)]
    [InlineData("170g orzo, 1 onion, 50g parmesan, zest of a lemon, handful basil", 5)]
    [InlineData("1 tbsp olive oil · 2 leeks · 1 tin cannellini beans", 3)]
    [InlineData("400g lamb mince, 1 onion, finely chopped, 2 tsp garam masala", 3)]
    [InlineData("2 eggs + 2 egg whites", 2)]
    [InlineData("mint + coriander", 2)]
    [InlineData("400 g beans; drained", 1)]
    [InlineData("2 chicken breasts, 150 g each", 1)]
    [InlineData("1 aubergine, 300 g trimmed", 1)]
    [InlineData("6 eggs, 4 hard-boiled", 1)]
    [InlineData("1 lemon, 2 tsp zest", 1)]
    [InlineData("500 g pasta, 2 cups cooked", 1)]
    [InlineData("Tomatoes, tinned, chopped", 1)]
    [InlineData("1 onion, peeled, chopped and fried", 1)]
    public void A_row_is_as_many_lines_as_it_names_foods(string row, int lines) =>
        Assert.Equal(lines, LineThings.Of(row, Table.Foods).Count);

    [Theory]
    [InlineData("1 onion, 2 carrots", 150)]
    [InlineData("100 g rolled oats; 1 apple, grated; 200 ml apple juice", 100)]
    [InlineData("2 tomatoes, 50 g feta", 240)]
    public void Of_a_typed_line_the_first_is_counted_and_the_other_is_said(string text, int grams)
    {
        var line = Table.Line(text);
        Assert.Equal(grams, line.GramsIn.Best);
        Assert.StartsWith("A second ingredient", line.Doubt, StringComparison.Ordinal);
        // Sums are a least.
        Assert.Null(PortionProfile.Of([line], 1).Total(Merienda.Core.Foods.Measure.Energy).High);
    }
}
