using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>The rows that a plan is made of, and back: a decided plan is written as what differs.</summary>
/// <param name="Used">The sessions in which something is cooked.</param>
internal sealed record PlanRows(
    IReadOnlyList<BatchRow> Batches,
    IReadOnlyList<PrepSessionRow> Sessions,
    IReadOnlySet<Guid> Used,
    IReadOnlyList<LotRow> Lots,
    IReadOnlyList<ServingRow> Servings,
    IReadOnlyList<ServingItemRow> Items,
    IReadOnlyList<PartYieldRow> Yields,
    IReadOnlyList<ContainerRow> Containers,
    IReadOnlyList<ContainerEventRow> Events,
    IReadOnlyList<PacketRows.VersionRow> Packets,
    IReadOnlyList<BatchSwapRow> Swaps
)
{
    internal const string SessionColumns = "id, cooked_on, eaten_from, starts_at, cooks, name";

    public static readonly PlanRows None = new([], [], new HashSet<Guid>(), [], [], [], [], [], [], [], []);

    /// <param name="lineOf">Reads a food that is eaten as it is bought.</param>
    public WeekPlan ToPlan(
        DateOnly start,
        Rhythm rhythm,
        IReadOnlyDictionary<Guid, StoredRecipe> recipes,
        Func<ServingItemRow, RecipeLine> lineOf
    )
    {
        var cooked = Sessions.ToDictionary(session => session.Id, session => session.CookedOn);
        var lots = Lots.ToLookup(lot => lot.BatchId, lot => new Lot(lot.Id, lot.Variant, lot.Portions));
        var items = Items.OrderBy(item => item.Position).ToLookup(item => item.ServingId, item => ToItem(item, lineOf));
        var yields = Yields.ToLookup(row => row.BatchId, row => new PartYield(row.Part, row.GrossG, row.TareG, row.Vessel));
        var life = Events.ToLookup(row => row.ContainerId, ToEvent);
        return new(
            start,
            [
                .. Batches.Select(batch =>
                    new Batch(batch.Id, batch.Letter, cooked[batch.SessionId], [.. lots[batch.Id]])
                    {
                        Yields = [.. yields[batch.Id]],
                        PortionedOn = batch.PortionedOn,
                        FrozenRest = batch.FrozenRest,
                    }.Of(recipes[batch.Id].Version)
                ),
            ],
            [
                .. Servings.Select(row => new Serving(row.Id, new Cell(row.EatenOn, row.Meal, row.EaterId), [.. items[row.Id]])
                {
                    State = Enum.Parse<ServingState>(row.State),
                    IsLocked = row.IsLocked,
                    Note = row.Note,
                }),
            ],
            [
                .. Containers.Select(row => new Container(row.Id, row.BatchId, row.LotId, row.Number, row.Portions, [.. life[row.Id]])
                {
                    Parts = row.Parts,
                    Grams = row.Grams,
                    Kind = row.Kind,
                    Material = row.Material,
                }),
            ]
        )
        {
            Rhythm = rhythm,
            Sessions =
            [
                .. Sessions.Select(row => SessionOf(row) with { IsFree = !Used.Contains(row.Id) }).OrderBy(session => session.Date),
            ],
        };
    }

    /// <summary>What has to be written for a plan that was decided on these rows.</summary>
    /// <param name="was">The plan of these rows: what is eaten as it is bought keeps the food that it was computed from unless it is another by now.</param>
    /// <param name="idOf">The stored version of a food of the table, or of a packet.</param>
    /// <param name="made">Rows of batches that are new in the plan.</param>
    public Change ChangeTo(
        WeekPlan was,
        WeekPlan plan,
        string summary,
        Func<RecipeLine, (Guid? Food, Guid? Packet)> idOf,
        IReadOnlyList<BatchRow>? made = null
    )
    {
        var batches = Batches.Concat(made ?? []).ToDictionary(row => row.Id);
        var servings = Servings.Select(row => row.Id).ToHashSet();
        var items = Items.ToDictionary(row => row.Id);
        var kept = was.Servings.SelectMany(serving => serving.Items).OfType<ReadyFood>().ToDictionary(food => food.Id, food => food.Line);
        var now = plan.Servings.Select(ServingRowOf).ToList();
        var begun = plan
            .Servings.Where(serving => !servings.Contains(serving.Id))
            .Select(serving => ServingRowOf(new Serving(serving.Id, serving.Cell, [])))
            .ToList();
        var sessions = plan.Sessions.ToDictionary(session => session.Date);
        var known = Sessions.Select(row => row.Id).ToHashSet();
        return new Change(summary)
            // Others may put something into the same meal: taking the edit back leaves it there, empty and with nothing said of it.
            .Append(Tables.Serving, begun)
            .Put(Tables.Serving, Servings.Concat(begun), now)
            // A session stays when what is cooked in it is taken back: others may cook in it by then.
            .Append(Tables.PrepSession, plan.Sessions.Where(session => !known.Contains(session.Id)).Select(RowOf))
            .Put(Tables.PrepSession, Sessions, plan.Sessions.Where(session => known.Contains(session.Id)).Select(RowOf))
            .Put(
                Tables.Batch,
                Batches,
                plan.Batches.Select(batch =>
                    batches[batch.Id] with
                    {
                        SessionId = sessions[batch.Cooked].Id,
                        PortionedOn = batch.PortionedOn,
                        FrozenRest = batch.FrozenRest,
                    }
                )
            )
            .Put(
                Tables.Lot,
                Lots,
                plan.Batches.SelectMany(batch =>
                    batch.Lots.Select((lot, at) => new LotRow(lot.Id, batch.Id, at, lot.Variant, lot.Portions))
                )
            )
            .Put(
                Tables.ServingItem,
                Items,
                plan.Servings.SelectMany(serving =>
                    serving.Items.Select(
                        (item, at) =>
                            item is ReadyFood food && kept.GetValueOrDefault(food.Id) == food.Line
                                ? items[item.Id] with
                                {
                                    ServingId = serving.Id,
                                    Position = at,
                                    EatenShare = food.Eaten,
                                    IsExtra = food.IsExtra,
                                }
                                : RowOf(serving.Id, item, at, idOf)
                    )
                )
            )
            .Put(
                Tables.PartYield,
                Yields,
                plan.Batches.SelectMany(batch =>
                    batch.Yields.Select(one => new PartYieldRow(batch.Id, one.Part, one.GrossG, one.TareG, one.Vessel))
                )
            )
            .Put(
                Tables.Container,
                Containers,
                plan.Containers.Select(box => new ContainerRow(
                    box.Id,
                    box.Batch,
                    box.Lot,
                    box.Number,
                    box.Portions,
                    box.Parts,
                    box.Grams,
                    box.Kind,
                    box.Material,
                    plan.StateOf(box).GoneOn
                ))
            )
            .Put(Tables.ContainerEvent, Events, plan.Containers.SelectMany(box => box.Life.Select(said => RowOf(box, said))));
    }

    private static ServingItemRow RowOf(Guid serving, ServingItem item, int position, Func<RecipeLine, (Guid? Food, Guid? Packet)> idOf)
    {
        switch (item)
        {
            case Draw draw:
                return new(
                    draw.Id,
                    serving,
                    position,
                    draw.Batch,
                    draw.Lot,
                    draw.Size.IsInGrams ? null : draw.Size.Amount,
                    draw.Size.IsInGrams ? draw.Size.Amount : null,
                    draw.Parts,
                    null,
                    null,
                    null,
                    null,
                    false,
                    draw.Container,
                    draw.IsFrozen,
                    draw.Eaten,
                    draw.IsExtra
                );
            case ReadyFood ready:
                var (food, packet) = idOf(ready.Line);
                return new(
                    ready.Id,
                    serving,
                    position,
                    null,
                    null,
                    null,
                    null,
                    null,
                    ready.Line.Read.Text,
                    food,
                    packet,
                    ready.Line.Match.ToString(),
                    false,
                    null,
                    false,
                    ready.Eaten,
                    ready.IsExtra
                );
            default:
                throw new InvalidOperationException($"{item} has no row.");
        }
    }

    private static ServingRow ServingRowOf(Serving serving) =>
        new(serving.Id, serving.Cell.Date, serving.Cell.Meal, serving.Cell.Eater, serving.State.ToString(), serving.IsLocked, serving.Note);

    internal static PrepSession SessionOf(PrepSessionRow row) =>
        new(row.Id, row.CookedOn, row.EatenFrom, row.StartsAt, row.Cooks, row.Name);

    internal static PrepSessionRow RowOf(PrepSession session) =>
        new(session.Id, session.Date, session.EatenFrom, session.Start, session.Cooks, session.Name);

    private static ServingItem ToItem(ServingItemRow row, Func<ServingItemRow, RecipeLine> lineOf) =>
        row.BatchId is { } batch
            ? new Draw(row.Id, batch, row.LotId!.Value, row.Grams is { } grams ? new(grams, true) : new(row.Portions!.Value))
            {
                Parts = row.Parts,
                Container = row.ContainerId,
                IsFrozen = row.IsFrozen,
                Eaten = row.EatenShare,
                IsExtra = row.IsExtra,
            }
            : new ReadyFood(row.Id, lineOf(row)) { Eaten = row.EatenShare, IsExtra = row.IsExtra };

    private static BoxEvent ToEvent(ContainerEventRow row) =>
        new(row.Id, Enum.Parse<BoxEventKind>(row.Kind), row.At, row.HappenedOn, row.Portions, row.DrawId, row.Reason) { Parts = row.Parts };

    private static ContainerEventRow RowOf(Container box, BoxEvent said) =>
        new(said.Id, box.Id, said.Kind.ToString(), said.At, said.On, said.Portions, said.Draw, said.Parts, said.Reason);
}
