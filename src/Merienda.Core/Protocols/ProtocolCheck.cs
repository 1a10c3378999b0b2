using Merienda.Core.Outcomes;

namespace Merienda.Core.Protocols;

/// <summary>What is wrong with a protocol although every field of it is well formed.</summary>
public static class ProtocolCheck
{
    /// <summary>The first impossibility, with its path; null when there is none.</summary>
    public static Refusal? Wrong(Protocol protocol) =>
        Lists(protocol).Select(list => WrongRules(list.Path, list.Rules)).FirstOrDefault(refusal => refusal is not null)
        ?? Together(protocol)
        ?? WrongScheme(protocol)
        ?? WrongPhases(protocol.Phases)
        ?? Nothing(protocol);

    /// <summary>Why an eater's way through the phases cannot be, or null.</summary>
    public static Refusal? WrongPlan(PhasePlan plan, PhaseSchedule schedule)
    {
        var days = plan.RestrictionEnds.DayNumber - plan.Start.DayNumber + 1;
        return plan switch
        {
            _ when days < 1 => new(
                "phase-backwards",
                "restrictionEnds",
                $"{plan.RestrictionEnds:yyyy-MM-dd}",
                $"the restriction would end before it begins on {plan.Start:yyyy-MM-dd}",
                "Choose a later last day"
            ),
            _ when days < schedule.ShortestDays || days > schedule.LongestDays => new(
                "phase-length",
                "restrictionEnds",
                $"{days} days",
                $"the restriction lasts {schedule.ShortestDays} to {schedule.LongestDays} days",
                "Choose a last day in that range; longer is a question for a dietitian"
            ),
            _ when plan.Order.Distinct().Count() != plan.Order.Count => new(
                "challenge-twice",
                "order",
                string.Join(", ", plan.Order),
                "a challenge stands twice",
                "Name each once"
            ),
            _ when plan.Order.Concat(plan.Outcomes.Keys).FirstOrDefault(id => schedule.Challenges.All(item => item.Id != id))
                    is { } unknown => new(
                "unknown-challenge",
                "order",
                unknown,
                "there is no such challenge",
                $"Use {string.Join(", ", schedule.Challenges.Select(item => item.Id))}"
            ),
            _ => null,
        };
    }

    private static IEnumerable<(string Path, IReadOnlyList<Rule> Rules)> Lists(Protocol protocol) =>
        protocol
            .Choices.SelectMany(
                (choice, at) => choice.Options.Select((option, index) => ($"choices[{at}].options[{index}].rules", option.Rules))
            )
            .Prepend(("rules", protocol.Rules));

    private static Refusal? WrongRules(string path, IReadOnlyList<Rule> rules) =>
        rules
            .Select(
                (rule, at) =>
                    rule switch
                    {
                        BoundedRule { AtLeast: { } least, AtMost: { } most } bounded when least > most => new Refusal(
                            "floor-above-ceiling",
                            $"{path}[{at}].atLeast",
                            $"{least:0.##}",
                            $"{bounded.Title}: the floor is above the ceiling of {most:0.##}",
                            "Lower the floor or raise the ceiling"
                        ),
                        LimitRule { AtLeast: null, AtMost: null, NeedsAllowance: false } limit => new(
                            "no-bound",
                            $"{path}[{at}]",
                            limit.Title,
                            "the limit has no bound",
                            "Give a floor or a ceiling, or let each eater state one"
                        ),
                        GramRatioRule ratio when ratio.Measure == ratio.To => new(
                            "ratio-of-one",
                            $"{path}[{at}].to",
                            $"{ratio.To}",
                            "a ratio needs two different nutrients",
                            "Choose another one"
                        ),
                        _ when rules.Take(at).Any(other => other.Id == rule.Id) => new(
                            "rule-id-twice",
                            $"{path}[{at}].id",
                            rule.Id,
                            "two rules have one id",
                            "Give each its own"
                        ),
                        _ => null,
                    }
            )
            .FirstOrDefault(refusal => refusal is not null);

    /// <summary>Rules that are in force together under some choice.</summary>
    private static Refusal? Together(Protocol protocol)
    {
        var first = protocol.Choices.ToDictionary(choice => choice.Id, choice => choice.Options[0].Id);
        var ways = protocol
            .Choices.SelectMany(choice =>
                choice.Options.Select(option => new Dictionary<string, string>(first) { [choice.Id] = option.Id })
            )
            .Append(first);
        foreach (var way in ways)
        {
            var rules = protocol.RulesWith(way).ToList();
            if (rules.GroupBy(rule => rule.Id).FirstOrDefault(same => same.Count() > 1) is { } twice)
            {
                return new("rule-id-twice", "rules", twice.Key, "two rules that hold together have one id", "Give each its own");
            }

            if (Contradictions.Among(rules).FirstOrDefault() is { } impossible)
            {
                return new(
                    "rules-exclude-each-other",
                    $"rules: {impossible.One.Id}, {impossible.Other.Id}",
                    impossible.One.Title,
                    $"two rules can never hold together: {impossible.Reason}",
                    "Change one of the two"
                );
            }
        }

        return null;
    }

    private static Refusal? WrongScheme(Protocol protocol)
    {
        var needsScheme = protocol.AllRules.FirstOrDefault(rule => rule is PointsBudgetRule or LimitRule { Measure: Foods.Measure.Points });
        if (protocol.Scheme is not { } scheme)
        {
            return needsScheme is null
                ? null
                : new(
                    "no-scheme",
                    "scheme",
                    "nothing",
                    $"the rule {needsScheme.Id} counts points and nothing says how",
                    "Add a points scheme"
                );
        }

        var odd = scheme
            .Coefficients.Select((item, at) => (item, at))
            .FirstOrDefault(pair => (pair.item.Measure is null) == (pair.item.Class is null));
        return odd.item is not null
                ? new(
                    "coefficient-of-nothing",
                    $"scheme.coefficients[{odd.at}]",
                    $"{odd.item.Measure} {odd.item.Class}".Trim(),
                    "a coefficient counts either a measure or a class",
                    "Keep one of the two"
                )
            : scheme.Free.GroupBy(item => item.Food).FirstOrDefault(same => same.Count() > 1) is { } twice
                ? new("free-twice", "scheme.free", twice.Key, "a free food stands twice", "Keep one of the two")
            : null;
    }

    private static Refusal? WrongPhases(PhaseSchedule? phases) =>
        phases switch
        {
            null => null,
            _ when phases.LongestDays < phases.ShortestDays => new(
                "phase-backwards",
                "phases.longestDays",
                $"{phases.LongestDays}",
                $"the restriction would end before its shortest {phases.ShortestDays} days",
                "Raise the longest or lower the shortest"
            ),
            _ when phases.Challenges.GroupBy(item => item.Id).FirstOrDefault(same => same.Count() > 1) is { } twice => new(
                "challenge-twice",
                "phases.challenges",
                twice.Key,
                "two challenges have one id",
                "Give each its own"
            ),
            _ when phases.Challenges.FirstOrDefault(item => item.Doses.Count > item.Days) is { } odd => new(
                "more-doses-than-days",
                "phases.challenges",
                odd.Id,
                $"it has {odd.Doses.Count} doses for {odd.Days} days",
                "Give one dose a day"
            ),
            _ => null,
        };

    private static Refusal? Nothing(Protocol protocol) =>
        protocol.AllRules.Any() ? null : new("no-rules", "rules", "[]", "a protocol has at least one rule", "Add a rule");
}
