using System.Globalization;
using System.Security.Cryptography;
using System.Text;

namespace Merienda.Core.Recipes;

/// <summary>
/// A short print of what goes into a dish and how many it makes: a value that was stated of a dish holds for no dish of another print.
/// </summary>
public static class DishPrint
{
    private const int Characters = 16;

    public static string Of(IReadOnlyList<RecipeLine> lines, decimal portions)
    {
        var words = new StringBuilder(portions.ToString("0.####", CultureInfo.InvariantCulture));
        foreach (var line in lines)
        {
            var typed = line.Typed;
            words.Append(
                CultureInfo.InvariantCulture,
                $"\n{line.Read.Text.Trim()}|{typed.Part}|{(typed.IsChosen ? line.Food?.Key : "")}|{typed.Precision}|{typed.EatenShare:0.####}|{typed.KeptFat:0.####}|{typed.IsOptional}|{line.Times:0.####}|{(line.Use is { } use ? Of(use.Of.Of.Lines, use.Of.Of.Portions) : "")}"
            );
        }

        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(words.ToString())))[..Characters];
    }
}
