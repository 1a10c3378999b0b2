using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Weeks;

/// <summary>An edit of a week as it comes in: decided on the week as it is now, answered with the board as it is then.</summary>
public sealed record WeekEdit(DateOnly Date, Editing Editing, WeekStore Weeks, KnowledgeBase Knowledge)
{
    public WeekBoard Draw(StoredWeek stored) => new WeekView(stored, Knowledge).ToBoard();

    public async Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Decide(Func<StoredWeek, Result<(WeekPlan, string)>> decide) =>
        Editing.Answer(await Weeks.Edit(Editing, Date, decide, Draw));

    internal static Result<(WeekPlan, string)> Said(Result<WeekPlan> plan, string summary) => plan.Select(decided => (decided, summary));
}
