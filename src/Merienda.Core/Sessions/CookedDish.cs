using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>Portions that are cooked in one variant.</summary>
/// <param name="Dish">The recipe as the variant has it.</param>
public sealed record LotToCook(RecipeVersion Dish, decimal Portions);

/// <summary>A batch as its session cooks it.</summary>
/// <param name="Version">Of the recipe.</param>
/// <param name="Lots">At least one.</param>
public sealed record BatchToCook(string Letter, Guid Version, RecipeVersion Recipe, IReadOnlyList<LotToCook> Lots)
{
    public decimal Portions => Lots.Sum(lot => lot.Portions);
}

/// <summary>What a session cooks as one: a batch, or a recipe that batches take some of, once for all of them.</summary>
/// <param name="Letter">The batch's, or those of all that it is cooked for: "A+C".</param>
/// <param name="Lots">Portions in each variant, with what other batches take of it.</param>
/// <param name="For">Letters of the batches that take some of it.</param>
/// <param name="Needs">Recipe versions that must be there before it.</param>
public sealed record CookedDish(
    string Letter,
    Guid Version,
    RecipeVersion Recipe,
    IReadOnlyList<LotToCook> Lots,
    IReadOnlyList<string> For,
    IReadOnlyList<Guid> Needs
)
{
    public decimal Portions { get; } = Lots.Sum(lot => lot.Portions);

    /// <summary>What is done to it, in the order of the recipe.</summary>
    public IReadOnlyList<CookedStep> Steps { get; } = CookedStep.Of(Recipe, Lots);

    /// <summary>Whether no batch of it stands on the bench: all of it goes into other dishes.</summary>
    public bool IsBase { get; init; }

    /// <summary>What one of its tasks is ticked as: a base is nobody's own batch.</summary>
    public string KeyOf(PrepTask task) => IsBase ? $"{Version:N}:{task.Id}" : task.Id;

    /// <summary>Whether a key is a base's: it is ticked for all batches of the session, so that the tick stays when one of them goes.</summary>
    public static bool IsShared(string key) =>
        key.IndexOf(':', StringComparison.Ordinal) == 32 && Guid.TryParseExact(key.AsSpan(0, 32), "N", out _);

    /// <summary>Id of a step in its recipe, from its key in a session: without the base's version, and of whichever round.</summary>
    public static string IdOf(string key) => (IsShared(key) ? key[33..] : key).Split('~')[0];

    /// <summary>A recipe cooked by itself, after what it takes of others; it stands last.</summary>
    public static IReadOnlyList<CookedDish> Alone(RecipeVersion recipe, decimal portions) =>
        Of([new("A", Guid.Empty, recipe, [new(recipe, portions)])]);

    /// <summary>Everything a session cooks: each recipe once, what others take some of before them.</summary>
    public static IReadOnlyList<CookedDish> Of(IReadOnlyList<BatchToCook> batches)
    {
        var taken = new List<Taken>();
        foreach (var batch in batches)
        {
            foreach (var lot in batch.Lots)
            {
                Take(lot.Dish, lot.Portions / batch.Recipe.Portions, batch.Letter, taken);
            }
        }

        // Of two batches of one recipe the first is the larger pot.
        var own = batches.DistinctBy(batch => batch.Version).ToDictionary(batch => batch.Version, batch => batch.Letter);
        var bases = taken
            .Where(item => !own.ContainsKey(item.Recipe.Version))
            .Select(item => new CookedDish(
                string.Join('+', item.Letters),
                item.Recipe.Version,
                item.Recipe.Of,
                [new(item.Recipe.Of, item.Batches * item.Recipe.Of.Portions)],
                item.Letters,
                NeedsOf([item.Recipe.Of])
            )
            {
                IsBase = true,
            });
        return
        [
            .. bases,
            .. batches.Select(batch =>
                own[batch.Version] == batch.Letter && taken.Find(item => item.Recipe.Version == batch.Version) is { } more
                    ? Dish(batch, more.Batches * batch.Recipe.Portions, more.Letters)
                    : Dish(batch, 0, [])
            ),
        ];
        CookedDish Dish(BatchToCook batch, decimal extra, IReadOnlyList<string> others) =>
            new(
                batch.Letter,
                batch.Version,
                batch.Recipe,
                extra == 0 ? batch.Lots : [.. batch.Lots, new(batch.Recipe, extra)],
                others,
                NeedsOf(batch.Lots.Select(lot => lot.Dish))
            );
    }

    private static IReadOnlyList<Guid> NeedsOf(IEnumerable<RecipeVersion> dishes) =>
        [.. dishes.SelectMany(dish => dish.Uses).Select(use => use.Of.Version).Distinct()];

    private static void Take(RecipeVersion recipe, decimal batches, string letter, List<Taken> taken)
    {
        foreach (var use in recipe.Uses)
        {
            var item = taken.Find(one => one.Recipe.Version == use.Of.Version);
            if (item is null)
            {
                taken.Add(item = new(use.Of));
            }

            item.Batches += batches * use.Batches.Best;
            if (!item.Letters.Contains(letter))
            {
                item.Letters.Add(letter);
            }

            Take(use.Of.Of, batches * use.Batches.Best, letter, taken);
        }
    }

    private sealed class Taken(KnownRecipe recipe)
    {
        public KnownRecipe Recipe { get; } = recipe;

        public decimal Batches { get; set; }

        public List<string> Letters { get; } = [];
    }
}
