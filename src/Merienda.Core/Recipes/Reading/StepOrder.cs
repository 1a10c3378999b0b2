using System.Text.RegularExpressions;

namespace Merienda.Core.Recipes;

/// <summary>
/// Lets what is done to one part of a dish go on beside what is done to another: a step that takes lines of a single part waits for that
/// part alone. What brings things together waits for everything before it.
/// </summary>
public static partial class StepOrder
{
    /// <param name="tasks">As they were read, each after the one before where its words say nothing else.</param>
    public static IReadOnlyList<PrepTask> ByParts(IReadOnlyList<PrepTask> tasks, IReadOnlyList<RecipeLine> lines)
    {
        if (lines.Select(line => line.Part).Distinct().Count() < 2)
        {
            return tasks;
        }

        var uses = StepLines.Of(tasks, lines);
        var named = lines.Select(line => line.Part).Where(part => part.Length > 2).Distinct().ToList();
        var ordered = new List<PrepTask>();
        // The last step of each part since everything was brought together, and what was then.
        var last = new Dictionary<string, string>();
        IReadOnlyList<string> together = [];
        string? part = null;
        foreach (var task in tasks)
        {
            var taken = uses.GetValueOrDefault(task.Id, []);
            // "Bake the meatballs": a part is meant by its name, too.
            var parts = taken.Select(use => use.Line.Part).Union(named.Where(part => Says(task.Text, part))).ToList();
            if (StepWords.IsPreheating(task.Text))
            {
                ordered.Add(task);
                continue;
            }

            var isJoining =
                parts.Count > 1
                || (parts.Count == 0 && part is null)
                || Joins().IsMatch(task.Text)
                // More of a part goes to that part; the first of it goes to whatever there is.
                || (Adds().IsMatch(task.Text) && !(parts is [var only] && last.ContainsKey(only) && taken.Any(use => use.Share > 0)));
            // What names nothing goes on with what was done just before.
            part = isJoining ? null : parts.FirstOrDefault(part!);
            var waited =
                part is null ? Ends(ordered)
                : last.TryGetValue(part, out var own) ? [own]
                : together;
            ordered.Add(task with { After = Instead(task, ordered, waited) });
            if (part is null)
            {
                last.Clear();
                together = [task.Id];
            }
            else
            {
                last[part] = task.Id;
            }
        }

        return ordered;
    }

    private static bool Says(string step, string part) =>
        Regex.IsMatch(step, $@"\b{Regex.Escape(part.TrimEnd('s'))}s?\b", RegexOptions.IgnoreCase);

    /// <summary>What the step waits for, with what it was to wait for only because it stood before replaced.</summary>
    private static IReadOnlyList<string> Instead(PrepTask task, List<PrepTask> before, IReadOnlyList<string> waited) =>
        before.FindLast(other => !StepWords.IsPreheating(other.Text)) is { } previous && task.After.Contains(previous.Id)
            ? [.. task.After.Where(id => id != previous.Id).Union(waited)]
            : task.After;

    /// <summary>Steps that nothing waits for yet; a hot oven is waited for by what goes into it.</summary>
    private static IReadOnlyList<string> Ends(List<PrepTask> tasks)
    {
        var waitedFor = tasks.SelectMany(task => task.After).ToHashSet();
        return [.. tasks.Where(task => !waitedFor.Contains(task.Id) && !StepWords.IsPreheating(task.Text)).Select(task => task.Id)];
    }

    /// <summary>Words that bring parts together.</summary>
    [GeneratedRegex(
        @"^(top|serve|assemble|layer|divide|portion|finish|spoon|scatter|drizzle|cover)\b|\b(return|over (the|it|them|everything)|on top|together|everything|all|rest of|same|mixture|toss)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Joins();

    /// <summary>Words that bring a thing to what is there already.</summary>
    [GeneratedRegex(
        @"^(pour|season|sprinkle)\b|\b(add|stir (in|into|through)|fold (in|into|through)|into the|to the|remaining)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Adds();
}
