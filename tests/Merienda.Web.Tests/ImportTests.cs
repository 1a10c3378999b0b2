using System.IO.Compression;
using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>Recipes in bulk: what one kitchen writes another reads with the same numbers, all or none, with one undo.</summary>
public class ImportTests(TestDatabase database)
{
    private static async Task<JsonNode> Zip(Visitor cook, byte[] zip)
    {
        using var content = new ByteArrayContent(zip);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
        using var answer = await cook.SendContent(HttpMethod.Post, "/api/recipes/import/zip", content);
        return JsonNode.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!;
    }

    private static object Bring(JsonNode read) =>
        new
        {
            recipes = read.AsArray()
                .Select(file => file!["recipe"])
                .Where(recipe => recipe is not null)
                .Select(recipe => recipe!.DeepClone()),
        };

    private static async Task<Dictionary<string, JsonNode>> Sheets(Visitor cook)
    {
        var sheets = new Dictionary<string, JsonNode>();
        foreach (var row in (await cook.Get("/api/recipes")).AsArray())
        {
            var sheet = await cook.Get($"/api/recipes/{row!["id"]}");
            sheets.Add(sheet["name"]!.GetValue<string>(), sheet);
        }

        return sheets;
    }

    /// <summary>A base, a dish that takes half of it by choice, one with parts, variants, stated values and a choice of food.</summary>
    private static async Task<Visitor> Cook(TestDatabase database)
    {
        var cook = await database.SignUp();
        var shin = await cook.AddRecipe("Pulled shin", 8, "1.2 kg beef shin", "200 g onions");
        var bowl = JsonSerializer.SerializeToNode(
            Visitor.Draft("Shin bowl", 4, ["½ batch of it", "150 g bulgur", "100 g feta", "2 tbsp olive oil"])
        )!;
        for (var at = 0; at < 4; at++)
        {
            bowl["lines"]![at]!["id"] = Guid.NewGuid();
        }

        bowl["lines"]![0]!["food"] = $"recipe:{shin}";
        (bowl["lines"]![3]!["part"], bowl["lines"]![3]!["eatenShare"]) = ("Sauce", 0.5);
        bowl["variants"] = new JsonArray(
            new JsonObject
            {
                ["name"] = "Without feta",
                ["lines"] = new JsonArray(new JsonObject { ["line"] = bowl["lines"]![2]!["id"]!.DeepClone(), ["times"] = 0 }),
                ["parts"] = new JsonArray(),
                ["added"] = new JsonArray(),
            }
        );
        bowl["claims"] = new JsonArray(new JsonObject { ["what"] = "energy", ["value"] = 418 });
        (bowl["source"], bowl["note"]) = ("Card 9", "Less oil.");
        await cook.Must(HttpMethod.Post, "/api/recipes", bowl);
        await cook.AddRecipe("Rice: plain / simple", 2, "200 g basmati rice", "some moonfruit");
        return cook;
    }

    [Fact]
    public async Task What_one_kitchen_writes_another_reads_with_the_same_numbers()
    {
        var here = await Cook(database);
        var there = await database.SignUp();
        var read = await Zip(there, await here.Client.GetByteArrayAsync("/api/recipes/recipes.zip", TestContext.Current.CancellationToken));
        Assert.All(read.AsArray(), file => Assert.NotNull(file!["recipe"]));
        await there.Must(HttpMethod.Post, "/api/recipes/import", Bring(read));
        var (was, now) = (await Sheets(here), await Sheets(there));
        Assert.Equal(was.Keys.Order(), now.Keys.Order());
        foreach (var (name, sheet) in was)
        {
            foreach (var field in new[] { "perPortion", "batch", "source", "note", "portions", "steps" })
            {
                Assert.Equal(sheet[field]!.ToJsonString(), now[name][field]!.ToJsonString());
            }
        }

        var bowl = now["Shin bowl"];
        Assert.Equal("Pulled shin", bowl["lines"]![0]!["foodName"]!.GetValue<string>());
        Assert.Equal("agrees", bowl["claims"]![0]!["verdict"]!.GetValue<string>());
        Assert.Equal(
            (await here.Get($"/api/recipes/{was["Shin bowl"]["id"]}?variant=Without feta"))["perPortion"]!.ToJsonString(),
            (await there.Get($"/api/recipes/{bowl["id"]}?variant=Without feta"))["perPortion"]!.ToJsonString()
        );

        // Read again they are there already; one undo takes all of them back.
        Assert.All(
            (
                await Zip(there, await here.Client.GetByteArrayAsync("/api/recipes/recipes.zip", TestContext.Current.CancellationToken))
            ).AsArray(),
            file => Assert.True(file!["isThere"]!.GetValue<bool>())
        );
        await there.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Empty((await there.Get("/api/recipes")).AsArray());
    }

