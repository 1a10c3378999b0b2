using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage.Edits;
using static Dapper.SqlMapper;

namespace Merienda.Storage;

/// <summary>How a household's weeks go, as rows.</summary>
internal static class RhythmRows
{
    /// <param name="rows">Meals, then prep days.</param>
    public static async Task<Rhythm> Take(GridReader rows, int firstDay)
    {
        var first = (DayOfWeek)firstDay;
        var slots = (await rows.ReadAsync<MealSlotRow>()).Select(row => new MealSlot(
            row.Key,
            row.Name,
            Enum.Parse<MealRole>(row.Role),
            row.UsualTime,
            row.Position,
            row.IsFormer
        ));
        var days = (await rows.ReadAsync<PrepDayRow>()).Select(row => new PrepDay(
            (DayOfWeek)row.Weekday,
            row.StartsAt,
            row.Cooks,
            row.Name,
            row.EatenAfterDays
        ));
        return Rhythm.Of(first, [.. slots], [.. days]);
    }

    /// <summary>The household's first day goes with its row.</summary>
    /// <param name="before">Null for a household that opens.</param>
    public static Change Put(this Change change, Rhythm? before, Rhythm after) =>
        change
            .Put(Tables.MealSlot, before?.Slots.Select(RowOf) ?? [], after.Slots.Select(RowOf))
            .Put(Tables.PrepDay, before?.PrepDays.Select(RowOf) ?? [], after.PrepDays.Select(RowOf));

    private static MealSlotRow RowOf(MealSlot slot) => new(slot.Key, slot.Name, $"{slot.Role}", slot.At, slot.Position, slot.IsFormer);

    private static PrepDayRow RowOf(PrepDay day) => new((int)day.Day, day.Start, day.Cooks, day.Name, day.EatenAfter);
}
