using System.Globalization;
using Merienda.Core.Recipes;

namespace Merienda.Core.Claims;

/// <summary>Stated values that no dish can have together (domain.md sections 1 and 11).</summary>
internal static class ImpossibleClaims
{
    /// <summary>A stated energy is queried from so much off on, as a share of it and in kcal (domain.md section 1).</summary>
    private const decimal EnergyShare = 0.1m,
        EnergyUnits = 20;

    /// <summary>Shares are rounded to whole percents; off by no more than this they are the grams' [C].</summary>
    private const decimal ShareUnits = 2;

    /// <summary>The most that 1 g of food has, kcal: it is all fat.</summary>
    private const decimal MostEnergyOfGram = PlainEnergy.Fat;

    /// <param name="claims">Of one dish.</param>
    public static IEnumerable<(Claim Claim, string Because)> In(IReadOnlyList<Claim> claims)
    {
        var stated = claims.DistinctBy(claim => claim.What).ToDictionary(claim => claim.What);
        return [.. ByGrams(stated), .. ByShares(stated), .. Larger(stated), .. Heavier(stated)];
    }

    /// <summary>Energy of the parts against that of the whole.</summary>
    /// <param name="claims">Of one dish and its parts.</param>
    public static IEnumerable<(Claim Claim, string Because)> InParts(IReadOnlyList<Claim> claims)
    {
        var parts = claims.Where(claim => claim is { What: ClaimedValue.Energy, Part: not null }).ToList();
        if (parts.Count > 1 && claims.FirstOrDefault(claim => claim is { What: ClaimedValue.Energy, Part: null }) is { } whole)
        {
            var sum = parts.Sum(part => part.Value);
            if (IsOff(sum, whole.Value))
            {
                yield return (
                    whole,
                    $"{string.Join(" and ", parts.Select(part => $"{Number(part.Value)}"))} kcal of its parts make {Number(sum)}, not {Number(whole.Value)}."
                );
            }
        }
    }

    private static IEnumerable<(Claim, string)> ByGrams(Dictionary<ClaimedValue, Claim> stated)
    {
        if (Macros(stated) is not { } macros || !stated.TryGetValue(ClaimedValue.Energy, out var energy))
        {
            yield break;
        }

        // A carbohydrate with fibre in it has less energy than one without.
        var fibre = stated.TryGetValue(ClaimedValue.Fibre, out var said) ? Math.Min(said.Value, macros.Carbohydrate) : 0;
        var least = macros.Energy - (fibre * (PlainEnergy.Carbohydrate - PlainEnergy.Fibre));
        var most = macros.Energy + (fibre * PlainEnergy.Fibre);
        var nearest = Math.Clamp(energy.Value, least, most);
        if (IsOff(nearest, energy.Value))
        {
            yield return (
                energy,
                $"{Grams(macros.Protein)} protein, {Grams(macros.Fat)} fat and {Grams(macros.Carbohydrate)} carbs make {Number(nearest)} kcal, not {Number(energy.Value)}: {Percent(Math.Abs(nearest - energy.Value) / energy.Value * 100)} off."
            );
        }
    }

    private static IEnumerable<(Claim, string)> ByShares(Dictionary<ClaimedValue, Claim> stated)
    {
        (ClaimedValue Share, string Name, Func<MacroGrams, decimal> Energy)[] kinds =
        [
            (ClaimedValue.ProteinShare, "protein", macros => macros.Protein * PlainEnergy.Protein),
            (ClaimedValue.FatShare, "fat", macros => macros.Fat * PlainEnergy.Fat),
            (ClaimedValue.CarbohydrateShare, "carbs", macros => macros.Carbohydrate * PlainEnergy.Carbohydrate),
        ];
        var said = kinds.Where(kind => stated.ContainsKey(kind.Share)).ToList();
        if (said.Sum(kind => stated[kind.Share].Value) > 100 + ShareUnits)
        {
            yield return (stated[said[0].Share], $"The shares add up to {Percent(said.Sum(kind => stated[kind.Share].Value))}.");
        }

        if (Macros(stated) is not { Energy: > 0 } macros)
        {
            yield break;
        }

        var off = said.Select(kind => (kind.Name, Claim: stated[kind.Share], True: kind.Energy(macros) / macros.Energy * 100))
            .Where(one => Math.Abs(one.Claim.Value - one.True) > ShareUnits)
            .ToList();
        foreach (var one in off)
        {
            var swapped = off.Find(other =>
                other.Name != one.Name
                && Math.Abs(one.Claim.Value - other.True) <= ShareUnits
                && Math.Abs(other.Claim.Value - one.True) <= ShareUnits
            );
            yield return (
                one.Claim,
                swapped.Name is null
                    ? $"By the grams {Percent(one.True)} of the energy is {one.Name}, not {Percent(one.Claim.Value)}."
                    : $"The shares of {one.Name} and {swapped.Name} are swapped: by the grams {Percent(one.True)} is {one.Name} and {Percent(swapped.True)} {swapped.Name}."
            );
        }
    }

