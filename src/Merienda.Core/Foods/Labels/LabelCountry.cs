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
    public static string NameOf(LabelCountry country) => country switch
    {
        LabelCountry.UnitedStates => "United States",
        LabelCountry.EuropeanUnion => "European Union",
        LabelCountry.UnitedKingdom => "United Kingdom",
        LabelCountry.NewZealand => "New Zealand",
        LabelCountry.Other => "elsewhere",
        _ => country.ToString(),
    };

    /// <summary>The country that a code stands for; null for one without label rules here.</summary>
    public static LabelCountry? WithCode(string code) => code.ToUpperInvariant() switch
    {
        "US" => LabelCountry.UnitedStates,
        "CA" => LabelCountry.Canada,
        "EU" => LabelCountry.EuropeanUnion,
        "UK" or "GB" => LabelCountry.UnitedKingdom,
        "AU" => LabelCountry.Australia,
        "NZ" => LabelCountry.NewZealand,
        _ => null,
    };

    /// <summary>Domain.md section 2; where nobody knows, the wider reading of fibre is refused by asking for the basis, so Other has none.</summary>
    public static LabelBasis? BasisOf(LabelCountry country) => country switch
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
