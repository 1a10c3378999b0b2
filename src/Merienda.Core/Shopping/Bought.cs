using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Stock;

namespace Merienda.Core.Shopping;

/// <summary>What came into the basket for a thing on the list.</summary>
/// <param name="Food">Key of what was really bought.</param>
/// <param name="Amount">As it is sold: "2 × 400 g".</param>
/// <param name="Grams">Above 0.</param>
/// <param name="Cost">In the household's money; null where nobody knows.</param>
/// <param name="Shop">Empty where nobody said.</param>
public sealed record Bought(string Food, string Amount, decimal Grams, decimal? Cost, string Shop)
{
    /// <summary>Aisles whose things stand in the fridge, as most kitchens have them [C].</summary>
    private static readonly string[] Chilled = ["chilled", "eggs", "eggs and dairy", "fish", "meat", "vegetables", "fats"];

    /// <summary>Where a thing usually goes when it comes home; it is moved in the Larder.</summary>
    public static StockPlace PlaceOf(Food food) =>
        food.Aisle == "frozen" ? StockPlace.Freezer
        : food.Keeping is not null || Chilled.Contains(food.Aisle) ? StockPlace.Fridge
        : StockPlace.Pantry;

    /// <summary>The thing as it stands in stock then.</summary>
    public Result<StockItem> ToStock(Guid id, Func<string, Food?> withKey, DateOnly today)
    {
        if (withKey(Food) is not { } food)
        {
            return new Refusal("unknown-food", "food", Food, "nobody can tell which food this is", "Load the list again");
        }

        if ((Price.WrongShop(Shop) ?? Price.WrongAmount(Cost ?? 0)) is { } wrong)
        {
            return wrong;
        }

        var place = PlaceOf(food);
        return StockItem.Of(
            new(id, food.Key, food.Name, Amount, Grams, place, today, null, place == StockPlace.Freezer ? today : null, null, null, null),
            today
        );
    }
}
