using System.Text.Json;
using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Recipes;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace Merienda.Web.Groups;

/// <summary>A menu that is read here: each of its recipes as this kitchen reads it, or why it can't.</summary>
/// <param name="There">Names of what the library has.</param>
public sealed record MenuHere(
    PublishedMenu Menu,
    IReadOnlyList<Result<StoredRecipe>> Recipes,
    IReadOnlySet<string> There,
    HouseholdFoods Foods
);

/// <summary>
/// Published menus with the foods of a kitchen. A version never changes, and many kitchens have the table's foods and nothing else: what was
/// read is kept for everybody with the same foods and the same recipes that it may mean. Who may read it is always asked of the database.
/// </summary>
public sealed class MenuReadings(IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json) : IDisposable
{
    private static readonly TimeSpan Unread = TimeSpan.FromHours(1);

    private sealed record Kept(PublishedMenu Menu, string Words);

    /// <param name="Matcher">The same object for all who have the same foods.</param>
    /// <param name="Meant">Ids of the own recipe versions that its words may mean.</param>
    private sealed record ByFoods((Guid Group, Guid Menu, int Number) Version, FoodMatcher Matcher, string Meant);

    private readonly MemoryCache _menus = new(new MemoryCacheOptions { SizeLimit = 1_000 }),
        _recipes = new(new MemoryCacheOptions { SizeLimit = 300 });

    public void Dispose()
    {
        _menus.Dispose();
        _recipes.Dispose();
    }

    /// <summary>Each menu as this kitchen reads it.</summary>
    public async Task<IReadOnlyList<MenuHere>> Of(IReadOnlyList<ReadMenu> stored, Tenant tenant, RecipeEndpoints.Desk desk)
    {
        var menus = stored.Select(Parsed).ToList();
        var (foods, recipes, there) = await Kitchen(string.Join('\n', menus.Select(menu => menu.Words)), tenant, desk);
        var meant = string.Join(',', recipes.Versions.Order());
        return
        [
            .. stored.Zip(
                menus,
                (one, menu) =>
                    new MenuHere(
                        menu.Menu,
                        Keep(
                            _recipes,
                            new ByFoods(VersionOf(one), foods.Matcher, meant),
                            () => BroughtRecipes.Each(menu.Menu.Recipes, foods.Matcher, recipes)
                        ),
                        there,
                        foods
                    )
            ),
        ];
    }

    /// <summary>A menu of a file, which nobody else has.</summary>
    public static async Task<MenuHere> Of(PublishedMenu menu, Tenant tenant, RecipeEndpoints.Desk desk)
    {
        var (foods, recipes, there) = await Kitchen(BroughtRecipes.UsesOf(menu.Recipes).Words, tenant, desk);
        return new(menu, BroughtRecipes.Each(menu.Recipes, foods.Matcher, recipes), there, foods);
    }

    private Kept Parsed(ReadMenu stored) =>
        Keep(
            _menus,
            VersionOf(stored),
            () =>
            {
                var menu = JsonSerializer.Deserialize<PublishedMenu>(stored.Content, json.Value.SerializerOptions)!;
                return new Kept(menu, BroughtRecipes.UsesOf(menu.Recipes).Words);
            }
        );

    private static (Guid, Guid, int) VersionOf(ReadMenu stored) => (stored.Group, stored.Menu, stored.Number);

    private static async Task<(HouseholdFoods Foods, Cookbook Recipes, IReadOnlySet<string> There)> Kitchen(
        string words,
        Tenant tenant,
        RecipeEndpoints.Desk desk
    )
    {
        var ((foods, recipes), library) = await desk.Database.Read(
            tenant,
            desk.Packets.Foods.And(desk.Recipes.Cookbook(new(words, []), null)).And(desk.Recipes.All)
        );
        return (foods, recipes, library.Select(recipe => recipe.Version.Name).ToHashSet(Cookbook.SameName));
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
