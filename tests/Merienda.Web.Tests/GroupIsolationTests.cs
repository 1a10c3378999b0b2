using System.Text.Json.Nodes;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Microsoft.Extensions.DependencyInjection;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>Every operation of a group, tried with the ids of a group by those who have nothing to do there.</summary>
public class GroupIsolationTests(TestDatabase database)
{
    /// <param name="Path">As the OpenAPI document names it.</param>
    /// <param name="IsDesk">Whether only who works at the desk may do it; a member may do the others.</param>
    private sealed record Operation(HttpMethod Method, string Path, Func<Ids, object?> Body, bool IsDesk = true);

    private sealed record Ids(Guid Group, Guid Menu, Guid Dish, Guid Link, Guid Submission, Guid Question, Guid Recipe)
    {
        public string In(string path) =>
            path.Replace("{group}", $"{Group}", StringComparison.Ordinal)
                .Replace("{menu}", $"{Menu}", StringComparison.Ordinal)
                .Replace("{dish}", $"{Dish}", StringComparison.Ordinal)
                .Replace("{form}", "json", StringComparison.Ordinal)
                .Replace(
                    "{id}",
                    path.Contains("links", StringComparison.Ordinal) ? $"{Link}"
                        : path.Contains("queue", StringComparison.Ordinal) || path.Contains("submissions", StringComparison.Ordinal)
                            ? $"{Submission}"
                        : path.Contains("asked", StringComparison.Ordinal) || path.Contains("questions", StringComparison.Ordinal)
                            ? $"{Question}"
                        : $"{Menu}",
                    StringComparison.Ordinal
                );
    }

    private static readonly Operation[] Operations =
    [
        new(HttpMethod.Delete, "/api/groups/links/{id}", _ => null),
        new(HttpMethod.Delete, "/api/groups/{group}/membership", _ => null, false),
        new(
            HttpMethod.Put,
            "/api/groups/{group}/share",
            _ => new
            {
                eater = Guid.NewGuid(),
                protocols = true,
                allergies = true,
                portion = true,
            },
            false
        ),
        new(HttpMethod.Get, "/api/groups/menus/{id}/check", _ => null),
        new(HttpMethod.Put, "/api/groups/menus/{id}", _ => Circle.Drafted("Stolen week")),
        new(HttpMethod.Post, "/api/groups/menus/{id}/again", _ => new { name = "Stolen week", startsOn = Day(0) }),
        new(HttpMethod.Post, "/api/groups/menus/{id}/dishes", ids => Circle.Dish(1, ids.Recipe)),
        new(HttpMethod.Put, "/api/groups/menus/{id}/dishes/{dish}", _ => new { isNewest = true }),
        new(HttpMethod.Delete, "/api/groups/menus/{id}/dishes/{dish}", _ => null),
        new(HttpMethod.Post, "/api/groups/menus/{id}/publish", _ => new { changed = "Stolen" }),
        new(HttpMethod.Get, "/api/groups/menus/{id}/dishes/{dish}/mends", _ => null),
        new(HttpMethod.Post, "/api/groups/menus/{id}/solve", _ => new { mostChanges = 1 }),
        new(HttpMethod.Post, "/api/groups/menus/{id}/solved", _ => new { changes = Array.Empty<object>() }),
        new(HttpMethod.Get, "/api/groups/menus/{id}/enclosed", _ => null),
        new(HttpMethod.Get, "/api/groups/queue/{id}", _ => null),
        new(HttpMethod.Post, "/api/groups/queue/{id}/ask-back", _ => new { reply = "Which one?" }),
        new(HttpMethod.Post, "/api/groups/queue/{id}/decline", _ => new { reply = "No" }),
        new(HttpMethod.Post, "/api/groups/queue/{id}/take-up", _ => new { name = "Stolen pan" }),
        new(
            HttpMethod.Put,
            "/api/groups/asked/{id}",
            _ => new
            {
                answer = "Yes",
                isPinned = true,
                isHidden = false,
            }
        ),
        new(HttpMethod.Post, "/api/groups/{group}/menus/{menu}/take", _ => new { days = Array.Empty<int>() }, false),
        new(HttpMethod.Get, "/api/groups/{group}/menus/{menu}/hand-out.{form}", _ => null, false),
        new(HttpMethod.Post, "/api/groups/{group}/menus/{menu}/into-week/look", _ => new { week = Day(7) }, false),
        new(HttpMethod.Post, "/api/groups/{group}/menus/{menu}/into-week", _ => new { week = Day(7) }, false),
        new(
            HttpMethod.Post,
            "/api/groups/{group}/enclosed",
            _ => new { things = new[] { new { kind = "packet", name = "Bell crackers" } } },
            false
        ),
        new(
            HttpMethod.Post,
            "/api/groups/{group}/submissions",
            ids => new
            {
                recipe = ids.Recipe,
                isNamed = true,
                words = "",
            },
            false
        ),
        new(
            HttpMethod.Put,
            "/api/groups/{group}/submissions/{id}",
            ids => new
            {
                recipe = ids.Recipe,
                isNamed = true,
                words = "",
            },
            false
        ),
        new(HttpMethod.Delete, "/api/groups/{group}/submissions/{id}", _ => null, false),
        new(
            HttpMethod.Post,
            "/api/groups/{group}/questions",
            ids => new
            {
                words = "What is this?",
                menu = ids.Menu,
                day = 0,
                dish = "",
                isNamed = false,
                picture = "",
            },
            false
        ),
        new(HttpMethod.Delete, "/api/groups/{group}/questions/{id}", _ => null, false),
        new(HttpMethod.Put, "/api/groups/{group}/questions/{id}/too", _ => new { isAsked = true }, false),
        new(HttpMethod.Post, "/api/groups/{group}/questions/{id}/report", _ => new { why = "Odd" }, false),
        new(HttpMethod.Get, "/api/groups/{group}/questions/{id}/picture", _ => null, false),
    ];

