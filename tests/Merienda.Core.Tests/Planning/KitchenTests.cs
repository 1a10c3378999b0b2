using Merienda.Core.Planning;

namespace Merienda.Core.Tests.Planning;

public class KitchenTests
{
    private static Kitchen Kitchen(DayOfWeek prep, DayOfWeek? second) => new("metric", "point", prep, second, null, [], []);

    [Theory]
    [InlineData(DayOfWeek.Saturday, -1)] // the evening before the week
    [InlineData(DayOfWeek.Sunday, 0)]
    [InlineData(DayOfWeek.Monday, 1)]
    [InlineData(DayOfWeek.Friday, 5)]
    public void A_session_stands_so_many_days_from_the_first_day_of_its_week(DayOfWeek day, int offset) =>
        Assert.Equal(offset, Core.Planning.Kitchen.Offset(day));

    [Fact]
    public void Sessions_come_in_the_order_of_their_days_whichever_is_the_long_one()
    {
        var sunday = new DateOnly(2026, 11, 22);
        Assert.Equal([sunday.AddDays(-1), sunday.AddDays(3)], Kitchen(DayOfWeek.Saturday, DayOfWeek.Wednesday).SessionsOf(sunday));
        Assert.Equal([sunday.AddDays(-1), sunday.AddDays(3)], Kitchen(DayOfWeek.Wednesday, DayOfWeek.Saturday).SessionsOf(sunday));
        Assert.Equal([sunday], Kitchen(DayOfWeek.Sunday, null).SessionsOf(sunday));
    }

    [Fact]
    public void Two_sessions_on_one_day_are_refused() =>
        Assert.Equal("two-prep-days", Kitchen(DayOfWeek.Sunday, DayOfWeek.Sunday).Wrong()?.Code);
}
