using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.FollowedProtocols;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>The day as it goes: what was eaten, left out, eaten besides, and what the rest of the day allows.</summary>
public class LogTests(TestDatabase database)
{
    private static Task<JsonNode> Log(MealKitchen.Kitchen kitchen, int day = 0) =>
        kitchen.Cook.Get($"{Week}/log?day={Day(day)}&eater={kitchen.Eater}");

    private static JsonArray Supper(JsonNode log) =>
        log["meals"]!.AsArray().Single(meal => meal!["key"]!.GetValue<string>() == "supper")!["items"]!.AsArray();

    private static Task<JsonNode> Say(MealKitchen.Kitchen kitchen, JsonNode item, decimal? share, int day = 0) =>
        kitchen.Cook.Must(
            HttpMethod.Put,
            $"{Week}/log",
            new
            {
                place = kitchen.At(day),
                at = DateTimeOffset.UtcNow,
                items = new[] { new { item = item["id"]!.GetValue<Guid>(), share } },
            }
        );

    private static object Besides(MealKitchen.Kitchen kitchen, string line, DateTimeOffset? at = null) =>
        new
        {
            place = kitchen.At(0),
            at = at ?? DateTimeOffset.UtcNow,
            line,
        };

    private static decimal? Share(JsonNode item) => item["share"]?.GetValue<decimal>();

    private async Task<MealKitchen.Kitchen> LowCarb()
    {
        var kitchen = await database.MoveIn();
        await kitchen.Cook.Must(HttpMethod.Put, $"/api/table/eaters/{kitchen.Eater}/protocols", new { protocols = new[] { "low-carb" } });
        await State(kitchen.Cook, kitchen.Eater, "low-carb", "net-carbs", 25);
        return kitchen;
    }

    private static JsonNode NetCarbs(JsonNode log) =>
        log["rulers"]!.AsArray().Single(ruler => ruler!["stands"]!["title"]!.GetValue<string>() == "Net carbs")!;

    [Fact]
    public async Task What_is_eaten_and_what_is_planned_are_told_apart_and_the_rest_of_the_day_follows()
    {
        var kitchen = await LowCarb();
        await kitchen.Ready(0, "100 g banana");
        await kitchen.Ready(0, "100 g carrot");
        var before = NetCarbs(await Log(kitchen));
        Assert.Equal(0, before["eaten"]!.GetValue<decimal>());
        var all = before["planned"]!.GetValue<decimal>();
        Assert.EndsWith(" over", before["says"]!.GetValue<string>());

        var banana = Supper(await Log(kitchen))[0]!;
        await Say(kitchen, banana, 0.5m);
        var half = NetCarbs(await Log(kitchen));
        Assert.True(half["eaten"]!.GetValue<decimal>() > 0);
        Assert.True(half["eaten"]!.GetValue<decimal>() + half["planned"]!.GetValue<decimal>() < all);
        // The Week's day counts what was eaten too.
        var board = await kitchen.Cook.Get(Week);
        var day = board["ledger"]!.AsArray().Single(one => one!["date"]!.GetValue<string>() == Day(0))!;
        Assert.Equal(
            half["stands"]!["value"]!["best"]!.GetValue<decimal>(),
            day["findings"]!.AsArray().Single(one => one!["title"]!.GetValue<string>() == "Net carbs")!["value"]![
                "best"
            ]!.GetValue<decimal>()
        );

        await Say(kitchen, banana, 0);
        Assert.Equal(0, NetCarbs(await Log(kitchen))["eaten"]!.GetValue<decimal>());
        Assert.EndsWith(" left", NetCarbs(await Log(kitchen))["says"]!.GetValue<string>());
        await Say(kitchen, banana, null);
        Assert.Null(Share(Supper(await Log(kitchen))[0]!));
        Assert.Equal(all, NetCarbs(await Log(kitchen))["planned"]!.GetValue<decimal>());
    }

