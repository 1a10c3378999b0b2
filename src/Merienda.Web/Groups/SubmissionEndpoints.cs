using System.Text.Json;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Recipes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Groups;

/// <summary>Recipes that members bring, as they send them from their kitchens.</summary>
public static class SubmissionEndpoints
{
    public static void MapSubmissions(this RouteGroupBuilder groups)
    {
        groups.MapGet("/submissions", Own).WithName("GetOwnSubmissions");
        groups.MapPost("/{group:guid}/submissions", Send).WithName("SubmitRecipe");
        groups.MapPut("/{group:guid}/submissions/{id:guid}", SendAgain).WithName("SubmitRecipeAgain");
        groups.MapDelete("/{group:guid}/submissions/{id:guid}", TakeBack).WithName("TakeSubmissionBack");
    }

    private static async Task<Ok<IReadOnlyList<OwnSubmission>>> Own(CurrentTenant tenant, [AsParameters] QueueEndpoints.Desk desk) =>
        TypedResults.Ok<IReadOnlyList<OwnSubmission>>([
            .. (await desk.Database.Read(tenant, SubmissionStore.Own)).Select(one => new OwnSubmission(
                one.Submission.Id,
                one.Group,
                QueueEndpoints.NameIn(one.Content, desk),
                one.SentAt,
                one.Submission.State,
                one.Submission.Reply
            )),
        ]);

    private static Task<Results<NoContent, ProblemHttpResult>> Send(
        Guid group,
        SubmissionRequest request,
        Editing editing,
        [AsParameters] QueueEndpoints.Desk desk
    ) => Put(group, null, request, editing, desk);

    private static Task<Results<NoContent, ProblemHttpResult>> SendAgain(
        Guid group,
        Guid id,
        SubmissionRequest request,
        Editing editing,
        [AsParameters] QueueEndpoints.Desk desk
    ) => Put(group, id, request, editing, desk);

    private static async Task<Results<NoContent, ProblemHttpResult>> Put(
        Guid group,
        Guid? id,
        SubmissionRequest request,
        Editing editing,
        QueueEndpoints.Desk desk
    )
    {
        var library = await desk.Database.Read(editing.Tenant, desk.Recipes.All);
        if (library.FirstOrDefault(recipe => recipe.RecipeId == request.Recipe) is not { } recipe)
        {
            return RecipeStore.Gone(request.Recipe).ToProblem();
        }

        var byVersion = library.ToDictionary(one => one.VersionId);
        var content = new[] { recipe }
            .Concat(UsedBy(recipe.Version).Distinct().Select(byVersion.GetValueOrDefault).OfType<StoredRecipe>())
            // A note is between those who cook there.
            .Select(BroughtRecipes.Of)
            .Select(one => one with { Draft = one.Draft with { Note = "" } })
            .ToList();
        var sent = await desk.Submissions.Send(
            GroupEndpoints.At(editing, group),
            id,
            request.IsNamed,
            request.Words,
            JsonSerializer.SerializeToNode(content, desk.Json.Value.SerializerOptions)!,
            desk.Clock.GetUtcNow()
        );
        return GroupEndpoints.DoneOutside(sent);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> TakeBack(
        Guid group,
        Guid id,
        Editing editing,
        [AsParameters] QueueEndpoints.Desk desk
    ) => GroupEndpoints.DoneOutside(await desk.Submissions.TakeBack(GroupEndpoints.At(editing, group), id));

    private static IEnumerable<Guid> UsedBy(RecipeVersion recipe) =>
        recipe.Uses.SelectMany(use => UsedBy(use.Of.Of).Prepend(use.Of.Version));
}
