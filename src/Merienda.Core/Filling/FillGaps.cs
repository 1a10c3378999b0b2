namespace Merienda.Core.Filling;

/// <summary>Open meals for which nothing is there, said before anybody seeks.</summary>
public static class FillGaps
{
    /// <summary>
    /// "Nothing is meant for breakfast: 7 meals stay open.", "Nothing for breakfast is what Dov may have: 7 meals stay open."; judged helping by
    /// helping, so what only the day forbids is not among them.
    /// </summary>
    public static IReadOnlyList<string> Of(FillQuestion question)
    {
        var table = new FillTable(question);
        var dishes = Enumerable.Range(0, question.Dishes.Count);
        var gaps = question
            .Open.GroupBy(cell => (cell.Meal, cell.Eater))
            .Select(open =>
                (
                    Slot: question.Rhythm.Meal(open.Key.Meal)!,
                    Eater: question.Eaters.First(eater => eater.Id == open.Key.Eater),
                    Dates: open.Select(cell => cell.Date).ToList()
                )
            )
            .Where(gap => !gap.Dates.Exists(date => dishes.Any(dish => table.SizesOf(gap.Eater, date, gap.Slot, dish).IsAny)));
        return
        [
            .. gaps.GroupBy(gap => gap.Slot)
                .SelectMany(meal =>
                    question.Dishes.Any(dish => dish.IsFor(meal.Key, question.Rhythm))
                        ? meal.Select(gap => $"Nothing for {meal.Key.Name} is what {gap.Eater.Name} may have: {StayOpen(gap.Dates.Count)}")
                        : [$"Nothing is meant for {meal.Key.Name}: {StayOpen(meal.Sum(gap => gap.Dates.Count))}"]
                ),
        ];
    }

    private static string StayOpen(int meals) => meals == 1 ? "1 meal stays open." : $"{meals} meals stay open.";
}
