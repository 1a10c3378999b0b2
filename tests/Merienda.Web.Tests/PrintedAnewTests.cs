using static Merienda.Web.Tests.ThisWeek;
using static Merienda.Web.Tests.TypedPackets;

namespace Merienda.Web.Tests;

/// <summary>A packet that is printed otherwise since a recipe was saved with it.</summary>
public class PrintedAnewTests(TestDatabase database)
{
    private static async Task<string[]> Verdicts(Visitor cook) =>
        [.. (await cook.Get("/api/recipes")).AsArray().Select(one => $"{one!["name"]} {one["verdicts"]![0]!["verdict"]}").Order()];

    private static Task PrintAnew(Visitor cook, string key, string statement, int basedOn, string mayContain = "") =>
        cook.Must(
            HttpMethod.Put,
            $"/api/larder/packets/{IdOf(key)}",
            Packet(statement: statement, mayContain: mayContain, basedOn: basedOn)
        );

    private async Task<(Visitor Cook, string Key)> Kitchen()
    {
        var cook = await database.SignUp();
        await cook.BecomeAllergic(await Eater(cook), "milk");
        var key = await Keep(cook, Packet(statement: "Oats, salt"));
        await cook.AddRecipe("Plate", 2, "100 g Sea crackers");
        await cook.AddRecipe("Board", 2, "1 portion Plate", "100 g carrot");
        Assert.Equal(["Board fits", "Plate fits"], await Verdicts(cook));
        return (cook, key);
    }

    [Fact]
    public async Task What_is_in_it_by_now_counts_also_where_a_recipe_takes_some_of_another()
    {
        var (cook, key) = await Kitchen();
        await PrintAnew(cook, key, "Oats, salt, milk powder", 1);
        Assert.Equal(["Board breaks", "Plate breaks"], await Verdicts(cook));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(["Board fits", "Plate fits"], await Verdicts(cook));
        await PrintAnew(cook, key, "Oats, salt", 1, "milk");
        Assert.DoesNotContain("Plate fits", await Verdicts(cook));
    }

    [Fact]
    public async Task A_print_that_nobody_read_leaves_it_open_and_what_was_in_it_before_is_in_it_still()
    {
        var (cook, key) = await Kitchen();
        await PrintAnew(cook, key, "", 1);
        Assert.Equal(["Board cannotTell", "Plate cannotTell"], await Verdicts(cook));
        await PrintAnew(cook, key, "Oats, milk", 2);
        Assert.Equal(["Board breaks", "Plate breaks"], await Verdicts(cook));
        await PrintAnew(cook, key, "Oats, linseed.", 3);
        // The recipe was saved with oats and salt: both prints are without milk.
        Assert.Equal(["Board fits", "Plate fits"], await Verdicts(cook));
    }

    [Fact]
    public async Task A_week_that_is_planned_with_it_says_so_and_refuses_more()
    {
        var (cook, key) = await Kitchen();
        var plate = (await cook.Get("/api/recipes")).AsArray().Single(one => (string?)one!["name"] == "Plate")!["id"]!.GetValue<Guid>();
        var board = await cook.MakeBatch($"/api/weeks/{Day(7)}", plate, Day(7));
        var batch = board["batches"]![0]!["id"];
        await PrintAnew(cook, key, "Oats, salt, milk powder", 1);
        await cook.Refused(
            System.Net.HttpStatusCode.Conflict,
            "allergy",
            HttpMethod.Post,
            $"/api/weeks/{Day(7)}/batches/{batch}/place",
            FirstBatch.Place(await Eater(cook), 8)
        );
    }
}
