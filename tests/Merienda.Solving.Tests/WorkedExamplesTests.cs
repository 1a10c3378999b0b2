using CsCheck;
using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using static Merienda.Solving.Tests.SmallWeek;

namespace Merienda.Solving.Tests;

/// <summary>Weeks as people who prep describe them, each with the answer that a thoughtful cook would come to.</summary>
public class WorkedExamplesTests
{
    private static RecipeLine Line(string food, decimal grams) =>
        RecipeLine.From(new TypedLine(FormattableString.Invariant($"{grams} g {food}")), DemoWeek.Data.Foods, MeasureSystem.Metric);

    private static FillDish Cooked(string name, int minutes, string? meal, params RecipeLine[] lines) =>
        new(
            Guid.NewGuid(),
            null,
            new RecipeVersion
            {
                Name = name,
                Portions = 1,
                Meal = meal,
                Lines = lines,
                Tasks = [new("1", "Cook it", minutes, 0, Appliance.None, null, [])],
                Keeping = KeepingClass.WithKey("cooked")!,
            }
        );

    /// <summary>A dish of so many kcal a portion, all of one food.</summary>
    private static FillDish OfEnergy(string food, decimal energy, string? meal = null)
    {
        var hundred = Cooked(food, 10, meal, Line(food, 100)).Version.Profile.Total(Measure.Energy).Best;
        return Cooked($"{food} {energy}", 10, meal, Line(food, Math.Round(100 * energy / hundred, 2)));
    }

    private static long LevelOf(FillAnswer answer, FillGoal goal) => answer.Levels.First(level => level.Goal == goal).Value;

    private static FillJudge Fits(FillQuestion question, FillAnswer answer)
    {
        var judge = new FillJudge(question, answer.Plan);
        Assert.Empty(judge.Unmet);
        return judge;
    }

    private static EaterMeal Meal(string key, decimal share, MealSource source = MealSource.Prep) =>
        new(key, share, [.. Enumerable.Repeat(source, WeekPlan.Days)]);

    /// <summary>Three meals of 400 kcal and a bite of 200 (domain.md section 6): a day of 1,400, and of 1,200 without the bite.</summary>
    [Theory]
    [InlineData(1400, true, 28)]
    [InlineData(1200, false, 21)]
    public void A_week_of_three_meals_and_a_bite_is_a_bite_less_in_the_lower_tier(int energy, bool hasBite, int meals)
    {
        var eater = Eats(
            [],
            [
                new LimitRule
                {
                    Id = "energy",
                    Measure = Measure.Energy,
                    Per = Period.Day,
                    AtLeast = energy - 20,
                    AtMost = energy + 20,
                },
            ]
        ) with
        {
            Meals =
            [
                Meal("breakfast", 0.28m),
                Meal("lunch", 0.29m),
                Meal("supper", 0.29m),
                Meal("bite", 0.14m, hasBite ? MealSource.Prep : MealSource.Nothing),
            ],
        };
        var question = DemoWeek.For(eater) with
        {
            Dishes =
            [
                OfEnergy("rolled oats", 400, "breakfast"),
                .. new[] { "cod", "beef shin", "potato", "red lentils", "lettuce" }.Select(food => OfEnergy(food, 400, "lunch")),
                OfEnergy("walnuts", 200, "bite"),
            ],
        };
        var answer = Fill(question);

        Assert.Equal(meals, answer.Plan.Servings.Count);
        Assert.All(answer.Plan.Servings, serving => Assert.Equal(1, serving.Size));
        Assert.Equal((0, 0), (LevelOf(answer, FillGoal.Targets), LevelOf(answer, FillGoal.Sizes)));
        Fits(question, answer);
    }

