using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Stock;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>
/// The week's batches and containers. An edit is an intent on one batch: it is decided on the locked rows and journalled with its inverse.
/// Every edit answers with the week as it is then.
/// </summary>
public sealed class WeekStore(Database database, EditDoor door, WeekReading weeks, HouseholdStore households, RecipeStore recipes)
{
    public Task<StoredWeek> Read(Tenant tenant, DateOnly start) => database.Read(tenant, weeks.Of(start));

    /// <summary>A week with what stands in stock.</summary>
    public Task<(StoredWeek Week, IReadOnlyList<StockItem> Stock)> ReadWithStock(Tenant tenant, DateOnly start) =>
        database.Read(tenant, weeks.Of(start).And(StockStore.Items));

    /// <summary>Makes a batch of the recipe's version that counts, with the first letter that is free in the week.</summary>
    public Task<Result<Edited<TView>>> Make<TView>(
        EditStamp stamp,
        Guid recipeId,
        DateOnly weekStart,
        DateOnly cooked,
        decimal portions,
        Func<StoredWeek, TView> draw
    ) =>
        door.Edit<
            (((StoredWeek Week, StoredRecipe? Recipe) Known, PrepSessionRow? Session) Known, IReadOnlyList<WeekProtocolRow> Pins),
            Guid,
            TView
        >(
            stamp,
            Journal.Batch,
            weeks.Of(weekStart).And(recipes.Latest(recipeId)).And(SessionOn(cooked)).And(ProtocolStore.Pins(weekStart)),
            locked =>
            {
                var (((week, recipe), session), pins) = locked;
                if (recipe is null)
                {
                    return RecipeStore.Gone(recipeId);
                }

                var taken = week.Batches.Select(batch => batch.Batch.Letter).ToHashSet();
                var made = Batch.Make(Guid.CreateVersion7(), TapeLetter.FirstFree(taken), cooked, portions, Guid.CreateVersion7);
                if (made.Refusal is { } refusal)
                {
                    return refusal;
                }

                var batch = made.Value;
                var day = session ?? new PrepSessionRow(Guid.CreateVersion7(), cooked);
                var change = new Change($"Made {batch.Letter}, {recipe.Version.Name}")
                    .Append(Tables.PrepSession, session is null ? [day] : [])
                    .Put(Tables.Batch, null, new BatchRow(batch.Id, day.Id, recipe.VersionId, batch.Letter, batch.Portions))
                    .Put(
                        Tables.Container,
                        [],
                        batch.Containers.Select(box => new ContainerRow(box.Id, batch.Id, box.Number, box.Size, null, null))
                    );
                // A week keeps the versions that are followed when a batch is made; taking the batch back leaves them.
                change.Append(
                    Tables.WeekProtocol,
                    ProtocolStore.Followed(week.Table, weekStart).ExceptBy(pins.Select(pin => pin.ProtocolId), row => row.ProtocolId)
                );
                return new Decided<Guid>(change, batch.Id);
            },
            _ => weeks.Of(weekStart).Select(draw)
        );

    /// <summary>Decides an edit on the batch as it is now; a refusal changes nothing.</summary>
    /// <param name="to">The cell that a portion goes to; null when none does.</param>
    /// <param name="decide">The edit, by the batch and the eater of the cell.</param>
    public Task<Result<Edited<TView>>> Change<TView>(
        EditStamp stamp,
        DateOnly weekStart,
        Guid batchId,
        string summary,
        Cell? to,
        Func<Batch, Eater?, Result<Batch>> decide,
        Func<StoredWeek, TView> draw
    ) =>
        door.Edit<(Table Table, LockedBatch? Locked), bool, TView>(
            stamp,
            Journal.Batch,
            households.Table(weekStart).And(Locked(batchId, to)).Then(WithRecipe),
            locked =>
            {
                if (locked.Locked is not { } stored)
                {
                    return Gone(batchId);
                }

                var eater = to is null ? null : locked.Table.Diners.FirstOrDefault(one => one.Id == to.Eater);
                if (to is not null && eater is null)
                {
                    return HouseholdStore.EaterGone(to.Eater);
                }

                if (eater?.Stop(stored.Recipe!.Version.Name, stored.Recipe.Version.Profile) is { } stop)
                {
                    return stop;
                }

                var decided = decide(stored.Batch, eater);
                return decided.Refusal is { } refusal
                    ? refusal
                    : new Decided<bool>(stored.ChangeTo(decided.Value, $"{summary} {stored.Row.Letter}"), true);
            },
            _ => weeks.Of(weekStart).Select(draw)
        );

