using System.Text.Json;
using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Formats.HandOut;
using Merienda.Storage;
using Merienda.Web.Recipes;

namespace Merienda.Web.Groups;

/// <summary>Menus as the desk draws them, and as they are published.</summary>
internal static class MenuSheets
{
    private sealed class Named
    {
        public Guid Version { get; init; }

        public Guid Recipe { get; init; }

        public string Name { get; init; } = "";

        public bool IsNewest { get; init; }

        public bool IsPutAway { get; init; }

        public string[] Variants { get; init; } = [];
    }

    public static Reading<IReadOnlyList<MenuSheet>> All(MenuStore menus) =>
        menus
            .All.And(Names)
            .And(HouseholdStore.SetUp)
            .Select<IReadOnlyList<MenuSheet>>(read =>
                [.. read.First.First.Menus.Select(menu => Of(menu, read.First.First, read.First.Second, read.Second.Rhythm))]
            );

    public static Reading<MenuSheet> One(MenuStore menus, Guid id) => All(menus).Select(all => all.First(menu => menu.Id == id));

    /// <summary>What members read: recipes written down whole, each once, those that others use too.</summary>
    /// <param name="desk">What the desk has; its table names protocols.</param>
    /// <param name="shares">What members follow: of what more than a few do, the cautions go with the menu.</param>
    /// <param name="encloses">Which kinds of the desk's things go with it.</param>
    public static MenuToPublish ToPublish(
        Menu menu,
        string group,
        IReadOnlyDictionary<Guid, StoredRecipe> recipes,
        Household household,
        EnclosureHome desk,
        IReadOnlyList<GroupShare> shares,
        IReadOnlyCollection<EnclosedKind> encloses,
        JsonSerializerOptions json
    )
    {
        var things = EnclosureEndpoints.Of(recipes, desk).Only(encloses);
        return new(
            JsonSerializer.SerializeToNode(Published(menu, group, recipes, household, desk.Table, shares, things), json)!,
            EnclosureSheets.Prints(things)
        );
    }

    private static PublishedMenu Published(
        Menu menu,
        string group,
        IReadOnlyDictionary<Guid, StoredRecipe> recipes,
        Household household,
        Core.Planning.Table table,
        IReadOnlyList<GroupShare> shares,
        Enclosures things
    )
    {
        var made = menu.Dishes.SelectMany(dish => dish.Variants).Select(one => one.Protocol).Distinct().ToList();
        var followed = shares
            .SelectMany(share => share.Protocols)
            .GroupBy(id => id)
            .Where(many => DishCheck.Said(many.Count()) is not null)
            .Select(many => many.Key);
        var order = recipes.Keys.ToList();
        return new(
            group,
            menu.Name,
            menu.StartsOn,
            menu.Days,
            menu.Note,
            menu.Tiers,
            [.. made.Select(id => new FollowedSheet(id, NameOf(id, table)))],
            [
                .. made.Union(followed)
                    .Select(table.Latest)
                    .OfType<ProtocolEdition>()
                    .Where(edition => edition.Protocol.Cautions.Count > 0)
                    .Select(edition => new HandedCaution(edition.Protocol.Name, edition.Protocol.Cautions))
                    .OrderBy(caution => caution.Protocol, StringComparer.Ordinal),
            ],
            MealsOf(household.Rhythm, menu),
            [
                .. menu.Dishes.Select(dish => new PublishedDish(
                    dish.Day,
                    dish.Slot,
                    order.IndexOf(dish.RecipeVersion),
                    dish.Portions,
                    dish.Variants
                )),
            ],
            [.. order.Select(id => BroughtRecipes.Of(recipes[id]))],
            [
                .. order.Select(
                    IReadOnlyList<int> (id) => [.. recipes[id].Version.Uses.Select(use => order.IndexOf(use.Of.Version)).Distinct()]
                ),
            ],
            PublishedEnclosures.Of(things)
        );
    }

    private static MenuSheet Of(Menu menu, DeskMenus desk, IReadOnlyDictionary<Guid, Named> names, Rhythm rhythm) =>
        new(
            menu.Id,
            menu.Name,
            menu.StartsOn,
            menu.Days,
            menu.Note,
            menu.DeskNote,
            menu.Tiers,
            MealsOf(rhythm, menu),
            [
                .. menu.Dishes.Select(dish => new DraftDish(
                    dish.Id,
                    dish.Day,
                    dish.Slot,
                    names[dish.RecipeVersion].Recipe,
                    names[dish.RecipeVersion].Name,
                    !names[dish.RecipeVersion].IsNewest,
                    names[dish.RecipeVersion].IsPutAway,
                    dish.Portions,
                    dish.Variants,
                    names[dish.RecipeVersion].Variants
                )),
            ],
            [.. desk.Issues[menu.Id].Select(issue => new IssueSheet(issue.Number, issue.PublishedAt, issue.By, issue.Changed))]
        );

    /// <summary>What a protocol is called here.</summary>
    public static string NameOf(string protocol, Core.Planning.Table table) => table.Latest(protocol)?.Protocol.Name ?? protocol;

    /// <summary>The day's meals, and a former one that still has a dish.</summary>
    private static IReadOnlyList<MenuMeal> MealsOf(Rhythm rhythm, Menu menu) =>
        [
            .. rhythm
                .Slots.Where(slot => !slot.IsFormer || menu.Dishes.Any(dish => dish.Slot == slot.Key))
                .Select(slot => new MenuMeal(slot.Key, slot.Name, slot.Role)),
        ];

    private static readonly Reading<IReadOnlyDictionary<Guid, Named>> Names = Reading.Of<IReadOnlyDictionary<Guid, Named>>(
        """
        select version.id as version, recipe.id as recipe, version.name, recipe.version_id = version.id as is_newest,
            recipe.archived_at is not null as is_put_away,
            array(select variant.name from recipe_variant variant where variant.household_id = version.household_id
                and variant.recipe_version_id = version.id order by variant.position) as variants
        from recipe_version version
        join recipe on recipe.household_id = version.household_id and recipe.id = version.recipe_id
        where version.household_id = app_household()
            and version.id in (select recipe_version_id from menu_dish where household_id = app_household());
        """,
        null,
        async rows => (await rows.ReadAsync<Named>()).ToDictionary(row => row.Version)
    );
}
