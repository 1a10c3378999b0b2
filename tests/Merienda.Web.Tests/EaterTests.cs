using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.FollowedProtocols;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>Who sits at the table: what stops a portion for them, what they need, how they leave and come back.</summary>
public class EaterTests(TestDatabase database)
{
    [Fact]
    public async Task An_allergy_refuses_a_portion_until_an_adult_accepts_the_food_by_name()
    {
        var cook = await database.SignUp();
        var eater = await Follow(cook);
        var path = $"/api/table/eaters/{eater}";
        await cook.Must(
            HttpMethod.Put,
            $"{path}/personal",
            new
            {
                allergies = new[] { "fish" },
                dislikes = Array.Empty<string>(),
                portionHabit = 1.5,
            }
        );
        async Task<(HttpStatusCode, JsonNode?)> Place(string name, string line)
        {
            var board = await cook.MakeBatch(Week, await cook.AddRecipe(name, 4, line), Day(0), 4);
            return await cook.Send(
                HttpMethod.Post,
                $"{Week}/batches/{board["batches"]!.AsArray().Last()!["id"]}/place",
                FirstBatch.Place(eater, 0)
            );
        }

        var (status, answer) = await Place("Cod", "400 g cod");
        Assert.Equal((HttpStatusCode.Conflict, "allergy"), (status, answer!["code"]!.GetValue<string>()));
        Assert.Equal(HttpStatusCode.Conflict, (await Place("Unread", "400 g moonfish")).Item1);
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "adult-only",
            HttpMethod.Post,
            $"{path}/accepted",
            Visitor.Acceptance("moonfish", "It is a plant", isAdult: false)
        );
        await cook.Must(
            HttpMethod.Post,
            $"{path}/accepted",
            Visitor.Acceptance("moonfish", "It is a plant, says the packet", isAdult: true)
        );
        var (accepted, board) = await Place("Accepted", "400 g moonfish");
        Assert.Equal(HttpStatusCode.OK, accepted);
        // What the eater usually takes is what is placed.
        Assert.Contains(
            board!["servings"]!.AsArray().SelectMany(serving => serving!["items"]!.AsArray()),
            item => item!["portions"]!.GetValue<decimal>() == 1.5m
        );
        await cook.Must(HttpMethod.Post, $"{path}/accepted/withdraw", new { what = "moonfish" });
        Assert.Equal(HttpStatusCode.Conflict, (await Place("Withdrawn", "400 g moonfish")).Item1);
    }

    [Fact]
    public async Task Who_leaves_the_table_comes_back_whole_and_nobody_leaves_with_portions_in_their_days()
    {
        var cook = await database.SignUp();
        var eater = await Follow(cook, "low-carb");
        await State(cook, eater, "low-carb", "net-carbs", 25);
        var board = await cook.MakeBatch(Week, await cook.AddRecipe(), Day(0), 2);
        var path = $"{Week}/batches/{board["batches"]![0]!["id"]}";
        await cook.Must(HttpMethod.Post, $"{path}/place", FirstBatch.Place(eater, 0));
        await cook.Refused(HttpStatusCode.Conflict, "portions-in-their-days", HttpMethod.Delete, $"/api/table/eaters/{eater}");
        await cook.Must(HttpMethod.Delete, path);
        await cook.Must(HttpMethod.Delete, $"/api/table/eaters/{eater}");
        Assert.Empty((await cook.Get("/api/table"))["eaters"]!.AsArray());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Contains("at most 25 g a day", (await cook.Get("/api/table")).ToJsonString(), StringComparison.Ordinal);
        await cook.Must(HttpMethod.Post, "/api/table/eaters", new { name = "Guest" });
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Single((await cook.Get("/api/table"))["eaters"]!.AsArray());
    }

    [Fact]
    public async Task Energy_need_and_exchange_answer_in_numbers()
    {
        var cook = await database.SignUp();
        var need = await cook.Must(
            HttpMethod.Post,
            "/api/table/energy-need",
            new
            {
                sex = "man",
                kilograms = 70,
                centimetres = 175,
                years = 30,
                activity = 1.2,
                deficitPercent = 0,
            }
        );
        Assert.Equal((1648.75m, 1980m), (need["resting"]!.GetValue<decimal>(), need["target"]!.GetValue<decimal>()));
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "need-out-of-range",
            HttpMethod.Post,
            "/api/table/energy-need",
            new
            {
                sex = "man",
                kilograms = 70,
                centimetres = 175,
                years = 30,
                activity = 1.2,
                deficitPercent = 30,
            }
        );
        var exchange = await cook.Get("/api/table/exchange?from=egg&grams=100&to=black-beans&equal=protein");
        Assert.True(exchange["grams"]!.GetValue<decimal>() > 100);
        Assert.True(
            exchange["differences"]![0]!["difference"]!.GetValue<decimal>() > 0,
            "beans of equal protein bring more energy than eggs"
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "no-exchange",
            HttpMethod.Get,
            "/api/table/exchange?from=egg&grams=100&to=olive-oil&equal=protein"
        );
    }

    [Fact]
    public async Task The_decimal_mark_of_the_household_is_written_in_sentences()
    {
        var cook = await database.SignUp();
        var eater = await Follow(cook, "low-carb");
        await State(cook, eater, "low-carb", "net-carbs", 22.5m);
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/table");
        request.Headers.Add("X-Number-Format", "comma");
        using var answer = await cook.Client.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Contains(
            "at most 22,5 g a day",
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal
        );
        Assert.Contains("at most 22.5 g a day", (await cook.Get("/api/table")).ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_second_eater_takes_over_what_the_first_one_stated()
    {
        var cook = await database.SignUp();
        var first = await Follow(cook, "low-carb");
        await State(cook, first, "low-carb", "net-carbs", 25);
        await cook.Must(HttpMethod.Post, "/api/table/eaters", new { name = "Dov", isGuest = false });
        async Task<JsonNode> Dov() =>
            (await cook.Get("/api/table"))["eaters"]!.AsArray().Single(eater => eater!["name"]!.GetValue<string>() == "Dov")!;
        var second = (await Dov())["id"]!.GetValue<Guid>();
        Task Refused(HttpStatusCode status, string code, Guid from) =>
            cook.Refused(status, code, HttpMethod.Post, $"/api/table/eaters/{second}/allowances/as", new { from });
        await Refused(HttpStatusCode.Conflict, "nothing-stated", first);
        await Refused(HttpStatusCode.NotFound, "eater-gone", Guid.NewGuid());

        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{second}/protocols", new { protocols = new[] { "low-carb" } });
        await cook.Must(HttpMethod.Post, $"/api/table/eaters/{second}/allowances/as", new { from = first });
        async Task<decimal?> Carbs() =>
            (decimal?)(await Dov())["rules"]!.AsArray().Single(rule => rule!["rule"]!.GetValue<string>() == "net-carbs")!["atMost"];
        Assert.Equal(25, await Carbs());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Null(await Carbs());
    }
}
