using System.Globalization;
using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Foods.Labels;

/// <summary>A value as it is printed: "5", "0", "0.5", "less than 1 g".</summary>
/// <param name="Value">The printed number.</param>
/// <param name="IsLessThan">True for "less than".</param>
/// <param name="Decimals">Printed decimals: 0.50 has two.</param>
public readonly partial record struct DeclaredValue(decimal Value, bool IsLessThan, int Decimals)
{
    /// <summary>Half of the last printed digit.</summary>
    public decimal HalfDigit => 0.5m / (decimal)Math.Pow(10, Decimals);

    /// <summary>Reads a printed value; its unit may stand behind it. Either decimal mark is taken.</summary>
    public static Result<DeclaredValue> Read(string field, string printed)
    {
        var match = Printed().Match(printed);
        if (!match.Success)
        {
            return new Refusal("unreadable-value", field, printed.Length > 60 ? printed[..60] : printed, "this is not a value as packets print it", "Type for example 5, 0.5, 0 or <1");
        }

        var number = match.Groups["number"].Value.Replace(',', '.');
        var decimals = number.Contains('.', StringComparison.Ordinal) ? number.Length - number.IndexOf('.', StringComparison.Ordinal) - 1 : 0;
        return new DeclaredValue(decimal.Parse(number, CultureInfo.InvariantCulture), match.Groups["less"].Success, decimals);
    }

    [GeneratedRegex(@"^\s*(?<less><|less than|under)?\s*(?<number>\d{1,5}([.,]\d{1,3})?)\s*(g|mg|kcal|kJ|cal|Cal)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Printed();
}
