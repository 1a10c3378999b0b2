using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What members ask, and what the desk answers.</summary>
public sealed class QuestionStore(EditDoor door)
{
    /// <param name="stamp">Of the member, with the group as the household.</param>
    /// <param name="picture">JPEG, large and small.</param>
    public Task<Result<Edited<Guid>>> Ask(
        EditStamp stamp,
        string words,
        QuestionAbout about,
        bool isNamed,
        (byte[] Large, byte[] Small)? picture,
        DateTimeOffset now
    ) =>
        door.Edit<((bool IsMember, IReadOnlyList<QuestionRow> Own) Asker, int? Days), Guid>(
            stamp,
            Journal.Brought,
            GroupStore.IsMember.And(Rows("account_id = app_account()", null)).And(DaysOf(about.Menu)),
            locked =>
            {
                var ((isMember, own), days) = locked;
                var asked = Question.Asked(Guid.CreateVersion7(), words);
                if (!isMember || asked.Refusal is not null)
                {
                    return asked.Refusal ?? GroupStore.NoMember(stamp.Tenant.Household);
                }

                if (about.Wrong(days) is { } wrong)
                {
                    return wrong;
                }

                var waiting = own.Count(row => row.Answer.Length == 0);
                if (waiting >= Question.MostOpen)
                {
                    return new Refusal(
                        "too-many-questions",
                        "words",
                        $"{waiting}",
                        $"at most {Question.MostOpen} questions of one member wait at once",
                        "Wait for an answer, or take one back"
                    );
                }

                var change = new Change("Asked a question");
                var shown = picture is { } read ? PictureStore.RowOf(read, now, stamp.Tenant.Account) : null;
                if (shown is not null)
                {
                    change.Append(Tables.Picture, [shown]);
                }

                var question = asked.Value;
                return new Decided<Guid>(
                    change.Put(
                        Tables.Question,
                        null,
                        new QuestionRow(
                            question.Id,
                            stamp.Tenant.Account,
                            isNamed,
                            now,
                            about.Menu,
                            about.Day,
                            about.Dish,
                            question.Words,
                            "",
                            null,
                            false,
                            false,
                            shown?.Id
                        )
                    ),
                    question.Id
                );
            }
        );

    /// <summary>Takes an own question back that nobody answered yet.</summary>
    /// <param name="stamp">Of the member, with the group as the household.</param>
    public Task<Result<Edited<bool>>> TakeBack(EditStamp stamp, Guid id) =>
        door.Edit<QuestionRow?, bool>(
            stamp,
            Journal.Brought,
            Row(id),
            row =>
                row is null || row.AccountId != stamp.Tenant.Account ? Gone(id)
                : row.Answer.Length > 0
                    ? new Refusal(
                        "question-answered",
                        "question",
                        row.Words,
                        "it was answered meanwhile",
                        "Leave it: others read the answer"
                    )
                : new Decided<bool>(new Change("Took a question back").Put(Tables.Question, row, null), true)
        );

    /// <summary>Asks the same, or no more.</summary>
    /// <param name="stamp">Of the member, with the group as the household.</param>
    public Task<Result<Edited<bool>>> AskToo(EditStamp stamp, Guid id, bool isAsked)
    {
        var too = new QuestionTooRow(id, stamp.Tenant.Account);
        return OfOthers(
            stamp,
            id,
            "select exists (select 1 from question_too where household_id = app_household() and question_id = @seen and account_id = app_account());",
            "Asked the same",
            // Whoever asked it asks it already.
            (change, row, isThere) =>
                row.AccountId == stamp.Tenant.Account ? change : change.Put(Tables.QuestionToo, isThere ? too : null, isAsked ? too : null)
        );
    }

    /// <summary>Tells the desk that something is wrong with a question.</summary>
    /// <param name="stamp">Of the member, with the group as the household.</param>
    public async Task<Result<Edited<bool>>> Report(EditStamp stamp, Guid id, string why) =>
        Question.WrongWhy(why) is { } wrong
            ? wrong
            : await OfOthers(
                stamp,
                id,
                "select exists (select 1 from question_report where household_id = app_household() and question_id = @seen and account_id = app_account());",
                "Reported a question",
                (change, _, isThere) =>
                    isThere ? change : change.Put(Tables.QuestionReport, null, new QuestionReportRow(id, stamp.Tenant.Account, why.Trim()))
            );

