using Merienda.Core.Foods;
using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>How hot a dish must be inside before it is done (domain.md section 8) [M: FSIS].</summary>
/// <param name="Celsius">At least, °C.</param>
/// <param name="RestMinutes">That it then rests; 0 for none.</param>
public sealed record Doneness(int Celsius, int RestMinutes)
{
    /// <summary>From this step on a dish is hot: it must be cold again in time.</summary>
    public static bool Heats(PrepTask task) =>
        task.Appliance is not (Appliance.None or Appliance.Fridge or Appliance.Blender or Appliance.Sink or Appliance.Cooling)
        && (task.HandsOn > 0 || task.Unattended > 0);

    /// <summary>Of a dish with meat, fish or eggs in it; the strictest of them counts. Null for one without.</summary>
    public static Doneness? Of(CookedDish dish) =>
        dish
            .Lots.SelectMany(lot => lot.Dish.Ingredients)
            .SelectMany(line => line.Meanings.SelectMany(meaning => meaning.Foods).Select(food => Of(food, line.Read.Text)))
            .OfType<Doneness>()
            .OrderByDescending(one => one.Celsius)
            .ThenByDescending(one => one.RestMinutes)
            .FirstOrDefault();

    private static Doneness? Of(Food food, string words) =>
        food.Is("poultry") ? new(74, 0)
        : food.Is("processed-meat") ? null
        : food.Is("meat")
            ? IsMinced($"{food.Name} {words}") ? new(71, 0)
                : new(63, 3)
        : food.Is("fish") || food.Is("crustacean") || food.Is("mollusc") ? new(63, 0)
        : food.Is("egg") ? new(71, 0)
        : null;

    private static bool IsMinced(string words) =>
        words.Contains("mince", StringComparison.OrdinalIgnoreCase) || words.Contains("ground", StringComparison.OrdinalIgnoreCase);
}
