using System.Text.Json;
using System.Text.Json.Nodes;
using Merienda.Core.Filling;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;

namespace Merienda.Formats;

/// <summary>Something bought that may fill a meal as it is.</summary>
public sealed record BoughtThing(string Line, string? Meal, int MostAWeek);

/// <summary>When a kitchen cooks and what it has room for, as a JSON document for the command line; everything may be left out.</summary>
/// <param name="FirstDay">The weekday that weeks begin on.</param>
/// <param name="PrepDays">Weekdays on which it cooks; what is cooked is eaten from the next day on.</param>
/// <param name="FreezerBoxes">Portions that there is room for in the freezer.</param>
/// <param name="MostPortions">Most portions of a batch.</param>
/// <param name="Ready">Bought things that may fill a meal.</param>
/// <param name="MostTimes">How often a dish may come to one eater in a week.</param>
public sealed record KitchenFile(
    string? FirstDay = null,
    IReadOnlyList<string>? PrepDays = null,
    int? FreezerBoxes = null,
    int? MostPortions = null,
    int? MostTimes = null,
    IReadOnlyList<BoughtThing>? Ready = null
)
{
    private static readonly KeyShape Weekday = new("A weekday.", "weekday", key => Enum.TryParse<DayOfWeek>(key, true, out _));

    private static readonly ObjectShape Bought = new(
        "Something bought.",
        [
            new("line", new TextShape("With its amount, as an ingredient line.", 120), true),
            new("meal", new TextShape("Key of the meal it is for; any when left out.", 40)),
            new("mostAWeek", new NumberShape("How often it may be used in a week.", 1, 50, true), true),
        ]
    );

    private static readonly ObjectShape Shape = new(
        "A kitchen.",
        [
            new("firstDay", Weekday),
            new("prepDays", new ListShape("Weekdays on which it cooks.", Weekday, 7)),
            new("freezerBoxes", new NumberShape("Portions that fit into the freezer.", 0, 200, true)),
            new("mostPortions", new NumberShape("Most portions of a batch.", 1, 60, true)),
            new("ready", new ListShape("Bought things that may fill a meal.", Bought, 100)),
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
