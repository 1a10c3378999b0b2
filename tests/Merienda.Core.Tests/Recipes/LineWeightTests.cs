using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Recipes;

/// <summary>Grams of a line and their width: weighed 0, measured ± 5 %, counted ± 10 %, by eye ± 30 % [C] (domain.md section 3).</summary>
public class LineWeightTests
{
    [Theory]
    [InlineData("200 g cod", 200, 200, 200)]
    [InlineData("about 200 g cod", 140, 200, 260)] // by eye
    [InlineData("200–300 g cod", 200, 250, 300)]
    [InlineData("1 lb cod", 453.592, 453.592, 453.592)]
    [InlineData("8 oz cod", 226.796, 226.796, 226.796)]
    [InlineData("2 x 150 g cod fillets", 300, 300, 300)]
    [InlineData("1 kg cod", 1000, 1000, 1000)]
    public void What_is_weighed_is_certain(string text, double low, double best, double high) => Expect(text, low, best, high);

    [Theory]
    [InlineData("1 cup olive oil", 216)]
    [InlineData("2 tbsp olive oil", 27)]
    public void What_is_measured_is_off_by_a_twentieth(string text, double best) => Expect(text, best * 0.95, best, best * 1.05);

    [Theory]
    [InlineData("2 carrots", 140)]
    [InlineData("2 medium carrots", 130)]
    public void What_is_counted_is_off_by_a_tenth(string text, double best) => Expect(text, best * 0.9, best, best * 1.1);

    [Theory]
    [InlineData("a handful of spinach", 0.7, 1.3)]
    [InlineData("1 bunch of parsley", 0.7, 1.3)]
    [InlineData("1 heaped tbsp honey", 0.7, 1.3)]
    [InlineData("scant 1/4 cup olive oil", 0.7, 1.3)]
    public void What_goes_by_eye_is_off_by_three_tenths(string text, double low, double high)
    {
        var grams = Line(text).Grams;
        Assert.Equal(
            (Math.Round(grams.Best * (decimal)low, 4), Math.Round(grams.Best * (decimal)high, 4)),
            (Math.Round(grams.Low, 4), Math.Round(grams.High!.Value, 4))
        );
    }

    [Fact]
    public void Sizes_without_a_weight_of_their_own_are_shares_of_the_usual_piece_and_wider()
    {
        // The table has no small or large one: 0.7 and 1.3 of the usual piece [C].
        var usual = Food("beetroot").Measures["each"];
        Assert.False(Food("beetroot").Measures.ContainsKey("small"));
        Expect("1 small beetroot", (double)usual * 0.7 * 0.8, (double)usual * 0.7, (double)usual * 0.7 * 1.2);
        Expect("1 large beetroot", (double)usual * 1.3 * 0.8, (double)usual * 1.3, (double)usual * 1.3 * 1.2);
        Expect("1 medium beetroot", (double)usual * 0.9, (double)usual, (double)usual * 1.1);
    }

    [Fact]
    public void A_tin_with_its_weight_is_what_is_left_when_it_is_drained()
    {
        var left = (double)Food("chickpeas-tinned").Measures["drained"] / 100;
        Expect("1 (400 g) tin chickpeas, drained", 400 * left * 0.95, 400 * left, 400 * left * 1.05);
        Expect("2 (400 g) tins chickpeas, drained", 800 * left * 0.95, 800 * left, 800 * left * 1.05);
        // Nothing is poured away from what is eaten whole.
        Expect("1 (400 g) tin chopped tomatoes", 400, 400, 400);
    }

    [Fact]
    public void The_words_of_the_cook_win_over_the_table()
    {
        Expect("1 aubergine (about 300 g)", 270, 300, 330);
        Expect("2 fillets cod (200 g each)", 360, 400, 440);
        Expect("2 chicken breasts, about 8 oz each", 408.2328, 453.592, 498.9512);
    }

    [Fact]
    public void A_pack_of_unknown_size_spans_the_usual_ones()
    {
        var packs = Food("couscous").Packs;
        var line = Line("1 pack couscous");
        Assert.True(packs.Count > 1 && !Food("couscous").Measures.ContainsKey("pack"));
        Assert.Equal((packs[0], packs[0], packs[^1]), (line.Grams.Low, line.Grams.Best, line.Grams.High));
        Assert.StartsWith("No size given", line.Doubt, StringComparison.Ordinal);
    }

    [Fact]
    public void How_it_was_measured_settles_no_doubt_that_its_words_leave()
    {
        var read = IngredientLineReader.Read("1 pack couscous");
        var open = LineWeight.Of(read, Food("couscous"), MeasureSystem.Metric);
        Assert.NotNull(open.Doubt);
        Assert.Equal(open, LineWeight.Of(read, Food("couscous"), MeasureSystem.Metric, Precision.Weighed));
    }

    [Theory]
    [InlineData("1 slice cod")] // no weight for a slice of it
    [InlineData("1 cup cod heads of the house")] // no measure by volume
    [InlineData("0 g cod")]
    [InlineData("cod")]
    public void What_nobody_can_weigh_is_open_and_says_so(string text)
    {
        var line = Line(text);
        Assert.True(line.Grams.IsOpen || line.Food is null);
        Assert.False(string.IsNullOrEmpty(line.Doubt));
    }

    [Theory]
    [InlineData("1 cup milk", MeasureSystem.UnitedStates, 236.588)]
    [InlineData("1 cup milk", MeasureSystem.Metric, 250)]
    [InlineData("1 tbsp milk", MeasureSystem.Australia, 20)]
    [InlineData("1 pint milk", MeasureSystem.Metric, 568.261)]
    [InlineData("1 pint milk", MeasureSystem.UnitedStates, 473.176)]
    public void Volumes_are_those_of_the_recipe_s_country(string text, MeasureSystem system, double millilitres)
    {
        var perMillilitre = Line("100 ml milk", system).Grams.Best / 100;
        Assert.InRange(Line(text, system).Grams.Best / perMillilitre, (decimal)millilitres * 0.97m, (decimal)millilitres * 1.03m);
    }

    private static void Expect(string text, double low, double best, double high)
    {
        var grams = Line(text).Grams;
        Assert.Equal(
            ((decimal)low, (decimal)best, (decimal)high),
            (grams.Low, grams.Best, grams.High ?? -1),
            (one, other) => Near(one.Item1, other.Item1) && Near(one.Item2, other.Item2) && Near(one.Item3, other.Item3)
        );
    }

    private static bool Near(decimal one, decimal other) => Math.Abs(one - other) < 0.001m;
}
