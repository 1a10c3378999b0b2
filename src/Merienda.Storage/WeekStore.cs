using System.Text.Json;
using Dapper;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Npgsql;

namespace Merienda.Storage;

/// <summary>Everything of one week as stored.</summary>
public sealed record StoredWeek(
    StoredTable Table,
    IReadOnlyList<StoredBatch> Batches,
    IReadOnlyDictionary<Guid, StoredRecipe> Recipes,
    Undoable? Undo,
    IReadOnlySet<string> ShopTicks,
    IReadOnlySet<(Guid Batch, string Task)> TaskTicks
);

/// <summary>
/// The week's batches and containers. An edit is an intent on one batch: it is decided on the locked rows and journalled with its inverse.
/// </summary>
public sealed class WeekStore(Database database, RecipeStore recipes, PacketStore packets)
{
    public Task<StoredWeek> Read(Tenant tenant, DateOnly start) =>
        database.As(
            tenant,
            async connection =>
            {
                var table = await HouseholdStore.ReadTable(connection, start);
                var batches = await BatchRows.OfWeek(connection, start);
                var versions = await recipes.Versions(
                    connection,
                    batches.Select(batch => batch.RecipeVersionId),
                    table.Household.CountsTolerances
                );
                var undo = await Journal.Newest(connection, tenant);
                using var ticks = await connection.QueryMultipleAsync(
                    "select item_key from shop_tick where week_start = @start; select batch_id, task_id from task_tick where batch_id = any(@batches)",
                    new { start, batches = batches.Select(batch => batch.Batch.Id).ToArray() }
                );
                return new StoredWeek(
                    table,
                    batches,
                    versions,
                    undo,
                    (await ticks.ReadAsync<string>()).ToHashSet(),
                    (await ticks.ReadAsync<(Guid, string)>()).ToHashSet()
                );
            }
        );

    /// <summary>Makes a batch of a recipe's latest version with the first letter that is free in the week.</summary>
    public Task<Result<StoredBatch>> Make(Tenant tenant, Guid recipeId, DateOnly weekStart, DateOnly cooked, decimal portions) =>
        database.As<Result<StoredBatch>>(
            tenant,
            async connection =>
            {
                // Two people who make a batch at once must not take the same letter.
                await connection.ExecuteAsync("select 1 from household where id = @Household for update", new { tenant.Household });
                if (await recipes.Latest(connection, recipeId) is not { } recipe)
                {
                    return new Refusal(
                        "recipe-gone",
                        "recipe",
                        recipeId.ToString(),
                        "there is no such recipe",
                        "Choose a recipe from the list"
                    );
                }

                var taken = (await BatchRows.OfWeek(connection, weekStart)).Select(batch => batch.Batch.Letter).ToHashSet();
                var made = Batch.Make(Guid.CreateVersion7(), TapeLetter.FirstFree(taken), cooked, portions, Guid.CreateVersion7);
                if (made.Refusal is { } refusal)
                {
                    return refusal;
                }

                var stored = new StoredBatch(made.Value, recipe.VersionId);
                await Apply(connection, tenant, null, stored, $"Made {stored.Batch.Letter}, {recipe.Version.Name}");
                await OwnProtocols.Pin(connection, tenant, weekStart);
                return stored;
            }
        );

    /// <summary>Decides an edit on the batch as it is now; a refusal changes nothing.</summary>
    public Task<Result<StoredBatch>> Change(Tenant tenant, Guid batchId, string summary, Func<Batch, Result<Batch>> decide) =>
        Change(tenant, batchId, summary, null, (batch, _) => decide(batch), (_, _) => null);

    /// <param name="eater">Who gets a portion, or null when it goes back to the bench.</param>
    /// <param name="decide">The edit; it is told what is known of the eater.</param>
    /// <param name="guard">Asked first: why the eater may not have this, or null.</param>
    public Task<Result<StoredBatch>> Change(
        Tenant tenant,
        Guid batchId,
        string summary,
        Guid? eater,
        Func<Batch, EaterLimits?, Result<Batch>> decide,
        Func<StoredRecipe, EaterLimits, Refusal?> guard
    ) =>
        database.As<Result<StoredBatch>>(
            tenant,
            async connection =>
            {
                if (await BatchRows.Locked(connection, batchId) is not { } stored)
                {
                    return Gone(batchId);
                }

                var limits = eater is { } id ? await EaterRows.Limits(connection, id) : null;
                if (
                    limits is { Allergies.Count: > 0 }
                    && guard((await recipes.Versions(connection, [stored.RecipeVersionId]))[stored.RecipeVersionId], limits) is { } stop
                )
                {
                    return stop;
                }

                var decided = decide(stored.Batch, limits);
                if (decided.Refusal is { } refusal)
                {
                    return refusal;
                }

                var changed = stored with { Batch = decided.Value };
                await Apply(connection, tenant, stored, changed, $"{summary} {stored.Batch.Letter}");
                return changed;
            }
        );

