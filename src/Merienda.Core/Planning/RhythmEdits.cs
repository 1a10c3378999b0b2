using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>A meal as it is asked for.</summary>
/// <param name="Key">Null for a new one.</param>
public sealed record SaidMeal(string? Key, string Name, MealRole Role, TimeOnly At);

/// <summary>Changes how a household's weeks go, and how its eaters' days are split then.</summary>
public static partial class RhythmEdits
{
    public const int MostMeals = 8,
        MostCooks = 4,
        LongestName = 40;

    /// <param name="meals">The meals of a day, in order.</param>
    /// <param name="planned">Keys of meals in which something stands from this week on: they are not taken away.</param>
    /// <returns>The rhythm, and every eater with a share and a source for each meal: nothing is expected of a new one, and the share of one
    /// that is taken away goes to the others.</returns>
    public static Result<(Rhythm Rhythm, IReadOnlyList<EaterSettings> Eaters)> ChangeRhythm(
        this Table table,
        DayOfWeek firstDay,
        IReadOnlyList<SaidMeal> meals,
        IReadOnlyList<PrepDay> prepDays,
        IReadOnlySet<string> planned
    )
    {
        var was = table.Household.Rhythm;
        if ((WrongMeals(was, meals, planned) ?? WrongDays(firstDay, prepDays)) is { } refusal)
        {
            return refusal;
        }

        var rhythm = Rhythm.Of(
            firstDay,
            Slots(was, meals),
            prepDays.Select(day => day with { Name = day.Name.Trim(), Start = Minute(day.Start) })
        );
        return (rhythm, [.. table.Eaters.Select(eater => eater with { Meals = Split(eater, rhythm) })]);
    }

    /// <summary>Shares as a day is usually split, by what a meal is [C], in whole percents.</summary>
    public static IReadOnlyList<decimal> UsualShares(IEnumerable<MealSlot> meals) =>
        Whole([
            .. meals.Select(meal =>
                meal.Role switch
                {
                    MealRole.Breakfast => 5m,
                    MealRole.Bite => 3,
                    _ => 6,
                }
            ),
        ]);

    private static List<MealSlot> Slots(Rhythm was, IReadOnlyList<SaidMeal> meals)
    {
        var slots = new List<MealSlot>();
        foreach (var meal in meals)
        {
            var taken = slots
                .Select(slot => slot.Key)
                .Concat(meals.Select(one => one.Key))
                .Concat(was.Meals.Select(slot => slot.Key))
                .ToHashSet();
            slots.Add(new(meal.Key ?? KeyOf(meal.Name, taken), meal.Name.Trim(), meal.Role, Minute(meal.At), slots.Count));
        }

        // Earlier weeks still show what stood in a meal that is planned no more.
        foreach (var slot in was.Slots.Where(slot => slots.All(one => one.Key != slot.Key)).ToList())
        {
            slots.Add(slot with { Position = slots.Count, IsFormer = true });
        }

        return slots;
    }

    internal static TimeOnly Minute(TimeOnly time) => new(time.Hour, time.Minute);

    /// <summary>From its name, so that a meal that comes back is the one it was.</summary>
    private static string KeyOf(string name, HashSet<string?> taken)
    {
        var plain = NotInKey().Replace(name.Trim().ToLowerInvariant(), "-").Trim('-') is { Length: > 0 } words ? words : "meal";
        return Enumerable.Range(1, int.MaxValue).Select(at => at == 1 ? plain : $"{plain}-{at}").First(key => !taken.Contains(key));
    }

    private static IReadOnlyList<EaterMeal> Split(EaterSettings eater, Rhythm rhythm)
    {
        var meals = rhythm
            .Meals.Select(slot =>
                eater.Meals.FirstOrDefault(meal => meal.Meal == slot.Key) ?? EaterMeal.Daily(slot.Key, 0, MealSource.Nothing)
            )
            .ToList();
        if (meals.Sum(meal => meal.DayShare) == 1)
        {
            return meals;
        }

        var shares = meals.Any(meal => meal.DayShare > 0) ? Whole([.. meals.Select(meal => meal.DayShare)]) : UsualShares(rhythm.Meals);
        return [.. meals.Zip(shares, (meal, share) => meal with { DayShare = share })];
    }

