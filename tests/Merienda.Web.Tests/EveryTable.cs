using System.Text.Json;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A household that has a row in every table of its own.</summary>
internal static class EveryTable
{
    public static async Task Fill(Visitor visitor)
    {
        var eater = (await visitor.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await visitor.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols = new[] { "points" } });
        var path = $"/api/table/eaters/{eater}";
        await visitor.Must(
            HttpMethod.Put,
            $"{path}/allowance",
            new
            {
                protocol = "points",
                rule = "points",
                atLeast = (decimal?)null,
                atMost = 23,
                clinicalTeam = false,
            }
        );
        await visitor.Must(
            HttpMethod.Put,
            $"{path}/choice",
            new
            {
                protocol = "points",
                choice = "budget",
                option = "day",
            }
        );
        await visitor.Must(HttpMethod.Put, $"{path}/pinned", new { measures = new[] { "energy" } });
        await visitor.Must(
            HttpMethod.Put,
            $"{path}/personal",
            new
            {
                allergies = new[] { "sesame" },
                dislikes = new[] { "celery" },
                portionHabit = 1,
            }
        );
        await visitor.Must(HttpMethod.Post, $"{path}/accepted", Visitor.Acceptance("tahini", "For the test only", isAdult: true));
        await visitor.Must(
            HttpMethod.Put,
            $"{path}/phases",
            new
            {
                protocol = "low-fodmap",
                start = "2026-01-01",
                restrictionEnds = "2026-01-28",
                order = new[] { "lactose" },
            }
        );
        await visitor.Must(
            HttpMethod.Post,
            $"{path}/diary",
            new
            {
                protocol = "low-fodmap",
                notedOn = "2026-01-30",
                text = "A glass of milk, nothing",
            }
        );
        await visitor.Must(HttpMethod.Put, $"{path}/weighing", new { isOn = true });
        await visitor.Must(HttpMethod.Put, $"{path}/weight", new { on = Day(0), kg = 70 });
        await visitor.Must(HttpMethod.Post, "/api/table/protocols/vegan/copy", new { name = "Ours", followers = Array.Empty<Guid>() });
        await visitor.Must(HttpMethod.Post, "/api/members/invitations");
        await visitor.Must(HttpMethod.Put, "/api/table/kitchen", KitchenTests.Kitchen());
        var packet = Core.Foods.Packets.Packet.IdOf(
            (await visitor.Must(HttpMethod.Post, "/api/larder/packets", TypedPackets.Packet("Only ours"))).GetValue<string>()
        );
        await visitor.Must(
            HttpMethod.Put,
            $"/api/larder/packets/{packet}/opinions/{eater}",
            new
            {
                isApproved = false,
                reason = "For the test only",
                isAdult = false,
            }
        );
        await visitor.Must(
            HttpMethod.Post,
            "/api/larder/stock",
            new
            {
                line = "500 g red lentils",
                food = (string?)null,
                place = "pantry",
                madeOn = (string?)null,
                bestBefore = (string?)null,
            }
        );
        await visitor.Must(
            HttpMethod.Put,
            "/api/larder/prices",
            new
            {
                food = "lentils-red",
                pack = "500 g",
                price = 1.9m,
                shop = "",
            }
        );
        var odd = JsonNode.Parse(JsonSerializer.Serialize(Visitor.Draft("Odd", 2, ["200 g moonfruit"]), JsonSerializerOptions.Web))!;
        odd["lines"]![0]!["food"] = "pear";
        odd["parts"] = new JsonArray(RecipePartTests.Slaw());
        odd["variants"] = new JsonArray(VariantTests.Halved(odd));
        odd["claims"] = new JsonArray(new JsonObject { ["what"] = "energy", ["value"] = 120 });
        var varied = (await visitor.Must(HttpMethod.Post, "/api/recipes", odd))["id"]!.GetValue<Guid>();
        await visitor.Must(HttpMethod.Put, $"/api/recipes/{varied}/usual", new { eaterId = eater, variant = "Half" });
        await visitor.Must(
            HttpMethod.Put,
            $"/api/recipes/{varied}/disliked",
            new
            {
                eaterId = eater,
                part = "",
                isDisliked = true,
            }
        );
        using var shown = await PictureTests.Send(visitor, varied, PictureTests.Dish());
        await visitor.Must(HttpMethod.Put, $"/api/recipes/{varied}/collections", new { names = new[] { "Suppers" } });
        await visitor.Must(HttpMethod.Put, "/api/recipes/filters", new { name = "Quick", query = "handsOn=10" });
        var board = await visitor.MakeBatch(Week, await visitor.AddRecipe(), Day(0), 2);
        var batch = board["batches"]![0]!["id"]!.GetValue<Guid>();
        await visitor.Must(HttpMethod.Post, $"{Week}/batches/{batch}/place", FirstBatch.Place(eater, 0));
        await visitor.Must(HttpMethod.Post, $"{Week}/shop/instead", new { food = "olive-oil", instead = "rapeseed-oil" });
        var loose = (await visitor.Get($"{Week}/shelf"))["boxes"]!.AsArray().Last()!["id"];
        await visitor.Must(
            HttpMethod.Post,
            $"/api/batches/{batch}/boxes/{loose}/events",
            new { kind = "Given", at = DateTimeOffset.UtcNow }
        );
        await visitor.Must(
            HttpMethod.Put,
            $"{Week}/batches/{batch}/yield",
            new
            {
                part = "",
                grossG = 500,
                tareG = 0,
                vessel = "",
            }
        );
        await visitor.Must(HttpMethod.Put, $"{Week}/sessions/remark", RecipeHistoryTests.Remark(batch, "1", 20));
        await visitor.Must(HttpMethod.Post, $"{Solved.NextWeek}/solve", new { kind = "fill" });
        await visitor.Must(
            HttpMethod.Put,
            $"{Week}/shop/tick",
            new
            {
                key = "olive-oil",
                isTicked = true,
                buy = new
                {
                    food = "olive-oil",
                    amount = "1 l",
                    grams = 910,
                    cost = 8.9m,
                },
            }
        );
        await visitor.Must(HttpMethod.Put, "/api/larder/staples", new { food = "salt", isStaple = true });
        await visitor.Must(
            HttpMethod.Put,
            $"{Week}/sessions/tick",
            new
            {
                batchId = batch,
                taskId = "1",
                isTicked = true,
                doneAt = DateTimeOffset.UtcNow,
            }
        );
    }
}
