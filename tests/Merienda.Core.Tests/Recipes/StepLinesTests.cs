using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Recipes;

public class StepLinesTests
{
    private static PrepTask Step(int number, string text) => new($"{number}", text, 5, 0, Appliance.None, null, []);

    private static RecipeVersion Dish(string lines, params string[] steps) =>
        Recipe("Dish", 4, [.. lines.Split(" ; ").Select(text => Line(text))], [.. steps.Select((text, at) => Step(at + 1, text))]);

    /// <summary>What each step takes: "onions", "oil ½", "rice –" for what went in before.</summary>
    private static string[] Taken(RecipeVersion dish) =>
        [
            .. dish.Tasks.Select(task =>
                string.Join(
                    ", ",
                    dish.UsesOf(task).Select(use => use.Share == 1 ? use.Line.Read.Food : $"{use.Line.Read.Food} {use.Share:0.##}")
                )
            ),
        ];

    [Theory]
    [InlineData("2 onions ; 1 tbsp olive oil", "Fry the onions in the oil.", "onions, olive oil")]
    [InlineData("2 tbsp olive oil ; 1 tbsp sesame oil", "Heat the olive oil.", "olive oil")]
    [InlineData("2 tbsp olive oil ; 1 tbsp sesame oil", "Heat the oils.", "olive oil, sesame oil")]
    [InlineData("2 zucchini ; 1 egg", "Slice the zucchini thinly.", "zucchini")]
    [InlineData("2 eggplants ; 1 egg", "Sauté the aubergine.", "eggplants")]
    [InlineData("2 aubergines ; 1 egg", "Sauté the eggplant.", "aubergines")]
    [InlineData("1 l chicken stock ; 200 g rice", "Pour in half the stock, then the rest of the stock.", "chicken stock")]
    [InlineData("500 g chicken thighs ; 500 ml chicken stock", "Brown the chicken.", "chicken thighs")]
    [InlineData("500 g chicken thighs ; 500 ml chicken stock", "Pour in the stock.", "chicken stock")]
    [InlineData("200 g brown rice ; 500 g turkey mince", "Brown the mince in a pan.", "turkey mince")]
    [InlineData("200 g brown rice ; 500 g turkey mince", "Boil the rice.", "brown rice")]
    [InlineData("1 red pepper ; 1 tsp salt ; ½ tsp black pepper", "Season with salt and pepper.", "salt, black pepper")]
    [InlineData("1 red pepper ; 1 tsp salt ; ½ tsp black pepper", "Slice the red pepper.", "red pepper")]
    [InlineData("1 stock cube ; 500 g beef shin", "Cut the beef into cubes.", "beef shin")]
    [InlineData("3 spring onions ; 1 onion", "Slice the spring onions.", "spring onions")]
    [InlineData("3 spring onions ; 1 onion", "Dice the onion.", "onion")]
    [InlineData("600 g cod fillet ; 1 lemon", "Lay the fish on top.", "cod fillet")]
    [InlineData("2 carrots ; 1 leek ; 500 g beef shin", "Chop the vegetables.", "carrots, leek")]
    [InlineData("1 tsp ground cumin ; 1 tsp paprika ; 1 tsp salt", "Add the spices.", "ground cumin, paprika")]
    [InlineData("1 egg ; 1 tsp ground cumin ; 1 tsp paprika", "Mix egg, spices and salt.", "egg, ground cumin, paprika")]
    [InlineData("500 g beef shin ; 300 ml beef stock", "Pull the meat apart.", "beef shin")]
    [InlineData("400 g quark ; 200 g raspberries", "Layer with the berries.", "raspberries")]
    [InlineData("400 g quark ; 200 g raspberries", "Stir together, 3 minutes.", "quark, raspberries")]
    [InlineData("400 g quark ; 200 g raspberries", "Leave in the fridge overnight.", "")]
    [InlineData("2 large onions ; 1 egg", "Put it in a large bowl.", "")]
    [InlineData(
        "500 g turkey breast ; 1 l chicken stock ; 100 g cream cheese",
        "Simmer everything but the cheese.",
        "turkey breast, chicken stock"
    )]
    public void A_step_takes_the_lines_that_its_words_name(string lines, string step, string taken) =>
        Assert.Equal([taken], Taken(Dish(lines, step)));

    [Fact]
    public void What_goes_in_goes_in_once() =>
        Assert.Equal(
            ["onions", "onions 0, olive oil", "rice, onions 0"],
            Taken(
                Dish(
                    "2 onions ; 1 tbsp olive oil ; 200 g rice",
                    "Chop the onions.",
                    "Soften the onions in the oil.",
                    "Stir rice into the onions."
                )
            )
        );

    [Fact]
    public void Half_is_half_and_the_rest_is_what_is_left() =>
        Assert.Equal(
            ["coriander 0.5", "olive oil 0.33", "coriander 0.5, olive oil 0.67"],
            Taken(
                Dish(
                    "20 g coriander ; 3 tbsp olive oil",
                    "Chop half of the coriander.",
                    "Heat a third of the oil.",
                    "Add the remaining coriander and the rest of the oil."
                )
            )
        );

    [Theory]
    [InlineData("Add the rest and simmer.")]
    [InlineData("Add the remaining ingredients.")]
    [InlineData("Put everything else in.")]
    [InlineData("Add everything else, cover and braise.")]
    public void The_rest_is_all_that_no_step_took(string rest) =>
        Assert.Equal(
            ["onions", "rice, salt"],
            Taken(Dish("2 onions ; 200 g rice ; 1 tsp salt ; a handful of parsley, to serve", "Chop the onions.", rest))
        );

    [Fact]
    public void A_part_is_named_for_its_lines()
    {
        RecipeLine Of(string part, string text) =>
            RecipeLine.From(new TypedLine(text, part) { Id = Guid.NewGuid() }, Table.Foods, Core.Quantities.MeasureSystem.Metric);
        var dish = Recipe(
            "Dish",
            4,
            [Of("", "500 g chicken breast"), Of("Sauce", "100 g yoghurt"), Of("Sauce", "1 lemon")],
            [Step(1, "Whisk the sauce."), Step(2, "Poach the chicken."), Step(3, "Spoon the sauce over.")]
        );
        Assert.Equal(["yoghurt, lemon", "chicken breast", ""], Taken(dish));
    }

    [Fact]
    public void A_person_wins_over_the_words()
    {
        var dish = Dish("2 onions ; 1 tbsp olive oil", "Fry them.", "Fry the onions.");
        var oil = dish.Lines[1].Typed.Id;
        var said = Recipe("Dish", 4, dish.Lines, [dish.Tasks[0] with { Lines = [oil] }, dish.Tasks[1] with { Lines = [] }]);
        Assert.Equal(["olive oil", ""], Taken(said));
    }

    [Fact]
    public void What_a_variant_has_instead_goes_where_the_line_went()
    {
        var written = Dish("100 g feta ; 200 g rice ; 1 cucumber", "Boil the rice.", "Dice the cucumber.", "Crumble the feta over.");
        var (feta, rice) = (written.Lines[0].Typed.Id, written.Lines[1].Typed.Id);
        var variant = new Variant("Light")
        {
            Lines = [new(rice, 0)],
            Added = [new(feta, Line("120 g tofu")), new(null, Line("50 g walnuts"))],
        };
        var dish = Recipe("Dish", 4, written.Lines, [.. written.Tasks, Step(4, "Scatter the walnuts.")]).Having(variant, 4);
        Assert.Equal(["", "cucumber", "tofu", "walnuts"], Taken(dish));
    }
}
