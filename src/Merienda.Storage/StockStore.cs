using Dapper;
using Merienda.Core.Outcomes;
using Merienda.Core.Stock;
using Npgsql;

namespace Merienda.Storage;

/// <summary>A change of one thing in stock for the journal; without a before it came in.</summary>
public sealed record StockChange(Guid Id, StockItem? Before, StockItem After);

/// <summary>A box of an earlier or this session that is not eaten yet.</summary>
/// <param name="EatenOn">Planned for, or null while it is loose.</param>
public sealed record StoredBox(
    Guid ContainerId,
    string Letter,
    DateOnly Cooked,
    int Number,
    decimal Size,
    Guid RecipeVersionId,
    DateOnly? EatenOn,
    string? Meal,
    string? Eater
);

/// <summary>What stands in pantry, fridge and freezer.</summary>
public sealed class StockStore(Database database, RecipeStore recipes)
{
    private const string Columns =
        "id, food_key as food, name, amount, grams, place, made_on, opened_on, frozen_on, thawed_on, best_before, gone_on";

    public Task<(IReadOnlyList<StockItem> Items, IReadOnlyList<StoredBox> Boxes, IReadOnlyDictionary<Guid, StoredRecipe> Recipes)> Read(
        Tenant tenant,
        DateOnly today
    ) =>
        database.As<(IReadOnlyList<StockItem>, IReadOnlyList<StoredBox>, IReadOnlyDictionary<Guid, StoredRecipe>)>(
            tenant,
            async connection =>
            {
                var items = await Items(connection);
                var boxes = (
                    await connection.QueryAsync<StoredBox>(
                        """
                        select container.id as container_id, batch.letter, session.cooked_on as cooked, container.number, container.size, batch.recipe_version_id, serving.eaten_on, serving.meal, eater.name as eater
                        from container
                        join batch on batch.household_id = container.household_id and batch.id = container.batch_id
                        join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
                        left join serving on serving.household_id = container.household_id and serving.id = container.serving_id
                        left join eater on eater.household_id = serving.household_id and eater.id = serving.eater_id
                        where container.gone_on is null and session.cooked_on between @today - 366 and @today and (serving.eaten_on is null or serving.eaten_on >= @today)
                        order by session.cooked_on, length(batch.letter), batch.letter, container.number
                        """,
                        new { today }
                    )
                ).ToList();
                return (items, boxes, await recipes.Versions(connection, boxes.Select(box => box.RecipeVersionId)));
            }
        );

    public Task<IReadOnlyList<StockItem>> Items(Tenant tenant) => database.As(tenant, Items);

    /// <summary>Takes things in together; one undo takes all of them back.</summary>
    public Task Add(Tenant tenant, IReadOnlyList<StockItem> items) =>
        database.As(
            tenant,
            async connection =>
            {
                foreach (var item in items)
                {
                    await Insert(connection, tenant, item);
                }

                await Journal.Write(
                    connection,
                    tenant,
                    Journal.StockList,
                    $"Took in {string.Join(", ", items.Select(item => item.Name))}",
                    items.Select(item => new StockChange(item.Id, null, item))
                );
            }
        );

    /// <summary>Decides a change on the thing as it is now; null when it is not there any more.</summary>
    public Task<Result<StockItem>> Change(Tenant tenant, Guid id, string summary, Func<StockItem, Result<StockItem>> decide) =>
        database.As<Result<StockItem>>(
            tenant,
            async connection =>
            {
                var before = await connection.QueryFirstOrDefaultAsync<StockRow>(
                    $"select {Columns} from stock_item where id = @id and gone_on is null for update",
                    new { id }
                );
                if (before is null)
                {
                    return new Refusal(
                        "stock-gone",
                        "stock",
                        id.ToString(),
                        "it is not in stock any more",
                        "Look at the list as it is now"
                    );
                }

                var decided = decide(before.ToItem());
                if (decided.Refusal is null)
                {
                    await Write(connection, decided.Value);
                    await Journal.Write(
                        connection,
                        tenant,
                        Journal.Stock,
                        $"{summary} {decided.Value.Name}",
                        new StockChange(id, before.ToItem(), decided.Value)
                    );
                }

                return decided;
            }
        );

