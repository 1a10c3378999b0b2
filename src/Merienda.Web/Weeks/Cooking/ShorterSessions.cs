using Merienda.Core.Planning;
using Merienda.Core.Sessions;

namespace Merienda.Web.Weeks.Cooking;

/// <summary>What would have a session over earlier, each thing tried.</summary>
public static class ShorterSessions
{
    /// <summary>What wins less is not worth a change, min.</summary>
    private const int Least = 3;

    private const int Most = 3;

    public static async Task<IReadOnlyList<SessionShorter>> ShorterThan(
        this SessionOrders orders,
        WeekView week,
        Kitchen kitchen,
        DateOnly day
    )
    {
        var cooked = week.CookedForIt.Where(batch => batch.Cooked == day).ToList();
        if (cooked.Count == 0)
        {
            return [];
        }

        var dishes = SessionPages.DishesOf(week, cooked);
        var room = kitchen.ForSession(week.Plan.Sessions.First(one => one.Date == day).Cooks);
        var (session, planned, _) = await orders.Planned(SessionPages.SessionOf(week, dishes, room));
        if (planned.Bound != planned.End(session.Question))
        {
            // What nobody found the best order of is not searched many times over while others wait.
            return [];
        }

        var (end, found) = (planned.End(session.Question), new List<SessionShorter>());
        foreach (var other in Shortening.Of(dishes, session, room, RhythmEdits.MostCooks))
        {
            if ((await orders.Of(other.Question)).Answer is { } answer && end - answer.End(other.Question) is >= Least and var won)
            {
                found.Add(new(Says(other, dishes, room), won));
            }
        }

        return [.. found.OrderByDescending(one => one.Minutes).Take(Most)];
    }

    /// <summary>"D Roast pepper soup, “Roast the peppers”, about 24 min in the air fryer at 200 °C".</summary>
    private static string Says(Shortening other, IReadOnlyList<CookedDish> dishes, SessionKitchen room) =>
        other is { Dish: { } dish, Elsewhere: { } there }
            ? $"{dishes[dish].Letter} {dishes[dish].Recipe.Name}, “{other.Task!.Text}”: about {there.Unattended} min in the {Core.Recipes.ApplianceWords.InWords(there.Appliance)} at {there.TemperatureC} °C, if it fits in at once"
        : other.Vessel is { } vessel ? $"One more like {room.Vessels[vessel].Name}"
        : "One more cook";
}
