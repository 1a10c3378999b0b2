using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Quantities;

namespace Merienda.Core.Foods;

/// <summary>Estimates per 100 g for every additive measure, worked out once for a food version from its declared profile.</summary>
public sealed class FoodNutrition
{
    private readonly Estimate[] _per100;

    private FoodNutrition(Estimate[] per100) => _per100 = per100;

    public Estimate this[Measure measure] => _per100[(int)measure];

    /// <summary>The first kind's values, as wide as all are apart.</summary>
    public static FoodNutrition Spanning(IReadOnlyList<FoodNutrition> kinds) =>
        new([
            .. Enumerable
                .Range(0, MeasureInfo.AdditiveCount)
                .Select(measure => kinds.Select(kind => kind._per100[measure]).Aggregate((held, kind) => held.Or(kind))),
        ]);

    /// <summary>
    /// The same food without some of its fat: with it go its saturated fat and 9 kcal a gram (the energy factor of fat, EU Regulation
    /// 1169/2011 Annex XIV [M]).
    /// </summary>
    /// <param name="kept">Share of the fat that is eaten, 0 to 1.</param>
    public FoodNutrition WithFatKept(decimal kept)
    {
        if (kept == 1)
        {
            return this;
        }

        var fat = this[Measure.Fat];
        var left = (Estimate[])_per100.Clone();
        left[(int)Measure.Fat] = fat * kept;
        left[(int)Measure.SaturatedFat] = this[Measure.SaturatedFat] * kept;
        var energy = this[Measure.Energy];
        var gone = EnergyFactors.Fat * (1 - kept);
        // What is not known of the fat is not known of what is left.
        var best = Math.Max(0, energy.Best - (gone * fat.Best));
        left[(int)Measure.Energy] =
            energy.High is { } high && fat.High is { } most
                ? Estimate.Between(Math.Min(best, Math.Max(0, energy.Low - (gone * fat.Low))), best, Math.Max(best, high - (gone * most)))
                : Estimate.AtLeast(0, fat.IsOpen ? 0 : best);
        return new(left);
    }

    /// <param name="spread">Natural spread of the source as a share: 0.05 for a table food [C], 0 for an exact value.</param>
    /// <param name="isVegetable">Whether the food's own grams count as vegetables.</param>
    public static FoodNutrition From(NutrientProfile profile, decimal spread, bool isVegetable, PolyolCredit credit)
    {
        Estimate Known(decimal? value) => value is { } known ? Estimate.Around(known, spread) : Estimate.Unknown;
        return From(
            new Declared(
                Known(profile.Energy ?? EnergyFactors.PerHundredGrams(profile)),
                Known(profile.Protein),
                Known(profile.Fat),
                profile.SaturatedFat is null ? null : Known(profile.SaturatedFat),
                Known(profile.Carbohydrate),
                profile.Fibre is null ? null : Known(profile.Fibre),
                profile.Sugars is null ? null : Known(profile.Sugars),
                profile.AddedSugars is null ? null : Known(profile.AddedSugars),
                profile.Polyols is null ? null : Known(profile.Polyols),
                Known(profile.Erythritol),
                Known(profile.Alcohol),
                Known(profile.Sodium)
            )
            {
                // It occurs where somebody put it, so a table food without a value has none.
                Allulose = Known(profile.Allulose ?? 0),
            },
            profile.Basis,
            isVegetable,
            credit
        );
    }

    /// <summary>A packet's values with the widths of their rounding, each 100 g of one packet a source of its own.</summary>
    public static FoodNutrition From(Packet packet, bool isVegetable, PolyolCredit credit)
    {
        var label = packet.Label;
        Estimate? Printed(LabelNutrient nutrient) => label.Declares(nutrient) ? label.PerHundredGrams(nutrient) : null;
        // Packets print one value for all polyols; which they are stands in the statement. With others beside it, erythritol gets their
        // smaller credit.
        // A statement that was read through and names none of a kind holds none of it; flavourings hide no polyols, but sugar they may.
        var polyols =
            Printed(LabelNutrient.Polyols) ?? (packet.IsRead && packet.Reading.IsThrough && !packet.Holds("polyol") ? Estimate.Zero : null);
        Estimate? addedSugars = packet.CannotTell.Count == 0 && !packet.Holds("added-sugar") ? Estimate.Zero : null;
        var isErythritol = packet.HasOnlyErythritol;
        // No panel prints alcohol, and flavourings hide a trace of it at most.
        var alcohol = packet.IsRead && !packet.Holds("alcohol") ? Estimate.Zero : Estimate.Unknown;
        return From(
            new Declared(
                Printed(LabelNutrient.Energy) ?? (label.EnergyByFactors is { } computed ? Estimate.Exactly(computed) : Estimate.Unknown),
                Printed(LabelNutrient.Protein) ?? Estimate.Unknown,
                Printed(LabelNutrient.Fat) ?? Estimate.Unknown,
                Printed(LabelNutrient.SaturatedFat),
                Printed(LabelNutrient.Carbohydrate) ?? Estimate.Unknown,
                Printed(LabelNutrient.Fibre),
                Printed(LabelNutrient.Sugars),
                Printed(LabelNutrient.AddedSugars) ?? addedSugars,
                isErythritol ? Estimate.Zero : polyols,
                isErythritol ? polyols ?? Estimate.Unknown : Estimate.Zero,
                alcohol,
                label.PerHundredGrams(LabelNutrient.Sodium)
            )
            {
                Allulose = Printed(LabelNutrient.Allulose) ?? Estimate.Zero,
                // What is neither printed nor named is most likely not there; that nobody can be sure widens the range only.
                HasLikelyNoPolyols = polyols is null && !packet.Holds("polyol"),
            },
            label.Basis,
            isVegetable,
            credit
        );
    }

