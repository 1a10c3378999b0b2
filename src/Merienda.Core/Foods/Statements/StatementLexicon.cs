namespace Merienda.Core.Foods.Statements;

/// <summary>
/// Reads the words of a statement, the longest known phrase first, so that butter beans are no butter and coconut milk is no milk. A phrase
/// is read through only when each
/// of its words is known; a word that is not known is never taken for harmless.
/// </summary>
public sealed class StatementLexicon
{
    /// <summary>"Contains less than 2 % of".</summary>
    private const decimal TraceShare = 0.02m;

    private readonly Dictionary<string, StatedMeaning> _meanings;
    private readonly FoodClasses _classes;
    private readonly int _longest;

    /// <param name="meanings">By phrase.</param>
    public StatementLexicon(IEnumerable<KeyValuePair<string, StatedMeaning>> meanings, FoodClasses classes)
    {
        _classes = classes;
        _meanings = meanings.ToDictionary(pair => StatedWords.Normal(pair.Key), pair => pair.Value);
        _longest = _meanings.Keys.Select(phrase => phrase.Split(' ').Length).DefaultIfEmpty(0).Max();
    }

    /// <param name="mayContain">The advice that some packets print apart; empty when there is none.</param>
    public StatementReading Read(string text, string mayContain = "")
    {
        var statement = StatementReader.Read(
            mayContain.Trim().Length == 0 ? text : $"{text.TrimEnd().TrimEnd('.')}. {Advice(mayContain.Trim())}"
        );
        var (held, may) = (new Found(this), new Found(this));
        for (var at = 0; at < statement.Ingredients.Count; at++)
        {
            var item = statement.Ingredients[at];
            // Ingredients stand in falling order of weight: the fourth is at most a quarter.
            held.Add(
                item,
                item.Percent is { } percent and <= 100 ? percent / 100
                    : item.IsTrace ? TraceShare
                    : 1m / (at + 1)
            );
        }

        foreach (var item in statement.MayContain)
        {
            may.Add(item, 0);
        }

        return new(held.Holds, may.Holds, [.. held.CannotTell.Distinct()])
        {
            MayHold = held.MayHold.Where(pair => !held.Holds.ContainsKey(pair.Key)).ToDictionary(),
            MostShare = held.Shares,
            Traces = held.Holds.Keys.Except(held.InEarnest).ToHashSet(),
            Phrases = held.Phrases,
        };
    }

    private static string Advice(string mayContain) =>
        mayContain.StartsWith("may", StringComparison.OrdinalIgnoreCase) ? $"M{mayContain[1..]}" : $"May contain {mayContain}";

    private sealed class Found(StatementLexicon lexicon)
    {
        public Dictionary<string, string> Holds { get; } = [];

        public Dictionary<string, string> MayHold { get; } = [];

        public Dictionary<string, decimal> Shares { get; } = [];

        public HashSet<string> InEarnest { get; } = [];

        public List<string> CannotTell { get; } = [];

        public List<StatedPhrase> Phrases { get; } = [];

        /// <param name="beside">Words that stand beside the bracket which the ingredient is in.</param>
        public void Add(StatedIngredient item, decimal share, string beside = "")
        {
            var isListed = IsListed(item);
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

                // A list of parts says what the word before it leaves open; what a substance was made from is said by one name.
                var isSettled =
                    isListed
                    || (item.Parts.Count > 0 && meaning is { Kind: StatedKind.Source })
                    || IsNamed(words, meaning, $"{beside} {item.Words}");
                IReadOnlyList<string> mayHold = isSettled ? [] : meaning?.MayHold ?? [];
                foreach (var key in mayHold)
                {
                    MayHold.TryAdd(key, words);
                }

                var isUntold = !isSettled && (meaning is null || meaning.CannotTell is not null);
                Phrases.Add(new(words, meaning?.Classes ?? [], isUntold, meaning is not null || !isUntold) { MayHold = mayHold });
                if (isUntold)
                {
                    CannotTell.Add(meaning?.CannotTell ?? words);
                }
            }

            foreach (var part in item.Parts)
            {
                Add(part, share, item.Words);
            }
        }

        /// <summary>"Soya lecithin (E322)": what a number leaves open is said by name beside it.</summary>
        private bool IsNamed(string words, StatedMeaning? meaning, string beside) =>
            meaning?.CannotTell is { } open
            && StatedWords.IsNumber(words)
            && lexicon
                .Meanings(beside)
                .Any(other =>
                    other.Meaning is { CannotTell: null, Kind: not StatedKind.Source }
                    && other.Words.Contains($" {open}", StringComparison.Ordinal)
                );

