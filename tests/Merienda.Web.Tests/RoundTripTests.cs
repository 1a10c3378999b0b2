using System.Diagnostics;
using System.Globalization;

namespace Merienda.Web.Tests;

/// <summary>
/// How often a request asks the database, counted by the driver's own traces: a read at most twice, and a week that is in memory once; an
/// edit at most three times and its commit, once the immutable versions that it needs are in memory.
/// </summary>
public sealed class RoundTripTests(TestDatabase database) : IDisposable
{
    private const int Commit = 1;

    private readonly List<Activity> _asked = [];
    private ActivityListener? _listener;

    public void Dispose() => _listener?.Dispose();

    [Fact]
    public async Task A_read_takes_at_most_two_round_trips_and_an_edit_at_most_four()
    {
        var start = DateOnly.FromDateTime(DateTime.UtcNow) is var today ? today.AddDays(-(int)today.DayOfWeek) : default;
        string Day(int offset) => start.AddDays(offset).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        var cook = await database.SignUp();
        var recipe = await cook.AddRecipe();
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        var week = $"/api/weeks/{Day(0)}";
        var board = await cook.MakeBatch(week, recipe, Day(-1), 8);
        var batch = board["batches"]![0]!["id"]!.GetValue<string>();
        object At(int day) =>
            new
            {
                date = Day(day),
                meal = "supper",
                eaterId = eater,
            };
        Listen();

        var reads = new[]
        {
            week,
            $"{week}/shop",
            $"{week}/sessions",
            $"{week}/shelf",
            $"{week}/log",
            $"{week}/look-back",
            "/api/recipes",
            $"/api/recipes/{recipe}",
            "/api/table",
            "/api/table/kitchen",
            "/api/larder/foods/cod",
            "/api/larder/stock",
            "/api/larder/words",
            "/api/foods?query=rice",
        };
        var counted = new List<(string What, int Count, int Most)>();
        foreach (var path in reads)
        {
            counted.Add((path, await Count(cook, HttpMethod.Get, path, null), path.StartsWith(week, StringComparison.Ordinal) ? 1 : 2));
        }

        var edits = new (HttpMethod Method, string Path, object Body)[]
        {
            (HttpMethod.Post, $"{week}/batches/{batch}/place", new { to = At(1) }),
            (HttpMethod.Put, $"{week}/batches/{batch}/portions", new { portions = 9 }),
            (HttpMethod.Put, $"{week}/shop/tick", new { key = "olive-oil", isTicked = true }),
            (
                HttpMethod.Put,
                $"{week}/sessions/tick",
                new
                {
                    batchId = batch,
                    taskId = "1",
                    isTicked = true,
                }
            ),
            (HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "low-carb", "points" } }),
            (
                HttpMethod.Put,
                $"/api/table/eaters/{eater}/allowance",
                new
                {
                    protocol = "low-carb",
                    rule = "net-carbs",
                    atMost = 30,
                    clinicalTeam = false,
                }
            ),
            (HttpMethod.Put, $"/api/recipes/{recipe}", Visitor.Draft("Beans", 4, ["400 g rice"], 1)),
            (HttpMethod.Post, "/api/larder/stock", new { line = "6 eggs, 500 g rice", place = "pantry" }),
            (HttpMethod.Post, "/api/undo", new { sequence = (long?)null }),
        };
        foreach (var (method, path, body) in edits)
        {
            // A new version of a recipe is read once to be shown: that is one more.
            counted.Add(
                (path, await Count(cook, method, path, body) + Commit, path.Contains("/recipes/", StringComparison.Ordinal) ? 5 : 4)
            );
        }

        Assert.All(counted, one => Assert.True(one.Count <= one.Most, $"{one.What} takes {one.Count} round trips, at most {one.Most}"));
        Assert.All(counted, one => Assert.True(one.Count >= 1, $"{one.What} was not counted"));
    }

    private void Listen()
    {
        _listener = new ActivityListener
        {
            ShouldListenTo = source => source.Name is "Npgsql" or "Microsoft.AspNetCore",
            Sample = (ref ActivityCreationOptions<ActivityContext> _) => ActivitySamplingResult.AllData,
            ActivityStopped = activity =>
            {
                lock (_asked)
                {
                    _asked.Add(activity);
                }
            },
        };
        ActivitySource.AddActivityListener(_listener);
    }

    /// <summary>Round trips of one request, told from those of tests beside it by its trace.</summary>
    private async Task<int> Count(Visitor cook, HttpMethod method, string path, object? body)
    {
        var trace = ActivityTraceId.CreateRandom();
        cook.Client.DefaultRequestHeaders.Add("traceparent", $"00-{trace}-{ActivitySpanId.CreateRandom()}-01");
        await cook.Must(method, path, body);
        cook.Client.DefaultRequestHeaders.Remove("traceparent");
        lock (_asked)
        {
            // Opening a connection of the pool is traced too; it is no round trip.
            return _asked.Count(activity =>
                activity.TraceId == trace
                && activity.Source.Name == "Npgsql"
                && activity.Kind == ActivityKind.Client
                && !activity.OperationName.Contains("connect", StringComparison.OrdinalIgnoreCase)
            );
        }
    }
}
