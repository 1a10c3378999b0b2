namespace Merienda.Core.Recipes;

/// <summary>A recipe as somebody wrote it: lines and steps still words.</summary>
/// <param name="Portions">As written, or null when the text does not say.</param>
/// <param name="Lines">Ingredient lines as typed, bullets too, with the part of the dish they stand under; empty for a dish of one
/// part.</param>
public sealed record WrittenRecipe(
    string Name,
    decimal? Portions,
    IReadOnlyList<(string Part, string Text)> Lines,
    IReadOnlyList<string> Steps
)
{
    /// <summary>What it says a portion has.</summary>
    public IReadOnlyList<Claim> Claims { get; init; } = [];

    /// <summary>Which meal it says it is for, as written: "breakfast", "main course"; empty when it does not say.</summary>
    public string Course { get; init; } = "";

    /// <summary>Where it comes from; empty when it does not say.</summary>
    public string Source { get; init; } = "";
}
