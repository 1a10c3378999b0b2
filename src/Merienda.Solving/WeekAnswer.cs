using Google.OrTools.Sat;
using Merienda.Core.Filling;

namespace Merienda.Solving;

/// <summary>What a solver found, as a plan and as the place where the next search begins.</summary>
internal static class WeekAnswer
{
    /// <summary>Every variable as a solver left it.</summary>
    public static void HintFrom(this WeekModel week, CpSolver solver)
    {
        week.Model.ClearHints();
        var variables = week
            .Choices.SelectMany(choice =>
                choice.From.SelectMany(from => new[] { from.Is, from.Quarters }).Append(choice.Is).Append(choice.Quarters)
            )
            .Concat(week.Batches.SelectMany(batch => batch.Portions.Values.Append(batch.Is)))
            .Concat(week.Growths.SelectMany(one => new[] { one.More, one.Left }))
            .Concat(week.Staying.Select(one => one.Is))
            .Concat(week.Off)
            .Concat(week.Same);
        foreach (var variable in variables.DistinctBy(variable => variable.Index))
        {
            week.Model.AddHint(variable, solver.Value(variable));
        }
    }

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
                free.Remove(slot);
                var from = choice.From.First(one => value(one.Is) > 0);
                var rest = from.Rest is { } at ? question.Rests[at] : null;
                servings.Add(
                    new(
                        WeekModel.CellOf(choice.Group, slot),
                        question.Dishes[choice.Dish],
                        value(choice.Quarters) / (decimal)FillTable.Quarters,
                        rest?.Cooked ?? question.Sessions[from.Session!.Value].Date,
                        rest
                    )
                );
            }
        }

        return new(
            servings,
            [
                .. week
                    .Batches.Where(batch => value(batch.Is) > 0)
                    .Select(batch => new FillBatch(
                        question.Sessions[batch.Session].Date,
                        [
                            .. batch
                                .Portions.Where(lot => value(lot.Value) > 0)
                                .Select(lot => (question.Dishes[lot.Key], (int)value(lot.Value))),
                        ]
                    ))
                    .Where(batch => batch.Lots.Count > 0),
            ]
        );
    }
}
