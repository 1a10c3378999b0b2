using Merienda.Core.Planning;

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
        var gaps = question
            .Open.GroupBy(cell => (cell.Meal, cell.Eater))
            .Select(open => (open.Key.Meal, Eater: question.Eaters.First(eater => eater.Id == open.Key.Eater), Cells: open.ToList()))
            .Where(open => !open.Cells.Exists(cell => IsAny(question, table, cell)))
            .ToList();
        return
        [
            .. gaps.GroupBy(gap => gap.Meal)
                .SelectMany(meal =>
                {
                    var slot = question.Rhythm.Meal(meal.Key)!;
                    return question.Dishes.Any(dish => dish.IsFor(slot, question.Rhythm))
                        ? meal.Select(gap => $"Nothing for {slot.Name} is what {gap.Eater.Name} may have: {StayOpen(gap.Cells.Count)}")
                        : [$"Nothing is meant for {slot.Name}: {StayOpen(meal.Sum(gap => gap.Cells.Count))}"];
                }),
        ];
    }

    private static string StayOpen(int meals) => meals == 1 ? "1 meal stays open." : $"{meals} meals stay open.";

    private static bool IsAny(FillQuestion question, FillTable table, Cell cell)
    {
        var (eater, slot) = (question.Eaters.First(one => one.Id == cell.Eater), question.Rhythm.Meal(cell.Meal)!);
        return Enumerable.Range(0, question.Dishes.Count).Any(dish => table.SizesOf(eater, cell.Date, slot, dish).IsAny);
    }
}
