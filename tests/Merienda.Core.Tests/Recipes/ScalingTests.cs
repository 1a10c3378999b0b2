using CsCheck;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

/// <summary>A recipe written for another amount.</summary>
public class ScalingTests
{
    private static RecipeVersion Dish(params string[] lines) =>
        Table.Recipe("Dish", 4, [.. lines.Select(line => RecipeLine.From(line, Table.Foods, MeasureSystem.Metric))]);

    private static ScaledLine Scaled(string line, decimal times) => Scaling.Of(Dish(line), times, Table.Foods, MeasureSystem.Metric)[0];

    [Theory]
    [InlineData("400 g cod", 1.5, "600 g cod")]
    [InlineData("2 onions, sliced", 1.5, "3 onions, sliced")]
    [InlineData("½ cucumber", 3, "1.5 cucumber")]
    [InlineData("1 ½ tbsp olive oil", 2, "3 tbsp olive oil")]
    [InlineData("1 1/2 cups oats", 2, "3 cups oats")]
    [InlineData("200–300 g cod", 2, "400–600 g cod")]
    [InlineData("1,5 kg potatoes", 0.5, "0.75 kg potatoes")]
    [InlineData("1/2 cup oats", 3, "1.5 cup oats")]
    [InlineData("3 x 400 g tins chopped tomatoes", 2, "6 x 400 g tins chopped tomatoes")]
    [InlineData("3 tbsp olive oil", 0.5, "1.5 tbsp olive oil")]
    [InlineData("250 ml milk", 1.333, "335 ml milk")]
    public void An_amount_is_written_so_many_times_as_large(string line, double times, string expected) =>
        Assert.Equal((expected, null), (Scaled(line, (decimal)times).Line.Read.Text, Scaled(line, (decimal)times).Note));

    [Fact]
    public void Whole_eggs_and_tins_are_rounded_and_the_difference_is_told()
    {
        Assert.Equal(("5 eggs", null), (Scaled("2 eggs", 2.5m).Line.Read.Text, Scaled("2 eggs", 2.5m).Note));
        (string, string?) Eggs(decimal times) => (Scaled("3 eggs", times).Line.Read.Text, Scaled("3 eggs", times).Note);
        Assert.Equal(("4 eggs", "12 g more than 1.25 times as much"), Eggs(1.25m));
        Assert.Equal(("3 eggs", "24 g less than 1.16 times as much"), Eggs(1.16m));
        Assert.Equal("1 egg", Scaled("1 egg", 0.2m).Line.Read.Text);
        var tins = Scaled("1 (400 g) tin chickpeas, drained", 1.5m);
        Assert.Equal("2 (400 g) tin chickpeas, drained", tins.Line.Read.Text);
        Assert.EndsWith("more than 1.5 times as much", tins.Note);
    }

    [Fact]
    public void Salt_spice_and_thickener_have_a_gentler_amount_to_begin_with()
    {
        Assert.StartsWith("begin with 10 g", Scaled("6 g salt", 2).Note);
        Assert.Null(Scaled("6 g salt", 1.4m).Note);
        Assert.Null(Scaled("6 g salt", 0.5m).Note);
        Assert.Null(Scaled("60 g cod", 2).Note);
        Assert.Equal("12 g salt", Scaled("6 g salt", 2).Line.Read.Text);
    }

    [Fact]
    public void What_begins_with_no_number_is_written_by_its_weight_and_what_nobody_can_weigh_says_how_often()
    {
        var handful = Scaled("a handful of spinach", 2);
        Assert.Equal(
            2 * RecipeLine.From("a handful of spinach", Table.Foods, MeasureSystem.Metric).GramsIn.Best,
            handful.Line.GramsIn.Best,
            0
        );
        var unknown = Scaled("some moonfruit", 2);
        Assert.Equal(("some moonfruit", "2 times as much"), (unknown.Line.Read.Text, unknown.Note));
    }

    [Fact]
    public void A_share_of_another_recipe_grows_too()
    {
        var sauce = new KnownRecipe(Guid.NewGuid(), Guid.NewGuid(), Table.Recipe("Green sauce", 2, [Table.Line("1 lemon")]));
        var line = RecipeLine.Using("½ of Green sauce", sauce, Table.Foods, MeasureSystem.Metric);
        var scaled = Scaling.Of(Table.Recipe("Dish", 2, [line]), 2, Table.Foods, MeasureSystem.Metric)[0].Line;
        Assert.Equal(1, scaled.Use!.Batches.Best);
    }

    [Fact]
    public void Once_as_much_is_the_recipe_itself()
    {
        var dish = Dish("3 eggs", "6 g salt");
        Assert.Equal(dish.Lines, Scaling.Of(dish, 1, Table.Foods, MeasureSystem.Metric).Select(one => one.Line));
    }

    /// <summary>Linear: whatever is written weighs so many times as much, as near as a cook writes it.</summary>
    [Fact]
    public void Every_line_but_whole_ones_weighs_so_many_times_as_much()
    {
        string[] lines =
        [
            "400 g cod",
            "2 onions",
            "3 tbsp olive oil",
            "1 cup oats",
            "200 ml milk",
            "a handful of spinach",
            "1 bunch of parsley",
            "2 carrots",
        ];
        Gen.Select(Gen.Int[0, lines.Length - 1], Gen.Int[1, 60])
            .Sample(pick =>
            {
                var (line, times) = (lines[pick.Item1], pick.Item2 / 4m);
                var (was, now) = (RecipeLine.From(line, Table.Foods, MeasureSystem.Metric), Scaled(line, times).Line);
                return Math.Abs(now.GramsIn.Best - (was.GramsIn.Best * times)) <= Math.Max(0.06m * was.GramsIn.Best * times, 0.2m);
            });
    }
}
