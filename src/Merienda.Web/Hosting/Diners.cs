using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage;

namespace Merienda.Web.Hosting;

/// <summary>A protocol in one of its versions.</summary>
/// <param name="Own">The household's own row; null for a shipped one.</param>
public sealed record ProtocolEdition(Protocol Protocol, int Version, OwnProtocol? Own);

/// <summary>Everybody at a household's table with the rules that hold for them.</summary>
public sealed class Diners
{
    private readonly KnowledgeBase _knowledge;
    private readonly IReadOnlyDictionary<string, ProtocolEdition> _latest;

    public Diners(StoredTable table, KnowledgeBase knowledge, DateOnly today)
    {
        (Table, _knowledge, Today) = (table, knowledge, today);
        var own = table
            .Protocols.Latest.Select(row => (Row: row, Protocol: knowledge.Read(row.Content)))
            .Where(item => item.Protocol is not null)
            .Select(item => new ProtocolEdition(item.Protocol! with { Id = item.Row.Id }, item.Row.Version, item.Row));
        _latest = knowledge.Protocols.Concat(own).ToDictionary(edition => edition.Protocol.Id);
        Eaters = [.. table.Eaters.Select(ToEater)];
    }

    public StoredTable Table { get; }

    public DateOnly Today { get; }

    public IReadOnlyList<Eater> Eaters { get; }

    /// <summary>The latest version of every protocol that can be chosen or is still followed.</summary>
    public IEnumerable<ProtocolEdition> Protocols => _latest.Values;

    public ProtocolEdition? Latest(string id) => _latest.GetValueOrDefault(id);

    /// <summary>The version that holds here: the one that the week was planned with, else the latest.</summary>
    public ProtocolEdition? InForce(string id)
    {
        if (Latest(id) is not { } latest || !Table.Protocols.Pinned.TryGetValue(id, out var version) || version == latest.Version)
        {
            return Latest(id);
        }

        var own = Table.Protocols.PinnedContent.FirstOrDefault(row => row.Id == id);
        var pinned = own is null ? _knowledge.Shipped(id, version) : _knowledge.Read(own.Content);
        return pinned is null ? latest : new(pinned with { Id = id }, version, own);
    }

    /// <summary>The core's eater from what the household stated, under the protocols in force.</summary>
    public Eater ToEater(EaterSettings settings) => ToEater(settings, id => InForce(id)?.Protocol);

    /// <param name="protocolOf">Which protocol an id stands for: a draft can be tried out this way.</param>
    public Eater ToEater(EaterSettings settings, Func<string, Protocol?> protocolOf) =>
        new(
            settings.Id,
            settings.Name,
            new EaterRules(
                settings
                    .Protocols.Select(protocolOf)
                    .OfType<Protocol>()
                    .Select(protocol => new FollowedProtocol(protocol, ChoicesOf(settings, protocol.Id), PlanOf(settings, protocol.Id))),
                settings.Allowances.Select(item => new Allowance(item.ProtocolId, item.RuleId, item.AtLeast, item.AtMost, item.From)),
                new(settings.Allergies, [.. settings.Accepted.Select(item => new Acceptance(item.What, item.Reason))], settings.Dislikes)
                {
                    Packets = settings.PacketOpinions,
                },
                _knowledge.HouseScheme,
                _knowledge.Classes,
                Today
            ),
            settings.Meals.ToDictionary(meal => meal.Meal, meal => meal.DayShare),
            settings.Meals.Where(meal => meal.IsFromPrep).Select(meal => meal.Meal).ToHashSet(),
            settings.PortionHabit
        );

    public static IReadOnlyDictionary<string, string> ChoicesOf(EaterSettings settings, string protocol) =>
        settings.Choices.Where(item => item.ProtocolId == protocol).ToDictionary(item => item.ChoiceId, item => item.OptionId);

    public static PhasePlan? PlanOf(EaterSettings settings, string protocol) =>
        settings.Phases.FirstOrDefault(phase => phase.ProtocolId == protocol) is { } phase
            ? new(
                protocol,
                phase.StartsOn,
                phase.RestrictionEndsOn,
                [.. phase.Challenges.Select(item => item.ChallengeId)],
                phase.Challenges.ToDictionary(item => item.ChallengeId, item => item.Outcome)
            )
            : null;
}

/// <summary>Reads who sits at the table of the household that asks.</summary>
public sealed class DinersReader(HouseholdStore households, KnowledgeBase knowledge, TimeProvider clock)
{
    public async Task<Diners> Read(Tenant tenant) => Of(await households.Table(tenant));

    public Diners Of(StoredTable table) => new(table, knowledge, HouseholdClock.Today(clock, table.Household.TimeZone));
}
