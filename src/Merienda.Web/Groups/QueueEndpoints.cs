using System.Text.Json;
using System.Text.Json.Nodes;
using Merienda.Core.Claims;
using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Recipes;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Extensions.Options;

namespace Merienda.Web.Groups;

/// <summary>The queue of what members bring: recomputed in the group's terms before anybody looks, answered at the desk.</summary>
public static class QueueEndpoints
{
    /// <summary>Phrases that are offered again.</summary>
    private const int MostPhrases = 6;

    /// <summary>What the endpoints work with.</summary>
    public sealed record Desk(
        Database Database,
        RecipeStore Recipes,
        HouseholdStore Households,
        PacketStore Packets,
        KnowledgeBase Knowledge,
        SubmissionStore Submissions,
        TimeProvider Clock,
        IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> Json
    )
    {
        internal IReadOnlyList<RecipeToBring> Read(JsonNode content) =>
            content.Deserialize<List<RecipeToBring>>(Json.Value.SerializerOptions)!;
    }

    /// <summary>How the desk reads a submission: with its own foods, recipes, rules and points.</summary>
    private sealed record Kitchen(
        HouseholdFoods Foods,
        Cookbook Recipes,
        Core.Planning.Table Table,
        IReadOnlyList<Strand> Strands,
        IReadOnlySet<string> Names
    );

    public static void MapQueue(this RouteGroupBuilder groups)
    {
        groups.MapGet("/queue", Queue).WithName("GetSubmissionQueue");
        groups.MapGet("/queue/{id:guid}", One).WithName("GetSubmission");
        groups.MapPost("/queue/{id:guid}/ask-back", AskBack).WithName("AskSubmissionBack");
        groups.MapPost("/queue/{id:guid}/decline", Decline).WithName("DeclineSubmission");
        groups.MapPost("/queue/{id:guid}/take-up", TakeUp).WithName("TakeSubmissionUp");
    }

    private static async Task<Ok<SubmissionList>> Queue(CurrentTenant tenant, [AsParameters] Desk desk)
    {
        var all = await desk.Database.Read(tenant, SubmissionStore.AtDesk);
        var kitchen = await KitchenOf(tenant, [.. all.Where(one => one.Submission.IsOpen).Select(one => one.Content)], desk);
        var read = all.Select(one => Of(one, kitchen, desk)).ToList();
        return TypedResults.Ok(
            new SubmissionList(
                [
                    .. read.OrderBy(one =>
                            one.Sheet.State switch
                            {
                                SubmissionState.Waiting => 0,
                                SubmissionState.AskedBack => 1,
                                _ => 2,
                            }
                        )
                        // What can't be read at all is the worst; then by what was found.
                        .ThenByDescending(one => one.Sheet.Problem is not null)
                        .ThenByDescending(one => one.Review?.Weight ?? default)
                        .ThenBy(one => one.Sheet.Review is null ? -one.Sheet.SentAt.UtcTicks : one.Sheet.SentAt.UtcTicks)
                        .Select(one => one.Sheet),
                ],
                [
                    .. all.Where(one => one.Submission.Reply.Length > 0)
                        .GroupBy(one => one.Submission.Reply)
                        .OrderByDescending(same => same.Count())
                        .ThenByDescending(same => same.Max(one => one.SentAt))
                        .Take(MostPhrases)
                        .Select(same => same.Key),
                ],
                all.Count(one => one.Submission.State == SubmissionState.Waiting)
            )
        );
    }

