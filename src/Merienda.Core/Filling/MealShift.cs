using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Core.Filling;

/// <summary>What goes over to another meal of the day, as it is asked for.</summary>
/// <param name="Measure">Energy or fat.</param>
/// <param name="From">Key of the meal that gets less.</param>
/// <param name="To">Key of the meal that gets more.</param>
public sealed record ShiftAsked(DateOnly Date, Guid Eater, Measure Measure, string From, string To);

/// <summary>What went over to another meal.</summary>
/// <param name="Says">"About 95 kcal went from supper to lunch".</param>
/// <param name="Moved">What the one meal has less, in the measure's unit.</param>
public sealed record MealShifted(WeekPlan Plan, string Says, decimal Moved);

/// <summary>
/// Energy or fat that goes over from one meal of a day to another: a portion smaller here and one larger there, in quarters, so that the day
/// comes to about the same and breaks nothing that it keeps now.
/// </summary>
public static class MealShift
{
    /// <summary>What one step moves: kcal of energy, grams of fat; about a quarter of a large meal [C].</summary>
    private static readonly IReadOnlyDictionary<Measure, decimal> Steps = new Dictionary<Measure, decimal>
    {
        [Measure.Energy] = 100,
        [Measure.Fat] = 8,
    };

    /// <summary>Shares of a step: what is moved at least and at most, and by how much the day may come to more or less.</summary>
    private const decimal LeastMoved = 0.4m,
        MostMoved = 2,
        MostOff = 0.4m;

    /// <summary>A portion stays between these, in what the eater usually takes [C].</summary>
    private const decimal Smallest = 0.5m,
        Largest = 2;

    /// <summary>
    /// Refused where nothing moves: meals that are the same, portions that are locked, eaten or in their boxes, or no quarters that would do.
    /// </summary>
    /// <param name="day">The eater's day as it stands.</param>
    /// <param name="onMeals">Everything that stands on the week's meals.</param>
    public static Result<MealShifted> Shift(
        this WeekPlan plan,
        ShiftAsked asked,
        EaterDay day,
        IReadOnlyList<OnMeal> onMeals,
        DateOnly today
    )
    {
        if (!Steps.TryGetValue(asked.Measure, out var step))
        {
            return NotShifted(MeasureInfo.Of(asked.Measure).Key);
        }

        var (less, more) = (Portions(plan, asked, asked.From, onMeals), Portions(plan, asked, asked.To, onMeals));
        if (asked.From == asked.To || less.Count == 0 || more.Count == 0)
        {
            var (field, meal) = asked.From == asked.To || less.Count > 0 ? ("to", asked.To) : ("from", asked.From);
            return new Refusal(
                "nothing-to-shift",
                field,
                plan.Rhythm.NameOf(meal),
                asked.From == asked.To ? "it is the same meal" : "it has no portion whose size can still change",
                "Choose a meal with a portion that is not locked, eaten or in its box"
            );
        }

        var (broken, info) = (Broken(day), MeasureInfo.Of(asked.Measure));
        var best = (
            from one in less
            from smaller in SizesOf(day.Eater).Where(size => size < one.Helping.Size)
            let gone = Amount(asked.Measure, one.Helping) - Amount(asked.Measure, one.Helping with { Size = smaller })
            where gone >= step * LeastMoved && gone <= step * MostMoved
            from other in more
            from larger in SizesOf(day.Eater).Where(size => size > other.Helping.Size)
            let come = Amount(asked.Measure, other.Helping with { Size = larger }) - Amount(asked.Measure, other.Helping)
            where Math.Abs(come - gone) <= step * MostOff
            orderby Lacks(plan, other, larger) > 0, Math.Abs(come - gone) + (Math.Abs(gone - step) / 2), one.Item.Id, other.Item.Id
            let then = plan.Resized(one, smaller, other, larger, today)
            where
                then.Refusal is null
                && Broken(new(day.Date, day.Eater, [.. day.Meals.Select(meal => With(meal, (one, smaller), (other, larger)))]))
                    .IsSubsetOf(broken)
            select new MealShifted(
                then.Value,
                $"About {info.ShowWithUnit(Math.Round(gone))} went from {plan.Rhythm.NameOf(asked.From)} to {plan.Rhythm.NameOf(asked.To)}",
                gone
            )
        ).FirstOrDefault();
        return best is not null
            ? best
            : new Refusal(
                "nothing-to-shift",
                "from",
                plan.Rhythm.NameOf(asked.From),
                $"no portion a quarter or more smaller here and larger there brings about {info.ShowWithUnit(step)} of {info.Name.ToLowerInvariant()} over "
                    + $"to {plan.Rhythm.NameOf(asked.To)} without breaking what the day keeps",
                "Exchange the dishes of the two meals, or change the sizes by hand"
            );
    }

