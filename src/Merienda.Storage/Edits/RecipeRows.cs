namespace Merienda.Storage.Edits;

public sealed record RecipeRow(Guid Id, Guid VersionId, DateTimeOffset? ArchivedAt);

public sealed record RecipeVersionRow(
    Guid Id,
    Guid RecipeId,
    int Number,
    string Name,
    decimal Portions,
    string? Meal,
    string Keeping,
    string Reheating,
    string AtEating,
    string MeasureSystem,
    string Source,
    string Note,
    DateTimeOffset CreatedAt,
    Guid CreatedBy
);

public sealed record RecipeLineRow(
    Guid RecipeVersionId,
    int Position,
    string Part,
    string Text,
    Guid? FoodVersionId,
    Guid? PacketVersionId,
    Guid? UsedVersionId,
    string MatchKind,
    bool IsChosen,
    Guid LineId,
    string? Precision,
    decimal EatenShare,
    decimal KeptFat,
    bool? IsOptional,
    int? Variant,
    Guid? InsteadOf
);

public sealed record RecipeVariantRow(Guid RecipeVersionId, int Position, string Name);

public sealed record RecipeVariantChangeRow(Guid RecipeVersionId, int Variant, int Position, Guid? LineId, string? Part, decimal Times);

public sealed record RecipePartRow(
    Guid RecipeVersionId,
    int Position,
    string Name,
    string Apart,
    string? Keeping,
    string KeepingReason,
    bool TakesOff,
    bool GoesOn,
    decimal? MadeAmount,
    string? MadeUnit
);

/// <param name="Large">JPEG, in the database's hexadecimal form: a backslash, an x and two digits a byte.</param>
/// <param name="Small">As the large one.</param>
public sealed record PictureRow(Guid Id, string Large, string Small, DateTimeOffset CreatedAt, Guid CreatedBy);

public sealed record RecipePictureRow(Guid RecipeId, Guid PictureId);

public sealed record RecipeCollectionRow(Guid RecipeId, string Name);

public sealed record LibraryFilterRow(string Name, string Query);

public sealed record RecipeClaimRow(
    Guid RecipeVersionId,
    int Position,
    string What,
    decimal Value,
    string? Variant,
    string? Part,
    string SaidOf
);

public sealed record RecipeTaskRow(
    Guid RecipeVersionId,
    int Position,
    string TaskId,
    string Text,
    int HandsOnMinutes,
    int UnattendedMinutes,
    string Appliance,
    int? TemperatureC,
    IReadOnlyList<string> AfterTasks,
    IReadOnlyList<Guid>? LineIds,
    int? WaitsAtMost,
    decimal? RoundPieces,
    string? InsteadAppliance,
    int? InsteadMinutes,
    int? InsteadTemperatureC
);
