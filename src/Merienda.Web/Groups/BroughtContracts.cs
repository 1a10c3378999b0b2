using Merienda.Core.Groups;
using Merienda.Core.Recipes;
using Merienda.Web.Hosting;
using Merienda.Web.Recipes;

namespace Merienda.Web.Groups;

/// <param name="Recipe">Of the own library.</param>
/// <param name="IsNamed">Whether the desk may read who sent it.</param>
/// <param name="Words">A word to the desk; may be empty.</param>
public sealed record SubmissionRequest(Guid Recipe, bool IsNamed, string Words);

/// <summary>A recipe that somebody sent to a group, as they see it.</summary>
/// <param name="Reply">What the desk said last; empty while it said nothing.</param>
public sealed record OwnSubmission(Guid Id, Guid Group, string Name, DateTimeOffset SentAt, SubmissionState State, string Reply);

/// <summary>A submitted recipe in the queue, recomputed as the desk itself would read it.</summary>
/// <param name="By">Empty where who sent it does not say it, or has left.</param>
/// <param name="Number">How many times it was sent.</param>
/// <param name="Problem">Why it can't be read here; null when it can.</param>
/// <param name="Review">Null where it can't be read, or was answered for good.</param>
/// <param name="Recipe">The desk's recipe that it became.</param>
/// <param name="IsNameThere">Whether a recipe of its name is in the library, so that it needs another.</param>
public sealed record SubmissionSheet(
    Guid Id,
    string Name,
    string By,
    DateTimeOffset SentAt,
    int Number,
    SubmissionState State,
    string Reply,
    string Words,
    string? Problem,
    ReviewSheet? Review,
    Guid? Recipe,
    bool IsNameThere
);

/// <param name="Numbers">Of one portion, in the group's points.</param>
/// <param name="Keeping">How long it keeps.</param>
public sealed record ReviewSheet(
    IReadOnlyList<SaidCount> Counts,
    IReadOnlyList<CheckReasonSheet> Reasons,
    IReadOnlyList<DoubtedLine> Unknown,
    IReadOnlyList<DoubtedClaim> Claims,
    IReadOnlyList<CareMark> Care,
    string Caution,
    IReadOnlyList<string> Allergens,
    IReadOnlyList<ShownMeasure> Numbers,
    string Keeping
);

public sealed record DoubtedLine(string Line, string Doubt);

/// <param name="Says">As it is stated.</param>
public sealed record DoubtedClaim(string Says, string Because);

/// <param name="Phrases">What the desk asked back most often before.</param>
/// <param name="Waiting">How many wait to be looked at.</param>
public sealed record SubmissionList(IReadOnlyList<SubmissionSheet> Submissions, IReadOnlyList<string> Phrases, int Waiting);

/// <summary>One of them whole.</summary>
/// <param name="Changes">What is otherwise than when it was sent before; empty the first time.</param>
public sealed record SubmissionPage(SubmissionSheet Submission, RecipeSheet? Sheet, IReadOnlyList<VersionChange> Changes);

/// <param name="Reply">What is asked back, or why it is declined.</param>
public sealed record ReplyRequest(string Reply);

/// <param name="Name">What it is called at the desk.</param>
public sealed record TakeUpRequest(string Name);

/// <summary>The recipe that it became.</summary>
public sealed record TakenUpSheet(Guid Recipe);

/// <param name="Words">What is asked.</param>
/// <param name="Menu">What it is about; null for the group in general.</param>
/// <param name="Day">Days after the menu begins; null for the whole menu.</param>
/// <param name="Dish">Name of a dish of it; empty for none.</param>
/// <param name="Picture">JPEG, PNG or WebP in base64; empty for none.</param>
public sealed record AskRequest(string Words, Guid? Menu, int? Day, string Dish, bool IsNamed, string Picture);

/// <summary>A question with its answer.</summary>
/// <param name="By">Empty where who asked does not say it, or has left.</param>
/// <param name="Too">How many others ask the same.</param>
/// <param name="Care">What in its words wants care; for the desk, and for who asked.</param>
/// <param name="Reports">Why members reported it; for the desk.</param>
public sealed record QuestionSheet(
    Guid Id,
    string Words,
    Guid? Menu,
    int? Day,
    string Dish,
    string By,
    bool IsOwn,
    DateTimeOffset AskedAt,
    string Answer,
    bool IsPinned,
    bool IsHidden,
    int Too,
    bool IsAskedToo,
    bool HasPicture,
    IReadOnlyList<CareMark> Care,
    IReadOnlyList<string> Reports
);

/// <param name="Help">Where help is found nearby; empty where nobody wrote it down.</param>
/// <param name="Caution">What is said beside a health claim.</param>
public sealed record QuestionPage(IReadOnlyList<QuestionSheet> Questions, string Help, string Caution);

/// <summary>What a question becomes.</summary>
public sealed record AnswerRequest(string Answer, bool IsPinned, bool IsHidden);

public sealed record TooRequest(bool IsAsked);

public sealed record ReportRequest(string Why);

public sealed record HelpRequest(string Help);
