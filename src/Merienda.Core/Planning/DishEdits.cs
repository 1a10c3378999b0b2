using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>What an eater is given of a recipe, and would rather not have of it.</summary>
public static class DishEdits
{
    /// <summary>Makes a variant of a recipe the one that is cooked and placed for an eater.</summary>
    /// <param name="variant">Null for the recipe as written.</param>
    public static Result<EaterSettings> PreferVariant(
        this EaterSettings eater,
        Guid recipe,
        Recipes.RecipeVersion version,
        string? variant
    ) =>
        version.As(variant) is null
            ? NoVariant(variant!)
            : eater with
            {
                UsualVariants =
                [
                    .. eater.UsualVariants.Where(one => one.Recipe != recipe),
                    .. variant is null ? Array.Empty<UsualVariant>() : [new(recipe, variant)],
                ],
            };

    public static Refusal NoVariant(string variant) =>
        new("unknown-variant", "variant", variant, "the recipe has no such variant", "Choose one of the recipe's variants");

    /// <summary>Notes that an eater does not like a dish or a part of it, or likes it after all.</summary>
    /// <param name="part">Empty for the whole dish.</param>
    public static Result<EaterSettings> Dislike(
        this EaterSettings eater,
        Guid recipe,
        Recipes.RecipeVersion version,
        string part,
        bool isDisliked
    ) =>
        isDisliked && part.Length > 0 && !version.PartNames.Contains(part)
            ? new Refusal("unknown-part", "part", part, "the dish has no such part", "Choose one of its parts")
            : eater with
            {
                DislikedDishes =
                [
                    .. eater.DislikedDishes.Where(one => one != new DislikedDish(recipe, part)),
                    .. isDisliked ? new[] { new DislikedDish(recipe, part) } : [],
                ],
            };
}
