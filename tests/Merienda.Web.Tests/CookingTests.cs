using System.Globalization;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A session while it is cooked: what is put, what runs and what is done stays, and the rest moves round it.</summary>
public class CookingTests(TestDatabase database)
{
    private static Task<JsonNode> Say(Visitor cook, JsonNode task, bool isTicked, object? more = null) =>
        cook.Must(HttpMethod.Put, $"{Week}/sessions/tick", Body(task, isTicked, more));

    private static JsonObject Body(JsonNode task, bool isTicked, object? more)
    {
        var body = new JsonObject
        {
            ["batchId"] = task["batchId"]!.DeepClone(),
            ["taskId"] = task["taskId"]!.DeepClone(),
            ["isTicked"] = isTicked,
        };
        foreach (var (name, value) in System.Text.Json.JsonSerializer.SerializeToNode(more ?? new { })!.AsObject())
        {
            body[name] = value?.DeepClone();
        }

        return body;
    }

    private static async Task<JsonNode> Session(Visitor cook) => (await cook.Get($"{Week}/sessions")).AsArray().Single()!;

    private static JsonNode Of(JsonNode session, string dish) =>
        session["tasks"]!.AsArray().First(task => task!["dish"]!.GetValue<string>().StartsWith(dish, StringComparison.Ordinal))!;

    private static int Start(JsonNode task) => task["start"]!.GetValue<int>();

    private async Task<Visitor> BeansAndPeas()
    {
        var cook = await database.SignUp();
        foreach (var name in new[] { "Beans", "Peas" })
        {
            await cook.MakeBatch(Week, await cook.AddRecipe(name), Day(0));
        }

        return cook;
    }

    [Fact]
    public async Task A_step_stays_where_it_was_put_and_the_others_move_round_it()
    {
        var cook = await BeansAndPeas();
        await Say(cook, Of(await Session(cook), "Beans"), false, new { put = 3 });
        var moved = await Session(cook);
        Assert.Equal((3, 8), (Start(Of(moved, "Beans")), Start(Of(moved, "Peas"))));
        Assert.Equal((3, 33), (Of(moved, "Beans")["put"]!.GetValue<int>(), moved["minutes"]!.GetValue<int>()));
        // Both at one minute is more than two hands can do: it is said, and there is an order all the same.
        await Say(cook, Of(moved, "Peas"), false, new { put = 4 });
        var stuck = await Session(cook);
        Assert.StartsWith(
            "No order was found in which every step begins where it was put",
            stuck["putProblem"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        Assert.Equal(30, stuck["minutes"]!.GetValue<int>());
        await Say(cook, Of(stuck, "Peas"), false);
        await Say(cook, Of(stuck, "Beans"), false);
        Assert.Equal(
            (30, ""),
            ((await Session(cook))["minutes"]!.GetValue<int>(), (await Session(cook))["putProblem"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task What_runs_and_what_is_done_is_where_it_really_was()
    {
        var cook = await BeansAndPeas();
        var planned = await Session(cook);
        var begins = planned["beginsAt"]!.GetValue<DateTimeOffset>();
        var (first, second) = (planned["tasks"]![0]!, planned["tasks"]![1]!);
        // Ten minutes late into the pot, and five minutes more in it than planned.
        await Say(cook, first, false, new { handsOffAt = begins.AddMinutes(15), untilAt = begins.AddMinutes(40) });
        var running = await Session(cook);
        var there = Of(running, first["dish"]!.GetValue<string>());
        Assert.Equal((15, 40), (there["handsOnEnd"]!.GetValue<int>(), there["end"]!.GetValue<int>()));
        Assert.Equal(15, Start(Of(running, second["dish"]!.GetValue<string>())));
        Assert.Equal(begins.AddMinutes(40), there["untilAt"]!.GetValue<DateTimeOffset>());
        await Say(cook, second, false, new { handsOffAt = begins.AddMinutes(22), untilAt = begins.AddMinutes(42) });
        await Say(
            cook,
            first,
            true,
            new
            {
                handsOffAt = begins.AddMinutes(15),
                untilAt = begins.AddMinutes(40),
                doneAt = begins.AddMinutes(41),
            }
        );
        await Say(
            cook,
            second,
            true,
            new
            {
                handsOffAt = begins.AddMinutes(22),
                untilAt = begins.AddMinutes(42),
                doneAt = begins.AddMinutes(45),
            }
        );
        var over = await Session(cook);
        // From the press before it: nothing was pressed before the first one.
        Assert.Null(Of(over, first["dish"]!.GetValue<string>())["measured"]);
        Assert.Equal(30, Of(over, second["dish"]!.GetValue<string>())["measured"]!.GetValue<int>());
        Assert.Equal(45, over["minutes"]!.GetValue<int>());
        // A pot that was heated is cold in two hours.
        Assert.Equal(
            [begins.AddMinutes(161), begins.AddMinutes(165)],
            over["cooling"]!.AsArray().Select(one => one!["by"]!.GetValue<DateTimeOffset>()).Order()
        );
    }

    [Fact]
    public async Task A_tick_of_another_day_moves_nothing()
    {
        var cook = await BeansAndPeas();
        var planned = await Session(cook);
        var begins = planned["beginsAt"]!.GetValue<DateTimeOffset>();
        await Say(cook, planned["tasks"]![0]!, true, new { doneAt = begins.AddDays(1) });
        Assert.Equal(planned["minutes"]!.GetValue<int>(), (await Session(cook))["minutes"]!.GetValue<int>());
    }

    [Fact]
    public async Task What_cannot_be_is_refused()
    {
        var cook = await BeansAndPeas();
        var task = (await Session(cook))["tasks"]![0]!;
        var at = DateTimeOffset.Parse("2026-11-28T12:00:00Z", CultureInfo.InvariantCulture);
        foreach (
            var (more, code) in new (object, string)[]
            {
                (new { put = -1 }, "put-out-of-range"),
                (new { put = 2881 }, "put-out-of-range"),
                (new { handsOffAt = at }, "run-out-of-order"),
                (new { handsOffAt = at, untilAt = at.AddMinutes(-1) }, "run-out-of-order"),
                (new { taskId = "" }, "unknown-task"),
                (new { taskId = new string('x', 121) }, "unknown-task"),
            }
        )
        {
            await cook.Refused(
                System.Net.HttpStatusCode.UnprocessableEntity,
                code,
                HttpMethod.Put,
                $"{Week}/sessions/tick",
                Body(task, false, more)
            );
        }
    }

    [Fact]
    public async Task What_would_shorten_a_session_is_tried_when_somebody_asks()
    {
        var cook = await BeansAndPeas();
        // Five minutes by hand each and twenty alone: two cooks begin both at once.
        var ways = (await cook.Get($"{Week}/sessions/{Day(0)}/shorter")).AsArray();
        Assert.Equal([("One more cook", 5)], ways.Select(way => (way!["says"]!.GetValue<string>(), way["minutes"]!.GetValue<int>())));
        Assert.Empty((await cook.Get($"{Week}/sessions/{Day(1)}/shorter")).AsArray());
    }
}
