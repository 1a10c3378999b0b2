using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>Variants of a recipe, as they are typed, kept and shown.</summary>
public class VariantTests(TestDatabase database)
{
    private static JsonObject Changing(string name, params (Guid Line, decimal Times)[] changes) =>
        new()
        {
            ["name"] = name,
            ["lines"] = new JsonArray([.. changes.Select(change => new JsonObject { ["line"] = change.Line, ["times"] = change.Times })]),
            ["parts"] = new JsonArray(),
            ["added"] = new JsonArray(),
        };

    /// <summary>A variant with half of a draft's first line, which gets an id.</summary>
    internal static JsonObject Halved(JsonNode draft)
    {
        var id = Guid.NewGuid();
        draft["lines"]![0]!["id"] = id;
        return Changing("Half", (id, 0.5m));
    }

    /// <summary>A recipe with the variant "Half".</summary>
    internal static async Task<Guid> AddHalved(Visitor cook, string name, decimal portions, params string[] lines)
    {
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft(name, portions, lines))!;
        draft["variants"] = new JsonArray(Halved(draft));
        return (await cook.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>();
    }

    private static JsonNode Draft(Action<JsonNode, Guid[]> change)
    {
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft("Bowls", 2, ["200 g cod", "150 g rice", "100 g feta"]))!;
        var ids = new[] { Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid() };
        for (var at = 0; at < ids.Length; at++)
        {
            draft["lines"]![at]!["id"] = ids[at];
        }

        change(draft, ids);
        return draft;
    }

    private static JsonNode WithTofu() =>
        Draft(
            (draft, ids) =>
            {
                var tofu = Changing("Tofu and half the rice", (ids[1], 0.5m));
                var line = draft["lines"]![0]!.DeepClone();
                line["id"] = Guid.NewGuid();
                line["text"] = "120 g tofu";
                tofu["added"]!.AsArray().Add(new JsonObject { ["instead"] = ids[2], ["line"] = line });
                draft["variants"] = new JsonArray(tofu, Changing("No feta", (ids[2], 0)));
            }
        );

    private static IEnumerable<(string Text, decimal Times)> Lines(JsonNode sheet) =>
        sheet["lines"]!.AsArray().Select(line => (line!["text"]!.GetValue<string>(), line["times"]!.GetValue<decimal>()));

    [Fact]
    public async Task A_variant_that_was_only_just_begun_stops_no_numbers_but_is_not_saved()
    {
        var cook = await database.SignUp();
        foreach (var begun in new[] { Changing("Variant 1"), Changing("", (Guid.Empty, 2)) })
        {
            var draft = Draft(
                (draft, ids) =>
                {
                    foreach (var change in begun["lines"]!.AsArray())
                    {
                        change!["line"] = ids[0];
                    }

                    draft["variants"] = new JsonArray(begun.DeepClone());
                }
            );
            Assert.Empty((await cook.Must(HttpMethod.Post, "/api/recipes/check", draft))["variants"]!.AsArray());
            Assert.Equal(HttpStatusCode.UnprocessableEntity, (await cook.Send(HttpMethod.Post, "/api/recipes", draft)).Status);
        }
    }

    [Fact]
    public async Task A_variant_has_numbers_allergens_and_verdicts_of_its_own()
    {
        var cook = await database.SignUp();
        await cook.BecomeAllergic((await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>(), "milk");
        var saved = await cook.Must(HttpMethod.Post, "/api/recipes", WithTofu());
        var path = $"/api/recipes/{saved["id"]!.GetValue<Guid>()}";
        var (recipe, tofu) = (await cook.Get(path), await cook.Get($"{path}?variant=Tofu%20and%20half%20the%20rice"));
        Assert.Equal([("200 g cod", 1m), ("150 g rice", 1m), ("100 g feta", 1m)], Lines(recipe));
        Assert.Equal([("200 g cod", 1m), ("150 g rice", 0.5m), ("120 g tofu", 1m)], Lines(tofu));
        Assert.Equal("Tofu and half the rice", tofu["variant"]!.GetValue<string>());
        Assert.Equal("breaks", recipe["verdicts"]![0]!["verdict"]!.GetValue<string>());
        Assert.NotEqual("breaks", tofu["verdicts"]![0]!["verdict"]!.GetValue<string>());
        Assert.Equal(["Tofu and half the rice", "No feta"], recipe["variants"]!.AsArray().Select(one => one!["name"]!.GetValue<string>()));
        // What is there no more is answered with the recipe as it is.
        Assert.Null((await cook.Get($"{path}?variant=gone"))["variant"]);
    }

    [Fact]
    public async Task A_variant_goes_on_when_its_recipe_is_saved_again_and_not_without_its_line()
    {
        var cook = await database.SignUp();
        var draft = WithTofu();
        var saved = await cook.Must(HttpMethod.Post, "/api/recipes", draft);
        var path = $"/api/recipes/{saved["id"]!.GetValue<Guid>()}";
        draft["basedOn"] = 1;
        draft["lines"]![1]!["text"] = "300 g rice";
        await cook.Must(HttpMethod.Put, path, draft.DeepClone());
        var tofu = await cook.Get($"{path}?variant=Tofu%20and%20half%20the%20rice");
        Assert.Equal(("300 g rice", 0.5m), Lines(tofu).ElementAt(1));
        draft["basedOn"] = 2;
        draft["lines"]!.AsArray().RemoveAt(2);
        await cook.Refused(HttpStatusCode.UnprocessableEntity, "variant-line-gone", HttpMethod.Put, path, draft);
        Assert.Equal(2, (await cook.Get(path))["number"]!.GetValue<int>());
    }

    [Fact]
    public async Task What_cannot_be_a_variant_is_refused_with_its_place()
    {
        var cook = await database.SignUp();
        var refused = await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "variant-empty",
            HttpMethod.Post,
            "/api/recipes",
            Draft((draft, ids) => draft["variants"] = new JsonArray(Changing("No feta", (ids[2], 0)), Changing("Same")))
        );
        Assert.Contains("variants[1]", refused.ToJsonString(), StringComparison.Ordinal);
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "recipe-ring",
            HttpMethod.Put,
            $"/api/recipes/{(await cook.Must(HttpMethod.Post, "/api/recipes", Draft((_, _) => { })))["id"]!.GetValue<Guid>()}",
            Draft(
                (draft, ids) =>
                {
                    var self = Changing("Itself");
                    var line = draft["lines"]![0]!.DeepClone();
                    line["id"] = Guid.NewGuid();
                    line["text"] = "½ of the bowls";
                    self["added"]!.AsArray().Add(new JsonObject { ["instead"] = ids[2], ["line"] = line });
                    draft["variants"] = new JsonArray(self);
                    draft["basedOn"] = 1;
                }
            )
        );
    }
}
