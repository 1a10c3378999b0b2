using System.Text.Json.Nodes;
using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>A submitted recipe with what is said of it.</summary>
/// <param name="By">Name of who sent it; empty where they do not say it, or have left.</param>
/// <param name="Content">The recipe and those that it uses, as JSON.</param>
/// <param name="Before">As it was sent the time before; null the first time.</param>
/// <param name="Recipe">The desk's recipe that it became.</param>
public sealed record StoredSubmission(
    Guid Group,
    Submission Submission,
    string By,
    DateTimeOffset SentAt,
    string Words,
    JsonNode Content,
    JsonNode? Before,
    Guid? Recipe
);

/// <summary>Recipes that members bring: sent from outside, answered at the desk.</summary>
public sealed class SubmissionStore(EditDoor door, RecipeStore recipes)
{
    /// <summary>Answered ones are read back this far, open ones whole.</summary>
    private const int MostAnswered = 50;

    /// <summary>Of the desk, the open ones first.</summary>
    public static readonly Reading<IReadOnlyList<StoredSubmission>> AtDesk = Read(
        $"""
        where submission.household_id = app_household()
        order by state in ('Waiting', 'AskedBack') desc, sent_at desc limit {MostAnswered} + (select count(*) from submission one
            where one.household_id = app_household() and one.state in ('Waiting', 'AskedBack'))
        """,
        null
    );

    /// <summary>What whoever asks has sent to any group, the newest first.</summary>
    public static readonly Reading<IReadOnlyList<StoredSubmission>> Own = Read(
        $"where submission.account_id = app_account() order by sent_at desc limit {MostAnswered}",
        null
    );

    /// <summary>One at the desk; null when it has none of that id.</summary>
    public static Reading<StoredSubmission?> One(Guid id) =>
        Read("where submission.household_id = app_household() and submission.id = @submissionId", new { submissionId = id })
            .Select(found => found.SingleOrDefault());

    /// <summary>Sends a recipe, or one that was sent as it is now.</summary>
    /// <param name="stamp">Of the member, with the group as the household.</param>
    /// <param name="id">Of the one that is sent again; null the first time.</param>
    public Task<Result<Edited<Guid>>> Send(EditStamp stamp, Guid? id, bool isNamed, string words, JsonNode content, DateTimeOffset now) =>
        door.Edit<(bool IsMember, IReadOnlyList<SubmissionRow> Own), Guid>(
            stamp,
            Journal.Brought,
            GroupStore.IsMember.And(OwnRows),
            locked =>
            {
                if (!locked.IsMember)
                {
                    return GroupStore.NoMember(stamp.Tenant.Household);
                }

                var row = locked.Own.FirstOrDefault(one => one.Id == id);
                if (Submission.WrongWords(words) is { } wrong)
                {
                    return wrong;
                }

                if (id is null)
                {
                    return locked.Own.Count(one => SubmissionOf(one).IsOpen) >= Submission.MostOpen
                        ? new Refusal(
                            "too-many-submissions",
                            "recipe",
                            $"{locked.Own.Count}",
                            $"at most {Submission.MostOpen} recipes of one member wait at once",
                            "Wait for an answer, or take one back"
                        )
                        : Sent(Submission.Sent(Guid.CreateVersion7()), null);
                }

                if (row is null)
                {
                    return Gone(id.Value);
                }

                var again = SubmissionOf(row).Again();
                return again.Refusal is { } over ? over : Sent(again.Value, row);

                Decided<Guid> Sent(Submission sent, SubmissionRow? before) =>
                    new(
                        new Change("Sent a recipe").Put(
                            Tables.Submission,
                            before,
                            new SubmissionRow(
                                sent.Id,
                                stamp.Tenant.Account,
                                isNamed,
                                now,
                                sent.Number,
                                $"{sent.State}",
                                sent.Reply,
                                words.Trim(),
                                content,
                                before?.Content,
                                null,
                                null
                            )
                        ),
                        sent.Id
                    );
            }
        );

    /// <summary>Takes back what was not answered for good.</summary>
    /// <param name="stamp">Of the member, with the group as the household.</param>
    public Task<Result<Edited<bool>>> TakeBack(EditStamp stamp, Guid id) =>
        door.Edit<IReadOnlyList<SubmissionRow>, bool>(
            stamp,
            Journal.Brought,
            OwnRows,
            own =>
                own.FirstOrDefault(one => one.Id == id) is not { } row ? Gone(id)
                : SubmissionOf(row).TakeUp().Refusal is { } over ? over
                : new Decided<bool>(new Change("Took a recipe back").Put(Tables.Submission, row, null), true)
        );

