using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Shopping;

namespace Merienda.Core.Filling;

/// <summary>What the cook wants of a filled week besides the rules of the eaters.</summary>
/// <param name="MostTimes">The same dish at most so many times a week for one eater at the large meals; three is common [C].</param>
/// <param name="FreezerBoxes">Boxes that the freezer holds, those that stand there with them.</param>
/// <param name="MostPortions">Most portions of a batch.</param>
/// <param name="IsCertainOnly">Whether what is too close to call stays out.</param>
/// <param name="Boxes">Containers that there are, in fridge and freezer; null for enough.</param>
/// <param name="MinutesASession">By hand, at most, of one session; null for as long as it takes.</param>
public sealed record FillWishes(
    int MostTimes = 3,
    int FreezerBoxes = 12,
    int MostPortions = 16,
    bool IsCertainOnly = false,
    int? Boxes = null,
    int? MinutesASession = null
)
{
    public static readonly FillWishes Usual = new();

    /// <summary>What is sought, the most wanted first; that meals are covered comes before all of it.</summary>
    public IReadOnlyList<FillGoal> Goals { get; init; } = FillGoals.Usual;
}

/// <summary>Portions of a batch that is planned or there, which no meal has that stays as it is.</summary>
/// <param name="Dish">Its place among the question's dishes; what stands there is cooked in no other batch.</param>
/// <param name="More">Whole portions that may be cooked on top; 0 for one that is in boxes, or whose session is over.</param>
/// <param name="EatBy">Of boxes: the last date; null for a batch of which the keeping class says it.</param>
/// <param name="Box">Portions in each of its boxes: a meal takes of one; null before they are filled.</param>
public sealed record FillRest(
    Guid Batch,
    Guid Lot,
    int Dish,
    decimal Portions,
    int More,
    DateOnly Cooked,
    DateOnly? EatBy = null,
    bool IsFrozen = false,
    decimal? Box = null
)
{
    public KeptIn KeptUntil(FillDish dish, DateOnly eaten) =>
        EatBy is not { } last ? dish.KeptUntil(Cooked, eaten)
        : eaten > last ? KeptIn.PastItsTime
        : IsFrozen ? KeptIn.Freezer
        : KeptIn.Fridge;
}

/// <summary>What stands on a meal and may be changed.</summary>
/// <param name="Rest">Its place among the question's rests.</param>
public sealed record FillNow(Cell Cell, Guid Item, int Rest, decimal Size);

