using System.Collections.Concurrent;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Foods.Statements;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Shopping;
using Merienda.Formats;
using Merienda.Storage;

namespace Merienda.Web.Hosting;

/// <summary>
/// Foods, classes and shipped protocols as read from the database at start. They change only when a new version of the program ships them.
/// </summary>
public sealed class KnowledgeBase(Database database)
{
    private readonly ConcurrentDictionary<string, Protocol?> _read = new();
    private IReadOnlyDictionary<(string Id, int Version), string> _shipped = new Dictionary<(string, int), string>();

    public FoodCatalogue Foods { get; private set; } =
        new(new FoodMatcher([], FoodWords.None, []), new Dictionary<Guid, Food>(), new Dictionary<Food, Guid>());

    public FoodClasses Classes { get; private set; } = new([]);

    /// <summary>The latest version of each shipped protocol.</summary>
    public IReadOnlyList<ProtocolEdition> Protocols { get; private set; } = [];

    /// <summary>The scheme shown where no eater's protocol brings one.</summary>
    public PointsScheme HouseScheme => Protocols.Select(edition => edition.Protocol.Scheme).OfType<PointsScheme>().First();

    /// <summary>What the words of packets' statements mean; it ships as a file and is the same for everybody.</summary>
    public StatementLexicon Statements { get; private set; } = new([], new([]));

    /// <summary>What is bought for foods that nobody sells as recipes name them; it ships as a file.</summary>
    public SoldAs SoldAs { get; private set; } = SoldAs.Itself;

    /// <summary>What tables are judged with.</summary>
    public TableKnowledge OfTables => new(Classes, HouseScheme, Knows);

    /// <summary>What packets are read with.</summary>
    public PacketKnowledge Packets => new(Foods.Latest, Statements, Classes);

    public async Task Load(
        FoodClasses classes,
        FoodWords words,
        IReadOnlyList<(string Words, IReadOnlyList<string> Keys)> kinds,
        StatementLexicon statements,
        Func<Func<string, Food?>, SoldAs> soldAs
    )
    {
        (Classes, Statements) = (classes, statements);
        Foods = await database.ReadFoods(classes, words, kinds);
        SoldAs = soldAs(Foods.Latest.WithKey);
        var shipped = await database.ReadProtocols();
        _shipped = shipped.ToDictionary(item => (item.Id, item.Version), item => item.Json);
        Protocols =
        [
            .. shipped
                .GroupBy(item => item.Id)
                .Select(versions => versions.MaxBy(item => item.Version)!)
                .Select(latest => (latest.Version, Protocol: Read(latest.Json)))
                .Where(latest => latest.Protocol is not null)
                .Select(latest => new ProtocolEdition(latest.Protocol!, latest.Version))
                .OrderBy(edition => edition.Protocol.Name, StringComparer.Ordinal),
        ];
        if (Protocols.Count == 0)
        {
            throw new InvalidDataException("No shipped protocol can be read.");
        }
    }

    /// <summary>A shipped version; null when there is none, or when it was written for rules that are no more.</summary>
    public Protocol? Shipped(string id, int version) => _shipped.TryGetValue((id, version), out var json) ? Read(json) : null;

    /// <summary>Documents never change, so each is read once. Null for one that cannot be read any more.</summary>
    public Protocol? Read(string json) =>
        _read.GetOrAdd(json, text => ProtocolFile.Read(text, Classes, MayBeNamed) is { IsRefused: false } read ? read.Value : null);

    public bool Knows(string food) => Foods.Latest.WithKey(food) is not null;

    /// <summary>
    /// What a protocol may name: a food of the table, or a packet; one of another household means nothing here and does no harm.
    /// </summary>
    public bool MayBeNamed(string food) => Knows(food) || Packet.IdOf(food) is not null;
}