    public Task<Result<StoredBatch>> Delete(Tenant tenant, Guid batchId) =>
        database.As<Result<StoredBatch>>(
            tenant,
            async connection =>
            {
                if (await BatchRows.Locked(connection, batchId) is not { } stored)
                {
                    return Gone(batchId);
                }

                await Apply(connection, tenant, stored, null, $"Took {stored.Batch.Letter} off the bench");
                return stored;
            }
        );

    public Task TickShop(Tenant tenant, DateOnly weekStart, string itemKey, bool isTicked) =>
        database.As(
            tenant,
            connection =>
                isTicked
                    ? connection.ExecuteAsync(
                        "insert into shop_tick (household_id, week_start, item_key) values (@Household, @weekStart, @itemKey) on conflict do nothing",
                        new
                        {
                            tenant.Household,
                            weekStart,
                            itemKey,
                        }
                    )
                    : connection.ExecuteAsync(
                        "delete from shop_tick where week_start = @weekStart and item_key = @itemKey",
                        new { weekStart, itemKey }
                    )
        );

    /// <summary>False when the batch is gone.</summary>
    public Task<bool> TickTask(Tenant tenant, Guid batchId, string taskId, bool isTicked) =>
        database.As(
            tenant,
            async connection =>
            {
                if (await BatchRows.Locked(connection, batchId) is null)
                {
                    return false;
                }

                await (
                    isTicked
                        ? connection.ExecuteAsync(
                            "insert into task_tick (household_id, batch_id, task_id) values (@Household, @batchId, @taskId) on conflict do nothing",
                            new
                            {
                                tenant.Household,
                                batchId,
                                taskId,
                            }
                        )
                        : connection.ExecuteAsync(
                            "delete from task_tick where batch_id = @batchId and task_id = @taskId",
                            new { batchId, taskId }
                        )
                );
                return true;
            }
        );

    /// <summary>
    /// Takes back one own edit, the newest unless another is named, after checking that the rows are still as it left them.
    /// </summary>
    public Task<Result<Undoable>> Undo(Tenant tenant, long? sequence, DateTimeOffset now) =>
        database.As<Result<Undoable>>(
            tenant,
            async connection =>
            {
                var entry = await connection.QueryFirstOrDefaultAsync<(long Sequence, string Kind, string Summary, string Change)>(
                    """
                    select sequence, kind, summary, change::text from journal
                    where account_id = @Account and not is_undone and (@sequence::bigint is null or sequence = @sequence)
                    order by sequence desc limit 1 for update
                    """,
                    new { tenant.Account, sequence }
                );
                if (entry.Kind is null)
                {
                    return new Refusal("nothing-to-undo", "undo", $"{sequence}", "there is nothing of yours left to take back", "Go on");
                }

                var refusal = entry.Kind switch
                {
                    Journal.Batch => await UndoBatch(connection, tenant, JsonSerializer.Deserialize<BatchChange>(entry.Change)!),
                    Journal.Eater => await UndoEater(connection, tenant, JsonSerializer.Deserialize<EaterChange>(entry.Change)!),
                    Journal.Protocol => await OwnProtocols.Undo(
                        connection,
                        tenant,
                        JsonSerializer.Deserialize<ProtocolChange>(entry.Change)!,
                        now
                    ),
                    Journal.Packet => await packets.Undo(connection, tenant, JsonSerializer.Deserialize<PacketChange>(entry.Change)!, now),
                    Journal.PacketFile => await PacketStore.Undo(
                        connection,
                        tenant,
                        JsonSerializer.Deserialize<List<PacketChange>>(entry.Change)!,
                        now
                    ),
                    Journal.Opinion => await OpinionStore.Undo(
                        connection,
                        tenant,
                        JsonSerializer.Deserialize<OpinionChange>(entry.Change)!
                    ),
                    Journal.StockList => await StockStore.Undo(connection, JsonSerializer.Deserialize<List<StockChange>>(entry.Change)!),
                    Journal.Word => await UndoWord(connection, tenant, JsonSerializer.Deserialize<WordChange>(entry.Change)!, now),
                    Journal.Stock => await StockStore.Undo(connection, JsonSerializer.Deserialize<StockChange>(entry.Change)!),
                    Journal.Kitchen => await KitchenStore.Undo(
                        connection,
                        tenant,
                        JsonSerializer.Deserialize<KitchenChange>(entry.Change)!
                    ),
                    _ => await UndoRecipe(connection, tenant, JsonSerializer.Deserialize<RecipeChange>(entry.Change)!, now),
                };
                if (refusal is not null)
                {
                    return refusal;
                }

                await connection.ExecuteAsync("update journal set is_undone = true where sequence = @Sequence", new { entry.Sequence });
                return new Undoable(entry.Sequence, entry.Summary);
            }
        );

