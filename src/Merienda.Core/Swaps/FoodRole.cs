using Merienda.Core.Foods;

namespace Merienda.Core.Swaps;

/// <summary>What a food does in a dish: another of its role can stand for it.</summary>
public enum FoodRole
{
    Other,
    Seasoning,
    Sweetener,
    Drink,
    Fat,
    Nut,

    /// <summary>What a dish is cooked in that brings next to nothing: water, stock.</summary>
    Stock,

    /// <summary>Meat, fish, and what is eaten instead of them.</summary>
    Main,
    Egg,
    Pulse,
    Starch,
    Vegetable,
    Fruit,
    Dairy,
    Sauce,
    Baking,
}

/// <summary>The role of a food, by what it is and holds [C].</summary>
public static class FoodRoles
{
    private static readonly string[] Flesh = ["meat", "poultry", "fish", "crustacean", "mollusc"];

    private static readonly string[] Stocks = ["water", "stock", "broth", "bouillon"];

    /// <summary>From so much fat on, g in 100 g, a food is the fat of a dish [C].</summary>
    private const decimal FatFrom = 60;

    /// <summary>From so much protein on, g in 100 g, what is neither meat nor pulse is eaten instead of them [C].</summary>
    private const decimal MainFrom = 12;

    public static FoodRole RoleOf(Food food)
    {
        bool Is(params ReadOnlySpan<string> classes)
        {
            foreach (var one in classes)
            {
                if (food.Is(one))
                {
                    return true;
                }
            }

            return false;
        }

        var (protein, fat) = (food.Nutrition[Measure.Protein].Best, food.Nutrition[Measure.Fat].Best);
        return 0 switch
        {
            _ when Stocks.Contains(food.Name.Split(',')[0].Split(' ')[^1], StringComparer.OrdinalIgnoreCase) => FoodRole.Stock,
            _ when Is("herb", "spice", "salt", "garlic") || food.Aisle == "spices" => FoodRole.Seasoning,
            _ when fat >= FatFrom && !Is("tree-nut", "seed", "peanut", "coconut") => FoodRole.Fat,
            _ when Is("added-sugar", "sweetener") && protein < 2 && food.Aisle != "sauces" && !Is("fruit") => FoodRole.Sweetener,
            _ when food.Aisle is "oils and vinegars" or "sauces" or "spreads" => FoodRole.Sauce,
            _ when Is("egg") && !Is("wheat") => FoodRole.Egg,
            _ when Is(Flesh) => FoodRole.Main,
            _ when Is("tree-nut", "seed", "peanut") && fat >= 20 => FoodRole.Nut,
            _ when Is("dairy")
                    || (food.Aisle is "chilled" or "eggs and dairy" && protein < MainFrom && !Is("vegetable", "fruit", "tuber", "wheat")) =>
                FoodRole.Dairy,
            _ when Is("legume") => protein >= MainFrom && food.Aisle == "chilled" ? FoodRole.Main : FoodRole.Pulse,
            _ when Is("alcohol") || food.Aisle == "drinks" => FoodRole.Drink,
            _ when food.Aisle == "chilled" && protein >= MainFrom => FoodRole.Main,
            _ when food.Aisle == "baking" => FoodRole.Baking,
            _ when Is("grain", "tuber") => FoodRole.Starch,
            _ when Is("vegetable", "allium", "nightshade") || food.Aisle == "vegetables" => FoodRole.Vegetable,
            _ when Is("fruit") => FoodRole.Fruit,
            _ => FoodRole.Other,
        };
    }

    private static readonly HashSet<(FoodRole From, FoodRole To)> Standing =
    [
        (FoodRole.Main, FoodRole.Pulse),
        (FoodRole.Pulse, FoodRole.Main),
        (FoodRole.Pulse, FoodRole.Starch),
        (FoodRole.Pulse, FoodRole.Vegetable),
        (FoodRole.Starch, FoodRole.Pulse),
        (FoodRole.Starch, FoodRole.Vegetable),
        (FoodRole.Starch, FoodRole.Baking),
        (FoodRole.Baking, FoodRole.Starch),
        (FoodRole.Fruit, FoodRole.Vegetable),
        (FoodRole.Sweetener, FoodRole.Fruit),
        (FoodRole.Seasoning, FoodRole.Vegetable),
        (FoodRole.Drink, FoodRole.Sauce),
    ];

    /// <summary>Whether one food can stand for another at all: pulses for meat or for rice, vegetables for rice [C].</summary>
    public static bool Stands(Food from, Food to) =>
        (RoleOf(from), RoleOf(to)) is var (one, other)
        && (
            one == other
            || Standing.Contains((one, other))
            // What is eaten instead of meat is eaten instead of cheese and eggs too.
            || (one is FoodRole.Dairy or FoodRole.Egg && other == FoodRole.Main && !Flesh.Any(to.Is))
        );
}
