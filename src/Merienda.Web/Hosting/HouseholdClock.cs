namespace Merienda.Web.Hosting;

/// <summary>Dates as the household lives them. A week starts on the day after the Saturday prep.</summary>
public static class HouseholdClock
{
    public static bool Knows(string timeZone) => TimeZoneInfo.TryFindSystemTimeZoneById(timeZone, out _);

    public static DateOnly Today(TimeProvider clock, string timeZone) =>
        DateOnly.FromDateTime(
            TimeZoneInfo
                .ConvertTime(clock.GetUtcNow(), TimeZoneInfo.TryFindSystemTimeZoneById(timeZone, out var zone) ? zone : TimeZoneInfo.Utc)
                .DateTime
        );

    public static DateOnly WeekOf(DateOnly date) => date.AddDays(-(int)date.DayOfWeek);
}
