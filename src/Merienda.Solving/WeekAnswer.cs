using Google.OrTools.Sat;
using Merienda.Core.Filling;

namespace Merienda.Solving;

/// <summary>What a solver found, as a plan and as the place where the next search begins.</summary>
internal static class WeekAnswer
{
    /// <summary>Begins the next search at a plan that was found with other dishes to choose from.</summary>
    public static void HintFrom(this WeekModel week, FillPlan plan)
    {
        week.Model.ClearHints();
        var served = plan.Servings.ToLookup(serving => (serving.Cell.Eater, serving.Cell.Date, serving.Dish));
        foreach (var choice in week.Choices)
        {
            var serving = served[(choice.Group.Eater.Id, choice.Group.Date, week.Question.Dishes[choice.Dish])]
                .FirstOrDefault(one => one.IsBeside == choice.Group.IsBeside && choice.Group.Slots.Any(slot => slot.Key == one.Cell.Meal));
            var quarters = (long)((serving?.Size ?? 0) * FillTable.Quarters);
            Hint(week, choice.Is, serving is null ? 0 : 1);
            Hint(week, choice.Quarters, quarters);
            foreach (var from in choice.From.Where(_ => choice.From.Count > 1))
            {
                var isIt =
                    serving is not null
                    && (
                        from.Rest is { } rest
                            ? serving.Rest == week.Question.Rests[rest]
                            : serving.Rest is null && serving.Cooked == week.Question.Sessions[from.Session!.Value].Date
                    );
                Hint(week, from.Is, isIt ? 1 : 0);
                Hint(week, from.Quarters, isIt ? quarters : 0);
            }
        }

        foreach (var batch in week.Batches)
        {
            var made = plan.Batches.FirstOrDefault(one =>
                one.Cooked == week.Question.Sessions[batch.Session].Date && one.Lots[0].Dish.Recipe == batch.Recipe
            );
            Hint(week, batch.Is, made is null ? 0 : 1);
            foreach (var (dish, portions) in batch.Portions)
            {
                Hint(week, portions, made?.Lots.FirstOrDefault(lot => lot.Dish == week.Question.Dishes[dish]).Portions ?? 0);
            }
        }

        foreach (var growth in week.Growths)
        {
            var rest = week.Question.Rests[growth.Rest];
            var eaten = plan.Servings.Where(serving => serving.Rest == rest).Sum(serving => serving.Size);
            Hint(week, growth.More, (long)Math.Ceiling(Math.Max(0, eaten - rest.Portions)));
            Hint(week, growth.Left, (long)(Math.Max(0, rest.Portions - eaten) * FillTable.Quarters));
        }

        foreach (var stays in week.Staying)
        {
            Hint(
                week,
                stays.Is,
                plan.Servings.Any(serving =>
                    serving.Cell == stays.Now.Cell && serving.Size == stays.Now.Size && serving.Rest == week.Question.Rests[stays.Now.Rest]
                )
                    ? 1
                    : 0
            );
        }
    }

    private static void Hint(WeekModel week, IntVar variable, long value) => week.Model.AddHint(variable, value);

    /// <param name="value">Of a variable, as it was found.</param>
    public static FillPlan Read(this WeekModel week, Func<IntVar, long> value)
    {
        var (question, servings) = (week.Question, new List<FillServing>());
        foreach (var group in week.Choices.Where(choice => value(choice.Is) > 0).GroupBy(choice => choice.Group))
        {
            var free = group.Key.Slots.ToList();
            // Those that only one meal takes sit down first.
            foreach (var choice in group.OrderBy(choice => choice.Only is null).ThenBy(choice => choice.Dish))
            {
                var slot = choice.Only is { } only ? free.First(one => one.Key == only.Key) : free[0];
                if (!choice.Group.IsBeside)
                {
                    free.Remove(slot);
                }

                var from = choice.From.First(one => value(one.Is) > 0);
                var rest = from.Rest is { } at ? question.Rests[at] : null;
                servings.Add(
                    new(
                        WeekModel.CellOf(choice.Group, slot),
                        question.Dishes[choice.Dish],
                        value(choice.Quarters) / (decimal)FillTable.Quarters,
                        rest?.Cooked ?? (from.Session is { } session ? question.Sessions[session].Date : choice.Group.Date),
                        rest
                    )
                    {
                        IsBeside = choice.Group.IsBeside,
                    }
                );
            }
        }

        // No more than is eaten: a search that does not look at leftovers yet may cook any number.
        var batches = servings
            .Where(serving => serving.Rest is null && serving.Dish.Ready is null)
            .GroupBy(serving => (serving.Cooked, serving.Dish.Recipe))
            .OrderBy(batch => batch.Key.Cooked)
            .ThenBy(batch => batch.First().Dish.Version.Name, StringComparer.Ordinal)
            .Select(batch => new FillBatch(
                batch.Key.Cooked,
                [.. batch.GroupBy(serving => serving.Dish).Select(lot => (lot.Key, (int)Math.Ceiling(lot.Sum(serving => serving.Size))))]
            ));
        return new(servings, [.. batches]);
    }
}
