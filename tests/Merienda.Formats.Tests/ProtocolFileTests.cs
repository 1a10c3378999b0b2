using System.Text.Json.Nodes;
using Merienda.Core.Protocols;

namespace Merienda.Formats.Tests;

public class ProtocolFileTests
{
    private static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    private static Core.Outcomes.Result<Protocol> Read(string text) =>
        ProtocolFile.Read(text, Data.Classes, key => Data.Foods.WithKey(key) is not null);

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

    [Theory]
    [InlineData("rules[0].measure", "\"moon\"", "rules", "measure", "\"moon\"")]
    [InlineData("rules[0].per", "\"year\"", "rules", "per", "\"year\"")]
    [InlineData("rules[0].atMost", "-1", "rules", "atMost", "-1")]
    [InlineData("rules[0].atMost", "\"25\"", "rules", "atMost", "\"25\"")]
    [InlineData("rules[0].tolerance", "0.6", "rules", "tolerance", "0.6")]
    [InlineData("rules[0].kind", "\"moon\"", "rules", "kind", "\"moon\"")]
    [InlineData("rules[0].colour", "1", "rules", "colour", "1")]
    [InlineData("name", "\"\"", "", "name", "\"\"")]
    [InlineData("colour", "\"red\"", "", "colour", "\"red\"")]
    [InlineData("cautions", "7", "", "cautions", "7")]
    public void A_wrong_field_is_refused_with_its_path_its_value_and_a_cure(
        string path,
        string value,
        string parent,
        string key,
        string json
    )
    {
        var root = JsonNode.Parse(
            """{"id":"x","name":"X","summary":"s","source":"s","rules":[{"kind":"limit","id":"a","measure":"energy","per":"day","atMost":1500}],"choices":[],"cautions":[]}"""
        )!;
        Assert.Null(Read(root.ToJsonString()).Refusal);
        (parent.Length == 0 ? root : root[parent]![0]!)[key] = JsonNode.Parse(json);
        var refusal = Read(root.ToJsonString()).Refusal!;
        Assert.Equal((path, value), (refusal.Field, refusal.Value));
        Assert.NotEmpty(refusal.Cure);
    }

    [Theory]
    [InlineData("{\"id\": ", "line 1")]
    [InlineData("[]", "")]
    [InlineData("", "line 1")]
    [InlineData("null", "")]
    [InlineData("{\"id\":1,\"id\":2}", "document")]
    public void What_is_no_document_is_refused_and_never_thrown(string text, string where) =>
        Assert.Equal(
            (where, where.Length == 0 ? "document-wrong" : "document-unreadable"),
            (Read(text).Refusal!.Field, Read(text).Refusal!.Code)
        );

    [Fact]
    public void Five_megabytes_are_refused_before_they_are_read() =>
        Assert.Equal("document-too-long", Read(new string('[', 5_000_000)).Refusal!.Code);

    [Theory]
    [InlineData("vegan", "\"honey\"", "\"moon\"", "rules[0].excludes[7]")]
    [InlineData("points", "\"step\": 0.5", "\"step\": -0.5", "scheme.step")]
    [InlineData("points", "\"step\": 0.5", "\"step\": 0", "scheme.step")]
    [InlineData("low-fodmap", "\"longestDays\": 42", "\"longestDays\": 3", "phases.longestDays")]
    [InlineData(
        "low-fodmap",
        "\"allows\": [\n          \"lactose\"",
        "\"allows\": [\n          \"moon\"",
        "phases.challenges[0].allows[0]"
    )]
    public void A_shipped_protocol_with_one_thing_wrong_is_refused_there(string id, string old, string changed, string? path)
    {
        var text = ProtocolFile.Write(Data.Protocol(id)!).Replace(old, changed, StringComparison.Ordinal);
        Assert.Equal(path, Read(text).Refusal?.Field);
    }

    [Theory]
    [InlineData("protocol.schema.json")]
    [InlineData("rule-kinds.md")]
    public void Published_pages_are_made_from_the_kinds(string page)
    {
        var path = Path.Combine(DataFiles.Find(), "..", "docs", page);
        var made = page.EndsWith(".md", StringComparison.Ordinal) ? RuleDocs.Write(Data.Classes) : ProtocolFile.Schema() + "\n";
        if (Environment.GetEnvironmentVariable("MERIENDA_WRITE_DOCS") == "1")
        {
            File.WriteAllText(path, made);
        }

        Assert.Equal(made, File.ReadAllText(path));
    }

    [Fact]
    public void The_example_eater_is_read_and_a_wrong_one_is_refused_with_its_path()
    {
        var text = File.ReadAllText(Path.Combine(DataFiles.Find(), "..", "docs", "eater.example.json"));
        Assert.Equal("Rune", EaterFile.Read(text, Data).Value.Name);
        string? Path1(string old, string changed) =>
            EaterFile.Read(text.Replace(old, changed, StringComparison.Ordinal), Data).Refusal?.Field;
        Assert.Equal("protocols[0].id", Path1("\"low-fodmap\"", "\"moon\""));
        Assert.Equal("protocols[1].choices", Path1("\"none\"", "\"some\""));
        Assert.Equal("allowances[0].rule", Path1("\"energy\"", "\"moon\""));
        Assert.Equal("unknown-rule", EaterFile.Read(text.Replace("\"energy\"", "\"moon\"", StringComparison.Ordinal), Data).Refusal?.Code);
        Assert.Equal("allowances[0].atMost", Path1("2100", "-1"));
        Assert.Equal("allergies[0]", Path1("\"tree-nut\"", "\"moon\""));
        Assert.Equal("portion", Path1("\"portion\": 1", "\"portion\": 9"));
        Assert.Equal("line 1", EaterFile.Read("nonsense", Data).Refusal?.Field);
    }

    private static JsonNode? Reversed(JsonNode? node) =>
        node switch
        {
            JsonObject held => new JsonObject(held.Reverse().Select(pair => KeyValuePair.Create(pair.Key, Reversed(pair.Value)))),
            JsonArray list => new JsonArray([.. list.Select(Reversed)]),
            _ => node?.DeepClone(),
        };

    [Fact]
    public void Packets_that_a_protocol_names_are_found_and_exchanged_wherever_they_stand()
    {
        var (free, typed, other) = ($"packet-{Guid.NewGuid():N}", $"packet-{Guid.NewGuid():N}", $"packet-{Guid.NewGuid():N}");
        var points = Data.Protocol("points")!;
        var named = points with { Scheme = points.Scheme! with { Free = [new(free), new("celery")], Typed = [new(typed, 2, 30)] } };
        Assert.Empty(ProtocolFile.PacketsIn(points));
        Assert.Equal(new[] { free, typed }.Order(), ProtocolFile.PacketsIn(named).Order());
        var there = ProtocolFile.Naming(named, key => key == free ? other : key);
        Assert.Equal([other, "celery"], there.Scheme!.Free.Select(one => one.Food));
        Assert.Equal(typed, there.Scheme.Typed[0].Food);
        Assert.Equal(ProtocolFile.Write(named), ProtocolFile.Write(ProtocolFile.Naming(there, key => key == other ? free : key)));
        // A name may hold whatever a name may hold.
        Assert.Contains("Bell \\u0022crackers\\u0022", ProtocolFile.Write(named, _ => "Bell \"crackers\""), StringComparison.Ordinal);
    }
}
