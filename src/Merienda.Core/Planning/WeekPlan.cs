using Merienda.Core.Keeping;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>
/// The batches of a week, everything that is drawn from them (also in other weeks), every serving of the week, and the boxes that are there.
/// What was cooked is conserved by lot and part: drawn, gone and loose add up to it.
/// </summary>
public sealed record WeekPlan(
    DateOnly Start,
    IReadOnlyList<Batch> Batches,
    IReadOnlyList<Serving> Servings,
    IReadOnlyList<Container> Containers
)
{
    public const int Days = 7;

    /// <summary>The household's: which meals there are, and in what order.</summary>
    public Rhythm Rhythm { get; init; } = Rhythm.Usual;

    /// <summary>The meals of its days: those that are planned, and former ones in which something stands.</summary>
    public IReadOnlyList<MealSlot> Meals =>
        [
            .. Rhythm.Slots.Where(slot =>
                !slot.IsFormer
                || Servings.Any(serving => serving.Cell.Meal == slot.Key && serving.Items.Count > 0 && Holds(serving.Cell.Date))
            ),
        ];

    /// <summary>The sessions that its batches are cooked in.</summary>
    public IReadOnlyList<PrepSession> Sessions { get; init; } = [];

    /// <summary>Batches that are cooked for this week: what is shopped and cooked, without older ones still eaten.</summary>
    public IEnumerable<Batch> CookedForIt => Batches.Where(IsCookedForIt);

    public bool IsCookedForIt(Batch batch) => Sessions.Any(session => session.Date == batch.Cooked && Holds(session.EatenFrom));

    public bool Holds(DateOnly date) => date >= Start && date < Start.AddDays(Days);

    public Batch? BatchWithId(Guid id) => Batches.FirstOrDefault(batch => batch.Id == id);

    public Serving? At(Cell cell) => Servings.FirstOrDefault(serving => serving.Cell == cell);

    /// <summary>What takes some of a batch.</summary>
    public IEnumerable<(Serving Serving, Draw Draw)> DrawsOf(Guid batch) =>
        Servings.SelectMany(serving => serving.Draws.Where(draw => draw.Batch == batch && !draw.IsLeftOut).Select(draw => (serving, draw)));

    public IEnumerable<Container> ContainersOf(Guid batch) => Containers.Where(box => box.Batch == batch);

    public BoxState StateOf(Container box) => box.State(BatchWithId(box.Batch)!);

    /// <summary>Portions of a draw: what was eaten, once it was; one of grams counts by what a portion weighs.</summary>
    /// <exception cref="InvalidOperationException">A draw is in grams and nobody knows what a portion weighs: it was never accepted.</exception>
    public decimal PortionsOf(Batch batch, Draw draw) => Eaten(draw) ?? PlannedPortionsOf(batch, draw);

    /// <summary>Portions of a draw as it was planned, whatever was eaten of it.</summary>
    public static decimal PlannedPortionsOf(Batch batch, Draw draw) =>
        !draw.Size.IsInGrams
            ? draw.Size.Amount
            : draw.Size.Amount
                / (
                    batch.GramsPerPortion(batch.LotOf(draw))
                    ?? throw new InvalidOperationException($"{batch.Letter} is drawn in grams and weighs nothing.")
                );

    /// <summary>What is drawn of a batch, counted where most is taken.</summary>
    public decimal Placed(Batch batch) => batch.Lots.Sum(lot => Placed(batch, lot));

    public decimal Placed(Batch batch, Lot lot) => batch.PartsOf(lot).Max(part => Drawn(batch, lot, part));

    /// <summary>Portions that went outside the plan: eaten, given or thrown away.</summary>
    public decimal Gone(Batch batch) => ContainersOf(batch.Id).Sum(GoneOf);

    /// <summary>Portions that no serving has and that are not gone: whole ones, all parts of them.</summary>
    public decimal Loose(Batch batch) => batch.Lots.Sum(lot => Loose(batch, lot));

    public decimal Loose(Batch batch, Lot lot) =>
        batch.PortionedOn is null
            ? batch.PartsOf(lot).Min(part => Loose(batch, lot, part))
            : ContainersOf(batch.Id).Where(box => box.Lot == lot.Id).Sum(box => Rest(batch, box, batch.PartsOf(lot)));

    /// <summary>Portions of one part that nothing has.</summary>
    public decimal Loose(Batch batch, Lot lot, string part)
    {
        var boxes = ContainersOf(batch.Id).Where(box => box.Lot == lot.Id && box.Holds(part));
        return batch.PortionedOn is null
            ? lot.Portions - Drawn(batch, lot, part) - boxes.Sum(GoneOf)
            : boxes.Sum(box => Rest(batch, box, [part]));
    }

    /// <summary>Portions of some parts in a box that no meal waits for; zero when it does not hold all of them.</summary>
    public decimal Rest(Batch batch, Container box, IReadOnlyList<string> parts) =>
        parts.Min(part => Math.Max(0, box.LeftOf(part) - Waiting(batch, box, part)));

    /// <summary>Portions of a part in a box that meals wait for.</summary>
    internal decimal Waiting(Batch batch, Container box, string part) =>
        DrawsOf(batch.Id)
            .Where(item => item.Draw.Container == box.Id && item.Draw.Takes(part) && !box.IsSettled(item.Draw.Id))
            .Sum(item => PortionsOf(batch, item.Draw));

    internal Container? BoxWithId(Guid? id) => Containers.FirstOrDefault(box => box.Id == id);

    internal decimal Drawn(Batch batch, Lot lot, string part) =>
        DrawsOf(batch.Id).Where(item => item.Draw.Lot == lot.Id && item.Draw.Takes(part)).Sum(item => PortionsOf(batch, item.Draw));

    /// <summary>What was eaten at a meal that it was taken off again is gone too.</summary>
    private decimal GoneOf(Container box) =>
        box.Life.Where(said => said.Takes && !DrawsOf(box.Batch).Any(item => item.Draw.Id == said.Draw)).Sum(said => said.Portions);

    /// <summary>Portions that were eaten of a draw; null while nobody said.</summary>
    internal decimal? Eaten(Draw draw) =>
        draw.Container is not null && BoxWithId(draw.Container) is { } box && box.IsSettled(draw.Id)
            ? box.Life.Where(said => said.Draw == draw.Id).Sum(said => said.Portions)
            : null;
}
