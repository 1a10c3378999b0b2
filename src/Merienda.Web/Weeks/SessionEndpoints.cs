using Merienda.Core.Planning;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Weeks;

/// <summary>When it is cooked: a session changed, a batch cooked in another one.</summary>
public static class SessionEndpoints
{
    public static void MapSessions(this RouteGroupBuilder weeks)
    {
        weeks.MapPut("/sessions/{day}", Change).WithName("ChangeSession");
        weeks.MapPut("/batches/{batch:guid}/session", CookOn).WithName("CookOn");
    }

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Change(
        DateOnly date,
        DateOnly day,
        SessionRequest request,
        Editing editing,
        [AsParameters] WeekEndpoints.Desk desk
    ) =>
        WeekEndpoints.Edit(
            date,
            editing,
            desk,
            week =>
                WeekEndpoints.Said(
                    week.Plan.ChangeSession(day, request.Date, request.Start, request.Cooks, request.Name),
                    request.Date == day ? $"Changed the session of {day:ddd}" : $"Moved the session of {day:ddd} to {request.Date:ddd}"
                )
        );

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> CookOn(
        DateOnly date,
        Guid batch,
        CookOnRequest request,
        Editing editing,
        [AsParameters] WeekEndpoints.Desk desk
    ) =>
        WeekEndpoints.Edit(
            date,
            editing,
            desk,
            week =>
                WeekEndpoints.Said(
                    week.Plan.CookOn(batch, request.Date, Guid.CreateVersion7()),
                    $"{WeekEndpoints.LetterOf(week, batch)} is cooked on {request.Date:ddd}"
                )
        );
}
