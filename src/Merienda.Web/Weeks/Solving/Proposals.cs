using Merienda.Core.Filling;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks.Solving;

/// <summary>The board as a search would have it, with what is otherwise on it.</summary>
internal static class Proposals
{
    public static ProposedBoard Of(
        StoredWeek stored,
        IReadOnlyList<StoredRecipe> library,
        SolveJob? job,
        IReadOnlySet<Cell> without,
        KnowledgeBase knowledge
    )
    {
        var before = new WeekView(stored, knowledge);
        var whole = job?.Found.Change ?? WeekChange.Nothing;
        var change = whole.Without(without);
        // The same ids each time it is drawn: what is looked at stays what it is.
        var next = 0;
        Guid NewId() => new(++next, 0x5e1, 0x4c0d, (job?.Id ?? Guid.Empty).ToByteArray()[8..]);
        var taken = TakenChange.Of(stored, change, library, NewId);
        if (taken.Refusal is { } refusal)
        {
            return new(before.ToBoard(), [], [], refusal.ToString());
        }

        var then = taken.Value.Week;
        return new(
            new WeekView(then, knowledge).ToBoard(),
            [.. whole.Meals.GroupBy(meal => meal.Cell).Select(meal => MealOf([.. meal], stored, then, without.Contains(meal.Key)))],
            [.. taken.Value.Made.Select(made => made.Batch.Id)],
            null
        );
    }

    private static ProposedMeal MealOf(IReadOnlyList<MealChange> meal, StoredWeek before, StoredWeek then, bool isLeft)
    {
        var (cell, on) = (meal[0].Cell, meal.Select(one => one.On).OfType<PortionFrom>().ToList());
        return new(
            new(cell.Date, cell.Meal, cell.Eater),
            meal.Select(one => one.Off).OfType<ItemSeen>().FirstOrDefault() is { } off ? new(NameOf(before, off.Item), off.Portions) : null,
            [.. on.Select(one => new ProposedPortion(one.Name, one.Size))],
            isLeft ? [] : [.. (then.Plan.At(cell)?.Items ?? []).TakeLast(on.Count).Select(item => item.Id)]
        );
    }

    private static string NameOf(StoredWeek week, Guid item) =>
        week.Plan.Find(item)?.Item switch
        {
            Draw draw when week.Plan.BatchWithId(draw.Batch) is { } batch => batch.LotOf(draw).Named(week.RecipeOf(batch).Version.Name),
            ReadyFood ready => ready.Line.Read.Text.Trim(),
            _ => "",
        };
}