    public Task<Result<Edited<TView>>> Delete<TView>(EditStamp stamp, DateOnly weekStart, Guid batchId, Func<StoredWeek, TView> draw) =>
        door.Edit<LockedBatch?, bool, TView>(
            stamp,
            Journal.Batch,
            Locked(batchId, null),
            locked =>
                locked is null
                    ? Gone(batchId)
                    : new Decided<bool>(
                        new Change($"Took {locked.Row.Letter} off the bench")
                            .Put(Tables.Batch, locked.Row, null)
                            .Put(Tables.Container, locked.Boxes, [])
                            .Put(Tables.TaskTick, locked.Ticks, []),
                        true
                    ),
            _ => weeks.Of(weekStart).Select(draw)
        );

    public Task<Result<Edited<bool>>> TickShop(EditStamp stamp, DateOnly weekStart, string itemKey, bool isTicked) =>
        door.Edit<bool, bool>(
            stamp,
            Journal.Tick,
            Reading.Of(
                "select exists (select 1 from shop_tick where week_start = @tickedWeek and item_key = @itemKey);",
                new { tickedWeek = weekStart, itemKey },
                rows => rows.ReadSingleAsync<bool>()
            ),
            was => Tick(Tables.ShopTick, new ShopTickRow(weekStart, itemKey), was, isTicked)
        );

    public Task<Result<Edited<bool>>> TickTask(EditStamp stamp, Guid batchId, string taskId, bool isTicked) =>
        door.Edit<LockedBatch?, bool>(
            stamp,
            Journal.Tick,
            Locked(batchId, null),
            locked =>
                locked is null
                    ? Gone(batchId)
                    : Tick(Tables.TaskTick, new TaskTickRow(batchId, taskId), locked.Ticks.Any(tick => tick.TaskId == taskId), isTicked)
        );

    private static Decided<bool> Tick<TRow>(TenantTable<TRow> table, TRow row, bool was, bool isTicked)
        where TRow : class =>
        new(new Change(isTicked ? "Ticked" : "Unticked").Put(table, was ? row : null, isTicked ? row : null), isTicked);

    private static Refusal Gone(Guid batchId) =>
        new(
            "batch-gone",
            "batch",
            batchId.ToString(),
            "somebody took it off the bench",
            "Look at the board as it is now; undo brings it back for the one who removed it"
        );

    private async Task<(Table, LockedBatch?)> WithRecipe(Scope scope, (Table Table, LockedBatch? Locked) read) =>
        read.Locked is not { } locked
            ? read
            : (read.Table, locked with { Recipe = await recipes.Version(scope, locked.Row.RecipeVersionId, read.Table) });

    private static Reading<PrepSessionRow?> SessionOn(DateOnly day) =>
        Reading.Of(
            "select id, cooked_on from prep_session where cooked_on = @sessionDay;",
            new { sessionDay = day },
            rows => rows.ReadSingleOrDefaultAsync<PrepSessionRow?>()
        );

    private static Reading<LockedBatch?> Locked(Guid batchId, Cell? to) =>
        Reading.Of(
            """
            select id, session_id, recipe_version_id, letter, portions from batch where id = @batch;
            select session.cooked_on from prep_session session join batch on batch.household_id = session.household_id and batch.session_id = session.id where batch.id = @batch;
            select id, batch_id, number, size, serving_id, gone_on from container where batch_id = @batch order by number;
            select id, eaten_on, meal, eater_id from serving
            where id in (select serving_id from container where batch_id = @batch) or (eaten_on = @toDate and meal = @toMeal and eater_id = @toEater);
            select batch_id, task_id from task_tick where batch_id = @batch;
            """,
            new
            {
                batch = batchId,
                toDate = to?.Date,
                toMeal = to?.Meal,
                toEater = to?.Eater,
            },
            async rows =>
            {
                var row = await rows.ReadSingleOrDefaultAsync<BatchRow?>();
                var cooked = await rows.ReadSingleOrDefaultAsync<DateOnly>();
                return row is null
                    ? null
                    : new LockedBatch(
                        row,
                        cooked,
                        [.. await rows.ReadAsync<ContainerRow>()],
                        [.. await rows.ReadAsync<ServingRow>()],
                        [.. await rows.ReadAsync<TaskTickRow>()]
                    );
            }
        );
}
