using System.Text.Json;
using System.Text.Json.Nodes;
using Merienda.Core.Outcomes;

namespace Merienda.Formats;

/// <summary>What a place in a JSON document may hold: the published schema and the refusals are made from the same description.</summary>
public abstract record Shape(string Help)
{
    /// <summary>The JSON Schema (draft 2020-12) of this place.</summary>
    public abstract JsonObject ToSchema();

    /// <summary>The first thing that is wrong, with its path; null when nothing is.</summary>
    public abstract Refusal? Wrong(JsonNode? node, string path);

    protected static Refusal Refuse(string path, JsonNode? node, string reason, string cure) =>
        new("document-wrong", path, Shorten(node), reason, cure);

    private static string Shorten(JsonNode? node)
    {
        var text = node?.ToJsonString() ?? "nothing";
        return text.Length > 60 ? $"{text[..60]} …" : text;
    }

    protected JsonObject Typed(string type) => new() { ["type"] = type, ["description"] = Help };
}

public sealed record TextShape(string Help, int Most, int Least = 1) : Shape(Help)
{
    public override JsonObject ToSchema()
    {
        var schema = Typed("string");
        schema["minLength"] = Least;
        schema["maxLength"] = Most;
        return schema;
    }

    public override Refusal? Wrong(JsonNode? node, string path) =>
        node is JsonValue value && value.TryGetValue(out string? text) && text.Length >= Least && text.Length <= Most
            ? null
            : Refuse(path, node, $"a text of {Least} to {Most} characters belongs here", "Write one in quotes");
}

/// <summary>A key of something that exists: a food class, a food.</summary>
public sealed record KeyShape(string Help, string What, Func<string, bool> Exists) : Shape(Help)
{
    public override JsonObject ToSchema() => Typed("string");

    public override Refusal? Wrong(JsonNode? node, string path) =>
        node is JsonValue value && value.TryGetValue(out string? key) && Exists(key)
            ? null
            : Refuse(path, node, $"there is no such {What}", $"Use the key of a {What}, as in data/");
}

public sealed record NumberShape(string Help, decimal Least, decimal Most, bool IsWhole = false, bool IsAbove = false) : Shape(Help)
{
    public override JsonObject ToSchema()
    {
        var schema = Typed(IsWhole ? "integer" : "number");
        schema[IsAbove ? "exclusiveMinimum" : "minimum"] = Least;
        schema["maximum"] = Most;
        return schema;
    }

    public override Refusal? Wrong(JsonNode? node, string path) =>
        node is JsonValue value
        && value.GetValueKind() == JsonValueKind.Number
        && value.TryGetValue(out decimal number)
        && number >= Least
        && number <= Most
        && (!IsAbove || number > Least)
        && (!IsWhole || number == decimal.Truncate(number))
            ? null
            : Refuse(
                path,
                node,
                $"a {(IsWhole ? "whole " : "")}number {(IsAbove ? "above" : "from")} {Least:0.##} {(IsAbove ? "and up to" : "to")} {Most:0.##} belongs here",
                "Write a number in that range, with a point as decimal mark"
            );
}

public sealed record SwitchShape(string Help) : Shape(Help)
{
    public override JsonObject ToSchema() => Typed("boolean");

    public override Refusal? Wrong(JsonNode? node, string path) =>
        node?.GetValueKind() is JsonValueKind.True or JsonValueKind.False
            ? null
            : Refuse(path, node, "true or false belongs here", "Write true or false");
}

public sealed record ChoiceShape(string Help, IReadOnlyList<string> Options) : Shape(Help)
{
    public override JsonObject ToSchema()
    {
        var schema = Typed("string");
        schema["enum"] = new JsonArray([.. Options.Select(option => JsonValue.Create(option))]);
        return schema;
    }

    public override Refusal? Wrong(JsonNode? node, string path) =>
        node is JsonValue value && value.TryGetValue(out string? key) && Options.Contains(key)
            ? null
            : Refuse(path, node, "it is none of what may stand here", $"Use one of {string.Join(", ", Options)}");
}

