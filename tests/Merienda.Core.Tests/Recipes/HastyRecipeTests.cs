using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

/// <summary>Recipes as people type them for themselves.</summary>
public class HastyRecipeTests
{
    private static WrittenRecipe Read(params string[] rows) => RecipeTextReader.Read(string.Join('\n', rows)).Value;

    [Fact]
    public void A_part_whose_name_is_a_verb_begins_no_method()
    {
        var recipe = Read("Beef", "SAUCE", "2 tbsp soy sauce", "", "STIR FRY", "500 g beef steak", "", "INSTRUCTIONS", "Fry it 5 min.");
        Assert.Equal([("SAUCE", "2 tbsp soy sauce"), ("STIR FRY", "500 g beef steak")], recipe.Lines);
        Assert.Equal(["Fry it 5 min."], recipe.Steps);
    }

    [Fact]
    public void A_measured_row_ends_a_method_that_nobody_announced()
    {
        var recipe = Read("Bowl", "200 g rice", "mix well", "100 g peas", "Simmer 10 min.", "2 minutes more");
        Assert.Equal(["200 g rice", "100 g peas"], recipe.Lines.Select(line => line.Text));
        Assert.Contains("2 minutes more", recipe.Steps);
    }

    [Theory]
    [InlineData("1. Blend and chill.")]
    [InlineData("1) Stir and chill.")]
    [InlineData("1. add mince")]
    public void A_short_numbered_step_is_no_ingredient(string step)
    {
        var recipe = Read("Bites", "200 g almonds", "60 g butter", "", step);
        Assert.Equal(["200 g almonds", "60 g butter"], recipe.Lines.Select(line => line.Text));
        Assert.Single(recipe.Steps);
    }

    [Theory]
    [InlineData("3. 60 g butter")]
    [InlineData("3. Brown rice")]
    [InlineData("3. Roast chicken")]
    public void A_numbered_ingredient_stays_one(string line) =>
        Assert.Equal(3, Read("Bites", "1. 200 g almonds", "2. 100 g dates", line).Lines.Count);

    [Fact]
    public void A_name_may_stand_in_a_row_with_what_it_makes()
    {
        var recipe = Read("Kale soup | serves 4 | 35 min", "150 g kale");
        Assert.Equal(("Kale soup", 4m), (recipe.Name, recipe.Portions));
        Assert.Equal(35, Assert.Single(recipe.Claims, claim => claim.What == ClaimedValue.Minutes).Value);
    }

    [Fact]
    public void What_a_portion_has_may_stand_behind_whom_it_serves()
    {
        var recipe = Read("Soup", "Serves 6. Calories: 240. Carbs: 18g (fiber 4g).", "1 onion");
        Assert.Equal(6, recipe.Portions);
        Assert.Equal(
            [(ClaimedValue.Energy, 240m), (ClaimedValue.Carbohydrate, 18), (ClaimedValue.Fibre, 4)],
            recipe.Claims.Select(claim => (claim.What, claim.Value))
        );
        Assert.Empty(Read("Curry", "For 4", "1 onion").Claims);
    }

    [Fact]
    public void A_remark_in_brackets_and_a_last_sentence_are_no_ingredients()
    {
        var recipe = Read("Pasta", "(feeds the boys and me, lasts 3 days)", "400 g pasta", "150 ml water. Serves 3.");
        Assert.Equal(["400 g pasta", "150 ml water"], recipe.Lines.Select(line => line.Text));
        Assert.Equal(3, recipe.Portions);
    }

    [Fact]
    public void What_goes_with_it_is_a_line_to_serve()
    {
        var recipe = Read(
            "Chili",
            "500 g beans",
            "Toppings: sour cream, grated cheddar and lime",
            "**Serve with** 280 g rice, cooked",
            "Fry it 5 min."
        );
        Assert.Equal(
            ["500 g beans", "sour cream, to serve", "grated cheddar, to serve", "lime, to serve", "280 g rice, cooked, to serve"],
            recipe.Lines.Select(line => line.Text)
        );
    }

    [Fact]
    public void What_a_page_has_round_its_recipe_is_left_out()
    {
        var recipe = Read(
            "https://example.org/dal",
            "Dal",
            "★★★★☆ 4.6 (213)",
            "PREP 10 min COOK 1 hr SERVES 4",
            "By the kitchen team",
            "Save Print Share",
            "200 g lentils",
            "Method",
            "STEP 1",
            "Simmer 1 hour.",
            "Comments (12)",
            "Lovely! I used ghee."
        );
        Assert.Equal(("Dal", 4m, "https://example.org/dal"), (recipe.Name, recipe.Portions, recipe.Source));
        Assert.Equal(["200 g lentils"], recipe.Lines.Select(line => line.Text));
        Assert.Equal(["Simmer 1 hour."], recipe.Steps);
    }

    [Fact]
    public void What_is_said_of_one_pot_makes_one_and_per_is_no_Italian()
    {
        var pots = Read("Snack pots x 5:", "cottage cheese 150 g per pot", "pineapple 80 g per pot", "pumpkin seeds 10 g per pot");
        Assert.Equal((1m, 3), (pots.Portions, pots.Lines.Count));
        var oats = Read("Baked oats", "(per portion: 40 g oats, 1 egg, 50 ml milk)", "Bake 25 min.");
        Assert.Equal((1m, 3), (oats.Portions, oats.Lines.Count));
    }

