using Merienda.Core.Sessions;

namespace Merienda.Solving.Tests;

/// <summary>Sessions of the demo's recipes.</summary>
internal static class DemoSession
{
    private static readonly string[] InLong =
    [
        "Beef shin with swede",
        "Turkey and courgette koftas in tomato broth",
        "Roast pepper and lentil soup",
        "Poached chicken with green sauce",
        "Buckwheat porridge with pear",
        "Chia and coconut pots",
        "Celeriac and apple slaw",
        "Rye crispbread with curd",
        "Leek and egg bakes",
    ];

    /// <summary>Nine batches as one cook makes them on a Sunday.</summary>
    public static IReadOnlyList<CookedDish> Long() => Of(InLong);

    /// <summary>So many batches, beginning anywhere among the demo's recipes.</summary>
    public static IReadOnlyList<CookedDish> Of(IEnumerable<string> names) =>
        CookedDish.Of([
            .. names.Select(
                (name, at) =>
                {
                    var recipe = DemoWeek.Dishes.First(dish => dish.Version.Name == name).Version;
                    return new BatchToCook($"{(char)('A' + at)}", Guid.NewGuid(), recipe, [new(recipe, recipe.Portions)]);
                }
            ),
        ]);
}
