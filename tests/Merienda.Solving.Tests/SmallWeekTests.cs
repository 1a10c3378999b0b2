using CsCheck;
using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Solving.Tests.SmallWeek;

namespace Merienda.Solving.Tests;

/// <summary>Weeks so small that every plan can be tried, and random ones that Core judges.</summary>
public class SmallWeekTests
{
    [Fact]
    public void What_just_reaches_a_bound_keeps_it()
    {
        // 144 and 196.2 kcal are 340.2, and 324 with five percent are 340.2 too.
        var question = First(1, Eats(["lunch", "supper"], [AtMost("energy", Measure.Energy, 324)]), [Dish(1, 5), Dish(3, 5)]);
        Assert.Equal([0.75m, 0.75m], Fill(question).Plan.Servings.Select(serving => serving.Size));
        var less = First(1, Eats(["lunch", "supper"], [AtMost("energy", Measure.Energy, 323.9m)]), [Dish(1, 5), Dish(3, 5)]);
        Assert.Single(Fill(less).Plan.Servings);
    }

    [Fact]
    public void The_solver_finds_what_trying_every_plan_finds() =>
        Gen.Select(Gen.Int[0, 5].Array[3], Gen.Int[5, 40].Array[3], Gen.Int[200, 900], Gen.Int[10, 60])
            .Sample(
                (foods, minutes, energy, protein) =>
                {
                    Rule[] rules =
                    [
                        new LimitRule
                        {
                            Id = "energy",
                            Measure = Measure.Energy,
                            Per = Period.Day,
                            AtMost = energy,
                        },
                        new LimitRule
                        {
                            Id = "protein",
                            Measure = Measure.Protein,
                            Per = Period.Day,
                            AtLeast = protein,
                        },
                    ];
                    var question = First(1, Eats(["lunch", "supper"], rules), [.. foods.Distinct().Zip(minutes, Dish)]);
                    var answer = Fill(question);
                    var judge = new FillJudge(question, answer.Plan);

                    Assert.Empty(judge.Impossible);
                    Assert.Equal(Tried(question), judge.Uncovered.Count);
                },
                iter: 25,
                threads: 1
            );

    /// <summary>Fewest meals that any plan of the first day leaves uncovered: every dish in every size at both meals, or nothing.</summary>
    private static int Tried(FillQuestion question)
    {
        var (eater, table) = (question.Eaters[0], new FillTable(question));
        List<(int Dish, int Quarters)> One(string meal) =>
            [
                (-1, 0),
                .. Enumerable
                    .Range(0, question.Dishes.Count)
                    .Select(dish => (dish, Sizes: table.SizesOf(eater, question.Start, question.Rhythm.Meal(meal)!, dish)))
                    .SelectMany(one =>
                        Enumerable
                            .Range(one.Sizes.Least, Math.Max(0, one.Sizes.Most - one.Sizes.Least + 1))
                            .Select(size => (one.dish, size))
                    ),
            ];
        return (
            from lunch in One("lunch")
            from supper in One("supper")
            where lunch.Dish < 0 || lunch.Dish != supper.Dish
            let helpings = new[] { lunch, supper }
                .Where(one => one.Dish >= 0)
                .Select(one => table.HelpingOf(one.Dish, one.Quarters))
                .ToList()
            let open = 2 - helpings.Count
            where
                FillTable
                    .FormsOf(eater, question.Start)
                    .All(form =>
                        helpings.Sum(helping => form.Of(helping).Best) is var sum
                        && !(sum > form.AtMost)
                        // A meal that is open may yet bring what a floor lacks.
                        && (open > 0 || !(sum < form.AtLeast))
                    )
            select open
        ).Min();
    }