    /// <summary>A part of something that is more than all of it.</summary>
    private static IEnumerable<(Claim, string)> Larger(Dictionary<ClaimedValue, Claim> stated)
    {
        (ClaimedValue Part, ClaimedValue Whole)[] pairs =
        [
            (ClaimedValue.SaturatedFat, ClaimedValue.Fat),
            (ClaimedValue.NetCarbohydrate, ClaimedValue.Carbohydrate),
            (ClaimedValue.Sugars, ClaimedValue.Carbohydrate),
            (ClaimedValue.HandsOn, ClaimedValue.Minutes),
        ];
        return pairs
            .Where(pair =>
                stated.TryGetValue(pair.Part, out var part) && stated.TryGetValue(pair.Whole, out var whole) && part.Value > whole.Value
            )
            .Select(pair =>
                (
                    stated[pair.Part],
                    $"{ClaimInfo.Of(pair.Part).Show(stated[pair.Part].Value)} cannot be part of {ClaimInfo.Of(pair.Whole).Show(stated[pair.Whole].Value)} ({ClaimInfo.Of(pair.Whole).Name.ToLowerInvariant()})."
                )
            );
    }

    private static IEnumerable<(Claim, string)> Heavier(Dictionary<ClaimedValue, Claim> stated)
    {
        if (!stated.TryGetValue(ClaimedValue.PortionGrams, out var size))
        {
            yield break;
        }

        if (Macros(stated) is { } macros && macros.Protein + macros.Fat + macros.Carbohydrate > size.Value)
        {
            yield return (size, $"Its protein, fat and carbs weigh {Grams(macros.Protein + macros.Fat + macros.Carbohydrate)} together.");
        }

        if (stated.TryGetValue(ClaimedValue.Energy, out var energy) && energy.Value > size.Value * MostEnergyOfGram)
        {
            yield return (energy, $"{Grams(size.Value)} of anything have at most {Number(size.Value * MostEnergyOfGram)} kcal.");
        }
    }

    private sealed record MacroGrams(decimal Protein, decimal Fat, decimal Carbohydrate)
    {
        public decimal Energy => (Protein * PlainEnergy.Protein) + (Fat * PlainEnergy.Fat) + (Carbohydrate * PlainEnergy.Carbohydrate);
    }

    private static MacroGrams? Macros(Dictionary<ClaimedValue, Claim> stated) =>
        stated.TryGetValue(ClaimedValue.Protein, out var protein)
        && stated.TryGetValue(ClaimedValue.Fat, out var fat)
        && (
            stated.TryGetValue(ClaimedValue.Carbohydrate, out var carbohydrate)
            || stated.TryGetValue(ClaimedValue.NetCarbohydrate, out carbohydrate)
        )
            ? new(protein.Value, fat.Value, carbohydrate.Value)
            : null;

    private static bool IsOff(decimal computed, decimal declared) =>
        Math.Abs(computed - declared) is var off && off > EnergyUnits && off > EnergyShare * declared;

    private static string Number(decimal value) =>
        Math.Round(value, MidpointRounding.AwayFromZero).ToString("#,0", CultureInfo.InvariantCulture);

    private static string Grams(decimal value) => $"{Math.Round(value, 1).ToString("0.#", CultureInfo.InvariantCulture)} g";

    private static string Percent(decimal value) => $"{Math.Round(value, 1).ToString("0.#", CultureInfo.InvariantCulture)} %";
}