    [Fact]
    public void Two_eaters_under_different_protocols_share_four_of_six_batches_by_variants()
    {
        // Each eats fourteen large meals of at most three times the same: five dishes each, four of them for both.
        string[] bases = ["lettuce", "tomatoes", "courgette", "aubergine"];
        var shared = bases.SelectMany(food =>
        {
            var meat = Cooked($"Pan of {food}", 20, "lunch", Line(food, 200), Line("beef shin", 120));
            return new[]
            {
                meat,
                Cooked($"Pan of {food}", 20, "lunch", Line(food, 200), Line("red lentils", 80)) with
                {
                    Recipe = meat.Recipe,
                    Variant = "With lentils",
                },
            };
        });
        var question = DemoWeek.For(DemoWeek.Eater("Ilse", "vegetarian"), DemoWeek.Eater("Bram", "low-carb", ("net-carbs", null, 40))) with
        {
            Dishes = [.. shared, OfEnergy("red lentils", 400, "lunch"), OfEnergy("cod", 400, "lunch")],
        };
        question = question with
        {
            Eaters = [.. question.Eaters.Select(eater => eater with { Meals = [Meal("lunch", 0.5m), Meal("supper", 0.5m)] })],
            Sessions = [question.Sessions[0]],
            Wishes = question.Wishes with { FreezerBoxes = 28 },
        };
        var answer = Fill(question);

        var batches = answer.Levels.First(level => level.Goal == FillGoal.Batches);
        Assert.Equal((6L, true), (batches.Value, batches.IsProven));
        Assert.Equal(4, answer.Plan.Batches.Count(batch => batch.Lots.Count == 2));
        Fits(question, answer);
    }

    /// <summary>Cooked dishes keep four days in the fridge (domain.md section 8): Saturday's until Wednesday.</summary>
    [Theory]
    [InlineData(1, 4)]
    [InlineData(2, 7)]
    public void Without_room_in_the_freezer_one_session_reaches_to_wednesday_and_two_the_whole_week(int sessions, int days)
    {
        var question = First(7, Eats(["lunch"], []), [Dish(0, 5), Dish(1, 5), Dish(5, 5)]);
        question = question with { Sessions = [.. question.Sessions.Take(sessions)], Wishes = question.Wishes with { FreezerBoxes = 0 } };
        var answer = Fill(question);
        Assert.Equal(days, answer.Plan.Servings.Count);
        Assert.True(answer.Levels[0].IsProven);
    }

    [Fact]
    public void Twenty_boxes_of_five_dishes_pair_a_fat_lunch_with_a_light_supper()
    {
        var pairing = new PairingRule
        {
            Id = "fat",
            Measure = Measure.Fat,
            AtMost = 25,
            BesideIt = 10,
        };
        var eater = Eats(["lunch", "supper"], [pairing]) with { PortionHabit = 1 };
        var question = First(
            7,
            eater,
            [
                OfEnergy("walnuts", 400),
                Cooked("Fried potatoes", 10, null, Line("potato", 250), Line("olive oil", 30)),
                Dish(0, 5),
                Dish(2, 5),
                Dish(5, 5),
            ]
        );
        question = question with
        {
            Eaters = [eater, eater with { Id = Guid.NewGuid(), Name = "Bram" }],
            Wishes = question.Wishes with
            {
                MostPortions = 4,
                MostTimes = 2,
                Goals = [FillGoal.Batches, FillGoal.Sizes, FillGoal.Leftovers],
            },
        };
        question = question with { Settled = question.Open.Where(cell => cell.Date >= question.Start.AddDays(5)).ToHashSet() };
        var answer = Fill(question);

        Assert.Equal((20, 5L, 0L), (answer.Plan.Servings.Count, LevelOf(answer, FillGoal.Batches), LevelOf(answer, FillGoal.Leftovers)));
        Fits(question, answer);
    }

    private static EaterRules OnPoints(PointsBudgetRule budget, params FreeFood[] free) =>
        new(
            [budget],
            new RuleContext(
                new PointsScheme("tens", "Tens", [new(Measure.Energy, 0.1m)], 1, PointsRounding.Portion, free, []),
                DemoWeek.Data.Classes
            )
        );

