using System.Text.RegularExpressions;

namespace Merienda.Core.Foods.Statements;

/// <summary>A stretch of a statement to be marked.</summary>
/// <param name="Words">The words of the reading that it stands for.</param>
public sealed record StatementMark(int Start, int Length, string Words);

/// <summary>Finds the words of a reading again in the text as it was printed, whatever their case, number and hyphens.</summary>
public static partial class StatementMarks
{
    /// <summary>Every stretch that says one of the phrases, in the order of the text; the longest wins where two overlap.</summary>
    public static IReadOnlyList<StatementMark> Of(string text, IEnumerable<string> phrases)
    {
        var words = Word().Matches(text);
        var normal = words.Select(word => StatedWords.Normal(word.Value)).ToArray();
        var sought = phrases
            .Select(phrase => (Phrase: phrase, Words: StatedWords.Normal(phrase).Split(' ')))
            .OrderByDescending(item => item.Words.Length)
            .ToList();
        var marks = new List<StatementMark>();
        for (var at = 0; at < words.Count; )
        {
            var found = sought.FirstOrDefault(item =>
                at + item.Words.Length <= normal.Length && item.Words.AsSpan().SequenceEqual(normal.AsSpan(at, item.Words.Length))
            );
            if (found.Phrase is not null)
            {
                var last = words[at + found.Words.Length - 1];
                marks.Add(new(words[at].Index, last.Index + last.Length - words[at].Index, found.Phrase));
            }

            at += found.Phrase is null ? 1 : found.Words.Length;
        }

        return marks;
    }

    [GeneratedRegex(@"[\p{L}\p{N}']+")]
    private static partial Regex Word();
}
