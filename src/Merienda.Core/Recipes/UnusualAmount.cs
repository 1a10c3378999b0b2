namespace Merienda.Core.Recipes;

/// <summary>
/// Asks about an amount that nobody eats: over a kilogram of one thing a portion, or less than a gram of what makes a meal [C].
/// </summary>
public static class UnusualAmount
{
    private const decimal Most = 1000,
        Least = 1;

    private static readonly string[] MakesAMeal = ["meat", "poultry", "fish", "crustacean", "mollusc", "grain", "legume", "tuber"];

    /// <summary>The question, or null for an amount that is nothing out of the way, or not known.</summary>
    /// <param name="portions">How many the lines make, above zero.</param>
    public static string? Of(RecipeLine line, decimal portions)
    {
        if (line.Food is not { } food || line.GramsIn.IsOpen || line.Read.Amount is null || food.IsWater)
        {
            return null;
        }

        var each = line.GramsIn.Best / portions;
        return each > Most ? $"That is {each / 1000:0.#} kg of {food.Name} a portion: is the amount right?"
            : each < Least && food.Aisle is not ("spices" or "sauces" or "baking") && MakesAMeal.Any(food.Is)
                ? $"That is {each:0.##} g of {food.Name} a portion: is the amount right?"
            : null;
    }
}
