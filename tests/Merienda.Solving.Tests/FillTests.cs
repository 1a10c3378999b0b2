using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using static Merienda.Solving.Tests.SmallWeek;

namespace Merienda.Solving.Tests;

public class FillTests
{
    private static FillAnswer Fill(FillQuestion question) =>
        WeekSolver.Solve(question, FillEffort.Quick, null, TestContext.Current.CancellationToken);

    [Fact]
    public void A_couples_week_is_filled_and_core_finds_nothing_against_it()
    {
        var question = DemoWeek.For(DemoWeek.Eater("Ines", "calories-macros", ("energy", 1300, 1500)), DemoWeek.Eater("Dov", "vegetarian"));
        var answer = Fill(question);
        var judge = new FillJudge(question, answer.Plan);

        Assert.Empty(judge.Uncovered);
        Assert.Empty(judge.Impossible);
        Assert.DoesNotContain(judge.Broken, found => !found.Finding.NeedsAllowance);
        Assert.Equal(
            [(FillGoal.Covered, 0L, true), (FillGoal.Targets, 0, true)],
            answer.Levels.Take(2).Select(level => (level.Goal, level.Value, level.IsProven))
        );
    }

    /// <summary>
    /// Two dishes of 13 and 14 g of fat a portion, light up to one portion and heavy from five quarters on; a day needs nine quarters of them. A
    /// line on the safe side of the step leaves such a day open.
    /// </summary>
    [Fact]
    public void What_only_exact_sums_allow_is_found_and_polished_like_any_other_plan()
    {
        Rule[] rules =
        [
            new PairingRule
            {
                Id = "pairing",
                Measure = Measure.Fat,
                AtMost = 15,
            },
            AtLeast("energy", Measure.Energy, 285),
        ];
        var question = First(3, Eats(["lunch", "supper"], rules), [Dish("20 g walnuts", 10), Dish("21 g walnuts", 12)]);
        var answer = SmallWeek.Fill(question);
        var judge = new FillJudge(question, answer.Plan);
        Assert.Empty(judge.Uncovered);
        Assert.Empty(judge.Broken);
        Assert.Equal(
            [FillGoal.Covered, .. FillGoals.Usual.Except([FillGoal.There, FillGoal.Due, FillGoal.Packs, FillGoal.Cost])],
            answer.Levels.Select(level => level.Goal)
        );
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Each_level_says_what_the_plan_has_also_what_a_later_level_bettered(int seed)
    {
        var question = DemoWeek.For(DemoWeek.Eater("Ines", "calories-macros", ("energy", 1300, 1500)), DemoWeek.Eater("Dov", "vegetarian"));
        // So little effort leaves batches that are not needed: fewer minutes do without them.
        var answer = WeekSolver.Solve(question, new(1, 0.02, 0.01, seed), null, TestContext.Current.CancellationToken);
        long Of(FillGoal goal) => answer.Levels.Single(level => level.Goal == goal).Value;
        Assert.Equal(answer.Plan.Batches.Count, Of(FillGoal.Batches));
        Assert.Equal(answer.Plan.Batches.Sum(batch => batch.Lots.Min(lot => lot.Dish.HandsOn)), Of(FillGoal.Minutes));
    }
}
