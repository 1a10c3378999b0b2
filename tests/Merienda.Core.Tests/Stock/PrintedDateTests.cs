using Merienda.Core.Stock;

namespace Merienda.Core.Tests.Stock;

public class PrintedDateTests
{
    private static readonly DateOnly Today = new(2026, 11, 29);

    [Theory]
    [InlineData("6 eggs best before 12/12", "6 eggs", "2026-12-12")]
    [InlineData("6 eggs, best before 3.12.", "6 eggs", "2026-12-03")]
    [InlineData("6 eggs (bb 3/12)", "6 eggs", "2026-12-03")]
    [InlineData("1 l milk use by 5 Dec", "1 l milk", "2026-12-05")]
    [InlineData("1 l milk, use by the 5th of December", "1 l milk", "2026-12-05")]
    [InlineData("1 l milk exp Dec 5th", "1 l milk", "2026-12-05")]
    [InlineData("2 tins beans BBE May 2028", "2 tins beans", "2028-05-31")]
    [InlineData("2 tins beans best before end of Feb 2028", "2 tins beans", "2028-02-29")]
    [InlineData("500 g mince expires 2026-12-01, frozen", "500 g mince, frozen", "2026-12-01")]
    [InlineData("500 g mince exp: 01.12.26", "500 g mince", "2026-12-01")]
    [InlineData("curd, eat by tomorrow", "curd", "2026-11-30")]
    [InlineData("curd use by Sunday", "curd", "2026-11-29")]
    [InlineData("curd use by sat", "curd", "2026-12-05")]
    [InlineData("butter best before 2/1", "butter", "2027-01-02")]
    [InlineData("butter best before 30/9", "butter", "2026-09-30")]
    [InlineData("butter best before 29/9", "butter", "2027-09-29")]
    [InlineData("2 tins tomatoes, best before 2028", "2 tins tomatoes", "2028-12-31")]
    [InlineData("butter best before 12/25", "butter", "2026-12-25")]
    public void A_date_is_taken_off_the_line(string line, string rest, string date)
    {
        var found = PrintedDate.TakeOff(line, Today, monthFirst: false);
        Assert.Equal((rest, date), (found.Line, $"{found.Date:yyyy-MM-dd}"));
    }

    [Theory]
    [InlineData(true, "2026-12-03")]
    [InlineData(false, "2027-03-12")]
    public void Two_numbers_are_read_as_the_household_writes_them(bool monthFirst, string date) =>
        Assert.Equal(date, $"{PrintedDate.TakeOff("eggs use by 12/3", Today, monthFirst).Date:yyyy-MM-dd}");

    [Theory]
    [InlineData("6 eggs")]
    [InlineData("1/2 cabbage")]
    [InlineData("2 expensive lemons")]
    [InlineData("best before")]
    [InlineData("1 l milk 3.5 %")]
    public void A_line_without_one_stays(string line) => Assert.Equal(new(line, null, null), PrintedDate.TakeOff(line, Today, false));

    [Theory]
    [InlineData("eggs use by 31/13", "31/13")]
    [InlineData("eggs use by 30 Feb 2027", "30 Feb 2027")]
    [InlineData("eggs use by 1999-12-12", "1999-12-12")]
    [InlineData("eggs use by 121226", "121226")]
    public void A_date_that_is_none_is_named(string line, string words)
    {
        var found = PrintedDate.TakeOff(line, Today, false);
        Assert.Equal(("eggs", null, words), (found.Line, found.Date, found.Words));
    }
}
