using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Table;

/// <summary>A protocol's phases on the calendar, the outcome of each challenge, and the short diary of the trial.</summary>
public static class PhaseEndpoints
{
    public static void MapPhases(this RouteGroupBuilder table)
    {
        table.MapPut("/eaters/{eater:guid}/phases", Plan).WithName("PlanPhases");
        table.MapPut("/eaters/{eater:guid}/phases/outcome", Decide).WithName("DecideChallenge");
        table.MapGet("/eaters/{eater:guid}/diary/{protocol}", Diary).WithName("GetDiary");
        table.MapPost("/eaters/{eater:guid}/diary", Note).WithName("WriteDiary");
        table.MapDelete("/diary/{entry:guid}", Strike).WithName("DeleteDiary");
    }

    private static async Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> Plan(
        Guid eater,
        PhaseRequest request,
        CurrentTenant tenant,
        [AsParameters] EaterEndpoints.Desk desk
    )
    {
        var diners = await desk.Diners.Read(tenant);
        if (diners.Latest(request.Protocol)?.Protocol.Phases is not { } schedule)
        {
            return NoPhases(request.Protocol).ToProblem();
        }

        var outcomes =
            diners.Table.Eaters.Where(one => one.Id == eater).Select(one => Diners.PlanOf(one, request.Protocol)?.Outcomes).FirstOrDefault()
            ?? new Dictionary<string, ChallengeOutcome>();
        return
            ProtocolCheck.WrongPlan(
                new(request.Protocol, request.Start, request.RestrictionEnds, request.Order, new Dictionary<string, ChallengeOutcome>()),
                schedule
            )
                is { } refusal
            ? refusal.ToProblem()
            : await EaterEndpoints.Change(
                eater,
                tenant,
                desk,
                "Planned the phases",
                current =>
                    current with
                    {
                        Phases =
                        [
                            .. current.Phases.Where(phase => phase.ProtocolId != request.Protocol),
                            new(
                                request.Protocol,
                                request.Start,
                                request.RestrictionEnds,
                                [.. request.Order.Select(id => new StoredChallenge(id, outcomes.GetValueOrDefault(id)))]
                            ),
                        ],
                    }
            );
    }

    private static async Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> Decide(
        Guid eater,
        OutcomeRequest request,
        CurrentTenant tenant,
        [AsParameters] EaterEndpoints.Desk desk
    )
    {
        var plan = (await desk.Diners.Read(tenant))
            .Table.Eaters.FirstOrDefault(one => one.Id == eater)
            ?.Phases.FirstOrDefault(phase => phase.ProtocolId == request.Protocol);
        return plan?.Challenges.Any(item => item.ChallengeId == request.Challenge) != true
            ? new Refusal(
                "unknown-challenge",
                "challenge",
                request.Challenge,
                "the plan has no such challenge",
                "Plan the phases first"
            ).ToProblem()
            : await EaterEndpoints.Change(
                eater,
                tenant,
                desk,
                "Noted how a challenge went",
                current =>
                    current with
                    {
                        Phases =
                        [
                            .. current.Phases.Select(phase =>
                                phase.ProtocolId != request.Protocol
                                    ? phase
                                    : phase with
                                    {
                                        Challenges =
                                        [
                                            .. phase.Challenges.Select(item =>
                                                item.ChallengeId == request.Challenge ? item with { Outcome = request.Outcome } : item
                                            ),
                                        ],
                                    }
                            ),
                        ],
                    }
            );
    }

    private static async Task<Ok<IReadOnlyList<DiaryEntry>>> Diary(
        Guid eater,
        string protocol,
        CurrentTenant tenant,
        HouseholdStore households
    ) => TypedResults.Ok(await households.Diary(tenant, eater, protocol));

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> Note(
        Guid eater,
        DiaryRequest request,
        CurrentTenant tenant,
        [AsParameters] EaterEndpoints.Desk desk
    )
    {
        var diners = await desk.Diners.Read(tenant);
        if (diners.Table.Eaters.All(one => one.Id != eater))
        {
            return TypedResults.NotFound();
        }

        if (request.Text.Trim().Length is 0 or > 500 || request.NotedOn > diners.Today)
        {
            return (
                request.NotedOn > diners.Today
                    ? new Refusal(
                        "diary-ahead",
                        "notedOn",
                        $"{request.NotedOn:yyyy-MM-dd}",
                        "a diary does not look ahead",
                        "Choose today or an earlier day"
                    )
                    : new Refusal("diary-length", "text", request.Text, "an entry has 1 to 500 characters", "Write a sentence")
            ).ToProblem();
        }

        await desk.Households.WriteDiary(tenant, eater, request.Protocol, new(Guid.CreateVersion7(), request.NotedOn, request.Text.Trim()));
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> Strike(Guid entry, CurrentTenant tenant, HouseholdStore households) =>
        await households.DeleteDiary(tenant, entry) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static Refusal NoPhases(string protocol) =>
        new("no-phases", "protocol", protocol, "this protocol has no phases", "Choose one that has");
}