    /// <summary>Those that name no group and no row: they answer of the own household alone, and are tried for what they tell.</summary>
    private static readonly (HttpMethod Method, string Path)[] OfOnesOwn =
    [
        (HttpMethod.Get, "/api/groups"),
        (HttpMethod.Post, "/api/groups"),
        (HttpMethod.Post, "/api/groups/links"),
        (HttpMethod.Post, "/api/groups/invitations"),
        (HttpMethod.Delete, "/api/groups/invitations"),
        (HttpMethod.Post, "/api/groups/menus"),
        (HttpMethod.Get, "/api/groups/menus"),
        (HttpMethod.Post, "/api/groups/menus/read"),
        (HttpMethod.Get, "/api/groups/{group}/enclosed"),
        (HttpMethod.Get, "/api/groups/submissions"),
        (HttpMethod.Get, "/api/groups/queue"),
        (HttpMethod.Get, "/api/groups/{group}/questions"),
        (HttpMethod.Get, "/api/groups/{group}/questions/like"),
        (HttpMethod.Get, "/api/groups/asked"),
        (HttpMethod.Put, "/api/groups/help"),
    ];

    private static readonly string[] Secrets = ["Harbour beans", "Supper Circle", "Quay pan", "Is it done?", "Lantern plans", "Farah"];

    [Fact]
    public void No_operation_is_left_out()
    {
        var document = JsonNode.Parse(File.ReadAllText(Path.Combine(DataFiles.Find(), "../src/Merienda.Web/openapi/merienda.json")))!;
        var known = document["paths"]!
            .AsObject()
            .Where(path => path.Key.StartsWith("/api/groups", StringComparison.Ordinal))
            .SelectMany(path => path.Value!.AsObject().Select(operation => $"{operation.Key.ToUpperInvariant()} {path.Key}"));
        Assert.Equal(
            known.Order(StringComparer.Ordinal),
            Operations
                .Select(one => $"{one.Method} {one.Path}")
                .Concat(OfOnesOwn.Select(one => $"{one.Method} {one.Path}"))
                .Order(StringComparer.Ordinal)
        );
    }

