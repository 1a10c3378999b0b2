using Merienda.Core.Outcomes;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Merienda.Web.Hosting;

/// <summary>Refusals of the core as problem details (RFC 9457): field, value and cure are members of their own.</summary>
public static class Problems
{
    /// <summary>Codes that mean "the state moved on", not "the input is wrong".</summary>
    private static readonly HashSet<string> Conflicts =
    [
        "item-moved",
        "item-changed",
        "item-gone",
        "box-gone",
        "box-has-less",
        "already-portioned",
        "not-portioned",
        "batch-portioned",
        "eaten-already",
        "past-its-time",
        "order-incomplete",
        "nothing-to-repeat",
        "nothing-to-copy",
        "nothing-fits",
        "row-full",
        "batch-gone",
        "batch-too-small",
        "edit-id-used",
        "undo-too-old",
        "packet-names-it",
        "nothing-loose",
        "changed-meanwhile",
        "nothing-to-undo",
        "recipe-changed",
        "not-cooked-yet",
        "protocol-gone",
        "still-followed",
        "allergy",
        "portions-in-their-days",
        "packet-changed",
        "stock-gone",
        "already-opened",
        "already-frozen",
        "already-there",
        "never-refrozen",
    ];

    /// <summary>Codes that mean "there is no such thing".</summary>
    private static readonly HashSet<string> Missing = ["eater-gone", "recipe-gone", "packet-gone", "note-gone", "word-unknown"];

    /// <summary>Words for what the framework answers by itself, without the application's say.</summary>
    public static void Word(ProblemDetails problem)
    {
        if (problem.Status == StatusCodes.Status413PayloadTooLarge)
        {
            problem.Title = "That is too much at once.";
            problem.Detail = "Send at most 1,000,000 characters; one recipe or one protocol, not the whole page.";
        }
    }

    public static ProblemHttpResult ToProblem(this Refusal refusal) =>
        TypedResults.Problem(
            statusCode: Conflicts.Contains(refusal.Code) ? StatusCodes.Status409Conflict
                : Missing.Contains(refusal.Code) ? StatusCodes.Status404NotFound
                : StatusCodes.Status422UnprocessableEntity,
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
