using System.Globalization;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Weeks.Logging;

public sealed record ShownWeight(DateOnly On, decimal Kg);

/// <param name="Newest">The newest first, 30 at most.</param>
/// <param name="Pace">What there is to know of how fast it falls, until somebody has seen it; mostly empty.</param>
public sealed record LogWeight(IReadOnlyList<ShownWeight> Newest, string Pace);

public sealed record WeighingRequest(bool IsOn);

/// <param name="Kg">20 to 400; null forgets what was noted for that day.</param>
public sealed record WeightRequest(DateOnly On, decimal? Kg);

/// <summary>Body weight, for who turned it on.</summary>
public static class WeightEndpoints
{
    private const int Most = 30;

    public static void MapWeights(this IEndpointRouteBuilder api)
    {
        var eaters = api.MapGroup("/table/eaters/{eater:guid}").WithTags("Log").RequireAuthorization();
        eaters
            .MapPut(
                "/weighing",
                async Task<Results<NoContent, ProblemHttpResult>> (
                    Guid eater,
                    WeighingRequest request,
                    Editing editing,
                    WeightStore weights
                ) => editing.Done(await weights.Turn(editing, eater, request.IsOn))
            )
            .WithName("TurnWeighing");
        eaters
            .MapPut(
                "/weight",
                async Task<Results<NoContent, ProblemHttpResult>> (
                    Guid eater,
                    WeightRequest request,
                    Editing editing,
                    WeightStore weights
                ) => editing.Done(await weights.Weigh(editing, eater, request.On, request.Kg))
            )
            .WithName("NoteWeight");
        eaters
            .MapPut(
                "/weighing/seen",
                async Task<Results<NoContent, ProblemHttpResult>> (Guid eater, Editing editing, WeightStore weights) =>
                    editing.Done(await weights.SeePace(editing, eater))
            )
            .WithName("SeeWeightPace");
    }

    public static LogWeight? ToLog(KeptWeight? kept) =>
        kept is null
            ? null
            : new(
                [.. kept.WeighIns.Take(Most).Select(one => new ShownWeight(one.On, one.Kg))],
                !kept.IsPaceSeen && BodyWeight.LossPerWeek(kept.WeighIns) is > BodyWeight.Fastest and { } pace
                    ? $"Over the last weeks {(pace * 100).ToString("0.#", CultureInfo.CurrentCulture)} % of body weight went each week. More than 1 % a week is faster than is usually advised: talk to a doctor or dietitian."
                    : ""
            );
}
