using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;

namespace Merienda.Core.Planning;

/// <summary>How a batch is cooked in variants, and which of them a portion is.</summary>
public static class LotEdits
{
    /// <summary>Cooks some portions of a batch in variants of its recipe, the others as written; what is placed of a lot stays in it.</summary>
    /// <param name="portions">Of all of it.</param>
    /// <param name="variants">What is in no variant is cooked as written.</param>
    public static Result<WeekPlan> Split(
        this WeekPlan plan,
        Guid batchId,
        decimal portions,
        IReadOnlyList<VariantPortions> variants,
        RecipeVersion recipe,
        Func<Guid> newId
    )
    {
        if (plan.BatchWithId(batchId) is not { } batch)
        {
            return WeekEdits.BatchGone(batchId);
        }

        if (
            (BatchEdits.IsPortioned(batch) ?? Batch.RefusePortions(portions) ?? VariantPortions.Refuse(variants, portions, recipe)) is
            { } refusal
        )
        {
            return refusal;
        }

        var lots = VariantPortions.Lots(variants, portions, batch.Lots, newId);
        foreach (var lot in batch.Lots)
        {
            var (placed, left) = (lot.Portions - plan.Loose(batch, lot), lots.FirstOrDefault(one => one.Id == lot.Id)?.Portions ?? 0);
            if (left < placed)
            {
                return new Refusal(
                    "lot-too-small",
                    "variants",
                    $"{left:0.##}",
                    $"{placed:0.##} portions of {batch.Letter}, {lot.Variant ?? "as written"}, are already placed",
                    $"Take back {placed - left:0.##} first, or cook at least {placed:0.##} so"
                );
            }
        }

        return plan.With(batch, (batch with { Lots = lots }).Of(recipe)).WithoutLeftOut(batchId, lots);
    }

    /// <summary>Takes a portion from another lot of its batch: the same dish in another variant.</summary>
    public static Result<WeekPlan> ChangeLot(this WeekPlan plan, Guid itemId, Guid from, Guid to)
    {
        if (plan.Find(itemId) is not var (serving, item) || item is not Draw draw)
        {
            return WeekEdits.ItemGone(itemId);
        }

        var batch = plan.BatchWithId(draw.Batch)!;
        if (batch.Lots.FirstOrDefault(lot => lot.Id == to) is not { } lot)
        {
            return LotGone(to);
        }

        if (draw.Lot != from)
        {
            return new Refusal(
                "item-changed",
                "lot",
                NameOf(lot),
                $"it is {NameOf(batch.LotOf(draw))} by now",
                "Look at the board as it is now and try again"
            );
        }

        if (BatchEdits.IsPortioned(batch) is { } refusal)
        {
            return refusal;
        }

        var loose = (draw.Parts ?? batch.PartsOf(lot)).Min(part => batch.PartsOf(lot).Contains(part) ? plan.Loose(batch, lot, part) : 0);
        var changed = draw with { Lot = to };
        return from == to ? plan
            : WeekEdits.WrongSize(batch, lot, draw.Size) is { } wrong ? wrong
            : plan.PortionsOf(batch, changed) > loose
                ? WeekEdits.NothingLoose(batch, "lot", NameOf(lot), $"{loose:0.##} portions of it are loose")
            : plan.Replace(serving, serving with { Items = [.. serving.Items.Select(one => one.Id == itemId ? changed : one)] });
    }

    /// <summary>What was left out of a lot that there is no more is not told any more.</summary>
    internal static WeekPlan WithoutLeftOut(this WeekPlan plan, Guid batchId, IReadOnlyList<Lot> lots) =>
        plan.WithDraws(batchId, draw => draw.IsLeftOut && lots.All(lot => lot.Id != draw.Lot) ? null : draw);

    private static string NameOf(Lot lot) => lot.Variant ?? "as written";

    public static Refusal LotGone(Guid lot) =>
        new("lot-gone", "lot", lot.ToString(), "nothing is cooked so any more", "Look at the board as it is now and try again");
}
