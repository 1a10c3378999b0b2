using System.Runtime.CompilerServices;
using Merienda.Core.Foods;

namespace Merienda.Core.Swaps;

/// <summary>How far one food is from another in a dish, 0 and up: by role, aisle, name and what 100 g of it hold [C].</summary>
internal static class Likeness
{
    /// <summary>Grams of protein, fat or carbohydrate in 100 g that weigh as much as another aisle [C].</summary>
    private const decimal GramsApart = 12;

    /// <summary>Sodium, mg in 100 g, that weighs as much as another aisle [C].</summary>
    private const decimal SodiumApart = 1_500;

    /// <summary>What is farther is another dish [C].</summary>
    private const decimal Farthest = 5.5m;

    /// <summary>A packet of the household's is so much nearer [C].</summary>
    private const decimal InTheLarder = 2;

    /// <param name="Swells">Whether it takes up water in the pot.</param>
    private sealed record Known(
        FoodRole Role,
        IReadOnlySet<string> Heads,
        decimal Served,
        bool Swells,
        decimal Protein,
        decimal Fat,
        decimal Carbohydrate,
        decimal Sodium
    );

    private static readonly ConditionalWeakTable<Food, Known> Foods = [];

    public static FoodRole RoleOf(Food food) => Of(food).Role;

    /// <summary>Grams that come out of the pot for a gram that goes in.</summary>
    public static decimal ServedOf(Food food) => Of(food).Served;

    /// <summary>Null when it cannot stand for it at all.</summary>
    public static decimal? Between(Food from, Food to)
    {
        var (one, other) = (Of(from), Of(to));
        var shares = one.Heads.Overlaps(other.Heads);
        if (!shares && !FoodRoles.Stands(from, to))
        {
            return null;
        }

        var apart = Math.Abs(one.Protein - other.Protein) + Math.Abs(one.Fat - other.Fat) + Math.Abs(one.Carbohydrate - other.Carbohydrate);
        var distance =
            (one.Role == other.Role ? 0 : 1.5m)
            + (from.Aisle == to.Aisle ? 0 : 0.5m)
            + (shares ? 0 : 1)
            + ((from.Density is null) == (to.Density is null) ? 0 : 1)
            + (one.Swells == other.Swells || other.Role == FoodRole.Vegetable ? 0 : 1.5m)
            + (apart / GramsApart)
            + (Math.Abs(one.Sodium - other.Sodium) / SodiumApart);
        // What stands in the larder anyway comes first.
        return distance > Farthest ? null
            : to.Packet is null ? distance
            : Math.Max(0, distance - InTheLarder);
    }

    private static Known Of(Food food) => Foods.GetValue(food, Make);

    /// <summary>Foods are held against each other as they are served: dry rice is not three times potatoes.</summary>
    private static Known Make(Food food)
    {
        var served = food.Yields.Count == 0 ? 1 : food.Yields.Max(one => one.Factor);
        decimal Holds(Measure measure) => food.Nutrition[measure].Best / served;
        return new(
            FoodRoles.RoleOf(food),
            food.Synonyms.Append(food.Name.Split(',')[0])
                .Select(words => words.Split(' ', StringSplitOptions.RemoveEmptyEntries).LastOrDefault("").ToLowerInvariant())
                .Where(word => word.Length > 2 && word.All(char.IsLetter))
                .ToHashSet(),
            served,
            served > 1.5m,
            Holds(Measure.Protein),
            Holds(Measure.Fat),
            Holds(Measure.AvailableCarbohydrate),
            Holds(Measure.Sodium)
        );
    }
}
