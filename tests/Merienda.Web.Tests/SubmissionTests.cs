using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>Recipes that members bring to a group.</summary>
public class SubmissionTests(TestDatabase database)
{
    private static object Sent(Guid recipe, bool isNamed = false, string words = "") =>
        new
        {
            recipe,
            isNamed,
            words,
        };

    private static async Task<Guid> Send(Visitor member, Circle circle, Guid recipe, bool isNamed = false, string words = "")
    {
        await member.Must(HttpMethod.Post, $"/api/groups/{circle.Group}/submissions", Sent(recipe, isNamed, words));
        return (await member.Get("/api/groups/submissions"))[0]!["id"]!.GetValue<Guid>();
    }

    private static async Task<JsonNode> Queue(Circle circle) => (await circle.Desk.Get("/api/groups/queue"))["submissions"]!;

    private static string State(JsonNode submission) => submission["state"]!.GetValue<string>();

    [Fact]
    public async Task A_recipe_is_recomputed_asked_back_sent_again_and_taken_up_with_what_it_uses()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        await farah.AddRecipe("Quay sauce", 4, "200 ml double cream");
        var pan = await farah.AddRecipe("Quay pan", 2, "300 g cod fillet", "2 tbsp mystery paste", "1 portion Quay sauce");
        var id = await Send(farah, circle, pan, words: "It cures gout.");

        var queued = (await Queue(circle))[0]!;
        Assert.Equal(
            ("Quay pan", "", "waiting", 1),
            (queued["name"]!.GetValue<string>(), queued["by"]!.GetValue<string>(), State(queued), queued["number"]!.GetValue<int>())
        );
        var review = queued["review"]!;
        Assert.Equal("2 tbsp mystery paste", Assert.Single(review["unknown"]!.AsArray())!["line"]!.GetValue<string>());
        Assert.Equal("healthClaim", Assert.Single(review["care"]!.AsArray())!["kind"]!.GetValue<string>());
        Assert.Contains("fish", review["allergens"]!.AsArray().Select(one => one!.GetValue<string>()));
        // The cream of what it uses counts: it was sent along.
        Assert.Contains("milk", review["allergens"]!.AsArray().Select(one => one!.GetValue<string>()));

        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/queue/{id}/ask-back", new { reply = "Which paste is it?" });
        var own = (await farah.Get("/api/groups/submissions"))[0]!;
        Assert.Equal(("askedBack", "Which paste is it?"), (State(own), own["reply"]!.GetValue<string>()));
        Assert.Equal("Which paste is it?", (await circle.Desk.Get("/api/groups/queue"))["phrases"]![0]!.GetValue<string>());

        await farah.Must(HttpMethod.Put, $"/api/recipes/{pan}", Changed(await farah.Get($"/api/recipes/{pan}")));
        await farah.Must(HttpMethod.Put, $"/api/groups/{circle.Group}/submissions/{id}", Sent(pan));
        var page = await circle.Desk.Get($"/api/groups/queue/{id}");
        Assert.Contains(
            page["changes"]!.AsArray(),
            change => change!["was"]!.GetValue<string>().Contains("mystery paste") && change["now"]!.GetValue<string>().Contains("tomato")
        );
        Assert.Equal(2, page["submission"]!["number"]!.GetValue<int>());

        var recipe = (await circle.Desk.Must(HttpMethod.Post, $"/api/groups/queue/{id}/take-up", new { name = "Harbour pan" }))["recipe"];
        Assert.Equal("Harbour pan", (await circle.Desk.Get($"/api/recipes/{recipe}"))["name"]!.GetValue<string>());
        Assert.Equal(
            ["Harbour beans", "Harbour pan", "Quay sauce"],
            (await circle.Desk.Get("/api/recipes")).AsArray().Select(one => one!["name"]!.GetValue<string>()).Order()
        );
        Assert.Equal("takenUp", State((await farah.Get("/api/groups/submissions"))[0]!));
        await circle.Desk.Refused(
            HttpStatusCode.Conflict,
            "submission-over",
            HttpMethod.Post,
            $"/api/groups/queue/{id}/decline",
            new { reply = "x" }
        );

