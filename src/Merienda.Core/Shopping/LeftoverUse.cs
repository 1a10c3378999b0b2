using Merienda.Core.Foods;
using Merienda.Core.Recipes;

namespace Merienda.Core.Shopping;

/// <summary>A recipe that what is left over of a pack could go into.</summary>
/// <param name="Grams">That it takes as written.</param>
public sealed record LeftoverUse(Guid Recipe, string Name, decimal Grams)
{
    private const int Most = 2;

    /// <summary>Less than this, g, is no reason to cook something [C].</summary>
    private const decimal Least = 20;

    /// <summary>A recipe that takes so many times more or less than what is left is no use for it [C].</summary>
    private const decimal Apart = 4;

    /// <summary>Aisles whose things keep for weeks once their pack is open, as most kitchens hold it [C].</summary>
    private static readonly string[] Keep =
    [
        "baking",
        "drinks",
        "grains",
        "nuts",
        "nuts and seeds",
        "oils",
        "oils and vinegars",
        "sauces",
        "snacks",
        "spices",
        "spreads",
    ];

    /// <summary>Whether a pack of it goes off once it is opened.</summary>
    public static bool GoesOff(Food food) =>
        food.Keeping is not null
        || food.Packet?.Printed.OpenedDays is not null
        || (!Keep.Contains(food.Aisle) && !food.Is("egg") && !food.Is("butter"));

    /// <summary>Those that would use up most of what is left and need little more.</summary>
    /// <param name="recipes">What may be cooked, without what the week has already.</param>
    public static IReadOnlyList<LeftoverUse> Of(Food food, decimal left, IEnumerable<(Guid Id, RecipeVersion Recipe)> recipes) =>
        left < Least || !GoesOff(food)
            ? []
            :
            [
                .. recipes
                    .Select(one => new LeftoverUse(
                        one.Id,
                        one.Recipe.Name,
                        one.Recipe.Lines.Where(line => line.Food?.Key == food.Key).Sum(line => line.GramsIn.Best)
                    ))
                    .Where(use => use.Grams >= left / Apart && use.Grams <= left * Apart)
                    .OrderBy(use => Math.Abs(use.Grams - left))
                    .ThenBy(use => use.Name, StringComparer.Ordinal)
                    .Take(Most),
            ];
}
