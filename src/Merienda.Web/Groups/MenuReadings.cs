using System.Text.Json;
using Merienda.Core.Foods;
using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Hosting;
using Merienda.Web.Recipes;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace Merienda.Web.Groups;

/// <summary>A menu that is read here: each of its recipes as this kitchen reads it, or why it can't.</summary>
/// <param name="Prints">Of each recipe as it was published, with those that it uses.</param>
/// <param name="States">How each stands to the library's recipe of its name.</param>
/// <param name="Ids">Ids of the library's recipes, by their names.</param>
public sealed record MenuHere(
    PublishedMenu Menu,
    IReadOnlyList<Result<StoredRecipe>> Recipes,
    IReadOnlyList<string> Prints,
    IReadOnlyList<EnclosedState> States,
    IReadOnlyDictionary<string, Guid> Ids,
    HouseholdFoods Foods
)
{
    /// <summary>Whether a recipe comes home with the menu: what is new there, and a newer one of what was taken as it was.</summary>
    public bool Comes(int recipe) => States[recipe] is EnclosedState.New or EnclosedState.Newer;
}

/// <summary>
/// Published menus with the foods of a kitchen. A version never changes, and many kitchens have the table's foods and nothing else: what was
/// read is kept for everybody with the same foods and the same recipes that it may mean. Who may read it is always asked of the database.
/// </summary>
public sealed class MenuReadings(IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json) : IDisposable
{
    private static readonly TimeSpan Unread = TimeSpan.FromHours(1);

    private sealed record Kept(PublishedMenu Menu, string Words, IReadOnlyList<string> Prints);

    private sealed record Kitchen(
        HouseholdFoods Foods,
        Cookbook Recipes,
        IReadOnlyList<StoredRecipe> Library,
        IReadOnlyList<RecipeTakenRow> Taken
    );

    /// <param name="Matcher">The same object for all who have the same foods.</param>
    /// <param name="Meant">Ids of the own recipe versions that its words may mean.</param>
    private sealed record ByFoods((Guid Group, Guid Menu, int Number) Version, FoodMatcher Matcher, string Meant);

    private readonly MemoryCache _menus = new(new MemoryCacheOptions { SizeLimit = 1_000 }),
        _enclosed = new(new MemoryCacheOptions { SizeLimit = 1_000 }),
        _recipes = new(new MemoryCacheOptions { SizeLimit = 300 });

    public void Dispose()
    {
        _menus.Dispose();
        _enclosed.Dispose();
        _recipes.Dispose();
    }

    /// <summary>Each menu as this kitchen reads it.</summary>
    public async Task<IReadOnlyList<MenuHere>> Of(IReadOnlyList<ReadMenu> stored, Tenant tenant, RecipeEndpoints.Desk desk)
    {
        var menus = stored.Select(Parsed).ToList();
        var kitchen = await Enter(string.Join('\n', menus.Select(menu => menu.Words)), tenant, desk);
        var meant = string.Join(',', kitchen.Recipes.Versions.Order());
        return
        [
            .. stored.Zip(
                menus,
                (one, menu) =>
                    Here(
                        menu,
                        kitchen,
                        one.Group,
                        idOf =>
                            Keep(
                                _recipes,
                                new ByFoods(VersionOf(one), kitchen.Foods.Matcher, meant),
                                () => BroughtRecipes.Each(menu.Menu.Recipes, kitchen.Foods.Matcher, kitchen.Recipes, idOf)
                            )
                    )
            ),
        ];
    }

    /// <summary>A menu of a file, which nobody else has.</summary>
    public async Task<MenuHere> OfFile(PublishedMenu menu, Tenant tenant, RecipeEndpoints.Desk desk)
    {
        var kept = Of(menu);
        var kitchen = await Enter(kept.Words, tenant, desk);
        return Here(kept, kitchen, null, idOf => BroughtRecipes.Each(menu.Recipes, kitchen.Foods.Matcher, kitchen.Recipes, idOf));
    }

