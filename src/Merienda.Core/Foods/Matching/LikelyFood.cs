using System.Globalization;

namespace Merienda.Core.Foods;

/// <summary>The food that words are likely to mean when no food is named by them; never for certain.</summary>
internal static class LikelyFood
{
    /// <summary>Farthest that a typed fat content may be from a row's to be likely meant, percentage points [C].</summary>
    private const decimal FarthestFat = 3;

    /// <param name="effects">What each word does to the name; null for a word that is part of it.</param>
    public static Food? Of(FoodNames names, IReadOnlyList<string> tokens, WordEffect?[] effects) =>
        ByFat(names, tokens, effects) ?? ByWords(names, tokens, effects);

    /// <summary>The row of the same name whose fat content is nearest to the typed one.</summary>
    private static Food? ByFat(FoodNames names, IReadOnlyList<string> tokens, WordEffect?[] effects)
    {
        var fat = tokens.FirstOrDefault(token => token.EndsWith('%'));
        if (fat is null || !decimal.TryParse(fat[..^1], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var asked))
        {
            return null;
        }

        var name = tokens.Where((token, at) => token != fat && effects[at] is null).ToHashSet();
        return name.Count == 0
            ? null
            : names
                .Holding(name.Last())
                .Select(entry =>
                    (
                        entry.Food,
                        Name: entry.Words.Where(word => !word.EndsWith('%')).ToHashSet(),
                        Fat: entry.Words.FirstOrDefault(word => word.EndsWith('%'))
                    )
                )
                .Where(entry =>
                    entry.Fat is not null
                    && entry.Name.SetEquals(name)
                    && decimal.TryParse(entry.Fat[..^1], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out _)
                )
                .Select(entry => (entry.Food, Distance: Math.Abs(decimal.Parse(entry.Fat![..^1], CultureInfo.InvariantCulture) - asked)))
                .Where(entry => entry.Distance <= FarthestFat)
                .OrderBy(entry => entry.Distance)
                .Select(entry => entry.Food)
                .FirstOrDefault();
    }

    /// <summary>
    /// A name within the words, or one that holds them all: with its last word the same, and no other food's name among what is left over.
    /// </summary>
    private static Food? ByWords(FoodNames known, IReadOnlyList<string> tokens, WordEffect?[] effects)
    {
        var names = tokens.Where((_, at) => effects[at] is null).ToList();
        var cut = names.FindIndex(word => word is "with" or "in" or "for" or "from" or "and" or "plus");
        var asked = cut > 0 ? names[..cut] : names;
        if (asked.Count == 0)
        {
            return null;
        }

        var head = asked[^1];
        var held = known
            .Holding(head)
            .Where(entry =>
                entry.Words.All(tokens.Contains)
                    ? entry.Words[^1] == head && !names.Except(entry.Words).Any(word => known.Holding(word).Any())
                    : asked.All(entry.Words.Contains) && entry.Words.Length <= asked.Count + 1
            )
            .Select(entry => (entry.Food, Shared: (double)entry.Words.Intersect(names).Count() / entry.Words.Union(names).Count()))
            .OrderByDescending(entry => entry.Shared)
            .ToList();
        // Two foods equally near: neither is meant for certain.
        return held.Count > 0 && held[0].Shared >= 0.33 && held.All(entry => entry.Food == held[0].Food || entry.Shared < held[0].Shared)
            ? held[0].Food
            : null;
    }
}
