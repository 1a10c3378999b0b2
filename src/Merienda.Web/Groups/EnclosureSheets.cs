using System.Security.Cryptography;
using System.Text;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Groups;
using Merienda.Core.Protocols;
using Merienda.Core.Shopping;
using Merienda.Formats;
using Merienda.Storage;

namespace Merienda.Web.Groups;

/// <summary>A thing that goes with a menu.</summary>
/// <param name="Says">In short what it is.</param>
public sealed record EnclosedThing(EnclosedKind Kind, string Name, string Says);

/// <summary>A thing that goes with a group's menus, beside what the own kitchen has.</summary>
public sealed record EnclosedSheet(EnclosedKind Kind, string Name, string Says, EnclosedState State);

/// <summary>Things that go with a menu as they are told, and held against those of the own kitchen.</summary>
internal static class EnclosureSheets
{
    public static IReadOnlyList<EnclosedThing> Things(Enclosures of) =>
        [
            .. of.Protocols.Select(one => new EnclosedThing(EnclosedKind.Protocol, one.Protocol.Name, one.Protocol.Summary)),
            .. of.Packets.Select(one => new EnclosedThing(EnclosedKind.Packet, one.Name, one.Pack)),
            .. of.Words.Select(one => new EnclosedThing(EnclosedKind.Word, one.Words, $"means {one.Name}")),
            .. of.Prices.Select(one => new EnclosedThing(EnclosedKind.Price, one.Of, $"{one.Amount:0.00} {For(one.Pack)}")),
        ];

    private static string For(string pack) =>
        Price.IsForAnyAmount(pack) ? pack
        : pack == "1" ? "each"
        : $"for {pack}";

    public static IReadOnlyList<EnclosedSheet> Beside(Enclosures of, EnclosureHome home, Guid group)
    {
        var taken = home.Taken.Where(row => row.GroupId == group).ToDictionary(row => (row.Kind, row.Name), row => row.Print);
        return
        [
            .. Things(of)
                .Zip(
                    Prints(of),
                    (thing, one) =>
                        new EnclosedSheet(
                            thing.Kind,
                            thing.Name,
                            thing.Says,
                            EnclosedStates.Of(one.Print, Here(one, of, home), taken.GetValueOrDefault((one.Kind.ToString(), one.Name)))
                        )
                ),
        ];
    }

    /// <summary>Each with the print of what it says, in the same order.</summary>
    public static IReadOnlyList<Enclosed> Prints(Enclosures of) =>
        [
            .. of.Protocols.Select(one => new Enclosed(
                EnclosedKind.Protocol,
                one.Protocol.Name,
                PrintOf(one.Protocol, key => one.Packets.FirstOrDefault(packet => packet.Key == key)?.Name)
            )),
            .. of.Packets.Select(one => new Enclosed(EnclosedKind.Packet, one.Name, PrintOf(one))),
            .. of.Words.Select(one => new Enclosed(EnclosedKind.Word, one.Words, Print(one.Food ?? one.Name))),
            .. of.Prices.Select(one => new Enclosed(EnclosedKind.Price, one.Of, PrintOf(one.Amount, one.Pack))),
        ];

    private static string? Here(Enclosed thing, Enclosures of, EnclosureHome home)
    {
        bool IsCalledSo(string name) => name.Trim().Equals(thing.Name.Trim(), StringComparison.OrdinalIgnoreCase);
        switch (thing.Kind)
        {
            case EnclosedKind.Protocol:
                return
                    home.Table.Protocols.FirstOrDefault(one => one.Own is { IsArchived: false } && IsCalledSo(one.Protocol.Name))
                        is { } edition
                    ? PrintOf(edition.Protocol, key => home.Foods.Matcher.WithKey(key)?.Name)
                    : null;
            case EnclosedKind.Packet:
                return home.Foods.Packets.Values.FirstOrDefault(one => IsCalledSo(one.Printed.Name)) is { } packet
                    ? PrintOf(packet.Printed)
                    : null;
            case EnclosedKind.Word:
                return home.Foods.Learnt.FirstOrDefault(one => one.Words == thing.Name) is { } word
                    ? Print(Packet.IdOf(word.FoodKey) is null ? word.FoodKey : home.Foods.Matcher.WithKey(word.FoodKey)?.Name ?? "")
                    : null;
            default:
                var asked = of.Prices.First(one => one.Of == thing.Name);
                var key =
                    asked.Food
                    ?? home.Foods.Packets.Values.FirstOrDefault(one =>
                        one.Printed.Name.Trim().Equals(asked.Name.Trim(), StringComparison.OrdinalIgnoreCase)
                    )?.Food.Key;
                return
                    home.Prices.FirstOrDefault(one => one.Food == key && one.Shop.Equals(asked.Shop, StringComparison.OrdinalIgnoreCase))
                        is { } price
                    ? PrintOf(price.Amount, price.Pack)
                    : null;
        }
    }

    /// <summary>The same in every kitchen: a packet is called by its name.</summary>
    private static string PrintOf(Protocol protocol, Func<string, string?> nameOf) =>
        Print(ProtocolFile.Write(protocol with { Id = "" }, key => nameOf(key)?.Trim().ToUpperInvariant() ?? key));

    private static string PrintOf(PrintedPacket packet) => Print(PacketFile.Write([packet]));

    private static string PrintOf(decimal amount, string pack) => Print($"{amount:0.00} {pack}");

    internal static string Print(string content) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(content)));
}
