using System.Text.Json;
using System.Text.Json.Nodes;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Formats;

/// <summary>
/// An eater as a JSON document for the command line: followed protocols with their choices, allowances, allergies, dislikes.
/// </summary>
/// <param name="Portion">Portions the eater usually takes of a dish.</param>
public sealed record EaterFile(
    string Name,
    IReadOnlyList<EaterFile.Followed> Protocols,
    IReadOnlyList<EaterFile.Stated>? Allowances,
    IReadOnlyList<string>? Allergies,
    IReadOnlyList<Acceptance>? Accepted,
    IReadOnlyList<string>? Dislikes,
    decimal? Portion,
    IReadOnlyList<EaterFile.Meal>? Meals = null
)
{
    /// <summary>Where a meal comes from, every day or on some weekdays.</summary>
    public sealed record Meal(string Slot, string From, IReadOnlyList<string>? Days);

    public sealed record Followed(string Id, IReadOnlyList<Chosen>? Choices);

    public sealed record Chosen(string Choice, string Option);

    public sealed record Stated(string Protocol, string Rule, decimal? AtLeast, decimal? AtMost);

    /// <summary>The eaters of a document: one, or a list of them.</summary>
    public static Result<IReadOnlyList<EaterFile>> ReadAll(string text, DataFiles data)
    {
        JsonArray? list = null;
        try
        {
            list = text.Length <= ProtocolFile.Longest ? JsonNode.Parse(text) as JsonArray : null;
        }
        catch (JsonException)
        {
            // Read says where.
        }

        var found = new List<EaterFile>();
        foreach (
            var (one, at) in (list is null ? [text] : list.Select(node => node?.ToJsonString() ?? "null")).Select((one, at) => (one, at))
        )
        {
            var read = Read(one, data);
            if (read.Refusal is { } refusal)
            {
                return refusal with { Field = list is null ? refusal.Field : $"[{at}].{refusal.Field}" };
            }

            found.Add(read.Value);
        }

        return found.Count is 0 or > MostEaters
                ? new Refusal(
                    "eaters-out-of-range",
                    "eaters",
                    $"{found.Count}",
                    $"a table has 1 to {MostEaters} eaters",
                    "Name those who eat from the prep"
                )
            : found.Select(eater => eater.Name).Distinct(StringComparer.OrdinalIgnoreCase).Count() < found.Count
                ? new Refusal(
                    "name-taken",
                    "eaters",
                    string.Join(", ", found.Select(eater => eater.Name)),
                    "two eaters have one name",
                    "Give each their own"
                )
            : found;
    }

    /// <summary>Most eaters at one table (product.md: one to six).</summary>
    public const int MostEaters = 6;

    /// <summary>The eater at a table with the usual meals.</summary>
    public Eater At(Rhythm rhythm, DataFiles data)
    {
        var meals = rhythm.Meals.ToList();
        return new(
            Guid.NewGuid(),
            Name,
            RulesFrom(data),
            [
                .. meals.Zip(
                    RhythmEdits.UsualShares(meals),
                    (slot, share) => new EaterMeal(slot.Key, share, [.. Enum.GetValues<DayOfWeek>().Select(day => SourceOf(slot.Key, day))])
                ),
            ],
            rhythm,
            Portion ?? 1
        );
    }

    private MealSource SourceOf(string slot, DayOfWeek day) =>
        (Meals ?? []).LastOrDefault(meal =>
            meal.Slot == slot && (meal.Days is null || meal.Days.Contains($"{day}", StringComparer.OrdinalIgnoreCase))
        )
            is { } said
            ? Enum.Parse<MealSource>(said.From, true)
            : MealSource.Prep;

    public static Result<EaterFile> Read(string text, DataFiles data)
    {
        if (text.Length > ProtocolFile.Longest)
        {
            return new Refusal(
                "document-too-long",
                "document",
                $"{text.Length:#,0} characters",
                $"an eater has at most {ProtocolFile.Longest:#,0} characters",
                "Send one eater"
            );
        }

        try
        {
            var root = JsonNode.Parse(text);
            return ShapeOf(data).Wrong(root, "") is { } refusal ? refusal : Complete(root.Deserialize<EaterFile>(DataFiles.Json)!, data);
        }
        catch (Exception error) when (error is JsonException or ArgumentException)
        {
            return new Refusal(
                "document-unreadable",
                (error as JsonException)?.LineNumber is { } line ? $"line {line + 1}" : "document",
                text[..Math.Min(40, text.Length)],
                "this is not a JSON document",
                "See docs/eater.example.json"
            );
        }
    }

    /// <summary>The rules that hold for this eater.</summary>
    public EaterRules RulesFrom(DataFiles data) =>
        new(
            Protocols.Select(item => new FollowedProtocol(
                data.Protocol(item.Id)!,
                (item.Choices ?? []).ToDictionary(chosen => chosen.Choice, chosen => chosen.Option)
            )),
            (Allowances ?? []).Select(item => new Allowance(item.Protocol, item.Rule, item.AtLeast, item.AtMost)),
            new(Allergies ?? [], Accepted ?? [], Dislikes ?? []),
            data.HouseScheme,
            data.Classes,
            default
        );

    private static Result<EaterFile> Complete(EaterFile eater, DataFiles data)
    {
        foreach (var (followed, at) in eater.Protocols.Select((item, at) => (item, at)))
        {
            foreach (var chosen in followed.Choices ?? [])
            {
                var choice = data.Protocol(followed.Id)!.Choices.FirstOrDefault(item => item.Id == chosen.Choice);
                if (choice?.Options.Any(option => option.Id == chosen.Option) != true)
                {
                    return new Refusal(
                        "unknown-option",
                        $"protocols[{at}].choices",
                        $"{chosen.Choice}: {chosen.Option}",
                        $"{followed.Id} offers no such choice",
                        $"Use {string.Join("; ", data.Protocol(followed.Id)!.Choices.Select(item => $"{item.Id}: {string.Join(", ", item.Options.Select(option => option.Id))}"))}"
                    );
                }
            }
        }

        foreach (var (stated, at) in (eater.Allowances ?? []).Select((item, at) => (item, at)))
        {
            if (data.Protocol(stated.Protocol)!.AllRules.OfType<BoundedRule>().All(rule => rule.Id != stated.Rule))
            {
                return new Refusal(
                    "unknown-rule",
                    $"allowances[{at}].rule",
                    stated.Rule,
                    $"{stated.Protocol} has no such limit",
                    $"Use {string.Join(", ", data.Protocol(stated.Protocol)!.AllRules.OfType<BoundedRule>().Select(rule => rule.Id).Distinct())}"
                );
            }

            if (stated.AtLeast > stated.AtMost)
            {
                return new Refusal(
                    "floor-above-ceiling",
                    $"allowances[{at}].atLeast",
                    $"{stated.AtLeast}",
                    $"the floor is above the ceiling of {stated.AtMost}",
                    "Lower the floor or raise the ceiling"
                );
            }
        }

        return Contradictions.Among(eater.RulesFrom(data).Rules).FirstOrDefault() is { } impossible
            ? new Refusal(
                "rules-exclude-each-other",
                $"allowances: {impossible.One.Id}, {impossible.Other.Id}",
                impossible.One.Title,
                $"two rules can never hold together: {impossible.Reason}",
                "Change one of the two"
            )
            : eater;
    }

    private static ObjectShape ShapeOf(DataFiles data)
    {
        var protocol = new KeyShape("Id of a protocol.", "protocol", id => data.Protocol(id) is not null);
        var foodClass = new KeyShape("Key of a food class.", "food class", data.Classes.Knows);
        var classOrFood = new KeyShape(
            "Key of a food class or a food.",
            "food class or food",
            key => data.Classes.Knows(key) || data.Foods.WithKey(key) is not null
        );
        var bound = new NumberShape("In the rule's unit.", 0, RuleField.LargestBound);
        return new(
            "An eater.",
            [
                new("name", new TextShape("What the eater is called.", 40), true),
                new(
                    "protocols",
                    new ListShape(
                        "Followed protocols.",
                        new ObjectShape(
                            "A followed protocol.",
                            [
                                new("id", protocol, true),
                                new(
                                    "choices",
                                    new ListShape(
                                        "Chosen options.",
                                        new ObjectShape(
                                            "An option.",
                                            [
                                                new("choice", new TextShape("Id of the choice.", 60), true),
                                                new("option", new TextShape("Id of the option.", 60), true),
                                            ]
                                        ),
                                        20
                                    )
                                ),
                            ]
                        ),
                        14
                    ),
                    true
                ),
                new(
                    "allowances",
                    new ListShape(
                        "Stated numbers.",
                        new ObjectShape(
                            "A stated number.",
                            [
                                new("protocol", protocol, true),
                                new("rule", new TextShape("Id of the rule.", 60), true),
                                new("atLeast", bound),
                                new("atMost", bound),
                            ]
                        ),
                        60
                    )
                ),
                new("allergies", new ListShape("Hard stops.", foodClass, 40)),
                new(
                    "accepted",
                    new ListShape(
                        "Accepted by name.",
                        new ObjectShape(
                            "An acceptance.",
                            [
                                new("what", new TextShape("Key of the food or words of the line.", 200), true),
                                new("reason", new TextShape("Why.", 200), true),
                            ]
                        ),
                        200
                    )
                ),
                new("dislikes", new ListShape("Said, never a verdict.", classOrFood, 100)),
                new("portion", new NumberShape("Portions usually taken.", 0.25m, 4)),
                new(
                    "meals",
                    new ListShape(
                        "Meals that do not come from the prep, or not on every day; a later row wins.",
                        new ObjectShape(
                            "Where a meal comes from.",
                            [
                                new(
                                    "slot",
                                    new KeyShape(
                                        "A meal: breakfast, lunch, bite or supper.",
                                        "meal",
                                        key => Rhythm.Usual.Meal(key) is not null
                                    ),
                                    true
                                ),
                                new(
                                    "from",
                                    new KeyShape(
                                        "prep, fresh, out or nothing.",
                                        "source of meals",
                                        key => Enum.TryParse<MealSource>(key, true, out _)
                                    ),
                                    true
                                ),
                                new(
                                    "days",
                                    new ListShape(
                                        "Weekdays; all when left out.",
                                        new KeyShape("A weekday.", "weekday", key => Enum.TryParse<DayOfWeek>(key, true, out _)),
                                        7
                                    )
                                ),
                            ]
                        ),
                        40
                    )
                ),
            ]
        );
    }
}
