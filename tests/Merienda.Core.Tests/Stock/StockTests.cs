using CsCheck;
using Merienda.Core.Keeping;
using Merienda.Core.Stock;

namespace Merienda.Core.Tests.Stock;

public class StockTests
{
    private static readonly DateOnly Monday = new(2026, 11, 23);
    private static readonly KeepingClass Poultry = KeepingClass.OfFood("raw-poultry")!,
        Cut = KeepingClass.OfFood("raw-cut")!;

    private static StockItem Thing(StockPlace place = StockPlace.Fridge, DateOnly? made = null, DateOnly? printed = null) =>
        new(Guid.Empty, "x", "Thing", "", 100, place, made ?? Monday, null, null, null, printed, null);

    [Fact]
    public void The_earliest_clock_counts()
    {
        Assert.Equal(Monday.AddDays(1), GoBy.Of(Thing(), Poultry, null)!.Date);
        Assert.Equal(Monday.AddDays(3), GoBy.Of(Thing(), Cut, null)!.Date);
        Assert.Equal(Monday.AddDays(2), GoBy.Of(Thing(printed: Monday.AddDays(2)), Cut, null)!.Date);
        Assert.Equal(Monday, GoBy.Of(Thing(printed: Monday), Cut, 3)!.Date);
        Assert.Null(GoBy.Of(Thing(StockPlace.Pantry), null, null));
    }

    [Fact]
    public void Opening_starts_a_clock_where_the_packet_says_how_long()
    {
        var opened = Thing(StockPlace.Pantry, Monday.AddDays(-30), Monday.AddDays(100)).Open(Monday).Value;
        Assert.Equal(Monday.AddDays(4), GoBy.Of(opened, null, 4)!.Date);
        Assert.Equal(Monday.AddDays(100), GoBy.Of(opened, null, null)!.Date);
        Assert.Equal("already-opened", opened.Open(Monday).Refusal!.Code);
    }

    [Theory]
    [InlineData(0, 2)] // frozen on the day it was bought: three days left, two count
    [InlineData(2, 1)]
    [InlineData(3, 0)]
    [InlineData(9, 0)] // freezing late does not turn the clock back
    public void What_is_thawed_has_what_was_left_of_its_time_at_most_two_days(int frozenAfter, int left)
    {
        var frozen = Thing().Freeze(Monday.AddDays(frozenAfter)).Value;
        Assert.True(GoBy.Of(frozen, Cut, null)!.IsQuality);
        var thawed = frozen.Move(StockPlace.Fridge, Monday.AddDays(30)).Value;
        Assert.Equal(Monday.AddDays(30 + left), GoBy.Of(thawed, Cut, null)!.Date);
        Assert.Equal("never-refrozen", thawed.Freeze(Monday.AddDays(31)).Refusal!.Code);
        Assert.Equal("never-refrozen", thawed.Move(StockPlace.Freezer, Monday.AddDays(31)).Refusal!.Code);
    }

    [Fact]
    public void A_printed_date_ends_with_the_freezer_and_quality_is_not_due()
    {
        var frozen = Thing(printed: Monday.AddDays(1)).Freeze(Monday).Value;
        var goBy = GoBy.Of(frozen, Poultry, null)!;
        Assert.Equal((Monday.AddMonths(9), false), (goBy.Date, goBy.IsDue(Monday.AddYears(1))));
        Assert.Null(GoBy.Of(frozen, null, null));
    }

    [Theory]
    [InlineData(-1, true)]
    [InlineData(6, true)]
    [InlineData(7, false)]
    public void A_week_is_today_and_six_days(int days, bool isDue) =>
        Assert.Equal(isDue, GoBy.Of(Thing(printed: Monday.AddDays(days)), null, null)!.IsDue(Monday));

    [Theory]
    [InlineData("", 1, 0, "stock-name-length")]
    [InlineData("x", 0, 0, "stock-amount-out-of-range")]
    [InlineData("x", -5, 0, "stock-amount-out-of-range")]
    [InlineData("x", 1_000_001, 0, "stock-amount-out-of-range")]
    [InlineData("x", 1, 1, "stock-date-in-future")]
    [InlineData("x", 1_000_000, 0, null)]
    [InlineData("x", null, -400, null)]
    public void What_cannot_stand_on_a_shelf_is_refused(string name, int? grams, int days, string? code) =>
        Assert.Equal(code, StockItem.Of(Thing(made: Monday.AddDays(days)) with { Name = name, Grams = grams }, Monday).Refusal?.Code);

    [Theory]
    [InlineData(120, null)]
    [InlineData(121, "stock-name-length")]
    public void A_name_has_a_bound(int length, string? code) =>
        Assert.Equal(code, StockItem.Of(Thing() with { Name = new string('x', length) }, Monday).Refusal?.Code);

    [Theory]
    [InlineData(60, null)]
    [InlineData(61, "stock-amount-length")]
    public void An_amount_is_a_few_words(int length, string? code) =>
        Assert.Equal(code, StockItem.Of(Thing() with { Amount = new string('x', length) }, Monday).Refusal?.Code);

    [Fact]
    public void Moving_to_where_it_stands_is_refused_and_other_shelves_are_free()
    {
        Assert.Equal("already-there", Thing().Move(StockPlace.Fridge, Monday).Refusal!.Code);
        Assert.Equal(StockPlace.Pantry, Thing().Move(StockPlace.Pantry, Monday).Value.Place);
        Assert.Equal(Monday, Thing().UsedUp(Monday).GoneOn);
    }

    [Fact]
    public void No_order_of_what_happens_lets_a_thawed_thing_keep_longer_than_its_fresh_time() =>
        Gen.Select(Gen.Int[0, 20], Gen.Int[0, 400], Gen.Bool)
            .Sample(
                (frozenAfter, thawedAfter, isOpened) =>
                {
                    var thing = isOpened ? Thing().Open(Monday).Value : Thing();
                    var thawed = thing
                        .Freeze(Monday.AddDays(frozenAfter))
                        .Value.Move(StockPlace.Fridge, Monday.AddDays(frozenAfter + thawedAfter))
                        .Value;
                    var outside = frozenAfter + (GoBy.Of(thawed, Cut, 30)!.Date.DayNumber - thawed.ThawedOn!.Value.DayNumber);
                    Assert.True(outside <= Math.Max(Cut.FridgeDays, frozenAfter), $"{outside} days outside the freezer");
                }
            );

    [Fact]
    public void The_date_printed_on_it_says_nothing_once_it_was_frozen()
    {
        // Printed for tomorrow, frozen today, thawed a month later: two days by the thaw, not a month too late by the print.
        var thawed = Thing(printed: Monday.AddDays(1)).Freeze(Monday).Value.Move(StockPlace.Fridge, Monday.AddDays(30)).Value;
        Assert.Equal(Monday.AddDays(32), GoBy.Of(thawed, Cut, null)!.Date);
        Assert.Equal(Monday.AddDays(32), GoBy.Of(thawed, null, null)!.Date);
    }
}
