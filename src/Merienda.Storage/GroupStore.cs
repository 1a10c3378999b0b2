using Merienda.Core.Outcomes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>A group that an account is a member of.</summary>
public sealed record MyGroup(Guid Id, string Name);

/// <param name="MadeBy">Name of the one who made it.</param>
public sealed record OpenLink(Guid Id, string MadeBy, DateTimeOffset ExpiresAt, int UsesLeft);

/// <summary>A group as its desk sees it: how many members, never who.</summary>
/// <param name="IsHelper">Whether whoever asks only helps there.</param>
public sealed record DeskOf(string Name, int Members, IReadOnlyList<OpenLink> Links, bool IsHelper);

/// <summary>Groups and who belongs to them: founded, joined by a link, left.</summary>
public sealed class GroupStore(Database database, EditDoor door)
{
    public const int MostOpen = 10,
        MostUses = 5000;

    /// <summary>How long a link leads in.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromDays(14);

    private sealed record Found(GroupLinkRow? Link, GroupMemberRow? Member, string Name);

    /// <summary>The groups that whoever asks is a member of, whichever household they work in.</summary>
    public static readonly Reading<IReadOnlyList<MyGroup>> Mine = Reading.Of<IReadOnlyList<MyGroup>>(
        """
        select desk.household_id as id, desk.name from group_desk desk
        join group_member member on member.household_id = desk.household_id
        where member.account_id = app_account() order by member.joined_at, desk.household_id;
        """,
        null,
        async rows => [.. await rows.ReadAsync<MyGroup>()]
    );

    /// <summary>Name of the group whose desk the household is; null when it is a kitchen.</summary>
    public static readonly Reading<string?> Desk = Reading.Of(
        "select name from group_desk where household_id = app_household();",
        null,
        rows => rows.ReadSingleOrDefaultAsync<string?>()
    );

    /// <summary>Whether whoever asks is a member of the group that the household is.</summary>
    internal static readonly Reading<bool> IsMember = Reading.Of(
        "select exists (select 1 from group_member where household_id = app_household() and account_id = app_account());",
        null,
        rows => rows.ReadSingleAsync<bool>()
    );

    /// <summary>How many members the group has whose desk the household is.</summary>
    public static readonly Reading<int> Members = Reading.Of(
        "select count(*)::int from group_member where household_id = app_household();",
        null,
        rows => rows.ReadSingleAsync<int>()
    );

    /// <summary>The desk of the household; null when it is a kitchen.</summary>
    public static Reading<DeskOf?> DeskAt(DateTimeOffset now) =>
        Desk.And(Members)
            .And(Open(now))
            .And(Desks.HelperMayNot)
            .Select(read =>
            {
                var (((name, members), links), helper) = read;
                return name is null ? null : new DeskOf(name, members, links, helper is not null);
            });

    /// <summary>Opens a desk for an account, who is the group's first member.</summary>
    public Task FoundBy(Guid account, NewHousehold desk, DateTimeOffset now) =>
        database.Write(
            new Tenant(account, desk.Id, IsOutside: true),
            HouseholdStore.Opening(
                desk.Rows()
                    .Put(Tables.GroupDesk, null, new GroupDeskRow(desk.Name))
                    .Put(Tables.GroupMember, null, new GroupMemberRow(account, now))
            )
        );

    /// <param name="uses">How many may come by it.</param>
    public Task<Result<Edited<bool>>> Invite(EditStamp stamp, string secret, int uses, DateTimeOffset now) =>
        door.Edit<((string? Name, IReadOnlyList<OpenLink> Links) Desk, Refusal? Helper), bool>(
            stamp,
            Journal.People,
            Desk.And(Open(now)).And(Desks.HelperMayNot),
            locked =>
                locked.Desk.Name is null ? NoDesk()
                : locked.Helper is { } helper ? helper
                : uses is < 1 or > MostUses
                    ? new Refusal("link-uses", "uses", $"{uses}", $"a link lets 1 to {MostUses} people in", "Make a second link for more")
                : locked.Desk.Links.Count >= MostOpen
                    ? new Refusal(
                        "too-many-invitations",
                        "invitations",
                        $"{locked.Desk.Links.Count}",
                        $"at most {MostOpen} links are open at once",
                        "Withdraw one first"
                    )
                : new Decided<bool>(
                    new Change("Made a link to join").Put(
                        Tables.GroupLink,
                        null,
                        new GroupLinkRow(Guid.CreateVersion7(), LinkSecret.Hash(secret), stamp.Tenant.Account, now + Lasts, uses)
                    ),
                    true
                )
        );

