using System.Text.Json.Nodes;
using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>One published version of a menu.</summary>
/// <param name="By">Name of the one who published it.</param>
/// <param name="Changed">What a correction says of what it changes; empty for the first.</param>
public sealed record MenuIssue(Guid Menu, int Number, DateTimeOffset PublishedAt, string By, string Changed);

/// <summary>A desk's menus, newest first, with what was published of each, the last version first.</summary>
public sealed record DeskMenus(string? Desk, IReadOnlyList<Menu> Menus, ILookup<Guid, MenuIssue> Issues)
{
    public Menu? WithId(Guid id) => Menus.FirstOrDefault(menu => menu.Id == id);
}

/// <summary>A menu as it is published.</summary>
/// <param name="Content">Everything that a member needs.</param>
/// <param name="Brings">What goes with it.</param>
public sealed record MenuToPublish(JsonNode Content, IReadOnlyList<Enclosed> Brings);

/// <summary>Menus of a group: drafted at its desk, published, read by its members.</summary>
public sealed class MenuStore(EditDoor door, RecipeVersions versions)
{
    public const int MostMenus = 200;

    /// <summary>What a desk has drafted and published.</summary>
    public Reading<DeskMenus> All { get; } =
        GroupStore
            .Desk.And(
                Reading.Of(
                    """
                    select id, name, starts_on, days, note, tiers::text, desk_note from menu where household_id = app_household() order by starts_on desc, id desc;
                    select id, menu_id, day, slot, recipe_version_id, portions::text, variants::text from menu_dish
                    where household_id = app_household() order by day, id;
                    select menu_id as menu, number, published_at, display_name as by, changed from menu_version join account on account.id = published_by
                    where household_id = app_household() order by menu_id, number desc;
                    """,
                    null,
                    async rows =>
                    {
                        var menus = (
                            await rows.ReadAsync<(
                                Guid Id,
                                string Name,
                                DateOnly StartsOn,
                                int Days,
                                string Note,
                                string Tiers,
                                string? DeskNote
                            )>()
                        )
                            .Select(row => new MenuRow(
                                row.Id,
                                row.Name,
                                row.StartsOn,
                                row.Days,
                                row.Note,
                                RowJson.Read<List<MenuTier>>(row.Tiers),
                                row.DeskNote
                            ))
                            .ToList();
                        var dishes = (
                            await rows.ReadAsync<(
                                Guid Id,
                                Guid Menu,
                                int Day,
                                string Slot,
                                Guid Version,
                                string Portions,
                                string Variants
                            )>()
                        ).ToLookup(
                            row => row.Menu,
                            row => new MenuDish(row.Id, row.Day, row.Slot, row.Version)
                            {
                                Portions = RowJson.Read<List<TierPortions>>(row.Portions),
                                Variants = RowJson.Read<List<StrandVariant>>(row.Variants),
                            }
                        );
                        return (
                            Menus: menus.Select(row => Of(row, dishes[row.Id])).ToList(),
                            Issues: (await rows.ReadAsync<MenuIssue>()).ToLookup(issue => issue.Menu)
                        );
                    }
                )
            )
            .Select(read => new DeskMenus(read.First, read.Second.Menus, read.Second.Issues));

    /// <summary>The same with the recipes of one menu as they were when they were put there, and those that they use.</summary>
    public Reading<(DeskMenus Menus, IReadOnlyDictionary<Guid, StoredRecipe> Recipes)> WithDishes(Guid menu) =>
        All.And(Reading.Of(LarderState.Select, null, LarderState.Take))
            .Then(
                async (scope, read) =>
                {
                    var ids = (read.First.WithId(menu)?.Dishes ?? []).Select(dish => dish.RecipeVersion).ToList();
                    var found = await versions.Of(scope, ids, read.Second);
                    var used = found.Values.SelectMany(recipe => UsedBy(recipe.Version)).Except(ids).ToList();
                    return (read.First, used.Count == 0 ? found : await versions.Of(scope, ids.Concat(used), read.Second));
                }
            );

    private static IEnumerable<Guid> UsedBy(RecipeVersion recipe) =>
        recipe.Uses.SelectMany(use => UsedBy(use.Of.Of).Prepend(use.Of.Version));

    /// <summary>Changes a menu, or begins one.</summary>
    /// <param name="menu">Id of the menu; null for one that is begun.</param>
    /// <param name="decide">The menu as it is then, by how it was and the desk's meals, or why not.</param>
    public Task<Result<Edited<TView>>> Change<TView>(
        EditStamp stamp,
        Guid? menu,
        Func<Menu, string> summary,
        Func<Menu?, IReadOnlyCollection<string>, Result<Menu>> decide,
        Func<Guid, Reading<TView>> view
    ) =>
        door.Edit<(DeskMenus Menus, Core.Planning.Household Household), Guid, TView>(
            stamp,
            Journal.Menu,
            All.And(TableReading.Household),
            locked =>
            {
                var before = menu is { } id ? locked.Menus.WithId(id) : null;
                if (Refuse(locked.Menus, menu) is { } wrong)
                {
                    return wrong;
                }

                var after = decide(before, [.. locked.Household.Rhythm.Meals.Select(meal => meal.Key)]);
                return after.Refusal is { } refusal
                    ? refusal
                    : new Decided<Guid>(
                        new Change(summary(after.Value))
                            .Put(Tables.Menu, before is null ? null : RowOf(before), RowOf(after.Value))
                            .Put(Tables.MenuDish, before is null ? [] : RowsOf(before), RowsOf(after.Value)),
                        after.Value.Id
                    );
            },
            view
        );

