using Merienda.Core.Planning;

namespace Merienda.Core.Filling;

/// <summary>A batch that would be cooked; how large follows from the meals that are taken.</summary>
/// <param name="Number">Its name within the change.</param>
/// <param name="Version">Id of the recipe's version that was judged.</param>
public sealed record NewBatch(int Number, Guid Recipe, Guid Version, string Name, DateOnly Cooked);

/// <summary>Something of a meal, with the size it was seen in.</summary>
public sealed record ItemSeen(Guid Item, decimal Portions);

/// <summary>A portion of a batch that would be cooked, in a variant of its recipe or as written; or of a lot that is planned or there.</summary>
/// <param name="Name">The dish, with its variant.</param>
/// <param name="Ready">Something bought, as its line says; null for a portion of a batch.</param>
public sealed record PortionFrom(int? NewBatch, string? Variant, Guid? Batch, Guid? Lot, decimal Size, string Name, string? Ready = null);

/// <param name="Off">What is taken off; null where nothing stands.</param>
/// <param name="On">What comes onto it; null leaves it open.</param>
public sealed record MealChange(Cell Cell, ItemSeen? Off, PortionFrom? On)
{
    /// <summary>Whether it comes beside what stands there.</summary>
    public bool IsBeside { get; init; }

    /// <summary>Whether nothing is missing there when it is empty then.</summary>
    public bool IsLeftOut { get; init; }
}

/// <summary>Many edits of a week as one: what a search proposes, as somebody may take it.</summary>
public sealed record WeekChange(IReadOnlyList<NewBatch> Batches, IReadOnlyList<MealChange> Meals)
{
    public static readonly WeekChange Nothing = new([], []);

    public bool IsEmpty => Meals.Count == 0;

    /// <summary>How many meals are changed: what comes beside is no meal of its own.</summary>
    public int Cells => Meals.Select(meal => meal.Cell).Distinct().Count();

    /// <summary>What is otherwise in a plan than the week has it.</summary>
    /// <param name="versionOf">Id of the version that a recipe was judged in.</param>
    public static WeekChange Of(FillQuestion question, FillPlan plan, Func<Guid, Guid> versionOf)
    {
        var batches = plan
            .Batches.OrderBy(batch => batch.Cooked)
            .ThenBy(batch => batch.Lots[0].Dish.Version.Name, StringComparer.Ordinal)
            .Select(
                (batch, at) =>
                    new NewBatch(
                        at + 1,
                        batch.Lots[0].Dish.Recipe,
                        versionOf(batch.Lots[0].Dish.Recipe),
                        batch.Lots[0].Dish.Version.Name,
                        batch.Cooked
                    )
            )
            .ToList();
        var served = plan.Servings.Where(serving => !serving.IsBeside).ToDictionary(serving => serving.Cell);
        PortionFrom On(FillServing serving) =>
            serving.Dish.Ready is { } ready ? new(null, null, null, null, serving.Size, serving.Dish.Name, ready)
            : serving.Rest is { } rest ? new(null, null, rest.Batch, rest.Lot, serving.Size, serving.Dish.Name)
            : new(
                batches.First(batch => batch.Recipe == serving.Dish.Recipe && batch.Cooked == serving.Cooked).Number,
                serving.Dish.Variant,
                null,
                null,
                serving.Size,
                serving.Dish.Name
            );
        var meals = question.IsMend
            ? question
                .Now.Where(now =>
                    served.GetValueOrDefault(now.Cell) is not { } then || then.Rest != question.Rests[now.Rest] || then.Size != now.Size
                )
                .Select(now => new MealChange(
                    now.Cell,
                    new(now.Item, now.Size),
                    served.GetValueOrDefault(now.Cell) is { } then ? On(then) : null
                ))
            : served.Values.Select(serving => new MealChange(serving.Cell, null, On(serving))
            {
                IsBeside = question.Beside.Contains(serving.Cell),
            });
        var beside = plan
            .Servings.Where(serving => serving.IsBeside)
            .Select(serving => new MealChange(serving.Cell, null, On(serving)) { IsBeside = true });
        return new(
            batches,
            [
                .. meals
                    .Concat(beside)
                    .OrderBy(meal => meal.Cell.Date)
                    .ThenBy(meal => question.Rhythm.Meal(meal.Cell.Meal)?.Position)
                    .ThenBy(meal => meal.Cell.Eater),
            ]
        );
    }

    /// <summary>The change with some meals left alone; a batch that nothing is taken of is not cooked.</summary>
    public WeekChange Without(IReadOnlySet<Cell> cells)
    {
        var meals = Meals.Where(meal => !cells.Contains(meal.Cell)).ToList();
        return new([.. Batches.Where(batch => meals.Exists(meal => meal.On?.NewBatch == batch.Number))], meals);
    }
}
