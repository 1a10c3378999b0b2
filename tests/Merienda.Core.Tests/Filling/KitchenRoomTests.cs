using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

/// <summary>How much a kitchen holds.</summary>
public class KitchenRoomTests
{
    private static Kitchen Kitchen(decimal? freezer, params ContainerKind[] containers) => new("metric", "point", freezer, [], containers);

    private static ContainerKind Boxes(int count, int millilitres, bool mayFreeze) =>
        new(Guid.NewGuid(), $"{count} of {millilitres}", millilitres, count, "glass", true, mayFreeze, true);

    [Theory]
    [InlineData(null, 12, null)]
    [InlineData(7, 10, null)]
    [InlineData(0, 0, null)]
    public void A_freezer_without_listed_boxes_holds_boxes_of_a_usual_size(int? litres, int frozen, int? boxes)
    {
        var wishes = FillWishes.Usual.Within(Kitchen(litres));
        Assert.Equal((frozen, boxes), (wishes.FreezerBoxes, wishes.Boxes));
    }

    [Theory]
    [InlineData(8, 8)]
    [InlineData(20, 10)]
    public void Not_more_is_frozen_than_there_are_boxes_that_may(int litres, int frozen)
    {
        var wishes = FillWishes.Usual.Within(Kitchen(litres, Boxes(10, 1000, true), Boxes(5, 400, false)));
        Assert.Equal((frozen, 15), (wishes.FreezerBoxes, wishes.Boxes));
    }

    [Theory]
    [InlineData(16, 16, null)]
    [InlineData(5, 16, 10)]
    [InlineData(1, 16, 2)]
    public void The_largest_batch_is_what_goes_into_the_pot_at_once(int litres, int most, int? fits)
    {
        var soup = new FillDish(
            Guid.NewGuid(),
            null,
            new RecipeVersion
            {
                Name = "Soup",
                Portions = 4,
                Lines = [Line("1600 g water")],
                Tasks = [new("1", "Simmer the water in the pot", 5, 20, Appliance.Burner, null, [])],
                Keeping = KeepingClass.WithKey("cooked")!,
            }
        );
        var pot = new KitchenItem(Guid.NewGuid(), "pot", "Pot", 1, litres * 1000, null, null, null);
        Assert.Equal(fits, KitchenRoom.MostOf(soup, new("metric", "point", null, [pot], []), most));
    }
}