    /// <summary>Publishes a menu as it is now; a version never changes.</summary>
    /// <param name="changed">What a correction changes.</param>
    /// <param name="content">What members read.</param>
    public Task<Result<Edited<TView>>> Publish<TView>(
        EditStamp stamp,
        Guid menu,
        string changed,
        Func<Menu, string, IReadOnlyDictionary<Guid, StoredRecipe>, Core.Planning.Household, MenuToPublish> content,
        DateTimeOffset now,
        Func<Guid, Reading<TView>> view
    ) =>
        door.Edit<
            (
                ((DeskMenus Menus, IReadOnlyDictionary<Guid, StoredRecipe> Recipes) Read, Core.Planning.Household Household) Desk,
                Refusal? Helper
            ),
            Guid,
            TView
        >(
            stamp,
            Journal.Published,
            WithDishes(menu).And(TableReading.Household).And(Desks.HelperMayNot),
            locked =>
            {
                var (((menus, recipes), household), helper) = locked;
                if ((Refuse(menus, menu) ?? helper) is { } wrong)
                {
                    return wrong;
                }

                var (draft, number) = (menus.WithId(menu)!, menus.Issues[menu].Select(issue => issue.Number).FirstOrDefault() + 1);
                return draft.Unready is { } unready ? unready
                    : changed.Trim().Length > 500 || (number > 1 && changed.Trim().Length == 0)
                        ? new Refusal(
                            "menu-changed",
                            "changed",
                            changed,
                            "a correction says in 1 to 500 characters what it changes",
                            "Say what members have to know"
                        )
                    : Published(content(draft, menus.Desk!, recipes, household));

                Decided<Guid> Published(MenuToPublish written) =>
                    new(
                        new Change($"Published {draft.Name}").Append(
                            Tables.MenuVersion,
                            [
                                new MenuVersionRow(
                                    menu,
                                    number,
                                    now,
                                    stamp.Tenant.Account,
                                    changed.Trim(),
                                    written.Content,
                                    [.. written.Brings.Select(one => new BroughtThing(one.Kind.ToString(), one.Name, one.Print))]
                                ),
                            ]
                        ),
                        menu
                    );
            },
            view
        );

    /// <summary>Versions that were put on weeks of the household, the latest week first.</summary>
    public static readonly Reading<IReadOnlyList<MenuTakenRow>> Taken = Reading.Of<IReadOnlyList<MenuTakenRow>>(
        """
        select week_start, group_id, menu_id, number, taken_at, answers from menu_taken where household_id = app_household()
        order by week_start desc, taken_at desc;
        """,
        null,
        async rows =>
            [
                .. (await rows.ReadAsync<(DateOnly Week, Guid Group, Guid Menu, int Number, DateTimeOffset At, string? Answers)>()).Select(
                    row => new MenuTakenRow(
                        row.Week,
                        row.Group,
                        row.Menu,
                        row.Number,
                        row.At,
                        row.Answers is null ? null : RowJson.Read<HomeAnswers>(row.Answers)
                    )
                ),
            ]
    );

    public static Refusal Gone(Guid menu) => new("menu-gone", "menu", $"{menu}", "there is no such menu", "Choose one from the list");

    private static Refusal? Refuse(DeskMenus menus, Guid? menu) =>
        menus.Desk is null ? GroupStore.NoDesk()
        : menu is { } id && menus.WithId(id) is null ? Gone(id)
        : menu is null && menus.Menus.Count >= MostMenus
            ? new("too-many-menus", "name", $"{menus.Menus.Count}", $"a group keeps at most {MostMenus} menus", "Use one of them again")
        : null;

    private static Menu Of(MenuRow row, IEnumerable<MenuDish> dishes) =>
        new(row.Id, row.Name, row.StartsOn, row.Days, row.Note, [.. dishes]) { Tiers = row.Tiers, DeskNote = row.DeskNote ?? "" };

    private static MenuRow RowOf(Menu menu) =>
        new(menu.Id, menu.Name, menu.StartsOn, menu.Days, menu.Note, menu.Tiers, menu.DeskNote.Length == 0 ? null : menu.DeskNote);

    private static IEnumerable<MenuDishRow> RowsOf(Menu menu) =>
        menu.Dishes.Select(dish => new MenuDishRow(
            dish.Id,
            menu.Id,
            dish.Day,
            dish.Slot,
            dish.RecipeVersion,
            dish.Portions,
            dish.Variants
        ));
}
