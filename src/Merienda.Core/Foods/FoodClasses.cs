using System.Collections.Frozen;

namespace Merienda.Core.Foods;

/// <summary>A tag in the tree of food classes; a food carries several.</summary>
/// <param name="Parent">Key of the class above, or null at the top.</param>
/// <param name="Allergen">Which of the EU's 14 allergens the class is (Regulation 1169/2011 Annex II, from memory [M]), or null.</param>
/// <param name="AllergyTo">The family that an allergy to this class means: nobody is allergic to milk and not to cream. Null when the class
/// is its own.</param>
/// <param name="IsOpen">True when the tag alone says "some kind of it": unnamed nuts may be any nut.</param>
public sealed record FoodClass(string Key, string? Parent, string Name, string? Allergen, string? AllergyTo = null, bool IsOpen = false);

/// <summary>The tree of food classes (domain.md section 5), read from data.</summary>
public sealed class FoodClasses
{
    private readonly Dictionary<string, FoodClass> _byKey;
    private readonly ILookup<string, string> _children;

    /// <exception cref="ArgumentException">A class names a parent or a family that is not in the list.</exception>
    public FoodClasses(IEnumerable<FoodClass> classes)
    {
        _byKey = classes.ToDictionary(item => item.Key);
        if (_byKey.Values.FirstOrDefault(item => item.Parent is { } parent && !_byKey.ContainsKey(parent)) is { } orphan)
        {
            throw new ArgumentException($"Class {orphan.Key} stands under {orphan.Parent}, which does not exist.");
        }

        if (_byKey.Values.FirstOrDefault(item => item.AllergyTo is { } family && !_byKey.ContainsKey(family)) is { } stray)
        {
            throw new ArgumentException($"An allergy to {stray.Key} means {stray.AllergyTo}, which does not exist.");
        }

        _children = _byKey.Values.Where(item => item.Parent is not null).ToLookup(item => item.Parent!, item => item.Key);
    }

    public IEnumerable<FoodClass> All => _byKey.Values;

    public bool Knows(string key) => _byKey.ContainsKey(key);

    public string NameOf(string key) => _byKey[key].Name;

    /// <summary>The class that an allergy to this one means: the whole family where nobody is allergic to a part of it only.</summary>
    public string AllergyTo(string key) => _byKey[key].AllergyTo ?? key;

    /// <summary>The class itself and every class above it.</summary>
    public IEnumerable<string> Upward(string key)
    {
        for (var at = key; at is not null; at = _byKey[at].Parent)
        {
            yield return at;
        }
    }

    /// <summary>The class itself and every class below it.</summary>
    public IEnumerable<string> Downward(string key) => _children[key].SelectMany(Downward).Prepend(key);

    /// <summary>
    /// What may be in a food besides what it is known to hold: classes that its packets differ by with every class below them, and, where a
    /// tag
    /// says only "some kind of it", every kind.
    /// </summary>
    /// <param name="holds">Tags of what is known to be in it.</param>
    /// <param name="may">Tags of what packets differ by.</param>
    public OpenClasses MayHold(IReadOnlyCollection<string> holds, IEnumerable<string> may)
    {
        var known = holds.SelectMany(Upward).ToHashSet();
        var open = holds.Where(tag => _byKey[tag].IsOpen && !Downward(tag).Skip(1).Any(known.Contains));
        var kinds = may.Concat(open).SelectMany(Downward).Where(key => !known.Contains(key)).ToFrozenSet();
        return kinds.Count == 0 ? OpenClasses.None : new(kinds, kinds.SelectMany(Upward).ToFrozenSet());
    }

    /// <summary>The allergens among a food's classes, each once, in alphabetical order.</summary>
    public IReadOnlyList<string> AllergensOf(IEnumerable<string> classes) =>
        [.. classes.SelectMany(Upward).Select(key => _byKey[key].Allergen).OfType<string>().Distinct().Order(StringComparer.Ordinal)];

    /// <summary>What foods hold of the allergens, then what packets warn of or differ by: "sesame (may contain)".</summary>
    public IReadOnlyList<string> AllergensOf(IEnumerable<Food> foods)
    {
        var list = foods.ToList();
        var named = AllergensOf(list.SelectMany(food => food.AllTags));
        return
        [
            .. named,
            .. AllergensOf(list.SelectMany(food => food.AllMayHold)).Except(named).Select(allergen => $"{allergen} (may contain)"),
        ];
    }
}
