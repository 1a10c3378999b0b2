using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>How many meals of the week hold a class of food: fish at least twice, red meat at most once.</summary>
public sealed record CountRule : ClassCountRule
{
    public static readonly RuleKind Described = new(
        "count",
        "Meals a week",
        "How many meals a week hold a class of food.",
        "{name}: at least {atLeast}, at most {atMost} meals a week with {grams} or more of {classes}",
        [
            RuleField.Name,
            RuleField.Classes("classes", "of", "Classes of food that count."),
            RuleField.Bound("grams", "with", "Grams from which a meal counts.", "g", 1_000) with
            {
                IsRequired = true,
            },
            RuleField.Bound("atLeast", "at least", "Meals a week, included.", "meals", 28),
            RuleField.Bound("atMost", "at most", "Meals a week, included.", "meals", 28),
            RuleField.AsksAtLeast,
            RuleField.AsksAtMost,
        ],
        new CountRule
        {
            Id = "oily-fish",
            Name = "Fish",
            Classes = ["fish"],
            Grams = 50,
            AtLeast = 2,
        }
    );

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Scale Scale => Scale.Meals;

    public override string Sentence(FoodClasses classes) =>
        $"{Name}: {BoundsInWords()} a week with {Scale.WholeGrams.ShowWithUnit(Grams)} or more of {string.Join(", ", Classes.Select(classes.NameOf))}";

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context)
    {
        var value = Count(portion);
        if (NeedsAllowance)
        {
            return Unstated(value, []);
        }

        var says = value switch
        {
            { Low: > 0 } => "counts",
            { High: > 0 } => "may count",
            _ => "does not count",
        };
        return Found(Verdict.Fits, value, [], $"{Name}: this {says} as one of {BoundsInWords()} a week.");
    }

    public override Finding Check(Intake intake, RuleContext context)
    {
        var value = Count(intake);
        var contributors = intake
            .Helpings.GroupBy(helping => helping.Dish)
            .Select(dish => new Contributor(dish.Key, Count(new([.. dish])).Best))
            .Where(item => item.Amount > 0)
            .OrderByDescending(item => item.Amount)
            .ToList();
        if (NeedsAllowance)
        {
            return Unstated(value, contributors);
        }

        var verdict = Judge(value, context.OpenMeals);
        return Found(
            verdict,
            value,
            contributors,
            Reason(verdict, value, contributors, context.OpenMeals, () => string.Join(" and ", intake.UnknownLines.Take(3)))
        );
    }

    public override IEnumerable<LinearForm> Linear(RuleContext context) => IsSummed ? [Form(helping => Count(Intake.Of(helping)))] : [];

    /// <summary>
    /// Meals that hold enough for certain, by the best value, and possibly. Helpings without an occasion count as one meal each.
    /// </summary>
    private Estimate Count(Intake intake)
    {
        var group = new FoodGroup(Classes);
        var meals = intake
            .Helpings.Select((helping, at) => (helping, over: (object?)helping.At ?? at))
            .GroupBy(item => item.over, item => item.helping)
            .Select(meal => new Intake([.. meal]))
            .Select(meal => meal.GramsOf(group.IsSurely) + group.Doubtful(meal, null).Brings)
            .ToList();
        return Estimate.Between(
            meals.Count(grams => grams.Low >= Grams),
            meals.Count(grams => grams.Best >= Grams),
            meals.Count(grams => grams.High is null || grams.High >= Grams)
        );
    }
}
