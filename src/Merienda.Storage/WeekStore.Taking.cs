using Merienda.Core.Filling;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>Many batches and meals that come into a week as one edit.</summary>
public sealed partial class WeekStore
{
    /// <summary>Takes what a search proposes for a week, all of it but some meals, as one edit.</summary>
    /// <param name="job">As it was seen; another one by now is not taken.</param>
    public Task<Result<Edited<TView>>> Take<TView>(
        EditStamp stamp,
        DateOnly weekStart,
        Guid job,
        IReadOnlySet<Cell> without,
        Func<StoredWeek, TView> draw
    ) =>
        door.Edit<
            (((StoredWeek Week, IReadOnlyList<StoredRecipe> Library) Known, IReadOnlyList<WeekProtocolRow> Pins), SolveJob? Job),
            bool,
            TView
        >(
            stamp,
            Journal.Batch,
            weeks.Of(weekStart).And(recipes.All).And(ProtocolStore.Pins(weekStart)).And(SolveJobs.Of(weekStart)),
            locked =>
            {
                var (((week, library), pins), solved) = locked;
                var change = solved?.Found.Change.Without(without);
                if (solved?.Id != job || change is null or { IsEmpty: true })
                {
                    return new Refusal(
                        "nothing-to-take",
                        "job",
                        job.ToString(),
                        solved?.Id == job ? "it proposes nothing, or every meal is left out" : "it is over, or another one was asked for",
                        "Let the week be solved again"
                    );
                }

                return TakenChange
                    .Of(week, change, library, Guid.CreateVersion7)
                    .Select(taken =>
                    {
                        var rows = taken.Made.Select(made => NewRow(made.Batch, made.Recipe)).ToList();
                        var summary = SolveJobs.SaysTaken(solved.Kind, change.Cells);
                        return new Decided<bool>(Cooked(week, taken.Week.Plan, summary, rows, pins), true);
                    });
            },
            _ => SolveJobs.Over(job).And(weeks.After(weekStart)).Select(taken => draw(taken.Second))
        );

    /// <summary>Takes many batches and meals into a week as one edit.</summary>
    /// <param name="decide">What comes into the week as it is now, with the recipes of the library, and what was put there before.</param>
    public Task<Result<Edited<TView>>> TakeIn<TView>(
        EditStamp stamp,
        DateOnly weekStart,
        string summary,
        MenuTakenRow menu,
        Func<StoredWeek, IReadOnlyList<StoredRecipe>, MenuTakenRow?, Result<WeekChange>> decide,
        Func<StoredWeek, TView> draw
    ) =>
        door.Edit<
            (
                ((StoredWeek Week, IReadOnlyList<StoredRecipe> Library) Known, IReadOnlyList<WeekProtocolRow> Pins) Home,
                IReadOnlyList<MenuTakenRow> Taken
            ),
            bool,
            TView
        >(
            stamp,
            Journal.Batch,
            weeks.Of(weekStart).And(recipes.All).And(ProtocolStore.Pins(weekStart)).And(MenuStore.Taken),
            locked =>
            {
                var (((week, library), pins), taken) = locked;
                var was = taken.FirstOrDefault(one =>
                    (one.WeekStart, one.GroupId, one.MenuId) == (menu.WeekStart, menu.GroupId, menu.MenuId)
                );
                var decided = decide(week, library, was);
                return decided.Refusal is { } refusal
                    ? refusal
                    : TakenChange
                        .Of(week, decided.Value, library, Guid.CreateVersion7)
                        .Select(done => new Decided<bool>(
                            Cooked(
                                    week,
                                    done.Week.Plan.CookingLess(week.Plan, decided.Value, week.Table.Today),
                                    summary,
                                    [.. done.Made.Select(made => NewRow(made.Batch, made.Recipe))],
                                    pins
                                )
                                .Put(Tables.MenuTaken, was, menu),
                            true
                        ));
            },
            _ => weeks.After(weekStart).Select(draw)
        );
}
