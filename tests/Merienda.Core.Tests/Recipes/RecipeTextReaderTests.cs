using CsCheck;
using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

public class RecipeTextReaderTests
{
    private static WrittenRecipe Read(params string[] rows) => RecipeTextReader.Read(string.Join('\n', rows)).Value;

    [Fact]
    public void Without_headings_the_first_line_is_the_title_and_the_rest_are_ingredients()
    {
        var recipe = Read("Bean salad", "2 tins beans", "1 onion");
        Assert.Equal(("Bean salad", null, 2), (recipe.Name, recipe.Portions, recipe.Lines.Count));
    }

    [Theory]
    [InlineData("Cook it.")]
    [InlineData("Cook 20 minutes.")]
    [InlineData("Pressure cook 4 whistles.")]
    [InlineData("Mix.")]
    [InlineData("Air fry the eggs.")]
    [InlineData("Rest 5 minutes.")]
    [InlineData("simmer 20 mins")]
    [InlineData("add mince")]
    public void A_sentence_that_says_what_to_do_ends_the_ingredients(string step)
    {
        var recipe = Read("Eggs", "Serves 2", "4 eggs", "", step, "Serve with 20 g butter");
        Assert.Equal(["4 eggs"], recipe.Lines.Select(line => line.Text));
        Assert.Equal([step, "Serve with 20 g butter"], recipe.Steps);
        Assert.Empty(recipe.Claims);
    }

    [Theory]
    [InlineData("For the sauce:")]
    [InlineData("== Sauce ==")]
    [InlineData("Sauce –")]
    [InlineData("Sauce—")]
    [InlineData("To make the sauce")]
    [InlineData("Sauce (makes 200 ml)")]
    public void A_heading_among_the_ingredients_begins_a_part(string heading)
    {
        var recipe = Read("Pie", "Serves 4", "500 g beef mince", heading, "200 ml cream", "Method", "Bake it.");
        Assert.Equal(
            [("", "500 g beef mince"), ("Sauce", "200 ml cream")],
            recipe.Lines.Select(line => (RecipeTextReader.Headed(line.Part), line.Text))
        );
    }

    [Theory]
    [InlineData("Rice: 1 cup", "", "Rice, 1 cup")]
    [InlineData("Cod fillets: 2 (about 300 g)", "", "Cod fillets, 2 (about 300 g)")]
    [InlineData("Sauce: 200 ml cream", "Sauce", "200 ml cream")]
    [InlineData("Garlic: 3 cloves, crushed", "", "Garlic, 3 cloves, crushed")]
    [InlineData("Chicken (4 portions): 600 g chicken breast", "Chicken", "600 g chicken breast")]
    [InlineData("optional: 1 tsp chilli flakes", "", "1 tsp chilli flakes, optional")]
    public void What_stands_before_a_colon_is_the_food_where_nothing_else_names_one(string row, string part, string line)
    {
        Assert.Equal((part, line), Assert.Single(Read("Pie", "Serves 4", row).Lines));
    }

    [Fact]
    public void Pictures_before_rows_are_bullets()
    {
        var recipe = Read(
            "Bowl",
            "Serves 2",
            "🥕 2 carrots",
            "🧂 Seasoning:",
            "✨ 1 tsp cumin",
            "👩‍🍳 Method",
            "1️⃣ Boil the rice.",
            "2️⃣ Fry the carrots."
        );
        Assert.Equal(["2 carrots", "1 tsp cumin"], recipe.Lines.Select(line => RecipeTextReader.WithoutBullet(line.Text)));
        Assert.Equal(("Seasoning", 2), (recipe.Lines[1].Part, recipe.Steps.Count));
    }

    [Fact]
    public void A_word_above_a_list_heads_a_part_and_two_sentences_are_a_step()
    {
        var recipe = Read(
            "Bowls, 2 servings",
            "",
            "Salmon",
            "- 2 salmon fillets",
            "Toppings",
            "- 1 avocado",
            "",
            "Oven on 200. Salmon in, 12 mins."
        );
        Assert.Equal([("Salmon", "- 2 salmon fillets"), ("Toppings", "- 1 avocado")], recipe.Lines);
        Assert.Equal(["Oven on 200. Salmon in, 12 mins."], recipe.Steps);
    }

