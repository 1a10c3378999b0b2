namespace Merienda.Core.Foods;

/// <summary>What a name stands for: a food, and every kind where the name leaves that open.</summary>
internal sealed record Meant(Food Food, FoodKinds? Kinds = null);

/// <summary>
/// The names of foods, found by their words as they stand, in any order, or by one of them; a household's own before those that all share.
/// </summary>
internal sealed class FoodNames(FoodNames? shared)
{
    private readonly Dictionary<string, Meant> _byPhrase = new(StringComparer.Ordinal);
    private readonly Dictionary<string, Meant?> _byBag = new(StringComparer.Ordinal);
    private readonly Dictionary<string, List<(string[] Words, Food Food)>> _byWord = new(StringComparer.Ordinal);
    private readonly List<(string[] Words, Food Food)> _phrases = [];

    // What names amount to whatever the order of their words: nearly every combination of words is told at one look to be no name.
    private readonly HashSet<long> _sums = [];

    /// <summary>Every name with its food.</summary>
    public IEnumerable<(string[] Words, Food Food)> All => shared is null ? _phrases : _phrases.Concat(shared.All);

    /// <summary>Adds a name; the food that has it already, or null.</summary>
    public Food? Add(string[] tokens, Food food)
    {
        if (tokens.Length == 0)
        {
            return null;
        }

        var (phrase, meant) = (string.Join(' ', tokens), new Meant(food));
        if (!_byPhrase.TryAdd(phrase, meant))
        {
            return _byPhrase[phrase].Food == food ? null : _byPhrase[phrase].Food;
        }

        _phrases.Add((tokens, food));
        _sums.Add(SumOf(tokens));
        // Words in another order mean the same food as long as no two foods differ by order alone.
        var bag = BagOf(tokens);
        _byBag[bag] = _byBag.TryGetValue(bag, out var other) && other?.Food != food ? null : meant;
        foreach (var word in tokens.Distinct())
        {
            (_byWord.TryGetValue(word, out var held) ? held : _byWord[word] = []).Add((tokens, food));
        }

        return null;
    }

    /// <summary>A word for several kinds is no name of one of them, even where a row is called by it.</summary>
    public void Open(IReadOnlyList<string> tokens, FoodKinds kinds)
    {
        _byPhrase[string.Join(' ', tokens)] = _byBag[BagOf(tokens)] = new(kinds.Foods[0], kinds);
        _sums.Add(SumOf(tokens));
    }

    /// <summary>What the words mean as they stand, or in another order.</summary>
    public Meant? InAnyOrder(IReadOnlyList<string> tokens) =>
        MayName(SumOf(tokens)) ? Named(string.Join(' ', tokens)) ?? (tokens.Count > 1 ? Bagged(BagOf(tokens)) : null) : null;

    /// <summary>What some of the words mean as they stand.</summary>
    public Meant? InOrder(List<string> tokens, int from, int count) =>
        MayName(SumOf(tokens, from, count)) ? Named(string.Join(' ', tokens.GetRange(from, count))) : null;

    /// <summary>Names that hold a word.</summary>
    public IEnumerable<(string[] Words, Food Food)> Holding(string word) =>
        (_byWord.GetValueOrDefault(word) ?? []).Concat(shared?.Holding(word) ?? []);

    /// <summary>Whether words that amount to this may be a name; false is certain.</summary>
    public bool MayName(long sum) => _sums.Contains(sum) || shared?.MayName(sum) == true;

    public static long SumOf(IReadOnlyList<string> tokens) => SumOf(tokens, 0, tokens.Count);

    // Sums of 32-bit values in 64 bits never overflow.
    public static long HashOf(string token) => string.GetHashCode(token, StringComparison.Ordinal);

    private static long SumOf(IReadOnlyList<string> tokens, int from, int count)
    {
        long sum = 0;
        for (var at = from; at < from + count; at++)
        {
            sum += HashOf(tokens[at]);
        }

        return sum;
    }

    private static string BagOf(IEnumerable<string> tokens) => string.Join(' ', tokens.Order(StringComparer.Ordinal));

    private Meant? Named(string phrase) => _byPhrase.GetValueOrDefault(phrase) ?? shared?.Named(phrase);

    private Meant? Bagged(string bag) => _byBag.GetValueOrDefault(bag) ?? shared?.Bagged(bag);
}
