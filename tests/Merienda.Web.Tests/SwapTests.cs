using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>What would make a finding fit: asked for, taken as a variant or as a change, and refused in words.</summary>
public class SwapTests(TestDatabase database)
{
    private static async Task<(Visitor Cook, Guid Eater, Guid Recipe)> MoveIn(TestDatabase database)
    {
        var cook = await database.SignUp();
        var eater = await FollowedProtocols.Follow(cook, "vegan");
        return (cook, eater, await cook.AddRecipe("Lamb and peppers", 4, "600 g lamb leg steak", "400 g red peppers", "100 g feta"));
    }

    private static async Task<JsonArray> Offers(Visitor cook, Guid eater, Guid recipe, string rule = "animal") =>
        (await cook.Get($"/api/recipes/{recipe}/swaps?eater={eater}&rule={rule}")).AsArray();

    private static async Task<string> VerdictOf(Visitor cook, Guid recipe, string? variant = null) =>
        (await cook.Get($"/api/recipes/{recipe}{(variant is null ? "" : $"?variant={Uri.EscapeDataString(variant)}")}"))["verdicts"]![0]![
            "verdict"
        ]!.GetValue<string>();

    [Fact]
    public async Task A_change_is_taken_as_a_variant_beside_the_recipe_as_it_was()
    {
        var (cook, eater, recipe) = await MoveIn(database);
        Assert.Equal("breaks", await VerdictOf(cook, recipe));
        var offer = (await Offers(cook, eater, recipe))[0]!;
        Assert.Equal(
            ("breaks", "fits"),
            (offer["verdicts"]![0]!["before"]!.GetValue<string>(), offer["verdicts"]![0]!["after"]!.GetValue<string>())
        );
        await cook.Must(HttpMethod.Put, $"/api/recipes/{recipe}", offer["asVariant"]!.DeepClone());
        Assert.Equal("breaks", await VerdictOf(cook, recipe));
        var name = offer["variantName"]!.GetValue<string>();
        Assert.Equal("fits", await VerdictOf(cook, recipe, name));
        // The numbers are those that were told.
        var sheet = await cook.Get($"/api/recipes/{recipe}?variant={Uri.EscapeDataString(name)}");
        var energy = sheet["perPortion"]!.AsArray().Single(one => one!["key"]!.GetValue<string>() == "energy")!;
        Assert.Equal(
            energy["value"]!["best"]!.GetValue<decimal>(),
            offer["numbers"]!.AsArray().Single(one => one!["name"]!.GetValue<string>() == "Energy")!["after"]!.GetValue<decimal>()
        );
        Assert.NotEqual(name, (await Offers(cook, eater, recipe))[0]!["variantName"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_variant_that_does_not_fit_is_changed_and_the_recipe_stays()
    {
        var (cook, eater, recipe) = await MoveIn(database);
        var sheet = await cook.Get($"/api/recipes/{recipe}");
        var draft = await cook.Get($"/api/recipes/{recipe}/versions/1");
        // A variant with half of the lamb and another cheese is no more vegan than the dish.
        draft["variants"] = new JsonArray(
            new JsonObject
            {
                ["name"] = "Light",
                ["lines"] = new JsonArray(new JsonObject { ["line"] = sheet["lines"]![0]!["id"]!.DeepClone(), ["times"] = 0.5 }),
                ["parts"] = new JsonArray(),
                ["added"] = new JsonArray(
                    new JsonObject
                    {
                        ["instead"] = sheet["lines"]![2]!["id"]!.DeepClone(),
                        ["line"] = new JsonObject
                        {
                            ["id"] = Guid.NewGuid(),
                            ["part"] = "",
                            ["text"] = "50 g cheddar",
                            ["food"] = null,
                        },
                    }
                ),
            }
        );
        await cook.Must(HttpMethod.Put, $"/api/recipes/{recipe}", draft);
        Assert.Equal("breaks", await VerdictOf(cook, recipe, "Light"));
        var offers = (await cook.Get($"/api/recipes/{recipe}/swaps?eater={eater}&rule=animal&variant=Light")).AsArray();
        Assert.NotEmpty(offers);
        Assert.All(offers, offer => Assert.Null(offer!["asVariant"]));
        await cook.Must(HttpMethod.Put, $"/api/recipes/{recipe}", offers[0]!["asChange"]!.DeepClone());
        Assert.Equal("fits", await VerdictOf(cook, recipe, "Light"));
        var (now, light) = (await cook.Get($"/api/recipes/{recipe}"), await cook.Get($"/api/recipes/{recipe}?variant=Light"));
        Assert.Equal(
            ["600 g lamb leg steak", "400 g red peppers", "100 g feta"],
            now["lines"]!.AsArray().Select(line => line!["text"]!.GetValue<string>())
        );
        Assert.DoesNotContain("cheddar", light["lines"]!.ToJsonString());
        // What was told is what came.
        var energy = light["perPortion"]!.AsArray().Single(one => one!["key"]!.GetValue<string>() == "energy")!["value"]![
            "best"
        ]!.GetValue<decimal>();
        var told = offers[0]!["numbers"]!.AsArray().Single(one => one!["name"]!.GetValue<string>() == "Energy")![
            "after"
        ]!.GetValue<decimal>();
        // Amounts are written in whole grams.
        Assert.InRange(energy, told - 2, told + 2);
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-variant",
            HttpMethod.Get,
            $"/api/recipes/{recipe}/swaps?eater={eater}&rule=animal&variant=Ghost"
        );
    }

    [Fact]
    public async Task A_change_is_taken_into_the_recipe_and_taken_back()
    {
        var (cook, eater, recipe) = await MoveIn(database);
        var offer = (await Offers(cook, eater, recipe))[0]!;
        await cook.Must(HttpMethod.Put, $"/api/recipes/{recipe}", offer["asChange"]!.DeepClone());
        Assert.Equal("fits", await VerdictOf(cook, recipe));
        Assert.Empty(await Offers(cook, eater, recipe));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("breaks", await VerdictOf(cook, recipe));
    }

    [Fact]
    public async Task Less_of_something_is_written_by_its_weight_and_more_portions_by_their_number()
    {
        var cook = await database.SignUp();
        var eater = await FollowedProtocols.Follow(cook, "low-carb");
        await FollowedProtocols.State(cook, eater, "low-carb", "net-carbs", 40);
        var recipe = await cook.AddRecipe("Cod and rice", 2, "200 g rice, rinsed", "200 g cod");
        var offers = await Offers(cook, eater, recipe, "net-carbs");
        var less = offers.First(offer => offer!["words"]!.GetValue<string>().Contains("rice instead of 200 g", StringComparison.Ordinal))!;
        var line = less["asChange"]!["lines"]![0]!;
        Assert.Matches(@"^\d+ g rice", line["text"]!.GetValue<string>());
        var portions = offers.First(offer =>
            offer!["words"]!.GetValue<string>().Contains("portions instead of 2", StringComparison.Ordinal)
        )!;
        Assert.Null(portions["asVariant"]);
        foreach (var offer in new[] { less, portions })
        {
            var draft = offer["asChange"]!.DeepClone();
            draft["basedOn"] = (await cook.Get($"/api/recipes/{recipe}"))["number"]!.GetValue<int>();
            await cook.Must(HttpMethod.Put, $"/api/recipes/{recipe}", draft);
            var sheet = await cook.Get($"/api/recipes/{recipe}");
            Assert.Equal(
                "fits",
                sheet["verdicts"]![0]!["findings"]!.AsArray().Single(finding => finding!["rule"]!.GetValue<string>() == "net-carbs")![
                    "verdict"
                ]!.GetValue<string>()
            );
        }
    }

    [Fact]
    public async Task What_is_asked_of_nobody_and_nothing_is_refused()
    {
        var (cook, eater, recipe) = await MoveIn(database);
        Task<JsonNode> Refused(HttpStatusCode status, string code, Guid id, Guid of, string rule) =>
            cook.Refused(status, code, HttpMethod.Get, $"/api/recipes/{id}/swaps?eater={of}&rule={rule}");
        await Refused(HttpStatusCode.NotFound, "recipe-gone", Guid.NewGuid(), eater, "animal");
        await Refused(HttpStatusCode.NotFound, "eater-gone", recipe, Guid.NewGuid(), "animal");
        await Refused(HttpStatusCode.UnprocessableEntity, "unknown-rule", recipe, eater, "ghost");
    }
}
