namespace Merienda.Core.Foods.Statements;

/// <summary>One ingredient of a packet's statement.</summary>
/// <param name="Words">Lower case, without percentages and marks.</param>
/// <param name="Percent">Printed share, 0 to 100, or null.</param>
/// <param name="IsTrace">True below a "less than 2 % of".</param>
/// <param name="Parts">What stands in its brackets, or behind its colon.</param>
public sealed record StatedIngredient(string Words, decimal? Percent, bool IsTrace, IReadOnlyList<StatedIngredient> Parts)
{
    /// <summary>True for "spices (contain celery)": the brackets name one thing and leave the others open.</summary>
    public bool NamesOnlySome { get; init; }
}

/// <summary>A packet's ingredient statement, taken apart.</summary>
/// <param name="MayContain">What the packet says may be in it without being an ingredient.</param>
public sealed record IngredientStatement(IReadOnlyList<StatedIngredient> Ingredients, IReadOnlyList<StatedIngredient> MayContain);
