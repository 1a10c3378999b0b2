using System.Net;
using System.Text.Json.Nodes;
using static Merienda.Web.Tests.BeanKitchen;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>What was planned is taken back in turn, by whoever planned it, whatever happened since.</summary>
public class WeekUndoTests(TestDatabase database)
{
    [Fact]
    public async Task Every_edit_can_be_taken_back_in_turn()
    {
        var kitchen = await database.MoveInWithBeans();
        var batch = await kitchen.Make(3);
        await kitchen.Put(batch, 1);
        await kitchen.Cook.Must(HttpMethod.Put, $"{Week}/batches/{Id(batch)}/portions", new { portions = 6 });
        await kitchen.Cook.Must(HttpMethod.Delete, $"{Week}/batches/{Id(batch)}");
        Assert.Empty((await kitchen.Cook.Get(Week))["batches"]!.AsArray());

        async Task<JsonNode> Undo()
        {
            await kitchen.Cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
            return await kitchen.Cook.Get(Week);
        }

        var back = (await Undo())["batches"]![0]!;
        Assert.Equal((6m, 1m), (back["portions"]!.GetValue<decimal>(), back["placed"]!.GetValue<decimal>()));
        Assert.Equal(3, (await Undo())["batches"]![0]!["portions"]!.GetValue<decimal>());
        Assert.Equal(0, (await Undo())["batches"]![0]!["placed"]!.GetValue<decimal>());
        Assert.Empty((await Undo())["batches"]!.AsArray());
        await Undo(); // the recipe
        Assert.Empty((await kitchen.Cook.Get("/api/recipes")).AsArray());
        await kitchen.Cook.Refused(
            HttpStatusCode.Conflict,
            "nothing-to-undo",
            HttpMethod.Post,
            "/api/undo",
            new { sequence = (long?)null }
        );
    }

    [Fact]
    public async Task Two_tabs_merge_where_they_are_apart_and_are_refused_where_they_meet()
    {
        var kitchen = await database.MoveInWithBeans();
        var batch = await kitchen.Make();
        var seen = await kitchen.Put(batch, 1);
        var box = Id(Placed(seen));
        // The other tab moves the portion, then both place others: disjoint edits merge.
        await kitchen.Cook.Must(HttpMethod.Post, $"{Week}/items/{box}/move", new { from = kitchen.Place(1), to = kitchen.Place(3) });
        await kitchen.Put(batch, 2, "lunch");
        // This tab still sees it on day 1.
        await kitchen.Cook.Refused(
            HttpStatusCode.Conflict,
            "item-moved",
            HttpMethod.Post,
            $"{Week}/items/{box}/move",
            new { from = kitchen.Place(1), to = kitchen.Place(4) }
        );
        await kitchen.Cook.Refused(
            HttpStatusCode.Conflict,
            "item-changed",
            HttpMethod.Put,
            $"{Week}/items/{box}/size",
            new { from = Portions(0.5m), to = Portions(2) }
        );
        Assert.Equal(2, (await kitchen.Cook.Get(Week))["batches"]![0]!["placed"]!.GetValue<decimal>());
    }

    [Fact]
    public async Task An_undo_is_refused_when_somebody_changed_the_same_portion_since()
    {
        var kitchen = await database.MoveInWithBeans();
        var batch = await kitchen.Make();
        var placed = await kitchen.Put(batch, 1);
        var sequence = placed["undo"]!["sequence"]!.GetValue<long>();
        await kitchen.Cook.Must(
            HttpMethod.Post,
            $"{Week}/items/{Id(Placed(placed))}/move",
            new { from = kitchen.Place(1), to = kitchen.Place(2) }
        );
        await kitchen.Cook.Refused(HttpStatusCode.Conflict, "changed-meanwhile", HttpMethod.Post, "/api/undo", new { sequence });
    }

    [Fact]
    public async Task Nothing_moves_to_a_deleted_batch_and_the_one_who_deleted_it_gets_it_back_whole()
    {
        var kitchen = await database.MoveInWithBeans();
        var batch = await kitchen.Make();
        var box = Id(Placed(await kitchen.Put(batch, 1)));
        await kitchen.Cook.Must(
            HttpMethod.Put,
            $"{Week}/sessions/tick",
            new
            {
                batchId = Id(batch),
                taskId = "1",
                isTicked = true,
            }
        );
        await kitchen.Cook.Must(HttpMethod.Delete, $"{Week}/batches/{Id(batch)}");
        var gone = HttpStatusCode.Conflict;
        await kitchen.Cook.Refused(
            gone,
            "item-gone",
            HttpMethod.Post,
            $"{Week}/items/{box}/move",
            new { from = kitchen.Place(1), to = kitchen.Place(2) }
        );
        await kitchen.Cook.Refused(
            gone,
            "item-gone",
            HttpMethod.Put,
            $"{Week}/items/{box}/size",
            new { from = Portions(1), to = Portions(2) }
        );
        await kitchen.Cook.Refused(gone, "batch-gone", HttpMethod.Put, $"{Week}/batches/{Id(batch)}/portions", new { portions = 2 });
        await kitchen.Cook.Refused(gone, "batch-gone", HttpMethod.Delete, $"{Week}/batches/{Id(batch)}");
        await kitchen.Cook.Refused(
            gone,
            "batch-gone",
            HttpMethod.Put,
            $"{Week}/sessions/tick",
            new
            {
                batchId = Id(batch),
                taskId = "1",
                isTicked = true,
            }
        );
        await kitchen.Cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        var board = await kitchen.Cook.Get(Week);
        Assert.Equal(box, Id(Placed(board)));
        Assert.Equal(
            (4m, 1m),
            (board["batches"]![0]!["portions"]!.GetValue<decimal>(), board["batches"]![0]!["placed"]!.GetValue<decimal>())
        );
    }

    [Fact]
    public async Task Two_cooks_of_one_household_see_one_board_and_each_takes_back_only_the_own_edits()
    {
        async Task<Visitor> Enter(string name)
        {
            var visitor = database.Visit();
            var person = (await visitor.Get("/api/account"))["demoPeople"]!
                .AsArray()
                .Single(one => one!["name"]!.GetValue<string>() == name)!;
            await visitor.Must(HttpMethod.Post, "/api/account/demo", new { id = person["id"]!.GetValue<Guid>() });
            await visitor.Refresh();
            return visitor;
        }

        // A week of their own, so that the demo week stays as it is for other tests.
        var later = $"/api/weeks/{Day(70)}";
        var (odalys, teun) = (await Enter("Odalys Brandt"), await Enter("Teun Brandt"));
        var recipe = (await odalys.Get("/api/recipes"))[0]!["id"]!.GetValue<Guid>();
        await odalys.MakeBatch(later, recipe, Day(70), 2);
        var board = await teun.MakeBatch(later, recipe, Day(70), 3);
        // A is the letter of boxes that are left in the demo's freezer.
        Assert.Equal(["A", "B", "C"], board["batches"]!.AsArray().Select(batch => batch!["letter"]!.GetValue<string>()));
        await odalys.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal(["A", "C"], (await teun.Get(later))["batches"]!.AsArray().Select(batch => batch!["letter"]!.GetValue<string>()));
        await teun.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Single((await odalys.Get(later))["batches"]!.AsArray());
    }
}
