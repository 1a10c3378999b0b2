using System.Diagnostics;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>What a page hears of its household's edits.</summary>
public class LiveTests(TestDatabase database)
{
    private static async Task<JsonNode> Next(StreamReader stream, CancellationToken stop)
    {
        while (await stream.ReadLineAsync(stop) is { } line)
        {
            if (line.StartsWith("data: ", StringComparison.Ordinal))
            {
                return JsonNode.Parse(line[6..])!;
            }
        }

        throw new InvalidOperationException("The stream ended.");
    }

    private static async Task<StreamReader> Follow(Visitor cook, long? since, CancellationToken stop)
    {
        var response = await cook.Client.SendAsync(
            new HttpRequestMessage(HttpMethod.Get, since is null ? "/api/live" : $"/api/live?since={since}"),
            HttpCompletionOption.ResponseHeadersRead,
            stop
        );
        Assert.Equal("text/event-stream", response.EnsureSuccessStatusCode().Content.Headers.ContentType?.MediaType);
        return new StreamReader(await response.Content.ReadAsStreamAsync(stop));
    }

    [Fact]
    public async Task An_edit_is_heard_within_a_second_and_only_in_its_own_household()
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        patience.CancelAfter(TimeSpan.FromSeconds(30));
        var (one, other) = (await database.SignUp("One"), await database.SignUp("Other"));
        using var stream = await Follow(one, null, patience.Token);
        Assert.Equal("here", (await Next(stream, patience.Token))["kind"]!.GetValue<string>());
        await other.AddRecipe("Not mine");
        var clock = Stopwatch.StartNew();
        var saved = await one.Edit(HttpMethod.Post, "/api/recipes", Visitor.Draft("Mine", 4, ["400 g rice"]), Guid.NewGuid());
        var heard = await Next(stream, patience.Token);
        Assert.Equal(("recipe", saved.Sequence), (heard["kind"]!.GetValue<string>(), heard["sequence"]!.GetValue<long>()));
        Assert.True(clock.Elapsed < TimeSpan.FromSeconds(5), $"{clock.Elapsed}");
    }

    [Fact]
    public async Task Who_comes_back_hears_what_was_missed_in_order()
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        patience.CancelAfter(TimeSpan.FromSeconds(30));
        var cook = await database.SignUp();
        var first = await cook.Edit(HttpMethod.Post, "/api/recipes", Visitor.Draft("A", 4, ["400 g rice"]), Guid.NewGuid());
        var second = await cook.Edit(HttpMethod.Post, "/api/table/eaters", new { name = "Ilse" }, Guid.NewGuid());
        var undone = await cook.Edit(HttpMethod.Post, "/api/undo", new { sequence = second.Sequence }, Guid.NewGuid());
        using var stream = await Follow(cook, first.Sequence, patience.Token);
        await Next(stream, patience.Token);
        var heard = new[] { await Next(stream, patience.Token), await Next(stream, patience.Token) };
        Assert.Equal([second.Sequence, undone.Sequence], heard.Select(news => (long?)news["sequence"]!.GetValue<long>()));
        Assert.Equal(["eater", "undo"], heard.Select(news => news["kind"]!.GetValue<string>()));
    }
}
