namespace Merienda.Core.Planning;

/// <summary>What was eaten of the things of a meal, by what was said of them, of their boxes, or of the whole meal.</summary>
public static class EatenShares
{
    /// <summary>Which share of a thing was eaten, by what was said of it, of its box, or else of its meal; null while nobody said anything.</summary>
    public static decimal? ShareEaten(this WeekPlan plan, Serving serving, ServingItem item) =>
        plan.OwnShare(item)
        // Where something was said of one of its things the meal's state follows from that, and says nothing of what was put there since.
        ?? (
            item.IsExtra || serving.Items.Any(one => !one.IsExtra && plan.OwnShare(one) is not null)
                ? null
                : serving.State switch
                {
                    ServingState.Eaten => 1,
                    ServingState.Skipped => 0,
                    // A half, where nobody said how much of the meal it was.
                    ServingState.Partly => 0.5m,
                    _ => null,
                }
        );

    private static decimal? OwnShare(this WeekPlan plan, ServingItem item) =>
        item is Draw draw && plan.BatchWithId(draw.Batch) is { } batch && plan.Eaten(draw) is { } portions
            // The box holds whole grams: half of it is a half.
            ? Math.Round(portions / WeekPlan.PlannedPortionsOf(batch, draw), 3)
            : item.Eaten;

    /// <summary>The state of a meal follows from what was said of its things; while something is open nothing is said of all of it.</summary>
    internal static WeekPlan Settled(this WeekPlan plan, Serving serving)
    {
        var shares = serving.Items.Where(item => !item.IsExtra).Select(plan.OwnShare).ToList();
        return shares.Count == 0
            ? plan
            : plan.Replace(
                serving,
                serving with
                {
                    State =
                        shares.Exists(share => share is null) ? ServingState.Planned
                        : shares.TrueForAll(share => share == 0) ? ServingState.Skipped
                        : shares.TrueForAll(share => share >= 1) ? ServingState.Eaten
                        : ServingState.Partly,
                }
            );
    }
}
