using Merienda.Core.Groups;

namespace Merienda.Storage;

/// <summary>A question with what is said of it.</summary>
/// <param name="By">Name of who asked; empty where they do not say it, or have left.</param>
/// <param name="IsOwn">Whether whoever reads it asked it.</param>
/// <param name="Too">How many others ask the same.</param>
/// <param name="IsAskedToo">Whether whoever reads it is one of them.</param>
/// <param name="Reports">Why it was reported, each once; for the desk only.</param>
public sealed record StoredQuestion(
    Question Question,
    Guid Group,
    QuestionAbout About,
    string By,
    bool IsOwn,
    DateTimeOffset AskedAt,
    DateTimeOffset? AnsweredAt,
    int Too,
    bool IsAskedToo,
    Guid? Picture,
    IReadOnlyList<string> Reports
);

/// <summary>Reads what members ask: the desk everything, a member what is not hidden and their own.</summary>
public sealed class QuestionReading(Database database)
{
    /// <summary>Most that are read at once; older ones are answered and long over.</summary>
    private const int MostRead = 300;

    /// <summary>Of the desk, with why some were reported; what waits for an answer first.</summary>
    public static readonly Reading<IReadOnlyList<StoredQuestion>> AtDesk = Read("question.household_id = app_household()", true, null);

    /// <summary>What a member may read of a group.</summary>
    public static Reading<IReadOnlyList<StoredQuestion>> Of(Guid group) =>
        Read(
            """
            question.household_id = @questionsOf and (not question.is_hidden or question.account_id = app_account())
            and exists (select 1 from group_member member where member.household_id = @questionsOf and member.account_id = app_account())
            """,
            false,
            new { questionsOf = group }
        );

    /// <summary>Where help is found near the group, as its moderator wrote it; empty where it is not filled in.</summary>
    public static Reading<string> HelpOf(Guid group) =>
        Reading.Of(
            "select help from group_desk where household_id = @helpOf;",
            new { helpOf = group },
            async rows => await rows.ReadSingleOrDefaultAsync<string?>() ?? ""
        );

    /// <summary>Picture of a question that whoever asks may read; null where there is none.</summary>
    public async Task<byte[]?> Picture(Tenant tenant, Guid group, Guid id, bool isSmall) =>
        await database.Read(tenant, PictureOf(group, id)) is { } picture
            ? await database.Read(new Tenant(tenant.Account, group, IsOutside: true), PictureStore.Of(picture, isSmall))
            : null;

    /// <summary>The policy of the table says who sees it.</summary>
    private static Reading<Guid?> PictureOf(Guid group, Guid id) =>
        Reading.Of(
            "select picture_id from question where household_id = @picturedGroup and id = @pictured;",
            new { picturedGroup = group, pictured = id },
            rows => rows.ReadSingleOrDefaultAsync<Guid?>()
        );

    private sealed class Found
    {
        public Guid Id { get; init; }

        public Guid HouseholdId { get; init; }

        public string Words { get; init; } = "";

        public string Answer { get; init; } = "";

        public bool IsPinned { get; init; }

        public bool IsHidden { get; init; }

        public Guid? MenuId { get; init; }

        public int? Day { get; init; }

        public string Dish { get; init; } = "";

        public string? By { get; init; }

        public bool IsOwn { get; init; }

        public DateTimeOffset AskedAt { get; init; }

        public DateTimeOffset? AnsweredAt { get; init; }

        public int Too { get; init; }

        public bool IsAskedToo { get; init; }

        public Guid? PictureId { get; init; }

        public string[] Reports { get; init; } = [];
    }

    private const string Reported = """
        array(select report.why from question_report report where report.household_id = question.household_id
            and report.question_id = question.id order by report.why)
        """;

    private static Reading<IReadOnlyList<StoredQuestion>> Read(string which, bool withReports, object? parameters) =>
        Reading.Of<IReadOnlyList<StoredQuestion>>(
            $"""
            select question.id, question.household_id, words, answer, is_pinned, is_hidden, menu_id, day, dish, asked_at, answered_at, picture_id,
                case when is_named then account.display_name end as by, coalesce(question.account_id = app_account(), false) as is_own,
                (select count(*)::int from question_too too where too.household_id = question.household_id and too.question_id = question.id) as too,
                exists (select 1 from question_too too where too.household_id = question.household_id and too.question_id = question.id
                    and too.account_id = app_account()) as is_asked_too,
                {(withReports ? Reported : "array[]::text[]")} as reports
            from question left join account on account.id = question.account_id
            where {which} order by is_pinned desc, asked_at desc limit {MostRead};
            """,
            parameters,
            async rows =>
                [
                    .. (await rows.ReadAsync<Found>()).Select(found => new StoredQuestion(
                        new(found.Id, found.Words, found.Answer, found.IsPinned, found.IsHidden),
                        found.HouseholdId,
                        new(found.MenuId, found.Day, found.Dish),
                        found.By ?? "",
                        found.IsOwn,
                        found.AskedAt,
                        found.AnsweredAt,
                        found.Too,
                        found.IsAskedToo,
                        found.PictureId,
                        found.Reports
                    )),
                ]
        );
}
