namespace Merienda.Core.Planning;

/// <summary>A box as it will be filled: of a draw, or of what is still loose. Computed, so that it always agrees with the plan.</summary>
/// <param name="Id">The draw's; of a loose one an id that stays while it is loose.</param>
/// <param name="Number">Rises with the date it is eaten; loose ones come last.</param>
/// <param name="Cell">Null while it is loose.</param>
public sealed record PlannedBox(Guid Id, Batch Batch, Lot Lot, int Number, decimal Portions, Cell? Cell, IReadOnlyList<string>? Parts);

/// <summary>
/// The batches of a week, everything that is drawn from them (also in other weeks), and every serving of the week. What was cooked is
/// conserved by lot and part: drawn, gone and loose add up to it.
/// </summary>
public sealed record WeekPlan(DateOnly Start, IReadOnlyList<Batch> Batches, IReadOnlyList<Serving> Servings, IReadOnlyList<Box> Gone)
{
    public const int Days = 7;

    public bool Holds(DateOnly date) => date >= Start && date < Start.AddDays(Days);

    public Batch? BatchWithId(Guid id) => Batches.FirstOrDefault(batch => batch.Id == id);

    public Serving? At(Cell cell) => Servings.FirstOrDefault(serving => serving.Cell == cell);

    public IEnumerable<(Serving Serving, Draw Draw)> DrawsOf(Guid batch) =>
        Servings.SelectMany(serving => serving.Draws.Where(draw => draw.Batch == batch).Select(draw => (serving, draw)));

    /// <summary>Portions of a draw; one of grams counts by what a portion weighs.</summary>
    /// <exception cref="InvalidOperationException">A draw is in grams and nobody knows what a portion weighs: it was never accepted.</exception>
    public static decimal PortionsOf(Batch batch, Draw draw) =>
        !draw.Size.IsInGrams
            ? draw.Size.Amount
            : draw.Size.Amount
                / (batch.GramsPerPortion ?? throw new InvalidOperationException($"{batch.Letter} is drawn in grams and weighs nothing."));

    /// <summary>What is drawn of a batch, counted where most is taken.</summary>
    public decimal Placed(Batch batch) => batch.Lots.Sum(lot => batch.Parts.Max(part => Drawn(batch, lot, part)));

    /// <summary>Portions that no serving has and that are not gone: whole ones, all parts of them.</summary>
    public decimal Loose(Batch batch) => batch.Lots.Sum(lot => Loose(batch, lot));

    public decimal Loose(Batch batch, Lot lot) => batch.Parts.Min(part => Loose(batch, lot, part));

    /// <summary>Portions of one part that nothing has.</summary>
    public decimal Loose(Batch batch, Lot lot, string part) =>
        lot.Portions - Drawn(batch, lot, part) - Gone.Where(box => box.Lot == lot.Id && box.GoneOn is not null).Sum(box => box.Portions);

    /// <summary>The boxes that a batch fills: one for each draw, then what is loose in whole portions and at most one smaller.</summary>
    public IReadOnlyList<PlannedBox> BoxesOf(Batch batch)
    {
        var drawn = DrawsOf(batch.Id)
            .OrderBy(item => item.Serving.Cell.Date)
            .ThenBy(item => new Protocols.Occasion(item.Serving.Cell.Date, item.Serving.Cell.Meal).Order)
            .ThenBy(item => item.Draw.Id)
            .Select(item =>
                (item.Draw.Id, item.Draw.Lot, Portions: PortionsOf(batch, item.Draw), (Cell?)item.Serving.Cell, item.Draw.Parts)
            );
        var gone = Gone.Select(box => box.Id).ToHashSet();
        var loose = batch.Lots.SelectMany(lot => LooseBoxes(batch, lot, gone));
        return
        [
            .. drawn
                .Concat(loose)
                .Select(
                    (box, at) =>
                        new PlannedBox(
                            box.Id,
                            batch,
                            batch.Lots.First(lot => lot.Id == box.Lot),
                            at + 1,
                            box.Portions,
                            box.Item4,
                            box.Parts
                        )
                ),
        ];
    }

    private IEnumerable<(Guid Id, Guid Lot, decimal Portions, Cell?, IReadOnlyList<string>? Parts)> LooseBoxes(
        Batch batch,
        Lot lot,
        HashSet<Guid> gone
    )
    {
        var ids = Enumerable.Range(0, 256).Select(at => LooseId(lot.Id, at)).Where(id => !gone.Contains(id)).GetEnumerator();
        // A draw in grams may leave a crumb that no box is filled with.
        for (var left = Math.Round(Loose(batch, lot), 2, MidpointRounding.ToZero); left > 0; left -= 1)
        {
            ids.MoveNext();
            yield return (ids.Current, lot.Id, Math.Min(1, left), null, null);
        }
    }

    private decimal Drawn(Batch batch, Lot lot, string part) =>
        DrawsOf(batch.Id).Where(item => item.Draw.Lot == lot.Id && item.Draw.Takes(part)).Sum(item => PortionsOf(batch, item.Draw));

    /// <summary>A loose box has no row; its id is its lot's with the box's place in it.</summary>
    private static Guid LooseId(Guid lot, int at)
    {
        var bytes = lot.ToByteArray();
        bytes[^1] ^= (byte)at;
        bytes[^2] ^= 0x5a;
        return new Guid(bytes);
    }
}
