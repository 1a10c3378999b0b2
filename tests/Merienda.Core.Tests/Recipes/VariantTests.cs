using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

/// <summary>A dish with some lines otherwise.</summary>
public class VariantTests
{
    private static RecipeLine Line(string text, int id, string part = "") =>
        RecipeLine.From(new TypedLine(text, part) { Id = IdOf(id) }, Table.Foods, MeasureSystem.Metric);

    private static Guid IdOf(int id) => new(id, 0, 0, new byte[8]);

    private static RecipeVersion Dish(params Variant[] variants) =>
        new()
        {
            Name = "Bowls",
            Portions = 2,
            Lines =
            [
                Line("200 g cod", 1),
                Line("150 g rice", 2),
                Line("100 g feta", 3),
                Line("40 ml olive oil", 4, "Sauce"),
                Line("1 lemon", 5, "Sauce"),
            ],
            Variants = variants,
            Keeping = Merienda.Core.Keeping.KeepingClass.WithKey("cooked-fish")!,
        };

    private static IEnumerable<(string Name, decimal Grams)> In(Variant variant) =>
        Dish(variant).As(variant.Name)!.Lines.Select(line => (line.Name, line.Grams.Best));

    [Fact]
    public void Another_cheese_stands_where_the_cheese_stood()
    {
        var tofu = new Variant("Tofu") { Added = [new(IdOf(3), Line("100 g tofu", 31))] };
        Assert.Equal(["Cod fillet", "White rice, dry", "Tofu, firm", "Olive oil", "Lemon"], In(tofu).Select(line => line.Name));
    }

    [Fact]
    public void Half_the_rice_as_cauliflower()
    {
        var half = new Variant("Half cauliflower") { Lines = [new(IdOf(2), 0.5m)], Added = [new(null, Line("75 g cauliflower", 21))] };
        Assert.Contains(("White rice, dry", 75m), In(half));
        Assert.Equal(("Cauliflower", 75m), In(half).Last());
    }

    [Fact]
    public void No_sauce_and_twice_the_sauce()
    {
        Assert.DoesNotContain("Olive oil", In(new Variant("No sauce") { Parts = [new("Sauce", 0)] }).Select(line => line.Name));
        var twice = new Variant("Twice") { Parts = [new("Sauce", 2)], Lines = [new(IdOf(4), 1.5m)] };
        Assert.Contains(("Olive oil", 3 * Line("40 ml olive oil", 4).Grams.Best), In(twice));
        Assert.Contains(("Lemon", 2 * Line("1 lemon", 5).Grams.Best), In(twice));
    }

    /// <summary>A change that was found on the dish as a variant has it makes the same dish when it is said of the recipe's own lines.</summary>
    [Fact]
    public void A_variant_is_changed_further() =>
        Gen.Select(Gen.Int[0, 4], Gen.Int[0, 2], Gen.Int[0, 3], Gen.Int[0, 5], Gen.Int[0, 5], Gen.Bool)
            .Sample(
                (times, sauce, added, at, more, isInstead) =>
                {
                    var variant = new Variant("First")
                    {
                        Lines = [new(IdOf(1), times * 0.5m)],
                        Parts = [new("Sauce", sauce)],
                        Added =
                        [
                            .. new[] { new VariantLine(IdOf(3), Line("80 g cheddar", 31)), new(null, Line("50 g peas", 32)) }.Take(added),
                        ],
                    };
                    var dish = Dish(variant);
                    var first = dish.As("First")!;
                    var line = first.Lines[at % first.Lines.Count];
                    var change = isInstead
                        ? new Variant("") { Added = [new(line.Typed.Id, Line("120 g tofu", 41))] }
                        : new Variant("") { Lines = [new(line.Typed.Id, more * 0.5m)], Added = [new(null, Line("10 g capers", 42))] };
                    var expected = first.Having(change, first.Portions).Lines.Select(one => (one.Name, one.Grams.Best));
                    Assert.Equal(expected.Order(), In(variant.Further(change)).Order());
                    Assert.Equal("First", variant.Further(change).Name);
                },
                iter: 2_000
            );

