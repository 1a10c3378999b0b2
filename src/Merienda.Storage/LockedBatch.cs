using Merienda.Core.Planning;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>A batch's rows as an edit finds them.</summary>
/// <param name="Servings">Those that its boxes stand in, and the one that a portion goes to where it is there already.</param>
internal sealed record LockedBatch(
    BatchRow Row,
    DateOnly Cooked,
    IReadOnlyList<ContainerRow> Boxes,
    IReadOnlyList<ServingRow> Servings,
    IReadOnlyList<TaskTickRow> Ticks
)
{
    public StoredRecipe? Recipe { get; init; }

    public Batch Batch
    {
        get
        {
            var cells = Servings.ToDictionary(row => row.Id, row => new Cell(row.EatenOn, row.Meal, row.EaterId));
            return new(
                Row.Id,
                Row.Letter,
                Cooked,
                Row.Portions,
                [
                    .. Boxes.Select(box => new Container(
                        box.Id,
                        box.Number,
                        box.Size,
                        box.ServingId is { } id ? cells[id] : null,
                        box.GoneOn
                    )),
                ]
            );
        }
    }

    /// <summary>What has to be written for the batch to be as it was decided.</summary>
    public Change ChangeTo(Batch batch, string summary)
    {
        var servings = Servings.ToDictionary(row => new Cell(row.EatenOn, row.Meal, row.EaterId));
        var fresh = batch
            .Containers.Select(box => box.Place)
            .OfType<Cell>()
            .Where(cell => !servings.ContainsKey(cell))
            .Distinct()
            .Select(cell => new ServingRow(Guid.CreateVersion7(), cell.Date, cell.Meal, cell.Eater))
            .ToList();
        fresh.ForEach(row => servings.Add(new Cell(row.EatenOn, row.Meal, row.EaterId), row));
        return new Change(summary)
            // Others may put something into the same meal: taking the edit back leaves it there, empty.
            .Append(Tables.Serving, fresh)
            .Put(Tables.Batch, Row, Row with { Portions = batch.Portions })
            .Put(
                Tables.Container,
                Boxes,
                batch.Containers.Select(box => new ContainerRow(
                    box.Id,
                    batch.Id,
                    box.Number,
                    box.Size,
                    box.Place is { } cell ? servings[cell].Id : null,
                    box.GoneOn
                ))
            );
    }
}
