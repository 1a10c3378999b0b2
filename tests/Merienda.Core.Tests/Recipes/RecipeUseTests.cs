using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;

namespace Merienda.Core.Tests.Recipes;

/// <summary>Lines that take some of another recipe.</summary>
public class RecipeUseTests
{
    private static RecipeVersion Recipe(string name, decimal portions, params RecipeLine[] lines) => Table.Recipe(name, portions, lines);

    private static KnownRecipe Known(RecipeVersion recipe, int id = 1) => new(new Guid(id, 0, 0, new byte[8]), Guid.NewGuid(), recipe);

    /// <summary>1,000 g of cod and 200 g of feta in eight portions.</summary>
    private static readonly KnownRecipe Base = Known(Recipe("Harbour base", 8, Table.Line("1000 g cod"), Table.Line("200 g feta")));

    private static RecipeLine Using(string text, params KnownRecipe[] recipes) =>
        RecipeLine.From(text, Table.Foods, MeasureSystem.Metric, recipes: new Cookbook(recipes.Length == 0 ? [Base] : recipes));

    [Theory]
    [InlineData("½ of Harbour base", 0.5)]
    [InlineData("½ Harbour base", 0.5)]
    [InlineData("half of the harbour base", 0.5)]
    [InlineData("half a batch of harbour base", 0.5)]
    [InlineData("1 batch Harbour Base", 1)]
    [InlineData("2 batches harbour base", 2)]
    [InlineData("all of the harbour base", 1)]
    [InlineData("25% of harbour base", 0.25)]
    [InlineData("25 % Harbour base", 0.25)]
    [InlineData("¾ harbour base, warmed", 0.75)]
    [InlineData("2 portions harbour base", 0.25)]
    [InlineData("1 serving of the Harbour base", 0.125)]
    [InlineData("1½ batches of our harbour bases", 1.5)]
    public void An_amount_of_a_recipe_is_a_share_of_what_it_makes(string text, double batches)
    {
        var line = Using(text);
        Assert.Equal(Estimate.Exactly((decimal)batches), line.Use!.Batches);
        Assert.Null(line.Doubt);
    }

    [Fact]
    public void Thirds_and_fifths_are_read()
    {
        Assert.Equal(2m / 3, Using("two thirds of the harbour base").Use!.Batches.Best, 6);
        Assert.Equal(1m / 3, Using("a third of harbour base").Use!.Batches.Best, 6);
        Assert.Equal(3m / 5, Using("3 fifths harbour base").Use!.Batches.Best, 6);
        Assert.Equal(3m / 4, Using("three quarters of the harbour base").Use!.Batches.Best, 6);
    }

    [Fact]
    public void A_range_of_a_recipe_stays_one()
    {
        var line = Using("1–2 portions harbour base");
        Assert.Equal(Estimate.Between(0.125m, 0.1875m, 0.25m), line.Use!.Batches);
    }

    [Fact]
    public void What_goes_in_is_the_share_of_each_of_its_lines()
    {
        var dish = Recipe("Pie", 4, Using("½ of Harbour base"), Table.Line("300 g potato"));
        Assert.Equal(["Cod fillet", "Feta", "Potato"], dish.Ingredients.Select(line => line.Name));
        Assert.Equal([500m, 100m, 300m], dish.Ingredients.Select(line => line.Grams.Best));
        var alone = Recipe("Pie", 4, Table.Line("500 g cod"), Table.Line("100 g feta"), Table.Line("300 g potato"));
        foreach (var measure in MeasureInfo.All.Select(info => info.Measure).Where(measure => measure != Measure.Points))
        {
            Assert.Equal(alone.Profile.Total(measure), dish.Profile.Total(measure));
        }
    }

    [Fact]
    public void A_hard_stop_reaches_through_two_recipes()
    {
        var filling = Known(Recipe("Filling", 4, Using("½ of Harbour base"), Table.Line("1 onion")), 2);
        var dish = Recipe("Pasties", 4, Using("1 batch filling", filling));
        var fish = new AllergyRule { Id = "allergy", Classes = ["fish"] };
        Assert.Equal(Verdict.Breaks, fish.Check(Intake.Of(new Helping("Pasties", dish.Profile, 1)), Table.Context()).Verdict);
    }

    [Fact]
    public void What_is_unknown_in_it_stays_unknown()
    {
        var odd = Known(Recipe("Odd base", 2, Table.Line("100 g cod"), Table.Line("3 glimmerroots")));
        var dish = Recipe("Dish", 1, Using("½ odd base", odd));
        Assert.True(dish.Profile.Total(Measure.Energy).IsOpen);
        Assert.Equal(["3 glimmerroots"], Intake.Of(new Helping("Dish", dish.Profile, 1)).UnknownLines);
    }

