using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

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
    public override string Title => Name;

    [JsonIgnore]
    public override Scale Scale => Scale.Grams;

    [JsonIgnore]
    public override string Subject => $"{base.Subject} {Counts}";

    private Measure? Counted => MeasureInfo.WithKey(Counts)?.Measure;

    public override string Sentence(FoodClasses classes) =>
        $"{Name}: {BoundsInWords()} of {(Counted is { } measure ? $"{MeasureInfo.Of(measure).Name.ToLowerInvariant()} from " : "")}{string.Join(", ", Classes.Select(classes.NameOf))} {PeriodInWords}";

    public override Rule Allowing(IReadOnlySet<string> keys) =>
        keys.Overlaps(Classes) ? this with { AtMost = null, AsksAtMost = false } : this;

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) => Check(portion, context);

    public override Finding Check(Intake intake, RuleContext context)
    {
        var (doubtful, doubts) = Doubtful(intake);
        var value =
            (Counted is { } measure ? intake.Sum(measure, [], IsSurelyCounted) : intake.GramsOf(IsSurelyCounted))
            + Hidden(intake, context)
            + doubtful;
        var contributors = intake.Contributors(OfLine);
        if (NeedsAllowance)
        {
            return Unstated(value, contributors);
        }

        var isDoubted = doubts.Count > 0 && Judge(value) is Verdict.TooClose or Verdict.CannotTell;
        var verdict = isDoubted ? Verdict.CannotTell : Judge(value);
        var because = isDoubted
            ? $"{Title}: {string.Join("; ", doubts.Take(3).Select(doubt => doubt.Said))}."
            : Reason(verdict, value, contributors, 0, () => string.Join(" and ", intake.UnknownLines.DefaultIfEmpty("an amount").Take(3)));
        return Found(verdict, value, contributors, because) with
        {
            Doubts = isDoubted ? doubts : [],
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
                if (helping.Profile.Lines[line].Food is not { Packet: { } packet } food || IsCounted(food))
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

    /// <summary>
    /// What lines of which nobody can tell may bring: what is only likely understood, leaves a choice, differs by packet, or need not go
    /// in.
    /// </summary>
    private (Estimate Brings, IReadOnlyList<LineDoubt> Doubts) Doubtful(Intake intake)
    {
        var sum = Estimate.Zero;
        var doubts = new List<LineDoubt>();
        foreach (var helping in intake.Helpings)
        {
            foreach (var line in helping.Profile.AllLines.Where(line => line.Food is not null || line.Read.IsOutOfNumbers))
            {
                var (verdict, doubt, _) = LineDoubts.Of(line, Judge, _ => false);
                if (verdict == Verdict.Fits || (verdict == Verdict.Breaks && !line.Read.IsOutOfNumbers))
                {
                    continue;
                }

                var brings = (Counted is { } measure ? line.Brings(measure) : line.Grams) * (helping.Size / helping.Profile.Portions);
                var best = line.Food is { } food && IsCounted(food) ? brings.Best : 0;
                sum += brings.High is { } high ? Estimate.Between(0, best, high) : Estimate.AtLeast(0, best);
                doubts.Add(doubt ?? new(DoubtKind.Mentioned, line.Name));
            }
        }

        return (sum, [.. doubts.Distinct()]);
    }

    private LineDoubts.FoodFinding Judge(Food food) =>
        IsCounted(food) ? new(Verdict.Breaks, food.Name, default)
        : food.Packet is null && Classes.Any(food.MayHold.Holds) ? new(Verdict.CannotTell, food.Name, DoubtKind.PacketsDiffer)
        : default;

    private bool IsSurelyCounted(RecipeLine line) => LineDoubts.Of(line, Judge, _ => false).Verdict == Verdict.Breaks;

    private bool IsCounted(Food food) => Classes.Any(food.Is);

    private decimal OfLine(Helping helping, int line) =>
        helping.Profile.Lines[line].Food is { } food && IsCounted(food)
            ? Counted is { } measure
                ? helping.Profile[line, measure].Best
                : helping.Profile.Lines[line].Grams.Best / helping.Profile.Portions
            : 0;

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
