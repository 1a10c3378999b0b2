using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>At most, at least or between, of any measure, over a portion, a meal, a day or a week.</summary>
public sealed record LimitRule : Rule
{
    public required Measure Measure { get; init; }

    public required Period Per { get; init; }

    /// <summary>Lower bound, included, in the measure's unit.</summary>
    public decimal? AtLeast { get; init; }

    /// <summary>Upper bound, included, in the measure's unit.</summary>
    public decimal? AtMost { get; init; }

    /// <summary>A bound that each eater states for themselves; without it the rule can't tell.</summary>
    public bool AsksAtLeast { get; init; }

    public bool AsksAtMost { get; init; }

    /// <summary>Share of the bound that counts as kept; null for the measure's default: 5 % of energy, protein and fat, else 0 (domain.md section 3).</summary>
    public decimal? Tolerance { get; init; }

    [JsonIgnore]
    public override Period Period => Per;

    [JsonIgnore]
    public override string Title => MeasureInfo.Of(Measure).Name;

    [JsonIgnore]
    public bool NeedsAllowance => (AsksAtLeast && AtLeast is null) || (AsksAtMost && AtMost is null);

    private MeasureInfo Info => MeasureInfo.Of(Measure);

    private decimal KeptShare => Tolerance ?? (Measure is Measure.Energy or Measure.Protein or Measure.Fat ? 0.05m : 0);

    private Bounds Limit => new(AtLeast, AtMost, Per);

    /// <summary>The rule with what an eater stated; a bound nobody stated stays as the protocol has it.</summary>
    public LimitRule With(Allowance? allowance) => allowance is null ? this : this with { AtLeast = allowance.AtLeast ?? AtLeast, AtMost = allowance.AtMost ?? AtMost };

    public override string Sentence(FoodClasses classes) => $"{Title}: {BoundsInWords()} {PeriodInWords}";

