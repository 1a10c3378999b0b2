using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Recipes;
using static Merienda.Web.Demo.DemoSeed;

namespace Merienda.Web.Demo;

/// <summary>The demo's recipes as a household keeps them; of some there is a drawing.</summary>
public sealed class DemoLibrary(RecipeStore recipes, PictureStore pictures, TimeProvider clock)
{
    /// <returns>Ids of the recipes, by their key in the data.</returns>
    public async Task<IReadOnlyDictionary<string, Guid>> Save(Tenant tenant, IReadOnlyList<DemoRecipe> dishes)
    {
        var saved = new Dictionary<string, Guid>();
        foreach (var dish in dishes)
        {
            var id = Guid.CreateVersion7();
            var draft = dish.ToDraft();
            Must(
                await recipes.Save(
                    Stamp(tenant),
                    id,
                    null,
                    recipes.Cookbook(draft.Uses, id),
                    (foods, book) => RecipeDrafts.ToRecipe(draft, id, foods.Matcher, book),
                    (_, _) => [],
                    clock.GetUtcNow(),
                    Reading.Known
                )
            );
            saved.Add(dish.Key, id);
            var drawing = Path.Combine(DataFiles.Find(), "demo", "pictures", $"{dish.Key}.jpg");
            if (File.Exists(drawing))
            {
                var picture = Must(PictureFile.Read(await File.ReadAllBytesAsync(drawing)));
                Must(
                    await pictures.Show(
                        Stamp(tenant),
                        (id, recipes.Latest(id)),
                        (picture.Large, picture.Small),
                        clock.GetUtcNow(),
                        () => Reading.Known(true)
                    )
                );
            }
        }

        return saved;
    }
}
