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
            foreach (var part in Parts(step))
            {
                var (text, read) = (part.Text, part.Read!);
                var id = $"{tasks.Count + 1}";
                if (StepWords.IsPreheating(text))
                {
                    // Whatever is cut meanwhile does not wait for the oven.
                    tasks.Add(ToTask(id, part, []));
                    last = [.. last, id];
                    continue;
                }

                var isMeanwhile = StepWords.IsMeanwhile(text);
                tasks.Add(ToTask(id, part, isMeanwhile ? before : WaitedFor(tasks, last, read)));
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

    private static PrepTask ToTask(string id, Part part, IReadOnlyList<string> after) =>
        new(
            id,
            part.Text,
            part.Read!.ByHand,
            part.Read.Alone,
            part.Read.Appliance,
            part.Read.Appliance is Appliance.Oven or Appliance.AirFryer ? OvenTemperature.In(part.Main) : null,
            after
        )
        {
            // Another way to do what goes on by itself, at another place.
            Instead =
                part is { Instead: { } other, Read: { Alone: > 0, Appliance: not Appliance.None } read }
                && other.Appliance != read.Appliance
                    ? other
                    : null,
        };

    /// <summary>One place in which a step is busy.</summary>
    /// <param name="Main">Its words without those of another place for it.</param>
    private sealed record Part(string Text, string Main, StepReading? Read, OtherPlace? Instead)
    {
        public static readonly Part None = new("", "", null, null);

        public Part With(string sentence, string main, OtherPlace? instead)
        {
            var all = $"{Main} {main}".Trim();
            return new($"{Text} {sentence}".Trim(), all, StepReading.Of(all), instead ?? Instead);
        }
    }

    /// <summary>A step, or the parts of it that are busy in different places: "Marinate 30 min. Roast 40 min".</summary>
    private static IEnumerable<Part> Parts(string step)
    {
        var part = Part.None;
        foreach (
            var sentence in Sentences().Split(step).SelectMany(sentence => Apart(sentence.Trim())).Where(sentence => sentence.Length > 0)
        )
        {
            var (main, instead) = OtherWay.In(sentence);
            var own = StepReading.Of(main);
            if (part.Read is { Alone: > 0 } && main.Length > 0 && own.Alone > 0 && own.Appliance != part.Read.Appliance)
            {
                yield return part;
                part = Part.None;
            }

            // A sentence that is another way from its first word on is one for what stands before it.
            part = main.Length == 0 && part.Read is null ? part.With(sentence, sentence, null) : part.With(sentence, main, instead);
        }

        if (part.Read is not null)
        {
            yield return part;
        }
    }

    /// <summary>"Boil for 9 minutes, then cool in ice water for 10": a sentence of two things that each go on by themselves elsewhere.</summary>
    private static IEnumerable<string> Apart(string sentence)
    {
        foreach (Match next in Next().Matches(sentence))
        {
            var (first, rest) = (sentence[..next.Index], sentence[(next.Index + next.Length)..]);
            var (one, other) = (StepReading.Of(first), StepReading.Of(rest));
            if (one.Alone > 0 && other.Alone > 0 && one.Appliance != other.Appliance)
            {
                return [$"{first}.", .. Apart($"{char.ToUpperInvariant(rest[0])}{rest[1..]}")];
            }
        }

        return [sentence];
    }

    [GeneratedRegex(
        @"(,|;)?\s+(and )?then\s+(?=\S)|(,|;)?\s+and\s+(?=(leave to |let )?(cool|chill|rest|plunge|bake|roast|simmer|marinate)\b)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Next();

    [GeneratedRegex(@"^(\d{1,2}[.)]|\d{1,2}(?= (?-i:\p{Lu}\p{Ll}))|step \d+:?|[-*•])\s+", RegexOptions.IgnoreCase)]
    private static partial Regex Numbering();

    [GeneratedRegex(@"(?<=[.;])\s+(?=\p{Lu})")]
    private static partial Regex Sentences();
}
