namespace Merienda.Web.Hosting;

/// <summary>Dates as the household lives them.</summary>
public static class HouseholdClock
{
    public static bool Knows(string timeZone) => TimeZoneInfo.TryFindSystemTimeZoneById(timeZone, out _);

    public static DateOnly Today(TimeProvider clock, string timeZone) => DayOf(clock.GetUtcNow(), timeZone);

    /// <summary>The local date of a moment.</summary>
    public static DateOnly DayOf(DateTimeOffset moment, string timeZone) =>
        DateOnly.FromDateTime(
            TimeZoneInfo
                .ConvertTime(moment, TimeZoneInfo.TryFindSystemTimeZoneById(timeZone, out var zone) ? zone : TimeZoneInfo.Utc)
                .DateTime
        );
}
