using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Weeks.Solving;
using Microsoft.AspNetCore.Http.HttpResults;
using static Merienda.Web.Weeks.WeekEdit;

namespace Merienda.Web.Weeks;

/// <summary>Many meals at once: a row, a day again, two days exchanged, a week copied, a portion that fills its day.</summary>
public static class DayEndpoints
{
    public static void MapDays(this RouteGroupBuilder weeks)
    {
        weeks.MapPost("/batches/{batch:guid}/row", PlaceRow).WithName("PlaceRow");
        weeks.MapPost("/items/{item:guid}/fit", Fit).WithName("FitDay");
        weeks.MapPost("/days/repeat", Repeat).WithName("RepeatDay");
        weeks.MapPost("/days/swap", Swap).WithName("SwapDays");
        weeks.MapPost("/days/shift", Shift).WithName("ShiftWithinDay");
        weeks.MapPost("/copy", Copy).WithName("CopyWeek");
    }

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> PlaceRow(Guid batch, RowRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
        {
            var diner = week.DinerAt(new(week.Plan.Start, request.Meal, request.EaterId));
            if (diner.Refusal is { } nobody)
            {
                return nobody;
            }

            var lots = week.LotsFor(batch, diner.Value);
            return lots.Refusal is { } stop
                ? stop
                : Said(
                    week.Plan.PlaceRow(batch, request.Meal, request.EaterId, diner.Value.PortionHabit, lots.Value, Guid.CreateVersion7),
                    $"Placed {week.LetterOf(batch)} in each {week.Plan.Rhythm.NameOf(request.Meal)}"
                );
        });

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Fit(Guid item, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
        {
            if (week.Plan.Find(item) is not (var serving, Draw))
            {
                return Said(week.Plan.ChangeSize(item, default, default), "");
            }

            var eater = week.Table.Diners.First(one => one.Id == serving.Cell.Eater);
            Verdict With(Draw draw)
            {
                var items = serving.Items.Select(one => one.Id == item ? draw : one).ToList();
                var plan = week.Plan with
                {
                    Servings = [.. week.Plan.Servings.Select(one => one == serving ? one with { Items = items } : one)],
                };
                var day = new WeekView(week with { Plan = plan }, edit.Knowledge).Ledger[serving.Cell.Date, eater.Id];
                // What cannot be told whatever the size is no reason to eat less of this.
                return day.Findings.Any(finding =>
                    finding.Verdict is Verdict.Breaks or Verdict.TooClose && finding.Limit?.AtMost is not null
                )
                    ? Verdict.Breaks
                    : Verdict.Fits;
            }

            return Said(week.Plan.FitDay(item, With), $"Fitted {week.NameOf(item)} to its day");
        });

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Repeat(TwoDaysRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
            Said(
                week.Plan.RepeatDay(request.From, request.To, week.Seats, Guid.CreateVersion7),
                $"Repeated {request.From:ddd} on {request.To:ddd}"
            )
        );

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Swap(TwoDaysRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week => Said(week.Plan.SwapDays(request.From, request.To), $"Swapped {request.From:ddd} and {request.To:ddd}"));

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Shift(ShiftRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
        {
            if (MeasureInfo.WithKey(request.Measure) is not { } measure)
            {
                return MealShift.NotShifted(request.Measure);
            }

            foreach (var meal in new[] { request.From, request.To })
            {
                var cell = new Cell(request.Day, meal, request.EaterId);
                if ((week.DinerAt(cell).Refusal ?? week.Plan.WrongCell(null, cell)) is { } nobody)
                {
                    return nobody;
                }
            }

            var view = new WeekView(week, edit.Knowledge);
            var asked = new ShiftAsked(request.Day, request.EaterId, measure.Measure, request.From, request.To);
            return week
                .Plan.Shift(asked, view.Ledger[request.Day, request.EaterId], SolveQuestions.OnMeals(view), week.Table.Today)
                .Select(shifted => (shifted.Plan, shifted.Says));
        });

    private static async Task<Results<Ok<CopiedWeek>, ProblemHttpResult>> Copy(
        DateOnly date,
        CopyWeekRequest request,
        Editing editing,
        WeekStore weeks
    ) =>
        // The ends of the calendar have no week round them.
        editing.Answer(
            (
                await weeks.Copy(editing, date, request.To.Year is < 2000 or > 2100 ? date : request.To, request.WithMeals, request.Batches)
            ).Select(edited => edited.Select(copied => new CopiedWeek(copied.Start, copied.Batches, copied.Placed, copied.Left)))
        );
}
