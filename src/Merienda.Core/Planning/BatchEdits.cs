using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>What is cooked, and how much of it.</summary>
public static class BatchEdits
{
    public static WeekPlan Add(this WeekPlan plan, Batch batch) => plan with { Batches = [.. plan.Batches, batch] };

    /// <summary>Cooks more or less of a batch; the difference is loose.</summary>
    public static Result<WeekPlan> Resize(this WeekPlan plan, Guid batchId, decimal portions)
    {
        if (plan.BatchWithId(batchId) is not { } batch)
        {
            return WeekEdits.BatchGone(batchId);
        }

        if ((IsPortioned(batch) ?? Batch.RefusePortions(portions)) is { } refusal)
        {
            return refusal;
        }

        // What is not asked otherwise comes from, or goes to, the lot with the most to give.
        var lot = batch.Lots.MaxBy(one => plan.Loose(batch, one))!;
        var least = batch.Portions - plan.Loose(batch, lot);
        return portions < least
            ? new Refusal(
                "batch-too-small",
                "portions",
                $"{portions:0.##}",
                $"{least:0.##} portions of {batch.Letter} are already placed or gone",
                $"Take back {least - portions:0.##} first, or cook at least {least:0.##}"
            )
            : plan.With(
                batch,
                batch with
                {
                    Lots =
                    [
                        .. batch.Lots.Select(one => one == lot ? one with { Portions = one.Portions + portions - batch.Portions } : one),
                    ],
                }
            );
    }

    /// <summary>Takes a batch off the bench with everything that is drawn from it.</summary>
    public static Result<WeekPlan> Remove(this WeekPlan plan, Guid batchId) =>
        plan.BatchWithId(batchId) is not { } batch ? WeekEdits.BatchGone(batchId)
        : IsPortioned(batch) is { } refusal ? refusal
        : (
            plan with
            {
                Batches = [.. plan.Batches.Where(one => one != batch)],
                Containers = [.. plan.Containers.Where(box => box.Batch != batchId)],
            }
        ).WithDraws(batchId, _ => null);

    /// <summary>Every draw of a batch, changed; without those for which nothing comes back.</summary>
    internal static WeekPlan WithDraws(this WeekPlan plan, Guid batchId, Func<Draw, Draw?> change) =>
        plan with
        {
            Servings =
            [
                .. plan.Servings.Select(serving =>
                    serving.Draws.Any(draw => draw.Batch == batchId)
                        ? serving with
                        {
                            Items =
                            [
                                .. serving
                                    .Items.Select(item => item is Draw draw && draw.Batch == batchId ? change(draw) : item)
                                    .OfType<ServingItem>(),
                            ],
                        }
                        : serving
                ),
            ],
        };

    internal static WeekPlan With(this WeekPlan plan, Batch old, Batch changed) =>
        plan with
        {
            Batches = [.. plan.Batches.Select(batch => batch == old ? changed : batch)],
        };

    internal static Refusal? IsPortioned(Batch batch) =>
        batch.PortionedOn is { } day
            ? new(
                "batch-portioned",
                "batch",
                batch.Letter,
                $"its boxes were filled on {day:yyyy-MM-dd}",
                "Take the portioning back first, or say on the Shelf what became of its boxes"
            )
            : null;
}
