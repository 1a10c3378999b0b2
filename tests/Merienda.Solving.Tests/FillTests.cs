using Merienda.Core.Filling;

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
}
