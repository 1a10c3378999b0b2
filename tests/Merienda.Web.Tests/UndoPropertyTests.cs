using System.Text.Json.Nodes;
using Npgsql;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>
/// Any row of edits, taken back from the end to any point, leaves every row of the household as it was at that point. What is only ever
/// appended stays: versions, sessions that were begun, meals that are empty by then, versions of protocols that a week was planned with.
/// </summary>
public class UndoPropertyTests(TestDatabase database)
{
    private const int Households = 4,
        Edits = 24;

    /// <summary>Each table's rows of one household as text, in a fixed order.</summary>
    private static readonly (string Table, string Which)[] Compared =
    [
        ("household", "id = app_household()"),
        ("meal_slot", "true"),
        ("prep_day", "true"),
        ("eater", "true"),
        ("eater_meal", "true"),
        ("eater_protocol", "true"),
        ("allowance", "true"),
        ("eater_allergy", "true"),
        ("eater_dislike", "true"),
        ("eater_variant", "true"),
        ("eater_dish", "true"),
        ("eater_pin", "true"),
        ("ready_choice", "true"),
        ("price", "true"),
        ("purchase", "true"),
        ("staple", "true"),
        ("batch_swap", "true"),
        ("recipe_collection", "true"),
        ("recipe_picture", "true"),
        ("library_filter", "true"),
        ("kitchen_item", "true"),
        ("container_kind", "true"),
        ("stock_item", "true"),
        ("recipe", "true"),
        ("batch", "true"),
        ("lot", "true"),
        ("cook_remark", "true"),
        ("step_run", "true"),
        ("weighing", "true"),
        ("body_weight", "true"),
        ("part_yield", "true"),
        ("container", "true"),
        ("container_event", "true"),
        ("prep_session", "exists (select 1 from batch where batch.session_id = prep_session.id)"),
        (
            "serving",
            "state <> 'Planned' or is_locked or note <> '' or exists (select 1 from serving_item where serving_item.serving_id = serving.id)"
        ),
        ("serving_item", "true"),
    ];

    [Fact]
    public async Task Taking_back_any_last_edits_restores_every_row()
    {
        var seed = Environment.TickCount;
        TestContext.Current.SendDiagnosticMessage("seed {0}", seed);
        for (var at = 0; at < Households; at++)
        {
            await TakeBack(new Random(seed + at), $"seed {seed + at}");
        }
    }

