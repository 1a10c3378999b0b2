using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

/// <summary>Recipes as people paste them: without headings, with marks, with what is no ingredient among them.</summary>
public class PastedRecipeTests
{
    private static WrittenRecipe Read(string text) => RecipeTextReader.Read(text).Value;

    [Fact]
    public void Numbered_ingredients_and_numbered_steps_without_headings_are_told_apart()
    {
        var recipe = Read(
            "Lemon chicken\n4 portions\n1. 4 chicken thighs\n2. 1 lemon\n\n1. Preheat the oven to 200 C and oil a tray.\n2. Roast everything for 40 minutes."
        );
        Assert.Equal(("Lemon chicken", 4m, 2, 2), (recipe.Name, recipe.Portions, recipe.Lines.Count, recipe.Steps.Count));
    }

    [Theory]
    [InlineData("**For the fish**", "fish")]
    [InlineData("For the fish", "fish")]
    [InlineData("For the fish:", "fish")]
    [InlineData("FISH", "FISH")]
    [InlineData("## Fish", "Fish")]
    [InlineData("White sauce:", "White sauce")]
    public void Headings_with_and_without_a_colon_bold_and_capitals_are_parts(string heading, string part) =>
        Assert.Equal([(part, "600 g cod")], Read($"Tacos\nServes 4\n\n{heading}\n600 g cod").Lines);

    [Fact]
    public void A_recipe_in_capitals_throughout_has_no_part_for_every_line()
    {
        var recipe = Read("BEEF CHILI\n\nINGREDIENTS\n1 LB GROUND BEEF\nSALT\nCUMIN\n\nDIRECTIONS\nBROWN THE BEEF. SERVES 4");
        Assert.Equal((3, 4m), (recipe.Lines.Count, recipe.Portions));
        Assert.All(recipe.Lines, line => Assert.Equal("", line.Part));
    }

    [Fact]
    public void Equipment_times_and_notes_are_no_ingredients()
    {
        var recipe = Read(
            "Egg cups\nMakes 12\nYou will need:\n12-hole muffin tin\nPrep time: 10 mins\n8 eggs\n4 wooden skewers, soaked\n100 g spinach\nNotes\nKeeps 3 days."
        );
        Assert.Equal(["8 eggs", "100 g spinach"], recipe.Lines.Select(line => line.Text));
    }

    [Theory]
    [InlineData("5-ingredient chilli\n\nServes 4\n\n500 g beef mince", "5-ingredient chilli")]
    [InlineData("One-pot jambalaya\n\nServes 6\n\nIngredients:\n1 onion", "One-pot jambalaya")]
    [InlineData("Serves 2\n200 g rice", "Untitled")]
    public void A_title_may_begin_with_a_number(string text, string name) => Assert.Equal(name, Read(text).Name);

    [Fact]
    public void A_part_with_its_first_line_behind_the_colon_is_both() =>
        Assert.Equal(
            [("Dressing", "2 tbsp olive oil"), ("Dressing", "1 tbsp lemon juice")],
            Read("Salad\nServes 2\nDressing: 2 tbsp olive oil\n1 tbsp lemon juice").Lines
        );