    [Fact]
    public async Task A_share_of_a_batch_comes_out_of_its_box_and_is_corrected_there()
    {
        var kitchen = await database.MoveIn();
        var batch = await kitchen.Make("Cod", 4, "600 g cod");
        await kitchen.Cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", new { to = kitchen.At(0) });
        var item = Supper(await Log(kitchen))[0]!;
        await Say(kitchen, item, 0.5m);
        Assert.Equal((0.5m, 3.5m), (Share(Supper(await Log(kitchen))[0]!), (await OnBench(kitchen))["loose"]!.GetValue<decimal>()));
        await Say(kitchen, item, 1);
        Assert.Equal((1m, 3m), (Share(Supper(await Log(kitchen))[0]!), (await OnBench(kitchen))["loose"]!.GetValue<decimal>()));
        await Say(kitchen, item, 0);
        Assert.Equal((0m, 4m), (Share(Supper(await Log(kitchen))[0]!), (await OnBench(kitchen))["loose"]!.GetValue<decimal>()));
        await Say(kitchen, item, null);
        Assert.Equal((null, 3m), (Share(Supper(await Log(kitchen))[0]!), (await OnBench(kitchen))["loose"]!.GetValue<decimal>()));
        var shelf = await kitchen.Cook.Get($"{Week}/shelf");
        Assert.Equal(4, shelf["boxes"]!.AsArray().Count);
    }

    private static async Task<JsonNode> OnBench(MealKitchen.Kitchen kitchen) => (await kitchen.Cook.Get(Week))["batches"]![0]!;

    [Fact]
    public async Task What_was_eaten_besides_is_counted_said_once_however_often_it_is_sent_and_remembered()
    {
        var kitchen = await LowCarb();
        var id = Guid.NewGuid();
        for (var time = 0; time < 2; time++)
        {
            var sent = await kitchen.Cook.Edit(HttpMethod.Post, $"{Week}/log/extra", Besides(kitchen, "10 ml olive oil"), id);
            Assert.Equal(HttpStatusCode.NoContent, sent.Status);
        }

        var log = await Log(kitchen);
        var item = Assert.Single(Supper(log))!;
        Assert.Equal((id, true, 1m), (item["id"]!.GetValue<Guid>(), item["isExtra"]!.GetValue<bool>(), Share(item)));
        Assert.Equal("10 ml olive oil", Assert.Single(log["extras"]!.AsArray())!.GetValue<string>());
        // It is no plan: nothing of it is bought.
        Assert.Equal(0, (await kitchen.Cook.Get($"{Week}/shop"))["total"]!.GetValue<int>());
        await Say(kitchen, item, null);
        Assert.Empty(Supper(await Log(kitchen)));
    }

    [Fact]
    public async Task What_an_eater_is_allergic_to_is_a_fact_when_it_was_eaten_and_never_taken_from_a_box()
    {
        var kitchen = await database.MoveIn();
        var batch = await kitchen.Make("Cod", 2, "300 g cod");
        await kitchen.Cook.BecomeAllergic(kitchen.Eater, "fish");
        var lot = (await OnBench(kitchen))["lots"]![0]!["id"]!.GetValue<Guid>();
        foreach (var box in new[] { null, (await kitchen.Cook.Get($"{Week}/shelf"))["boxes"]![0]!["id"] })
        {
            await kitchen.Cook.Refused(
                HttpStatusCode.Conflict,
                "allergy",
                HttpMethod.Post,
                $"{Week}/log/extra",
                new
                {
                    place = kitchen.At(0),
                    at = DateTimeOffset.UtcNow,
                    batchId = batch,
                    lotId = box is null ? lot : (Guid?)null,
                    boxId = box?.GetValue<Guid>(),
                }
            );
        }

        await kitchen.Cook.Must(HttpMethod.Post, $"{Week}/log/extra", Besides(kitchen, "100 g cod"));
        Assert.Contains((await Log(kitchen))["findings"]!.AsArray(), finding => finding!["isHardStop"]!.GetValue<bool>());
    }

