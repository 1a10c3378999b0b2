using System.Globalization;
using Google.OrTools.Sat;
using Merienda.Core.Filling;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Solving;

/// <summary>
/// Why meals stay uncovered: an irreducible set of rules, wishes and things that stand there, found by leaving one after the other out and
/// asking again. First one eater's day, then that eater's week, then what the cook and the kitchen set for everybody.
/// </summary>
public static class WeekExplainer
{
    /// <summary>Deterministic time for one question; a set that is not proven by then is not told.</summary>
    private const double Effort = 0.6;

    /// <summary>So many days are explained: further ones mostly say the same.</summary>
    private const int Most = 3,
        Looked = 6;

    /// <param name="uncovered">Meals for which nothing was found.</param>
    public static IReadOnlyList<Explanation> Explain(FillQuestion question, IEnumerable<Cell> uncovered, CancellationToken stop = default)
    {
        var open = uncovered.ToList();
        var missing = open.Select(cell => (Cell: cell, Why: Obstacles.Missing(question, cell))).Where(one => one.Why is not null).ToList();
        var found = missing
            .GroupBy(one => (one.Cell.Eater, one.Why))
            .Select(group => new Explanation(question.Eaters.First(one => one.Id == group.Key.Eater).Name, [], group.Key.Why!))
            .ToList();
        var most = found.Count + Most;
        var nothing = missing.Select(one => one.Cell).ToHashSet();
        foreach (var day in open.Except(nothing).GroupBy(cell => (cell.Eater, cell.Date)).OrderBy(day => day.Key.Date).Take(Looked))
        {
            if (found.Count == most || stop.IsCancellationRequested)
            {
                break;
            }

            var eater = question.Eaters.First(one => one.Id == day.Key.Eater);
            var explained =
                Explain(
                    Only(question, eater, cell => cell.Date == day.Key.Date && !nothing.Contains(cell)),
                    eater,
                    day.Key.Date,
                    day.Key.Date,
                    stop
                )
                ?? Explain(Only(question, eater, cell => !nothing.Contains(cell)), eater, day.Key.Date, null, stop)
                ?? Together(question, open.Count, stop);
            // The same contradiction on another day is said once.
            if (
                !found.Exists(one =>
                    one.Otherwise == explained.Otherwise
                    && Says(one).SequenceEqual(Says(explained))
                    && (one.Title == explained.Title || one.Title.StartsWith(eater.Name, StringComparison.Ordinal))
                )
            )
            {
                found.Add(explained);
            }
        }

        return found;
    }

    /// <summary>What is for everybody leaves meals open that work alone.</summary>
    /// <param name="open">Meals that are uncovered.</param>
    private static Explanation Together(FillQuestion question, int open, CancellationToken stop) =>
        !question.IsMend && Needed(question, [.. Obstacles.Wishes(question)], open - 1, stop) is { Count: > 0 } needed
            ? new(Everybody, [.. needed.Select(one => new FillReason(one.Says))])
            : new(
                Everybody,
                [],
                "Which of the rules and wishes are in the way was not proven in the time there is: most likely several days or eaters together."
            );

    private const string Everybody = "Everybody";

    private static IEnumerable<string> Says(Explanation one) => one.Reasons.Select(reason => reason.Says);

    private static string TitleOf(Eater eater, DateOnly? date) =>
        $"{eater.Name}, {(date is { } day ? day.ToString("dddd", CultureInfo.InvariantCulture) : "the week")}";

    /// <summary>A question about some meals of one eater; everything else stays as it is.</summary>
    private static FillQuestion Only(FillQuestion question, Eater eater, Func<Cell, bool> which)
    {
        var asked = question.Open.Where(cell => cell.Eater == eater.Id && which(cell)).ToHashSet();
        return question with
        {
            Eaters = [eater],
            Now = [],
            Placed = [.. question.Placed.Where(item => item.Cell.Eater == eater.Id && which(item.Cell) && !asked.Contains(item.Cell))],
            Settled = (question with { Now = [], Placed = [], Settled = new HashSet<Cell>() })
                .Open.Concat(question.Settled)
                .Where(cell => !asked.Contains(cell))
                .Where(cell => question.Placed.All(item => item.Cell != cell) || question.Settled.Contains(cell))
                .ToHashSet(),
        };
    }

    /// <returns>Null where these meals alone can be covered, or where nothing is proven in time.</returns>
    private static Explanation? Explain(FillQuestion question, Eater eater, DateOnly date, DateOnly? day, CancellationToken stop)
    {
        if (Covers(question, 0, stop) != false)
        {
            return null;
        }

        var obstacles = Obstacles.Of(question, eater, date).ToList();
        if (Covers(Without(question, obstacles), 0, stop) == false)
        {
            return new(
                TitleOf(eater, day),
                [],
                Obstacles.TooFew(question, eater, date)
                    ?? "What is there and what can be cooked in time does not go round, whatever the rules say."
            );
        }

        if (Needed(question, obstacles, 0, stop) is not { } needed)
        {
            return null;
        }

        var others = Without(question, obstacles.Except(needed));
        return new(TitleOf(eater, day), [.. needed.Select(one => ReasonOf(one, one.Without(others), eater, day, stop))]);
    }

