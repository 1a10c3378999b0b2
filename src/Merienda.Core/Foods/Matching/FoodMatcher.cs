namespace Merienda.Core.Foods;

/// <summary>
/// Finds the food that words mean. The words of a name may stand in any order; words that only describe are passed over, words that make
/// another food are not,
/// and with a word that is neither a food is at most likely.
/// </summary>
public sealed class FoodMatcher
{
    /// <summary>Most words of a name that are looked at; longer ones are prose.</summary>
    private const int MostWords = 14;

    private readonly Dictionary<string, Food> _byKey = new(StringComparer.Ordinal);
    private readonly Dictionary<string, Food> _learnt = new(StringComparer.Ordinal);
    private readonly FoodNames _names;
    private readonly FoodMatcher? _shared;
    private IReadOnlyList<Food>? _byName;

    /// <param name="kinds">Words that leave the kind open, with the keys of the foods they may mean, the usual one first.</param>
    /// <exception cref="ArgumentException">Two foods claim one synonym, or a kind is no food.</exception>
    public FoodMatcher(IEnumerable<Food> foods, FoodWords words, IEnumerable<(string Words, IReadOnlyList<string> Keys)> kinds)
        : this(foods, words, (FoodMatcher?)null)
    {
        foreach (var (phrase, keys) in kinds)
        {
            var meant = new FoodKinds([
                .. keys.Select(key => WithKey(key) ?? throw new ArgumentException($"\"{phrase}\" may mean {key}, which is no food.")),
            ]);
            _names.Open(Words.Of(phrase), meant);
        }
    }

    private FoodMatcher(IEnumerable<Food> foods, FoodWords words, FoodMatcher? shared)
    {
        (Words, _shared, _names) = (words, shared, new(shared?._names));
        var twice = new List<string>();
        foreach (var food in foods)
        {
            _byKey.Add(food.Key, food);
            foreach (var tokens in food.Synonyms.Append(food.Name).Select(words.Of))
            {
                if (_names.Add([.. tokens], food) is { } other && shared is null)
                {
                    twice.Add($"\"{string.Join(' ', tokens)}\" names both {other.Key} and {food.Key}");
                }
            }
        }

        if (twice.Count > 0)
        {
            throw new ArgumentException(string.Join("; ", twice));
        }
    }

    /// <summary>The words beside names and what they do.</summary>
    public FoodWords Words { get; }

    /// <summary>
    /// The same foods with a household's own before them: what it calls by a name is meant by it. Of two own ones that sound alike the
    /// first is meant.
    /// </summary>
    /// <param name="learnt">What the household chose for words before.</param>
    public FoodMatcher With(IEnumerable<Food> own, IEnumerable<(string Words, string Food)> learnt)
    {
        var matcher = new FoodMatcher(own, Words, this);
        foreach (var (words, key) in learnt)
        {
            if (matcher.WithKey(key) is { } food)
            {
                matcher._learnt[matcher.KeyOf(words)] = food;
            }
        }

        return matcher;
    }

    /// <summary>Every food by name.</summary>
    public IReadOnlyList<Food> Foods =>
        _byName ??= [.. _byKey.Values.Concat(_shared?.Foods ?? []).OrderBy(food => food.Name, StringComparer.OrdinalIgnoreCase)];

    public Food? WithKey(string key) => _byKey.GetValueOrDefault(key) ?? _shared?.WithKey(key);

    /// <summary>The household's own packet of this very name.</summary>
    public Food? PacketNamed(string name) =>
        _byKey.Values.FirstOrDefault(food => food.Packet is not null && food.Name.Equals(name, StringComparison.OrdinalIgnoreCase));

    /// <summary>The form in which a household's choice for words is remembered.</summary>
    public string KeyOf(string words)
    {
        var tokens = Words.Of(words);
        return KeyOf(tokens, Words.EffectsOf(tokens));
    }

    /// <param name="words">The words that name the food.</param>
    /// <param name="state">How the line asks for it: "cooked", "dry", "soaked", "tinned"; empty when it does not say.</param>
    public FoodMatch Match(string words, string state = "")
    {
        var tokens = Words.Of(words);
        if (tokens.Count is 0 or > MostWords)
        {
            return default;
        }

        var effects = Words.EffectsOf(tokens);
        if (_learnt.Count > 0 && LearntFor(KeyOf(tokens, effects)) is { } learnt)
        {
            return new(learnt, MatchKind.Learnt);
        }

        if (state.Length > 0)
        {
            IReadOnlyList<string> stated = [state, .. tokens];
            var (inState, sure) = Find(stated, Words.EffectsOf(stated));
            if (inState is not null && sure)
            {
                return new(inState.Food, MatchKind.Exact) { Kinds = inState.Kinds };
            }
        }

        var (found, isSure) = Find(tokens, effects);
        // Asked for cooked, the table has it raw (or the other way round): the food is right and its numbers are not.
        return found is null
            ? default
            : new(found.Food, isSure && (state is not "cooked" || IsEatenAs(found.Food)) ? MatchKind.Exact : MatchKind.Likely)
            {
                Kinds = found.Kinds,
            };
    }

    /// <summary>The food whose whole name the words are, in any order; null where one of them only describes.</summary>
    public FoodMatch? NamedWholly(string words) =>
        Words.Of(words) is { Count: > 0 and <= MostWords } tokens && _names.InAnyOrder(tokens) is { } meant
            ? new(meant.Food, MatchKind.Exact) { Kinds = meant.Kinds }
            : null;

