namespace Merienda.Web.Hosting;

/// <summary>Dates as the household lives them. A week starts on the day after the Saturday prep.</summary>
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

    public static DateOnly WeekOf(DateOnly date) => date.AddDays(-(int)date.DayOfWeek);
}
