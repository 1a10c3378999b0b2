using Merienda.Core.Keeping;

namespace Merienda.Core.Recipes;

/// <summary>What keeps a part in a box or pot of its own.</summary>
public enum Apart
{
    /// <summary>It goes into the box with the rest.</summary>
    No,
    Wet,
    Dry,
    Crunchy,
    Sauce,
}

/// <summary>What the amount of a yield counts.</summary>
public enum YieldUnit
{
    Grams,
    Millilitres,
    Pieces,
}

/// <summary>What a part was measured to make.</summary>
/// <param name="Amount">Above zero.</param>
public readonly record struct MadeAmount(decimal Amount, YieldUnit Unit);

/// <summary>A part of a dish: the stew, its rice, the crisp topping.</summary>
/// <param name="Name">Empty for the unnamed one; no two of a recipe alike.</param>
public sealed record RecipePart(string Name)
{
    public const int LongestName = 60,
        LongestReason = 120;

    public Apart Apart { get; init; }

    /// <summary>How it keeps where that is otherwise than the dish; null for as the dish.</summary>
    public KeepingClass? Keeping { get; init; }

    /// <summary>Why it keeps longer than its lines say; empty when it does not.</summary>
    public string KeepingReason { get; init; } = "";

    /// <summary>Whether it comes off before reheating.</summary>
    public bool TakesOff { get; init; }

    /// <summary>Whether it goes on only when it is eaten.</summary>
    public bool GoesOn { get; init; }

    /// <summary>What all of it was measured to make; null while nobody did.</summary>
    public MadeAmount? Made { get; init; }
}
