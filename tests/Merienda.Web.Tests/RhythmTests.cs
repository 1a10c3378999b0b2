using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

public class RhythmTests(TestDatabase database)
{
    private static object Meal(string? key, string name, string role = "bite", string at = "12:00:00") =>
        new
        {
            key,
            name,
            role,
            at,
        };

    private static object Day(string day, int eatenAfter = 1, string name = "prep", int cooks = 1) =>
        new
        {
            day,
            start = "14:00:00",
            cooks,
            name,
            eatenAfter,
        };

    private static readonly object[] Usual =
    [
        Meal("breakfast", "breakfast", "breakfast"),
        Meal("lunch", "lunch", "lunch"),
        Meal("bite", "afternoon bite"),
        Meal("supper", "supper", "supper"),
    ];

    private static object Rhythm(string firstDay = "sunday", object[]? meals = null, params object[] prepDays) =>
        new
        {
            firstDay,
            meals = meals ?? Usual,
            prepDays,
        };

    private static string[] Texts(JsonNode? list, string field) => [.. list!.AsArray().Select(one => one![field]!.GetValue<string>())];

    [Fact]
    public async Task A_new_household_begins_with_the_usual_days_and_says_what_is_different()
    {
        var cook = await database.SignUp();
        var rhythm = await cook.Get("/api/table/rhythm");
        Assert.Equal(["breakfast", "lunch", "afternoon bite", "supper"], Texts(rhythm["meals"], "name"));
        Assert.Equal(["wednesday", "saturday"], Texts(rhythm["prepDays"], "day"));

        await cook.Must(
            HttpMethod.Put,
            "/api/table/rhythm",
            Rhythm("monday", [.. Usual, Meal(null, "late bite", at: "22:00:00")], Day("sunday"), Day("tuesday"), Day("thursday"))
        );
        var board = await cook.Get("/api/weeks/2026-11-25");
        Assert.Equal("2026-11-23", board["start"]!.GetValue<string>());
        Assert.Equal("2026-11-29", board["days"]![6]!.GetValue<string>());
        Assert.Equal(["breakfast", "lunch", "afternoon bite", "supper", "late bite"], Texts(board["meals"], "name"));
        Assert.Equal(["2026-11-22", "2026-11-24", "2026-11-26"], Texts(board["sessions"], "date"));
        Assert.Equal(
            ["prep", "prep", "prep", "prep", "nothing"],
            board["eaters"]![0]!["meals"]!.AsArray().Select(meal => meal!["days"]![0]!.GetValue<string>())
        );

        var person = (await cook.Get("/api/account"))["person"]!;
        Assert.Equal("monday", person["firstDay"]!.GetValue<string>());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("2026-11-22", (await cook.Get("/api/weeks/2026-11-25"))["start"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_was_planned_stays_on_its_dates_when_the_week_begins_on_another_day()
    {
        var cook = await database.SignUp();
        var recipe = await cook.AddRecipe("Barley bowl");
        var board = await cook.Must(
            HttpMethod.Post,
            "/api/weeks/2027-03-07/batches",
            new
            {
                recipeId = recipe,
                cookedOn = "2027-03-06",
                portions = 4,
            }
        );
        var (batch, eater) = (board["batches"]![0]!["id"]!.GetValue<string>(), board["eaters"]![0]!["id"]!.GetValue<string>());
        foreach (var date in new[] { "2027-03-07", "2027-03-08" })
        {
            await cook.Must(
                HttpMethod.Post,
                $"/api/weeks/2027-03-07/batches/{batch}/place",
                new
                {
                    to = new
                    {
                        date,
                        meal = "supper",
                        eaterId = eater,
                    },
                }
            );
        }

        var key = (await cook.Get("/api/weeks/2027-03-07/shop"))["aisles"]![0]!["items"]![0]!["key"]!.GetValue<string>();
        await cook.Must(HttpMethod.Put, "/api/weeks/2027-03-07/shop/tick", new { key, isTicked = true });
        await cook.Must(HttpMethod.Put, "/api/table/rhythm", Rhythm("monday", null, Day("saturday", 2)));

        // Sunday lies in the week before now; the session is cooked for the one with most of its days.
        var (before, after) = (await cook.Get("/api/weeks/2027-03-01"), await cook.Get("/api/weeks/2027-03-08"));
        Assert.Equal(["2027-03-07"], before["servings"]!.AsArray().Select(one => one!["place"]!["date"]!.GetValue<string>()));
        Assert.Equal(["2027-03-08"], after["servings"]!.AsArray().Select(one => one!["place"]!["date"]!.GetValue<string>()));
        Assert.Equal([batch], Texts(after["batches"], "id"));
        Assert.Equal(["2027-03-06"], Texts(after["sessions"], "date"));
        Assert.Equal(["2027-03-06"], Texts(await cook.Get("/api/weeks/2027-03-08/sessions"), "date"));
        Assert.Empty((await cook.Get("/api/weeks/2027-03-01/sessions")).AsArray());
        // The list was ticked for the week that most of it lies in.
        await cook.Must(HttpMethod.Put, "/api/table/rhythm", Rhythm("saturday"));
        Assert.Equal("2027-03-06", (await cook.Get("/api/weeks/2027-03-07"))["start"]!.GetValue<string>());
        Assert.Equal(1, (await cook.Get("/api/weeks/2027-03-07/shop"))["ticked"]!.GetValue<int>());
    }

    [Fact]
    public async Task A_meal_with_something_planned_stays_and_an_empty_one_goes_with_its_share()
    {
        var cook = await database.SignUp();
        var board = await cook.Get("/api/weeks/2027-03-07");
        var eater = board["eaters"]![0]!["id"]!.GetValue<string>();
        await cook.Must(
            HttpMethod.Post,
            "/api/weeks/2027-03-07/ready",
            new
            {
                to = new
                {
                    date = "2027-03-09",
                    meal = "bite",
                    eaterId = eater,
                },
                line = "1 banana",
            }
        );
        object[] without = [Usual[0], Usual[1], Usual[3]];
        await cook.Refused(HttpStatusCode.UnprocessableEntity, "meal-in-use", HttpMethod.Put, "/api/table/rhythm", Rhythm(meals: without));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        await cook.Must(HttpMethod.Put, "/api/table/rhythm", Rhythm(meals: without));
        var meals = (await cook.Get("/api/table"))["eaters"]![0]!["meals"]!.AsArray();
        Assert.Equal([0.29m, 0.36m, 0.35m], meals.Select(meal => meal!["dayShare"]!.GetValue<decimal>()));
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-meal",
            HttpMethod.Post,
            "/api/weeks/2027-03-07/ready",
            new
            {
                to = new
                {
                    date = "2027-03-09",
                    meal = "bite",
                    eaterId = eater,
                },
                line = "1 banana",
            }
        );
    }

    [Fact]
    public async Task A_day_that_a_week_has_left_free_can_be_had_by_another_and_what_is_taken_back_comes_back()
    {
        var cook = await database.SignUp();
        var recipe = await cook.AddRecipe("Barley bowl");
        var batch = Texts((await cook.MakeBatch("/api/weeks/2027-03-07", recipe, "2027-03-11"))["batches"], "id")[0];
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "session-of-other-week",
            HttpMethod.Post,
            "/api/weeks/2027-03-14/batches",
            Visitor.Batch(recipe, "2027-03-11")
        );
        await cook.Must(HttpMethod.Delete, $"/api/weeks/2027-03-07/batches/{batch}");
        await cook.MakeBatch("/api/weeks/2027-03-14", recipe, "2027-03-11");
        Assert.Equal(["2027-03-11"], Texts(await cook.Get("/api/weeks/2027-03-14/sessions"), "date"));

        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(["2027-03-11"], Texts(await cook.Get("/api/weeks/2027-03-07/sessions"), "date"));
        Assert.Equal([batch], Texts((await cook.Get("/api/weeks/2027-03-07"))["batches"], "id"));
        Assert.Empty((await cook.Get("/api/weeks/2027-03-14/sessions")).AsArray());
    }

    [Fact]
    public async Task What_would_be_past_its_time_is_cooked_in_the_later_session_in_one_step_and_back()
    {
        var cook = await database.SignUp();
        var draft = System.Text.Json.JsonSerializer.SerializeToNode(Visitor.Draft("Egg salad", 4, ["8 eggs", "200 g celery"]))!;
        draft["keeping"] = "dressed-salad";
        var recipe = (await cook.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>();
        var made = await cook.MakeBatch("/api/weeks/2027-03-07", recipe, "2027-03-06");
        var (batch, eater) = (Texts(made["batches"], "id")[0], Texts(made["eaters"], "id")[0]);
        JsonNode board = made;
        foreach (var date in new[] { "2027-03-07", "2027-03-12" })
        {
            board = await cook.Must(
                HttpMethod.Post,
                $"/api/weeks/2027-03-07/batches/{batch}/place",
                new
                {
                    to = new
                    {
                        date,
                        meal = "supper",
                        eaterId = eater,
                    },
                }
            );
        }

        Assert.Equal("2027-03-10", board["batches"]![0]!["later"]!.GetValue<string>());
        var later = await cook.Must(HttpMethod.Post, $"/api/weeks/2027-03-07/batches/{batch}/later");
        Assert.Equal(["2027-03-06", "2027-03-10"], Texts(later["batches"], "cookedOn"));
        Assert.Equal([3m, 1m], later["batches"]!.AsArray().Select(one => one!["portions"]!.GetValue<decimal>()));
        Assert.DoesNotContain("pastItsTime", later["servings"]!.ToJsonString(), StringComparison.Ordinal);
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        var back = await cook.Get("/api/weeks/2027-03-07");
        Assert.Equal(board["batches"]!.ToJsonString(), back["batches"]!.ToJsonString());
        Assert.Equal(board["servings"]!.ToJsonString(), back["servings"]!.ToJsonString());
        await cook.Refused(
            HttpStatusCode.Conflict,
            "no-later-session",
            HttpMethod.Post,
            $"/api/weeks/2027-03-07/batches/{Texts((await cook.MakeBatch("/api/weeks/2027-03-07", recipe, "2027-03-10"))["batches"], "id")[1]}/later"
        );
    }

    [Fact]
    public async Task A_session_is_moved_with_its_batches_and_a_batch_to_a_day_of_its_own()
    {
        var cook = await database.SignUp();
        var recipe = await cook.AddRecipe("Barley bowl");
        await cook.MakeBatch("/api/weeks/2027-03-07", recipe, "2027-03-06");
        var board = await cook.MakeBatch("/api/weeks/2027-03-07", recipe, "2027-03-06");

        var second = Texts(board["batches"], "id")[1];
        await cook.Must(
            HttpMethod.Put,
            "/api/weeks/2027-03-07/sessions/2027-03-06",
            new
            {
                date = "2027-03-07",
                start = "09:30:00",
                cooks = 2,
                name = "Sunday instead",
            }
        );
        await cook.Must(HttpMethod.Put, $"/api/weeks/2027-03-07/batches/{second}/session", new { date = "2027-03-11" });
        var sessions = (await cook.Get("/api/weeks/2027-03-07/sessions")).AsArray();
        Assert.Equal(["2027-03-07", "2027-03-11"], Texts(sessions, "date"));
        Assert.Equal(
            ("09:30:00", 2, "Sunday instead", "planned"),
            (
                sessions[0]!["begins"]!.GetValue<string>(),
                sessions[0]!["cooks"]!.GetValue<int>(),
                sessions[0]!["name"]!.GetValue<string>(),
                sessions[0]!["state"]!.GetValue<string>()
            )
        );
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(["2027-03-06"], Texts(await cook.Get("/api/weeks/2027-03-07/sessions"), "date"));
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "session-out-of-week",
            HttpMethod.Put,
            $"/api/weeks/2027-03-07/batches/{second}/session",
            new { date = "2027-03-14" }
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "no-session",
            HttpMethod.Put,
            "/api/weeks/2027-03-07/sessions/2027-03-10",
            new
            {
                date = "2027-03-10",
                start = "09:30:00",
                cooks = 2,
                name = "x",
            }
        );
    }
}
