using Merienda.Core.Recipes;

namespace Merienda.Core.Filling;

/// <summary>Something that is sold in packs and goes off once one is opened: what a week's cooking leaves of it is thrown away, or has to be eaten.</summary>
/// <param name="Food">Key of the packet's food.</param>
/// <param name="Grams">In one pack, above zero.</param>
/// <param name="There">Grams in stock.</param>
/// <param name="Planned">Grams that go into batches that are planned already.</param>
public sealed record PackedFood(string Food, string Name, decimal Grams, decimal There, decimal Planned = 0)
{
    /// <summary>Grams of it that go into one portion.</summary>
    public decimal In(RecipeVersion dish) =>
        dish.Lines.Where(line => line.Food?.Key == Food).Sum(line => line.GramsIn.Best) / dish.Portions;

    /// <summary>Grams that are left of the packs that have to be bought for so many more grams; 0 where the stock is enough.</summary>
    public decimal LeftOf(decimal needed)
    {
        var lacks = Planned + needed - There;
        return lacks <= 0 ? 0 : (Math.Ceiling(lacks / Grams) * Grams) - lacks;
    }
}
