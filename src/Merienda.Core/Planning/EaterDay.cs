using Merienda.Core.Foods;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>What stands on one meal of one eater.</summary>
/// <param name="IsSettled">Nothing is missing though nothing stands there: eaten out, skipped.</param>
public sealed record PlannedMeal(MealSlot Meal, IReadOnlyList<Helping> Helpings, bool IsSettled = false);

/// <summary>
/// One eater's day in the ledger: what is planned at each meal, what is still open, and every finding of rules that count by portion, meal
/// or day.
/// It depends on nothing outside the day, so a change of one portion re-adds one day only.
/// </summary>
public sealed class EaterDay
{
    public EaterDay(DateOnly date, Eater eater, IReadOnlyList<PlannedMeal> meals)
    {
        (Date, Eater, Meals) = (date, eater, meals);
        OpenMeals =
        [
            .. eater
                .PrepMealsOn(date)
                .Where(slot => !meals.Any(meal => meal.Meal.Key == slot && (meal.IsSettled || meal.Helpings.Count > 0))),
        ];
        Helpings = [.. meals.SelectMany(meal => meal.Helpings)];
        Findings = [.. Check()];
    }

    /// <summary>A day of what is eaten at each of its meals.</summary>
    /// <param name="meals">In the order of the day.</param>
    /// <param name="helpings">By the key of their meal.</param>
    public static EaterDay Of(DateOnly date, Eater eater, IReadOnlyList<MealSlot> meals, ILookup<string, Helping> helpings) =>
        new(
            date,
            eater,
            [
                .. meals.Select(meal => new PlannedMeal(
                    meal,
                    [.. helpings[meal.Key].Select(helping => helping with { At = new Occasion(date, meal) })]
                )),
            ]
        );

    public DateOnly Date { get; }

    public Eater Eater { get; }

    public IReadOnlyList<PlannedMeal> Meals { get; }

    public IReadOnlyList<Helping> Helpings { get; }

    /// <summary>Keys of meals from the prep that nothing covers yet.</summary>
    public IReadOnlyList<string> OpenMeals { get; }

    /// <summary>Day rules always; portion and meal rules only where they do not fit or have something to note.</summary>
    public IReadOnlyList<Finding> Findings { get; }

    public Verdict Verdict => Findings.Select(finding => finding.Verdict).RollUp();

    /// <summary>What rules that count by portion or meal say of one meal of the day.</summary>
    public Verdict VerdictOf(PlannedMeal meal)
    {
        var context = Eater.Rules.Context with { Meal = meal.Meal.Role };
        return Eater
            .Rules.On(Date)
            .Where(rule => rule.Period is Period.Portion or Period.Meal)
            .SelectMany(rule =>
                rule.Period == Period.Meal
                    ? [rule.Check(new Intake(meal.Helpings), context)]
                    : meal.Helpings.Select(helping => rule.Check(Intake.Of(helping), context))
            )
            .Select(finding => finding.Verdict)
            .RollUp();
    }

    /// <summary>The limit that the day's ruler shows: the heaviest verdict, then the fullest.</summary>
    public Finding? Tightest => Tighter(Findings);

    private static Finding? Tighter(IEnumerable<Finding> findings) =>
        findings
            .Where(finding => finding.Value is not null && finding.Limit is { Per: Period.Day })
            .OrderByDescending(finding => finding.NeedsAllowance ? Verdict.Fits : finding.Verdict)
            .ThenByDescending(finding => finding.Limit!.AtMost is not null)
            .ThenByDescending(finding => finding.Used ?? 0)
            .FirstOrDefault();

    /// <summary>What a measure comes to: against the tightest limit of the day on it, or without any.</summary>
    public Finding Of(Measure measure)
    {
        var rules = Eater
            .Rules.On(Date)
            .Where(rule => rule is { Period: Period.Day, Measures: [var only] } and not QuotientRule && only == measure)
            .Select(rule => rule.Id)
            .ToHashSet();
        var (info, context) = (MeasureInfo.Of(measure), Eater.Rules.Context);
        return Tighter(Findings.Where(finding => rules.Contains(finding.Rule) && !finding.NeedsAllowance))
            ?? new(
                $"only-shown-{info.Key}",
                info.Name,
                Verdict.Fits,
                info.Scale,
                new Intake(Helpings).Value(measure, context.Scheme),
                null,
                [],
                $"{info.Name}: nothing limits it."
            );
    }

    private IEnumerable<Finding> Check()
    {
        var day = new Intake(Helpings);
        var context = Eater.Rules.Context with { OpenMeals = OpenMeals.Count };
        foreach (var rule in Eater.Rules.On(Date))
        {
            switch (rule.Period)
            {
                case Period.Day:
                    yield return rule.Check(day, context);
                    break;
                case Period.Meal:
                    foreach (var meal in Meals.Where(meal => meal.Helpings.Count > 0))
                    {
                        if (Broken(rule, new Intake(meal.Helpings), meal.Meal) is { } found)
                        {
                            yield return found with
                            {
                                About = meal.Meal.Name,
                            };
                        }
                    }

                    break;
                case Period.Portion:
                    foreach (var (meal, helping) in Meals.SelectMany(meal => meal.Helpings, (meal, helping) => (meal.Meal, helping)))
                    {
                        if (Broken(rule, Intake.Of(helping), meal) is { } found)
                        {
                            yield return found with
                            {
                                About = helping.Dish,
                            };
                        }
                    }

                    break;
            }
        }
    }

    private Finding? Broken(Rule rule, Intake intake, MealSlot meal) =>
        rule.Check(intake, Eater.Rules.Context with { Meal = meal.Role }) is var found
        && (found.Verdict != Verdict.Fits || found.Notes.Count > 0)
            ? found
            : null;
}
