using CsCheck;
using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using static Merienda.Solving.Tests.SmallWeek;

namespace Merienda.Solving.Tests;

/// <summary>Why meals stay uncovered: sets in which each is needed, and what each would have to give.</summary>
public class ExplainTests
{
    private static IReadOnlyList<Explanation> Explain(FillQuestion question) =>
        WeekExplainer.Explain(question, new FillJudge(question, Fill(question).Plan).Uncovered, TestContext.Current.CancellationToken);

    private static int Open(FillQuestion question) => new FillJudge(question, Fill(question).Plan).Uncovered.Count;

    private static string[] Says(Explanation one) => [.. one.Reasons.Select(reason => reason.Says)];

    [Fact]
    public void Two_limits_that_contradict_each_other_are_named_with_what_each_would_have_to_give()
    {
        // Lettuce has about 5 g of protein and 45 kcal a portion; cod about 26 g and 120.
        var rules = new[] { AtMost("energy", Measure.Energy, 80), AtLeast("protein", Measure.Protein, 20), AtMost("fat", Measure.Fat, 30) };
        var question = First(1, Eats(["lunch"], rules), [Dish(0, 5), Dish(4, 5)]);
        var one = Assert.Single(Explain(question));

        Assert.Equal("Ilse, Sunday", one.Title);
        Assert.Equal(2, one.Reasons.Count);
        Assert.StartsWith("Energy: at most 80 kcal a day; the least that works is", Says(one)[0], StringComparison.Ordinal);
        Assert.Matches("^Protein: at least 20(\\.0)? g a day; [0-9.]+ g can be reached, [0-9.]+ g short$", Says(one)[1]);
    }

    [Fact]
    public void Where_every_recipe_for_a_meal_has_a_line_that_is_not_read_that_is_what_is_said()
    {
        FillDish Odd(string line) =>
            Dish(0, 5) with
            {
                Version = new RecipeVersion
                {
                    Name = "Odd",
                    Portions = 1,
                    Lines = [RecipeLine.From(new TypedLine(line), DemoWeek.Data.Foods, MeasureSystem.Metric)],
                    Keeping = Dish(0, 5).Keeping,
                },
            };
        var eater = Eats(["lunch"], [AtMost("energy", Measure.Energy, 500)]);
        var one = Assert.Single(Explain(First(1, eater, [Odd("200 g moonfruit")])));
        Assert.Equal("Every recipe for lunch has a line that nobody read: Odd. Open it in Recipes and settle the line.", one.Otherwise);
        // One that is read and too much is another reason.
        var other = Assert.Single(
            Explain(First(1, Eats(["lunch"], [AtMost("energy", Measure.Energy, 1)]), [Odd("200 g moonfruit"), Dish(1, 5)]))
        );
        Assert.NotEmpty(other.Reasons);
    }

    [Fact]
    public void What_is_said_to_work_works_and_a_little_less_does_not()
    {
        var question = First(
            1,
            Eats(["lunch", "supper"], [AtMost("energy", Measure.Energy, 150), AtLeast("protein", Measure.Protein, 40)]),
            [Dish(0, 5), Dish(1, 5), Dish(4, 5)]
        );
        var says = Says(Assert.Single(Explain(question)))[0];
        var needed = decimal.Parse(says.Split("works is ")[1].Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture);

        FillQuestion With(decimal energy) =>
            First(
                1,
                Eats(["lunch", "supper"], [AtMost("energy", Measure.Energy, energy), AtLeast("protein", Measure.Protein, 40)]),
                question.Dishes
            );
        Assert.Equal(0, Open(With(needed)));
        Assert.NotEqual(0, Open(With(needed - 2)));
    }

    [Fact]
    public void Each_of_a_set_is_needed_and_together_they_leave_no_way() =>
        Gen.Select(Gen.Int[60, 500], Gen.Int[5, 70], Gen.Int[2, 40], Gen.Int[1, 60])
            .Sample(
                (energy, protein, fat, carbs) =>
                {
                    Rule[] rules =
                    [
                        AtMost("energy", Measure.Energy, energy),
                        AtLeast("protein", Measure.Protein, protein),
                        AtMost("fat", Measure.Fat, fat),
                        AtMost("carbs", Measure.NetCarbohydrate, carbs),
                    ];
                    FillQuestion With(IEnumerable<Rule> some) =>
                        First(1, Eats(["lunch", "supper"], some), [Dish(0, 5), Dish(2, 5), Dish(3, 5), Dish(5, 5)]);
                    bool Covers(IEnumerable<Rule> some) => Open(With(some)) == 0;

                    var explained = Explain(With(rules));
                    Assert.Equal(Covers(rules), explained.Count == 0);
                    foreach (var one in explained)
                    {
                        var named = rules
                            .Where(rule => Says(one).Any(says => says.StartsWith(rule.Title, StringComparison.Ordinal)))
                            .ToList();
                        Assert.Equal(one.Reasons.Count, named.Count);
                        Assert.False(Covers(named));
                        Assert.All(named, rule => Assert.True(Covers(named.Except([rule]))));
                    }
                },
                iter: 15,
                threads: 1
            );

