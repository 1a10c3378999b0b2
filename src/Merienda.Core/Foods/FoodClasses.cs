namespace Merienda.Core.Foods;

/// <summary>A tag in the tree of food classes; a food carries several.</summary>
/// <param name="Parent">Key of the class above, or null at the top.</param>
/// <param name="Allergen">Which of the EU's 14 allergens the class is (Regulation 1169/2011 Annex II, from memory [M]), or null.</param>
public sealed record FoodClass(string Key, string? Parent, string Name, string? Allergen);

/// <summary>The tree of food classes (domain.md section 5), read from data.</summary>
public sealed class FoodClasses
{
    private readonly Dictionary<string, FoodClass> _byKey;

    /// <exception cref="ArgumentException">A class names a parent that is not in the list.</exception>
    public FoodClasses(IEnumerable<FoodClass> classes)
    {
        _byKey = classes.ToDictionary(item => item.Key);
        if (_byKey.Values.FirstOrDefault(item => item.Parent is { } parent && !_byKey.ContainsKey(parent)) is { } orphan)
        {
            throw new ArgumentException($"Class {orphan.Key} stands under {orphan.Parent}, which does not exist.");
        }
    }

    public IEnumerable<FoodClass> All => _byKey.Values;

    public bool Knows(string key) => _byKey.ContainsKey(key);

    public string NameOf(string key) => _byKey[key].Name;

    /// <summary>The class itself and every class above it.</summary>
    public IEnumerable<string> Upward(string key)
    {
        for (var at = key; at is not null; at = _byKey[at].Parent)
        {
            yield return at;
        }
    }

    /// <summary>The allergens among a food's classes, each once, in alphabetical order.</summary>
    public IReadOnlyList<string> AllergensOf(IEnumerable<string> classes) =>
        [.. classes.SelectMany(Upward).Select(key => _byKey[key].Allergen).OfType<string>().Distinct().Order(StringComparer.Ordinal)];

    /// <summary>What foods hold of the allergens, then what only their packets warn of: "sesame (may contain)".</summary>
    public IReadOnlyList<string> AllergensOf(IEnumerable<Food> foods)
    {
        var list = foods.ToList();
        var named = AllergensOf(list.SelectMany(food => food.AllTags));
        return [.. named, .. AllergensOf(list.SelectMany(food => food.Packet?.Reading.MayContain.Keys ?? [])).Except(named).Select(allergen => $"{allergen} (may contain)")];
    }
}
