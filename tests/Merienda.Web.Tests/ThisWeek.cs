using System.Globalization;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>The week of today, which begins on a Sunday where nobody says otherwise.</summary>
internal static class ThisWeek
{
    public static readonly DateOnly Start = DateOnly.FromDateTime(DateTime.UtcNow) is var today
        ? today.AddDays(-(int)today.DayOfWeek)
        : default;

    public static string Week => $"/api/weeks/{Day(0)}";

    /// <summary>How many meals a board's troubles name as open.</summary>
    public static int OpenMeals(this JsonNode board) =>
        board["troubles"]!
            .AsArray()
            .Where(trouble => trouble!["kind"]!.GetValue<string>() == "open")
            .Sum(trouble => trouble!["count"]!.GetValue<int>());

    public static string Day(int offset) => Start.AddDays(offset).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}
