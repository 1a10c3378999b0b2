using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Planning;

/// <summary>What goes into the freezer because somebody wants it so.</summary>
public class FreezeEditsTests
{
    private static readonly Guid Eater = Guid.NewGuid();
    private static readonly Batch Stew = Cooked.Batch("A", Sunday, 6) with { Keeping = KeepingClass.WithKey("cooked") };

    /// <summary>Six portions of Sunday: four are eaten on some days, two are loose.</summary>
    private static WeekPlan Planned(params int[] days) =>
        days.Aggregate(
            new WeekPlan(Sunday, [Stew], [], []),
            (plan, day) => plan.Place(Stew.Id, new(Sunday.AddDays(day), "supper", Eater), 1, Guid.NewGuid).Value
        );

    private static string Frozen(WeekPlan plan) =>
        string.Join(
            " ",
            plan.BoxesOf(plan.Batches[0])
                .Where(box => box.KeptIn == KeptIn.Freezer)
                .Select(box => box.Cell is { } cell ? $"{cell.Date:ddd}" : "loose")
        );

    private static Guid ItemOn(WeekPlan plan, int day) =>
        plan.Servings.First(serving => serving.Cell.Date == Sunday.AddDays(day)).Items[0].Id;

    [Fact]
    public void A_box_is_frozen_the_day_it_is_cooked_and_thawed_the_evening_before()
    {
        var plan = Planned(1, 2, 3, 4);
        Assert.Equal("", Frozen(plan));
        var frozen = plan.Freeze(ItemOn(plan, 3), true).Value;
        Assert.Equal("Wed", Frozen(frozen));
        Assert.Equal("", Frozen(frozen.Freeze(ItemOn(plan, 3), false).Value));
        Assert.Equal(
            new KeepingPlan(KeptIn.Freezer, Sunday.AddDays(4), Sunday.AddDays(2)),
            KeepingPlan.For(Stew.Keeping!, Sunday, Sunday.AddDays(3), true)
        );

        var box = frozen.Portion(Stew.Id, [], (DateTimeOffset.UnixEpoch, Sunday), Guid.NewGuid).Value;
        Assert.Equal(BoxPlace.Freezer, Assert.Single(box.Containers.Select(box.StateOf), state => state.Place == BoxPlace.Freezer).Place);
        Assert.Equal("batch-portioned", box.Freeze(ItemOn(box, 3), false).Refusal!.Code);
        Assert.Equal("batch-portioned", box.Freeze(Stew.Id, FreezeShare.All).Refusal!.Code);
    }

    [Fact]
    public void What_is_eaten_the_next_day_is_not_frozen()
    {
        var plan = Planned(0, 1, 2);
        Assert.Equal("too-soon-to-freeze", plan.Freeze(ItemOn(plan, 1), true).Refusal!.Code);
        Assert.Equal("too-soon-to-freeze", plan.Freeze(ItemOn(plan, 0), true).Refusal!.Code);
        Assert.Equal("Tue", Frozen(plan.Freeze(ItemOn(plan, 2), true).Value));
    }

    [Theory]
    [InlineData(FreezeShare.Nothing, "")]
    [InlineData(FreezeShare.Half, "Thu loose loose")]
    [InlineData(FreezeShare.All, "Tue Wed Thu loose loose")]
    public void Of_a_batch_nothing_the_half_that_is_eaten_last_or_all_of_it(FreezeShare share, string frozen)
    {
        // Monday's is eaten too soon.
        var plan = Planned(1, 2, 3, 4).Freeze(Stew.Id, FreezeShare.All).Value;
        Assert.Equal(frozen, Frozen(plan.Freeze(Stew.Id, share).Value));
    }

    [Fact]
    public void What_does_not_keep_until_its_meal_is_frozen_whatever_is_chosen()
    {
        var plan = Planned(1, 6);
        Assert.Equal("Sat", Frozen(plan.Freeze(Stew.Id, FreezeShare.Nothing).Value));
        var (serving, item) = plan.Find(ItemOn(plan, 6))!.Value;
        Assert.Null(FreezeEdits.ChoiceOf(Stew, (Draw)item, serving.Cell.Date));
    }

    [Fact]
    public void What_is_placed_of_a_frozen_rest_is_no_longer_loose()
    {
        var plan = Planned(1).Freeze(Stew.Id, FreezeShare.Half).Value;
        Assert.Equal("loose loose loose", Frozen(plan));
        plan = new[] { 2, 3, 4 }.Aggregate(
            plan,
            (all, day) => all.Place(Stew.Id, new(Sunday.AddDays(day), "supper", Eater), 1, Guid.NewGuid).Value
        );
        Assert.Equal("loose loose", Frozen(plan));
    }

    [Fact]
    public void A_week_that_is_copied_freezes_what_was_frozen()
    {
        var plan = Planned(1, 3).Freeze(Stew.Id, FreezeShare.All).Value;
        var again = Stew with { Id = Guid.NewGuid(), Cooked = Sunday.AddDays(7), Lots = [Stew.Lots[0] with { Id = Guid.NewGuid() }] };
        var (copy, _, _) = new WeekPlan(Sunday.AddDays(7), [again], [], []).FillFrom(
            plan,
            new Dictionary<Guid, Guid> { [Stew.Id] = again.Id },
            Cooked.ForAll,
            Guid.NewGuid
        );
        Assert.Equal(
            [false, true],
            copy.Servings.OrderBy(serving => serving.Cell.Date).SelectMany(serving => serving.Draws).Select(draw => draw.IsFrozen)
        );
    }

    [Fact]
    public void What_does_not_freeze_is_refused()
    {
        var salad = Stew with { Keeping = KeepingClass.All.First(kind => !kind.Freezes) };
        var plan = new WeekPlan(Sunday, [salad], [], []).Place(salad.Id, new(Sunday.AddDays(3), "supper", Eater), 1, Guid.NewGuid).Value;
        Assert.Equal("does-not-freeze", plan.Freeze(salad.Id, FreezeShare.All).Refusal!.Code);
        Assert.Equal("does-not-freeze", plan.Freeze(ItemOn(plan, 3), true).Refusal!.Code);
        Assert.False(plan.Freeze(salad.Id, FreezeShare.Nothing).IsRefused);
        Assert.Equal("batch-gone", plan.Freeze(Guid.NewGuid(), FreezeShare.All).Refusal!.Code);
        Assert.Equal("item-gone", plan.Freeze(Guid.NewGuid(), true).Refusal!.Code);
    }

    [Theory]
    [InlineData(1, null)]
    [InlineData(2, false)]
    [InlineData(4, false)]
    [InlineData(5, null)]
    public void A_choice_is_there_where_it_keeps_and_is_not_eaten_at_once(int day, bool? choice)
    {
        var plan = Planned(day);
        Assert.Equal(choice, FreezeEdits.ChoiceOf(Stew, (Draw)plan.Servings[0].Items[0], Sunday.AddDays(day)));
    }
}
