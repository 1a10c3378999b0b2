using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>A task of a session with what must be over before it.</summary>
/// <param name="Dish">Place of its dish in what the session cooks.</param>
internal sealed record Work(int Dish, CookedStep Step)
{
    public PrepTask Task => Step.Task;

    public List<Work> Before { get; } = [];

    public List<Work> After { get; } = [];

    public bool Equals(Work? other) => ReferenceEquals(this, other);

    public override int GetHashCode() => System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(this);
}

/// <summary>What waits for what in a session: steps of one dish for each other, and a dish for those that it takes some of.</summary>
internal static class WorkGraph
{
    public static IReadOnlyList<Work> Of(IReadOnlyList<CookedDish> dishes)
    {
        var tasks = dishes.Select((dish, at) => dish.Steps.Select(step => new Work(at, step)).ToList()).ToList();
        foreach (var work in tasks.SelectMany(own => own))
        {
            foreach (var before in tasks[work.Dish].Where(other => other != work && work.Task.After.Contains(other.Task.Id)))
            {
                Link(before, work);
            }
        }

        var last = tasks.Select(own => own.Where(work => work.After.Count == 0).ToList()).ToList();
        for (var dish = 0; dish < dishes.Count; dish++)
        {
            foreach (var need in dishes[dish].Needs)
            {
                var needed = dishes.TakeWhile(other => other.Version != need).Count();
                foreach (var taker in Takers(tasks[dish], need))
                {
                    last[needed].ForEach(before => Link(before, taker));
                }
            }
        }

        var works = tasks.SelectMany(own => own).ToList();
        OpenRings(works);
        return works;
    }

    private static void Link(Work before, Work after)
    {
        before.After.Add(after);
        after.Before.Add(before);
    }

    /// <summary>What waits in a ring is passed over rather than waited for.</summary>
    private static void OpenRings(IReadOnlyList<Work> works)
    {
        var (open, ready) = (works.ToDictionary(work => work, work => work.Before.Count), new Queue<Work>());
        works.Where(work => work.Before.Count == 0).ToList().ForEach(ready.Enqueue);
        while (open.Count > 0)
        {
            if (!ready.TryDequeue(out var work))
            {
                work = works.First(open.ContainsKey);
                foreach (var before in work.Before.Where(open.ContainsKey).ToList())
                {
                    work.Before.Remove(before);
                    before.After.Remove(work);
                }
            }

            open.Remove(work);
            foreach (var after in work.After.Where(open.ContainsKey).Where(after => --open[after] == 0))
            {
                ready.Enqueue(after);
            }
        }
    }

    /// <summary>The steps that take what another recipe makes; where none says so the whole dish waits.</summary>
    private static IEnumerable<Work> Takers(IReadOnlyList<Work> tasks, Guid version)
    {
        var taking = tasks.Where(work => work.Step.Takes.Any(take => take.Line.Use?.Of.Version == version)).ToList();
        return taking.Count > 0 ? taking : tasks.Where(work => work.Before.TrueForAll(before => before.Dish != work.Dish));
    }
}
