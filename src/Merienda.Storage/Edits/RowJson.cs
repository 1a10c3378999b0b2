using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;

namespace Merienda.Storage.Edits;

/// <summary>
/// Rows as JSON in the form that the journal keeps: equal rows are equal text, whatever the scale of a number or the ticks of a time.
/// </summary>
internal static class RowJson
{
    public static readonly JsonSerializerOptions Options = new()
    {
        PropertyNamingPolicy = JsonNamingPolicy.SnakeCaseLower,
        Converters = { new PlainDecimal(), new Microseconds() },
    };

    public static JsonObject Of<TRow>(TRow row) => JsonSerializer.SerializeToNode(row, Options)!.AsObject();

    /// <summary>What a column holds as JSON.</summary>
    public static T Read<T>(string json) => JsonSerializer.Deserialize<T>(json, Options)!;

    /// <summary>1.50 and 1.5 are the same amount.</summary>
    private sealed class PlainDecimal : JsonConverter<decimal>
    {
        public override decimal Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => reader.GetDecimal();

        public override void Write(Utf8JsonWriter writer, decimal value, JsonSerializerOptions options) =>
            writer.WriteNumberValue(value / 1.0000000000000000000000000000m);
    }

    /// <summary>PostgreSQL keeps microseconds.</summary>
    private sealed class Microseconds : JsonConverter<DateTimeOffset>
    {
        private const string Form = "yyyy-MM-dd'T'HH:mm:ss.ffffff'Z'";

        public override DateTimeOffset Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.GetDateTimeOffset();

        public override void Write(Utf8JsonWriter writer, DateTimeOffset value, JsonSerializerOptions options) =>
            writer.WriteStringValue(value.ToUniversalTime().ToString(Form, CultureInfo.InvariantCulture));
    }
}
