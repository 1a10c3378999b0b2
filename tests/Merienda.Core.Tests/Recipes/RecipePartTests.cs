using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

public class RecipePartTests
{
    private static KeepingClass Kind(string key) => KeepingClass.WithKey(key)!;

    private static RecipeVersion Dish(params RecipePart[] parts) =>
        new()
        {
            Name = "Cod with slaw",
            Portions = 4,
            Parts = parts,
            Lines =
            [
                RecipeLine.From(new TypedLine("600 g cod"), Table.Foods, MeasureSystem.Metric),
                RecipeLine.From(new TypedLine("200 g white cabbage", "Slaw"), Table.Foods, MeasureSystem.Metric),
                RecipeLine.From(new TypedLine("40 g almonds", "Topping"), Table.Foods, MeasureSystem.Metric),
            ],
            Keeping = Kind("cooked"),
        };

    [Fact]
    public void Parts_stand_in_the_order_they_are_given_and_those_without_lines_do_not_stand()
    {
        Assert.Equal(["", "Slaw", "Topping"], Dish().PartNames);
        Assert.Equal(["Topping", "Slaw", ""], Dish(new("Topping"), new("Slaw"), new("Ghost"), new("")).PartNames);
        // One that nothing is said of comes behind.
        Assert.Equal(["Slaw", "", "Topping"], Dish(new RecipePart("Slaw")).PartNames);
    }

    [Fact]
    public void A_box_keeps_as_long_as_the_shortest_part_in_it()
    {
        var dish = Dish(new RecipePart("") { Keeping = Kind("cooked-fish") }, new RecipePart("Slaw") { Keeping = Kind("dressed-salad") });
        Assert.Equal((3, false), (dish.KeepingOf(null).FridgeDays, dish.KeepingOf(null).Freezes));
        Assert.Equal((3, true), (dish.KeepingOf([""]).FridgeDays, dish.KeepingOf([""]).Freezes));
        Assert.Equal((4, false), (dish.KeepingOf(["Slaw"]).FridgeDays, dish.KeepingOf(["Slaw"]).Freezes));
        // Nothing is said of the topping: it keeps as the dish.
        Assert.Equal(Kind("cooked"), dish.KeepingOf(["Topping"]));
        Assert.Equal(Kind("cooked"), Dish().KeepingOf(null));
    }

    [Fact]
    public void A_batch_keeps_by_part_as_its_recipe_does()
    {
        var dish = Dish(new RecipePart("") { Keeping = Kind("cooked-fish") });
        var batch = new Batch(Guid.NewGuid(), "A", Table.Sunday, [new(Guid.NewGuid(), null, 4)]).Of(dish);
        foreach (IReadOnlyList<string>? parts in new IReadOnlyList<string>?[] { null, [""], ["Slaw"], ["", "Topping"] })
        {
            Assert.Equal(dish.KeepingOf(parts), batch.KeepingOf(parts));
        }
    }

    [Fact]
    public void Of_two_that_freeze_the_shorter_time_counts_and_every_note_is_kept()
    {
        var together = KeepingClass.Shortest([Kind("herb-oil"), Kind("cooked-fish")]);
        Assert.Equal((3, 2), (together.FridgeDays, together.FreezerMonths));
        Assert.Equal("Always cold. Best within 2 days", together.Note);
    }

    [Fact]
    public void What_a_part_was_measured_to_make_is_what_its_portions_weigh()
    {
        var dish = Dish(new RecipePart("") { Made = new(450, YieldUnit.Grams) });
        Assert.Equal([112.5m, 50m, 10m], dish.GramsByPart);
        Assert.Null(dish.MadeIn(YieldUnit.Grams));
        var all = Dish(
            new RecipePart("") { Made = new(450, YieldUnit.Grams) },
            new RecipePart("Slaw") { Made = new(190, YieldUnit.Grams) },
            new RecipePart("Topping") { Made = new(40, YieldUnit.Grams) }
        );
        Assert.Equal(680, all.MadeIn(YieldUnit.Grams));
        Assert.Null(all.MadeIn(YieldUnit.Pieces));
    }

    [Fact]
    public void Grams_and_pieces_of_a_measured_recipe_are_no_doubt()
    {
        KnownRecipe Measured(decimal amount, YieldUnit unit) =>
            new(
                Guid.NewGuid(),
                Guid.NewGuid(),
                new RecipeVersion
                {
                    Name = "Patties",
                    Portions = 4,
                    Parts = [new RecipePart("") { Made = new(amount, unit) }],
                    Lines = [Table.Line("500 g oats")],
                    Keeping = Kind("cooked"),
                }
            );
        RecipeLine Use(string text, KnownRecipe of) => RecipeLine.Using(text, of, Table.Foods, MeasureSystem.Metric);
        var grams = Use("300 g patties", Measured(1200, YieldUnit.Grams));
        Assert.Equal((Estimate.Exactly(0.25m), null), (grams.Use!.Batches, grams.Doubt));
        var pieces = Use("2 patties", Measured(8, YieldUnit.Pieces));
        Assert.Equal((Estimate.Exactly(0.25m), null), (pieces.Use!.Batches, pieces.Doubt));
        var volume = Use("200 ml patties", Measured(1, YieldUnit.Pieces));
        Assert.NotNull(volume.Doubt);
    }

    [Fact]
    public void What_comes_off_and_what_goes_on_is_said_of_the_parts_that_are_there()
    {
        var dish = Dish(new RecipePart("Slaw") { TakesOff = true }, new RecipePart("Topping") { GoesOn = true });
        Assert.Equal(["Take off before reheating: Slaw", "Goes on when eating: Topping"], dish.SaidAtEating(null));
        Assert.Equal(["Goes on when eating: Topping"], dish.SaidAtEating(["", "Topping"]));
        Assert.Empty(Dish().SaidAtEating(null));
    }
}
