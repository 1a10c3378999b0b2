using Merienda.Core.Keeping;

namespace Merienda.Core.Planning;

/// <summary>What a part of a batch really weighs: what the scale showed, and the vessel it stood in.</summary>
/// <param name="GrossG">With its vessel, g.</param>
/// <param name="TareG">The vessel alone, g.</param>
/// <param name="Vessel">Its name; empty when the scale was set to zero before.</param>
public sealed record PartYield(string Part, int GrossG, int TareG, string Vessel)
{
    public int NetG => GrossG - TareG;
}

/// <summary>A real box: filled when a batch is portioned, with a life of its own from then on.</summary>
/// <param name="Number">Rises in the order they are eaten, as the label says.</param>
/// <param name="Portions">How many of the recipe's portions were filled in, above zero.</param>
public sealed record Container(Guid Id, Guid Batch, Guid Lot, int Number, decimal Portions, IReadOnlyList<BoxEvent> Life)
{
    /// <summary>Names of the parts in it; null for the whole dish.</summary>
    public IReadOnlyList<string>? Parts { get; init; }

    /// <summary>What was filled in of each part in it, g, in their order; null for one that nobody knows.</summary>
    public IReadOnlyList<decimal?> Grams { get; init; } = [];

    /// <summary>Name and material of the kitchen's containers it is one of; empty when none was free.</summary>
    public string Kind { get; init; } = "";

    public string Material { get; init; } = "";

    public bool Holds(string part) => Parts is null || Parts.Contains(part);

    public BoxState State(Batch batch) => BoxState.Of(Portions, Parts ?? batch.Parts, batch.Cooked, Life);

    /// <summary>Portions of a part that are left in it.</summary>
    public decimal LeftOf(string part) => Holds(part) ? BoxState.LeftOf(part, Portions, Life) : 0;

    /// <summary>Whether this share of it has been eaten, all of it or not.</summary>
    public bool IsSettled(Guid draw) => Life.Any(said => said.Draw == draw);
}
