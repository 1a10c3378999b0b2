using System.Text.Json;
using System.Text.Json.Serialization;

namespace Merienda.Web.Hosting;

/// <summary>Text that the database can keep: no NUL in it, and no half of a character. The reader adds which field it was.</summary>
public sealed class KeepableText : JsonConverter<string>
{
    public const string Refused = "The text holds a character that cannot be kept (U+0000, or half of one). Type it again.";

    public override string? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType != JsonTokenType.String)
        {
            throw new JsonException();
        }

        try
        {
            var text = reader.GetString();
            return text?.Contains('\0', StringComparison.Ordinal) == true ? throw new JsonException(Refused) : text;
        }
        catch (InvalidOperationException)
        {
            // The reader says so of bytes that are no UTF-8 and of half a surrogate pair.
            throw new JsonException(Refused);
        }
    }

    public override void Write(Utf8JsonWriter writer, string value, JsonSerializerOptions options) => writer.WriteStringValue(value);
}
