using Merienda.Core.Foods;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>A protocol as one eater follows it.</summary>
/// <param name="Chosen">Options by choice id; the first of each choice where none is named.</param>
/// <param name="Plan">The way through its phases; null when the protocol has none or nobody started.</param>
public sealed record FollowedProtocol(Protocol Protocol, IReadOnlyDictionary<string, string> Chosen, PhasePlan? Plan = null);

/// <summary>What an eater states apart from any protocol.</summary>
/// <param name="Allergies">Keys of classes: hard stops.</param>
/// <param name="Dislikes">Keys of classes or foods.</param>
public sealed record PersonalLimits(IReadOnlyList<string> Allergies, IReadOnlyList<Acceptance> Accepted, IReadOnlyList<string> Dislikes)
{
    public static readonly PersonalLimits None = new([], [], []);

    public PacketOpinions Packets { get; init; } = PacketOpinions.None;
}

/// <summary>
/// Everything that holds for one eater: the rules of all followed protocols with the allowances filled in, allergies and dislikes.
/// </summary>
public sealed class EaterRules
{
    private readonly IReadOnlyList<FollowedProtocol> _followed;
    private readonly ILookup<(string Protocol, string Rule), Allowance> _stated;
    private readonly List<Rule> _personal = [];
    private readonly bool _isDated;
    private readonly Func<IEnumerable<Rule>, IEnumerable<Rule>> _as = rules => rules;

    /// <param name="today">The local date that undated questions are asked on: which stage, which phase.</param>
    public EaterRules(
        IEnumerable<FollowedProtocol> followed,
        IEnumerable<Allowance> allowances,
        PersonalLimits personal,
        PointsScheme houseScheme,
        FoodClasses classes,
        DateOnly today
    )
    {
        _followed = [.. followed];
        _stated = allowances.ToLookup(item => (item.Protocol, item.Rule));
        if (personal.Allergies.Count > 0)
        {
            _personal.Add(
                new AllergyRule
                {
                    Id = "allergy",
                    Classes = [.. personal.Allergies.Select(classes.AllergyTo).Distinct()],
                    Accepted = personal.Accepted,
                }
            );
        }

        if (personal.Dislikes.Count > 0)
        {
            _personal.Add(new DislikeRule { Id = "dislikes", Of = personal.Dislikes });
        }

        if (personal.Packets.All.Count > 0)
        {
            _personal.Add(new PacketRule { Id = PacketRule.Key, Opinions = personal.Packets });
        }

        _isDated = _followed.Any(item => item.Plan is not null) || _stated.Any(item => item.Any(stated => stated.From != default));
        Context = new(_followed.Select(item => item.Protocol.Scheme).OfType<PointsScheme>().FirstOrDefault() ?? houseScheme, classes)
        {
            Packets = personal.Packets,
        };
        Rules = _isDated ? RulesOn(today) : Assemble(null);
    }

    /// <summary>Rules that stand alone, for a check without a protocol.</summary>
    public EaterRules(IEnumerable<Rule> rules, RuleContext context)
    {
        (_followed, _stated, Context) = ([], Enumerable.Empty<Allowance>().ToLookup(item => (item.Protocol, item.Rule)), context);
        Rules = [.. rules];
        _personal.AddRange(Rules);
    }

    private EaterRules(EaterRules of, Func<IEnumerable<Rule>, IEnumerable<Rule>> change)
    {
        (_followed, _stated, _personal, _isDated, Context) = (of._followed, of._stated, of._personal, of._isDated, of.Context);
        _as = rules => change(of._as(rules));
        Rules = [.. change(of.Rules)];
    }

    /// <summary>As if a rule were not there, to see what it is in the way of; an allergy always is.</summary>
    /// <param name="rule">Its id, in whatever protocol.</param>
    public EaterRules Without(string rule) => new(this, rules => rules.Where(one => one is AllergyRule || one.Id != rule));

