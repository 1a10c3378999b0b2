using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Web.Hosting;

namespace Merienda.Web.Table;

/// <summary>Draws an eater as the Table shows one.</summary>
public static class EaterSheets
{
    public static TableEater ToEater(EaterSettings settings, Core.Planning.Table table, KnowledgeBase knowledge)
    {
        var followed = settings.Protocols.Select(table.Latest).OfType<ProtocolEdition>().Select(edition => edition.Protocol).ToList();
        var eater = table.DinerOf(settings, id => table.Latest(id)?.Protocol);
        return new(
            settings.Id,
            settings.Name,
            settings.IsGuest,
            settings.PortionHabit,
            settings.Protocols,
            [.. followed.SelectMany(protocol => protocol.Choices.Select(choice => ToChoice(protocol, choice, settings)))],
            [
                .. followed.SelectMany(protocol =>
                    protocol.RulesWith(settings.ChosenIn(protocol.Id)).Select(rule => ToRule(protocol, rule, settings, table, knowledge))
                ),
            ],
            [.. followed.Where(protocol => protocol.Phases is not null).Select(protocol => ToPhases(protocol, settings, table))],
            settings.Meals,
            settings.Allergies,
            [
                .. settings.Accepted.Select(item => new TableAcceptance(
                    item.What,
                    knowledge.Foods.Latest.WithKey(item.What)?.Name ?? item.What,
                    item.Reason,
                    item.AcceptedAt
                )),
            ],
            [.. settings.Dislikes.Select(key => new NamedKey(key, NameOf(key, knowledge)))],
            settings.CountsTraces,
            settings.TrustsRefinedSoybeanOil,
            [.. Contradictions.Among(eater.Rules.Rules).Select(item => $"{item.One.Title} and {item.Other.Title}: {item.Reason}.")]
        );
    }

    public static string NameOf(string key, KnowledgeBase knowledge) =>
        knowledge.Classes.Knows(key) ? knowledge.Classes.NameOf(key) : knowledge.Foods.Latest.WithKey(key)?.Name ?? key;

    private static TableChoice ToChoice(Protocol protocol, ProtocolChoice choice, EaterSettings settings) =>
        new(
            protocol.Id,
            choice.Id,
            choice.Name,
            [.. choice.Options.Select(option => new TableOption(option.Id, option.Name))],
            choice.OptionOf(settings.ChosenIn(protocol.Id)).Id
        );

    private static TableRule ToRule(
        Protocol protocol,
        Rule rule,
        EaterSettings settings,
        Core.Planning.Table table,
        KnowledgeBase knowledge
    )
    {
        var stated = settings
            .Allowances.Where(item => (item.ProtocolId, item.RuleId) == (protocol.Id, rule.Id))
            .OrderBy(item => item.From)
            .ToList();
        var now = stated.LastOrDefault(item => item.From <= table.Today);
        var bounded = (rule as BoundedRule)?.With(now is null ? null : new Allowance(protocol.Id, rule.Id, now.AtLeast, now.AtMost));
        // During a trial the sentence says what is restricted today.
        var today =
            protocol.Phases is { } schedule && settings.PlanOf(protocol.Id) is { } plan
                ? rule.Allowing(PhaseCalendar.On(plan, schedule, table.Today).Allowed)
                : rule;
        var isEnergy = bounded is LimitRule { Measure: Measure.Energy, Per: Period.Day };
        return new(
            protocol.Id,
            rule.Id,
            rule.Title,
            (bounded ?? today).Sentence(knowledge.Classes),
            UnitOf(bounded),
            bounded?.AsksAtLeast ?? false,
            bounded?.AsksAtMost ?? false,
            bounded?.AtLeast,
            bounded?.AtMost,
            bounded?.NeedsAllowance ?? false,
            isEnergy,
            [.. stated.Select(item => new RuleStage(item.From == default ? null : item.From, item.AtLeast, item.AtMost))],
            isEnergy && bounded!.AtMost is { } most && EnergyNeed.CautionsOf(null, most).ToList() is { Count: > 0 } cautions
                ? string.Join(" ", cautions)
                : null
        );
    }

    private static string? UnitOf(BoundedRule? rule) =>
        rule switch
        {
            null => null,
            { Scale.Unit: "" } => rule is PointsBudgetRule or LimitRule ? "points" : "to 1",
            _ => rule.Scale.Unit,
        };

    private static TablePhases ToPhases(Protocol protocol, EaterSettings settings, Core.Planning.Table table)
    {
        var schedule = protocol.Phases!;
        var plan = settings.PlanOf(protocol.Id);
        var order = plan?.Order ?? [.. schedule.Challenges.Select(challenge => challenge.Id)];
        return new(
            protocol.Id,
            schedule.ShortestDays,
            schedule.LongestDays,
            plan?.Start,
            plan?.RestrictionEnds,
            plan is null ? null : PhaseCalendar.On(plan, schedule, table.Today).Says,
            [
                .. order
                    .Select(id => schedule.Challenges.FirstOrDefault(challenge => challenge.Id == id))
                    .OfType<Challenge>()
                    .Select(challenge => new TableChallenge(
                        challenge.Id,
                        challenge.Name,
                        challenge.Days,
                        challenge.WashoutDays,
                        plan?.Outcomes.GetValueOrDefault(challenge.Id) ?? ChallengeOutcome.Open
                    )),
            ],
            plan is null
                ? []
                :
                [
                    .. PhaseCalendar
                        .Stretches(plan, schedule)
                        .Select(stretch => new TableStretch(
                            stretch.Kind,
                            stretch.Challenge?.Name,
                            stretch.First,
                            stretch.Last == DateOnly.MaxValue ? null : stretch.Last
                        )),
                ]
        );
    }
}
