using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>Steps of a dish that are done in one vessel.</summary>
/// <param name="Tasks">Their ids.</param>
/// <param name="Vessels">Of the kitchen's vessels those that hold it, the likeliest first.</param>
public sealed record DishStay(IReadOnlyList<string> Tasks, IReadOnlyList<int> Vessels);

/// <summary>Hands and appliances that a session is cooked with.</summary>
/// <param name="Cooks">1 to 4.</param>
/// <param name="Ovens">Racks of each oven.</param>
/// <param name="Places">How many tasks each other appliance takes at once; what is not named has no end.</param>
public sealed record SessionKitchen(int Cooks, IReadOnlyList<int> Ovens, IReadOnlyDictionary<Appliance, int> Places)
{
    /// <summary>A plain kitchen with one cook and an oven of one rack, where nobody said what there is [C].</summary>
    public static readonly SessionKitchen Plain = new(
        1,
        [1],
        new Dictionary<Appliance, int>
        {
            [Appliance.Burner] = 4,
            [Appliance.PressureCooker] = 1,
            [Appliance.SlowCooker] = 1,
            [Appliance.AirFryer] = 1,
            [Appliance.Microwave] = 1,
            [Appliance.Blender] = 1,
            [Appliance.Sink] = 1,
        }
    );

    /// <summary>Of an appliance that there is in several sizes how many there are of each.</summary>
    public IReadOnlyDictionary<Appliance, IReadOnlyList<int>> Sizes { get; init; } = new Dictionary<Appliance, IReadOnlyList<int>>();

    /// <summary>Which of those sizes hold what a step takes; none where no size does, or nobody knows: then any is as good.</summary>
    public Func<CookedDish, PrepTask, IReadOnlyList<int>> Holding { get; init; } = (_, _) => [];

    /// <summary>Pots, pans, trays and bowls of a known size, as the household calls them, and how many there are of each.</summary>
    public IReadOnlyList<(string Name, int Count)> Vessels { get; init; } = [];

    /// <summary>Which steps of a dish are done in one of them, and in which of them they might be.</summary>
    public Func<CookedDish, IReadOnlyList<DishStay>> StaysOf { get; init; } = _ => [];

    /// <summary>Appliances that the household does not list though it lists others.</summary>
    public IReadOnlySet<Appliance> Unlisted { get; init; } = new HashSet<Appliance>();

    /// <summary>How many tasks an appliance takes at once; null where there is no end.</summary>
    public int? PlacesOf(Appliance appliance) =>
        appliance == Appliance.Oven ? Ovens.Sum()
        : Places.TryGetValue(appliance, out var places) ? places
        : null;
}
