namespace Merienda.Web.Hosting;

/// <summary>Headers on every answer. Scripts, styles and fonts come from here only, and nothing inline runs.</summary>
public sealed class SecurityHeaders(RequestDelegate next)
{
    private const string Policy =
        "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'none'";

    public Task InvokeAsync(HttpContext context)
    {
        context.Response.OnStarting(() =>
        {
            var headers = context.Response.Headers;
            headers.ContentSecurityPolicy = Policy;
            headers.XContentTypeOptions = "nosniff";
            headers["Referrer-Policy"] = "same-origin";
            headers["Cross-Origin-Opener-Policy"] = "same-origin";
            if (
                context.Request.Path.StartsWithSegments("/assets", StringComparison.Ordinal)
                && context.Response.StatusCode == StatusCodes.Status200OK
            )
            {
                // The file names carry a hash of their content.
                headers.CacheControl = "public, max-age=31536000, immutable";
            }
            else if (
                context.Request.Path.StartsWithSegments("/api/pictures", StringComparison.Ordinal)
                && context.Response.StatusCode == StatusCodes.Status200OK
            )
            {
                // A picture never changes under its id, and it is the household's own.
                headers.CacheControl = "private, max-age=31536000, immutable";
            }
            else if (context.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal))
            {
                headers.CacheControl = "no-store";
            }

            return Task.CompletedTask;
        });
        return next(context);
    }
}
