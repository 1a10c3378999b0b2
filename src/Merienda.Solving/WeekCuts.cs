using Google.OrTools.Sat;
using Merienda.Core.Filling;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Solving;

/// <summary>Dishes that an eater may not have together on a day, as Core found when it judged a plan: no sum says it.</summary>
/// <param name="IsAlsoMore">Whether larger sizes break the same rule.</param>
internal sealed record WeekCut(
    Guid Eater,
    IReadOnlySet<DateOnly> Days,
    IReadOnlyList<(FillDish Dish, int Quarters)> Helpings,
    bool IsAlsoMore
);

/// <summary>What the sums of a model do not say: an amount that is free once a day across its dishes, for one.</summary>
internal static class WeekCuts
{
    /// <summary>Days of a plan on which Core finds a rule broken that the sums keep; each with no more dishes than it takes.</summary>
    public static IEnumerable<WeekCut> Of(FillQuestion question, FillTable table, FillPlan plan)
    {
        foreach (var day in plan.Servings.GroupBy(serving => (serving.Cell.Eater, serving.Cell.Date)))
        {
            var eater = question.Eaters.First(one => one.Id == day.Key.Eater);
            var rules = eater.Rules.On(day.Key.Date).Where(rule => rule.Period == Period.Day).ToList();
            var standing = question
                .Placed.Where(item => (item.Cell.Eater, item.Cell.Date) == day.Key)
                .Select(item => At(question, item.Cell, item.Helping))
                .ToList();
            foreach (var rule in rules)
            {
                bool Breaks(IEnumerable<FillServing> some, bool isWithStanding = true) =>
                    rule.Check(
                        new([.. isWithStanding ? standing : [], .. some.Select(serving => At(question, serving.Cell, serving.Helping))]),
                        // What is open may still bring what a floor lacks.
                        eater.Rules.Context with
                        {
                            OpenMeals = 1,
                        }
                    ).Verdict == Verdict.Breaks;
                if (!Breaks(day) || Breaks([]))
                {
                    continue;
                }

                var needed = day.ToList();
                foreach (var serving in day)
                {
                    var rest = needed.Where(one => one != serving).ToList();
                    needed = Breaks(rest) ? rest : needed;
                }

                yield return new(
                    eater.Id,
                    Breaks(needed, false)
                        ? question.Dates.Where(date => table.SumsOf(eater, date) == table.SumsOf(eater, day.Key.Date)).ToHashSet()
                        : new HashSet<DateOnly> { day.Key.Date },
                    [.. needed.Select(serving => (serving.Dish, (int)(serving.Size * FillTable.Quarters)))],
                    Breaks(needed.Select(serving => serving with { Size = serving.Size * 2 }))
                );
            }
        }
    }

    private static Helping At(FillQuestion question, Cell cell, Helping helping) =>
        helping with
        {
            At = new(cell.Date, question.Rhythm.Meal(cell.Meal)!),
        };

    public static void Add(WeekModel week, IEnumerable<WeekCut> cuts)
    {
        foreach (var cut in cuts)
        {
            foreach (var day in week.Choices.Where(choice => choice.Group.Eater.Id == cut.Eater).GroupBy(choice => choice.Group.Date))
            {
                if (cut.Days.Contains(day.Key))
                {
                    Forbid(week, cut, [.. day]);
                }
            }
        }
    }

    /// <summary>Wherever its dishes stand on a day, not all of them in these sizes.</summary>
    private static void Forbid(WeekModel week, WeekCut cut, List<Choice> day)
    {
        var ways = new List<(List<Choice> At, List<ILiteral> Not)> { ([], []) };
        foreach (var (dish, quarters) in cut.Helpings)
        {
            ways =
            [
                .. from way in ways
                from choice in day
                where week.Question.Dishes[choice.Dish] == dish && quarters <= choice.Sizes.Most && !way.At.Contains(choice)
                select (
                    (List<Choice>)[.. way.At, choice],
                    (List<ILiteral>)[.. way.Not, .. IsOtherwise(week, choice, quarters, cut.IsAlsoMore)]
                ),
            ];
        }

        foreach (var way in ways)
        {
            week.Model.AddBoolOr(way.Not);
        }
    }

    private static IEnumerable<ILiteral> IsOtherwise(WeekModel week, Choice choice, int quarters, bool isAlsoMore)
    {
        yield return week.IsAtLeast(choice, quarters).Not();
        if (!isAlsoMore && quarters < choice.Sizes.Most)
        {
            yield return week.IsAtLeast(choice, quarters + 1);
        }
    }
}
