using System.Net;

namespace Merienda.Web.Tests;

public class KitchenTests(TestDatabase database)
{
    public static object Kitchen(
        string units = "metric",
        int count = 1,
        int volume = 900,
        decimal? fill = 0.67m,
        string kind = "pressure-cooker",
        decimal? freezer = 40
    ) =>
        new
        {
            units,
            numberFormat = "point",
            freezerLitres = freezer,
            items = new[]
            {
                new
                {
                    id = Guid.CreateVersion7(),
                    kind,
                    name = "Cooker",
                    count,
                    capacityMl = 6000,
                    fillShare = fill,
                    widthMm = (int?)null,
                    lengthMm = (int?)null,
                },
            },
            containers = new[]
            {
                new
                {
                    id = Guid.CreateVersion7(),
                    name = "Lunch box",
                    volumeMl = volume,
                    count = 8,
                    material = "glass",
                    mayHeat = true,
                    mayFreeze = true,
                    mayFillHot = true,
                },
            },
            ready = new[]
            {
                new
                {
                    id = Guid.CreateVersion7(),
                    text = "1 pear",
                    meal = "bite",
                    mostAWeek = 3,
                },
            },
        };

    [Fact]
    public async Task The_kitchen_is_kept_as_typed_and_taken_back_by_undo()
    {
        var cook = await database.SignUp();
        await cook.Must(HttpMethod.Put, "/api/table/kitchen", Kitchen("us"));
        var kitchen = (await cook.Get("/api/table/kitchen"))["kitchen"]!;
        Assert.Equal(
            ("us", 0.67m, 900),
            (
                kitchen["units"]!.GetValue<string>(),
                kitchen["items"]![0]!["fillShare"]!.GetValue<decimal>(),
                kitchen["containers"]![0]!["volumeMl"]!.GetValue<int>()
            )
        );
        // A page that knows nothing of the list leaves it alone.
        kitchen.AsObject().Remove("ready");
        kitchen["units"] = "metric";
        await cook.Must(HttpMethod.Put, "/api/table/kitchen", kitchen.DeepClone());
        Assert.Equal("1 pear", (await cook.Get("/api/table/kitchen"))["kitchen"]!["ready"]![0]!["text"]!.GetValue<string>());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal("metric", (await cook.Get("/api/table/kitchen"))["kitchen"]!["units"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_no_kitchen_has_is_refused_with_the_field()
    {
        var cook = await database.SignUp();
        foreach (
            var (kitchen, code) in new[]
            {
                (Kitchen(units: "stone"), "unknown-units"),
                (Kitchen(count: 0), "count-out-of-range"),
                (Kitchen(volume: 0), "volume-out-of-range"),
                (Kitchen(fill: 1.1m), "fill-out-of-range"),
                (Kitchen(kind: "kiln"), "unknown-kind"),
                (Kitchen(freezer: -1), "freezer-out-of-range"),
            }
        )
        {
            await cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Put, "/api/table/kitchen", kitchen);
        }

        Assert.Empty((await cook.Get("/api/table/kitchen"))["kitchen"]!["items"]!.AsArray());
    }
}
