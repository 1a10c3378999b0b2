namespace Merienda.Core.Shopping;

/// <summary>The order in which most shops are walked: what is heavy or cold last [C].</summary>
public static class Aisles
{
    private static readonly string[] Walked =
    [
        "vegetables",
        "fruit",
        "bakery",
        "grains",
        "tins",
        "oils",
        "oils and vinegars",
        "sauces",
        "spices",
        "baking",
        "nuts",
        "nuts and seeds",
        "spreads",
        "snacks",
        "drinks",
        "pantry",
        "packets",
        "meat",
        "fish",
        "eggs",
        "eggs and dairy",
        "chilled",
        "fats",
        "frozen",
    ];

    /// <summary>Aisles that a household named itself come behind.</summary>
    public static int PlaceOf(string aisle) => Array.IndexOf(Walked, aisle) is >= 0 and var at ? at : Walked.Length;
}
