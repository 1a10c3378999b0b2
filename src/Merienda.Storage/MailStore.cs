using Dapper;
using Merienda.Core.Groups;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>A mail as it lies in the outbox.</summary>
public sealed record StoredMail(Guid Id, string Address, string Subject, string Body, string SealedPath, DateTimeOffset MadeAt);

/// <param name="All">How many there are; <paramref name="Newest"/> are the last of them.</param>
/// <param name="IsOff">Whether whoever reads it wants no mail of what is new in their groups.</param>
public sealed record Outbox(IReadOnlyList<StoredMail> Newest, int All, bool IsOff);

/// <summary>
/// The outbox: what was written to people, to be sent on by whoever carries mail. What is new for the members of groups is put together
/// for each, and goes there at most once a day.
/// </summary>
/// <param name="seal">Encrypts where a link leads.</param>
public sealed class MailStore(Database database, Func<string, string> seal)
{
    private const int MostShown = 100;

    /// <summary>What the desk sent, unless whoever asks only helps there, and what is for whoever asks.</summary>
    public static readonly Reading<Outbox> Own = Reading.Of(
        $"""
        with mine as (
            select mail.* from mail where account_id = app_account() or (account_id is null and household_id = app_household()
                and not exists (select 1 from household_member member where member.household_id = app_household()
                    and member.account_id = app_account() and member.is_helper))
        )
        select id, address, subject, body, sealed_path, made_at, (count(*) over ())::int as of_all from mine
        order by made_at desc, id desc limit {MostShown};
        select mail_off from account where id = app_account();
        """,
        null,
        async rows =>
        {
            var mails = (
                await rows.ReadAsync<(
                    Guid Id,
                    string Address,
                    string Subject,
                    string Body,
                    string SealedPath,
                    DateTimeOffset MadeAt,
                    int OfAll
                )>()
            ).ToList();
            return new Outbox(
                [.. mails.Select(mail => new StoredMail(mail.Id, mail.Address, mail.Subject, mail.Body, mail.SealedPath, mail.MadeAt))],
                mails.Select(mail => mail.OfAll).FirstOrDefault(),
                await rows.ReadSingleAsync<bool>()
            );
        }
    );

    /// <summary>Whether an account wants no mail of what is new. Beginning again, what was before is not told.</summary>
    public Task TurnOff(Guid account, bool isOff, DateTimeOffset now) =>
        database.Unscoped(connection =>
            connection.ExecuteAsync(
                "update account set mail_off = @isOff, digest_at = @now where id = @account",
                new
                {
                    account,
                    isOff,
                    now,
                }
            )
        );

    /// <summary>Whose last mail is a day old.</summary>
    public Task<IReadOnlyList<Guid>> Due(DateTimeOffset now) =>
        database.Unscoped<IReadOnlyList<Guid>>(async connection =>
            [
                .. await connection.QueryAsync<Guid>(
                    "select id from account where not mail_off and digest_at <= @since order by id",
                    new { since = now - Letters.DigestEvery }
                ),
            ]
        );

    /// <summary>Writes to an account what is new for it, if anything is; two that try it at once write one mail.</summary>
    /// <param name="endsAt">Where the link leads that ends such mails.</param>
    /// <returns>Whether a mail was written.</returns>
    public Task<bool> Tell(Guid account, string endsAt, DateTimeOffset now) =>
        database.As(
            new Tenant(account, Guid.Empty, IsOutside: true),
            async scope =>
            {
                var (reader, news) = await scope.Read(Reader(now).And(News));
                if (reader is not { } to || Letters.Digest([.. news.Select(one => one.News)]) is not { } letter)
                {
                    return false;
                }

                scope.HasWritten = true;
                var group = news.First(one => !one.News.IsEmpty).Group;
                await scope.Read(Written(group, new(Guid.CreateVersion7(), account, to, letter.Subject, letter.Body, seal(endsAt), now)));
                return true;
            }
        );

