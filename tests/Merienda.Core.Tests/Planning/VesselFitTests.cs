using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Planning;

public class VesselFitTests
{
    private static KitchenItem Item(
        string kind,
        string name,
        int? capacity = null,
        int count = 1,
        decimal? fill = null,
        int? width = null,
        int? length = null
    ) => new(Guid.NewGuid(), kind, name, count, capacity, fill, width, length);

    private static Kitchen With(params KitchenItem[] items) => new("metric", "point", null, items, []);

    private static PrepTask Step(string id, string text, Appliance appliance, params string[] after) =>
        new(id, text, 5, 20, appliance, null, after);

    private static CookedDish Dish(string lines, decimal portions, params PrepTask[] tasks)
    {
        var recipe = Recipe("Dish", 4, [.. lines.Split(" ; ").Select(text => Line(text, Core.Quantities.MeasureSystem.Metric))], tasks);
        return new("A", Guid.NewGuid(), recipe, [new(recipe, portions)], [], []);
    }

    private static VesselFinding? Only(Kitchen kitchen, CookedDish dish) => VesselFit.Of(dish, kitchen).SingleOrDefault();

    private static readonly PrepTask Simmer = Step("1", "Simmer the soup.", Appliance.Burner);

    /// <summary>1 l of stock for four portions: exact, because what is poured takes the room it has.</summary>
    private static VesselFinding? Stock(decimal portions, params KitchenItem[] items) =>
        Only(With(items), Dish("1000 ml chicken stock", portions, Simmer with { Text = "Simmer the stock." }));

    [Theory]
    [InlineData(4, VesselVerdict.Fits, "Pot")]
    [InlineData(8, VesselVerdict.TooLarge, "two rounds: Pot takes 1.6 l, this is about 2 l")]
    [InlineData(16, VesselVerdict.TooLarge, "three rounds: Pot takes 1.6 l, this is about 4.1 l")]
    public void A_pot_is_filled_to_its_line(decimal portions, VesselVerdict verdict, string said)
    {
        var finding = Stock(portions, Item("pot", "Pot", 2000, fill: 0.8m));
        Assert.Equal((verdict, said), (finding!.Verdict, finding.Said));
    }

    [Fact]
    public void Several_that_hold_it_together_are_counted_and_the_smallest_that_does_alone_is_taken()
    {
        Assert.StartsWith("two pots:", Stock(8, Item("pot", "Pot", 2000, 2))!.Said, StringComparison.Ordinal);
        Assert.Equal("Large pot", Stock(8, Item("pot", "Large pot", 6000), Item("pot", "Pot", 2000), Item("pot", "Huge pot", 9000))!.Said);
    }

    [Theory]
    [InlineData("1200 g carrots", VesselVerdict.Fits)]
    [InlineData("2000 g carrots", VesselVerdict.TooLarge)]
    public void A_tray_takes_one_layer(string line, VesselVerdict verdict)
    {
        // 30 by 40 cm: about 1.2 kg. One layer of more is two trays, which are there.
        var kitchen = With(Item("tray", "Tray", count: 2, width: 300, length: 400));
        var finding = Only(kitchen, Dish(line, 4, Step("1", "Roast the carrots on a tray.", Appliance.Oven)))!;
        Assert.Equal(verdict, finding.Verdict);
        Assert.Equal(
            verdict == VesselVerdict.TooLarge,
            finding.Said.StartsWith("two trays: one layer on Tray is about 1.2 kg", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData("2500 ml chicken stock", VesselVerdict.Fits)]
    [InlineData("2500 ml chicken stock ; 300 g chickpeas", VesselVerdict.TooLarge)]
    public void A_pressure_cooker_is_two_thirds_full_and_half_for_what_foams(string lines, VesselVerdict verdict) =>
        Assert.Equal(
            verdict,
            Only(
                With(Item("pressure-cooker", "Cooker", 4000)),
                Dish(lines, 4, Step("1", "Cook everything.", Appliance.PressureCooker))
            )!.Verdict
        );

    [Fact]
    public void What_goes_on_in_the_pot_has_all_that_went_in_before()
    {
        var kitchen = With(Item("pot", "Pot", 2000));
        var dish = Dish(
            "500 g onions ; 800 ml chicken stock ; 1 kg chopped tomatoes",
            4,
            Step("1", "Soften the onions.", Appliance.Burner),
            Step("2", "Add stock and tomatoes and simmer.", Appliance.Burner, "1")
        );
        var findings = VesselFit.Of(dish, kitchen);
        Assert.Equal([VesselVerdict.Fits, VesselVerdict.TooLarge], findings.Select(finding => finding.Verdict));
    }

    [Fact]
    public void Dry_rice_takes_the_room_of_its_water()
    {
        var boil = Step("1", "Boil the rice.", Appliance.Burner);
        Assert.Equal(VesselVerdict.Fits, Only(With(Item("pot", "Pot", 2000)), Dish("400 g rice", 4, boil))!.Verdict);
        Assert.NotEqual(VesselVerdict.Fits, Only(With(Item("pot", "Pot", 1400)), Dish("400 g rice", 4, boil))!.Verdict);
    }

    [Theory]
    [InlineData("Fry the rice in the pan.", VesselVerdict.Fits)]
    [InlineData("Boil the rice in the pan.", VesselVerdict.TooLarge)]
    public void Fried_rice_takes_up_no_water(string text, VesselVerdict verdict) =>
        Assert.Equal(verdict, Only(With(Item("pan", "Pan", 1000)), Dish("400 g rice", 4, Step("1", text, Appliance.Burner)))!.Verdict);

    [Theory]
    [InlineData("800 g carrots ; 400 g tin chopped tomatoes", "Pot")]
    [InlineData("800 g carrots ; 400 g tin chickpeas, drained", "Tray")]
    [InlineData("800 g carrots ; 100 ml chicken stock", "Tray")]
    public void What_is_wet_goes_into_no_tray(string lines, string vessel) =>
        Assert.Equal(
            vessel,
            Only(
                With(Item("tray", "Tray", width: 400, length: 500), Item("pot", "Pot", 6000)),
                Dish(lines, 4, Step("1", "Roast everything at 200 °C.", Appliance.Oven))
            )!.Said
        );

    [Fact]
    public void Nothing_is_said_where_nobody_knows()
    {
        var tray = With(Item("tray", "Tray", width: 300, length: 400));
        // No pot in this kitchen, no size of the pot, no weight of the line, no vessel for a knife.
        Assert.Null(Only(tray, Dish("1000 ml chicken stock", 4, Simmer with { Text = "Simmer the stock." })));
        Assert.Null(Stock(4, Item("pot", "Pot")));
        Assert.Null(Only(With(Item("pot", "Pot", 2000)), Dish("1 grumbleberry", 4, Simmer with { Text = "Simmer the grumbleberry." })));
        Assert.Null(Only(tray, Dish("500 g carrots", 4, Step("1", "Slice the carrots.", Appliance.None))));
    }

    [Fact]
    public void Rounds_that_are_said_are_not_said_again() =>
        Assert.Null(
            Only(
                With(Item("air-fryer", "Basket", 1000)),
                Dish("24 chicken thighs", 4, Step("1", "Air fry the chicken.", Appliance.AirFryer) with { RoundPieces = 8 })
            )
        );
}
