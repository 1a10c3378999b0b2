using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Swaps;

namespace Merienda.Core.Tests.Swaps;

/// <summary>Changes of a dish that make a rule fit: each holds when it is applied, and the least comes first.</summary>
public class SwapSearchTests
{
    private static readonly Lazy<IReadOnlyList<DemoSwaps.Broken>> Demo = new(() => [.. DemoSwaps.All()]);

    private static RecipeVersion Dish(decimal portions, params string[] lines) =>
        Table.Recipe(
            "Dish",
            portions,
            [.. lines.Select(line => RecipeLine.From(new TypedLine(line) { Id = Guid.NewGuid() }, Table.Foods, MeasureSystem.Metric))]
        );

    private static Eater Eater(params Rule[] rules) =>
        new(Guid.NewGuid(), "Ilse", new EaterRules(rules, Table.Context()), [], Rhythm.Usual);

    private static string Said(RecipeVersion dish, Swap swap) =>
        string.Join(
            "; ",
            VariantWords
                .Of(swap.Change, dish, 1, grams => $"{grams:0} g")
                .Concat(swap.Portions is { } portions ? [$"{portions:0.#} portions"] : [])
        );

    private static List<string> For(RecipeVersion dish, Rule rule, params Rule[] others) =>
        [.. SwapSearch.For(dish, Eater([rule, .. others]), rule, Table.Foods, MeasureSystem.Metric).Select(swap => Said(dish, swap))];

    private static ExclusionRule No(params string[] classes) =>
        new()
        {
            Id = "no",
            Name = "Left out",
            Excludes = classes,
        };

    [Fact]
    public void Every_offered_change_fits_when_it_is_applied_and_makes_nothing_else_worse()
    {
        foreach (var one in Demo.Value)
        {
            Verdict Judge(Rule rule, RecipeVersion dish) =>
                rule.CheckPortion(
                    Intake.Of(new Helping(dish.Name, dish.Profile, 1)),
                    one.Eater.ShareOf(dish.Meal),
                    one.Eater.Rules.Context with
                    {
                        Meal = one.Eater.Rhythm.Meal(dish.Meal)?.Role,
                    }
                ).Verdict;
            foreach (var changed in one.Swaps.Select(swap => swap.Of(one.Dish)))
            {
                Assert.Equal(Verdict.Fits, Judge(one.Rule, changed));
                Assert.All(one.Eater.Rules.Rules, rule => Assert.True(Judge(rule, changed) <= Judge(rule, one.Dish), rule.Id));
            }
        }
    }

    /// <summary>Of the demo's dishes times every shipped protocol; the share by protocol stands in docs/measurements.md.</summary>
    [Fact]
    public void For_four_fifths_of_what_breaks_or_cannot_be_told_a_change_is_found()
    {
        var found = Demo.Value.Count(one => one.Swaps.Count > 0);
        Assert.InRange(Demo.Value.Count, 80, 10_000);
        Assert.True(found >= 0.8 * Demo.Value.Count, $"{found} of {Demo.Value.Count}");
    }

    [Fact]
    public void The_least_grams_come_first_by_twentieths_of_the_dish()
    {
        foreach (var one in Demo.Value)
        {
            var twentieth = one.Dish.Lines.Sum(line => line.GramsIn.Best) / 20;
            var steps = one.Swaps.Select(swap => Math.Ceiling(swap.Grams / twentieth)).ToList();
            Assert.Equal(steps.Order(), steps);
        }
    }

    [Fact]
    public void Milk_is_exchanged_for_what_is_poured_like_it_and_cheese_for_what_is_cut_like_it()
    {
        var porridge = Dish(2, "100 g oats", "500 ml milk", "1 pear");
        Assert.Contains(For(porridge, No("dairy")).Take(3), said => said.Contains("soy milk instead", StringComparison.Ordinal));
        var salad = Dish(2, "300 g tomatoes", "100 g feta", "2 tbsp olive oil");
        Assert.All(For(salad, No("dairy")).Take(3), said => Assert.Contains("instead of 100 g feta", said));
    }

    [Fact]
    public void Meat_becomes_what_is_eaten_instead_of_it_at_the_weight_it_is_served_with()
    {
        var stew = Dish(4, "600 g beef shin", "400 g carrots", "300 ml beef stock");
        var said = For(stew, No("meat", "poultry"));
        Assert.NotEmpty(said);
        Assert.All(said, one => Assert.Matches("instead of 600 g beef shin", one));
        // A stock of bones goes too: a doubt never fits.
        Assert.All(said, one => Assert.Matches("(instead of|without) .*beef stock", one));
    }

