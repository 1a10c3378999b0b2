namespace Merienda.Core.Foods.Statements;

/// <summary>What brackets behind a word do to what it leaves open.</summary>
public enum StatedKind
{
    /// <summary>
    /// A substance, or a dish with its usual ingredients: a list of parts settles what may be in it, the name of one allergen does not.
    /// </summary>
    Thing,

    /// <summary>
    /// A substance that is made from one of several plants or animals ("starch", "lecithin"): naming which one settles it.
    /// </summary>
    Source,

    /// <summary>A cut, a process, a place: says nothing by itself and hides nothing beside a known word.</summary>
    Describes,

    /// <summary>"Vegan", "dairy free": what it names is not in the words beside it.</summary>
    Without,
}

/// <summary>What some words of a statement mean.</summary>
/// <param name="Classes">Keys of the classes they hold; of a <see cref="StatedKind.Without"/>, those that are not in it.</param>
/// <param name="CannotTell">What nobody can tell from them ("flavouring"), or null.</param>
/// <param name="MayHold">Classes that makers differ by: a mayonnaise may hold mustard.</param>
public sealed record StatedMeaning(
    IReadOnlyList<string> Classes,
    string? CannotTell,
    IReadOnlyList<string> MayHold,
    StatedKind Kind = StatedKind.Thing
);

/// <summary>A phrase of a statement as it was understood.</summary>
/// <param name="Classes">What it holds; empty for what holds none, or when nobody can tell.</param>
/// <param name="IsKnown">False for words that the lexicon does not know.</param>
public sealed record StatedPhrase(string Words, IReadOnlyList<string> Classes, bool IsUntold, bool IsKnown)
{
    /// <summary>Classes that makers differ by.</summary>
    public IReadOnlyList<string> MayHold { get; init; } = [];
}

/// <summary>What a statement says is in the packet.</summary>
/// <param name="Holds">Class to the words that say so.</param>
/// <param name="CannotTell">Words from which nobody can tell: "natural flavouring", "spices", and words the lexicon does not know.</param>
public sealed record StatementReading(
    IReadOnlyDictionary<string, string> Holds,
    IReadOnlyDictionary<string, string> MayContain,
    IReadOnlyList<string> CannotTell
)
{
    /// <summary>Class to the words that leave it open: "mayonnaise" may hold mustard. Not what the packet warns of.</summary>
    public required IReadOnlyDictionary<string, string> MayHold { get; init; }

    /// <summary>
    /// Most that the packet can hold of a class, 0 to 1: a printed percentage, else what its place in the falling order of the statement
    /// leaves.
    /// </summary>
    public required IReadOnlyDictionary<string, decimal> MostShare { get; init; }

    /// <summary>Classes that stand only below a "less than 2 % of".</summary>
    public required IReadOnlySet<string> Traces { get; init; }

    /// <summary>Every phrase of the ingredients that means something, or that nobody knows, in the order of the statement.</summary>
    public required IReadOnlyList<StatedPhrase> Phrases { get; init; }

    /// <summary>True when every word is known, if only as a vague one: then nothing that has to be named is in it unnamed.</summary>
    public bool IsThrough => Phrases.All(phrase => phrase.IsKnown);
}
