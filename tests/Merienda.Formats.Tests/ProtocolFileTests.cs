using System.Text.Json.Nodes;
using Merienda.Core.Protocols;

namespace Merienda.Formats.Tests;

public class ProtocolFileTests
{
    private static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    private static Core.Outcomes.Result<Protocol> Read(string text) => ProtocolFile.Read(text, Data.Classes, key => Data.Foods.WithKey(key) is not null);

    public static TheoryData<string> Protocols => [.. Data.Protocols.Select(protocol => protocol.Id)];

    [Theory]
    [MemberData(nameof(Protocols))]
    public void The_order_of_keys_in_a_document_does_not_matter(string id)
    {
        var written = ProtocolFile.Write(Data.Protocol(id)!);
        var read = Read(Reversed(JsonNode.Parse(written))!.ToJsonString());
        Assert.Null(read.Refusal);
        Assert.Equal(written, ProtocolFile.Write(read.Value));
    }

    private static JsonNode? Reversed(JsonNode? node) => node switch
    {
        JsonObject held => new JsonObject(held.Reverse().Select(pair => KeyValuePair.Create(pair.Key, Reversed(pair.Value)))),
        JsonArray list => new JsonArray([.. list.Select(Reversed)]),
        _ => node?.DeepClone(),
    };
}