    private static Refusal Gone(Guid batchId) =>
        new(
            "batch-gone",
            "batch",
            batchId.ToString(),
            "somebody took it off the bench",
            "Look at the board as it is now; undo brings it back for the one who removed it"
        );

    private static Refusal Changed(string what) =>
        new("changed-meanwhile", "undo", what, "somebody changed it since", "Look at it as it is now and change it by hand");

    private static async Task Apply(NpgsqlConnection connection, Tenant tenant, StoredBatch? before, StoredBatch? after, string summary)
    {
        var (old, now) = (before is null ? [] : BatchRows.Images(before.Batch), after is null ? [] : BatchRows.Images(after.Batch));
        var change = new BatchChange(
            (after ?? before!).Batch.Id,
            before is null ? null : BatchRows.Image(before),
            after is null ? null : BatchRows.Image(after),
            [.. old.Except(now)],
            [.. now.Except(old)]
        );
        await WriteBatch(connection, tenant, change.BatchId, change.Before, change.After);
        if (after is not null)
        {
            await BatchRows.WriteContainers(connection, tenant, change.BatchId, old, now);
        }

        await Journal.Write(connection, tenant, Journal.Batch, summary, change);
    }

    private static async Task WriteBatch(NpgsqlConnection connection, Tenant tenant, Guid batchId, BatchImage? before, BatchImage? after)
    {
        switch (before, after)
        {
            case (null, { } made):
                await BatchRows.Insert(connection, tenant, made);
                break;
            case ({ }, null):
                await connection.ExecuteAsync("delete from batch where id = @batchId", new { batchId });
                break;
            case ({ } was, { } now) when was.Portions != now.Portions:
                await connection.ExecuteAsync("update batch set portions = @Portions where id = @batchId", new { batchId, now.Portions });
                break;
        }
    }

    private static async Task<Refusal?> UndoBatch(NpgsqlConnection connection, Tenant tenant, BatchChange change)
    {
        var stored = await BatchRows.Locked(connection, change.BatchId);
        var current = stored is null ? [] : BatchRows.Images(stored.Batch);
        if ((stored is null ? null : BatchRows.Image(stored)) != change.After || change.ContainersAfter.Any(box => !current.Contains(box)))
        {
            return Changed("the batch");
        }

        // Rows that others touched since stay as they are; together they must still hold just what is cooked.
        var restored = current.Except(change.ContainersAfter).Concat(change.ContainersBefore).ToList();
        if (change.Before is { } was && restored.Sum(box => box.Size) != was.Portions)
        {
            return Changed("the batch");
        }

        await WriteBatch(connection, tenant, change.BatchId, change.After, change.Before);
        if (change.Before is not null)
        {
            await BatchRows.WriteContainers(connection, tenant, change.BatchId, current, restored);
        }

        return null;
    }

    private static async Task<Refusal?> UndoEater(NpgsqlConnection connection, Tenant tenant, EaterChange change)
    {
        var eaters = await EaterRows.Read(connection);
        var current = eaters.FirstOrDefault(eater => eater.Id == (change.After ?? change.Before)!.Id);
        switch (change)
        {
            case { After: null, Before: { } left }:
                if (current is not null || eaters.Any(eater => eater.Name == left.Name))
                {
                    return Changed(left.Name);
                }

                await EaterRows.Add(connection, tenant, left);
                return null;
            case { Before: null, After: { } came }:
                return current?.IsSameAs(came) == true && await EaterRows.Remove(connection, came.Id) ? null : Changed(came.Name);
            default:
                if (current?.IsSameAs(change.After!) != true)
                {
                    return Changed(change.After!.Name);
                }

                await EaterRows.Write(connection, tenant, change.Before!);
                return null;
        }
    }

    private static async Task<Refusal?> UndoWord(NpgsqlConnection connection, Tenant tenant, WordChange change, DateTimeOffset now)
    {
        await LearntWords.Apply(connection, tenant, LearntWords.Reversed([change]), now);
        return null;
    }

    private async Task<Refusal?> UndoRecipe(NpgsqlConnection connection, Tenant tenant, RecipeChange change, DateTimeOffset now)
    {
        await LearntWords.Apply(connection, tenant, LearntWords.Reversed(change.Learnt ?? []), now);
        switch (change)
        {
            case { VersionAfter: null }:
                return await RecipeStore.SetArchived(connection, change.RecipeId, null) == 1 ? null : Changed("the recipe");
            case { VersionBefore: null }:
                return await RecipeStore.SetArchived(connection, change.RecipeId, now) == 1 ? null : Changed("the recipe");
            default:
                if ((await recipes.Latest(connection, change.RecipeId))?.VersionId != change.VersionAfter)
                {
                    return Changed("the recipe");
                }

                await recipes.Reinstate(connection, tenant, change.RecipeId, change.VersionBefore!.Value, now);
                return null;
        }
    }
}
