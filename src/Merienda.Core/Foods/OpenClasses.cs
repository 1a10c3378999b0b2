using System.Collections.Frozen;

namespace Merienda.Core.Foods;

/// <summary>What may be in a food besides what it is known to hold: for allergies and exclusions a doubt, never a fit.</summary>
/// <param name="Kinds">Each class that may be in it, with every class below.</param>
/// <param name="WithAbove">The same with the classes above: who may hold rye may hold a cereal with gluten.</param>
public sealed record OpenClasses(FrozenSet<string> Kinds, FrozenSet<string> WithAbove)
{
    public static readonly OpenClasses None = new([], []);

    /// <summary>Whether the class, or one below it, may be in it.</summary>
    public bool Holds(string foodClass) => WithAbove.Contains(foodClass);
}