    /// <param name="group">Whose it is; null for a file's.</param>
    private static MenuHere Here(
        Kept menu,
        Kitchen kitchen,
        Guid? group,
        Func<Func<string, Guid?>, IReadOnlyList<Result<StoredRecipe>>> read
    )
    {
        var library = new Dictionary<string, StoredRecipe>(Cookbook.SameName);
        foreach (var recipe in kitchen.Library)
        {
            library.TryAdd(recipe.Version.Name, recipe);
        }

        var taken = kitchen.Taken.Where(row => row.GroupId == group).ToDictionary(row => row.Name, Cookbook.SameName);
        var ids = library.ToDictionary(one => one.Key, one => one.Value.RecipeId, Cookbook.SameName);
        var recipes = read(name => ids.TryGetValue(name, out var id) ? id : null);
        return new(
            menu.Menu,
            recipes,
            menu.Prints,
            [.. menu.Menu.Recipes.Select((recipe, at) => StateOf(recipe.Draft.Name, at))],
            ids,
            kitchen.Foods
        );

        EnclosedState StateOf(string name, int at)
        {
            var (print, here, was) = (menu.Prints[at], library.GetValueOrDefault(name), taken.GetValueOrDefault(name));
            // Another version than the one that was taken was changed here, whatever it says.
            var own = was is not null && here?.VersionId == was.RecipeVersionId ? was.Print : "";
            var state = EnclosedStates.Of(print, here is null ? null : own, was?.Print);
            // Of the same lines it is the same dish, whoever wrote it down first.
            return state == EnclosedState.Own && !recipes[at].IsRefused && IsSameDish(recipes[at].Value.Version, here!.Version)
                ? EnclosedState.There
                : state;
        }
    }

    private static bool IsSameDish(RecipeVersion one, RecipeVersion other) =>
        DishPrint.Of(one.Lines, one.Portions) == DishPrint.Of(other.Lines, other.Portions);

    /// <summary>What goes with a menu besides its recipes; nothing where this version of the program can't read it.</summary>
    public Enclosures Enclosed(ReadMenu stored, KnowledgeBase knowledge) =>
        Keep(
            _enclosed,
            VersionOf(stored),
            () => Parsed(stored).Menu.Enclosed?.Read(knowledge) is { IsRefused: false } read ? read.Value : Enclosures.None
        );

    private Kept Parsed(ReadMenu stored) =>
        Keep(_menus, VersionOf(stored), () => Of(JsonSerializer.Deserialize<PublishedMenu>(stored.Content, json.Value.SerializerOptions)!));

    private static (Guid, Guid, int) VersionOf(ReadMenu stored) => (stored.Group, stored.Menu, stored.Number);

    private Kept Of(PublishedMenu menu) => new(menu, BroughtRecipes.UsesOf(menu.Recipes).Words, Prints(menu));

    /// <summary>A dish whose sauce is another one is another one.</summary>
    private List<string> Prints(PublishedMenu menu)
    {
        var own = menu.Recipes.Select(recipe => JsonSerializer.Serialize(recipe, json.Value.SerializerOptions)).ToList();
        return
        [
            .. own.Select(
                (recipe, at) =>
                    EnclosureSheets.Print(
                        string.Join(
                            '\n',
                            menu.Uses.Reached([at]).Where(used => used != at).Order().Select(used => own[used]).Prepend(recipe)
                        )
                    )
            ),
        ];
    }

    private static async Task<Kitchen> Enter(string words, Tenant tenant, RecipeEndpoints.Desk desk)
    {
        var (((foods, recipes), library), taken) = await desk.Database.Read(
            tenant,
            desk.Packets.Foods.And(desk.Recipes.Cookbook(new(words, []), null)).And(desk.Recipes.All).And(RecipeStore.Taken)
        );
        return new(foods, recipes, library, taken);
    }

    private static T Keep<T>(MemoryCache cache, object key, Func<T> read)
        where T : class
    {
        if (cache.TryGetValue(key, out T? kept))
        {
            return kept!;
        }

        var value = read();
        cache.Set(key, value, new MemoryCacheEntryOptions { Size = 1, SlidingExpiration = Unread });
        return value;
    }
}
