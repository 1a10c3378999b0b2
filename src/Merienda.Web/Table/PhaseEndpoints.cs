using Merienda.Core.Planning;
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

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> Plan(
        Guid eater,
        PhaseRequest request,
        Editing editing,
        [AsParameters] EaterEndpoints.Desk desk
    ) =>
        EaterEndpoints.Change(
            eater,
            editing,
            desk,
            was => $"Planned {was.Name}'s phases",
            (table, current) => table.PlanPhases(current, request.Protocol, request.Start, request.RestrictionEnds, request.Order)
        );

    private static Task<Results<Ok<Effects>, ProblemHttpResult>> Decide(
        Guid eater,
        OutcomeRequest request,
        Editing editing,
        [AsParameters] EaterEndpoints.Desk desk
    ) =>
        EaterEndpoints.Change(
            eater,
            editing,
            desk,
            was => $"Noted how a challenge of {was.Name} went",
            (_, current) => current.NoteOutcome(request.Protocol, request.Challenge, request.Outcome)
        );

    private static async Task<Ok<IReadOnlyList<DiaryEntry>>> Diary(Guid eater, string protocol, CurrentTenant tenant, DiaryStore diary) =>
        TypedResults.Ok(await diary.Of(tenant, eater, protocol));

    private static async Task<Results<NoContent, ProblemHttpResult>> Note(
        Guid eater,
        DiaryRequest request,
        Editing editing,
        DiaryStore diary
    ) => editing.Done(await diary.Write(editing, eater, request.Protocol, request.NotedOn, request.Text));

    private static async Task<Results<NoContent, ProblemHttpResult>> Strike(Guid entry, Editing editing, DiaryStore diary) =>
        editing.Done(await diary.Strike(editing, entry));
}
