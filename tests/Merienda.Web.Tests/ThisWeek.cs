using System.Globalization;

namespace Merienda.Web.Tests;

/// <summary>The week of today, which begins on a Sunday where nobody says otherwise.</summary>
internal static class ThisWeek
{
    public static readonly DateOnly Start = DateOnly.FromDateTime(DateTime.UtcNow) is var today
        ? today.AddDays(-(int)today.DayOfWeek)
        : default;

    public static string Week => $"/api/weeks/{Day(0)}";

    public static string Day(int offset) => Start.AddDays(offset).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}
