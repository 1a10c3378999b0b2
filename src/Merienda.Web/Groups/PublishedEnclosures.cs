using System.Text;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Formats;
using Merienda.Web.Hosting;

namespace Merienda.Web.Groups;

/// <summary>What goes with a published menu, each kind in the form in which it is exported.</summary>
/// <param name="Packets">CSV.</param>
public sealed record PublishedEnclosures(
    IReadOnlyList<PublishedProtocol> Protocols,
    string Packets,
    IReadOnlyList<EnclosedWord> Words,
    IReadOnlyList<EnclosedPrice> Prices
)
{
    public static PublishedEnclosures Of(Enclosures things) =>
        new(
            [.. things.Protocols.Select(one => new PublishedProtocol(one.Origin, ProtocolFile.Write(one.Protocol), one.Packets))],
            PacketFile.Write(things.Packets),
            things.Words,
            things.Prices
        );

    /// <summary>Reads it as a file of elsewhere is read; the first thing that can't be is refused.</summary>
    public Result<Enclosures> Read(KnowledgeBase knowledge)
    {
        var protocols = new List<EnclosedProtocol>();
        foreach (var (origin, document, named) in Protocols)
        {
            var protocol = ProtocolFile.Read(document, knowledge.Classes, knowledge.MayBeNamed);
            if (protocol.Refusal is { } refusal)
            {
                return refusal;
            }

            protocols.Add(new(origin, protocol.Value, named ?? []));
        }

        var file = PacketFile.Read(Encoding.UTF8.GetBytes(Packets), knowledge.Classes);
        if (file.Refusal is { } unread)
        {
            return unread;
        }

        var packets = new List<PrintedPacket>();
        foreach (var (packet, problem) in file.Value.Rows)
        {
            if (problem is not null)
            {
                return new Refusal("enclosed-packet", problem.Column, problem.Value, problem.Reason, problem.Cure);
            }

            packets.Add(packet!);
        }

        return Words.Select(word => word.Wrong).FirstOrDefault(wrong => wrong is not null) is { } tooLong
            ? tooLong
            : new Enclosures(protocols, packets, Words, Prices);
    }
}

/// <param name="Origin">The shipped protocol that it was copied from.</param>
/// <param name="Document">As a protocol is exported.</param>
/// <param name="Packets">Those that it names, by the group's keys; null in menus that were published before they went along.</param>
public sealed record PublishedProtocol(string? Origin, string Document, IReadOnlyList<NamedPacket>? Packets = null);
