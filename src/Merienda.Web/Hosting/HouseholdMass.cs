namespace Merienda.Web.Hosting;

/// <summary>A weight as the household counts: grams and kilograms, or ounces and pounds.</summary>
public static class HouseholdMass
{
    /// <summary>International avoirdupois ounce and pound, g (domain.md section 7).</summary>
    private const decimal Ounce = 28.3495m,
        Pound = 453.592m;

    /// <summary>Rounded as one buys and weighs: tenths below 20 g, whole grams, then hundredths of a kilogram. Empty for nothing.</summary>
    public static string Show(decimal grams, bool inOunces) =>
        (grams, inOunces) switch
        {
            (0, _) => "",
            (>= Pound, true) => $"{Math.Round(grams / Pound, 2):0.##} lb",
            (_, true) => $"{Math.Round(grams / Ounce, 1):0.##} oz",
            (>= 1000, _) => $"{Math.Round(grams / 1000, 2):0.##} kg",
            (>= 20, _) => $"{Math.Round(grams):0.##} g",
            _ => $"{Math.Round(grams, 1):0.##} g",
        };
}
