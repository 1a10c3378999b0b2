using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;

namespace Merienda.Core.Claims;

/// <summary>What we count of what a source states.</summary>
internal static class OurNumbers
{
    /// <summary>Null where nothing like it is counted: a part has no points and no minutes of its own.</summary>
    public static Estimate? Of(Claim claim, RecipeVersion dish, PointsScheme scheme)
    {
        var profile = claim.Part is { } part ? dish.ProfileOf([part]) : dish.Profile;
        Estimate? WholeDish(Func<Estimate> of) => claim.Part is null ? of() : null;
        return claim.What switch
        {
            ClaimedValue.Energy => profile.Total(Measure.Energy),
            ClaimedValue.Protein => profile.Total(Measure.Protein),
            ClaimedValue.Fat => profile.Total(Measure.Fat),
            ClaimedValue.SaturatedFat => profile.Total(Measure.SaturatedFat),
            // Whether a source counts fibre in it seldom says.
            ClaimedValue.Carbohydrate => profile.Total(Measure.Carbohydrate).Or(profile.Total(Measure.AvailableCarbohydrate)),
            ClaimedValue.NetCarbohydrate => profile.Total(Measure.NetCarbohydrate),
            ClaimedValue.Fibre => profile.Total(Measure.Fibre),
            ClaimedValue.Sugars => profile.Total(Measure.Sugars),
            ClaimedValue.Sodium => profile.Total(Measure.Sodium),
            ClaimedValue.ProteinShare => ShareOf(profile, Measure.Protein),
            ClaimedValue.FatShare => ShareOf(profile, Measure.Fat),
            ClaimedValue.CarbohydrateShare => ShareOf(profile, Measure.AvailableCarbohydrate),
            ClaimedValue.Points => WholeDish(() => scheme.PointsOf(new Helping(dish.Name, dish.Profile, 1))),
            ClaimedValue.Portions => Estimate.Exactly(dish.Portions),
            ClaimedValue.PortionGrams => WholeDish(() =>
                dish.MadeIn(YieldUnit.Grams) is { } made ? Estimate.Exactly(made / dish.Portions) : dish.Profile.ServedWeight
            )
                is { Low: > 0 } weight
                ? weight
                : null,
            ClaimedValue.HandsOn => Worked(dish) is { Count: > 0 } work && claim.Part is null
                ? Estimate.Exactly(work.Sum(item => item.Task.HandsOn))
                : null,
            ClaimedValue.Minutes => Worked(dish) is { Count: > 0 } work && claim.Part is null
                ? Estimate.Exactly(work.Max(item => item.End))
                : null,
            ClaimedValue.FridgeDays => Estimate.Exactly(dish.KeepingOf(claim.Part is { } name ? [name] : null).FridgeDays),
            _ => throw new ArgumentOutOfRangeException(nameof(claim), claim.What, "There is no such claim."),
        };
    }

    private static IReadOnlyList<ScheduledTask> Worked(RecipeVersion dish) =>
        SessionPlan.Order(CookedDish.Alone(dish, dish.Portions), SessionKitchen.Plain);

    /// <summary>Of the energy by the plain factors, in percent: a nutrient at its least beside the others at their most, and the other way.</summary>
    private static Estimate? ShareOf(PortionProfile profile, Measure nutrient)
    {
        (Measure Measure, decimal Factor)[] all =
        [
            (Measure.Protein, PlainEnergy.Protein),
            (Measure.Fat, PlainEnergy.Fat),
            (Measure.AvailableCarbohydrate, PlainEnergy.Carbohydrate),
        ];
        var each = all.Select(one => (one.Measure, Energy: profile.Total(one.Measure) * one.Factor)).ToList();
        if (each.Exists(one => one.Energy.IsOpen))
        {
            return null;
        }

        var own = each.Find(one => one.Measure == nutrient).Energy;
        var others = each.Where(one => one.Measure != nutrient).Aggregate(Estimate.Zero, (sum, one) => sum + one.Energy);
        return own.Best + others.Best == 0
            ? null
            : Estimate.Between(Percent(own.Low, others.High!.Value), Percent(own.Best, others.Best), Percent(own.High!.Value, others.Low));
    }

    private static decimal Percent(decimal part, decimal rest) => part + rest == 0 ? 0 : part / (part + rest) * 100;
}

/// <summary>Plain energy factors, kcal per g (domain.md section 1): for what states no more than three macros.</summary>
internal static class PlainEnergy
{
    public const decimal Protein = 4,
        Fat = 9,
        Carbohydrate = 4,
        Fibre = 2;
}
