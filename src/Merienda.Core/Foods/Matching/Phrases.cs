namespace Merienda.Core.Foods;

/// <summary>Phrases of one or several words with what each of them means, found by where they begin in some words.</summary>
internal sealed class Phrases<T>
{
    /// <summary>By first word, the longest phrase first.</summary>
    private readonly Dictionary<string, List<(string[] Words, T Means)>> _byFirst = new(StringComparer.Ordinal);

    /// <summary>Adds a phrase; of two alike the later one holds.</summary>
    public void Add(string[] words, T means)
    {
        var phrases = _byFirst.TryGetValue(words[0], out var held) ? held : _byFirst[words[0]] = [];
        phrases.RemoveAll(phrase => phrase.Words.AsSpan().SequenceEqual(words));
        var longer = phrases.FindIndex(phrase => phrase.Words.Length < words.Length);
        phrases.Insert(longer < 0 ? phrases.Count : longer, (words, means));
    }

    /// <summary>Phrases of one word.</summary>
    public IEnumerable<(string Word, T Means)> Single =>
        _byFirst.SelectMany(first => first.Value.Where(phrase => phrase.Words.Length == 1).Select(phrase => (first.Key, phrase.Means)));

    /// <summary>The longest phrase that begins at a word and how many words it has; none when no phrase begins there.</summary>
    public (int Length, T? Means) Longest(IReadOnlyList<string> tokens, int at)
    {
        if (_byFirst.TryGetValue(tokens[at], out var phrases))
        {
            foreach (var (words, means) in phrases)
            {
                if (BeginsWith(tokens, at, words))
                {
                    return (words.Length, means);
                }
            }
        }

        return default;
    }

    private static bool BeginsWith(IReadOnlyList<string> tokens, int at, string[] words)
    {
        if (at + words.Length > tokens.Count)
        {
            return false;
        }

        for (var word = 1; word < words.Length; word++)
        {
            if (tokens[at + word] != words[word])
            {
                return false;
            }
        }

        return true;
    }
}
