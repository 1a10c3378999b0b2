using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Planning;

/// <summary>Two cookers are no two of a kind: what is too much for the small one waits for the large one.</summary>
public class CookerSizeTests
{
    private static KitchenItem Cooker(string kind, int? capacity) =>
        new(Guid.NewGuid(), kind, $"{kind} {capacity}", 1, capacity, null, null, null);

    private static Kitchen With(params KitchenItem[] items) => new("metric", "point", null, items, []);

    private static CookedDish Stew(string letter, string stock, Appliance appliance = Appliance.PressureCooker)
    {
        PrepTask step = new("1", "Cook everything.", 5, 40, appliance, null, []);
        var recipe = Recipe($"Stew {letter}", 4, [Line(stock, MeasureSystem.Metric)], [step]);
        return new(letter, Guid.NewGuid(), recipe, [new(recipe, 4)], [], []);
    }

    private static int Minutes(Kitchen kitchen, params CookedDish[] dishes)
    {
        var session = CookedSession.Of(dishes, kitchen.ForSession(1));
        return SessionPlan.Of(session.Question).End(session.Question);
    }

    // Two thirds of 3 l and of 6 l: 2 l and 4 l.
    private static readonly Kitchen Two = With(Cooker("pressure-cooker", 6000), Cooker("pressure-cooker", 3000));

    [Fact]
    public void A_small_and_a_large_stew_cook_beside_each_other_and_two_large_ones_one_after_the_other()
    {
        // 5 minutes by hand each; the second begins when the first is on.
        Assert.Equal(50, Minutes(Two, Stew("A", "3000 ml chicken stock"), Stew("B", "1500 ml chicken stock")));
        Assert.Equal(90, Minutes(Two, Stew("A", "3000 ml chicken stock"), Stew("B", "2500 ml chicken stock")));
    }

    [Fact]
    public void What_no_cooker_holds_goes_into_any_and_so_does_what_nobody_can_weigh()
    {
        Assert.Equal(50, Minutes(Two, Stew("A", "9000 ml chicken stock"), Stew("B", "9000 ml chicken stock")));
        Assert.Equal(50, Minutes(Two, Stew("A", "3000 ml chicken stock"), Stew("B", "some mystery")));
    }

    [Fact]
    public void Where_a_size_is_not_known_or_there_is_one_cooker_the_sizes_are_not_asked()
    {
        var unsized = With(Cooker("pressure-cooker", 6000), Cooker("pressure-cooker", null));
        Assert.Empty(unsized.ForSession(1).Sizes);
        Assert.Equal(50, Minutes(unsized, Stew("A", "3000 ml chicken stock"), Stew("B", "2500 ml chicken stock")));
        Assert.Empty(With(Cooker("pressure-cooker", 6000)).ForSession(1).Sizes);
        Assert.Equal([Appliance.SlowCooker], With(Cooker("slow-cooker", 3000), Cooker("slow-cooker", 6000)).ForSession(1).Sizes.Keys);
    }
}