    public static Refusal NotShifted(string measure) =>
        new("not-shifted", "measure", measure, "only energy and fat go over from meal to meal", "Choose one of them");

    /// <summary>Whole portions at a meal whose size may change: planned, not locked, not in their boxes.</summary>
    private static List<OnMeal> Portions(WeekPlan plan, ShiftAsked asked, string meal, IReadOnlyList<OnMeal> onMeals) =>
        [
            .. onMeals.Where(one =>
                one.Cell == new Cell(asked.Date, meal, asked.Eater)
                && plan.At(one.Cell) is { IsSaid: false, IsLocked: false }
                && one.Item is Draw { Parts: null, Size.IsInGrams: false } draw
                && plan.BatchWithId(draw.Batch) is { PortionedOn: null }
            ),
        ];

    private static IEnumerable<decimal> SizesOf(Eater eater)
    {
        var most = Math.Min(Batch.LargestSize, eater.PortionHabit * Largest);
        for (
            var size = Math.Max(Batch.SmallestSize, Math.Ceiling(eater.PortionHabit * Smallest * FillTable.Quarters) / FillTable.Quarters);
            size <= most;

        )
        {
            yield return size;
            size += 1m / FillTable.Quarters;
        }
    }

    private static decimal Amount(Measure measure, Helping helping) => Intake.Of(helping).Sum(measure).Best;

    private static HashSet<string> Broken(EaterDay day) =>
        [.. day.Findings.Where(finding => finding.Verdict == Verdict.Breaks).Select(finding => $"{finding.Rule} {finding.About}")];

    private static PlannedMeal With(PlannedMeal meal, params (OnMeal Portion, decimal Size)[] changed) =>
        meal with
        {
            Helpings =
            [
                .. meal.Helpings.Select(helping =>
                    changed.FirstOrDefault(one =>
                        one.Portion.Helping with { At = null } == helping with { At = null } && one.Portion.Cell.Meal == meal.Meal.Key
                    )
                        is { Portion: not null } now
                        ? helping with
                        {
                            Size = now.Size,
                        }
                        : helping
                ),
            ],
        };

    /// <summary>Portions that a larger size takes beyond what is loose of its batch.</summary>
    private static decimal Lacks(WeekPlan plan, OnMeal portion, decimal larger)
    {
        var draw = (Draw)portion.Item;
        var batch = plan.BatchWithId(draw.Batch)!;
        return larger - draw.Size.Amount - Math.Max(0, plan.Loose(batch, batch.LotOf(draw)));
    }

    /// <summary>The smaller one first: what it leaves may be what the larger one needs. A batch that is still to be cooked grows by the rest.</summary>
    private static Result<WeekPlan> Resized(this WeekPlan plan, OnMeal less, decimal smaller, OnMeal more, decimal larger, DateOnly today)
    {
        var (gives, takes) = ((Draw)less.Item, (Draw)more.Item);
        var given = plan.ChangeSize(gives.Id, gives.Size, new(smaller));
        if (given.Refusal is not null)
        {
            return given;
        }

        plan = given.Value;
        var batch = plan.BatchWithId(takes.Batch)!;
        if (Lacks(plan, more, larger) is > 0 and var lacks && batch.Cooked >= today)
        {
            var grown = plan.Grow(batch, batch.LotOf(takes), lacks);
            if (grown.Refusal is not null)
            {
                return grown;
            }

            plan = grown.Value;
        }

        return plan.ChangeSize(takes.Id, takes.Size, new(larger));
    }
}
