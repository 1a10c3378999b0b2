using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Stock;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What stands in pantry, fridge and freezer; the boxes are computed from the plan.</summary>
public sealed record StoredStock(
    Table Table,
    HouseholdFoods Foods,
    IReadOnlyList<StockItem> Items,
    WeekPlan Plan,
    IReadOnlyDictionary<Guid, StoredRecipe> Recipes
);

/// <summary>Bought things with their dates, and the boxes that stand beside them.</summary>
public sealed class StockStore(Database database, EditDoor door, HouseholdStore households, PacketStore packets, WeekReading weeks)
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
            weeks
                .Year()
                .And(Items)
                .Select(read => new StoredStock(read.First.Table, read.First.Foods, read.Second, read.First.Plan, read.First.Versions))
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

    internal static StockItemRow RowOf(StockItem item) =>
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
