using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

public class StockTests(TestDatabase database)
{
    private static object Line(string line, string place = "fridge", string? madeOn = null, string? bestBefore = null) =>
        new
        {
            line,
            food = (string?)null,
            place,
            madeOn,
            bestBefore,
        };

    private static async Task<JsonArray> Items(Visitor cook) => (await cook.Get("/api/larder/stock"))["items"]!.AsArray();

    private static string Day(JsonNode page, int days) =>
        DateOnly
            .Parse(page["today"]!.GetValue<string>(), System.Globalization.CultureInfo.InvariantCulture)
            .AddDays(days)
            .ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);

    [Fact]
    public async Task Things_come_in_by_a_line_and_stand_with_the_oldest_first()
    {
        var cook = await database.SignUp();
        var page = await cook.Get("/api/larder/stock");
        await cook.Must(HttpMethod.Post, "/api/larder/stock", Line("500 g red lentils", "pantry"));
        await cook.Must(HttpMethod.Post, "/api/larder/stock", Line("300 g chicken breast", madeOn: Day(page, 0)));
        await cook.Must(HttpMethod.Post, "/api/larder/stock", Line("200 g feta", bestBefore: Day(page, 20)));
        await cook.Must(HttpMethod.Post, "/api/larder/stock", Line("150 g feta", bestBefore: Day(page, 3)));
        await cook.Must(HttpMethod.Post, "/api/larder/stock", Line("a jar of quince jelly", "pantry"));
        var items = await Items(cook);
        Assert.Equal(["1 jar", "500 g", "300 g", "150 g", "200 g"], items.Select(item => item!["amount"]!.GetValue<string>()));
        Assert.Equal([null, "lentils-red", "chicken-breast", "feta", "feta"], items.Select(item => item!["food"]?.GetValue<string>()));
        // Raw poultry keeps a day; the printed date of the older feta comes within the week, the other's does not.
        Assert.Equal([false, false, true, true, false], items.Select(item => item!["isDue"]!.GetValue<bool>()));
        Assert.Equal(2, (await cook.Get("/api/larder/stock"))["due"]!.GetValue<int>());
        Assert.Equal(Day(page, 1), items[2]!["goBy"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_happens_to_a_thing_is_noted_and_can_be_taken_back()
    {
        var cook = await database.SignUp();
        await cook.Must(HttpMethod.Post, "/api/larder/stock", Line("600 g cod fillet"));
        var id = (await Items(cook))[0]!["id"]!.GetValue<Guid>();
        Task Act(string action) => cook.Must(HttpMethod.Post, $"/api/larder/stock/{id}/action", new { action });
        Task Not(string code, string action) =>
            cook.Refused(HttpStatusCode.Conflict, code, HttpMethod.Post, $"/api/larder/stock/{id}/action", new { action });
        Task Undo() => cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        await Act("frozen");
        Assert.Equal("freezer", (await Items(cook))[0]!["place"]!.GetValue<string>());
        await Not("already-frozen", "frozen");
        await Act("toFridge");
        Assert.NotNull((await Items(cook))[0]!["thawedOn"]);
        await Not("never-refrozen", "frozen");
        await Act("opened");
        await Not("already-opened", "opened");
        await cook.Must(HttpMethod.Put, $"/api/larder/stock/{id}/amount", new { grams = 250.25m });
        Assert.Equal("250 g", (await Items(cook))[0]!["amount"]!.GetValue<string>());
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "stock-amount-out-of-range",
            HttpMethod.Put,
            $"/api/larder/stock/{id}/amount",
            new { grams = -1 }
        );
        await Act("usedUp");
        Assert.Empty(await Items(cook));
        await Not("stock-gone", "opened");
        await Undo();
        await Undo();
        Assert.Equal("600 g", (await Items(cook))[0]!["amount"]!.GetValue<string>());
        await Undo();
        await Undo();
        await Undo();
        Assert.Equal("fridge", (await Items(cook))[0]!["place"]!.GetValue<string>());
        await Undo();
        Assert.Empty(await Items(cook));
    }

    [Theory]
    [InlineData("-3 eggs", "stock-amount-out-of-range")]
    [InlineData("0 g flour", "stock-amount-out-of-range")]
    [InlineData("  ", "stock-line-length")]
    public async Task What_cannot_stand_on_a_shelf_is_refused(string line, string code)
    {
        var cook = await database.SignUp();
        await cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Post, "/api/larder/stock", Line(line));
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "stock-date-in-future",
            HttpMethod.Post,
            "/api/larder/stock",
            Line("1 egg", madeOn: Day(await cook.Get("/api/larder/stock"), 2))
        );
        Assert.Empty(await Items(cook));
    }

    [Fact]
    public async Task An_opened_packet_keeps_the_days_that_are_printed_on_it()
    {
        var cook = await database.SignUp();
        await cook.Must(HttpMethod.Post, "/api/larder/packets", TypedPackets.Packet("Coconut pot"));
        await cook.Must(HttpMethod.Post, "/api/larder/stock", Line("1 pack Coconut pot"));
        var before = (await Items(cook))[0]!;
        Assert.Equal(("1 pack · 250 g", null), (before["amount"]!.GetValue<string>(), before["goBy"]?.GetValue<string>()));
        await cook.Must(HttpMethod.Post, $"/api/larder/stock/{before["id"]}/action", new { action = "opened" });
        var page = await cook.Get("/api/larder/stock");
        Assert.Equal(
            (Day(page, 3), "opened, its packet gives it 3 days"),
            (page["items"]![0]!["goBy"]!.GetValue<string>(), page["items"]![0]!["because"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task Boxes_of_a_session_stand_in_stock_until_they_are_eaten()
    {
        var cook = await database.SignUp();
        var today = (await cook.Get("/api/account"))["person"]!["today"]!.GetValue<string>();
        var day = DateOnly.Parse(today, System.Globalization.CultureInfo.InvariantCulture);
        string Iso(DateOnly date) => date.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
        var lastWeek = day.AddDays(-(int)day.DayOfWeek - 7);
        await cook.MakeBatch($"/api/weeks/{Iso(lastWeek)}", await cook.AddRecipe("Beans"), Iso(lastWeek), 2);
        var box = (await cook.Get("/api/larder/stock"))["boxes"]![0]!;
        Assert.Equal(
            ("Beans", true, true),
            (box["dish"]!.GetValue<string>(), box["isPast"]!.GetValue<bool>(), box["mayGo"]!.GetValue<bool>())
        );
        var events = $"/api/batches/{box["batchId"]}/boxes/{box["id"]}/events";
        var gone = await cook.Edit(
            HttpMethod.Post,
            events,
            new
            {
                kind = "Discarded",
                at = DateTimeOffset.UtcNow,
                reason = "too old",
            },
            Guid.NewGuid()
        );
        Assert.Equal(HttpStatusCode.NoContent, gone.Status);
        Assert.DoesNotContain(
            box["id"]!.ToJsonString(),
            (await cook.Get("/api/larder/stock"))["boxes"]!.ToJsonString(),
            StringComparison.Ordinal
        );
        await cook.Refused(
            HttpStatusCode.Conflict,
            "box-gone",
            HttpMethod.Post,
            events,
            new { kind = "Eaten", at = DateTimeOffset.UtcNow }
        );
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = gone.Sequence });
        Assert.Contains(
            box["id"]!.ToJsonString(),
            (await cook.Get("/api/larder/stock"))["boxes"]!.ToJsonString(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_line_with_several_things_takes_in_each_says_what_it_did_not_take_and_goes_back_as_one()
    {
        var cook = await database.SignUp();
        var taken = await cook.Must(
            HttpMethod.Post,
            "/api/larder/stock",
            Line("500 g red lentils, 2 tins chopped tomatoes, 6 eggs, -3 onions")
        );
        Assert.Equal(
            ["Red lentils, dry", "Tinned chopped tomatoes", "Egg"],
            taken["taken"]!.AsArray().Select(name => name!.GetValue<string>())
        );
        Assert.Equal("-3 onions", Assert.Single(taken["notTaken"]!.AsArray())!["text"]!.GetValue<string>());
        Assert.Equal(3, (await Items(cook)).Count);
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Empty(await Items(cook));
    }

    [Fact]
    public async Task The_date_on_the_packet_is_read_from_the_line_and_one_that_is_none_is_not_taken()
    {
        var cook = await database.SignUp();
        var taken = await cook.Must(
            HttpMethod.Post,
            "/api/larder/stock",
            Line("6 eggs best before 12 Dec 2099, 1 l milk use by 31/13, 500 g rice")
        );
        Assert.Equal("1 l milk use by 31/13", Assert.Single(taken["notTaken"]!.AsArray())!["text"]!.GetValue<string>());
        Assert.Equal(
            [("Egg", "2099-12-12"), ("White rice, dry", "")],
            (await Items(cook)).Select(item => (item!["name"]!.GetValue<string>(), item["bestBefore"]?.GetValue<string>() ?? "")).Order()
        );
        var (status, refused) = await cook.Send(HttpMethod.Post, "/api/larder/stock", Line("1 l milk use by 31/13"));
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "stock-date-unread"), (status, refused!["code"]!.GetValue<string>()));
    }
}
