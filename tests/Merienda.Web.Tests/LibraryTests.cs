using System.Net;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>Who can eat what: rows, filters, orders and pages of the library.</summary>
public class LibraryTests(TestDatabase database)
{
    private static async Task<JsonNode> Ask(Visitor cook, string query = "") => await cook.Get($"/api/recipes/library?{query}");

    private static async Task<IEnumerable<string>> Names(Visitor cook, string query = "") =>
        (await Ask(cook, query))["rows"]!.AsArray().Select(row => row!["name"]!.GetValue<string>());

    private static async Task<(Visitor Cook, Guid Eater)> MoveIn(TestDatabase database)
    {
        var cook = await database.SignUp();
        var eater = await FollowedProtocols.Follow(cook, "vegan");
        foreach (
            var (name, keeping, meal, lines, steps) in new[]
            {
                ("Lentil pot", "cooked", "supper", "400 g red lentils", "Simmer for 25 minutes."),
                ("Lamb roast", "cooked", "supper", "800 g lamb leg steak", "Roast at 180 °C for 90 minutes."),
                ("Green salad", "dressed-salad", (string?)null, "200 g lettuce", "Toss, 5 minutes."),
                ("Cod stew", "cooked-fish", "lunch", "500 g cod", "Simmer for 40 minutes."),
            }
        )
        {
            var draft = await cook.Must(
                HttpMethod.Post,
                "/api/recipes/read-text",
                new { text = $"{name}\nServes 4\n{lines}\nMethod\n{steps}" }
            );
            (draft["keeping"], draft["meal"]) = (keeping, meal);
            await cook.Must(HttpMethod.Post, "/api/recipes", draft);
        }

        return (cook, eater);
    }

    [Fact]
    public async Task Every_recipe_stands_against_every_eater_with_its_work_and_keeping()
    {
        var (cook, eater) = await MoveIn(database);
        var page = await Ask(cook);
        Assert.Equal((4, 4), (page["found"]!.GetValue<int>(), page["all"]!.GetValue<int>()));
        Assert.Equal(["Cod stew", "Green salad", "Lamb roast", "Lentil pot"], await Names(cook));
        var lamb = page["rows"]![2]!;
        Assert.Equal(
            (eater, "breaks"),
            (lamb["verdicts"]![0]!["eaterId"]!.GetValue<Guid>(), lamb["verdicts"]![0]!["verdict"]!.GetValue<string>())
        );
        Assert.Equal((true, 4), (lamb["freezes"]!.GetValue<bool>(), lamb["fridgeDays"]!.GetValue<int>()));
        Assert.Equal(92, lamb["minutes"]!.GetValue<int>());
        Assert.Equal(["oven"], lamb["appliances"]!.AsArray().Select(appliance => appliance!.GetValue<string>()));
    }

    [Theory]
    [InlineData("search=lentil", "Lentil pot")]
    [InlineData("search=LAMB leg", "Lamb roast")]
    [InlineData("search=lentil cod", "")]
    [InlineData("verdict=fits", "Green salad,Lentil pot")]
    [InlineData("verdict=breaks", "Cod stew,Lamb roast")]
    [InlineData("meal=lunch", "Cod stew,Green salad")]
    [InlineData("minutes=45", "Cod stew,Green salad,Lentil pot")]
    [InlineData("minutes=42", "Cod stew,Green salad,Lentil pot")]
    [InlineData("minutes=41", "Green salad,Lentil pot")]
    [InlineData("handsOn=4", "Cod stew,Lamb roast,Lentil pot")]
    [InlineData("appliance=oven", "Lamb roast")]
    [InlineData("freezes=true", "Cod stew,Lamb roast,Lentil pot")]
    [InlineData("keeps=4", "Green salad,Lamb roast,Lentil pot")]
    [InlineData("verdict=fits&minutes=10", "Green salad")]
    [InlineData("down=true", "Lentil pot,Lamb roast,Green salad,Cod stew")]
    [InlineData("sort=minutes", "Green salad,Lentil pot,Cod stew,Lamb roast")]
    [InlineData("sort=Minutes&down=true", "Lamb roast,Cod stew,Lentil pot,Green salad")]
    [InlineData("sort=verdict", "Green salad,Lentil pot,Cod stew,Lamb roast")]
    [InlineData("sort=keeps", "Cod stew,Green salad,Lamb roast,Lentil pot")]
    [InlineData("number=fibre&atLeast=5", "Lentil pot")]
    [InlineData("number=fibre&atMost=5", "Cod stew,Green salad,Lamb roast")]
    [InlineData("number=Protein&atLeast=20&atMost=30", "Cod stew,Lentil pot")]
    [InlineData("number=points&atMost=0.5", "Green salad")]
    [InlineData("number=energy&sort=number", "Green salad,Cod stew,Lamb roast,Lentil pot")]
    [InlineData("number=fibre&sort=number&down=true", "Lentil pot,Green salad,Cod stew,Lamb roast")]
    [InlineData("sort=number", "Cod stew,Green salad,Lamb roast,Lentil pot")]
    [InlineData("skip=2", "Lamb roast,Lentil pot")]
    [InlineData("skip=-5", "Cod stew,Green salad,Lamb roast,Lentil pot")]
    public async Task What_is_asked_for_is_found(string query, string names)
    {
        var (cook, _) = await MoveIn(database);
        Assert.Equal(names, string.Join(',', await Names(cook, query)));
    }

