using CsCheck;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
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

    [Theory]
    [InlineData(1, "opened, its packet gives it 1 day")]
    [InlineData(2, "opened, its packet gives it 2 days")]
    public void A_date_says_by_which_clock(int days, string because)
    {
        var opened = Thing(StockPlace.Pantry).Open(Monday).Value;
        Assert.Equal(new GoBy(Monday.AddDays(days), because), GoBy.Of(opened, null, days));
    }

    [Fact]
    public void Fridge_freezer_thaw_and_print_name_themselves()
    {
        Assert.Equal(
            new GoBy(Monday.AddDays(1), $"{Poultry.Name.ToLowerInvariant()}: 1 day in the fridge"),
            GoBy.Of(Thing(), Poultry, null)
        );
        Assert.Equal(new GoBy(Monday.AddDays(3), $"{Cut.Name.ToLowerInvariant()}: 3 days in the fridge"), GoBy.Of(Thing(), Cut, null));
        Assert.Equal(new GoBy(Monday, "the date printed on it"), GoBy.Of(Thing(printed: Monday), Poultry, null));
        var frozen = Thing().Freeze(Monday).Value;
        Assert.Equal(new GoBy(Monday.AddMonths(9), "at its best 9 months in the freezer", true), GoBy.Of(frozen, Poultry, null));
        var thawed = frozen.Move(StockPlace.Fridge, Monday.AddDays(1)).Value;
        Assert.Equal(new GoBy(Monday.AddDays(3), "thawed, with what was left of its time"), GoBy.Of(thawed, null, null));
    }

    [Fact]
    public void A_pantry_runs_no_clock_of_the_fridge() => Assert.Null(GoBy.Of(Thing(StockPlace.Pantry), Poultry, 3));

    [Theory]
    [InlineData(" Leeks ", " 2 ", 0.04, "Leeks", "2", 0.1)]
    [InlineData("Leeks", "2", 0.15, "Leeks", "2", 0.2)]
    [InlineData("Leeks", "2", 250.24, "Leeks", "2", 250.2)]
    public void What_is_kept_is_trimmed_and_weighed_to_a_tenth_of_a_gram(
        string name,
        string amount,
        double grams,
        string keptName,
        string keptAmount,
        double kept
    )
    {
        var item = StockItem.Of(Thing() with { Name = name, Amount = amount, Grams = (decimal)grams }, Monday).Value;
        Assert.Equal((keptName, keptAmount, (decimal?)kept), (item.Name, item.Amount, item.Grams));
        Assert.Null(StockItem.Of(Thing() with { Grams = null }, Monday).Value.Grams);
    }

    [Fact]
    public void A_refusal_shows_what_was_typed_cut_where_it_is_long()
    {
        Refusal Of(StockItem item) => StockItem.Of(item, Monday).Refusal!;
        Assert.Equal(("name", "   "), Shown(Of(Thing() with { Name = "   " })));
        Assert.Equal(("name", new string('x', 60)), Shown(Of(Thing() with { Name = new string('x', 121) })));
        Assert.Equal(("amount", new string('x', 60)), Shown(Of(Thing() with { Amount = new string('x', 61) })));
        Assert.Equal(("amount", "1000001 g"), Shown(Of(Thing() with { Grams = 1_000_001 })));
        Assert.Contains("at most 1000 kg", Of(Thing() with { Grams = 0 }).Reason, StringComparison.Ordinal);
        Assert.Equal(("madeOn", "2026-11-24"), Shown(Of(Thing(made: Monday.AddDays(1)))));
    }

    [Fact]
    public void What_cannot_happen_to_a_thing_is_refused_with_its_date()
    {
        var frozen = Thing().Freeze(Monday).Value;
        Assert.Equal("already-frozen", frozen.Freeze(Monday.AddDays(1)).Refusal!.Code);
        Assert.Equal(("place", "2026-11-23"), Shown(frozen.Freeze(Monday.AddDays(1)).Refusal!));
        var thawed = frozen.Move(StockPlace.Pantry, Monday.AddDays(2)).Value;
        Assert.Equal((StockPlace.Fridge, Monday.AddDays(2)), (thawed.Place, thawed.ThawedOn));
        Assert.Equal(("place", "thawed 2026-11-25"), Shown(thawed.Freeze(Monday.AddDays(3)).Refusal!));
        Assert.Equal(("openedOn", "2026-11-23"), Shown(Thing().Open(Monday).Value.Open(Monday.AddDays(1)).Refusal!));
        Assert.Equal(("place", "Fridge"), Shown(Thing().Move(StockPlace.Fridge, Monday).Refusal!));
        var shelf = Thing(StockPlace.Pantry).Move(StockPlace.Fridge, Monday).Value;
        Assert.Equal((StockPlace.Fridge, null), (shelf.Place, shelf.ThawedOn));
    }

    private static (string Field, string Value) Shown(Refusal refusal) => (refusal.Field, refusal.Value);
}
