using Merienda.Core.Outcomes;

namespace Merienda.Core.Sessions;

/// <summary>How a step really goes: where a cook put it, since when it goes on by itself, and when it was done.</summary>
/// <param name="Put">Minutes after the session's start at which it is to begin, 0 to 2,880; null where the order decides.</param>
/// <param name="HandsOff">Since when it goes on by itself; null where it does not yet.</param>
/// <param name="Until">When that is over, as it is known now.</param>
/// <param name="Done">Null where it is not over, or nobody said when.</param>
/// <param name="IsSkipped">Whether it was left out.</param>
public sealed record StepRun(int? Put, DateTimeOffset? HandsOff, DateTimeOffset? Until, DateTimeOffset? Done, bool IsSkipped)
{
    public const int LatestPut = 2_880;

    public static readonly StepRun Nothing = new(null, null, null, null, false);

    /// <summary>The first thing that is wrong, or null.</summary>
    /// <param name="task">Key of the step in its session.</param>
    public Refusal? Wrong(string task) =>
        task.Length is 0 or > CookRemark.LongestTask ? CookRemark.UnknownTask(task)
        : Put is < 0 or > LatestPut
            ? new(
                "put-out-of-range",
                "put",
                $"{Put}",
                $"a step begins 0 to {LatestPut:#,0} minutes after the session's start",
                "Put it at a later minute, or change the session's start"
            )
        : HandsOff.HasValue != Until.HasValue || Until < HandsOff
            ? new(
                "run-out-of-order",
                "untilAt",
                $"{Until:u}",
                "what goes on by itself ends after it began",
                "Say both, the end after the beginning"
            )
        : null;
}