    [Fact]
    public void What_is_optional_is_left_out_first_and_a_great_part_of_the_dish_is_not()
    {
        Assert.Equal("without feta", For(Dish(2, "400 g tomatoes", "30 g feta, optional"), No("dairy"))[0]);
        Assert.DoesNotContain(
            For(Dish(1, "200 g feta", "100 g tomatoes"), No("dairy")),
            said => said.Contains("without", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_ceiling_is_kept_by_a_little_less_of_what_fills_it_or_by_smaller_portions()
    {
        var rice = Dish(2, "200 g rice", "200 g cod");
        var said = For(rice, Table.AtMost(Measure.NetCarbohydrate, 65, Period.Portion));
        Assert.Equal("150 g rice instead of 200 g", said[0]);
        Assert.Contains(said, one => one.EndsWith("portions", StringComparison.Ordinal));
        // Half of it as a vegetable takes more out than that.
        Assert.Contains(said, one => one.StartsWith("100 g rice instead of 200 g; with", StringComparison.Ordinal));
    }

    [Fact]
    public void A_floor_is_reached_by_more_of_what_brings_it_or_by_something_beside()
    {
        var said = For(Dish(2, "100 g cod", "300 g potato"), Table.AtLeast(Measure.Protein, 20, Period.Portion));
        Assert.Contains(said, one => one.EndsWith("cod instead of 100 g", StringComparison.Ordinal));
        Assert.Contains(said, one => one.StartsWith("with ", StringComparison.Ordinal));
    }

    [Fact]
    public void Where_no_line_alone_is_enough_several_give_something()
    {
        var said = For(
            Dish(1, "100 g rice", "100 g red lentils", "100 g oats", "100 g sugar"),
            Table.AtMost(Measure.Energy, 700, Period.Portion),
            // In smaller portions there is too little of something else.
            Table.AtLeast(Measure.Protein, 25, Period.Portion)
        );
        Assert.NotEmpty(said);
        Assert.All(said, one => Assert.Contains(";", one));
    }

    [Fact]
    public void An_allergy_is_never_exchanged_for_a_doubt_or_for_another_allergy()
    {
        var allergy = new AllergyRule { Id = "allergy", Classes = ["dairy", "soy", "tree-nut"] };
        var dish = Dish(2, "100 g oats", "500 ml milk", "20 g butter");
        var swaps = SwapSearch.For(dish, Eater(allergy), allergy, Table.Foods, MeasureSystem.Metric);
        Assert.NotEmpty(swaps);
        Assert.All(
            swaps.SelectMany(swap => swap.Change.Added).Select(added => added.Line),
            line =>
            {
                Assert.True(line.IsPlain);
                Assert.DoesNotContain(
                    new[] { "dairy", "soy", "tree-nut" },
                    group => line.Food!.Is(group) || line.Food.Untold.Contains(group)
                );
            }
        );
    }

    [Fact]
    public void A_packet_of_the_household_is_offered_unless_it_was_rejected()
    {
        var packet = Table.Bought(
            Table.Printed(
                "oats, water",
                (LabelNutrient.Energy, "40 kcal"),
                (LabelNutrient.Protein, "1"),
                (LabelNutrient.Fat, "1.5"),
                (LabelNutrient.Carbohydrate, "6")
            ) with
            {
                Name = "Harbour oat milk",
                Aisle = "chilled",
            }
        );
        var (dish, rule, foods) = (Dish(2, "100 g oats", "500 ml milk", "1 pear"), No("dairy"), Table.Foods.With([packet], []));
        bool IsOffered(params PacketOpinion[] opinions)
        {
            var context = Table.Context() with { Packets = new(opinions, true) };
            var eater = new Eater(Guid.NewGuid(), "Ilse", new EaterRules([rule], context), [], Rhythm.Usual);
            return SwapSearch
                .For(dish, eater, rule, foods, MeasureSystem.Metric, 20)
                .Any(swap => swap.Change.Added.Any(added => added.Line.Food == packet));
        }

        Assert.True(IsOffered());
        Assert.False(IsOffered(new PacketOpinion(packet.Key, false, "too sweet", Table.Sunday, "oats, water")));
    }

    [Fact]
    public void What_an_eater_dislikes_is_not_offered()
    {
        var dish = Dish(2, "300 g chicken breast", "300 g carrots");
        var rule = No("poultry", "meat", "fish", "egg", "crustacean", "mollusc");
        Assert.Contains(For(dish, rule), said => said.Contains("g seitan", StringComparison.Ordinal));
        var others = For(dish, rule, new DislikeRule { Id = "dislikes", Of = ["wheat"] });
        Assert.NotEmpty(others);
        Assert.All(others, said => Assert.DoesNotContain("g seitan", said));
    }

    [Fact]
    public void What_fits_already_has_none() => Assert.Empty(For(Dish(2, "200 g cod"), No("dairy")));

    [Theory]
    [InlineData("water", FoodRole.Stock)]
    [InlineData("chicken-breast", FoodRole.Main)]
    [InlineData("tofu", FoodRole.Main)]
    [InlineData("egg", FoodRole.Egg)]
    [InlineData("feta", FoodRole.Dairy)]
    [InlineData("soya-milk", FoodRole.Dairy)]
    [InlineData("butter", FoodRole.Fat)]
    [InlineData("olive-oil", FoodRole.Fat)]
    [InlineData("rice-white", FoodRole.Starch)]
    [InlineData("potato", FoodRole.Starch)]
    [InlineData("lentils-red", FoodRole.Pulse)]
    [InlineData("carrot", FoodRole.Vegetable)]
    [InlineData("garlic", FoodRole.Seasoning)]
    [InlineData("parsley", FoodRole.Seasoning)]
    [InlineData("apple", FoodRole.Fruit)]
    [InlineData("honey", FoodRole.Sweetener)]
    [InlineData("walnuts", FoodRole.Nut)]
    public void A_food_has_a_role_in_a_dish(string food, FoodRole role) => Assert.Equal(role, FoodRoles.RoleOf(Table.Food(food)));
}