    /// <summary>As if a day's energy had other bounds, both by as much, kcal; nothing else changes.</summary>
    public EaterRules WithEnergy(decimal more) =>
        new(
            this,
            rules =>
                rules.Select(rule =>
                    rule is LimitRule { Measure: Measure.Energy, Per: Period.Day } limit
                        ? limit with
                        {
                            AtLeast = limit.AtLeast + more,
                            AtMost = limit.AtMost + more,
                        }
                        : rule
                )
        );

    /// <summary>The protocol that a limit comes from; null for what no protocol says.</summary>
    public string? ProtocolOf(string rule) =>
        _followed.Select(item => item.Protocol).FirstOrDefault(protocol => protocol.AllRules.Any(one => one.Id == rule))?.Id;

    /// <summary>
    /// True when a protocol that is followed brings a points scheme: then the eater's own points are shown, not the house's.
    /// </summary>
    public bool CountsPoints => _followed.Any(item => item.Protocol.Scheme is not null);

    /// <summary>The measures that a rule counts today, with points where a protocol has a scheme.</summary>
    public IEnumerable<Measure> Measures => Rules.SelectMany(rule => rule.Measures).Concat(CountsPoints ? [Measure.Points] : []).Distinct();

    /// <summary>The rules as they hold today.</summary>
    public IReadOnlyList<Rule> Rules { get; }

    public RuleContext Context { get; }

    /// <summary>The rules as they hold on a date: a stage's numbers, a phase's restrictions.</summary>
    public IReadOnlyList<Rule> On(DateOnly date) => _isDated ? [.. _as(RulesOn(date))] : Rules;

    /// <summary>One portion of a recipe against every rule (domain.md section 6).</summary>
    /// <param name="known">What rules said of this very portion to others who follow them; what they say now comes to it.</param>
    public IReadOnlyList<Finding> CheckPortion(
        Intake portion,
        decimal? mealShare,
        MealRole? meal = null,
        Dictionary<(Rule, RuleContext), Finding>? known = null
    )
    {
        var context = Context with { Meal = meal };
        known ??= [];
        Finding Said(Rule rule) =>
            known.TryGetValue((rule, context), out var said)
                ? said
                : known[(rule, context)] = rule.CheckPortion(portion, mealShare, context);
        // Of packets there is something to say only where one was decided on.
        return [.. Rules.Select(Said).Where(finding => finding is not { Rule: PacketRule.Key, Verdict: Verdict.Fits, Notes.Count: 0 })];
    }

    /// <summary>Why a portion may not be placed for this eater at all; null when nothing stops it.</summary>
    public Finding? HardStop(Intake portion) =>
        _personal
            .OfType<AllergyRule>()
            .Select(rule => rule.Check(portion, Context))
            .FirstOrDefault(finding => finding.Verdict != Verdict.Fits);

    /// <summary>Whether a line holds something that the eater is allergic to, or may hold it for all that is known.</summary>
    public bool IsStoppedBy(RecipeLine line) =>
        _personal
            .OfType<AllergyRule>()
            .Any(rule => line.Ingredients.Any(ingredient => rule.VerdictOf(ingredient, Context) != Verdict.Fits));

    private IReadOnlyList<Rule> RulesOn(DateOnly date) => Assemble(date);

    private IReadOnlyList<Rule> Assemble(DateOnly? date) =>
        [
            .. _personal,
            .. _followed.SelectMany(followed =>
            {
                var allowed =
                    followed is { Plan: { } plan, Protocol.Phases: { } schedule } && date is { } day
                        ? PhaseCalendar.On(plan, schedule, day).Allowed
                        : null;
                return followed
                    .Protocol.RulesWith(followed.Chosen)
                    .Select(rule =>
                    {
                        var stated = rule is BoundedRule bounded ? bounded.With(StatedFor(followed.Protocol.Id, rule.Id, date)) : rule;
                        return allowed is null ? stated : stated.Allowing(allowed);
                    });
            }),
        ];

    private Allowance? StatedFor(string protocol, string rule, DateOnly? date) =>
        _stated[(protocol, rule)].Where(item => date is null || item.From <= date).MaxBy(item => item.From);
}
