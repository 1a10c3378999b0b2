using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Net.Http.Headers;

namespace Merienda.Web.Hosting;

/// <summary>Refuses in words what no endpoint could read: an address with U+0000 in it, a body in letters that nobody knows.</summary>
public sealed partial class ReadableRequest(RequestDelegate next)
{
    private static readonly string[] Charsets = ["utf-8", "utf-16", "us-ascii", "iso-8859-1"];

    public Task InvokeAsync(HttpContext context) => Unreadable(context.Request)?.ExecuteAsync(context) ?? next(context);

    private static ProblemHttpResult? Unreadable(HttpRequest request)
    {
        if (Holds(request.Path.Value) || request.Query.Any(item => Holds(item.Key) || item.Value.Any(Holds)))
        {
            return TypedResults.Problem(
                statusCode: StatusCodes.Status400BadRequest,
                title: "The address holds a character that cannot be kept.",
                detail: "Take U+0000 out of it."
            );
        }

        // "0,5" would be taken for five.
        if (request.Query.FirstOrDefault(item => !Words.Contains(item.Key) && item.Value.Any(IsParted)) is { Key: not null } parted)
        {
            return UnexpectedErrors.Unbindable(parted.Key, $"{parted.Value}", "number");
        }

        return
            request.ContentType is { } type
            && (!MediaTypeHeaderValue.TryParse(type, out var media) || media.Charset is { Length: > 0 } charset && !IsKnown(charset.Value!))
            ? TypedResults.Problem(
                statusCode: StatusCodes.Status415UnsupportedMediaType,
                title: $"The Content-Type \"{type[..Math.Min(type.Length, 80)]}\" cannot be read.",
                detail: "Send application/json in UTF-8."
            )
            : null;
    }

    /// <summary>What of an address is words that people type.</summary>
    private static readonly HashSet<string> Words = new(StringComparer.OrdinalIgnoreCase)
    {
        "search",
        "query",
        "collection",
        "variant",
        "as",
    };

    private static bool IsParted(string? value) => value is not null && Parted().IsMatch(value);

    [GeneratedRegex(@"^-?\d+,\d+$")]
    private static partial Regex Parted();

    private static bool IsKnown(string charset) => Charsets.Contains(charset.Trim('"'), StringComparer.OrdinalIgnoreCase);

    private static bool Holds(string? text) => text?.Contains('\0', StringComparison.Ordinal) == true;
}
