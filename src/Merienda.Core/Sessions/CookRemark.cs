using Merienda.Core.Outcomes;

namespace Merienda.Core.Sessions;

/// <summary>What cooking a batch taught about a step, or about the whole dish.</summary>
/// <param name="Task">Key of the step in its session; empty for the whole dish.</param>
/// <param name="Minutes">From the step's start to its end; null where nobody said.</param>
/// <param name="Note">"Too salty: half the cubes will do"; may be empty.</param>
/// <param name="Again">Of a whole dish: true for cooked again, false for rather not; null while nobody said.</param>
public sealed record CookRemark(Guid Batch, string Task, int? Minutes, string Note, bool? Again = null)
{
    public const int MostMinutes = 1_440,
        LongestNote = 400;

    internal const int LongestTask = 120;

    internal static Refusal UnknownTask(string task) =>
        new("unknown-task", "taskId", task[..Math.Min(task.Length, 40)], "a session has no such step", "Load the session again");

    /// <summary>A remark as it is kept; null where it says nothing any more.</summary>
    public static Result<CookRemark?> Of(Guid batch, string task, int? minutes, string note, bool? again = null)
    {
        var said = note.Trim();
        if (task.Length > LongestTask)
        {
            return UnknownTask(task);
        }

        if (minutes is < 1 or > MostMinutes)
        {
            return new Refusal(
                "took-out-of-range",
                "minutes",
                $"{minutes}",
                $"a step takes between 1 and {MostMinutes:#,0} minutes",
                "Type whole minutes, or nothing"
            );
        }

        if (said.Length > LongestNote)
        {
            return new Refusal(
                "remark-length",
                "note",
                $"{said.Length} letters",
                $"what is said of a dish has at most {LongestNote} letters",
                "Say it shorter; the recipe's own note takes more"
            );
        }

        // Only a dish is cooked again.
        var isAgain = task.Length == 0 ? again : null;
        return minutes is null && said.Length == 0 && isAgain is null
            ? (CookRemark?)null
            : new CookRemark(batch, task, minutes, said, isAgain);
    }
}
