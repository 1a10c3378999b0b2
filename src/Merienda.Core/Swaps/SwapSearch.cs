using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Swaps;

/// <summary>
/// Finds the least changes of a dish that make one rule of an eater fit, and no other rule of theirs worse: another food, less or more of one,
/// one left out. Allergies are never relaxed: a food that is in doubt for one is no candidate.
/// </summary>
public sealed partial class SwapSearch
{
    /// <summary>What a line is tried as: mostly still there, or more of it [C].</summary>
    private static readonly decimal[] Less = [0.9m, 0.8m, 0.75m, 0.6m, 0.5m, 0.4m, 0.25m, 0.1m, 0],
        More = [1.25m, 1.5m, 2, 2.5m, 3];

    /// <summary>Lines that are tried together where one is not enough.</summary>
    private const int MostLines = 4;

    private readonly RecipeVersion _recipe;
    private readonly Eater _eater;
    private readonly Rule _rule;
    private readonly FoodMatcher _foods;
    private readonly MeasureSystem _system;
    private readonly RuleContext _context;
    private readonly decimal? _share;
    private readonly List<Verdict> _before;
    private readonly List<RecipeLine> _lines;

    private SwapSearch(RecipeVersion recipe, Eater eater, Rule rule, FoodMatcher foods, MeasureSystem system)
    {
        (_recipe, _eater, _rule, _foods, _system) = (recipe, eater, rule, foods, system);
        _context = eater.Rules.Context with { Meal = eater.Rhythm.Meal(recipe.Meal)?.Role };
        _share = eater.ShareOf(recipe.Meal);
        _before = [.. eater.Rules.Rules.Select(one => Judge(one, recipe.Profile))];
        _lines = [.. recipe.Lines.Where(line => line.Use is not null || !line.Grams.IsOpen || line.Food is null)];
    }

    /// <summary>The best changes, the least first.</summary>
    /// <param name="rule">One of the eater's that breaks or cannot be told.</param>
    public static IReadOnlyList<Swap> For(
        RecipeVersion recipe,
        Eater eater,
        Rule rule,
        FoodMatcher foods,
        MeasureSystem system,
        int most = 6
    )
    {
        var search = new SwapSearch(recipe, eater, rule, foods, system);
        return
        [
            .. search
                .Found()
                // Shares of a twentieth of the dish are as good as each other; then what tastes most like it comes first.
                .OrderBy(swap => Math.Ceiling(swap.Grams / Math.Max(1, search.Weight) * 20))
                .ThenBy(swap => swap.Taste)
                .DistinctBy(swap => Key(swap))
                .Where(search.IsNoWorse)
                .Where(new Variety().Takes)
                .Take(most),
        ];
    }

    private decimal Weight => _recipe.Lines.Sum(line => line.GramsIn.Best);

    private IEnumerable<Swap> Found()
    {
        if (Judge(_rule, _recipe.Profile) == Verdict.Fits)
        {
            return [];
        }

        var wrong = _recipe.Lines.Where(line => Judge(_rule, PortionProfile.Of([line], _recipe.Portions)) != Verdict.Fits).ToList();
        var apart = wrong.Count > 0 ? LineByLine(wrong) : [];
        if (_rule is IJudgesFoods)
        {
            return apart.Where(Fits);
        }

        var found = apart.Concat(_lines.SelectMany(Singles)).Concat(WithMore()).Concat(InMorePortions()).Where(Fits).ToList();
        return found.Any(IsNoWorse) ? found : Together().Where(Fits);
    }

    /// <summary>Each line that is wrong by itself gets another food, or is left out: the best of each, and what else there is for one of them.</summary>
    private IEnumerable<Swap> LineByLine(List<RecipeLine> wrong)
    {
        var choices = wrong
            .Select(line =>
                Instead(line, IsRight)
                    .Concat(LeftOut(line))
                    .Concat(
                        Less.Where(times => times > 0)
                            .Select(times => Times(line, times))
                            .Where(swap => swap.Grams >= 1 && IsRight(swap))
                            .Take(1)
                    )
                    .OrderBy(swap => swap.Taste)
                    .Take(Taken / 2)
                    .ToList()
            )
            .ToList();
        if (choices.Any(choice => choice.Count == 0))
        {
            yield break;
        }

        var best = choices.Select(choice => choice[0]).ToList();
        yield return Joined(best);
        for (var at = 0; at < choices.Count; at++)
        {
            foreach (var other in choices[at].Skip(1))
            {
                yield return Joined([.. best.Take(at), other, .. best.Skip(at + 1)]);
            }
        }
    }

