using System.Text.Json;
using Merienda.Core.Groups;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Extensions.Options;

namespace Merienda.Web.Groups;

/// <summary>Menus at the desk: begun, changed dish by dish, published.</summary>
public static class MenuEndpoints
{
    public static void MapMenus(this RouteGroupBuilder groups)
    {
        groups.MapPost("/menus", Begin).WithName("BeginMenu");
        groups.MapPut("/menus/{id:guid}", Say).WithName("ChangeMenu");
        groups.MapPost("/menus/{id:guid}/dishes", Put).WithName("PutDish");
        groups.MapDelete("/menus/{id:guid}/dishes/{dish:guid}", TakeOff).WithName("TakeDishOff");
        groups.MapPost("/menus/{id:guid}/publish", Publish).WithName("PublishMenu");
    }

    private static async Task<Results<Ok<MenuSheet>, ProblemHttpResult>> Begin(MenuRequest request, Editing editing, MenuStore menus) =>
        editing.Answer(
            await menus.Change(
                editing,
                null,
                menu => $"Began {menu.Name}",
                (_, _) => Menu.Begun(Guid.CreateVersion7(), request.Name, request.StartsOn, request.Days, request.Note),
                id => MenuSheets.One(menus, id)
            )
        );

    private static async Task<Results<Ok<MenuSheet>, ProblemHttpResult>> Say(
        Guid id,
        MenuRequest request,
        Editing editing,
        MenuStore menus
    ) =>
        editing.Answer(
            await menus.Change(
                editing,
                id,
                menu => $"Changed {menu.Name}",
                (menu, _) => menu!.Saying(request.Name, request.StartsOn, request.Days, request.Note),
                menu => MenuSheets.One(menus, menu)
            )
        );

    private static async Task<Results<Ok<MenuSheet>, ProblemHttpResult>> Put(
        Guid id,
        DishRequest request,
        Editing editing,
        Database database,
        RecipeStore recipes,
        MenuStore menus
    ) =>
        await database.Read(editing.Tenant, recipes.Latest(request.Recipe).And(RecipeStore.IsInUse(request.Recipe)))
            is not
            ({ } recipe, true)
            ? RecipeStore.Gone(request.Recipe).ToProblem()
            : editing.Answer(
                await menus.Change(
                    editing,
                    id,
                    menu => $"Put {recipe.Version.Name} on {menu.Name}",
                    (menu, slots) => menu!.With(new(Guid.CreateVersion7(), request.Day, request.Meal, recipe.VersionId), slots),
                    menu => MenuSheets.One(menus, menu)
                )
            );

    private static async Task<Results<Ok<MenuSheet>, ProblemHttpResult>> TakeOff(Guid id, Guid dish, Editing editing, MenuStore menus) =>
        editing.Answer(
            await menus.Change(
                editing,
                id,
                menu => $"Took a dish off {menu.Name}",
                (menu, _) => menu!.Without(dish),
                menu => MenuSheets.One(menus, menu)
            )
        );

    private static async Task<Results<Ok<MenuSheet>, ProblemHttpResult>> Publish(
        Guid id,
        PublishRequest request,
        Editing editing,
        MenuStore menus,
        TimeProvider clock,
        IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json
    ) =>
        editing.Answer(
            await menus.Publish(
                editing,
                id,
                request.Changed,
                (menu, group, recipes, household) =>
                    JsonSerializer.SerializeToNode(MenuSheets.Published(menu, group, recipes, household), json.Value.SerializerOptions)!,
                clock.GetUtcNow(),
                menu => MenuSheets.One(menus, menu)
            )
        );
}
