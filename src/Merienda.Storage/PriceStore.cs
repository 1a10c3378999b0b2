using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Shopping;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What a household pays for things, with the foods that the prices are of.</summary>
public sealed record StoredPrices(Table Table, HouseholdFoods Foods, IReadOnlyList<Price> Prices)
{
    /// <summary>A shop is called as it was first.</summary>
    public Price AsCalled(Price price) =>
        price with
        {
            Shop =
                Prices.Select(known => known.Shop).FirstOrDefault(shop => shop.Equals(price.Shop, StringComparison.OrdinalIgnoreCase))
                ?? price.Shop,
        };
}

/// <summary>Prices, one for a food at a shop: noted, noted anew, forgotten.</summary>
public sealed class PriceStore(Database database, EditDoor door, HouseholdStore households, PacketStore packets)
{
    internal static readonly Reading<IReadOnlyList<Price>> All = Reading.Of<IReadOnlyList<Price>>(
        "select food_key, shop, amount, pack, grams, seen_on from price order by food_key, shop;",
        null,
        async rows =>
            [
                .. (await rows.ReadAsync<PriceRow>()).Select(row => new Price(
                    row.FoodKey,
                    row.Amount,
                    row.Pack,
                    row.Grams,
                    row.Shop,
                    row.SeenOn
                )),
            ]
    );

    /// <summary>Who eats, what there is to cook with, what it costs.</summary>
    public Reading<StoredPrices> Stored =>
        households.Table().And(packets.Foods).And(All).Select(read => new StoredPrices(read.First.First, read.First.Second, read.Second));

    public Task<StoredPrices> Read(Tenant tenant) => database.Read(tenant, Stored);

    /// <summary>Notes prices together; one undo takes all of them back.</summary>
    /// <returns>How many are other than they were.</returns>
    public Task<Result<Edited<int>>> Note(EditStamp stamp, Func<StoredPrices, Result<IReadOnlyList<Price>>> read) =>
        door.Edit<StoredPrices, int>(
            stamp,
            Journal.Price,
            Stored,
            locked =>
            {
                var noted = read(locked);
                if (noted.Refusal is { } refusal)
                {
                    return refusal;
                }

                var prices = Other(locked, noted.Value);
                var change = new Change(
                    prices is [var one]
                        ? $"Noted what {locked.Foods.Matcher.WithKey(one.Food)?.Name} costs"
                        : $"Noted {prices.Count} prices"
                );
                Put(change, locked, prices);
                return new Decided<int>(change, prices.Count);
            }
        );

    /// <summary>Notes prices as part of an edit; those that are known stay as they are.</summary>
    internal static void Put(Change change, StoredPrices known, IReadOnlyList<Price> noted)
    {
        var prices = Other(known, noted);
        var before = prices.Select(price => known.Prices.FirstOrDefault(one => (one.Food, one.Shop) == (price.Food, price.Shop)));
        change.Put(Tables.Price, before.OfType<Price>().Select(RowOf), prices.Select(RowOf));
    }

    private static List<Price> Other(StoredPrices known, IReadOnlyList<Price> noted) =>
        [.. noted.Select(known.AsCalled).Except(known.Prices)];

    public Task<Result<Edited<bool>>> Forget(EditStamp stamp, string food, string shop) =>
        door.Edit<StoredPrices, bool>(
            stamp,
            Journal.Price,
            Stored,
            locked =>
                locked.Prices.FirstOrDefault(price => price.Food == food && price.Shop == shop) is { } known
                    ? new Decided<bool>(
                        new Change($"Forgot what {locked.Foods.Matcher.WithKey(food)?.Name} costs").Put(Tables.Price, RowOf(known), null),
                        true
                    )
                    : new Refusal("price-gone", "food", food, "no price of it is noted any more", "Look at the list as it is now")
        );

    private static PriceRow RowOf(Price price) => new(price.Food, price.Shop, price.Amount, price.Pack, price.Grams, price.SeenOn);
}
