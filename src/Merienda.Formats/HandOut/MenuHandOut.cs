using System.Globalization;
using Merienda.Core.Foods;
using Merienda.Core.Groups;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Formats.HandOut;

/// <param name="Meal">Name of the meal.</param>
/// <param name="Recipe">Its place among the recipes.</param>
public sealed record HandedDish(
    int Day,
    string Meal,
    int Recipe,
    IReadOnlyList<TierPortions> Portions,
    IReadOnlyList<StrandVariant> Variants
)
{
    /// <summary>One where nothing else is said.</summary>
    public decimal PortionsOf(string tier) => Portions.FirstOrDefault(one => one.Tier == tier)?.Portions ?? 1;
}

/// <param name="System">Whose spoons its lines mean.</param>
/// <param name="IsDish">Whether it stands on a day, not only in another recipe.</param>
public sealed record HandedRecipe(RecipeVersion Recipe, MeasureSystem System, bool IsDish);

/// <param name="Aisle">Where it stands.</param>
/// <param name="ForOne">What one eater needs of it; empty where nobody can tell.</param>
/// <param name="ForAll">What all of them need.</param>
public sealed record HandedThing(string Aisle, string Name, string ForOne, string ForAll);

/// <param name="Protocol">Its name.</param>
public sealed record HandedCaution(string Protocol, IReadOnlyList<string> Cautions);

/// <summary>A published menu as it is handed out.</summary>
/// <param name="Version">Which it is, and when it was published.</param>
/// <param name="Changed">What a correction says; empty for the first.</param>
/// <param name="Meals">Names in the order of the day.</param>
/// <param name="NameOf">What a protocol is called.</param>
/// <param name="Eaters">For how many it is written beside one.</param>
public sealed record HandedMenu(
    string Group,
    string Name,
    string Version,
    string Changed,
    string Note,
    DateOnly StartsOn,
    int Days,
    IReadOnlyList<string> Meals,
    IReadOnlyList<MenuTier> Tiers,
    IReadOnlyList<HandedDish> Dishes,
    IReadOnlyList<HandedRecipe> Recipes,
    IReadOnlyList<HandedThing> List,
    IReadOnlyList<HandedCaution> Cautions,
    Func<string, string> NameOf,
    int Eaters
)
{
    internal string DayOf(int day, string form) => StartsOn.AddDays(day).ToString(form, CultureInfo.InvariantCulture);

    /// <summary>A tier by its name, and what its day comes to: "Large (1,600 kcal)".</summary>
    internal static string Called(MenuTier tier) => tier.Name == Kcal(tier) ? $"{tier.Name} kcal" : $"{tier.Name} ({Kcal(tier)} kcal)";

    internal static string Number(decimal value) => Math.Round(value, 2).ToString("0.##", CultureInfo.InvariantCulture);

    private static string Kcal(MenuTier tier) => tier.EnergyKcal.ToString("N0", CultureInfo.InvariantCulture);
}

/// <summary>What members hold in their hands: the menu at a glance, every recipe, what to buy, and what to take care of.</summary>
public static class MenuHandOut
{
    /// <param name="schemes">In which points are counted, at least one.</param>
    public static Document Of(HandedMenu menu, FoodMatcher foods, FoodClasses classes, IReadOnlyList<HandedScheme> schemes)
    {
        var numbers = new HandedNumbers(menu, schemes);
        return new(
            menu.Name,
            "en",
            [
                .. Glance(menu),
                .. menu.Recipes.SelectMany((recipe, at) => Of(menu, recipe, at, foods, classes, numbers)),
                .. numbers.OfDays(),
                .. Bought(menu),
                .. Care(menu),
            ]
        );
    }

    private static IEnumerable<Block> Glance(HandedMenu menu)
    {
        yield return new Heading(1, menu.Name);
        yield return new Paragraph($"{menu.Group}. {menu.Version}", IsSmall: true);
        if (menu.Changed.Length > 0)
        {
            yield return new Paragraph($"Corrected: {menu.Changed}");
        }

        if (menu.Note.Length > 0)
        {
            yield return new Paragraph(menu.Note);
        }

        yield return new Grid(
            ["", .. menu.Meals.Select(Capital)],
            [
                .. Enumerable
                    .Range(0, menu.Days)
                    .Select(
                        IReadOnlyList<string> (day) =>
                            [
                                menu.DayOf(day, "ddd d MMM"),
                                .. menu.Meals.Select(meal =>
                                    string.Join(
                                        '\n',
                                        menu.Dishes.Where(dish => dish.Day == day && dish.Meal == meal)
                                            .Select(dish => menu.Recipes[dish.Recipe].Recipe.Name)
                                    )
                                ),
                            ]
                    ),
            ],
            [.. Enumerable.Range(1, menu.Meals.Count)]
        );
        if (HowMuch(menu) is { Rows.Count: > 0 } amounts)
        {
            yield return new Heading(3, "How much of it, and for whom it is made otherwise");
            yield return amounts;
            yield return new Paragraph("Of what does not stand here everybody has one portion, as written.", IsSmall: true);
        }
    }

    /// <summary>Portions by tier and variants by what is followed, once for dishes of which the same is said.</summary>
    private static Grid HowMuch(HandedMenu menu) =>
        new(
            ["Dish", .. menu.Tiers.Select(HandedMenu.Called), "Made otherwise"],
            [
                .. menu
                    .Dishes.Where(dish => dish.Portions.Count > 0 || dish.Variants.Count > 0)
                    .GroupBy(dish => (dish.Recipe, Amounts: string.Join(' ', Amounts(menu, dish)), Made: Made(menu, dish)))
                    .Select(
                        IReadOnlyList<string> (same) =>
                            [menu.Recipes[same.Key.Recipe].Recipe.Name, .. Amounts(menu, same.First()), same.Key.Made]
                    ),
            ],
            [0, menu.Tiers.Count + 1]
        );

