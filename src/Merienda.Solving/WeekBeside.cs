using Google.OrTools.Sat;
using Merienda.Core.Filling;

namespace Merienda.Solving;

/// <summary>
/// Bought things beside what fills a meal: a pot of curd for a day that lacks protein. At most two a day, none where the meal itself has
/// nothing, and none that the day has already.
/// </summary>
internal static class WeekBeside
{
    private const int MostADay = 2;

    public static void Add(WeekModel week, IReadOnlyList<int> dishes)
    {
        var ready = dishes.Where(dish => week.Question.Dishes[dish].Ready is not null).ToList();
        foreach (var day in week.Groups.GroupBy(group => (group.Eater, group.Date)).ToList())
        {
            if (!week.Table.MayHaveBeside(day.Key.Eater, day.Key.Date))
            {
                continue;
            }

            var beside = new List<Choice>();
            foreach (var dish in ready)
            {
                if (At(week, [.. day], dish) is { } choice)
                {
                    beside.Add(choice);
                }
            }

            week.Model.Add(LinearExpr.Sum(beside.Select(choice => choice.Is)) <= MostADay);
        }
    }

    private static Choice? At(WeekModel week, IReadOnlyList<Group> day, int dish)
    {
        var asked = week.Question.Dishes[dish];
        var open = day.Where(group => !week.IsFixed(group)).SelectMany(group => group.Slots).ToList();
        var slots = asked.Version.Meal is { } meal ? open.Where(slot => slot.Key == meal).ToList() : open;
        if (slots.Count == 0)
        {
            return null;
        }

        var slot = FillQuestion.SlotBeside(slots);
        var filled = day.First(group => group.Slots.Contains(slot));
        if (week.Choose(filled with { Slots = [slot], IsBeside = true }, dish, false) is not { } choice)
        {
            return null;
        }

        week.Model.Add(week.Uncovered[filled] == 0).OnlyEnforceIf(choice.Is);
        foreach (
            var same in week.Choices.Where(one => one.Dish == dish && one.Group.Eater == filled.Eater && one.Group.Date == filled.Date)
        )
        {
            week.Model.AddImplication(choice.Is, same.Is.Not());
        }

        week.Choices.Add(choice);
        return choice;
    }
}
