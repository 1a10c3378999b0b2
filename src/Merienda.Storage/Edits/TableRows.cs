namespace Merienda.Storage.Edits;

/// <summary>A household's own settings; what counts its larder's changes is not among them.</summary>
public sealed record HouseholdSettingsRow(
    string Name,
    string TimeZone,
    string Units,
    string NumberFormat,
    int FirstDay,
    decimal? FreezerL,
    bool CountsTolerances
);

/// <param name="IsHelper">At a group's desk: publishes nothing and lets nobody in.</param>
public sealed record HouseholdMemberRow(Guid AccountId, bool IsHelper = false);

/// <param name="SecretHash">SHA-256 of what the link carries, in hex.</param>
public sealed record InvitationRow(Guid Id, string SecretHash, Guid MadeBy, DateTimeOffset ExpiresAt, Guid? UsedBy);

public sealed record MealSlotRow(string Key, string Name, string Role, TimeOnly UsualTime, int Position, bool IsFormer);

public sealed record PrepDayRow(int Weekday, TimeOnly StartsAt, int Cooks, string Name, int EatenAfterDays);

public sealed record EaterRow(
    Guid Id,
    string Name,
    int Position,
    decimal PortionHabit,
    bool CountsTraces,
    bool TrustsRefinedSoybeanOil,
    bool IsGuest
);

/// <param name="Pattern">For each weekday from Sunday: P from the prep, F fresh, O out, N nothing.</param>
public sealed record EaterMealRow(Guid EaterId, string Meal, decimal DayShare, string Pattern);

public sealed record EaterProtocolRow(Guid EaterId, string ProtocolId);

public sealed record AllowanceRow(Guid EaterId, string ProtocolId, string RuleId, decimal? AtLeast, decimal? AtMost, DateOnly ValidFrom);

public sealed record EaterChoiceRow(Guid EaterId, string ProtocolId, string ChoiceId, string OptionId);

public sealed record EaterAllergyRow(Guid EaterId, string ClassKey);

public sealed record EaterAcceptanceRow(Guid EaterId, string What, string Reason, Guid AcceptedBy, DateTimeOffset AcceptedAt);

public sealed record EaterDislikeRow(Guid EaterId, string What);

public sealed record EaterDishRow(Guid EaterId, Guid RecipeId, string Part);

public sealed record EaterPinRow(Guid EaterId, int Position, string Measure);

public sealed record EaterVariantRow(Guid EaterId, Guid RecipeId, string Variant);

public sealed record EaterPhaseRow(Guid EaterId, string ProtocolId, DateOnly StartsOn, DateOnly RestrictionEndsOn);

public sealed record EaterChallengeRow(Guid EaterId, string ProtocolId, string ChallengeId, int Position, string Outcome);

public sealed record WeighingRow(Guid EaterId, bool IsPaceSeen);

public sealed record BodyWeightRow(Guid EaterId, DateOnly WeighedOn, int MassG);

public sealed record DiaryEntryRow(Guid Id, Guid EaterId, string ProtocolId, DateOnly NotedOn, string Text, Guid WrittenBy);

public sealed record ReadyChoiceRow(Guid Id, int Position, string Line, string? Meal, int MostAWeek);

public sealed record KitchenItemRow(
    Guid Id,
    int Position,
    string Kind,
    string Name,
    int Count,
    int? CapacityMl,
    decimal? FillShare,
    int? WidthMm,
    int? LengthMm,
    int? TareG
);

public sealed record ContainerKindRow(
    Guid Id,
    int Position,
    string Name,
    int VolumeMl,
    int Count,
    string Material,
    bool MayHeat,
    bool MayFreeze,
    bool MayFillHot
);

public sealed record OwnProtocolRow(string Id, string? OriginId, int? OriginVersion, int Version, DateTimeOffset? ArchivedAt);

/// <param name="Content">The protocol's document.</param>
public sealed record OwnProtocolVersionRow(
    string ProtocolId,
    int Version,
    System.Text.Json.Nodes.JsonNode Content,
    DateTimeOffset CreatedAt,
    Guid CreatedBy
);

public sealed record WeekProtocolRow(DateOnly WeekStart, string ProtocolId, int Version);