    [Fact]
    public void A_method_may_stand_behind_its_heading_and_a_yield_within_the_title()
    {
        var recipe = Read("Frittata — Serves: 6 — Time: 35 mins", "8 eggs", "Directions: Whisk the eggs. Bake 25 minutes.");
        Assert.Equal(("Frittata", 6m), (recipe.Name, recipe.Portions));
        Assert.Equal((1, "Whisk the eggs. Bake 25 minutes."), (recipe.Lines.Count, Assert.Single(recipe.Steps)));
    }

    [Fact]
    public void What_a_star_means_is_no_step()
    {
        var recipe = Read("Stars", "Serves 2", "500 g chicken thighs*", "200 g rice", "Method", "Cook it.", "*or breast");
        Assert.Equal(["Cook it."], recipe.Steps);
        Assert.Equal(2, recipe.Lines.Count);
    }

    [Fact]
    public void Two_columns_of_a_list_are_its_lines()
    {
        var recipe = Read("Columns", "Serves 2", "200 g rice\t2 eggs", "1 onion\t50 g butter");
        Assert.Equal(["200 g rice", "2 eggs", "1 onion", "50 g butter"], recipe.Lines.Select(line => line.Text));
    }

    [Fact]
    public void A_whole_recipe_said_in_one_breath_is_taken_apart()
    {
        var recipe = Read("Quick omelette (serves 1): 2 eggs, 30 g cheddar, 1 tsp butter, salt. Whisk, fry 4 minutes.");
        Assert.Equal(("Quick omelette", 1m), (recipe.Name, recipe.Portions));
        Assert.Equal(["2 eggs", "30 g cheddar", "1 tsp butter", "salt"], recipe.Lines.Select(line => line.Text));
        Assert.Equal(["Whisk, fry 4 minutes."], recipe.Steps);
        Assert.Equal("Salt: fine, coarse, smoked", Read("Salt: fine, coarse, smoked").Name);
    }

    [Theory]
    [InlineData(
        "Cod pot\nServes 2\n400 g cod\n\nMethod\nPoach.\n\nRice bowl\nServes 4\n\nIngredients\n200 g rice\n\nMethod\nBoil it.",
        "Rice bowl"
    )]
    [InlineData("Cod pot\nIngredients\n400 g cod\nMethod\nPoach.\n\nRice bowl\nIngredients\n200 g rice\nMethod\nBoil it.", "Rice bowl")]
    [InlineData("Cod pot\n400 g cod\n\nRice bowl\nServes 4\n200 g rice\n\nEgg cups\n6 portions\n6 eggs", "Rice bowl, Egg cups")]
    public void Two_recipes_are_not_read_as_one(string text, string others)
    {
        var refusal = RecipeTextReader.Read(text).Refusal!;
        Assert.Equal(("many-recipes", others), (refusal.Code, refusal.Value));
        var all = RecipeTextReader.ReadAll(text).ToList();
        Assert.Equal(others.Split(", ").Prepend("Cod pot"), all.Select(one => one.Value.Name));
        Assert.All(all, one => Assert.Single(one.Value.Lines));
    }

    [Theory]
    [InlineData("Cod pot\nServes 2\n400 g cod\n\nFor the rice\nIngredients\n200 g rice\n\nMethod\nBoil it.")]
    [InlineData("Cod pot\n400 g cod\n\nMethod\nPoach.\n\nNotes\n\nServes 2 with 50 g bread.")]
    [InlineData("Cod pot\n400 g cod\n\nTopping\n50 g crumbs\n\nServes 2\n\nBake 200 g of it.")]
    [InlineData("Cod pot\n\nServes 2\n\n400 g cod\n200 g rice")]
    public void Parts_notes_and_a_yield_at_the_end_are_no_second_recipe(string text) =>
        Assert.Equal("Cod pot", RecipeTextReader.Read(text).Value.Name);

