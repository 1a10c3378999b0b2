using Merienda.Core.Foods;

namespace Merienda.Core.Protocols;

/// <summary>What a field of a rule holds.</summary>
public enum RuleFieldType
{
    Text,
    Number,

    /// <summary>Shown in percent, kept as a share from 0 to 1.</summary>
    Share,
    Switch,

    /// <summary>One of <see cref="RuleField.Options"/>.</summary>
    Choice,

    /// <summary>Several of <see cref="RuleField.Options"/>.</summary>
    Choices,

    /// <summary>Keys of food classes.</summary>
    Classes,

    /// <summary>Keys of food classes or foods.</summary>
    ClassesOrFoods,

    /// <summary>A list of <see cref="FreeFood"/>.</summary>
    FreeFoods,
}

public sealed record FieldOption(string Key, string Name);

/// <summary>One field of a rule kind: editor, API, JSON Schema and documentation are made from it.</summary>
/// <param name="Key">Name in JSON, camelCase.</param>
/// <param name="Label">Words before the field in a form.</param>
/// <param name="Unit">Unit of a number; "measure" for the unit of the rule's measure.</param>
/// <param name="Min">Lowest number, included.</param>
/// <param name="Max">Highest number, included.</param>
public sealed record RuleField(
    string Key,
    string Label,
    RuleFieldType Type,
    string Help,
    bool IsRequired = false,
    string? Unit = null,
    decimal? Min = null,
    decimal? Max = null,
    IReadOnlyList<FieldOption>? Options = null
)
{
    public const string UnitOfMeasure = "measure";

    public const decimal LargestBound = 99_999;

    public static readonly RuleField AtLeast = Bound("atLeast", "at least", "Lower bound, included.");

    public static readonly RuleField AtMost = Bound("atMost", "at most", "Upper bound, included.");

    public static readonly RuleField AsksAtLeast = new(
        "asksAtLeast",
        "each eater states the floor",
        RuleFieldType.Switch,
        "Without a stated number the rule can't tell."
    );

    public static readonly RuleField AsksAtMost = new(
        "asksAtMost",
        "each eater states the ceiling",
        RuleFieldType.Switch,
        "Without a stated number the rule can't tell."
    );

    public static readonly RuleField Tolerance = new(
        "tolerance",
        "kept within",
        RuleFieldType.Share,
        "Share of a bound that still counts as kept; without it 5 % of energy, protein and fat, else none.",
        Min: 0,
        Max: 0.5m
    );

    public static readonly RuleField Name = new(
        "name",
        "called",
        RuleFieldType.Text,
        "What the rule is called in a sentence, up to 60 characters.",
        IsRequired: true
    );

    public static readonly RuleField Free = new(
        "free",
        "not counted",
        RuleFieldType.FreeFoods,
        "Foods that are free, wholly or up to an amount that is used up over a portion, a meal or a day."
    );

    /// <summary>A choice of measures that add; points too when <paramref name="withPoints"/>.</summary>
    public static RuleField Measure(
        string key = "measure",
        string label = "what",
        bool withPoints = false,
        IEnumerable<Measure>? of = null
    ) =>
        new(
            key,
            label,
            RuleFieldType.Choice,
            "What is counted.",
            IsRequired: true,
            Options:
            [
                .. MeasureInfo
                    .All.Where(info => of?.Contains(info.Measure) ?? (withPoints || info.Measure != Foods.Measure.Points))
                    .Select(info => new FieldOption(info.Key, info.Name)),
            ]
        );

    public static RuleField Per(params Period[] periods) =>
        new(
            "per",
            "over",
            RuleFieldType.Choice,
            "What it is counted over.",
            IsRequired: true,
            Options: [.. periods.Select(period => new FieldOption(KeyOf(period), $"a {KeyOf(period)}"))]
        );

    public static RuleField Classes(string key, string label, string help) =>
        new(key, label, RuleFieldType.Classes, help, IsRequired: true);

    public static RuleField Bound(string key, string label, string help, string unit = UnitOfMeasure, decimal max = LargestBound) =>
        new(key, label, RuleFieldType.Number, help, Unit: unit, Min: 0, Max: max);

    private static string KeyOf(Period period) => period.ToString().ToLowerInvariant();
}

/// <summary>A kind of rule, described by itself.</summary>
/// <param name="Key">Its name in JSON, kebab-case.</param>
/// <param name="Summary">One sentence for the person who chooses.</param>
/// <param name="Pattern">The sentence that is edited, with a field's key in braces where its value stands.</param>
/// <param name="Example">A rule of this kind, for documentation and as the start of a new one.</param>
public sealed record RuleKind(string Key, string Name, string Summary, string Pattern, IReadOnlyList<RuleField> Fields, Rule Example)
{
    public Type Type => Example.GetType();
}
