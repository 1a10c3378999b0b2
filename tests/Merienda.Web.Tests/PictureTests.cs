using System.IO.Compression;
using System.Net;
using System.Text.Json.Nodes;
using Merienda.Formats;

namespace Merienda.Web.Tests;

/// <summary>What a recipe looks like: put, shown, changed, taken away and put back, and nobody else's to see.</summary>
public class PictureTests(TestDatabase database)
{
    internal static byte[] Dish(string name = "koftas") =>
        File.ReadAllBytes(Path.Combine(DataFiles.Find(), "demo", "pictures", $"{name}.jpg"));

    internal static async Task<HttpResponseMessage> Send(Visitor cook, Guid recipe, byte[] picture)
    {
        using var content = new ByteArrayContent(picture);
        content.Headers.ContentType = new("application/octet-stream");
        return await cook.SendContent(HttpMethod.Put, $"/api/recipes/{recipe}/picture", content);
    }

    private static async Task<JsonNode> Read(HttpResponseMessage answer) =>
        JsonNode.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!;

    private static async Task<Guid?> PictureOf(Visitor cook, Guid recipe) =>
        (await cook.Get($"/api/recipes/{recipe}"))["picture"]?.GetValue<Guid>();

    [Fact]
    public async Task A_recipe_has_one_picture_on_its_sheet_and_in_the_library()
    {
        var cook = await database.SignUp();
        var beans = await cook.AddRecipe();
        Assert.Null(await PictureOf(cook, beans));
        using var put = await Send(cook, beans, Dish());
        Assert.Equal(HttpStatusCode.OK, put.StatusCode);
        var picture = (await Read(put))["picture"]!.GetValue<Guid>();
        Assert.Equal(picture, await PictureOf(cook, beans));
        Assert.Equal(picture, (await cook.Get("/api/recipes/library"))["rows"]![0]!["picture"]!.GetValue<Guid>());

        using var small = await cook.Client.GetAsync($"/api/pictures/{picture}?small=true", TestContext.Current.CancellationToken);
        using var large = await cook.Client.GetAsync($"/api/pictures/{picture}", TestContext.Current.CancellationToken);
        Assert.Equal("image/jpeg", small.Content.Headers.ContentType!.MediaType);
        Assert.Equal("max-age=31536000, private, immutable", $"{small.Headers.CacheControl}");
        Assert.InRange(small.Content.Headers.ContentLength!.Value, 1_000, large.Content.Headers.ContentLength!.Value - 1);

        // A new version looks the same.
        using var other = await Send(cook, beans, Dish("porridge"));
        Assert.NotEqual(picture, await PictureOf(cook, beans));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(picture, await PictureOf(cook, beans));
        await cook.Must(HttpMethod.Delete, $"/api/recipes/{beans}/picture");
        Assert.Null(await PictureOf(cook, beans));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(picture, await PictureOf(cook, beans));
    }

    [Fact]
    public async Task It_goes_out_with_its_recipe()
    {
        var cook = await database.SignUp();
        var beans = await cook.AddRecipe();
        await cook.AddRecipe("Rice", 2, "200 g rice");
        using var put = await Send(cook, beans, Dish());
        Task<byte[]> Bytes(string path) => cook.Client.GetByteArrayAsync(path, TestContext.Current.CancellationToken);
        var large = await Bytes($"/api/pictures/{await PictureOf(cook, beans)}");

        var alone = JsonNode.Parse(await Bytes($"/api/recipes/{beans}/recipe.json"))!["image"]!.GetValue<string>();
        Assert.Equal(large, Convert.FromBase64String(alone["data:image/jpeg;base64,".Length..]));
        using var zip = new ZipArchive(new MemoryStream(await Bytes("/api/recipes/recipes.zip")));
        Assert.Equal(
            ["recipes/Beans.jpg", "recipes/Beans.json", "recipes/Rice.json"],
            zip.Entries.Select(entry => entry.FullName).Order(StringComparer.Ordinal)
        );
        using var json = zip.GetEntry("recipes/Beans.json")!.Open();
        Assert.Equal(
            "Beans.jpg",
            (await JsonNode.ParseAsync(json, cancellationToken: TestContext.Current.CancellationToken))!["image"]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task It_is_seen_by_the_household_alone()
    {
        var cook = await database.SignUp();
        using var put = await Send(cook, await cook.AddRecipe(), Dish());
        var picture = await PictureOf(cook, (await Read(put))["id"]!.GetValue<Guid>());
        var stranger = await database.SignUp();
        using var answer = await stranger.Client.GetAsync($"/api/pictures/{picture}", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }

    [Fact]
    public async Task A_picture_that_is_none_and_one_for_no_recipe_are_refused_and_nothing_is_changed()
    {
        var cook = await database.SignUp();
        var beans = await cook.AddRecipe();
        foreach (
            var (recipe, file, status, code) in new[]
            {
                (beans, "400 g beans"u8.ToArray(), HttpStatusCode.UnprocessableEntity, "no-picture"),
                (beans, new byte[40_000_000], HttpStatusCode.UnprocessableEntity, "picture-too-large"),
                (Guid.NewGuid(), Dish(), HttpStatusCode.NotFound, "recipe-gone"),
            }
        )
        {
            using var answer = await Send(cook, recipe, file);
            Assert.Equal((status, code), (answer.StatusCode, (await Read(answer))["code"]!.GetValue<string>()));
        }

        Assert.Null(await PictureOf(cook, beans));
    }
}
