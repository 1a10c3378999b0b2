using System.Text.Json;
using System.Text.RegularExpressions;
using Merienda.Storage;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.HttpResults;
using Npgsql;

namespace Merienda.Web.Hosting;

/// <summary>What nobody expected: logged whole, answered without inner workings. It says truly whether anything was changed.</summary>
public sealed partial class UnexpectedErrors(ILogger<UnexpectedErrors> logger) : IExceptionHandler
{
    private const int RetrySeconds = 2;

    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var answer = Answer(exception);
        if (answer.StatusCode >= 500)
        {
            LogUnexpected(exception);
        }

        if (answer.StatusCode == StatusCodes.Status503ServiceUnavailable)
        {
            httpContext.Response.Headers.RetryAfter = $"{RetrySeconds}";
        }

        await answer.ExecuteAsync(httpContext);
        return true;
    }

    private static ProblemHttpResult Answer(Exception exception) =>
        exception switch
        {
            BadHttpRequestException { InnerException: JsonException unread } => Unread(unread),
            BadHttpRequestException bad when Unbound().Match(bad.Message) is { Success: true } unbound => Unbindable(
                unbound.Groups["field"].Value,
                unbound.Groups["value"].Value,
                unbound.Groups["type"].Value
            ),
            BadHttpRequestException bad => TypedResults.Problem(
                statusCode: bad.StatusCode,
                title: "The request could not be read.",
                detail: bad.Message
            ),
            PostgresException
            {
                SqlState: PostgresErrorCodes.CheckViolation or PostgresErrorCodes.UniqueViolation or PostgresErrorCodes.ForeignKeyViolation
            } refused => TypedResults.Problem(
                statusCode: 422,
                title: "The database refused it.",
                detail: $"It would break {refused.ConstraintName}. Nothing was changed."
            ),
            NoMemberException => TypedResults.Problem(
                statusCode: 401,
                title: "You don't belong to this kitchen any more.",
                detail: "Load the page again; it opens another one of yours."
            ),
            CommitUnsureException => TypedResults.Problem(
                statusCode: 503,
                title: "The answer of the database was lost.",
                detail: "Nobody knows yet whether it was kept. Try again: the same edit is never done twice."
            ),
            _ when IsBusy(exception) => TypedResults.Problem(
                statusCode: 503,
                title: "Too much is going on here at the moment.",
                detail: "Nothing was changed. Try again in a moment."
            ),
            _ => TypedResults.Problem(
                statusCode: 500,
                title: "Something went wrong here.",
                detail: "Nothing was changed. Try again; the log has the details."
            ),
        };

    /// <summary>A word of an address that cannot stand there, without the names that types have in here.</summary>
    internal static ProblemHttpResult Unbindable(string field, string value, string type) =>
        TypedResults.Problem(
            statusCode: StatusCodes.Status400BadRequest,
            title: $"“{value[..Math.Min(value.Length, 60)]}” cannot stand there.",
            detail: type.Contains("Date", StringComparison.Ordinal) ? "In an address a day is written as year-month-day: 2026-11-28."
                : type.Contains("Guid", StringComparison.Ordinal) ? "Open it from a list, so that the address is whole."
                : "In an address a number is written in digits, with a point for its decimal mark.",
            extensions: new Dictionary<string, object?>
            {
                ["code"] = "unreadable",
                ["field"] = JsonNamingPolicy.CamelCase.ConvertName(field),
                ["value"] = value,
            }
        );

    [GeneratedRegex("^Failed to bind parameter \"(?<type>\\S+) (?<field>\\w+)\" from \"(?<value>.*)\"")]
    private static partial Regex Unbound();

    /// <summary>Which field it was, without the names that types have in here.</summary>
    private static ProblemHttpResult Unread(JsonException unread)
    {
        var missing = Missing().Match(unread.Message) is { Success: true } found
            ? found.Groups[1].Value.Replace("'", "", StringComparison.Ordinal)
            : null;
        var path = unread.Path is { Length: > 2 } at ? at[2..] : "";
        // A null names the field only in its words.
        var field =
            missing
            ?? (
                Named().Match(unread.Message) is { Success: true } named
                    ? JsonNamingPolicy.CamelCase.ConvertName(named.Groups[1].Value)
                    : path
            );
        return TypedResults.Problem(
            statusCode: StatusCodes.Status400BadRequest,
            title: missing is not null ? $"The request lacks {missing}." : "The request could not be read.",
            detail: missing is not null ? "Send every field."
                : unread.Message.StartsWith(KeepableText.Refused, StringComparison.Ordinal) ? $"{field}: {KeepableText.Refused}"
                : field.Length > 0 ? $"{field} holds what cannot stand there."
                : "It is no JSON of this form.",
            extensions: new Dictionary<string, object?> { ["code"] = "unreadable", ["field"] = field }
        );
    }

    [GeneratedRegex("including: '?(.+?)'?\\.( Path|$)")]
    private static partial Regex Missing();

    [GeneratedRegex("parameter '(\\w+)'")]
    private static partial Regex Named();

    /// <summary>No connection was free in time, or somebody else held what was needed for too long.</summary>
    private static bool IsBusy(Exception exception) =>
        exception switch
        {
            PostgresException
            {
                SqlState: PostgresErrorCodes.LockNotAvailable
                    or PostgresErrorCodes.DeadlockDetected
                    or PostgresErrorCodes.SerializationFailure
                    or PostgresErrorCodes.TooManyConnections
                    or PostgresErrorCodes.AdminShutdown
                    or PostgresErrorCodes.CannotConnectNow
            } => true,
            NpgsqlException { InnerException: TimeoutException or IOException or System.Net.Sockets.SocketException } => true,
            _ => false,
        };

    [LoggerMessage(Level = LogLevel.Error, Message = "Unexpected error")]
    private partial void LogUnexpected(Exception exception);
}
