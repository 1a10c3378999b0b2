using Merienda.Core.Quantities;

namespace Merienda.Core.Foods;

/// <summary>
/// What is counted of a food: nutrients, quantities derived from them, and points.
/// All but <see cref="Points"/> are additive: a sum over foods is the sum of their amounts.
/// </summary>
public enum Measure
{
    Energy,
    Protein,
    Fat,
    SaturatedFat,

    /// <summary>Total carbohydrate: fibre and polyols in it, as a US label counts.</summary>
    Carbohydrate,

    /// <summary>Carbohydrate without fibre, polyols in it, as an EU label counts.</summary>
    AvailableCarbohydrate,

    /// <summary>Available carbohydrate less the credited polyols.</summary>
    NetCarbohydrate,
    Fibre,
    Sugars,
    AddedSugars,

    /// <summary>Polyols other than erythritol.</summary>
    Polyols,
    Erythritol,
    Alcohol,
    Sodium,

    /// <summary>
    /// Available carbohydrate with every polyol in it, also where the label leaves them out: the school that credits none.
    /// </summary>
    NetCarbohydrateUncredited,

    /// <summary>Grams of vegetables, which some points schemes credit.</summary>
    Vegetables,

    /// <summary>Points of a scheme; rounded a portion, so not additive before rounding.</summary>
    Points,
}

/// <summary>Key, name and unit of each measure, in one place.</summary>
public sealed record MeasureInfo(Measure Measure, string Key, string Name, string Unit, int Decimals)
{
    public static readonly IReadOnlyList<MeasureInfo> All =
    [
        new(Measure.Energy, "energy", "Energy", "kcal", 0),
        new(Measure.Protein, "protein", "Protein", "g", 1),
        new(Measure.Fat, "fat", "Fat", "g", 1),
        new(Measure.SaturatedFat, "saturatedFat", "Saturated fat", "g", 1),
        new(Measure.Carbohydrate, "carbohydrate", "Total carbs", "g", 1),
        new(Measure.AvailableCarbohydrate, "availableCarbohydrate", "Available carbs", "g", 1),
        new(Measure.NetCarbohydrate, "netCarbohydrate", "Net carbs", "g", 1),
        new(Measure.Fibre, "fibre", "Fibre", "g", 1),
        new(Measure.Sugars, "sugars", "Sugars", "g", 1),
        new(Measure.AddedSugars, "addedSugars", "Added sugars", "g", 1),
        new(Measure.Polyols, "polyols", "Polyols", "g", 1),
        new(Measure.Erythritol, "erythritol", "Erythritol", "g", 1),
        new(Measure.Alcohol, "alcohol", "Alcohol", "g", 1),
        new(Measure.Sodium, "sodium", "Sodium", "mg", 0),
        new(Measure.NetCarbohydrateUncredited, "netCarbohydrateUncredited", "Net carbs, polyols counted", "g", 1),
        new(Measure.Vegetables, "vegetables", "Vegetables", "g", 0),
        new(Measure.Points, "points", "Points", "points", 1),
    ];

    /// <summary>Number of measures that add; they come first in <see cref="Measure"/>.</summary>
    public const int AdditiveCount = (int)Measure.Points;

    public static MeasureInfo Of(Measure measure) => All[(int)measure];

    public static MeasureInfo? WithKey(string key) => All.FirstOrDefault(info => info.Key.Equals(key, StringComparison.OrdinalIgnoreCase));

    /// <summary>How its numbers are shown; points stand alone, because their name is said before them.</summary>
    public Scale Scale { get; } = new(Measure == Measure.Points ? "" : Unit, Decimals);

    public string Show(decimal value) => Scale.Show(value);

    public string ShowWithUnit(decimal value) => Scale.ShowWithUnit(value);
}
