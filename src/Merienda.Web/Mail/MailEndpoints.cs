using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Mail;

/// <param name="All">How many mails there are; the last of them are shown.</param>
/// <param name="IsOff">Whether the person wants no mail of what is new in their groups.</param>
public sealed record OutboxPage(IReadOnlyList<MailSheet> Mails, int All, bool IsOff);

/// <param name="Before">What stands before the link.</param>
/// <param name="Path">Where the link leads; empty when its key is gone.</param>
/// <param name="After">What stands after it.</param>
public sealed record MailSheet(Guid Id, string Address, string Subject, string Before, string Path, string After, DateTimeOffset MadeAt);

public sealed record MailSwitch(bool IsOff);

/// <param name="Token">Of the link in the mail.</param>
public sealed record EndMailRequest(string Token);

/// <summary>The outbox, in the place of a service that carries mail: what was written, and whether one wants more of it.</summary>
public static class MailEndpoints
{
    public static void MapMail(this IEndpointRouteBuilder api)
    {
        var mail = api.MapGroup("/mail").WithTags("Mail");
        mail.MapGet("", Page).WithName("GetOutbox").RequireAuthorization();
        mail.MapPut("/digest", Turn).WithName("TurnDigest").RequireAuthorization();
        mail.MapPost("/end", End).WithName("EndMail").RequireRateLimiting(MeriendaHost.SignInLimit);
    }

    private static async Task<Ok<OutboxPage>> Page(CurrentTenant tenant, Database database, MailSeal seal)
    {
        var outbox = await database.Read(tenant, MailStore.Own);
        return TypedResults.Ok(
            new OutboxPage([.. outbox.Newest.Select(mail => ToSheet(mail, seal.Open(mail.SealedPath) ?? ""))], outbox.All, outbox.IsOff)
        );
    }

    private static async Task<NoContent> Turn(MailSwitch request, CurrentTenant tenant, MailStore mails, TimeProvider clock)
    {
        await mails.TurnOff(tenant.Tenant.Account, request.IsOff, clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    /// <summary>By the link in a mail: nobody need sign in for it.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> End(
        EndMailRequest request,
        MailStore mails,
        MailSeal seal,
        TimeProvider clock
    )
    {
        if (seal.AccountOf(request.Token) is not { } account)
        {
            return new Refusal(
                "mail-link-unknown",
                "token",
                request.Token.Length > 12 ? $"{request.Token[..12]}…" : request.Token,
                "this link stands in no mail of ours",
                "Open it from the mail once more, or sign in and turn mail off under Group, Mail"
            ).ToProblem();
        }

        await mails.TurnOff(account, true, clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    private static MailSheet ToSheet(StoredMail mail, string path)
    {
        var parts = mail.Body.Split(Letters.Link, 2);
        return new(mail.Id, mail.Address, mail.Subject, parts[0], path, parts.Length > 1 ? parts[1] : "", mail.MadeAt);
    }
}
