using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Merienda.Web.Groups;

/// <summary>What members ask of a group and its desk answers.</summary>
public static class QuestionEndpoints
{
    /// <summary>A picture of 40 MB is read, as base64, so that it is answered in words.</summary>
    private const int MostRead = 60_000_000;

    public static void MapQuestions(this RouteGroupBuilder groups)
    {
        groups.MapGet("/{group:guid}/questions", All).WithName("GetQuestions");
        groups.MapGet("/{group:guid}/questions/like", Like).WithName("FindQuestions");
        groups.MapPost("/{group:guid}/questions", Ask).WithName("AskQuestion").WithMetadata(new RequestSizeLimitAttribute(MostRead));
        groups.MapDelete("/{group:guid}/questions/{id:guid}", TakeBack).WithName("TakeQuestionBack");
        groups.MapPut("/{group:guid}/questions/{id:guid}/too", AskToo).WithName("AskQuestionToo");
        groups.MapPost("/{group:guid}/questions/{id:guid}/report", Report).WithName("ReportQuestion");
        groups
            .MapGet("/{group:guid}/questions/{id:guid}/picture", Picture)
            .WithName("GetQuestionPicture")
            .Produces<byte[]>(contentType: "image/jpeg");
        groups.MapGet("/asked", AtDesk).WithName("GetAskedQuestions");
        groups.MapPut("/asked/{id:guid}", Answer).WithName("AnswerQuestion");
        groups.MapPut("/help", SayHelp).WithName("SayHelp");
    }

    private static async Task<Ok<QuestionPage>> All(Guid group, CurrentTenant tenant, Database database)
    {
        var (questions, help) = await database.Read(tenant, QuestionReading.Of(group).And(QuestionReading.HelpOf(group)));
        return TypedResults.Ok(
            new QuestionPage(
                [.. questions.OrderByDescending(one => one.Question.IsPinned).Select(one => ToSheet(one, isAtDesk: false))],
                help,
                Care.ClaimCaution
            )
        );
    }

    /// <summary>What was asked before that is like what somebody is about to ask.</summary>
    private static async Task<Ok<IReadOnlyList<QuestionSheet>>> Like(Guid group, string words, CurrentTenant tenant, Database database)
    {
        var questions = await database.Read(tenant, QuestionReading.Of(group));
        return TypedResults.Ok<IReadOnlyList<QuestionSheet>>([
            .. QuestionSearch
                .Like(words, questions, one => $"{one.Question.Words} {one.Question.Answer} {one.About.Dish}")
                .Take(3)
                .Select(one => ToSheet(one, isAtDesk: false)),
        ]);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Ask(
        Guid group,
        AskRequest request,
        Editing editing,
        QuestionStore questions,
        TimeProvider clock
    )
    {
        (byte[] Large, byte[] Small)? picture = null;
        if (request.Picture.Length > 0)
        {
            var read = Read(request.Picture);
            if (read.Refusal is { } refusal)
            {
                return refusal.ToProblem();
            }

            picture = (read.Value.Large, read.Value.Small);
        }

        return GroupEndpoints.DoneOutside(
            await questions.Ask(
                GroupEndpoints.At(editing, group),
                request.Words,
                new(request.Menu, request.Day, request.Dish.Trim()),
                request.IsNamed,
                picture,
                clock.GetUtcNow()
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> TakeBack(
        Guid group,
        Guid id,
        Editing editing,
        QuestionStore questions
    ) => GroupEndpoints.DoneOutside(await questions.TakeBack(GroupEndpoints.At(editing, group), id));

    private static async Task<Results<NoContent, ProblemHttpResult>> AskToo(
        Guid group,
        Guid id,
        TooRequest request,
        Editing editing,
        QuestionStore questions
    ) => GroupEndpoints.DoneOutside(await questions.AskToo(GroupEndpoints.At(editing, group), id, request.IsAsked));

    private static async Task<Results<NoContent, ProblemHttpResult>> Report(
        Guid group,
        Guid id,
        ReportRequest request,
        Editing editing,
        QuestionStore questions
    ) => GroupEndpoints.DoneOutside(await questions.Report(GroupEndpoints.At(editing, group), id, request.Why));

    private static async Task<Results<FileContentHttpResult, NotFound>> Picture(
        Guid group,
        Guid id,
        CurrentTenant tenant,
        QuestionReading questions,
        bool small = false
    ) =>
        await questions.Picture(tenant, group, id, small) is { } picture
            ? TypedResults.File(picture, "image/jpeg")
            : TypedResults.NotFound();

    private static async Task<Ok<QuestionPage>> AtDesk(CurrentTenant tenant, Database database)
    {
        var (questions, help) = await database.Read(tenant, QuestionReading.AtDesk.And(QuestionReading.HelpOf(tenant.Tenant.Household)));
        var sheets = questions.Select(one => ToSheet(one, isAtDesk: true)).ToList();
        return TypedResults.Ok(
            new QuestionPage(
                [
                    // Harm first, then what was reported, then what waits.
                    .. sheets
                        .OrderByDescending(one =>
                            !one.IsHidden && one.Answer.Length == 0 && one.Care.Any(mark => mark.Kind == CareKind.Harm)
                        )
                        .ThenByDescending(one => !one.IsHidden && one.Reports.Count > 0)
                        .ThenByDescending(one => !one.IsHidden && one.Answer.Length == 0)
                        .ThenByDescending(one => one.Too)
                        .ThenBy(one => one.Answer.Length == 0 ? one.AskedAt.UtcTicks : -one.AskedAt.UtcTicks),
                ],
                help,
                Care.ClaimCaution
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Answer(
        Guid id,
        AnswerRequest request,
        Editing editing,
        QuestionStore questions,
        TimeProvider clock
    ) => editing.Done(await questions.Answer(editing, id, request.Answer, request.IsPinned, request.IsHidden, clock.GetUtcNow()));

    private static async Task<Results<NoContent, ProblemHttpResult>> SayHelp(
        HelpRequest request,
        Editing editing,
        QuestionStore questions
    ) => editing.Done(await questions.SayHelp(editing, request.Help));

    private static Result<Picture> Read(string base64)
    {
        var bytes = new byte[base64.Length * 3 / 4];
        return bytes.Length > PictureFile.MostBytes ? PictureFile.TooLarge(bytes.Length)
            : Convert.TryFromBase64String(base64, bytes, out var length) ? PictureFile.Read(bytes[..length])
            : PictureFile.Read([]);
    }

    private static QuestionSheet ToSheet(StoredQuestion stored, bool isAtDesk) =>
        new(
            stored.Question.Id,
            stored.Question.Words,
            stored.About.Menu,
            stored.About.Day,
            stored.About.Dish,
            stored.By,
            stored.IsOwn,
            stored.AskedAt,
            stored.Question.Answer,
            stored.Question.IsPinned,
            stored.Question.IsHidden,
            stored.Too,
            stored.IsAskedToo,
            stored.Picture is not null,
            isAtDesk || stored.IsOwn ? Care.In(stored.Question.Words) : [],
            stored.Reports
        );
}
