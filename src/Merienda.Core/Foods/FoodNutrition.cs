using Merienda.Core.Quantities;

namespace Merienda.Core.Foods;

/// <summary>Estimates per 100 g for every additive measure, worked out once for a food version from its declared profile.</summary>
public sealed class FoodNutrition
{
    private readonly Estimate[] _per100;

    private FoodNutrition(Estimate[] per100) => _per100 = per100;

    public Estimate this[Measure measure] => _per100[(int)measure];

    /// <param name="spread">Natural spread of the source as a share: 0.05 for a table food [C], 0 for an exact value.</param>
    /// <param name="isVegetable">Whether the food's own grams count as vegetables.</param>
    public static FoodNutrition From(NutrientProfile profile, decimal spread, bool isVegetable, PolyolCredit credit)
    {
        Estimate Known(decimal? value) => value is { } known ? Estimate.Around(known, spread) : Estimate.Unknown;
        Estimate Part(decimal? value, Estimate whole) => value is null && whole.High is { } most ? Estimate.Within(0, most) : Known(value);

        var declared = Known(profile.Carbohydrate);
        var fat = Known(profile.Fat);
        // On an available basis fibre is not part of the declared value and has no natural bound.
        var fibre = profile.Basis == LabelBasis.Total ? Part(profile.Fibre, declared) : Known(profile.Fibre);
        var erythritol = Known(profile.Erythritol);
        var sugars = Part(profile.Sugars, declared);
        var polyols = Part(profile.Polyols, PolyolRoom(declared, fibre, sugars, profile));
        var carbohydrates = Carbohydrates.From(declared, profile.Basis, fibre, polyols, erythritol, credit);

        var per100 = new Estimate[MeasureInfo.AdditiveCount];
        per100[(int)Measure.Energy] = Known(profile.Energy ?? EnergyFactors.PerHundredGrams(profile));
        per100[(int)Measure.Protein] = Known(profile.Protein);
        per100[(int)Measure.Fat] = fat;
        per100[(int)Measure.SaturatedFat] = Part(profile.SaturatedFat, fat);
        per100[(int)Measure.Carbohydrate] = carbohydrates.Total;
        per100[(int)Measure.AvailableCarbohydrate] = carbohydrates.Available;
        per100[(int)Measure.NetCarbohydrate] = carbohydrates.Net;
        per100[(int)Measure.NetCarbohydrateUncredited] = carbohydrates.Uncredited;
        per100[(int)Measure.Fibre] = fibre;
        per100[(int)Measure.Sugars] = sugars;
        per100[(int)Measure.AddedSugars] = Part(profile.AddedSugars, sugars);
        per100[(int)Measure.Polyols] = polyols;
        per100[(int)Measure.Erythritol] = erythritol;
        per100[(int)Measure.Alcohol] = Known(profile.Alcohol);
        per100[(int)Measure.Sodium] = Known(profile.Sodium);
        per100[(int)Measure.Vegetables] = Estimate.Exactly(isVegetable ? 100 : 0);
        return new(per100);
    }

    // Polyols nobody declared hide at most in what is neither fibre nor sugars.
    private static Estimate PolyolRoom(Estimate declared, Estimate fibre, Estimate sugars, NutrientProfile profile)
    {
        if (profile.Basis == LabelBasis.AvailableWithoutPolyols || declared.High is not { } most)
        {
            return Estimate.Unknown;
        }

        var fibreInside = profile.Basis == LabelBasis.Total ? fibre.Low : 0;
        return Estimate.Exactly(Math.Max(0, most - fibreInside - sugars.Low));
    }
}
