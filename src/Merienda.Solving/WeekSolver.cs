using System.Diagnostics;
using Google.OrTools.Sat;
using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Solving;

/// <summary>A filled or mended week, how far each level came, and how long it took.</summary>
/// <param name="Open">Meals for which nothing was found.</param>
public sealed record FillAnswer(FillPlan Plan, IReadOnlyList<FillLevel> Levels, double Seconds, IReadOnlyList<Cell> Open);

/// <summary>Fills or mends a week level by level: each is kept by those after it.</summary>
public static class WeekSolver
{
    /// <summary>Better plans are told at most so often, s: somebody looks at them.</summary>
    private const double TellEvery = 0.7;

    /// <summary>So often one search is begun again with what Core found against its answer.</summary>
    private const int MostAgain = 12;

    /// <param name="onBetter">Is told of better plans with the levels so far, the last one still being sought.</param>
    public static FillAnswer Solve(
        FillQuestion question,
        FillEffort effort,
        Action<FillPlan, IReadOnlyList<FillLevel>>? onBetter = null,
        CancellationToken stop = default
    )
    {
        var search = new Levels(question, effort, onBetter, stop);
        foreach (var goal in GoalsOf(question))
        {
            if (!search.Reach(goal) || search.IsSettled)
            {
                break;
            }
        }

        return search.Answer;
    }

    private static IEnumerable<FillGoal> GoalsOf(FillQuestion question) =>
        [
            .. question.IsMend ? [FillGoal.Mended, FillGoal.Changes, FillGoal.Swaps] : new[] { FillGoal.Covered },
            .. question.Wishes.Goals.Where(goal =>
                goal switch
                {
                    FillGoal.There => question.Rests.Count > 0,
                    FillGoal.Due => question.Due.Count > 0,
                    FillGoal.Cost => !question.Prices.IsEmpty,
                    FillGoal.Packs => question.Packs.Count > 0,
                    _ => true,
                }
            ),
        ];

    /// <param name="Kept">What it has of each earlier level.</param>
    private sealed record Found(FillPlan? Plan, long Value, long Bound, IReadOnlyList<long> Kept);

