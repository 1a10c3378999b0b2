using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>One batch in variants, from the bench to the boxes: who gets which, what is bought and what is said while cooking.</summary>
public class LotTests(TestDatabase database)
{
    private sealed record Kitchen(Visitor Cook, Guid Eater, Guid Recipe)
    {
        public Task<JsonNode> Make(decimal portions, params (string Variant, decimal Portions)[] variants) =>
            Cook.Must(HttpMethod.Post, $"{Week}/batches", Batch(portions, variants));

        public object Batch(decimal portions, params (string Variant, decimal Portions)[] variants) =>
            new
            {
                recipeId = Recipe,
                cookedOn = Day(-1),
                portions,
                variants = Lots(variants),
            };

        public Task<JsonNode> Place(JsonNode board, int day, Guid? lot = null, Guid? eater = null) =>
            Cook.Must(HttpMethod.Post, $"{Path(board)}/place", At(day, lot, eater));

        public object At(int day, Guid? lot = null, Guid? eater = null) =>
            new
            {
                to = new
                {
                    date = Day(day),
                    meal = "supper",
                    eaterId = eater ?? Eater,
                },
                lotId = lot,
            };
    }

    private static object Lots(params (string Variant, decimal Portions)[] variants) =>
        variants.Select(one => new { variant = one.Variant, portions = one.Portions });

    private static string Path(JsonNode board) => $"{Week}/batches/{board["batches"]![0]!["id"]}";

    private static IEnumerable<(string? Variant, decimal Portions, decimal Loose)> LotsOf(JsonNode board) =>
        board["batches"]![0]!["lots"]!
            .AsArray()
            .Select(lot => (lot!["variant"]?.GetValue<string>(), lot["portions"]!.GetValue<decimal>(), lot["loose"]!.GetValue<decimal>()));

    private static Guid Lot(JsonNode board, string? variant) =>
        board["batches"]![0]!["lots"]!.AsArray().Single(lot => lot!["variant"]?.GetValue<string>() == variant)!["id"]!.GetValue<Guid>();

    private static string NameAt(JsonNode board, int day) => MealKitchen.Items(board, day)[0]!["name"]!.GetValue<string>();