    [Fact]
    public async Task A_box_and_loose_portions_are_eaten_besides_and_what_there_is_not_is_refused()
    {
        var kitchen = await database.MoveIn();
        var batch = await kitchen.Make("Cod", 3, "300 g cod");
        object Eat(Guid? box, decimal? portions) =>
            new
            {
                place = kitchen.At(0),
                at = DateTimeOffset.UtcNow,
                batchId = batch,
                boxId = box,
                portions,
            };
        var first = (await kitchen.Cook.Get($"{Week}/shelf"))["boxes"]![0]!["id"]!.GetValue<Guid>();
        await kitchen.Cook.Must(HttpMethod.Post, $"{Week}/log/extra", Eat(first, null));
        await kitchen.Cook.Must(HttpMethod.Post, $"{Week}/log/extra", Eat(null, 1));
        Assert.Equal(1, (await OnBench(kitchen))["loose"]!.GetValue<decimal>());
        Assert.Equal(2, Supper(await Log(kitchen)).Count);
        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "box-gone", HttpMethod.Post, $"{Week}/log/extra", Eat(first, null));
        await kitchen.Cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "ready-amount-missing",
            HttpMethod.Post,
            $"{Week}/log/extra",
            Besides(kitchen, "olives")
        );
        var item = Supper(await Log(kitchen))[0]!;
        await kitchen.Cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "log-share-out-of-range",
            HttpMethod.Put,
            $"{Week}/log",
            new
            {
                place = kitchen.At(0),
                at = DateTimeOffset.UtcNow,
                items = new[] { new { item = item["id"]!.GetValue<Guid>(), share = 1.5 } },
            }
        );
    }

    [Fact]
    public async Task A_day_of_nobody_or_of_another_week_is_refused()
    {
        var kitchen = await database.MoveIn();
        await kitchen.Cook.Refused(HttpStatusCode.NotFound, "eater-gone", HttpMethod.Get, $"{Week}/log?eater={Guid.NewGuid()}");
        await kitchen.Cook.Refused(HttpStatusCode.UnprocessableEntity, "out-of-week", HttpMethod.Get, $"{Week}/log?day={Day(-8)}");
        var plain = await kitchen.Cook.Get($"{Week}/log");
        Assert.Equal(
            (Start.AddDays((int)DateTime.UtcNow.DayOfWeek).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture), kitchen.Eater),
            (plain["day"]!.GetValue<string>(), plain["eaterId"]!.GetValue<Guid>())
        );
    }

    [Fact]
    public async Task A_body_weight_is_kept_of_who_turned_it_on_and_forgotten_when_it_is_turned_off()
    {
        var kitchen = await database.MoveIn();
        var path = $"/api/table/eaters/{kitchen.Eater}";
        var today = DateOnly.FromDateTime(DateTime.UtcNow);
        object Kg(decimal? kg, int day = 0) => new { on = today.AddDays(day), kg };
        async Task<JsonNode?> Kept() => (await Log(kitchen))["weight"];

        Assert.Null(await Kept());
        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "weight-off", HttpMethod.Put, $"{path}/weight", Kg(70));
        await kitchen.Cook.Must(HttpMethod.Put, $"{path}/weighing", new { isOn = true });
        await kitchen.Cook.Refused(HttpStatusCode.UnprocessableEntity, "weight-range", HttpMethod.Put, $"{path}/weight", Kg(7));
        await kitchen.Cook.Refused(HttpStatusCode.UnprocessableEntity, "weight-day", HttpMethod.Put, $"{path}/weight", Kg(70, 2));
        await kitchen.Cook.Refused(
            HttpStatusCode.NotFound,
            "eater-gone",
            HttpMethod.Put,
            $"/api/table/eaters/{Guid.NewGuid()}/weighing",
            new { isOn = true }
        );
        foreach (var (kg, day) in new[] { (80m, -14), (78m, -7), (76m, 0) })
        {
            await kitchen.Cook.Must(HttpMethod.Put, $"{path}/weight", Kg(kg, day));
        }

        Assert.Equal([76m, 78m, 80m], (await Kept())!["newest"]!.AsArray().Select(one => one!["kg"]!.GetValue<decimal>()));
        // 2 kg a week of 78 is 2.6 %: it is said until it was seen, once.
        Assert.Contains("2.6 %", (await Kept())!["pace"]!.GetValue<string>(), StringComparison.Ordinal);
        await kitchen.Cook.Must(HttpMethod.Put, $"{path}/weighing/seen");
        Assert.Equal("", (await Kept())!["pace"]!.GetValue<string>());
        await kitchen.Cook.Must(HttpMethod.Put, $"{path}/weight", Kg(null));
        Assert.Equal(2, (await Kept())!["newest"]!.AsArray().Count);

        await kitchen.Cook.Must(HttpMethod.Put, $"{path}/weighing", new { isOn = false });
        Assert.Null(await Kept());
        await kitchen.Cook.Must(HttpMethod.Put, $"{path}/weighing", new { isOn = true });
        Assert.Empty((await Kept())!["newest"]!.AsArray());
    }

    [Fact]
    public async Task A_week_is_looked_back_on_planned_against_eaten_and_what_was_good_goes_into_the_next()
    {
        var kitchen = await LowCarb();
        var good = await kitchen.Make("Cod", 2, "300 g cod");
        await kitchen.Make("Swede", 2, "300 g swede");
        await kitchen.Ready(0, "100 g banana");
        await kitchen.Ready(0, "100 g carrot");
        var banana = Supper(await Log(kitchen))[0]!;
        await Say(kitchen, banana, 0.5m);
        await kitchen.Cook.Must(HttpMethod.Post, $"{Week}/log/extra", Besides(kitchen, "10 g almonds"));

        var back = await kitchen.Cook.Get($"{Week}/look-back");
        var eater = Assert.Single(back["eaters"]!.AsArray())!;
        Assert.Equal(
            (2, 0, 1, 0, 1, 1),
            (
                eater["planned"]!.GetValue<int>(),
                eater["eaten"]!.GetValue<int>(),
                eater["inPart"]!.GetValue<int>(),
                eater["leftOut"]!.GetValue<int>(),
                eater["unsaid"]!.GetValue<int>(),
                eater["besides"]!.GetValue<int>()
            )
        );
        var day = eater["rulers"]!.AsArray().Single(ruler => ruler!["title"]!.GetValue<string>() == "Net carbs")!["days"]![0]!;
        // Half a banana and the almonds against a banana and a carrot.
        Assert.False(day["isSaid"]!.GetValue<bool>());
        Assert.InRange(day["eaten"]!.GetValue<decimal>(), 9, 13);
        Assert.InRange(day["planned"]!.GetValue<decimal>(), 24, 30);

        await kitchen.Cook.Must(HttpMethod.Put, $"{Week}/sessions/again", new { batchId = good, again = true });
        await kitchen.Cook.Must(
            HttpMethod.Put,
            $"{Week}/sessions/remark",
            new
            {
                batchId = good,
                taskId = "",
                minutes = (int?)null,
                note = "More lemon",
            }
        );
        var cod = (await kitchen.Cook.Get($"{Week}/look-back"))["batches"]!
            .AsArray()
            .Single(one => one!["id"]!.GetValue<string>() == good)!;
        Assert.Equal((true, "More lemon"), (cod["again"]!.GetValue<bool>(), cod["note"]!.GetValue<string>()));
        var copied = await kitchen.Cook.Must(
            HttpMethod.Post,
            $"{Week}/copy",
            new
            {
                to = Day(7),
                withMeals = false,
                batches = new[] { good },
            }
        );
        Assert.Equal(1, copied["batches"]!.GetValue<int>());
        Assert.Equal(
            "Cod",
            Assert.Single(
                (await kitchen.Cook.Get($"/api/weeks/{Day(7)}"))["batches"]!.AsArray(),
                one => one!["cookedOn"]!.GetValue<string>() == Day(6)
            )!["name"]!.GetValue<string>()
        );
        await kitchen.Cook.Must(HttpMethod.Put, $"{Week}/sessions/again", new { batchId = good, again = (bool?)null });
        cod = (await kitchen.Cook.Get($"{Week}/look-back"))["batches"]!.AsArray().Single(one => one!["id"]!.GetValue<string>() == good)!;
        Assert.Equal((null, "More lemon"), (cod["again"], cod["note"]!.GetValue<string>()));
    }
}
