using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Protocols;

namespace Merienda.Bench;

/// <summary>
/// A week as somebody in a hurry fills it, meal by meal: what is cooked already first, then what is soon done, in the usual size, as long as
/// the day's ceilings hold. What a search is held against.
/// </summary>
internal static class GreedyPlan
{
    public static FillPlan Of(FillQuestion question)
    {
        var table = new FillTable(question);
        var servings = new List<FillServing>();
        foreach (
            var cell in question
                .Open.OrderBy(cell => cell.Date)
                .ThenBy(cell => question.Rhythm.Meal(cell.Meal)!.Position)
                .ThenBy(cell => cell.Eater)
        )
        {
            if (Choose(question, table, servings, cell) is { } serving)
            {
                servings.Add(serving);
            }
        }

        return new(
            servings,
            [
                .. servings
                    .GroupBy(serving => (serving.Cooked, serving.Dish))
                    .Select(lot => new FillBatch(lot.Key.Cooked, [(lot.Key.Dish, (int)Math.Ceiling(lot.Sum(serving => serving.Size)))])),
            ]
        );
    }

    private static FillServing? Choose(FillQuestion question, FillTable table, List<FillServing> servings, Core.Planning.Cell cell)
    {
        var (eater, slot) = (question.Eaters.First(one => one.Id == cell.Eater), question.Rhythm.Meal(cell.Meal)!);
        var day = servings.Where(one => one.Cell.Eater == cell.Eater && one.Cell.Date == cell.Date).ToList();
        var forms = FillTable.FormsOf(eater, cell.Date).Where(form => form is { Period: Period.Day, AtMost: not null }).ToList();
        return (
            from dish in Enumerable.Range(0, question.Dishes.Count)
            let asked = question.Dishes[dish]
            let sizes = table.SizesOf(eater, cell.Date, slot, dish)
            where sizes.IsAny && day.TrueForAll(one => one.Dish != asked)
            where !slot.IsMain || servings.Count(one => one.Cell.Eater == cell.Eater && one.Dish == asked) < question.Wishes.MostTimes
            let session = question.Sessions.LastOrDefault(one =>
                one.EatenFrom <= cell.Date && asked.KeptUntil(one.Date, cell.Date) == KeptIn.Fridge
            )
            where session is not null
            from size in Enumerable.Range(sizes.Least, sizes.Most - sizes.Least + 1)
            let serving = new FillServing(cell, asked, size / (decimal)FillTable.Quarters, session.Date)
            where forms.TrueForAll(form => day.Append(serving).Sum(one => form.Of(one.Helping).Best) <= form.AtMost)
            let isCooked = servings.Exists(one => one.Dish == asked && one.Cooked == session.Date)
            orderby isCooked descending, Math.Abs(serving.Size - eater.PortionHabit), asked.HandsOn
            select serving
        ).FirstOrDefault();
    }
}