    [Theory]
    [InlineData("harbour base", "How much of Harbour base? Type a share, portions or grams")]
    [InlineData("a handful of harbour base", "How much of Harbour base? Type a share, portions or grams")]
    [InlineData("0 batches of harbour base", "An amount of 0 says nothing; type how much of Harbour base goes in, or delete the line")]
    public void Without_a_readable_amount_nothing_is_known_of_it(string text, string doubt)
    {
        var line = Using(text);
        Assert.Equal(doubt, line.Doubt);
        Assert.True(line.Use!.Batches.IsOpen);
        Assert.True(Recipe("Dish", 1, line).Profile.Total(Measure.Energy).IsOpen);
        // What it holds is known, however much it is.
        Assert.Contains(line.Ingredients, ingredient => ingredient.Food!.Is("fish"));
    }

    [Fact]
    public void A_bare_number_may_mean_batches_or_portions()
    {
        var line = Using("2 harbour base");
        Assert.Equal(Estimate.Between(0.25m, 2, 2), line.Use!.Batches);
        Assert.Equal("2 batches of Harbour base or 2 portions? Type the word; until then the numbers span both", line.Doubt);
    }

    [Fact]
    public void Grams_of_a_recipe_are_held_against_what_its_lines_weigh_when_served()
    {
        var line = Using("300 g harbour base");
        var made = Base.Of.Profile.ServedWeight * 8;
        Assert.Equal(300 / made.Best, line.Use!.Batches.Best);
        Assert.Equal(300 / made.High!.Value, line.Use.Batches.Low);
        Assert.Equal(300 / made.Low, line.Use.Batches.High);
        Assert.StartsWith("Nobody weighed what Harbour base makes", line.Doubt);
    }

    [Fact]
    public void Lines_of_a_recipe_that_nobody_knows_the_share_of_err_together()
    {
        var dish = Recipe("Dish", 1, Using("300 g harbour base"));
        Assert.All(dish.Ingredients, ingredient => Assert.Same(dish.Lines[0], ingredient.Source));
        Assert.All(Using("½ harbour base").Ingredients, ingredient => Assert.Contains(Base.Of.Lines, line => line == ingredient.Source));
    }

    [Fact]
    public void One_spoon_in_two_dishes_errs_the_same_way_in_both()
    {
        var cups = Known(Recipe("Oat mix", 1, Table.Line("2 cups oats")));
        var whole = Recipe("Whole", 1, Using("1 batch oat mix", cups)).Profile;
        var halves = new[] { "Left", "Right" }.Select(name => new Helping(name, Recipe(name, 1, Using("½ oat mix", cups)).Profile, 1));
        var both = new Intake([.. halves]).Sum(Measure.Energy);
        Assert.Equal(whole.Total(Measure.Energy).Low, both.Low, 6);
        Assert.Equal(whole.Total(Measure.Energy).High!.Value, both.High!.Value, 6);
    }

    [Fact]
    public void Optional_recipes_stay_out_of_the_numbers_and_in_the_allergies()
    {
        var dish = Recipe("Dish", 1, Table.Line("100 g potato"), Using("½ of harbour base, optional"));
        Assert.Equal(["Potato"], dish.Profile.Lines.Select(line => line.Name));
        Assert.Contains(dish.Profile.AllLines, line => line.Food!.Is("fish"));
    }

    [Fact]
    public void Bread_by_that_name_may_be_bought_or_ones_own()
    {
        var feta = Known(Recipe("Feta", 4, Table.Line("100 g tofu")), 3);
        var line = Using("50 g feta", feta);
        Assert.Null(line.Use);
        Assert.Contains("your recipe Feta", line.Doubt);
        var dairy = new ExclusionRule
        {
            Id = "x",
            Name = "No dairy",
            Excludes = ["dairy"],
        };
        Assert.Equal(Verdict.CannotTell, dairy.Check(Intake.Of(new("dish", Recipe("Dish", 1, line).Profile, 1)), Table.Context()).Verdict);
        // Stored and read again it is as open as before.
        var again = RecipeLine.Pinned("50 g feta", Table.Food("feta"), MatchKind.Exact, Table.Foods, MeasureSystem.Metric, feta);
        Assert.Equal(line.Doubt, again.Doubt);
        // A share of it can only be ones own, and so is what a person chose.
        Assert.NotNull(Using("half of the feta", feta).Use);
        Assert.NotNull(RecipeLine.Using("50 g feta", feta, Table.Foods, MeasureSystem.Metric).Use);
    }

