using System.Globalization;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Core.Filling;

/// <summary>
/// A day's energy by one bite more or less: about 200 kcal, as between the tiers of 1,200, 1,400 and 1,600 (domain.md section 6 [C]).
/// </summary>
public static class BiteSteps
{
    /// <summary>Kcal.</summary>
    public const decimal Step = 200;

    /// <summary>What is put on as a bite, kcal [C].</summary>
    private const decimal LeastMore = 150,
        MostMore = 250;

    /// <summary>What is left out as a bite, kcal [C].</summary>
    public const decimal Least = 75,
        Most = 300;

    /// <summary>A week in which each day of an eater gets one more bite, beside what stands there.</summary>
    public static FillQuestion OneMore(this WeekQuestion week, Guid eater, FillScope scope)
    {
        var question = week.ToFill(scope with { Eaters = new HashSet<Guid> { eater } });
        var slot = FillQuestion.SlotBeside(week.Plan.Rhythm.Meals);
        return question with
        {
            Eaters = [.. question.Eaters.Select(one => one.Id == eater ? one with { Rules = one.Rules.WithEnergy(Step) } : one)],
            Energy = (LeastMore, MostMore),
            Beside = DaysOf(week, scope)
                .Select(date => new Cell(date, slot.Key, eater))
                .Where(cell => week.Plan.At(cell) is null or { IsSaid: false, IsLocked: false })
                .ToHashSet(),
        };
    }

    /// <summary>Each day of an eater without the bite that comes nearest to 200 kcal; what is locked, eaten or no bite stays.</summary>
    public static WeekChange OneLess(this WeekQuestion week, Guid eater, FillScope scope) =>
        new(
            [],
            [
                .. DaysOf(week, scope)
                    .Select(date => BiteOf(week, eater, date))
                    .OfType<OnMeal>()
                    .Select(bite => new MealChange(bite.Cell, new(bite.Item.Id, bite.Item is Draw ? bite.Helping.Size : 1), null)
                    {
                        IsLeftOut = true,
                    }),
            ]
        );

    /// <summary>What a change makes of the days that it is on, kcal a day.</summary>
    public static FillLevel Level(WeekQuestion week, FillPlan plan, WeekChange change)
    {
        var more = plan.Servings.Sum(serving => EnergyOf(serving.Helping));
        var less = week.OnMeals.Where(one => change.Meals.Any(meal => meal.Off?.Item == one.Item.Id)).Sum(one => EnergyOf(one.Helping));
        var days = change.Meals.Select(meal => meal.Cell.Date).Distinct().Count();
        return new(FillGoal.Step, days == 0 ? 0 : (long)Math.Round((more - less) / days), null);
    }

    /// <summary>Days on which a bite less is asked for and none is, in a sentence; empty where there is one on each.</summary>
    public static IReadOnlyList<string> WithoutBite(WeekQuestion week, WeekChange change, FillScope scope)
    {
        var days = DaysOf(week, scope).Except(change.Meals.Select(meal => meal.Cell.Date)).ToList();
        return days.Count == 0
            ? []
            :
            [
                $"No bite of {Least:0} to {Most:0} kcal that can be left out on {string.Join(", ", days.Select(day => day.ToString("ddd", CultureInfo.InvariantCulture)))}.",
            ];
    }

    private static IEnumerable<DateOnly> DaysOf(WeekQuestion week, FillScope scope) =>
        Enumerable
            .Range(0, WeekPlan.Days)
            .Select(week.Plan.Start.AddDays)
            .Where(date => date >= week.Today && scope.Days?.Contains(date) != false);

    private static OnMeal? BiteOf(WeekQuestion week, Guid eater, DateOnly date) =>
        week
            .OnMeals.Where(one =>
                one.Cell.Eater == eater
                && one.Cell.Date == date
                && week.Plan.Rhythm.Meal(one.Cell.Meal)?.Role == MealRole.Bite
                && week.Plan.At(one.Cell) is { IsSaid: false, IsLocked: false }
                && !(one.Item is Draw draw && week.IsEaten(draw))
            )
            .Select(one => (one, Energy: EnergyOf(one.Helping)))
            .Where(bite => bite.Energy is >= Least and <= Most)
            .OrderBy(bite => Math.Abs(bite.Energy - Step))
            .Select(bite => bite.one)
            .FirstOrDefault();

    private static decimal EnergyOf(Helping helping) => Intake.Of(helping).Sum(Measure.Energy).Best;
}