    /// <summary>Those of some obstacles that leave no way together while any one less does; null where that is not proven in time.</summary>
    /// <param name="most">So many meals may stay open.</param>
    private static List<Obstacle>? Needed(FillQuestion question, List<Obstacle> obstacles, int most, CancellationToken stop)
    {
        if (Covers(Without(question, obstacles), most, stop) != true)
        {
            return null;
        }

        var needed = obstacles.ToList();
        foreach (var one in obstacles)
        {
            // What can be left out with the contradiction still there is no part of it.
            var rest = needed.Where(other => other != one).ToList();
            switch (Covers(Without(question, obstacles.Except(rest)), most, stop))
            {
                case false:
                    needed = rest;
                    break;
                case null:
                    return null;
            }
        }

        return needed;
    }

    private static FillQuestion Without(FillQuestion question, IEnumerable<Obstacle> some) =>
        some.Aggregate(question, (asked, one) => one.Without(asked));

    /// <summary>Whether all of a question's meals but some can be covered; null where nobody knows in time.</summary>
    private static bool? Covers(FillQuestion question, int most, CancellationToken stop)
    {
        var week = ModelOf(question);
        week.Model.Add(week.SumOf(FillGoal.Covered) <= most);
        using var solver = SolverFor(stop, out var cancel);
        using (cancel)
        {
            return solver.Solve(week.Model) switch
            {
                CpSolverStatus.Optimal or CpSolverStatus.Feasible => true,
                CpSolverStatus.Infeasible => false,
                _ => null,
            };
        }
    }

    private static WeekModel ModelOf(FillQuestion question) =>
        new(question, new(question), [.. Enumerable.Range(0, question.Dishes.Count)], true);

    private static CpSolver SolverFor(CancellationToken stop, out CancellationTokenRegistration cancel)
    {
        var solver = new CpSolver
        {
            StringParameters =
                $"num_workers:8 random_seed:1 interleave_search:true interleave_batch_size:2 cp_model_probing_level:0 max_deterministic_time:{Effort:0.###}",
        };
        cancel = stop.Register(solver.StopSearch);
        return solver;
    }

    /// <summary>What one of them would have to give, so that the others hold.</summary>
    private static FillReason ReasonOf(Obstacle one, FillQuestion without, Eater eater, DateOnly? day, CancellationToken stop)
    {
        if (
            one.Rule is not { } rule
            || day is not { } date
            || FillTable.FormsOf(eater, date).FirstOrDefault(form => form.Rule == rule && form.Period == Period.Day)
                is not { AtMost: not 0 } form
            || eater.Rules.On(date).OfType<BoundedRule>().FirstOrDefault(bounded => bounded.Id == rule) is not { } limit
            || Reached(without, eater, date, form, stop) is not var (value, isOver)
        )
        {
            return new(one.Says);
        }

        var bound = isOver ? limit.AtMost!.Value : limit.AtLeast!.Value;
        // What counts as kept beyond the bound counts for the new one too.
        var kept = (isOver ? form.AtMost!.Value : form.AtLeast!.Value) / bound;
        var unit = Power(form.Scale.Decimals);
        var needed = isOver ? Math.Ceiling(value / kept * unit) / unit : Math.Floor(value / kept * unit) / unit;
        var gap = form.Scale.ShowWithUnit(Math.Abs(needed - bound));
        return new(
            isOver
                ? $"{one.Says}; the least that works is {form.Scale.ShowWithUnit(needed)}, {gap} more"
                : $"{one.Says}; {form.Scale.ShowWithUnit(needed)} can be reached, {gap} short",
            eater.Rules.ProtocolOf(rule) is { } protocol
                ? new(
                    eater.Id,
                    protocol,
                    rule,
                    isOver ? limit.AtLeast : needed,
                    isOver ? needed : limit.AtMost,
                    form.Scale.ShowWithUnit(needed)
                )
                : null
        );
    }

    private static decimal Power(int decimals) => (decimal)Math.Pow(10, decimals);

    /// <summary>The nearest that a day comes to what a rule asks while all others hold.</summary>
    private static (decimal Value, bool IsOver)? Reached(
        FillQuestion without,
        Eater eater,
        DateOnly date,
        LinearForm form,
        CancellationToken stop
    )
    {
        var week = ModelOf(without);
        week.Model.Add(week.SumOf(FillGoal.Covered) == 0);
        var (sum, constant, times) = WeekSums.Of(week, eater, date, new(form, week.Table));
        foreach (var isOver in new[] { true, false })
        {
            if ((isOver ? form.AtMost : form.AtLeast) is not { } bound)
            {
                continue;
            }

            week.Model.Minimize(isOver ? sum : -sum);
            using var solver = SolverFor(stop, out var cancel);
            using (cancel)
            {
                if (solver.Solve(week.Model) != CpSolverStatus.Optimal)
                {
                    return null;
                }
            }

            var value = ((decimal)Math.Abs(solver.ObjectiveValue) / times) + constant;
            if (isOver ? value > bound : value < bound)
            {
                return (value, isOver);
            }
        }

        return null;
    }
}
