using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>Whether it goes into the pot that is there, said before anybody cooks.</summary>
public class VesselTests(TestDatabase database)
{
    [Fact]
    public async Task The_pot_of_the_household_is_held_against_the_batch()
    {
        var cook = await database.SignUp();
        var kitchen = (await cook.Get("/api/table/kitchen"))["kitchen"]!;
        kitchen["items"] = new JsonArray(
            new JsonObject
            {
                ["id"] = Guid.NewGuid(),
                ["kind"] = "pot",
                ["name"] = "Blue pot",
                ["count"] = 1,
                ["capacityMl"] = 2000,
                ["fillShare"] = 0.8,
                ["widthMm"] = null,
                ["lengthMm"] = null,
            }
        );
        await cook.Must(HttpMethod.Put, "/api/table/kitchen", kitchen);
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft("Broth", 4, ["1000 ml chicken stock"]))!;
        draft["tasks"] = new JsonArray(
            new JsonObject
            {
                ["id"] = "1",
                ["text"] = "Simmer the stock.",
                ["handsOn"] = 2,
                ["unattended"] = 20,
                ["appliance"] = "burner",
                ["temperatureC"] = null,
                ["after"] = new JsonArray(),
            }
        );
        var id = (await cook.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>();
        async Task<(string Verdict, string Said)> At(string query)
        {
            var vessel = (await cook.Get($"/api/recipes/{id}/vessels{query}"))[0]!;
            return (vessel["verdict"]!.GetValue<string>(), vessel["said"]!.GetValue<string>());
        }

        Assert.Equal(("fits", "Blue pot"), await At(""));
        Assert.Equal(("tooLarge", "two rounds: Blue pot takes 1.6 l, this is about 2 l"), await At("?portions=8"));
        Assert.Equal(("fits", "Blue pot"), await At("?portions=-1"));
        await cook.Refused(HttpStatusCode.NotFound, "recipe-gone", HttpMethod.Get, $"/api/recipes/{Guid.NewGuid()}/vessels");

        await cook.Must(
            HttpMethod.Post,
            $"{Week}/batches",
            new
            {
                recipeId = id,
                cookedOn = Day(-1),
                portions = 8,
            }
        );
        var task = (await cook.Get($"{Week}/sessions"))[0]!["tasks"]![0]!;
        Assert.Equal("tooLarge", task["vesselFits"]!.GetValue<string>());
        Assert.StartsWith("two rounds", task["vessel"]!.GetValue<string>(), StringComparison.Ordinal);
    }
}
