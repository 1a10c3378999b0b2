using Merienda.Core.Recipes;
using Merienda.Core.Sessions;

namespace Merienda.Core.Tests.Sessions;

/// <summary>Looks at every minute of a schedule, without knowing how it was made.</summary>
internal static class ScheduleCheck
{
    public static IEnumerable<string> Wrong(IReadOnlyList<ScheduledTask> order, SessionKitchen kitchen)
    {
        var ends = order.ToDictionary(item => item.Task.Id, item => item.End);
        foreach (var item in order)
        {
            if (item.Task.After.Any(before => ends[before] > item.Start))
            {
                yield return $"{item.Task.Id} begins before what it waits for is over";
            }

            if (item.Heat is { } heat && item.Task.TemperatureC is { } own && Math.Abs(heat - own) > 15)
            {
                yield return $"{item.Task.Id} bakes at {heat} instead of {own}";
            }
        }

        for (var minute = 0; minute < order.Max(item => item.End); minute++)
        {
            foreach (var cook in order.Where(item => item.Start <= minute && minute < item.HandsOnEnd).GroupBy(item => item.Cook))
            {
                if (cook.Count() > 1 || cook.Key >= kitchen.Cooks)
                {
                    yield return $"cook {cook.Key} does {cook.Count()} things at {minute}";
                }
            }

            foreach (var held in order.Where(item => Holds(item, minute)).GroupBy(item => (item.Task.Appliance, item.Unit)))
            {
                var places = held.Key.Appliance == Appliance.Oven ? kitchen.Ovens[held.Key.Unit] : kitchen.PlacesOf(held.Key.Appliance);
                if (held.Count() > places)
                {
                    yield return $"{held.Key.Appliance} holds {held.Count()} at {minute}";
                }

                if (held.Key.Appliance == Appliance.Oven && held.Select(item => item.Heat).OfType<int>().Distinct().Count() > 1)
                {
                    yield return $"the oven has two temperatures at {minute}";
                }
            }
        }
    }

    private static bool Holds(ScheduledTask item, int minute) =>
        item.Task.Appliance is Appliance.Oven or Appliance.AirFryer
            ? item.HandsOnEnd <= minute && minute < item.End
            : item.Start <= minute && minute < item.End && item.Task.Appliance != Appliance.None;
}
