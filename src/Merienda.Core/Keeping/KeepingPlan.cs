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
    /// <summary>
    /// From so many days after it is cooked on something can be frozen by choice: what is eaten sooner would be thawed the day it is frozen.
    /// </summary>
    public const int SoonestThawed = 2;

    /// <summary>Of a box that is planned.</summary>
    /// <param name="eaten">The date it is planned for, or null for a loose one, which waits in the fridge.</param>
    /// <param name="isFrozen">Whether somebody wants it frozen though it would keep; of no meaning for what may not be.</param>
    public static KeepingPlan For(KeepingClass kind, DateOnly cooked, DateOnly? eaten, bool isFrozen)
    {
        var eatBy = kind.EatBy(cooked);
        if (isFrozen && kind.Freezes && !(eaten < cooked.AddDays(SoonestThawed)))
        {
            return eaten is { } planned
                ? Frozen(kind, cooked, cooked, planned.AddDays(-1))
                : new(KeptIn.Freezer, cooked.AddMonths(kind.FreezerMonths ?? 0), null);
        }

        if (eaten is not { } day || day <= eatBy)
        {
            return new(KeptIn.Fridge, eatBy, null);
        }

        // Frozen on the day it is cooked, it has all its time left; thawed the evening before, at most two days of it count.
        return kind.Freezes ? Frozen(kind, cooked, cooked, day.AddDays(-1)) : new(KeptIn.PastItsTime, eatBy, null);
    }

    /// <summary>Of a box that is there.</summary>
    /// <param name="today">One that keeps too short for its day can be frozen today, while its time is not over.</param>
    public static KeepingPlan For(KeepingClass kind, BoxState box, DateOnly? eaten, DateOnly today)
    {
        if (box.EatBy(kind) is not { } eatBy)
        {
            return Frozen(kind, box.Made, box.FrozenOn!.Value, (eaten ?? today).AddDays(eaten is null ? 0 : -1));
        }

        if (eaten is not { } day || day <= eatBy)
        {
            return new(KeptIn.Fridge, eatBy, null);
        }

        return kind.Freezes && box.ThawedOn is null && today <= eatBy
            ? Frozen(kind, box.Made, today, day.AddDays(-1))
            : new(KeptIn.PastItsTime, eatBy, null);
    }

    private static KeepingPlan Frozen(KeepingClass kind, DateOnly made, DateOnly frozen, DateOnly thaw) =>
        new(KeptIn.Freezer, FridgeClock.EatBy(kind.FridgeDays, made, frozen, thaw), thaw);
}
