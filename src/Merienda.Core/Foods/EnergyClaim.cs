namespace Merienda.Core.Foods;

/// <summary>
/// Checks a claim of energy and energy shares against its grams (domain.md section 1): queried when it differs from the factors' sum
/// by more than 10 % of the declared value and by more than 20 kcal, and when shares match the grams only with two of them swapped.
/// </summary>
public static class EnergyClaim
{
    public const decimal QueriedShare = 0.10m,
        QueriedKilocalories = 20m;

    public static bool IsQueried(decimal declaredKilocalories, decimal computedKilocalories)
    {
        var difference = Math.Abs(declaredKilocalories - computedKilocalories);
        return difference > QueriedShare * declaredKilocalories && difference > QueriedKilocalories;
    }

    /// <summary>Difference as a share of the declared energy.</summary>
    public static decimal Difference(decimal declaredKilocalories, decimal computedKilocalories) =>
        Math.Abs(declaredKilocalories - computedKilocalories) / declaredKilocalories;

    /// <summary>Shares of energy, 0 to 1, by the plain 4/4/9 sum.</summary>
    public static (decimal Protein, decimal Fat, decimal Carbohydrate) Shares(
        decimal proteinGrams,
        decimal fatGrams,
        decimal carbohydrateGrams
    )
    {
        var energy = EnergyFactors.Plain(proteinGrams, fatGrams, carbohydrateGrams);
        return (
            EnergyFactors.Protein * proteinGrams / energy,
            EnergyFactors.Fat * fatGrams / energy,
            EnergyFactors.Carbohydrate * carbohydrateGrams / energy
        );
    }

    /// <summary>True when the claimed protein and fat shares fit the grams only the other way round.</summary>
    /// <param name="tolerance">How far a share may be off, 0 to 1; 0.02 is two points of a percentage.</param>
    public static bool AreSharesSwapped(
        decimal claimedProtein,
        decimal claimedFat,
        decimal proteinGrams,
        decimal fatGrams,
        decimal carbohydrateGrams,
        decimal tolerance = 0.02m
    )
    {
        var (protein, fat, _) = Shares(proteinGrams, fatGrams, carbohydrateGrams);
        bool Near(decimal claimed, decimal computed) => Math.Abs(claimed - computed) <= tolerance;
        return !(Near(claimedProtein, protein) && Near(claimedFat, fat)) && Near(claimedProtein, fat) && Near(claimedFat, protein);
    }
}
