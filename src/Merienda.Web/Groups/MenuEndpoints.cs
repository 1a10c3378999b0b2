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
        groups.MapPost("/menus/{id:guid}/again", Again).WithName("CopyMenu");
        groups.MapPost("/menus/{id:guid}/dishes", Put).WithName("PutDish");
        groups.MapPut("/menus/{id:guid}/dishes/{dish:guid}", Serve).WithName("ServeDish");
        groups.MapDelete("/menus/{id:guid}/dishes/{dish:guid}", TakeOff).WithName("TakeDishOff");
        groups.MapPost("/menus/{id:guid}/publish", Publish).WithName("PublishMenu");
    }

    private static async Task<Results<Ok<MenuSheet>, ProblemHttpResult>> Begin(MenuRequest request, Editing editing, MenuStore menus) =>
        editing.Answer(
            await menus.Change(
                editing,
                null,
                menu => $"Began {menu.Name}",
                (_, _) =>
                    Menu.Begun(Guid.CreateVersion7(), request.Name, request.StartsOn, request.Days, request.Note, request.Tiers ?? [])
                        .Then(menu => menu.Noting(request.DeskNote)),
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
                (menu, _) =>
                    menu!
                        .Saying(request.Name, request.StartsOn, request.Days, request.Note, request.Tiers ?? menu.Tiers)
                        .Then(said => said.Noting(request.DeskNote)),
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

    private static async Task<Results<Ok<MenuSheet>, ProblemHttpResult>> Again(
        Guid id,
        MenuAgainRequest request,
        Editing editing,
        Database database,
        MenuStore menus
    ) =>
        (await database.Read(editing.Tenant, menus.All)).WithId(id) is not { } before
            ? MenuStore.Gone(id).ToProblem()
            : editing.Answer(
                await menus.Change(
                    editing,
                    null,
                    menu => $"Began {menu.Name} from {before.Name}",
                    (_, _) =>
                        before
                            .Again(Guid.CreateVersion7(), before.Name, request.StartsOn)
                            .Saying(request.Name, request.StartsOn, before.Days, before.Note, before.Tiers),
                    menu => MenuSheets.One(menus, menu)
                )
            );

    private static async Task<Results<Ok<MenuSheet>, ProblemHttpResult>> Serve(
        Guid id,
        Guid dish,
        DishServingRequest request,
        Editing editing,
        Database database,
        RecipeStore recipes,
        MenuStore menus
    )
    {
        var (menu, written) = await database.Read(editing.Tenant, menus.WithDishes(id));
        if (menu.WithId(id)?.Dishes.FirstOrDefault(one => one.Id == dish) is not { } before)
        {
            return Menu.DishGone(dish).ToProblem();
        }

        var recipe = written[before.RecipeVersion];
        if (request.IsNewest)
        {
            recipe = await database.Read(editing.Tenant, recipes.Latest(recipe.RecipeId)) ?? recipe;
        }

        return editing.Answer(
            await menus.Change(
                editing,
                id,
                draft => $"Changed {recipe.Version.Name} on {draft.Name}",
                (draft, _) =>
                    draft!.Serving(
                        dish,
                        recipe.Version,
                        request.Portions ?? before.Portions,
                        // What a newer recipe has no variant for any more is made as it is written.
                        request.Variants
                            ?? [.. before.Variants.Where(one => recipe.Version.As(one.Variant) is not null)],
                        recipe.VersionId
                    ),
                draft => MenuSheets.One(menus, draft)
            )
        );
    }

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
        Database database,
        EnclosureStore enclosures,
        MenuStore menus,
        TimeProvider clock,
        IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json
    )
    {
        var (desk, shares) = await database.Read(editing.Tenant, enclosures.Home.And(ShareStore.All));
        return editing.Answer(
            await menus.Publish(
                editing,
                id,
                request.Changed,
                (menu, group, recipes, household) =>
                    MenuSheets.ToPublish(
                        menu,
                        group,
                        recipes,
                        household,
                        desk,
                        shares,
                        request.Encloses ?? Enum.GetValues<EnclosedKind>(),
                        json.Value.SerializerOptions
                    ),
                clock.GetUtcNow(),
                menu => MenuSheets.One(menus, menu)
            )
        );
    }
}
