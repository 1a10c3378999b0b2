using System.Globalization;
using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Foods.Labels;

/// <summary>A value as it is printed: "5", "0", "0.5", "less than 1 g", "1046 kJ".</summary>
/// <param name="Value">The printed number in the nutrient's unit; kilojoules stay kilojoules.</param>
/// <param name="IsLessThan">True for "less than".</param>
/// <param name="Decimals">Printed decimals: 0.50 has two. Below zero where a coarser unit was printed: 0.4 g of sodium are 400 mg with
/// -2.</param>
/// <param name="IsKilojoules">True for an energy printed in kJ.</param>
public readonly partial record struct DeclaredValue(decimal Value, bool IsLessThan, int Decimals, bool IsKilojoules = false)
{
    /// <summary>1 kcal is 4.184 kJ (domain.md section 1).</summary>
    public const decimal KilojoulesPerKilocalorie = 4.184m;

    /// <summary>Half of the last printed digit.</summary>
    public decimal HalfDigit => 0.5m / (decimal)Math.Pow(10, Decimals);

    /// <summary>
    /// Reads a printed value; its unit may stand behind it, the nutrient's own is taken where none does. Either decimal mark is taken.
    /// </summary>
    public static Result<DeclaredValue> Read(LabelNutrient nutrient, string printed)
    {
        if (nutrient == LabelNutrient.Energy && Both().Match(printed) is { Success: true } both)
        {
            return OfBoth(printed, both);
        }

        var match = Printed().Match(printed);
        var unit = match.Groups["unit"].Value.ToLowerInvariant();
        if (!match.Success || !IsUnitOf(nutrient, unit))
        {
            return new Refusal(
                "unreadable-value",
                FieldOf(nutrient),
                printed.Length > 60 ? printed[..60] : printed,
                "this is not a value as packets print it",
                $"Type for example 5, 0.5, 0 or <1, in {UnitOf(nutrient)}{(nutrient == LabelNutrient.Energy ? " or with kJ behind it" : "")}"
            );
        }

        // A comma before exactly three digits parts thousands, as in "1,240 mg"; any other comma is a decimal mark.
        var number = Thousands().IsMatch(match.Groups["number"].Value)
            ? match.Groups["number"].Value.Replace(",", "", StringComparison.Ordinal)
            : match.Groups["number"].Value.Replace(',', '.');
        var decimals = number.Contains('.', StringComparison.Ordinal)
            ? number.Length - number.IndexOf('.', StringComparison.Ordinal) - 1
            : 0;
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

    /// <summary>
    /// "1046 kJ / 250 kcal": the kilocalories count, and the kilojoules must mean the same, give or take how both are rounded.
    /// </summary>
    private static Result<DeclaredValue> OfBoth(string printed, Match both)
    {
        var (one, other) = (Read(LabelNutrient.Energy, both.Groups["one"].Value), Read(LabelNutrient.Energy, both.Groups["other"].Value));
        if ((one.Refusal ?? other.Refusal) is { } refusal)
        {
            return refusal;
        }

        var (kilojoules, kilocalories) = one.Value.IsKilojoules ? (one.Value, other.Value) : (other.Value, one.Value);
        var said = kilojoules.Value / KilojoulesPerKilocalorie;
        return !kilojoules.IsKilojoules || kilocalories.IsKilojoules
                ? new Refusal(
                    "unreadable-value",
                    "energy",
                    printed,
                    "one of the two is kJ and the other kcal",
                    "Type for example 1046 kJ / 250 kcal"
                )
            : Math.Abs(said - kilocalories.Value) > Math.Max(BothWithin * kilocalories.Value, 3)
                ? new Refusal(
                    "energies-differ",
                    "energy",
                    printed,
                    $"{kilojoules.Value:0.#} kJ are {said:0} kcal, not {kilocalories.Value:0.#}",
                    "Type both again as they are printed, or only one of them"
                )
            : kilocalories;
    }

    /// <summary>
    /// Share by which the two energies of one panel may differ: factors for kJ and kcal are rounded apart (17 and 4, 37 and 9) [C].
    /// </summary>
    private const decimal BothWithin = 0.04m;

    /// <summary>The unit that a nutrient is counted in: kcal, mg of sodium, else g.</summary>
    public static string UnitOf(LabelNutrient nutrient) =>
        nutrient switch
        {
            LabelNutrient.Energy => "kcal",
            LabelNutrient.Sodium => "mg",
            _ => "g",
        };

    /// <summary>The name of a nutrient's field: "saturatedFat".</summary>
    public static string FieldOf(LabelNutrient nutrient) => JsonName(nutrient.ToString());

    private static string JsonName(string name) => char.ToLowerInvariant(name[0]) + name[1..];

    private static bool IsUnitOf(LabelNutrient nutrient, string unit) =>
        unit.Length == 0 || (nutrient == LabelNutrient.Energy ? unit is "kcal" or "cal" or "kj" : unit is "g" or "mg");

    [GeneratedRegex(
        @"^\s*(?<one>[\d.,]+\s*(kJ|kcal|cal))\s*[/|(,;]?\s*(?<other>[\d.,]+\s*(kJ|kcal|cal))\s*\)?\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Both();

    [GeneratedRegex(@"^[1-9]\d{0,2},\d{3}$")]
    private static partial Regex Thousands();

    [GeneratedRegex(
        @"^\s*(?<less><|less than|under)?\s*(?<number>\d{1,5}([.,]\d{1,3})?)\s*(?<unit>g|mg|kcal|kJ|cal)?\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Printed();
}
