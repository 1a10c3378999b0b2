using System.Globalization;
using System.Text.RegularExpressions;

namespace Merienda.Core.Recipes;

/// <summary>
/// The heat that a step asks for, °C: "350F", "a 350 degree oven", "180C fan", "gas mark 4". How hot the food becomes inside is none.
/// </summary>
internal static partial class OvenTemperature
{
    /// <summary>Above it a number without its scale is in degrees Fahrenheit: no kitchen oven is so hot in Celsius [C].</summary>
    private const int HottestCelsius = 275;

    private const int Coolest = 50;

    /// <summary>Gas marks 1 to 9 as cookbooks give them [C].</summary>
    private static readonly int[] GasMarks = [140, 150, 160, 180, 190, 200, 220, 230, 240];

    public static int? In(string step)
    {
        foreach (Match match in Degrees().Matches(step))
        {
            if (match.Groups["inside"].Success)
            {
                continue;
            }

            if (match.Groups["gas"].Success)
            {
                return GasMarks[match.Groups["gas"].Value[0] - '1'];
            }

            var number = int.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture);
            var scale = match.Groups["scale"].Value.ToUpperInvariant();
            var celsius = scale == "F" || (scale.Length == 0 && number > HottestCelsius) ? (int)Math.Round((number - 32) / 1.8) : number;
            if (celsius is >= Coolest and <= 350)
            {
                return celsius;
            }
        }

        return null;
    }

    [GeneratedRegex(
        @"(?<inside>\b(until|reaches|reach|inside|internal|core|thermometer|registers)\b[^.;,]{0,60}?)?"
            + @"(\bgas( mark)? ?(?<gas>[1-9])\b"
            + @"|\b(?<n>\d{2,3})(\s?°|\s?º|[\s-]deg(rees?)?)\s?(?<scale>[CF])?\b"
            + @"|\b(?<n>\d{2,3})\s?(?<scale>[CF])\b"
            + @"|\b(oven (down |up )?to|oven( on)?( at)?:?|at|fan( oven)?( at)?) (?<n>[1-5]\d{2})\b(?!\s?(g|ml|min|h|w)))",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Degrees();
}
