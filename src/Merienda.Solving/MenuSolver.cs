using System.Globalization;
using Google.OrTools.Sat;
using Merienda.Core.Groups.Filling;

namespace Merienda.Solving;

/// <summary>
/// Fills the open meals of a menu, or changes what stands there, so that fewest members are left out: level by level, first no open meals,
/// then the members for whom a dish or a sum does not fit (each change weighed against what it brings), then minutes by hand. It searches
/// with one worker and a bounded effort, so that the same question has the same answer.
/// </summary>
public static class MenuSolver
{
    private const int WeekDays = 7;

    /// <summary>Deterministic seconds of a level of a week; two or three by the clock.</summary>
    private const double Effort = 0.6;

    public static MenuAnswer Solve(MenuQuestion question)
    {
        // Nothing that is asked reaches from one week into another.
        var (dishes, isProven) = (new int?[question.Places.Count], true);
        foreach (var week in Enumerable.Range(0, dishes.Length).GroupBy(at => question.Places[at].Day / WeekDays))
        {
            var answer = SolveWeek(
                question with
                {
                    Places = [.. week.Select(at => question.Places[at])],
                    Limits = [.. question.Limits.Where(limit => limit.Days[0] / WeekDays == week.Key)],
                    Stays = [.. question.Stays.Where(one => one.Day / WeekDays == week.Key)],
                }
            );
            foreach (var (at, dish) in week.Zip(answer.Dishes))
            {
                dishes[at] = dish;
            }

            isProven &= answer.IsProven;
        }

        return new(dishes, isProven);
    }

    private static MenuAnswer SolveWeek(MenuQuestion question)
    {
        var model = new CpModel();
        var chosen = question.Places.Select(place => place.Choices.ToDictionary(choice => choice.Dish, _ => model.NewBoolVar(""))).ToList();
        foreach (var (place, dishes) in question.Places.Zip(chosen))
        {
            model.Add(LinearExpr.Sum(dishes.Values) <= 1);
            foreach (var (dish, isChosen) in dishes)
            {
                model.AddHint(isChosen, place.Now == dish);
            }
        }

        Repeat(question, model, chosen);
        var changes = Changes(question, chosen);
        model.Add(LinearExpr.Sum(changes) <= Math.Min(question.MostChanges, question.Places.Count));
        var open = question.Places.Count - LinearExpr.Sum(chosen.SelectMany(dishes => dishes.Values));
        var missed = Missed(question, model, chosen);
        var minutes = Minutes(question, model, chosen);
        var isProven = true;
        var found = new List<int?>();
        foreach (var level in new[] { open, missed, minutes })
        {
            model.Minimize(level);
            using var solver = new CpSolver();
            solver.StringParameters = $"num_workers:1 random_seed:1 max_deterministic_time:{Effort.ToString(CultureInfo.InvariantCulture)}";
            var status = solver.Solve(model);
            if (status is not (CpSolverStatus.Optimal or CpSolverStatus.Feasible))
            {
                break;
            }

            // What the last level costs nobody asks to be proven.
            isProven &= status == CpSolverStatus.Optimal || ReferenceEquals(level, minutes);
            found =
            [
                .. chosen.Select(dishes =>
                    dishes.Where(one => solver.BooleanValue(one.Value)).Select(one => (int?)one.Key).FirstOrDefault()
                ),
            ];
            model.Add(level <= (long)Math.Round(solver.ObjectiveValue));
            model.ClearHints();
            foreach (var (isChosen, value) in chosen.SelectMany(dishes => dishes.Values).Select(one => (one, solver.BooleanValue(one))))
            {
                model.AddHint(isChosen, value);
            }
        }

        return new(found, isProven);
    }

    /// <summary>A dish comes once a day, and so often a week; more only where it stood there more often.</summary>
    private static void Repeat(MenuQuestion question, CpModel model, List<Dictionary<int, BoolVar>> chosen)
    {
        for (var dish = 0; dish < question.Minutes.Count; dish++)
        {
            foreach (var (most, length) in new[] { (1, 1), (MenuQuestion.MostAWeek, WeekDays) })
            {
                foreach (var period in question.Places.Select((place, at) => (place, at)).GroupBy(one => one.place.Day / length))
                {
                    var stays = question.Stays.Count(one => one.Dish == dish && one.Day / length == period.Key);
                    var now = period.Count(one => one.place.Now == dish);
                    var there = period.Where(one => chosen[one.at].ContainsKey(dish)).Select(one => chosen[one.at][dish]).ToList();
                    if (there.Count + stays > most)
                    {
                        model.Add(LinearExpr.Sum(there) <= Math.Max(most - stays, now));
                    }
                }
            }
        }
    }

    /// <summary>Members for whom something does not fit, each dish and each sum for itself, and what changes cost.</summary>
    private static LinearExpr Missed(MenuQuestion question, CpModel model, List<Dictionary<int, BoolVar>> chosen)
    {
        var terms = Changes(question, chosen).Select(change => change * MenuQuestion.GainAChange).ToList();
        for (var at = 0; at < question.Places.Count; at++)
        {
            var place = question.Places[at];
            terms.AddRange(place.Choices.Where(choice => choice.Misses > 0).Select(choice => chosen[at][choice.Dish] * choice.Misses));
        }

        foreach (var limit in question.Limits)
        {
            var days = limit.Days.ToHashSet();
            var sum = LinearExpr.Sum(
                question
                    .Places.Select((place, at) => (place, at))
                    .Where(one => days.Contains(one.place.Day))
                    .SelectMany(one =>
                        chosen[one.at].Where(dish => limit.Brought[dish.Key] != 0).Select(dish => dish.Value * limit.Brought[dish.Key])
                    )
            );
            var isMissed = model.NewBoolVar("");
            if (limit.AtMost is { } most)
            {
                model.Add(sum <= most - limit.Placed).OnlyEnforceIf(isMissed.Not());
            }

            if (limit.AtLeast is { } least)
            {
                model.Add(sum >= least - limit.Placed).OnlyEnforceIf(isMissed.Not());
            }

            terms.Add(isMissed * limit.Members);
        }

        return LinearExpr.Sum(terms);
    }

    /// <summary>For each dish that stands there whether it gives way.</summary>
    private static IReadOnlyList<LinearExpr> Changes(MenuQuestion question, List<Dictionary<int, BoolVar>> chosen) =>
        [.. question.Places.Zip(chosen).Where(one => one.First.Now is not null).Select(one => 1 - one.Second[one.First.Now!.Value])];

    /// <summary>Each dish is cooked once a week.</summary>
    private static LinearExpr Minutes(MenuQuestion question, CpModel model, List<Dictionary<int, BoolVar>> chosen)
    {
        var terms = new List<LinearExpr>();
        foreach (var week in question.Places.Select((place, at) => (place, at)).GroupBy(one => one.place.Day / WeekDays))
        {
            foreach (var dish in week.SelectMany(one => chosen[one.at]).GroupBy(one => one.Key))
            {
                var isCooked = model.NewBoolVar("");
                model.AddMaxEquality(isCooked, dish.Select(one => one.Value));
                terms.Add(isCooked * Math.Max(1, question.Minutes[dish.Key]));
            }
        }

        return LinearExpr.Sum(terms);
    }
}
