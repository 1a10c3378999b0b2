using Merienda.Core.Filling;

namespace Merienda.Core.Tests.Filling;

/// <summary>How far a search came, in a cook's words.</summary>
public class FillGoalsTests
{
    [Theory]
    [InlineData(FillGoal.Covered, 0, "Every meal is covered")]
    [InlineData(FillGoal.Covered, 1, "1 meal not covered")]
    [InlineData(FillGoal.Mended, 1, "1 meal for which nothing fits")]
    [InlineData(FillGoal.Mended, 3, "3 meals for which nothing fits")]
    [InlineData(FillGoal.Changes, 0, "Nothing has to change")]
    [InlineData(FillGoal.Changes, 2, "2 meals changed")]
    [InlineData(FillGoal.Swaps, 1, "1 dish exchanged")]
    [InlineData(FillGoal.Targets, 12, "12 % off target, all days together")]
    [InlineData(FillGoal.There, 3, "0.75 portions of what is there not eaten")]
    [InlineData(FillGoal.Batches, 1, "1 batch to cook")]
    [InlineData(FillGoal.Minutes, 1, "1 minute by hand")]
    [InlineData(FillGoal.Packs, 0, "No opened pack is left over")]
    [InlineData(FillGoal.Packs, 350, "About 350 g of opened packs left over")]
    [InlineData(FillGoal.Leftovers, 4, "1 portion left over")]
    [InlineData(FillGoal.Leftovers, 6, "1.5 portions left over")]
    [InlineData(FillGoal.Sizes, 2, "Portions off their usual size by 0.5 in all")]
    [InlineData(FillGoal.Sameness, 2, "2 times a dish comes again")]
    public void A_level_says_what_it_is(FillGoal goal, long value, string says) =>
        Assert.Equal(says, new FillLevel(goal, value, null).Says);

    [Fact]
    public void Only_what_is_proven_is_called_so_and_a_bound_is_told_only_where_there_is_one()
    {
        Assert.Equal("proven", new FillLevel(FillGoal.Batches, 8, 8, 3).Sure);
        Assert.Equal("best found in 3.2 s, not proven best", new FillLevel(FillGoal.Batches, 8, null, 3.24).Sure);
        Assert.Equal("best found in 3 s, not proven best", new FillLevel(FillGoal.Batches, 8, 0, 3).Sure);
        Assert.Equal("best found in 3 s, not proven best; it can't be below 6", new FillLevel(FillGoal.Batches, 8, 6, 3).Sure);
        Assert.Equal("best found in 3 s, not proven best; it can't be below 6.50", new FillLevel(FillGoal.Cost, 800, 650, 3).Sure);
    }

    [Fact]
    public void Every_goal_has_words_and_those_a_cook_may_choose_say_what_is_wanted()
    {
        foreach (var goal in Enum.GetValues<FillGoal>())
        {
            Assert.All(new long[] { 0, 1, 5 }, value => Assert.NotEmpty(new FillLevel(goal, value, null).Says));
            Assert.NotEmpty(FillGoals.NameOf(goal));
        }

        Assert.Equal(FillGoals.Usual.Count, FillGoals.Usual.Select(FillGoals.WantOf).Distinct().Count());
    }
}
