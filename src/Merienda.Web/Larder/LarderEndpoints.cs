using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Hosting;
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
    }

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
        DinersReader diners,
        PacketStore packets,
        KnowledgeBase knowledge
    )
    {
        var foods = (await packets.Foods(tenant)).Matcher;
        var eaters = (await diners.Read(tenant)).Eaters;
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

    private static async Task<Results<Ok<FoodSheet>, NotFound>> One(
        string key,
        CurrentTenant tenant,
        DinersReader diners,
        PacketStore packets,
        RecipeStore recipes,
        KnowledgeBase knowledge
    )
    {
        if ((await packets.Foods(tenant)).Matcher.WithKey(key) is not { } food)
        {
            return TypedResults.NotFound();
        }

        var table = await diners.Read(tenant);
        var packet = food.Packet is null ? null : ToPacket(food, await packets.Versions(tenant, food.Packet.Id), table, knowledge);
        return TypedResults.Ok(FoodSheets.ToSheet(food, table, await recipes.All(tenant), packet, knowledge));
    }

    private static async Task<Results<Ok<Comparison>, NotFound>> Compare(
        string left,
        string right,
        Guid? eater,
        CurrentTenant tenant,
        DinersReader diners,
        PacketStore packets,
        KnowledgeBase knowledge
    )
    {
        var foods = (await packets.Foods(tenant)).Matcher;
        return foods.WithKey(left) is { } one && foods.WithKey(right) is { } other
            ? TypedResults.Ok(
                FoodSheets.Compare(one, other, (await diners.Read(tenant)).Eaters.FirstOrDefault(item => item.Id == eater), knowledge)
            )
            : TypedResults.NotFound();
    }

    private static PacketSheet ToPacket(Food food, IReadOnlyList<StoredPacket> versions, Diners diners, KnowledgeBase knowledge)
    {
        var packet = food.Packet!;
        var opinions = diners.Table.Eaters.SelectMany(eater =>
            eater
                .Opinions.Where(opinion => opinion.PacketId == packet.Id)
                .Select(opinion => new ShownOpinion(
                    eater.Id,
                    eater.Name,
                    opinion.IsApproved,
                    opinion.Reason,
                    opinion.DecidedOn,
                    !opinion.IsApproved || opinion.Statement == PacketOpinion.StatementOf(food)
                ))
        );
        return new(
            packet.Id,
            packet.Version,
            PacketEndpoints.ToDraft(packet.Printed, packet.Version),
            FoodSheets.ToStatement(food, diners.Eaters, knowledge),
            [.. versions.Select(version => new PacketVersionRow(version.Number, version.CreatedAt))],
            [.. opinions]
        );
    }
}
