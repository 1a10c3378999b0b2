using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Shopping;
using Merienda.Core.Stock;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks;

/// <summary>The list of a week as it is drawn.</summary>
public static class ShopPages
{
    /// <param name="session">Only what is cooked on that date; null for all of the week.</param>
    public static ShopPage ToShop(this WeekView week, StoredShop stored, DateOnly? session)
    {
        var basket = stored.Basket;
        var batches = week.CookedForIt.Where(batch => batch.PortionedOn is null).ToList();
        var (items, lacking, prices) = ItemsOf(week, stored, batches, session);
        var tapes = batches.ToDictionary(batch => batch.Letter, WeekView.Tape);
        tapes[""] = "as it is";
        var planned = week.CookedForIt.Select(batch => week.RecipeOf(batch).RecipeId).ToHashSet();
        var others = stored.Library.Where(recipe => !planned.Contains(recipe.RecipeId)).Select(recipe => (recipe.RecipeId, recipe.Version));
        ShopItem Shown(ShoppingItem item)
        {
            var bought = basket.Bought.GetValueOrDefault(item.Key);
            var part = PartOf(item, basket);
            // More is needed than was bought, or than was there to be looked at: the tick of then says nothing of it.
            var isTicked =
                week.IsShopTicked(item.Key)
                && (bought is null ? part != ShopPart.Buy || !IsInPartThere(stored, item) : !lacking.Contains(item.Key));
            var left = item.Food is { } food && item.LeftOver > 0 ? LeftoverUse.Of(food, item.LeftOver, others) : [];
            return new(
                item.Key,
                item.Name,
                item.Food?.Key,
                string.Join(", ", item.For),
                part,
                Counted(item.Food, item.Grams.Best, week.CountsInOunces),
                item.Buy is { } buy ? new(item.Food!.Key, AmountOf(buy, week.CountsInOunces), buy.Grams, buy.Cost) : null,
                [
                    .. item.Batches.Select(need => new ShopNeed(
                        need.Letter,
                        tapes[need.Letter],
                        HouseholdMass.Show(need.Grams.Best, week.CountsInOunces)
                    )),
                ],
                item.AsTyped,
                isTicked,
                item.Food is null ? "" : InStock(StockOf(stored, item.Food, isTicked), week.CountsInOunces),
                [.. Opinions(week, item), .. item.There.TooOld.Select(old => TooOld(old, week.CountsInOunces))],
                item.Food is not null && LeftoverUse.GoesOff(item.Food) && item.LeftOver >= 1
                    ? Counted(item.Food, item.LeftOver, week.CountsInOunces)
                    : "",
                [.. left.Select(use => new ShopUse(use.Recipe, use.Name, HouseholdMass.Show(use.Grams, week.CountsInOunces)))],
                bought?.Shop is { Length: > 0 } here
                    ? here
                    : basket.Shops.GetValueOrDefault(item.Key) ?? (item.Food is { } sold ? prices.Of(sold.Key)?.Shop : null) ?? "",
                item.Food is not null && basket.Staples.Contains(item.Food.Key),
                InsteadOf(week, stored.Week, item),
                bought is null ? "" : $"{bought.Amount}{(bought.Shop.Length > 0 ? $", {bought.Shop}" : "")}"
            );
        }

        var shown = items.Select(item => (Aisle: item.Food?.Aisle ?? "as typed", Item: Shown(item))).ToList();
        var toBuy = shown.Where(row => row.Item.Part != ShopPart.There).Select(row => row.Item).ToList();
        var costs = toBuy.Where(item => item.Part == ShopPart.Buy).Select(item => item.Buy).OfType<ShopBuy>().ToList();
        return new(
            week.Start,
            session,
            [.. batches.GroupBy(batch => batch.Cooked).OrderBy(day => day.Key).Select(day => new ShopSession(day.Key, day.Count()))],
            [.. shown.GroupBy(row => row.Aisle).Select(aisle => new ShopAisle(aisle.Key, [.. aisle.Select(row => row.Item)]))],
            toBuy.Count(item => item.IsTicked),
            toBuy.Count,
            costs.Any(buy => buy.Cost is not null) ? costs.Sum(buy => buy.Cost ?? 0) : null,
            costs.Count(buy => buy.Cost is null),
            [
                .. basket
                    .Shops.Values.Concat(stored.Supplies.Prices.Select(price => price.Shop))
                    .Where(shop => shop.Length > 0)
                    .Distinct(StringComparer.OrdinalIgnoreCase)
                    .Order(StringComparer.OrdinalIgnoreCase),
            ]
        );
    }

    /// <summary>What is on the list, and the keys of what has to be bought yet.</summary>
    private static (IReadOnlyList<ShoppingItem> Items, IReadOnlySet<string> Lacking, PriceBook Prices) ItemsOf(
        WeekView week,
        StoredShop stored,
        IReadOnlyList<Batch> batches,
        DateOnly? session
    )
    {
        var cooked = batches.SelectMany(batch =>
            batch.Lots.Select(lot => new BatchToShop(batch.Letter, batch.Cooked, week.DishOf(batch, lot), lot.Portions))
        );
        var eaten = week
            .Plated.Where(plated =>
                plated.Item is ReadyFood
                && plated is { Serving.State: ServingState.Planned, Share: null }
                && week.Plan.Holds(plated.Serving.Cell.Date)
                && plated.Serving.Cell.Date >= week.Table.Today
            )
            .Select(plated => new BatchToShop("", plated.Serving.Cell.Date, ReadyFood.AsDish(((ReadyFood)plated.Item).Line, null), 1));
        var all = cooked.Concat(eaten).ToList();
        var needs = all.Where(need => session is null || need.On == session).ToList();
        var foods = needs.SelectMany(need => need.Recipe.Ingredients).Select(line => line.Food).OfType<Food>();
        var sold = foods.Select(food => week.Knowledge.SoldAs.Of(food, week.FoodWithKey).Food);
        var prices = PriceBook.Of(stored.Supplies.Prices, [.. sold]);
        // What was bought for this week stands in stock by now and is still on its list, ticked, while it is enough.
        var came = stored.Basket.Bought.Values.Select(row => row.StockId).ToHashSet();
        var list = new ShoppingList(week.Knowledge.SoldAs, week.FoodWithKey, stored.Supplies.Stock, prices).After(
            all.Where(need => need.On < session),
            week.Table.Today
        );
        var now = list.Of(needs);
        var lacking = now.Where(item => item.Buy is not null).Select(item => item.Key).ToHashSet();
        var before = (list with { Stock = [.. list.Stock.Where(item => !came.Contains(item.Id))] }).Of(needs);
        return ([.. now.Zip(before, (with, without) => lacking.Contains(with.Key) ? with : without)], lacking, prices);
    }

