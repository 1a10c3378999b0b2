using Merienda.Core.Keeping;

namespace Merienda.Core.Tests.Keeping;

/// <summary>Where a box waits and until when: planned, and there. Days count from the Saturday it is cooked.</summary>
public class KeepingPlanTests
{
    private static readonly DateOnly Saturday = new(2026, 11, 21);

    /// <summary>Four days in the fridge.</summary>
    private static readonly KeepingClass Stew = KeepingClass.WithKey("cooked")!;

    /// <summary>Four days in the fridge, never frozen.</summary>
    private static readonly KeepingClass Salad = KeepingClass.WithKey("dressed-salad")!;

    private static DateOnly? Day(int? day) => day is { } there ? Saturday.AddDays(there) : null;

    private static (KeptIn, int, int?) InDays(KeepingPlan plan) =>
        (plan.KeptIn, plan.EatBy.DayNumber - Saturday.DayNumber, plan.Thaw is { } thaw ? thaw.DayNumber - Saturday.DayNumber : null);

    private static BoxState There(int? frozen = null, int? thawed = null) =>
        new(frozen is not null && thawed is null ? BoxPlace.Freezer : BoxPlace.Fridge, 1, Saturday, Day(frozen), Day(thawed), null);

    [Theory]
    [InlineData(null, KeptIn.Fridge, 4, null)]
    [InlineData(0, KeptIn.Fridge, 4, null)]
    [InlineData(4, KeptIn.Fridge, 4, null)]
    [InlineData(5, KeptIn.Freezer, 6, 4)] // thawed the evening before, two days of it count
    [InlineData(20, KeptIn.Freezer, 21, 19)]
    public void A_planned_box_is_frozen_when_its_day_comes_later_than_it_keeps(int? eaten, KeptIn kept, int eatBy, int? thaw) =>
        Assert.Equal((kept, eatBy, thaw), InDays(KeepingPlan.For(Stew, Saturday, Day(eaten), false)));

    [Theory]
    [InlineData(4, KeptIn.Fridge)]
    [InlineData(5, KeptIn.PastItsTime)]
    public void What_does_not_freeze_is_past_its_time_then(int eaten, KeptIn kept) =>
        Assert.Equal((kept, 4, null), InDays(KeepingPlan.For(Salad, Saturday, Day(eaten), false)));

    [Theory]
    [InlineData(null, 3, KeptIn.Fridge, 4, null)]
    [InlineData(4, 3, KeptIn.Fridge, 4, null)]
    [InlineData(5, 3, KeptIn.Freezer, 5, 4)] // frozen today, one day of its time is left
    [InlineData(5, 4, KeptIn.Freezer, 4, 4)] // its last day
    [InlineData(6, 5, KeptIn.PastItsTime, 4, null)] // freezing does not turn the clock back
    public void A_box_in_the_fridge_is_frozen_while_its_time_is_not_over(int? eaten, int today, KeptIn kept, int eatBy, int? thaw) =>
        Assert.Equal((kept, eatBy, thaw), InDays(KeepingPlan.For(Stew, There(), Day(eaten), Day(today)!.Value)));

    [Fact]
    public void What_was_thawed_or_does_not_freeze_stays_in_the_fridge()
    {
        Assert.Equal(KeptIn.PastItsTime, KeepingPlan.For(Salad, There(), Day(5), Day(1)!.Value).KeptIn);
        Assert.Equal(KeptIn.PastItsTime, KeepingPlan.For(Stew, There(1, 10), Day(13), Day(11)!.Value).KeptIn);
        Assert.Equal(KeptIn.Fridge, KeepingPlan.For(Stew, There(1, 10), Day(12), Day(11)!.Value).KeptIn);
    }

    [Theory]
    [InlineData(20, 10, 19, 21)] // thawed the evening before its day
    [InlineData(null, 10, 10, 12)] // nobody's: it could be thawed today
    public void A_frozen_box_waits_for_its_day(int? eaten, int today, int thaw, int eatBy) =>
        Assert.Equal((KeptIn.Freezer, eatBy, thaw), InDays(KeepingPlan.For(Stew, There(1), Day(eaten), Day(today)!.Value)));

    [Theory]
    [InlineData("cooked", "Cooked meat, poultry, stews, soups, grains and vegetables")]
    [InlineData("raw-cut", "Raw cuts of beef, pork and lamb")]
    [InlineData("moon", null)]
    public void A_food_as_bought_has_a_class_of_dishes_or_of_raw_things(string key, string? name) =>
        Assert.Equal(name, KeepingClass.OfFood(key)?.Name);

    [Theory]
    [InlineData("cooked", true)]
    [InlineData("raw-cut", false)]
    [InlineData("moon", false)]
    public void A_dish_is_never_kept_as_something_raw(string key, bool isKnown) =>
        Assert.Equal(isKnown, KeepingClass.WithKey(key) is not null);
}
