using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>At most, at least or between, of any measure, over a portion, a meal, a day or a week.</summary>
public sealed record LimitRule : BoundedRule
{
    public static readonly RuleKind Described = new(
        "limit",
        "Limit or band",
        "At most, at least or between, of anything that is counted.",
        "{measure}: at least {atLeast}, at most {atMost} {per}",
        [
            RuleField.Measure(withPoints: true),
            RuleField.Per(Period.Portion, Period.Meal, Period.Day, Period.Week),
            RuleField.AtLeast,
            RuleField.AtMost,
            RuleField.AsksAtLeast,
            RuleField.AsksAtMost,
            RuleField.Tolerance,
            RuleField.Free,
        ],
        new LimitRule
        {
            Id = "fibre",
            Measure = Measure.Fibre,
            Per = Period.Day,
            AtLeast = 25,
        }
    );

    public required Measure Measure { get; init; }

    public required Period Per { get; init; }

    /// <summary>
    /// Share of the bound that counts as kept, 0 to 0.5; null for the measure's default: 5 % of energy, protein and fat, else 0 (domain.md
    /// section 3).
    /// </summary>
    public decimal? Tolerance { get; init; }

    /// <summary>Foods that are not counted.</summary>
    public IReadOnlyList<FreeFood> Free { get; init; } = [];

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Period Period => Per;

    [JsonIgnore]
    public override IReadOnlyList<Measure> Measures => [Measure];

    [JsonIgnore]
    public override string Title => Info.Name;

    [JsonIgnore]
    public override Scale Scale => Info.Scale;

    protected override decimal KeptShare => Tolerance ?? (Measure is Measure.Energy or Measure.Protein or Measure.Fat ? 0.05m : 0);

    private MeasureInfo Info => MeasureInfo.Of(Measure);

    public override string Sentence(FoodClasses classes) =>
        $"{Title}: {BoundsInWords()} {PeriodInWords}{(Free.Count > 0 ? $"; {Free.Count} free {(Free.Count == 1 ? "food" : "foods")}" : "")}";

    public override Finding Check(Intake intake, RuleContext context)
    {
        var value = Value(intake, context);
        var contributors = intake.Contributors(Measure, context.Scheme);
        if (NeedsAllowance)
        {
            return Unstated(value, contributors);
        }

        var verdict = Judge(value, context.OpenMeals);
        return Found(verdict, value, contributors, Reason(verdict, value, contributors, context.OpenMeals, () => UnknownParts(intake))) with
        {
            Cure = Cure(verdict, value, intake, context),
        };
    }

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context)
    {
        if (NeedsAllowance || Per is Period.Portion or Period.Meal)
        {
            return Check(portion, context);
        }

        // One portion cannot be asked to reach a day's floor; it is only held against the whole day's ceiling.
        var value = Value(portion, context);
        var verdict = Ceiling(value);
        var contributors = portion.Contributors(Measure, context.Scheme);
        var because =
            verdict == Verdict.Fits
                ? UseOfTheDay(value, mealShare)
                : Reason(verdict, value, contributors, context.OpenMeals, () => UnknownParts(portion));
        return Found(verdict, value, contributors, because) with { Cure = Cure(verdict, value, portion, context) };
    }

    /// <summary>The verdict alone of one portion's value, as <see cref="CheckPortion"/> gives it.</summary>
    public Verdict JudgePortion(Estimate value) => Per is Period.Portion or Period.Meal ? Judge(value) : Ceiling(value);

    /// <summary>Share of a ceiling of energy or points from which a day is well fed, where nobody stated a floor [C].</summary>
    private const decimal WellFed = 0.9m;

    public override IEnumerable<LinearForm> Linear(RuleContext context) =>
        IsSummed
            ?
            [
                Form(helping => Value(Intake.Of(helping), context)) with
                {
                    Aim = Measure is Measure.Energy or Measure.Points && AtMost is { } most ? (AtLeast ?? most * WellFed, most) : null,
                },
            ]
            : [];

    /// <summary>What is held against the bounds, after what is free.</summary>
    public Estimate Value(Intake intake, RuleContext context) =>
        Free.Count == 0 || Measure == Measure.Points ? intake.Value(Measure, context.Scheme) : intake.Sum(Measure, Free);

    private string? Cure(Verdict verdict, Estimate value, Intake intake, RuleContext context) =>
        Free.Count > 0
            ? null
            : CureOf(
                verdict,
                value,
                intake,
                (helping, line) =>
                    Measure == Measure.Points
                        ? Estimate.Exactly(context.Scheme?.UnroundedPointsOfLine(helping.Profile, line) ?? 0)
                        : helping.Profile[line, Measure].Estimate
            );

    private string UnknownParts(Intake intake)
    {
        var measure = Measure == Measure.Points ? Measure.Energy : Measure;
        var names = intake.Helpings.SelectMany(helping =>
            Enumerable
                .Range(0, helping.Profile.Lines.Count)
                .Where(line => helping.Profile[line, measure].IsOpen)
                .Select(line => helping.Profile.Lines[line].NameOfUnknown)
        );
        return string.Join(" and ", names.Distinct().Take(3));
    }

    private string UseOfTheDay(Estimate value, decimal? mealShare)
    {
        var shown = Scale.ShowWithUnit(value.Best);
        if (AtMost is not > 0)
        {
            return AtLeast is { } floor
                ? $"{Title}: brings {shown} of at least {Scale.ShowWithUnit(floor)} {PeriodInWords}."
                : $"{Title}: {shown}, {BoundsInWords()} {PeriodInWords}.";
        }

        var share = value.Best / AtMost.Value;
        var overMeal =
            Per == Period.Day && mealShare is { } meal && share > meal * (1 + KeptShare) ? $", more than the meal's {meal:0 %}" : "";
        return $"{Title}: {shown} uses {share:0 %} of {(Per == Period.Day ? "the day" : "the week")}{overMeal}.";
    }
}