    /// <summary>Answers, pins, hides or shows one at the desk.</summary>
    public Task<Result<Edited<bool>>> Answer(EditStamp stamp, Guid id, string answer, bool isPinned, bool isHidden, DateTimeOffset now) =>
        door.Edit<QuestionRow?, bool>(
            stamp,
            Journal.Brought,
            Row(id),
            row =>
            {
                if (row is null)
                {
                    return Gone(id);
                }

                var answered = new Question(row.Id, row.Words, row.Answer, row.IsPinned, row.IsHidden).Answered(answer, isPinned, isHidden);
                return answered.Refusal is { } refusal
                    ? refusal
                    : new Decided<bool>(
                        new Change("Answered a question").Put(
                            Tables.Question,
                            row,
                            row with
                            {
                                Answer = answered.Value.Answer,
                                AnsweredAt =
                                    answered.Value.Answer.Length == 0 ? null
                                    : answered.Value.Answer == row.Answer ? row.AnsweredAt
                                    : now,
                                IsPinned = isPinned,
                                IsHidden = isHidden,
                            }
                        ),
                        true
                    );
            }
        );

    /// <summary>Says where help is found near the group.</summary>
    public Task<Result<Edited<bool>>> SayHelp(EditStamp stamp, string help) =>
        door.Edit<(GroupDeskRow? Desk, Refusal? Helper), bool>(
            stamp,
            Journal.Menu,
            Reading
                .Of(
                    "select name, help from group_desk where household_id = app_household();",
                    null,
                    rows => rows.ReadSingleOrDefaultAsync<GroupDeskRow?>()
                )
                .And(Desks.HelperMayNot),
            locked =>
                locked.Desk is not { } desk ? GroupStore.NoDesk()
                : locked.Helper is { } helper ? helper
                : help.Trim().Length > 1000
                    ? new Refusal(
                        "group-help",
                        "help",
                        help,
                        "where help is found is said in at most 1,000 characters",
                        "Say it in fewer words"
                    )
                : new Decided<bool>(
                    new Change("Said where help is found").Put(Tables.GroupDesk, desk, desk with { Help = help.Trim() }),
                    true
                )
        );

    public static Refusal Gone(Guid id) =>
        new("question-gone", "question", $"{id}", "there is no such question, or it was taken back", "Load the page again");

    /// <summary>An edit of a member on a question that they may see.</summary>
    private Task<Result<Edited<bool>>> OfOthers(
        EditStamp stamp,
        Guid id,
        string isThere,
        string summary,
        Func<Change, QuestionRow, bool, Change> change
    ) =>
        door.Edit<((bool IsMember, QuestionRow? Row) Seen, bool IsThere), bool>(
            stamp,
            Journal.Brought,
            GroupStore.IsMember.And(Row(id)).And(Reading.Of(isThere, new { seen = id }, rows => rows.ReadSingleAsync<bool>())),
            locked =>
                !locked.Seen.IsMember ? GroupStore.NoMember(stamp.Tenant.Household)
                : locked.Seen.Row is null or { IsHidden: true } ? Gone(id)
                : new Decided<bool>(change(new Change(summary), locked.Seen.Row, locked.IsThere), true)
        );

    /// <summary>How many days a published menu of the group has; null where it is none.</summary>
    private static Reading<int?> DaysOf(Guid? menu) =>
        Reading.Of(
            """
            select days from menu where household_id = app_household() and id = @askedMenu
                and exists (select 1 from menu_version version where version.household_id = menu.household_id and version.menu_id = menu.id);
            """,
            new { askedMenu = menu },
            rows => rows.ReadSingleOrDefaultAsync<int?>()
        );

    private static Reading<QuestionRow?> Row(Guid id) =>
        Rows("id = @questionId", new { questionId = id }).Select(found => found.SingleOrDefault());

    private static Reading<IReadOnlyList<QuestionRow>> Rows(string which, object? parameters) =>
        Reading.Of<IReadOnlyList<QuestionRow>>(
            $"""
            select id, account_id, is_named, asked_at, menu_id, day, dish, words, answer, answered_at, is_pinned, is_hidden, picture_id
            from question where household_id = app_household() and {which};
            """,
            parameters,
            async rows => [.. await rows.ReadAsync<QuestionRow>()]
        );
}
