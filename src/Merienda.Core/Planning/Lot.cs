using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;

namespace Merienda.Core.Planning;

/// <summary>How many portions of a batch are cooked in one variant.</summary>
/// <param name="Variant">Name of the recipe's variant; null for the recipe as it is.</param>
public sealed record Lot(Guid Id, string? Variant, decimal Portions)
{
    /// <summary>Names of the parts it has; null for all of the batch's.</summary>
    public IReadOnlyList<string>? Parts { get; init; }

    /// <summary>
    /// What a portion's share of each of the batch's parts weighs by the recipe, g, in their order: 0 for one that the variant leaves out,
    /// null where nobody knows.
    /// </summary>
    public IReadOnlyList<decimal?> PlannedGrams { get; init; } = [];

    /// <summary>A dish as a box of this lot is called: "Rice bowl, light".</summary>
    public string Named(string dish) => Variant is null ? dish : $"{dish}, {Variant}";

    /// <summary>The dish as this lot has it.</summary>
    public RecipeVersion DishOf(RecipeVersion recipe) => recipe.As(Variant) ?? recipe;

    /// <summary>The lot as its variant has it.</summary>
    /// <param name="parts">The batch's.</param>
    internal Lot Of(RecipeVersion dish, IReadOnlyList<string> parts)
    {
        var grams = dish.PartNames.Zip(dish.GramsByPart).ToDictionary(part => part.First, part => part.Second);
        return this with
        {
            Parts = parts.All(grams.ContainsKey) ? null : dish.PartNames,
            PlannedGrams = [.. parts.Select(part => grams.TryGetValue(part, out var each) ? each : 0)],
        };
    }
}

/// <summary>Portions of a batch that are to be cooked in a variant of its recipe.</summary>
public sealed record VariantPortions(string Variant, decimal Portions)
{
    /// <summary>The lots of a batch: what is in no variant is cooked as written.</summary>
    /// <param name="all">Portions of the whole batch.</param>
    /// <param name="before">Lots that there were; the one of a variant stays the same lot.</param>
    internal static IReadOnlyList<Lot> Lots(
        IReadOnlyList<VariantPortions> variants,
        decimal all,
        IReadOnlyList<Lot> before,
        Func<Guid> newId
    ) =>
        [
            .. variants
                .Select(one => (Variant: (string?)one.Variant, one.Portions))
                .Prepend((null, all - variants.Sum(one => one.Portions)))
                .Where(one => one.Item2 > 0)
                .Select(one =>
                    (before.FirstOrDefault(lot => lot.Variant == one.Item1) ?? new Lot(newId(), one.Item1, 0)) with
                    {
                        Portions = one.Item2,
                    }
                ),
        ];

    /// <summary>Why a batch is not cooked so; null when it can be.</summary>
    /// <param name="all">Portions of the whole batch.</param>
    public static Refusal? Refuse(IReadOnlyList<VariantPortions> variants, decimal all, RecipeVersion recipe)
    {
        for (var at = 0; at < variants.Count; at++)
        {
            var (name, portions) = variants[at];
            if (recipe.As(name) is null || variants.Take(at).Any(one => one.Variant == name))
            {
                return new(
                    "unknown-variant",
                    $"variants[{at}].variant",
                    name,
                    recipe.As(name) is null ? "the recipe has no such variant" : "it stands there twice",
                    "Choose one of the recipe's variants"
                );
            }

            if (portions < 0 || portions % Batch.SmallestSize != 0 || variants.Take(at + 1).Sum(one => one.Portions) > all)
            {
                return new(
                    "lot-out-of-range",
                    $"variants[{at}].portions",
                    $"{portions:0.##}",
                    $"of {all:0.##} portions, 0 to {all - variants.Take(at).Sum(one => one.Portions):0.##} can be cooked so, in steps of {Batch.SmallestSize}",
                    "Choose a number in that range, or cook more"
                );
            }
        }

        return null;
    }
}
