namespace Merienda.Core.Keeping;

public enum KeptIn
{
    Fridge,

    /// <summary>Frozen on the day of cooking, thawed in the fridge the evening before it is eaten.</summary>
    Freezer,

    /// <summary>Past its fridge time and not for the freezer: it must be eaten sooner or cooked in a later session.</summary>
    PastItsTime,
}

/// <summary>Where one container waits and until when (domain.md section 8).</summary>
/// <param name="EatBy">Last date to eat it; of a frozen one, from its thaw.</param>
/// <param name="Thaw">The evening on which it moves to the fridge, or null when it is never frozen.</param>
public sealed record KeepingPlan(KeptIn KeptIn, DateOnly EatBy, DateOnly? Thaw)
{
    /// <summary>Days that a thawed portion keeps at most.</summary>
    public const int ThawedDays = 2;

    /// <param name="eaten">The date it is planned for, or null for a loose one, which waits in the fridge.</param>
    public static KeepingPlan For(KeepingClass kind, DateOnly cooked, DateOnly? eaten)
    {
        var eatBy = kind.EatBy(cooked);
        if (eaten is not { } day || day <= eatBy)
        {
            return new(KeptIn.Fridge, eatBy, null);
        }

        // Frozen on the day it is cooked, it has all its time left; thawed the evening before, at most two days of it count.
        var thaw = day.AddDays(-1);
        return kind.Freezes
            ? new(KeptIn.Freezer, thaw.AddDays(Math.Min(ThawedDays, kind.FridgeDays)), thaw)
            : new(KeptIn.PastItsTime, eatBy, null);
    }
}
