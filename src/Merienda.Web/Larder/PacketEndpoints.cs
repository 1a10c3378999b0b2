using Merienda.Core.Foods.Packets;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Larder;

/// <summary>Packets: read while they are typed, kept in versions, decided on by eater.</summary>
public static class PacketEndpoints
{
    public static void MapPackets(this RouteGroupBuilder larder)
    {
        larder.MapPost("/packet", Read).WithName("ReadPacket");
        larder.MapPost("/packets", Keep).WithName("KeepPacket");
        larder.MapPut("/packets/{id:guid}", Change).WithName("ChangePacket");
        larder.MapDelete("/packets/{id:guid}", PutAway).WithName("PutPacketAway");
        larder.MapPut("/packets/{id:guid}/opinions/{eater:guid}", Decide).WithName("DecidePacket");
        larder.MapDelete("/packets/{id:guid}/opinions/{eater:guid}", TakeBack).WithName("TakeBackDecision");
    }

    public static PacketDraft ToDraft(PrintedPacket printed, int? basedOn) =>
        new(
            printed.Name,
            printed.Country,
            printed.Basis,
            printed.Serving,
            [.. printed.Values.Select(value => new PrintedValue(value.Key, value.Value))],
            printed.Statement,
            printed.MayContain,
            printed.Pack,
            printed.Price,
            printed.Points,
            printed.OpenedDays,
            printed.Classes,
            printed.Aisle,
            basedOn
        );

    private static PrintedPacket ToPrinted(PacketDraft draft) =>
        new(
            draft.Name,
            draft.Country,
            draft.Basis,
            draft.Serving,
            draft.Values.GroupBy(value => value.Nutrient).ToDictionary(value => value.Key, value => value.Last().Printed),
            draft.Statement,
            draft.MayContain,
            draft.Pack,
            draft.Price,
            draft.Points,
            draft.OpenedDays,
            [.. draft.Classes.Distinct()],
            draft.Aisle
        );

    private static async Task<Results<Ok<PacketAnswer>, ProblemHttpResult>> Read(
        ReadPacketRequest request,
        CurrentTenant tenant,
        Database database,
        HouseholdStore households,
        KnowledgeBase knowledge
    )
    {
        // A name is asked for when it is kept; what hides in it can be read before.
        var printed = ToPrinted(
            request.Packet with
            {
                Name = request.Packet.Name.Trim().Length == 0 ? "This packet" : request.Packet.Name,
            }
        );
        var read = printed.Read(knowledge.Classes);
        if (read.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        if (request.Servings is < 0 or > 1_000)
        {
            return new Refusal(
                "servings-out-of-range",
                "servings",
                $"{request.Servings}",
                "a batch takes 0 to 1,000 servings",
                "Type the number again"
            ).ToProblem();
        }

        var table = await database.Read(tenant, households.Table());
        return TypedResults.Ok(
            PacketAnswers.ToAnswer(
                Packet.ToFood(
                    Guid.Empty,
                    1,
                    printed,
                    read.Value,
                    table.Household.CountsTolerances,
                    knowledge.Statements,
                    knowledge.Classes
                ),
                request.Servings,
                table,
                knowledge
            )
        );
    }

    private static async Task<Results<Ok<string>, ProblemHttpResult>> Keep(
        PacketDraft draft,
        Editing editing,
        PacketStore packets,
        TimeProvider clock
    ) => editing.Answer(await packets.Save(editing, Guid.CreateVersion7(), ToPrinted(draft), null, clock.GetUtcNow()));

    private static async Task<Results<Ok<string>, ProblemHttpResult>> Change(
        Guid id,
        PacketDraft draft,
        Editing editing,
        PacketStore packets,
        TimeProvider clock
    ) => editing.Answer(await packets.Save(editing, id, ToPrinted(draft), draft.BasedOn ?? 0, clock.GetUtcNow()));

    private static async Task<Results<NoContent, ProblemHttpResult>> PutAway(
        Guid id,
        Editing editing,
        PacketStore packets,
        TimeProvider clock
    ) => editing.Done(await packets.Archive(editing, id, clock.GetUtcNow()));

    private static async Task<Results<NoContent, ProblemHttpResult>> Decide(
        Guid id,
        Guid eater,
        OpinionRequest request,
        Editing editing,
        PacketStore packets,
        HouseholdStore households
    ) =>
        editing.Done(
            await packets.Decide(
                editing,
                id,
                eater,
                households.Table(),
                (table, settings, packet) =>
                    settings
                        .Decide(packet.Food, request.IsApproved, request.Reason, request.IsAdult, table.Today)
                        .Select(said => (PacketOpinion?)said)
            )
        );

    private static async Task<Results<NoContent, ProblemHttpResult>> TakeBack(
        Guid id,
        Guid eater,
        Editing editing,
        PacketStore packets,
        HouseholdStore households
    ) => editing.Done(await packets.Decide(editing, id, eater, households.Table(), (_, _, _) => (PacketOpinion?)null));
}
