using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Stock;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

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
public sealed record StoredStock(
    Table Table,
    HouseholdFoods Foods,
    IReadOnlyList<StockItem> Items,
    IReadOnlyList<StoredBox> Boxes,
    IReadOnlyDictionary<Guid, StoredRecipe> Recipes
);

/// <summary>Bought things with their dates, and the boxes that stand beside them.</summary>
public sealed class StockStore(Database database, EditDoor door, HouseholdStore households, PacketStore packets, RecipeVersions versions)
{
    private const string Select =
        "select id, food_key, name, amount, grams, place, made_on, opened_on, frozen_on, thawed_on, best_before, gone_on from stock_item";

    /// <summary>Everything that is not gone.</summary>
    internal static readonly Reading<IReadOnlyList<StockItem>> Items = Reading.Of<IReadOnlyList<StockItem>>(
        $"{Select} where gone_on is null order by lower(name), made_on, id;",
        null,
        async rows => [.. (await rows.ReadAsync<StockItemRow>()).Select(ToItem)]
    );

    public Task<StoredStock> Read(Tenant tenant) =>
        database.Read(
            tenant,
            households
                .Table()
                .And(packets.Foods)
                .And(Items)
                .And(Boxes)
                .Then(
                    async (scope, read) =>
                    {
                        var (((table, foods), items), boxes) = read;
                        var today = table.Today;
                        // The query knows the server's day only; the household's may be one further or one behind.
                        IReadOnlyList<StoredBox> there =
                        [
                            .. boxes.Where(box => box.Cooked <= today && (box.EatenOn is null || box.EatenOn >= today)),
                        ];
                        var recipes = await versions.Of(scope, there.Select(box => box.RecipeVersionId), table.Household.CountsTolerances);
                        return new StoredStock(table, foods, items, there, recipes);
                    }
                )
        );

    /// <summary>Takes things in together; one undo takes all of them back.</summary>
    /// <param name="read">The things, by what is known of the table and its foods.</param>
    /// <param name="items">The things among what was read.</param>
    public Task<Result<Edited<TTaken>>> Add<TTaken>(
        EditStamp stamp,
        Func<Table, HouseholdFoods, Result<TTaken>> read,
        Func<TTaken, IReadOnlyList<StockItem>> items
    ) =>
        door.Edit<(Table Table, HouseholdFoods Foods), TTaken>(
            stamp,
            Journal.Stock,
            households.Table().And(packets.Foods),
            locked =>
            {
                var taken = read(locked.Table, locked.Foods);
                return taken.Refusal is { } refusal
                    ? refusal
                    : new Decided<TTaken>(
                        new Change($"Took in {string.Join(", ", items(taken.Value).Select(item => item.Name))}").Put(
                            Tables.StockItem,
                            [],
                            items(taken.Value).Select(RowOf)
                        ),
                        taken.Value
                    );
            }
        );

    /// <summary>Decides a change on the thing as it is now.</summary>
    public Task<Result<Edited<bool>>> Change(
        EditStamp stamp,
        Guid id,
        string summary,
        Func<StockItem, DateOnly, Result<StockItem>> decide
    ) =>
        door.Edit<(Table Table, StockItemRow? Row), bool>(
            stamp,
            Journal.Stock,
            households
                .Table()
                .And(
                    Reading.Of($"{Select} where id = @stock;", new { stock = id }, rows => rows.ReadSingleOrDefaultAsync<StockItemRow?>())
                ),
            locked =>
            {
                if (locked.Row is not { GoneOn: null } row)
                {
                    return new Refusal(
                        "stock-gone",
                        "stock",
                        id.ToString(),
                        "it is not in stock any more",
                        "Look at the list as it is now"
                    );
                }

                var decided = decide(ToItem(row), locked.Table.Today);
                return decided.Refusal is { } refusal
                    ? refusal
                    : new Decided<bool>(
                        new Change($"{summary} {decided.Value.Name}").Put(Tables.StockItem, row, RowOf(decided.Value)),
                        true
                    );
            }
        );

    /// <summary>A loose box was eaten or thrown away outside the plan, or is there after all.</summary>
    public Task<Result<Edited<bool>>> BoxGone(EditStamp stamp, Guid containerId, bool isGone) =>
        door.Edit<(Table Table, ContainerRow? Box), bool>(
            stamp,
            Journal.Stock,
            households
                .Table()
                .And(
                    Reading.Of(
                        "select id, batch_id, number, size, serving_id, gone_on from container where id = @box;",
                        new { box = containerId },
                        rows => rows.ReadSingleOrDefaultAsync<ContainerRow?>()
                    )
                ),
            locked =>
                locked.Box is { ServingId: null } box && box.GoneOn is null == isGone
                    ? new Decided<bool>(
                        new Change(isGone ? "A box is gone" : "A box is there again").Put(
                            Tables.Container,
                            box,
                            box with
                            {
                                GoneOn = isGone ? locked.Table.Today : null,
                            }
                        ),
                        true
                    )
                    : new Refusal(
                        "container-gone",
                        "container",
                        containerId.ToString(),
                        isGone ? "it is placed or gone already" : "it is not gone",
                        "Look at the list as it is now"
                    )
        );

    private static readonly Reading<IReadOnlyList<StoredBox>> Boxes = Reading.Of<IReadOnlyList<StoredBox>>(
        """
        select container.id as container_id, batch.letter, session.cooked_on as cooked, container.number, container.size, batch.recipe_version_id, serving.eaten_on, serving.meal, eater.name as eater
        from container
        join batch on batch.household_id = container.household_id and batch.id = container.batch_id
        join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
        left join serving on serving.household_id = container.household_id and serving.id = container.serving_id
        left join eater on eater.household_id = serving.household_id and eater.id = serving.eater_id
        where container.gone_on is null and session.cooked_on between current_date - 367 and current_date + 1 and (serving.eaten_on is null or serving.eaten_on >= current_date - 1)
        order by session.cooked_on, length(batch.letter), batch.letter, container.number;
        """,
        null,
        async rows => [.. await rows.ReadAsync<StoredBox>()]
    );

    private static StockItemRow RowOf(StockItem item) =>
        new(
            item.Id,
            item.Food,
            item.Name,
            item.Amount,
            item.Grams,
            item.Place.ToString(),
            item.MadeOn,
            item.OpenedOn,
            item.FrozenOn,
            item.ThawedOn,
            item.BestBefore,
            item.GoneOn
        );

    private static StockItem ToItem(StockItemRow row) =>
        new(
            row.Id,
            row.FoodKey,
            row.Name,
            row.Amount,
            row.Grams,
            Enum.Parse<StockPlace>(row.Place),
            row.MadeOn,
            row.OpenedOn,
            row.FrozenOn,
            row.ThawedOn,
            row.BestBefore,
            row.GoneOn
        );
}
