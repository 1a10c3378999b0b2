using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace Merienda.Formats;

/// <summary>Something with a time, as calendars take it.</summary>
/// <param name="Uid">The same for the same thing, so that a newer one takes its place.</param>
/// <param name="Starts">UTC.</param>
/// <param name="Ends">UTC.</param>
/// <param name="Before">How long before it a person is told; null for not at all.</param>
public sealed record CalendarEntry(string Uid, DateTime Starts, DateTime Ends, string Summary, string Description, TimeSpan? Before);

/// <summary>Entries as iCalendar (RFC 5545).</summary>
public static class Calendar
{
    public static string Of(IEnumerable<CalendarEntry> entries, DateTimeOffset now)
    {
        var calendar = new Ical.Net.Calendar { ProductId = "-//Merienda//EN" };
        foreach (var entry in entries)
        {
            var one = new CalendarEvent
            {
                Uid = entry.Uid,
                DtStamp = new CalDateTime(now.UtcDateTime),
                Start = new CalDateTime(DateTime.SpecifyKind(entry.Starts, DateTimeKind.Utc)),
                End = new CalDateTime(DateTime.SpecifyKind(entry.Ends, DateTimeKind.Utc)),
                Summary = entry.Summary,
                Description = entry.Description,
            };
            if (entry.Before is { } before)
            {
                one.Alarms.Add(
                    new()
                    {
                        Action = Ical.Net.AlarmAction.Display,
                        Description = entry.Summary,
                        Trigger = new(Duration.FromMinutes(-(int)before.TotalMinutes)),
                    }
                );
            }

            calendar.Events.Add(one);
        }

        return new CalendarSerializer().SerializeToString(calendar) ?? throw new InvalidOperationException("A calendar without text.");
    }

    /// <summary>A time of a clock in UTC; one that the clock leaps over is an hour later.</summary>
    /// <param name="timeZone">IANA name.</param>
    public static DateTime Utc(DateTime local, string timeZone)
    {
        var zone = TimeZoneInfo.FindSystemTimeZoneById(timeZone);
        var there = DateTime.SpecifyKind(local, DateTimeKind.Unspecified);
        return TimeZoneInfo.ConvertTimeToUtc(zone.IsInvalidTime(there) ? there.AddHours(1) : there, zone);
    }
}
