using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

public class PriceTests(TestDatabase database)
{
    private static object Typed(string food, string pack, decimal price, string shop = "") =>
        new
        {
            food,
            pack,
            price,
            shop,
        };

    private static async Task<JsonArray> Prices(Visitor cook) => (await cook.Get("/api/larder/prices"))["prices"]!.AsArray();

    [Fact]
    public async Task A_price_is_noted_noted_anew_taken_back_and_forgotten()
    {
        var cook = await database.SignUp();
        await cook.Must(HttpMethod.Put, "/api/larder/prices", Typed("red lentils", "500 g", 1.9m, "Quay"));
        await cook.Must(HttpMethod.Put, "/api/larder/prices", Typed("red lentils", "1 kg", 3.2m, "quay"));
        var noted = (await Prices(cook)).Single()!;
        Assert.Equal(("Quay", 3.2m), (noted["shop"]!.GetValue<string>(), noted["perKilogram"]!.GetValue<decimal>()));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(3.8m, (await Prices(cook)).Single()!["perKilogram"]!.GetValue<decimal>());
        await cook.Must(HttpMethod.Delete, "/api/larder/prices?food=lentils-red&shop=Quay");
        Assert.Empty(await Prices(cook));
        await cook.Refused(HttpStatusCode.NotFound, "price-gone", HttpMethod.Delete, "/api/larder/prices?food=lentils-red&shop=Quay");
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "price-pack-unreadable",
            HttpMethod.Put,
            "/api/larder/prices",
            Typed("red lentils", "some", 1)
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "shop-name-length",
            HttpMethod.Put,
            "/api/larder/prices",
            Typed("red lentils", "500 g", 1, new string('x', 61))
        );
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-food",
            HttpMethod.Put,
            "/api/larder/prices",
            Typed("moonfruit", "500 g", 1)
        );
    }

    [Fact]
    public async Task A_file_comes_in_whole_or_not_at_all_and_goes_out_as_it_came()
    {
        var cook = await database.SignUp();
        const string Good = "food,pack,price,shop\n\"Red lentils, dry\",500 g,1.90,Quay\nCarrot,1 kg,1.10,\n";
        async Task<JsonNode> Import(string text, bool apply)
        {
            using var file = new StringContent(text, Encoding.UTF8, "text/csv");
            using var answer = await cook.SendContent(HttpMethod.Post, $"/api/larder/prices/import?apply={apply}", file);
            return JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
        }

        var wrong = await Import($"{Good}moonfruit,1 kg,1,\n", true);
        Assert.Equal(
            (false, 1, 4),
            (wrong["isApplied"]!.GetValue<bool>(), wrong["refused"]!.GetValue<int>(), wrong["problems"]![0]!["row"]!.GetValue<int>())
        );
        Assert.Empty(await Prices(cook));

        Assert.Equal(2, (await Import(Good, false))["added"]!.GetValue<int>());
        Assert.Empty(await Prices(cook));
        Assert.True((await Import(Good, true))["isApplied"]!.GetValue<bool>());
        Assert.Equal(2, (await Prices(cook)).Count);
        var again = await Import(Good.Replace("1.10", "1.20", StringComparison.Ordinal), true);
        Assert.Equal((0, 1), (again["added"]!.GetValue<int>(), again["changed"]!.GetValue<int>()));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = again["sequence"]!.GetValue<long>() });

        var file = await cook.Client.GetStringAsync("/api/larder/prices.csv", TestContext.Current.CancellationToken);
        Assert.Equal("food,pack,price,shop\nCarrot,1 kg,1.10,\n\"Red lentils, dry\",500 g,1.90,Quay\n", file.TrimStart('\uFEFF'));
    }
}
