using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>Refusals that no other test provokes, each with the status and the words it comes with.</summary>
public class RefusalTests(TestDatabase database)
{
    private static JsonNode Draft(Action<JsonNode> change)
    {
        var draft = System.Text.Json.JsonSerializer.SerializeToNode(Visitor.Draft("Beans", 4, ["400 g rice"]))!;
        change(draft);
        return draft;
    }

    private static JsonArray Claims(int times, params (string What, int Value, string? Variant)[] claims) =>
        [
            .. Enumerable
                .Repeat(claims, times)
                .SelectMany(all => all)
                .Select(claim =>
                    (JsonNode)
                        new JsonObject
                        {
                            ["what"] = claim.What,
                            ["value"] = claim.Value,
                            ["variant"] = claim.Variant,
                        }
                ),
        ];

    public static TheoryData<string, JsonNode> WrongRecipes =>
        new()
        {
            { "unknown-keeping", Draft(draft => draft["keeping"] = "for ever") },
            { "line-too-long", Draft(draft => draft["lines"]![0]!["text"] = new string('x', 301)) },
            { "source-length", Draft(draft => draft["source"] = new string('x', 301)) },
            { "note-length", Draft(draft => draft["note"] = new string('x', 4_001)) },
            { "claim-out-of-range", Draft(draft => draft["claims"] = Claims(1, ("energy", 100_001, null))) },
            { "claim-of-nothing", Draft(draft => draft["claims"] = Claims(1, ("energy", 1, ""))) },
            { "claim-twice", Draft(draft => draft["claims"] = Claims(1, ("energy", 1, null), ("energy", 2, null))) },
            { "too-many-claims", Draft(draft => draft["claims"] = Claims(41, ("energy", 1, null))) },
            { "wait-out-of-range", Draft(draft => draft["tasks"]![0]!["waitsAtMost"] = 1441) },
            { "round-out-of-range", Draft(draft => draft["tasks"]![0]!["roundPieces"] = 0) },
            { "minutes-out-of-range", Draft(draft => draft["tasks"]![0]!["handsOn"] = 1441) },
            { "temperature-out-of-range", Draft(draft => draft["tasks"]![0]!["temperatureC"] = 351) },
            { "task-id-twice", Draft(draft => draft["tasks"]!.AsArray().Add(draft["tasks"]![0]!.DeepClone())) },
            {
                "too-many-tasks",
                Draft(draft =>
                {
                    for (var number = 2; number <= 200; number++)
                    {
                        var task = draft["tasks"]![0]!.DeepClone();
                        task["id"] = $"{number}";
                        draft["tasks"]!.AsArray().Add(task);
                    }
                })
            },
        };

