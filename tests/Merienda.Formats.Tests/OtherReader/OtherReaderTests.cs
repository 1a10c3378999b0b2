using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using CsvHelper;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Formats.Tests.OtherReader;

/// <summary>
/// Amounts and units of every line in the tests' lists against a reader that nobody here wrote (npm parse-ingredient, at test time). Where
/// the two differ the line stands in differences.csv with the
/// reason; a new difference fails, and so does a listed one that is none any more.
/// </summary>
public class OtherReaderTests(ITestOutputHelper output)
{
    private static readonly string Root = new DirectoryInfo(DataFiles.Find()).Parent!.FullName;

    private static readonly string Here = Path.Combine(Root, "tests", "Merienda.Formats.Tests", "OtherReader");

    private static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    /// <summary>Their words for our units; a size stands beside the amount with us, and pieces are "each".</summary>
    private static readonly Dictionary<string, string> Ours = new()
    {
        [""] = "each",
        ["small"] = "each",
        ["medium"] = "each",
        ["large"] = "each",
        ["piece"] = "each",
        ["can"] = "tin",
        ["package"] = "pack",
        ["gram"] = "g",
        ["kilogram"] = "kg",
        ["ounce"] = "oz",
        ["pound"] = "lb",
        ["milliliter"] = "ml",
        ["deciliter"] = "dl",
        ["liter"] = "l",
        ["fluid ounce"] = "fl oz",
        ["tablespoon"] = "tbsp",
        ["teaspoon"] = "tsp",
    };

    private sealed record Reading(decimal? Low, decimal? High, string Unit)
    {
        public override string ToString() =>
            Low is null
                ? "none"
                : string.Create(CultureInfo.InvariantCulture, $"{(Low == High ? $"{Low:0.###}" : $"{Low:0.###}-{High:0.###}")} {Unit}");
    }

    [Fact]
    public void Amounts_and_units_agree_with_another_reader_or_say_why_not()
    {
        var lines = Lines();
        var explained = Rows(Path.Combine(Here, "differences.csv"))
            .ToDictionary(
                row => row["line"],
                row => $"{row["ours"]} | {row["theirs"]} | {(row["why"].Length > 0 ? "explained" : "no reason")}"
            );
        var differing = lines
            .Zip(Theirs(lines))
            .Select(pair => (Line: pair.First, Ours: OurReading(pair.First), Theirs: pair.Second))
            .Where(item => item.Ours.ToString() != item.Theirs.ToString())
            .ToList();
        output.WriteLine($"{lines.Count} lines, {differing.Count} read differently");
        Assert.InRange(lines.Count, 400, int.MaxValue);
        Assert.Equal(
            explained.OrderBy(row => row.Key, StringComparer.Ordinal).Select(row => $"{row.Key} | {row.Value}"),
            differing
                .OrderBy(item => item.Line, StringComparer.Ordinal)
                .Select(item => $"{item.Line} | {item.Ours} | {item.Theirs} | explained")
        );
    }

    private static Reading OurReading(string line)
    {
        var read = RecipeLine.From(line, Data.Foods, MeasureSystem.UnitedStates).Read;
        return new(read.Amount?.Low, read.Amount?.High, read.Unit?.Name ?? "");
    }

    private static IReadOnlyList<Reading> Theirs(IReadOnlyList<string> lines)
    {
        var start = new ProcessStartInfo("node", [Path.Combine(Here, "parse-ingredient.mjs"), Path.Combine(Root, "web")])
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
        };
        using var node = Process.Start(start)!;
        node.StandardInput.Write(JsonSerializer.Serialize(lines));
        node.StandardInput.Close();
        var read = JsonSerializer.Deserialize<List<Reading>>(node.StandardOutput.ReadToEnd(), JsonSerializerOptions.Web)!;
        node.WaitForExit();
        return [.. read.Select(one => one with { Unit = Ours.GetValueOrDefault(one.Unit, one.Unit) })];
    }

    private static IReadOnlyList<string> Lines()
    {
        var core = Path.Combine(Root, "tests", "Merienda.Core.Tests");
        string[] lists = ["heldout-lines.csv", "heldout-lines-2.csv", "seen-lines.csv"];
        return
        [
            .. lists
                .SelectMany(file => Rows(Path.Combine(core, "Recipes", file)))
                .Concat(Rows(Path.Combine(core, "Protocols", "hidden-allergens.csv")).Where(row => row["kind"] == "line"))
                .Select(row => row["text"])
                .Distinct(),
        ];
    }

    private static List<Dictionary<string, string>> Rows(string path)
    {
        using var csv = new CsvReader(new StreamReader(path), CultureInfo.InvariantCulture);
        csv.Read();
        csv.ReadHeader();
        var rows = new List<Dictionary<string, string>>();
        while (csv.Read())
        {
            rows.Add(csv.HeaderRecord!.ToDictionary(column => column, column => csv[column]!));
        }

        return rows;
    }
}