    /// <summary>Every variant of a dish brings what the changed lines bring, and nothing else moves.</summary>
    [Fact]
    public void A_variant_changes_only_what_it_says() =>
        Gen.Select(Gen.Int[0, 40], Gen.Int[0, 40], Gen.Int[0, 40], Gen.Int[0, 40], Gen.Int[0, 40])
            .Sample(tenths =>
            {
                decimal[] times = [tenths.Item1 / 10m, tenths.Item2 / 10m, tenths.Item3 / 10m, tenths.Item4 / 10m, tenths.Item5 / 10m];
                var variant = new Variant("x") { Lines = [.. times.Select((one, at) => new LineChange(IdOf(at + 1), one))] };
                var (dish, varied) = (Dish(variant), Dish(variant).As("x")!);
                return new[] { Measure.Energy, Measure.Protein, Measure.Fat, Measure.NetCarbohydrate }.All(measure =>
                    Math.Abs(
                        dish.Lines.Select((line, at) => line.Brings(measure).Best * times[at]).Sum()
                            - varied.Lines.Sum(line => line.Brings(measure).Best)
                    ) < 0.000001m
                );
            });

    [Fact]
    public void The_recipe_itself_stays_as_it_is_and_a_variant_is_worked_out_once()
    {
        var dish = Dish(new Variant("No feta") { Lines = [new(IdOf(3), 0)] });
        Assert.Same(dish, dish.As(null));
        Assert.Same(dish.As("No feta"), dish.As("No feta"));
        Assert.Null(dish.As("No cod"));
        Assert.Equal(5, dish.Lines.Count);
        Assert.Equal(
            (dish.Name, dish.Portions, dish.Keeping),
            (dish.As("No feta")!.Name, dish.As("No feta")!.Portions, dish.As("No feta")!.Keeping)
        );
    }

    [Fact]
    public void More_of_a_recipe_is_more_of_each_of_its_lines()
    {
        var sauce = new KnownRecipe(
            Guid.NewGuid(),
            Guid.NewGuid(),
            Table.Recipe("Sauce", 2, [Line("40 ml olive oil", 1), Line("1 lemon", 2)])
        );
        var line = RecipeLine.Using("½ of sauce", sauce, Table.Foods, MeasureSystem.Metric).Taken(3);
        Assert.Equal(1.5m, line.Use!.Batches.Best);
        Assert.Equal(1.5m * sauce.Of.Lines[0].Grams.Best, line.Ingredients[0].Grams.Best);
        Assert.Equal(3, line.Times);
    }

    private static Refusal? Refused(params Variant[] variants) => Variant.Refuse(variants, Dish());

    [Fact]
    public void What_cannot_be_a_variant_is_refused()
    {
        Variant Without(int line, string name = "Without") => new(name) { Lines = [new(IdOf(line), 0)] };
        Assert.Null(Refused(Without(3)));
        Assert.Equal("variant-line-gone", Refused(Without(99))!.Code);
        Assert.Equal("variant-line-gone", Refused(new Variant("x") { Added = [new(IdOf(99), Line("1 egg", 6))] })!.Code);
        Assert.Equal("variant-part-gone", Refused(new Variant("x") { Parts = [new("Ghost", 0)] })!.Code);
        Assert.Equal("variant-name-length", Refused(Without(3, ""))!.Code);
        Assert.Equal("variant-name-length", Refused(Without(3, new string('x', 61)))!.Code);
        Assert.Null(Refused(Without(3, new string('x', 60))));
        Assert.Equal("variant-name-twice", Refused(Without(3, "A"), Without(2, "a"))!.Code);
        Assert.Equal("variant-empty", Refused(new Variant("x"))!.Code);
        Assert.Equal("variant-empty", Refused(new Variant("x") { Lines = [new(IdOf(1), 1)], Parts = [new("Sauce", 1)] })!.Code);
        Assert.Equal("variant-without-lines", Refused(new Variant("x") { Parts = [new("", 0), new("Sauce", 0)] })!.Code);
        Assert.Equal("times-out-of-range", Refused(new Variant("x") { Lines = [new(IdOf(1), 10.01m)] })!.Code);
        Assert.Equal("times-out-of-range", Refused(new Variant("x") { Lines = [new(IdOf(1), -0.01m)] })!.Code);
        Assert.Null(Refused(new Variant("x") { Lines = [new(IdOf(1), 10)] }));
        Assert.Equal("too-many-variants", Refused([.. Enumerable.Range(1, 13).Select(at => Without(3, $"{at}"))])!.Code);
        Assert.Null(Refused([.. Enumerable.Range(1, 12).Select(at => Without(3, $"{at}"))]));
    }

