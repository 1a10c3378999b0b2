namespace Merienda.Core.Foods;

/// <summary>
/// What a table or a packet declares per 100 g of edible part: grams, energy in kcal, sodium in mg. Null is unknown, never zero.
/// </summary>
public sealed record NutrientProfile
{
    public decimal? Energy { get; init; }

    public decimal? Protein { get; init; }

    public decimal? Fat { get; init; }

    public decimal? SaturatedFat { get; init; }

    /// <summary>As declared; <see cref="Basis"/> says what is in it.</summary>
    public decimal? Carbohydrate { get; init; }

    public LabelBasis Basis { get; init; }

    public decimal? Fibre { get; init; }

    public decimal? Sugars { get; init; }

    public decimal? AddedSugars { get; init; }

    /// <summary>Polyols other than erythritol.</summary>
    public decimal? Polyols { get; init; }

    public decimal? Erythritol { get; init; }

    /// <summary>A sugar that gives 0.4 kcal a gram and is credited whole; in the carbohydrate, apart from sugars and polyols.</summary>
    public decimal? Allulose { get; init; }

    public decimal? Alcohol { get; init; }

    public decimal? Sodium { get; init; }
}
