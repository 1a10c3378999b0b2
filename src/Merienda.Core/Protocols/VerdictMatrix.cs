using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>
/// The verdict of every recipe for every eater, without sentences: limits are compared against sums that are laid out by measure, and the
/// classes of a recipe are gathered once.
/// What has no short way goes the plain one; both give the same verdict (a differential test holds them).
/// </summary>
public sealed class VerdictMatrix
{
    private const int Chunk = 128;

    private readonly IReadOnlyList<PortionProfile> _profiles;
    private readonly Intake[] _portions;
    private readonly Estimate[][] _totals;
    private readonly Food[][] _foods;
    private readonly RecipeLine[][] _doubtful;

    public VerdictMatrix(IReadOnlyList<PortionProfile> profiles)
    {
        _profiles = profiles;
        _portions = [.. profiles.Select(profile => Intake.Of(new Helping("", profile, 1)))];
        _totals =
        [
            .. Enumerable
                .Range(0, MeasureInfo.AdditiveCount)
                .Select(measure => profiles.Select(profile => profile.Total((Measure)measure)).ToArray()),
        ];
        // Lines that plainly name one food are judged by the food, each once; the others as they stand.
        _foods =
        [
            .. profiles.Select(profile => profile.AllLines.Where(line => line.IsPlain).Select(line => line.Food!).Distinct().ToArray()),
        ];
        _doubtful = [.. profiles.Select(profile => profile.AllLines.Where(line => !line.IsPlain).ToArray())];
    }

    /// <summary>One row an eater, one column a recipe.</summary>
    public Verdict[][] For(IReadOnlyList<EaterRules> eaters)
    {
        var rows = eaters.Select(_ => new Verdict[_profiles.Count]).ToArray();
        // Recipes are shared out, not eaters: one eater's rules may weigh as much as all others' together.
        Parallel.For(
            0,
            (_profiles.Count + Chunk - 1) / Chunk,
            chunk =>
            {
                for (var at = 0; at < eaters.Count; at++)
                {
                    foreach (var rule in eaters[at].Rules)
                    {
                        Sweep(rule, eaters[at].Context, rows[at], chunk * Chunk, Math.Min(_profiles.Count, (chunk + 1) * Chunk));
                    }
                }
            }
        );
        return rows;
    }

    private void Sweep(Rule rule, RuleContext context, Verdict[] row, int from, int to)
    {
        switch (rule)
        {
            case LimitRule { Free.Count: 0, Measure: not Measure.Points } limit:
                var totals = _totals[(int)limit.Measure];
                for (var recipe = from; recipe < to; recipe++)
                {
                    Raise(ref row[recipe], limit.NeedsAllowance ? Verdict.CannotTell : limit.JudgePortion(totals[recipe]));
                }

                break;
            case IJudgesFoods byFood:
                JudgeFoods(byFood, context, row, from, to);
                break;
            default:
                for (var recipe = from; recipe < to; recipe++)
                {
                    Raise(ref row[recipe], rule.JudgePortion(_portions[recipe], null, context));
                }

                break;
        }
    }

    private void JudgeFoods(IJudgesFoods rule, RuleContext context, Verdict[] row, int from, int to)
    {
        var known = new Dictionary<Food, Verdict>(ReferenceEqualityComparer.Instance);
        for (var recipe = from; recipe < to; recipe++)
        {
            var worst = Verdict.Fits;
            foreach (var line in _doubtful[recipe])
            {
                Raise(ref worst, rule.VerdictOf(line, context));
            }

            foreach (var food in _foods[recipe])
            {
                if (!known.TryGetValue(food, out var verdict))
                {
                    verdict = rule.VerdictOf(food, context);
                    known.Add(food, verdict);
                }

                Raise(ref worst, verdict);
            }

            Raise(ref row[recipe], worst);
        }
    }

    private static void Raise(ref Verdict held, Verdict found) => held = found > held ? found : held;
}
