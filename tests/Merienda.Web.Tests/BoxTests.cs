using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>Portioning, weighing, and the life of boxes, also of earlier weeks.</summary>
public class BoxTests(TestDatabase database)
{
    private static string Week(int start = 0) => $"/api/weeks/{Day(start)}";

    private static object Said(string kind, decimal? portions = null, string reason = "", DateTimeOffset? at = null) =>
        new
        {
            kind,
            at = at ?? DateTimeOffset.UtcNow,
            portions,
            reason,
        };

    private sealed record Kitchen(Visitor Cook, Guid Eater, Guid Batch)
    {
        public object At(int day) =>
            new
            {
                date = Day(day),
                meal = "supper",
                eaterId = Eater,
            };

        public Task<JsonNode> Place(int day, int week = 0) =>
            Cook.Must(HttpMethod.Post, $"{Week(week)}/batches/{Batch}/place", new { to = At(day) });

        public Task<JsonNode> Portion(int week = 0) => Cook.Must(HttpMethod.Put, $"{Week(week)}/batches/{Batch}/portioned");

        public Task<JsonNode> Weigh(string part, int grossG, int tareG, string vessel) =>
            Cook.Must(
                HttpMethod.Put,
                $"{Week()}/batches/{Batch}/yield",
                new
                {
                    part,
                    grossG,
                    tareG,
                    vessel,
                }
            );

        public string Events(JsonNode box) => $"/api/batches/{Batch}/boxes/{box["id"]}/events";

        public async Task<List<JsonNode>> Shelf(int week = 0) =>
            [.. (await Cook.Get($"{Week(week)}/shelf"))["boxes"]!.AsArray().Select(box => box!)];

        public async Task<JsonNode> OnBench(int week = 0) =>
            (await Cook.Get(Week(week)))["batches"]!.AsArray().Single(batch => batch!["id"]!.GetValue<Guid>() == Batch)!;
    }

    private async Task<Kitchen> Cook(decimal portions, int cookedOn = 0, int week = 0)
    {
        var cook = await database.SignUp();
        var board = await cook.MakeBatch(
            Week(week),
            await cook.AddRecipe("Beef shin with swede", 4, "800 g beef shin", "600 g swede"),
            Day(cookedOn),
            portions
        );
        return new(cook, board["eaters"]![0]!["id"]!.GetValue<Guid>(), board["batches"]![0]!["id"]!.GetValue<Guid>());
    }

