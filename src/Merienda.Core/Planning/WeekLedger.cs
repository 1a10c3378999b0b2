using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>All days of all eaters of one week, and the rules that count by the week.</summary>
public sealed class WeekLedger
{
    /// <param name="days">The days of the week, in order.</param>
    /// <param name="placed">Every placed portion with its cell.</param>
    /// <param name="settled">Cells where nothing is missing though nothing stands there: eaten out, skipped.</param>
    public WeekLedger(
        IReadOnlyList<DateOnly> days,
        IReadOnlyList<MealSlot> meals,
        IReadOnlyList<Eater> eaters,
        IEnumerable<(Cell Cell, Helping Helping)> placed,
        IEnumerable<Cell>? settled = null
    )
    {
        var closed = (settled ?? []).ToHashSet();
        var byCell = placed.ToLookup(item => item.Cell, item => item.Helping);
        Days =
        [
            .. from eater in eaters
            from day in days
            select new EaterDay(
                day,
                eater,
                [
                    .. meals.Select(meal => new PlannedMeal(
                        meal,
                        [.. byCell[new Cell(day, meal.Key, eater.Id)].Select(helping => helping with { At = new Occasion(day, meal) })],
                        closed.Contains(new Cell(day, meal.Key, eater.Id))
                    )),
                ]
            ),
        ];
        Weeks = eaters.ToDictionary(eater => eater.Id, CheckWeek);
    }

    /// <summary>Eater by eater, day by day.</summary>
    public IReadOnlyList<EaterDay> Days { get; }

    /// <summary>Findings of the rules that count by the week, by eater.</summary>
    public IReadOnlyDictionary<Guid, IReadOnlyList<Finding>> Weeks { get; }

    public EaterDay this[DateOnly date, Guid eater] => Days.First(day => day.Date == date && day.Eater.Id == eater);

    private IReadOnlyList<Finding> CheckWeek(Eater eater)
    {
        var own = Days.Where(day => day.Eater.Id == eater.Id).ToList();
        var week = new Intake([.. own.SelectMany(day => day.Helpings)]);
        var context = eater.Rules.Context with { OpenMeals = own.Sum(day => day.OpenMeals.Count) };
        var days = own.Select(day => new Intake(day.Helpings)).ToList();
        var rules = eater.Rules.On(own.Count == 0 ? default : own[^1].Date);
        return
        [
            .. rules.Where(rule => rule.Period == Period.Week).Select(rule => rule.Check(week, context)),
            .. rules.Select(rule => rule.CheckWeek(days, context)).OfType<Finding>(),
        ];
    }
}
