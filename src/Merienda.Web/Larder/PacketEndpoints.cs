using Merienda.Core.Foods.Packets;
using Merienda.Core.Outcomes;
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
        DinersReader diners,
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

        var table = await diners.Read(tenant);
        return TypedResults.Ok(
            FoodSheets.ToAnswer(
                Packet.ToFood(
                    Guid.Empty,
                    1,
                    printed,
                    read.Value,
                    table.Table.Household.CountsTolerances,
                    knowledge.Statements,
                    knowledge.Classes
                ),
                request.Servings,
                table,
                knowledge
            )
        );
    }

    private static Task<Results<Ok<string>, ProblemHttpResult>> Keep(
        PacketDraft draft,
        CurrentTenant tenant,
        PacketStore packets,
        KnowledgeBase knowledge,
        TimeProvider clock
    ) => Save(Guid.CreateVersion7(), draft with { BasedOn = null }, tenant, packets, knowledge, clock);

    private static Task<Results<Ok<string>, ProblemHttpResult>> Change(
        Guid id,
        PacketDraft draft,
        CurrentTenant tenant,
        PacketStore packets,
        KnowledgeBase knowledge,
        TimeProvider clock
    ) => Save(id, draft with { BasedOn = draft.BasedOn ?? 0 }, tenant, packets, knowledge, clock);

    /// <summary>Answers with the key of the packet's food.</summary>
    private static async Task<Results<Ok<string>, ProblemHttpResult>> Save(
        Guid id,
        PacketDraft draft,
        CurrentTenant tenant,
        PacketStore packets,
        KnowledgeBase knowledge,
        TimeProvider clock
    )
    {
        var printed = ToPrinted(draft);
        if (printed.Read(knowledge.Classes).Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        var saved = await packets.Save(tenant, id, printed, draft.BasedOn, clock.GetUtcNow());
        return saved.Refusal is { } taken ? taken.ToProblem() : TypedResults.Ok(saved.Value.Food.Key);
    }

    private static async Task<Results<NoContent, NotFound>> PutAway(
        Guid id,
        CurrentTenant tenant,
        PacketStore packets,
        TimeProvider clock
    ) => await packets.Archive(tenant, id, clock.GetUtcNow()) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> Decide(
        Guid id,
        Guid eater,
        OpinionRequest request,
        CurrentTenant tenant,
        PacketStore packets,
        OpinionStore opinions,
        DinersReader diners
    )
    {
        if (request.Reason.Trim().Length is 0 or > 200)
        {
            return new Refusal(
                "reason-length",
                "reason",
                request.Reason,
                "a decision has a reason of 1 to 200 characters",
                "Say in a few words why, so that it can be understood later"
            ).ToProblem();
        }

        var table = await diners.Read(tenant);
        if (
            !(await packets.Foods(tenant)).Packets.TryGetValue(id, out var packet)
            || table.Table.Eaters.FirstOrDefault(item => item.Id == eater) is not { } settings
        )
        {
            return TypedResults.NotFound();
        }

        if (request.IsApproved && settings.Allergies.Count > 0)
        {
            if (settings.Allergies.Any(packet.Food.Contains))
            {
                return new Refusal(
                    "allergy",
                    "eater",
                    settings.Name,
                    $"{settings.Name} is allergic, and the packet itself names it",
                    "Nothing relaxes that; choose another packet"
                ).ToProblem();
            }

            if (!request.IsAdult)
            {
                return new Refusal(
                    "adult-needed",
                    "isAdult",
                    settings.Name,
                    $"{settings.Name} is allergic, so an adult has to accept this packet by name",
                    "Tick that you are an adult and accept it"
                ).ToProblem();
            }
        }

        var opinion = new StoredOpinion(
            id,
            request.IsApproved,
            request.Reason.Trim(),
            table.Today,
            request.IsApproved ? PacketOpinion.StatementOf(packet.Food) : ""
        );
        return await opinions.Decide(tenant, id, eater, opinion) ? TypedResults.NoContent() : TypedResults.NotFound();
    }

    private static async Task<Results<NoContent, NotFound>> TakeBack(Guid id, Guid eater, CurrentTenant tenant, OpinionStore opinions) =>
        await opinions.Decide(tenant, id, eater, null) ? TypedResults.NoContent() : TypedResults.NotFound();
}
