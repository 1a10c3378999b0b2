using System.Text.Json;
using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;

namespace Merienda.Formats;

/// <summary>The food table, classes, protocols and points schemes that ship in the data folder.</summary>
public sealed record DataFiles(FoodMatcher Foods, FoodClasses Classes, IReadOnlyList<Protocol> Protocols, IReadOnlyList<PointsScheme> Schemes)
{
    /// <summary>One way to write JSON in files: camelCase, enums by name, unknown members refused.</summary>
    public static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false), new SetConverter() },
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = false,
        AllowOutOfOrderMetadataProperties = true,
        WriteIndented = true,
    };

    public Protocol? Protocol(string id) => Protocols.FirstOrDefault(protocol => protocol.Id == id);

    public PointsScheme? Scheme(string id) => Schemes.FirstOrDefault(scheme => scheme.Id == id);

    /// <exception cref="InvalidDataException">A file is not what it should be; the message names file, row and column.</exception>
    public static DataFiles Load(string folder)
    {
        var classes = FoodTable.ReadClasses(Path.Combine(folder, "food-classes.csv"));
        return new(new FoodMatcher(FoodTable.Read(Path.Combine(folder, "foods.csv"), classes)), classes, ReadAll<Protocol>(folder, "protocols"), ReadAll<PointsScheme>(folder, "points-schemes"));
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

    private static IReadOnlyList<T> ReadAll<T>(string folder, string kind) =>
        [.. Directory.EnumerateFiles(Path.Combine(folder, kind), "*.json").Order(StringComparer.Ordinal).Select(ReadOne<T>)];

    private static T ReadOne<T>(string path)
    {
        try
        {
            return JsonSerializer.Deserialize<T>(File.ReadAllText(path), Json) ?? throw new InvalidDataException($"{path} is empty.");
        }
        catch (JsonException error)
        {
            throw new InvalidDataException($"{path}: {error.Message}", error);
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
