namespace Merienda.Storage.Edits;

/// <param name="Name">Of the version that counts.</param>
public sealed record PacketRow(Guid Id, string Name, Guid VersionId, int Number, DateTimeOffset? ArchivedAt);

/// <param name="Declared">Values by nutrient, as printed.</param>
public sealed record PacketVersionRow(
    Guid Id,
    Guid PacketId,
    int Number,
    string Name,
    string Country,
    string? LabelBasis,
    string Serving,
    IReadOnlyDictionary<string, string> Declared,
    string Statement,
    string MayContain,
    string Pack,
    decimal? Price,
    decimal? Points,
    int? OpenedDays,
    IReadOnlyList<string> Classes,
    string Aisle,
    DateTimeOffset CreatedAt,
    Guid CreatedBy
);

public sealed record PacketOpinionRow(
    Guid PacketId,
    Guid EaterId,
    bool IsApproved,
    string Reason,
    string Statement,
    DateOnly DecidedOn,
    Guid DecidedBy
);

public sealed record LearntWordRow(string Words, string FoodKey, DateTimeOffset LearntAt, Guid LearntBy);

public sealed record PriceRow(string FoodKey, string Shop, decimal Amount, string Pack, decimal Grams, DateOnly SeenOn);

public sealed record StockItemRow(
    Guid Id,
    string? FoodKey,
    string Name,
    string Amount,
    decimal? Grams,
    string Place,
    DateOnly MadeOn,
    DateOnly? OpenedOn,
    DateOnly? FrozenOn,
    DateOnly? ThawedOn,
    DateOnly? BestBefore,
    DateOnly? GoneOn
);