public sealed record ListShape(string Help, Shape Of, int Most, int Least = 0) : Shape(Help)
{
    public override JsonObject ToSchema()
    {
        var schema = Typed("array");
        schema["items"] = Of.ToSchema();
        schema["minItems"] = Least;
        schema["maxItems"] = Most;
        return schema;
    }

    public override Refusal? Wrong(JsonNode? node, string path) =>
        node is JsonArray list && list.Count >= Least && list.Count <= Most
            ? list.Select((item, at) => Of.Wrong(item, $"{path}[{at}]")).FirstOrDefault(refusal => refusal is not null)
            : Refuse(path, node, $"a list of {Least} to {Most} belongs here", "Write it in square brackets");
}

public sealed record ObjectField(string Key, Shape Shape, bool IsRequired = false);

public sealed record ObjectShape(string Help, IReadOnlyList<ObjectField> Fields) : Shape(Help)
{
    public override JsonObject ToSchema()
    {
        var schema = Typed("object");
        schema["properties"] = new JsonObject(Fields.Select(field => KeyValuePair.Create(field.Key, (JsonNode?)Schema(field))));
        schema["required"] = new JsonArray([.. Fields.Where(field => field.IsRequired).Select(field => JsonValue.Create(field.Key))]);
        schema["additionalProperties"] = false;
        return schema;
    }

    public override Refusal? Wrong(JsonNode? node, string path)
    {
        if (node is not JsonObject held)
        {
            return Refuse(path, node, "an object belongs here", "Write it in braces");
        }

        if (held.Select(pair => pair.Key).FirstOrDefault(key => Fields.All(field => field.Key != key)) is { } unknown)
        {
            return Refuse(
                Join(path, unknown),
                held[unknown],
                "there is no such field",
                $"Use {string.Join(", ", Fields.Select(field => field.Key))}"
            );
        }

        return Fields
            .Select(field =>
                held[field.Key] is null && !field.IsRequired ? null
                : held[field.Key] is null ? Refuse(Join(path, field.Key), null, "it is missing", $"Add \"{field.Key}\"")
                : field.Shape.Wrong(held[field.Key], Join(path, field.Key))
            )
            .FirstOrDefault(refusal => refusal is not null);
    }

    private static string Join(string path, string key) => path.Length == 0 ? key : $"{path}.{key}";

    // What is optional may also be written as null.
    private static JsonObject Schema(ObjectField field) =>
        field.IsRequired
            ? field.Shape.ToSchema()
            : new JsonObject { ["anyOf"] = new JsonArray(field.Shape.ToSchema(), new JsonObject { ["type"] = "null" }) };
}

/// <summary>One of several objects, told apart by a field.</summary>
public sealed record KindShape(string Help, string Discriminator, IReadOnlyDictionary<string, ObjectShape> Kinds) : Shape(Help)
{
    public override JsonObject ToSchema() =>
        new() { ["description"] = Help, ["oneOf"] = new JsonArray([.. Kinds.Select(kind => WithKind(kind.Key, kind.Value))]) };

    public override Refusal? Wrong(JsonNode? node, string path)
    {
        if (node is not JsonObject held)
        {
            return Refuse(path, node, "an object belongs here", "Write it in braces");
        }

        if (held[Discriminator] is not JsonValue value || !value.TryGetValue(out string? key) || !Kinds.TryGetValue(key, out var shape))
        {
            return Refuse(
                $"{path}.{Discriminator}",
                held[Discriminator],
                "there is no such kind",
                $"Use one of {string.Join(", ", Kinds.Keys)}"
            );
        }

        return (shape with { Fields = [.. shape.Fields, new(Discriminator, new ChoiceShape("", [key]), true)] }).Wrong(node, path);
    }

    private JsonNode WithKind(string key, ObjectShape shape)
    {
        var schema = shape.ToSchema();
        schema["properties"]!.AsObject().Insert(0, Discriminator, new JsonObject { ["const"] = key });
        schema["required"]!.AsArray().Insert(0, Discriminator);
        return schema;
    }
}
