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
        ["sink"] = Appliance.Sink,
        ["fridge"] = Appliance.Fridge,
        ["cooling-space"] = Appliance.Cooling,
    };

    /// <summary>Nobody has to list them: there is a sink in every kitchen, and room in it for what is not counted.</summary>
    private static readonly Appliance[] Everywhere = [Appliance.Sink, Appliance.Fridge, Appliance.Cooling];

    private static readonly string[] Cookers = ["pressure-cooker", "slow-cooker"];

    /// <summary>The kitchen that is really there; of a kind that it does not list a plain one is taken and said.</summary>
    public static SessionKitchen ForSession(this Kitchen kitchen, int cooks)
    {
        var (plain, listed) = (
            SessionKitchen.Plain,
            kitchen.Items.Where(item => Kinds.ContainsKey(item.Kind)).ToLookup(item => Kinds[item.Kind], item => item.Count)
        );
        var sizes = SizesOf(kitchen);
        var vessels = VesselStays.VesselsOf(kitchen);
        var room =
            listed.Count == 0
                ? plain with
                {
                    Cooks = cooks,
                }
                : new(
                    cooks,
                    listed.Contains(Appliance.Oven) ? [.. listed[Appliance.Oven]] : plain.Ovens,
                    plain
                        .Places.Keys.Union(Kinds.Values.Where(kind => kind != Appliance.Oven && listed.Contains(kind)))
                        .ToDictionary(kind => kind, kind => listed.Contains(kind) ? listed[kind].Sum() : plain.Places[kind])
                )
                {
                    Unlisted = Kinds.Values.Except(Everywhere).Where(kind => !listed.Contains(kind)).ToHashSet(),
                    Sizes = sizes.ToDictionary(
                        cooker => cooker.Key,
                        IReadOnlyList<int> (cooker) => [.. cooker.Value.Select(item => item.Count)]
                    ),
                    Holding = (dish, task) =>
                        sizes.TryGetValue(task.Appliance, out var cookers) ? VesselFit.Holding(dish, task, cookers) : [],
                };
        return room with
        {
            Vessels = [.. vessels.Select(vessel => (vessel.Name, vessel.Count))],
            StaysOf = dish => VesselStays.Of(dish, vessels),
        };
    }

    /// <summary>Which of several cookers of a kind it is, as the household calls it; null where there is one, or their sizes are not known.</summary>
    public static string? CookerOf(this Kitchen kitchen, Appliance appliance, int unit) =>
        SizesOf(kitchen).TryGetValue(appliance, out var cookers) ? cookers[unit].Name : null;

    /// <summary>Cookers of several sizes, where the size of each is known: what goes into a large one need not go into a small one.</summary>
    private static Dictionary<Appliance, IReadOnlyList<KitchenItem>> SizesOf(Kitchen kitchen) =>
        Cookers
            .Select(kind => (Appliance: Kinds[kind], Items: kitchen.Items.Where(item => item.Kind == kind).ToList()))
            .Where(cooker => cooker.Items.Count > 1 && cooker.Items.TrueForAll(item => item.CapacityMl is not null))
            .ToDictionary(cooker => cooker.Appliance, IReadOnlyList<KitchenItem> (cooker) => cooker.Items);
}