    [Fact]
    public async Task Whoever_does_not_belong_to_it_reads_nothing_of_a_group_and_changes_nothing_in_it()
    {
        var (circle, ids, _) = await Busy();
        var (stranger, otherDesk) = (await database.SignUp("Ilse"), (await Circle.Founded(database)).Desk);
        var before = await Last(circle);
        foreach (var outsider in new[] { stranger, otherDesk })
        {
            // Their own recipe, so that only the group's ids are wrong.
            var theirs = ids with
            {
                Recipe = await outsider.AddRecipe("Plain rice", 2, "200 g rice"),
            };
            foreach (var operation in Operations)
            {
                var (status, body) = await outsider.Send(operation.Method, theirs.In(operation.Path), operation.Body(theirs));
                Assert.True((int)status is >= 400 and < 500 || IsEmpty(body), $"{operation.Method} {operation.Path}: {(int)status} {body}");
                TellsNothing(operation.Path, body, outsider == otherDesk);
            }

            foreach (var (method, path) in OfOnesOwn.Where(one => one.Method == HttpMethod.Get))
            {
                TellsNothing(path, (await outsider.Send(method, $"{ids.In(path)}?words=done")).Body, outsider == otherDesk);
            }

            Assert.Equal(before, await Last(circle));
        }
    }

    [Fact]
    public async Task A_member_does_nothing_at_the_desk_and_reads_nothing_of_what_is_drafted_there()
    {
        var (circle, ids, member) = await Busy();
        var before = await Last(circle);
        var own = ids with { Recipe = (await member.Get("/api/recipes"))[0]!["id"]!.GetValue<Guid>() };
        foreach (var operation in Operations.Where(operation => operation.IsDesk))
        {
            var (status, body) = await member.Send(operation.Method, own.In(operation.Path), operation.Body(own));
            Assert.True((int)status is >= 400 and < 500, $"{operation.Method} {operation.Path}: {(int)status} {body}");
            Assert.DoesNotContain("Lantern plans", $"{body}", StringComparison.Ordinal);
        }

        foreach (var (method, path) in OfOnesOwn.Where(one => one.Method == HttpMethod.Get))
        {
            Assert.DoesNotContain(
                "Lantern plans",
                $"{(await member.Send(method, $"{ids.In(path)}?words=done")).Body}",
                StringComparison.Ordinal
            );
        }

        Assert.Equal(before, await Last(circle));
    }

    /// <summary>A circle with a draft that nobody may know, and what a member brought and asked.</summary>
    private async Task<(Circle Circle, Ids Ids, Visitor Member)> Busy()
    {
        var circle = await Circle.Founded(database);
        await circle.Desk.Must(HttpMethod.Post, "/api/groups/menus", Circle.Drafted("Lantern plans"));
        var (farah, _) = await circle.Member("Farah");
        await Circle.Share(farah, circle.Group);
        await circle.Bring(farah);
        var desk = (await circle.Desk.Get("/api/groups"))["desk"]!;
        return (
            circle,
            new(
                circle.Group,
                circle.Menu,
                desk["menus"]!.AsArray().Single(menu => $"{menu!["id"]}" == $"{circle.Menu}")!["dishes"]![0]!["id"]!.GetValue<Guid>(),
                desk["links"]![0]!["id"]!.GetValue<Guid>(),
                (await circle.Desk.Get("/api/groups/queue"))["submissions"]![0]!["id"]!.GetValue<Guid>(),
                (await circle.Desk.Get("/api/groups/asked"))["questions"]![0]!["id"]!.GetValue<Guid>(),
                circle.Recipe
            ),
            farah
        );
    }

    /// <param name="isNamesake">Whether whoever asks runs a group of the same name with a dish of the same name.</param>
    private static void TellsNothing(string path, JsonNode? body, bool isNamesake)
    {
        foreach (var secret in isNamesake ? Secrets[2..] : Secrets)
        {
            Assert.False($"{body?.ToJsonString()}".Contains(secret, StringComparison.Ordinal), $"{path} tells {secret}: {body}");
        }
    }

    private static bool IsEmpty(JsonNode? body) =>
        body is null or JsonArray { Count: 0 }
        || (body is JsonObject whole && whole.All(one => one.Value is null or JsonArray { Count: 0 }));

    private Task<long> Last(Circle circle) =>
        database.Services.GetRequiredService<Database>().Read(new Tenant(Guid.NewGuid(), circle.Group, IsOutside: true), Journal.Last);
}
