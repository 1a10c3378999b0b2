using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>Heavy meals are paired with light ones: no two meals a day above a bound, and beside one the others stay low [C].</summary>
public sealed record PairingRule : BoundedRule
{
    public static readonly RuleKind Described = new(
        "pairing",
        "Pairing",
        "At most one heavy meal a day; beside it the others stay light.",
        "{measure}: no two meals a day above {atMost}; beside such a meal the others stay at {besideIt} or less",
        [
            RuleField.Measure(),
            RuleField.Bound("atMost", "above", "From here on a meal is heavy; in the measure's unit."),
            RuleField.AsksAtMost,
            RuleField.Bound(
                "besideIt",
                "the others at most",
                "What the other meals hold beside a heavy one; without it only two heavy meals break."
            ),
        ],
        new PairingRule
        {
            Id = "fat-pairing",
            Measure = Measure.Fat,
            AtMost = 25,
        }
    );

    public required Measure Measure { get; init; }

    /// <summary>In the measure's unit; null when only two heavy meals break.</summary>
    public decimal? BesideIt { get; init; }

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Period Period => Period.Day;

    [JsonIgnore]
    public override IReadOnlyList<Measure> Measures => [Measure];

    [JsonIgnore]
    public override string Title => $"Pairing by {MeasureInfo.Of(Measure).Name.ToLowerInvariant()}";

    [JsonIgnore]
    public override Scale Scale => MeasureInfo.Of(Measure).Scale;

    public override string Sentence(FoodClasses classes) =>
        AtMost is { } most
            ? $"{Title}: no two meals a day above {Scale.ShowWithUnit(most)}{(BesideIt is { } light ? $"; beside such a meal the others at most {Scale.ShowWithUnit(light)}" : "")}"
            : $"{Title}: no two heavy meals a day, from an amount you state";

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context)
    {
        var value = portion.Sum(Measure);
        if (NeedsAllowance)
        {
            return Unstated(value, []);
        }

        var says = Weight(value) switch
        {
            true => "is a heavy meal; the day's other meals should be light",
            false => "is a light meal",
            _ => "may be a heavy meal",
        };
        return Found(Verdict.Fits, value, portion.Contributors(Measure, null), $"{Title}: {Scale.ShowWithUnit(value.Best)} {says}.");
    }

    public override Verdict JudgePortion(Intake portion, decimal? mealShare, RuleContext context) =>
        NeedsAllowance ? Verdict.CannotTell : Verdict.Fits;

    public override Finding Check(Intake intake, RuleContext context)
    {
        var meals = intake
            .Helpings.Select((helping, at) => (helping, over: (object?)helping.At ?? at))
            .GroupBy(item => item.over, item => item.helping)
            .Select(meal => (Name: meal.First().At?.Meal.Name ?? meal.First().Name, Value: new Intake([.. meal]).Sum(Measure)))
            .OrderByDescending(meal => meal.Value.Best)
            .ToList();
        var heaviest = meals.Count == 0 ? Estimate.Zero : meals[0].Value;
        if (NeedsAllowance)
        {
            return Unstated(heaviest, []);
        }

        var contributors = meals.Select(meal => new Contributor(meal.Name, meal.Value.Best)).ToList();
        var verdict =
            meals.Count < 2
                ? Verdict.Fits
                : meals.SelectMany((one, at) => meals.Skip(at + 1).Select(other => Pair(one.Value, other.Value))).RollUp();
        return Found(
            verdict,
            heaviest,
            contributors,
            verdict == Verdict.Fits
                ? $"{Sentence(context.Classes)}; kept."
                : $"{Title}: {meals[0].Name} {Scale.ShowWithUnit(meals[0].Value.Best)} and {meals[1].Name} {Scale.ShowWithUnit(meals[1].Value.Best)} {(verdict == Verdict.Breaks ? "do not go together" : "may not go together")}; {Sentence(context.Classes)[(Title.Length + 2)..]}."
        ) with
        {
            Value = null,
        };
    }

    /// <summary>More meals than a day has.</summary>
    private const int ManyMeals = 10;

    /// <summary>
    /// A heavy meal takes all the room of a day, one that is too much beside it a tenth: two heavy ones do not go in, nor one of each.
    /// </summary>
    public override IEnumerable<LinearForm> Linear(RuleContext context)
    {
        if (NeedsAllowance || AtMost is not { } most)
        {
            yield break;
        }

        var beside = Math.Min(BesideIt ?? most, most);
        yield return Form(helping =>
            helping.Profile.Total(Measure) * helping.Size is var value && value.IsOpen
                ? Estimate.Unknown
                : Estimate.Exactly(
                    value.Best > most ? ManyMeals
                    : value.Best > beside ? 1
                    : 0
                )
        ) with
        {
            AtLeast = null,
            AtMost = ManyMeals,
        };
    }

    /// <summary>True when heavy for certain, false when light, null when the bound lies within.</summary>
    private bool? Weight(Estimate value) =>
        value.Low > AtMost ? true
        : value.High <= AtMost ? false
        : null;

    private Verdict Pair(Estimate one, Estimate other) => new[] { Beside(one, other), Beside(other, one) }.RollUp();

    private Verdict Beside(Estimate heavy, Estimate other)
    {
        var bound = Math.Min(BesideIt ?? AtMost!.Value, AtMost!.Value);
        return Weight(heavy) switch
        {
            false => Verdict.Fits,
            _ when other.High <= bound => Verdict.Fits,
            true when other.Low > bound => Verdict.Breaks,
            _ => heavy.IsOpen || other.IsOpen ? Verdict.CannotTell : Verdict.TooClose,
        };
    }
}