        // Taken back, it waits again and is in the library no more.
        await circle.Desk.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("waiting", State((await Queue(circle))[0]!));
        Assert.Single((await circle.Desk.Get("/api/recipes")).AsArray());
    }

    private static JsonObject Changed(JsonNode sheet)
    {
        var lines = sheet["lines"]!.AsArray().Select(line => (Id: line!["id"]!.GetValue<Guid>(), Text: line["text"]!.GetValue<string>()));
        return System
            .Text.Json.JsonSerializer.SerializeToNode(
                new
                {
                    name = "Quay pan",
                    portions = 2,
                    meal = (string?)null,
                    keeping = "cooked",
                    reheating = "",
                    atEating = "",
                    system = "metric",
                    lines = lines.Select(line => new
                    {
                        part = "",
                        text = line.Text.Replace("mystery paste", "tomato purée", StringComparison.Ordinal),
                        food = (string?)null,
                        id = line.Id,
                    }),
                    tasks = Array.Empty<object>(),
                    basedOn = 1,
                }
            )!
            .AsObject();
    }

    [Fact]
    public async Task The_desk_learns_nothing_of_the_kitchen_it_came_from()
    {
        var circle = await Circle.Founded(database);
        var (farah, email) = await circle.Member("Farah");
        var recipe = (
            await farah.Must(
                HttpMethod.Post,
                "/api/recipes",
                new
                {
                    name = "Quay pan",
                    portions = 2,
                    meal = (string?)null,
                    keeping = "cooked",
                    reheating = "",
                    atEating = "",
                    system = "metric",
                    lines = new[]
                    {
                        new
                        {
                            part = "",
                            text = "300 g cod fillet",
                            food = (string?)null,
                        },
                    },
                    tasks = Array.Empty<object>(),
                    basedOn = (int?)null,
                    note = "Rune spat it out",
                }
            )
        )["id"]!.GetValue<Guid>();
        var id = await Send(farah, circle, recipe);
        var all = $"{await circle.Desk.Get("/api/groups/queue")}{await circle.Desk.Get($"/api/groups/queue/{id}")}";
        foreach (var secret in new[] { "Rune", "Farah", "Quillon", email, $"{recipe}" })
        {
            Assert.DoesNotContain(secret, all, StringComparison.OrdinalIgnoreCase);
        }

        await farah.Must(HttpMethod.Put, $"/api/groups/{circle.Group}/submissions/{id}", Sent(recipe, isNamed: true));
        Assert.Equal("Farah", (await Queue(circle))[0]!["by"]!.GetValue<string>());

        // Who leaves takes the name along; what they brought stays.
        await farah.Must(HttpMethod.Delete, $"/api/groups/{circle.Group}/membership");
        var left = (await Queue(circle))[0]!;
        Assert.Equal(("", "waiting"), (left["by"]!.GetValue<string>(), State(left)));
        Assert.Empty((await farah.Get("/api/groups/submissions")).AsArray());
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/queue/{id}/take-up", new { name = "Quay pan" });
    }

    [Fact]
    public async Task Nobody_answers_or_changes_what_is_not_theirs()
    {
        var circle = await Circle.Founded(database);
        var ((farah, _), (rune, _)) = (await circle.Member("Farah"), await circle.Member("Rune"));
        var recipe = await farah.AddRecipe("Quay pan");
        var id = await Send(farah, circle, recipe);
        var (path, other) = ($"/api/groups/{circle.Group}/submissions", await rune.AddRecipe("Cod pan", 2, "300 g cod fillet"));
        await rune.Refused(HttpStatusCode.NotFound, "submission-gone", HttpMethod.Put, $"{path}/{id}", Sent(other));
        await rune.Refused(HttpStatusCode.NotFound, "submission-gone", HttpMethod.Delete, $"{path}/{id}");
        await rune.Refused(HttpStatusCode.NotFound, "recipe-gone", HttpMethod.Post, path, Sent(recipe));
        Assert.Empty((await rune.Get("/api/groups/queue"))["submissions"]!.AsArray());
        foreach (var visitor in new[] { farah, rune, (await Circle.Founded(database)).Desk })
        {
            await visitor.Refused(
                HttpStatusCode.NotFound,
                "submission-gone",
                HttpMethod.Post,
                $"/api/groups/queue/{id}/decline",
                new { reply = "x" }
            );
            await visitor.Refused(
                HttpStatusCode.NotFound,
                "submission-gone",
                HttpMethod.Post,
                $"/api/groups/queue/{id}/take-up",
                new { name = "x" }
            );
            await visitor.Refused(HttpStatusCode.NotFound, "submission-gone", HttpMethod.Get, $"/api/groups/queue/{id}");
        }

        var stranger = await database.SignUp("Ilse");
        await stranger.Refused(HttpStatusCode.NotFound, "unknown-group", HttpMethod.Post, path, Sent(await stranger.AddRecipe("Own")));
        await farah.Refused(
            HttpStatusCode.UnprocessableEntity,
            "submission-words",
            HttpMethod.Post,
            path,
            Sent(recipe, words: new('x', 501))
        );
        await circle.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "submission-reply",
            HttpMethod.Post,
            $"/api/groups/queue/{id}/ask-back",
            new { reply = " " }
        );
        await farah.Must(HttpMethod.Delete, $"{path}/{id}");
        Assert.Empty((await Queue(circle)).AsArray());
    }

    [Fact]
    public async Task Two_who_take_it_up_at_once_take_it_up_once_and_a_name_that_is_there_needs_another()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        var id = await Send(farah, circle, await farah.AddRecipe("Harbour bean"));
        // "Harbour beans" is the desk's own.
        Assert.True((await Queue(circle))[0]!["isNameThere"]!.GetValue<bool>());
        var takeUp = $"/api/groups/queue/{id}/take-up";
        await circle.Desk.Refused(HttpStatusCode.Conflict, "recipe-name-there", HttpMethod.Post, takeUp, new { name = "harbour Beans" });
        var answers = await Task.WhenAll(
            Enumerable.Range(1, 4).Select(at => circle.Desk.Send(HttpMethod.Post, takeUp, new { name = $"Farah’s beans {at}" }))
        );
        Assert.Equal(1, answers.Count(answer => answer.Status == HttpStatusCode.OK));
        Assert.Equal(2, (await circle.Desk.Get("/api/recipes")).AsArray().Count);
    }

    [Fact]
    public async Task One_member_has_so_many_waiting_at_once()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        var recipe = await farah.AddRecipe("Quay pan");
        for (var one = 0; one < 20; one++)
        {
            await Send(farah, circle, recipe);
        }

        await farah.Refused(
            HttpStatusCode.Conflict,
            "too-many-submissions",
            HttpMethod.Post,
            $"/api/groups/{circle.Group}/submissions",
            Sent(recipe)
        );
    }
}
