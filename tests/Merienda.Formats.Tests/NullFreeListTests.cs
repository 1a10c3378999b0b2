using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace Merienda.Formats.Tests;

public class NullFreeListTests
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { NullFreeLists.Hold } },
    };

    private sealed record Thing(string Name);

    private sealed record Things(
        IReadOnlyList<Thing> Rows,
        IReadOnlyList<string?> Gaps,
        IReadOnlyDictionary<string, string> Values,
        Thing[]? Maybe,
        IReadOnlyList<decimal> Numbers
    );

    [Theory]
    [InlineData("""{"rows":[null]}""", "rows")]
    [InlineData("""{"rows":[{"name":"x"},null]}""", "rows")]
    [InlineData("""{"values":{"a":null}}""", "values")]
    [InlineData("""{"maybe":[null]}""", "maybe")]
    [InlineData("""{"gaps":[null],"rows":[],"values":{"a":"b"},"maybe":null,"numbers":[1]}""", null)]
    [InlineData("""{"rows":null,"values":null}""", null)] // members are the serializer's own to look at
    public void A_null_in_a_list_is_refused_by_the_list_s_name_where_its_type_has_none(string json, string? list)
    {
        var read = Record.Exception(() => JsonSerializer.Deserialize<Things>(json, Json));
        Assert.Equal(list is null ? null : $"The parameter '{list}' holds a null.", (read as JsonException)?.Message.Split(" Path")[0]);
    }

    [Fact]
    public void A_protocol_file_with_a_rule_of_nothing_is_refused() =>
        Assert.Throws<JsonException>(() =>
            JsonSerializer.Deserialize<Core.Protocols.Protocol>("""{"id":"x","name":"X","rules":[null]}""", DataFiles.Json)
        );
}
