using Merienda.Core.Recipes;
using Merienda.Core.Sessions;

namespace Merienda.Core.Planning;

/// <summary>What of a household's kitchen a session is cooked with.</summary>
public static class KitchenForSession
{
    private static readonly Dictionary<string, Appliance> Kinds = new()
    {
        ["oven"] = Appliance.Oven,
        ["burner"] = Appliance.Burner,
        ["pressure-cooker"] = Appliance.PressureCooker,
        ["slow-cooker"] = Appliance.SlowCooker,
        ["air-fryer"] = Appliance.AirFryer,
        ["microwave"] = Appliance.Microwave,
        ["blender"] = Appliance.Blender,
    };

    /// <summary>The kitchen that is really there; of a kind that it does not list a plain one is taken and said.</summary>
    public static SessionKitchen ForSession(this Kitchen kitchen, int cooks)
    {
        var (plain, listed) = (
            SessionKitchen.Plain,
            kitchen.Items.Where(item => Kinds.ContainsKey(item.Kind)).ToLookup(item => Kinds[item.Kind], item => item.Count)
        );
        return listed.Count == 0
            ? plain with
            {
                Cooks = cooks,
            }
            : new(
                cooks,
                listed.Contains(Appliance.Oven) ? [.. listed[Appliance.Oven]] : plain.Ovens,
                plain.Places.ToDictionary(place => place.Key, place => listed.Contains(place.Key) ? listed[place.Key].Sum() : place.Value)
            )
            {
                Unlisted = Kinds.Values.Where(kind => !listed.Contains(kind)).ToHashSet(),
            };
    }
}
