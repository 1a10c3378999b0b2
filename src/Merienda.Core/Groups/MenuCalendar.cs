using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;

namespace Merienda.Core.Groups;

/// <param name="Dishes">Names, each once.</param>
/// <param name="HandsOn">Minutes that its dishes keep somebody busy, one after the other.</param>
public sealed record MenuSession(DateOnly Date, TimeOnly Start, string Name, IReadOnlyList<string> Dishes, int HandsOn);

/// <summary>What is moved from the freezer to the fridge on an evening, for the day after.</summary>
public sealed record MenuThaw(DateOnly Evening, IReadOnlyList<string> Dishes);

/// <summary>A menu on a household's own prep days: cooked in the last session from which it keeps, thawed the evening before.</summary>
public static class MenuCalendar
{
    public static (IReadOnlyList<MenuSession> Sessions, IReadOnlyList<MenuThaw> Thaws) Of(
        IReadOnlyList<(DateOnly Eaten, RecipeVersion Dish)> dishes,
        Rhythm rhythm
    )
    {
        var sessions = dishes
            .Select(dish => rhythm.WeekOf(dish.Eaten))
            .Distinct()
            .SelectMany(week => rhythm.SessionsOf(week).Select(date => rhythm.SessionOn(date, week, Guid.Empty)))
            .DistinctBy(session => session.Date)
            .ToList();
        var cooked = dishes
            .Select(dish => (dish.Eaten, dish.Dish, Session: MenuIntoWeek.SessionFor(sessions, dish.Dish.KeepingOf(null), dish.Eaten)))
            .Where(dish => dish.Session is not null)
            .ToList();
        return (
            [
                .. from session in sessions
                orderby session.Date
                let there = cooked
                    .Where(dish => dish.Session == session.Date)
                    .Select(dish => dish.Dish)
                    .DistinctBy(dish => dish.Name)
                    .ToList()
                where there.Count > 0
                select new MenuSession(
                    session.Date,
                    session.Start,
                    session.Name,
                    NamesOf(there),
                    there.Sum(dish => dish.Tasks.Sum(task => task.HandsOn))
                ),
            ],
            [
                .. from dish in cooked
                where KeepingPlan.For(dish.Dish.KeepingOf(null), dish.Session!.Value, dish.Eaten, false).KeptIn == KeptIn.Freezer
                group dish.Dish by dish.Eaten.AddDays(-1) into evening
                orderby evening.Key
                select new MenuThaw(evening.Key, NamesOf(evening)),
            ]
        );
    }

    private static IReadOnlyList<string> NamesOf(IEnumerable<RecipeVersion> dishes) => [.. dishes.Select(dish => dish.Name).Distinct()];
}
