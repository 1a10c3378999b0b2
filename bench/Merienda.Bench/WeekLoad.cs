using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Merienda.Bench;

/// <summary>
/// People with kitchens of their own on one server, each with a full week: they read it, shop, and edit in turn, first with the pause a hand
/// needs, then without any.
/// </summary>
public static class WeekLoad
{
    private static readonly string[] Lines = ["400 g cod", "2 onions", "3 carrots", "2 tbsp olive oil", "150 g red lentils", "1 tsp salt"];

    private static readonly string[] Meals = ["breakfast", "lunch", "bite", "supper"],
        Protocols = ["points", "calories-macros"];

    /// <summary>What everybody does in turn: read, shop, edit.</summary>
    private const int Acts = 3;

    private static readonly TimeSpan Duration = TimeSpan.FromSeconds(15);

    public static async Task Run(Uri address, int users)
    {
        var people = new List<Person>();
        for (var user = 0; user < users; user++)
        {
            people.Add(await Person.Enter(address, user));
        }

        // A server that has just started compiles its code on the first requests; that is not what is measured.
        await Task.WhenAll(people.Select(person => person.Work(TimeSpan.FromSeconds(5), TimeSpan.Zero)));
        foreach (var pause in new[] { TimeSpan.FromSeconds(1), TimeSpan.Zero })
        {
            people.ForEach(person => person.Forget());
            await Task.WhenAll(people.Select(person => person.Work(Duration, pause)));
            Report($"{users} users, {(pause == TimeSpan.Zero ? "no pause" : $"{pause.TotalSeconds:0} s between requests")}", people);
        }
    }

    private static void Report(string title, List<Person> people)
    {
        Console.WriteLine(title);
        foreach (
            var kind in people
                .SelectMany(person => person.Times)
                .GroupBy(time => time.Kind)
                .OrderBy(group => group.Key, StringComparer.Ordinal)
        )
        {
            var sorted = kind.Select(time => time.Milliseconds).Order().ToList();
            Console.WriteLine(
                $"  {kind.Key, -14} {sorted.Count, 6} requests  p50 {sorted[sorted.Count / 2], 6:0.0} ms  p95 {sorted[sorted.Count * 95 / 100], 6:0.0} ms  p99 {sorted[sorted.Count * 99 / 100], 6:0.0} ms"
            );
        }

        Console.WriteLine(
            $"  failed: {people.Sum(person => person.Failed)}, requests a second: {people.Sum(person => person.Times.Count) / Duration.TotalSeconds:0}"
        );
    }

    private sealed class Person(HttpClient client, string week, IReadOnlyList<(string Id, decimal Portions)> batches)
    {
        private int _edits;

        public List<(string Kind, double Milliseconds)> Times { get; private set; } = [];

        public int Failed { get; private set; }

        public static async Task<Person> Enter(Uri address, int user)
        {
            var client = await Visitor.SignUp(address, user);
            var today = DateOnly.FromDateTime(DateTime.UtcNow);
            var start = today.AddDays(-(int)today.DayOfWeek);
            var week = $"/api/weeks/{start:yyyy-MM-dd}";
            var eater = (await client.GetFromJsonAsync<JsonNode>(week))!["eaters"]![0]!["id"]!.GetValue<Guid>();
            await Must(client.PutAsJsonAsync($"/api/table/eaters/{eater}/protocols", new { protocols = Protocols }));
            var batches = new List<(string Id, decimal Portions)>();
            foreach (var (name, at) in Meals.Select((meal, at) => (meal, at)))
            {
                var recipe = await Must(client.PostAsJsonAsync("/api/recipes", Draft(name)));
                var board = await Must(
                    client.PostAsJsonAsync(
                        $"{week}/batches",
                        new
                        {
                            recipeId = recipe["id"]!.GetValue<Guid>(),
                            cookedOn = start.AddDays(-1),
                            portions = 7,
                        }
                    )
                );
                var batch = board["batches"]![at]!["id"]!.GetValue<string>();
                await Must(client.PostAsJsonAsync($"{week}/batches/{batch}/row", new { meal = name, eaterId = eater }));
                batches.Add((batch, 7));
            }

            return new(client, week, batches);
        }

        private static object Draft(string name) =>
            new
            {
                name,
                portions = 4,
                meal = name,
                keeping = "cooked",
                reheating = "",
                atEating = "",
                system = "metric",
                lines = Lines.Select(text => new
                {
                    part = "",
                    text,
                    food = (string?)null,
                }),
                tasks = Array.Empty<object>(),
                basedOn = (int?)null,
            };

        private static async Task<JsonNode> Must(Task<HttpResponseMessage> asked)
        {
            using var answer = await asked;
            return answer.IsSuccessStatusCode
                ? (await answer.Content.ReadFromJsonAsync<JsonNode>())!
                : throw new InvalidOperationException(await answer.Content.ReadAsStringAsync());
        }

        public void Forget() => (Times, Failed) = ([], 0);

        public async Task Work(TimeSpan duration, TimeSpan pause)
        {
            // People do not press in step: at any moment some read, some shop and some edit.
            await Task.Delay(pause * Acts * Random.Shared.NextDouble());
            var clock = Stopwatch.StartNew();
            while (clock.Elapsed < duration)
            {
                await Timed("read week", () => client.GetAsync(new Uri(week, UriKind.Relative)));
                await Task.Delay(pause);
                await Timed("shop", () => client.GetAsync(new Uri($"{week}/shop", UriKind.Relative)));
                await Task.Delay(pause);
                // One portion more, and the next time as it was: a whole edit with lock, rows, journal and answer.
                var (id, planned) = batches[Random.Shared.Next(batches.Count)];
                var portions = planned + (_edits++ % 2);
                await Timed("edit", () => client.PutAsJsonAsync($"{week}/batches/{id}/portions", new { portions }));
                await Task.Delay(pause);
            }
        }

        private async Task Timed(string kind, Func<Task<HttpResponseMessage>> ask)
        {
            var started = Stopwatch.GetTimestamp();
            using var answer = await ask();
            await answer.Content.LoadIntoBufferAsync();
            Times.Add((kind, Stopwatch.GetElapsedTime(started).TotalMilliseconds));
            Failed += answer.IsSuccessStatusCode ? 0 : 1;
        }
    }
}
