using System.Text.Json.Serialization;

namespace Merienda.Core.Protocols;

/// <summary>Counts something of some classes of food over a week: meals that hold them, different foods of them.</summary>
public abstract record ClassCountRule : BoundedRule
{
    public required string Name { get; init; }

    public required IReadOnlyList<string> Classes { get; init; }

    /// <summary>Grams that go in, from which it counts: a spoon of fish sauce is no fish meal, a pinch of parsley no plant eaten.</summary>
    public required decimal Grams { get; init; }

    [JsonIgnore]
    public override Period Period => Period.Week;

    [JsonIgnore]
    public override string Title => Name;

    // One portion counts toward a week and breaks nothing by itself.
    public override Verdict JudgePortion(Intake portion, decimal? mealShare, RuleContext context) =>
        NeedsAllowance ? Verdict.CannotTell : Verdict.Fits;
}
