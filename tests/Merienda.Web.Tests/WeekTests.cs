using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.BeanKitchen;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

public class WeekTests(TestDatabase database)
{
    [Fact]
    public async Task A_batch_is_made_placed_moved_resized_and_taken_back_and_the_ledger_follows()
    {
        var kitchen = await database.MoveInWithBeans("100 g sugar");
        await kitchen.Cook.Must(HttpMethod.Put, $"/api/table/eaters/{kitchen.Eater}/protocols", new { protocols = new[] { "low-carb" } });
        await kitchen.Cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{kitchen.Eater}/allowance",
            new
            {
                protocol = "low-carb",
                rule = "net-carbs",
                atLeast = (decimal?)null,
                atMost = 30,
                clinicalTeam = false,
            }
        );
        var batch = await kitchen.Make();
        Assert.Equal("A", batch["letter"]!.GetValue<string>());
        var board = await kitchen.Put(batch, 1);
        decimal Used(JsonNode page, int day) =>
            page["ledger"]!.AsArray().Single(one => one!["date"]!.GetValue<string>() == Day(day))!["tightest"]!["value"]![
                "best"
            ]!.GetValue<decimal>();
        Assert.Equal(25, Used(board, 1));
        board = await kitchen.Cook.Must(
            HttpMethod.Put,
            $"{Week}/items/{Id(Placed(board))}/size",
            new { from = Portions(1), to = Portions(1.5m) }
        );
        Assert.Equal(37.5m, Used(board, 1));
        var broken = board["troubles"]!.AsArray().Single(trouble => trouble!["kind"]!.GetValue<string>() == "breaks")!;
        Assert.Equal(
            (kitchen.Eater, Day(1)),
            (broken["eaterId"]!.GetValue<Guid>(), broken["days"]!.AsArray().Single()!.GetValue<string>())
        );
        board = await kitchen.Cook.Must(
            HttpMethod.Post,
            $"{Week}/items/{Id(Placed(board))}/move",
            new { from = kitchen.Place(1), to = kitchen.Place(2) }
        );
        Assert.Equal((0, 37.5m), (Used(board, 1), Used(board, 2)));
        board = await kitchen.Cook.Must(
            HttpMethod.Post,
            $"{Week}/items/{Id(Placed(board))}/move",
            new { from = kitchen.Place(2), to = (object?)null }
        );
        Assert.Equal(4, board["batches"]![0]!["loose"]!.GetValue<decimal>());
        // Open meals are missed from today on.
        var left = 7 - (int)DateTime.UtcNow.DayOfWeek;
        Assert.Equal(4 * left, board.OpenMeals());
    }

    [Fact]
    public async Task What_the_days_are_shown_with_is_the_eater_s_limited_or_not_and_taken_back_by_undo()
    {
        var kitchen = await database.MoveInWithBeans("200 g white sugar");
        await kitchen.Put(await kitchen.Make(), 1);
        await kitchen.Cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{kitchen.Eater}/pinned",
            new { measures = new[] { "energy", "netCarbohydrate" } }
        );
        var board = await kitchen.Cook.Get(Week);
        var pinned = board["ledger"]!.AsArray().Single(one => one!["date"]!.GetValue<string>() == Day(1))!["pinned"]!.AsArray();
        Assert.Equal(["Energy", "Net carbs"], pinned.Select(one => one!["title"]!.GetValue<string>()));
        Assert.Null(pinned[0]!["atMost"]);
        Assert.Equal(["energy", "netCarbohydrate"], board["eaters"]![0]!["pinned"]!.AsArray().Select(one => one!.GetValue<string>()));
        await kitchen.Cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Empty((await kitchen.Cook.Get(Week))["eaters"]![0]!["pinned"]!.AsArray());
    }

    [Fact]
    public async Task A_line_that_nobody_knows_is_a_trouble_at_once_and_a_floor_only_when_no_meal_is_open()
    {
        var kitchen = await database.MoveInWithBeans("100 g moonfruit", "100 g cod");
        await kitchen.Cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{kitchen.Eater}/protocols",
            new { protocols = new[] { "calories-macros" } }
        );
        foreach (
            var (rule, least, most) in new (string, decimal?, decimal?)[]
            {
                ("energy", null, 2000),
                ("protein", 90, null),
                ("fat", null, 70),
                ("carbohydrate", null, 200),
            }
        )
        {
            await kitchen.Cook.Must(
                HttpMethod.Put,
                $"/api/table/eaters/{kitchen.Eater}/allowance",
                new
                {
                    protocol = "calories-macros",
                    rule,
                    atLeast = least,
                    atMost = most,
                    clinicalTeam = false,
                }
            );
        }

        var board = await kitchen.Put(await kitchen.Make(), 1);
        var untold = board["troubles"]!
            .AsArray()
            .Where(trouble => trouble!["kind"]!.GetValue<string>() == "cannotTell")
            .Select(trouble => trouble!["text"]!.GetValue<string>())
            .ToList();
        Assert.Contains(
            untold,
            text => text.Contains("Energy", StringComparison.Ordinal) && text.Contains("100 g moonfruit", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(untold, text => text.Contains("still open", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Many_at_once_never_place_more_than_was_cooked()
    {
        var kitchen = await database.MoveInWithBeans();
        var batch = await kitchen.Make(5);
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 12)
                .Select(at =>
                    kitchen.Cook.Send(
                        HttpMethod.Post,
                        $"{Week}/batches/{Id(batch)}/place",
                        new { to = kitchen.Place(at % 6, at < 6 ? "lunch" : "supper") }
                    )
                )
        );
        Assert.Equal(5, answers.Count(answer => answer.Status == HttpStatusCode.OK));
        Assert.Equal(7, answers.Count(answer => answer.Status == HttpStatusCode.Conflict));
        Assert.Equal(0, (await kitchen.Cook.Get(Week))["batches"]![0]!["loose"]!.GetValue<decimal>());
    }

    [Fact]
    public async Task Bad_places_batches_and_sessions_are_refused_with_a_cure()
    {
        var kitchen = await database.MoveInWithBeans();
        var batch = await kitchen.Make();
        var cook = kitchen.Cook;
        await cook.Refused(
            HttpStatusCode.Conflict,
            "batch-gone",
            HttpMethod.Post,
            $"{Week}/batches/{Guid.NewGuid()}/place",
            new { to = kitchen.Place(1) }
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "out-of-week",
            HttpMethod.Post,
            $"{Week}/batches/{Id(batch)}/place",
            new { to = kitchen.Place(-3) }
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-meal",
            HttpMethod.Post,
            $"{Week}/batches/{Id(batch)}/place",
            new { to = kitchen.Place(1, "elevenses") }
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "portions-out-of-range",
            HttpMethod.Post,
            $"{Week}/batches",
            new
            {
                recipeId = kitchen.Recipe,
                cookedOn = Day(-1),
                portions = 0,
            }
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "session-out-of-week",
            HttpMethod.Post,
            $"{Week}/batches",
            new
            {
                recipeId = kitchen.Recipe,
                cookedOn = Day(20),
                portions = 2,
            }
        );
        await cook.Refused(
            HttpStatusCode.NotFound,
            "recipe-gone",
            HttpMethod.Post,
            $"{Week}/batches",
            new
            {
                recipeId = Guid.NewGuid(),
                cookedOn = Day(-1),
                portions = 2,
            }
        );
        await cook.Refused(
            HttpStatusCode.NotFound,
            "eater-gone",
            HttpMethod.Post,
            $"{Week}/batches/{Id(batch)}/place",
            new
            {
                to = new
                {
                    date = Day(1),
                    meal = "supper",
                    eaterId = Guid.NewGuid(),
                },
            }
        );
        Assert.Equal(4, (await cook.Get(Week))["batches"]![0]!["loose"]!.GetValue<decimal>());
    }

    [Theory]
    [InlineData(-7, -7)]
    [InlineData(0, 0)]
    [InlineData(3, 0)]
    [InlineData(6, 0)]
    [InlineData(7, 7)]
    public async Task Any_date_names_its_week(int asked, int start)
    {
        var cook = await database.SignUp();
        Assert.Equal(Day(start), (await cook.Get($"/api/weeks/{Day(asked)}"))["start"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_date_that_is_none_is_refused_in_words()
    {
        var cook = await database.SignUp();
        var (status, answer) = await cook.Send(HttpMethod.Get, "/api/weeks/yesterday");
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Contains("yesterday", answer!["title"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Contains("2026-11-28", answer["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_server_says_that_it_lives_and_is_ready()
    {
        var visitor = database.Visit();
        Assert.Equal(
            HttpStatusCode.OK,
            (await visitor.Client.GetAsync(new Uri("/health/live", UriKind.Relative), TestContext.Current.CancellationToken)).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (await visitor.Client.GetAsync(new Uri("/health/ready", UriKind.Relative), TestContext.Current.CancellationToken)).StatusCode
        );
    }

    [Fact]
    public async Task Shop_session_and_shelf_follow_from_the_batches_and_ticks_stay()
    {
        var kitchen = await database.MoveInWithBeans("400 g tin white beans, drained", "300 g carrots", "2 firkins of moonfruit");
        var batch = await kitchen.Make(8);
        await kitchen.Put(batch, 5);
        var shop = await kitchen.Cook.Get($"{Week}/shop");
        Assert.Contains("600 g", shop.ToJsonString());
        Assert.Contains("2 firkins of moonfruit", shop.ToJsonString());
        await kitchen.Cook.Must(HttpMethod.Put, $"{Week}/shop/tick", new { key = "carrot", isTicked = true });
        await kitchen.Cook.Must(HttpMethod.Put, $"{Week}/shop/tick", new { key = "carrot", isTicked = true });
        Assert.Equal(1, (await kitchen.Cook.Get($"{Week}/shop"))["ticked"]!.GetValue<int>());
        await kitchen.Cook.Must(
            HttpMethod.Put,
            $"{Week}/sessions/tick",
            new
            {
                batchId = Id(batch),
                taskId = "1",
                isTicked = true,
            }
        );
        Assert.True((await kitchen.Cook.Get($"{Week}/sessions"))[0]!["tasks"]![0]!["isTicked"]!.GetValue<bool>());
        var boxes = (await kitchen.Cook.Get($"{Week}/shelf"))["boxes"]!.AsArray();
        Assert.Equal(8, boxes.Count);
        var frozen = boxes.Single(box => box!["keptIn"]!.GetValue<string>() == "freezer")!;
        Assert.Equal(Day(4), frozen["thaw"]!.GetValue<string>());
        Assert.True(frozen["hasUnknown"]!.GetValue<bool>());
        // Whether its time is over depends on the day the test runs.
        Assert.Equal(Day(3), boxes.First(box => box!["keptIn"]!.GetValue<string>() != "freezer")!["eatBy"]!.GetValue<string>());
    }

    [Fact]
    public async Task The_demo_week_has_one_break_on_purpose_and_three_meals_that_nothing_covers()
    {
        var visitor = database.Visit();
        var person = (await visitor.Get("/api/account"))["demoPeople"]!
            .AsArray()
            .Single(one => one!["name"]!.GetValue<string>() == "Teun Brandt")!;
        await visitor.Must(HttpMethod.Post, "/api/account/demo", new { id = person["id"]!.GetValue<Guid>() });
        await visitor.Refresh();
        var troubles = (await visitor.Get(Week))["troubles"]!.AsArray().Select(trouble => trouble!["kind"]!.GetValue<string>()).ToList();
        Assert.Equal("breaks", Assert.Single(troubles, kind => kind != "open"));
        // Of the three, those of days that are over are missed no more.
        var board = await visitor.Get(Week);
        Assert.InRange(board.OpenMeals(), 0, 3);
        var filled = board["servings"]!.AsArray().Where(serving => serving!["items"]!.AsArray().Count > 0).ToList();
        var eaters = board["eaters"]!.AsArray().Count;
        Assert.Equal((eaters * 4 * 7) - 3, filled.Count);
        Assert.InRange((await visitor.Get("/api/recipes")).AsArray().Count, 48, 200);
    }
}
