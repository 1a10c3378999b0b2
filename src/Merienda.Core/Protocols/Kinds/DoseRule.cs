using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>
/// Allows classes of food up to an amount, and answers both ways: what one portion gets, how many portions the batch must make, how much
/// may go in
/// (domain.md section 5). Never used for an allergy.
/// </summary>
public sealed record DoseRule : BoundedRule
{
    public static readonly RuleKind Described = new(
        "dose",
        "Dose",
        "Allows a class of food up to an amount; the rest of the batch dilutes it.",
        "{name}: at most {atMost} of {counts} from {classes} {per}",
        [
            RuleField.Name,
            RuleField.Classes("classes", "from", "Classes of food that the dose is of."),
            new(
                "counts",
                "of",
                RuleFieldType.Choice,
                "The food's own grams, or one of its nutrients.",
                IsRequired: true,
                Options:
                [
                    new("food", "the food itself"),
                    .. MeasureInfo
                        .All.Where(info => info.Unit == "g" && info.Measure != Measure.Vegetables)
                        .Select(info => new FieldOption(info.Key, info.Name.ToLowerInvariant())),
                ]
            ),
            RuleField.Per(Period.Portion, Period.Meal, Period.Day),
            RuleField.Bound("atMost", "at most", "Grams, included.", "g"),
            RuleField.AsksAtMost,
        ],
        new DoseRule
        {
            Id = "honey",
            Name = "Honey",
            Classes = ["honey"],
            Counts = "food",
            Per = Period.Portion,
            AtMost = 5,
        }
    );

    public required string Name { get; init; }

    public required IReadOnlyList<string> Classes { get; init; }

    /// <summary>"food" for the food's own grams, else the key of a measure in grams.</summary>
    public required string Counts { get; init; }

    public required Period Per { get; init; }

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Period Period => Per;

    [JsonIgnore]
    public override IReadOnlyList<Measure> Measures => Counted is { } measure ? [measure] : [];

    [JsonIgnore]
    public override string Title => Name;

    [JsonIgnore]
    public override Scale Scale => Scale.Grams;

    [JsonIgnore]
    public override string Subject => $"{base.Subject} {Counts}";

    private FoodGroup Group => new(Classes);

    private Measure? Counted => MeasureInfo.WithKey(Counts)?.Measure;

    public override string Sentence(FoodClasses classes) =>
        $"{Name}: {BoundsInWords()} of {(Counted is { } measure ? $"{MeasureInfo.Of(measure).Name.ToLowerInvariant()} from " : "")}{string.Join(", ", Classes.Select(classes.NameOf))} {PeriodInWords}";

    public override Rule Allowing(IReadOnlySet<string> keys) =>
        keys.Overlaps(Classes) ? this with { AtMost = null, AsksAtMost = false } : this;

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) => Check(portion, context);

    public override IEnumerable<LinearForm> Linear(RuleContext context) =>
        IsSummed ? [Form(helping => Value(Intake.Of(helping), context).Value)] : [];

    private (Estimate Value, IReadOnlyList<LineDoubt> Doubts) Value(Intake intake, RuleContext context)
    {
        var (doubtful, doubts) = Group.Doubtful(intake, Counted);
        var sure = Counted is { } measure ? intake.Sum(measure, [], Group.IsSurely) : intake.GramsOf(Group.IsSurely);
        return (sure + Hidden(intake, context) + doubtful, doubts);
    }

    public override Finding Check(Intake intake, RuleContext context)
    {
        var (value, doubts) = Value(intake, context);
        var contributors = intake.Contributors((helping, line) => OfLine(helping, line).Best);
        if (NeedsAllowance)
        {
            return Unstated(value, contributors);
        }

        var (verdict, because) = Doubted(
            Judge(value),
            doubts,
            verdict =>
                Reason(verdict, value, contributors, 0, () => string.Join(" and ", intake.UnknownLines.DefaultIfEmpty("an amount").Take(3)))
        );
        return Found(verdict, value, contributors, because) with
        {
            Doubts = verdict == Verdict.CannotTell ? doubts : [],
            Cure = CureOf(verdict, value, intake, OfLine),
            Notes = BothWays(value, intake),
        };
    }

    /// <summary>
    /// What packets that only name the class among their ingredients may bring: nothing up to what its place in the statement leaves.
    /// </summary>
    private Estimate Hidden(Intake intake, RuleContext context)
    {
        var hidden = Estimate.Zero;
        foreach (var helping in intake.Helpings)
        {
            for (var line = 0; line < helping.Profile.Lines.Count; line++)
            {
                if (helping.Profile.Lines[line].Food is not { Packet: { } packet } food || Group.Holds(food))
                {
                    continue;
                }

                var most = food.Untold.Count > 0 && context.Packets.ApprovalOf(food) is null ? 1 : Classes.Max(key => packet.MostOf(key));
                var brings = Counted is { } measure ? helping.Profile[line, measure].Estimate * helping.Size : helping.GramsOf(line) * most;
                hidden +=
                    most == 0 ? Estimate.Zero
                    : brings.High is { } high ? Estimate.Within(0, high)
                    : Estimate.Unknown;
            }
        }

        return hidden;
    }

    private Estimate OfLine(Helping helping, int line) =>
        helping.Profile.Lines[line].Food is { } food && Group.Holds(food)
            ? Counted is { } measure
                ? helping.Profile[line, measure].Estimate
                : helping.Profile.Lines[line].Grams * (1 / helping.Profile.Portions)
            : Estimate.Zero;

    private IReadOnlyList<string> BothWays(Estimate value, Intake intake)
    {
        if (intake.Helpings is not [var helping] || AtMost is not > 0 || value.Best == 0)
        {
            return [];
        }

        var batch = value.Best / helping.Size * helping.Profile.Portions;
        var portions = Math.Ceiling(batch / AtMost.Value);
        return
        [
            $"{Scale.ShowWithUnit(batch)} in the batch: {portions:0} portions would get {Scale.ShowWithUnit(AtMost.Value)} or less each; {helping.Profile.Portions:0.##} portions may hold {Scale.ShowWithUnit(AtMost.Value * helping.Profile.Portions)} in all.",
        ];
    }
}
