using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>
/// How often one dish comes in a week: at most three times is common [C], not twice in a row, not at lunch and supper of one day.
/// </summary>
public sealed record RepetitionRule : BoundedRule
{
    public static readonly RuleKind Described = new(
        "repetition",
        "Variety",
        "How often the same dish may come in a week.",
        "The same dish at most {atMost} times a week; not twice in a row {notInARow}; not at lunch and supper of one day {notSameDay}",
        [
            RuleField.Bound("atMost", "at most", "Times a week, included.", "times", 28),
            RuleField.AsksAtMost,
            new("notInARow", "not twice in a row", RuleFieldType.Switch, "The next meal that is eaten is another dish."),
            new("notSameDay", "not at lunch and supper of one day", RuleFieldType.Switch, "Lunch and supper of a day differ."),
        ],
        new RepetitionRule
        {
            Id = "variety",
            AtMost = 3,
            NotInARow = true,
        }
    );

    public bool NotInARow { get; init; }

    public bool NotSameDay { get; init; }

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Period Period => Period.Week;

    [JsonIgnore]
    public override string Title => "Variety";

    [JsonIgnore]
    public override Scale Scale => Scale.Times;

    public override string Sentence(FoodClasses classes) => $"{Title}: {string.Join(", ", Parts())}";

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) =>
        NeedsAllowance
            ? Unstated(Estimate.Exactly(1), [])
            : new(Id, Title, Verdict.Fits, null, null, null, [], $"{Sentence(context.Classes)}; one portion repeats nothing.");

    public override Finding Check(Intake intake, RuleContext context)
    {
        var dishes = intake
            .Helpings.GroupBy(helping => helping.Dish)
            .Select(dish => new Contributor(dish.Key, dish.Select(helping => helping.At).Distinct().Count()))
            .OrderByDescending(dish => dish.Amount)
            .ToList();
        var most = Estimate.Exactly(dishes.FirstOrDefault()?.Amount ?? 0);
        if (NeedsAllowance)
        {
            return Unstated(most, dishes);
        }

        var broken = dishes
            .Where(dish => dish.Amount > AtMost)
            .Select(dish => $"{dish.Name} comes {Scale.ShowWithUnit(dish.Amount)}")
            .Concat(NotInARow ? InARow(intake) : [])
            .Concat(NotSameDay ? SameDay(intake) : [])
            .ToList();
        return broken.Count == 0
            ? Found(Verdict.Fits, most, dishes, $"{Sentence(context.Classes)}; kept.")
            : Found(
                Verdict.Breaks,
                most,
                dishes,
                $"{Title}: {string.Join("; ", broken.Distinct().Take(3))}; {string.Join(", ", Parts())} is the rule."
            );
    }

    private IEnumerable<string> Parts()
    {
        if (AtMost is not null || AsksAtMost)
        {
            yield return $"the same dish {BoundsInWords()} a week";
        }

        if (NotInARow)
        {
            yield return "not twice in a row";
        }

        if (NotSameDay)
        {
            yield return "not at lunch and supper of one day";
        }
    }

    private static IEnumerable<string> InARow(Intake intake)
    {
        var meals = intake
            .Helpings.Where(helping => helping.At is not null)
            .GroupBy(helping => helping.At!)
            .OrderBy(meal => meal.Key.Order)
            .Select(meal => (At: meal.Key, Dishes: meal.Select(helping => helping.Dish).ToHashSet()))
            .ToList();
        return meals
            .Zip(meals.Skip(1))
            .SelectMany(pair =>
                pair.First.Dishes.Intersect(pair.Second.Dishes).Select(dish => $"{dish} comes twice in a row on {pair.Second.At.Date:ddd}")
            );
    }

    private static IEnumerable<string> SameDay(Intake intake) =>
        intake
            .Helpings.Where(helping => helping.At?.Meal.IsMain == true)
            .GroupBy(helping => (helping.At!.Date, helping.Dish))
            .Where(same => same.Select(helping => helping.At!.Meal).Distinct().Count() > 1)
            .Select(same =>
                $"{same.Key.Dish} is {string.Join(" and ", same.Select(helping => helping.At!.Meal.Name).Distinct())} on {same.Key.Date:ddd}"
            );
}
