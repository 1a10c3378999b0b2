using CsCheck;
using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Solving.Tests.SmallWeek;

namespace Merienda.Solving.Tests;

/// <summary>Weeks that are planned, and made to fit with the fewest and smallest changes.</summary>
public class MendTests
{
    private static long LevelOf(FillAnswer answer, FillGoal goal) => answer.Levels.First(level => level.Goal == goal).Value;

    private static WeekChange ChangeOf(FillQuestion question, FillAnswer answer) => WeekChange.Of(question, answer.Plan, recipe => recipe);

    [Fact]
    public void The_fewest_meals_are_changed_that_trying_every_plan_needs() =>
        Gen.Select(Gen.Int[0, 2], Gen.Int[0, 2], Gen.Int[3, 6], Gen.Int[3, 6], Gen.Int[200, 900], Gen.Int[10, 50])
            .Sample(
                (lunch, supper, lunchQuarters, supperQuarters, energy, protein) =>
                {
                    Rule[] rules = [AtMost("energy", Measure.Energy, energy), AtLeast("protein", Measure.Protein, protein)];
                    var question = There(
                        First(1, Eats(["lunch", "supper"], rules), [Dish(0, 5), Dish(2, 5), Dish(5, 5)]),
                        4,
                        (0, "lunch", lunch, lunchQuarters / 4m),
                        (0, "supper", supper, supperQuarters / 4m)
                    );
                    var answer = Fill(question);

                    var (open, changes) = Tried(question);
                    Assert.Equal((open, changes), (LevelOf(answer, FillGoal.Mended), LevelOf(answer, FillGoal.Changes)));
                    Assert.Equal(changes, ChangeOf(question, answer).Meals.Count);
                    if (open == 0)
                    {
                        Assert.Empty(new FillJudge(question, answer.Plan).Broken);
                        Assert.Empty(new FillJudge(question, answer.Plan).Impossible);
                    }
                },
                iter: 40,
                threads: 1
            );

    /// <summary>Fewest meals that nothing fits, and then fewest that are changed, of every plan there is.</summary>
    private static (long Open, long Changes) Tried(FillQuestion question)
    {
        var (eater, table) = (question.Eaters[0], new FillTable(question));
        IEnumerable<(int Dish, int Quarters)> One(string meal) =>
            Enumerable
                .Range(0, question.Dishes.Count)
                .SelectMany(dish =>
                {
                    var sizes = table.SizesOf(eater, question.Start, question.Rhythm.Meal(meal)!, dish);
                    var now = question.Now.FirstOrDefault(one => one.Cell.Meal == meal && one.Rest == dish);
                    return Enumerable
                        .Range(1, 8)
                        .Where(size => (size >= sizes.Least && size <= sizes.Most) || (now is not null && size == now.Size * 4))
                        .Select(size => (dish, size));
                })
                .Append((-1, 0));
        return (
            from lunch in One("lunch")
            from supper in One("supper")
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
                        && (open > 0 || !(sum < form.AtLeast))
                    )
            let changes = question.Now.Count(now =>
                (now.Cell.Meal == "lunch" ? lunch : supper) is var one && one.Dish >= 0 && one != (now.Rest, (int)(now.Size * 4))
            )
            orderby open, changes
            select ((long)open, (long)changes)
        ).First();
    }

    [Fact]
    public void A_week_that_fits_is_left_as_it_is()
    {
        var question = There(
            First(3, Eats(["lunch", "supper"], []), [Dish(0, 5), Dish(1, 5)]),
            6,
            (0, "lunch", 0, 1),
            (1, "supper", 1, 1.5m)
        );
        var answer = Fill(question);
        Assert.Equal(
            [(FillGoal.Mended, 0L, true), (FillGoal.Changes, 0, true)],
            answer.Levels.Select(level => (level.Goal, level.Value, level.IsProven))
        );
        Assert.True(ChangeOf(question, answer).IsEmpty);
    }

    [Fact]
    public void What_is_only_too_large_is_made_smaller_and_not_exchanged()
    {
        // Six quarters of potato have about 290 kcal, four about 190.
        var question = There(
            First(1, Eats(["lunch"], [AtMost("energy", Measure.Energy, 220)]), [Dish(2, 5), Dish(4, 5)]),
            4,
            (0, "lunch", 0, 1.5m)
        );
        var change = Assert.Single(ChangeOf(question, Fill(question)).Meals);
        Assert.Equal(question.Rests[0].Batch, change.On!.Batch);
        Assert.InRange(change.On.Size, 0.75m, 1.25m);
    }

    [Fact]
    public void What_an_eater_must_never_have_is_exchanged_or_taken_off_and_nothing_is_relaxed()
    {
        var eater = Eats(["lunch"], []).AllergicTo("tree-nut");
        var question = There(First(1, eater, [Dish(3, 5), Dish(0, 5)]), 4, (0, "lunch", 0, 1));
        Assert.Equal(question.Rests[1].Batch, Assert.Single(ChangeOf(question, Fill(question)).Meals).On!.Batch);

        var nothingElse = There(First(1, eater, [Dish(3, 5)]), 4, (0, "lunch", 0, 1));
        var change = Assert.Single(ChangeOf(nothingElse, Fill(nothingElse)).Meals);
        Assert.Null(change.On);
    }

    [Fact]
    public void What_nothing_can_mend_stays_and_is_said()
    {
        var question = There(First(1, Eats(["lunch"], [AtMost("energy", Measure.Energy, 10)]), [Dish(1, 5)]), 4, (0, "lunch", 0, 1));
        var answer = Fill(question);
        Assert.Equal(1, LevelOf(answer, FillGoal.Mended));
        Assert.True(ChangeOf(question, answer).IsEmpty);
        Assert.NotEmpty(new FillJudge(question, answer.Plan).Broken);
    }
}
