using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

public class LarderTests(TestDatabase database)
{
    private static object Packet(string country = "unitedStates", decimal serving = 100, string statement = "", params (string Nutrient, string Printed)[] values) => new
    {
        country,
        basis = (string?)null,
        servingGrams = serving,
        servings = 14,
        values = values.Select(value => new { nutrient = value.Nutrient, printed = value.Printed }),
        statement,
    };

    [Fact]
    public async Task A_packet_is_read_for_everybody_at_the_table()
    {
        var cook = await database.SignUp();
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "vegan" } });
        var answer = await cook.Must(HttpMethod.Post, "/api/larder/packet", Packet(statement: "Sugar, whey powder", values: [("carbohydrate", "10"), ("fibre", "7"), ("fat", "0")]));
        Assert.Equal(3, answer["netCarbs"]!["best"]!.GetValue<decimal>());
        var fat = answer["values"]!.AsArray().Single(value => value!["nutrient"]!.GetValue<string>() == "fat")!;
        Assert.Equal((0.5m, 7m), (fat["served"]!["high"]!.GetValue<decimal>(), fat["batch"]!["high"]!.GetValue<decimal>()));
        Assert.Equal("breaks", answer["verdicts"]![0]!["verdict"]!.GetValue<string>());
        Assert.Equal("Animal foods: \"whey powder\" (milk) is in it.", answer["verdicts"]![0]!["because"]![0]!.GetValue<string>());
    }

    [Fact]
    public async Task Bad_packets_are_refused_with_field_and_cure()
    {
        var cook = await database.SignUp();
        foreach (var (packet, code) in new[]
        {
            (Packet(serving: 0), "serving-out-of-range"), (Packet(country: "other"), "basis-unknown"), (Packet(values: [("fat", "lots")]), "unreadable-value"),
            (Packet(values: [("carbohydrate", "3"), ("fibre", "7")]), "fibre-above-carbohydrate"), (Packet(statement: new string('a', 100_000)), "statement-too-long"),
        })
        {
            await cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Post, "/api/larder/packet", packet);
        }
    }

    [Fact]
    public async Task Foods_are_found_by_word_and_class()
    {
        var cook = await database.SignUp();
        async Task<JsonNode> Find(string query, string foodClass) => await cook.Get($"/api/larder/foods?query={query}&foodClass={foodClass}");
        Assert.InRange((await Find("", ""))["total"]!.GetValue<int>(), 420, 10_000);
        Assert.Contains("courgette", (await Find("zucchini", ""))["foods"]!.AsArray().Select(food => food!["key"]!.GetValue<string>()));
        Assert.All((await Find("", "crustacean"))["foods"]!.AsArray(), food => Assert.Contains("crustaceans", food!["classes"]!.ToJsonString(), StringComparison.Ordinal));
        Assert.Equal(0, (await Find("zzzz", ""))["total"]!.GetValue<int>());
    }
}
