using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>What a line takes of another recipe.</summary>
/// <param name="Of">The recipe, as the version that the line was read with.</param>
/// <param name="Batches">How often what the recipe makes; open when the line does not say.</param>
/// <param name="Lines">What goes in because of it, line by line.</param>
public sealed record RecipeUse(KnownRecipe Of, Estimate Batches, IReadOnlyList<RecipeLine> Lines);
