using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;

namespace Merienda.Web.Accounts;

/// <param name="IsMe">The one who asks.</param>
/// <param name="IsHelper">At a group's desk: drafts, reviews and answers, and publishes nothing.</param>
public sealed record MemberSheet(Guid Account, string Name, string Email, bool IsMe, bool IsHelper);

public sealed record RoleRequest(bool IsHelper);

public sealed record InvitationSheet(Guid Id, string MadeBy, DateTimeOffset ExpiresAt);

public sealed record MembersPage(IReadOnlyList<MemberSheet> Members, IReadOnlyList<InvitationSheet> Invitations);

/// <param name="Path">Of the page that the link leads to; it is shown this once.</param>
public sealed record MadeInvitation(string Path, DateTimeOffset ExpiresAt);

/// <param name="MadeBy">Name of the one who invites.</param>
public sealed record JoinSheet(string Household, string MadeBy, DateTimeOffset ExpiresAt);

/// <summary>Who signs in to a household: another adult comes by a link that expires.</summary>
public static class MemberEndpoints
{
    public static void MapMembers(this IEndpointRouteBuilder api)
    {
        var members = api.MapGroup("/members").WithTags("Table").RequireAuthorization();
        members.MapGet("", Page).WithName("GetMembers");
        members.MapPost("/invitations", Invite).WithName("Invite");
        members.MapDelete("/invitations/{id:guid}", TakeBack).WithName("TakeInvitationBack");
        members.MapDelete("/{account:guid}", Leave).WithName("LeaveHousehold");
        members.MapPut("/{account:guid}/role", Say).WithName("SayRole");
        var join = api.MapGroup("/join/{household:guid}/{secret}").WithTags("Account");
        join.MapGet("", Look).WithName("GetInvitation").RequireRateLimiting(MeriendaHost.SignInLimit);
        join.MapPost("", Come).WithName("Join").RequireAuthorization();
    }

    private static async Task<Ok<MembersPage>> Page(CurrentTenant tenant, MemberStore members, TimeProvider clock)
    {
        var (all, open) = await members.Read(tenant, clock.GetUtcNow());
        return TypedResults.Ok(
            new MembersPage(
                [
                    .. all.Select(one => new MemberSheet(
                        one.Account,
                        one.Name,
                        one.Email,
                        one.Account == tenant.Tenant.Account,
                        one.IsHelper
                    )),
                ],
                [.. open.Select(one => new InvitationSheet(one.Id, one.MadeBy, one.ExpiresAt))]
            )
        );
    }

    private static async Task<Results<Ok<MadeInvitation>, ProblemHttpResult>> Invite(
        Editing editing,
        MemberStore members,
        TimeProvider clock
    )
    {
        var (secret, now) = (LinkSecret.New(), clock.GetUtcNow());
        var made = await members.Invite(editing, secret, now);
        return editing.Answer(
            made.Select(edited =>
                edited.Select(_ => new MadeInvitation($"/join/{editing.Tenant.Household}/{secret}", now + MemberStore.Lasts))
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> TakeBack(Guid id, Editing editing, MemberStore members) =>
        editing.Done(await members.TakeBack(editing, id));

    private static async Task<Results<NoContent, ProblemHttpResult>> Say(
        Guid account,
        RoleRequest request,
        Editing editing,
        MemberStore members
    ) => editing.Done(await members.Say(editing, account, request.IsHelper));

    private static async Task<Results<NoContent, ProblemHttpResult>> Leave(Guid account, Editing editing, MemberStore members) =>
        editing.Done(await members.Leave(editing, account));

    private static async Task<Results<Ok<JoinSheet>, ProblemHttpResult>> Look(
        Guid household,
        string secret,
        MemberStore members,
        TimeProvider clock
    ) =>
        await members.Look(household, secret, clock.GetUtcNow()) is { } invited
            ? TypedResults.Ok(new JoinSheet(invited.Household, invited.MadeBy, invited.ExpiresAt))
            : MemberStore.Over(secret).ToProblem();

    /// <summary>The one who comes works in the household from then on.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> Come(
        Guid household,
        string secret,
        HttpContext context,
        MemberStore members,
        HouseholdStore households,
        UserManager<Account> users,
        SignInManager<Account> signIn,
        TimeProvider clock
    )
    {
        var account = (await users.GetUserAsync(context.User))!;
        var tenant = new Tenant(account.Id, household);
        var come = await members.Come(new EditStamp(tenant with { IsOutside = true }, Guid.CreateVersion7()), secret, clock.GetUtcNow());
        if (come.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        await households.WorkIn(tenant);
        await signIn.RefreshSignInAsync(account);
        return TypedResults.NoContent();
    }
}
