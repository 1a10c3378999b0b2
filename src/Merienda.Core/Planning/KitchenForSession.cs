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

    private static readonly string[] Cookers = ["pressure-cooker", "slow-cooker"];

    /// <summary>The kitchen that is really there; of a kind that it does not list a plain one is taken and said.</summary>
    public static SessionKitchen ForSession(this Kitchen kitchen, int cooks)
    {
        var (plain, listed) = (
            SessionKitchen.Plain,
            kitchen.Items.Where(item => Kinds.ContainsKey(item.Kind)).ToLookup(item => Kinds[item.Kind], item => item.Count)
        );
        var sizes = SizesOf(kitchen);
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
                Sizes = sizes.ToDictionary(
                    cooker => cooker.Key,
                    IReadOnlyList<int> (cooker) => [.. cooker.Value.Select(item => item.Count)]
                ),
                Holding = (dish, task) => sizes.TryGetValue(task.Appliance, out var cookers) ? VesselFit.Holding(dish, task, cookers) : [],
            };
    }

    /// <summary>Cookers of several sizes, where the size of each is known: what goes into a large one need not go into a small one.</summary>
    private static Dictionary<Appliance, IReadOnlyList<KitchenItem>> SizesOf(Kitchen kitchen) =>
        Cookers
            .Select(kind => (Appliance: Kinds[kind], Items: kitchen.Items.Where(item => item.Kind == kind).ToList()))
            .Where(cooker => cooker.Items.Count > 1 && cooker.Items.TrueForAll(item => item.CapacityMl is not null))
            .ToDictionary(cooker => cooker.Appliance, IReadOnlyList<KitchenItem> (cooker) => cooker.Items);
}
