using System.Globalization;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>What a source may say of a dish. Nutrients, points and grams are those of one portion.</summary>
public enum ClaimedValue
{
    Energy,
    Protein,
    Fat,
    SaturatedFat,

    /// <summary>With or without fibre: a source seldom says.</summary>
    Carbohydrate,
    NetCarbohydrate,
    Fibre,
    Sugars,
    Sodium,

    /// <summary>Of the energy, in percent; so are the two that follow.</summary>
    ProteinShare,
    FatShare,
    CarbohydrateShare,
    Points,
    Portions,
    PortionGrams,

    /// <summary>Minutes by hand.</summary>
    HandsOn,

    /// <summary>Minutes from start to end.</summary>
    Minutes,
    FridgeDays,
}

/// <summary>How a claimed value is called and counted.</summary>
/// <param name="Unit">Empty where the name says what is counted.</param>
public sealed record ClaimInfo(ClaimedValue What, string Name, string Unit, int Decimals)
{
    public static readonly IReadOnlyList<ClaimInfo> All =
    [
        new(ClaimedValue.Energy, "Energy", "kcal", 0),
        new(ClaimedValue.Protein, "Protein", "g", 1),
        new(ClaimedValue.Fat, "Fat", "g", 1),
        new(ClaimedValue.SaturatedFat, "Saturated fat", "g", 1),
        new(ClaimedValue.Carbohydrate, "Carbs", "g", 1),
        new(ClaimedValue.NetCarbohydrate, "Net carbs", "g", 1),
        new(ClaimedValue.Fibre, "Fibre", "g", 1),
        new(ClaimedValue.Sugars, "Sugars", "g", 1),
        new(ClaimedValue.Sodium, "Sodium", "mg", 0),
        new(ClaimedValue.ProteinShare, "Energy from protein", "%", 0),
        new(ClaimedValue.FatShare, "Energy from fat", "%", 0),
        new(ClaimedValue.CarbohydrateShare, "Energy from carbs", "%", 0),
        new(ClaimedValue.Points, "Points", "", 1),
        new(ClaimedValue.Portions, "Portions", "", 2),
        new(ClaimedValue.PortionGrams, "A portion weighs", "g", 0),
        new(ClaimedValue.HandsOn, "By hand", "min", 0),
        new(ClaimedValue.Minutes, "From start to end", "min", 0),
        new(ClaimedValue.FridgeDays, "Keeps in the fridge", "days", 0),
    ];

    public static ClaimInfo Of(ClaimedValue what) => All[(int)what];

    /// <summary>"6.5 g (6.1 to 6.9 g)"; of one that is open its least.</summary>
    public string Show(Estimate value) =>
        value.High is not { } high ? $"at least {Show(value.Low)}"
        : Show(value.Low) == Show(high) ? Show(value.Best)
        : $"{Show(value.Best)} ({Number(value.Low)} to {Number(high)})";

    private string Number(decimal value) =>
        Math.Round(value, Decimals, MidpointRounding.AwayFromZero).ToString("#,0.##", CultureInfo.InvariantCulture);

    public string Show(decimal value)
    {
        var number = Number(value);
        return Unit switch
        {
            "" => number,
            "%" => $"{number} %",
            "days" when value == 1 => "1 day",
            _ => $"{number} {Unit}",
        };
    }
}

/// <summary>A value that a source states of exactly one way to make a dish.</summary>
/// <param name="Value">In the unit of <see cref="ClaimInfo"/>; 0 to <see cref="Most"/>.</param>
public sealed record Claim(ClaimedValue What, decimal Value)
{
    public const decimal Most = 100_000;

    public const int MostClaims = 40;

    /// <summary>The variant it was said of; null for the recipe as written.</summary>
    public string? Variant { get; init; }

    /// <summary>The part it was said of; null for the whole dish.</summary>
    public string? Part { get; init; }

    /// <summary>Print of the dish that it was said of (<see cref="DishPrint"/>): of any other it is not said.</summary>
    public string Of { get; init; } = "";
}
