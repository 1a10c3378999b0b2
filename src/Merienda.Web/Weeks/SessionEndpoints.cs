using Merienda.Core.Planning;
using Microsoft.AspNetCore.Http.HttpResults;
using static Merienda.Web.Weeks.WeekEdit;

namespace Merienda.Web.Weeks;

/// <summary>When it is cooked: a session changed, a batch cooked in another one.</summary>
public static class SessionEndpoints
{
    public static void MapSessions(this RouteGroupBuilder weeks)
    {
        weeks.MapPut("/sessions/{day}", Change).WithName("ChangeSession");
        weeks.MapPut("/batches/{batch:guid}/session", CookOn).WithName("CookOn");
        weeks.MapPost("/batches/{batch:guid}/later", CookLater).WithName("CookLater");
    }

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Change(
        DateOnly day,
        SessionRequest request,
        [AsParameters] WeekEdit edit
    ) =>
        edit.Decide(week =>
            Said(
                week.Plan.ChangeSession(day, request.Date, request.Start, request.Cooks, request.Name),
                request.Date == day ? $"Changed the session of {day:ddd}" : $"Moved the session of {day:ddd} to {request.Date:ddd}"
            )
        );

    private static async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> CookLater(Guid batch, [AsParameters] WeekEdit edit) =>
        edit.Editing.Answer(await edit.Weeks.CookLater(edit.Editing, edit.Date, batch, edit.Draw));

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> CookOn(
        Guid batch,
        CookOnRequest request,
        [AsParameters] WeekEdit edit
    ) =>
        edit.Decide(week =>
            Said(week.Plan.CookOn(batch, request.Date, Guid.CreateVersion7()), $"{week.LetterOf(batch)} is cooked on {request.Date:ddd}")
        );
}
