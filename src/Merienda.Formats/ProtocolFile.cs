using System.Text.Json;
using System.Text.Json.Nodes;
using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;

namespace Merienda.Formats;

/// <summary>
/// A protocol as a JSON document: read with refusals that name path, value and cure, written, and published as a JSON Schema made from the
/// rule kinds' own descriptions.
/// </summary>
public static partial class ProtocolFile
{
    /// <summary>Longest document, characters.</summary>
    public const int Longest = 500_000;

    public const string SchemaId = "https://merienda.example/protocol.schema.json";

    private static readonly JsonDocumentOptions Strict = new() { MaxDepth = 24 };

    public static Result<Protocol> Read(string text, FoodClasses classes, Func<string, bool> knowsFood)
    {
        if (text.Length > Longest)
        {
            return new Refusal(
                "document-too-long",
                "document",
                $"{text.Length:#,0} characters",
                $"a protocol has at most {Longest:#,0} characters",
                "Send one protocol without attachments"
            );
        }

        JsonNode? root;
        try
        {
            root = JsonNode.Parse(text, documentOptions: Strict);
            // A key that stands twice is found only when the object is looked into.
            _ = root is JsonObject whole ? whole.Count : 0;
        }
        catch (Exception error) when (error is JsonException or ArgumentException)
        {
            var at = (error as JsonException)?.LineNumber is { } line ? $"line {line + 1}" : "document";
            return new Refusal(
                "document-unreadable",
                at,
                text[..Math.Min(40, text.Length)],
                "this is not a JSON document",
                "Export a protocol to see how it is written"
            );
        }

        (root as JsonObject)?.Remove("$schema");
        try
        {
            return ShapeOf(classes, knowsFood).Wrong(root, "") is { } refusal ? refusal
                : ProtocolCheck.Wrong(root.Deserialize<Protocol>(DataFiles.Json)!) is { } impossible ? impossible
                : root.Deserialize<Protocol>(DataFiles.Json)!;
        }
        catch (Exception error) when (error is JsonException or ArgumentException)
        {
            return new Refusal(
                "document-wrong",
                (error as JsonException)?.Path ?? "document",
                "",
                "a part of it cannot be read",
                "Compare it with an exported protocol"
            );
        }
    }

    public static string Write(Protocol protocol)
    {
        var root = JsonSerializer.SerializeToNode(protocol, DataFiles.Json)!.AsObject();
        KeepDescribed(root);
        root.Insert(0, "$schema", SchemaId);
        return root.ToJsonString(DataFiles.Json);
    }

    // A kind inherits members that say nothing about it; a document holds what the kind describes.
    private static void KeepDescribed(JsonNode? node)
    {
        if (node is JsonObject held)
        {
            if (held["kind"]?.GetValue<string>() is { } key && RuleKinds.WithKey(key) is { } kind)
            {
                foreach (
                    var inherited in held.Select(pair => pair.Key)
                        .Where(name => name is not ("kind" or "id") && kind.Fields.All(field => field.Key != name))
                        .ToList()
                )
                {
                    held.Remove(inherited);
                }
            }

            foreach (var (_, inner) in held)
            {
                KeepDescribed(inner);
            }
        }
        else if (node is JsonArray list)
        {
            foreach (var inner in list)
            {
                KeepDescribed(inner);
            }
        }
    }

    /// <summary>JSON Schema, draft 2020-12. Class and food keys are texts to it; whether they exist is checked on reading.</summary>
    public static string Schema()
    {
        var schema = ShapeOf(new FoodClasses([]), _ => true).ToSchema();
        schema["properties"]!.AsObject().Insert(0, "$schema", new JsonObject { ["type"] = "string" });
        schema.Insert(0, "title", "Merienda protocol");
        schema.Insert(0, "$id", SchemaId);
        schema.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        return schema.ToJsonString(DataFiles.Json);
    }

