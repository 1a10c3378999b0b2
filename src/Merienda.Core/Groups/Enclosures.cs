using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;

namespace Merienda.Core.Groups;

public enum EnclosedKind
{
    Protocol,
    Packet,
    Word,
    Price,
}

/// <param name="Key">The group's own.</param>
/// <param name="Name">By which it is found in another kitchen.</param>
public sealed record NamedPacket(string Key, string Name);

/// <param name="Origin">The shipped protocol that it was copied from; null when it was imported.</param>
/// <param name="Packets">Those that it names: as free, by the points on them, or as left out.</param>
public sealed record EnclosedProtocol(string? Origin, Protocol Protocol, IReadOnlyList<NamedPacket> Packets);

/// <summary>What a group's kitchen means by some words.</summary>
/// <param name="Food">Key of the table's food; null for a packet, which is found by its name.</param>
public sealed record EnclosedWord(string Words, string? Food, string Name)
{
    private const int Longest = 300;

    /// <summary>Why it can't be kept; null when it can.</summary>
    public Refusal? Wrong =>
        Words.Length is 0 or > Longest
            ? new(
                "enclosed-word",
                "words",
                Words.Length > 60 ? $"{Words[..60]}…" : Words,
                $"words that mean a food have 1 to {Longest} characters",
                "Take them out of the file, or shorten them there"
            )
            : null;
}

/// <param name="Food">As of a word.</param>
/// <param name="Pack">What is bought for it, as typed.</param>
/// <param name="Amount">In the money of the group's kitchen.</param>
public sealed record EnclosedPrice(string? Food, string Name, string Pack, decimal Amount, string Shop)
{
    /// <summary>What it is the price of.</summary>
    public string Of => Shop.Length == 0 ? Name : $"{Name}, {Shop}";
}

/// <summary>
/// What a menu brings besides its recipes: the group's own protocols with their schemes, and of the foods that its dishes take the
/// packets, the words and the prices. Yields go with the recipes.
/// </summary>
public sealed record Enclosures(
    IReadOnlyList<EnclosedProtocol> Protocols,
    IReadOnlyList<PrintedPacket> Packets,
    IReadOnlyList<EnclosedWord> Words,
    IReadOnlyList<EnclosedPrice> Prices
)
{
    public static Enclosures None { get; } = new([], [], [], []);

    /// <param name="recipes">Those of the menu, and those that they use.</param>
    /// <param name="protocols">All that the group's kitchen knows.</param>
    /// <param name="packetsIn">Keys of the packets that a protocol names.</param>
    /// <param name="current">A food as the kitchen has it now: a packet may be printed anew since a recipe was saved.</param>
    public static Enclosures Of(
        IEnumerable<RecipeVersion> recipes,
        IEnumerable<ProtocolEdition> protocols,
        Func<Protocol, IReadOnlyList<string>> packetsIn,
        Func<string, Food?> current,
        IEnumerable<(string Words, Food Food)> learnt,
        IEnumerable<(Price Price, Food Food)> prices
    )
    {
        var used = recipes
            .SelectMany(recipe => recipe.Lines.Concat(recipe.Variants.SelectMany(variant => variant.Added).Select(added => added.Line)))
            .Select(line => line.Food)
            .OfType<Food>()
            .DistinctBy(food => food.Key)
            .ToDictionary(food => food.Key, food => current(food.Key) ?? food);
        var own = (
            from edition in protocols
            where edition.Own is { IsArchived: false }
            let named = packetsIn(edition.Protocol).Select(current).OfType<Food>().ToList()
            orderby edition.Protocol.Name.ToUpperInvariant()
            select (Protocol: new EnclosedProtocol(edition.Own!.Origin, edition.Protocol, [.. named.Select(Name)]), Named: named)
        ).ToList();
        return new(
            [.. own.Select(one => one.Protocol)],
            [
                .. used
                    .Values.Concat(own.SelectMany(one => one.Named))
                    .DistinctBy(food => food.Key)
                    .Select(food => food.Packet?.Printed)
                    .OfType<PrintedPacket>()
                    .OrderBy(packet => packet.Name, StringComparer.OrdinalIgnoreCase),
            ],
            [
                .. learnt
                    .Where(word => used.ContainsKey(word.Food.Key))
                    .OrderBy(word => word.Words, StringComparer.Ordinal)
                    .Select(word => new EnclosedWord(word.Words, KeyOf(word.Food), word.Food.Name)),
            ],
            [
                .. prices
                    .Where(price => used.ContainsKey(price.Food.Key))
                    .Select(price => new EnclosedPrice(
                        KeyOf(price.Food),
                        price.Food.Name,
                        price.Price.Pack,
                        price.Price.Amount,
                        price.Price.Shop
                    ))
                    .OrderBy(price => price.Of, StringComparer.OrdinalIgnoreCase),
            ]
        );

        static string? KeyOf(Food food) => food.Packet is null ? food.Key : null;
        static NamedPacket Name(Food food) => new(food.Key, food.Name);
    }

    /// <summary>Those of some kinds; the packets that a protocol names go where it goes.</summary>
    public Enclosures Only(IReadOnlyCollection<EnclosedKind> kinds)
    {
        var named = kinds.Contains(EnclosedKind.Protocol)
            ? Protocols.SelectMany(one => one.Packets).Select(packet => packet.Name).ToHashSet()
            : [];
        return Where((kind, name) => kinds.Contains(kind) || (kind == EnclosedKind.Packet && named.Contains(name)));
    }

    /// <summary>Those that are chosen, by kind and name.</summary>
    public Enclosures Where(Func<EnclosedKind, string, bool> isChosen) =>
        new(
            [.. Protocols.Where(one => isChosen(EnclosedKind.Protocol, one.Protocol.Name))],
            [.. Packets.Where(one => isChosen(EnclosedKind.Packet, one.Name))],
            [.. Words.Where(one => isChosen(EnclosedKind.Word, one.Words))],
            [.. Prices.Where(one => isChosen(EnclosedKind.Price, one.Of))]
        );

    /// <summary>These and of others what these have not.</summary>
    public Enclosures Or(Enclosures others) =>
        new(
            [.. Protocols.Concat(others.Protocols).DistinctBy(one => one.Protocol.Name, StringComparer.OrdinalIgnoreCase)],
            [.. Packets.Concat(others.Packets).DistinctBy(one => one.Name, StringComparer.OrdinalIgnoreCase)],
            [.. Words.Concat(others.Words).DistinctBy(one => one.Words)],
            [.. Prices.Concat(others.Prices).DistinctBy(one => one.Of, StringComparer.OrdinalIgnoreCase)]
        );
}