    private static string Said(Variant variant, decimal scale = 1) =>
        string.Join("; ", VariantWords.Of(variant, Dish(variant), scale, grams => $"{grams:0.#} g"));

    [Fact]
    public void What_is_otherwise_is_said_as_one_cook_says_it_to_another()
    {
        Assert.Equal("120 g tofu instead of 100 g feta", Said(new("x") { Added = [new(IdOf(3), Line("120 g tofu", 31))] }));
        Assert.Equal("without feta", Said(new("x") { Lines = [new(IdOf(3), 0)] }));
        Assert.Equal("75 g rice instead of 150 g", Said(new("x") { Lines = [new(IdOf(2), 0.5m)] }));
        Assert.Equal("without the Sauce", Said(new("x") { Parts = [new("Sauce", 0)] }));
        Assert.Equal("2 times the Sauce", Said(new("x") { Parts = [new("Sauce", 2)] }));
        Assert.Equal("with 75 g cauliflower", Said(new("x") { Added = [new(null, Line("75 g cauliflower", 21))] }));
        // Cooked three times as large it is three times as much, and what nobody can weigh keeps its words.
        Assert.Equal("225 g rice instead of 450 g", Said(new("x") { Lines = [new(IdOf(2), 0.5m)] }, 3));
        Assert.Equal("with 3 times some moonfruit", Said(new("x") { Added = [new(null, Line("some moonfruit", 21))] }, 3));
        Assert.Equal(
            "120 g tofu and 30 g egg instead of 200 g feta",
            Said(new("x") { Added = [new(IdOf(3), Line("60 g tofu", 31)), new(IdOf(3), Line("15 g egg", 32))] }, 2)
        );
        // What is once as much is not otherwise.
        Assert.Equal("", Said(new("x") { Lines = [new(IdOf(3), 1)], Parts = [new("Sauce", 1)] }));
    }

    [Fact]
    public void A_variant_that_nobody_named_is_called_by_what_is_in_it_as_far_as_a_name_goes()
    {
        string Name(Variant variant, params Variant[] others) => VariantWords.NameOf(variant, Dish(others));
        var tofu = new Variant("") { Added = [new(IdOf(3), Line("120 g tofu", 31))] };
        Assert.Equal("Tofu instead of feta", Name(tofu));
        Assert.Equal("Tofu instead of feta 2", Name(tofu, new Variant("tofu INSTEAD of feta") { Lines = [new(IdOf(1), 0)] }));
        Assert.Equal(
            "Tofu, less rice, without lemon, more cod",
            Name(tofu with { Lines = [new(IdOf(2), 0.5m), new(IdOf(5), 0), new(IdOf(1), 2)] })
        );
        Assert.Equal("With cauliflower", Name(new("") { Added = [new(null, Line("75 g cauliflower", 21))] }));
        var words = new string('x', 30);
        Assert.Equal($"With {words}", Name(new("") { Added = [new(null, Line(words, 21)), new(null, Line(words, 22))] }));
        Assert.Equal("Another way", Name(new("") { Added = [new(null, Line(new string('x', 90), 21))] }));
    }
}
