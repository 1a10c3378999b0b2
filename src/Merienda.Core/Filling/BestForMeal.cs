using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Core.Filling;

/// <summary>Something that may be put on a meal: loose portions that are there, or a recipe that would be cooked.</summary>
/// <param name="Most">Portions that are there; null for one that would be cooked.</param>
/// <param name="Minutes">By hand until it is there; 0 for what is.</param>
public sealed record MealThing(FillDish Dish, decimal? Most, int Minutes);

/// <summary>What a rule of the day counts before and with an offer.</summary>
public sealed record RulerChange(decimal Before, Finding After);

/// <param name="Size">Portions, so that the day comes nearest to where it should lie.</param>
/// <param name="Rulers">The day's limits, those that change most in front.</param>
public sealed record MealOffer(MealThing Thing, decimal Size, Verdict Verdict, IReadOnlyList<RulerChange> Rulers);

/// <summary>The best things for one meal, ranked by what they do to the eater's day.</summary>
public static class BestForMeal
{
    public const int Most = 5;

    /// <summary>So many of the best by their sums are judged with all rules.</summary>
    private const int Judged = 15;

    /// <summary>
    /// What a percent over a ceiling weighs against one short of where a meal should lie; and what the same dish again and cooking weigh, in
    /// percent [C].
    /// </summary>
    private const decimal Over = 4,
        Wide = 0.5m,
        AgainThatDay = 40,
        AgainThatWeek = 5,
        Cooking = 10;

    /// <param name="question">Its dishes are those of the things, in their order.</param>
    /// <param name="day">The eater's day without what would go for one of them.</param>
    /// <param name="now">The eater's day as it stands.</param>
    public static IReadOnlyList<MealOffer> Of(
        FillQuestion question,
        EaterDay day,
        EaterDay now,
        MealSlot slot,
        IReadOnlyList<MealThing> things
    )
    {
        var table = new FillTable(question);
        var asks = FillTable
            .FormsOf(day.Eater, day.Date)
            .Where(form => form.Period == Period.Day)
            .Select(form => new Ask(form, day.Helpings.Sum(helping => form.Of(helping).Best), ShareOf(day, slot)))
            .ToList();
        return
        [
            .. things
                .Select((thing, at) => Sized(question, table, day, slot, thing, at, asks))
                .OfType<(MealThing Thing, Helping Helping, decimal Misses)>()
                .OrderBy(one => Math.Round(one.Misses))
                .ThenBy(one => one.Thing.Minutes)
                .ThenBy(one => one.Thing.Dish.Name, StringComparer.Ordinal)
                .Take(Judged)
                .Select(one => (one.Misses, Offer: Judge(day, now, slot, one.Thing, one.Helping)))
                .OrderBy(one => one.Offer.Verdict == Verdict.Breaks)
                .ThenBy(one => Math.Round(one.Misses))
                .ThenBy(one => one.Offer.Thing.Minutes)
                .Select(one => one.Offer)
                .Take(Most),
        ];
    }

    /// <summary>A sum of the day, what it holds already, and the meal's share of what is left.</summary>
    private sealed record Ask(LinearForm Form, decimal Holds, decimal Share)
    {
        /// <summary>Percent by which the day is missed with so much more at this meal.</summary>
        public decimal Misses(decimal more)
        {
            var (least, most) = (Form.Aim?.Low ?? Form.AtLeast, Form.AtMost);
            var lacks = least > 0 ? Math.Max(0, ((least.Value - Holds) * Share) - more) / least.Value : 0;
            return 100
                * (
                    most switch
                    {
                        null => lacks,
                        // A quotient: the sum has the sign that is asked for, or not.
                        0 => Holds + more > 0 ? Wide : 0,
                        { } bound => lacks
                            + (Over * Math.Max(0, Holds + more - bound) / bound)
                            + (Wide * Math.Max(0, more - ((bound - Holds) * Share)) / bound),
                    }
                );
        }
    }

    /// <summary>What a meal has of what the day's open meals still may bring.</summary>
    private static decimal ShareOf(EaterDay day, MealSlot slot)
    {
        var open = day.OpenMeals.Append(slot.Key).Distinct().Sum(meal => day.Eater.ShareOf(meal) ?? 0);
        return open == 0 ? 1 : (day.Eater.ShareOf(slot.Key) ?? 0) / open;
    }

    private static (MealThing, Helping, decimal)? Sized(
        FillQuestion question,
        FillTable table,
        EaterDay day,
        MealSlot slot,
        MealThing thing,
        int dish,
        List<Ask> asks
    )
    {
        var sizes = table.SizesOf(day.Eater, day.Date, slot, dish);
        var most = thing.Most is { } there ? Math.Min(sizes.Most, (int)(there * FillTable.Quarters)) : sizes.Most;
        if (most < sizes.Least)
        {
            return null;
        }

        var eaten = question.Placed.Where(item => item.Cell.Eater == day.Eater.Id && item.Helping.Dish == thing.Dish.Version.Name).ToList();
        var again =
            (eaten.Exists(item => item.Cell.Date == day.Date) ? AgainThatDay : 0)
            + (eaten.Count >= question.Wishes.MostTimes ? AgainThatDay : eaten.Count * AgainThatWeek)
            + (thing.Most is null ? Cooking : 0);
        return Enumerable
            .Range(sizes.Least, most - sizes.Least + 1)
            .Select(quarters => table.HelpingOf(dish, quarters))
            .Select(helping => (thing, helping, Misses: asks.Sum(ask => ask.Misses(ask.Form.Of(helping).Best)) + again))
            .OrderBy(one => one.Misses)
            .ThenBy(one => Math.Abs(one.helping.Size - day.Eater.PortionHabit))
            .First();
    }

    private static MealOffer Judge(EaterDay day, EaterDay now, MealSlot slot, MealThing thing, Helping helping)
    {
        var meals = day
            .Meals.Select(meal =>
                meal.Meal.Key == slot.Key ? meal with { Helpings = [.. meal.Helpings, helping with { At = new(day.Date, slot) }] } : meal
            )
            .ToList();
        var then = new EaterDay(day.Date, day.Eater, meals);
        var before = now.Findings.Where(finding => finding.Limit is { Per: Period.Day }).ToLookup(finding => finding.Rule);
        return new(
            thing,
            helping.Size,
            // What hangs on meals that are still open is no word against it.
            then.Findings.Select(finding => finding.Verdict).Where(verdict => verdict != Verdict.CannotTell).RollUp(),
            [
                .. then
                    .Findings.Where(finding => finding is { Limit.Per: Period.Day, Value: not null, NeedsAllowance: false })
                    .Select(finding => new RulerChange(before[finding.Rule].FirstOrDefault()?.Value?.Best ?? 0, finding))
                    .OrderByDescending(change => change.After.Used ?? 0),
            ]
        );
    }
}
