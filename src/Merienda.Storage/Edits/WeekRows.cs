namespace Merienda.Storage.Edits;

public sealed record PrepSessionRow(Guid Id, DateOnly CookedOn);

public sealed record BatchRow(Guid Id, Guid SessionId, Guid RecipeVersionId, string Letter, decimal Portions);

public sealed record ServingRow(Guid Id, DateOnly EatenOn, string Meal, Guid EaterId);

public sealed record ContainerRow(Guid Id, Guid BatchId, int Number, decimal Size, Guid? ServingId, DateOnly? GoneOn);

public sealed record ShopTickRow(DateOnly WeekStart, string ItemKey);

public sealed record TaskTickRow(Guid BatchId, string TaskId);
