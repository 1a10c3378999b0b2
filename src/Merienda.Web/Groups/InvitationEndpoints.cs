using Merienda.Core.Groups;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Groups;

/// <param name="List">Addresses as they were pasted, or the rows of a CSV file.</param>
public sealed record InviteRequest(string List);

/// <param name="Invited">How many get a mail.</param>
/// <param name="Waiting">How many have one already that still leads in.</param>
/// <param name="Doubles">How many stood in the list before.</param>
/// <param name="Bad">What is no address, the first of them.</param>
/// <param name="AllBad">How many there are of those.</param>
public sealed record InvitedSheet(int Invited, int Waiting, int Doubles, IReadOnlyList<BadAddress> Bad, int AllBad);

/// <summary>Members asked by a list of their addresses.</summary>
public static class InvitationEndpoints
{
    private const int MostBadShown = 100;

    public static void MapInvitations(this RouteGroupBuilder groups)
    {
        groups.MapPost("/invitations", Invite).WithName("InviteByList");
        groups.MapDelete("/invitations", Withdraw).WithName("WithdrawInvitations");
    }

    private static async Task<Results<Ok<InvitedSheet>, ProblemHttpResult>> Invite(
        InviteRequest request,
        Editing editing,
        InvitationStore invitations,
        TimeProvider clock
    )
    {
        var read = AddressList.Of(request.List);
        if (read.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        var list = read.Value;
        return editing.Answer(
            (await invitations.Invite(editing, list.Addresses, clock.GetUtcNow())).Select(edited =>
                edited.Select(done => new InvitedSheet(
                    done.Invited,
                    done.Waiting,
                    list.Doubles,
                    [.. list.Bad.Take(MostBadShown)],
                    list.Bad.Count
                ))
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Withdraw(
        Editing editing,
        InvitationStore invitations,
        TimeProvider clock
    ) => editing.Done(await invitations.Withdraw(editing, clock.GetUtcNow()));
}
