using Merienda.Core.Outcomes;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Merienda.Web.Hosting;

/// <summary>Refusals of the core as problem details (RFC 9457): field, value and cure are members of their own.</summary>
public static class Problems
{
    /// <summary>Words for what the framework answers by itself, without the application's say.</summary>
    public static void Word(ProblemDetails problem)
    {
        if (problem.Status == StatusCodes.Status413PayloadTooLarge)
        {
            problem.Title = "That is too much at once.";
            problem.Detail = "Send at most 1,000,000 characters; one recipe or one protocol, not the whole page.";
        }
        else if (problem.Status == StatusCodes.Status404NotFound && problem.Title is null or "Not Found")
        {
            problem.Title = "It is not there.";
            problem.Detail = "Look for it in its list; somebody may have put it away.";
        }
    }

    public static ProblemHttpResult ToProblem(this Refusal refusal) =>
        TypedResults.Problem(
            statusCode: Refusals.Of(refusal.Code).Kind switch
            {
                RefusalKind.Moved => StatusCodes.Status409Conflict,
                RefusalKind.Missing => StatusCodes.Status404NotFound,
                _ => StatusCodes.Status422UnprocessableEntity,
            },
            title: $"{char.ToUpperInvariant(refusal.Reason[0])}{refusal.Reason[1..]}.",
            detail: $"{refusal.Cure}.",
            extensions: new Dictionary<string, object?>
            {
                ["code"] = refusal.Code,
                ["field"] = refusal.Field,
                ["value"] = refusal.Value.Length > 200 ? refusal.Value[..200] : refusal.Value,
            }
        );
}
