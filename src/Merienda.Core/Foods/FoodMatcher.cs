using System.Text;

namespace Merienda.Core.Foods;

public enum MatchKind
{
    /// <summary>No food is meant for certain; the line counts as unknown.</summary>
    None,

    /// <summary>The words point to one food but add or leave out some; a person should look.</summary>
    Likely,

    /// <summary>The words are a food's name or synonym.</summary>
    Exact,
}

public readonly record struct FoodMatch(Food? Food, MatchKind Kind);

/// <summary>Finds the food that words mean by names and synonyms, plural and descriptive words aside.</summary>
public sealed class FoodMatcher
{
    /// <summary>Words that describe a food without making it another one.</summary>
    private static readonly HashSet<string> Descriptions = new(StringComparer.Ordinal)
    {
        "fresh", "freshly", "large", "small", "medium", "ripe", "organic", "skinless", "boneless", "free-range", "good", "quality", "whole", "big", "fat", "thick", "thin", "chopped",
        "sliced", "diced", "grated", "finely", "roughly", "coarsely", "lean", "unsalted", "raw", "plain", "firm", "peeled", "trimmed", "cold", "warm", "hot", "crushed", "ground", "toasted",
        "washed", "rinsed", "baby", "young", "mild", "fine", "flaked", "shredded", "cubed", "halved", "frozen", "heaped", "level", "the", "some", "your", "favourite", "of", "unsweetened", "thawed", "melted", "softened", "pitted", "deseeded", "torn", "packed",
    };

    /// <summary>Nouns whose modifier makes another food: oat milk is not milk, almond butter is not butter. They match only as written in the table.</summary>
    private static readonly HashSet<string> DecidedByTheirModifier = new(StringComparer.Ordinal)
    {
        "milk", "butter", "cheese", "flour", "cream", "oil", "sugar", "sauce", "rice", "bread", "noodle", "paste", "seed", "nut", "bean", "powder", "juice", "yoghurt", "yogurt", "vinegar",
        "stock", "broth", "syrup", "pasta", "puree", "extract", "mince", "burger", "sausage", "mayonnaise", "mayo", "spread", "drink", "crisp", "chip", "leaf", "pepper", "egg",
    };

    private readonly Dictionary<string, Food> _byPhrase = new(StringComparer.Ordinal);
    private readonly List<(string[] Words, Food Food)> _phrases = [];
    private readonly Dictionary<string, Food> _byKey = new(StringComparer.Ordinal);
    private readonly FoodMatcher? _shared;
    private IReadOnlyList<Food>? _byName;

    /// <exception cref="ArgumentException">Two foods claim one synonym.</exception>
    public FoodMatcher(IEnumerable<Food> foods) : this(foods, null)
    {
    }

    private FoodMatcher(IEnumerable<Food> foods, FoodMatcher? shared)
    {
        _shared = shared;
        foreach (var food in foods)
        {
            _byKey.Add(food.Key, food);
            foreach (var phrase in food.Synonyms.Append(food.Name).Select(Normalise).Distinct())
            {
                if (!_byPhrase.TryAdd(phrase, food) && _byPhrase[phrase] != food && shared is null)
                {
                    throw new ArgumentException($"\"{phrase}\" names both {_byPhrase[phrase].Key} and {food.Key}.");
                }

                _phrases.Add((phrase.Split(' '), food));
            }
        }
    }

    /// <summary>The same foods with a household's own before them: what it calls by a name is meant by it. Of two own ones that sound alike the first is meant.</summary>
    public FoodMatcher With(IEnumerable<Food> own) => new(own, this);

    /// <summary>Every food by name.</summary>
    public IReadOnlyList<Food> Foods => _byName ??= [.. _byKey.Values.Concat(_shared?.Foods ?? []).OrderBy(food => food.Name, StringComparer.OrdinalIgnoreCase)];

    public Food? WithKey(string key) => _byKey.GetValueOrDefault(key) ?? _shared?.WithKey(key);