    [Fact]
    public async Task A_number_that_is_only_partly_known_is_never_below_a_ceiling()
    {
        var cook = await database.SignUp();
        await cook.AddRecipe("Rice", 2, "200 g rice");
        await cook.AddRecipe("Rice and something", 2, "200 g rice", "a jar of quince marmalade dregs");
        Assert.Equal(["Rice"], await Names(cook, "number=energy&atMost=2000"));
        Assert.Equal(["Rice", "Rice and something"], await Names(cook, "number=energy&atLeast=300"));
        // Neither little nor much: it comes last, whichever way.
        foreach (var order in new[] { "sort=energy", "sort=energy&down=true", "number=fibre&sort=number", "sort=protein&down=true" })
        {
            Assert.Equal(["Rice", "Rice and something"], await Names(cook, order));
        }

        var asked = (await Ask(cook, "number=fibre"))["rows"]![0]!["asked"]!;
        Assert.Equal(("fibre", "g"), (asked["key"]!.GetValue<string>(), asked["unit"]!.GetValue<string>()));
        Assert.Null((await Ask(cook))["rows"]![0]!["asked"]);
    }

    [Fact]
    public async Task A_verdict_is_that_of_the_eater_who_is_asked_for_as_their_usual_variant_is_made()
    {
        var (cook, eater) = await MoveIn(database);
        await cook.Must(HttpMethod.Post, "/api/table/eaters", new { name = "Teun", isGuest = false });
        var other = (await cook.Get("/api/table"))["eaters"]![1]!["id"]!.GetValue<Guid>();
        await cook.BecomeAllergic(other, "legume");
        Assert.Equal(["Green salad", "Lentil pot"], await Names(cook, $"verdict=fits&eater={eater}"));
        Assert.Equal(["Green salad"], await Names(cook, "verdict=fits"));
        Assert.Equal(["Lentil pot"], await Names(cook, $"verdict=breaks&eater={other}"));
        var lamb = (await cook.Get("/api/recipes")).AsArray().Single(row => row!["name"]!.GetValue<string>() == "Lamb roast")![
            "id"
        ]!.GetValue<Guid>();
        var offer = (await cook.Get($"/api/recipes/{lamb}/swaps?eater={eater}&rule=animal"))[0]!;
        await cook.Must(HttpMethod.Put, $"/api/recipes/{lamb}", offer["asVariant"]!.DeepClone());
        await cook.Must(
            HttpMethod.Put,
            $"/api/recipes/{lamb}/usual",
            new { eaterId = eater, variant = offer["variantName"]!.GetValue<string>() }
        );
        Assert.Contains("Lamb roast", await Names(cook, $"verdict=fits&eater={eater}"));
    }

    [Fact]
    public async Task Words_that_the_library_does_not_know_are_refused_by_name()
    {
        var (cook, _) = await MoveIn(database);
        foreach (var query in new[] { "sort=ghost", "verdict=perfect", "appliance=7", "sort=2", "number=vitamin" })
        {
            await cook.Refused(HttpStatusCode.UnprocessableEntity, "unknown-filter", HttpMethod.Get, $"/api/recipes/library?{query}");
        }

        foreach (var number in new[] { "0,5", "abc", "1e3" })
        {
            var (status, answer) = await cook.Send(HttpMethod.Get, $"/api/recipes/library?number=energy&atMost={number}");
            Assert.Equal(
                (HttpStatusCode.BadRequest, "atMost", number),
                (status, answer!["field"]!.GetValue<string>(), answer["value"]!.GetValue<string>())
            );
        }

        await cook.Refused(HttpStatusCode.NotFound, "eater-gone", HttpMethod.Get, $"/api/recipes/library?eater={Guid.NewGuid()}");
    }
}
