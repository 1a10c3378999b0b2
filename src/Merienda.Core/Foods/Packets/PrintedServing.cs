using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;
using Merienda.Core.Quantities;

namespace Merienda.Core.Foods.Packets;

/// <summary>
/// What a packet's values are printed for. With two bases ("2 pieces or 93 g") the weight wins and the other becomes a measure.
/// </summary>
/// <param name="Grams">Above zero.</param>
/// <param name="Count">How many of the unit weigh that, or null when only a weight is printed.</param>
/// <param name="Unit">Null with no count.</param>
/// <param name="Helping">A serving named beside the values of 100 g: "100 g; 1 slice = 10.5 g". Null when the values are for the serving
/// itself.</param>
public sealed partial record PrintedServing(decimal Grams, decimal? Count = null, Unit? Unit = null, PrintedServing? Helping = null)
{
    /// <summary>
    /// Reads "30 g", "2 pieces or 93 g", "1 cup (55 g)", "3 biscuits = 30 g", "100 g; 1 slice = 10.5 g"; a bare number is grams.
    /// </summary>
    public static Result<PrintedServing> Read(string field, string printed)
    {
        if (printed.Split(';', 2) is not [var values, var beside] || string.IsNullOrWhiteSpace(beside))
        {
            return ReadOne(field, printed.Trim().TrimEnd(';'));
        }

        var (basis, helping) = (ReadOne(field, values.Trim()), ReadOne(field, beside.Trim()));
        return (basis.Refusal ?? helping.Refusal) is { } refusal ? refusal : basis.Value with { Helping = helping.Value };
    }

    private static Result<PrintedServing> ReadOne(string field, string text)
    {
        if (Weighed(text) is not { } grams)
        {
            return new Refusal(
                "serving-without-weight",
                field,
                Short(text),
                "its weight is not in it",
                "Type what it weighs too, for example: 2 pieces or 93 g, 250 ml = 258 g"
            );
        }

        if (IsBare(text))
        {
            return Weighing(field, text, grams, null, null);
        }

        var rest = Weight().Replace(text, " ").Trim(' ', '(', ')', '=', ',', ':', ';');
        var counted = AmountReader.Read(rest);
        var words = counted?.Tail.Split([' ', '(', ')', ',', '='], StringSplitOptions.RemoveEmptyEntries) ?? [];
        return Weighing(field, text, grams, words.Length == 0 ? null : counted?.Amount.Best, words.Length == 0 ? null : UnitOf(words));
    }

    /// <summary>
    /// The weight in a text: its grams before ounces beside them, which are rounded; a bare number is grams. Null when there is none.
    /// </summary>
    public static decimal? Weighed(string text)
    {
        var found = Weight().Matches(text);
        var weight =
            found.FirstOrDefault(one => one.Groups["unit"].Value.Equals("g", StringComparison.OrdinalIgnoreCase)) ?? found.FirstOrDefault();
        var number = weight?.Groups["number"].Value ?? (IsBare(text) ? text.Trim() : "");
        return AmountReader.Read(number) is { } read
            ? read.Amount.Best * (weight is null ? 1 : Unit.Spelled(weight.Groups["unit"].Value)!.Mass.Grams)
            : null;
    }

    private static bool IsBare(string text) => Bare().IsMatch(text);

    /// <summary>Grams of one, by unit name, as a food's measures hold them.</summary>
    /// <param name="system">Whose cups and spoons the packet means.</param>
    public KeyValuePair<string, decimal>? Measure(MeasureSystem system)
    {
        if (Helping is { } helping)
        {
            return helping.Measure(system);
        }

        if (Unit is not { } unit || Count is not > 0)
        {
            return null;
        }

        var each = Grams / Count.Value;
        if (unit.Kind == UnitKind.Piece)
        {
            return new(unit.Name, each);
        }

        // A food's measures are US ones; the nearest in size keeps the packet's own way of packing.
        var own = unit.Name is "tbsp" or "tsp" ? unit : Unit.Cup;
        return new(own.Name, each * (own.VolumeIn(MeasureSystem.UnitedStates) / unit.VolumeIn(system)));
    }

    /// <summary>"fl oz" and "cups" are units; "biscuits", "fillets", "squares of it" are pieces.</summary>
    private static Unit UnitOf(string[] words) =>
        (words.Length > 1 ? Unit.Spelled($"{words[0]} {words[1]}") : null)
        ?? (Unit.Spelled(words[0]) is { Kind: not UnitKind.Mass } unit ? unit : Unit.Each);

    private static Result<PrintedServing> Weighing(string field, string text, decimal grams, decimal? count, Unit? unit) =>
        (grams, count) switch
        {
            (<= 0 or > 2_000, _) => new Refusal(
                "serving-out-of-range",
                field,
                Short(text),
                "a serving weighs above 0 and at most 2,000 g",
                "Type the grams that the values are printed for"
            ),
            (_, <= 0 or > 1_000) => new Refusal(
                "serving-out-of-range",
                field,
                Short(text),
                "a serving has above 0 and at most 1,000 pieces",
                "Type for example: 2 pieces or 93 g"
            ),
            _ => new PrintedServing(grams, count, unit),
        };

    private static string Short(string text) => text.Length > 60 ? text[..60] : text;

    [GeneratedRegex(@"(?<number>\d+([.,]\d+)?)\s*(?<unit>kg|g|oz|lb)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Weight();

    [GeneratedRegex(@"^\s*\d+([.,]\d+)?\s*$")]
    private static partial Regex Bare();
}