    /// <param name="words">The words that name the food.</param>
    /// <param name="isCooked">The line asks for the food weighed cooked.</param>
    /// <param name="isDry">The line asks for the food weighed dry.</param>
    public FoodMatch Match(string words, bool isCooked = false, bool isDry = false)
    {
        var phrase = Normalise(words);
        if (phrase.Length == 0)
        {
            return default;
        }

        foreach (var (state, wanted) in (ReadOnlySpan<(string, bool)>)[("cooked ", isCooked), ("dry ", isDry)])
        {
            if (wanted && Named(state + phrase) is { } inState)
            {
                return new(inState, MatchKind.Exact);
            }
        }

        if (Named(phrase) is { } exact)
        {
            return new(exact, MatchKind.Exact);
        }

        var bare = string.Join(' ', phrase.Split(' ').Where(word => !Descriptions.Contains(word)));
        return Named(bare) is { } described ? new(described, MatchKind.Exact) : Likely(bare.Length > 0 ? bare.Split(' ') : phrase.Split(' '));
    }

    /// <summary>Foods whose name or synonym holds every word typed, nearest first.</summary>
    public IEnumerable<Food> Search(string typed, int most)
    {
        var words = Normalise(typed).Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return words.Length == 0
            ? []
            : Phrases
                .Where(entry => words.All(word => entry.Words.Any(held => held.StartsWith(word, StringComparison.Ordinal))))
                .OrderBy(entry => entry.Words.Length).ThenBy(entry => entry.Food.Name, StringComparer.Ordinal)
                .Select(entry => entry.Food).Distinct().Take(most);
    }

    private IEnumerable<(string[] Words, Food Food)> Phrases => _shared is null ? _phrases : _phrases.Concat(_shared.Phrases);

    private Food? Named(string phrase) => _byPhrase.GetValueOrDefault(phrase) ?? _shared?.Named(phrase);

    private FoodMatch Likely(string[] words)
    {
        var noun = words[^1];
        var held = Phrases
            .Where(entry => entry.Words.Contains(noun) && (entry.Words.All(words.Contains) ? !DecidedByTheirModifier.Contains(noun) || entry.Words.Length == words.Length : words.All(entry.Words.Contains)))
            .Select(entry => (entry.Food, Shared: (double)entry.Words.Intersect(words).Count() / entry.Words.Union(words).Count()))
            .OrderByDescending(entry => entry.Shared)
            .ToList();
        // Two foods equally near: neither is meant for certain.
        var isClear = held.Count > 0 && held[0].Shared >= 0.5 && held.All(entry => entry.Food == held[0].Food || entry.Shared < held[0].Shared);
        return isClear ? new(held[0].Food, MatchKind.Likely) : default;
    }

    /// <summary>Lower case, accents and punctuation gone, each word singular.</summary>
    private static string Normalise(string text)
    {
        var letters = new StringBuilder(text.Length);
        foreach (var letter in text.Normalize(NormalizationForm.FormD).ToLowerInvariant())
        {
            if (char.IsLetterOrDigit(letter) || letter is '-' or '%')
            {
                letters.Append(letter);
            }
            else if (char.GetUnicodeCategory(letter) != System.Globalization.UnicodeCategory.NonSpacingMark && letter is not ('\'' or '’'))
            {
                letters.Append(' ');
            }
        }

        return string.Join(' ', letters.ToString().Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Singular));
    }

    private static string Singular(string word) => word switch
    {
        _ when word.Length < 4 || word.EndsWith("ss", StringComparison.Ordinal) || word is "couscous" or "hummus" or "houmous" or "asparagus" or "swiss" or "chips" or "citrus" or "molasses" => word,
        _ when word.EndsWith("oes", StringComparison.Ordinal) => word[..^2],
        _ when word.EndsWith("leaves", StringComparison.Ordinal) => word[..^3] + "f",
        _ when word.EndsWith("ies", StringComparison.Ordinal) && word.Length > 5 => word[..^3] + "y",
        _ when word.EndsWith("ches", StringComparison.Ordinal) || word.EndsWith("shes", StringComparison.Ordinal) => word[..^2],
        _ when word.EndsWith('s') => word[..^1],
        _ => word,
    };
}
