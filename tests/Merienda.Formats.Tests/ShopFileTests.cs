using Merienda.Core.Foods;

namespace Merienda.Formats.Tests;

public class ShopFileTests
{
    private static readonly ListedThing[] Things =
    [
        new("vegetables", "Carrot", "5", "350 g", false, false, 0.45m, "Quay", "A C", ""),
        new("vegetables", "Leek", "2", "300 g", false, true, null, "", "B", ""),
        new("spices", "Paprika", "100 g", "6 g", true, false, null, "", "A", ""),
        new("as typed", "moonfruit", "", "", false, false, null, "", "A", "2 firkins of moonfruit"),
    ];

    [Fact]
    public void The_text_says_what_is_still_to_buy_and_what_to_look_for()
    {
        Assert.Equal(
            "Vegetables\n- Carrot: 5\n\nAs typed\n- moonfruit (2 firkins of moonfruit)\n\nLook first\n- Paprika\n",
            ShopFile.Text(Things)
        );
        Assert.Equal("\n", ShopFile.Text([]));
    }

    [Fact]
    public void The_table_has_a_row_for_everything()
    {
        var rows = ShopFile.Csv(Things).Trim().Split('\n');
        Assert.Equal(5, rows.Length);
        Assert.Equal("aisle,name,amount,needed,look_first,in_basket,cost,shop,batches,note", rows[0]);
        Assert.Equal("vegetables,Carrot,5,350 g,,,0.45,Quay,A C,", rows[1]);
        Assert.Equal("spices,Paprika,100 g,6 g,yes,,,,A,", rows[3]);
    }

    [Fact]
    public void A_reminder_is_an_event_with_an_alarm_that_other_programs_read()
    {
        var text = ShopFile.Reminder(
            Things,
            new(2026, 11, 28, 10, 0, 0),
            "Europe/Lisbon",
            "2026-11-29",
            new DateTimeOffset(2026, 11, 27, 8, 0, 0, TimeSpan.Zero)
        );
        var read = Ical.Net.Calendar.Load(text)!.Events.Single();
        Assert.Equal("shopping-2026-11-29@merienda", read.Uid);
        Assert.Equal(new DateTime(2026, 11, 28, 10, 0, 0), read.Start!.AsUtc);
        Assert.Equal("Shopping: 2 things", read.Summary);
        Assert.Contains("Carrot: 5", read.Description, StringComparison.Ordinal);
        Assert.Single(read.Alarms);
        // RFC 5545: lines of at most 75 octets, parted by CR and LF.
        Assert.All(text.Split("\r\n"), line => Assert.True(System.Text.Encoding.UTF8.GetByteCount(line) <= 75, line));
    }

    [Theory]
    [InlineData(2026, 3, 29, 1, 30, 1, 30)] // Lisbon's clock leaps from 1:00 to 2:00: an hour later, 2:30 there
    [InlineData(2026, 7, 1, 10, 0, 9, 0)]
    [InlineData(2026, 12, 1, 10, 0, 10, 0)]
    public void A_time_of_the_household_s_clock_is_one_moment(
        int year,
        int month,
        int day,
        int hour,
        int minute,
        int utcHour,
        int utcMinute
    ) =>
        Assert.Equal(
            new DateTime(year, month, day, utcHour, utcMinute, 0),
            Calendar.Utc(new(year, month, day, hour, minute, 0), "Europe/Lisbon")
        );

    [Fact]
    public void What_is_bought_for_something_else_is_known_to_the_table()
    {
        var foods = DataFiles.Load(DataFiles.Find()).Foods;
        var soldAs = SoldAsFile.Load(Path.Combine(DataFiles.Find(), "sold-as.csv"), foods.WithKey);
        Food Bought(string key) => soldAs.Of(foods.WithKey(key)!, foods.WithKey).Food;
        Assert.Equal("rice-white", Bought("rice-white-cooked").Key);
        Assert.Equal("carrot", Bought("carrot").Key);
        Assert.Equal(1 / 2.8m, soldAs.Of(foods.WithKey("rice-white-cooked")!, foods.WithKey).Times);
    }

    [Fact]
    public void A_row_of_no_food_or_without_an_amount_is_named()
    {
        var foods = DataFiles.Load(DataFiles.Find()).Foods;
        var file = Path.GetTempFileName();
        File.WriteAllText(file, "food,bought_as,times,source,mark\nmoonfruit,carrot,1,,C\n");
        Assert.Throws<InvalidDataException>(() => SoldAsFile.Load(file, foods.WithKey));
        File.WriteAllText(file, "food,bought_as,times,source,mark\ncarrot,apple,,,C\n");
        Assert.Throws<InvalidDataException>(() => SoldAsFile.Load(file, foods.WithKey));
        File.Delete(file);
    }
}
