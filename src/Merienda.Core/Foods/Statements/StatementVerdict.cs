using Merienda.Core.Protocols;

namespace Merienda.Core.Foods.Statements;

/// <summary>What an eater's rules say of a packet by its statement alone.</summary>
/// <param name="Because">One sentence with the words that cause it.</param>
public sealed record StatementFinding(string Title, Verdict Verdict, string Because);

public static class StatementVerdict
{
    /// <summary>Exclusions and allergies; rules that count amounts say nothing of a statement. "May contain" refuses only where somebody is allergic.</summary>
    public static IReadOnlyList<StatementFinding> Of(StatementReading reading, IEnumerable<Rule> rules, FoodClasses classes) => [.. rules.Select(rule => rule switch
    {
        ExclusionRule exclusion => Of(exclusion.Title, reading, key => IsExcluded(exclusion, key, classes), _ => false, classes),
        AllergyRule allergy => Of(allergy.Title, reading, key => classes.Upward(key).Any(allergy.Classes.Contains), key => classes.Upward(key).Any(allergy.Classes.Contains), classes),
        _ => null,
    }).OfType<StatementFinding>()];

    private static StatementFinding Of(string title, StatementReading reading, Func<string, bool> isOut, Func<string, bool> isOutAsTrace, FoodClasses classes)
    {
        var held = reading.Holds.Where(item => isOut(item.Key)).Select(item => $"\"{item.Value}\" ({classes.NameOf(item.Key)})").Distinct().ToList();
        if (held.Count > 0)
        {
            return new(title, Verdict.Breaks, $"{title}: {string.Join(" and ", held)} {(held.Count == 1 ? "is" : "are")} in it.");
        }

        var traces = reading.MayContain.Where(item => isOutAsTrace(item.Key)).Select(item => $"\"{item.Value}\"").Distinct().ToList();
        return traces.Count > 0 ? new(title, Verdict.CannotTell, $"{title}: it may contain {string.Join(" and ", traces)}.")
            : reading.CannotTell.Count > 0 ? new(title, Verdict.CannotTell, $"{title}: nobody can tell from \"{string.Join("\" and \"", reading.CannotTell.Take(4))}\".")
            : new(title, Verdict.Fits, $"{title}: nothing in the statement is left out.");
    }

    private static bool IsExcluded(ExclusionRule rule, string key, FoodClasses classes) =>
        classes.Upward(key).FirstOrDefault(above => rule.Except.Contains(above) || rule.Excludes.Contains(above)) is { } first && !rule.Except.Contains(first);
}
