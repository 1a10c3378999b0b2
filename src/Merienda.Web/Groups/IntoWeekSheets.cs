using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage;

namespace Merienda.Web.Groups;

/// <summary>A published menu, asked for in a week at home.</summary>
/// <param name="Before">The version that was put on this week before; null for the first time.</param>
/// <param name="Start">The week's first day.</param>
/// <param name="Days">Of the menu that come into it: at most seven, each on its own weekday.</param>
/// <param name="Answers">To what it can't know.</param>
/// <param name="Earlier">What was answered when the version before was put there.</param>
internal sealed record AskedIntoWeek(
    MenuHere Here,
    int Number,
    MenuHere? Before,
    DateOnly Start,
    IReadOnlyList<int> Days,
    HomeAnswers Answers,
    HomeAnswers Earlier
);

/// <summary>What a menu would be in a week, and what it asks.</summary>
internal static class IntoWeekSheets
{
    public static IntoWeekSheet Of(AskedIntoWeek asked, StoredWeek week, IntoWeek into)
    {
        var (read, rhythm) = (asked.Here, week.Table.Household.Rhythm);
        string NameOf(Guid eater) => week.Table.WithId(eater)?.Name ?? "";
        string DishOf(Draw draw)
        {
            var batch = week.Plan.BatchWithId(draw.Batch)!;
            return $"{batch.Letter} {batch.LotOf(draw).Named(week.RecipeOf(batch).Version.Name)}";
        }

        var used = read.Menu.Reached(asked.Days);
        IReadOnlyList<string> Named(params EnclosedState[] states) =>
            [.. used.Order().Where(at => states.Contains(read.States[at])).Select(at => read.Menu.Recipes[at].Draft.Name)];
        return new(
            week.Plan.Start,
            Asks(asked, week),
            Named(EnclosedState.New),
            Named(EnclosedState.Newer),
            Named(EnclosedState.Own, EnclosedState.OwnAndNewer),
            [
                .. into
                    .Change.Meals.Where(meal => meal.Off is not null)
                    .Select(meal => (meal.Cell, Name: DishOf((Draw)week.Plan.Find(meal.Off!.Item)!.Value.Item)))
                    .GroupBy(off => (off.Name, off.Cell.Eater, off.Cell.Meal))
                    .Select(same =>
                        $"{same.Key.Name}: {NameOf(same.Key.Eater)} {string.Join(", ", same.Select(off => $"{off.Cell.Date:ddd}"))} {rhythm.NameOf(same.Key.Meal)}"
                    ),
            ],
            BatchesOf(week, into.Change),
            [
                .. into
                    .Left.GroupBy(left => (left.Eater, left.Because))
                    .Select(same => new LeftOutSheet(
                        NameOf(same.Key.Eater),
                        same.Key.Because,
                        [.. same.Select(left => left.Dish).Distinct()]
                    )),
            ]
        );
    }

    private static IntoWeekAsks Asks(AskedIntoWeek asked, StoredWeek week)
    {
        var (menu, rhythm) = (asked.Here.Menu, week.Table.Household.Rhythm);
        return new(
            [.. week.Table.Diners.Select(eater => new EaterAsked(eater.Id, eater.Name))],
            [.. menu.Homeless(rhythm, asked.Days).Select(meal => new MealAsked(meal.Key, meal.Name))],
            [.. rhythm.Meals.Select(slot => new MealAsked(slot.Key, slot.Name))],
            [
                .. menu
                    .Dishes.Where(dish => asked.Days.Contains(dish.Day))
                    .Select(dish => dish.Recipe)
                    .Distinct()
                    .Select(at => asked.Here.Recipes[at])
                    .Where(recipe => !recipe.IsRefused)
                    .Select(recipe => recipe.Value.Version)
                    .SelectMany(dish =>
                        Intake.Of(new Helping(dish.Name, dish.Profile, 1)).UnknownLines.Select(line => $"{dish.Name}: {line}")
                    ),
            ],
            asked.Answers
        );
    }

    /// <summary>What is cooked for it: new batches, and more of those that are cooked anyway.</summary>
    private static IReadOnlyList<BatchIntoWeek> BatchesOf(StoredWeek week, Core.Filling.WeekChange change)
    {
        string NameOf(Guid eater) => week.Table.WithId(eater)?.Name ?? "";
        return
        [
            .. change
                .Meals.Where(meal => meal.On is not null)
                .GroupBy(meal => (meal.On!.NewBatch, meal.On.Batch))
                .Select(batch =>
                {
                    var (name, cooked) = batch.Key.NewBatch is { } number
                        ? change.Batches.Where(one => one.Number == number).Select(one => (one.Name, one.Cooked)).First()
                        : (
                            week.RecipeOf(week.Plan.BatchWithId(batch.Key.Batch!.Value)!).Version.Name,
                            week.Plan.BatchWithId(batch.Key.Batch!.Value)!.Cooked
                        );
                    return new BatchIntoWeek(
                        name,
                        cooked,
                        batch.GroupBy(meal => meal.On!.Variant).Sum(lot => Math.Ceiling(lot.Sum(meal => meal.On!.Size))),
                        batch.Key.NewBatch is null,
                        [
                            .. batch
                                .GroupBy(meal => (meal.Cell.Eater, meal.Cell.Meal, meal.On!.Size, meal.On.Variant))
                                .Select(same =>
                                    $"{NameOf(same.Key.Eater)}: {string.Join(", ", same.Select(meal => $"{meal.Cell.Date:ddd}"))} {week.Table.Household.Rhythm.NameOf(same.Key.Meal)}{(same.Key.Size == 1 ? "" : $", {same.Key.Size:0.##} portions")}{(same.Key.Variant is { } variant ? $", {variant}" : "")}"
                                ),
                        ]
                    );
                }),
        ];
    }
}
