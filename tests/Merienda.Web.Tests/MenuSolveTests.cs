using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

public class MenuSolveTests(TestDatabase database)
{
    private static Task<JsonNode> Solve(Circle circle, int? mostChanges) =>
        circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/solve", new { mostChanges });

    private static Task<JsonNode> Take(Circle circle, JsonNode offer) =>
        circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/solved", new { changes = offer["changes"] });

    [Fact]
    public async Task Open_meals_are_filled_as_offered_in_one_edit_that_is_taken_back_as_one()
    {
        var circle = await Circle.Founded(database);
        var other = await circle.Desk.AddRecipe("Quay pan", 4, "400 g cod", "2 onions");
        var offer = await Solve(circle, null);
        Assert.True(offer["isProven"]!.GetValue<bool>());
        // Lunches and suppers of seven days, one of which has its beans: two dishes, each at most thrice a week and once a day.
        Assert.Equal((27, 22), (offer["before"]!["open"]!.GetValue<int>(), offer["after"]!["open"]!.GetValue<int>()));
        var changes = offer["changes"]!.AsArray();
        Assert.Equal(5, changes.Count);
        Assert.All(changes, change => Assert.Null(change!["replaces"]));

        var menu = await Take(circle, offer);
        Assert.Equal(6, menu["dishes"]!.AsArray().Count);
        await circle.Desk.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Single((await circle.Desk.Get("/api/groups"))["desk"]!["menus"]![0]!["dishes"]!.AsArray());

        // Put twice the meals are full of it; a recipe that is another one by now is not put there.
        await circle.Desk.Must(HttpMethod.Delete, $"/api/recipes/{other}");
        await circle.Desk.Refused(
            HttpStatusCode.Conflict,
            "offer-outdated",
            HttpMethod.Post,
            $"/api/groups/menus/{circle.Menu}/solved",
            new { changes = offer["changes"] }
        );
        await circle.Desk.Refused(
            HttpStatusCode.NotFound,
            "menu-gone",
            HttpMethod.Post,
            $"/api/groups/menus/{Guid.NewGuid()}/solve",
            new { mostChanges = (int?)null }
        );
    }

    [Fact]
    public async Task A_dish_that_leaves_many_out_gives_way_to_one_that_suits_them()
    {
        var circle = await Circle.Founded(database);
        await circle.Desk.AddRecipe("Quay pan", 4, "400 g cod", "2 onions");
        var curd = await circle.Desk.AddRecipe("Curd pot", 4, "400 g pearl barley", "300 g feta");
        await circle.Put(1, curd);
        for (var one = 0; one < 3; one++)
        {
            var (member, _) = await circle.Member($"Member {one}");
            await member.BecomeAllergic((await member.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>(), "milk");
            await Circle.Share(member, circle.Group);
        }

        var offer = await Solve(circle, 3);
        var change = Assert.Single(offer["changes"]!.AsArray())!;
        Assert.Equal(("Curd pot", 1), ((string?)change["was"], (int)change["day"]!));
        Assert.Equal((50, 100), ((int)offer["before"]!["fitsPercent"]!, (int)offer["after"]!["fitsPercent"]!));
        var menu = await Take(circle, offer);
        Assert.DoesNotContain(menu["dishes"]!.AsArray(), dish => (string?)dish!["name"] == "Curd pot");
        // Its place is taken: what was offered for it comes no more.
        await circle.Desk.Refused(
            HttpStatusCode.Conflict,
            "dish-gone",
            HttpMethod.Post,
            $"/api/groups/menus/{circle.Menu}/solved",
            new { changes = offer["changes"] }
        );
    }
}