    [Theory]
    [InlineData("Linsensuppe\n250 g Linsen\n2 Zwiebeln, gehackt\n1 EL Öl\nSalz und Pfeffer", "German")]
    [InlineData("Ratatouille\n2 courgettes\n3 cuillères à soupe d'huile d'olive\nsel et poivre\n2 gousses d'ail", "French")]
    public void Another_language_is_said_and_refused(string text, string language)
    {
        var refusal = RecipeTextReader.Read(text).Refusal!;
        Assert.Equal("not-english", refusal.Code);
        Assert.Contains(language, refusal.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Foreign_names_in_an_english_recipe_are_no_other_language() =>
        Assert.False(
            RecipeTextReader
                .Read("Pasta al forno\nServes 4\n400 g rigatoni\n200 g mozzarella di bufala\n2 cloves of garlic\n1 tbsp olive oil and salt")
                .IsRefused
        );

    [Theory]
    [InlineData("1\n2\n3")]
    [InlineData("שקשוקה\n4 ביצים\nמלח")]
    [InlineData("\u202e4 eggs\u202c")]
    public void Odd_text_is_read_without_an_error(string text) => Assert.False(RecipeTextReader.Read(text).IsRefused);

    [Fact]
    public void A_line_of_ten_thousand_letters_is_kept_as_a_step_and_four_hundred_lines_are_refused()
    {
        var recipe = Read($"X\nServes 2\n2 eggs\n{new string('a', 10_000)}");
        Assert.Equal((1, 1), (recipe.Lines.Count, recipe.Steps.Count));
        Assert.Equal(
            "too-many-lines",
            RecipeTextReader.Read("Many\nServes 2\n" + string.Concat(Enumerable.Repeat("2 eggs\n", 400))).Refusal!.Code
        );
    }

    [Theory]
    [InlineData("Mum's dal (serves 4)", "Mum's dal", 4)]
    [InlineData("Lentil soup - serves 6", "Lentil soup", 6)]
    [InlineData("Egg boxes, 5 portions", "Egg boxes", 5)]
    [InlineData("Dinner for 4", "Dinner for 4", null)] // may be its name
    [InlineData("Two-bean chilli", "Two-bean chilli", null)]
    public void A_title_may_say_whom_it_serves(string title, string name, int? portions)
    {
        var recipe = Read($"{title}\n\n250 g red lentils\n2 onions");
        Assert.Equal((name, (decimal?)portions), (recipe.Name, recipe.Portions));
    }

    [Fact]
    public void A_method_may_say_in_words_whom_it_serves() =>
        Assert.Equal(4, Read("Soup\n\nIngredients\n250 g red lentils\n\nMethod\nSimmer and blend. Serves four.").Portions);

    [Theory]
    [InlineData("Each jar:", 1)] // five jars are made, and the lines make one
    [InlineData("Per portion", 1)]
    [InlineData("For each bowl:", 1)]
    [InlineData("Topping:", 5)]
    public void Lines_that_are_said_of_one_make_one(string part, int portions)
    {
        var recipe = Read($"Overnight oats\nMakes 5 jars\n\n{part}\n50 g oats\n150 ml milk\n\nStir and leave overnight.");
        Assert.Equal(portions, recipe.Portions);
        Assert.Equal(["Stir and leave overnight."], recipe.Steps);
    }

    [Fact]
    public void Where_only_some_lines_are_said_of_one_nobody_can_tell() =>
        Assert.Null(Read("Oats\nMakes 5 jars\n\nBase:\n250 g oats\n\nEach jar:\n20 g nuts").Portions);

    [Fact]
    public void A_recipe_from_a_chat_is_read_without_when_and_by_whom()
    {
        var recipe = Read(
            "[10:31] Ilse: Mince pot\n[10:32] Ilse: 500g mince\n[10:32] Ilse: 1 onion, 2 carrots, 1 tin tomatoes\n12/11/2026, 10:33 - Teun: 1 tsp each salt and cumin"
        );
        Assert.Equal(
            ["500g mince", "1 onion", "2 carrots", "1 tin tomatoes", "1 tsp salt", "1 tsp cumin"],
            recipe.Lines.Select(line => line.Text)
        );
        Assert.Equal("Mince pot", recipe.Name);
    }

    [Theory]
    [InlineData("Soup\nINGREDIENTS (SERVES 4)\n2 leeks")]
    [InlineData("Soup\nIngredients: (4 portions)\n2 leeks")]
    [InlineData("Soup (4 jars)\n2 leeks")]
    [InlineData("Soup in 4 bowls\n2 leeks")]
    public void Whom_it_serves_may_stand_in_the_title_or_the_heading(string text) => Assert.Equal(4, Read(text).Portions);

    [Theory]
    [InlineData("1) 2 onions", "2 onions")]
    [InlineData("2. ½ leek", "½ leek")]
    [InlineData("3. flour", "3. flour")] // may be either
    [InlineData("2 leeks,", "2 leeks")]
    [InlineData("• 2 onions", "2 onions")]
    [InlineData("- 2 onions", "2 onions")]
    [InlineData("☐ 2 onions", "2 onions")]
    [InlineData("[ ] 2 onions", "2 onions")]
    [InlineData("– • 2 onions", "2 onions")]
    [InlineData("-2 onions", "-2 onions")] // a minus is kept, and asked about
    [InlineData("½ onion", "½ onion")]
    public void What_stands_before_a_row_of_a_list_is_kept_as_typed_and_left_out_where_it_is_shown(string row, string line)
    {
        var typed = Read($"Soup\n\n250 g red lentils\n{row}").Lines[1].Text;
        Assert.Equal(row, typed);
        Assert.Equal(line, RecipeTextReader.WithoutBullet(typed));
    }
}
