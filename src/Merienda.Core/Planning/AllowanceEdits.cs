using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>The numbers that an eater states for rules, for good or for a time.</summary>
public static class AllowanceEdits
{
    /// <summary>States a number for a rule from a date on; without numbers it is taken back.</summary>
    /// <param name="isClinical">Whether a clinical team set it.</param>
    /// <param name="until">Its last date: afterwards holds what held before; null for no end.</param>
    public static Result<EaterSettings> StateAllowance(
        this Table table,
        EaterSettings eater,
        StatedAllowance stated,
        bool isClinical,
        DateOnly? until = null
    )
    {
        var rule = table.RuleOf(stated);
        if ((WrongAllowance(rule, stated, isClinical) ?? WrongEnd(stated, until)) is { } refusal)
        {
            return refusal;
        }

        var others = eater.Allowances.Where(item =>
            (item.ProtocolId, item.RuleId, item.From) != (stated.ProtocolId, stated.RuleId, stated.From)
        );
        return eater with
        {
            Allowances =
            [
                .. others,
                .. stated is { AtLeast: null, AtMost: null } ? Array.Empty<StatedAllowance>() : [stated],
                .. After(eater, rule!, stated, until),
            ],
        };
    }

    /// <summary>
    /// States the numbers that another eater stated for the same protocols, where this one stated none: people at one table often have them
    /// of one clinic. What only a clinical team sets for a person is not taken over.
    /// </summary>
    public static Result<EaterSettings> StateAllowancesAs(this Table table, EaterSettings eater, EaterSettings other)
    {
        var own = eater.Allowances.Select(item => (item.ProtocolId, item.RuleId)).ToHashSet();
        var more = other
            .Allowances.Where(item => eater.Protocols.Contains(item.ProtocolId) && !own.Contains((item.ProtocolId, item.RuleId)))
            .Where(item => WrongAllowance(table.RuleOf(item), item, false) is null)
            .ToList();
        return more.Count == 0
            ? new Refusal(
                "nothing-stated",
                "from",
                other.Name,
                $"{other.Name} states no number that {eater.Name} lacks",
                "Type the numbers"
            )
            : eater with
            {
                Allowances = [.. eater.Allowances, .. more],
            };
    }

    private static BoundedRule? RuleOf(this Table table, StatedAllowance stated) =>
        table.Latest(stated.ProtocolId)?.Protocol.AllRules.OfType<BoundedRule>().FirstOrDefault(limit => limit.Id == stated.RuleId);

    /// <summary>What holds again when a number that was stated for a time is over.</summary>
    private static IEnumerable<StatedAllowance> After(EaterSettings eater, BoundedRule rule, StatedAllowance stated, DateOnly? until)
    {
        var own = eater.Allowances.Where(item => (item.ProtocolId, item.RuleId) == (stated.ProtocolId, stated.RuleId)).ToList();
        if (until?.AddDays(1) is not { } next || own.Exists(item => item.From > stated.From && item.From <= next))
        {
            return [];
        }

        var before = own.Where(item => item.From <= stated.From).MaxBy(item => item.From);
        return [stated with { AtLeast = before?.AtLeast ?? rule.AtLeast, AtMost = before?.AtMost ?? rule.AtMost, From = next }];
    }

    private static Refusal? WrongEnd(StatedAllowance stated, DateOnly? until) =>
        until < stated.From
            ? new(
                "allowance-over",
                "until",
                $"{until:yyyy-MM-dd}",
                $"it would end before it begins on {stated.From:yyyy-MM-dd}",
                "Choose a later day"
            )
            : null;

    private static Refusal? WrongAllowance(BoundedRule? rule, StatedAllowance stated, bool isClinical) =>
        stated switch
        {
            _ when rule is null => new("unknown-rule", "rule", stated.RuleId, "the protocol has no such limit", "Load the page again"),
            { AtLeast: < 0 or > RuleField.LargestBound } or { AtMost: < 0 or > RuleField.LargestBound } => new(
                "allowance-out-of-range",
                "allowance",
                $"{stated.AtMost ?? stated.AtLeast}",
                "an allowance lies between 0 and 99,999",
                "Type the number again"
            ),
            { AtLeast: { } least, AtMost: { } most } when least > most => new(
                "floor-above-ceiling",
                "atLeast",
                $"{least:0.##}",
                $"the floor is above the ceiling of {most:0.##}",
                "Lower the floor or raise the ceiling"
            ),
            { AtMost: < EnergyNeed.ClinicalOnly } when !isClinical && rule is LimitRule { Measure: Measure.Energy, Per: Period.Day } => new(
                "clinical-team",
                "atMost",
                $"{stated.AtMost:0} kcal",
                $"below {EnergyNeed.ClinicalOnly} kcal a day only a clinical team sets the number",
                "Tick \"my clinical team set this\" when that is so, or state a higher number"
            ),
            _ => null,
        };
}
