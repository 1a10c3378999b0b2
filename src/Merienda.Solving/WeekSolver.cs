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

/// <summary>Fills or mends a week level by level: each is kept by those after it.</summary>
public static class WeekSolver
{
    /// <summary>Better plans are told at most so often, s: somebody looks at them.</summary>
    private const double TellEvery = 0.7;

    /// <param name="onBetter">Is told of better plans with the levels so far, the last one still being sought.</param>
    public static FillAnswer Solve(
        FillQuestion question,
        FillEffort effort,
        Action<FillPlan, IReadOnlyList<FillLevel>>? onBetter = null,
        CancellationToken stop = default
    )
    {
        var clock = Stopwatch.StartNew();
        var model = new WeekModel(question, new(question), [.. Enumerable.Range(0, question.Dishes.Count)]);
        var (plan, levels, told) = (FillPlan.Empty, new List<FillLevel>(), TimeSpan.Zero);
        foreach (var goal in GoalsOf(question))
        {
            if (stop.IsCancellationRequested)
            {
                break;
            }

            var (begun, sum) = (clock.Elapsed, model.SumOf(goal));
            FillLevel Level(long value, long? bound) => new(goal, value, bound, (clock.Elapsed - begun).TotalSeconds);
            var (found, best, bound) = Search(model, sum, effort, Tell, stop);
            if (found is null)
            {
                break;
            }

            plan = found;
            levels.Add(Level(best, bound));
            onBetter?.Invoke(plan, [.. levels]);
            model.Model.Add(sum <= best);

            void Tell(Func<FillPlan> better, long value)
            {
                if (onBetter is not null && (clock.Elapsed - told).TotalSeconds > TellEvery)
                {
                    told = clock.Elapsed;
                    onBetter(better(), [.. levels, Level(value, null)]);
                }
            }
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
        Action<Func<FillPlan>, long> tell,
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
            using var better = new Better(model, tell);
            var status = solver.Solve(model.Model, better);
            if (status is not (CpSolverStatus.Optimal or CpSolverStatus.Feasible))
            {
                break;
            }

            var value = (long)Math.Round(solver.ObjectiveValue);
            bound = Math.Max(bound, (long)Math.Ceiling(solver.BestObjectiveBound - 1e-6));
            stale = value < best ? 0 : stale + 1;
            if (value < best)
            {
                (plan, best) = (model.Read(solver.Value), value);
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

    private sealed class Better(WeekModel model, Action<Func<FillPlan>, long> tell) : CpSolverSolutionCallback
    {
        public override void OnSolutionCallback() => tell(() => model.Read(Value), (long)Math.Round(ObjectiveValue()));
    }
}
