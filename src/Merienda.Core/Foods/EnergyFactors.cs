namespace Merienda.Core.Foods;

/// <summary>
/// Energy in kcal by conversion factors per gram: EU Regulation 1169/2011 Annex XIV and Merrill &amp; Watt 1973, both from memory [M].
/// </summary>
public static class EnergyFactors
{
    public const decimal Protein = 4,
        Fat = 9,
        Carbohydrate = 4,
        Fibre = 2,
        Polyols = 2.4m,
        Erythritol = 0,
        Allulose = 0.4m,
        Alcohol = 7;

    /// <summary>
    /// Energy of 100 g, or null when a macronutrient is unknown. Unknown fibre, polyols and alcohol count as absent here: this value checks
    /// a declaration, it does not replace one.
    /// </summary>
    public static decimal? PerHundredGrams(NutrientProfile profile)
    {
        if (profile is not { Protein: { } protein, Fat: { } fat, Carbohydrate: { } carbohydrate })
        {
            return null;
        }

        decimal fibre = profile.Fibre ?? 0,
            polyols = profile.Polyols ?? 0,
            erythritol = profile.Erythritol ?? 0,
            allulose = profile.Allulose ?? 0;
        var digestible = profile.Basis switch
        {
            LabelBasis.Total => carbohydrate - fibre - polyols - erythritol - allulose,
            LabelBasis.Available => carbohydrate - polyols - erythritol - allulose,
            _ => carbohydrate - allulose,
        };
        return (Protein * protein)
            + (Fat * fat)
            + (Carbohydrate * digestible)
            + (Fibre * fibre)
            + (Polyols * polyols)
            + (Allulose * allulose)
            + (Alcohol * (profile.Alcohol ?? 0));
    }

    /// <summary>The plain 4/4/9 sum in kcal, for claims that give only three macros.</summary>
    public static decimal Plain(decimal proteinGrams, decimal fatGrams, decimal carbohydrateGrams) =>
        (Protein * proteinGrams) + (Fat * fatGrams) + (Carbohydrate * carbohydrateGrams);
}
