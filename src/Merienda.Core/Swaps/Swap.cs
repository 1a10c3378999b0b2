using Merienda.Core.Recipes;

namespace Merienda.Core.Swaps;

/// <summary>A change of a recipe that makes a rule fit: what it does differently is a variant, so that it can be taken as one.</summary>
/// <param name="Change">Unnamed.</param>
/// <param name="Grams">Of the batch: what is taken out, or put in where nothing is taken out.</param>
/// <param name="Taste">How far it is from the dish as it was, 0 and up: another food by its likeness, what is left out most.</param>
public sealed record Swap(Variant Change, decimal Grams, decimal Taste)
{
    /// <summary>How many portions the batch makes instead; null as many as before.</summary>
    public decimal? Portions { get; init; }

    /// <summary>The dish so.</summary>
    public RecipeVersion Of(RecipeVersion recipe) => recipe.Having(Change, Portions ?? recipe.Portions);
}
