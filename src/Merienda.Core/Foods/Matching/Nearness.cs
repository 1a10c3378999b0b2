namespace Merienda.Core.Foods;

/// <summary>
/// How near typed words come to a food's name: shared words, the last one counting double, and words that differ by a slip of the finger.
/// </summary>
internal static class Nearness
{
    /// <summary>0 for nothing in common; up to 1 for the same words.</summary>
    public static double Of(IReadOnlyList<string> asked, string[] name)
    {
        double shared = 0,
            all = 0;
        for (var at = 0; at < asked.Count; at++)
        {
            var weight = at == asked.Count - 1 ? 2 : 1;
            all += weight;
            // A word that only goes before another noun names less: salmon roe is roe.
            shared += weight * name.Select((word, place) => Likeness(asked[at], word) * (place == name.Length - 1 ? 1 : 0.9)).Max();
        }

        return shared == 0 ? 0 : shared / (all + (0.5 * Math.Max(0, name.Length - asked.Count)));
    }

    private static double Likeness(string asked, string word) =>
        asked == word ? 1
        : asked.Length >= 4
        && word.Length >= 4
        && (word.StartsWith(asked, StringComparison.Ordinal) || asked.StartsWith(word, StringComparison.Ordinal))
            ? 0.7
        // A compound is what its last part is: whitefish is a fish.
        : word.Length >= 4 && asked.EndsWith(word, StringComparison.Ordinal) ? 0.75
        : SlipsOf(asked, word) is { } slips ? 0.8 - (0.15 * slips)
        : 0;

    /// <summary>How many slips of the finger part two words; null when it is more than a hurried hand makes.</summary>
    public static int? SlipsOf(string asked, string word) =>
        asked.Length >= 4
        && Math.Abs(asked.Length - word.Length) <= 2
        && Slips(asked, word) is var slips
        && slips <= (asked.Length >= 7 ? 2 : 1)
            ? slips
            : null;

    /// <summary>Letters added, lost, changed or swapped between two words (optimal string alignment).</summary>
    private static int Slips(string one, string other)
    {
        var (before, last, row) = (new int[other.Length + 1], new int[other.Length + 1], new int[other.Length + 1]);
        for (var to = 0; to <= other.Length; to++)
        {
            last[to] = to;
        }

        for (var from = 1; from <= one.Length; from++)
        {
            row[0] = from;
            for (var to = 1; to <= other.Length; to++)
            {
                var cost = one[from - 1] == other[to - 1] ? 0 : 1;
                row[to] = Math.Min(Math.Min(row[to - 1], last[to]) + 1, last[to - 1] + cost);
                if (from > 1 && to > 1 && one[from - 1] == other[to - 2] && one[from - 2] == other[to - 1])
                {
                    row[to] = Math.Min(row[to], before[to - 2] + 1);
                }
            }

            (before, last, row) = (last, row, before);
        }

        return last[other.Length];
    }
}
