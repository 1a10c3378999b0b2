using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>What members ask of a group and its desk answers.</summary>
public class QuestionTests(TestDatabase database)
{
    private static object Asked(string words, bool isNamed = false, string picture = "", Guid? menu = null, int? day = null) =>
        new
        {
            words,
            menu,
            day,
            dish = "",
            isNamed,
            picture,
        };

    private static async Task<JsonArray> Seen(Visitor member, Circle circle) =>
        (await member.Get($"/api/groups/{circle.Group}/questions"))["questions"]!.AsArray();

    private static async Task<Guid> Ask(Visitor member, Circle circle, string words, bool isNamed = false, string picture = "")
    {
        await member.Must(HttpMethod.Post, $"/api/groups/{circle.Group}/questions", Asked(words, isNamed, picture));
        return (await Seen(member, circle)).First(one => one!["words"]!.GetValue<string>() == words)!["id"]!.GetValue<Guid>();
    }

    private static Task<JsonNode> Answer(Circle circle, Guid id, string answer, bool isPinned = false, bool isHidden = false) =>
        circle.Desk.Must(
            HttpMethod.Put,
            $"/api/groups/asked/{id}",
            new
            {
                answer,
                isPinned,
                isHidden,
            }
        );

    [Fact]
    public async Task A_question_is_found_asked_by_others_too_answered_and_pinned_on_top()
    {
        var circle = await Circle.Founded(database);
        var ((farah, _), (rune, _)) = (await circle.Member("Farah"), await circle.Member("Rune"));
        var (shin, path) = (await Ask(farah, circle, "Can the shin be frozen?"), $"/api/groups/{circle.Group}/questions");
        var rack = await Ask(rune, circle, "I have one rack only", isNamed: true);
        Assert.Equal(["Rune", ""], (await Seen(farah, circle)).Select(one => one!["by"]!.GetValue<string>()));

        var alike = (await rune.Get($"{path}/like?words=freezing%20the%20shin")).AsArray();
        Assert.Equal(shin, Assert.Single(alike)!["id"]!.GetValue<Guid>());
        await rune.Must(HttpMethod.Put, $"{path}/{shin}/too", new { isAsked = true });
        await rune.Must(HttpMethod.Put, $"{path}/{shin}/too", new { isAsked = true });
        var asked = (await circle.Desk.Get("/api/groups/asked"))["questions"]![0]!;
        // Two people wait for the one, one for the other.
        Assert.Equal((shin, 1), (asked["id"]!.GetValue<Guid>(), asked["too"]!.GetValue<int>()));

        await Answer(circle, shin, "On the day it is cooked.", isPinned: true);
        var top = (await Seen(rune, circle))[0]!;
        Assert.Equal(
            ("On the day it is cooked.", true, true, false),
            (
                top["answer"]!.GetValue<string>(),
                top["isPinned"]!.GetValue<bool>(),
                top["isAskedToo"]!.GetValue<bool>(),
                top["isOwn"]!.GetValue<bool>()
            )
        );
        await farah.Refused(HttpStatusCode.Conflict, "question-answered", HttpMethod.Delete, $"{path}/{shin}");
        await rune.Must(HttpMethod.Delete, $"{path}/{rack}");
        await rune.Must(HttpMethod.Put, $"{path}/{shin}/too", new { isAsked = false });
        Assert.Equal(0, Assert.Single(await Seen(farah, circle))!["too"]!.GetValue<int>());
    }

