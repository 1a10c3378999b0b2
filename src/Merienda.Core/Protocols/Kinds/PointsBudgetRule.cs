using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>
/// A day's points with, where the scheme has them, a weekly reserve to draw on and unused points that go to the next day (domain.md section
/// 4; both off by default).
/// </summary>
public sealed record PointsBudgetRule : BoundedRule
{
    public static readonly RuleKind Described = new(
        "points-budget",
        "Points budget",
        "A day's points, with a weekly reserve and a carry-over when the scheme has them.",
        "Points: at most {atMost} a day; {reserve} more over the week; up to {carryOver} unused go to the next day",
        [
            RuleField.Bound("atMost", "at most", "Points a day, included.", "points", 1_000),
            RuleField.AsksAtMost,
            RuleField.Bound("reserve", "reserve", "Points of a week that any day may draw on.", "points", 1_000),
            RuleField.Bound("carryOver", "carried over", "Most unused points that go from one day to the next.", "points", 1_000),
        ],
        new PointsBudgetRule
        {
            Id = "points",
            AtMost = 24,
            Reserve = 10,
        }
    );

    /// <summary>Points a week beyond the days' budgets; 0 for none.</summary>
    public decimal Reserve { get; init; }

    /// <summary>Most unused points that go from one day to the next; 0 for none.</summary>
    public decimal CarryOver { get; init; }

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Period Period => Period.Day;

    [JsonIgnore]
    public override IReadOnlyList<Measure> Measures => [Measure.Points];

    [JsonIgnore]
    public override string Title => "Points";

    [JsonIgnore]
    public override Scale Scale => MeasureInfo.Of(Measure.Points).Scale;

    private bool HasSlack => Reserve > 0 || CarryOver > 0;

    public override string Sentence(FoodClasses classes) =>
        $"{Title}: {BoundsInWords()} a day{(Reserve > 0 ? $", {Scale.Show(Reserve)} more over the week" : "")}{(CarryOver > 0 ? $", up to {Scale.Show(CarryOver)} unused go to the next day" : "")}";

    /// <summary>Share of a budget from which a day is well fed [C].</summary>
    private const decimal WellFed = 0.85m;

    public override IEnumerable<LinearForm> Linear(RuleContext context)
    {
        if (!IsSummed || AtMost is not { } budget)
        {
            yield break;
        }

        Brought Points(Helping helping) => Intake.Of(helping).Value(Measure.Points, context.Scheme);
        yield return Form(Points) with
        {
            AtMost = budget + Reserve + CarryOver,
            Aim = (budget * WellFed, budget),
        };
        if (HasSlack)
        {
            yield return Form(Points) with
            {
                Period = Period.Week,
                AtMost = Reserve,
                Account = new(budget, CarryOver),
            };
        }
    }

    public override Finding Check(Intake intake, RuleContext context) => Judged(intake, context, finding => finding);

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) =>
        Judged(
            portion,
            context,
            finding =>
                finding.Verdict != Verdict.Fits || AtMost is not > 0
                    ? finding
                    : finding with
                    {
                        Because =
                            $"{Title}: {Scale.Show(finding.Value!.Value.Best)} uses {finding.Used:0 %} of the day{(mealShare is { } meal && finding.Used > meal ? $", more than the meal's {meal:0 %}" : "")}.",
                    }
        );

    public override Verdict JudgePortion(Intake portion, decimal? mealShare, RuleContext context) =>
        NeedsAllowance ? Verdict.CannotTell : JudgeDay(portion.Value(Measure.Points, context.Scheme));

    /// <summary>A day over its budget breaks only past what the week's account can give it.</summary>
    private Verdict JudgeDay(Estimate value) => Ceiling(value) is var verdict && IsCovered(verdict, value) ? Verdict.Fits : verdict;

    private bool IsCovered(Verdict verdict, Estimate value) =>
        verdict == Verdict.Breaks && HasSlack && value.High <= AtMost + Reserve + CarryOver;

    /// <summary>Runs the week's account: what a day is over its budget comes from what was carried to it, then from the reserve.</summary>
    public override Finding? CheckWeek(IReadOnlyList<Intake> days, RuleContext context)
    {
        if (!HasSlack || NeedsAllowance || AtMost is not { } budget)
        {
            return null;
        }

        var points = days.Select(day => day.Value(Measure.Points, context.Scheme)).ToList();
        var account = new DayAccount(budget, CarryOver);
        var best = account.Drawn(points.Select(day => day.Best));
        var low = Math.Min(best, account.Drawn(points.Select(day => day.Low)));
        decimal? high = points.Any(day => day.IsOpen) ? null : Math.Max(best, account.Drawn(points.Select(day => day.High!.Value)));
        var drawn = high is { } most ? Estimate.Between(low, best, most) : Estimate.AtLeast(low, best);
        var reserve = this with { AtMost = Reserve };
        var verdict = reserve.Ceiling(drawn);
        return new(
            $"{Id}-reserve",
            "Weekly reserve",
            verdict,
            Scale,
            drawn,
            new(null, Reserve, Period.Week),
            [],
            verdict == Verdict.Breaks
                ? $"Weekly reserve: {Scale.Show(best)} of {Scale.Show(Reserve)} points would be drawn."
                : $"Weekly reserve: {Scale.Show(best)} of {Scale.Show(Reserve)} points are drawn{(verdict == Verdict.Fits ? "" : ", too close to tell")}."
        );
    }

    private Finding Judged(Intake intake, RuleContext context, Func<Finding, Finding> onItsOwn)
    {
        var value = intake.Value(Measure.Points, context.Scheme);
        var contributors = intake.Contributors(Measure.Points, context.Scheme);
        if (NeedsAllowance)
        {
            return Unstated(value, contributors);
        }

        var verdict = Ceiling(value);
        var found = Found(
            verdict,
            value,
            contributors,
            Reason(
                verdict,
                value,
                contributors,
                context.OpenMeals,
                () => string.Join(" and ", intake.UnknownLines.DefaultIfEmpty("a part").Take(3))
            )
        );
        if (IsCovered(verdict, value))
        {
            // The day alone cannot break: the week's account decides.
            return found with
            {
                Verdict = Verdict.Fits,
                Because =
                    $"{Title}: {Scale.Show(value.Best)}, {Scale.Show(value.Best - AtMost!.Value)} over the day's {Scale.Show(AtMost.Value)}, drawn from what is carried over and in reserve.",
            };
        }

        return onItsOwn(
            found with
            {
                Cure = CureOf(
                    verdict,
                    value,
                    intake,
                    (helping, line) => Estimate.Exactly(context.Scheme?.UnroundedPointsOfLine(helping.Profile, line) ?? 0)
                ),
            }
        );
    }
}
