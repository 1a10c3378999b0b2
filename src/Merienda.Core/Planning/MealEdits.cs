using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;

namespace Merienda.Core.Planning;

/// <summary>What is eaten as it is bought, the order of a meal's things, and what is said of a meal.</summary>
public static class MealEdits
{
    /// <summary>Characters.</summary>
    public const int LongestNote = 200;

    /// <summary>Adds something that is eaten as it is bought.</summary>
    public static Result<WeekPlan> AddReady(this WeekPlan plan, Cell cell, ReadyFood food, Func<Guid> newId) =>
        plan.WrongCell(null, cell) is { } refusal ? refusal : plan.Put(cell, food, newId);

    /// <summary>Changes what is eaten as it is bought, such as its amount; it stays the same thing of the meal.</summary>
    /// <param name="from">As it was seen; refused when it reads otherwise by now.</param>
    public static Result<WeekPlan> Reword(this WeekPlan plan, Guid itemId, string from, RecipeLine to)
    {
        if (plan.Find(itemId) is not var (serving, item) || item is not ReadyFood was)
        {
            return WeekEdits.ItemGone(itemId);
        }

        return was.Line.Read.Text.Trim() != from.Trim()
            ? new Refusal(
                "item-changed",
                "line",
                from,
                $"it is {was.Line.Read.Text.Trim()} by now",
                "Look at the board as it is now and try again"
            )
            : plan.Replace(
                serving,
                serving with
                {
                    Items = [.. serving.Items.Select(one => one.Id == itemId ? was with { Line = to } : one)],
                }
            );
    }

    /// <summary>Puts the things of a meal into another order.</summary>
    public static Result<WeekPlan> Order(this WeekPlan plan, Cell cell, IReadOnlyList<Guid> items) =>
        plan.At(cell) is not { } serving
        || !serving.Items.Select(item => item.Id).ToHashSet().SetEquals(items)
        || items.Count != serving.Items.Count
            ? new Refusal(
                "order-incomplete",
                "items",
                $"{items.Count}",
                "these are not the things of the meal as it is now",
                "Look at the board as it is now and try again"
            )
            : plan.Replace(serving, serving with { Items = [.. items.Select(id => serving.Items.First(item => item.Id == id))] });

    /// <summary>Says how a meal goes, whether it is left alone, and a note.</summary>
    public static Result<WeekPlan> Say(this WeekPlan plan, Cell cell, ServingState state, bool isLocked, string note, Func<Guid> newId)
    {
        if (note.Trim().Length > LongestNote)
        {
            return new Refusal("note-length", "note", note, $"a note has at most {LongestNote} characters", "Shorten it");
        }

        if (plan.WrongCell(null, cell) is { } refusal)
        {
            return refusal;
        }

        var serving = plan.At(cell) ?? new Serving(newId(), cell, []);
        var said = serving with { State = state, IsLocked = isLocked, Note = note.Trim() };
        return plan.At(cell) is null ? plan with { Servings = [.. plan.Servings, said] } : plan.Replace(serving, said);
    }
}
