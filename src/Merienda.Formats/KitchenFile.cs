using System.Text.Json;
using System.Text.Json.Nodes;
using Merienda.Core.Filling;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;

namespace Merienda.Formats;

/// <summary>When a kitchen cooks and what it has room for, as a JSON document for the command line; everything may be left out.</summary>
/// <param name="FirstDay">The weekday that weeks begin on.</param>
/// <param name="PrepDays">Weekdays on which it cooks; what is cooked is eaten from the next day on.</param>
/// <param name="FreezerBoxes">Portions that there is room for in the freezer.</param>
/// <param name="MostPortions">Most portions of a batch.</param>
/// <param name="MostTimes">How often a dish may come to one eater in a week.</param>
public sealed record KitchenFile(
    string? FirstDay = null,
    IReadOnlyList<string>? PrepDays = null,
    int? FreezerBoxes = null,
    int? MostPortions = null,
    int? MostTimes = null
)
{
    private static readonly KeyShape Weekday = new("A weekday.", "weekday", key => Enum.TryParse<DayOfWeek>(key, true, out _));

    private static readonly ObjectShape Shape = new(
        "A kitchen.",
        [
            new("firstDay", Weekday),
            new("prepDays", new ListShape("Weekdays on which it cooks.", Weekday, 7)),
            new("freezerBoxes", new NumberShape("Portions that fit into the freezer.", 0, 200, true)),
            new("mostPortions", new NumberShape("Most portions of a batch.", 1, 60, true)),
            new("mostTimes", new NumberShape("How often a dish may come to one eater in a week.", 1, 14, true)),
        ]
    );

    public static Result<KitchenFile> Read(string text)
    {
        try
        {
            var root = JsonNode.Parse(text);
            return Shape.Wrong(root, "") is { } refusal ? refusal : root.Deserialize<KitchenFile>(DataFiles.Json)!;
        }
        catch (JsonException error)
        {
            return new Refusal(
                "document-unreadable",
                $"line {error.LineNumber + 1}",
                text[..Math.Min(40, text.Length)],
                "this is not a JSON document",
                "See docs/kitchen.example.json"
            );
        }
    }

    public Rhythm Rhythm =>
        Rhythm.Usual with
        {
            FirstDay = FirstDay is null ? Rhythm.Usual.FirstDay : Enum.Parse<DayOfWeek>(FirstDay, true),
            PrepDays = PrepDays is null
                ? Rhythm.Usual.PrepDays
                : [.. PrepDays.Select(day => new PrepDay(Enum.Parse<DayOfWeek>(day, true), new(14, 0), 1, "session", 1))],
        };

    public FillWishes Wishes =>
        new(
            MostTimes ?? FillWishes.Usual.MostTimes,
            FreezerBoxes ?? FillWishes.Usual.FreezerBoxes,
            MostPortions ?? FillWishes.Usual.MostPortions
        );
}
