using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>
/// How many different foods of some classes a week holds: thirty plants, ten vegetables. A food counts once, however often it comes.
/// </summary>
public sealed record DifferentFoodsRule : ClassCountRule
{
    public static readonly RuleKind Described = new(
        "different-foods",
        "Different foods a week",
        "How many different foods of some classes a week holds.",
        "{name}: at least {atLeast}, at most {atMost} different foods of {classes} a week, from {grams} on",
        [
            RuleField.Name,
            RuleField.Classes("classes", "of", "Classes of food that count."),
            RuleField.Bound("grams", "from", "Grams from which a food counts at a meal.", "g", 1_000) with
            {
                IsRequired = true,
            },
            RuleField.Bound("atLeast", "at least", "Different foods a week, included.", "foods", 200),
            RuleField.Bound("atMost", "at most", "Different foods a week, included.", "foods", 200),
            RuleField.AsksAtLeast,
            RuleField.AsksAtMost,
        ],
        new DifferentFoodsRule
        {
            Id = "plants",
            Name = "Plants",
            Classes = ["vegetable", "fruit", "legume"],
            Grams = 10,
            AtLeast = 20,
        }
    );

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Scale Scale => new("foods", 0);

    public override string Sentence(FoodClasses classes) =>
        $"{Name}: {BoundsInWords()} of {string.Join(", ", Classes.Select(classes.NameOf))} a week, from {Scale.WholeGrams.ShowWithUnit(Grams)} on";

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) =>
        NeedsAllowance
            ? Unstated(Count(portion), [])
            : Found(Verdict.Fits, Count(portion), [], $"{Name}: this brings {Count(portion).Best:0} of {BoundsInWords()} a week.");

    public override Finding Check(Intake intake, RuleContext context)
    {
        var value = Count(intake);
        if (NeedsAllowance)
        {
            return Unstated(value, []);
        }

        var verdict = Judge(value, context.OpenMeals);
        return Found(
            verdict,
            value,
            [],
            Reason(verdict, value, [], context.OpenMeals, () => string.Join(" and ", intake.UnknownLines.Take(3)))
        );
    }

    /// <summary>Keys of the foods that a helping brings, by the best values; none where an allowance is not stated.</summary>
    public IEnumerable<string> BroughtBy(Helping helping) =>
        NeedsAllowance
            ? []
            : Enumerable
                .Range(0, helping.Profile.Lines.Count)
                .Where(line => helping.Profile.Lines[line].Food is { } food && Classes.Any(food.Is) && helping.GramsOf(line).Best >= Grams)
                .Select(line => helping.Profile.Lines[line].Food!.Key)
                .Distinct();

    /// <summary>Certain by weight, by the best value, and possibly: each line that nobody knows could be one more.</summary>
    private Estimate Count(Intake intake)
    {
        var foods = intake
            .Helpings.SelectMany(helping =>
                Enumerable
                    .Range(0, helping.Profile.Lines.Count)
                    .Select(line => (helping.Profile.Lines[line].Food, Grams: helping.GramsOf(line)))
            )
            .Where(item => item.Food is { } food && Classes.Any(food.Is))
            .GroupBy(item => item.Food!.Key)
            .ToList();
        return Estimate.Between(
            foods.Count(food => food.Any(item => item.Grams.Low >= Grams)),
            foods.Count(food => food.Any(item => item.Grams.Best >= Grams)),
            foods.Count(food => food.Any(item => item.Grams.High is null || item.Grams.High >= Grams)) + intake.UnknownLines.Count
        );
    }
}