    [Fact]
    public void A_row_of_numbers_of_a_portion_is_no_ingredient()
    {
        var recipe = Read("Lasagne", "6 servings, 28g protein, 9g net carbs, 410 kcal each", "2 courgettes");
        Assert.Equal((6m, 1, 3), (recipe.Portions, recipe.Lines.Count, recipe.Claims.Count));
    }

    /// <summary>What may be eaten is never left out in silence: an allergen may be in it.</summary>
    [Theory]
    [InlineData("(a handful of walnuts)", "a handful of walnuts")]
    [InlineData("(walnuts, optional)", "walnuts, optional")]
    [InlineData("(plus a splash of cream)", "plus a splash of cream")]
    [InlineData("1 egg (70 kcal, 6 g protein)", "1 egg (70 kcal, 6 g protein)")]
    [InlineData("30 g protein powder, 120 kcal, 24 g protein", "30 g protein powder")]
    [InlineData("Protein bar 1, 200 kcal, 20 g protein", "Protein bar 1, 200 kcal, 20 g protein")]
    [InlineData("Meal: pasta with pesto", "Meal: pasta with pesto")]
    [InlineData("Marmite", "Marmite")]
    public void What_may_go_in_is_a_line(string row, string line) =>
        Assert.Contains(line, Read("Dish", "Serves 2", "", "200 g rice", "", row, "100 g peas").Lines.Select(one => one.Text));

    [Theory]
    [InlineData("Per serving: 420 kcal, 41 g protein")]
    [InlineData("28 g protein, 9 g net carbs, 410 kcal")]
    [InlineData("TOTAL: 465 kcal | P 46 | C 45 | F 9")]
    [InlineData("(keeps 3 days)")]
    public void What_a_portion_has_or_how_it_keeps_is_none(string row) =>
        Assert.Equal(2, Read("Dish", "Serves 2", "", "200 g rice", row, "100 g peas").Lines.Count);

    [Theory]
    [InlineData("1 egg (70 kcal, 6 g protein)", 50)]
    [InlineData("1 egg (6 g protein)", 50)]
    [InlineData("2 eggs (120 g)", 120)]
    public void What_is_in_a_food_is_not_what_it_weighs(string text, decimal grams) => Assert.Equal(grams, Table.Line(text).Grams.Best);

    [Fact]
    public void A_recipe_without_commas_or_without_a_title_keeps_its_ingredients()
    {
        var said = Read("Ratatouille. 1 aubergine 2 courgettes 4 tomatoes 4 tbsp oil. Cook all 40 min. Serves 4.");
        Assert.Equal(("Ratatouille", 4m, 4, 1), (said.Name, said.Portions, said.Lines.Count, said.Steps.Count));
        Assert.Equal(3, Read("Cauliflower rice: 1 medium cauliflower", "Eggs: 2", "Peas: 80 g").Lines.Count);
    }

    [Theory]
    [InlineData("Serving size: 2", 2)]
    [InlineData("Yield\n4 wraps", 4)]
    [InlineData("6 ports", 6)]
    [InlineData("4 bowls", 4)]
    public void What_it_makes_has_many_words(string rows, int portions) =>
        Assert.Equal(portions, Read(["Dish", .. rows.Split('\n'), "1 onion"]).Portions);

    [Theory]
    [InlineData("Onion: 1 large, finely chopped", "Onion, 1 large, finely chopped")]
    [InlineData("2 each onions, carrots, celery sticks", "2 onions|2 carrots|2 celery sticks")]
    [InlineData("a handful each coriander and mint", "a handful coriander|a handful mint")]
    [InlineData(
        "1 tbsp each: garlic granules, onion granules, brown sugar",
        "1 tbsp garlic granules|1 tbsp onion granules|1 tbsp brown sugar"
    )]
    public void A_row_is_its_lines(string row, string lines) =>
        Assert.Equal(lines, string.Join('|', Read("Pie", "Serves 4", row).Lines.Select(line => line.Text)));

    [Theory]
    [InlineData("Brown the turkey in a Dutch oven, 10 min.", Appliance.Burner, null)]
    [InlineData("350°F, 55-60 mins.", Appliance.Oven, 177)]
    [InlineData("Oven 180 deg C. Bake 22 min.", Appliance.Oven, 180)]
    [InlineData("Oven on 200. Bake 25 min.", Appliance.Oven, 200)]
    [InlineData("Low 6 hrs or high 3½ hrs.", Appliance.SlowCooker, null)]
    [InlineData("simmer 30m.", Appliance.Burner, null)]
    [InlineData("Chicken 1 h 30 at 190. Veg last 45.", Appliance.Oven, 190)]
    public void A_hasty_step_says_where_and_how_hot(string step, Appliance appliance, int? celsius)
    {
        var task = TaskReader.Read([step])[0];
        Assert.Equal((appliance, celsius), (task.Appliance, task.TemperatureC));
        Assert.True(task.Unattended + task.HandsOn >= 10);
    }
}