    /// <summary>A loose box that was eaten or thrown away outside the plan; false when it is not loose or not there.</summary>
    public Task<bool> BoxGone(Tenant tenant, Guid containerId, DateOnly? on) =>
        database.As(
            tenant,
            async connection =>
                await connection.ExecuteAsync(
                    "update container set gone_on = @on where id = @containerId and serving_id is null and (gone_on is null) <> (@on::date is null)",
                    new { containerId, on }
                ) == 1
        );

    internal static async Task<Refusal?> Undo(NpgsqlConnection connection, StockChange change)
    {
        var now = (
            await connection.QueryFirstOrDefaultAsync<StockRow>(
                $"select {Columns} from stock_item where id = @Id for update",
                new { change.Id }
            )
        )?.ToItem();
        if (now != change.After)
        {
            return new(
                "changed-meanwhile",
                "undo",
                change.After.Name,
                "somebody changed it since",
                "Look at it as it is now and change it by hand"
            );
        }

        await (
            change.Before is { } before
                ? Write(connection, before)
                : connection.ExecuteAsync("delete from stock_item where id = @Id", new { change.Id })
        );
        return null;
    }

    internal static async Task<Refusal?> Undo(NpgsqlConnection connection, IReadOnlyList<StockChange> changes)
    {
        foreach (var change in changes)
        {
            if (await Undo(connection, change) is { } refusal)
            {
                return refusal;
            }
        }

        return null;
    }

    private static async Task<IReadOnlyList<StockItem>> Items(NpgsqlConnection connection) =>
        [
            .. (
                await connection.QueryAsync<StockRow>(
                    $"select {Columns} from stock_item where gone_on is null order by lower(name), made_on, id"
                )
            ).Select(row => row.ToItem()),
        ];

    private static Task Insert(NpgsqlConnection connection, Tenant tenant, StockItem item) =>
        connection.ExecuteAsync(
            """
            insert into stock_item (household_id, id, food_key, name, amount, grams, place, made_on, opened_on, frozen_on, thawed_on, best_before, gone_on)
            values (@Household, @Id, @Food, @Name, @Amount, @Grams, @place, @MadeOn, @OpenedOn, @FrozenOn, @ThawedOn, @BestBefore, @GoneOn)
            """,
            Values(item, tenant)
        );

    private static Task Write(NpgsqlConnection connection, StockItem item) =>
        connection.ExecuteAsync(
            """
            update stock_item set food_key = @Food, name = @Name, amount = @Amount, grams = @Grams, place = @place, made_on = @MadeOn, opened_on = @OpenedOn, frozen_on = @FrozenOn, thawed_on = @ThawedOn, best_before = @BestBefore, gone_on = @GoneOn
            where id = @Id
            """,
            Values(item)
        );

    /// <summary>A row's values by their parameters; only a new row asks for its household.</summary>
    private static object Values(StockItem item, Tenant? tenant = null) =>
        new
        {
            tenant?.Household,
            item.Id,
            item.Food,
            item.Name,
            item.Amount,
            item.Grams,
            place = item.Place.ToString(),
            item.MadeOn,
            item.OpenedOn,
            item.FrozenOn,
            item.ThawedOn,
            item.BestBefore,
            item.GoneOn,
        };

    private sealed record StockRow
    {
        public Guid Id { get; init; }

        public string? Food { get; init; }

        public string Name { get; init; } = "";

        public string Amount { get; init; } = "";

        public decimal? Grams { get; init; }

        public string Place { get; init; } = "";

        public DateOnly MadeOn { get; init; }

        public DateOnly? OpenedOn { get; init; }

        public DateOnly? FrozenOn { get; init; }

        public DateOnly? ThawedOn { get; init; }

        public DateOnly? BestBefore { get; init; }

        public DateOnly? GoneOn { get; init; }

        public StockItem ToItem() =>
            new(Id, Food, Name, Amount, Grams, Enum.Parse<StockPlace>(Place), MadeOn, OpenedOn, FrozenOn, ThawedOn, BestBefore, GoneOn);
    }
}
