using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Hosting;
using Merienda.Web.Recipes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Groups;

/// <summary>Published menus as a member reads them and takes them home: read with the own foods, judged by the own table's rules.</summary>
public static class MemberMenuEndpoints
{
    public static void MapMemberMenus(this RouteGroupBuilder groups)
    {
        groups.MapGet("/menus", All).WithName("GetGroupMenus");
        groups.MapPost("/{group:guid}/menus/{menu:guid}/take", TakeHome).WithName("TakeMenuHome");
    }

    private static async Task<Ok<IReadOnlyList<MemberMenu>>> All(
        CurrentTenant tenant,
        [AsParameters] RecipeEndpoints.Desk desk,
        PublishedMenus published,
        MenuReadings readings
    )
    {
        var ((table, stored), taken) = await desk.Database.Read(
            tenant,
            desk.Households.Table().And(published.NewestOfAll).And(MenuStore.Taken)
        );
        return TypedResults.Ok<IReadOnlyList<MemberMenu>>([
            .. (await readings.Of(stored, tenant, desk)).Zip(stored, (menu, version) => ToSheet(menu, version, table, taken)),
        ]);
    }

    /// <summary>Brings the recipes of some days into the own library, with what they use; those that are there stay as they are.</summary>
    private static async Task<Results<Ok<TakenHome>, ProblemHttpResult>> TakeHome(
        Guid group,
        Guid menu,
        TakeHomeRequest request,
        Editing editing,
        [AsParameters] RecipeEndpoints.Desk desk,
        PublishedMenus published,
        MenuReadings readings,
        TimeProvider clock
    )
    {
        if (await desk.Database.Read(editing.Tenant, published.Newest(group, menu)) is not { } stored)
        {
            return Unread(menu).ToProblem();
        }

        var read = (await readings.Of([stored], editing.Tenant, desk))[0];
        return editing.Answer(await BringHome(editing, group, read, request.Days, desk, clock));
    }

    /// <summary>
    /// Those recipes of some days, with what they use, that are not in the library yet, and newer ones of those that are there as they were
    /// taken. One that was changed at home stays.
    /// </summary>
    /// <param name="group">Whose they are; null for those of a file, which nobody hears of again.</param>
    internal static async Task<Result<Edited<TakenHome>>> BringHome(
        EditStamp stamp,
        Guid? group,
        MenuHere read,
        IReadOnlyList<int> days,
        RecipeEndpoints.Desk desk,
        TimeProvider clock
    )
    {
        var wanted = read.Menu.Reached(days).Order().ToList();
        var coming = wanted.Where(read.Comes).ToList();
        var cookbook = desk.Recipes.Cookbook(BroughtRecipes.UsesOf([.. wanted.Select(at => read.Menu.Recipes[at])]), null);
        Result<IReadOnlyList<StoredRecipe>> Bring(HouseholdFoods foods, Cookbook recipes)
        {
            // What another device has taken home meanwhile is there by now.
            coming.RemoveAll(at => read.States[at] == EnclosedState.New && recipes.Named(NameOf(at)) is not null);
            return BroughtRecipes.Read(
                [
                    .. coming
                        .Select(at => read.Menu.Recipes[at])
                        .Select(recipe => recipe with { Draft = recipe.Draft with { Meal = MealOf(recipe.Draft.Meal, read.Menu) } }),
                ],
                foods.Matcher,
                recipes,
                name => read.Ids.TryGetValue(name, out var id) ? id : null
            );
        }

        var prints = wanted.ToLookup(NameOf, at => read.Prints[at], Cookbook.SameName);
        var edited = group is { } whose
            ? await desk.Recipes.BringHome(stamp, whose, cookbook, Bring, recipe => prints[recipe.Version.Name].First(), clock.GetUtcNow())
            : await desk.Recipes.BringIn(stamp, cookbook, Bring, clock.GetUtcNow());
        return edited.Select(done =>
            done.Select(_ => new TakenHome(
                NamesOf(coming.Where(at => read.States[at] == EnclosedState.New)),
                NamesOf(coming.Where(at => read.States[at] == EnclosedState.Newer)),
                NamesOf(wanted.Except(coming))
            ))
        );

        string NameOf(int at) => read.Menu.Recipes[at].Draft.Name;
        IReadOnlyList<string> NamesOf(IEnumerable<int> recipes) => [.. recipes.Select(NameOf)];

        // By the kind of meal that the group calls so: at home it has another name.
        static string? MealOf(string? meal, PublishedMenu menu) =>
            menu.Meals.FirstOrDefault(one => one.Key == meal) is { } slot ? $"{slot.Role}".ToLowerInvariant() : meal;
    }

    internal static Refusal Unread(Guid menu) =>
        new("menu-gone", "menu", $"{menu}", "there is no such menu, or you are no member any more", "Choose one from the list");

    private static MemberMenu ToSheet(MenuHere read, ReadMenu stored, Core.Planning.Table table, IReadOnlyList<MenuTakenRow> taken) =>
        new(
            stored.Group,
            stored.Menu,
            stored.Number,
            stored.PublishedAt,
            stored.Changed,
            read.Menu.Group,
            read.Menu.Name,
            read.Menu.StartsOn,
            read.Menu.Days,
            read.Menu.Note,
            read.Menu.Tiers,
            read.Menu.Follows,
            read.Menu.Meals,
            [
                .. read.Menu.Dishes.Select(dish => new MemberDish(
                    dish.Day,
                    dish.Meal,
                    dish.Recipe,
                    dish.Portions,
                    dish.Variants,
                    read.Recipes[dish.Recipe].Refusal is null
                        ? VerdictsOf(dish.ToDish(), read.Recipes[dish.Recipe].Value.Version, table)
                        : []
                )),
            ],
            [
                .. read.Menu.Recipes.Select(
                    (recipe, at) =>
                        new MemberRecipe(
                            recipe.Draft.Name,
                            read.Recipes[at].Refusal is { } refusal ? $"{refusal.Reason}. {refusal.Cure}." : null,
                            read.States[at],
                            read.Menu.Dishes.Any(dish => dish.Recipe == at)
                        )
                ),
            ],
            [
                .. taken
                    .Where(one => (one.GroupId, one.MenuId) == (stored.Group, stored.Menu))
                    .Select(one => new TakenWeek(one.WeekStart, one.Number, [.. stored.Changes.Skip(one.Number - 1)])),
            ]
        );

    private static IReadOnlyList<MemberVerdict> VerdictsOf(MenuDish dish, RecipeVersion written, Core.Planning.Table table) =>
        [
            .. table.Eaters.Zip(
                table.Diners,
                (settings, eater) => VerdictOf(dish, [.. settings.Protocols.Select(table.ShippedAs).OfType<string>()], eater, written)
            ),
        ];

    private static MemberVerdict VerdictOf(MenuDish dish, IReadOnlyList<string> protocols, Eater eater, RecipeVersion written)
    {
        var (variant, made) = (dish.VariantFor(protocols, written), dish.For(protocols, written));
        var findings = eater.Judge(made.Name, made.Profile, dish.Slot);
        var verdict = findings.Select(finding => finding.Verdict).RollUp();
        return new(
            eater.Id,
            eater.Name,
            variant,
            verdict,
            verdict == Verdict.Fits ? "" : findings.First(finding => finding.Verdict == verdict).Because
        );
    }
}
