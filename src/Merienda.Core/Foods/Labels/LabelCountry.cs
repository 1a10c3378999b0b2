namespace Merienda.Core.Foods.Labels;

/// <summary>Whose rules a packet was printed under; it says what carbohydrate holds and how values were rounded.</summary>
public enum LabelCountry
{
    UnitedStates,
    Canada,
    EuropeanUnion,
    UnitedKingdom,
    Australia,
    NewZealand,
    Other,
}

public static class LabelCountries
{
    public static string NameOf(LabelCountry country) =>
        country switch
        {
            LabelCountry.UnitedStates => "United States",
            LabelCountry.EuropeanUnion => "European Union",
            LabelCountry.UnitedKingdom => "United Kingdom",
            LabelCountry.NewZealand => "New Zealand",
            LabelCountry.Other => "elsewhere",
            _ => country.ToString(),
        };

    /// <summary>The country that a code stands for; null for one without label rules here.</summary>
    public static LabelCountry? WithCode(string code) =>
        code.ToUpperInvariant() switch
        {
            "US" => LabelCountry.UnitedStates,
            "CA" => LabelCountry.Canada,
            "EU" => LabelCountry.EuropeanUnion,
            "UK" or "GB" => LabelCountry.UnitedKingdom,
            "AU" => LabelCountry.Australia,
            "NZ" => LabelCountry.NewZealand,
            _ => null,
        };

    /// <summary>
    /// Classes of soybean oil that a country's law takes for no allergen: in the US any highly refined oil, which its labels call soybean
    /// oil (21 U.S.C. 321(qq)(2), from memory);
    /// in the EU and the UK what is called fully refined (Regulation 1169/2011 Annex II point 6, from memory). Elsewhere none is taken so
    /// here.
    /// </summary>
    public static IReadOnlyList<string> ExemptSoybeanOils(LabelCountry country) =>
        country switch
        {
            LabelCountry.UnitedStates => ["soy-oil", "soy-oil-refined"],
            LabelCountry.EuropeanUnion or LabelCountry.UnitedKingdom => ["soy-oil-refined"],
            _ => [],
        };

    /// <summary>
    /// Domain.md section 2; where nobody knows, the wider reading of fibre is refused by asking for the basis, so Other has none.
    /// </summary>
    public static LabelBasis? BasisOf(LabelCountry country) =>
        country switch
        {
            LabelCountry.UnitedStates or LabelCountry.Canada => LabelBasis.Total,
            LabelCountry.EuropeanUnion or LabelCountry.UnitedKingdom => LabelBasis.Available,
            LabelCountry.Australia or LabelCountry.NewZealand => LabelBasis.AvailableWithoutPolyols,
            _ => null,
        };
}

/// <summary>What a nutrition panel declares. Grams, but energy in kcal and sodium in mg; salt is sodium times 2.5.</summary>
public enum LabelNutrient
{
    Energy,
    Fat,
    SaturatedFat,
    Carbohydrate,
    Fibre,
    Sugars,
    AddedSugars,
    Polyols,
    Protein,
    Sodium,
    Salt,

    /// <summary>A rare sugar that is in the carbohydrate and brings next to none of its energy.</summary>
    Allulose,
}
