using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Web.Recipes;

namespace Merienda.Web.Groups;

/// <summary>Menus as the desk draws them, and as they are published.</summary>
internal static class MenuSheets
{
    private sealed record Named(Guid Recipe, string Name, bool IsNewest);

    public static Reading<IReadOnlyList<MenuSheet>> All(MenuStore menus) =>
        menus
            .All.And(Names)
            .And(HouseholdStore.SetUp)
            .Select<IReadOnlyList<MenuSheet>>(read =>
                [.. read.First.First.Menus.Select(menu => Of(menu, read.First.First, read.First.Second, read.Second.Rhythm))]
            );

    public static Reading<MenuSheet> One(MenuStore menus, Guid id) => All(menus).Select(all => all.First(menu => menu.Id == id));

    /// <summary>What members read: recipes written down whole, each once, those that others use too.</summary>
    public static PublishedMenu Published(Menu menu, string group, IReadOnlyDictionary<Guid, StoredRecipe> recipes, Household household)
    {
        var order = recipes.Keys.ToList();
        return new(
            group,
            menu.Name,
            menu.StartsOn,
            menu.Days,
            menu.Note,
            MealsOf(household.Rhythm, menu),
            [.. menu.Dishes.Select(dish => new PublishedDish(dish.Day, dish.Slot, order.IndexOf(dish.RecipeVersion)))],
            [.. order.Select(id => BroughtRecipes.Of(recipes[id]))],
            [
                .. order.Select(
                    IReadOnlyList<int> (id) => [.. recipes[id].Version.Uses.Select(use => order.IndexOf(use.Of.Version)).Distinct()]
                ),
            ]
        );
    }

    private static MenuSheet Of(Menu menu, DeskMenus desk, IReadOnlyDictionary<Guid, Named> names, Rhythm rhythm) =>
        new(
            menu.Id,
            menu.Name,
            menu.StartsOn,
            menu.Days,
            menu.Note,
            MealsOf(rhythm, menu),
            [
                .. menu.Dishes.Select(dish => new DraftDish(
                    dish.Id,
                    dish.Day,
                    dish.Slot,
                    names[dish.RecipeVersion].Recipe,
                    names[dish.RecipeVersion].Name,
                    !names[dish.RecipeVersion].IsNewest
                )),
            ],
            [.. desk.Issues[menu.Id].Select(issue => new IssueSheet(issue.Number, issue.PublishedAt, issue.By, issue.Changed))]
        );

    /// <summary>The day's meals, and a former one that still has a dish.</summary>
    private static IReadOnlyList<MenuMeal> MealsOf(Rhythm rhythm, Menu menu) =>
        [
            .. rhythm
                .Slots.Where(slot => !slot.IsFormer || menu.Dishes.Any(dish => dish.Slot == slot.Key))
                .Select(slot => new MenuMeal(slot.Key, slot.Name)),
        ];

    private static readonly Reading<IReadOnlyDictionary<Guid, Named>> Names = Reading.Of<IReadOnlyDictionary<Guid, Named>>(
        """
        select distinct version.id, recipe.id, version.name, recipe.version_id = version.id from menu_dish dish
        join recipe_version version on version.household_id = dish.household_id and version.id = dish.recipe_version_id
        join recipe on recipe.household_id = version.household_id and recipe.id = version.recipe_id
        where dish.household_id = app_household();
        """,
        null,
        async rows =>
            (await rows.ReadAsync<(Guid Version, Guid Recipe, string Name, bool IsNewest)>()).ToDictionary(
                row => row.Version,
                row => new Named(row.Recipe, row.Name, row.IsNewest)
            )
    );
}
