namespace Merienda.Web.Hosting;

/// <summary>Dates as the household lives them.</summary>
public static class HouseholdClock
{
    public static bool Knows(string timeZone) => TimeZoneInfo.TryFindSystemTimeZoneById(timeZone, out _);

    public static DateOnly Today(TimeProvider clock, string timeZone) => DayOf(clock.GetUtcNow(), timeZone);

    /// <summary>The moment of a local time; where clocks jump over it, an hour later.</summary>
    public static DateTimeOffset MomentOf(DateOnly date, TimeOnly time, string timeZone)
    {
        var (zone, there) = (ZoneOf(timeZone), date.ToDateTime(time));
        return new DateTimeOffset(TimeZoneInfo.ConvertTimeToUtc(zone.IsInvalidTime(there) ? there.AddHours(1) : there, zone));
    }

    /// <summary>The local date of a moment.</summary>
    public static DateOnly DayOf(DateTimeOffset moment, string timeZone) =>
        DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(moment, ZoneOf(timeZone)).DateTime);

    private static TimeZoneInfo ZoneOf(string timeZone) =>
        TimeZoneInfo.TryFindSystemTimeZoneById(timeZone, out var zone) ? zone : TimeZoneInfo.Utc;
}
