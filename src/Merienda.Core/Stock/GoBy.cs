using Merienda.Core.Keeping;

namespace Merienda.Core.Stock;

/// <summary>
/// Until when a thing in stock is to be used, and by which clock. Clocks are separate: raw, thawed, opened packet, printed date (domain.md
/// section 8); the earliest counts.
/// </summary>
/// <param name="Date">The last local date to use it.</param>
/// <param name="IsQuality">True when only its quality goes, as in a freezer.</param>
public sealed record GoBy(DateOnly Date, string Because, bool IsQuality = false)
{
    /// <summary>Days ahead that "must go this week" looks.</summary>
    public const int WeekDays = 7;

    /// <param name="keeping">How the food keeps as it is bought; null when nobody published it.</param>
    /// <param name="openedDays">Days that its packet says it keeps once opened; null when nobody typed them.</param>
    /// <returns>Null when no clock runs.</returns>
    public static GoBy? Of(StockItem item, KeepingClass? keeping, int? openedDays)
    {
        if (item.Place == StockPlace.Freezer)
        {
            return keeping?.FreezerMonths is { } months && item.FrozenOn is { } frozen
                ? new(frozen.AddMonths(months), $"at its best {months} months in the freezer", true)
                : null;
        }

        return Clocks(item, keeping, openedDays).MinBy(clock => clock.Date);
    }

    /// <summary>Whether it must go within the week; what only loses quality need not.</summary>
    public bool IsDue(DateOnly today) => !IsQuality && Date <= today.AddDays(WeekDays - 1);

    private static IEnumerable<GoBy> Clocks(StockItem item, KeepingClass? keeping, int? openedDays)
    {
        if (item.BestBefore is { } printed && item.FrozenOn is null)
        {
            yield return new(printed, "the date printed on it");
        }

        if (item.OpenedOn is { } opened && openedDays is { } days)
        {
            yield return new(opened.AddDays(days), $"opened, its packet gives it {days} {(days == 1 ? "day" : "days")}");
        }

        if (item.ThawedOn is { } thawed)
        {
            // Of what nobody published, the most that a thawed thing has.
            var eatBy = keeping is null
                ? thawed.AddDays(FridgeClock.ThawedDays)
                : FridgeClock.EatBy(keeping.FridgeDays, item.MadeOn, item.FrozenOn, thawed);
            yield return new(eatBy, "thawed, with what was left of its time");
        }
        else if (item.Place == StockPlace.Fridge && keeping is not null)
        {
            yield return new(
                keeping.EatBy(item.MadeOn),
                $"{keeping.Name.ToLowerInvariant()}: {keeping.FridgeDays} {(keeping.FridgeDays == 1 ? "day" : "days")} in the fridge"
            );
        }
    }
}
