using Merienda.Core.Protocols;
using Merienda.Core.Recipes;

namespace Merienda.Core.Groups.Filling;

/// <summary>How a menu stands.</summary>
/// <param name="Open">Meals without a dish.</param>
/// <param name="Fits">Of what its dishes are to all members, how much fits: 0 to 1; null where nobody shares, or nothing is there.</param>
/// <param name="Over">Rules of meals, days and weeks that are not kept.</param>
/// <param name="Tiers">Days, for each tier one, that come to its energy or too close to it to call.</param>
public sealed record MenuStanding(int Open, decimal? Fits, int Over, int Tiers)
{
    public static MenuStanding Of(
        Menu menu,
        IReadOnlyDictionary<Guid, RecipeVersion> recipes,
        IReadOnlyList<Strand> strands,
        IReadOnlyList<MealSlot> meals,
        RuleContext context
    )
    {
        var checks = menu.Dishes.Select(dish => DishCheck.Of(dish, recipes[dish.RecipeVersion], strands).Members).ToList();
        var check = new MenuCheck(menu, recipes, meals);
        var all = checks.Sum(members => members.Values.Sum());
        return new(
            Enumerable
                .Range(0, menu.Days)
                .Sum(day => meals.Count(meal => menu.Dishes.All(dish => (dish.Day, dish.Slot) != (day, meal.Key)))),
            all == 0
                ? null
                : (decimal)checks.Sum(members => members.GetValueOrDefault(Verdict.Fits) + members.GetValueOrDefault(Verdict.TooClose))
                    / all,
            check.Over(strands).Count(found => found.Verdict == Verdict.Breaks),
            check.Tiers(context.Scheme, context.Classes).Count(day => day is { Strands: [], Verdict: Verdict.Fits or Verdict.TooClose })
        );
    }
}

/// <summary>What a search would put on a menu.</summary>
/// <param name="Menu">With it.</param>
/// <param name="Come">The dishes that come.</param>
/// <param name="Go">Those that they take the place of.</param>
public sealed record MenuOffer(Menu Menu, IReadOnlyList<MenuDish> Come, IReadOnlyList<MenuDish> Go)
{
    /// <summary>An answer as dishes, each tier with its portions of what comes.</summary>
    public static MenuOffer Of(
        Menu menu,
        MenuTable table,
        MenuQuestion question,
        MenuAnswer answer,
        IReadOnlyDictionary<Guid, RecipeVersion> recipes
    )
    {
        var changes = question
            .Places.Zip(answer.Dishes)
            .Where(one => one.Second is { } dish && dish != one.First.Now)
            .Select(one => (Place: one.First, Dish: table.DishOf(one.First, one.Second!.Value)))
            .ToList();
        var go = menu.Dishes.Where(dish => changes.Any(one => (one.Place.Day, one.Place.Slot) == (dish.Day, dish.Slot))).ToList();
        var changed = TierSizes.For(
            menu with
            {
                Dishes = [.. menu.Dishes.Except(go), .. changes.Select(one => one.Dish)],
            },
            changes.Select(one => one.Dish.Id).ToHashSet(),
            recipes
        );
        return new(changed, [.. changed.Dishes.Where(dish => changes.Any(one => one.Dish.Id == dish.Id))], go);
    }
}
