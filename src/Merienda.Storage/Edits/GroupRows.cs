using Merienda.Core.Groups;

namespace Merienda.Storage.Edits;

/// <param name="Help">Where help is found nearby.</param>
public sealed record GroupDeskRow(string Name, string Help = "");

public sealed record GroupMemberRow(Guid AccountId, DateTimeOffset JoinedAt);

/// <param name="SecretHash">SHA-256 of what the link carries, in hex.</param>
/// <param name="Address">Whom alone it is for; null for one that is handed round.</param>
public sealed record GroupLinkRow(Guid Id, string SecretHash, Guid MadeBy, DateTimeOffset ExpiresAt, int UsesLeft, string? Address = null);

/// <param name="AccountId">Who alone reads it; null for what a desk sends.</param>
/// <param name="SealedPath">Where its link leads, encrypted.</param>
public sealed record MailRow(
    Guid Id,
    Guid? AccountId,
    string Address,
    string Subject,
    string Body,
    string SealedPath,
    DateTimeOffset MadeAt
);

/// <param name="DeskNote">Read at the desk only; null while nobody noted anything.</param>
public sealed record MenuRow(
    Guid Id,
    string Name,
    DateOnly StartsOn,
    int Days,
    string Note,
    IReadOnlyList<MenuTier> Tiers,
    string? DeskNote
);

/// <param name="Day">Days after the menu begins.</param>
public sealed record MenuDishRow(
    Guid Id,
    Guid MenuId,
    int Day,
    string Slot,
    Guid RecipeVersionId,
    IReadOnlyList<TierPortions> Portions,
    IReadOnlyList<StrandVariant> Variants
);

/// <param name="Number">Of the version that was put on the week.</param>
/// <param name="Answers">To what the menu could not know; null where nobody was asked.</param>
public sealed record MenuTakenRow(
    DateOnly WeekStart,
    Guid GroupId,
    Guid MenuId,
    int Number,
    DateTimeOffset TakenAt,
    HomeAnswers? Answers = null
);

/// <param name="Print">Of what it said when it was taken over.</param>
public sealed record EnclosedTakenRow(Guid GroupId, string Kind, string Name, string Print, DateTimeOffset TakenAt);

/// <param name="Print">Of the recipe as it was published.</param>
/// <param name="RecipeVersionId">What it became at home.</param>
public sealed record RecipeTakenRow(Guid GroupId, string Name, string Print, Guid RecipeVersionId, DateTimeOffset TakenAt);

public sealed record BroughtThing(string Kind, string Name, string Print);

/// <param name="Content">Everything that a member needs, as JSON.</param>
/// <param name="Brings">What goes with it.</param>
public sealed record MenuVersionRow(
    Guid MenuId,
    int Number,
    DateTimeOffset PublishedAt,
    Guid PublishedBy,
    string Changed,
    System.Text.Json.Nodes.JsonNode Content,
    IReadOnlyList<BroughtThing> Brings
);