    [Fact]
    public void A_wish_that_is_in_the_way_of_a_week_is_named()
    {
        var one = Assert.Single(Explain(First(5, Eats(["lunch"], []), [Dish(0, 5)])));
        Assert.Equal("Ilse, the week", one.Title);
        Assert.Equal(["The same dish at lunch and supper at most 3 times"], Says(one));
    }

    [Fact]
    public void What_the_kitchen_sets_for_everybody_is_named_where_each_alone_has_a_way()
    {
        var one = First(4, Eats(["lunch"], []), [Dish(0, 5), Dish(1, 5)]);
        var other = one.Eaters[0] with { Id = Guid.NewGuid(), Name = "Dov" };
        var two = one with
        {
            Eaters = [.. one.Eaters, other],
            Settled = one.Settled.Concat(one.Settled.Select(cell => cell with { Eater = other.Id })).ToHashSet(),
            Sessions = [one.Sessions[0]],
            Wishes = one.Wishes with { Boxes = 5 },
        };
        var explained = Assert.Single(Explain(two));
        Assert.Equal(("Everybody", "5 containers that are free"), (explained.Title, Assert.Single(Says(explained))));
    }

    [Fact]
    public void What_stands_there_is_named_where_it_leaves_no_room()
    {
        var question = First(1, Eats(["lunch", "supper"], [AtMost("energy", Measure.Energy, 300)]), [Dish(2, 5), Dish(0, 5)]);
        var table = new FillTable(question);
        var standing = question with { Placed = [(CellOf(question, 0, "lunch"), table.HelpingOf(0, 5))] };
        var says = Says(Assert.Single(Explain(standing)));
        Assert.Contains(says, sentence => sentence.StartsWith("What stands at lunch on Sunday: 250 g potato", StringComparison.Ordinal));
        Assert.Contains(says, sentence => sentence.StartsWith("Energy: at most 300 kcal", StringComparison.Ordinal));
    }

    [Fact]
    public void Too_few_dishes_for_the_large_meals_of_a_day_are_counted()
    {
        Assert.Equal(
            "A dish comes once a day, and there is only 1 for lunch and supper.",
            Assert.Single(Explain(First(1, Eats(["lunch", "supper"], []), [Dish(0, 5)]))).Otherwise
        );
        Assert.Empty(Explain(First(1, Eats(["lunch", "supper"], []), [Dish(0, 5), Dish(1, 5)])));
    }

    [Fact]
    public void Recipes_with_a_line_that_is_not_read_are_named()
    {
        var unknown = RecipeLine.From(new TypedLine("200 g zorblax"), DemoWeek.Data.Foods, MeasureSystem.Metric);
        var odd = Dish(0, 5) with
        {
            Version = new RecipeVersion
            {
                Name = "Odd pan",
                Portions = 1,
                Lines = [unknown],
                Keeping = Dish(0, 5).Keeping,
            },
        };
        var question = First(1, Eats(["lunch"], []), [Dish(1, 5)]);
        Assert.Equal("", Obstacles.Unread(question));
        Assert.Equal(
            "Where a limit is counted, 1 recipe is left out for a line that is not read: Odd pan.",
            Obstacles.Unread(question with { Dishes = [.. question.Dishes, odd] })
        );
    }

    [Fact]
    public void An_allergy_is_never_among_what_could_give_way()
    {
        var one = Assert.Single(Explain(First(1, Eats(["lunch"], []).AllergicTo("tree-nut"), [Dish(3, 5)])));
        Assert.Empty(one.Reasons);
        Assert.Equal("Every recipe for lunch has something in it that Ilse is allergic to, or may have.", one.Otherwise);
    }

    [Fact]
    public void What_nobody_cooks_and_what_is_cooked_too_late_is_said()
    {
        Assert.Equal(
            "No recipe is meant for breakfast.",
            Assert.Single(Explain(First(1, Eats(["breakfast"], []), [Dish(0, 5)]))).Otherwise
        );
        var late = First(1, Eats(["lunch"], []), [Dish(0, 5)]);
        Assert.Equal(
            "Nothing is cooked before Sunday, and nothing is there.",
            Assert.Single(Explain(late with { Sessions = [late.Sessions[^1]] })).Otherwise
        );
    }
}
