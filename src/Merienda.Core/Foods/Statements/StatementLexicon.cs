namespace Merienda.Core.Foods.Statements;

/// <summary>What some words of a statement mean.</summary>
/// <param name="Classes">Keys of the classes they hold; empty for words that hold none.</param>
/// <param name="CannotTell">What nobody can tell from them ("flavouring"), or null.</param>
public sealed record StatedMeaning(IReadOnlyList<string> Classes, string? CannotTell);

/// <summary>A phrase of a statement as it was understood.</summary>
/// <param name="Classes">What it holds; empty for what holds none, or when nobody can tell.</param>
/// <param name="IsKnown">False for words that the lexicon does not know.</param>
public sealed record StatedPhrase(string Words, IReadOnlyList<string> Classes, bool IsUntold, bool IsKnown);

/// <summary>What a statement says is in the packet.</summary>
/// <param name="Holds">Class to the words that say so.</param>
/// <param name="CannotTell">Words from which nobody can tell: "natural flavouring", "spices", and words the lexicon does not know.</param>
public sealed record StatementReading(IReadOnlyDictionary<string, string> Holds, IReadOnlyDictionary<string, string> MayContain, IReadOnlyList<string> CannotTell)
{
    /// <summary>Most that the packet can hold of a class, 0 to 1: a printed percentage, else what its place in the falling order of the statement leaves.</summary>
    public required IReadOnlyDictionary<string, decimal> MostShare { get; init; }

    /// <summary>Classes that stand only below a "less than 2 % of".</summary>
    public required IReadOnlySet<string> Traces { get; init; }

    /// <summary>Every phrase of the ingredients that means something, or that nobody knows, in the order of the statement.</summary>
    public required IReadOnlyList<StatedPhrase> Phrases { get; init; }

    /// <summary>True when every word is known, if only as a vague one: then nothing that has to be named is in it unnamed.</summary>
    public bool IsThrough => Phrases.All(phrase => phrase.IsKnown);
}

/// <summary>
/// Reads the words of a statement, the longest known phrase first, so that butter beans are no butter and coconut milk is no milk. A word that is not known is never taken for harmless.
/// </summary>
public sealed class StatementLexicon
{
    private readonly Dictionary<string, StatedMeaning> _meanings;
    private readonly int _longest;

    /// <param name="meanings">By phrase.</param>
    public StatementLexicon(IEnumerable<KeyValuePair<string, StatedMeaning>> meanings)
    {
        _meanings = meanings.ToDictionary(pair => Normal(pair.Key), pair => pair.Value);
        _longest = _meanings.Keys.Select(phrase => phrase.Split(' ').Length).DefaultIfEmpty(0).Max();
    }

    /// <param name="mayContain">The advice that some packets print apart; empty when there is none.</param>
    public StatementReading Read(string text, string mayContain = "")
    {
        var statement = StatementReader.Read(mayContain.Trim().Length == 0 ? text : $"{text.TrimEnd().TrimEnd('.')}. {Advice(mayContain.Trim())}");
        var (held, may) = (new Found(), new Found());
        for (var at = 0; at < statement.Ingredients.Count; at++)
        {
            var item = statement.Ingredients[at];
            // Ingredients stand in falling order of weight: the fourth is at most a quarter.
            held.Add(item, item.Percent is { } percent and <= 100 ? percent / 100 : item.IsTrace ? TraceShare : 1m / (at + 1), this);
        }

        foreach (var item in statement.MayContain)
        {
            may.Add(item, 0, this);
        }

        return new(held.Holds, may.Holds, [.. held.CannotTell.Distinct()]) { MostShare = held.Shares, Traces = held.Holds.Keys.Except(held.InEarnest).ToHashSet(), Phrases = held.Phrases };
    }

    private static string Advice(string mayContain) => mayContain.StartsWith("may", StringComparison.OrdinalIgnoreCase) ? $"M{mayContain[1..]}" : $"May contain {mayContain}";

    /// <summary>"Contains less than 2 % of".</summary>
    private const decimal TraceShare = 0.02m;

    private sealed class Found
    {
        public Dictionary<string, string> Holds { get; } = [];

        public Dictionary<string, decimal> Shares { get; } = [];

        public HashSet<string> InEarnest { get; } = [];

        public List<string> CannotTell { get; } = [];

        public List<StatedPhrase> Phrases { get; } = [];

        public void Add(StatedIngredient item, decimal share, StatementLexicon lexicon)
        {
            foreach (var (words, meaning) in lexicon.Meanings(item.Words))
            {
                foreach (var key in meaning?.Classes ?? [])
                {
                    Holds.TryAdd(key, words);
                    Shares[key] = Math.Min(1, Shares.GetValueOrDefault(key) + share);
                    if (!item.IsTrace)
                    {
                        InEarnest.Add(key);
                    }
                }

                // What is listed in brackets says what the heading word leaves open.
                var isUntold = item.Parts.Count == 0 && (meaning is null || meaning.CannotTell is not null);
                Phrases.Add(new(words, meaning?.Classes ?? [], isUntold, meaning is not null || !isUntold));
                if (isUntold)
                {
                    CannotTell.Add(meaning?.CannotTell ?? words);
                }
            }

            foreach (var part in item.Parts)
            {
                Add(part, share, lexicon);
            }
        }
    }

    /// <summary>The longest known phrases from the left; a run of words that is not known comes without a meaning, unless a known phrase stands beside it and only describes.</summary>
    private IEnumerable<(string Words, StatedMeaning? Meaning)> Meanings(string words)
    {
        var tokens = Normal(words).Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (tokens.Length == 0 || (tokens is [var only] && IsNumber(only)))
        {
            yield break;
        }

        var found = false;
        for (var at = 0; at < tokens.Length;)
        {
            var length = Enumerable.Range(1, Math.Min(_longest, tokens.Length - at)).Reverse().FirstOrDefault(size => _meanings.ContainsKey(string.Join(' ', tokens, at, size)));
            if (length > 0)
            {
                var phrase = string.Join(' ', tokens, at, length);
                found = true;
                yield return (phrase, _meanings[phrase]);
            }
            else if (IsENumber(tokens[at]))
            {
                // The lexicon knows the numbers that matter to somebody; the rest are additives.
                found = true;
                yield return (tokens[at], new(["additive"], null));
            }

            at += Math.Max(1, length);
        }

        if (!found)
        {
            yield return (words, null);
        }
    }

    private static bool IsNumber(string token) => token.All(char.IsDigit);

    private static bool IsENumber(string token) => token.Length is 4 or 5 && token[0] == 'e' && token[1..4].All(char.IsDigit);

    /// <summary>Lower case, plurals to singulars.</summary>
    internal static string Normal(string words) => string.Join(' ', words.ToLowerInvariant().Split([' ', '-'], StringSplitOptions.RemoveEmptyEntries).Select(Singular));

    private static string Singular(string word) => word switch
    {
        [.., 'i', 'e', 's'] when word.Length > 4 => word[..^3] + "y",
        [.., 'o', 'e', 's'] => word[..^2],
        [.., 's', 's'] or [.., 'u', 's'] => word,
        [.., 's'] when word.Length > 3 => word[..^1],
        _ => word,
    };
}