    [Fact]
    public async Task What_is_reported_is_hidden_and_shown_again_by_the_desk_only()
    {
        var circle = await Circle.Founded(database);
        var ((farah, _), (rune, _)) = (await circle.Member("Farah"), await circle.Member("Rune"));
        var (id, path) = (await Ask(farah, circle, "Buy my pots"), $"/api/groups/{circle.Group}/questions");
        await rune.Refused(HttpStatusCode.UnprocessableEntity, "question-report", HttpMethod.Post, $"{path}/{id}/report", new { why = "" });
        await rune.Must(HttpMethod.Post, $"{path}/{id}/report", new { why = "It sells something" });
        await rune.Must(HttpMethod.Post, $"{path}/{id}/report", new { why = "Once more" });
        Assert.Equal(
            ["It sells something"],
            (await circle.Desk.Get("/api/groups/asked"))["questions"]![0]!["reports"]!.AsArray().Select(why => why!.GetValue<string>())
        );
        Assert.Empty((await Seen(farah, circle))[0]!["reports"]!.AsArray());

        await Answer(circle, id, "", isHidden: true);
        Assert.Empty(await Seen(rune, circle));
        Assert.True(Assert.Single(await Seen(farah, circle))!["isHidden"]!.GetValue<bool>());
        await rune.Refused(HttpStatusCode.NotFound, "question-gone", HttpMethod.Put, $"{path}/{id}/too", new { isAsked = true });
        await circle.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "question-pinned",
            HttpMethod.Put,
            $"/api/groups/asked/{id}",
            new
            {
                answer = "x",
                isPinned = true,
                isHidden = true,
            }
        );
        await Answer(circle, id, "", isHidden: false);
        Assert.Single(await Seen(rune, circle));
        await circle.Desk.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Empty(await Seen(rune, circle));
    }

    [Fact]
    public async Task Who_writes_of_harm_is_looked_at_first_and_reads_where_help_is_found()
    {
        var circle = await Circle.Founded(database);
        var ((farah, _), (rune, _)) = (await circle.Member("Farah"), await circle.Member("Rune"));
        await Ask(rune, circle, "Does the mackerel keep?");
        var id = await Ask(farah, circle, "I fainted on 500 kcal a day");
        await Ask(rune, circle, "Which rack first?");
        await circle.Desk.Must(HttpMethod.Put, "/api/groups/help", new { help = "The quay surgery" });
        await circle.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "group-help",
            HttpMethod.Put,
            "/api/groups/help",
            new { help = new string('x', 1001) }
        );
        await rune.Refused(HttpStatusCode.Conflict, "no-desk", HttpMethod.Put, "/api/groups/help", new { help = "x" });
        var first = (await circle.Desk.Get("/api/groups/asked"))["questions"]![0]!;
        Assert.Equal((id, "harm"), (first["id"]!.GetValue<Guid>(), first["care"]![0]!["kind"]!.GetValue<string>()));
        Assert.Equal("The quay surgery", (await farah.Get($"/api/groups/{circle.Group}/questions"))["help"]!.GetValue<string>());
        // To others it is a question like any.
        Assert.All(await Seen(rune, circle), one => Assert.Empty(one!["care"]!.AsArray()));
    }

    [Fact]
    public async Task A_picture_goes_along_made_small_and_one_that_is_too_large_is_refused_in_words()
    {
        var circle = await Circle.Founded(database);
        var ((farah, _), (rune, _)) = (await circle.Member("Farah"), await circle.Member("Rune"));
        var path = $"/api/groups/{circle.Group}/questions";
        var id = await Ask(farah, circle, "Is it done?", picture: Convert.ToBase64String(PictureTests.Dish()));
        Assert.Equal(
            "image/jpeg",
            (await rune.Client.GetAsync($"{path}/{id}/picture?small=true", TestContext.Current.CancellationToken))
                .Content
                .Headers
                .ContentType
                ?.MediaType
        );
        await Answer(circle, id, "", isHidden: true);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await rune.Client.GetAsync($"{path}/{id}/picture", TestContext.Current.CancellationToken)).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (await farah.Client.GetAsync($"{path}/{id}/picture", TestContext.Current.CancellationToken)).StatusCode
        );

        await farah.Refused(
            HttpStatusCode.UnprocessableEntity,
            "picture-too-large",
            HttpMethod.Post,
            path,
            Asked("Large", picture: Convert.ToBase64String(new byte[6_000_000]))
        );
        await farah.Refused(HttpStatusCode.UnprocessableEntity, "no-picture", HttpMethod.Post, path, Asked("Odd", picture: "no picture"));
        Assert.Single(await Seen(farah, circle));
    }

    [Fact]
    public async Task Nobody_from_outside_asks_reads_or_answers_and_who_leaves_takes_the_name_along()
    {
        var circle = await Circle.Founded(database);
        var ((farah, _), other) = (await circle.Member("Farah"), (await Circle.Founded(database)).Desk);
        var (id, path) = (await Ask(farah, circle, "Is it done?", isNamed: true), $"/api/groups/{circle.Group}/questions");
        await other.Refused(HttpStatusCode.NotFound, "unknown-group", HttpMethod.Post, path, Asked("Mine"));
        await other.Refused(HttpStatusCode.NotFound, "unknown-group", HttpMethod.Put, $"{path}/{id}/too", new { isAsked = true });
        await other.Refused(HttpStatusCode.NotFound, "unknown-group", HttpMethod.Post, $"{path}/{id}/report", new { why = "x" });
        foreach (var visitor in new[] { other, farah })
        {
            await visitor.Refused(
                HttpStatusCode.NotFound,
                "question-gone",
                HttpMethod.Put,
                $"/api/groups/asked/{id}",
                new
                {
                    answer = "Mine",
                    isPinned = false,
                    isHidden = false,
                }
            );
        }

        Assert.Empty(await Seen(other, circle));
        await farah.Refused(HttpStatusCode.UnprocessableEntity, "question-words", HttpMethod.Post, path, Asked(" "));
        await farah.Refused(
            HttpStatusCode.UnprocessableEntity,
            "question-about",
            HttpMethod.Post,
            path,
            Asked("Which?", menu: Guid.NewGuid())
        );
        await farah.Refused(
            HttpStatusCode.UnprocessableEntity,
            "question-about",
            HttpMethod.Post,
            path,
            Asked("Which?", menu: circle.Menu, day: 7)
        );
        // Whoever asked it does not ask it too.
        await farah.Must(HttpMethod.Put, $"{path}/{id}/too", new { isAsked = true });
        Assert.Equal(0, (await Seen(farah, circle))[0]!["too"]!.GetValue<int>());
        await farah.Must(HttpMethod.Delete, $"/api/groups/{circle.Group}/membership");
        Assert.Empty(await Seen(farah, circle));
        Assert.Equal("", (await circle.Desk.Get("/api/groups/asked"))["questions"]![0]!["by"]!.GetValue<string>());
    }

    [Fact]
    public async Task One_member_has_so_many_questions_open()
    {
        var circle = await Circle.Founded(database);
        var (farah, _) = await circle.Member("Farah");
        var path = $"/api/groups/{circle.Group}/questions";
        for (var one = 0; one < 20; one++)
        {
            await farah.Must(HttpMethod.Post, path, Asked($"Question {one}"));
        }

        await farah.Refused(HttpStatusCode.Conflict, "too-many-questions", HttpMethod.Post, path, Asked("One more"));
        await circle.Desk.Refused(
            HttpStatusCode.UnprocessableEntity,
            "question-answer",
            HttpMethod.Put,
            $"/api/groups/asked/{(await Seen(farah, circle))[0]!["id"]}",
            new
            {
                answer = new string('x', 2001),
                isPinned = false,
                isHidden = false,
            }
        );
    }
}
