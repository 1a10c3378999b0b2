using Merienda.Core.Protocols;

namespace Merienda.Web.Weeks;

/// <summary>One of the best things for a meal.</summary>
/// <param name="BatchId">The batch whose loose portions it is; null for a recipe that would be cooked.</param>
/// <param name="Ready">Something bought, as its line says; null for everything else.</param>
/// <param name="Letter">Tape letter of the batch; empty for a recipe.</param>
/// <param name="Portions">In the size that suits the day.</param>
/// <param name="IsMore">Whether its batch would grow for it.</param>
/// <param name="CookedOn">Session that a recipe would be cooked in; null for what is there.</param>
/// <param name="Minutes">By hand, to cook it.</param>
/// <param name="Verdict">The day's with it, open meals apart.</param>
/// <param name="Rulers">What it does to the day's limits; the fullest in front.</param>
public sealed record BestThing(
    Guid? BatchId,
    Guid? LotId,
    Guid RecipeId,
    string? Ready,
    string Letter,
    string Name,
    decimal Portions,
    bool IsMore,
    DateOnly? CookedOn,
    int Minutes,
    Verdict Verdict,
    IReadOnlyList<BestRuler> Rulers
);

/// <summary>What is put on a meal: portions of a batch, or something bought.</summary>
/// <param name="Instead">What goes for it; null for nothing.</param>
/// <param name="Ready">Something bought, as its line says; null for a batch.</param>
public sealed record PutRequest(BoardPlace Place, Guid? Instead, Guid? BatchId, Guid? LotId, decimal Portions, string? Ready);

/// <param name="Name">"Net carbs".</param>
/// <param name="Before">Best value of the day as it stands.</param>
/// <param name="After">With it.</param>
public sealed record BestRuler(
    string Name,
    string Unit,
    int Decimals,
    decimal Before,
    decimal After,
    decimal? AtLeast,
    decimal? AtMost,
    Verdict Verdict
);