    [Fact]
    public void A_text_that_begins_with_an_amount_has_no_title()
    {
        var recipe = Read("2 eggs", "100 g flour");
        Assert.Equal(("Untitled", 2), (recipe.Name, recipe.Lines.Count));
    }

    [Fact]
    public void What_a_notebook_keeps_about_a_page_is_no_part_of_the_recipe()
    {
        var recipe = Read(
            "---",
            "title: Front soup",
            "servings: 9",
            "---",
            "",
            "# Bean soup",
            "Serves 4",
            "",
            "- 400 g beans",
            "- 1 onion"
        );
        Assert.Equal(("Bean soup", 4m, 2), (recipe.Name, recipe.Portions, recipe.Lines.Count));
        // Dashes that nothing ends are only dashes.
        Assert.Equal(2, Read("---", "Bean soup", "Serves 4", "2 tins beans", "1 onion").Lines.Count);
    }

    [Fact]
    public void Rows_that_say_what_a_portion_has_are_no_lines_and_no_steps()
    {
        var recipe = Read("Stew", "Serves 4", "Calories: 420", "500 g beef", "Method", "Simmer.", "Per serving: 420 kcal, 41 g protein");
        Assert.Equal((1, 1), (recipe.Lines.Count, recipe.Steps.Count));
        Assert.Equal([ClaimedValue.Energy, ClaimedValue.Protein], recipe.Claims.Select(claim => claim.What));
    }

    [Fact]
    public void Prose_between_title_and_ingredients_is_passed_over_when_there_is_a_heading()
    {
        var recipe = Read("Bean salad", "My aunt's, for a hot day.", "Ingredients:", "2 tins beans", "Method:", "Mix.");
        Assert.Equal("2 tins beans", recipe.Lines.Single().Text);
        Assert.Equal("Mix.", recipe.Steps.Single());
    }

    [Theory]
    [InlineData("Serves 4", 4)]
    [InlineData("Serves: 4", 4)]
    [InlineData("Makes about 12 koftas", 12)]
    [InlineData("Yield: 6", 6)]
    [InlineData("6 portions", 6)]
    [InlineData("2.5 servings", 2.5)]
    [InlineData("Serves 0", 0)]
    [InlineData("Serves -3", -3)]
    public void What_it_makes_is_read_as_written_even_when_it_makes_no_sense(string row, double portions) =>
        Assert.Equal((decimal)portions, Read("Dish", row, "1 egg").Portions);

    [Theory]
    [InlineData("# Bean salad", "Bean salad")]
    [InlineData("  Bean salad  ", "Bean salad")]
    public void The_title_is_tidied(string row, string name) => Assert.Equal(name, Read(row, "1 egg").Name);

    [Fact]
    public void Windows_line_ends_make_no_difference() =>
        Assert.Equal(2, RecipeTextReader.Read("Dish\r\nServes 2\r\n1 egg\r\n2 tbsp oil").Value.Lines.Count);

    [Fact]
    public void Too_much_or_nothing_is_refused_with_its_bound()
    {
        Assert.Equal("recipe-empty", RecipeTextReader.Read("  \n\t\n").Refusal?.Code);
        Assert.Equal("recipe-too-long", RecipeTextReader.Read(new string('x', RecipeTextReader.MostCharacters + 1)).Refusal?.Code);
        Assert.False(RecipeTextReader.Read("Dish\n" + new string('x', 1000)).IsRefused);
        var lines = string.Join('\n', Enumerable.Range(0, RecipeTextReader.MostLines).Select(_ => "1 egg"));
        Assert.False(RecipeTextReader.Read("Dish\n" + lines).IsRefused);
        Assert.Equal("too-many-lines", RecipeTextReader.Read("Dish\n1 egg\n" + lines).Refusal?.Code);
    }

    [Fact]
    public void No_text_makes_it_throw() =>
        Gen.String[0, 400].Sample(text => RecipeTextReader.Read(text) is { IsRefused: true } or { Value.Name.Length: > 0 });
}