    private async Task TakeBack(Random random, string seed)
    {
        var cook = await database.SignUp();
        var household = await HouseholdOf(cook);
        var recipes = new[]
        {
            await VariantTests.AddHalved(cook, "Beef shin with swede", 4, "800 g beef shin", "600 g swede"),
            await cook.AddRecipe("Celeriac slaw", 6, "900 g celeriac"),
        };
        var (sequences, images, done) = (new List<long>(), new List<string> { await Image(household) }, new List<string>());
        for (var tries = 0; sequences.Count < Edits; tries++)
        {
            Assert.True(tries < 100 * Edits, $"{seed}: hardly anything is accepted any more");
            var board = await cook.Get(Week);
            var (method, path, body) = await Act(random, cook, board, recipes);
            var (status, _, sequence) = await cook.Edit(method, path, body, Guid.NewGuid());
            Assert.True((int)status < 500, $"{seed}: {method} {path} answered {(int)status}");
            // What is refused, and what changes nothing, has no undo.
            if (sequence is { } kept)
            {
                sequences.Add(kept);
                done.Add($"{method} {path} {body}");
                images.Add(await Image(household));
            }
        }

        for (var left = sequences.Count - 1; left >= 0; left--)
        {
            await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = sequences[left] });
            var now = await Image(household);
            Assert.True(now == images[left], $"{seed}: after taking back {done[left]}\nwas {Difference(images[left], now)}");
        }
    }

    internal static async Task<(HttpMethod Method, string Path, object? Body)> Act(
        Random random,
        Visitor cook,
        JsonNode board,
        Guid[] recipes
    )
    {
        JsonNode? One(JsonNode? list) => list!.AsArray() is { Count: > 0 } rows ? rows[random.Next(rows.Count)] : null;
        var batch = One(board["batches"]);
        var eater = One(board["eaters"])!["id"]!.GetValue<Guid>();
        var meal = One(board["meals"])!["key"]!.GetValue<string>();
        var serving = One(board["servings"]);
        var item = serving is null ? null : One(serving["items"]);
        object At() =>
            new
            {
                date = Day(random.Next(7)),
                meal,
                eaterId = eater,
            };
        var make = (
            HttpMethod.Post,
            $"{Week}/batches",
            (object?)
                new
                {
                    recipeId = recipes[random.Next(2)],
                    cookedOn = Day(random.Next(-1, 3)),
                    portions = random.Next(2, 7),
                }
        );
        // A week without batches may have no day left to cook on: then there is still the larder.
        var id = batch?["id"]!.GetValue<Guid>();
        switch (batch is null ? random.Next(2) * 17 : random.Next(21))
        {
            case 0:
                return make;
            case 1 or 2 or 3:
                return (HttpMethod.Post, $"{Week}/batches/{id}/place", new { to = At() });
            case 4:
                return (HttpMethod.Post, $"{Week}/ready", new { to = At(), line = random.Next(2) == 0 ? "150 g skyr" : "1 banana" });
            case 5 when item is JsonObject:
                return (
                    HttpMethod.Post,
                    $"{Week}/items/{item["id"]}/move",
                    new { from = serving!["place"], to = random.Next(3) == 0 ? null : At() }
                );
            case 6 when item is not null && item["size"] is JsonObject size:
                return (
                    HttpMethod.Put,
                    $"{Week}/items/{item["id"]}/size",
                    new { from = size, to = new { amount = 0.5, isInGrams = false } }
                );
            case 7:
                return (HttpMethod.Put, $"{Week}/batches/{id}/portions", new { portions = random.Next(1, 9) });
            case 8:
                return (
                    HttpMethod.Put,
                    $"{Week}/serving",
                    new
                    {
                        place = At(),
                        state = random.Next(2) == 0 ? "out" : "planned",
                        isLocked = random.Next(4) == 0,
                        note = random.Next(2) == 0 ? "" : "late",
                    }
                );
            case 9:
                return (HttpMethod.Post, $"{Week}/days/swap", new { from = Day(random.Next(7)), to = Day(random.Next(7)) });
            case 10:
                return (HttpMethod.Put, $"{Week}/batches/{id}/portioned", null);
            case 11:
                return (
                    HttpMethod.Put,
                    $"{Week}/batches/{id}/yield",
                    new
                    {
                        part = "",
                        grossG = random.Next(900, 3000),
                        tareG = 400,
                        vessel = "the pot",
                    }
                );
            case 12 or 13:
                var box = One((await cook.Get($"{Week}/shelf"))["boxes"]);
                return (
                    HttpMethod.Post,
                    $"/api/batches/{box?["batchId"]}/boxes/{box?["id"]}/events",
                    new
                    {
                        kind = new[] { "eaten", "given", "discarded", "frozen", "toFridge" }[random.Next(5)],
                        at = DateTimeOffset.UtcNow,
                        portions = (decimal?)null,
                        reason = "",
                    }
                );
            case 14:
                return (HttpMethod.Put, $"{Week}/batches/{id}/session", new { date = Day(random.Next(-3, 5)) });
            case 15:
                return (HttpMethod.Post, "/api/table/eaters", new { name = $"guest {random.Next(1000)}", isGuest = true });
            case 16:
                return (
                    HttpMethod.Put,
                    "/api/table/rhythm",
                    new
                    {
                        firstDay = random.Next(2) == 0 ? "sunday" : "monday",
                        meals = (await cook.Get("/api/table/rhythm"))["meals"]!
                            .AsArray()
                            .Select(one => one!.DeepClone())
                            .Append(
                                new JsonObject
                                {
                                    ["key"] = null,
                                    ["name"] = $"bite {random.Next(100)}",
                                    ["role"] = "bite",
                                    ["at"] = "22:00:00",
                                }
                            )
                            .Take(6),
                        prepDays = Array.Empty<object>(),
                    }
                );
            case 18 when batch!["variants"] is JsonArray { Count: > 0 }:
                return (
                    HttpMethod.Put,
                    $"{Week}/batches/{id}/portions",
                    new { portions = random.Next(4, 9), variants = new[] { new { variant = "Half", portions = random.Next(5) } } }
                );
            case 19 when item is not null && item["lotId"] is JsonValue lot:
                return (HttpMethod.Put, $"{Week}/items/{item["id"]}/lot", new { from = lot, to = One(batch!["lots"])!["id"] });
            case 20:
                return (
                    HttpMethod.Put,
                    $"/api/recipes/{recipes[0]}/usual",
                    new { eaterId = eater, variant = random.Next(2) == 0 ? "Half" : null }
                );
            case 17 when batch is not null && random.Next(4) == 0:
                return (HttpMethod.Delete, $"{Week}/batches/{id}", null);
            default:
                return (HttpMethod.Post, "/api/larder/stock", new { line = $"{random.Next(1, 9)}00 g rice", place = "pantry" });
        }
    }

    private async Task<Guid> HouseholdOf(Visitor cook)
    {
        var invited = await cook.Must(HttpMethod.Post, "/api/members/invitations");
        return Guid.Parse(invited["path"]!.GetValue<string>().Split('/')[2]);
    }

    private async Task<string> Image(Guid household)
    {
        await using var connection = new NpgsqlConnection(database.App);
        await connection.OpenAsync();
        await using var transaction = await connection.BeginTransactionAsync();
        await using (var enter = new NpgsqlCommand($"select set_config('app.household_id', '{household}', true)", connection, transaction))
        {
            await enter.ExecuteNonQueryAsync();
        }

        var all = string.Join(
            " || ",
            Compared.Select(one =>
                $"coalesce((select string_agg('{one.Table} ' || to_jsonb({one.Table})::text, E'\\n' order by to_jsonb({one.Table})::text) || E'\\n' from {one.Table} where {one.Which}), '')"
            )
        );
        await using var command = new NpgsqlCommand($"select {all}", connection, transaction);
        return (string)(await command.ExecuteScalarAsync())!;
    }

    private static string Difference(string was, string now)
    {
        var (before, after) = (was.Split('\n'), now.Split('\n'));
        return $"{string.Join('\n', before.Except(after))}\nis  {string.Join('\n', after.Except(before))}";
    }
}
