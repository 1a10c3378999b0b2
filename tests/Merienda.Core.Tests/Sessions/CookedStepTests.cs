using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Sessions;

public class CookedStepTests
{
    private static PrepTask Step(string id, string text, params string[] after) => new(id, text, 5, 10, Appliance.AirFryer, 200, after);

    private static string Mass(decimal grams) => $"{grams:0.#} g";

    private static CookedDish Cooked(RecipeVersion recipe, params LotToCook[] lots) => new("A", Guid.NewGuid(), recipe, lots, [], []);

    private static string[] Said(CookedDish dish) =>
        [.. dish.Steps.Select(step => string.Join(", ", step.Takes.Select(take => TakenWords.Of(take.Line, take.Times, Mass))))];

    private static readonly RecipeVersion Bowls = Recipe(
        "Bowls",
        4,
        [Line("200 g rice"), Line("100 g feta"), Line("2 tbsp olive oil"), Line("3 eggs"), Line("salt")],
        [
            Step("1", "Boil the rice."),
            Step("2", "Boil the eggs.", "1"),
            Step("3", "Crumble feta over the rice with half the oil and salt.", "2"),
        ]
    );

    [Fact]
    public void Amounts_grow_with_the_portions() =>
        Assert.Equal(["400 g rice", "6 eggs", "200 g feta, rice, 2 tbsp olive oil, salt"], Said(Cooked(Bowls, new LotToCook(Bowls, 8))));

    [Fact]
    public void Lots_add_up_line_by_line_and_what_stands_for_a_line_stands_beside_it()
    {
        var tofu = Bowls.Having(
            new("Tofu") { Lines = [new(Bowls.Lines[0].Typed.Id, 0.5m)], Added = [new(Bowls.Lines[1].Typed.Id, Line("120 g tofu"))] },
            4
        );
        // Four as written and four with half the rice: 200 + 100 g.
        Assert.Equal(
            ["300 g rice", "6 eggs", "100 g feta, rice, 2 tbsp olive oil, salt, 120 g tofu"],
            Said(Cooked(Bowls, new(Bowls, 4), new(tofu, 4)))
        );
    }

    [Fact]
    public void A_step_that_takes_nothing_of_any_lot_is_left_out_and_what_waited_for_it_waits_for_what_came_before()
    {
        var plain = Bowls.Having(new("Without eggs") { Lines = [new(Bowls.Lines[3].Typed.Id, 0)] }, 4);
        var dish = Cooked(Bowls, new LotToCook(plain, 4));
        Assert.Equal(["1", "3"], dish.Steps.Select(step => step.Task.Id));
        Assert.Equal(["1"], dish.Steps[1].Task.After);
        // One portion with eggs is enough.
        Assert.Equal(3, Cooked(Bowls, new(plain, 3), new(Bowls, 1)).Steps.Count);
    }

    [Theory]
    [InlineData(4, 1, 1)]
    [InlineData(4.5, 2, 2)]
    [InlineData(8, 2, 2)]
    [InlineData(12, 3, 3)]
    [InlineData(96, CookedStep.MostRounds, 24)]
    [InlineData(4_000, CookedStep.MostRounds, 1_000)]
    public void What_does_not_fit_in_at_once_goes_in_rounds(decimal portions, int rounds, int needed)
    {
        // Eight thighs for four portions, eight of them an air-fryer load.
        var recipe = Recipe(
            "Thighs",
            4,
            [Line("8 chicken thighs")],
            [
                Step("1", "Salt the chicken."),
                Step("2", "Air fry the chicken.", "1") with
                {
                    RoundPieces = 8,
                },
                Step("3", "Rest the chicken.", "2"),
            ]
        );
        var steps = Cooked(recipe, new LotToCook(recipe, portions)).Steps;
        Assert.Equal(rounds + 2, steps.Count);
        Assert.All(steps.Skip(1).SkipLast(1), step => Assert.Equal((rounds, needed), (step.Rounds, step.Needed)));
        Assert.Equal(rounds == 1 ? "2" : $"2~{rounds}", Assert.Single(steps[^1].Task.After));
        Assert.Equal(["1"], steps[1].Task.After);
        Assert.Equal(steps.Count, steps.Select(step => step.Task.Id).Distinct().Count());
    }

    [Fact]
    public void Pieces_are_those_that_the_dish_was_measured_to_make()
    {
        var koftas = new RecipeVersion
        {
            Name = "Koftas",
            Portions = 6,
            Lines = [Line("900 g turkey mince")],
            Parts = [new("") { Made = new(24, YieldUnit.Pieces) }],
            Tasks = [Step("1", "Fry the koftas.") with { RoundPieces = 9 }],
            Keeping = Core.Keeping.KeepingClass.All[0],
        };
        Assert.Equal(3, Cooked(koftas, new LotToCook(koftas, 6)).Steps.Count);
        Assert.Equal(2, Cooked(koftas, new LotToCook(koftas, 4.5m)).Steps.Count);
    }

    [Fact]
    public void What_must_not_stand_goes_on_first_and_else_it_is_said_how_long_it_stood()
    {
        RecipeVersion Fish(int? waits) =>
            Recipe(
                "Fish",
                1,
                [Line("1 cod fillet")],
                [
                    new("1", "Bake", 5, 10, Appliance.Oven, 180, []) { WaitsAtMost = waits },
                    new("2", "Box", 5, 0, Appliance.None, null, ["1"]),
                ]
            );
        var salad = Recipe(
            "Salad",
            1,
            [Line("1 leek")],
            [new("1", "Cut", 10, 0, Appliance.None, null, []), new("2", "Wash", 40, 0, Appliance.None, null, [])]
        );
        int Boxed(int? waits, out int tooLong)
        {
            var order = SessionPlan.Order(
                [Cooked(Fish(waits), new LotToCook(Fish(waits), 1)), Cooked(salad, new LotToCook(salad, 1))],
                SessionKitchen.Plain
            );
            var box = order.Single(item => item.Task.Text == "Box");
            tooLong = box.WaitedTooLong;
            return box.Start;
        }

        Assert.Equal(15, Boxed(0, out var late));
        Assert.Equal(0, late);
        Assert.True(Boxed(null, out late) >= 15);
        Assert.Equal(0, late);
    }

    [Theory]
    [InlineData("200 g rice", 2.5, "500 g rice")]
    [InlineData("2 tins (400 g) chickpeas", 1, "2 tins of 400 g chickpeas")]
    [InlineData("1 cup milk", 3, "3 cups milk")]
    [InlineData("1.2 l stock", 1, "1.2 l stock")]
    [InlineData("1.2 l stock", 2, "2.4 l stock")]
    [InlineData("2–3 carrots", 2, "4–6 carrots")]
    [InlineData("1 onion", 1.5, "1.5 onion")]
    [InlineData("salt, to taste", 3, "salt")]
    [InlineData("200 g rice", 0, "rice")]
    public void An_amount_is_said_as_it_is_measured_out(string line, decimal times, string said) =>
        Assert.Equal(said, TakenWords.Of(Line(line), times, Mass));
}