    public static ObjectShape ShapeOf(FoodClasses classes, Func<string, bool> knowsFood)
    {
        var foodClass = new KeyShape("Key of a food class.", "food class", classes.Knows);
        var food = new KeyShape("Key of a food.", "food", knowsFood);
        var classOrFood = new KeyShape("Key of a food class or a food.", "food class or food", key => classes.Knows(key) || knowsFood(key));
        var period = new ChoiceShape("Over what it is counted.", [.. Enum.GetNames<Period>().Select(name => name.ToLowerInvariant())]);
        var free = new ListShape(
            "Foods that are not counted.",
            new ObjectShape(
                "A free food.",
                [
                    new("food", food, true),
                    new("upTo", new NumberShape("Grams that are free; without it all.", 0, 10_000)),
                    new("per", period),
                ]
            ),
            200
        );
        var id = new TextShape("Kebab-case, unique in the protocol.", 60);

        Shape Field(RuleField field) =>
            field.Type switch
            {
                RuleFieldType.Text => new TextShape(field.Help, 60),
                RuleFieldType.Number => new NumberShape(field.Help, field.Min ?? 0, field.Max ?? RuleField.LargestBound),
                RuleFieldType.Share => new NumberShape(field.Help, field.Min ?? 0, field.Max ?? 1),
                RuleFieldType.Switch => new SwitchShape(field.Help),
                RuleFieldType.Choice => new ChoiceShape(field.Help, [.. field.Options!.Select(option => option.Key)]),
                RuleFieldType.Choices => new ListShape(
                    field.Help,
                    new ChoiceShape(field.Help, [.. field.Options!.Select(option => option.Key)]),
                    20
                ),
                RuleFieldType.Classes => new ListShape(field.Help, foodClass, 60, 1),
                RuleFieldType.ClassesOrFoods => new ListShape(field.Help, classOrFood, 200),
                _ => free,
            };

        var rules = new ListShape(
            "Rules.",
            new KindShape(
                "A rule of one of the kinds.",
                "kind",
                RuleKinds.All.ToDictionary(
                    kind => kind.Key,
                    kind => new ObjectShape(
                        kind.Summary,
                        [new("id", id, true), .. kind.Fields.Select(field => new ObjectField(field.Key, Field(field), field.IsRequired))]
                    )
                )
            ),
            60
        );
        var option = new ObjectShape(
            "An option.",
            [new("id", id, true), new("name", new TextShape("What the person who chooses reads.", 120), true), new("rules", rules, true)]
        );
        var choice = new ObjectShape(
            "A point on which schools differ.",
            [
                new("id", id, true),
                new("name", new TextShape("The question.", 120), true),
                new("options", new ListShape("The first is the default.", option, 12, 1), true),
            ]
        );
        var coefficient = new ObjectShape(
            "Points for each unit of a measure or gram of a class.",
            [
                new(
                    "measure",
                    new ChoiceShape(
                        "What is counted.",
                        [.. MeasureInfo.All.Where(info => info.Measure != Measure.Points).Select(info => info.Key)]
                    )
                ),
                new("class", foodClass),
                new("pointsPerUnit", new NumberShape("Points per kcal, gram or milligram; negative gives back.", -100, 100), true),
                new("mostCredit", new NumberShape("Most points taken off a portion.", 0, 100)),
            ]
        );
        var scheme = new ObjectShape(
            "How points are counted.",
            [
                new("id", id, true),
                new("name", new TextShape("What the scheme is called.", 80), true),
                new("coefficients", new ListShape("The formula.", coefficient, 30, 1), true),
                new("step", new NumberShape("Rounding step.", 0, 10, IsAbove: true), true),
                new(
                    "rounding",
                    new ChoiceShape(
                        "Where points are rounded.",
                        [.. Enum.GetNames<PointsRounding>().Select(name => name.ToLowerInvariant())]
                    ),
                    true
                ),
                new("free", free, true),
                new(
                    "typed",
                    new ListShape(
                        "Points typed from packets.",
                        new ObjectShape(
                            "Points of a packet.",
                            [
                                new("food", food, true),
                                new("points", new NumberShape("Points of the serving.", 0, 1_000), true),
                                new("grams", new NumberShape("The serving.", 0, 10_000, IsAbove: true), true),
                            ]
                        ),
                        1_000
                    ),
                    true
                ),
            ]
        );
        var challenge = new ObjectShape(
            "One thing that is tried.",
            [
                new("id", id, true),
                new("name", new TextShape("What is tried.", 60), true),
                new(
                    "allows",
                    new ListShape(
                        "Classes or sub-groups that are free meanwhile.",
                        new KeyShape(
                            "Key of a food class or FODMAP sub-group.",
                            "food class or sub-group",
                            key => classes.Knows(key) || FodmapRule.GroupKeys.Contains(key)
                        ),
                        20,
                        1
                    ),
                    true
                ),
                new("days", new NumberShape("Days of eating it.", 1, 30, IsWhole: true), true),
                new("washoutDays", new NumberShape("Days back to base.", 0, 30, IsWhole: true), true),
                new("doses", new ListShape("What is eaten on each day.", new TextShape("A dose.", 120), 30), true),
            ]
        );
        var phases = new ObjectShape(
            "A restriction that ends, and what is tried afterwards.",
            [
                new("shortestDays", new NumberShape("Fewest days of restriction.", 1, 365, IsWhole: true), true),
                new("longestDays", new NumberShape("Most days of restriction.", 1, 365, IsWhole: true), true),
                new("challenges", new ListShape("In the usual order.", challenge, 30), true),
            ]
        );
        return new ObjectShape(
            "A diet protocol.",
            [
                new("id", id, true),
                new("name", new TextShape("What it is called.", 80), true),
                new("summary", new TextShape("One sentence for the person who chooses.", 300), true),
                new("source", new TextShape("Where the rules come from.", 500), true),
                new("rules", rules, true),
                new("choices", new ListShape("Where schools differ.", choice, 12), true),
                new("scheme", scheme),
                new("phases", phases),
                new("cautions", new ListShape("Shown when it is chosen.", new TextShape("A caution.", 300), 12), true),
            ]
        );
    }
}
