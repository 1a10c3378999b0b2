using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;
using Merienda.Storage;

namespace Merienda.Web.Recipes;

/// <summary>Recipes of another kitchen, from a file or from a menu: written down whole, and read with the foods and recipes of this one.</summary>
internal static class BroughtRecipes
{
    /// <summary>A recipe with the names that its keys mean.</summary>
    public static RecipeToBring Of(StoredRecipe recipe) =>
        new(
            RecipeSheets.ToDraft(recipe) with
            {
                BasedOn = null,
            },
            recipe
                .Version.Lines.Concat(recipe.Version.Variants.SelectMany(variant => variant.Added).Select(added => added.Line))
                .Where(line => line.Typed.IsChosen)
                .Select(line => (Key: line.Use?.Of.Key ?? line.Food?.Key, Name: line.Use?.Of.Of.Name ?? line.Food?.Name))
                .Where(used => used is { Key: not null, Name: not null })
                .DistinctBy(used => used.Key)
                .ToDictionary(used => used.Key!, used => used.Name!)
        );

    /// <summary>Words in which recipes of this kitchen may be meant, their own names among them.</summary>
    public static RecipeUses UsesOf(IReadOnlyList<RecipeToBring> brought) =>
        new(
            string.Join(
                '\n',
                brought
                    .SelectMany(recipe => recipe.Draft.AllLines)
                    .Select(line => line.Text)
                    .Concat(brought.SelectMany(recipe => recipe.Uses.Values.Append(recipe.Draft.Name)))
            ),
            []
        );

    /// <summary>
    /// The draft with the keys of this household: a used recipe and a packet of elsewhere are found by their names, else by the line's words.
    /// </summary>
    public static RecipeDraft Here(RecipeToBring recipe, Cookbook recipes, FoodMatcher foods)
    {
        string? Key(string? key) =>
            key is null || (Cookbook.IdIn(key) is null ? foods.WithKey(key) is not null : recipes.WithKey(key) is not null) ? key
            : recipe.Uses.TryGetValue(key, out var name)
                ? recipes.Named(name)?.Key ?? (Packet.IdOf(key) is null ? null : foods.PacketNamed(name)?.Key)
            : null;
        DraftLine Line(DraftLine line) => line with { Food = Key(line.Food) };
        return recipe.Draft with
        {
            BasedOn = null,
            Lines = [.. recipe.Draft.Lines.Select(Line)],
            Variants =
            [
                .. (recipe.Draft.Variants ?? []).Select(variant =>
                    variant with
                    {
                        Added = [.. variant.Added.Select(added => added with { Line = Line(added.Line) })],
                    }
                ),
            ],
        };
    }

    /// <summary>Each of them as this kitchen reads it, or why it can't, in their own order.</summary>
    /// <param name="idOf">Which recipe of this kitchen one is, by its name; null for a new one.</param>
    public static IReadOnlyList<Result<StoredRecipe>> Each(
        IReadOnlyList<RecipeToBring> brought,
        FoodMatcher foods,
        Cookbook recipes,
        Func<string, Guid?> idOf
    ) => [.. InTurn(brought, foods, recipes, idOf).OrderBy(one => one.At).Select(one => one.Recipe)];

    /// <summary>All of them, what others take some of first; the first that cannot be stops them all.</summary>
    /// <param name="idOf">Which recipe of this kitchen one is the next version of, by its name; null for a new one.</param>
    public static Result<IReadOnlyList<StoredRecipe>> Read(
        IReadOnlyList<RecipeToBring> brought,
        FoodMatcher foods,
        Cookbook recipes,
        Func<string, Guid?> idOf
    )
    {
        var read = new List<StoredRecipe>();
        foreach (var (at, recipe) in InTurn(brought, foods, recipes, idOf))
        {
            if (recipe.Refusal is { } refusal)
            {
                return refusal with { Value = $"{brought[at].Draft.Name}: {refusal.Value}".TrimEnd(' ', ':') };
            }

            read.Add(recipe.Value);
        }

        return read;
    }

    /// <summary>One after the other, what others take some of first.</summary>
    private static IEnumerable<(int At, Result<StoredRecipe> Recipe)> InTurn(
        IReadOnlyList<RecipeToBring> brought,
        FoodMatcher foods,
        Cookbook recipes,
        Func<string, Guid?> idOf
    )
    {
        foreach (var at in InOrder(brought))
        {
            var id = idOf(brought[at].Draft.Name) ?? Guid.CreateVersion7();
            var recipe = RecipeDrafts.ToRecipe(Here(brought[at], recipes, foods), id, foods, recipes);
            recipes = recipe.Refusal is null ? recipes.With(recipe.Value.Known) : recipes;
            yield return (at, recipe);
        }
    }

    /// <summary>Places of the recipes: one whose name stands in a line of another comes before that one; a ring is broken where it begins.</summary>
    private static List<int> InOrder(IReadOnlyList<RecipeToBring> brought)
    {
        var names = brought.Select(recipe => recipe.Draft.Name.Trim().ToLowerInvariant()).ToList();
        var words = brought
            .Select(recipe =>
                string.Join('\n', recipe.Draft.AllLines.Select(line => line.Text).Concat(recipe.Uses.Values)).ToLowerInvariant()
            )
            .ToList();
        var (order, seen) = (new List<int>(), new HashSet<int>());
        for (var at = 0; at < brought.Count; at++)
        {
            Visit(at);
        }

        return order;

        void Visit(int at)
        {
            if (!seen.Add(at))
            {
                return;
            }

            for (var other = 0; other < names.Count; other++)
            {
                if (other != at && names[other].Length > 0 && words[at].Contains(names[other], StringComparison.Ordinal))
                {
                    Visit(other);
                }
            }

            order.Add(at);
        }
    }
}
