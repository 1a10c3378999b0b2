using System.Collections.Frozen;
using Merienda.Core.Foods;

namespace Merienda.Core.Shopping;

/// <summary>What has to be bought for something that nobody sells as a recipe names it: cooked rice is bought dry, stock as cubes.</summary>
/// <param name="Times">Grams to buy for a gram of it, above 0.</param>
public sealed record BoughtInstead(string Food, decimal Times);

/// <summary>Foods that are bought as something else.</summary>
/// <param name="instead">By the key of the food that recipes name.</param>
public sealed class SoldAs(IEnumerable<KeyValuePair<string, BoughtInstead>> instead)
{
    public static readonly SoldAs Itself = new([]);

    private readonly FrozenDictionary<string, BoughtInstead> _instead = instead.ToFrozenDictionary();

    /// <summary>The food to buy and how many grams of it a gram takes.</summary>
    public (Food Food, decimal Times) Of(Food food, Func<string, Food?> withKey) =>
        _instead.GetValueOrDefault(food.Key) is { } bought && withKey(bought.Food) is { } other ? (other, bought.Times) : (food, 1);
}
