using Merienda.Core.Quantities;

namespace Merienda.Core.Foods.Labels;

/// <summary>What could have been printed as one declared value.</summary>
/// <param name="Low">Included.</param>
/// <param name="High">Left out, unless <paramref name="IncludesHigh"/>.</param>
public sealed record LabelInterval(decimal Low, decimal High, decimal Declared, bool IncludesHigh = false)
{
    public bool Contains(decimal value) => value >= Low && (IncludesHigh ? value <= High : value < High);

    /// <summary>Best is what was declared, or the middle of what "less than" leaves.</summary>
    public Estimate Estimate => Estimate.Between(Low, Math.Clamp(Declared, Low, High), High);
}

/// <summary>
/// How values are rounded on packets, and back. US: 21 CFR 101.9(c), per serving; EU and UK: Commission guidance on tolerances, December
/// 2012, per 100 g; both from memory [M].
/// Elsewhere half of the last printed digit.
/// </summary>
public static class LabelRounding
{
    /// <summary>A stretch of true values that is printed in steps.</summary>
    /// <param name="From">First true value, included unless <paramref name="IsAbove"/>.</param>
    /// <param name="Step">Printed step; 0 for what is printed as 0.</param>
    private sealed record Band(decimal From, decimal Step, bool IsAbove = false);

    private static readonly Band[] AmericanEnergy = [new(0, 0), new(5, 5), new(50, 10, true)];
    private static readonly Band[] AmericanFat = [new(0, 0), new(0.5m, 0.5m), new(5, 1)];
    private static readonly Band[] AmericanGrams = [new(0, 0), new(0.5m, 1)];
    private static readonly Band[] AmericanSodium = [new(0, 0), new(5, 5), new(140, 10, true)];
    private static readonly Band[] EuropeanEnergy = [new(0, 1)];
    private static readonly Band[] EuropeanGrams = [new(0, 0), new(0.5m, 0.1m, true), new(10, 1)];
    private static readonly Band[] EuropeanSaturates = [new(0, 0), new(0.1m, 0.1m, true), new(10, 1)];
    private static readonly Band[] EuropeanSalt = [new(0, 0), new(0.0125m, 0.01m, true), new(1, 0.1m)];

    /// <summary>The true values that a declared one stands for, on the label's own basis (a serving, or 100 g).</summary>
    public static LabelInterval IntervalOf(LabelCountry country, LabelNutrient nutrient, DeclaredValue declared)
    {
        if (declared.IsKilojoules)
        {
            // Kilojoules are printed whole like kilocalories; their step is a quarter as wide.
            return declared.IsLessThan
                ? new(
                    0,
                    declared.Value / DeclaredValue.KilojoulesPerKilocalorie,
                    declared.Value / DeclaredValue.KilojoulesPerKilocalorie / 2
                )
                : new(
                    Math.Max(0, declared.Value - declared.HalfDigit) / DeclaredValue.KilojoulesPerKilocalorie,
                    (declared.Value + declared.HalfDigit) / DeclaredValue.KilojoulesPerKilocalorie,
                    declared.Value / DeclaredValue.KilojoulesPerKilocalorie
                );
        }

        if (declared.IsLessThan)
        {
            // "Less than 1 g" may be printed from half a gram on; elsewhere it says no more than its words.
            var least =
                country == LabelCountry.UnitedStates && BandsOf(country, nutrient) == AmericanGrams && declared.Value == 1 ? 0.5m : 0;
            return new(least, declared.Value, (least + declared.Value) / 2);
        }

        if (BandsOf(country, nutrient) is { } bands)
        {
            var stretches = Stretches(bands, declared.Value).ToList();
            if (stretches.Count > 0)
            {
                return new(
                    stretches.Min(stretch => stretch.Low),
                    stretches.Max(stretch => stretch.High),
                    declared.Value,
                    stretches.MaxBy(stretch => stretch.High)!.IncludesHigh
                );
            }
        }

        // Printed finer than it has to be, or under rules we do not know.
        return new(Math.Max(0, declared.Value - declared.HalfDigit), declared.Value + declared.HalfDigit, declared.Value);
    }

    /// <summary>What is printed for a true value, half up; null where no rule says.</summary>
    public static decimal? Print(LabelCountry country, LabelNutrient nutrient, decimal value)
    {
        var band = BandsOf(country, nutrient)?.LastOrDefault(one => one.IsAbove ? value > one.From : value >= one.From);
        return band is null ? null
            : band.Step == 0 ? 0
            : Math.Floor((value / band.Step) + 0.5m) * band.Step;
    }

    private static IEnumerable<LabelInterval> Stretches(Band[] bands, decimal printed)
    {
        for (var at = 0; at < bands.Length; at++)
        {
            var (from, step) = (bands[at].From, bands[at].Step);
            var next = at + 1 < bands.Length ? bands[at + 1] : null;
            if (step == 0)
            {
                if (printed == 0)
                {
                    yield return new(0, next!.From, 0, next.IsAbove);
                }

                continue;
            }

            var (low, high) = (Math.Max(from, printed - (step / 2)), printed + (step / 2));
            var cut = next is not null && high > next.From;
            if (printed % step == 0 && low < (cut ? next!.From : high))
            {
                yield return new(low, cut ? next!.From : high, printed, cut && next!.IsAbove);
            }
        }
    }

    private static Band[]? BandsOf(LabelCountry country, LabelNutrient nutrient) =>
        (country, nutrient) switch
        {
            (LabelCountry.UnitedStates, LabelNutrient.Energy) => AmericanEnergy,
            (LabelCountry.UnitedStates, LabelNutrient.Fat or LabelNutrient.SaturatedFat) => AmericanFat,
            (LabelCountry.UnitedStates, LabelNutrient.Sodium) => AmericanSodium,
            (
                LabelCountry.UnitedStates,
                LabelNutrient.Carbohydrate
                    or LabelNutrient.Fibre
                    or LabelNutrient.Sugars
                    or LabelNutrient.AddedSugars
                    or LabelNutrient.Protein
                    or LabelNutrient.Polyols
                    or LabelNutrient.Allulose
            ) => AmericanGrams,
            (LabelCountry.EuropeanUnion or LabelCountry.UnitedKingdom, LabelNutrient.Energy) => EuropeanEnergy,
            (LabelCountry.EuropeanUnion or LabelCountry.UnitedKingdom, LabelNutrient.SaturatedFat) => EuropeanSaturates,
            (LabelCountry.EuropeanUnion or LabelCountry.UnitedKingdom, LabelNutrient.Salt) => EuropeanSalt,
            (LabelCountry.EuropeanUnion or LabelCountry.UnitedKingdom, not (LabelNutrient.Sodium or LabelNutrient.Salt)) => EuropeanGrams,
            _ => null,
        };
}
