using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Shopping;

namespace Merienda.Core.Filling;

/// <summary>A thing of a meal as it is judged.</summary>
public sealed record OnMeal(Cell Cell, ServingItem Item, Helping Helping);

/// <summary>Whose meals of which days may be filled or changed.</summary>
/// <param name="Eaters">Null for everybody's.</param>
/// <param name="Days">Null for all that are to come.</param>
public sealed record FillScope(IReadOnlySet<Guid>? Eaters = null, IReadOnlySet<DateOnly>? Days = null)
{
    public static readonly FillScope All = new();

    public bool Holds(Cell cell) => Eaters?.Contains(cell.Eater) != false && Days?.Contains(cell.Date) != false;
}

/// <summary>
/// A planned week as a question: which sessions are still to come, what is loose on the bench and in the boxes, what stays on the meals and,
/// for mending, what may be changed.
/// </summary>
/// <param name="Cookable">What may be cooked: recipes as written and in their variants.</param>
/// <param name="DishOf">The dish of a lot.</param>
/// <param name="OnMeals">Everything that stands on the week's meals.</param>
public sealed record WeekQuestion(
    WeekPlan Plan,
    IReadOnlyList<Eater> Eaters,
    DateOnly Today,
    IReadOnlyList<FillDish> Cookable,
    Func<Batch, Lot, FillDish> DishOf,
    IReadOnlyList<OnMeal> OnMeals,
    FillWishes Wishes
)
{
    /// <summary>What is in stock and goes off within the week.</summary>
    public IReadOnlyList<DueStock> Due { get; init; } = [];

    /// <summary>What is sold in packs and goes off once one is opened.</summary>
    public IReadOnlyList<PackedFood> Packs { get; init; } = [];

    /// <summary>What things cost.</summary>
    public PriceBook Prices { get; init; } = PriceBook.Empty;

    /// <summary>A batch that is planned grows by at most so many portions.</summary>
    private const int MostMore = 8;

    /// <summary>The open meals.</summary>
    public FillQuestion ToFill(FillScope scope) => Ask([], scope);

    /// <summary>The meals that stand there and may be changed.</summary>
    public FillQuestion ToMend(FillScope scope) => Ask([.. Changeable().Where(one => scope.Holds(one.Serving.Cell))], FillScope.All);

    /// <summary>Whole portions on meals that are still to come, of batches that are planned or of boxes nobody has eaten of.</summary>
    private IEnumerable<(Serving Serving, Draw Draw)> Changeable() =>
        from serving in Plan.Servings
        where Plan.Holds(serving.Cell.Date) && serving.Cell.Date >= Today && serving is { IsSaid: false, IsLocked: false }
        let draw = serving.Draws.FirstOrDefault(draw => draw is { Parts: null, Size.IsInGrams: false, IsExtra: false } && !IsEaten(draw))
        where draw is not null && Eaters.Any(eater => eater.Id == serving.Cell.Eater)
        select (serving, draw);

    internal bool IsEaten(Draw draw) => Plan.Containers.Any(box => box.Id == draw.Container && box.IsSettled(draw.Id));

    private FillQuestion Ask(IReadOnlyList<(Serving Serving, Draw Draw)> changing, FillScope scope)
    {
        var (dishes, rests, now) = (Cookable.ToList(), new List<FillRest>(), new List<FillNow>());
        foreach (var batch in Plan.Batches)
        {
            foreach (var lot in batch.Lots)
            {
                var draws = changing.Where(one => one.Draw.Batch == batch.Id && one.Draw.Lot == lot.Id).ToList();
                foreach (var rest in RestsOf(batch, lot, dishes.Count, draws).Where(rest => rest.There.Portions + rest.There.More > 0))
                {
                    now.AddRange(rest.Draws.Select(one => new FillNow(one.Serving.Cell, one.Draw.Id, rests.Count, one.Draw.Size.Amount)));
                    rests.Add(rest.There with { Dish = dishes.Count });
                    dishes.Add(DishOf(batch, lot));
                }
            }
        }

        var changed = now.Select(one => one.Item).ToHashSet();
        return new(Plan.Start, Plan.Rhythm, Plan.SessionsToCome(Today), Eaters, dishes, Wishes)
        {
            From = Today,
            Rests = rests,
            Now = now,
            Taken = Plan.Batches.Select(batch => (DishOf(batch, batch.Lots[0]).Recipe, batch.Cooked)).ToHashSet(),
            Due =
            [
                .. Due.Where(thing =>
                    !Plan.Batches.Any(batch => batch.Lots.Any(lot => thing.IsUsedBy(DishOf(batch, lot).Version, batch.Cooked)))
                ),
            ],
            Packs = [.. Packs.Select(pack => pack with { Planned = PlannedOf(pack) })],
            Prices = Prices,
            Waiting = [.. WaitingBoxes.Of(Plan, box => (box.Cell is not null || box.IsFrozen) && !changed.Contains(box.Id))],
            Placed = [.. OnMeals.Where(one => !changed.Contains(one.Item.Id)).Select(one => (one.Cell, one.Helping))],
            Settled = new HashSet<Cell>([
                .. Plan
                    .Servings.Where(serving => serving.State is ServingState.Out or ServingState.Skipped)
                    .Select(serving => serving.Cell),
                .. Past(),
                .. Eaters.SelectMany(Empty).Where(cell => !scope.Holds(cell)),
            ]),
        };
    }

    /// <summary>Grams for the batches that are still to be cooked.</summary>
    private decimal PlannedOf(PackedFood pack) =>
        Plan
            .Batches.Where(batch => batch.PortionedOn is null && batch.Cooked >= Today)
            .SelectMany(batch => batch.Lots, (batch, lot) => pack.In(DishOf(batch, lot).Version) * lot.Portions)
            .Sum();

    /// <summary>Meals of days that are over: nobody fills them any more.</summary>
    private IEnumerable<Cell> Past() => Eaters.SelectMany(Empty).Where(cell => cell.Date < Today);

    private IEnumerable<Cell> Empty(Eater eater) =>
        from day in Enumerable.Range(0, WeekPlan.Days).Select(Plan.Start.AddDays)
        from meal in eater.PrepMealsOn(day)
        let cell = new Cell(day, meal, eater.Id)
        where OnMeals.All(one => one.Cell != cell)
        select cell;

    private IEnumerable<(FillRest There, IReadOnlyList<(Serving Serving, Draw Draw)> Draws)> RestsOf(
        Batch batch,
        Lot lot,
        int dish,
        List<(Serving Serving, Draw Draw)> draws
    )
    {
        if (batch.PortionedOn is null)
        {
            var more = batch.Cooked < Today ? 0 : (int)Math.Min(MostMore, Math.Max(0, Wishes.MostPortions - batch.Portions));
            var loose = Math.Max(0, Plan.Loose(batch, lot)) + draws.Sum(one => one.Draw.Size.Amount);
            return [(new(batch.Id, lot.Id, dish, Whole(loose), more, batch.Cooked), draws)];
        }

        return Plan.ContainersOf(batch.Id)
            .Where(box => box.Lot == lot.Id && box.Parts is null && batch.Keeping is not null)
            .Select(box => (Box: box, State: Plan.StateOf(box), Own: draws.Where(one => one.Draw.Container == box.Id).ToList()))
            .Where(one => one.State.Place != BoxPlace.Gone)
            .GroupBy(one =>
                (
                    EatBy: one.State.EatBy(batch.Keeping!),
                    Holds: Whole(Plan.Rest(batch, one.Box, batch.PartsOf(lot)) + one.Own.Sum(own => own.Draw.Size.Amount))
                )
            )
            .Where(group => group.Key.Holds > 0)
            .Select(group =>
                (
                    new FillRest(
                        batch.Id,
                        lot.Id,
                        dish,
                        group.Key.Holds * group.Count(),
                        0,
                        batch.Cooked,
                        group.Key.EatBy ?? DateOnly.MaxValue,
                        group.Key.EatBy is null,
                        group.Key.Holds
                    ),
                    (IReadOnlyList<(Serving, Draw)>)[.. group.SelectMany(one => one.Own)]
                )
            );
    }

    /// <summary>In whole quarters: less is not placed.</summary>
    private static decimal Whole(decimal portions) => Math.Floor(portions * FillTable.Quarters) / FillTable.Quarters;
}
