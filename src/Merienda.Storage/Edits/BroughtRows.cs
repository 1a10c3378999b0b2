using System.Text.Json.Nodes;

namespace Merienda.Storage.Edits;

/// <param name="AccountId">Null once they have left.</param>
/// <param name="State">One of <see cref="Core.Groups.SubmissionState"/>.</param>
/// <param name="Content">The recipe and those that it uses, as JSON.</param>
/// <param name="RecipeId">What it became at the desk.</param>
public sealed record SubmissionRow(
    Guid Id,
    Guid? AccountId,
    bool IsNamed,
    DateTimeOffset SentAt,
    int Number,
    string State,
    string Reply,
    string Words,
    JsonNode Content,
    JsonNode? Before,
    Guid? RecipeId,
    DateTimeOffset? AnsweredAt
);

/// <param name="MenuId">Null for a question in general.</param>
/// <param name="Day">Days after the menu begins.</param>
/// <param name="Dish">Name of the dish.</param>
public sealed record QuestionRow(
    Guid Id,
    Guid? AccountId,
    bool IsNamed,
    DateTimeOffset AskedAt,
    Guid? MenuId,
    int? Day,
    string Dish,
    string Words,
    string Answer,
    DateTimeOffset? AnsweredAt,
    bool IsPinned,
    bool IsHidden,
    Guid? PictureId
);

public sealed record QuestionTooRow(Guid QuestionId, Guid AccountId);

public sealed record QuestionReportRow(Guid QuestionId, Guid AccountId, string Why);
