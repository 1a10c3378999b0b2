using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Weeks;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Larder;

/// <summary>The place Larder: foods and packets in one list, a sheet for each, two side by side.</summary>
public static class LarderEndpoints
{
    private const int MostShown = 60;

    public static void MapLarder(this IEndpointRouteBuilder api)
    {
        var larder = api.MapGroup("/larder").WithTags("Larder").RequireAuthorization();
        larder.MapGet("/foods", Foods).WithName("GetLarderFoods");
        larder.MapGet("/foods/{key}", One).WithName("GetLarderFood");
        larder.MapGet("/compare", Compare).WithName("CompareFoods");
        larder.MapWords();
        larder.MapPackets();
        larder.MapStock();
        larder.MapPacketFiles();
        larder.MapPrices();
        larder.MapStaples();
    }

    /// <summary>What every look at a food needs.</summary>
    public sealed record Desk(
        Database Database,
        PacketStore Packets,
        HouseholdStore Households,
        RecipeStore Recipes,
        KnowledgeBase Knowledge
    );

    /// <param name="foodClass">Key of a class, or empty for every one.</param>
    /// <param name="kind">"packets", "foods", or empty for both.</param>
    /// <param name="eater">Whose verdict is asked for, or null.</param>
    /// <param name="verdict">Only foods with this verdict for the eater.</param>
    private static async Task<Ok<LarderPage>> Foods(
        string query,
        string foodClass,
        string kind,
        Guid? eater,
        string? verdict,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var (known, table) = await desk.Database.Read(tenant, desk.Packets.Foods.And(desk.Households.Table()));
        var (foods, eaters, knowledge) = (known.Matcher, table.Diners, desk.Knowledge);
        var all = query.Trim().Length > 0 ? foods.Search(query.Trim(), int.MaxValue) : foods.Foods;
        var found = all.Where(food =>
            (foodClass.Length == 0 || food.Contains(foodClass))
            && kind switch
            {
                "packets" => food.Packet is not null,
                "foods" => food.Packet is null,
                _ => true,
            }
        );
        if (!Enum.TryParse<Verdict>(verdict, true, out var wanted) || eaters.FirstOrDefault(one => one.Id == eater) is not { } asked)
        {
            var list = found.ToList();
            return TypedResults.Ok(
                new LarderPage(
                    list.Count,
                    list.Count > MostShown,
                    [.. list.Take(MostShown).Select(food => FoodSheets.ToRow(food, eaters, knowledge))]
                )
            );
        }

        // Judging goes on only until a page is full: a list may be ten thousand long.
        var fitting = found
            .Where(food => FoodSheets.ToVerdict(asked, FoodSheets.Weighing(food, 100)).Verdict == wanted)
            .Take(MostShown + 1)
            .ToList();
        return TypedResults.Ok(
            new LarderPage(
                fitting.Count > MostShown ? null : fitting.Count,
                fitting.Count > MostShown,
                [.. fitting.Take(MostShown).Select(food => FoodSheets.ToRow(food, eaters, knowledge))]
            )
        );
    }

    private static async Task<Results<Ok<FoodSheet>, NotFound>> One(string key, CurrentTenant tenant, [AsParameters] Desk desk)
    {
        var versions = Packet.IdOf(key) is { } id ? desk.Packets.Versions(id) : Reading.Known<IReadOnlyList<StoredPacket>>([]);
        var (((known, table), library), editions) = await desk.Database.Read(
            tenant,
            desk.Packets.Foods.And(desk.Households.Table()).And(desk.Recipes.All).And(versions)
        );
        if (known.Matcher.WithKey(key) is not { } food)
        {
            return TypedResults.NotFound();
        }

        var packet = food.Packet is null ? null : ToPacket(food, editions, table, desk.Knowledge);
        return TypedResults.Ok(FoodSheets.ToSheet(food, table, library, packet, desk.Knowledge));
    }

    private static async Task<Results<Ok<Comparison>, NotFound>> Compare(
        string left,
        string right,
        Guid? eater,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var (known, table) = await desk.Database.Read(tenant, desk.Packets.Foods.And(desk.Households.Table()));
        return known.Matcher.WithKey(left) is { } one && known.Matcher.WithKey(right) is { } other
            ? TypedResults.Ok(FoodComparison.Of(one, other, table.Diners.FirstOrDefault(item => item.Id == eater), desk.Knowledge))
            : TypedResults.NotFound();
    }

    private static PacketSheet ToPacket(Food food, IReadOnlyList<StoredPacket> versions, Core.Planning.Table table, KnowledgeBase knowledge)
    {
        var packet = food.Packet!;
        var opinions = table.Eaters.SelectMany(eater =>
            eater
                .Opinions.Where(opinion => opinion.Food == food.Key)
                .Select(opinion => new ShownOpinion(
                    eater.Id,
                    eater.Name,
                    opinion.IsApproved,
                    opinion.Reason,
                    opinion.On,
                    !opinion.IsApproved || opinion.Statement == PacketOpinion.StatementOf(food)
                ))
        );
        return new(
            packet.Id,
            packet.Version,
            PacketEndpoints.ToDraft(packet.Printed, packet.Version),
            PacketAnswers.ToStatement(food, table.Diners, knowledge),
            [.. versions.Select(version => new PacketVersionRow(version.Number, version.CreatedAt))],
            [.. opinions]
        );
    }
}
