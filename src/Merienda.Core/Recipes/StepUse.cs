namespace Merienda.Core.Recipes;

/// <summary>What a step takes of a line.</summary>
/// <param name="Share">Of all that goes in, 0 to 1; 0 for what an earlier step took already.</param>
public sealed record StepUse(RecipeLine Line, decimal Share);
