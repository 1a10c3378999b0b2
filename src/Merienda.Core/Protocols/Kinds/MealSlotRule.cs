using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>
/// One part of a coached menu: so many grams of a nutrient from a group of foods at a meal, whichever food it is ("exchange at equal
/// macros").
/// </summary>
public sealed record MealSlotRule : BoundedRule
{
    public static readonly RuleKind Described = new(
        "meal-slot",
        "Part of a meal",
        "A coached menu's part: grams of a nutrient from one group of foods at one meal; foods of the group change places at equal grams.",
        "{name} at {meal}: at least {atLeast}, at most {atMost} of {measure} from {classes}",
        [
            RuleField.Name,
            new(
                "meal",
                "at",
                RuleFieldType.Choice,
                "Which meal.",
                IsRequired: true,
                Options:
                [
                    new("any", "every meal"),
                    .. Enum.GetValues<MealRole>().Select(role => $"{role}".ToLowerInvariant()).Select(role => new FieldOption(role, role)),
                ]
            ),
            RuleField.Measure(),
            RuleField.Classes("classes", "from", "Groups of food that fill this part."),
            RuleField.AtLeast,
            RuleField.AtMost,
            RuleField.AsksAtLeast,
            RuleField.AsksAtMost,
            RuleField.Free,
        ],
        new MealSlotRule
        {
            Id = "lunch-protein",
            Name = "Protein source",
            Meal = "lunch",
            Measure = Measure.Protein,
            Classes = ["poultry", "fish", "egg", "legume"],
            AtLeast = 25,
            AtMost = 35,
        }
    );

    /// <summary>What the part is called: "Protein source".</summary>
    public required string Name { get; init; }

    /// <summary>What the meal is (<see cref="MealRole"/> in small letters), or "any".</summary>
    public required string Meal { get; init; }

    public required Measure Measure { get; init; }

    public required IReadOnlyList<string> Classes { get; init; }

    /// <summary>Foods of the group that are not counted.</summary>
    public IReadOnlyList<FreeFood> Free { get; init; } = [];

    private FoodGroup Group => new(Classes);

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Period Period => Period.Meal;

    [JsonIgnore]
    public override IReadOnlyList<Measure> Measures => [Measure];

    [JsonIgnore]
    public override string Title => Meal == "any" ? Name : $"{Name} at {Meal}";

    [JsonIgnore]
    public override Scale Scale => MeasureInfo.Of(Measure).Scale;

    protected override decimal KeptShare => Measure is Measure.Energy or Measure.Protein or Measure.Fat ? 0.05m : 0;

    public override string Sentence(FoodClasses classes) =>
        $"{Title}: {BoundsInWords()} of {MeasureInfo.Of(Measure).Name.ToLowerInvariant()} from {string.Join(", ", Classes.Select(classes.NameOf))}";

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) => Check(portion, context);

    public override Finding Check(Intake intake, RuleContext context)
    {
        // A portion whose meal nobody said is not held against one meal's part.
        if (Meal != "any" && !Meal.Equals($"{context.Meal}", StringComparison.OrdinalIgnoreCase))
        {
            return new(Id, Title, Verdict.Fits, null, null, null, [], $"{Title}: this is not {Meal}.");
        }

        var (doubtful, doubts) = Group.Doubtful(intake, Measure);
        var value = intake.Sum(Measure, Free, Group.IsSurely) + doubtful;
        var contributors = intake.Contributors((helping, line) => OfLine(helping, line).Best);
        if (NeedsAllowance)
        {
            return Unstated(value, contributors);
        }

        var (verdict, because) = Doubted(
            Judge(value),
            doubts,
            verdict =>
                Reason(verdict, value, contributors, 0, () => string.Join(" and ", intake.UnknownLines.DefaultIfEmpty("a part").Take(3)))
        );
        return Found(verdict, value, contributors, because) with
        {
            Doubts = verdict == Verdict.CannotTell ? doubts : [],
            Cure = CureOf(verdict, value, intake, OfLine),
        };
    }

    private Estimate OfLine(Helping helping, int line) =>
        helping.Profile.Lines[line].Food is { } food && Group.Holds(food) && !Free.Any(item => item.Food == food.Key)
            ? helping.Profile[line, Measure].Estimate
            : Estimate.Zero;
}
