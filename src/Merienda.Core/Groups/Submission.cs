using Merienda.Core.Outcomes;

namespace Merienda.Core.Groups;

public enum SubmissionState
{
    /// <summary>For the desk to look at.</summary>
    Waiting,

    /// <summary>For the member, who sends it again.</summary>
    AskedBack,

    /// <summary>In the group's library.</summary>
    TakenUp,

    Declined,
}

/// <summary>A recipe that a member brings to a group: sent, asked back and sent again, taken up or declined with a reason.</summary>
/// <param name="Number">1 when it is first sent, one more each time.</param>
/// <param name="Reply">What the desk said last; empty while it said nothing.</param>
public sealed record Submission(Guid Id, int Number, SubmissionState State, string Reply)
{
    public const int MostReply = 300,
        MostWords = 500,
        MostOpen = 20;

    public bool IsOpen => State is SubmissionState.Waiting or SubmissionState.AskedBack;

    public static Submission Sent(Guid id) => new(id, 1, SubmissionState.Waiting, "");

    /// <summary>Sent again, as it is now; what the desk said stays beside it.</summary>
    public Result<Submission> Again() => IsOpen ? this with { Number = Number + 1, State = SubmissionState.Waiting } : Over();

    public Result<Submission> AskBack(string line) => Answered(SubmissionState.AskedBack, line, "what is asked");

    public Result<Submission> Decline(string reason) => Answered(SubmissionState.Declined, reason, "the reason");

    public Result<Submission> TakeUp() => IsOpen ? this with { State = SubmissionState.TakenUp } : Over();

    public static Refusal? WrongWords(string words) =>
        words.Trim().Length > MostWords
            ? new("submission-words", "words", words, $"a word to the desk has at most {MostWords} characters", "Say it in fewer words")
            : null;

    private Result<Submission> Answered(SubmissionState state, string reply, string what) =>
        !IsOpen ? Over()
        : reply.Trim().Length is 0 or > MostReply
            ? new Refusal(
                "submission-reply",
                "reply",
                reply,
                $"{what} is said in 1 to {MostReply} characters",
                "Type one line to who sent it"
            )
        : this with { State = state, Reply = reply.Trim() };

    private Refusal Over() =>
        new(
            "submission-over",
            "submission",
            State == SubmissionState.TakenUp ? "taken up" : "declined",
            "this recipe was answered meanwhile",
            "Load the page again"
        );
}