    private static IEnumerable<string> Amounts(HandedMenu menu, HandedDish dish) =>
        menu.Tiers.Select(tier => dish.PortionsOf(tier.Name)).Select(portions => portions == 0 ? "none" : HandedMenu.Number(portions));

    private static string Made(HandedMenu menu, HandedDish dish) =>
        string.Join(
            '\n',
            dish.Variants.GroupBy(one => one.Variant)
                .Select(same => $"{same.Key}: {string.Join(", ", same.Select(one => menu.NameOf(one.Protocol)))}")
        );

    private static IEnumerable<Block> Of(
        HandedMenu menu,
        HandedRecipe handed,
        int at,
        FoodMatcher foods,
        FoodClasses classes,
        HandedNumbers numbers
    )
    {
        var recipe = handed.Recipe;
        if (at == 0)
        {
            yield return new NewPage();
        }

        yield return new Heading(2, recipe.Name);
        yield return new Paragraph($"{On(menu, at)}Makes {HandedMenu.Number(recipe.Portions)} portions as written.", IsSmall: true);
        var (one, all) = (
            Scaling.Of(recipe, 1 / recipe.Portions, foods, handed.System),
            Scaling.Of(recipe, menu.Eaters / recipe.Portions, foods, handed.System)
        );
        foreach (var part in recipe.PartNames)
        {
            var lines = Enumerable.Range(0, recipe.Lines.Count).Where(line => recipe.Lines[line].Part == part).ToList();
            yield return new Grid(
                [part.Length > 0 ? part : "For", "1 portion", $"{menu.Eaters} portions"],
                [.. lines.Select(IReadOnlyList<string> (line) => [recipe.Lines[line].Name, Text(one[line]), Text(all[line])])]
            );
        }

        if (recipe.Tasks.Count > 0)
        {
            yield return new Items([.. recipe.Tasks.Select(task => task.Text.ReplaceLineEndings(" "))], IsNumbered: true);
        }

        var days = recipe.KeepingOf(null).FridgeDays;
        yield return new Items([
            $"Keeps {days} {(days == 1 ? "day" : "days")} in the fridge, the day of cooking not counted.",
            .. recipe.Reheating.Length > 0 ? [$"To reheat: {recipe.Reheating}"] : Array.Empty<string>(),
            .. recipe.SaidAtEating(null),
            Allergens(recipe, classes),
        ]);
        yield return numbers.OfRecipe(at);
        foreach (var variant in recipe.Variants)
        {
            yield return new Paragraph(
                $"{variant.Name}: {string.Join(", ", VariantWords.Of(variant, recipe, 1, grams => $"{HandedMenu.Number(grams)} g"))}.",
                IsSmall: true
            );
        }
    }

    private static IEnumerable<Block> Bought(HandedMenu menu)
    {
        if (menu.List.Count == 0)
        {
            yield break;
        }

        yield return new NewPage();
        yield return new Heading(2, "What to buy");
        yield return new Paragraph(
            $"For one portion of each dish on each of its days, and for {menu.Eaters}. What you have at home is not taken off.",
            IsSmall: true
        );
        foreach (var aisle in menu.List.GroupBy(thing => thing.Aisle))
        {
            yield return new Grid(
                [Capital(aisle.Key), "For 1", $"For {menu.Eaters}"],
                [.. aisle.Select(IReadOnlyList<string> (thing) => [thing.Name, thing.ForOne, thing.ForAll])],
                [0]
            );
        }
    }

    private static IEnumerable<Block> Care(HandedMenu menu)
    {
        yield return new Heading(2, "Take care");
        yield return new Items([
            "Hot food cools from 57 to 21 °C within 2 hours and to 5 °C within 6 hours in all: spread it shallow before the lids go on.",
            "Reheat to 74 °C all through. What will not be eaten within its days is frozen on the day it is cooked.",
            "Whoever has an allergy reads every packet: what a recipe only names may be made differently.",
        ]);
        foreach (var caution in menu.Cautions.Where(one => one.Cautions.Count > 0))
        {
            yield return new Heading(3, caution.Protocol);
            yield return new Items(caution.Cautions);
        }
    }

    private static string Allergens(RecipeVersion recipe, FoodClasses classes)
    {
        var held = recipe.Ingredients.Select(line => line.Food).OfType<Food>().ToList();
        var unread = recipe.Ingredients.Where(line => line.Food is null).Select(line => line.Name).Distinct().ToList();
        var named = classes.AllergensOf(held);
        return $"Allergens: {(named.Count == 0 ? "none of the 14 in what is known" : string.Join(", ", named))}{(unread.Count > 0 ? $"; nobody can tell of {string.Join(", ", unread)}" : "")}.";
    }

    private static string Text(ScaledLine line) =>
        line.Note is { } note ? $"{line.Line.Read.Text.Trim()}\n({note})" : line.Line.Read.Text.Trim();

    /// <summary>"Sunday and Tuesday supper. "</summary>
    private static string On(HandedMenu menu, int recipe) =>
        string.Concat(
            menu.Dishes.Where(dish => dish.Recipe == recipe)
                .GroupBy(dish => dish.Meal)
                .Select(meal =>
                    $"{Capital(meal.Key)} on {string.Join(", ", meal.Select(dish => dish.Day).Distinct().Order().Select(day => menu.DayOf(day, "ddd")))}. "
                )
        );

    private static string Capital(string word) =>
        word.Length == 0 ? word : $"{char.ToUpper(word[0], CultureInfo.InvariantCulture)}{word[1..]}";
}
