using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>Parts of a recipe and what is said of its lines, as they are typed, kept and shown.</summary>
public class RecipePartTests(TestDatabase database)
{
    private static JsonNode Draft(Action<JsonNode>? change = null)
    {
        var draft = JsonSerializer.SerializeToNode(
            Visitor.Draft("Cod with slaw", 4, ["600 g cod", "200 g white cabbage", "500 g beef mince"])
        )!;
        draft["lines"]![1]!["part"] = "Slaw";
        draft["lines"]![2]!["keptFat"] = 0.4;
        draft["lines"]![2]!["eatenShare"] = 0.5;
        draft["lines"]![2]!["precision"] = "byEye";
        draft["lines"]![2]!["isOptional"] = false;
        draft["parts"] = new JsonArray(Slaw());
        change?.Invoke(draft);
        return draft;
    }

    internal static JsonObject Slaw() =>
        new()
        {
            ["name"] = "Slaw",
            ["apart"] = "crunchy",
            ["keeping"] = "dressed-salad",
            ["keepingReason"] = "undressed until eaten",
            ["takesOff"] = true,
            ["goesOn"] = false,
            ["madeAmount"] = 190,
            ["madeUnit"] = "grams",
        };

    private static async Task<JsonNode> Saved(Visitor cook, JsonNode draft) =>
        await cook.Get($"/api/recipes/{(await cook.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>()}");

    [Fact]
    public async Task What_is_said_of_parts_and_lines_is_kept_and_a_line_keeps_its_id()
    {
        var cook = await database.SignUp();
        var sheet = await Saved(cook, Draft());
        var (part, mince) = (sheet["parts"]![0]!, sheet["lines"]![2]!);
        Assert.Equal(
            ("Slaw", "crunchy", "dressed-salad", "undressed until eaten", true, 190m),
            (
                part["name"]!.GetValue<string>(),
                part["apart"]!.GetValue<string>(),
                part["keeping"]!.GetValue<string>(),
                part["keepingReason"]!.GetValue<string>(),
                part["takesOff"]!.GetValue<bool>(),
                part["madeAmount"]!.GetValue<decimal>()
            )
        );
        Assert.Equal(
            (0.5m, 0.4m, "byEye", false, 500m),
            (
                mince["eatenShare"]!.GetValue<decimal>(),
                mince["keptFat"]!.GetValue<decimal>(),
                mince["precision"]!.GetValue<string>(),
                mince["isOptional"]!.GetValue<bool>(),
                mince["grams"]!["best"]!.GetValue<decimal>()
            )
        );
        Assert.Equal(["Take off before reheating: Slaw"], sheet["saidAtEating"]!.AsArray().Select(said => said!.GetValue<string>()));

        // Its words change, it moves up, and it stays the same line.
        var id = mince["id"]!.GetValue<Guid>();
        var next = Draft(draft =>
        {
            draft["basedOn"] = 1;
            draft["lines"]![2]!["id"] = id;
            draft["lines"]![2]!["text"] = "450 g beef mince";
            var moved = draft["lines"]![2]!.DeepClone();
            draft["lines"]!.AsArray().RemoveAt(2);
            draft["lines"]!.AsArray().Insert(0, moved);
        });
        var again = await cook.Must(HttpMethod.Put, $"/api/recipes/{sheet["id"]!.GetValue<Guid>()}", next);
        Assert.Equal(
            (id, "450 g beef mince"),
            (again["lines"]![0]!["id"]!.GetValue<Guid>(), again["lines"]![0]!["text"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task A_box_says_what_comes_off_and_keeps_by_its_shortest_part()
    {
        var cook = await database.SignUp();
        var fish = await Saved(cook, Draft(draft => draft["parts"]![0]!["keeping"] = "cooked-fish"));
        var board = await cook.MakeBatch(Week, fish["id"]!.GetValue<Guid>(), Day(-1));
        Assert.Equal(Day(2), board["batches"]![0]!["eatBy"]!.GetValue<string>());
        var shelf = await cook.Get($"{Week}/shelf");
        Assert.Contains("Take off before reheating: Slaw", shelf.ToJsonString(), StringComparison.Ordinal);
        // By the recipe 190 g of slaw were made, not 200.
        Assert.Contains("47", shelf.ToJsonString(), StringComparison.Ordinal);
    }

    public static TheoryData<string, JsonNode> Wrong =>
        new()
        {
            { "share-out-of-range", Draft(draft => draft["lines"]![0]!["eatenShare"] = 1.01) },
            { "share-out-of-range", Draft(draft => draft["lines"]![0]!["keptFat"] = -0.1) },
            {
                "line-id-twice",
                Draft(draft =>
                {
                    draft["lines"]![0]!["id"] = "00000000-0000-0000-0000-00000000000a";
                    draft["lines"]![1]!["id"] = "00000000-0000-0000-0000-00000000000a";
                })
            },
            { "part-name-length", Draft(draft => draft["parts"]![0]!["name"] = new string('x', 61)) },
            { "part-name-length", Draft(draft => draft["lines"]![0]!["part"] = new string('x', 61)) },
            { "part-name-twice", Draft(draft => draft["parts"]!.AsArray().Add(draft["parts"]![0]!.DeepClone())) },
            { "unknown-keeping", Draft(draft => draft["parts"]![0]!["keeping"] = "for ever") },
            { "reason-length", Draft(draft => draft["parts"]![0]!["keepingReason"] = new string('x', 121)) },
            { "made-out-of-range", Draft(draft => draft["parts"]![0]!["madeAmount"] = 0) },
            { "made-out-of-range", Draft(draft => draft["parts"]![0]!["madeAmount"] = 100_001) },
            {
                "too-many-parts",
                Draft(draft =>
                {
                    for (var at = 1; at <= 12; at++)
                    {
                        var part = draft["parts"]![0]!.DeepClone();
                        part["name"] = $"Part {at}";
                        draft["parts"]!.AsArray().Add(part);
                    }
                })
            },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public async Task What_cannot_be_is_refused_and_nothing_is_kept(string code, JsonNode draft)
    {
        var cook = await database.SignUp();
        await cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Post, "/api/recipes", draft);
        Assert.Empty((await cook.Get("/api/recipes")).AsArray());
    }
}
