using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;

namespace Merienda.Formats;

/// <summary>The food table, classes and protocols that ship in the data folder.</summary>
public sealed record DataFiles(FoodMatcher Foods, FoodClasses Classes, IReadOnlyList<Protocol> Protocols)
{
    /// <summary>One way to write JSON in files: camelCase, enums by name, unknown members refused.</summary>
    public static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false), new SetConverter() },
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = false,
        AllowOutOfOrderMetadataProperties = true,
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { TellRulesApart, NullFreeLists.Hold } },
        WriteIndented = true,
    };

    public Protocol? Protocol(string id) => Protocols.FirstOrDefault(protocol => protocol.Id == id);

    /// <summary>The scheme shown where no eater's protocol brings one.</summary>
    public PointsScheme HouseScheme => Protocols.Select(protocol => protocol.Scheme).OfType<PointsScheme>().First();

    /// <exception cref="InvalidDataException">A file is not what it should be; the message names file, row and column.</exception>
    public static DataFiles Load(string folder)
    {
        var classes = FoodTable.ReadClasses(Path.Combine(folder, "food-classes.csv"));
        var foods = new FoodMatcher(
            FoodTable.Read(
                Path.Combine(folder, "foods.csv"),
                Path.Combine(folder, "fodmaps.csv"),
                Path.Combine(folder, "yields.csv"),
                classes
            ),
            LineWords.Load(Path.Combine(folder, "line-words.csv")),
            LineWords.LoadKinds(Path.Combine(folder, "kinds.csv"))
        );
        return new(
            foods,
            classes,
            [
                .. Directory
                    .EnumerateFiles(Path.Combine(folder, "protocols"), "*.json")
                    .Order(StringComparer.Ordinal)
                    .Select(path => ReadProtocol(path, classes, foods)),
            ]
        );
    }

    /// <summary>The data folder: beside the program when it is published, else upwards from it in a source tree.</summary>
    /// <exception cref="DirectoryNotFoundException">Neither has one.</exception>
    public static string Find()
    {
        for (var folder = new DirectoryInfo(AppContext.BaseDirectory); folder is not null; folder = folder.Parent)
        {
            var data = Path.Combine(folder.FullName, "data");
            if (File.Exists(Path.Combine(data, "foods.csv")))
            {
                return data;
            }
        }

        throw new DirectoryNotFoundException($"No data folder with foods.csv at or above {AppContext.BaseDirectory}.");
    }

    private static Protocol ReadProtocol(string path, FoodClasses classes, FoodMatcher foods)
    {
        var read = ProtocolFile.Read(File.ReadAllText(path), classes, key => foods.WithKey(key) is not null);
        return read.Refusal is { } refusal ? throw new InvalidDataException($"{path}: {refusal}") : read.Value;
    }

    /// <summary>A rule's kind in JSON is the key that the kind gives itself.</summary>
    private static void TellRulesApart(JsonTypeInfo type)
    {
        if (type.Type == typeof(Rule))
        {
            type.PolymorphismOptions = new()
            {
                TypeDiscriminatorPropertyName = "kind",
                UnknownDerivedTypeHandling = JsonUnknownDerivedTypeHandling.FailSerialization,
            };
            foreach (var kind in RuleKinds.All)
            {
                type.PolymorphismOptions.DerivedTypes.Add(new(kind.Type, kind.Key));
            }
        }
    }

    /// <summary>Reads a read-only set, which the serializer does not do by itself.</summary>
    private sealed class SetConverter : JsonConverter<IReadOnlySet<string>>
    {
        public override IReadOnlySet<string> Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            JsonSerializer.Deserialize<HashSet<string>>(ref reader, options) ?? [];

        public override void Write(Utf8JsonWriter writer, IReadOnlySet<string> value, JsonSerializerOptions options) =>
            JsonSerializer.Serialize(writer, value.Order(StringComparer.Ordinal), options);
    }
}
