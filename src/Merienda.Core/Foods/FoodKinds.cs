namespace Merienda.Core.Foods;

/// <summary>
/// The foods that a word without its kind may mean: "milk" is any milk. Its numbers span them all; the first is the usual one.
/// </summary>
public sealed class FoodKinds(IReadOnlyList<Food> foods)
{
    private FoodNutrition? _nutrition;

    /// <summary>At least two.</summary>
    public IReadOnlyList<Food> Foods { get; } = foods;

    /// <summary>The usual one's values, as wide as the kinds are apart.</summary>
    public FoodNutrition Nutrition => _nutrition ??= FoodNutrition.Spanning([.. Foods.Select(food => food.Nutrition)]);
}
