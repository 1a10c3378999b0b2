using Merienda.Core.Outcomes;
using Merienda.Core.Quantities;

namespace Merienda.Core.Planning;

/// <summary>An appliance or a vessel. Fields that say nothing about a kind are null.</summary>
/// <param name="Count">How many: racks of an oven, burners, pans of this size.</param>
/// <param name="CapacityMl">What fits in to the brim, ml.</param>
/// <param name="FillShare">How far it may be filled, above 0 to 1.</param>
/// <param name="WidthMm">Inner width of a flat vessel, mm.</param>
/// <param name="TareG">What it weighs empty, g; null when nobody weighed it.</param>
public sealed record KitchenItem(
    Guid Id,
    string Kind,
    string Name,
    int Count,
    int? CapacityMl,
    decimal? FillShare,
    int? WidthMm,
    int? LengthMm,
    int? TareG = null
)
{
    /// <summary>Kinds that food stands in while it is weighed.</summary>
    public static readonly IReadOnlyList<string> Vessels = ["pan", "pot", "tray", "mould", "bowl", "pressure-cooker", "slow-cooker"];

    public static readonly IReadOnlyList<string> Kinds =
    [
        "oven",
        "burner",
        "pressure-cooker",
        "slow-cooker",
        "air-fryer",
        "microwave",
        "blender",
        "sink",
        "fridge",
        "cooling-space",
        "scale",
        "pan",
        "pot",
        "tray",
        "mould",
        "bowl",
    ];
}

/// <summary>Containers of one size.</summary>
public sealed record ContainerKind(
    Guid Id,
    string Name,
    int VolumeMl,
    int Count,
    string Material,
    bool MayHeat,
    bool MayFreeze,
    bool MayFillHot
)
{
    public static readonly IReadOnlyList<string> Materials = ["glass", "plastic", "steel", "silicone", "other"];
}

/// <summary>Something bought that may fill a meal as it is.</summary>
/// <param name="Text">With its amount, as an ingredient line: "150 g skyr".</param>
/// <param name="Meal">Key of the meal that it is for; null for any.</param>
/// <param name="MostAWeek">How often it may be used in a week, for everybody together.</param>
public sealed record ReadyChoice(Guid Id, string Text, string? Meal, int MostAWeek);