    /// <summary>Answers at the desk: asks back or declines.</summary>
    public Task<Result<Edited<bool>>> Answer(
        EditStamp stamp,
        Guid id,
        Func<Submission, Result<Submission>> answer,
        string summary,
        DateTimeOffset now
    ) =>
        door.Edit<SubmissionRow?, bool>(
            stamp,
            Journal.Brought,
            Row(id),
            row =>
            {
                if (row is null)
                {
                    return Gone(id);
                }

                var answered = answer(SubmissionOf(row));
                return answered.Refusal is { } refusal
                    ? refusal
                    : new Decided<bool>(
                        new Change(summary).Put(
                            Tables.Submission,
                            row,
                            row with
                            {
                                State = $"{answered.Value.State}",
                                Reply = answered.Value.Reply,
                                AnsweredAt = now,
                            }
                        ),
                        true
                    );
            }
        );

    /// <summary>Takes a recipe into the desk's library with those that it uses, all in one edit.</summary>
    /// <param name="submitted">Which, and what it is called at the desk.</param>
    /// <param name="read">The versions to store, each after those that it uses; the recipe is one of them.</param>
    public Task<Result<Edited<Guid>>> TakeUp(
        EditStamp stamp,
        (Guid Id, string Name) submitted,
        Reading<Cookbook> cookbook,
        Func<HouseholdFoods, Cookbook, Result<IReadOnlyList<StoredRecipe>>> read,
        DateTimeOffset at
    ) =>
        recipes.BringIn<SubmissionRow?, Guid>(
            stamp,
            Journal.Brought,
            cookbook,
            read,
            at,
            Row(submitted.Id),
            (change, brought, row) =>
            {
                if (row is null)
                {
                    return Gone(submitted.Id);
                }

                var taken = SubmissionOf(row).TakeUp();
                var recipe = brought.First(one => Cookbook.SameName.Equals(one.Version.Name, submitted.Name)).RecipeId;
                return taken.Refusal is { } refusal
                    ? refusal
                    : new Decided<Guid>(
                        change.Put(Tables.Submission, row, row with { State = $"{taken.Value.State}", RecipeId = recipe, AnsweredAt = at }),
                        recipe
                    );
            }
        );

    public static Refusal Gone(Guid id) =>
        new("submission-gone", "submission", $"{id}", "there is no such recipe, or it was taken back", "Load the page again");

    private static Submission SubmissionOf(SubmissionRow row) => new(row.Id, row.Number, Enum.Parse<SubmissionState>(row.State), row.Reply);

    private const string Columns = """
        submission.id, submission.account_id, submission.is_named, submission.sent_at, submission.number, submission.state, submission.reply,
        submission.words, submission.content::text, submission.before::text, submission.recipe_id, submission.answered_at
        """;

    private sealed class Found
    {
        public Guid Id { get; init; }

        public Guid? AccountId { get; init; }

        public bool IsNamed { get; init; }

        public DateTimeOffset SentAt { get; init; }

        public int Number { get; init; }

        public string State { get; init; } = "";

        public string Reply { get; init; } = "";

        public string Words { get; init; } = "";

        public string Content { get; init; } = "";

        public string? Before { get; init; }

        public Guid? RecipeId { get; init; }

        public DateTimeOffset? AnsweredAt { get; init; }

        public Guid HouseholdId { get; init; }

        public string? By { get; init; }

        public SubmissionRow Row =>
            new(
                Id,
                AccountId,
                IsNamed,
                SentAt,
                Number,
                State,
                Reply,
                Words,
                JsonNode.Parse(Content)!,
                Before is null ? null : JsonNode.Parse(Before),
                RecipeId,
                AnsweredAt
            );
    }

    private static readonly Reading<IReadOnlyList<SubmissionRow>> OwnRows = Rows("account_id = app_account()", null);

    private static Reading<SubmissionRow?> Row(Guid id) =>
        Rows("id = @submission", new { submission = id }).Select(found => found.SingleOrDefault());

    private static Reading<IReadOnlyList<SubmissionRow>> Rows(string which, object? parameters) =>
        Reading.Of<IReadOnlyList<SubmissionRow>>(
            $"select {Columns} from submission where household_id = app_household() and {which};",
            parameters,
            async rows => [.. (await rows.ReadAsync<Found>()).Select(found => found.Row)]
        );

    private static Reading<IReadOnlyList<StoredSubmission>> Read(string which, object? parameters) =>
        Reading.Of<IReadOnlyList<StoredSubmission>>(
            $"""
            select {Columns}, submission.household_id, case when submission.is_named then account.display_name end as by
            from submission left join account on account.id = submission.account_id {which};
            """,
            parameters,
            async rows =>
                [
                    .. (await rows.ReadAsync<Found>()).Select(found => new StoredSubmission(
                        found.HouseholdId,
                        SubmissionOf(found.Row),
                        found.By ?? "",
                        found.SentAt,
                        found.Words,
                        found.Row.Content,
                        found.Row.Before,
                        found.RecipeId
                    )),
                ]
        );
}
