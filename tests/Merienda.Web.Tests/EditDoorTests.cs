using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using Merienda.Core.Planning;
using Merienda.Storage;
using Microsoft.Extensions.DependencyInjection;

namespace Merienda.Web.Tests;

/// <summary>The one way to write: done once, after each other, all or nothing, and taken back by its own sequence.</summary>
public class EditDoorTests(TestDatabase database)
{
    private static readonly DateOnly Start = DateOnly.FromDateTime(DateTime.UtcNow) is var today
        ? today.AddDays(-(int)today.DayOfWeek)
        : default;

    private static string Day(int offset) => Start.AddDays(offset).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static string Week => $"/api/weeks/{Day(0)}";

    private static object Place(JsonNode board, int day, string meal = "supper") =>
        new
        {
            to = new
            {
                date = Day(day),
                meal,
                eaterId = board["eaters"]![0]!["id"]!.GetValue<Guid>(),
            },
        };

    private static async Task<(JsonNode Board, string Batch)> Make(Visitor cook, decimal portions = 4)
    {
        var recipe = await cook.AddRecipe();
        var board = await cook.Must(
            HttpMethod.Post,
            $"{Week}/batches",
            new
            {
                recipeId = recipe,
                cookedOn = Day(-1),
                portions,
            }
        );
        return (board, board["batches"]![0]!["id"]!.GetValue<string>());
    }

