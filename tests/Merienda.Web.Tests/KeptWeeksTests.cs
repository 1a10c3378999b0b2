using System.Globalization;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>An instance keeps weeks in memory: what another instance writes, and what the clock does, is seen all the same.</summary>
public class KeptWeeksTests(TestDatabase database)
{
    private const int Edits = 60;

    private static string Week => $"/api/weeks/{Start.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)}";

    private sealed class MovedClock : TimeProvider
    {
        public TimeSpan By { get; set; }

        public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + By;
    }

    /// <summary>
    /// Rows come in another order when the database chooses another plan, as it does once it has counted a table: no answer may hang on it.
    /// </summary>
    private string OtherPlans => $"{database.App};Options=-c enable_seqscan=off -c enable_nestloop=off -c enable_sort=off -c jit=off";

    /// <summary>The same cook at each of some instances.</summary>
    private async Task<(Visitor Here, Visitor There)> Both(WebApplicationFactory<Program> other)
    {
        var email = $"{Guid.NewGuid():N}@port-ansel.example";
        var here = database.Visit();
        await here.Must(
            HttpMethod.Post,
            "/api/account/sign-up",
            new
            {
                name = "Odalys Brandt",
                email,
                password = "a long enough one",
                householdName = "Brandt",
                timeZone = "Europe/Lisbon",
            }
        );
        await here.Refresh();
        var there = new Visitor(other.CreateClient(new() { BaseAddress = new Uri("https://localhost"), AllowAutoRedirect = false }));
        await there.Must(HttpMethod.Post, "/api/account/sign-in", new { email, password = "a long enough one" });
        await there.Refresh();
        return (here, there);
    }

    private static async Task<string> Seen(Visitor cook, params string[] more)
    {
        var seen = new List<string>();
        foreach (var place in more.Prepend("").Prepend("/shop").Prepend("/sessions").Prepend("/shelf"))
        {
            seen.Add((await cook.Get($"{Week}{place}")).ToJsonString());
        }

        return string.Join('\n', seen);
    }

    [Fact]
    public async Task Whatever_one_instance_writes_the_other_shows_at_once()
    {
        await using var other = database.WithWebHostBuilder(builder => builder.UseSetting("ConnectionStrings:App", OtherPlans));
        var (here, there) = await Both(other);
        var recipes = new[]
        {
            await here.AddRecipe("Beef shin with swede", 4, "800 g beef shin", "600 g swede"),
            await here.AddRecipe("Celeriac slaw", 6, "900 g celeriac"),
        };
        var seed = Environment.TickCount;
        var random = new Random(seed);
        for (var edit = 0; edit < Edits; edit++)
        {
            var cook = random.Next(2) == 0 ? here : there;
            var (method, path, body) = await UndoPropertyTests.Act(random, cook, await cook.Get(Week), recipes);
            var (status, _, sequence) = await cook.Edit(method, path, body, Guid.NewGuid());
            Assert.True((int)status < 500, $"seed {seed}: {method} {path} answered {(int)status}");
            if (sequence is { } done && random.Next(6) == 0)
            {
                await cook.Edit(HttpMethod.Post, "/api/undo", new { sequence = done }, Guid.NewGuid());
            }

            var (seenHere, seenThere) = (await Seen(here), await Seen(there));
            Assert.True(seenHere == seenThere, $"seed {seed}: after {method} {path} {body}: {Difference(seenHere, seenThere)}");
        }
    }

    /// <summary>The first words in which two texts differ.</summary>
    private static string Difference(string one, string other)
    {
        var same = one.Zip(other).TakeWhile(pair => pair.First == pair.Second).Count();
        string From(string text) => text[Math.Max(0, same - 200)..Math.Min(text.Length, same + 100)];
        return $"\n{From(one)}\n{From(other)}";
    }

    [Fact]
    public async Task What_is_said_at_the_table_in_the_kitchen_and_of_the_larder_is_seen_in_a_week_that_was_read_before()
    {
        await using var other = database.WithWebHostBuilder(_ => { });
        var (here, there) = await Both(other);
        var eater = (await here.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        var kitchen = (await here.Get("/api/table/kitchen"))["kitchen"]!;
        kitchen["numberFormat"] = "comma";
        var acts = new (HttpMethod Method, string Path, object Body)[]
        {
            (HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "low-carb" } }),
            (
                HttpMethod.Put,
                $"/api/table/eaters/{eater}/allowance",
                new
                {
                    protocol = "low-carb",
                    rule = "net-carbs",
                    atMost = 31.5,
                    clinicalTeam = false,
                }
            ),
            (HttpMethod.Post, "/api/table/eaters", new { name = "Aunt Isaura", isGuest = true }),
            (HttpMethod.Put, "/api/table/kitchen", kitchen),
            (HttpMethod.Post, $"{Week}/ready", new { to = At("supper", eater), line = "150 g skyr" }),
            (
                HttpMethod.Post,
                $"{Week}/batches",
                new
                {
                    recipeId = await here.AddRecipe("Carrot salad", 4, "300 g carrots"),
                    cookedOn = Start.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                    portions = 4,
                }
            ),
            (HttpMethod.Put, $"{Week}/shop/tick", new { key = "carrot", isTicked = true }),
        };
        foreach (var (method, path, body) in acts)
        {
            var before = await Seen(there);
            await here.Must(method, path, body);
            Assert.True(before != await Seen(there), $"{method} {path} is not seen");
            Assert.Equal(await Seen(here), await Seen(there));
        }
    }

    private static object At(string meal, Guid eater) =>
        new
        {
            date = Start.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            meal,
            eaterId = eater,
        };

    [Fact]
    public async Task A_week_that_was_read_yesterday_is_not_shown_as_today()
    {
        var clock = new MovedClock();
        await using var other = database.WithWebHostBuilder(builder =>
            builder.ConfigureTestServices(services => services.AddSingleton<TimeProvider>(clock))
        );
        var (here, there) = await Both(other);
        await here.AddRecipe();
        var board = await there.Get(Week);
        Assert.Equal(board.ToJsonString(), (await there.Get(Week)).ToJsonString());
        var recipe = (await there.Get("/api/recipes"))[0]!["id"]!.GetValue<Guid>();
        await there.MakeBatch(Week, recipe, Start.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture), 4);
        var now = (await there.Get($"{Week}/shelf")).ToJsonString();
        Assert.Equal(now, (await there.Get($"{Week}/shelf")).ToJsonString());
        clock.By = TimeSpan.FromDays(5);
        Assert.NotEqual(now, (await there.Get($"{Week}/shelf")).ToJsonString());
    }
}