    /// <summary>Whole percents in the ratio of weights that make one day; what rounding leaves goes to the largest.</summary>
    private static IReadOnlyList<decimal> Whole(IReadOnlyList<decimal> weights)
    {
        var shares = weights.Select(weight => Math.Round(weight / weights.Sum(), 2, MidpointRounding.ToZero)).ToArray();
        shares[Array.IndexOf(shares, shares.Max())] += 1 - shares.Sum();
        return shares;
    }

    private static Refusal? WrongMeals(Rhythm was, IReadOnlyList<SaidMeal> meals, IReadOnlySet<string> planned)
    {
        if (meals.Count is 0 or > MostMeals)
        {
            return new(
                "meals-out-of-range",
                "meals",
                $"{meals.Count}",
                $"a day has 1 to {MostMeals} meals",
                "Add one, or put two together"
            );
        }

        for (var at = 0; at < meals.Count; at++)
        {
            var (meal, name) = (meals[at], meals[at].Name.Trim());
            if (name.Length is 0 or > LongestName)
            {
                return NameRefused($"meals[{at}].name", meal.Name, "a meal");
            }

            if (meals.Take(at).Any(one => one.Name.Trim().Equals(name, StringComparison.OrdinalIgnoreCase)))
            {
                return new("name-taken", $"meals[{at}].name", name, "another meal is called so", "Say which of the two it is");
            }

            if (meal.Key is not null && (was.Meal(meal.Key) is null || meals.Take(at).Any(one => one.Key == meal.Key)))
            {
                return new("unknown-meal", $"meals[{at}].key", meal.Key, "there is no such meal", "Leave the key out for a new one");
            }
        }

        return was.Meals.FirstOrDefault(slot => planned.Contains(slot.Key) && meals.All(meal => meal.Key != slot.Key)) is { } full
            ? new(
                "meal-in-use",
                "meals",
                full.Name,
                $"something is planned for {full.Name} this week or later",
                "Move it to another meal or take it back first"
            )
            : null;
    }

    private static Refusal? WrongDays(DayOfWeek firstDay, IReadOnlyList<PrepDay> days)
    {
        if (!Enum.IsDefined(firstDay))
        {
            return new("unknown-day", "firstDay", $"{firstDay}", "there is no such weekday", "Choose one of the seven");
        }

        for (var at = 0; at < days.Count; at++)
        {
            var day = days[at];
            if (!Enum.IsDefined(day.Day))
            {
                return new("unknown-day", $"prepDays[{at}].day", $"{day.Day}", "there is no such weekday", "Choose one of the seven");
            }

            if (days.Take(at).Any(one => one.Day == day.Day))
            {
                return new(
                    "two-prep-days",
                    $"prepDays[{at}].day",
                    $"{day.Day}",
                    "two sessions are on one weekday",
                    "Choose another day for one of them"
                );
            }

            if (day.Cooks is < 1 or > MostCooks)
            {
                return CooksRefused($"prepDays[{at}].cooks", day.Cooks);
            }

            if (day.EatenAfter is < 0 or > PrepSession.FarthestDays)
            {
                return new(
                    "eaten-out-of-range",
                    $"prepDays[{at}].eatenAfter",
                    $"{day.EatenAfter}",
                    $"the first of it is eaten on the day itself, or up to {PrepSession.FarthestDays} days later",
                    "Choose a day in the week after it"
                );
            }

            if (day.Name.Trim().Length is 0 or > LongestName)
            {
                return NameRefused($"prepDays[{at}].name", day.Name, "a prep day");
            }
        }

        return null;
    }

    internal static Refusal NameRefused(string field, string name, string what) =>
        new("name-length", field, name, $"{what} has a name of 1 to {LongestName} characters", "Type what you call it");

    internal static Refusal CooksRefused(string field, int cooks) =>
        new("cooks-out-of-range", field, $"{cooks}", $"1 to {MostCooks} cook in a session", "Say how many hands there are");

    [GeneratedRegex(@"[^\p{L}\p{Nd}]+")]
    private static partial Regex NotInKey();
}
