using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Formats.HandOut;
using Merienda.Web.Recipes;

namespace Merienda.Web.Groups;

/// <summary>Everything that is published of a menu: a snapshot, so that nothing of the desk need be read.</summary>
/// <param name="Dishes">Each names its place among the recipes.</param>
/// <param name="Recipes">Those of the dishes, and those that they use.</param>
/// <param name="Uses">For each of them the places of those that it takes some of.</param>
/// <param name="Follows">Names of what its dishes have variants for.</param>
/// <param name="Cautions">Of what many of those follow who share it, and of what has variants.</param>
/// <param name="Enclosed">What goes with it besides its recipes; null in one that was published before anything did.</param>
public sealed record PublishedMenu(
    string Group,
    string Name,
    DateOnly StartsOn,
    int Days,
    string Note,
    IReadOnlyList<MenuTier> Tiers,
    IReadOnlyList<FollowedSheet> Follows,
    IReadOnlyList<HandedCaution> Cautions,
    IReadOnlyList<MenuMeal> Meals,
    IReadOnlyList<PublishedDish> Dishes,
    IReadOnlyList<RecipeToBring> Recipes,
    IReadOnlyList<IReadOnlyList<int>> Uses,
    PublishedEnclosures? Enclosed = null
)
{
    /// <summary>Places of the recipes that some days need, with those that they use; all days when there are none.</summary>
    public HashSet<int> Reached(IReadOnlyList<int> days) =>
        Uses.Reached(Dishes.Where(dish => days.Count == 0 || days.Contains(dish.Day)).Select(dish => dish.Recipe));

    /// <summary>Which meal of other days one of these is: of the same key, else of the same kind, else as it was answered.</summary>
    public string? SlotIn(Rhythm rhythm, string key, HomeAnswers answers) => SlotIn(rhythm, key) ?? answers.SlotOf(key);

    /// <summary>Which of its meals some days have neither under their name nor of their kind.</summary>
    public IEnumerable<MenuMeal> Homeless(Rhythm rhythm, IReadOnlyList<int> days) =>
        Meals.Where(meal =>
            SlotIn(rhythm, meal.Key) is null && Dishes.Any(dish => dish.Meal == meal.Key && (days.Count == 0 || days.Contains(dish.Day)))
        );

    /// <summary>The same without an answer; null where they have none like it.</summary>
    public string? SlotIn(Rhythm rhythm, string key) =>
        rhythm.Meals.Any(slot => slot.Key == key) ? key
        : Meals.FirstOrDefault(one => one.Key == key) is { } meal ? rhythm.Meals.FirstOrDefault(slot => slot.Role == meal.Role)?.Key
        : null;
}

public sealed record PublishedDish(
    int Day,
    string Meal,
    int Recipe,
    IReadOnlyList<TierPortions> Portions,
    IReadOnlyList<StrandVariant> Variants
)
{
    /// <summary>As the desk has it.</summary>
    public MenuDish ToDish() => new(Guid.Empty, Day, Meal, Guid.Empty) { Portions = Portions, Variants = Variants };
}
