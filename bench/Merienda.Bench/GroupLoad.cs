using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Merienda.Bench;

/// <summary>
/// A group of the demo with many members: they read its menus, take one home, and its desk publishes. Targets: 95 of 100 readings of 500
/// members within 60 ms, publishing to 5,000 within 2 s, taking home within 4 s.
/// </summary>
internal static class GroupLoad
{
    private const int Readers = 500,
        Takers = 20,
        Publishings = 5;

    private static readonly TimeSpan Duration = TimeSpan.FromSeconds(30);

    public static async Task Run(Uri address)
    {
        var desk = await Desk(address);
        var page = (await desk.GetFromJsonAsync<JsonNode>("/api/groups"))!["desk"]!;
        var link = (await Send(desk, HttpMethod.Post, "/api/groups/links", new { uses = Readers }))["path"]!.GetValue<string>();
        var readers = new List<HttpClient>();
        for (var one = 0; one < Readers; one++)
        {
            var reader = await Visitor.SignUp(address, one);
            await Send(reader, HttpMethod.Post, $"/api{link}", null);
            readers.Add(reader);
        }

        var members = (await desk.GetFromJsonAsync<JsonNode>("/api/groups"))!["desk"]!["members"]!.GetValue<int>();
        var cold = await Timed(() => Read(readers[0]));
        Console.WriteLine($"{members} members; the first reading {cold:0} ms");
        foreach (var pause in new[] { TimeSpan.FromSeconds(10), TimeSpan.FromSeconds(2) })
        {
            var times = (await Task.WhenAll(readers.Select(reader => Reading(reader, pause)))).SelectMany(one => one).ToList();
            Report(
                $"{Readers} members read, each every {pause.TotalSeconds:0} s ({times.Count / Duration.TotalSeconds:0} a second)",
                times
            );
        }

        var menu = page["menus"]!.AsArray().First(one => one!["issues"]!.AsArray().Count > 0)!["id"]!.GetValue<Guid>();
        var group = page["id"]!.GetValue<Guid>();
        var publishing = new List<double>();
        for (var one = 0; one < Publishings; one++)
        {
            publishing.Add(
                await Timed(() => Send(desk, HttpMethod.Post, $"/api/groups/menus/{menu}/publish", new { changed = $"Correction {one}" }))
            );
        }

        Report($"published to {members} members", publishing);
        var today = DateOnly.FromDateTime(DateTime.UtcNow);
        var taking = new List<double>();
        foreach (var taker in readers.Take(Takers))
        {
            var into = new { week = today.AddDays(7) };
            taking.Add(
                await Timed(async () =>
                {
                    await Send(taker, HttpMethod.Post, $"/api/groups/{group}/menus/{menu}/into-week/look", into);
                    await Send(taker, HttpMethod.Post, $"/api/groups/{group}/menus/{menu}/into-week", into);
                })
            );
        }

        Report($"{Takers} members look at it in their week and put it there", taking);
    }

    /// <summary>The demo's moderator at the circle's desk.</summary>
    private static async Task<HttpClient> Desk(Uri address)
    {
        var client = await Visitor.Enter(address, "Odalys Brandt");
        var person = (await client.GetFromJsonAsync<JsonNode>("/api/account"))!["person"]!;
        if (!person["isDesk"]!.GetValue<bool>())
        {
            var desk = person["others"]!
                .AsArray()
                .First(one => one!["name"]!.GetValue<string>().Contains("Circle", StringComparison.Ordinal));
            await Send(client, HttpMethod.Post, "/api/account/household", new { household = desk!["id"] });
            await Visitor.Refresh(client);
        }

        return client;
    }

    private static async Task<List<double>> Reading(HttpClient reader, TimeSpan pause)
    {
        var times = new List<double>();
        await Task.Delay(pause * Random.Shared.NextDouble());
        var clock = Stopwatch.StartNew();
        while (clock.Elapsed < Duration)
        {
            times.Add(await Timed(() => Read(reader)));
            await Task.Delay(pause);
        }

        return times;
    }

    private static async Task Read(HttpClient reader)
    {
        using var answer = await reader.GetAsync(new Uri("/api/groups/menus", UriKind.Relative));
        await answer.EnsureSuccessStatusCode().Content.LoadIntoBufferAsync();
    }

    private static async Task<JsonNode> Send(HttpClient client, HttpMethod method, string path, object? body)
    {
        using var request = new HttpRequestMessage(method, path) { Content = JsonContent.Create(body ?? new { }) };
        using var answer = await client.SendAsync(request);
        var text = await answer.Content.ReadAsStringAsync();
        if (answer.Headers.TryGetValues("Set-Cookie", out _))
        {
            Visitor.Remember(client, answer);
        }

        return answer.IsSuccessStatusCode
            ? JsonNode.Parse(text.Length > 0 ? text : "{}")!
            : throw new InvalidOperationException($"{method} {path}: {text}");
    }

    private static async Task<double> Timed(Func<Task> work)
    {
        var started = Stopwatch.GetTimestamp();
        await work();
        return Stopwatch.GetElapsedTime(started).TotalMilliseconds;
    }

    private static void Report(string title, IEnumerable<double> times)
    {
        var sorted = times.Order().ToList();
        Console.WriteLine(
            $"  {title}: p50 {sorted[sorted.Count / 2]:0.0} ms, p95 {sorted[sorted.Count * 95 / 100]:0.0} ms, worst {sorted[^1]:0.0} ms"
        );
    }
}
