using System.Net;
using System.Text.Json.Nodes;
using Merienda.Core.Planning;
using Microsoft.Extensions.DependencyInjection;
using static Merienda.Web.Tests.FirstBatch;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>The one way to write: done once, after each other, all or nothing, and taken back by its own sequence.</summary>
public class EditDoorTests(TestDatabase database)
{
    [Fact]
    public async Task An_edit_that_is_sent_twice_is_done_once_and_answers_the_same()
    {
        var cook = await database.SignUp();
        var (board, batch) = await Make(cook);
        var id = Guid.NewGuid();
        var first = await cook.Edit(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 1), id);
        var again = await cook.Edit(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 1), id);
        Assert.Equal((HttpStatusCode.OK, HttpStatusCode.OK), (first.Status, again.Status));
        Assert.NotNull(first.Sequence);
        Assert.Equal(first.Sequence, again.Sequence);
        Assert.Equal(1, again.Body!["batches"]![0]!["placed"]!.GetValue<decimal>());
        // The page speaks of it by this id before the answer is there.
        Assert.Equal(id, again.Body["servings"]![0]!["items"]![0]!["id"]!.GetValue<Guid>());
    }

    [Fact]
    public async Task A_saved_recipe_and_stock_that_are_sent_twice_at_once_are_there_once()
    {
        var cook = await database.SignUp();
        var (recipe, stock) = (Guid.NewGuid(), Guid.NewGuid());
        var draft = Visitor.Draft("Once", 4, ["400 g rice"]);
        var line = new
        {
            line = "6 eggs",
            food = (string?)null,
            place = "fridge",
            madeOn = (string?)null,
            bestBefore = (string?)null,
        };
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 6)
                .Select(at =>
                    at % 2 == 0
                        ? cook.Edit(HttpMethod.Post, "/api/recipes", draft, recipe)
                        : cook.Edit(HttpMethod.Post, "/api/larder/stock", line, stock)
                )
        );
        Assert.All(answers, answer => Assert.Equal(HttpStatusCode.OK, answer.Status));
        Assert.Single((await cook.Get("/api/recipes")).AsArray());
        Assert.Single((await cook.Get("/api/larder/stock"))["items"]!.AsArray());
    }

    [Fact]
    public async Task Of_two_who_save_the_same_version_of_a_recipe_one_is_refused()
    {
        var cook = await database.SignUp();
        var recipe = await cook.AddRecipe();
        for (var version = 1; version <= 20; version++)
        {
            var answers = await Task.WhenAll(
                Enumerable
                    .Range(0, 2)
                    .Select(at =>
                        cook.Send(
                            HttpMethod.Put,
                            $"/api/recipes/{recipe}",
                            Visitor.Draft($"Beans {version} {at}", 4, ["400 g rice"], version)
                        )
                    )
            );
            Assert.Equal([HttpStatusCode.OK, HttpStatusCode.Conflict], answers.Select(answer => answer.Status).Order());
        }
    }

    [Fact]
    public async Task Copying_a_protocol_for_an_eater_and_changing_that_eater_never_block_each_other()
    {
        var cook = await database.SignUp();
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "low-carb" } });
        for (var round = 0; round < 10; round++)
        {
            var answers = await Task.WhenAll(
                cook.Send(
                    HttpMethod.Post,
                    "/api/table/protocols/low-carb/copy",
                    new { name = $"Ours {round}", followers = new[] { eater } }
                ),
                cook.Send(HttpMethod.Put, $"/api/table/eaters/{eater}/name", new { name = $"Rune {round}" })
            );
            Assert.All(answers, answer => Assert.Equal(HttpStatusCode.OK, answer.Status));
        }
    }

    [Fact]
    public async Task The_undo_of_taking_newer_rules_takes_back_that_and_nothing_else()
    {
        var cook = await database.SignUp();
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "low-carb" } });
        var copy = await cook.Must(
            HttpMethod.Post,
            "/api/table/protocols/low-carb/copy",
            new { name = "Ours", followers = new[] { eater } }
        );
        var id = copy["id"]!.GetValue<string>();
        await Make(cook);
        var document = JsonNode.Parse((await cook.Get($"/api/table/protocols/{id}"))["document"]!.GetValue<string>())!;
        document["summary"] = "Changed.";
        await cook.Must(
            HttpMethod.Put,
            $"/api/table/protocols/{id}",
            new
            {
                document = document.ToJsonString(),
                basedOn = 1,
                includesThisWeek = false,
            }
        );
        var renewed = await cook.Edit(HttpMethod.Post, $"{Week}/protocols/renew", null, Guid.NewGuid());
        Assert.Empty(renewed.Body!["outdated"]!.AsArray());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = renewed.Sequence });
        var board = await cook.Get(Week);
        Assert.Equal("Ours", board["outdated"]![0]!.GetValue<string>());
        Assert.Single(board["batches"]!.AsArray());
        // What was taken back is no longer offered; the change of the protocol is.
        Assert.StartsWith("Changed", board["undo"]!["summary"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_undo_that_is_sent_twice_takes_one_edit_back()
    {
        var cook = await database.SignUp();
        var (board, batch) = await Make(cook);
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 1));
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 2));
        var id = Guid.NewGuid();
        for (var time = 0; time < 2; time++)
        {
            await cook.Edit(HttpMethod.Post, "/api/undo", new { sequence = (long?)null }, id);
        }

        Assert.Equal(1, (await cook.Get(Week))["batches"]![0]!["placed"]!.GetValue<decimal>());
    }

    [Fact]
    public async Task A_batch_that_left_the_bench_comes_back_with_its_boxes_and_ticks()
    {
        var cook = await database.SignUp();
        var (board, batch) = await Make(cook);
        await cook.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", Place(board, 1));
        await cook.Must(
            HttpMethod.Put,
            $"{Week}/sessions/tick",
            new
            {
                batchId = batch,
                taskId = "1",
                isTicked = true,
            }
        );
        var before = (await cook.Get(Week))["batches"]!.ToJsonString();
        var gone = await cook.Edit(HttpMethod.Delete, $"{Week}/batches/{batch}", null, Guid.NewGuid());
        Assert.Empty(gone.Body!["batches"]!.AsArray());
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = gone.Sequence });
        Assert.Equal(before, (await cook.Get(Week))["batches"]!.ToJsonString());
        Assert.True((await cook.Get($"{Week}/sessions"))[0]!["tasks"]![0]!["isTicked"]!.GetValue<bool>());
    }
}