    /// <summary>Foods that some words name in passing: the butter of "brushed with butter". Only whole names count.</summary>
    public IEnumerable<Food> Mentioned(string words)
    {
        var tokens = Words.Of(words);
        for (var at = 0; at < tokens.Count && at < MostWords; )
        {
            var length = Math.Min(4, tokens.Count - at);
            Food? food = null;
            for (; length > 0; length--)
            {
                if ((food = _names.InOrder(tokens, at, length)?.Food) is not null)
                {
                    break;
                }
            }

            var isDenied =
                at > 0 && tokens[at - 1] is "no" or "without" or "not" or "non" or "un"
                || (at + Math.Max(1, length) < tokens.Count && tokens[at + Math.Max(1, length)] == "free");
            if (food is not null && !isDenied)
            {
                yield return food;
            }

            at += Math.Max(1, length);
        }
    }

    /// <summary>Foods whose name or synonym holds every word typed, nearest first.</summary>
    public IEnumerable<Food> Search(string typed, int most)
    {
        var words = Words.Of(typed);
        return words.Count == 0
            ? []
            : _names
                .All.Where(entry => words.All(word => entry.Words.Any(held => held.StartsWith(word, StringComparison.Ordinal))))
                .OrderBy(entry => entry.Words.Length)
                .ThenBy(entry => entry.Food.Name, StringComparer.Ordinal)
                .Select(entry => entry.Food)
                .Distinct()
                .Take(most);
    }

    /// <summary>
    /// The foods that come nearest to words that name none, best first: those that share most of the words, the last one counting double,
    /// near spellings too.
    /// </summary>
    public IReadOnlyList<Food> Nearest(string typed, int most)
    {
        var words = Words.Of(typed);
        var effects = Words.EffectsOf(words);
        var asked = words.Where((_, at) => effects[at] is null).DefaultIfEmpty(words.LastOrDefault("")).ToList();
        var respelled = Words.Respelled(asked);
        return
        [
            .. _names
                .All.Select(entry =>
                    (entry.Food, Score: new[] { asked, words, respelled }.Max(one => Nearness.Of(one, entry.Words)), entry.Words)
                )
                .Where(entry => entry.Score > 0)
                // Of foods equally near, the one that is described alike: black beans in a tin before green ones.
                .GroupBy(entry => entry.Food)
                .Select(entry => (Food: entry.Key, Score: entry.Max(one => one.Score + (0.01 * one.Words.Count(words.Contains)))))
                .OrderByDescending(entry => entry.Score)
                .ThenBy(entry => entry.Food.Name.Length)
                .ThenBy(entry => entry.Food.Name, StringComparer.Ordinal)
                .Take(most)
                .Select(entry => entry.Food),
        ];
    }

    /// <summary>Without the words that only describe: what was learnt of "chopped moonfish" holds for moonfish.</summary>
    private static string KeyOf(List<string> tokens, WordEffect?[] effects)
    {
        return !effects.Contains(WordEffect.Describes) || Array.TrueForAll(effects, effect => effect == WordEffect.Describes)
            ? string.Join(' ', tokens)
            : string.Join(' ', tokens.Where((_, at) => effects[at] != WordEffect.Describes));
    }

    private Food? LearntFor(string phrase) => _learnt.GetValueOrDefault(phrase) ?? _shared?.LearntFor(phrase);

    private (Meant? Meant, bool IsSure) Find(IReadOnlyList<string> tokens, WordEffect?[] effects)
    {
        if (_names.InAnyOrder(tokens) is { } exact)
        {
            return (exact, true);
        }

        return WithoutDescriptions(tokens, effects) is { } described ? (described, true)
            : effects.Contains(WordEffect.Changes) ? (null, false)
            : (LikelyFood.Of(_names, tokens, effects) is { } likely ? new Meant(likely) : null, false);
    }

    /// <summary>The longest name that is left when words that only describe are dropped, the fewest first.</summary>
    private Meant? WithoutDescriptions(IReadOnlyList<string> tokens, WordEffect?[] effects)
    {
        var droppable = Enumerable.Range(0, tokens.Count).Where(at => effects[at] == WordEffect.Describes).ToArray();
        if (droppable.Length == 0)
        {
            return null;
        }

        // More than eight words that describe are dropped together: no food's name holds so many of them.
        if (droppable.Length > 8)
        {
            return _names.InAnyOrder([.. tokens.Where((_, at) => !droppable.Contains(at))]);
        }

        var whole = FoodNames.SumOf(tokens);
        var hashes = Array.ConvertAll(droppable, at => FoodNames.HashOf(tokens[at]));
        for (var most = 1; most <= droppable.Length; most++)
        {
            for (var set = 1u; set < 1u << droppable.Length; set++)
            {
                if (
                    System.Numerics.BitOperations.PopCount(set) == most
                    && most < tokens.Count
                    && _names.MayName(whole - SumOf(hashes, set))
                    && _names.InAnyOrder([
                        .. tokens.Where((_, at) => Array.IndexOf(droppable, at) is var bit && (bit < 0 || (set >> bit & 1) == 0)),
                    ])
                        is { } meant
                )
                {
                    return meant;
                }
            }
        }

        return null;
    }

    private static long SumOf(long[] hashes, uint set)
    {
        long sum = 0;
        for (var bit = 0; bit < hashes.Length; bit++)
        {
            sum += (set >> bit & 1) * hashes[bit];
        }

        return sum;
    }

    /// <summary>
    /// Whether a row stands for the food as it is eaten, so that "cooked" adds nothing: what needs no cooking, or was cooked already.
    /// </summary>
    private static bool IsEatenAs(Food food) =>
        food.Yields.Count == 0
        && !food.Name.Contains("raw", StringComparison.OrdinalIgnoreCase)
        && !food.Name.Contains("dry", StringComparison.OrdinalIgnoreCase)
        && food.Keeping?.Key is not ("raw-poultry" or "raw-mince" or "raw-fish" or "raw-cut");
}
