using Merienda.Core.Outcomes;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Hosting;

/// <summary>
/// An edit as it comes in: whose, and under which id. The page gives each act an id, so that a repeated request is done once; the answer
/// names the edit's sequence, which is what undo is asked for.
/// </summary>
public sealed class Editing(EditStamp stamp, HttpResponse response)
{
    public const string IdHeader = "X-Edit-Id",
        SequenceHeader = "X-Edit-Sequence";

    public EditStamp Stamp => stamp;

    public Tenant Tenant => stamp.Tenant;

    public static implicit operator EditStamp(Editing editing) => editing.Stamp;

    public static async ValueTask<Editing?> BindAsync(HttpContext context)
    {
        var given = context.Request.Headers[IdHeader].ToString();
        var id = Guid.CreateVersion7();
        if (given.Length > 0 && !Guid.TryParse(given, out id))
        {
            throw new BadHttpRequestException(
                $"{IdHeader} \"{given[..Math.Min(given.Length, 60)]}\" is not a UUID. Leave it out, or send one."
            );
        }

        return await CurrentTenant.BindAsync(context) is { } tenant ? new(new EditStamp(tenant, id), context.Response) : null;
    }

    /// <summary>Answers with the view that was read in the edit's own transaction.</summary>
    public Results<Ok<TView>, ProblemHttpResult> Answer<TView>(Result<Edited<TView>> edited) =>
        edited.Refusal is { } refusal ? refusal.ToProblem() : TypedResults.Ok(Said(edited.Value).View);

    /// <summary>Answers that it is done.</summary>
    public Results<NoContent, ProblemHttpResult> Done<TView>(Result<Edited<TView>> edited)
    {
        if (edited.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        Said(edited.Value);
        return TypedResults.NoContent();
    }

    private Edited<TView> Said<TView>(Edited<TView> edited)
    {
        if (edited.Sequence is { } sequence)
        {
            response.Headers[SequenceHeader] = $"{sequence}";
        }

        return edited;
    }
}
