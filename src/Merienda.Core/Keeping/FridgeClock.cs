namespace Merienda.Core.Keeping;

/// <summary>
/// The clock of what keeps in the fridge, for boxes and for bought things alike. It starts when a thing is made; freezing stops it and does
/// not turn it back; what was thawed has what was left of its time, at most two days (domain.md section 8).
/// </summary>
public static class FridgeClock
{
    /// <summary>Days that a thawed portion keeps at most.</summary>
    public const int ThawedDays = 2;

    /// <summary>The last local date on which it is eaten from the fridge.</summary>
    public static DateOnly EatBy(int fridgeDays, DateOnly made, DateOnly? frozen = null, DateOnly? thawed = null) =>
        thawed is { } day ? day.AddDays(Left(fridgeDays, made, frozen ?? made)) : made.AddDays(fridgeDays);

    /// <summary>Days that it keeps once it is thawed, 0 to 2.</summary>
    public static int Left(int fridgeDays, DateOnly made, DateOnly frozen) =>
        Math.Clamp(fridgeDays - (frozen.DayNumber - made.DayNumber), 0, ThawedDays);
}