    [Fact]
    public void A_reserve_and_what_is_carried_over_go_as_far_as_the_account_says()
    {
        // Ten points for each 100 kcal. Two dishes of 120 kcal are 24 points: 4 over the day's 20.
        var budget = new PointsBudgetRule
        {
            Id = "points",
            AtMost = 20,
            Reserve = 9,
            CarryOver = 3,
        };
        var eater = Eats(["lunch", "supper"], []) with { Rules = OnPoints(budget), PortionHabit = 1 };
        var question = First(
            7,
            eater,
            [.. new[] { "cod", "beef shin", "potato", "red lentils", "lettuce", "tomatoes" }.Select(food => OfEnergy(food, 160))]
        );
        var answer = Fill(question);

        // In the smallest size a dish has 12 points, in the largest 24: two of the smallest are 24, one is 12 and leaves 3 to the next day.
        var fewest = Enumerable
            .Range(0, 1 << WeekPlan.Days)
            .Select(days => Enumerable.Range(0, WeekPlan.Days).Select(day => (days >> day & 1) == 1).ToList())
            .Where(both => new DayAccount(20, 3).Drawn(both.Select(two => two ? 24m : 12)) <= 9)
            .Min(both => both.Count(two => !two));
        Assert.Equal(fewest, LevelOf(answer, FillGoal.Covered));
        Assert.DoesNotContain(new FillJudge(question, answer.Plan).Broken, found => found.Finding.Verdict == Verdict.Breaks);
    }

    [Fact]
    public void What_is_free_up_to_an_amount_is_free_once_a_day_across_its_dishes()
    {
        // 20 g of oil are about 180 kcal, 18 points: free in one dish a day, counted in the second.
        var free = new FreeFood(Line("olive oil", 20).Food!.Key, 20, Period.Day);
        var budget = new PointsBudgetRule { Id = "points", AtMost = 12 };
        var eater = Eats(["lunch", "supper"], []) with { Rules = OnPoints(budget, free), PortionHabit = 1 };
        FillDish Oiled(string food) => Cooked($"{food} in oil", 10, null, Line(food, 100), Line("olive oil", 20));
        Assert.Equal(1, LevelOf(Fill(First(1, eater, [Oiled("cod"), Oiled("lettuce")])), FillGoal.Covered));

        var other = First(1, eater, [Oiled("cod"), Oiled("lettuce"), Dish(4, 5)]);
        var plan = Fill(other).Plan;
        Assert.Equal(2, plan.Servings.Count);
        Assert.Single(plan.Servings, serving => serving.Dish.Name.EndsWith("in oil", StringComparison.Ordinal));
        Assert.Empty(new FillJudge(other, plan).Broken);
    }

    [Fact]
    public void Points_that_are_rounded_are_counted_in_each_size_as_they_are()
    {
        // 84 kcal are 8.4 points: 6 in three quarters, 8 in one, 11 in five quarters, 13 in one and a half.
        var dishes = new[] { "cod", "lettuce" }.Select(food => OfEnergy(food, 84)).ToList();
        int Open(decimal points) =>
            (int)LevelOf(
                Fill(First(1, Eats(["lunch", "supper"], []) with { Rules = OnPoints(new() { Id = "points", AtMost = points }) }, dishes)),
                FillGoal.Covered
            );
        Assert.Equal((0, 1), (Open(12), Open(11)));
    }

    [Fact]
    public void A_lunch_for_every_day_is_not_the_same_twice_in_a_row()
    {
        var rule = new RepetitionRule { Id = "variety", NotInARow = true };
        var question = First(5, Eats(["lunch"], [rule]), [Dish(0, 5), Dish(1, 5), Dish(5, 5)]);
        var answer = Fill(question);
        Assert.Equal(
            (5, 2),
            (answer.Plan.Servings.Count, answer.Plan.Batches.Select(batch => batch.Lots[0].Dish.Recipe).Distinct().Count())
        );
        Fits(question, answer);

        // Where breakfasts come between, the same lunch is not in a row.
        var between = First(
            2,
            Eats(["breakfast", "lunch"], [rule]),
            [Dish(0, 5), OfEnergy("rolled oats", 300, "breakfast"), OfEnergy("walnuts", 300, "breakfast")]
        );
        Assert.Equal(4, Fill(between).Plan.Servings.Count);

        // What stands there counts too.
        var standing = First(2, Eats(["lunch"], [rule]), [Dish(0, 5)]);
        standing = standing with
        {
            Placed =
            [
                (
                    CellOf(standing, 0, "lunch"),
                    new Helping("cod", standing.Dishes[0].Version.Profile, 1) { Dish = standing.Dishes[0].Version.Name }
                ),
            ],
        };
        Assert.Empty(Fill(standing).Plan.Servings);
    }

