using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

public class StepFoodsTests
{
    [Theory]
    [InlineData("Blend with 3 tbsp tahini, 2 tbsp lemon juice and 1/2 tsp salt.", "3 tbsp tahini|2 tbsp lemon juice|1/2 tsp salt")]
    [InlineData("Add 500 ml water and 2 tbsp tahini", "2 tbsp tahini")]
    [InlineData("Fry in 2 tbsp of the oil for 10 min, then add 200 g chickpeas.", "")]
    [InlineData("Simmer 20 min, shape 24 koftas, put 9 g in each.", "")]
    [InlineData("Stir in a handful of spinach.", "a handful of spinach")]
    public void What_a_step_measures_out_is_told_where_no_line_holds_it(string step, string unlisted)
    {
        IReadOnlyList<RecipeLine> lines = [.. new[] { "400 g chickpeas", "3 tbsp olive oil" }.Select(text => Table.Line(text))];
        var task = new PrepTask("1", step, 5, 0, Appliance.None, null, []);

        Assert.Equal(unlisted, string.Join('|', StepFoods.Unlisted(task, lines, Table.Foods)));
    }
}
