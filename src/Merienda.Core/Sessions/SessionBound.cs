using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>What keeps a session from being shorter, in whatever order it is cooked.</summary>
/// <param name="Minutes">No order takes less.</param>
/// <param name="Dish">Place of the dish whose own steps take so long; null where hands or an appliance do.</param>
/// <param name="Appliance">That is needed so long; null where a dish or hands are.</param>
public sealed record SessionBound(int Minutes, int? Dish, Appliance? Appliance)
{
    /// <summary>The largest of three: the longest chain of steps, the work by hand shared among the cooks, the busiest appliance.</summary>
    public static SessionBound Of(IReadOnlyList<CookedDish> dishes, SessionKitchen kitchen)
    {
        var works = WorkGraph.Of(dishes);
        var heats = works
            .Select(work => work.Task)
            .Where(task => task.Appliance == Recipes.Appliance.Oven)
            .Select(task => task.TemperatureC)
            .OfType<int>()
            .ToHashSet();
        var chains = new Dictionary<Work, int>();
        var longest = works
            .Select(work => (work.Dish, Minutes: ChainTo(work, heats, chains, [])))
            .OrderByDescending(one => one.Minutes)
            .ToList();
        var hands = (works.Sum(work => work.Task.HandsOn) + kitchen.Cooks - 1) / kitchen.Cooks;
        var busiest = works
            .Where(work => work.Task.Appliance != Recipes.Appliance.None && kitchen.PlacesOf(work.Task.Appliance) is not null)
            .GroupBy(work => work.Task.Appliance)
            .Select(of => (Appliance: of.Key, Minutes: Shared(of.Sum(work => Least(work.Task, heats)), kitchen.PlacesOf(of.Key)!.Value)))
            .OrderByDescending(one => one.Minutes)
            .ToList();
        var bound = longest.Count == 0 ? new(0, null, null) : new SessionBound(longest[0].Minutes, longest[0].Dish, null);
        if (hands > bound.Minutes)
        {
            bound = new(hands, null, null);
        }

        return busiest.Count > 0 && busiest[0].Minutes > bound.Minutes ? new(busiest[0].Minutes, null, busiest[0].Appliance) : bound;
    }

    private static int Shared(int minutes, int places) => (minutes + places - 1) / places;

    /// <summary>Minutes that a task goes on by itself at least: in the hottest oven that it could share.</summary>
    private static int Alone(PrepTask task, IReadOnlySet<int> heats) =>
        Bookings.Alone(task, heats.Where(heat => heat <= task.TemperatureC + Bookings.SharedWithin).Select(heat => (int?)heat).Max());

    /// <summary>Minutes that an appliance is held at least.</summary>
    private static int Least(PrepTask task, IReadOnlySet<int> heats) =>
        Alone(task, heats) + (task.Appliance is Recipes.Appliance.Oven or Recipes.Appliance.AirFryer ? 0 : task.HandsOn);

    /// <summary>Minutes from the start of the session to the end of a task if nothing else is in the way; a ring is not followed.</summary>
    private static int ChainTo(Work work, IReadOnlySet<int> heats, Dictionary<Work, int> known, HashSet<Work> asked)
    {
        if (known.TryGetValue(work, out var minutes))
        {
            return minutes;
        }

        if (!asked.Add(work))
        {
            return 0;
        }

        var before = work.Before.Select(other => ChainTo(other, heats, known, asked)).DefaultIfEmpty(0).Max();
        return known[work] = before + work.Task.HandsOn + Alone(work.Task, heats);
    }
}
