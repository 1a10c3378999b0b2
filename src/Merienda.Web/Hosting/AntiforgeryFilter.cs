using Microsoft.AspNetCore.Antiforgery;

namespace Merienda.Web.Hosting;

/// <summary>Every request that changes something carries the token that GET /api/account gave.</summary>
public sealed class AntiforgeryFilter(IAntiforgery antiforgery) : IEndpointFilter
{
    public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var request = context.HttpContext.Request;
        if (
            !HttpMethods.IsGet(request.Method)
            && !HttpMethods.IsHead(request.Method)
            && !await antiforgery.IsRequestValidAsync(context.HttpContext)
        )
        {
            return TypedResults.Problem(
                statusCode: 400,
                title: "The page is out of date.",
                detail: "Load it again; what you typed is kept where it can be.",
                extensions: new Dictionary<string, object?> { ["code"] = "antiforgery" }
            );
        }

        return await next(context);
    }
}
