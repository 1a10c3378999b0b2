using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Core.Stock;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>
/// The week's batches and meals. An edit is an intent that is decided on the week as it is under the lock; what differs is written, and the
/// week as it is then is answered.
/// </summary>
public sealed class WeekStore(Database database, EditDoor door, WeekReading weeks, RecipeStore recipes, RecipeVersions versions)
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

                var taken = week.Plan.Batches.Select(batch => batch.Letter).ToHashSet();
                var made = Batch.Make(Guid.CreateVersion7(), TapeLetter.FirstFree(taken), cooked, portions, Guid.CreateVersion7());
                if (made.Refusal is { } refusal)
                {
                    return refusal;
                }

                var batch = made.Value;
                var day = session ?? new PrepSessionRow(Guid.CreateVersion7(), cooked);
                var change = new Change($"Made {batch.Letter}, {recipe.Version.Name}")
                    .Append(Tables.PrepSession, session is null ? [day] : [])
                    .Put(Tables.Batch, null, new BatchRow(batch.Id, day.Id, recipe.VersionId, batch.Letter))
                    .Put(Tables.Lot, [], batch.Lots.Select((lot, at) => new LotRow(lot.Id, batch.Id, at, lot.Variant, lot.Portions)))
                    // A week keeps the versions that are followed when a batch is made; taking the batch back leaves them.
                    .Append(
                        Tables.WeekProtocol,
                        ProtocolStore.Followed(week.Table, weekStart).ExceptBy(pins.Select(pin => pin.ProtocolId), row => row.ProtocolId)
                    );
                return new Decided<Guid>(change, batch.Id);
            },
            _ => weeks.Of(weekStart).Select(draw)
        );

    /// <summary>Decides an edit on the week as it is now; a refusal changes nothing.</summary>
    /// <param name="decide">The plan as it is then with what was done, or why not.</param>
    public Task<Result<Edited<TView>>> Edit<TView>(
        EditStamp stamp,
        DateOnly weekStart,
        Func<StoredWeek, Result<(WeekPlan Plan, string Summary)>> decide,
        Func<StoredWeek, TView> draw
    ) =>
        door.Edit<(StoredWeek Week, IReadOnlyList<TaskTickRow> Ticks), bool, TView>(
            stamp,
            Journal.Batch,
            weeks.Of(weekStart).And(TaskTicks),
            locked =>
            {
                var decided = decide(locked.Week);
                if (decided.Refusal is { } refusal)
                {
                    return refusal;
                }

                var (plan, summary) = decided.Value;
                var left = locked.Week.Plan.Batches.Select(batch => batch.Id).Except(plan.Batches.Select(batch => batch.Id)).ToHashSet();
                return new Decided<bool>(
                    locked
                        .Week.Rows.ChangeTo(plan, summary, line => IdsOf(line, locked.Week.Foods))
                        .Put(Tables.TaskTick, locked.Ticks.Where(tick => left.Contains(tick.BatchId)), []),
                    true
                );
            },
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
        door.Edit<(bool IsThere, IReadOnlyList<TaskTickRow> Ticks), bool>(
            stamp,
            Journal.Tick,
            Reading
                .Of(
                    "select exists (select 1 from batch where id = @tickedBatch);",
                    new { tickedBatch = batchId },
                    rows => rows.ReadSingleAsync<bool>()
                )
                .And(TaskTicks),
            locked =>
                !locked.IsThere
                    ? new Refusal("batch-gone", "batch", batchId.ToString(), "somebody took it off the bench", "Load the session again")
                    : Tick(
                        Tables.TaskTick,
                        new TaskTickRow(batchId, taskId),
                        locked.Ticks.Contains(new TaskTickRow(batchId, taskId)),
                        isTicked
                    )
        );

    private static Decided<bool> Tick<TRow>(TenantTable<TRow> table, TRow row, bool was, bool isTicked)
        where TRow : class =>
        new(new Change(isTicked ? "Ticked" : "Unticked").Put(table, was ? row : null, isTicked ? row : null), isTicked);

    private (Guid? Food, Guid? Packet) IdsOf(RecipeLine line, HouseholdFoods foods) =>
        line.Food switch
        {
            null => (null, null),
            { Packet: { } packet } => (null, foods.Packets[packet.Id].VersionId),
            var food => (versions.IdOf(food), null),
        };

    private static readonly Reading<IReadOnlyList<TaskTickRow>> TaskTicks = Reading.Of<IReadOnlyList<TaskTickRow>>(
        "select batch_id, task_id from task_tick where batch_id in (select id from batch);",
        null,
        async rows => [.. await rows.ReadAsync<TaskTickRow>()]
    );

    private static Reading<PrepSessionRow?> SessionOn(DateOnly day) =>
        Reading.Of(
            "select id, cooked_on from prep_session where cooked_on = @sessionDay;",
            new { sessionDay = day },
            rows => rows.ReadSingleOrDefaultAsync<PrepSessionRow?>()
        );
}