    /// <summary>Level after level, each in rounds: the dishes that are used so far and fresh ones, begun where the round before ended.</summary>
    private sealed class Levels(
        FillQuestion question,
        FillEffort effort,
        Action<FillPlan, IReadOnlyList<FillLevel>>? onBetter,
        CancellationToken stop
    )
    {
        private readonly Stopwatch _clock = Stopwatch.StartNew();
        private readonly FillTable _table = new(question);
        private readonly List<FillLevel> _levels = [];
        private readonly List<WeekCut> _cuts = [];
        private readonly double _round = effort.RoundFor(question.Open.Count());
        private bool _isExact = question.IsMend;
        private Shortlist? _shortlist;
        private IReadOnlySet<Cell>? _free;
        private int _troubled;
        private FillPlan? _plan;
        private TimeSpan _told,
            _begun;

        public FillAnswer Answer =>
            new(
                question.WithStuck(_plan ?? FillPlan.Empty),
                _levels,
                _clock.Elapsed.TotalSeconds,
                [.. question.Open.Except((_plan ?? FillPlan.Empty).Servings.Select(serving => serving.Cell))]
            );

        /// <summary>Whether a week that is mended needs no change: then nothing else is sought.</summary>
        public bool IsSettled => _levels[^1] is { Goal: FillGoal.Changes, Value: 0 };

        /// <returns>Whether anything was found.</returns>
        public bool Reach(FillGoal goal)
        {
            if (_shortlist is null)
            {
                _shortlist = new(question, _table, effort.Seed);
                LookForTrouble();
            }

            _begun = _clock.Elapsed;
            // What is cooked is settled by then: how it is portioned and who gets it when is not.
            var isPolish =
                goal is FillGoal.Packs or FillGoal.Sizes or FillGoal.Leftovers or FillGoal.Sameness
                && _levels.Exists(level => level.Goal == FillGoal.Batches);
            var (best, bound, recipes) = (long.MaxValue, 0L, isPolish ? 0 : effort.RecipesFor(question.Eaters.Count));
            for (var stale = 0; stale < effort.Rounds && best > bound && !stop.IsCancellationRequested; )
            {
                // What is used alone is soon looked through: whether it would do with less of it.
                var isNarrow = stale == 1 && _plan is not null;
                var dishes = _shortlist.Of(isNarrow ? 0 : recipes, Used);
                // A variant that nobody likes best may still save a batch: only with every one of them a bound is one.
                var isWhole = dishes.Count == question.Dishes.Count && _free is null;
                var found = Search(dishes, goal, isPolish ? _round * 2 : _round, _isExact);
                var (plan, value, lowest) = (found.Plan, found.Value, found.Bound);
                if (plan is null && _plan is not null && !_isExact && !stop.IsCancellationRequested)
                {
                    _isExact = true;
                    continue;
                }

                if (plan is null)
                {
                    break;
                }

                if (value < best)
                {
                    (best, stale) = (value, 0);
                    Keep(found);
                }
                else
                {
                    (recipes, stale) = (isNarrow ? recipes : recipes * 3 / 2, stale + 1);
                }

                if (isPolish)
                {
                    break;
                }

                if (isWhole)
                {
                    bound = Math.Max(bound, lowest);
                }
            }

            if (best == long.MaxValue)
            {
                return false;
            }

            if (goal == FillGoal.Changes && _levels[^1].Value == 0)
            {
                // Each day that breaks takes a change.
                bound = Math.Max(bound, _troubled);
            }

            if (best > bound && !isPolish && !stop.IsCancellationRequested)
            {
                // Only with everything there is to choose from, and every meal to change, is a bound one.
                var free = _free;
                _free = null;
                var found = Search([.. Enumerable.Range(0, question.Dishes.Count)], goal, effort.Proof, true);
                var isBetter = found.Plan is not null && found.Value < best;
                if (isBetter)
                {
                    // What is there where sums are exact need not be where they are taken on the safe side.
                    _isExact = true;
                    best = found.Value;
                    Keep(found);
                }

                bound = found.Plan is null ? bound : Math.Max(bound, found.Bound);
                _free = isBetter ? null : free;
            }

            _levels.Add(Level(goal, best, bound));
            onBetter?.Invoke(question.WithStuck(_plan!), [.. _levels]);
            return true;
        }

        /// <summary>Of a week that is mended only the days that break are changed, as long as that is enough.</summary>
        private void LookForTrouble()
        {
            if (question.IsMend)
            {
                var days = question.Now.GroupBy(now => (now.Cell.Eater, now.Cell.Date)).ToList();
                var broken = days.Where(day => MustChange([.. day])).Select(day => day.Key).ToHashSet();
                _troubled = broken.Count;
                broken.UnionWith(new FillJudge(question, question.WithStuck(FillPlan.Empty)).Troubled);
                _free = question.Open.Where(cell => broken.Contains((cell.Eater, cell.Date))).ToHashSet();
            }
        }

        /// <summary>Whether a day can't stay as it is: a meal of it may not, or a sum of it is out of its bounds.</summary>
        private bool MustChange(IReadOnlyList<FillNow> day)
        {
            var (cell, eater) = (day[0].Cell, question.Eaters.First(one => one.Id == day[0].Cell.Eater));
            var helpings = day.Select(now => _table.HelpingOf(question.Rests[now.Rest].Dish, (int)(now.Size * FillTable.Quarters)))
                .Concat(
                    question.Placed.Where(item => (item.Cell.Eater, item.Cell.Date) == (cell.Eater, cell.Date)).Select(item => item.Helping)
                )
                .ToList();
            return day.Any(now =>
                    !_table.MayStay(now)
                    || question.Rests[now.Rest].KeptUntil(question.Dishes[question.Rests[now.Rest].Dish], cell.Date) == KeptIn.PastItsTime
                )
                || FillTable
                    .FormsOf(eater, cell.Date)
                    .Where(form => form.Period == Period.Day)
                    .Any(form =>
                        helpings.Sum(helping => form.Of(helping).Best) is var sum
                        && (
                            sum > form.AtMost
                            || (sum < form.AtLeast && question.ShareOf(eater, cell.Date) == 1 && question.EmptyOn(eater, cell.Date) == 0)
                        )
                    );
        }

        private FillLevel Level(FillGoal goal, long value, long? bound) => new(goal, value, bound, (_clock.Elapsed - _begun).TotalSeconds);

        private IEnumerable<int> Used =>
            Enumerable
                .Range(0, question.Dishes.Count)
                .Where(dish => _plan?.Servings.Any(serving => serving.Dish == question.Dishes[dish]) == true);

        /// <summary>A plan that was found is the one that counts: what it has of the earlier levels may be better than they were left.</summary>
        private void Keep(Found found)
        {
            _plan = found.Plan;
            for (var at = 0; at < found.Kept.Count; at++)
            {
                _levels[at] = _levels[at] with { Value = Math.Min(_levels[at].Value, found.Kept[at]) };
            }
        }

        private (WeekModel Model, IReadOnlyList<LinearExpr> Kept) Model(IReadOnlyList<int> dishes, bool isExact)
        {
            var model = new WeekModel(question, _table, dishes, isExact, _free);
            var kept = _levels.Select(level => model.SumOf(level.Goal)).ToList();
            foreach (var (level, sum) in _levels.Zip(kept))
            {
                model.Model.Add(sum <= level.Value);
            }

            WeekCuts.Add(model, _cuts);
            if (_plan is not null)
            {
                model.HintFrom(_plan);
            }

            return (model, kept);
        }

        /// <summary>What Core finds broken in an answer is forbidden and sought again; what is broken after so many times is said.</summary>
        private Found Search(IReadOnlyList<int> dishes, FillGoal goal, double time, bool isExact)
        {
            for (var again = MostAgain; ; again--)
            {
                var (model, kept) = Model(dishes, isExact);
                var found = Search(model, kept, goal, time);
                var cuts = found.Plan is null || again == 0 ? [] : WeekCuts.Of(question, _table, found.Plan).ToList();
                if (cuts.Count == 0)
                {
                    return found;
                }

                _cuts.AddRange(cuts);
            }
        }

        private Found Search(WeekModel model, IReadOnlyList<LinearExpr> kept, FillGoal goal, double time)
        {
            model.Model.Minimize(model.SumOf(goal));
            using var solver = new CpSolver();
            solver.StringParameters =
                $"num_workers:8 random_seed:{effort.Seed} interleave_search:true interleave_batch_size:2 cp_model_probing_level:0 max_deterministic_time:{time:0.###}";
            using var cancel = stop.Register(solver.StopSearch);
            using var better = new Better(model, (plan, value) => Tell(goal, plan, value));
            return solver.Solve(model.Model, better) is CpSolverStatus.Optimal or CpSolverStatus.Feasible
                ? new(
                    model.Read(solver.Value),
                    (long)Math.Round(solver.ObjectiveValue),
                    model.IsRounded ? 0 : (long)Math.Ceiling(solver.BestObjectiveBound - 1e-6),
                    [.. kept.Select(solver.Value)]
                )
                : new(null, 0, 0, []);
        }

        private void Tell(FillGoal goal, Func<FillPlan> better, long value)
        {
            if (onBetter is not null && (_clock.Elapsed - _told).TotalSeconds > TellEvery)
            {
                _told = _clock.Elapsed;
                onBetter(question.WithStuck(better()), [.. _levels, Level(goal, value, null)]);
            }
        }
    }

    private sealed class Better(WeekModel model, Action<Func<FillPlan>, long> tell) : CpSolverSolutionCallback
    {
        public override void OnSolutionCallback() => tell(() => model.Read(Value), (long)Math.Round(ObjectiveValue()));
    }
}