        /// <summary>
        /// Whether the brackets list what is in it, rather than point out an allergen: "cheese (milk)", "flavouring (contains nuts)".
        /// </summary>
        private bool IsListed(StatedIngredient item) => item.Parts.Count > 0 && !item.NamesOnlySome && !item.Parts.All(lexicon.PointsOut);
    }

    /// <summary>The bare name of an allergen, as printed in brackets.</summary>
    private bool PointsOut(StatedIngredient part) =>
        part.Parts.Count == 0
        && _meanings.TryGetValue(StatedWords.Normal(part.Words), out var meaning)
        && meaning.Classes.Count > 0
        && _classes.AllergensOf(meaning.Classes).Count > 0;

    /// <summary>
    /// What the words of one ingredient mean: known phrases, the longest from the left; then what is not known, in one piece.
    /// </summary>
    private IEnumerable<(string Words, StatedMeaning? Meaning)> Meanings(string words)
    {
        var tokens = StatedWords.Normal(words).Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var found = new List<(string Words, StatedMeaning Meaning)>();
        var unknown = new List<string>();
        for (var at = 0; at < tokens.Length; )
        {
            var length = Enumerable
                .Range(1, Math.Min(_longest, tokens.Length - at))
                .Reverse()
                .FirstOrDefault(size => _meanings.ContainsKey(string.Join(' ', tokens, at, size)));
            var phrase = string.Join(' ', tokens, at, Math.Max(1, length));
            if (length > 0 && at + length < tokens.Length && tokens[at + length] == "free" && FreeOf(phrase) is { } without)
            {
                found.Add(($"{phrase} free", without));
                length++;
            }
            else if (length > 0)
            {
                // Almond butter is no butter: the plant before it says what it is.
                if (phrase is "butter" or "milk" or "drink" && found is [.., (var before, var plant)] && IsPlant(plant))
                {
                    found[^1] = ($"{before} {phrase}", plant);
                }
                else
                {
                    found.Add((phrase, _meanings[phrase]));
                }
            }
            else if (StatedWords.IsENumber(phrase))
            {
                // The lexicon knows the numbers that matter to somebody; the rest are additives.
                found.Add((phrase, new(["additive"], null, [])));
            }
            else if (StatedWords.IsBareNumber(phrase) && !(at + 1 < tokens.Length && StatedWords.IsMeasure(tokens[at + 1])))
            {
                // Australia and New Zealand print the number without its letter.
                found.Add((phrase, _meanings.GetValueOrDefault($"e{phrase}") ?? new(["additive"], null, [])));
            }
            else if (!phrase.All(char.IsDigit))
            {
                unknown.Add(phrase);
            }

            at += Math.Max(1, length);
        }

        return Settled(
            words,
            tokens.Length == 0
                || tokens is [['0' or '1' or '2' or '3' or '4' or '5' or '6' or '7' or '8' or '9', ..]]
                    && found.Count == 0
                    && unknown.Count == 0,
            found,
            unknown
        );
    }

    private IEnumerable<(string, StatedMeaning?)> Settled(
        string words,
        bool isNothing,
        List<(string Words, StatedMeaning Meaning)> found,
        List<string> unknown
    )
    {
        if (isNothing)
        {
            yield break;
        }

        var absent = found
            .Where(item => item.Meaning.Kind == StatedKind.Without)
            .SelectMany(item => item.Meaning.Classes)
            .SelectMany(_classes.Downward)
            .ToHashSet();
        var things = found.Where(item => item.Meaning.Kind is StatedKind.Thing or StatedKind.Source).ToList();
        foreach (var (phrase, meaning) in things)
        {
            var classes = meaning.Classes.Where(key => !absent.Contains(key)).ToList();
            // A vegan cheese holds no milk, and nobody can tell what it holds instead.
            yield return classes.Count == 0 && meaning.Classes.Count > 0
                ? (phrase, new(classes, words, []))
                : (phrase, meaning with { Classes = classes, MayHold = [.. meaning.MayHold.Where(key => !absent.Contains(key))] });
        }

        if (unknown.Count > 0)
        {
            yield return (string.Join(' ', unknown), null);
        }
        else if (things.Count == 0 && !found.All(item => item.Meaning.Kind == StatedKind.Without))
        {
            // Only words that describe: what they describe is not said.
            yield return (words, null);
        }
    }

    /// <summary>What "X free" says is not in it: the family of X.</summary>
    private StatedMeaning? FreeOf(string phrase) =>
        _meanings[phrase] is { Kind: StatedKind.Thing, Classes: { Count: > 0 } classes }
            ? new(
                [
                    .. classes
                        .SelectMany(key =>
                            _classes.Upward(key).Where(above => _classes.AllergensOf([above]).Count > 0).Prepend(_classes.AllergyTo(key))
                        )
                        .Distinct(),
                ],
                null,
                [],
                StatedKind.Without
            )
            : null;

    private bool IsPlant(StatedMeaning meaning) =>
        meaning.Classes.Count > 0
        && meaning.Classes.All(key =>
            _classes
                .Upward(key)
                .Any(above =>
                    above is "tree-nut" or "legume" or "grain" or "seed" or "coconut" or "cocoa" or "fruit" or "plant-oil" or "tuber"
                )
        );
}