    /// <summary>Bowls for two of 200 g cod, 150 g rice and 100 g feta; with tofu instead of feta; light, with half the rice.</summary>
    private async Task<Kitchen> MoveIn()
    {
        var cook = await database.SignUp();
        var draft = JsonSerializer.SerializeToNode(Visitor.Draft("Bowls", 2, ["200 g cod", "150 g rice", "100 g feta"]))!;
        var ids = draft["lines"]!.AsArray().Select(line => Guid.NewGuid()).ToList();
        for (var at = 0; at < ids.Count; at++)
        {
            draft["lines"]![at]!["id"] = ids[at];
        }

        var tofu = draft["lines"]![0]!.DeepClone();
        (tofu["id"], tofu["text"]) = (Guid.NewGuid(), "120 g tofu");
        draft["variants"] = new JsonArray(
            Variant("Tofu", [], [new JsonObject { ["instead"] = ids[2], ["line"] = tofu }]),
            Variant("Light", [new JsonObject { ["line"] = ids[1], ["times"] = 0.5 }], [])
        );
        var recipe = (await cook.Must(HttpMethod.Post, "/api/recipes", draft))["id"]!.GetValue<Guid>();
        return new(cook, (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>(), recipe);
    }

    private static JsonObject Variant(string name, JsonArray lines, JsonArray added) =>
        new()
        {
            ["name"] = name,
            ["lines"] = lines,
            ["parts"] = new JsonArray(),
            ["added"] = added,
        };

    [Fact]
    public async Task A_batch_is_cooked_in_variants_and_each_lot_has_numbers_of_its_own()
    {
        var kitchen = await MoveIn();
        var board = await kitchen.Make(6, ("Tofu", 2), ("Light", 1));
        Assert.Equal([(null, 3m, 3m), ("Tofu", 2m, 2m), ("Light", 1m, 1m)], LotsOf(board));
        Assert.Equal(["Tofu", "Light"], board["batches"]![0]!["variants"]!.AsArray().Select(name => name!.GetValue<string>()));
        var energy = board["batches"]![0]!["lots"]!
            .AsArray()
            .Select(lot => lot!["perPortion"]![0]!["value"]!["best"]!.GetValue<decimal>())
            .ToList();
        Assert.True(energy[0] > energy[1] && energy[0] > energy[2]);
        foreach (var (variant, shown) in new[] { (null, energy[0]), ("Tofu", energy[1]), ("Light", energy[2]) })
        {
            var sheet = await kitchen.Cook.Get($"/api/recipes/{kitchen.Recipe}{(variant is null ? "" : $"?variant={variant}")}");
            Assert.Equal(sheet["perPortion"]![0]!["value"]!["best"]!.GetValue<decimal>(), shown);
        }
    }

    [Fact]
    public async Task A_split_is_changed_refused_and_taken_back()
    {
        var kitchen = await MoveIn();
        var board = await kitchen.Make(6);
        board = await kitchen.Place(board, 1);
        Task<JsonNode> Refused(HttpStatusCode status, string code, decimal portions, params (string, decimal)[] variants) =>
            kitchen.Cook.Refused(status, code, HttpMethod.Put, $"{Path(board)}/portions", new { portions, variants = Lots(variants) });
        await Refused(HttpStatusCode.Conflict, "lot-too-small", 6, ("Tofu", 5.5m));
        await Refused(HttpStatusCode.UnprocessableEntity, "unknown-variant", 6, ("Ghost", 1));
        await Refused(HttpStatusCode.UnprocessableEntity, "lot-out-of-range", 6, ("Tofu", 7));
        await kitchen.Cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-variant",
            HttpMethod.Post,
            $"{Week}/batches",
            kitchen.Batch(4, ("Ghost", 1))
        );
        board = await kitchen.Cook.Must(
            HttpMethod.Put,
            $"{Path(board)}/portions",
            new { portions = 8, variants = Lots(("Tofu", 3), ("Light", 0.5m)) }
        );
        Assert.Equal([(null, 4.5m, 3.5m), ("Tofu", 3m, 3m), ("Light", 0.5m, 0.5m)], LotsOf(board));
        await kitchen.Cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal([(null, 6m, 5m)], LotsOf(await kitchen.Cook.Get(Week)));
    }

