using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>A weekday on which a household cooks.</summary>
/// <param name="Start">Local time.</param>
/// <param name="Cooks">1 to 4.</param>
/// <param name="EatenAfter">Days until the first of it is eaten, 0 to 6. It says which week a session is cooked for.</param>
public sealed record PrepDay(DayOfWeek Day, TimeOnly Start, int Cooks, string Name, int EatenAfter);

/// <summary>How a household's weeks go: the day they begin on, the meals of a day, and when it cooks.</summary>
/// <param name="Slots">In the order of the day; former ones last.</param>
public sealed record Rhythm(DayOfWeek FirstDay, IReadOnlyList<MealSlot> Slots, IReadOnlyList<PrepDay> PrepDays)
{
    /// <summary>What a new household begins with [C].</summary>
    public static readonly Rhythm Usual = new(
        DayOfWeek.Sunday,
        [
            new("breakfast", "breakfast", MealRole.Breakfast, new(7, 30), 0),
            new("lunch", "lunch", MealRole.Lunch, new(12, 30), 1),
            new("bite", "afternoon bite", MealRole.Bite, new(16, 0), 2),
            new("supper", "supper", MealRole.Supper, new(19, 0), 3),
        ],
        [new(DayOfWeek.Saturday, new(14, 0), 1, "long session", 1), new(DayOfWeek.Wednesday, new(18, 0), 1, "short session", 1)]
    );

    /// <summary>With its prep days in the order of the week.</summary>
    public static Rhythm Of(DayOfWeek firstDay, IReadOnlyList<MealSlot> slots, IEnumerable<PrepDay> prepDays) =>
        new(firstDay, slots, [.. prepDays.OrderBy(day => DaysAfter(firstDay, (int)day.Day))]);

    /// <summary>The meals that are planned.</summary>
    public IEnumerable<MealSlot> Meals => Slots.Where(slot => !slot.IsFormer);

    public MealSlot? Meal(string? key) => Slots.FirstOrDefault(slot => slot.Key == key);

    /// <summary>
    /// The meal that a recipe means by its course ("breakfast", "snack", "main course") or, where it says none, by words of its name that
    /// are seldom anything else [C]; null when nothing says it.
    /// </summary>
    public MealSlot? OfCourse(string course, string name = "")
    {
        MealRole? role =
            Has(course, "breakfast", "brunch") ? MealRole.Breakfast
            : Has(course, "lunch") ? MealRole.Lunch
            : Has(course, "snack", "bite", "dessert", "tea") ? MealRole.Bite
            : Has(course, "dinner", "supper", "main") ? MealRole.Supper
            : Has(name, "breakfast", "porridge", "overnight oats", "pancake", "granola", "chia", "smoothie", "waffle") ? MealRole.Breakfast
            : Has(name, "snack", "bites", "balls", "bars", "cookies", "crackers") ? MealRole.Bite
            : null;
        return Meal(course.ToLowerInvariant()) ?? Meals.FirstOrDefault(slot => slot.Role == role);
    }

    private static bool Has(string words, params string[] any) => any.Any(word => words.Contains(word, StringComparison.OrdinalIgnoreCase));

    /// <summary>As a sentence names it.</summary>
    public string NameOf(string key) => Meal(key)?.Name ?? key;

    /// <summary>Why a meal is none of some; null when it is.</summary>
    public static Refusal? UnknownMeal(IEnumerable<MealSlot> meals, string? key) =>
        meals.Any(slot => slot.Key == key)
            ? null
            : new(
                "unknown-meal",
                "meal",
                key ?? "",
                "there is no such meal",
                $"Use one of {string.Join(", ", meals.Select(slot => slot.Key))}"
            );

    public Occasion OccasionOf(DateOnly date, string key) =>
        new(date, Meal(key) ?? new(key, key, MealRole.Bite, default, Slots.Count, true));

    /// <summary>First day of the week that a date lies in.</summary>
    public DateOnly WeekOf(DateOnly date) => date.AddDays(-DaysAfter(FirstDay, (int)date.DayOfWeek));

    /// <summary>A week is planned from so many days before its first session on; before that the one that is eaten is looked at [C].</summary>
    private const int PlannedAhead = 3;

    /// <summary>First day of the week that is at hand: the next one once its own sessions are over and the next ones are near.</summary>
    public DateOnly WeekAtHand(DateOnly today)
    {
        var start = WeekOf(today);
        var next = start.AddDays(WeekPlan.Days);
        var isNear = SessionsOf(next).Any(session => session.DayNumber - today.DayNumber <= PlannedAhead);
        return isNear && SessionsOf(start).All(session => session < today) ? next : start;
    }

    /// <summary>The sessions that are cooked for a week, in order.</summary>
    /// <param name="start">Its first day.</param>
    public IEnumerable<DateOnly> SessionsOf(DateOnly start) =>
        PrepDays.Select(day => start.AddDays(DaysAfter(FirstDay, (int)day.Day + day.EatenAfter) - day.EatenAfter)).Order();

    /// <summary>A session on a date for a week, as the weekday has it, else an evening like any other.</summary>
    public PrepSession SessionOn(DateOnly date, DateOnly start, Guid id)
    {
        var day = PrepDays.FirstOrDefault(one => one.Day == date.DayOfWeek) ?? new(date.DayOfWeek, new(18, 0), 1, "prep session", 1);
        return new(id, date, PrepSession.EatenFromIn(start, date.AddDays(day.EatenAfter)), day.Start, day.Cooks, day.Name);
    }

    /// <summary>A session of a week that began on another weekday: it is cooked for the week with most of those days.</summary>
    public PrepSession Carry(PrepSession session, Rhythm before) =>
        session with
        {
            EatenFrom = PrepSession.EatenFromIn(WeekOf(before.WeekOf(session.EatenFrom).AddDays(WeekPlan.Days / 2)), session.EatenFrom),
        };

    /// <summary>Days from a week's first day to a weekday, 0 to 6.</summary>
    /// <param name="weekday">0 for Sunday; it may count on into the week after.</param>
    private static int DaysAfter(DayOfWeek firstDay, int weekday) => (weekday - (int)firstDay + WeekPlan.Days) % WeekPlan.Days;
}

/// <summary>A day of cooking for one week.</summary>
/// <param name="Date">Local date; a household has one session a day.</param>
/// <param name="EatenFrom">First day on which something of it is eaten: the week this lies in is the one it is cooked for.</param>
/// <param name="Start">Local time.</param>
/// <param name="Cooks">1 to 4.</param>
public sealed record PrepSession(Guid Id, DateOnly Date, DateOnly EatenFrom, TimeOnly Start, int Cooks, string Name)
{
    /// <summary>How many days before the week's first day, and after it, its sessions may be.</summary>
    public const int FarthestDays = WeekPlan.Days - 1;

    /// <summary>Nothing is cooked in it by now: any week may have the day.</summary>
    public bool IsFree { get; init; }

    /// <summary>The day in a week that comes nearest.</summary>
    public static DateOnly EatenFromIn(DateOnly start, DateOnly day) =>
        day < start ? start
        : day > start.AddDays(FarthestDays) ? start.AddDays(FarthestDays)
        : day;
}
