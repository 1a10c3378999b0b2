using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What a list of addresses came to.</summary>
/// <param name="Invited">How many get a mail.</param>
/// <param name="Waiting">How many of the list have one already that still leads in.</param>
public sealed record InvitedByList(int Invited, int Waiting);

/// <summary>Lets people into a group by their addresses: each gets a mail with a link of their own, that leads in once.</summary>
/// <param name="seal">Encrypts where a link leads.</param>
public sealed class InvitationStore(EditDoor door, Func<string, string> seal)
{
    /// <summary>Most that are asked and have not come, of all lists together.</summary>
    public const int MostWaiting = 20_000;

    private sealed record Locked(string? Desk, string From, Refusal? Helper, IReadOnlyList<GroupLinkRow> Addressed);

    /// <summary>How many were asked by their address and have not come.</summary>
    public static Reading<int> Waiting(DateTimeOffset now) =>
        Reading.Of(
            """
            select count(*)::int from group_link
            where household_id = app_household() and address is not null and uses_left > 0 and expires_at > @invitedAt;
            """,
            new { invitedAt = now },
            rows => rows.ReadSingleAsync<int>()
        );

    public Task<Result<Edited<InvitedByList>>> Invite(EditStamp stamp, IReadOnlyList<string> addresses, DateTimeOffset now) =>
        door.Edit<Locked, InvitedByList>(
            stamp,
            Journal.People,
            Lists,
            locked =>
            {
                if (locked.Desk is null)
                {
                    return GroupStore.NoDesk();
                }

                if (locked.Helper is { } helper)
                {
                    return helper;
                }

                var open = locked.Addressed.Where(link => IsOpen(link, now)).Select(link => link.Address!).ToHashSet();
                var asked = addresses.Where(address => !open.Contains(address)).ToList();
                if (open.Count + asked.Count > MostWaiting)
                {
                    return new Refusal(
                        "too-many-invitations",
                        "list",
                        $"{open.Count + asked.Count}",
                        $"at most {MostWaiting:N0} are asked at once",
                        "Withdraw those that nobody followed first"
                    );
                }

                var (links, mails) = (new List<GroupLinkRow>(), new List<MailRow>());
                var letter = Letters.Invitation(locked.Desk, locked.From, GroupStore.Lasts.Days);
                foreach (var address in asked)
                {
                    var secret = LinkSecret.New();
                    links.Add(
                        new(Guid.CreateVersion7(), LinkSecret.Hash(secret), stamp.Tenant.Account, now + GroupStore.Lasts, 1, address)
                    );
                    mails.Add(
                        new(
                            Guid.CreateVersion7(),
                            null,
                            address,
                            letter.Subject,
                            letter.Body,
                            seal($"/join-group/{stamp.Tenant.Household}/{secret}"),
                            now
                        )
                    );
                }

                return new Decided<InvitedByList>(
                    new Change(asked.Count == 1 ? "Asked one person to join" : $"Asked {asked.Count} people to join")
                        .Put(Tables.GroupLink, locked.Addressed.Where(link => asked.Contains(link.Address!)), [])
                        .Put(Tables.GroupLink, [], links)
                        .Put(Tables.Mail, [], mails),
                    new(asked.Count, addresses.Count - asked.Count)
                );
            }
        );

    /// <summary>Nobody who was asked by their address and has not come gets in any more.</summary>
    public Task<Result<Edited<bool>>> Withdraw(EditStamp stamp, DateTimeOffset now) =>
        door.Edit<Locked, bool>(
            stamp,
            Journal.People,
            Lists,
            locked =>
                locked.Desk is null ? GroupStore.NoDesk()
                : locked.Helper is { } helper ? helper
                : new Decided<bool>(
                    new Change("Withdrew what was sent by mail").Put(
                        Tables.GroupLink,
                        locked.Addressed.Where(link => IsOpen(link, now)),
                        []
                    ),
                    true
                )
        );

    private static bool IsOpen(GroupLinkRow link, DateTimeOffset now) => link.UsesLeft > 0 && link.ExpiresAt > now;

    private static readonly Reading<Locked> Lists = GroupStore
        .Desk.And(Desks.HelperMayNot)
        .And(
            Reading.Of(
                """
                select display_name from account where id = app_account();
                select id, secret_hash, made_by, expires_at, uses_left, address from group_link
                where household_id = app_household() and address is not null;
                """,
                null,
                async rows => (await rows.ReadSingleAsync<string>(), (IReadOnlyList<GroupLinkRow>)[.. await rows.ReadAsync<GroupLinkRow>()])
            )
        )
        .Select(read => new Locked(read.First.First, read.Second.Item1, read.First.Second, read.Second.Item2));
}
