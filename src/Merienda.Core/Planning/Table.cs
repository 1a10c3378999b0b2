using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;

namespace Merienda.Core.Planning;

/// <param name="TimeZone">IANA name.</param>
/// <param name="Units">"metric" or "us".</param>
/// <param name="NumberFormat">"point" or "comma".</param>
/// <param name="CountsTolerances">Whether what the law tolerates beyond rounding widens the values of packets.</param>
public sealed record Household(
    Guid Id,
    string Name,
    string TimeZone,
    string Units,
    string NumberFormat,
    Rhythm Rhythm,
    bool CountsTolerances
)
{
    public bool CountsInOunces => Units == "us";

    /// <summary>Whose spoons its own lines mean.</summary>
    public MeasureSystem System => CountsInOunces ? MeasureSystem.UnitedStates : MeasureSystem.Metric;
}

/// <param name="Origin">The protocol it was copied from; null when it was imported.</param>
public sealed record OwnEdition(string? Origin, bool IsArchived);

/// <summary>A protocol in one of its versions.</summary>
/// <param name="Own">Null for a shipped one.</param>
public sealed record ProtocolEdition(Protocol Protocol, int Version, OwnEdition? Own = null);

/// <summary>What is known of foods wherever a table is judged.</summary>
/// <param name="HouseScheme">Counts points where no followed protocol brings a scheme.</param>
/// <param name="KnowsFood">Whether a key is a food's.</param>
public sealed record TableKnowledge(FoodClasses Classes, PointsScheme HouseScheme, Func<string, bool> KnowsFood);

/// <summary>
/// Who eats, by which rules, on which date. It answers which rules hold for an eater, and decides every edit of an eater
/// (<see cref="TableEdits"/>).
/// </summary>
public sealed class Table
{
    private readonly IReadOnlyDictionary<string, ProtocolEdition> _latest;
    private readonly IReadOnlyDictionary<string, ProtocolEdition> _pinned;
    private readonly Lazy<IReadOnlyList<Eater>> _diners;

    /// <param name="latest">The latest version of every protocol that can be chosen or is still followed.</param>
    /// <param name="pinned">Versions that the week at hand was planned with; empty without a week.</param>
    /// <param name="today">The household's local date.</param>
    public Table(
        Household household,
        IReadOnlyList<EaterSettings> eaters,
        IEnumerable<ProtocolEdition> latest,
        IEnumerable<ProtocolEdition> pinned,
        TableKnowledge knowledge,
        DateOnly today
    )
    {
        (Household, Eaters, Knowledge, Today) = (household, eaters, knowledge, today);
        _latest = latest.ToDictionary(edition => edition.Protocol.Id);
        _pinned = pinned.ToDictionary(edition => edition.Protocol.Id);
        _diners = new(() => [.. Eaters.Select(DinerOf)]);
    }

    public Household Household { get; }

    public IReadOnlyList<EaterSettings> Eaters { get; }

    public TableKnowledge Knowledge { get; }

    public DateOnly Today { get; }

    /// <summary>The eaters with the rules that hold for them.</summary>
    public IReadOnlyList<Eater> Diners => _diners.Value;

    public IEnumerable<ProtocolEdition> Protocols => _latest.Values;

    public EaterSettings? WithId(Guid eater) => Eaters.FirstOrDefault(one => one.Id == eater);

    public ProtocolEdition? Latest(string protocol) => _latest.GetValueOrDefault(protocol);

    /// <summary>The shipped protocol that one is, or was copied from; null for one that was imported.</summary>
    public string? ShippedAs(string protocol) => Latest(protocol)?.Own is { } own ? own.Origin : protocol;

    /// <summary>The version that holds here: the one that the week was planned with, else the latest.</summary>
    public ProtocolEdition? InForce(string protocol) => Latest(protocol) is { } latest ? _pinned.GetValueOrDefault(protocol, latest) : null;

    /// <summary>An eater under the protocols in force.</summary>
    public Eater DinerOf(EaterSettings settings) => DinerOf(settings, id => InForce(id)?.Protocol);

    /// <param name="protocolOf">Which protocol an id stands for: a draft can be tried out this way.</param>
    public Eater DinerOf(EaterSettings settings, Func<string, Protocol?> protocolOf) =>
        new(
            settings.Id,
            settings.Name,
            new EaterRules(
                settings
                    .Protocols.Select(protocolOf)
                    .OfType<Protocol>()
                    .Select(protocol => new FollowedProtocol(protocol, settings.ChosenIn(protocol.Id), settings.PlanOf(protocol.Id))),
                settings.Allowances.Select(item => new Allowance(item.ProtocolId, item.RuleId, item.AtLeast, item.AtMost, item.From)),
                settings.Limits,
                Knowledge.HouseScheme,
                Knowledge.Classes,
                Today
            ),
            settings.Meals,
            Household.Rhythm,
            settings.PortionHabit
        )
        {
            UsualVariants = settings.UsualVariants.ToDictionary(one => one.Recipe, one => one.Variant),
            DislikedDishes = settings.DislikedDishes,
        };
}