    [Fact]
    public void No_random_week_has_anything_against_it_that_a_sum_says() =>
        Gen.Select(Gen.Int[600, 2400], Gen.Int[0, 80], Gen.Int[20, 250])
            .Sample(
                (energy, protein, carbs) =>
                {
                    Rule[] rules =
                    [
                        new LimitRule
                        {
                            Id = "energy",
                            Measure = Measure.Energy,
                            Per = Period.Day,
                            AtMost = energy,
                        },
                        new LimitRule
                        {
                            Id = "protein",
                            Measure = Measure.Protein,
                            Per = Period.Day,
                            AtLeast = protein,
                        },
                        new LimitRule
                        {
                            Id = "carbs",
                            Measure = Measure.NetCarbohydrate,
                            Per = Period.Day,
                            AtMost = carbs,
                        },
                        new CountRule
                        {
                            Id = "fish",
                            Name = "Fish",
                            Classes = ["fish"],
                            Grams = 50,
                            AtMost = 2,
                        },
                    ];
                    var question = First(3, Eats(["lunch", "supper"], rules), [.. Foods.Select((_, food) => Dish(food, 10))]);
                    var judge = new FillJudge(question, Fill(question).Plan);

                    Assert.Empty(judge.Impossible);
                    Assert.DoesNotContain(judge.Broken, found => found.Finding.Verdict == Verdict.Breaks);
                },
                iter: 12,
                threads: 1
            );

    [Fact]
    public void What_stands_there_stays_and_what_it_breaks_stops_nothing_else()
    {
        Rule[] rules =
        [
            new LimitRule
            {
                Id = "energy",
                Measure = Measure.Energy,
                Per = Period.Day,
                AtMost = 300,
            },
        ];
        var eater = Eats(["lunch", "supper"], rules);
        var feast = new Cell(DemoWeek.Start, "lunch", eater.Id);
        var question = First(2, eater, [.. Foods.Select((_, food) => Dish(food, 10))]);
        question = question with { Placed = [(feast, new Helping("Feast", question.Dishes[3].Version.Profile, 4))] };
        var plan = Fill(question).Plan;

        // 160 g of walnuts are over the day's energy alone.
        Assert.DoesNotContain(plan.Servings, serving => serving.Cell.Date == DemoWeek.Start);
        Assert.Equal(2, plan.Servings.Count);
    }

    [Fact]
    public void Nobody_gets_what_they_are_allergic_to_however_little_else_there_is()
    {
        string[] allergens = ["fish", "tree-nut"];
        var eater = Eats(["lunch", "supper"], []) with
        {
            Rules = new(
                [],
                [],
                PersonalLimits.None with
                {
                    Allergies = allergens,
                },
                DemoWeek.Data.HouseScheme,
                DemoWeek.Data.Classes,
                DemoWeek.Start
            ),
        };
        var question = First(7, eater, [.. Foods.Select((_, food) => Dish(food, 10))]);
        var plan = Fill(question).Plan;

        Assert.NotEmpty(plan.Servings);
        Assert.DoesNotContain(plan.Servings, serving => serving.Dish.Name is "150 g cod" or "40 g walnuts");
    }

    [Fact]
    public void One_question_has_one_answer()
    {
        var question = First(4, Eats(["lunch", "supper"], []), [.. Foods.Select((_, food) => Dish(food, 10 + food))]);
        Assert.Equal(Fill(question).Plan.Servings, Fill(question).Plan.Servings);
    }

    [Fact]
    public void An_empty_library_leaves_every_meal_open_and_proves_it()
    {
        var question = First(7, Eats(["lunch"], []), []);
        var answer = Fill(question);
        Assert.Equal((FillGoal.Covered, 7L, true), (answer.Levels[0].Goal, answer.Levels[0].Value, answer.Levels[0].IsProven));
        Assert.Equal(7, new FillJudge(question, answer.Plan).Uncovered.Count);
    }

    [Fact]
    public void A_search_that_is_stopped_before_it_began_answers_with_nothing()
    {
        using var stopped = new CancellationTokenSource();
        stopped.Cancel();
        Assert.Empty(WeekSolver.Solve(First(1, Eats(["lunch"], []), [Dish(0, 5)]), FillEffort.Usual, null, stopped.Token).Plan.Servings);
    }
}
