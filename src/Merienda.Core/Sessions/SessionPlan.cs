using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>A task of one dish with its minutes from the start of the session.</summary>
/// <param name="Dish">Place of the dish in what the session cooks.</param>
/// <param name="WaitedTooLong">Minutes that what it takes stood longer than it may.</param>
public sealed record ScheduledTask(int Dish, CookedStep Step, int Start, int WaitedTooLong)
{
    public PrepTask Task => Step.Task;

    public int HandsOnEnd => Start + Task.HandsOn;

    public int End => HandsOnEnd + Task.Unattended;
}

/// <summary>
/// The order of work for one cook: whatever leads to the longest unattended time starts first, a task waits for those before it,
/// and a busy appliance is never booked twice. A list rule: good, not proven best.
/// </summary>
public static class SessionPlan
{
    /// <summary>How many tasks each appliance takes at once in a plain kitchen [C]; what is not named has no end.</summary>
    private static readonly Dictionary<Appliance, int> Places = new()
    {
        [Appliance.Oven] = 1,
        [Appliance.Burner] = 4,
        [Appliance.PressureCooker] = 1,
        [Appliance.SlowCooker] = 1,
        [Appliance.AirFryer] = 1,
        [Appliance.Microwave] = 1,
        [Appliance.Blender] = 1,
    };

    /// <param name="dishes">What is cooked. Ids in <see cref="PrepTask.After"/> that do not exist, or that wait in a ring, are passed over
    /// rather than waited for.</param>
    public static IReadOnlyList<ScheduledTask> Order(IReadOnlyList<CookedDish> dishes)
    {
        var waiting = WorkGraph.Of(dishes).OrderByDescending(work => work.Tail).ThenBy(work => work.Dish).ToList();
        var now = 0;
        var done = new List<Work>();
        while (waiting.Count > 0)
        {
            // What must not stand goes on first.
            var ready = waiting.Where(work => IsReady(work, done, now));
            if (ready.OrderBy(work => work.StandsUntil ?? int.MaxValue).FirstOrDefault() is { } next)
            {
                waiting.Remove(next);
                next.Start = now;
                done.Add(next);
                now = next.HandsOnEnd;
            }
            else if (done.Where(work => work.End > now).Select(work => (int?)work.End).Min() is { } freed)
            {
                now = freed;
            }
            else
            {
                // Nothing runs and nothing is ready: the rest wait for each other in a ring.
                waiting[0].Before.Clear();
            }
        }

        return
        [
            .. done.OrderBy(work => work.Start)
                .Select(work => new ScheduledTask(
                    work.Dish,
                    work.Step,
                    work.Start!.Value,
                    Math.Max(0, work.Start!.Value - (work.StandsUntil ?? int.MaxValue))
                )),
        ];
    }

    private static bool IsReady(Work work, List<Work> done, int now) =>
        work.Before.All(before => before.Start is not null && before.End <= now)
        && (
            !Places.TryGetValue(work.Task.Appliance, out var places)
            || done.Count(other => other.Task.Appliance == work.Task.Appliance && other.End > now) < places
        );
}