    [Fact]
    public async Task An_edit_that_is_sent_twice_is_done_once_and_answers_the_same()
    {
        var cook = await database.SignUp();
        var (board, batch) = await Make(cook);
        var id = Guid.NewGuid();
        var first = await cook.Edit(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 1), id);
        var again = await cook.Edit(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 1), id);
        Assert.Equal((HttpStatusCode.OK, HttpStatusCode.OK), (first.Status, again.Status));
        Assert.NotNull(first.Sequence);
        Assert.Equal(first.Sequence, again.Sequence);
        Assert.Equal(1, again.Body!["batches"]![0]!["placed"]!.GetValue<decimal>());
        // The page speaks of it by this id before the answer is there.
        Assert.Equal(id, again.Body["servings"]![0]!["items"]![0]!["id"]!.GetValue<Guid>());
    }

    [Fact]
    public async Task A_saved_recipe_and_stock_that_are_sent_twice_at_once_are_there_once()
    {
        var cook = await database.SignUp();
        var (recipe, stock) = (Guid.NewGuid(), Guid.NewGuid());
        var draft = Visitor.Draft("Once", 4, ["400 g rice"]);
        var line = new
        {
            line = "6 eggs",
            food = (string?)null,
            place = "fridge",
            madeOn = (string?)null,
            bestBefore = (string?)null,
        };
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 6)
                .Select(at =>
                    at % 2 == 0
                        ? cook.Edit(HttpMethod.Post, "/api/recipes", draft, recipe)
                        : cook.Edit(HttpMethod.Post, "/api/larder/stock", line, stock)
                )
        );
        Assert.All(answers, answer => Assert.Equal(HttpStatusCode.OK, answer.Status));
        Assert.Single((await cook.Get("/api/recipes")).AsArray());
        Assert.Single((await cook.Get("/api/larder/stock"))["items"]!.AsArray());
    }

    [Fact]
    public async Task An_id_that_another_kind_of_edit_was_done_under_is_refused()
    {
        var cook = await database.SignUp();
        var id = Guid.NewGuid();
        await cook.Edit(HttpMethod.Post, "/api/recipes", Visitor.Draft("Beans", 4, ["400 g rice"]), id);
        var other = await cook.Edit(HttpMethod.Post, "/api/table/eaters", new { name = "Ilse" }, id);
        Assert.Equal((HttpStatusCode.Conflict, "edit-id-used"), (other.Status, other.Body!["code"]!.GetValue<string>()));
    }

    [Fact]
    public async Task Of_two_who_save_the_same_version_of_a_recipe_one_is_refused()
    {
        var cook = await database.SignUp();
        var recipe = await cook.AddRecipe();
        for (var version = 1; version <= 20; version++)
        {
            var answers = await Task.WhenAll(
                Enumerable
                    .Range(0, 2)
                    .Select(at =>
                        cook.Send(
                            HttpMethod.Put,
                            $"/api/recipes/{recipe}",
                            Visitor.Draft($"Beans {version} {at}", 4, ["400 g rice"], version)
                        )
                    )
            );
            Assert.Equal([HttpStatusCode.OK, HttpStatusCode.Conflict], answers.Select(answer => answer.Status).Order());
        }
    }

    [Fact]
    public async Task However_many_come_at_once_at_most_six_sit_down()
    {
        var cook = await database.SignUp();
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 16).Select(at => cook.Send(HttpMethod.Post, "/api/table/eaters", new { name = $"Guest {at}" }))
        );
        Assert.Equal(5, answers.Count(answer => answer.Status == HttpStatusCode.NoContent));
        Assert.All(
            answers.Where(answer => answer.Status != HttpStatusCode.NoContent),
            answer => Assert.Equal("too-many-eaters", answer.Body!["code"]!.GetValue<string>())
        );
        Assert.Equal(6, (await cook.Get("/api/table"))["eaters"]!.AsArray().Count);
    }

    [Fact]
    public async Task Copying_a_protocol_for_an_eater_and_changing_that_eater_never_block_each_other()
    {
        var cook = await database.SignUp();
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "low-carb" } });
        for (var round = 0; round < 10; round++)
        {
            var answers = await Task.WhenAll(
                cook.Send(
                    HttpMethod.Post,
                    "/api/table/protocols/low-carb/copy",
                    new { name = $"Ours {round}", followers = new[] { eater } }
                ),
                cook.Send(HttpMethod.Put, $"/api/table/eaters/{eater}/name", new { name = $"Rune {round}" })
            );
            Assert.All(answers, answer => Assert.Equal(HttpStatusCode.OK, answer.Status));
        }
    }

    [Fact]
    public async Task The_undo_of_taking_newer_rules_takes_back_that_and_nothing_else()
    {
        var cook = await database.SignUp();
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "low-carb" } });
        var copy = await cook.Must(
            HttpMethod.Post,
            "/api/table/protocols/low-carb/copy",
            new { name = "Ours", followers = new[] { eater } }
        );
        var id = copy["id"]!.GetValue<string>();
        await Make(cook);
        var document = JsonNode.Parse((await cook.Get($"/api/table/protocols/{id}"))["document"]!.GetValue<string>())!;
        document["summary"] = "Changed.";
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/protocols/{id}",
            new
            {
                document = document.ToJsonString(),
                basedOn = 1,
                includesThisWeek = false,
            }
        );
        var renewed = await cook.Edit(HttpMethod.Post, $"{Week}/protocols/renew", null, Guid.NewGuid());
        Assert.Empty(renewed.Body!["outdated"]!.AsArray());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = renewed.Sequence });
        var board = await cook.Get(Week);
        Assert.Equal("Ours", board["outdated"]![0]!.GetValue<string>());
        Assert.Single(board["batches"]!.AsArray());
        // What was taken back is no longer offered; the change of the protocol is.
        Assert.StartsWith("Changed", board["undo"]!["summary"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_bad_household_name_leaves_no_account_behind()
    {
        var visitor = database.Visit();
        object SignUp(string household, string email) =>
            new
            {
                name = "Ilse",
                email,
                password = "a long enough one",
                householdName = household,
                timeZone = "Europe/Lisbon",
            };
        var email = $"{Guid.NewGuid():N}@port-ansel.example";
        foreach (var (bad, status) in new[] { ("Kitchen\0", HttpStatusCode.BadRequest), ("", HttpStatusCode.UnprocessableEntity) })
        {
            Assert.Equal(status, (await visitor.Send(HttpMethod.Post, "/api/account/sign-up", SignUp(bad, email))).Status);
        }

        // What the checks let through and the database does not keep: the address stays free all the same.
        await Assert.ThrowsAsync<Npgsql.PostgresException>(() =>
            database
                .Services.GetRequiredService<AccountStore>()
                .CreateAsync(
                    new()
                    {
                        Id = Guid.NewGuid(),
                        Email = email,
                        NormalizedEmail = email.ToUpperInvariant(),
                        DisplayName = "Ilse",
                        Opens = new(Guid.NewGuid(), new string('x', 81), "Europe/Lisbon", Rhythm.Usual, []),
                    },
                    TestContext.Current.CancellationToken
                )
        );
        await visitor.Must(HttpMethod.Post, "/api/account/sign-up", SignUp("Kitchen", email));
    }

    [Fact]
    public async Task A_box_that_is_gone_is_placed_no_more_and_counts_as_cooked()
    {
        var cook = await database.SignUp();
        var (board, batch) = await Make(cook, 2);
        var box = (await cook.Get($"{Week}/shelf"))["boxes"]![0]!["id"]!.GetValue<string>();
        var gone = await cook.Edit(HttpMethod.Post, $"/api/batches/{batch}/boxes/{box}/events", Happened("Given"), Guid.NewGuid());
        var placed = await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 1));
        Assert.Equal(0, placed["batches"]![0]!["loose"]!.GetValue<decimal>());
        await cook.Refused(HttpStatusCode.Conflict, "nothing-loose", HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 2));
        await cook.Refused(
            HttpStatusCode.Conflict,
            "batch-portioned",
            HttpMethod.Put,
            $"{Week}/batches/{batch}/portions",
            new { portions = 1 }
        );
        // Another meal waits for the batch's boxes since: what filled them is not taken back under it.
        await cook.Refused(HttpStatusCode.Conflict, "changed-meanwhile", HttpMethod.Post, "/api/undo", new { sequence = gone.Sequence });
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = gone.Sequence });
        Assert.Equal(2, (await cook.Get(Week))["batches"]![0]!["loose"]!.GetValue<decimal>());
    }

    private static object Happened(string kind) => new { kind, at = DateTimeOffset.UtcNow };

    [Fact]
    public async Task No_portion_goes_to_a_year_that_nothing_keeps_to_and_no_habit_between_the_steps()
    {
        var cook = await database.SignUp();
        var (board, batch) = await Make(cook);
        var eater = board["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "out-of-week",
            HttpMethod.Post,
            $"{Week}/batches/{batch}/place",
            new
            {
                to = new
                {
                    date = "2099-01-01",
                    meal = "supper",
                    eaterId = eater,
                },
            }
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "portion-out-of-range",
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/personal",
            new
            {
                allergies = Array.Empty<string>(),
                dislikes = Array.Empty<string>(),
                portionHabit = 1.1,
                countsTraces = true,
                trustsRefinedSoybeanOil = false,
            }
        );
        foreach (var far in new[] { "0001-01-01", "9999-12-31" })
        {
            await cook.Refused(HttpStatusCode.UnprocessableEntity, "date-out-of-range", HttpMethod.Get, $"/api/weeks/{far}");
        }
    }

    [Fact]
    public async Task An_undo_that_is_sent_twice_takes_one_edit_back()
    {
        var cook = await database.SignUp();
        var (board, batch) = await Make(cook);
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 1));
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 2));
        var id = Guid.NewGuid();
        for (var time = 0; time < 2; time++)
        {
            await cook.Edit(HttpMethod.Post, "/api/undo", new { sequence = (long?)null }, id);
        }

        Assert.Equal(1, (await cook.Get(Week))["batches"]![0]!["placed"]!.GetValue<decimal>());
    }

    [Fact]
    public async Task A_batch_that_left_the_bench_comes_back_with_its_boxes_and_ticks()
    {
        var cook = await database.SignUp();
        var (board, batch) = await Make(cook);
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 1));
        await cook.Must(
            HttpMethod.Put,
            $"{Week}/sessions/tick",
            new
            {
                batchId = batch,
                taskId = "1",
                isTicked = true,
            }
        );
        var before = (await cook.Get(Week))["batches"]!.ToJsonString();
        var gone = await cook.Edit(HttpMethod.Delete, $"{Week}/batches/{batch}", null, Guid.NewGuid());
        Assert.Empty(gone.Body!["batches"]!.AsArray());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = gone.Sequence });
        Assert.Equal(before, (await cook.Get(Week))["batches"]!.ToJsonString());
        Assert.True((await cook.Get($"{Week}/sessions"))[0]!["tasks"]![0]!["isTicked"]!.GetValue<bool>());
    }

    [Fact]
    public async Task What_cannot_be_read_is_refused_by_its_field()
    {
        var cook = await database.SignUp();
        async Task<(string Title, string Detail, string Field)> Say(string body)
        {
            using var content = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
            using var response = await cook.SendContent(HttpMethod.Post, "/api/larder/stock", content);
            Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
            var problem = JsonNode.Parse(await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!;
            return (problem["title"]!.GetValue<string>(), problem["detail"]!.GetValue<string>(), problem["field"]!.GetValue<string>());
        }

        Assert.Equal(("The request lacks place.", "Send every field.", "place"), await Say("""{"line":"6 eggs"}"""));
        Assert.Equal(("The request lacks line, place.", "Send every field.", "line, place"), await Say("{}"));
        Assert.Equal("line holds what cannot stand there.", (await Say("""{"line":null,"place":"fridge"}""")).Detail);
        Assert.Equal("place holds what cannot stand there.", (await Say("""{"line":"6 eggs","place":"roof"}""")).Detail);
        Assert.StartsWith(
            "line: The text holds a character",
            (await Say("""{"line":"6\u0000","place":"fridge"}""")).Detail,
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "line: The text holds a character",
            (await Say("""{"line":"\ud800","place":"fridge"}""")).Detail,
            StringComparison.Ordinal
        );
        Assert.Equal("It is no JSON of this form.", (await Say("{")).Detail);
    }
}
