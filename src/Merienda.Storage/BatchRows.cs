using Dapper;
using Merienda.Core.Planning;
using Npgsql;

namespace Merienda.Storage;

/// <summary>A batch with the ids that the core does not know.</summary>
public sealed record StoredBatch(Batch Batch, Guid RecipeVersionId);

/// <summary>Reads batches with their containers and writes the difference between two states of one.</summary>
internal static class BatchRows
{
    private const string SelectBatch =
        "select batch.id, batch.recipe_version_id, batch.letter, batch.portions, session.cooked_on from batch join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id";

    private const string SelectContainer =
        "select container.id, container.batch_id, container.number, container.size, serving.eaten_on, serving.meal, serving.eater_id from container left join serving on serving.household_id = container.household_id and serving.id = container.serving_id";

    /// <summary>
    /// Batches cooked for the week, from the evening before it to its last day but one, and older ones that are still eaten in it.
    /// </summary>
    public static async Task<IReadOnlyList<StoredBatch>> OfWeek(NpgsqlConnection connection, DateOnly start)
    {
        const string inWeek = """
            where batch.id in (
                select batch.id from batch join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
                where session.cooked_on between @first and @last
                union
                select container.batch_id from container join serving on serving.household_id = container.household_id and serving.id = container.serving_id
                where serving.eaten_on between @start and @end)
            """;
        using var rows = await connection.QueryMultipleAsync(
            $"{SelectBatch} {inWeek} order by session.cooked_on, length(batch.letter), batch.letter; {SelectContainer} join batch on batch.household_id = container.household_id and batch.id = container.batch_id {inWeek} order by container.number",
            new
            {
                first = start.AddDays(-1),
                last = start.AddDays(5),
                start,
                end = start.AddDays(6),
            }
        );
        return await Assemble(rows);
    }

    /// <summary>One batch, locked until the transaction ends; null when it is gone.</summary>
    public static async Task<StoredBatch?> Locked(NpgsqlConnection connection, Guid id)
    {
        // The containers are read by a statement of their own after the lock is held, so that they are as the last edit left them.
        using var rows = await connection.QueryMultipleAsync(
            $"{SelectBatch} where batch.id = @id for update of batch; {SelectContainer} where container.batch_id = @id order by container.number",
            new { id }
        );
        return (await Assemble(rows)).SingleOrDefault();
    }

    public static async Task Insert(NpgsqlConnection connection, Tenant tenant, BatchImage batch)
    {
        var session = await connection.QuerySingleAsync<Guid>(
            """
            insert into prep_session (household_id, id, cooked_on) values (@Household, @id, @Cooked)
            on conflict on constraint prep_session_date_unique do update set cooked_on = excluded.cooked_on
            returning id
            """,
            new
            {
                tenant.Household,
                id = Guid.CreateVersion7(),
                batch.Cooked,
            }
        );
        await connection.ExecuteAsync(
            "insert into batch (household_id, id, session_id, recipe_version_id, letter, portions) values (@Household, @Id, @session, @RecipeVersionId, @Letter, @Portions)",
            new
            {
                tenant.Household,
                batch.Id,
                session,
                batch.RecipeVersionId,
                batch.Letter,
                batch.Portions,
            }
        );
    }

    /// <summary>Writes what differs between two lists of containers of one batch.</summary>
    public static async Task WriteContainers(
        NpgsqlConnection connection,
        Tenant tenant,
        Guid batchId,
        IReadOnlyList<ContainerImage> before,
        IReadOnlyList<ContainerImage> after
    )
    {
        var (old, now) = (before.ToDictionary(box => box.Id), after.ToDictionary(box => box.Id));
        if (old.Keys.Except(now.Keys).ToArray() is { Length: > 0 } gone)
        {
            await connection.ExecuteAsync("delete from container where id = any(@gone)", new { gone });
        }

        foreach (var box in after.Where(box => !old.TryGetValue(box.Id, out var was) || was != box))
        {
            var serving = box.Place is { } place ? await Serving(connection, tenant, place) : (Guid?)null;
            await connection.ExecuteAsync(
                """
                insert into container (household_id, id, batch_id, number, size, serving_id) values (@Household, @Id, @batchId, @Number, @Size, @serving)
                on conflict on constraint container_key do update set number = excluded.number, size = excluded.size, serving_id = excluded.serving_id
                """,
                new
                {
                    tenant.Household,
                    box.Id,
                    batchId,
                    box.Number,
                    box.Size,
                    serving,
                }
            );
        }
    }

    public static IReadOnlyList<ContainerImage> Images(Batch batch) =>
        [.. batch.Containers.Select(box => new ContainerImage(box.Id, box.Number, box.Size, box.Place))];

    public static BatchImage Image(StoredBatch stored) =>
        new(stored.Batch.Id, stored.RecipeVersionId, stored.Batch.Letter, stored.Batch.Cooked, stored.Batch.Portions);

    private static Task<Guid> Serving(NpgsqlConnection connection, Tenant tenant, Cell place) =>
        connection.QuerySingleAsync<Guid>(
            """
            insert into serving (household_id, id, eaten_on, meal, eater_id) values (@Household, @id, @Date, @Meal, @Eater)
            on conflict on constraint serving_place_unique do update set meal = excluded.meal
            returning id
            """,
            new
            {
                tenant.Household,
                id = Guid.CreateVersion7(),
                place.Date,
                place.Meal,
                place.Eater,
            }
        );

    private static async Task<IReadOnlyList<StoredBatch>> Assemble(SqlMapper.GridReader rows)
    {
        var batches = (await rows.ReadAsync<(Guid Id, Guid Version, string Letter, decimal Portions, DateOnly Cooked)>()).ToList();
        var boxes = (
            await rows.ReadAsync<(Guid Id, Guid Batch, int Number, decimal Size, DateOnly? Date, string? Meal, Guid? Eater)>()
        ).ToLookup(
            row => row.Batch,
            row => new Container(row.Id, row.Number, row.Size, row.Date is { } date ? new Cell(date, row.Meal!, row.Eater!.Value) : null)
        );
        return
        [
            .. batches.Select(row => new StoredBatch(
                new Batch(row.Id, row.Letter, row.Cooked, row.Portions, [.. boxes[row.Id]]),
                row.Version
            )),
        ];
    }
}
