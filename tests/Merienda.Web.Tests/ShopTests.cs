using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

public class ShopTests(TestDatabase database)
{
    private static async Task<List<JsonNode>> Items(Visitor cook, string query = "") =>
        [
            .. (await cook.Get($"{Week}/shop{query}"))["aisles"]!
                .AsArray()
                .SelectMany(aisle => aisle!["items"]!.AsArray())
                .Select(item => item!),
        ];

    private static async Task<JsonNode> Item(Visitor cook, string key) =>
        (await Items(cook)).Single(item => item["key"]!.GetValue<string>() == key);

    private async Task<Visitor> Cook(params string[] lines)
    {
        var cook = await database.SignUp();
        await cook.MakeBatch(Week, await cook.AddRecipe("Pot", 4, lines), Day(0));
        return cook;
    }

    private static Task<JsonNode> TakeIn(Visitor cook, string line) =>
        cook.Must(
            HttpMethod.Post,
            "/api/larder/stock",
            new
            {
                line,
                food = (string?)null,
                place = "pantry",
                madeOn = (string?)null,
                bestBefore = (string?)null,
            }
        );

    [Fact]
    public async Task What_is_in_stock_is_taken_from_what_is_bought()
    {
        var cook = await Cook("500 g red lentils", "300 g carrots", "400 g spinach");
        await TakeIn(cook, "200 g red lentils");
        await TakeIn(cook, "1 kg carrots");
        var lentils = await Item(cook, "lentils-red");
        Assert.Equal(
            ("500 g", "500 g", "there"),
            (
                lentils["needed"]!.GetValue<string>(),
                lentils["buy"]!["amount"]!.GetValue<string>(),
                (await Item(cook, "carrot"))["part"]!.GetValue<string>()
            )
        );
        Assert.Contains("200 g in the pantry", lentils["inStock"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Null((await Item(cook, "carrot"))["buy"]);
    }

    [Fact]
    public async Task A_tick_brings_what_is_bought_into_stock_and_without_it_that_goes_again()
    {
        var cook = await Cook("500 g red lentils");
        var buy = (await Item(cook, "lentils-red"))["buy"]!.DeepClone();
        object Tick(bool isTicked) =>
            new
            {
                key = "lentils-red",
                isTicked,
                buy,
                shop = "Quay",
            };
        await cook.Must(HttpMethod.Put, $"{Week}/shop/tick", Tick(true));
        await cook.Must(HttpMethod.Put, $"{Week}/shop/tick", Tick(true));
        var stock = (await cook.Get("/api/larder/stock"))["items"]!.AsArray();
        Assert.Equal(500, stock.Single()!["grams"]!.GetValue<decimal>());
        var ticked = await Item(cook, "lentils-red");
        Assert.Equal(
            (true, "500 g, Quay", "Quay", "buy"),
            (
                ticked["isTicked"]!.GetValue<bool>(),
                ticked["came"]!.GetValue<string>(),
                ticked["shop"]!.GetValue<string>(),
                ticked["part"]!.GetValue<string>()
            )
        );
        // What was bought for this week is not counted twice.
        Assert.Equal("", ticked["inStock"]!.GetValue<string>());

        await cook.Must(HttpMethod.Put, $"{Week}/shop/tick", Tick(false));
        Assert.Empty((await cook.Get("/api/larder/stock"))["items"]!.AsArray());
        Assert.False((await Item(cook, "lentils-red"))["isTicked"]!.GetValue<bool>());
        // Nothing is remembered of what was not bought.
        Assert.Equal("", (await Item(cook, "lentils-red"))["shop"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_was_opened_since_stays_when_its_tick_goes()
    {
        var cook = await Cook("500 g red lentils");
        var buy = (await Item(cook, "lentils-red"))["buy"]!.DeepClone();
        await cook.Must(
            HttpMethod.Put,
            $"{Week}/shop/tick",
            new
            {
                key = "lentils-red",
                isTicked = true,
                buy,
            }
        );
        var id = (await cook.Get("/api/larder/stock"))["items"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Post, $"/api/larder/stock/{id}/action", new { action = "opened" });
        await cook.Must(
            HttpMethod.Put,
            $"{Week}/shop/tick",
            new
            {
                key = "lentils-red",
                isTicked = false,
                buy,
            }
        );
        Assert.Single((await cook.Get("/api/larder/stock"))["items"]!.AsArray());
    }

    [Fact]
    public async Task What_is_no_purchase_is_refused_and_nothing_is_ticked()
    {
        var cook = await Cook("500 g red lentils");
        object Tick(string food, decimal grams, string shop = "") =>
            new
            {
                key = "lentils-red",
                isTicked = true,
                buy = new
                {
                    food,
                    amount = "500 g",
                    grams,
                    cost = (decimal?)null,
                },
                shop,
            };
        foreach (
            var (code, body) in new[]
            {
                ("unknown-food", Tick("moonfruit", 500)),
                ("stock-amount-out-of-range", Tick("lentils-red", -1)),
                ("shop-name-length", Tick("lentils-red", 1, new('x', 61))),
            }
        )
        {
            await cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Put, $"{Week}/shop/tick", body);
        }

        Assert.False((await Item(cook, "lentils-red"))["isTicked"]!.GetValue<bool>());
    }

    [Fact]
    public async Task What_is_always_there_and_a_little_of_what_cupboards_hold_stand_apart()
    {
        var cook = await Cook("500 g red lentils", "1 tsp paprika");
        Assert.Equal("look", (await Item(cook, "paprika"))["part"]!.GetValue<string>());
        await cook.Must(HttpMethod.Put, "/api/larder/staples", new { food = "paprika", isStaple = true });
        Assert.Equal("there", (await Item(cook, "paprika"))["part"]!.GetValue<string>());
        Assert.Equal(1, (await cook.Get($"{Week}/shop"))["total"]!.GetValue<int>());
        await cook.Must(HttpMethod.Put, "/api/larder/staples", new { food = "paprika", isStaple = false });
        Assert.Equal("look", (await Item(cook, "paprika"))["part"]!.GetValue<string>());
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-food",
            HttpMethod.Put,
            "/api/larder/staples",
            new { food = "moonfruit", isStaple = true }
        );
    }

    [Fact]
    public async Task The_list_has_its_price_is_asked_for_one_session_and_is_handed_on()
    {
        var cook = await Cook("500 g red lentils", "300 g carrots");
        await cook.MakeBatch(Week, await cook.AddRecipe("Tray", 4, "600 g cod fillet"), Day(3));
        await cook.Must(
            HttpMethod.Put,
            "/api/larder/prices",
            new
            {
                food = "red lentils",
                pack = "500 g",
                price = 1.9m,
                shop = "Quay",
            }
        );
        var page = await cook.Get($"{Week}/shop");
        Assert.Equal((1.9m, 2), (page["cost"]!.GetValue<decimal>(), page["withoutPrice"]!.GetValue<int>()));
        Assert.Equal("Quay", (await Item(cook, "lentils-red"))["shop"]!.GetValue<string>());
        Assert.Equal([Day(0), Day(3)], page["sessions"]!.AsArray().Select(one => one!["date"]!.GetValue<string>()));
        Assert.Equal(["cod"], (await Items(cook, $"?session={Day(3)}")).Select(item => item["key"]!.GetValue<string>()));

        var stop = TestContext.Current.CancellationToken;
        Assert.Contains(
            "- Red lentils, dry: 500 g",
            await cook.Client.GetStringAsync($"{Week}/shop/list.txt", stop),
            StringComparison.Ordinal
        );
        Assert.Contains("Red lentils", await cook.Client.GetStringAsync($"{Week}/shop/list.csv", stop), StringComparison.Ordinal);
        var calendar = await cook.Client.GetStringAsync($"{Week}/shop/list.ics?at=2026-11-28T10:00", stop);
        Assert.StartsWith("BEGIN:VCALENDAR", calendar, StringComparison.Ordinal);
        Assert.Contains("BEGIN:VALARM", calendar, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_there_is_instead_is_taken_everywhere_and_every_number_follows()
    {
        var cook = await Cook("500 ml semi-skimmed milk", "300 g carrots");
        var before = (await cook.Get(Week))["batches"]!.ToJsonString();
        Assert.Equal(
            "\"Whole milk\"",
            (await cook.Must(HttpMethod.Post, $"{Week}/shop/instead", new { food = "milk-semi", instead = "whole milk" })).ToJsonString()
        );
        var milk = await Item(cook, "milk-whole");
        Assert.Equal("milk-semi", milk["insteadOf"]![0]!["key"]!.GetValue<string>());
        Assert.DoesNotContain(await Items(cook), item => item["key"]!.GetValue<string>() == "milk-semi");
        Assert.NotEqual(before, (await cook.Get(Week))["batches"]!.ToJsonString());

        await cook.Must(HttpMethod.Post, $"{Week}/shop/instead", new { food = "milk-whole", instead = "milk-semi" });
        Assert.Equal(before, (await cook.Get(Week))["batches"]!.ToJsonString());
        await cook.Refused(
            HttpStatusCode.Conflict,
            "nothing-to-take-instead",
            HttpMethod.Post,
            $"{Week}/shop/instead",
            new { food = "milk-whole", instead = "milk-semi" }
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-food",
            HttpMethod.Post,
            $"{Week}/shop/instead",
            new { food = "milk-semi", instead = "moonfruit" }
        );
    }

    [Fact]
    public async Task Nobody_gets_what_they_are_allergic_to_because_a_shop_had_nothing_else()
    {
        var cook = await Cook("200 g almonds", "300 g carrots");
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.BecomeAllergic(eater, "walnut");
        var batch = (await cook.Get(Week))["batches"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", FirstBatch.Place(eater, 6));
        await cook.Refused(
            HttpStatusCode.Conflict,
            "allergy",
            HttpMethod.Post,
            $"{Week}/shop/instead",
            new { food = "almonds", instead = "walnuts" }
        );
    }

    [Fact]
    public async Task What_is_cooked_stands_in_stock_no_more()
    {
        var cook = await Cook("500 g red lentils", "300 g carrots");
        await TakeIn(cook, "700 g red lentils");
        await TakeIn(cook, "300 g carrots");
        await cook.Must(HttpMethod.Put, $"{Week}/sessions/{Day(0)}/portioned");
        var left = (await cook.Get("/api/larder/stock"))["items"]!.AsArray();
        Assert.Equal((1, 200m), (left.Count, left[0]!["grams"]!.GetValue<decimal>()));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(2, (await cook.Get("/api/larder/stock"))["items"]!.AsArray().Count);
    }

    [Fact]
    public async Task More_than_is_there_is_to_buy_though_what_is_there_was_ticked()
    {
        var cook = await Cook("300 g red lentils");
        await TakeIn(cook, "500 g red lentils");
        await cook.Must(HttpMethod.Put, $"{Week}/shop/tick", new { key = "lentils-red", isTicked = true });
        Assert.Equal("there", (await Item(cook, "lentils-red"))["part"]!.GetValue<string>());
        var batch = (await cook.Get(Week))["batches"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Put, $"{Week}/batches/{batch}/portions", new { portions = 12, variants = (object?)null });
        var more = await Item(cook, "lentils-red");
        Assert.Equal((false, "buy"), (more["isTicked"]!.GetValue<bool>(), more["part"]!.GetValue<string>()));
    }

    [Fact]
    public async Task More_than_was_bought_is_to_buy_again_though_it_was_ticked()
    {
        var cook = await Cook("300 g red lentils");
        object Tick(JsonNode item, bool isMore) =>
            new
            {
                key = "lentils-red",
                isTicked = true,
                buy = item["buy"],
                shop = "",
                isMore,
            };
        await cook.Must(HttpMethod.Put, $"{Week}/shop/tick", Tick(await Item(cook, "lentils-red"), false));
        var batch = (await cook.Get(Week))["batches"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Put, $"{Week}/batches/{batch}/portions", new { portions = 12, variants = (object?)null });
        var more = await Item(cook, "lentils-red");
        Assert.Equal(
            (false, "900 g", "500 g", "500 g in the pantry"),
            (
                more["isTicked"]!.GetValue<bool>(),
                more["needed"]!.GetValue<string>(),
                more["buy"]!["amount"]!.GetValue<string>(),
                more["inStock"]!.GetValue<string>()
            )
        );
        await cook.Must(HttpMethod.Put, $"{Week}/shop/tick", Tick(more, true));
        Assert.True((await Item(cook, "lentils-red"))["isTicked"]!.GetValue<bool>());
        Assert.Equal(2, (await cook.Get("/api/larder/stock"))["items"]!.AsArray().Count);
    }
}
