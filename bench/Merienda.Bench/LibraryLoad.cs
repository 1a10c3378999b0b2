using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Merienda.Bench;

/// <summary>
/// Five thousand recipes against a full table (six eaters under protocols and six guests), asked for as a person turns and sorts the library.
/// </summary>
public static class LibraryLoad
{
    private const int Recipes = 5_000,
        Rounds = 40,
        WarmingUp = 2;

    private static readonly string[] Protocols = ["low-carb", "vegan", "whole-food", "gluten-free", "low-fodmap", "mediterranean"];

    private static readonly string[] Lines =
    [
        "400 g cod",
        "300 g onions",
        "250 g carrots",
        "30 ml olive oil",
        "400 g tin chopped tomatoes",
        "150 g red lentils",
        "1 tsp salt",
        "30 g parsley",
        "200 ml white wine",
        "300 g chicken breast",
        "200 g white rice",
        "4 eggs",
        "100 g feta",
        "500 g potatoes",
        "200 g mushrooms",
        "50 g walnuts",
        "300 g broccoli",
        "250 ml whole milk",
    ];

    private static readonly (string Name, string Query)[] Asked =
    [
        ("first page", ""),
        ("second page", "?skip=50"),
        ("a word", "?search=lentil"),
        ("what fits everybody", "?verdict=fits"),
        ("by verdict", "?sort=verdict"),
        ("by minutes", "?sort=minutes"),
    ];

    public static async Task Run(Uri address)
    {
        var client = await Visitor.SignUp(address, 0);
        var eaters = (await client.GetFromJsonAsync<JsonNode>("/api/table"))!["eaters"]!.AsArray();
        for (var at = eaters.Count; at < 12; at++)
        {
            await Send(client, HttpMethod.Post, "/api/table/eaters", new { name = $"Eater {at}", isGuest = at >= 6 });
        }

        eaters = (await client.GetFromJsonAsync<JsonNode>("/api/table"))!["eaters"]!.AsArray();
        for (var at = 0; at < Protocols.Length; at++)
        {
            await Send(
                client,
                HttpMethod.Put,
                $"/api/table/eaters/{eaters[at]!["id"]}/protocols",
                new { protocols = new[] { Protocols[at] } }
            );
        }

        var random = new Random(20261127);
        var started = Stopwatch.GetTimestamp();
        await Parallel.ForEachAsync(
            Enumerable.Range(0, Recipes).Select(at => (At: at, Lines: random.GetItems(Lines, 10), Portions: random.Next(2, 9))).ToList(),
            new ParallelOptions { MaxDegreeOfParallelism = 4 },
            async (one, _) =>
                await Send(
                    client,
                    HttpMethod.Post,
                    "/api/recipes",
                    new
                    {
                        name = $"Dish {one.At}",
                        portions = one.Portions,
                        meal = (string?)null,
                        keeping = "cooked",
                        reheating = "",
                        atEating = "",
                        system = "metric",
                        lines = one.Lines.Select(text => new
                        {
                            part = "",
                            text,
                            food = (string?)null,
                        }),
                        tasks = Array.Empty<object>(),
                        basedOn = (int?)null,
                    }
                )
        );
        Console.WriteLine($"saved {Recipes} recipes in {Stopwatch.GetElapsedTime(started).TotalSeconds:0} s");
        foreach (var (name, query) in Asked)
        {
            var times = new List<double>();
            for (var round = 0; round < WarmingUp + Rounds; round++)
            {
                var asked = Stopwatch.GetTimestamp();
                using var answer = await client.GetAsync(new Uri($"/api/recipes/library{query}", UriKind.Relative));
                answer.EnsureSuccessStatusCode();
                await answer.Content.ReadAsByteArrayAsync();
                if (round >= WarmingUp)
                {
                    times.Add(Stopwatch.GetElapsedTime(asked).TotalMilliseconds);
                }
            }

            times.Sort();
            Console.WriteLine($"{name}: p50 {times[times.Count / 2]:0} ms, p95 {times[times.Count * 95 / 100]:0} ms");
        }
    }

    private static async Task Send(HttpClient client, HttpMethod method, string path, object body)
    {
        using var request = new HttpRequestMessage(method, path) { Content = JsonContent.Create(body) };
        request.Headers.Add("X-Edit-Id", Guid.NewGuid().ToString());
        using var answer = await client.SendAsync(request);
        answer.EnsureSuccessStatusCode();
    }
}
