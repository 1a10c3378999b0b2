using System.Globalization;

namespace Merienda.Core.Quantities;

/// <summary>
/// How numbers of one unit are shown. The one place where a number is rounded for display: half away from zero, trailing zeros dropped,
/// marks of the current culture.
/// </summary>
/// <param name="Unit">As printed after the number; empty when the number stands alone.</param>
public sealed record Scale(string Unit, int Decimals)
{
    public static readonly Scale Grams = new("g", 1),
        WholeGrams = new("g", 0),
        Millilitres = new("ml", 0),
        Percent = new("%", 0),
        Ratio = new("", 2),
        Meals = new("meals", 0),
        Times = new("times", 0);

    /// <summary>Whether it is a share or a ratio: nothing is left of it.</summary>
    public bool IsQuotient => this == Percent || this == Ratio;

    public string Show(decimal value) =>
        Math.Round(value, Decimals, MidpointRounding.AwayFromZero)
            .ToString(Decimals == 0 ? "#,0" : $"#,0.{new string('#', Decimals)}", CultureInfo.CurrentCulture);

    public string ShowWithUnit(decimal value) =>
        Unit.Length == 0
            ? Show(value)
            : $"{Show(value)} {(value == 1 && Unit is "meals" or "times" && Show(value) == "1" ? Unit == "meals" ? "meal" : "time" : Unit)}";
}
