using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Planning;

/// <summary>Which steps of a dish are done in one pot, and which of the kitchen's pots would do.</summary>
public class VesselStaysTests
{
    private static KitchenItem Item(string kind, string name, int? capacity = null, int count = 1, int? side = null) =>
        new(Guid.NewGuid(), kind, name, count, capacity, null, side, side);

    private static readonly Kitchen Kitchen = new(
        "metric",
        "point",
        null,
        [
            Item("oven", "Oven"),
            Item("pot", "Large pot", 6000),
            Item("pot", "Small pot", 2000),
            Item("pan", "Pan", 3000),
            Item("pan", "Pan of which nobody knows the size"),
            Item("tray", "Tray", side: 400, count: 2),
            Item("bowl", "Bowl", 4000),
        ],
        []
    );

    private static PrepTask Step(string id, string text, Appliance appliance, params string[] after) =>
        new(id, text, 5, 20, appliance, null, after);

    private static CookedDish Dish(string lines, params PrepTask[] tasks)
    {
        var recipe = Recipe("Dish", 4, [.. lines.Split(" ; ").Select(text => Line(text, MeasureSystem.Metric))], tasks);
        return new("A", Guid.NewGuid(), recipe, [new(recipe, 4)], [], []);
    }

    private static string[] Stays(CookedDish dish)
    {
        var room = Kitchen.ForSession(1);
        return
        [
            .. room.StaysOf(dish)
                .Select(stay => $"{string.Join(' ', stay.Tasks)}: {string.Join(", ", stay.Vessels.Select(one => room.Vessels[one].Name))}"),
        ];
    }

    [Fact]
    public void A_soup_stays_in_a_pot_that_holds_all_of_it_from_the_first_step_to_the_last() =>
        Assert.Equal(
            ["1 2 3: Large pot"],
            Stays(
                Dish(
                    "2 onions ; 300 g red lentils ; 2500 ml chicken stock",
                    Step("1", "Soften the onions.", Appliance.Burner),
                    Step("2", "Add the lentils and stock and simmer.", Appliance.Burner, "1"),
                    Step("3", "Simmer.", Appliance.Burner, "2")
                )
            )
        );

    [Fact]
    public void What_is_small_may_go_into_several_the_smallest_of_the_likeliest_kind_first() =>
        Assert.Equal(
            ["1: Small pot, Large pot, Pan"],
            Stays(Dish("1000 ml chicken stock", Step("1", "Simmer the stock.", Appliance.Burner)))
        );

    [Fact]
    public void What_is_roasted_on_a_tray_and_what_boils_beside_it_are_two_stays() =>
        Assert.Equal(
            ["1: Tray", "2: Small pot, Large pot, Pan"],
            Stays(
                Dish(
                    "600 g carrots ; 1000 ml chicken stock",
                    Step("1", "Roast the carrots.", Appliance.Oven),
                    Step("2", "Simmer the stock.", Appliance.Burner)
                )
            )
        );

    [Fact]
    public void A_dish_that_needs_its_only_pot_twice_empties_it_in_between()
    {
        var dish = Dish(
            "2500 ml chicken stock ; 3000 ml whole milk",
            Step("1", "Simmer the stock.", Appliance.Burner),
            Step("2", "Heat the milk.", Appliance.Burner, "1"),
            Step("3", "Add the stock and milk and simmer.", Appliance.Burner, "2")
        );
        var session = CookedSession.Of([dish], (Kitchen with { Items = [Item("pot", "Pot", 9000)] }).ForSession(1));
        Assert.Equal(
            [
                [0],
                [1, 2],
            ],
            session.Question.Stays.Select(stay => stay.Works)
        );
        Assert.Empty(SessionJudge.Wrong(session.Question, SessionPlan.Of(session.Question)));
    }

    [Theory]
    [InlineData("9000 ml chicken stock", "Simmer the stock.", Appliance.Burner)]
    [InlineData("some mystery", "Simmer it.", Appliance.Burner)]
    [InlineData("600 g carrots", "Chop the carrots.", Appliance.None)]
    [InlineData("1000 ml chicken stock", "Cook the stock.", Appliance.PressureCooker)]
    public void What_goes_into_none_or_cannot_be_weighed_or_takes_no_vessel_waits_for_none(string line, string text, Appliance appliance) =>
        Assert.Empty(Stays(Dish(line, Step("1", text, appliance))));

    [Fact]
    public void A_kitchen_that_lists_no_vessels_waits_for_none() =>
        Assert.Empty(
            (Kitchen with { Items = [Item("oven", "Oven")] })
                .ForSession(1)
                .StaysOf(Dish("1000 ml chicken stock", Step("1", "Simmer.", Appliance.Burner)))
        );
}
