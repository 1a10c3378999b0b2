using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>Collections, kept filters, and who does not like what.</summary>
public class LibraryOrderTests(TestDatabase database)
{
    private static IEnumerable<string> Names(JsonNode page) => page["rows"]!.AsArray().Select(row => row!["name"]!.GetValue<string>());

    private static Task<JsonNode> Library(Visitor cook, string query) => cook.Get($"/api/recipes/library?{query}");

    [Fact]
    public async Task A_recipe_is_in_collections_until_it_is_taken_out_and_undo_puts_it_back()
    {
        var cook = await database.SignUp();
        var beans = await cook.AddRecipe();
        await cook.AddRecipe("Rice", 2, "200 g rice");
        var sheet = await cook.Must(
            HttpMethod.Put,
            $"/api/recipes/{beans}/collections",
            new { names = new[] { " Freezer suppers ", "freezer suppers", "Quick" } }
        );
        Assert.Equal(["Freezer suppers", "Quick"], sheet["collections"]!.AsArray().Select(name => name!.GetValue<string>()));
        var page = await Library(cook, "collection=freezer suppers");
        Assert.Equal(["Beans"], Names(page));
        Assert.Equal(["Freezer suppers", "Quick"], page["collections"]!.AsArray().Select(name => name!.GetValue<string>()));
        await cook.Must(HttpMethod.Put, $"/api/recipes/{beans}/collections", new { names = Array.Empty<string>() });
        Assert.Empty((await Library(cook, ""))["collections"]!.AsArray());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(["Beans"], Names(await Library(cook, "collection=Quick")));
    }

    [Fact]
    public async Task A_filter_is_kept_changed_and_let_go()
    {
        var cook = await database.SignUp();
        foreach (var (query, kept) in new[] { ("handsOn=10", "handsOn=10"), ("handsOn=20&freezes=yes", "handsOn=20&freezes=yes") })
        {
            await cook.Must(HttpMethod.Put, "/api/recipes/filters", new { name = " Quick ", query });
            var filter = Assert.Single((await Library(cook, ""))["kept"]!.AsArray())!;
            Assert.Equal(("Quick", kept), (filter["name"]!.GetValue<string>(), filter["query"]!.GetValue<string>()));
        }

        await cook.Must(HttpMethod.Put, "/api/recipes/filters", new { name = "Quick", query = (string?)null });
        Assert.Empty((await Library(cook, ""))["kept"]!.AsArray());
    }

    [Fact]
    public async Task A_dish_or_a_part_that_somebody_does_not_like_is_marked_and_can_be_left_out()
    {
        var cook = await database.SignUp();
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        var beans = await cook.AddRecipe();
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft("Slaw plate", 2, ["200 g cabbage", "100 g yoghurt"]))!;
        draft["lines"]![1]!["part"] = "Sauce";
        var plate = (await cook.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>();
        object Said(string part, bool isDisliked = true) =>
            new
            {
                eaterId = eater,
                part,
                isDisliked,
            };

        await cook.Must(HttpMethod.Put, $"/api/recipes/{beans}/disliked", Said(""));
        var sheet = await cook.Must(HttpMethod.Put, $"/api/recipes/{plate}/disliked", Said("Sauce"));
        Assert.Equal("Sauce", Assert.Single(sheet["usual"]![0]!["dislikes"]!.AsArray())!.GetValue<string>());
        Assert.All((await Library(cook, ""))["rows"]!.AsArray(), row => Assert.True(row!["verdicts"]![0]!["isDisliked"]!.GetValue<bool>()));
        Assert.Empty(Names(await Library(cook, "liked=true")));
        Assert.All((await cook.Get("/api/recipes")).AsArray(), row => Assert.True(row!["verdicts"]![0]!["isDisliked"]!.GetValue<bool>()));
        var board = await cook.MakeBatch(ThisWeek.Week, plate, ThisWeek.Day(-1), 4);
        Assert.Equal(eater, Assert.Single(board["batches"]![0]!["lots"]![0]!["notLikedBy"]!.AsArray())!.GetValue<Guid>());
        await cook.Must(HttpMethod.Put, $"/api/recipes/{plate}/disliked", Said("Sauce", false));
        Assert.Equal(["Slaw plate"], Names(await Library(cook, "liked=true")));
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-part",
            HttpMethod.Put,
            $"/api/recipes/{plate}/disliked",
            Said("Gravy")
        );
    }

    [Fact]
    public async Task What_cannot_be_kept_is_refused_in_words()
    {
        var cook = await database.SignUp();
        var beans = await cook.AddRecipe();
        Task<JsonNode> Refused(string code, string path, object body) =>
            cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Put, path, body);
        await Refused("collection-name-length", $"/api/recipes/{beans}/collections", new { names = new[] { " " } });
        await Refused("collection-name-length", "/api/recipes/filters", new { name = new string('x', 41), query = "a=b" });
        await Refused(
            "too-many-collections",
            $"/api/recipes/{beans}/collections",
            new { names = Enumerable.Range(0, 21).Select(at => $"{at}") }
        );
        await Refused("filter-length", "/api/recipes/filters", new { name = "x", query = "" });
        for (var at = 0; at < 40; at++)
        {
            await cook.Must(HttpMethod.Put, "/api/recipes/filters", new { name = $"{at}", query = "a=b" });
        }

        await Refused("too-many-filters", "/api/recipes/filters", new { name = "one more", query = "a=b" });
        await cook.Refused(
            HttpStatusCode.NotFound,
            "recipe-gone",
            HttpMethod.Put,
            $"/api/recipes/{Guid.NewGuid()}/collections",
            new { names = Array.Empty<string>() }
        );
    }
}