    [Theory]
    [MemberData(nameof(WrongRecipes))]
    public async Task A_recipe_that_cannot_be_is_refused(string code, JsonNode draft)
    {
        var cook = await database.SignUp();
        await cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Post, "/api/recipes", draft);
        Assert.Empty((await cook.Get("/api/recipes")).AsArray());
    }

    [Theory]
    [InlineData("unknown-number-format")]
    [InlineData("capacity-out-of-range")]
    [InlineData("unknown-material")]
    [InlineData("too-many-rows")]
    public async Task A_kitchen_that_cannot_be_is_refused(string code)
    {
        var cook = await database.SignUp();
        var kitchen = (await cook.Get("/api/table/kitchen"))["kitchen"]!;
        JsonObject Pan() =>
            new()
            {
                ["id"] = Guid.NewGuid().ToString(),
                ["kind"] = "pan",
                ["name"] = "Pan",
                ["count"] = 1,
                ["capacityMl"] = code == "capacity-out-of-range" ? 100_001 : 2000,
                ["fillShare"] = null,
                ["widthMm"] = null,
                ["lengthMm"] = null,
            };
        kitchen["items"] = new JsonArray([.. Enumerable.Range(0, code == "too-many-rows" ? 101 : 1).Select(_ => (JsonNode)Pan())]);
        if (code == "unknown-number-format")
        {
            kitchen["numberFormat"] = "roman";
        }

        if (code == "unknown-material")
        {
            kitchen["containers"] = new JsonArray(
                new JsonObject
                {
                    ["id"] = Guid.NewGuid().ToString(),
                    ["name"] = "Box",
                    ["volumeMl"] = 500,
                    ["count"] = 4,
                    ["material"] = "lead",
                    ["mayHeat"] = true,
                    ["mayFreeze"] = true,
                    ["mayFillHot"] = true,
                }
            );
        }

        await cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Put, "/api/table/kitchen", kitchen);
    }

    [Fact]
    public async Task What_is_said_of_an_eater_that_cannot_be_is_refused()
    {
        var cook = await database.SignUp();
        var path = $"/api/table/eaters/{(await cook.Get("/api/table"))["eaters"]![0]!["id"]}";
        Task<JsonNode> Refused(string code, HttpMethod method, string to, object body) =>
            cook.Refused(HttpStatusCode.UnprocessableEntity, code, method, $"{path}{to}", body);
        await Refused(
            "meals-incomplete",
            HttpMethod.Put,
            "/meals",
            new
            {
                meals = new[]
                {
                    new
                    {
                        meal = "lunch",
                        dayShare = 1,
                        pattern = Enumerable.Repeat("prep", 7),
                    },
                },
            }
        );
        await Refused("too-many-pins", HttpMethod.Put, "/pinned", new { measures = new[] { "energy", "fat", "fibre", "points" } });
        await Refused("unknown-measure", HttpMethod.Put, "/pinned", new { measures = new[] { "joy" } });
        await Refused(
            "too-many-dislikes",
            HttpMethod.Put,
            "/personal",
            new
            {
                allergies = Array.Empty<string>(),
                dislikes = Enumerable.Repeat("cod", 101),
                portionHabit = 1,
                countsTraces = true,
                trustsRefinedSoybeanOil = false,
            }
        );
        foreach (
            var (what, reason) in new[] { ("", "safe"), (new string('x', 301), "safe"), ("butter", " "), ("butter", new string('x', 201)) }
        )
        {
            await Refused(
                "acceptance-incomplete",
                HttpMethod.Post,
                "/accepted",
                new
                {
                    what,
                    reason,
                    isAdult = true,
                }
            );
        }

        await Refused(
            "no-phases",
            HttpMethod.Put,
            "/phases",
            new
            {
                protocol = "low-carb",
                start = "2026-11-01",
                restrictionEnds = "2026-11-20",
                order = Array.Empty<string>(),
            }
        );
        foreach (var text in new[] { " ", new string('x', 501) })
        {
            await Refused(
                "diary-length",
                HttpMethod.Post,
                "/diary",
                new
                {
                    protocol = "low-fodmap",
                    notedOn = "2026-01-01",
                    text,
                }
            );
        }
    }

    [Fact]
    public async Task What_is_not_there_is_said_to_be_not_there()
    {
        var cook = await database.SignUp();
        var missing = Guid.NewGuid();
        await cook.Refused(HttpStatusCode.NotFound, "word-unknown", HttpMethod.Delete, "/api/larder/words?words=moonfruit");
        await cook.Refused(HttpStatusCode.NotFound, "packet-gone", HttpMethod.Delete, $"/api/larder/packets/{missing}");
        await cook.Refused(HttpStatusCode.NotFound, "note-gone", HttpMethod.Delete, $"/api/table/diary/{missing}");
        await cook.Refused(HttpStatusCode.NotFound, "eater-gone", HttpMethod.Delete, $"/api/table/eaters/{missing}");
        await cook.Refused(HttpStatusCode.NotFound, "recipe-gone", HttpMethod.Delete, $"/api/recipes/{missing}");
        await cook.Refused(HttpStatusCode.Conflict, "protocol-gone", HttpMethod.Delete, "/api/table/protocols/own-nothing");
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-item",
            HttpMethod.Put,
            "/api/weeks/2026-11-22/shop/tick",
            new { key = "", isTicked = true }
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "exchange-unreadable",
            HttpMethod.Get,
            "/api/table/exchange?from=rice&grams=0&to=cod&equal=energy"
        );
    }

    [Fact]
    public async Task A_household_keeps_forty_protocols_of_its_own_and_no_more()
    {
        var cook = await database.SignUp();
        for (var number = 1; number <= 40; number++)
        {
            await cook.Must(
                HttpMethod.Post,
                "/api/table/protocols/vegan/copy",
                new { name = $"Ours {number}", followers = Array.Empty<Guid>() }
            );
        }

        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "too-many-protocols",
            HttpMethod.Post,
            "/api/table/protocols/vegan/copy",
            new { name = "Ours 41", followers = Array.Empty<Guid>() }
        );
    }
}
