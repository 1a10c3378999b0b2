using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Statements;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Foods.Packets;

/// <summary>
/// A packet as a person types it from what is printed on it; everything else is derived, so that a better reader reads it anew.
/// </summary>
/// <param name="Basis">What carbohydrate holds; null for what the country says.</param>
/// <param name="Serving">What the values are for, as printed: "30 g", "2 pieces or 93 g".</param>
/// <param name="Values">By nutrient, as printed; what is not printed is left out.</param>
/// <param name="Pack">Net weight as printed: "400 g"; empty when nobody typed it.</param>
/// <param name="Price">Of one pack, in the household's money, or null.</param>
/// <param name="Points">Points of one serving from a list, or null; they win over the formula.</param>
/// <param name="OpenedDays">Days that it keeps once it is opened, as printed, or null.</param>
/// <param name="Classes">What it is, as the cook says: keys of classes.</param>
public sealed record PrintedPacket(
    string Name,
    LabelCountry Country,
    LabelBasis? Basis,
    string Serving,
    IReadOnlyDictionary<LabelNutrient, string> Values,
    string Statement,
    string MayContain,
    string Pack,
    decimal? Price,
    decimal? Points,
    int? OpenedDays,
    IReadOnlyList<string> Classes,
    string Aisle
)
{
    public const int LongestName = 120;

    /// <summary>Reads everything that is printed; the first thing that cannot be is refused with its field.</summary>
    public Result<ReadPacket> Read(FoodClasses classes)
    {
        if (Wrong(classes) is { } refusal)
        {
            return refusal;
        }

        var declared = new Dictionary<LabelNutrient, DeclaredValue>();
        foreach (var (nutrient, printed) in Values.Where(value => !string.IsNullOrWhiteSpace(value.Value)))
        {
            var value = DeclaredValue.Read(nutrient, printed);
            if (value.Refusal is { } unreadable)
            {
                return unreadable;
            }

            declared[nutrient] = value.Value;
        }

        var serving = PrintedServing.Read("serving", Serving);
        if (serving.Refusal is { } noServing)
        {
            return noServing;
        }

        var label = PacketLabel.Of(Country, Basis, serving.Value.Grams, declared);
        if (label.Refusal is { } noLabel)
        {
            return noLabel;
        }

        if (Pack.Trim().Length == 0)
        {
            return new ReadPacket(serving.Value, label.Value, null);
        }

        var pack = PackWeight.Read(Pack);
        return pack.Refusal is { } noPack ? noPack : new ReadPacket(serving.Value, label.Value, pack.Value);
    }

    /// <summary>True when nothing on it differs.</summary>
    public bool IsSameAs(PrintedPacket other) =>
        this with { Values = other.Values, Classes = other.Classes } == other
        && Values.Count == other.Values.Count
        && Values.All(value => other.Values.TryGetValue(value.Key, out var printed) && printed == value.Value)
        && Classes.ToHashSet().SetEquals(other.Classes);

    private Refusal? Wrong(FoodClasses classes) =>
        this switch
        {
            _ when $"{Name}{Serving}{Statement}{MayContain}{Pack}{Aisle}".Contains('\0', StringComparison.Ordinal) => new(
                "unreadable-text",
                "statement",
                "a letter that is none",
                "there is a letter in it that no keyboard types",
                "Paste it again as plain text"
            ),
            _ when Serving.Length > 100 => new(
                "serving-length",
                "serving",
                Serving[..60],
                "a serving has at most 100 characters",
                "Type for example: 2 pieces or 93 g"
            ),
            _ when Pack.Length > 60 => new(
                "pack-out-of-range",
                "pack",
                Pack[..60],
                "a pack has at most 60 characters",
                "Type its net weight, for example 400 g"
            ),
            _ when Name.Trim().Length is 0 or > LongestName => new(
                "packet-name-length",
                "name",
                Name.Length > 60 ? Name[..60] : Name,
                $"a packet's name has 1 to {LongestName} characters",
                "Type what you call it in the kitchen"
            ),
            _ when Aisle.Length > 60 => new(
                "aisle-length",
                "aisle",
                Aisle[..60],
                "an aisle has at most 60 characters",
                "Type a short word"
            ),
            _ when Statement.Length > StatementReader.Longest || MayContain.Length > 2_000 => new(
                "statement-too-long",
                Statement.Length > StatementReader.Longest ? "statement" : "mayContain",
                $"{Math.Max(Statement.Length, MayContain.Length):#,0} characters",
                $"a statement has at most {StatementReader.Longest:#,0} characters, the advice after it 2,000",
                "Paste the ingredients only"
            ),
            _ when Price is < 0 or > 100_000 => new(
                "price-out-of-range",
                "price",
                $"{Price}",
                "a price is between 0 and 100,000",
                "Type what one pack costs"
            ),
            _ when Points is < 0 or > 1_000 => new(
                "points-out-of-range",
                "points",
                $"{Points}",
                "a serving has between 0 and 1,000 points",
                "Type the points of one serving, as on the list"
            ),
            _ when OpenedDays is < 1 or > 365 => new(
                "opened-days-out-of-range",
                "openedDays",
                $"{OpenedDays}",
                "an opened packet keeps between 1 and 365 days",
                "Type the days that are printed on it, or leave it empty"
            ),
            _ when Classes.FirstOrDefault(key => !classes.Knows(key)) is { } unknown => new(
                "unknown-class",
                "classes",
                unknown,
                "there is no such class of food",
                "Choose one from the list"
            ),
            _ => null,
        };
}

/// <summary>What was printed, read.</summary>
/// <param name="PackGrams">Null when nobody typed it.</param>
public sealed record ReadPacket(PrintedServing Serving, PacketLabel Label, decimal? PackGrams);

/// <summary>Net weight of a pack: above 0 and at most 50 kg.</summary>
public static class PackWeight
{
    private const decimal MostGrams = 50_000;

    public static Result<decimal> Read(string printed)
    {
        var read = PrintedServing.Weighed(printed);
        return read is { } grams and > 0 and <= MostGrams
            ? grams
            : new Refusal(
                "pack-out-of-range",
                "pack",
                printed.Length > 60 ? printed[..60] : printed,
                "a pack weighs above 0 and at most 50 kg",
                "Type its net weight, for example 400 g, 1 kg or 14 oz"
            );
    }
}
