using Merienda.Core.Foods;

namespace Merienda.Core.Protocols;

/// <summary>A diet protocol: its rules as data, with the cautions that go with it.</summary>
/// <param name="Summary">One sentence for the person who chooses.</param>
/// <param name="Source">Where the rules come from, with its mark [M] or [C].</param>
/// <param name="Cautions">Medical cautions (domain.md section 10), shown when it is chosen.</param>
public sealed record Protocol(string Id, string Name, string Summary, string Source, string? PointsScheme, IReadOnlyList<Rule> Rules, IReadOnlyList<string> Cautions);

/// <summary>What an eater stated for one rule of one protocol, in the rule's unit.</summary>
public sealed record Allowance(string Protocol, string Rule, decimal? AtLeast, decimal? AtMost);

/// <summary>Everything that holds for one eater: the rules of all chosen protocols with the allowances filled in.</summary>
public sealed record EaterRules(IReadOnlyList<Rule> Rules, RuleContext Context)
{
    public static EaterRules Of(IEnumerable<Protocol> protocols, IEnumerable<Allowance> allowances, Func<string, PointsScheme?> schemes, FoodClasses classes)
    {
        var chosen = protocols.ToList();
        var stated = allowances.ToDictionary(item => (item.Protocol, item.Rule));
        var rules = chosen.SelectMany(protocol => protocol.Rules.Select(rule => rule switch
        {
            LimitRule limit => limit.With(stated.GetValueOrDefault((protocol.Id, rule.Id))),
            _ => rule,
        }));
        var scheme = chosen.Select(protocol => protocol.PointsScheme).OfType<string>().Select(schemes).FirstOrDefault(found => found is not null);
        return new([.. rules], new(scheme, classes));
    }

    /// <summary>One portion of a recipe against every rule (domain.md section 6).</summary>
    public IReadOnlyList<Finding> CheckPortion(Intake portion, decimal? mealShare) => [.. Rules.Select(rule => rule.CheckPortion(portion, mealShare, Context))];
}