    [Fact]
    public void Different_foods_are_counted_over_the_week()
    {
        DifferentFoodsRule Plants(int? least, int? most) =>
            new()
            {
                Id = "plants",
                Name = "Plants",
                Classes = ["vegetable", "legume", "tree-nut"],
                Grams = 10,
                AtLeast = least,
                AtMost = most,
            };
        FillQuestion Week(int? least, int? most) =>
            First(3, Eats(["lunch"], [Plants(least, most)]), [Dish(1, 5), Dish(3, 60), Dish(4, 60), Dish(5, 60)]);
        foreach (var (least, most) in new (int?, int?)[] { (3, null), (2, null), (null, 0), (null, 1) })
        {
            var question = Week(least, most);
            var answer = Fill(question);
            Assert.Equal(3, answer.Plan.Servings.Count);
            Fits(question, answer);
        }

        var tooFew = Fill(Week(4, null));
        Assert.Equal((1, 2), (LevelOf(tooFew, FillGoal.Covered), tooFew.Plan.Servings.Count));
    }

    [Fact]
    public void Nobody_gets_an_allergen_whatever_the_library_holds() =>
        Gen.Select(Gen.Int[0, 100_000].Array[10], Gen.Int[0, 100])
            .Sample(
                (foods, which) =>
                {
                    var (all, classes) = (DemoWeek.Data.Foods.Foods, DemoWeek.Data.Classes);
                    var allergens = classes.All.Where(one => one.Allergen is not null).Select(one => one.Key).ToList();
                    var allergen = allergens[which % allergens.Count];
                    var dishes = foods
                        .Select(at => all[at % all.Count])
                        .DistinctBy(food => food.Key)
                        .Select(food => Cooked(food.Name, 10, null, Line(food.Name, 100)))
                        .ToList();
                    var question = First(3, Eats(["lunch", "supper"], []).AllergicTo(allergen), dishes);
                    Assert.DoesNotContain(
                        Fill(question).Plan.Servings,
                        serving =>
                            serving.Dish.Version.Lines.Any(line =>
                                line.Food is not { } food
                                || food.AllTags.SelectMany(classes.Upward).Any(tag => tag == allergen || tag == classes.AllergyTo(allergen))
                            )
                    );
                },
                iter: 60,
                threads: 1
            );

    [Fact]
    public void What_was_filled_and_fits_is_never_mended() =>
        Gen.Select(Gen.Int[300, 900], Gen.Int[0, 40], Gen.Int[0, 6].Array[5])
            .Sample(
                (energy, protein, foods) =>
                {
                    Rule[] rules = [AtMost("energy", Measure.Energy, energy), AtLeast("protein", Measure.Protein, protein)];
                    var question = First(
                        3,
                        Eats(["lunch", "supper"], rules),
                        [.. foods.Where(food => food < Foods.Length).Distinct().Select(food => Dish(food, 5))]
                    );
                    var plan = Fill(question).Plan;
                    var planned = question with
                    {
                        Sessions = [],
                        Rests =
                        [
                            .. question.Dishes.Select(
                                (_, dish) => new FillRest(Guid.NewGuid(), Guid.NewGuid(), dish, 12, 0, question.Start.AddDays(-1))
                            ),
                        ],
                        Now =
                        [
                            .. plan.Servings.Select(serving => new FillNow(
                                serving.Cell,
                                Guid.NewGuid(),
                                question.Dishes.ToList().IndexOf(serving.Dish),
                                serving.Size
                            )),
                        ],
                    };
                    Assert.True(!planned.IsMend || WeekChange.Of(planned, Fill(planned).Plan, recipe => recipe).IsEmpty);
                },
                iter: 60,
                threads: 1
            );
}
