using Merienda.Core.Outcomes;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Accounts;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;

namespace Merienda.Web.Groups;

/// <summary>Groups and who belongs to them: one is founded, links let people in, who leaves leaves by themselves.</summary>
public static class GroupEndpoints
{
    public static void MapGroups(this IEndpointRouteBuilder api)
    {
        var groups = api.MapGroup("/groups").WithTags("Group").RequireAuthorization();
        groups.MapGet("", Page).WithName("GetGroups");
        groups.MapPost("", Found).WithName("FoundGroup");
        groups.MapPost("/links", MakeLink).WithName("MakeGroupLink");
        groups.MapDelete("/links/{id:guid}", Withdraw).WithName("WithdrawGroupLink");
        groups.MapDelete("/{group:guid}/membership", Leave).WithName("LeaveGroup");
        groups.MapInvitations();
        groups.MapShares();
        groups.MapMenus();
        groups.MapMemberMenus();
        groups.MapHandOut();
        groups.MapMenuFile();
        groups.MapMends();
        groups.MapMenuSolve();
        groups.MapIntoWeek();
        groups.MapEnclosures();
        groups.MapSubmissions();
        groups.MapQueue();
        groups.MapQuestions();
        var join = api.MapGroup("/join-group/{group:guid}/{secret}").WithTags("Group");
        join.MapGet("", Look).WithName("GetGroupLink").RequireRateLimiting(MeriendaHost.SignInLimit);
        join.MapPost("", Join).WithName("JoinGroup").RequireAuthorization();
    }

    private static async Task<Ok<GroupsPage>> Page(
        CurrentTenant tenant,
        Database database,
        MenuStore menus,
        HouseholdStore households,
        TimeProvider clock
    )
    {
        var now = clock.GetUtcNow();
        var (((((mine, shared), table), desk), drafts), waiting) = await database.Read(
            tenant,
            GroupStore
                .Mine.And(ShareStore.Own)
                .And(households.Table())
                .And(GroupStore.DeskAt(now))
                .And(MenuSheets.All(menus))
                .And(InvitationStore.Waiting(now))
        );
        return TypedResults.Ok(
            new GroupsPage(
                [
                    .. mine.Select(group => new GroupSheet(
                        group.Id,
                        group.Name,
                        shared.TryGetValue(group.Id, out var share) ? ShareEndpoints.ToSheet(share.Ticked, share.Share, table) : null
                    )),
                ],
                desk is null
                    ? null
                    : new DeskSheet(
                        tenant.Tenant.Household,
                        desk.Name,
                        desk.Members,
                        waiting,
                        [.. desk.Links.Select(link => new LinkSheet(link.Id, link.MadeBy, link.ExpiresAt, link.UsesLeft))],
                        desk.IsHelper,
                        drafts,
                        [.. table.Protocols.Select(one => new FollowedSheet(one.Protocol.Id, one.Protocol.Name)).OrderBy(one => one.Name)]
                    )
            )
        );
    }

    /// <summary>Whoever founds a group works at its desk from then on.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> Found(
        FoundRequest request,
        HttpContext context,
        GroupStore groups,
        HouseholdStore households,
        UserManager<Account> users,
        SignInManager<Account> signIn,
        TimeProvider clock
    )
    {
        var account = (await users.GetUserAsync(context.User))!;
        if (await HouseholdEndpoints.Refuse(account, request.Name, request.TimeZone, households) is { } refusal)
        {
            return refusal.ToProblem();
        }

        var desk = NewHousehold.Of(request.Name.Trim(), request.TimeZone, HouseholdEndpoints.FirstName(account));
        await groups.FoundBy(account.Id, desk, clock.GetUtcNow());
        await households.WorkIn(new(account.Id, desk.Id));
        await signIn.RefreshSignInAsync(account);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<MadeLink>, ProblemHttpResult>> MakeLink(
        LinkRequest request,
        Editing editing,
        GroupStore groups,
        TimeProvider clock
    )
    {
        var (secret, now) = (LinkSecret.New(), clock.GetUtcNow());
        var made = await groups.Invite(editing, secret, request.Uses, now);
        return editing.Answer(
            made.Select(edited =>
                edited.Select(_ => new MadeLink($"/join-group/{editing.Tenant.Household}/{secret}", now + GroupStore.Lasts))
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Withdraw(Guid id, Editing editing, GroupStore groups) =>
        editing.Done(await groups.Withdraw(editing, id));

    private static async Task<Results<NoContent, ProblemHttpResult>> Leave(Guid group, Editing editing, GroupStore groups) =>
        DoneOutside(await groups.Leave(At(editing, group)));

    private static async Task<Results<Ok<JoinGroupSheet>, ProblemHttpResult>> Look(
        Guid group,
        string secret,
        GroupStore groups,
        TimeProvider clock
    ) =>
        await groups.Look(group, secret, clock.GetUtcNow()) is { } name
            ? TypedResults.Ok(new JoinGroupSheet(name))
            : GroupStore.Over(secret).ToProblem();

    private static async Task<Results<NoContent, ProblemHttpResult>> Join(
        Guid group,
        string secret,
        Editing editing,
        GroupStore groups,
        TimeProvider clock
    ) => DoneOutside(await groups.Join(At(editing, group), secret, clock.GetUtcNow()));

    /// <summary>An edit in the group of somebody who works elsewhere: it is not theirs to take back by the journal of their own kitchen.</summary>
    internal static Results<NoContent, ProblemHttpResult> DoneOutside<T>(Result<Edited<T>> edited) =>
        edited.Refusal is { } refusal ? refusal.ToProblem() : TypedResults.NoContent();

    /// <summary>The same edit, of somebody who comes from outside, in the group.</summary>
    internal static EditStamp At(Editing editing, Guid group) =>
        editing.Stamp with
        {
            Tenant = new Tenant(editing.Tenant.Account, group, IsOutside: true),
        };
}