    /// <summary>Whether what stands for a line is right by itself.</summary>
    private bool IsRight(Swap swap) =>
        Judge(
            _rule,
            PortionProfile.Of(
                swap.Change.Added.Select(added => added.Line)
                    .Concat(
                        swap.Change.Lines.Select(change => _recipe.Lines.First(line => line.Typed.Id == change.Line).Taken(change.Times))
                    ),
                _recipe.Portions
            )
        ) == Verdict.Fits;

    /// <summary>The least change of one line that makes the rule fit: less of it, more of it, or some or all of it another food.</summary>
    private IEnumerable<Swap> Singles(RecipeLine line)
    {
        foreach (var amounts in new[] { Less, More })
        {
            // A gram more or less is none that a kitchen weighs.
            var enough = amounts.Select(times => Times(line, times)).Where(swap => swap.Grams >= 1).FirstOrDefault(Fits);
            if (enough is not null)
            {
                yield return enough;
            }
        }

        foreach (var swap in Instead(line, Fits, 0.5m).Concat(Instead(line, Fits)))
        {
            yield return swap;
        }
    }

    /// <summary>Where no line alone is enough: less (or more) of several, the weightiest first, and the best exchange of one with less of the others.</summary>
    private IEnumerable<Swap> Together()
    {
        var weighty = _lines
            .Where(line => line.GramsIn is { IsOpen: false, Best: > 0 })
            .OrderByDescending(line => Math.Abs(Value(_recipe.Profile) - Value(Times(line, 0).Of(_recipe).Profile)))
            .Take(MostLines)
            .ToList();
        for (var count = 2; count <= weighty.Count; count++)
        {
            foreach (var times in Less.Where(times => times > 0).Concat(More))
            {
                yield return Joined([.. weighty.Take(count).Select(line => Times(line, times))]);
            }
        }

        for (var at = 0; at < weighty.Count; at++)
        {
            var others = weighty.Where((_, place) => place != at).ToList();
            foreach (var swap in Instead(weighty[at], _ => true).Take(Taken / 2))
            {
                foreach (var times in new[] { 0.75m, 0.5m, 0.25m, 1.5m, 2 })
                {
                    yield return Joined([swap, Times(others[0], times)]);
                }
            }
        }

        // Two exchanges.
        if (weighty.Count > 1)
        {
            foreach (var one in Instead(weighty[0], _ => true).Take(5))
            {
                foreach (var other in Instead(weighty[1], _ => true).Take(5))
                {
                    yield return Joined([one, other]);
                }
            }
        }
    }

    private decimal Value(PortionProfile profile) =>
        _rule.CheckPortion(Portion(profile), _share, _context) is { Value: { } value } ? value.Best : 0;

    /// <summary>Whether no rule of the eater that judges food by food says anything against it.</summary>
    private bool IsAllowed(Food food) =>
        _eater.Rules.Rules.OfType<IJudgesFoods>().All(rule => rule.VerdictOf(food, _context) == Verdict.Fits)
        && _eater.Rules.Rules.OfType<DislikeRule>().All(rule => !rule.Dislikes(food))
        && _context.Packets.RejectionOf(food) is null;

    private bool Fits(Swap swap) => swap.Change.Of(_recipe.Lines).Count > 0 && Judge(_rule, swap.Of(_recipe).Profile) == Verdict.Fits;

    /// <summary>Whether every other rule of the eater says of it what it said before, or better.</summary>
    private bool IsNoWorse(Swap swap)
    {
        var dish = swap.Of(_recipe);
        return _eater.Stop(dish.Name, dish.Profile) is null
            && _eater.Rules.Rules.Zip(_before).All(one => Judge(one.First, dish.Profile) <= one.Second);
    }

    private Verdict Judge(Rule rule, PortionProfile profile) => rule.JudgePortion(Portion(profile), _share, _context);

    private Intake Portion(PortionProfile profile) => Intake.Of(new Helping(_recipe.Name, profile, _eater.PortionHabit));

    /// <summary>Not everything that is offered is of one kind: so many foods for one line, and then something else.</summary>
    private sealed class Variety
    {
        private const int OfOneKind = 3;

        private readonly Dictionary<string, int> _taken = [];

        public bool Takes(Swap swap)
        {
            var kind = Name(swap, line => $"{line.Line}", added => $"+{added.Instead}");
            _taken[kind] = _taken.GetValueOrDefault(kind) + 1;
            return _taken[kind] <= OfOneKind;
        }
    }

    /// <summary>Of two that change the same line in the same way the lesser is enough.</summary>
    internal static string Key(Swap swap) =>
        Name(swap, line => $"{line.Line}{line.Times == 0}", added => $"{added.Instead}+{added.Line.Food?.Key}");

    private static string Name(Swap swap, Func<LineChange, string> line, Func<VariantLine, string> added) =>
        string.Join('|', swap.Change.Lines.Select(line).Concat(swap.Change.Added.Select(added)).Prepend($"{swap.Portions is null}"));
}
