using System.Collections.Frozen;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Keeping;
using Merienda.Core.Quantities;

namespace Merienda.Core.Foods;

/// <summary>[M] from memory of the published source named beside it; [C] common practice.</summary>
public enum SourceMark
{
    M,
    C,

    /// <summary>Typed from a packet by the household itself.</summary>
    Printed,
}

/// <summary>Grams cooked for a gram raw, by one method.</summary>
public sealed record FoodYield(string Method, decimal Factor, string Source, SourceMark Mark);

/// <summary>One version of a food: what it is called, holds per 100 g of edible part, weighs by measure, and is.</summary>
public sealed class Food
{
    /// <summary>Natural spread of a table food, ± 5 % [C] (domain.md section 3).</summary>
    public const decimal TableSpread = 0.05m;

    private FoodNutrition? _nutrition;
    private (FodmapContent Content, decimal CutOff)[]? _fodmaps;
    private Foods.Fodmaps.OfCutOff? _ofCutOff;

    public required string Key { get; init; }

    public required string Name { get; init; }

    /// <summary>Out of the tap: nobody buys it.</summary>
    public bool IsWater => Key == "water";

    public IReadOnlyList<string> Synonyms { get; init; } = [];

    public required string Aisle { get; init; }

    public required NutrientProfile Profile { get; init; }

    /// <summary>
    /// Grams of one household measure by unit name; cup and spoons are US ones. "drained" is the percentage of a tin's net weight that is
    /// left when drained.
    /// </summary>
    public required FrozenDictionary<string, decimal> Measures { get; init; }

    /// <summary>The food's class tags with every class above them.</summary>
    public required FrozenSet<string> Classes { get; init; }

    /// <summary>The tags as given, without the classes above.</summary>
    public IReadOnlyList<string> Tags { get; init; } = [];

    /// <summary>What packets of it differ by; none where the name settles it.</summary>
    public OpenClasses MayHold { get; init; } = OpenClasses.None;

    /// <summary>The tags of what packets differ by, as given.</summary>
    public IReadOnlyList<string> MayTags { get; init; } = [];

    /// <summary>Published FODMAP content, or null when nobody published it.</summary>
    public FodmapProfile? Fodmaps { get; init; }

    /// <summary>Grams of one millilitre, above 0 and at most 3; null for what is not poured, or when nobody published it.</summary>
    public decimal? Density { get; init; }

    /// <summary>What comes out of the pot, by method; empty when nobody published it.</summary>
    public IReadOnlyList<FoodYield> Yields { get; init; } = [];

    /// <summary>How it keeps as it is bought; null when the date printed on it is all there is.</summary>
    public KeepingClass? Keeping { get; init; }

    /// <summary>Usual pack sizes, net g, rising.</summary>
    public IReadOnlyList<decimal> Packs { get; init; } = [];

    public required string Source { get; init; }

    public SourceMark Mark { get; init; } = SourceMark.Printed;

    /// <summary>The packet it was typed from; null for a food of the table.</summary>
    public Packet? Packet { get; init; }

    public FoodNutrition Nutrition =>
        _nutrition ??= Packet is { } packet
            ? FoodNutrition.From(packet, IsVegetable, PolyolCredit.Default)
            : FoodNutrition.From(Profile, TableSpread, IsVegetable, PolyolCredit.Default);

    /// <summary>Content and cut-off by FODMAP sub-group, worked out once.</summary>
    internal (FodmapContent Content, decimal CutOff)[] FodmapContents => _fodmaps ??= Foods.Fodmaps.Of(this);

    /// <summary>What one gram brings of the cut-offs, worked out once.</summary>
    internal Foods.Fodmaps.OfCutOff OfCutOff => _ofCutOff ??= Foods.Fodmaps.OfCutOff.Of(FodmapContents);

    /// <summary>What it is: rules that count a food's own grams ask this.</summary>
    public bool Is(string foodClass) => Classes.Contains(foodClass);

    /// <summary>What it is or has in it: a packet's statement counts too. Rules that leave out ask this.</summary>
    public bool Contains(string foodClass) => Is(foodClass) || Packet?.Holds(foodClass) == true;

    /// <summary>Whether nobody can tell without reading a packet if a class, or one below it, is in it.</summary>
    public bool MayContain(string foodClass) => MayHold.Holds(foodClass) || Packet?.MayHold.Holds(foodClass) == true;

    /// <summary>What packets differ by and what a packet warns of or leaves open.</summary>
    public IEnumerable<string> AllMayHold =>
        Packet is null ? MayHold.Kinds : MayHold.Kinds.Concat(Packet.MayHold.Kinds).Concat(Packet.Reading.MayContain.Keys);

    /// <summary>Words of a packet from which nobody can tell what is in it; empty for a food of the table.</summary>
    public IReadOnlyList<string> Untold => Packet?.CannotTell ?? [];

    /// <summary>The tags with what a packet's statement names.</summary>
    public IEnumerable<string> AllTags => Packet is null ? Tags : Tags.Concat(Packet.Reading.Holds.Keys);

    /// <summary>Grams in one unit of this food, or null when only the cook can say: no measure and no density is invented.</summary>
    /// <param name="forms">Words that say how it was cut: a cup of sliced almonds holds fewer than one of whole ones.</param>
    public Mass? WeightOf(Unit unit, MeasureSystem system, IReadOnlyCollection<string>? forms = null)
    {
        if (unit.Kind == UnitKind.Mass)
        {
            return unit.Mass;
        }

        if (unit.Kind == UnitKind.Piece)
        {
            return Measures.TryGetValue(unit.Name, out var grams) ? new Mass(grams) : null;
        }

        var volume = unit.VolumeIn(system);
        // The measure nearest in size describes the food best: a spoon of oats packs otherwise than a cup of them.
        var form = forms?.FirstOrDefault(word => VolumeMeasures.Any(measure => Measures.ContainsKey($"{measure.Name}.{word}")));
        (Mass Weight, decimal Apart)? nearest = null;
        foreach (var measure in VolumeMeasures)
        {
            if (Measures.TryGetValue(form is null ? measure.Name : $"{measure.Name}.{form}", out var held))
            {
                var times = volume / measure.VolumeIn(MeasureSystem.UnitedStates);
                var apart = times >= 1 ? times : 1 / times;
                nearest = nearest is { } other && other.Apart <= apart ? other : (new(held * times), apart);
            }
        }

        return nearest?.Weight ?? (Density is { } density ? new Mass(density * volume.Millilitres) : null);
    }

    private bool IsVegetable => Classes.Contains("vegetable") && !Classes.Contains("tuber");

    private static readonly Unit[] VolumeMeasures = [Unit.Cup, Unit.Tablespoon, Unit.Teaspoon];
}
