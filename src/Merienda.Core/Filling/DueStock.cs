using Merienda.Core.Recipes;

namespace Merienda.Core.Filling;

/// <summary>Something in stock that has to go within the week: a dish that it goes into uses it, if it is cooked in time.</summary>
/// <param name="Food">Key of its food or packet.</param>
/// <param name="Until">The last local date to use it.</param>
public sealed record DueStock(string Name, string Food, DateOnly Until)
{
    public bool IsUsedBy(RecipeVersion dish, DateOnly cooked) => cooked <= Until && dish.Lines.Any(line => line.Food?.Key == Food);
}
