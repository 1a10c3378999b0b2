using Merienda.Core.Planning;
using Merienda.Core.Sessions;
using Merienda.Core.Shopping;
using Merienda.Web.Hosting;
using Merienda.Web.Weeks.Cooking;

namespace Merienda.Web.Weeks.Logging;

/// <param name="IsSaid">Whether something was said of all that was planned on that day.</param>
public sealed record BackDay(DateOnly Date, decimal Planned, decimal Eaten, bool IsSaid);

/// <summary>A limit of the day over the days that are over, in its unit.</summary>
public sealed record BackRuler(
    string Rule,
    string Title,
    string Unit,
    int Decimals,
    decimal? AtLeast,
    decimal? AtMost,
    IReadOnlyList<BackDay> Days
);

/// <summary>How many of an eater's things were planned and what became of them.</summary>
public sealed record BackEater(
    Guid Id,
    string Name,
    int Planned,
    int Eaten,
    int InPart,
    int LeftOut,
    int Unsaid,
    int Besides,
    IReadOnlyList<BackRuler> Rulers
);

/// <param name="PlannedG">By the recipe; null where nobody knows.</param>
/// <param name="WeighedG">Null while nobody weighed it.</param>
public sealed record BackPart(string Name, decimal? PlannedG, int? WeighedG);

/// <param name="Left">Portions that are still there.</param>
/// <param name="PlannedMinutes">Of the steps of which is known how long they took; null where it is of none.</param>
/// <param name="Again">Whether it is cooked again; null while nobody said.</param>
public sealed record BackBatch(
    Guid Id,
    string Letter,
    string Tape,
    Guid RecipeId,
    string Name,
    decimal Portions,
    decimal Left,
    IReadOnlyList<BackPart> Parts,
    int? PlannedMinutes,
    int? TookMinutes,
    string Note,
    bool? Again
);

/// <param name="Days">The days of the week that are over, and today.</param>
/// <param name="PricesSay">Where the costs of what was thrown away come from; may be empty.</param>
public sealed record LookBackPage(
    DateOnly Start,
    DateOnly Today,
    IReadOnlyList<DateOnly> Days,
    IReadOnlyList<BackEater> Eaters,
    IReadOnlyList<BackBatch> Batches,
    IReadOnlyList<ShelfWaste> Wasted,
    string PricesSay
);

/// <summary>The week when it is over: planned against eaten, what batches weighed and took, what was thrown away, what was good.</summary>
public static class LookBackPages
{
    public static LookBackPage ToLookBack(this WeekView week, IReadOnlyList<Price> prices)
    {
        List<DateOnly> days = [.. week.Days.Where(day => day <= week.Table.Today)];
        List<WasServed> served = [.. week.Plated.Select(one => new WasServed(one.Serving.Cell, one.Planned, one.Item.IsExtra, one.Share))];
        var timed = week
            .CookedForIt.GroupBy(batch => batch.Cooked)
            .SelectMany(session => Timed(week, session.Key, [.. session]))
            .ToLookup(one => one.Batch, one => one);
        var (wasted, says) = ShelfPages.WastedOf(week, prices);
        return new(
            week.Start,
            week.Table.Today,
            days,
            [
                .. week
                    .Eaters.Where(eater => !week.Table.WithId(eater.Id)!.IsGuest)
                    .Select(eater => ToEater(LookedBack.Of(eater, days, week.Plan.Meals, served))),
            ],
            [
                .. week
                    .CookedForIt.Where(batch => batch.Cooked <= week.Table.Today)
                    .Select(batch => ToBatch(week, batch, [.. timed[batch.Id]])),
            ],
            wasted,
            says
        );
    }

    private static BackEater ToEater(LookedBack back) =>
        new(
            back.Eater.Id,
            back.Eater.Name,
            back.Planned,
            back.Eaten,
            back.InPart,
            back.LeftOut,
            back.Unsaid,
            back.Besides,
            [
                .. back.Rulers.Select(ruler => new BackRuler(
                    ruler.Last.Rule,
                    ruler.Last.Title,
                    ruler.Last.Scale!.Unit,
                    ruler.Last.Scale.Decimals,
                    ruler.Last.Limit!.AtLeast,
                    ruler.Last.Limit.AtMost,
                    [.. ruler.Days.Select(day => new BackDay(day.Date, Shown.Round(day.Planned), Shown.Round(day.Eaten), day.IsSaid))]
                )),
            ]
        );

    private static BackBatch ToBatch(WeekView week, Batch batch, List<(Guid Batch, int Planned, int Took)> timed)
    {
        var recipe = week.RecipeOf(batch);
        var remark = week.RemarkOn(batch.Id, "");
        var left = batch.PortionedOn is null ? batch.Portions : week.Plan.ContainersOf(batch.Id).Sum(box => week.Plan.StateOf(box).Left);
        return new(
            batch.Id,
            batch.Letter,
            WeekView.Tape(batch),
            recipe.RecipeId,
            recipe.Version.Name,
            batch.Portions,
            Shown.Round(left),
            [
                .. batch.Parts.Select(part => new BackPart(
                    part,
                    batch.PlannedOf(part) is { } grams ? Math.Round(grams) : null,
                    batch.Yields.FirstOrDefault(one => one.Part == part)?.NetG
                )),
            ],
            timed.Count == 0 ? null : timed.Sum(one => one.Planned),
            timed.Count == 0 ? null : timed.Sum(one => one.Took),
            remark?.Note ?? "",
            remark?.Again
        );
    }

    /// <summary>The steps of a session of which is known how long they took: as somebody said, else by the clock.</summary>
    private static IEnumerable<(Guid Batch, int Planned, int Took)> Timed(WeekView week, DateOnly date, IReadOnlyList<Batch> cooked)
    {
        var cooks = week.Plan.Sessions.First(session => session.Date == date).Cooks;
        var steps = SessionPages.StepsOf(week, cooked, week.Kitchen.ForSession(cooks));
        var clock = SessionRun.Took([.. steps.Select(step => week.RunOf(step.Batch, step.Key))], cooks);
        return steps
            .Select((step, at) => (step.Batch, step.Planned, Took: week.RemarkOn(step.Batch, step.Key)?.Minutes ?? clock[at]))
            .Where(step => step.Took is not null)
            .Select(step => (step.Batch, step.Planned, step.Took!.Value));
    }
}
