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

    /// <summary>
    /// Gives ids to what an edit makes. The first thing bears the edit's own, so that a page can speak of it before the answer is there.
    /// </summary>
    public Func<Guid> Ids()
    {
        var isFirst = true;
        return () =>
        {
            var id = isFirst ? Editing.Stamp.EditId : Guid.CreateVersion7();
            isFirst = false;
            return id;
        };
    }

    internal static Result<(WeekPlan, string)> Said(Result<WeekPlan> plan, string summary) => plan.Select(decided => (decided, summary));
}
