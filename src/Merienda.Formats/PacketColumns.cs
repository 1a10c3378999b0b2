using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;

namespace Merienda.Formats;

/// <summary>The columns of a file of packets and the words that stand in them.</summary>
public static class PacketColumns
{
    public static readonly (LabelNutrient Nutrient, string Column)[] Values =
    [
        (LabelNutrient.Energy, "energy"),
        (LabelNutrient.Fat, "fat"),
        (LabelNutrient.SaturatedFat, "saturated_fat"),
        (LabelNutrient.Carbohydrate, "carbohydrate"),
        (LabelNutrient.Fibre, "fibre"),
        (LabelNutrient.Sugars, "sugars"),
        (LabelNutrient.AddedSugars, "added_sugars"),
        (LabelNutrient.Polyols, "polyols"),
        (LabelNutrient.Allulose, "allulose"),
        (LabelNutrient.Protein, "protein"),
        (LabelNutrient.Sodium, "sodium"),
        (LabelNutrient.Salt, "salt"),
    ];

    public static readonly (LabelCountry Country, string Code)[] Countries =
    [
        (LabelCountry.UnitedStates, "US"),
        (LabelCountry.Canada, "CA"),
        (LabelCountry.EuropeanUnion, "EU"),
        (LabelCountry.UnitedKingdom, "UK"),
        (LabelCountry.Australia, "AU"),
        (LabelCountry.NewZealand, "NZ"),
        (LabelCountry.Other, "other"),
    ];

    public static readonly (LabelBasis Basis, string Word)[] Bases =
    [
        (LabelBasis.Total, "total"),
        (LabelBasis.Available, "available"),
        (LabelBasis.AvailableWithoutPolyols, "available-without-polyols"),
    ];

    public static readonly string[] Required = ["name", "country", "serving"];

    public static readonly IReadOnlyList<string> All =
    [
        "name",
        "country",
        "basis",
        "serving",
        .. Values.Select(value => value.Column),
        "ingredients",
        "may_contain",
        "pack",
        "price",
        "points",
        "opened_days",
        "classes",
        "aisle",
    ];

    /// <summary>By its code or its name; null for anything else.</summary>
    public static LabelCountry? CountryOf(string cell) =>
        Countries.FirstOrDefault(item =>
            item.Code.Equals(cell, StringComparison.OrdinalIgnoreCase)
            || LabelCountries.NameOf(item.Country).Equals(cell, StringComparison.OrdinalIgnoreCase)
        )
            is { Code: not null } found
            ? found.Country
            : null;

    /// <summary>The column of a refusal's field: "saturatedFat" is saturated_fat.</summary>
    public static string ColumnOf(string field) =>
        field == "statement"
            ? "ingredients"
            : string.Concat(field.Select(letter => char.IsUpper(letter) ? $"_{char.ToLowerInvariant(letter)}" : $"{letter}"));
}
