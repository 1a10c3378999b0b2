namespace Merienda.Core.Sessions;

/// <summary>A task of one batch with its minutes from the start of the session.</summary>
public sealed record ScheduledTask(string Letter, PrepTask Task, int Start)
{
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

    /// <param name="batches">Tape letter and tasks of each batch. Ids in <see cref="PrepTask.After"/> that do not exist, or that wait in a
    /// ring, are passed over rather than waited for.</param>
    public static IReadOnlyList<ScheduledTask> Order(IEnumerable<(string Letter, IReadOnlyList<PrepTask> Tasks)> batches)
    {
        var waiting = batches
            .SelectMany(batch => batch.Tasks.Select(task => new Waiting(batch.Letter, task, Tail(task, batch.Tasks, []))))
            .ToList();
        var done = new List<ScheduledTask>();
        var now = 0;
        while (waiting.Count > 0)
        {
            var next = waiting
                .Where(item => IsReady(item, waiting, done, now))
                .OrderByDescending(item => item.Tail)
                .ThenBy(item => item.Letter, StringComparer.Ordinal)
                .FirstOrDefault();
            if (next is not null)
            {
                waiting.Remove(next);
                done.Add(new(next.Letter, next.Task, now));
                now += next.Task.HandsOn;
            }
            else if (done.Where(item => item.End > now).Select(item => (int?)item.End).Min() is { } freed)
            {
                now = freed;
            }
            else
            {
                // Nothing runs and nothing is ready: the rest wait for each other in a ring.
                var ring = waiting[0];
                waiting[0] = ring with { Task = ring.Task with { After = [] } };
            }
        }

        return [.. done.OrderBy(item => item.Start)];
    }

    private static bool IsReady(Waiting item, List<Waiting> waiting, List<ScheduledTask> done, int now)
    {
        bool IsOver(string id) =>
            !waiting.Any(other => other.Letter == item.Letter && other.Task.Id == id)
            && done.Where(other => other.Letter == item.Letter && other.Task.Id == id).All(other => other.End <= now);
        return item.Task.After.All(IsOver)
            && (
                !Places.TryGetValue(item.Task.Appliance, out var places)
                || done.Count(other => other.Task.Appliance == item.Task.Appliance && other.End > now) < places
            );
    }

    /// <summary>Minutes from the end of the hands-on part until all that hangs on the task is over.</summary>
    private static int Tail(PrepTask task, IReadOnlyList<PrepTask> tasks, HashSet<string> above)
    {
        if (!above.Add(task.Id))
        {
            return 0;
        }

        var after = tasks
            .Where(other => other.After.Contains(task.Id))
            .Select(other => other.HandsOn + Tail(other, tasks, above))
            .DefaultIfEmpty(0)
            .Max();
        above.Remove(task.Id);
        return task.Unattended + after;
    }

    private sealed record Waiting(string Letter, PrepTask Task, int Tail);
}
