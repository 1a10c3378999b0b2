using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;

namespace Merienda.Core.Groups.Filling;

/// <summary>How much each tier has of the dishes that came on a day, so that the day comes close to what the tier is to have.</summary>
public static class TierSizes
{
    private static readonly decimal[] Sizes = [0.5m, 0.75m, 1, 1.25m, 1.5m];

    /// <param name="come">The dishes whose portions may be chosen; the day's others stay.</param>
    /// <param name="recipes">By version.</param>
    public static Menu For(Menu menu, IReadOnlySet<Guid> come, IReadOnlyDictionary<Guid, RecipeVersion> recipes)
    {
        var sized = menu.Dishes.ToDictionary(dish => dish.Id, _ => new List<TierPortions>());
        foreach (var tier in menu.Tiers)
        {
            foreach (var day in menu.Dishes.GroupBy(dish => dish.Day))
            {
                var free = day.Where(dish => come.Contains(dish.Id)).ToList();
                var placed = day.Except(free).Sum(dish => Energy(dish) * dish.PortionsFor(tier.Name));
                foreach (var (dish, size) in free.Zip(Best(free, tier.EnergyKcal - placed)).Where(one => one.Second != 1))
                {
                    sized[dish.Id].Add(new(tier.Name, size));
                }
            }
        }

        return menu with
        {
            Dishes = [.. menu.Dishes.Select(dish => come.Contains(dish.Id) ? dish with { Portions = sized[dish.Id] } : dish)],
        };

        decimal Energy(MenuDish dish) =>
            Intake.Of(new Helping("", recipes[dish.RecipeVersion].Profile, 1)).Value(Measure.Energy, null).Best;

        // One portion of each where that is as near as any.
        IReadOnlyList<decimal> Best(List<MenuDish> free, decimal energy) =>
            Every(free.Count)
                .MinBy(sizes =>
                    (Math.Abs(free.Zip(sizes, (dish, size) => Energy(dish) * size).Sum() - energy), sizes.Sum(size => Math.Abs(size - 1)))
                )!;
    }

    private static IEnumerable<IReadOnlyList<decimal>> Every(int dishes) =>
        dishes == 0
            ?
            [
                [],
            ]
            : Every(dishes - 1).SelectMany(rest => Sizes.Select(size => (IReadOnlyList<decimal>)[.. rest, size]));
}
