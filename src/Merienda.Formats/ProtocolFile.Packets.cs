using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Merienda.Core.Protocols;

namespace Merienda.Formats;

/// <summary>Packets that a protocol names, which another kitchen has under other keys.</summary>
public static partial class ProtocolFile
{
    /// <summary>Keys of the packets that a protocol names: they are the own kitchen's, and mean nothing in another one.</summary>
    public static IReadOnlyList<string> PacketsIn(Protocol protocol) =>
        [.. PacketKeys.Matches(Write(protocol)).Select(match => match.Value).Distinct()];

    /// <param name="call">What stands in the place of a packet's key.</param>
    public static string Write(Protocol protocol, Func<string, string> call) =>
        PacketKeys.Replace(Write(protocol), match => JsonEncodedText.Encode(call(match.Value)).ToString());

    /// <summary>The same protocol with other packets in the place of those that it names.</summary>
    public static Protocol Naming(Protocol protocol, Func<string, string> key)
    {
        var root = JsonNode.Parse(Write(protocol, key))!.AsObject();
        root.Remove("$schema");
        return root.Deserialize<Protocol>(DataFiles.Json)!;
    }

    [GeneratedRegex("packet-[0-9a-f]{32}")]
    private static partial Regex PacketKeys { get; }
}
