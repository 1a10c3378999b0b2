using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Larder;

/// <summary>What the household's words mean: learnt where a food was chosen for them, used from then on, forgotten on demand.</summary>
/// <param name="Words">In the form that lines are matched in.</param>
/// <param name="FoodName">Null when the food is no more.</param>
public sealed record LearntRow(string Words, string FoodKey, string? FoodName, DateTimeOffset LearntAt);

public static class WordEndpoints
{
    public static void MapWords(this RouteGroupBuilder larder)
    {
        larder.MapGet("/words", All).WithName("GetLearntWords");
        larder.MapDelete("/words", Forget).WithName("ForgetWord");
    }

    private static async Task<Ok<IReadOnlyList<LearntRow>>> All(CurrentTenant tenant, Database database, PacketStore packets)
    {
        var foods = await database.Read(tenant, packets.Foods);
        return TypedResults.Ok<IReadOnlyList<LearntRow>>([
            .. foods.Learnt.Select(word => new LearntRow(
                word.Words,
                word.FoodKey,
                foods.Matcher.WithKey(word.FoodKey)?.Name,
                word.LearntAt
            )),
        ]);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Forget(string words, Editing editing, LearntWords learnt) =>
        editing.Done(await learnt.Forget(editing, words));
}
