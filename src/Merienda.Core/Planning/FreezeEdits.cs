using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>How much of a batch goes into the freezer by choice.</summary>
public enum FreezeShare
{
    Nothing,

    /// <summary>The half that is eaten last.</summary>
    Half,
    All,
}

/// <summary>Freezing by choice, before a batch is in its boxes: afterwards each box says where it is.</summary>
public static class FreezeEdits
{
    /// <summary>
    /// Whether a box is frozen by choice; null where nobody has one: it must be to keep so long, does not freeze, is eaten too soon, or is in
    /// its box.
    /// </summary>
    public static bool? ChoiceOf(Batch batch, Draw draw, DateOnly eaten) =>
        batch is { PortionedOn: null }
        && batch.KeepingOf(draw.Parts) is { Freezes: true } kind
        && IsLateEnough(batch, eaten)
        && eaten <= kind.EatBy(batch.Cooked)
            ? draw.IsFrozen
            : null;

    /// <summary>Freezes the box of a meal on the day it is cooked, or no more.</summary>
    public static Result<WeekPlan> Freeze(this WeekPlan plan, Guid itemId, bool isFrozen)
    {
        if (plan.Find(itemId) is not var (serving, item) || item is not Draw draw)
        {
            return WeekEdits.ItemGone(itemId);
        }

        var batch = plan.BatchWithId(draw.Batch)!;
        if (BatchEdits.IsPortioned(batch) is { } portioned)
        {
            return portioned;
        }

        if (isFrozen && Against(batch, draw.Parts, "isFrozen") is { } never)
        {
            return never;
        }

        if (isFrozen && !IsLateEnough(batch, serving.Cell.Date))
        {
            return new Refusal(
                "too-soon-to-freeze",
                "isFrozen",
                $"{serving.Cell.Date:yyyy-MM-dd}",
                $"it is eaten within {KeepingPlan.SoonestThawed - 1} day of being cooked, and would be thawed the day it is frozen",
                $"Leave it in the fridge, or freeze what is eaten from {batch.Cooked.AddDays(KeepingPlan.SoonestThawed):yyyy-MM-dd} on"
            );
        }

        return plan.Replace(
            serving,
            serving with
            {
                Items = [.. serving.Items.Select(one => one.Id == itemId ? draw with { IsFrozen = isFrozen } : one)],
            }
        );
    }

    /// <summary>Freezes all of a batch, the half that is eaten last, or nothing that would keep; what is eaten too soon stays in the fridge.</summary>
    public static Result<WeekPlan> Freeze(this WeekPlan plan, Guid batchId, FreezeShare share)
    {
        if (plan.BatchWithId(batchId) is not { } batch)
        {
            return WeekEdits.BatchGone(batchId);
        }

        if ((BatchEdits.IsPortioned(batch) ?? (share == FreezeShare.Nothing ? null : Against(batch, null, "share"))) is { } refusal)
        {
            return refusal;
        }

        var left = share switch
        {
            FreezeShare.Nothing => 0,
            FreezeShare.Half => batch.Portions / 2,
            _ => batch.Portions,
        };
        var (frozen, rest) = (new HashSet<Guid>(), 0m);
        foreach (var box in plan.BoxesOf(batch).Reverse())
        {
            if (box.Portions > left)
            {
                break;
            }

            if (box.Cell is null)
            {
                rest += box.Portions;
            }
            else if (IsLateEnough(batch, box.Cell.Date))
            {
                frozen.Add(box.Id);
            }

            left -= box.Portions;
        }

        return plan.With(batch, batch with { FrozenRest = rest })
            .WithDraws(batchId, draw => draw with { IsFrozen = frozen.Contains(draw.Id) });
    }

    private static bool IsLateEnough(Batch batch, DateOnly eaten) => eaten >= batch.Cooked.AddDays(KeepingPlan.SoonestThawed);

    private static Refusal? Against(Batch batch, IReadOnlyList<string>? parts, string field) =>
        batch.KeepingOf(parts) is { Freezes: false } kind
            ? new(
                "does-not-freeze",
                field,
                batch.Letter,
                $"it does not freeze: {kind.Name.ToLowerInvariant()}",
                "Leave it in the fridge, or cook it in a later session"
            )
            : null;
}
