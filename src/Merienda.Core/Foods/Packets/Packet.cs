using System.Collections.Frozen;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Statements;
using Merienda.Core.Quantities;

namespace Merienda.Core.Foods.Packets;

/// <summary>Points as printed on a packet for a stated serving; they win over the formula.</summary>
/// <param name="Points">Points of the serving, zero or more.</param>
/// <param name="Grams">The serving, above zero.</param>
public sealed record TypedPoints(string Food, decimal Points, decimal Grams);

/// <summary>What makes a food a packet: the version that was typed, its label and what its statement says.</summary>
public sealed class Packet
{
    private readonly Lazy<Said> _said;

    private Packet(
        Guid id,
        int version,
        PrintedPacket printed,
        ReadPacket read,
        PacketLabel label,
        StatementLexicon lexicon,
        FoodClasses classes
    )
    {
        (Id, Version, Printed, Label, Serving, PackGrams) = (id, version, printed, label, read.Serving, read.PackGrams);
        _said = new(() => Said.Of(lexicon.Read(printed.Statement, printed.MayContain), classes));
    }

    public Guid Id { get; }

    /// <summary>From 1; what was planned with an earlier one keeps it.</summary>
    public int Version { get; }

    public PrintedPacket Printed { get; }

    public PacketLabel Label { get; }

    public PrintedServing Serving { get; }

    public decimal? PackGrams { get; }

    /// <summary>False when nobody typed the ingredients: then nobody can tell what is in it.</summary>
    public bool IsRead => Printed.Statement.Trim().Length > 0;

    public StatementReading Reading => _said.Value.Reading;

    /// <summary>Words from which nobody can tell; the whole statement when there is none.</summary>
    public IReadOnlyList<string> CannotTell => IsRead ? Reading.CannotTell : ["its ingredients, which nobody typed"];

    /// <summary>The points of a serving as printed, for any amount of it.</summary>
    public TypedPoints? Points => Printed.Points is { } points ? new(KeyOf(Id), points, (Serving.Helping ?? Serving).Grams) : null;

    /// <summary>Whether the statement names a class or one below it.</summary>
    public bool Holds(string foodClass) => _said.Value.MostShare.ContainsKey(foodClass);

    /// <summary>Most of the packet that can be of a class or those below it, 0 to 1, by the statement's percentages and order.</summary>
    public decimal MostOf(string foodClass) => _said.Value.MostShare.GetValueOrDefault(foodClass);

    /// <summary>Whether the packet warns of a class or one below it.</summary>
    public bool MayContain(string foodClass) => _said.Value.May.Contains(foodClass);

    /// <summary>What the words of its statement leave open, with every class below: a mayonnaise may hold mustard.</summary>
    public OpenClasses MayHold => _said.Value.MayHold;

    /// <summary>True when every polyol that the statement names is erythritol: then the printed polyols are.</summary>
    public bool HasOnlyErythritol =>
        IsRead && Reading.Holds.ContainsKey("erythritol") && !Reading.Holds.ContainsKey("polyol") && CannotTell.Count == 0;

    /// <summary>The key that a packet's food has.</summary>
    public static string KeyOf(Guid id) => $"packet-{id:N}";

    /// <summary>The packet a key stands for, or null.</summary>
    public static Guid? IdOf(string key) =>
        key.StartsWith("packet-", StringComparison.Ordinal) && Guid.TryParseExact(key[7..], "N", out var id) ? id : null;

    /// <summary>A food from what was printed. The statement is read when it is first asked for.</summary>
    /// <param name="read">What <see cref="PrintedPacket.Read"/> made of it.</param>
    /// <param name="countsTolerances">Whether the household counts what the law tolerates beyond rounding.</param>
    public static Food ToFood(
        Guid id,
        int version,
        PrintedPacket printed,
        ReadPacket read,
        bool countsTolerances,
        StatementLexicon lexicon,
        FoodClasses classes
    )
    {
        var label = countsTolerances ? read.Label.WithTolerances() : read.Label;
        var held = printed.Classes.SelectMany(classes.Upward).ToFrozenSet();
        return new Food
        {
            Key = KeyOf(id),
            Name = printed.Name.Trim(),
            Aisle = printed.Aisle.Trim().Length == 0 ? "packets" : printed.Aisle.Trim(),
            Profile = ProfileOf(label),
            Measures = MeasuresOf(read, printed.Country).ToFrozenDictionary(),
            Classes = held,
            Tags = [.. printed.Classes.Where(tag => !printed.Classes.Any(other => other != tag && classes.Upward(other).Contains(tag)))],
            Source = $"its packet ({LabelCountries.NameOf(printed.Country)})",
            Packet = new Packet(id, version, printed, read, label, lexicon, classes),
        };
    }

    /// <summary>What the statement says, with the classes above each one it names.</summary>
    private sealed record Said(
        StatementReading Reading,
        FrozenDictionary<string, decimal> MostShare,
        FrozenSet<string> May,
        OpenClasses MayHold
    )
    {
        public static Said Of(StatementReading reading, FoodClasses classes) =>
            new(
                reading,
                reading
                    .MostShare.SelectMany(held => classes.Upward(held.Key).Select(above => (Key: above, Share: held.Value)))
                    .GroupBy(item => item.Key)
                    .ToFrozenDictionary(item => item.Key, item => Math.Min(1, item.Sum(one => one.Share))),
                reading.MayContain.Keys.SelectMany(key => classes.Upward(key).Concat(classes.Downward(key))).ToFrozenSet(),
                classes.MayHold([.. reading.Holds.Keys], reading.MayHold.Keys)
            );
    }

    private static Dictionary<string, decimal> MeasuresOf(ReadPacket read, LabelCountry country)
    {
        var system = country switch
        {
            LabelCountry.UnitedStates => MeasureSystem.UnitedStates,
            LabelCountry.Australia => MeasureSystem.Australia,
            _ => MeasureSystem.Metric,
        };
        var measures = new Dictionary<string, decimal>();
        if (read.PackGrams is { } grams)
        {
            foreach (var unit in Unit.All.Where(unit => unit.IsPackage))
            {
                measures[unit.Name] = grams;
            }
        }

        if (read.Serving.Measure(system) is { } measure)
        {
            measures[measure.Key] = measure.Value;
        }

        return measures;
    }

    private static NutrientProfile ProfileOf(PacketLabel label)
    {
        decimal? Best(LabelNutrient nutrient) => label.Declares(nutrient) ? label.PerHundredGrams(nutrient).Best : null;
        return new()
        {
            Basis = label.Basis,
            Energy = Best(LabelNutrient.Energy),
            Protein = Best(LabelNutrient.Protein),
            Fat = Best(LabelNutrient.Fat),
            SaturatedFat = Best(LabelNutrient.SaturatedFat),
            Carbohydrate = Best(LabelNutrient.Carbohydrate),
            Fibre = Best(LabelNutrient.Fibre),
            Sugars = Best(LabelNutrient.Sugars),
            AddedSugars = Best(LabelNutrient.AddedSugars),
            Polyols = Best(LabelNutrient.Polyols),
            Allulose = Best(LabelNutrient.Allulose),
            Sodium =
                label.Declares(LabelNutrient.Sodium) || label.Declares(LabelNutrient.Salt)
                    ? label.PerHundredGrams(LabelNutrient.Sodium).Best
                    : null,
        };
    }
}
