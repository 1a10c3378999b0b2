using System.Net;
using System.Text.Json.Nodes;
using Merienda.Core.Planning;
using Merienda.Storage;
using Microsoft.Extensions.DependencyInjection;
using static Merienda.Web.Tests.FirstBatch;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>What no edit does, however it is sent.</summary>
public class EditRefusalTests(TestDatabase database)
{
    private static object Happened(string kind) => new { kind, at = DateTimeOffset.UtcNow };

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
    public async Task What_cannot_be_read_is_refused_by_its_field()
    {
        var cook = await database.SignUp();
        async Task<(string Title, string Detail, string Field)> Say(string body, string path = "/api/larder/stock", string method = "POST")
        {
            using var content = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
            using var response = await cook.SendContent(new HttpMethod(method), path, content);
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
        Assert.Equal(
            ("meals holds what cannot stand there.", "meals"),
            await Say("""{"firstDay":"monday","meals":[null],"prepDays":[]}""", "/api/table/rhythm", "PUT") is var meals
                ? (meals.Detail, meals.Field)
                : default
        );
    }
}
