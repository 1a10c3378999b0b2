using System.Globalization;
using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Foods.Labels;

/// <summary>A value as it is printed: "5", "0", "0.5", "less than 1 g", "1046 kJ".</summary>
/// <param name="Value">The printed number in the nutrient's unit; kilojoules stay kilojoules.</param>
/// <param name="IsLessThan">True for "less than".</param>
/// <param name="Decimals">Printed decimals: 0.50 has two. Below zero where a coarser unit was printed: 0.4 g of sodium are 400 mg with -2.</param>
/// <param name="IsKilojoules">True for an energy printed in kJ.</param>
public readonly partial record struct DeclaredValue(decimal Value, bool IsLessThan, int Decimals, bool IsKilojoules = false)
{
    /// <summary>1 kcal is 4.184 kJ (domain.md section 1).</summary>
    public const decimal KilojoulesPerKilocalorie = 4.184m;

    /// <summary>Half of the last printed digit.</summary>
    public decimal HalfDigit => 0.5m / (decimal)Math.Pow(10, Decimals);

    /// <summary>Reads a printed value; its unit may stand behind it, the nutrient's own is taken where none does. Either decimal mark is taken.</summary>
    public static Result<DeclaredValue> Read(LabelNutrient nutrient, string printed)
    {
        var match = Printed().Match(printed);
        var unit = match.Groups["unit"].Value.ToLowerInvariant();
        if (!match.Success || !IsUnitOf(nutrient, unit))
        {
            return new Refusal("unreadable-value", FieldOf(nutrient), printed.Length > 60 ? printed[..60] : printed, "this is not a value as packets print it", $"Type for example 5, 0.5, 0 or <1, in {UnitOf(nutrient)}{(nutrient == LabelNutrient.Energy ? " or with kJ behind it" : "")}");
        }

        var number = match.Groups["number"].Value.Replace(',', '.');
        var decimals = number.Contains('.', StringComparison.Ordinal) ? number.Length - number.IndexOf('.', StringComparison.Ordinal) - 1 : 0;
        var value = decimal.Parse(number, CultureInfo.InvariantCulture);
        var isLess = match.Groups["less"].Success;
        return (nutrient, unit) switch
        {
            (_, "kj") => new DeclaredValue(value, isLess, decimals, true),
            (LabelNutrient.Sodium, "g") => new DeclaredValue(value * 1000, isLess, decimals - 3),
            (not LabelNutrient.Sodium, "mg") => new DeclaredValue(value / 1000, isLess, decimals + 3),
            _ => new DeclaredValue(value, isLess, decimals),
        };
    }

    /// <summary>The unit that a nutrient is counted in: kcal, mg of sodium, else g.</summary>
    public static string UnitOf(LabelNutrient nutrient) => nutrient switch { LabelNutrient.Energy => "kcal", LabelNutrient.Sodium => "mg", _ => "g" };

    /// <summary>The name of a nutrient's field: "saturatedFat".</summary>
    public static string FieldOf(LabelNutrient nutrient) => JsonName(nutrient.ToString());

    private static string JsonName(string name) => char.ToLowerInvariant(name[0]) + name[1..];

    private static bool IsUnitOf(LabelNutrient nutrient, string unit) => unit.Length == 0 || (nutrient == LabelNutrient.Energy ? unit is "kcal" or "cal" or "kj" : unit is "g" or "mg");

    [GeneratedRegex(@"^\s*(?<less><|less than|under)?\s*(?<number>\d{1,5}([.,]\d{1,3})?)\s*(?<unit>g|mg|kcal|kJ|cal)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Printed();
}