/// <summary>The kitchen that is really there, and how the household counts.</summary>
/// <param name="Units">"metric" or "us".</param>
/// <param name="NumberFormat">"point" or "comma": the decimal mark.</param>
/// <param name="FreezerLitres">Room for the prep in the freezer, or null when nobody measured.</param>
public sealed record Kitchen(
    string Units,
    string NumberFormat,
    decimal? FreezerLitres,
    IReadOnlyList<KitchenItem> Items,
    IReadOnlyList<ContainerKind> Containers
)
{
    private const int MostRows = 100;

    /// <summary>Whether what the law tolerates beyond rounding widens the values of packets; off unless somebody wants it.</summary>
    public bool CountsTolerances { get; init; }

    /// <summary>What is bought and may fill a meal as it is; null, of a kitchen that is changed, leaves the list as it is.</summary>
    public IReadOnlyList<ReadyChoice>? Ready { get; init; }

    /// <summary>The first thing that is wrong, or null.</summary>
    public Refusal? Wrong() =>
        this switch
        {
            _ when Units is not ("metric" or "us") => new(
                "unknown-units",
                "units",
                Units,
                "units are metric or us",
                "Choose one of the two"
            ),
            _ when NumberFormat is not ("point" or "comma") => new(
                "unknown-number-format",
                "numberFormat",
                NumberFormat,
                "the decimal mark is a point or a comma",
                "Choose one of the two"
            ),
            _ when FreezerLitres is < 0 or > 2000 => new(
                "freezer-out-of-range",
                "freezerLitres",
                $"{FreezerLitres}",
                "a freezer has 0 to 2,000 litres",
                "Type the litres that are left for the prep"
            ),
            _ when Items.Count > MostRows || Containers.Count > MostRows || Ready?.Count > MostRows => new(
                "too-many-rows",
                "items",
                $"{Items.Count + Containers.Count}",
                $"a kitchen lists at most {MostRows} appliances and vessels and as many containers",
                "Put equal ones in one row"
            ),
            _ => Items
                .Select(WrongItem)
                .Concat(Containers.Select(WrongContainer))
                .Concat((Ready ?? []).Select(WrongReady))
                .FirstOrDefault(refusal => refusal is not null),
        };

    private static Refusal? WrongItem(KitchenItem item, int at) =>
        item switch
        {
            _ when !KitchenItem.Kinds.Contains(item.Kind) => new(
                "unknown-kind",
                $"items[{at}].kind",
                item.Kind,
                "there is no such appliance or vessel",
                $"Use one of {string.Join(", ", KitchenItem.Kinds)}"
            ),
            _ when item.Name.Trim().Length is 0 or > 60 => new(
                "name-length",
                $"items[{at}].name",
                item.Name,
                "a name has 1 to 60 characters",
                "Type what you call it"
            ),
            _ when item.Count is < 1 or > 50 => new(
                "count-out-of-range",
                $"items[{at}].count",
                $"{item.Count}",
                "there are 1 to 50 of a kind",
                "Type how many, or take the row away"
            ),
            _ when item.CapacityMl is < 1 or > 100_000 => new(
                "capacity-out-of-range",
                $"items[{at}].capacityMl",
                $"{item.CapacityMl}",
                "it holds 1 to 100,000 ml",
                "Type what fits in to the brim"
            ),
            _ when item.FillShare is <= 0 or > 1 => new(
                "fill-out-of-range",
                $"items[{at}].fillShare",
                $"{item.FillShare}",
                "a fill line stands above 0 and up to 100 %",
                "Type for example 67 %"
            ),
            _ when item.WidthMm is < 1 or > 2000 || item.LengthMm is < 1 or > 2000 => new(
                "size-out-of-range",
                $"items[{at}].widthMm",
                $"{item.WidthMm} by {item.LengthMm}",
                "a side is 1 to 2,000 mm",
                "Type the inner sides"
            ),
            _ when item.TareG is < 0 or > Portioning.MostGrams => new(
                "weight-out-of-range",
                $"items[{at}].tareG",
                $"{item.TareG}",
                $"a vessel weighs 0 to {Portioning.MostGrams} g",
                "Type what it weighs empty, in grams"
            ),
            _ => null,
        };

    private static Refusal? WrongReady(ReadyChoice ready, int at) =>
        ready switch
        {
            _ when ready.Text.Trim().Length is 0 or > 120 => new(
                "ready-length",
                $"ready[{at}].text",
                ready.Text,
                "it has 1 to 120 characters",
                "Type for example: 150 g skyr"
            ),
            _ when AmountReader.Read(ready.Text.Trim()) is null => ReadyFood.NoAmount($"ready[{at}].text", ready.Text),
            _ when ready.MostAWeek is < 1 or > 50 => new(
                "count-out-of-range",
                $"ready[{at}].mostAWeek",
                $"{ready.MostAWeek}",
                "it is used 1 to 50 times a week",
                "Type how often, or take the row away"
            ),
            _ => null,
        };

    private static Refusal? WrongContainer(ContainerKind kind, int at) =>
        kind switch
        {
            _ when kind.Name.Trim().Length is 0 or > 60 => new(
                "name-length",
                $"containers[{at}].name",
                kind.Name,
                "a name has 1 to 60 characters",
                "Type what you call it"
            ),
            _ when kind.VolumeMl is < 1 or > 20_000 => new(
                "volume-out-of-range",
                $"containers[{at}].volumeMl",
                $"{kind.VolumeMl}",
                "a container holds 1 to 20,000 ml",
                "Type the volume again"
            ),
            _ when kind.Count is < 1 or > 500 => new(
                "count-out-of-range",
                $"containers[{at}].count",
                $"{kind.Count}",
                "there are 1 to 500 of a size",
                "Type how many, or take the row away"
            ),
            _ when !ContainerKind.Materials.Contains(kind.Material) => new(
                "unknown-material",
                $"containers[{at}].material",
                kind.Material,
                "there is no such material",
                $"Use one of {string.Join(", ", ContainerKind.Materials)}"
            ),
            _ => null,
        };
}