    [Fact]
    public void Half_of_something_that_comes_in_pieces_may_be_half_a_piece()
    {
        var egg = Known(Recipe("Egg", 4, Table.Line("100 g tofu")), 3);
        var line = Using("½ egg", egg);
        Assert.Null(line.Use);
        Assert.Contains("your recipe Egg", line.Doubt);
        Assert.NotNull(Using("½ batch egg", egg).Use);
        Assert.NotNull(Using("½ of the egg", egg).Use);
        // Nothing of the table comes in pieces by that name.
        Assert.NotNull(Using("½ harbour base").Use);
    }

    [Fact]
    public void A_recipe_that_was_renamed_is_found_by_the_name_it_had_when_the_line_was_saved()
    {
        Cookbook Book(params (Guid, string)[] former) => new([Base], null, former);
        RecipeLine Old(Cookbook book) => RecipeLine.From("½ of the quay base", Table.Foods, MeasureSystem.Metric, recipes: book);
        Assert.Equal(Base.Id, Old(Book((Base.Id, "Quay base"))).Use!.Of.Id);
        Assert.Null(Old(Book()).Use);
        // Nobody guesses between two, and what has the name today comes first.
        var other = Known(Recipe("Other base", 2, Table.Line("1 egg")), 9);
        Assert.Null(Old(new([Base, other], null, [(Base.Id, "Quay base"), (other.Id, "Quay base")])).Use);
        // Of two that are called alike today the one that was used goes on being meant.
        var twin = Known(Recipe("Harbour base", 2, Table.Line("1 egg")), 9);
        RecipeLine Half(Cookbook book) => RecipeLine.From("½ of Harbour base", Table.Foods, MeasureSystem.Metric, recipes: book);
        Assert.Equal(Base.Id, Half(new([twin, Base], null, [(Base.Id, "Harbour base")])).Use!.Of.Id);
        Assert.Null(Half(new([twin, Base])).Use);
        var quay = Known(Recipe("Quay base", 2, Table.Line("1 egg")), 9);
        Assert.Equal(quay.Id, Old(new([Base, quay], null, [(Base.Id, "Quay base")])).Use!.Of.Id);
    }

    [Fact]
    public void A_dish_takes_itself_only_by_a_share()
    {
        var book = new Cookbook([Base], Base.Id);
        Assert.Null(RecipeLine.From("300 g harbour base", Table.Foods, MeasureSystem.Metric, recipes: book).Use);
        Assert.NotNull(RecipeLine.From("½ of the harbour base", Table.Foods, MeasureSystem.Metric, recipes: book).Use);
    }

    [Fact]
    public void Two_recipes_of_one_name_are_not_taken_for_each_other()
    {
        var twins = new[] { Base, Known(Recipe("Harbour Base", 2, Table.Line("1 egg")), 9) };
        Assert.Null(Using("½ of harbour base", twins).Use);
    }

    [Fact]
    public void The_way_to_a_recipe_is_told_by_name()
    {
        var filling = Known(Recipe("Filling", 4, Using("½ of Harbour base")), 2);
        var dish = Recipe("Pasties", 4, Using("1 batch filling", filling));
        Assert.Equal("Filling, Harbour base", dish.PathTo(Base.Id));
        Assert.Equal("Filling", dish.PathTo(filling.Id));
        Assert.Null(dish.PathTo(Guid.NewGuid()));
    }

    [Fact]
    public void It_is_bought_once_for_all_that_use_it()
    {
        var pie = Recipe("Pie", 4, Using("½ of Harbour base"));
        var soup = Recipe("Soup", 2, Using("2 portions Harbour base"), Table.Line("100 g cod"));
        var list = ShoppingList
            .FromNothing(SoldAs.Itself, Table.Data.Foods.WithKey)
            .Of([new BatchToShop("A", Table.Sunday, pie, 8), new BatchToShop("B", Table.Sunday, soup, 2)]);
        var cod = Assert.Single(list, item => item.Name == "Cod fillet");
        Assert.Equal(1000 + 250 + 100, cod.Grams.Best);
        Assert.Equal([("A", 1000m), ("B", 350m)], cod.Batches.Select(need => (need.Letter, need.Grams.Best)));
    }

    [Fact]
    public void What_was_cooked_before_is_no_raw_meat_in_the_dish()
    {
        var pork = Known(
            Table.Recipe("Braise", 4, [Table.Line("1 kg pork shoulder")], [new("1", "Braise for 3 hours", 5, 180, Appliance.Oven, 150, [])])
        );
        var keeping = KeepingOf.Of("Filled rolls", [Using("½ braise", pork), Table.Line("4 bread rolls")], ["Fill the rolls"]);
        Assert.Equal("cooked", keeping!.Class.Key);
    }
}
