using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.FollowedProtocols;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

public class ProtocolTests(TestDatabase database)
{
    private static async Task<string> VerdictOf(Visitor cook, Guid recipe) =>
        (await cook.Get($"/api/recipes/{recipe}"))["verdicts"]![0]!["verdict"]!.GetValue<string>();

    [Fact]
    public async Task An_allowance_answers_with_the_verdicts_it_turns()
    {
        var cook = await database.SignUp();
        var eater = await Follow(cook, "low-carb");
        await cook.AddRecipe("Sweet", 1, "40 g sugar");
        var effects = (await State(cook, eater, "low-carb", "net-carbs", 25))["changes"]!.AsArray();
        Assert.Equal(
            ("Sweet", "cannotTell", "breaks"),
            (effects[0]!["what"]!.GetValue<string>(), effects[0]!["from"]!.GetValue<string>(), effects[0]!["to"]!.GetValue<string>())
        );
        Assert.Single((await State(cook, eater, "low-carb", "net-carbs", 60))["changes"]!.AsArray());
        Assert.Empty((await State(cook, eater, "low-carb", "net-carbs", 61))["changes"]!.AsArray());
    }

    [Fact]
    public async Task A_copy_takes_its_eaters_with_what_they_stated_and_a_begun_week_keeps_its_version()
    {
        var cook = await database.SignUp();
        var eater = await Follow(cook, "whole-food");
        var recipe = await cook.AddRecipe("Rice bowl", 2, "200 g white rice");
        var board = await cook.MakeBatch(Week, recipe, Day(0), 2);
        var batch = board["batches"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", FirstBatch.Place(eater, 0));
        var id = (
            await cook.Must(
                HttpMethod.Post,
                "/api/table/protocols/whole-food/copy",
                new { name = "Ours, with rice", followers = new[] { eater } }
            )
        )["id"]!.GetValue<string>();
        Assert.Equal("own-ours-with-rice", id);
        Assert.Equal("breaks", await VerdictOf(cook, recipe));

        // The copy is pinned by the next batch; then its change leaves the week as planned until it is taken over.
        await cook.MakeBatch(Week, recipe, Day(0), 1);
        var document = JsonNode.Parse((await cook.Get($"/api/table/protocols/{id}"))["document"]!.GetValue<string>())!;
        foreach (var option in document["choices"]![0]!["options"]!.AsArray())
        {
            option!["rules"]![0]!["except"] = new JsonArray("rice");
        }

        var draft = new { document = document.ToJsonString() };
        var effect = await cook.Must(HttpMethod.Post, $"/api/table/protocols/{id}/effect", draft);
        Assert.Contains(
            effect["changes"]!.AsArray(),
            change => change!["what"]!.GetValue<string>() == "Rice bowl" && change["to"]!.GetValue<string>() == "fits"
        );
        Assert.Contains(effect["changes"]!.AsArray(), change => change!["isDay"]!.GetValue<bool>());
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/protocols/{id}",
            new
            {
                draft.document,
                basedOn = 1,
                includesThisWeek = false,
            }
        );
        Assert.Equal("fits", await VerdictOf(cook, recipe));
        var kept = await cook.Get(Week);
        Assert.Equal(["Ours, with rice"], kept["outdated"]!.AsArray().Select(name => name!.GetValue<string>()));
        Assert.Contains(kept["ledger"]!.AsArray(), day => day!["verdict"]!.GetValue<string>() == "breaks");
        var renewed = await cook.Must(HttpMethod.Post, $"{Week}/protocols/renew");
        Assert.Empty(renewed["outdated"]!.AsArray());
        Assert.DoesNotContain(renewed["ledger"]!.AsArray(), day => day!["verdict"]!.GetValue<string>() == "breaks");

        await cook.Refused(
            HttpStatusCode.Conflict,
            "changed-meanwhile",
            HttpMethod.Put,
            $"/api/table/protocols/{id}",
            new
            {
                draft.document,
                basedOn = 1,
                includesThisWeek = false,
            }
        );
        await cook.Refused(HttpStatusCode.Conflict, "still-followed", HttpMethod.Delete, $"/api/table/protocols/{id}");
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "shipped-protocol",
            HttpMethod.Put,
            "/api/table/protocols/whole-food",
            new
            {
                draft.document,
                basedOn = 1,
                includesThisWeek = false,
            }
        );
        // Taking over the newer rules, then the change itself.
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("breaks", await VerdictOf(cook, recipe));
    }

    [Fact]
    public async Task An_exported_protocol_is_imported_elsewhere_and_a_bad_one_is_refused_with_path_value_and_cure()
    {
        var (one, other) = (await database.SignUp("One"), await database.SignUp("Other"));
        var exported = await one.Client.GetStringAsync("/api/table/protocols/points/export", TestContext.Current.CancellationToken);
        await other.Refused(
            HttpStatusCode.UnprocessableEntity,
            "name-taken",
            HttpMethod.Post,
            "/api/table/protocols/import",
            new { document = exported }
        );
        var document = JsonNode.Parse(exported)!;
        document["name"] = "Their points";
        var id = (await other.Must(HttpMethod.Post, "/api/table/protocols/import", new { document = document.ToJsonString() }))[
            "id"
        ]!.GetValue<string>();
        Assert.Equal("own-their-points", id);
        document["scheme"]!["step"] = -0.5;
        var refused = await other.Refused(
            HttpStatusCode.UnprocessableEntity,
            "document-wrong",
            HttpMethod.Post,
            "/api/table/protocols/import",
            new { document = document.ToJsonString() }
        );
        Assert.Equal(("scheme.step", "-0.5"), (refused["field"]!.GetValue<string>(), refused["value"]!.GetValue<string>()));
        // The server itself stops reading a body of this size; behind it the document has a limit of its own.
        await other.Refused(
            HttpStatusCode.UnprocessableEntity,
            "document-too-long",
            HttpMethod.Post,
            "/api/table/protocols/import",
            new { document = new string('x', 5_000_000) }
        );
        Assert.Equal(HttpStatusCode.NotFound, (await one.Send(HttpMethod.Get, $"/api/table/protocols/{id}")).Status);
    }

    [Fact]
    public async Task Stages_and_phases_follow_the_calendar()
    {
        var cook = await database.SignUp();
        var eater = await Follow(cook, "after-bariatric", "low-fodmap");
        await State(cook, eater, "after-bariatric", "meal-size", 150);
        await State(
            cook,
            eater,
            "after-bariatric",
            "meal-size",
            250,
            Today.AddDays(30).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)
        );
        var rule = (await cook.Get("/api/table"))["eaters"]![0]!["rules"]!
            .AsArray()
            .Single(item => item!["rule"]!.GetValue<string>() == "meal-size")!;
        Assert.Equal("Size of a meal by weight: at most 150 g", rule["sentence"]!.GetValue<string>());
        Assert.Equal(2, rule["stages"]!.AsArray().Count);

        object Plan(int start, int end, params string[] order) =>
            new
            {
                protocol = "low-fodmap",
                start = Today.AddDays(start),
                restrictionEnds = Today.AddDays(end),
                order,
            };
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "phase-backwards",
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/phases",
            Plan(0, -1, "lactose")
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "phase-length",
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/phases",
            Plan(0, 5, "lactose")
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-challenge",
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/phases",
            Plan(-30, -3, "moon")
        );
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/phases", Plan(-30, -3, "lactose", "mannitol"));
        var milk = await cook.AddRecipe("Milk", 1, "250 ml whole milk");
        Assert.StartsWith(
            "Today: try lactose, 3rd day",
            (await cook.Get("/api/table"))["eaters"]![0]!["phases"]![0]!["today"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        var fodmap = (await cook.Get($"/api/recipes/{milk}"))["verdicts"]![0]!["findings"]!
            .AsArray()
            .Single(item => item!["rule"]!.GetValue<string>() == "fodmaps")!;
        Assert.Equal("fits", fodmap["verdict"]!.GetValue<string>());
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/phases", Plan(-10, 10, "lactose"));
        Assert.Equal("breaks", await VerdictOf(cook, milk));
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "diary-ahead",
            HttpMethod.Post,
            $"/api/table/eaters/{eater}/diary",
            new
            {
                protocol = "low-fodmap",
                notedOn = Today.AddDays(2),
                text = "x",
            }
        );
        await cook.Must(
            HttpMethod.Post,
            $"/api/table/eaters/{eater}/diary",
            new
            {
                protocol = "low-fodmap",
                notedOn = Today.AddDays(-1),
                text = "A glass, nothing",
            }
        );
        Assert.Equal("A glass, nothing", (await cook.Get($"/api/table/eaters/{eater}/diary/low-fodmap"))[0]!["text"]!.GetValue<string>());
    }
}
