using Merienda.Core.Outcomes;
using Merienda.Core.Quantities;

namespace Merienda.Core.Foods.Labels;

/// <summary>
/// A nutrition panel as it is printed; what is not printed is unknown. Per-100 g values are derived and what was typed is kept.
/// </summary>
public sealed class PacketLabel
{
    private readonly IReadOnlyDictionary<LabelNutrient, DeclaredValue> _declared;

    private PacketLabel(
        LabelCountry country,
        LabelBasis basis,
        decimal servingGrams,
        IReadOnlyDictionary<LabelNutrient, DeclaredValue> declared,
        bool isTolerant
    ) => (Country, Basis, ServingGrams, _declared, IsTolerant) = (country, basis, servingGrams, declared, isTolerant);

    public LabelCountry Country { get; }

    public LabelBasis Basis { get; }

    /// <summary>Grams that the values are declared for, above zero: a serving, or 100.</summary>
    public decimal ServingGrams { get; }

    /// <summary>True when values count with what the law tolerates beyond rounding; off by default.</summary>
    public bool IsTolerant { get; }

    /// <summary>The same label with the law's tolerances counted.</summary>
    public PacketLabel WithTolerances() => new(Country, Basis, ServingGrams, _declared, true);

    public bool Declares(LabelNutrient nutrient) => _declared.ContainsKey(nutrient);

    /// <param name="basis">What carbohydrate holds; null for what the country says.</param>
    /// <param name="servingGrams">Above zero, at most 2,000.</param>
    public static Result<PacketLabel> Of(
        LabelCountry country,
        LabelBasis? basis,
        decimal servingGrams,
        IReadOnlyDictionary<LabelNutrient, DeclaredValue> declared
    )
    {
        if (servingGrams is <= 0 or > 2_000)
        {
            return new Refusal(
                "serving-out-of-range",
                "serving",
                $"{servingGrams} g",
                "a serving weighs above 0 and at most 2,000 g",
                "Type the grams that the values are printed for"
            );
        }

        if ((basis ?? LabelCountries.BasisOf(country)) is not { } counted)
        {
            return new Refusal(
                "basis-unknown",
                "country",
                $"{country}",
                "it is not said whether its carbohydrate holds the fibre",
                "Say whether fibre is in the carbohydrate"
            );
        }

        var label = new PacketLabel(country, counted, servingGrams, declared, false);
        return
            label.Of(LabelNutrient.Fibre) is { } fibre
            && label.Of(LabelNutrient.Carbohydrate) is { } carbohydrate
            && counted == LabelBasis.Total
            && fibre.Low > carbohydrate.High
            ? new Refusal(
                "fibre-above-carbohydrate",
                "fibre",
                $"{declared[LabelNutrient.Fibre].Value} g",
                $"there is more fibre than the total carbohydrate of {declared[LabelNutrient.Carbohydrate].Value} g that holds it",
                "Check both values, and the country of the label"
            )
            : label;
    }

    /// <summary>
    /// The interval of one value per serving as printed; null when it is not declared. Sodium comes from salt, in mg, where only salt is
    /// printed.
    /// </summary>
    public Estimate? Of(LabelNutrient nutrient)
    {
        if (_declared.TryGetValue(nutrient, out var declared))
        {
            var rounded = LabelRounding.IntervalOf(Country, nutrient, declared).Estimate;
            return IsTolerant ? LabelTolerance.Widen(Country, nutrient, rounded, ServingGrams) : rounded;
        }

        // Salt is sodium times 2.5: 1 g of salt holds 400 mg.
        return nutrient == LabelNutrient.Sodium && Of(LabelNutrient.Salt) is { } salt ? salt * 400 : null;
    }

    /// <summary>The same per 100 g; open when it is not declared.</summary>
    public Estimate PerHundredGrams(LabelNutrient nutrient) =>
        Of(nutrient) is { } serving ? serving * (100 / ServingGrams) : Estimate.Unknown;

    /// <summary>
    /// Energy by factors per 100 g from the declared values, or null when a macronutrient is missing; a declared energy far from it is
    /// queried.
    /// </summary>
    public decimal? EnergyByFactors =>
        Declares(LabelNutrient.Protein) && Declares(LabelNutrient.Fat) && Declares(LabelNutrient.Carbohydrate)
            ? EnergyFactors.PerHundredGrams(
                new NutrientProfile
                {
                    Basis = Basis,
                    Protein = PerHundredGrams(LabelNutrient.Protein).Best,
                    Fat = PerHundredGrams(LabelNutrient.Fat).Best,
                    Carbohydrate = PerHundredGrams(LabelNutrient.Carbohydrate).Best,
                    Fibre = Declares(LabelNutrient.Fibre) ? PerHundredGrams(LabelNutrient.Fibre).Best : null,
                    Polyols = Declares(LabelNutrient.Polyols) ? PerHundredGrams(LabelNutrient.Polyols).Best : null,
                    Allulose = Declares(LabelNutrient.Allulose) ? PerHundredGrams(LabelNutrient.Allulose).Best : null,
                }
            )
            : null;
}
