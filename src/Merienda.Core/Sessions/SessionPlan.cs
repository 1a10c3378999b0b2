using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>A task of one dish with its minutes from the start of the session.</summary>
/// <param name="Dish">Place of the dish in what the session cooks.</param>
/// <param name="WaitedTooLong">Minutes that what it takes stood longer than it may.</param>
public sealed record ScheduledTask(int Dish, CookedStep Step, int Start, int WaitedTooLong)
{
    public PrepTask Task => Step.Task;

    /// <summary>Which of the cooks does it, from 0 on.</summary>
    public int Cook { get; init; }

    /// <summary>Which oven it goes into, from 0 on.</summary>
    public int Oven { get; init; }

    /// <summary>What the oven is set to, °C: another temperature than its own where it shares it.</summary>
    public int? Heat { get; init; }

    public int HandsOnEnd => Start + Task.HandsOn;

    public int End => HandsOnEnd + Bookings.Alone(Task, Heat);
}

/// <summary>
/// The order of work for the cooks and the kitchen that are there: whatever leads to the longest unattended time starts first, a task waits
/// for those before it, an appliance is never booked twice, and dishes of nearly one temperature share the oven. A list rule: good, not
/// proven best.
/// </summary>
public static class SessionPlan
{
    /// <param name="dishes">What is cooked. Ids in <see cref="PrepTask.After"/> that do not exist, or that wait in a ring, are passed over
    /// rather than waited for.</param>
    public static IReadOnlyList<ScheduledTask> Order(IReadOnlyList<CookedDish> dishes, SessionKitchen kitchen)
    {
        var waiting = WorkGraph.Of(dishes).OrderByDescending(work => work.Tail).ThenBy(work => work.Dish).ToList();
        var (free, bookings, done) = (new int[kitchen.Cooks], new Bookings(kitchen), new List<Work>());
        while (waiting.Count > 0)
        {
            var cook = Array.IndexOf(free, free.Min());
            var now = free[cook];
            // What must not stand goes on first.
            var ready = waiting
                .Where(work => work.Before.All(before => before.Start is not null && before.End <= now))
                .Select(work => (Work: work, Place: bookings.Find(work.Task, now)))
                .Where(one => one.Place is not null)
                .OrderBy(one => one.Work.StandsUntil ?? int.MaxValue);
            if (ready.FirstOrDefault() is { Place: { } place, Work: var next })
            {
                waiting.Remove(next);
                (next.Start, next.Cook, next.Place) = (now, cook, place);
                bookings.Take(place);
                done.Add(next);
                free[cook] = next.HandsOnEnd;
            }
            else if (NextAfter(now, done, free, bookings, waiting) is { } later)
            {
                free[cook] = later;
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
                )
                {
                    Cook = work.Cook,
                    Oven = work.Place!.Unit,
                    Heat = work.Place.Heat,
                }),
        ];
    }

    /// <summary>When something changes: a task is over, another cook has time, an appliance is given back.</summary>
    private static int? NextAfter(int now, List<Work> done, int[] free, Bookings bookings, List<Work> waiting) =>
        done.Select(work => (int?)work.End)
            .Concat(free.Select(minute => (int?)minute))
            .Concat(waiting.SelectMany(work => bookings.BeginsFor(work.Task)).Select(minute => (int?)minute))
            .Where(minute => minute > now)
            .Min();
}
