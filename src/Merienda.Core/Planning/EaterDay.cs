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
    public Finding? Tightest =>
        Findings
            .Where(finding => finding.Value is not null && finding.Limit is { Per: Period.Day })
            .OrderByDescending(finding => finding.NeedsAllowance ? Verdict.Fits : finding.Verdict)
            .ThenByDescending(finding => finding.Limit!.AtMost is not null)
            .ThenByDescending(finding => finding.Used ?? 0)
            .FirstOrDefault();

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
                    foreach (
                        var finding in Broken(
                            rule,
                            Meals.Where(meal => meal.Helpings.Count > 0).Select(meal => (new Intake(meal.Helpings), meal.Meal))
                        )
                    )
                    {
                        yield return finding;
                    }

                    break;
                case Period.Portion:
                    foreach (
                        var finding in Broken(
                            rule,
                            Meals.SelectMany(meal => meal.Helpings.Select(helping => (Intake.Of(helping), meal.Meal)))
                        )
                    )
                    {
                        yield return finding;
                    }

                    break;
            }
        }
    }

    private IEnumerable<Finding> Broken(Rule rule, IEnumerable<(Intake Intake, MealSlot Meal)> intakes) =>
        intakes
            .Select(item => rule.Check(item.Intake, Eater.Rules.Context with { Meal = item.Meal.Role }))
            .Where(finding => finding.Verdict != Verdict.Fits || finding.Notes.Count > 0);
}
