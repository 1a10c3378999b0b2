using System.Text.RegularExpressions;

namespace Merienda.Core.Recipes;

/// <summary>
/// Reads the steps of a method into tasks: minutes by hand and alone, the appliance and its heat, and what comes after what. The cook can
/// change every number.
/// </summary>
public static partial class TaskReader
{
    /// <summary>By hand, where a step does not say [C]; of what only goes into the oven, and of what only waits.</summary>
    public const int UsualHandsOn = 5,
        PutIn = 2,
        SetAside = 1;

    /// <summary>Until an oven is hot [C].</summary>
    public const int Preheating = 15;

    public const int MostMinutes = 24 * 60;

    /// <summary>Whether a step says minutes or hours.</summary>
    public static bool SaysHowLong(string step) => StepMinutes.In(step).Count > 0;

    public static IReadOnlyList<PrepTask> Read(IEnumerable<string> steps)
    {
        var tasks = new List<PrepTask>();
        IReadOnlyList<string> before = [],
            last = [];
        foreach (var step in steps.Select(step => Numbering().Replace(step.Trim(), "")).Where(step => step.Length > 0))
        {
            foreach (var (text, read) in Parts(step))
            {
                var id = $"{tasks.Count + 1}";
                if (StepWords.IsPreheating(text))
                {
                    // Whatever is cut meanwhile does not wait for the oven.
                    tasks.Add(ToTask(id, text, read, []));
                    last = [.. last, id];
                    continue;
                }

                var isMeanwhile = StepWords.IsMeanwhile(text);
                tasks.Add(ToTask(id, text, read, isMeanwhile ? before : WaitedFor(tasks, last, read)));
                if (isMeanwhile)
                {
                    last = [.. last, id];
                }
                else
                {
                    (before, last) = (last, [id, .. Hot(tasks, last, read)]);
                }
            }
        }

        return tasks;
    }

    /// <summary>An oven that becomes hot is waited for by what goes into it.</summary>
    private static IReadOnlyList<string> WaitedFor(List<PrepTask> tasks, IReadOnlyList<string> last, StepReading read) =>
        [.. last.Except(Hot(tasks, last, read))];

    private static IEnumerable<string> Hot(List<PrepTask> tasks, IReadOnlyList<string> last, StepReading read) =>
        read.Appliance is Appliance.Oven or Appliance.AirFryer
            ? []
            : last.Where(id => StepWords.IsPreheating(tasks.Find(task => task.Id == id)!.Text));

    private static PrepTask ToTask(string id, string text, StepReading read, IReadOnlyList<string> after) =>
        new(
            id,
            text,
            read.ByHand,
            read.Alone,
            read.Appliance,
            read.Appliance is Appliance.Oven or Appliance.AirFryer ? OvenTemperature.In(text) : null,
            after
        );

    /// <summary>A step, or the parts of it that are busy in different places: "Marinate 30 min. Roast 40 min".</summary>
    private static IEnumerable<(string Text, StepReading Read)> Parts(string step)
    {
        var sentences = Sentences().Split(step).Where(sentence => sentence.Trim().Length > 0).ToList();
        var text = "";
        StepReading? read = null;
        foreach (var sentence in sentences)
        {
            var own = StepReading.Of(sentence);
            if (read is { Alone: > 0 } && own.Alone > 0 && own.Appliance != read.Appliance)
            {
                yield return (text.Trim(), read);
                (text, read) = ("", null);
            }

            text = $"{text} {sentence.Trim()}";
            read = StepReading.Of(text);
        }

        if (read is not null)
        {
            yield return (text.Trim(), read);
        }
    }

    [GeneratedRegex(@"^(\d{1,2}[.)]|\d{1,2}(?= (?-i:\p{Lu}\p{Ll}))|step \d+:?|[-*•])\s+", RegexOptions.IgnoreCase)]
    private static partial Regex Numbering();

    [GeneratedRegex(@"(?<=[.;])\s+(?=\p{Lu})")]
    private static partial Regex Sentences();
}