    [Fact]
    public async Task A_session_is_portioned_weighed_and_shared_and_the_vessel_keeps_its_weight()
    {
        var kitchen = await Cook(5);
        await kitchen.Cook.Must(
            HttpMethod.Put,
            "/api/table/kitchen",
            new
            {
                units = "metric",
                numberFormat = "point",
                freezerLitres = (decimal?)null,
                items = new[]
                {
                    new
                    {
                        id = Guid.NewGuid(),
                        kind = "pot",
                        name = "the large pot",
                        count = 1,
                        capacityMl = 5000,
                        fillShare = (decimal?)null,
                        widthMm = (int?)null,
                        lengthMm = (int?)null,
                    },
                },
                containers = new[]
                {
                    new
                    {
                        id = Guid.NewGuid(),
                        name = "500 ml",
                        volumeMl = 500,
                        count = 4,
                        material = "glass",
                        mayHeat = true,
                        mayFreeze = true,
                        mayFillHot = true,
                    },
                },
            }
        );
        await kitchen.Place(1);
        var planned = (await kitchen.Cook.Get($"{Week()}/portioning"))["sessions"]![0]!["batches"]![0]!;
        Assert.Equal(
            (null, 1750m, 5),
            (
                planned["portionedOn"]?.GetValue<string>(),
                planned["parts"]![0]!["plannedGrams"]!.GetValue<decimal>(),
                planned["boxes"]!.AsArray().Count
            )
        );
        var page = await kitchen.Cook.Must(HttpMethod.Put, $"{Week()}/sessions/{Day(0)}/portioned");
        var boxes = page["sessions"]![0]!["batches"]![0]!["boxes"]!.AsArray();
        Assert.Equal(
            ["500 ml, glass", "500 ml, glass", "500 ml, glass", "500 ml, glass", ""],
            boxes.Select(box => box!["container"]!.GetValue<string>())
        );
        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "already-portioned", HttpMethod.Put, $"{Week()}/sessions/{Day(0)}/portioned");
        await kitchen.Cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "nothing-cooked",
            HttpMethod.Put,
            $"{Week()}/sessions/{Day(1)}/portioned"
        );

        var weighed = await kitchen.Weigh("", 2958, 1100, "the large pot");
        var batch = weighed["sessions"]![0]!["batches"]![0]!;
        Assert.All(batch["boxes"]!.AsArray(), box => Assert.Equal(371, box!["parts"]![0]!["grams"]!.GetValue<decimal>()));
        Assert.Equal(3, batch["parts"]![0]!["over"]!.GetValue<decimal>());
        Assert.Equal(1100, weighed["vessels"]![0]!["tareG"]!.GetValue<int>());
        Assert.Equal(372, (await kitchen.OnBench())["lots"]![0]!["gramsPerPortion"]!.GetValue<decimal>());

        await kitchen.Cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        var back = await kitchen.Cook.Get($"{Week()}/portioning");
        Assert.Null(back["vessels"]![0]!["tareG"]);
        Assert.Equal(350, back["sessions"]![0]!["batches"]![0]!["boxes"]![0]!["parts"]![0]!["grams"]!.GetValue<decimal>());
        await kitchen.Cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.False((await kitchen.OnBench())["isPortioned"]!.GetValue<bool>());
    }

    [Fact]
    public async Task Weighing_fills_the_boxes_that_are_still_planned_and_a_wrong_weight_fills_none()
    {
        var kitchen = await Cook(2);
        await kitchen.Cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "tare-too-large",
            HttpMethod.Put,
            $"{Week()}/batches/{kitchen.Batch}/yield",
            new
            {
                part = "",
                grossG = 900,
                tareG = 900,
                vessel = "",
            }
        );
        Assert.False((await kitchen.OnBench())["isPortioned"]!.GetValue<bool>());
        await kitchen.Weigh("", 900, 0, "");
        Assert.Equal(
            (true, 450m),
            (
                await kitchen.OnBench() is var batch
                    ? (batch["isPortioned"]!.GetValue<bool>(), batch["lots"]![0]!["gramsPerPortion"]!.GetValue<decimal>())
                    : default
            )
        );
    }

    [Fact]
    public async Task A_box_eaten_from_the_shelf_is_eaten_on_the_board_once_and_undone_in_one()
    {
        var kitchen = await Cook(2);
        await kitchen.Place(0);
        var box = (await kitchen.Shelf())[0];
        Assert.False(box["isThere"]!.GetValue<bool>());
        var id = Guid.NewGuid();
        var eaten = await kitchen.Cook.Edit(HttpMethod.Post, kitchen.Events(box), Said("Eaten"), id);
        var again = await kitchen.Cook.Edit(HttpMethod.Post, kitchen.Events(box), Said("Eaten"), id);
        Assert.Equal((HttpStatusCode.NoContent, eaten.Sequence), (again.Status, again.Sequence));
        var board = await kitchen.Cook.Get(Week());
        Assert.Equal(
            ("eaten", true),
            (board["servings"]![0]!["state"]!.GetValue<string>(), board["servings"]![0]!["items"]![0]!["isEaten"]!.GetValue<bool>())
        );
        Assert.Single(await kitchen.Shelf());
        await kitchen.Cook.Must(HttpMethod.Post, "/api/undo", new { sequence = eaten.Sequence });
        Assert.Equal("planned", (await kitchen.Cook.Get(Week()))["servings"]![0]!["state"]!.GetValue<string>());
        Assert.Equal(2, (await kitchen.Shelf()).Count);
    }

    [Fact]
    public async Task What_is_frozen_last_week_stands_on_this_weeks_bench_and_is_placed_by_the_same_gesture()
    {
        var kitchen = await Cook(3, -7, -7);
        await kitchen.Portion(-7);
        var cooked = new DateTimeOffset(Start.AddDays(-7).ToDateTime(new(18, 0)), TimeSpan.Zero);
        var boxes = await kitchen.Shelf(-7);
        await kitchen.Cook.Must(HttpMethod.Post, kitchen.Events(boxes[0]), Said("Frozen", at: cooked));
        await kitchen.Cook.Must(HttpMethod.Post, kitchen.Events(boxes[1]), Said("Discarded", reason: "too salty", at: cooked));
        await kitchen.Cook.Must(HttpMethod.Post, kitchen.Events(boxes[2]), Said("Given", 0.5m, "to a neighbour", cooked));
        Assert.Equal(
            (1.5m, 1m, 1.5m),
            await kitchen.OnBench() is var bench
                ? (bench["loose"]!.GetValue<decimal>(), bench["looseFrozen"]!.GetValue<decimal>(), bench["gone"]!.GetValue<decimal>())
                : default
        );
        var board = await kitchen.Place(3);
        var item = board["servings"]![0]!["items"]![0]!;
        Assert.Equal(
            ("freezer", Day(2), Day(4)),
            (item["keptIn"]!.GetValue<string>(), item["thaw"]!.GetValue<string>(), item["eatBy"]!.GetValue<string>())
        );
        var shelf = await kitchen.Shelf();
        Assert.All(shelf, box => Assert.True(box["isEarlier"]!.GetValue<bool>()));
        // Neither shopped for nor cooked again.
        Assert.Equal(0, (await kitchen.Cook.Get($"{Week()}/shop"))["total"]!.GetValue<int>());
        Assert.Empty((await kitchen.Cook.Get($"{Week()}/sessions")).AsArray());
        Assert.Empty((await kitchen.Cook.Get($"{Week()}/portioning"))["sessions"]!.AsArray());
        // Once it is eaten and the rest is gone, the bench is empty again.
        await kitchen.Cook.Must(HttpMethod.Post, kitchen.Events(boxes[0]), Said("Eaten"));
        await kitchen.Cook.Must(HttpMethod.Post, kitchen.Events(boxes[2]), Said("Discarded"));
        Assert.Empty((await kitchen.Cook.Get(Week(7)))["batches"]!.AsArray());
    }

    [Fact]
    public async Task What_was_thrown_away_stands_on_the_shelf_with_its_reason_and_what_it_cost()
    {
        var kitchen = await Cook(3, -7, -7);
        await kitchen.Portion(-7);
        var cooked = new DateTimeOffset(Start.AddDays(-7).ToDateTime(new(18, 0)), TimeSpan.Zero);
        async Task<JsonNode> Page(int week) => await kitchen.Cook.Get($"{Week(week)}/shelf");
        Assert.Empty((await Page(-7))["wasted"]!.AsArray());
        var boxes = await kitchen.Shelf(-7);
        await kitchen.Cook.Must(HttpMethod.Post, kitchen.Events(boxes[0]), Said("Discarded", reason: "too much", at: cooked));
        await kitchen.Cook.Must(HttpMethod.Post, kitchen.Events(boxes[1]), Said("Discarded", 0.5m, "too much", cooked));
        await kitchen.Cook.Must(HttpMethod.Post, kitchen.Events(boxes[2]), Said("Given", at: cooked));
        var wasted = (await Page(-7))["wasted"]!.AsArray().Single()!;
        Assert.Equal(
            (1.5m, "too much", null),
            (wasted["portions"]!.GetValue<decimal>(), wasted["reason"]!.GetValue<string>(), wasted["cost"]?.GetValue<decimal>())
        );
        // Of other days nothing is said, and what has a price costs it.
        Assert.Empty((await Page(0))["wasted"]!.AsArray());
        await kitchen.Cook.Must(
            HttpMethod.Put,
            "/api/larder/prices",
            new
            {
                food = "swede",
                pack = "1 kg",
                price = 9m,
                shop = "",
            }
        );
        Assert.InRange((await Page(-7))["wasted"]![0]!["cost"]!.GetValue<decimal>(), 0.01m, 20m);
    }

    [Fact]
    public async Task A_loose_box_whose_time_is_over_says_so_whether_it_was_portioned_or_not()
    {
        var kitchen = await Cook(2, -7, -7);
        Assert.All(await kitchen.Shelf(-7), box => Assert.Equal("pastItsTime", box["keptIn"]!.GetValue<string>()));
        await kitchen.Portion(-7);
        Assert.All(await kitchen.Shelf(-7), box => Assert.Equal("pastItsTime", box["keptIn"]!.GetValue<string>()));
    }

    [Fact]
    public async Task What_a_fast_clock_says_stands_before_what_is_said_next()
    {
        var kitchen = await Cook(2, (int)DateTime.UtcNow.DayOfWeek);
        var box = (await kitchen.Shelf())[0]["id"]!.GetValue<Guid>();
        async Task Tell(object said) => await kitchen.Cook.Must(HttpMethod.Post, $"/api/batches/{kitchen.Batch}/boxes/{box}/events", said);
        await Tell(Said("frozen", at: DateTimeOffset.UtcNow.AddHours(23)));
        await Tell(Said("toFridge"));
        Assert.Equal("fridge", (await kitchen.Shelf()).Single(one => one["id"]!.GetValue<Guid>() == box)["keptIn"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_cannot_be_is_refused_and_a_stranger_sees_no_box()
    {
        // Cooked today: what was cooked on Sunday is past its time by Friday, and never frozen.
        var kitchen = await Cook(1, (int)DateTime.UtcNow.DayOfWeek);
        var box = (await kitchen.Shelf())[0];
        var stranger = await database.SignUp();
        await stranger.Refused(HttpStatusCode.Conflict, "batch-gone", HttpMethod.Post, kitchen.Events(box), Said("Eaten"));
        await kitchen.Cook.Refused(HttpStatusCode.UnprocessableEntity, "unknown-event", HttpMethod.Post, kitchen.Events(box), Said("Made"));
        await kitchen.Cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "time-out-of-range",
            HttpMethod.Post,
            kitchen.Events(box),
            Said("Eaten", at: DateTimeOffset.MinValue)
        );
        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "box-has-less", HttpMethod.Post, kitchen.Events(box), Said("Eaten", 1.5m));
        await kitchen.Cook.Must(HttpMethod.Post, kitchen.Events(box), Said("Frozen"));
        await kitchen.Cook.Must(HttpMethod.Post, kitchen.Events(box), Said("ToFridge"));
        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "never-refrozen", HttpMethod.Post, kitchen.Events(box), Said("Frozen"));
    }
}