    public Task<Result<Edited<bool>>> Withdraw(EditStamp stamp, Guid link) =>
        door.Edit<(GroupLinkRow? Row, Refusal? Helper), bool>(
            stamp,
            Journal.People,
            Link("id = @groupLink", new { groupLink = link }).And(Desks.HelperMayNot),
            locked =>
                locked.Row is not { } row ? Over($"{link}")
                : locked.Helper is { } helper ? helper
                : new Decided<bool>(new Change("Withdrew a link").Put(Tables.GroupLink, row, null), true)
        );

    /// <summary>The group that a link leads into; null when it leads nowhere.</summary>
    public async Task<string?> Look(Guid group, string secret, DateTimeOffset now) =>
        await database.Read(new Tenant(Guid.Empty, group, IsOutside: true), Find(secret, now)) is { Link: not null } found
            ? found.Name
            : null;

    /// <summary>Comes into a group by a link; whoever is there already comes in once.</summary>
    /// <param name="stamp">Of the one who comes, with the group as the household.</param>
    public Task<Result<Edited<bool>>> Join(EditStamp stamp, string secret, DateTimeOffset now) =>
        door.Edit<Found, bool>(
            stamp,
            Journal.People,
            Find(secret, now),
            locked =>
                locked.Link is not { } link ? Over(secret)
                : locked.Member is not null ? new Decided<bool>(new Change("Was there"), true)
                : new Decided<bool>(
                    new Change("Somebody joined")
                        .Put(Tables.GroupMember, null, new GroupMemberRow(stamp.Tenant.Account, now))
                        .Put(Tables.GroupLink, link, link with { UsesLeft = link.UsesLeft - 1 }),
                    true
                )
        );

    /// <param name="stamp">Of the one who leaves, with the group as the household.</param>
    public Task<Result<Edited<bool>>> Leave(EditStamp stamp) =>
        door.Edit<GroupMemberRow?, bool>(
            stamp,
            Journal.People,
            Member,
            row =>
                row is null
                    ? NoMember(stamp.Tenant.Household)
                    : new Decided<bool>(new Change("Somebody left").Put(Tables.GroupMember, row, null), true)
        );

    public static Refusal NoMember(Guid group) =>
        new("unknown-group", "group", $"{group}", "you are no member of this group", "Load the page again");

    public static Refusal NoDesk() =>
        new("no-desk", "group", "", "this kitchen is no group's desk", "Choose the desk under your name, at the top right");

    public static Refusal Over(string secret) =>
        new(
            "invitation-over",
            "invitation",
            LinkSecret.Shown(secret),
            "this link was used up, withdrawn or is older than two weeks",
            "Ask for a new one"
        );

    private static readonly Reading<GroupMemberRow?> Member = Reading.Of(
        "select account_id, joined_at from group_member where household_id = app_household() and account_id = app_account();",
        null,
        rows => rows.ReadSingleOrDefaultAsync<GroupMemberRow?>()
    );

    private static Reading<Found> Find(string secret, DateTimeOffset now) =>
        Link(
                "secret_hash = @groupHash and uses_left > 0 and expires_at > @groupAt",
                new { groupHash = LinkSecret.Hash(secret), groupAt = now }
            )
            .And(Member)
            .And(Desk)
            .Select(read => new Found(read.First.First, read.First.Second, read.Second ?? ""));

    private static Reading<IReadOnlyList<OpenLink>> Open(DateTimeOffset now) =>
        Reading.Of<IReadOnlyList<OpenLink>>(
            """
            select group_link.id, display_name as made_by, expires_at, uses_left from group_link join account on account.id = made_by
            where uses_left > 0 and expires_at > @linksAt and address is null order by expires_at;
            """,
            new { linksAt = now },
            async rows => [.. await rows.ReadAsync<OpenLink>()]
        );

    private static Reading<GroupLinkRow?> Link(string which, object parameters) =>
        Reading.Of(
            $"select id, secret_hash, made_by, expires_at, uses_left, address from group_link where household_id = app_household() and {which};",
            parameters,
            rows => rows.ReadSingleOrDefaultAsync<GroupLinkRow?>()
        );
}
