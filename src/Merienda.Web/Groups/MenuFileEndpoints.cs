using System.Text.Json;
using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Recipes;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Extensions.Options;

namespace Merienda.Web.Groups;

/// <summary>A menu that another desk handed out as our own JSON: read in as a draft of this one.</summary>
public static class MenuFileEndpoints
{
    /// <summary>A menu of 28 days with long recipes is well below it, bytes.</summary>
    public const int MostBytes = 5_000_000;

    public static void MapMenuFile(this RouteGroupBuilder groups) =>
        groups
            .MapPost("/menus/read", ReadIn)
            .WithName("ReadMenuIn")
            .WithMetadata(new Microsoft.AspNetCore.Mvc.RequestSizeLimitAttribute(2 * MostBytes));

    private static async Task<Results<Ok<MenuSheet>, ProblemHttpResult>> ReadIn(
        MenuFileRequest request,
        Editing editing,
        MenuStore menus,
        EnclosureStore enclosures,
        MenuReadings readings,
        [AsParameters] RecipeEndpoints.Desk desk,
        TimeProvider clock,
        IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json
    )
    {
        if (await desk.Database.Read(editing.Tenant, GroupStore.Desk) is null)
        {
            return GroupStore.NoDesk().ToProblem();
        }

        var file = Parse(request.File, json.Value.SerializerOptions);
        if (file.Refusal is { } unread)
        {
            return unread.ToProblem();
        }

        if (file.Value.Enclosed is { } enclosed)
        {
            var things = enclosed.Read(desk.Knowledge);
            // First, so that the recipes find their packets; an edit of its own, like that of the recipes.
            var taken = things.Refusal is null
                ? await EnclosureEndpoints.TakeNew(
                    editing.Stamp with
                    {
                        EditId = Guid.CreateVersion7(),
                    },
                    things.Value,
                    enclosures,
                    clock.GetUtcNow()
                )
                : things.Refusal;
            if (taken.Refusal is { } notTaken)
            {
                return notTaken.ToProblem();
            }
        }

        var read = await readings.OfFile(file.Value, editing.Tenant, desk);
        // An edit of its own: the recipes stay when the menu is taken back.
        var brought = await MemberMenuEndpoints.BringHome(
            editing.Stamp with
            {
                EditId = Guid.CreateVersion7(),
            },
            null,
            read,
            [],
            desk,
            clock
        );
        if (brought.Refusal is { } wrong)
        {
            return wrong.ToProblem();
        }

        var (library, table) = await desk.Database.Read(editing.Tenant, desk.Recipes.All.And(desk.Households.Table()));
        return editing.Answer(
            await menus.Change(
                editing,
                null,
                menu => $"Read {menu.Name} in",
                (_, slots) => Drafted(read.Menu, request.StartsOn, library, table.Household.Rhythm, slots),
                id => MenuSheets.One(menus, id)
            )
        );
    }

    private static Result<PublishedMenu> Parse(string file, JsonSerializerOptions options)
    {
        try
        {
            var menu = JsonSerializer.Deserialize<PublishedMenu>(file, options);
            return
                menu is null
                || menu.Dishes.Any(dish => dish.Recipe < 0 || dish.Recipe >= menu.Recipes.Count)
                || menu.Uses.Count != menu.Recipes.Count
                || menu.Uses.SelectMany(uses => uses).Any(used => used < 0 || used >= menu.Recipes.Count)
                ? NoMenu(file, "its dishes name recipes that are not in it")
                : (Result<PublishedMenu>)menu;
        }
        catch (JsonException broken)
        {
            return NoMenu(file, broken.Path is { Length: > 1 } path ? $"{path} holds what cannot stand there" : "it is not JSON of a menu");
        }
    }

    private static Refusal NoMenu(string file, string because) =>
        new(
            "menu-file",
            "file",
            file.Length > 60 ? $"{file[..60]}…" : file,
            because,
            "Choose a file that was handed out for another Merienda"
        );

    /// <summary>The same days from another date on; a meal that this desk has not is the one of the same kind.</summary>
    private static Result<Menu> Drafted(
        PublishedMenu file,
        DateOnly startsOn,
        IReadOnlyList<StoredRecipe> library,
        Core.Planning.Rhythm rhythm,
        IReadOnlyCollection<string> slots
    )
    {
        var menu = Menu.Begun(Guid.CreateVersion7(), file.Name, startsOn, file.Days, file.Note, file.Tiers);
        foreach (var dish in file.Dishes)
        {
            if (menu.Refusal is not null)
            {
                return menu;
            }

            var name = file.Recipes[dish.Recipe].Draft.Name;
            var recipe = library.First(one => Cookbook.SameName.Equals(one.Version.Name, name));
            var put = new MenuDish(Guid.CreateVersion7(), dish.Day, file.SlotIn(rhythm, dish.Meal) ?? dish.Meal, recipe.VersionId);
            var with = menu.Value.With(put, slots);
            menu = with.Refusal is { } full
                ? full
                : with.Value.Serving(
                    put.Id,
                    recipe.Version,
                    dish.Portions,
                    // A recipe of this name that was there already may have no such variant.
                    [.. dish.Variants.Where(one => recipe.Version.As(one.Variant) is not null)],
                    recipe.VersionId
                );
        }

        return menu;
    }
}
