using System.Net;
using static Merienda.Web.Tests.TypedPackets;

namespace Merienda.Web.Tests;

/// <summary>What a packet says is held against what an eater rejected, approved and cannot have.</summary>
public class PacketOpinionTests(TestDatabase database)
{
    private static string Sunday(string date)
    {
        var day = DateOnly.Parse(date, System.Globalization.CultureInfo.InvariantCulture);
        return day.AddDays(-(int)day.DayOfWeek).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public async Task A_rejected_packet_is_met_again_in_a_recipe_and_in_an_exchange_and_in_shop()
    {
        var cook = await database.SignUp();
        var (eater, key) = (
            await Eater(cook),
            await Keep(cook, Packet(values: [("energy", "400"), ("fat", "1.0"), ("carbohydrate", "60"), ("protein", "10")]))
        );
        var recipe = await cook.AddRecipe("Crackers", 1, "100 g Sea crackers");
        var path = $"/api/larder/packets/{IdOf(key)}/opinions/{eater}";
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "reason-length",
            HttpMethod.Put,
            path,
            new
            {
                isApproved = false,
                reason = " ",
                isAdult = false,
            }
        );
        await cook.Must(
            HttpMethod.Put,
            path,
            new
            {
                isApproved = false,
                reason = "too salty",
                isAdult = false,
            }
        );
        Assert.Contains(
            "rejected on",
            (await cook.Get($"/api/recipes/{recipe}"))["verdicts"]![0]!["findings"]!.ToJsonString(),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "too salty",
            (await cook.Get($"/api/table/exchange?from=oats&grams=40&to={key}&equal=energy"))["rejected"]!.ToJsonString(),
            StringComparison.Ordinal
        );
        var week = (await cook.Get("/api/account"))["person"]!["today"]!.GetValue<string>();
        await cook.MakeBatch($"/api/weeks/{week}", recipe, Sunday(week), 1);
        Assert.Contains("too salty", (await cook.Get($"/api/weeks/{week}/shop"))["aisles"]!.ToJsonString(), StringComparison.Ordinal);
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        await cook.Must(HttpMethod.Delete, path);
        Assert.DoesNotContain("too salty", (await cook.Get($"/api/recipes/{recipe}")).ToJsonString(), StringComparison.Ordinal);
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Contains(
            "too salty",
            (await cook.Get($"/api/larder/foods/{key}"))["packet"]!["opinions"]!.ToJsonString(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task An_allergic_eater_gets_a_packet_that_warns_only_after_an_adult_approved_these_ingredients()
    {
        var cook = await database.SignUp();
        var eater = await Eater(cook);
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/personal",
            new
            {
                allergies = new[] { "milk" },
                dislikes = Array.Empty<string>(),
                portionHabit = 1,
            }
        );
        var id = IdOf(await Keep(cook, Packet(mayContain: "milk")));
        var recipe = await cook.AddRecipe("Crackers", 2, "100 g Sea crackers");
        var today = (await cook.Get("/api/account"))["person"]!["today"]!.GetValue<string>();
        var batch = (await cook.MakeBatch($"/api/weeks/{today}", recipe, Sunday(today), 2))["batches"]![0]!["id"]!.GetValue<Guid>();
        var place = new
        {
            to = new
            {
                date = today,
                meal = "supper",
                eaterId = eater,
            },
        };
        await cook.Refused(HttpStatusCode.Conflict, "allergy", HttpMethod.Post, $"/api/weeks/{today}/batches/{batch}/place", place);
        var path = $"/api/larder/packets/{id}/opinions/{eater}";
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "adult-needed",
            HttpMethod.Put,
            path,
            new
            {
                isApproved = true,
                reason = "the maker was asked",
                isAdult = false,
            }
        );
        await cook.Must(
            HttpMethod.Put,
            path,
            new
            {
                isApproved = true,
                reason = "the maker was asked",
                isAdult = true,
            }
        );
        await cook.Must(HttpMethod.Post, $"/api/weeks/{today}/batches/{batch}/place", place);

        // Other ingredients are another packet to decide on; one that names the allergen cannot be approved at all.
        await cook.Must(HttpMethod.Put, $"/api/larder/packets/{id}", Packet(statement: "Oats, salt, flavouring", basedOn: 1));
        Assert.False(
            (await cook.Get($"/api/larder/foods/{Core.Foods.Packets.Packet.KeyOf(id)}"))["packet"]!["opinions"]![0]![
                "holds"
            ]!.GetValue<bool>()
        );
        await cook.Must(HttpMethod.Put, $"/api/larder/packets/{id}", Packet(statement: "Oats, whey powder", basedOn: 2));
        await cook.Refused(
            HttpStatusCode.Conflict,
            "packet-names-it",
            HttpMethod.Put,
            path,
            new
            {
                isApproved = true,
                reason = "no",
                isAdult = true,
            }
        );
    }

    [Fact]
    public async Task What_the_law_tolerates_widens_a_packet_when_the_household_says_so()
    {
        var cook = await database.SignUp();
        await Keep(cook, Packet(values: [("protein", "20")]));
        var recipe = await cook.AddRecipe("Crackers", 1, "100 g Sea crackers");
        async Task<decimal> High() =>
            (await cook.Get($"/api/recipes/{recipe}"))["perPortion"]!
                .AsArray()
                .Single(one => one!["key"]!.GetValue<string>() == "protein")!["value"]!["high"]!.GetValue<decimal>();
        Assert.Equal(20.5m, await High());
        var kitchen = System.Text.Json.JsonSerializer.SerializeToNode(KitchenTests.Kitchen(), System.Text.Json.JsonSerializerOptions.Web)!;
        kitchen["countsTolerances"] = true;
        await cook.Must(HttpMethod.Put, "/api/table/kitchen", kitchen);
        Assert.Equal(24m, await High());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(20.5m, await High());
    }

    [Fact]
    public async Task Whether_traces_count_is_stated_with_the_eater()
    {
        var cook = await database.SignUp();
        var eater = await Eater(cook);
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "vegan" } });
        await Keep(cook, Packet(statement: "Oats, contains less than 2 % of: milk powder"));
        var recipe = await cook.AddRecipe("Crackers", 1, "100 g Sea crackers");
        async Task<string> Verdict() => (await cook.Get($"/api/recipes/{recipe}"))["verdicts"]![0]!["verdict"]!.GetValue<string>();
        Assert.Equal("breaks", await Verdict());
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/personal",
            new
            {
                allergies = Array.Empty<string>(),
                dislikes = Array.Empty<string>(),
                portionHabit = 1,
                countsTraces = false,
            }
        );
        Assert.Equal("fits", await Verdict());
    }

    [Fact]
    public async Task Whether_refined_soybean_oil_is_soy_is_stated_with_the_eater_and_undone()
    {
        var cook = await database.SignUp();
        var eater = await Eater(cook);
        object Personal(bool? trusts) =>
            trusts is { } said
                ? new
                {
                    allergies = new[] { "soy" },
                    dislikes = Array.Empty<string>(),
                    portionHabit = 1,
                    countsTraces = true,
                    trustsRefinedSoybeanOil = said,
                }
                : new
                {
                    allergies = new[] { "soy-oil" },
                    dislikes = Array.Empty<string>(),
                    portionHabit = 1,
                    countsTraces = true,
                };
        async Task<string> Verdict(Guid recipe) =>
            (await cook.Get($"/api/recipes/{recipe}"))["verdicts"]![0]!["verdict"]!.GetValue<string>();

        await Keep(cook, Packet(statement: "Oats, fully refined soybean oil, salt"));
        var recipe = await cook.AddRecipe("Crackers", 1, "100 g Sea crackers");
        // The careful answer is the default, and whoever names the oil means soy.
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/personal", Personal(null));
        Assert.Equal("breaks", await Verdict(recipe));
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/personal", Personal(true));
        Assert.Equal("fits", await Verdict(recipe));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("breaks", await Verdict(recipe));
    }
}
