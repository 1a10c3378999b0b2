using Microsoft.Extensions.Caching.Memory;

namespace Merienda.Storage;

/// <summary>A menu as a member reads it.</summary>
/// <param name="Group">Id of the group.</param>
/// <param name="Content">JSON.</param>
/// <param name="Changes">What each correction said, the first correction first.</param>
public sealed record ReadMenu(
    Guid Group,
    Guid Menu,
    int Number,
    DateTimeOffset PublishedAt,
    string Changed,
    string Content,
    IReadOnlyList<string> Changes
);

/// <summary>
/// Menus as members read them. A version never changes, so its content is kept in memory once read; who may read which is always asked of
/// the database.
/// </summary>
public sealed class PublishedMenus : IDisposable
{
    /// <summary>Menus that a member has before them; older ones are cooked by now.</summary>
    private const int MostRead = 20;

    private sealed record Head(Guid Group, Guid Menu, int Number, DateTimeOffset PublishedAt, string Changed, string[] Changes);

    // Sized by characters.
    private readonly MemoryCache _contents = new(new MemoryCacheOptions { SizeLimit = 20_000_000 });

    public PublishedMenus() => NewestOfAll = Published("", null);

    public void Dispose() => _contents.Dispose();

    /// <summary>The newest version of each menu of the groups that whoever asks belongs to, the latest first.</summary>
    public Reading<IReadOnlyList<ReadMenu>> NewestOfAll { get; }

    /// <summary>One menu as it was last published; null when whoever asks may not read it, or nothing was.</summary>
    public Reading<ReadMenu?> Newest(Guid group, Guid menu) =>
        Published("and version.household_id = @readGroup and version.menu_id = @readMenu", new { readGroup = group, readMenu = menu })
            .Select(found => found.SingleOrDefault());

    /// <summary>One version of a menu; null when whoever asks may not read it.</summary>
    public Reading<ReadMenu?> Numbered(Guid group, Guid menu, int number) =>
        Published(
                "and version.household_id = @readGroup and version.menu_id = @readMenu and version.number = @readNumber",
                new
                {
                    readGroup = group,
                    readMenu = menu,
                    readNumber = number,
                }
            )
            .Select(found => found.SingleOrDefault());

    private Reading<IReadOnlyList<ReadMenu>> Published(string which, object? parameters) =>
        Reading
            .Of<IReadOnlyList<Head>>(
                $"""
                select * from (
                    select distinct on (version.household_id, version.menu_id) version.household_id as "group", version.menu_id as menu, number,
                        published_at, changed,
                        array(select correction.changed from menu_version correction where correction.household_id = version.household_id
                            and correction.menu_id = version.menu_id and correction.number > 1 order by correction.number) as changes
                    from menu_version version
                    join group_member member on member.household_id = version.household_id and member.account_id = app_account()
                    where true {which} order by version.household_id, version.menu_id, number desc
                ) newest order by published_at desc limit {MostRead};
                """,
                parameters,
                async rows =>
                    [
                        .. (await rows.ReadAsync<(Guid, Guid, int, DateTimeOffset, string, string[])>()).Select(row => new Head(
                            row.Item1,
                            row.Item2,
                            row.Item3,
                            row.Item4,
                            row.Item5,
                            row.Item6
                        )),
                    ]
            )
            .Then(WithContents);

    private async Task<IReadOnlyList<ReadMenu>> WithContents(Scope scope, IReadOnlyList<Head> heads)
    {
        var known = heads.Select(head => _contents.Get<string>(KeyOf(head))).ToList();
        var unknown = heads.Where((_, at) => known[at] is null).ToList();
        var read = unknown.Count == 0 ? null : await scope.Read(Contents(unknown));
        return
        [
            .. heads.Zip(
                known,
                (head, content) =>
                    new ReadMenu(
                        head.Group,
                        head.Menu,
                        head.Number,
                        head.PublishedAt,
                        head.Changed,
                        content ?? read![KeyOf(head)],
                        head.Changes
                    )
            ),
        ];
    }

    private Reading<IReadOnlyDictionary<(Guid, Guid, int), string>> Contents(IReadOnlyList<Head> heads) =>
        Reading.Of<IReadOnlyDictionary<(Guid, Guid, int), string>>(
            """
            select version.household_id, version.menu_id, version.number, content::text
            from unnest(@contentsOfGroups, @contentsOfMenus, @contentsNumbered) asked(household_id, menu_id, number)
            join menu_version version using (household_id, menu_id, number);
            """,
            new
            {
                contentsOfGroups = heads.Select(head => head.Group).ToArray(),
                contentsOfMenus = heads.Select(head => head.Menu).ToArray(),
                contentsNumbered = heads.Select(head => head.Number).ToArray(),
            },
            async rows =>
            {
                var read = (await rows.ReadAsync<(Guid, Guid, int, string Content)>()).ToDictionary(
                    row => (row.Item1, row.Item2, row.Item3),
                    row => row.Content
                );
                foreach (var (key, content) in read)
                {
                    _contents.Set(key, content, new MemoryCacheEntryOptions { Size = content.Length });
                }

                return read;
            }
        );

    private static (Guid, Guid, int) KeyOf(Head head) => (head.Group, head.Menu, head.Number);
}