    private static async Task<Results<Ok<SubmissionPage>, ProblemHttpResult>> One(Guid id, CurrentTenant tenant, [AsParameters] Desk desk)
    {
        if (await desk.Database.Read(tenant, SubmissionStore.One(id)) is not { } found)
        {
            return SubmissionStore.Gone(id).ToProblem();
        }

        var kitchen = await KitchenOf(tenant, [found.Content, .. found.Before is { } before ? [before] : Array.Empty<JsonNode>()], desk);
        var now = Read(found.Content, kitchen, desk);
        var then = found.Before is { } sent ? Read(sent, kitchen, desk) : now;
        return TypedResults.Ok(
            new SubmissionPage(
                Of(found, kitchen, desk).Sheet,
                now.IsRefused
                    ? null
                    : RecipeSheets.ToSheet(
                        now.Value,
                        null,
                        kitchen.Table,
                        kitchen.Foods.Matcher,
                        desk.Knowledge,
                        new Dictionary<Guid, Guid>()
                    ),
                now.IsRefused || then.IsRefused ? [] : VersionDiff.Of(then.Value.Version, now.Value.Version)
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> AskBack(
        Guid id,
        ReplyRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        editing.Done(
            await desk.Submissions.Answer(
                editing,
                id,
                one => one.AskBack(request.Reply),
                "Asked back about a recipe",
                desk.Clock.GetUtcNow()
            )
        );

    private static async Task<Results<NoContent, ProblemHttpResult>> Decline(
        Guid id,
        ReplyRequest request,
        Editing editing,
        [AsParameters] Desk desk
    ) =>
        editing.Done(
            await desk.Submissions.Answer(editing, id, one => one.Decline(request.Reply), "Declined a recipe", desk.Clock.GetUtcNow())
        );

    /// <summary>Into the desk's library, with what it uses that is not there yet; it keeps the name it is given.</summary>
    private static async Task<Results<Ok<TakenUpSheet>, ProblemHttpResult>> TakeUp(
        Guid id,
        TakeUpRequest request,
        Editing editing,
        [AsParameters] Desk desk
    )
    {
        if (await desk.Database.Read(editing.Tenant, SubmissionStore.One(id)) is not { } found)
        {
            return SubmissionStore.Gone(id).ToProblem();
        }

        var brought = desk.Read(found.Content)
            .Select((one, at) => at == 0 ? one with { Draft = one.Draft with { Name = request.Name } } : one)
            .ToList();
        var name = request.Name.Trim();
        var taken = await desk.Submissions.TakeUp(
            editing,
            (id, name),
            desk.Recipes.Cookbook(BroughtRecipes.UsesOf(brought), null),
            (foods, recipes) =>
                recipes.Named(name) is not null
                    ? new Refusal(
                        "recipe-name-there",
                        "name",
                        name,
                        "a recipe of this name is in the library",
                        "Give this one another name"
                    )
                    : BroughtRecipes.Read(
                        [.. brought.Where(one => recipes.Named(one.Draft.Name) is null)],
                        foods.Matcher,
                        recipes,
                        _ => null
                    ),
            desk.Clock.GetUtcNow()
        );
        return editing.Answer(taken.Select(edited => edited.Select(recipe => new TakenUpSheet(recipe))));
    }

    private static async Task<Kitchen> KitchenOf(CurrentTenant tenant, IReadOnlyList<JsonNode> contents, Desk desk)
    {
        var uses = BroughtRecipes.UsesOf([.. contents.SelectMany(desk.Read)]);
        var ((((foods, recipes), table), shares), library) = await desk.Database.Read(
            tenant,
            desk.Packets.Foods.And(desk.Recipes.Cookbook(uses, null)).And(desk.Households.Table()).And(ShareStore.All).And(desk.Recipes.All)
        );
        return new(
            foods,
            recipes,
            table,
            ShareEndpoints.StrandsOf(shares, table),
            library.Select(recipe => recipe.Version.Name).ToHashSet(Cookbook.SameName)
        );
    }

    private static Result<StoredRecipe> Read(JsonNode content, Kitchen kitchen, Desk desk) =>
        BroughtRecipes.Each(desk.Read(content), kitchen.Foods.Matcher, kitchen.Recipes, _ => null)[0];

    private static (SubmissionSheet Sheet, SubmissionReview? Review) Of(StoredSubmission stored, Kitchen kitchen, Desk desk)
    {
        var submission = stored.Submission;
        var read = submission.IsOpen ? (Result<StoredRecipe>?)Read(stored.Content, kitchen, desk) : null;
        var recipe = read is { IsRefused: false } known ? known.Value.Version : null;
        var review = recipe is not null
            ? SubmissionReview.Of(recipe, stored.Words, kitchen.Strands, kitchen.Table.Knowledge.HouseScheme)
            : null;
        var name = NameIn(stored.Content, desk);
        return (
            new(
                submission.Id,
                name,
                stored.By,
                stored.SentAt,
                submission.Number,
                submission.State,
                submission.Reply,
                stored.Words,
                read?.Refusal is { } refusal ? $"{refusal.Reason}. {refusal.Cure}." : null,
                review is null ? null : ToSheet(review, recipe!, kitchen),
                stored.Recipe,
                kitchen.Names.Contains(name)
            ),
            review
        );
    }

    private static ReviewSheet ToSheet(SubmissionReview review, RecipeVersion recipe, Kitchen kitchen)
    {
        var classes = kitchen.Table.Knowledge.Classes;
        return new(
            review.Check.SaidMembers(),
            [
                .. review.Check.Reasons.Select(reason => new CheckReasonSheet(
                    reason.Verdict,
                    reason.Because,
                    DishCheck.Said(reason.Members)
                )),
            ],
            [.. review.Unknown.Select(line => new DoubtedLine(line.Line, line.Doubt))],
            [.. review.Claims.Select(claim => new DoubtedClaim(Stated(claim), claim.Because))],
            review.Care,
            review.Care.Any(mark => mark.Kind == CareKind.HealthClaim) ? Care.ClaimCaution : "",
            classes.AllergensOf(recipe.Ingredients.SelectMany(line => line.Meanings).SelectMany(meaning => meaning.Foods)),
            Shown.Short(new Helping(recipe.Name, recipe.Profile, 1), kitchen.Table.Diners, kitchen.Table.Knowledge.HouseScheme),
            recipe.Keeping.Name
        );
    }

    private static string Stated(ClaimFinding claim)
    {
        var info = ClaimInfo.Of(claim.Claim.What);
        return $"{info.Name} {info.Show(claim.Claim.Value)}";
    }

    internal static string NameIn(JsonNode content, Desk desk) => desk.Read(content)[0].Draft.Name;
}