    /// <summary>Locks the account; its address, if it is due.</summary>
    private static Reading<string?> Reader(DateTimeOffset now) =>
        Reading.Of(
            "select email from account where id = app_account() and not mail_off and digest_at <= @digestSince for update;",
            new { digestSince = now - Letters.DigestEvery },
            rows => rows.ReadSingleOrDefaultAsync<string?>()
        );

    private static readonly Reading<IReadOnlyList<(Guid Group, GroupNews News)>> News = Reading.Of<IReadOnlyList<(Guid, GroupNews)>>(
        """
        select desk.household_id, desk.name from group_desk desk
        join group_member member on member.household_id = desk.household_id and member.account_id = app_account()
        order by member.joined_at, desk.household_id;
        select version.household_id, content->>'name' as menu, number, changed,
            array(select thing->>'name' from jsonb_array_elements(version.brings) with ordinality as brought (thing, at)
                where not exists (select 1 from menu_version before where before.household_id = version.household_id
                    and before.published_at < version.published_at and before.brings @> jsonb_build_array(thing))
                order by at) as brings
        from menu_version version
        join group_member member on member.household_id = version.household_id and member.account_id = app_account()
        join account reader on reader.id = app_account()
        where published_at > greatest(digest_at, member.joined_at) and published_by <> app_account()
        order by version.household_id, menu_id, number;
        select household_id, words, answer from question join account reader on reader.id = app_account()
        where account_id = app_account() and answered_at > digest_at order by answered_at;
        select household_id, content->0->'draft'->>'name' as recipe, state, reply from submission join account reader on reader.id = app_account()
        where account_id = app_account() and answered_at > digest_at and state <> 'Waiting' order by answered_at;
        """,
        null,
        async rows =>
        {
            var groups = (await rows.ReadAsync<(Guid Id, string Name)>()).ToList();
            var menus = (await rows.ReadAsync<(Guid Group, string Menu, int Number, string Changed, string[] Brings)>()).ToLookup(row =>
                row.Group
            );
            var answers = (await rows.ReadAsync<(Guid Group, string Words, string Answer)>()).ToLookup(row => row.Group);
            var brought = (await rows.ReadAsync<(Guid Group, string Recipe, string State, string Reply)>()).ToLookup(row => row.Group);
            return
            [
                .. groups.Select(group =>
                    (
                        group.Id,
                        new GroupNews(
                            group.Name,
                            [
                                .. menus[group.Id]
                                    .GroupBy(row => row.Menu)
                                    .Select(versions => new MenuNews(
                                        versions.Key,
                                        // What was corrected before anybody was told of it is simply there.
                                        versions.Any(row => row.Number == 1)
                                            ? ""
                                            : string.Join(' ', versions.Select(row => row.Changed)),
                                        [.. versions.SelectMany(row => row.Brings).Distinct()]
                                    )),
                            ],
                            [.. answers[group.Id].Select(row => new AnswerNews(row.Words, row.Answer))],
                            [
                                .. brought[group.Id]
                                    .Select(row => new BroughtNews(row.Recipe, Enum.Parse<SubmissionState>(row.State), row.Reply)),
                            ]
                        )
                    )
                ),
            ];
        }
    );

    private static Reading<bool> Written(Guid group, MailRow mail) =>
        Reading.Of(
            """
            select set_config('app.household_id', @mailGroup::text, true);
            insert into mail (household_id, id, account_id, address, subject, body, sealed_path, made_at)
            values (app_household(), @Id, app_account(), @Address, @Subject, @Body, @SealedPath, @MadeAt);
            update account set digest_at = @MadeAt where id = app_account() returning true;
            """,
            new
            {
                mailGroup = group,
                mail.Id,
                mail.Address,
                mail.Subject,
                mail.Body,
                mail.SealedPath,
                mail.MadeAt,
            },
            async rows =>
            {
                await rows.ReadSingleAsync<string>();
                return await rows.ReadSingleAsync<bool>();
            }
        );
}
