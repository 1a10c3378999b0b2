using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>What an eater follows and states.</summary>
internal static class FollowedProtocols
{
    public static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.UtcNow);

    public static async Task<Guid> Follow(Visitor cook, params string[] protocols)
    {
        var eater = (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        await cook.Must(HttpMethod.Put, $"/api/table/eaters/{eater}/protocols", new { protocols });
        return eater;
    }

    public static Task<JsonNode> State(Visitor cook, Guid eater, string protocol, string rule, decimal? atMost, string? from = null) =>
        cook.Must(
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/allowance",
            new
            {
                protocol,
                rule,
                atLeast = (decimal?)null,
                atMost,
                from,
                clinicalTeam = false,
            }
        );
}
