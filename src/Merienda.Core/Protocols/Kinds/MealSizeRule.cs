using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>How much may be on the plate at once, by weight or by volume: the clinic's number after bariatric surgery.</summary>
public sealed record MealSizeRule : BoundedRule
{
    public static readonly RuleKind Described = new(
        "meal-size",
        "Size of a meal",
        "How much may be eaten at one meal, by weight or by volume.",
        "Size of a meal by {by}: at least {atLeast}, at most {atMost}",
        [
            new(
                "by",
                "by",
                RuleFieldType.Choice,
                "Weight in g or volume in ml.",
                IsRequired: true,
                Options: [new("weight", "weight, g"), new("volume", "volume, ml")]
            ),
            RuleField.Bound("atLeast", "at least", "g or ml, included.", "g or ml", 5_000),
            RuleField.Bound("atMost", "at most", "g or ml, included.", "g or ml", 5_000),
            RuleField.AsksAtLeast,
            RuleField.AsksAtMost,
        ],
        new MealSizeRule
        {
            Id = "meal-size",
            By = "weight",
            AtMost = 350,
        }
    );

    /// <summary>"weight" or "volume".</summary>
    public required string By { get; init; }

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Period Period => Period.Meal;

    [JsonIgnore]
    public override string Title => $"Size of a meal by {By}";

    [JsonIgnore]
    public override Scale Scale => By == "volume" ? Scale.Millilitres : Scale.WholeGrams;

    public override string Sentence(FoodClasses classes) => $"{Title}: {BoundsInWords()}";

    // One portion may be a part of the meal only: it is not asked to fill it.
    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) =>
        Check(portion, context, this with { AtLeast = null });

    public override Verdict JudgePortion(Intake portion, decimal? mealShare, RuleContext context) =>
        NeedsAllowance ? Verdict.CannotTell : (this with { AtLeast = null }).Judge(SizeOf(portion));

    public override Finding Check(Intake intake, RuleContext context) => Check(intake, context, this);

    private Finding Check(Intake intake, RuleContext context, MealSizeRule held)
    {
        var value = SizeOf(intake);
        var contributors = intake.Contributors((helping, line) => Served(helping, line).Best / helping.Size);
        if (NeedsAllowance)
        {
            return Unstated(value, contributors);
        }

        var verdict = held.Judge(value);
        return Found(
            verdict,
            value,
            contributors,
            held.Reason(verdict, value, contributors, 0, () => string.Join(" and ", OpenParts(intake).Distinct().Take(3)))
        ) with
        {
            Notes = verdict is Verdict.TooClose or Verdict.CannotTell
                ? ["Cooking changes weight and volume: weigh the cooked batch, divide by its portions, and the number is certain."]
                : [],
        };
    }

    private Estimate SizeOf(Intake intake)
    {
        if (intake.Helpings is [var dish])
        {
            return (By == "volume" ? dish.Profile.ServedVolume : dish.Profile.ServedWeight) * dish.Size;
        }

        var tally = new Tally();
        foreach (var helping in intake.Helpings)
        {
            for (var line = 0; line < helping.Profile.Lines.Count; line++)
            {
                tally.Add(helping.Profile.Lines[line].Source, Served(helping, line));
            }
        }

        return tally.Plausible;
    }

    private Estimate Served(Helping helping, int line) =>
        By == "volume"
            ? ServedAmount.Volume(helping.Profile.Lines[line], helping.GramsOf(line))
            : ServedAmount.Weight(helping.Profile.Lines[line], helping.GramsOf(line));

    private IEnumerable<string> OpenParts(Intake intake) =>
        intake.Helpings.SelectMany(helping =>
            Enumerable
                .Range(0, helping.Profile.Lines.Count)
                .Where(line => Served(helping, line).IsOpen)
                .Select(line => helping.Profile.Lines[line].Name)
        );
}
