using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;

namespace Merienda.Core.Tests.Recipes;

/// <summary>What a person says of a line beside its words: how much of it is eaten, how it was measured.</summary>
public class WhatIsEatenTests
{
    private static RecipeLine Line(TypedLine typed) => RecipeLine.From(typed, Table.Foods, MeasureSystem.Metric);

    private static Estimate Portion(Measure measure, params TypedLine[] lines) => PortionProfile.Of(lines.Select(Line), 1).Total(measure);

    [Fact]
    public void A_third_of_a_marinade_brings_a_third_and_all_of_it_is_bought()
    {
        var marinade = new TypedLine("90 ml olive oil") { EatenShare = 1m / 3 };
        var all = Line("90 ml olive oil");
        var third = Line(marinade);
        Assert.Equal(all.Grams.Best / 3, third.Grams.Best, 6);
        Assert.Equal(all.Grams, third.GramsIn);
        foreach (var measure in new[] { Measure.Energy, Measure.Fat, Measure.SaturatedFat })
        {
            Assert.Equal(Portion(measure, "90 ml olive oil").Best / 3, Portion(measure, marinade).Best, 6);
        }

        var bought = ShoppingList
            .FromNothing(SoldAs.Itself, Table.Data.Foods.WithKey)
            .Of([new BatchToShop("A", Table.Sunday, Table.Recipe("Skewers", 1, [third]), 2)]);
        Assert.Equal(2 * all.Grams.Best, Assert.Single(bought).Grams.Best);
    }

    [Fact]
    public void A_bay_leaf_that_is_taken_out_brings_nothing_and_is_still_an_ingredient()
    {
        var profile = PortionProfile.Of([Line(new TypedLine("100 g peanuts") { EatenShare = 0 })], 1);
        Assert.Equal(Estimate.Zero, profile.Total(Measure.Energy));
        Assert.Contains(profile.AllLines, line => line.Food!.Is("peanut"));
    }

    /// <summary>Fat goes with its 9 kcal a gram; protein and carbohydrate stay.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(0.4)]
    [InlineData(0.999)]
    [InlineData(1)]
    public void Drained_fat_takes_nine_kcal_a_gram_with_it(double kept)
    {
        var (all, drained) = (new TypedLine("500 g beef mince"), new TypedLine("500 g beef mince") { KeptFat = (decimal)kept });
        var (before, after) = (Portion(Measure.Fat, all), Portion(Measure.Fat, drained));
        Assert.Equal(before.Best * (decimal)kept, after.Best, 6);
        Assert.Equal(Portion(Measure.Energy, all).Best - (9 * (before.Best - after.Best)), Portion(Measure.Energy, drained).Best, 6);
        Assert.Equal(Portion(Measure.SaturatedFat, all).Best * (decimal)kept, Portion(Measure.SaturatedFat, drained).Best, 6);
        Assert.Equal(Portion(Measure.Protein, all), Portion(Measure.Protein, drained));
        var energy = Portion(Measure.Energy, drained);
        Assert.True(energy.Low <= energy.Best && energy.Best <= energy.High);
    }

    [Fact]
    public void What_is_drained_of_a_food_without_known_fat_leaves_its_energy_unknown()
    {
        var packet = Table.Bought(Table.Printed("", (Core.Foods.Labels.LabelNutrient.Energy, "250")));
        var line = RecipeLine.From(
            new TypedLine("100 g crackers") { KeptFat = 0.5m },
            Table.Foods,
            MeasureSystem.Metric,
            chosenFood: packet
        );
        Assert.True(PortionProfile.Of([line], 1).Total(Measure.Energy).IsOpen);
    }

    [Theory]
    [InlineData(Precision.Weighed, 0)]
    [InlineData(Precision.Measured, 0.05)]
    [InlineData(Precision.Counted, 0.10)]
    [InlineData(Precision.ByEye, 0.30)]
    public void How_it_was_measured_says_how_wide_it_is(Precision precision, double width)
    {
        foreach (var text in new[] { "200 g cod", "2 carrots", "1 cup oats" })
        {
            var line = Line(new TypedLine(text) { Precision = precision });
            Assert.Equal(Estimate.Around(Line(text).Grams.Best, (decimal)width), line.Grams);
        }
    }

    [Fact]
    public void A_range_that_was_typed_stays_one_however_it_was_measured()
    {
        var line = Line(new TypedLine("100–200 g cod") { Precision = Precision.Weighed });
        Assert.Equal(Estimate.Between(100, 150, 200), line.Grams);
    }

    [Fact]
    public void What_is_unknown_is_not_known_by_saying_how_it_was_measured() =>
        Assert.True(Line(new TypedLine("some moonfruit") { Precision = Precision.Weighed }).Grams.IsOpen);

    [Fact]
    public void A_person_says_otherwise_than_the_words_whether_it_is_optional()
    {
        Assert.Empty(PortionProfile.Of([Line(new TypedLine("100 g feta") { IsOptional = true })], 1).Lines);
        Assert.Single(PortionProfile.Of([Line(new TypedLine("100 g feta, optional") { IsOptional = false })], 1).Lines);
        Assert.Empty(PortionProfile.Of([Line("100 g feta, optional")], 1).Lines);
    }

    [Fact]
    public void Shares_of_a_recipe_and_of_what_uses_it_multiply()
    {
        var sauce = new KnownRecipe(
            Guid.NewGuid(),
            Guid.NewGuid(),
            Table.Recipe("Sauce", 2, [Line(new TypedLine("100 ml olive oil") { EatenShare = 0.5m, KeptFat = 0.5m })])
        );
        var line = RecipeLine.Using(new TypedLine("½ of sauce") { EatenShare = 0.5m }, sauce, Table.Foods, MeasureSystem.Metric);
        var all = Line("100 ml olive oil").Grams.Best;
        Assert.Equal(all * 0.5m * 0.5m * 0.5m, Assert.Single(line.Ingredients).Grams.Best);
        Assert.Equal(all * 0.5m, line.Ingredients[0].GramsIn.Best);
        Assert.Equal(0.5m, line.Ingredients[0].Typed.KeptFat);
    }
}
