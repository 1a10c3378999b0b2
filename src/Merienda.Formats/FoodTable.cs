using System.Collections.Frozen;
using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;

namespace Merienda.Formats;

/// <summary>
/// Reads data/foods.csv, data/fodmaps.csv, data/yields.csv and data/food-classes.csv. An empty cell is unknown, never zero.
/// </summary>
public static class FoodTable
{
    private static readonly CsvConfiguration Format = new(CultureInfo.InvariantCulture) { TrimOptions = TrimOptions.Trim };

    /// <exception cref="InvalidDataException">A cell is not what its column holds; row, column, value and reason are named.</exception>
    public static IReadOnlyList<Food> Read(string path, string fodmapPath, string yieldPath, FoodClasses classes)
    {
        var fodmaps = ReadRows(fodmapPath, row => (Food: row["food"]!, Profile: new Row(row, fodmapPath, "food").ToFodmaps()))
            .ToDictionary(row => row.Food, row => row.Profile);
        var yields = ReadRows(yieldPath, row => (Food: row["food"]!, Yield: new Row(row, yieldPath, "food").ToYield()))
            .ToLookup(row => row.Food, row => row.Yield);
        var foods = ReadRows(path, row => new Row(row, path, "key").ToFood(classes, fodmaps, yields));
        var known = foods.Select(food => food.Key).ToHashSet();
        foreach (var (file, keys) in new[] { (fodmapPath, fodmaps.Keys.AsEnumerable()), (yieldPath, yields.Select(item => item.Key)) })
        {
            if (keys.FirstOrDefault(key => !known.Contains(key)) is { } orphan)
            {
                throw new InvalidDataException($"{Path.GetFileName(file)}, food \"{orphan}\": no such food.");
            }
        }

        return foods;
    }

    public static FoodClasses ReadClasses(string path) =>
        new(
            ReadRows(
                path,
                row => new FoodClass(
                    row["class"]!,
                    Empty(row["parent"]),
                    row["name"]!,
                    Empty(row["allergen"]),
                    Empty(row["allergy_to"]),
                    row["open"] == "yes"
                )
            )
        );

    private static List<T> ReadRows<T>(string path, Func<CsvReader, T> read)
    {
        using var csv = new CsvReader(new StreamReader(path), Format);
        csv.Read();
        csv.ReadHeader();
        var rows = new List<T>();
        while (csv.Read())
        {
            rows.Add(read(csv));
        }

        return rows;
    }

    private static string? Empty(string? cell) => string.IsNullOrEmpty(cell) ? null : cell;

    private sealed class Row(CsvReader csv, string path, string keyColumn)
    {
        public FodmapProfile ToFodmaps() =>
            new(
                Number("fructans_and_gos_g"),
                Number("lactose_g"),
                Number("excess_fructose_g"),
                Number("sorbitol_g"),
                Number("mannitol_g"),
                csv["source"]!,
                Mark()
            );

        public FoodYield ToYield() =>
            new(
                csv["method"]!,
                Number("yield") is > 0 and <= 10 and { } yield
                    ? yield
                    : throw Wrong("yield", csv["yield"]!, "grams cooked for a gram raw, above 0 and at most 10"),
                csv["source"]!,
                Mark()
            );

        public Food ToFood(FoodClasses classes, IReadOnlyDictionary<string, FodmapProfile> fodmaps, ILookup<string, FoodYield> yields)
        {
            var (tags, may) = (Tags("classes", classes), Tags("may_hold", classes));

            return new Food
            {
                Key = csv["key"]!,
                Name = csv["name"]!,
                Synonyms = csv["synonyms"]!.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries),
                Aisle = csv["aisle"]!,
                Profile = Profile(),
                Measures = Measures(),
                Density =
                    Number("density_g_ml") is var density && density is null or (> 0 and <= 3)
                        ? density
                        : throw Wrong("density_g_ml", csv["density_g_ml"]!, "a density is above 0 and at most 3 g a millilitre"),
                Yields = [.. yields[csv["key"]!]],
                Keeping = Empty(csv["keeping"]) is { } keeping
                    ? KeepingClass.OfFood(keeping) ?? throw Wrong("keeping", keeping, "no such keeping class")
                    : null,
                Packs =
                [
                    .. csv["packs_g"]!
                        .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                        .Select(pack =>
                            decimal.TryParse(pack, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var grams) && grams > 0
                                ? grams
                                : throw Wrong("packs_g", pack, "a pack weighs above zero grams")
                        ),
                ],
                Classes = tags.SelectMany(classes.Upward).ToFrozenSet(),
                // A tag above another tag of the same food says nothing of its own.
                Tags = [.. tags.Where(tag => !tags.Any(other => other != tag && classes.Upward(other).Contains(tag)))],
                MayTags = may,
                MayHold = classes.MayHold(tags, may),
                Fodmaps = fodmaps.GetValueOrDefault(csv["key"]!),
                Source = csv["source"]!,
                Mark = Mark(),
            };
        }

        private string[] Tags(string column, FoodClasses classes)
        {
            var tags = csv[column]!.Split(' ', StringSplitOptions.RemoveEmptyEntries);
            return tags.FirstOrDefault(tag => !classes.Knows(tag)) is { } unknown
                ? throw Wrong(column, unknown, "no such food class")
                : tags;
        }

        private SourceMark Mark() =>
            Enum.TryParse<SourceMark>(csv["mark"], out var mark) ? mark : throw Wrong("mark", csv["mark"]!, "a mark is M or C");

        private NutrientProfile Profile() =>
            new()
            {
                Basis = csv["basis"] switch
                {
                    "total" => LabelBasis.Total,
                    "available" => LabelBasis.Available,
                    "available-without-polyols" => LabelBasis.AvailableWithoutPolyols,
                    var other => throw Wrong("basis", other ?? "", "a basis is total, available or available-without-polyols"),
                },
                Energy = Number("energy_kcal"),
                Protein = Number("protein_g"),
                Fat = Number("fat_g"),
                SaturatedFat = Number("saturated_fat_g"),
                Carbohydrate = Number("carbohydrate_g"),
                Fibre = Number("fibre_g"),
                Sugars = Number("sugars_g"),
                AddedSugars = Number("added_sugars_g"),
                Polyols = Number("polyols_g"),
                Erythritol = Number("erythritol_g"),
                Allulose = Number("allulose_g"),
                Alcohol = Number("alcohol_g"),
                Sodium = Number("sodium_mg"),
            };

        private decimal? Number(string column)
        {
            var cell = csv[column];
            return string.IsNullOrEmpty(cell) ? null
                : decimal.TryParse(cell, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) ? value
                : throw Wrong(column, cell, "a number of zero or more, with a point as decimal mark");
        }

        private FrozenDictionary<string, decimal> Measures() =>
            csv["measures"]!
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Select(pair => pair.Split('='))
                .ToFrozenDictionary(
                    pair => pair[0],
                    pair =>
                        pair.Length == 2
                        && decimal.TryParse(pair[1], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var grams)
                        && grams > 0
                            ? grams
                            : throw Wrong("measures", string.Join('=', pair), "a measure is name=grams, above zero")
                );

        private InvalidDataException Wrong(string column, string value, string reason) =>
            new($"{Path.GetFileName(path)}, row {csv.Parser.Row} ({csv[keyColumn]}), {column} \"{value}\": {reason}.");
    }
}
