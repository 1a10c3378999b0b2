using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Merienda.Bench;

/// <summary>
/// Fifty people on one server: each reads the week and edits it in turn, first without any pause, then with the pause a hand needs.
/// </summary>
public static class WeekLoad
{
    private static readonly TimeSpan Duration = TimeSpan.FromSeconds(15);

    public static async Task Run(Uri address, int users)
    {
        var people = new List<Person>();
        for (var user = 0; user < users; user++)
        {
            people.Add(await Person.Enter(address));
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
        public List<(string Kind, double Milliseconds)> Times { get; private set; } = [];

        public int Failed { get; private set; }

        public static async Task<Person> Enter(Uri address)
        {
            var client = await DemoVisitor.Enter(address);
            var today = DateOnly.FromDateTime(DateTime.UtcNow);
            var week = $"/api/weeks/{today.AddDays(-(int)today.DayOfWeek):yyyy-MM-dd}";
            var board = await client.GetFromJsonAsync<JsonNode>(week);
            return new(
                client,
                week,
                [
                    .. board!["batches"]!
                        .AsArray()
                        .Select(batch => (batch!["id"]!.GetValue<string>(), batch["portions"]!.GetValue<decimal>())),
                ]
            );
        }

        public void Forget() => (Times, Failed) = ([], 0);

        public async Task Work(TimeSpan duration, TimeSpan pause)
        {
            // People do not press in step.
            await Task.Delay(pause * Random.Shared.NextDouble());
            var clock = Stopwatch.StartNew();
            while (clock.Elapsed < duration)
            {
                await Timed("read week", () => client.GetAsync(new Uri(week, UriKind.Relative)));
                await Task.Delay(pause);
                await Timed("shop", () => client.GetAsync(new Uri($"{week}/shop", UriKind.Relative)));
                await Task.Delay(pause);
                // The same number of portions again: a whole edit with lock, journal and answer, which leaves the week as it was.
                var (id, portions) = batches[Random.Shared.Next(batches.Count)];
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
