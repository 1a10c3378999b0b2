using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Shopping;
using Merienda.Core.Stock;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>A week with all that its list is made of.</summary>
/// <param name="Library">What could use up what is left over.</param>
public sealed record StoredShop(StoredWeek Week, IReadOnlyList<StoredRecipe> Library, Supplies Supplies, Basket Basket);

/// <summary>What was bought for a week, and what is known of how a household shops.</summary>
/// <param name="Bought">By the key of the list's item.</param>
/// <param name="Shops">Where each item was bought the last time.</param>
/// <param name="Staples">Keys of foods that are always there.</param>
public sealed record Basket(
    IReadOnlyDictionary<string, PurchaseRow> Bought,
    IReadOnlyDictionary<string, string> Shops,
    IReadOnlySet<string> Staples
);

/// <summary>The list of a week: what is ticked goes into stock, what is always there stands apart.</summary>
public sealed class ShopStore(
    Database database,
    EditDoor door,
    WeekReading weeks,
    RecipeStore recipes,
    HouseholdStore households,
    PacketStore packets
)
{
    private const string Bought = """
        select week_start, item_key, stock_id, amount, cost, shop, bought_on from purchase
        where week_start between @shopDay - 9 and @shopDay + 3
        """;

    private sealed record LastShop(string ItemKey, string Shop);

    /// <summary>With what was bought for the weeks beside it.</summary>
    private static Reading<Func<DateOnly, Basket>> BasketOf(DateOnly date) =>
        Reading.Of<Func<DateOnly, Basket>>(
            $"""
            {Bought};
            select distinct on (item_key) item_key, shop from purchase where shop <> '' order by item_key, bought_on desc;
            select food_key from staple;
            """,
            new { shopDay = date },
            async rows =>
            {
                var bought = (await rows.ReadAsync<PurchaseRow>()).ToList();
                var shops = (await rows.ReadAsync<LastShop>()).ToDictionary(row => row.ItemKey, row => row.Shop);
                var staples = (await rows.ReadAsync<string>()).ToHashSet();
                return start =>
                    new(
                        bought
                            .Where(row => TableReading.IsOfWeek(row.WeekStart, start))
                            .GroupBy(row => row.ItemKey)
                            .ToDictionary(week => week.Key, week => week.First()),
                        shops,
                        staples
                    );
            }
        );

    public Task<StoredShop> Read(Tenant tenant, DateOnly date) =>
        database.Read(
            tenant,
            weeks
                .Of(date)
                .And(recipes.All)
                .And(Supplies.Current.And(BasketOf(date)))
                .Select(read => new StoredShop(
                    read.First.First,
                    read.First.Second,
                    read.Second.First,
                    read.Second.Second(read.First.First.Plan.Start)
                ))
        );

    /// <summary>Ticks a thing off, which brings what was bought into stock; without the tick it goes out again, if it is as it came.</summary>
    /// <param name="date">Any day of the week.</param>
    /// <param name="bought">Null where nobody knows how much that is.</param>
    /// <param name="isMore">Whether it comes on top of what was bought before, which stands in stock like everything else then.</param>
    public Task<Result<Edited<bool>>> Tick(EditStamp stamp, DateOnly date, string itemKey, bool isTicked, Bought? bought, bool isMore) =>
        door.Edit<(((Table Table, HouseholdFoods Foods) Known, IReadOnlyList<StockItem> Stock) Larder, Ticked Ticked), bool>(
            stamp,
            Journal.Tick,
            households.Table().And(packets.Foods).And(StockStore.Items).And(TickedOf(date, itemKey)),
            locked =>
            {
                var (((table, foods), stock), (ticks, purchases)) = locked;
                var start = table.Household.Rhythm.WeekOf(date);
                var week = ticks.Where(day => TableReading.IsOfWeek(day, start)).Append(start).First();
                var isThere = ticks.Contains(week);
                var before = purchases.FirstOrDefault(row => row.WeekStart == week);
                var change = new Change(isTicked ? "Ticked" : "Unticked").Put(
                    Tables.ShopTick,
                    isThere ? new ShopTickRow(week, itemKey) : null,
                    isTicked ? new ShopTickRow(week, itemKey) : null
                );
                if (isTicked && isThere && !isMore)
                {
                    return new Decided<bool>(change, true);
                }

                if (!isTicked)
                {
                    return new Decided<bool>(TakenOut(change, before, stock), false);
                }

                if (bought is null)
                {
                    return new Decided<bool>(change, true);
                }

                var came = bought.ToStock(Guid.CreateVersion7(), foods.Matcher.WithKey, table.Today);
                return came.Refusal is { } refusal
                    ? refusal
                    : new Decided<bool>(
                        change
                            .Put(Tables.StockItem, null, StockStore.RowOf(came.Value))
                            .Put(
                                Tables.Purchase,
                                before,
                                new PurchaseRow(week, itemKey, came.Value.Id, bought.Amount, bought.Cost, bought.Shop.Trim(), table.Today)
                            ),
                        true
                    );
            }
        );

    /// <summary>
    /// Takes another food in everything that is still to be cooked for a week, because that is what there was; taken back by taking what the
    /// recipes name. Nobody gets what they must not have by it.
    /// </summary>
    /// <param name="food">Key of what recipes take now.</param>
    /// <param name="instead">Its key, or what it is called.</param>
    /// <returns>What it is called.</returns>
    public Task<Result<Edited<string>>> TakeInstead(EditStamp stamp, DateOnly date, string food, string instead) =>
        door.Edit<StoredWeek, string>(
            stamp,
            Journal.Batch,
            weeks.Of(date),
            week =>
            {
                if ((week.Foods.Matcher.WithKey(instead) ?? Price.FoodOf(week.Foods.Matcher.Match(instead.Trim()))) is not { } other)
                {
                    return new Refusal(
                        "unknown-food",
                        "food",
                        instead,
                        "nobody can tell which food this is",
                        "Write it as the Larder calls it"
                    );
                }

                var (before, after) = (new List<BatchSwapRow>(), new List<BatchSwapRow>());
                var taken = new List<BatchSwapRow>();
                foreach (var batch in week.Plan.CookedForIt.Where(batch => batch.PortionedOn is null))
                {
                    foreach (var line in week.RecipeOf(batch).Version.Lines.Where(line => line.Use is null && line.Food?.Key == food))
                    {
                        var was = week.Swaps.FirstOrDefault(swap => swap.BatchId == batch.Id && swap.LineId == line.Typed.Id);
                        var named = was?.WasKey ?? food;
                        before.AddRange(was is null ? [] : [was]);
                        taken.Add(new(batch.Id, line.Typed.Id, named, other.Key));
                    }
                }

                after.AddRange(taken.Where(swap => swap.FoodKey != swap.WasKey));
                if (other.Key == food || taken.Count == 0)
                {
                    return new Refusal(
                        "nothing-to-take-instead",
                        "food",
                        food,
                        "no recipe that is still to be cooked takes it itself",
                        "Load the list again; what another recipe brings is changed in that recipe"
                    );
                }

                return week.StopOf(taken) is { } stop
                    ? stop
                    : new Decided<string>(new Change($"Took {other.Name} instead").Put(Tables.BatchSwap, before, after), other.Name);
            }
        );

    /// <summary>Says that a food is always there, or that it is not.</summary>
    public Task<Result<Edited<bool>>> KeepAlways(EditStamp stamp, string food, bool isStaple) =>
        door.Edit<(HouseholdFoods Foods, IReadOnlyList<StapleRow> Staples), bool>(
            stamp,
            Journal.Stock,
            packets.Foods.And(
                Reading.Of<IReadOnlyList<StapleRow>>(
                    "select food_key from staple where food_key = @staple;",
                    new { staple = food },
                    async rows => [.. await rows.ReadAsync<StapleRow>()]
                )
            ),
            locked =>
                locked.Foods.Matcher.WithKey(food) is not { } known
                    ? new Refusal("unknown-food", "food", food, "nobody can tell which food this is", "Load the list again")
                    : new Decided<bool>(
                        new Change(isStaple ? $"{known.Name} is always there" : $"{known.Name} is not always there").Put(
                            Tables.Staple,
                            locked.Staples,
                            isStaple ? [new StapleRow(food)] : []
                        ),
                        isStaple
                    )
        );

    private sealed record Ticked(IReadOnlyList<DateOnly> Ticks, IReadOnlyList<PurchaseRow> Purchases);

    private static Reading<Ticked> TickedOf(DateOnly date, string itemKey) =>
        Reading.Of(
            $"""
            select week_start from shop_tick where item_key = @shopItem and week_start between @shopDay - 9 and @shopDay + 3;
            {Bought} and item_key = @shopItem;
            """,
            new { shopItem = itemKey, shopDay = date },
            async rows => new Ticked([.. await rows.ReadAsync<DateOnly>()], [.. await rows.ReadAsync<PurchaseRow>()])
        );

    /// <summary>What somebody opened or took of stays in stock, whatever the list says.</summary>
    private static Change TakenOut(Change change, PurchaseRow? before, IReadOnlyList<StockItem> stock)
    {
        if (before is null)
        {
            return change;
        }

        change.Put(Tables.Purchase, before, null);
        return
            stock.FirstOrDefault(item => item.Id == before.StockId) is { OpenedOn: null, ThawedOn: null } came
            && came.Amount == before.Amount
            ? change.Put(Tables.StockItem, StockStore.RowOf(came), null)
            : change;
    }
}
