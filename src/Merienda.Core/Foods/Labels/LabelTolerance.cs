using Merienda.Core.Quantities;

namespace Merienda.Core.Foods.Labels;

/// <summary>
/// What the law tolerates beyond rounding, as a household may choose to count it. EU and UK: Commission guidance on tolerances, December
/// 2012, per 100 g; US: 21 CFR 101.9(g):
/// up to 20 % above for energy, fat, sugars, sodium, down to 80 % for protein, fibre, carbohydrate; both from memory [M]. Elsewhere nothing
/// is known to be tolerated.
/// </summary>
public static class LabelTolerance
{
    private const decimal American = 0.20m;

    /// <param name="printed">The interval of rounding, for the label's own amount.</param>
    /// <param name="servingGrams">The amount that the values are printed for, g.</param>
    public static Estimate Widen(LabelCountry country, LabelNutrient nutrient, Estimate printed, decimal servingGrams) =>
        country switch
        {
            LabelCountry.UnitedStates => Around(
                printed,
                IsFloor(nutrient) ? printed.Best * American : 0,
                IsFloor(nutrient) ? 0 : printed.Best * American
            ),
            LabelCountry.EuropeanUnion or LabelCountry.UnitedKingdom => European(nutrient, printed.Best * 100 / servingGrams)
                * servingGrams
                / 100
                is var width
                ? Around(printed, width, width)
                : printed,
            _ => printed,
        };

    /// <summary>What a maker must not fall short of; of the rest there must not be more.</summary>
    private static bool IsFloor(LabelNutrient nutrient) =>
        nutrient is LabelNutrient.Protein or LabelNutrient.Fibre or LabelNutrient.Carbohydrate;

    /// <summary>Grams above and below a declared value per 100 g; salt and energy have rules of their own that are not counted.</summary>
    private static decimal European(LabelNutrient nutrient, decimal declared) =>
        nutrient switch
        {
            LabelNutrient.Carbohydrate or LabelNutrient.Sugars or LabelNutrient.Protein or LabelNutrient.Fibre => ByAmount(declared, 2m),
            LabelNutrient.Fat => ByAmount(declared, 1.5m),
            LabelNutrient.SaturatedFat => declared < 4 ? 0.8m : declared * 0.20m,
            _ => 0,
        };

    private static decimal ByAmount(decimal declared, decimal little) =>
        declared switch
        {
            < 10 => little,
            <= 40 => declared * 0.20m,
            _ => 8m,
        };

    private static Estimate Around(Estimate printed, decimal below, decimal above) =>
        Estimate.Between(
            Math.Max(0, Math.Min(printed.Low, printed.Best - below)),
            printed.Best,
            Math.Max(printed.High ?? printed.Best, printed.Best + above)
        );
}
