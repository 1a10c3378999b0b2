using Merienda.Core.Keeping;

namespace Merienda.Core.Planning;

/// <summary>A box as it will be filled: of a draw, or of what is still loose. Computed, so that it always agrees with the plan.</summary>
/// <param name="Id">The draw's; of a loose one an id that stays while it is loose. The real box has it too.</param>
/// <param name="Number">Rises with the date it is eaten; loose ones come last.</param>
/// <param name="Cell">Null while it is loose.</param>
/// <param name="Parts">Null for the whole dish.</param>
/// <param name="IsFrozen">Whether somebody wants it frozen, though it would keep.</param>
public sealed record PlannedBox(
    Guid Id,
    Batch Batch,
    Lot Lot,
    int Number,
    decimal Portions,
    Cell? Cell,
    IReadOnlyList<string>? Parts,
    bool IsFrozen
)
{
    /// <summary>Where it waits; in the fridge where nobody said how it keeps.</summary>
    public KeptIn KeptIn =>
        Batch.KeepingOf(Parts) is { } kind ? KeepingPlan.For(kind, Batch.Cooked, Cell?.Date, IsFrozen).KeptIn : KeptIn.Fridge;
}

public static class PlannedBoxes
{
    /// <summary>
    /// The boxes that a batch will fill: one for each draw, then what is loose in whole portions and at most one smaller; where only some
    /// parts of a portion are drawn, the others have a box too.
    /// </summary>
    public static IReadOnlyList<PlannedBox> BoxesOf(this WeekPlan plan, Batch batch)
    {
        var drawn = plan.DrawsOf(batch.Id)
            .OrderBy(item => item.Serving.Cell.Date)
            .ThenBy(item => plan.Rhythm.OccasionOf(item.Serving.Cell.Date, item.Serving.Cell.Meal).Order)
            .ThenBy(item => item.Draw.Id)
            .Select(item => new PlannedBox(
                item.Draw.Id,
                batch,
                batch.LotOf(item.Draw),
                0,
                plan.PortionsOf(batch, item.Draw),
                item.Serving.Cell,
                item.Draw.Parts,
                item.Draw.IsFrozen
            ));
        var there = plan.ContainersOf(batch.Id).Select(box => box.Id).ToHashSet();
        var loose = Freeze([.. batch.Lots.SelectMany(lot => LooseBoxes(plan, batch, lot, there))], batch.FrozenRest);
        return [.. drawn.Concat(loose).Select((box, at) => box with { Number = at + 1 + there.Count })];
    }

    /// <summary>The last of them, whole boxes only.</summary>
    private static List<PlannedBox> Freeze(List<PlannedBox> loose, decimal portions)
    {
        for (var at = loose.Count - 1; at >= 0 && loose[at].Portions <= portions; at--)
        {
            portions -= loose[at].Portions;
            loose[at] = loose[at] with { IsFrozen = true };
        }

        return loose;
    }

    private static IEnumerable<PlannedBox> LooseBoxes(WeekPlan plan, Batch batch, Lot lot, HashSet<Guid> there)
    {
        // A draw in grams may leave a crumb that no box is filled with.
        var all = batch.PartsOf(lot);
        var left = all.Select(part => Math.Round(plan.Loose(batch, lot, part), 2, MidpointRounding.ToZero)).ToArray();
        for (var at = 0; left.Any(portions => portions > 0); at++)
        {
            var id = LooseId(lot.Id, at);
            if (there.Contains(id))
            {
                continue;
            }

            var portions = Math.Min(1, left.Where(one => one > 0).Min());
            var parts = all.Where((_, part) => left[part] > 0).ToList();
            left = [.. left.Select(one => Math.Max(0, one - portions))];
            yield return new(id, batch, lot, 0, portions, null, parts.Count == all.Count ? null : parts, false);
        }
    }

    /// <summary>A loose box has no row; its id is its lot's with the box's place in it.</summary>
    private static Guid LooseId(Guid lot, int at)
    {
        var bytes = lot.ToByteArray();
        bytes[^1] ^= (byte)at;
        bytes[^2] ^= 0x5a;
        bytes[^3] ^= (byte)(at >> 8);
        return new Guid(bytes);
    }
}
