using Merienda.Core.Keeping;

namespace Merienda.Core.Tests.Keeping;

public class KeepingTests
{
    private static readonly DateOnly Saturday = new(2026, 11, 21);

    private static KeepingPlan Plan(string kind, int? eatenAfterDays) =>
        KeepingPlan.For(KeepingClass.WithKey(kind)!, Saturday, eatenAfterDays is { } days ? Saturday.AddDays(days) : null, false);

    [Theory] // domain.md section 8
    [InlineData("cooked", 4)]
    [InlineData("cooked-fish", 3)]
    [InlineData("baked-egg", 3)]
    [InlineData("dressed-salad", 4)]
    [InlineData("hard-cooked-eggs", 7)]
    [InlineData("soaked-oats", 4)]
    [InlineData("vinaigrette", 14)]
    public void A_dish_keeps_its_days_in_the_fridge(string kind, int days) =>
        Assert.Equal(Saturday.AddDays(days), KeepingClass.WithKey(kind)!.EatBy(Saturday));

    [Fact]
    public void Cooked_on_saturday_with_four_days_it_is_eaten_until_wednesday_and_frozen_from_thursday()
    {
        Assert.Equal(new(KeptIn.Fridge, Saturday.AddDays(4), null), Plan("cooked", 4));
        Assert.Equal(new(KeptIn.Freezer, Saturday.AddDays(6), Saturday.AddDays(4)), Plan("cooked", 5));
        Assert.Equal(KeptIn.Fridge, Plan("cooked", null).KeptIn);
    }

    [Fact]
    public void What_does_not_freeze_is_past_its_time() =>
        Assert.Equal(new(KeptIn.PastItsTime, Saturday.AddDays(4), null), Plan("dressed-salad", 5));

    [Fact]
    public void A_thawed_portion_keeps_two_days_at_most() =>
        Assert.All(
            Enumerable.Range(5, 3),
            day => Assert.Equal(2, Plan("cooked", day).EatBy.DayNumber - Plan("cooked", day).Thaw!.Value.DayNumber)
        );
}