    [Fact]
    public async Task Files_say_what_is_missing_and_come_in_once_it_is_filled_in()
    {
        var cook = await database.SignUp();
        var read = await cook.Must(
            HttpMethod.Post,
            "/api/recipes/import/read",
            new
            {
                files = new[]
                {
                    new
                    {
                        name = "soup.md",
                        text = "# Soup\n\n## Ingredients\n\n- 500 g leeks\n- 1 l vegetable stock\n\n## Method\n\n1. Simmer 20 min.",
                    },
                    new { name = "empty.txt", text = "" },
                    new { name = "page.html", text = "<!doctype html><html><body><p>No recipe here.</p></body></html>" },
                },
            }
        );
        Assert.Equal(["portions"], read[0]!["needs"]!.AsArray().Select(need => need!.GetValue<string>()));
        Assert.Null(read[1]!["recipe"]);
        Assert.Contains("nothing to read", read[1]!["problem"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Null(read[2]!["recipe"]);
        await cook.Refused(HttpStatusCode.UnprocessableEntity, "portions-missing", HttpMethod.Post, "/api/recipes/import", Bring(read));
        Assert.Empty((await cook.Get("/api/recipes")).AsArray());
        read[0]!["recipe"]!["draft"]!["portions"] = 4;
        await cook.Must(HttpMethod.Post, "/api/recipes/import", Bring(read));
        Assert.Equal("Soup", Assert.Single((await cook.Get("/api/recipes")).AsArray())!["name"]!.GetValue<string>());
    }

    [Fact]
    public async Task Nothing_and_too_much_are_refused_and_so_is_what_is_no_archive()
    {
        var cook = await database.SignUp();
        await cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "too-many-recipes",
            HttpMethod.Post,
            "/api/recipes/import",
            new { recipes = Array.Empty<object>() }
        );
        Assert.Equal("not-a-zip", (await Zip(cook, "no zip"u8.ToArray()))["code"]!.GetValue<string>());
        using var bomb = new MemoryStream();
        using (var archive = new ZipArchive(bomb, ZipArchiveMode.Create, leaveOpen: true))
        {
            for (var at = 0; at < 20; at++)
            {
                using var entry = archive.CreateEntry($"{at}.txt").Open();
                entry.Write(new byte[5_000_000]);
            }
        }

        Assert.Equal("zip-too-large", (await Zip(cook, bomb.ToArray()))["code"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_file_of_ours_that_somebody_spoiled_is_read_as_everybody_reads_it()
    {
        var here = await Cook(database);
        var id = (await here.Get("/api/recipes")).AsArray().First(row => row!["name"]!.GetValue<string>() == "Pulled shin")!["id"];
        var file = JsonNode.Parse(
            Encoding.UTF8.GetString(
                await here.Client.GetByteArrayAsync($"/api/recipes/{id}/recipe.json", TestContext.Current.CancellationToken)
            )
        )!;
        file["merienda"]!["draft"]!["portions"] = "many";
        var read = await here.Must(
            HttpMethod.Post,
            "/api/recipes/import/read",
            new { files = new[] { new { name = "a.json", text = file.ToJsonString() } } }
        );
        Assert.Equal(8, read[0]!["recipe"]!["draft"]!["portions"]!.GetValue<decimal>());
        Assert.StartsWith(
            "# Pulled shin",
            Encoding.UTF8.GetString(
                await here.Client.GetByteArrayAsync($"/api/recipes/{id}/recipe.md", TestContext.Current.CancellationToken)
            ),
            StringComparison.Ordinal
        );
        await here.Refused(HttpStatusCode.NotFound, "recipe-gone", HttpMethod.Get, $"/api/recipes/{Guid.NewGuid()}/recipe.md");
        await here.Refused(HttpStatusCode.NotFound, "recipe-gone", HttpMethod.Get, $"/api/recipes/{Guid.NewGuid()}/recipe.json");
    }
}