    [Fact]
    public async Task An_allergy_takes_only_the_lot_that_is_free_of_it()
    {
        var kitchen = await MoveIn();
        var board = await kitchen.Make(4, ("Tofu", 1));
        await kitchen.Cook.BecomeAllergic(kitchen.Eater, "milk");
        board = await kitchen.Place(board, 1);
        Assert.Equal("Bowls, Tofu", NameAt(board, 1));
        // No tofu is left, and feta is none of theirs: neither by itself, nor asked for, nor by changing the lot, nor by a row or a repeat.
        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "nothing-loose", HttpMethod.Post, $"{Path(board)}/place", kitchen.At(2));
        await kitchen.Cook.Refused(
            HttpStatusCode.Conflict,
            "allergy",
            HttpMethod.Post,
            $"{Path(board)}/place",
            kitchen.At(2, Lot(board, null))
        );
        var item = MealKitchen.Items(board, 1)[0]!["id"];
        await kitchen.Cook.Refused(
            HttpStatusCode.Conflict,
            "allergy",
            HttpMethod.Put,
            $"{Week}/items/{item}/lot",
            new { from = Lot(board, "Tofu"), to = Lot(board, null) }
        );
        await kitchen.Cook.Refused(
            HttpStatusCode.Conflict,
            "row-full",
            HttpMethod.Post,
            $"{Path(board)}/row",
            new { meal = "lunch", eaterId = kitchen.Eater }
        );
        await kitchen.Cook.Refused(
            HttpStatusCode.Conflict,
            "nothing-to-repeat",
            HttpMethod.Post,
            $"{Week}/days/repeat",
            new { from = Day(1), to = Day(3) }
        );
        // Without a lot that is free of it the allergy itself is said.
        board = await kitchen.Cook.Must(HttpMethod.Delete, Path(board));
        board = await kitchen.Make(2, ("Light", 1));
        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "allergy", HttpMethod.Post, $"{Path(board)}/place", kitchen.At(2));
        // A meal that may not be theirs is not moved to them, one that may is.
        await kitchen.Cook.Must(HttpMethod.Post, "/api/table/eaters", new { name = "Teun", isGuest = true });
        var guest = (await kitchen.Cook.Get("/api/table"))["eaters"]![1]!["id"]!.GetValue<Guid>();
        board = await kitchen.Place(board, 2, Lot(board, null), guest);
        await kitchen.Cook.Refused(
            HttpStatusCode.Conflict,
            "allergy",
            HttpMethod.Post,
            $"{Week}/items/{MealKitchen.Items(board, 2)[0]!["id"]}/move",
            new
            {
                from = new
                {
                    date = Day(2),
                    meal = "supper",
                    eaterId = guest,
                },
                to = new
                {
                    date = Day(3),
                    meal = "supper",
                    eaterId = kitchen.Eater,
                },
            }
        );
    }

    [Fact]
    public async Task The_usual_variant_is_placed_judged_and_taken_back()
    {
        var kitchen = await MoveIn();
        async Task<JsonNode> Row() => (await kitchen.Cook.Get("/api/recipes"))[0]!;
        Assert.Null((await Row())["verdicts"]![0]!["variant"]);
        var usual = $"/api/recipes/{kitchen.Recipe}/usual";
        var sheet = await kitchen.Cook.Must(HttpMethod.Put, usual, new { eaterId = kitchen.Eater, variant = "Light" });
        Assert.Equal(("Light", "Light"), (sheet["variant"]!.GetValue<string>(), sheet["usual"]![0]!["variant"]!.GetValue<string>()));
        Assert.Equal("Light", (await Row())["verdicts"]![0]!["variant"]!.GetValue<string>());
        var board = await kitchen.Place(await kitchen.Make(4, ("Light", 2)), 1);
        Assert.Equal("Bowls, Light", NameAt(board, 1));
        await kitchen.Cook.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-variant",
            HttpMethod.Put,
            usual,
            new { eaterId = kitchen.Eater, variant = "Ghost" }
        );
        await kitchen.Cook.Refused(
            HttpStatusCode.NotFound,
            "eater-gone",
            HttpMethod.Put,
            usual,
            new { eaterId = Guid.NewGuid(), variant = "Light" }
        );
        await kitchen.Cook.Refused(
            HttpStatusCode.NotFound,
            "recipe-gone",
            HttpMethod.Put,
            $"/api/recipes/{Guid.NewGuid()}/usual",
            new { eaterId = kitchen.Eater, variant = (string?)null }
        );
        // A version without it: said on the sheet, and the dish is judged as written.
        await kitchen.Cook.Must(HttpMethod.Put, $"/api/recipes/{kitchen.Recipe}", Visitor.Draft("Bowls", 2, ["200 g cod"], 1));
        sheet = await kitchen.Cook.Get($"/api/recipes/{kitchen.Recipe}");
        Assert.True(sheet["usual"]![0]!["isGone"]!.GetValue<bool>());
        Assert.Null((await Row())["verdicts"]![0]!["variant"]);
        await kitchen.Cook.Must(HttpMethod.Put, usual, new { eaterId = kitchen.Eater, variant = (string?)null });
        Assert.False((await kitchen.Cook.Get($"/api/recipes/{kitchen.Recipe}"))["usual"]![0]!["isGone"]!.GetValue<bool>());
    }

    [Fact]
    public async Task Shop_session_shelf_and_labels_tell_the_lots_apart()
    {
        var kitchen = await MoveIn();
        var board = await kitchen.Make(6, ("Tofu", 4));
        var items = (await kitchen.Cook.Get($"{Week}/shop"))["aisles"]!.AsArray().SelectMany(aisle => aisle!["items"]!.AsArray()).ToList();
        string Amount(string key) => items.Single(item => item!["key"]!.GetValue<string>() == key)!["needed"]!.GetValue<string>();
        Assert.Equal(("100 g", "240 g"), (Amount("feta"), Amount("tofu")));
        Assert.Single(items.Single(item => item!["key"]!.GetValue<string>() == "cod")!["batches"]!.AsArray());
        var session = (await kitchen.Cook.Get($"{Week}/sessions"))[0]!;
        Assert.Equal(
            ["A Bowls: 2 as written; 4 Tofu (240 g tofu instead of 200 g feta)."],
            session["lots"]!.AsArray().Select(said => said!.GetValue<string>())
        );
        await kitchen.Cook.BecomeAllergic(kitchen.Eater, "milk");
        Assert.Single((await kitchen.Cook.Get($"{Week}/sessions"))[0]!["allergies"]!.AsArray());
        await kitchen.Place(board, 1);
        await kitchen.Cook.Must(HttpMethod.Put, $"{Path(board)}/portioned");
        var boxes = (await kitchen.Cook.Get($"{Week}/shelf"))["boxes"]!.AsArray();
        Assert.Equal(
            [("Bowls", 2), ("Bowls, Tofu", 4)],
            boxes.GroupBy(box => box!["dish"]!.GetValue<string>()).Select(boxes => (boxes.Key, boxes.Count())).Order()
        );
        foreach (var box in boxes)
        {
            var holdsMilk = box!["allergens"]!.AsArray().Any(name => name!.GetValue<string>() == "milk");
            Assert.Equal(box["dish"]!.GetValue<string>() == "Bowls", holdsMilk);
        }

        var stock = (await kitchen.Cook.Get("/api/larder/stock")).ToJsonString();
        Assert.Contains("Bowls, Tofu", stock, StringComparison.Ordinal);
        // From boxes it is the same: theirs or nothing.
        for (var day = 2; day < 5; day++)
        {
            board = await kitchen.Place(board, day);
            Assert.Equal("Bowls, Tofu", NameAt(board, day));
        }

        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "nothing-loose", HttpMethod.Post, $"{Path(board)}/place", kitchen.At(5));
    }

    [Fact]
    public async Task Another_variant_is_chosen_for_a_portion_and_a_lot_that_is_gone_is_refused()
    {
        var kitchen = await MoveIn();
        var board = await kitchen.Place(await kitchen.Make(4, ("Light", 2)), 1);
        Assert.Equal("Bowls", NameAt(board, 1));
        var path = $"{Week}/items/{MealKitchen.Items(board, 1)[0]!["id"]}/lot";
        var (plain, light) = (Lot(board, null), Lot(board, "Light"));
        board = await kitchen.Cook.Must(HttpMethod.Put, path, new { from = plain, to = light });
        Assert.Equal("Bowls, Light", NameAt(board, 1));
        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "item-changed", HttpMethod.Put, path, new { from = plain, to = light });
        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "lot-gone", HttpMethod.Put, path, new { from = light, to = Guid.NewGuid() });
        await kitchen.Cook.Refused(
            HttpStatusCode.Conflict,
            "lot-gone",
            HttpMethod.Post,
            $"{Path(board)}/place",
            kitchen.At(2, Guid.NewGuid())
        );
    }

    [Fact]
    public async Task A_copied_week_keeps_its_lots_and_cooks_a_variant_that_is_gone_by_the_version_that_had_it()
    {
        var kitchen = await MoveIn();
        await kitchen.Place(await kitchen.Make(4, ("Tofu", 2)), 1);
        await kitchen.Cook.Must(HttpMethod.Put, $"/api/recipes/{kitchen.Recipe}", Visitor.Draft("Bowls", 2, ["200 g cod"], 1));
        await kitchen.Cook.Must(HttpMethod.Post, $"{Week}/copy", new { to = Day(7), withMeals = true });
        var next = await kitchen.Cook.Get($"/api/weeks/{Day(7)}");
        Assert.Equal([(null, 2m, 1m), ("Tofu", 2m, 2m)], LotsOf(next));
    }
}
