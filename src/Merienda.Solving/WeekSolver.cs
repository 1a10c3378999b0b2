using System.Diagnostics;
using Google.OrTools.Sat;
using Merienda.Core.Filling;

namespace Merienda.Solving;

/// <summary>How long a search goes on. It ends by rounds and never by the clock, so that one question has one answer.</summary>
/// <param name="Rounds">Searches of each level that find nothing better before it is left.</param>
/// <param name="Effort">Deterministic time of one round, in the solver's units.</param>
public sealed record FillEffort(int Rounds, double Effort, int Seed = 1)
{
    public static readonly FillEffort Usual = new(1, 1),
        Quick = new(1, 0.3);
}

/// <summary>A filled week, how far each level came, and how long it took.</summary>
public sealed record FillAnswer(FillPlan Plan, IReadOnlyList<FillLevel> Levels, double Seconds);

/// <summary>Fills a week level by level: each is kept by those after it.</summary>
public static class WeekSolver
{
    /// <param name="onBetter">Is told of every level that was reached, with the plan as it is then.</param>
    public static FillAnswer Fill(
        FillQuestion question,
        FillEffort effort,
        Action<FillPlan, FillLevel>? onBetter = null,
        CancellationToken stop = default
    )
    {
        var clock = Stopwatch.StartNew();
        var model = new WeekModel(question, new(question), [.. Enumerable.Range(0, question.Dishes.Count)]);
        var (plan, levels) = (FillPlan.Empty, new List<FillLevel>());
        foreach (var goal in GoalsOf(question))
        {
            if (stop.IsCancellationRequested)
            {
                break;
            }

            var (begun, sum) = (clock.Elapsed, model.SumOf(goal));
            var (found, best, bound) = Search(model, sum, effort, stop);
            if (found is null)
            {
                break;
            }

            plan = found;
            levels.Add(new(goal, best, bound, (clock.Elapsed - begun).TotalSeconds));
            onBetter?.Invoke(plan, levels[^1]);
            model.Model.Add(sum <= best);
        }

        return new(plan, levels, clock.Elapsed.TotalSeconds);
    }

    private static IEnumerable<FillGoal> GoalsOf(FillQuestion question) =>
        [
            FillGoal.Covered,
            .. question.IsMend ? [FillGoal.Changes] : Array.Empty<FillGoal>(),
            .. question.Wishes.Goals.Where(goal => goal != FillGoal.There || question.Rests.Count > 0),
        ];

    private static (FillPlan? Plan, long Best, long? Bound) Search(
        WeekModel model,
        LinearExpr sum,
        FillEffort effort,
        CancellationToken stop
    )
    {
        model.Model.Minimize(sum);
        var (plan, best, bound) = ((FillPlan?)null, long.MaxValue, long.MinValue);
        for (var stale = 0; stale < effort.Rounds && !stop.IsCancellationRequested; )
        {
            using var solver = new CpSolver();
            solver.StringParameters =
                $"num_workers:8 random_seed:{effort.Seed} interleave_search:true interleave_batch_size:2 cp_model_probing_level:0 max_deterministic_time:{effort.Effort:0.###}";
            using var cancel = stop.Register(solver.StopSearch);
            var status = solver.Solve(model.Model);
            if (status is not (CpSolverStatus.Optimal or CpSolverStatus.Feasible))
            {
                break;
            }

            var value = (long)Math.Round(solver.ObjectiveValue);
            bound = Math.Max(bound, (long)Math.Ceiling(solver.BestObjectiveBound - 1e-6));
            stale = value < best ? 0 : stale + 1;
            if (value < best)
            {
                (plan, best) = (model.Read(solver), value);
                model.HintFrom(solver);
            }

            if (status == CpSolverStatus.Optimal)
            {
                bound = best;
                break;
            }
        }

        return (plan, best, bound == long.MinValue ? null : bound);
    }
}
