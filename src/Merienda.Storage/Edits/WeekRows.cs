namespace Merienda.Storage.Edits;

public sealed record PrepSessionRow(Guid Id, DateOnly CookedOn);

public sealed record BatchRow(Guid Id, Guid SessionId, Guid RecipeVersionId, string Letter);

public sealed record LotRow(Guid Id, Guid BatchId, int Position, string? Variant, decimal Portions);

public sealed record ServingRow(Guid Id, DateOnly EatenOn, string Meal, Guid EaterId, string State, bool IsLocked, string Note);

/// <summary>A draw on a batch, or a food as it is bought: the columns of the other are null.</summary>
public sealed record ServingItemRow(
    Guid Id,
    Guid ServingId,
    int Position,
    Guid? BatchId,
    Guid? LotId,
    decimal? Portions,
    decimal? Grams,
    IReadOnlyList<string>? Parts,
    string? Text,
    Guid? FoodVersionId,
    Guid? PacketVersionId,
    string? MatchKind,
    bool IsChosen
);

public sealed record ContainerRow(Guid Id, Guid BatchId, Guid LotId, decimal Portions, DateOnly? GoneOn);

public sealed record ShopTickRow(DateOnly WeekStart, string ItemKey);

public sealed record TaskTickRow(Guid BatchId, string TaskId);
