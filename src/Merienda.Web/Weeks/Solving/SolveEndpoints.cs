using System.Text.Json;
using Merienda.Core.Filling;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Weeks.Solving;

/// <summary>A week that is filled or mended: asked for, looked at while it is sought, taken or left.</summary>
public static class SolveEndpoints
{
    private static readonly SolvePage None = new(null, SolveKind.Fill, SolveState.Done, 0, 0, [], [], [], "");

    public static void MapSolving(this RouteGroupBuilder weeks)
    {
        var solve = weeks.MapGroup("/solve");
        solve.MapGet("", Now).WithName("GetSolve");
        solve.MapPost("", Ask).WithName("AskSolve");
        solve.MapGet("/choices", Choices).WithName("GetSolveChoices");
        solve.MapPost("/stop", Stop).WithName("StopSolve");
        solve.MapDelete("", Forget).WithName("ForgetSolve");
        solve.MapPost("/board", Board).WithName("GetSolvedBoard");
        solve.MapPost("/take", Take).WithName("TakeSolve");
    }

    private static async Task<Ok<SolvePage>> Now(DateOnly date, CurrentTenant tenant, WeekStore weeks, SolveJobs jobs) =>
        TypedResults.Ok(PageOf(await jobs.Read(tenant, (await weeks.Read(tenant, date)).Plan.Start)));

    private static async Task<Ok<SolveChoices>> Choices(DateOnly date, CurrentTenant tenant, WeekStore weeks, KnowledgeBase knowledge)
    {
        var ((stored, library), supplies) = await weeks.ReadToSolve(tenant, date);
        var week = SolveQuestions.Of(new WeekView(stored, knowledge), library, supplies, new(SolveKind.Fill));
        return TypedResults.Ok(
            new SolveChoices(
                [
                    .. FillGoals.Usual.Select(goal => new SolveGoal(
                        goal,
                        FillGoals.WantOf(goal),
                        goal == FillGoal.Cost ? week.Prices.Says : ""
                    )),
                ],
                FillGaps.Of(week.ToFill(FillScope.All))
            )
        );
    }

    private static async Task<Results<Ok<SolvePage>, ProblemHttpResult>> Ask(
        DateOnly date,
        SolveRequest request,
        CurrentTenant tenant,
        WeekStore weeks,
        KnowledgeBase knowledge,
        SolveJobs jobs,
        SolveBell bell
    )
    {
        var ((stored, library), supplies) = await weeks.ReadToSolve(tenant, date);
        if (SolveAsked.Wrong(request, stored) is { } wrong)
        {
            return wrong.ToProblem();
        }

        var week = SolveQuestions.Of(new WeekView(stored, knowledge), library, supplies, request);
        if (SolveAsked.Pointless(request, week) is { } pointless)
        {
            return pointless.ToProblem();
        }

        var job = await jobs.Ask(tenant, stored.Plan.Start, request.Kind, JsonSerializer.Serialize(request, SolveWorker.Json));
        bell.Ring();
        return TypedResults.Ok(PageOf(job));
    }

    private static async Task<Ok<SolvePage>> Stop(DateOnly date, CurrentTenant tenant, WeekStore weeks, SolveJobs jobs) =>
        TypedResults.Ok(PageOf(await jobs.Stop(tenant, (await weeks.Read(tenant, date)).Plan.Start)));

    private static async Task<NoContent> Forget(DateOnly date, CurrentTenant tenant, WeekStore weeks, SolveJobs jobs)
    {
        await jobs.Forget(tenant, (await weeks.Read(tenant, date)).Plan.Start);
        return TypedResults.NoContent();
    }

    /// <summary>The board as it would be. A question, though it is sent: the meals that are left alone don't fit into an address.</summary>
    private static async Task<Ok<ProposedBoard>> Board(
        DateOnly date,
        ProposedRequest request,
        CurrentTenant tenant,
        WeekStore weeks,
        KnowledgeBase knowledge
    )
    {
        var ((stored, library), job) = await weeks.ReadSolved(tenant, date);
        return TypedResults.Ok(Proposals.Of(stored, library, job, CellsOf(request.Without), knowledge));
    }

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Take(TakeRequest request, [AsParameters] WeekEdit edit) =>
        edit.Editing.Answer(await edit.Weeks.Take(edit.Editing, edit.Date, request.JobId, CellsOf(request.Without), edit.Draw));

    private static HashSet<Cell> CellsOf(IReadOnlyList<BoardPlace> places) => [.. places.Select(place => place.ToCell())];

    private static SolvePage PageOf(SolveJob? job) =>
        job is null
            ? None
            : new(
                job.Id,
                job.Kind,
                job.State,
                job.Revision,
                job.Found.Change.Cells,
                [.. job.Found.Levels.Select(level => new SolvedLevel(level.Goal, level.Says, level.Sure, level.IsProven))],
                job.Found.Unmet,
                job.Found.Explained,
                job.Problem
            );
}