    private static ShopPart PartOf(ShoppingItem item, Basket basket) =>
        basket.Bought.ContainsKey(item.Key) ? ShopPart.Buy
        : item.Food is null ? ShopPart.Buy
        : basket.Staples.Contains(item.Food.Key) ? ShopPart.There
        : item.Grams is { IsOpen: false, Best: > 0 } && item.There.Missing == 0 ? ShopPart.There
        : item.IsLookedFor ? ShopPart.Look
        : ShopPart.Buy;

    private static IReadOnlyList<NamedFood> InsteadOf(WeekView week, StoredWeek stored, ShoppingItem item) =>
        [
            .. stored
                .Swaps.Where(swap => swap.FoodKey == item.Key)
                .Select(swap => week.FoodWithKey(swap.WasKey))
                .OfType<Food>()
                .DistinctBy(food => food.Key)
                .Select(food => new NamedFood(food.Key, food.Name)),
        ];

    /// <summary>Whether some of it stands in stock, though not enough.</summary>
    private static bool IsInPartThere(StoredShop stored, ShoppingItem item) =>
        item.Food is { } food && StockOf(stored, food, isTicked: false).Any();

    /// <param name="isTicked">What came of the tick is said with it then.</param>
    private static IEnumerable<StockItem> StockOf(StoredShop stored, Food food, bool isTicked)
    {
        var came = isTicked ? stored.Basket.Bought.Values.Select(row => row.StockId).ToHashSet() : [];
        return stored.Supplies.Stock.Where(item => item.Food == food.Key && !came.Contains(item.Id));
    }

    /// <summary>The oldest first: "150 g in the fridge, 200 g in the pantry".</summary>
    private static string InStock(IEnumerable<StockItem> items, bool inOunces) =>
        string.Join(", ", items.OrderBy(item => item.MadeOn).Select(item => Standing(item, inOunces)));

    private static string Standing(StockItem item, bool inOunces) =>
        $"{(item.Grams is { } grams ? HouseholdMass.Show(grams, inOunces) : item.Amount.Length > 0 ? item.Amount : "some")} in the {item.Place.ToString().ToLowerInvariant()}";

    private static string TooOld(InStock old, bool inOunces) =>
        old.Until is { } until
            ? $"{Standing(old.Item, inOunces)} is only good until {until:ddd d MMM}: not for all of it."
            : $"{Standing(old.Item, inOunces)} is not used.";

    /// <summary>Who rejected this packet, and what they approved of the same kind instead.</summary>
    private static IEnumerable<string> Opinions(WeekView week, ShoppingItem item)
    {
        foreach (var eater in week.Eaters)
        {
            var all = eater.Rules.Context.Packets.All;
            if (item.Food?.Packet is null || all.FirstOrDefault(one => !one.IsApproved && one.Food == item.Food.Key) is not { } said)
            {
                continue;
            }

            var instead = all.Where(one => one.IsApproved)
                .Select(one => week.FoodWithKey(one.Food))
                .OfType<Food>()
                .FirstOrDefault(food => food.Tags.Intersect(item.Food.Tags).Any());
            yield return $"{eater.Name} rejected it on {said.On:d MMM yyyy}: {said.Reason}."
                + (instead is null ? "" : $" Approved instead: {instead.Name}.");
        }
    }

    /// <summary>"350 g", and of what one counts "7 (350 g)".</summary>
    private static string Counted(Food? food, decimal grams, bool inOunces)
    {
        var weight = HouseholdMass.Show(grams, inOunces);
        return food is not null && grams > 0 && Purchase.PiecesIn(food, grams) is { } pieces ? $"{Halves(pieces)} ({weight})" : weight;
    }

    /// <summary>"7", "7½", "½".</summary>
    private static string Halves(decimal pieces) =>
        pieces % 1 == 0 ? $"{pieces:0}"
        : pieces < 1 ? "½"
        : $"{Math.Floor(pieces):0}½";

    /// <summary>What is bought as one says it: "2 tins", "500 g".</summary>
    internal static string AmountOf(Purchase buy, bool inOunces) =>
        buy.Packs.Count == 0 ? HouseholdMass.Show(buy.Grams, inOunces) : string.Join(" + ", buy.Packs.Select(pack => Counted(pack)));

    /// <summary>"5", "2 tins", "1 bunch", "2 × 400 g", "500 g".</summary>
    private static string Counted(PackCount pack) =>
        pack.Size is "each" or "1" ? $"{pack.Count}"
        : char.IsDigit(pack.Size[0]) ? (pack.Count == 1 ? pack.Size : $"{pack.Count} × {pack.Size}")
        : $"{pack.Count} {(pack.Count > 1 ? Unit.Spelled(pack.Size)?.Plural ?? pack.Size : pack.Size)}";
}
