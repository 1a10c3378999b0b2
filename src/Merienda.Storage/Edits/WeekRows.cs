namespace Merienda.Storage.Edits;

public sealed record PrepSessionRow(Guid Id, DateOnly CookedOn, DateOnly EatenFrom, TimeOnly StartsAt, int Cooks, string Name);

public sealed record BatchRow(Guid Id, Guid SessionId, Guid RecipeVersionId, string Letter, DateOnly? PortionedOn, decimal FrozenRest);

public sealed record PartYieldRow(Guid BatchId, string Part, int GrossG, int TareG, string Vessel);

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
    bool IsChosen,
    Guid? ContainerId,
    bool IsFrozen,
    decimal? EatenShare,
    bool IsExtra
);

public sealed record ContainerRow(
    Guid Id,
    Guid BatchId,
    Guid LotId,
    int Number,
    decimal Portions,
    IReadOnlyList<string>? Parts,
    IReadOnlyList<decimal?> Grams,
    string Kind,
    string Material,
    DateOnly? GoneOn
);

public sealed record ContainerEventRow(
    Guid Id,
    Guid ContainerId,
    string Kind,
    DateTimeOffset At,
    DateOnly HappenedOn,
    decimal Portions,
    Guid? DrawId,
    IReadOnlyList<string>? Parts,
    string Reason
);

/// <param name="StockId">What went into stock by it.</param>
public sealed record PurchaseRow(
    DateOnly WeekStart,
    string ItemKey,
    Guid? StockId,
    string Amount,
    decimal? Cost,
    string Shop,
    DateOnly BoughtOn
);

/// <param name="WasKey">The food that the recipe names.</param>
/// <param name="FoodKey">What is taken instead.</param>
public sealed record BatchSwapRow(Guid BatchId, Guid LineId, string WasKey, string FoodKey);

public sealed record StapleRow(string FoodKey);

public sealed record ShopTickRow(DateOnly WeekStart, string ItemKey);

public sealed record StepRunRow(
    Guid BatchId,
    string TaskId,
    int? PutMinute,
    DateTimeOffset? HandsOffAt,
    DateTimeOffset? UntilAt,
    DateTimeOffset? DoneAt,
    bool IsSkipped
);

public sealed record TaskTickRow(Guid BatchId, string TaskId);

public sealed record CookRemarkRow(Guid BatchId, string TaskId, int? TookMinutes, string Note, bool? Again);