    /// <summary>Estimates per 100 g as declared; null is not declared.</summary>
    private sealed record Declared(
        Estimate Energy,
        Estimate Protein,
        Estimate Fat,
        Estimate? SaturatedFat,
        Estimate Carbohydrate,
        Estimate? Fibre,
        Estimate? Sugars,
        Estimate? AddedSugars,
        Estimate? Polyols,
        Estimate Erythritol,
        Estimate Alcohol,
        Estimate Sodium
    )
    {
        public Estimate Allulose { get; init; } = Estimate.Zero;

        public bool HasLikelyNoPolyols { get; init; }
    }

    private static FoodNutrition From(Declared declared, LabelBasis basis, bool isVegetable, PolyolCredit credit)
    {
        static Estimate Part(Estimate? value, Estimate whole) =>
            value ?? (whole.High is { } most ? Estimate.Within(0, most) : Estimate.Unknown);

        // On an available basis fibre is not part of the declared value and has no natural bound.
        var fibre =
            basis == LabelBasis.Total
                ? Within(Part(declared.Fibre, declared.Carbohydrate), declared.Carbohydrate)
                : declared.Fibre ?? Estimate.Unknown;
        var sugars = Part(declared.Sugars, declared.Carbohydrate);
        var room = PolyolRoom(declared.Carbohydrate, fibre, sugars, basis);
        var polyols =
            declared.HasLikelyNoPolyols && room.High is { } hidden ? Estimate.Between(0, 0, hidden) : Part(declared.Polyols, room);
        var carbohydrates = Carbohydrates.From(
            declared.Carbohydrate,
            basis,
            fibre,
            polyols,
            declared.Erythritol,
            credit,
            declared.Allulose
        );

        var per100 = new Estimate[MeasureInfo.AdditiveCount];
        per100[(int)Measure.Energy] = declared.Energy;
        per100[(int)Measure.Protein] = declared.Protein;
        per100[(int)Measure.Fat] = declared.Fat;
        per100[(int)Measure.SaturatedFat] = Part(declared.SaturatedFat, declared.Fat);
        per100[(int)Measure.Carbohydrate] = carbohydrates.Total;
        per100[(int)Measure.AvailableCarbohydrate] = carbohydrates.Available;
        per100[(int)Measure.NetCarbohydrate] = carbohydrates.Net;
        per100[(int)Measure.NetCarbohydrateUncredited] = carbohydrates.Uncredited;
        per100[(int)Measure.Fibre] = fibre;
        per100[(int)Measure.Sugars] = sugars;
        per100[(int)Measure.AddedSugars] = Part(declared.AddedSugars, sugars);
        per100[(int)Measure.Polyols] = polyols;
        per100[(int)Measure.Erythritol] = declared.Erythritol;
        per100[(int)Measure.Alcohol] = declared.Alcohol;
        per100[(int)Measure.Sodium] = declared.Sodium;
        per100[(int)Measure.Vegetables] = Estimate.Exactly(isVegetable ? 100 : 0);
        return new(per100);
    }

    /// <summary>A part that rounding shows as more than the whole is at best all of it.</summary>
    private static Estimate Within(Estimate part, Estimate whole) =>
        part.High is not { } high || part.Best <= whole.Best
            ? part
            : Estimate.Between(Math.Min(part.Low, whole.Best), whole.Best, Math.Max(whole.Best, Math.Min(high, whole.High ?? high)));

    // Polyols nobody declared hide at most in what is neither fibre nor sugars.
    private static Estimate PolyolRoom(Estimate declared, Estimate fibre, Estimate sugars, LabelBasis basis)
    {
        if (basis == LabelBasis.AvailableWithoutPolyols || declared.High is not { } most)
        {
            return Estimate.Unknown;
        }

        var fibreInside = basis == LabelBasis.Total ? fibre.Low : 0;
        return Estimate.Exactly(Math.Max(0, most - fibreInside - sugars.Low));
    }
}
