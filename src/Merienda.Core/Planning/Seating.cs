using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;

namespace Merienda.Core.Planning;

/// <summary>What may be put before an eater: a plan does not know recipes and allergies, so it asks.</summary>
/// <param name="Stop">Why an eater may not have a thing; null when nothing stops it.</param>
/// <param name="Lots">The lots of a batch that an eater may have, the one to take first in front.</param>
public sealed record Seating(Func<ServingItem, Guid, Refusal?> Stop, Func<Batch, Guid, IReadOnlyList<Guid>> Lots)
{
    /// <summary>
    /// The lots of a dish that an eater may have: first the variant that is usual for them, then what fits them best, then the dish as it
    /// is written.
    /// </summary>
    /// <param name="recipe">Id of the recipe that the dish is a version of.</param>
    public static Guid[] LotsFor(Eater eater, Guid recipe, RecipeVersion dish, IReadOnlyList<Lot> lots)
    {
        var usual = eater.UsualOf(recipe, dish);
        return
        [
            .. lots.Select(lot => (lot.Id, lot.Variant, Dish: lot.DishOf(dish)))
                .Where(one => eater.Stop(one.Dish.Name, one.Dish.Profile) is null)
                .OrderBy(one => usual is null || one.Variant != usual)
                .ThenBy(one =>
                    lots.Count == 1
                        ? Verdict.Fits
                        : eater.Judge(dish.Name, one.Dish.Profile, dish.Meal).Select(finding => finding.Verdict).RollUp()
                )
                .ThenBy(one => one.Variant is not null)
                .Select(one => one.Id),
        ];
    }
}
