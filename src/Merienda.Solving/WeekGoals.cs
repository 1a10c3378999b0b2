using Google.OrTools.Sat;
using Merienda.Core.Filling;

namespace Merienda.Solving;

/// <summary>What a model is made small by, goal by goal.</summary>
internal static class WeekGoals
{
    /// <summary>Minutes by hand for a portion more of a batch that is cooked anyway, and for something bought beside a meal [C].</summary>
    private const int PortionMore = 2;

    /// <summary>What is made small for a goal.</summary>
    public static LinearExpr SumOf(this WeekModel week, FillGoal goal) =>
        goal switch
        {
            FillGoal.Covered or FillGoal.Mended => LinearExpr.Sum(week.Uncovered.Values),
            FillGoal.Changes => Answered(week) - LinearExpr.Sum(week.Staying.Select(one => one.Is)) + Beside(week),
            FillGoal.Swaps => Answered(week) - LinearExpr.Sum(SameDishes(week)),
            FillGoal.Targets => LinearExpr.Sum(week.Off),
            FillGoal.There => LinearExpr.Sum(week.Growths.Select(one => one.Left)),
            FillGoal.Due => LinearExpr.Sum(week.Question.Due.Select(thing => Unused(week, thing))),
            FillGoal.Batches => LinearExpr.Sum(week.Batches.Select(batch => batch.Is)),
            FillGoal.Minutes => LinearExpr.Sum(week.Batches.Select(batch => batch.Is * week.MinutesOf(batch)))
                + ((LinearExpr.Sum(week.Growths.Select(one => one.More)) + Beside(week)) * PortionMore),
            FillGoal.Cost => Cost(week),
            FillGoal.Packs => WeekPacks.Left(week),
            FillGoal.Sizes => LinearExpr.Sum(week.Choices.Where(choice => !week.IsReady(choice)).Select(choice => OffSize(week, choice))),
            FillGoal.Leftovers => (LinearExpr.Sum(week.Batches.SelectMany(batch => batch.Portions.Values)) * FillTable.Quarters)
                - LinearExpr.Sum(
                    week.Choices.SelectMany(choice => choice.From).Where(from => from.Session is not null).Select(from => from.Quarters)
                ),
            FillGoal.Sameness => LinearExpr.Sum(week.Same),
            _ => throw new ArgumentOutOfRangeException(nameof(goal), goal, "No such goal."),
        };

    /// <summary>Hundredths of the money for what goes into what is cooked on top of what is planned, and for what is bought.</summary>
    private static LinearExpr Cost(WeekModel week)
    {
        var hundredths = week
            .Question.Dishes.Select(dish => (long)Math.Round(week.Question.Prices.CostOf(dish.Version).Amount * 100))
            .ToList();
        return LinearExpr.Sum(
            week.Batches.SelectMany(batch => batch.Portions)
                .Select(dish => dish.Value * hundredths[dish.Key])
                .Concat(week.Growths.Select(growth => growth.More * hundredths[week.Question.Rests[growth.Rest].Dish]))
                .Concat(week.Choices.Where(week.IsReady).Select(bought => bought.Is * hundredths[bought.Dish]))
        );
    }

    /// <summary>Bought things that come beside what fills a meal.</summary>
    private static LinearExpr Beside(WeekModel week) =>
        LinearExpr.Sum(week.Choices.Where(choice => choice.Group.IsBeside).Select(choice => choice.Is));

    /// <summary>Meals with something that fits.</summary>
    private static LinearExpr Answered(WeekModel week) =>
        LinearExpr.Constant(week.Question.Now.Count) - LinearExpr.Sum(week.Uncovered.Values);

    /// <summary>Whether the dish that stands on a meal is still there, in whatever size.</summary>
    private static IEnumerable<BoolVar> SameDishes(WeekModel week) =>
        week.Question.Now.SelectMany(now =>
            week.Choices.Where(choice => choice.Dish == week.Question.Rests[now.Rest].Dish && WeekModel.IsAt(choice, now))
                .Select(choice => choice.Is)
        );

    /// <summary>Whether something that goes off is in no dish that is cooked in time.</summary>
    private static BoolVar Unused(WeekModel week, DueStock thing)
    {
        var unused = week.Model.NewBoolVar($"{thing.Name} unused");
        week.Model.AddBoolOr([
            unused,
            .. week.Choices.SelectMany(
                choice =>
                    choice.From.Where(from =>
                        from.Session is { } session
                        && thing.IsUsedBy(week.Question.Dishes[choice.Dish].Version, week.Question.Sessions[session].Date)
                    ),
                (_, from) => from.Is
            ),
        ]);
        return unused;
    }

    /// <summary>Quarters by which a portion is smaller or larger than its eater usually takes; only asked for where it is sought.</summary>
    private static IntVar OffSize(WeekModel week, Choice choice)
    {
        var usual = (int)Math.Round(choice.Group.Eater.PortionHabit * FillTable.Quarters);
        var off = week.Model.NewIntVar(0, Math.Max(choice.Sizes.Most, usual), "off size");
        week.Model.Add(off >= choice.Quarters - (choice.Is * usual));
        week.Model.Add(off >= (choice.Is * usual) - choice.Quarters);
        return off;
    }
}