/// <summary>A week that is to be filled: who eats, what there is to cook and when, and what stands on the meals already.</summary>
/// <param name="Start">Its first day.</param>
/// <param name="Sessions">In the order of time; what is cooked in one is eaten from its <see cref="PrepSession.EatenFrom"/> on.</param>
public sealed record FillQuestion(
    DateOnly Start,
    Rhythm Rhythm,
    IReadOnlyList<PrepSession> Sessions,
    IReadOnlyList<Eater> Eaters,
    IReadOnlyList<FillDish> Dishes,
    FillWishes Wishes
)
{
    /// <summary>Portions that need not be cooked, or only more of what is cooked anyway.</summary>
    public IReadOnlyList<FillRest> Rests { get; init; } = [];

    /// <summary>What stands on meals and may be changed: with any, the week is mended and not filled.</summary>
    public IReadOnlyList<FillNow> Now { get; init; } = [];

    /// <summary>Meals that get one thing more beside what stands there: with any, nothing else is filled.</summary>
    public IReadOnlySet<Cell> Beside { get; init; } = new HashSet<Cell>();

    /// <summary>What each thing that is put on a meal may bring at least and at most, kcal; null for any.</summary>
    public (decimal Least, decimal Most)? Energy { get; init; }

    /// <summary>Recipes that are cooked in a session already: more of them is more of that batch.</summary>
    public IReadOnlySet<(Guid Recipe, DateOnly Cooked)> Taken { get; init; } = new HashSet<(Guid, DateOnly)>();

    /// <summary>The first day that is not over; null when all are to come.</summary>
    public DateOnly? From { get; init; }

    public bool IsMend => Now.Count > 0;

    /// <summary>What stands on meals already and stays there.</summary>
    public IReadOnlyList<(Cell Cell, Helping Helping)> Placed { get; init; } = [];

    /// <summary>Boxes that stand in fridge and freezer, or will, besides those that are sought.</summary>
    public IReadOnlyList<WaitingBox> Waiting { get; init; } = [];

    /// <summary>What is in stock and goes off within the week.</summary>
    public IReadOnlyList<DueStock> Due { get; init; } = [];

    /// <summary>What is sold in packs and goes off once one is opened.</summary>
    public IReadOnlyList<PackedFood> Packs { get; init; } = [];

    /// <summary>What things cost; empty where nobody noted a price.</summary>
    public PriceBook Prices { get; init; } = PriceBook.Empty;

    /// <summary>Meals where nothing is missing though nothing stands there: eaten out, skipped.</summary>
    public IReadOnlySet<Cell> Settled { get; init; } = new HashSet<Cell>();

    /// <summary>
    /// A plan with what stays because nothing in its place fits. Only what an eater must never have is taken off without anything instead.
    /// </summary>
    public FillPlan WithStuck(FillPlan plan)
    {
        var served = plan.Servings.Select(serving => serving.Cell).ToHashSet();
        return plan with
        {
            Servings =
            [
                .. plan.Servings,
                .. Now.Where(now => !served.Contains(now.Cell))
                    .Select(now => (now, rest: Rests[now.Rest], dish: Dishes[Rests[now.Rest].Dish]))
                    .Where(one =>
                        Eaters.First(eater => eater.Id == one.now.Cell.Eater).Stop(one.dish.Name, one.dish.Version.Profile) is null
                    )
                    .Select(one => new FillServing(one.now.Cell, one.dish, one.now.Size, one.rest.Cooked, one.rest)),
            ],
        };
    }

    /// <summary>
    /// The meal of some that gets something beside: the last small one between the large ones, where there is none any small one, else the last.
    /// </summary>
    public static MealSlot SlotBeside(IEnumerable<MealSlot> meals) =>
        meals.MaxBy(slot => (slot.Role == MealRole.Bite, !slot.IsMain, slot.Position))!;

    /// <summary>Whether bought things may come beside what fills a meal: only where somebody sees to it that they are few.</summary>
    public bool HasBeside => Beside.Count == 0 && Wishes.Goals.Contains(FillGoal.Minutes) && Dishes.Any(dish => dish.Ready is not null);

    public IEnumerable<DateOnly> Dates => Enumerable.Range(0, WeekPlan.Days).Select(day => Start.AddDays(day));

    /// <summary>The meals to fill: those that may be changed, else those from the prep by the eater's pattern with nothing on them.</summary>
    public IEnumerable<Cell> Open
    {
        get
        {
            if (IsMend)
            {
                return Now.Select(now => now.Cell);
            }

            if (Beside.Count > 0)
            {
                return Beside;
            }

            var taken = Placed.Select(item => item.Cell).Concat(Settled).ToHashSet();
            return from eater in Eaters
                from date in Dates
                from meal in eater.PrepMealsOn(date)
                let cell = new Cell(date, meal, eater.Id)
                where !taken.Contains(cell)
                select cell;
        }
    }

    /// <summary>Meals from the prep of a week that is mended on which nothing stands: each of them may yet bring what a day lacks.</summary>
    public int EmptyOn(Eater eater, DateOnly date) =>
        IsMend
            ? eater
                .PrepMealsOn(date)
                .Select(meal => new Cell(date, meal, eater.Id))
                .Count(cell => !Settled.Contains(cell) && Now.All(now => now.Cell != cell) && Placed.All(item => item.Cell != cell))
            : 0;

    /// <summary>Whether every meal of a day is planned here: a floor of the day can be asked for then.</summary>
    public bool IsWholeDay(Eater eater, DateOnly date) => !eater.Meals.Any(meal => IsElsewhere(eater, meal, date));

    /// <summary>The share of a day that is planned here, 0 to 1; what is eaten elsewhere has the rest.</summary>
    public decimal ShareOf(Eater eater, DateOnly date)
    {
        var all = eater.Meals.Sum(meal => meal.DayShare);
        return all == 0 ? 1 : eater.Meals.Where(meal => !IsElsewhere(eater, meal, date)).Sum(meal => meal.DayShare) / all;
    }

    private bool IsElsewhere(Eater eater, EaterMeal meal, DateOnly date) =>
        meal.On(date) is MealSource.Fresh or MealSource.Out || Settled.Contains(new(date, meal.Meal, eater.Id));
}
