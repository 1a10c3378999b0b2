using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;

namespace Merienda.Web.Weeks;

/// <summary>A box as it stands on a shelf: planned, or there.</summary>
/// <param name="Portions">What is left in it.</param>
/// <param name="Cell">The next meal that waits for it; null while it is loose.</param>
/// <param name="Parts">Null for the whole dish.</param>
/// <param name="Real">Null while it is planned.</param>
/// <param name="EatBy">Of a loose one in the freezer, until when it is at its best.</param>
/// <param name="IsQuality">Whether only its quality goes.</param>
/// <param name="FreezeBy">The last day on which a box that keeps too short for its meal may be frozen.</param>
public sealed record ShelvedBox(
    Guid Id,
    Batch Batch,
    Lot Lot,
    int Number,
    decimal Portions,
    Cell? Cell,
    IReadOnlyList<string>? Parts,
    Container? Real,
    KeptIn KeptIn,
    DateOnly EatBy,
    bool IsQuality,
    DateOnly? Thaw,
    DateOnly? FreezeBy
)
{
    public bool IsThere => Real is not null;

    /// <summary>Whether it stands in the freezer now; of a planned one, whether it should.</summary>
    public bool IsFrozen(DateOnly today) => KeptIn == KeptIn.Freezer && (IsThere || Thaw is null || today < Thaw);

    /// <summary>Grams of a part that are left in it; null when nobody knows.</summary>
    public decimal? GramsOf(string part)
    {
        var at = (Real?.Parts ?? Batch.Parts).TakeWhile(one => one != part).Count();
        return Real is null ? Batch.GramsOf(Lot, part) * Portions : Real.Grams.ElementAtOrDefault(at) * Real.LeftOf(part) / Real.Portions;
    }

    /// <summary>The boxes of a batch that are not gone.</summary>
    public static IEnumerable<ShelvedBox> Of(WeekPlan plan, Batch batch, RecipeVersion recipe, DateOnly today) =>
        batch.PortionedOn is null
            ? plan.BoxesOf(batch).Select(box => Planned(box, recipe.KeepingOf(box.Parts), today))
            : plan.ContainersOf(batch.Id)
                .Select(box => (Box: box, State: plan.StateOf(box)))
                .Where(one => one.State.Place != BoxPlace.Gone)
                .Select(one => There(one.Box, one.State, batch, recipe.KeepingOf(one.Box.Parts), MealOf(plan, one.Box), today));

    private static ShelvedBox Planned(PlannedBox box, KeepingClass kind, DateOnly today)
    {
        var plan = KeepingPlan.For(kind, box.Batch.Cooked, box.Cell?.Date, box.IsFrozen);
        // Nobody waits for a loose one: its time may be over before anybody has spoken of it.
        var isOver = box.Cell is null && plan.EatBy < today;
        return new(
            box.Id,
            box.Batch,
            box.Lot,
            box.Number,
            box.Portions,
            box.Cell,
            box.Parts,
            null,
            isOver ? KeptIn.PastItsTime : plan.KeptIn,
            plan.EatBy,
            plan.KeptIn == KeptIn.Freezer && box.Cell is null,
            plan.Thaw,
            null
        );
    }

    private static ShelvedBox There(Container box, BoxState state, Batch batch, KeepingClass kind, Cell? meal, DateOnly today)
    {
        var plan = KeepingPlan.For(kind, state, meal?.Date, today);
        var isFrozen = state.Place == BoxPlace.Freezer;
        var fridge = state.EatBy(kind);
        var isQuality = isFrozen && meal is null;
        var (lot, whole) = (batch.LotOf(box), batch.PartsOf(batch.LotOf(box)));
        var left = whole.Where(part => box.LeftOf(part) > 0).ToList();
        return new(
            box.Id,
            batch,
            lot,
            box.Number,
            state.Left,
            meal,
            left.Count == whole.Count ? null : left,
            box,
            isFrozen ? KeptIn.Freezer
                : plan.KeptIn == KeptIn.PastItsTime || fridge < today ? KeptIn.PastItsTime
                : KeptIn.Fridge,
            isQuality ? state.FrozenOn!.Value.AddMonths(kind.FreezerMonths ?? 0)
                : isFrozen ? plan.EatBy
                : fridge!.Value,
            isQuality,
            isFrozen && meal is not null ? plan.Thaw : null,
            !isFrozen && plan.KeptIn == KeptIn.Freezer ? fridge : null
        );
    }

    private static Cell? MealOf(WeekPlan plan, Container box) =>
        plan.DrawsOf(box.Batch)
            .Where(item => item.Draw.Container == box.Id && !box.IsSettled(item.Draw.Id))
            .Select(item => item.Serving.Cell)
            .OrderBy(cell => cell.Date)
            .FirstOrDefault();
}
