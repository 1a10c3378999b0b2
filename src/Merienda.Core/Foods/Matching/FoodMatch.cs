namespace Merienda.Core.Foods;

public enum MatchKind
{
    /// <summary>No food is meant for certain; the line counts as unknown.</summary>
    None,

    /// <summary>The words point to one food but add or leave out some; for allergies and exclusions that is as good as unread.</summary>
    Likely,

    /// <summary>The words are a food's name or synonym.</summary>
    Exact,

    /// <summary>The household chose this food for these words before.</summary>
    Learnt,
}

public readonly record struct FoodMatch(Food? Food, MatchKind Kind)
{
    /// <summary>Every food that the words may mean where they leave the kind open; null where they do not.</summary>
    public FoodKinds? Kinds { get; init; }

    /// <summary>Whether a person need not look: nothing was added, left out or guessed.</summary>
    public bool IsSure => Kind is MatchKind.Exact or MatchKind.Learnt;
}