    public override Finding Check(Intake intake, RuleContext context)
    {
        if (NeedsAllowance)
        {
            return Unstated(intake, context);
        }

        var value = intake.Value(Measure, context.Scheme);
        var verdict = new[] { Ceiling(value, AtMost), Floor(value, context.OpenMeals) }.RollUp();
        var contributors = intake.Contributors(Measure, context.Scheme);
        return Found(verdict, value, contributors, Reason(verdict, value, intake, contributors, context));
    }

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context)
    {
        if (NeedsAllowance)
        {
            return Unstated(portion, context);
        }

        if (Per is Period.Portion or Period.Meal)
        {
            return Check(portion, context);
        }

        // One portion cannot be asked to reach a day's floor; it is only held against the whole day's ceiling.
        var value = portion.Value(Measure, context.Scheme);
        var verdict = Ceiling(value, AtMost);
        var contributors = portion.Contributors(Measure, context.Scheme);
        return Found(verdict, value, contributors, verdict == Verdict.Fits ? UseOfTheDay(value, mealShare) : Reason(verdict, value, portion, contributors, context));
    }

    private Verdict Ceiling(Estimate value, decimal? atMost)
    {
        if (atMost is not { } most)
        {
            return Verdict.Fits;
        }

        var kept = most * (1 + KeptShare);
        return value switch
        {
            { Low: var low } when low > kept => Verdict.Breaks,
            { High: null } => Verdict.CannotTell,
            { High: { } high } when high <= kept => Verdict.Fits,
            _ => Verdict.TooClose,
        };
    }

    private Verdict Floor(Estimate value, int openMeals)
    {
        if (AtLeast is not { } least)
        {
            return Verdict.Fits;
        }

        var kept = least * (1 - KeptShare);
        return value switch
        {
            { Low: var low } when low >= kept => Verdict.Fits,
            { High: { } high } when high < kept => openMeals > 0 ? Verdict.CannotTell : Verdict.Breaks,
            { High: null } => Verdict.CannotTell,
            _ => openMeals > 0 ? Verdict.CannotTell : Verdict.TooClose,
        };
    }

    private Finding Found(Verdict verdict, Estimate value, IReadOnlyList<Contributor> contributors, string because) =>
        new(Id, Title, verdict, Measure, value, Limit, contributors, because);

    private Finding Unstated(Intake intake, RuleContext context) =>
        Found(Verdict.CannotTell, intake.Value(Measure, context.Scheme), intake.Contributors(Measure, context.Scheme), $"{Title}: nobody stated how much {PeriodInWords} is allowed.") with { NeedsAllowance = true };

    private string Reason(Verdict verdict, Estimate value, Intake intake, IReadOnlyList<Contributor> contributors, RuleContext context)
    {
        var shown = Info.ShowWithUnit(value.Best);
        if (verdict == Verdict.Fits)
        {
            return $"{Title}: {shown}, {BoundsInWords()} {PeriodInWords}.";
        }

        var range = value.High is { } high && high != value.Low ? $" (between {Info.Show(value.Low)} and {Info.Show(high)})" : "";
        var most = contributors.Where(item => item.Amount > 0).Take(2).Select(item => $"{item.Name} {Info.ShowWithUnit(item.Amount)}").ToList();
        var from = most.Count > 0 ? $"; most of it from {string.Join(" and ", most)}" : "";
        return verdict switch
        {
            Verdict.Breaks when AtMost is { } ceiling && value.Low > ceiling => $"{Title}: {shown}, over {Info.ShowWithUnit(ceiling)} {PeriodInWords}{from}.",
            Verdict.Breaks => $"{Title}: {shown}, below {Info.ShowWithUnit(AtLeast!.Value)} {PeriodInWords}.",
            Verdict.CannotTell when value.IsOpen => $"{Title}: {shown} is known, but nobody knows it of {UnknownParts(intake)}; the limit is {BoundsInWords()} {PeriodInWords}.",
            Verdict.CannotTell => $"{Title}: {shown} so far of {BoundsInWords()} {PeriodInWords}; {context.OpenMeals} {(context.OpenMeals == 1 ? "meal is" : "meals are")} still open.",
            _ => $"{Title}: {shown}{range} is too close to {BoundsInWords()} {PeriodInWords}{from}.",
        };
    }

    private string UnknownParts(Intake intake)
    {
        var measure = Measure == Measure.Points ? Measure.Energy : Measure;
        var names = intake.Helpings.SelectMany(helping => Enumerable.Range(0, helping.Profile.Lines.Count)
            .Where(line => helping.Profile[line, measure].IsOpen)
            .Select(line => helping.Profile.Lines[line].Name));
        return string.Join(" and ", names.Distinct().Take(3));
    }

    private string UseOfTheDay(Estimate value, decimal? mealShare)
    {
        var shown = Info.ShowWithUnit(value.Best);
        if (AtMost is not > 0)
        {
            return AtLeast is { } floor ? $"{Title}: brings {shown} of at least {Info.ShowWithUnit(floor)} {PeriodInWords}." : $"{Title}: {shown}, {BoundsInWords()} {PeriodInWords}.";
        }

        var share = value.Best / AtMost.Value;
        var overMeal = Per == Period.Day && mealShare is { } meal && share > meal * (1 + KeptShare) ? $", more than the meal's {meal:0 %}" : "";
        return $"{Title}: {shown} uses {share:0 %} of {(Per == Period.Day ? "the day" : "the week")}{overMeal}.";
    }

    private string BoundsInWords() => (AtLeast, AtMost) switch
    {
        ({ } least, { } most) => $"between {Info.Show(least)} and {Info.ShowWithUnit(most)}",
        ({ } least, _) => $"at least {Info.ShowWithUnit(least)}",
        (_, { } most) => $"at most {Info.ShowWithUnit(most)}",
        _ => "an amount you state",
    };

    private string PeriodInWords => Per switch { Period.Portion => "a portion", Period.Meal => "a meal", Period.Day => "a day", _ => "a week" };
}
