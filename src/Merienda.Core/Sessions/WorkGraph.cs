using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>A task of a session with what must be over before it.</summary>
/// <param name="Dish">Place of its dish in what the session cooks.</param>
internal sealed record Work(int Dish, CookedStep Step)
{
    private int? _tail;

    public PrepTask Task => Step.Task;

    public List<Work> Before { get; } = [];

    public List<Work> After { get; } = [];

    public int? Start { get; set; }

    public int Cook { get; set; }

    public Booking? Place { get; set; }

    public int HandsOnEnd => Start!.Value + Task.HandsOn;

    public int End => HandsOnEnd + Bookings.Alone(Task, Place?.Heat);

    /// <summary>When what it takes has stood as long as it may; null where that does not matter.</summary>
    public int? StandsUntil => Before.Where(before => before.Start is not null).Min(before => before.End + before.Task.WaitsAtMost);

    /// <summary>Minutes from the end of its hands-on part until all that hangs on it is over; a ring is not followed.</summary>
    public int Tail
    {
        get
        {
            if (_tail is null)
            {
                _tail = 0;
                _tail = Task.Unattended + After.Select(other => other.Task.HandsOn + other.Tail).DefaultIfEmpty(0).Max();
            }

            return _tail.Value;
        }
    }

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

        return [.. tasks.SelectMany(own => own)];
    }

    private static void Link(Work before, Work after)
    {
        before.After.Add(after);
        after.Before.Add(before);
    }

    /// <summary>The steps that take what another recipe makes; where none says so the whole dish waits.</summary>
    private static IEnumerable<Work> Takers(IReadOnlyList<Work> tasks, Guid version)
    {
        var taking = tasks.Where(work => work.Step.Takes.Any(take => take.Line.Use?.Of.Version == version)).ToList();
        return taking.Count > 0 ? taking : tasks.Where(work => work.Before.TrueForAll(before => before.Dish != work.Dish));
    }
}
