using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Swaps;

namespace Merienda.Core.Groups;

/// <summary>A change of a dish of a menu, and whom the dish suits with it.</summary>
/// <param name="After">For everybody who has the dish as it is written.</param>
/// <param name="FitsMore">For how many more it fits.</param>
public sealed record DishMend(Swap Swap, DishCheck After, int FitsMore)
{
    /// <summary>Rules that are tried to be mended, those that most members hear of first.</summary>
    private const int MostRules = 8;

    /// <summary>
    /// The changes that make a dish fit for most of those for whom it does not, at most three; none that makes it fit for nobody more. Each is
    /// sought for those who hear of one rule, and judged for everybody. Who has a variant of it is not asked.
    /// </summary>
    /// <param name="recipe">As the dish is written.</param>
    public static IReadOnlyList<DishMend> Of(
        MenuDish dish,
        RecipeVersion recipe,
        IReadOnlyList<Strand> strands,
        FoodMatcher foods,
        MeasureSystem system
    )
    {
        var (written, plain) = (
            dish with
            {
                Variants = [],
            },
            strands.Where(strand => dish.VariantFor(strand.Protocols, recipe) is null).ToList()
        );
        var before = DishCheck.Of(written, recipe, plain);
        return
        [
            .. Troubles(written, recipe, plain)
                .SelectMany(trouble => SwapSearch.For(recipe, trouble.Of.Eater, trouble.Rule, foods, system))
                .DistinctBy(swap => SwapSearch.Key(swap))
                .Select(swap =>
                {
                    var after = DishCheck.Of(written, swap.Of(recipe), plain);
                    return new DishMend(swap, after, Fitting(after) - Fitting(before));
                })
                .Where(mend => mend.FitsMore > 0)
                .OrderByDescending(mend => mend.FitsMore)
                .ThenBy(mend => mend.After.Members.GetValueOrDefault(Verdict.Breaks))
                .ThenBy(mend => mend.Swap.Grams)
                .Take(3),
        ];
    }

    private static int Fitting(DishCheck check) => check.Members.GetValueOrDefault(Verdict.Fits);

    /// <summary>Rules that break or can't be told, each with the largest strand that hears of it.</summary>
    private static IEnumerable<(Strand Of, Rule Rule)> Troubles(MenuDish dish, RecipeVersion recipe, List<Strand> strands) =>
        strands
            .SelectMany(strand =>
                strand
                    .Eater.Rules.Rules.Where(rule =>
                    {
                        var portion = Intake.Of(new Helping(recipe.Name, recipe.Profile, strand.Eater.PortionHabit));
                        var context = strand.Eater.Rules.Context with { Meal = strand.Eater.Rhythm.Meal(dish.Slot)?.Role };
                        var finding = rule.CheckPortion(portion, strand.Eater.ShareOf(dish.Slot), context);
                        return finding is { Verdict: Verdict.Breaks or Verdict.CannotTell, NeedsAllowance: false };
                    })
                    .Select(rule => (Strand: strand, Rule: rule))
            )
            .GroupBy(one => one.Rule)
            .OrderByDescending(same => same.Sum(one => one.Strand.Members))
            .Take(MostRules)
            .Select(same => same.MaxBy(one => one.Strand.Members))
            .Select(one => (one.Strand, one.Rule));
}
