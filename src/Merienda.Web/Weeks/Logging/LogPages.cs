using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks.Logging;

/// <summary>One eater's day as it goes.</summary>
public static class LogPages
{
    /// <param name="extras">What the eater had besides on other days.</param>
    public static LogPage ToLog(this WeekView week, DateOnly day, Eater eater, IReadOnlyList<string> extras, KeptWeight? weight)
    {
        var plated = week.Plated.Where(one => one.Serving.Cell.Date == day && one.Serving.Cell.Eater == eater.Id).ToList();
        var stands = week.Ledger[day, eater.Id];
        var eaten = EaterDay.Of(
            day,
            eater,
            week.Plan.Meals,
            plated.Where(one => one.EatenHelping is not null).ToLookup(one => one.Serving.Cell.Meal, one => one.EatenHelping!)
        );
        var settings = week.Table.WithId(eater.Id)!;
        return new(
            week.Start,
            day,
            week.Table.Today,
            eater.Id,
            [.. week.Table.Eaters.Select(one => new LogEater(one.Id, one.Name, one.IsGuest))],
            [.. week.Plan.Meals.Select(meal => ToMeal(week, new(day, meal.Key, eater.Id), meal, settings, plated))],
            [
                .. DayRest
                    .Of(stands, eaten)
                    .OrderByDescending(rest => settings.Pinned.Count > 0 && IsPinned(rest, settings))
                    .ThenByDescending(rest => rest.Stands.Verdict)
                    .ThenByDescending(rest => rest.Stands.Used ?? 0)
                    .Select(rest => new LogRuler(Shown.Of(rest.Stands), Shown.Round(rest.Eaten), Shown.Round(rest.Planned), rest.Says)),
            ],
            [
                .. stands
                    .Findings.Where(finding => finding.About is not null && finding.Verdict is Verdict.Breaks or Verdict.CannotTell)
                    .Select(Shown.Of),
            ],
            [.. week.Ledger.Weeks[eater.Id].Where(finding => finding is { Value: not null, NeedsAllowance: false }).Select(Shown.Of)],
            [
                .. FreeAmounts
                    .UsedOf(stands.Helpings, eater.Rules.Context.Scheme?.Free ?? [])
                    .Select(use => new LogFree(use.Name, use.Food.UpTo!.Value, Shown.Round(use.Grams))),
            ],
            [.. Phases(week, settings, day)],
            extras,
            WeightEndpoints.ToLog(weight)
        );
    }

    private static bool IsPinned(DayRest rest, EaterSettings settings) =>
        settings.Pinned.Any(measure => MeasureInfo.Of(measure).Name == rest.Stands.Title);

    private static LogMeal ToMeal(WeekView week, Cell cell, MealSlot meal, EaterSettings settings, IReadOnlyList<Plated> plated)
    {
        var serving = week.Plan.At(cell);
        return new(
            meal.Key,
            meal.Name,
            meal.At,
            settings.Meals.FirstOrDefault(one => one.Meal == meal.Key)?.On(cell.Date) ?? MealSource.Nothing,
            serving?.State ?? ServingState.Planned,
            serving?.Note ?? "",
            [.. plated.Where(one => one.Serving.Cell == cell).Select(one => ToItem(week, one))]
        );
    }

    private static LogItem ToItem(WeekView week, Plated plated)
    {
        var numbers = week.Numbers(plated.Helping ?? plated.Planned, plated.Serving.Cell.Eater);
        if (plated is not { Item: Draw draw, Drawn: { } drawn })
        {
            var line = ((ReadyFood)plated.Item).Line;
            return new(plated.Item.Id, "", "", line.Name, line.Read.Text.Trim(), null, "", plated.Item.IsExtra, plated.Share, numbers);
        }

        var portions = WeekPlan.PlannedPortionsOf(drawn.Batch, draw);
        var recipe = week.DishOf(drawn.Batch, drawn.Lot);
        var amount = new Scale(portions == 1 ? "portion" : "portions", 2).ShowWithUnit(portions);
        return new(
            draw.Id,
            drawn.Batch.Letter,
            WeekView.Tape(drawn.Batch),
            week.NameOf(drawn.Batch, drawn.Lot),
            draw.Parts is null
                ? amount
                : $"{amount}: {string.Join(" and ", draw.Parts.Select(part => part.Length == 0 ? "main part" : part))}",
            drawn.Keeping.KeptIn,
            string.Join(". ", new[] { recipe.Reheating }.Concat(recipe.SaidAtEating(draw.Parts)).Where(said => said.Length > 0)),
            draw.IsExtra,
            plated.Share,
            numbers
        );
    }

    private static IEnumerable<LogPhase> Phases(WeekView week, EaterSettings settings, DateOnly day) =>
        from id in settings.Protocols
        let plan = settings.PlanOf(id)
        let phases = week.Table.InForce(id)?.Protocol.Phases
        where plan is not null && phases is not null
        select new LogPhase(id, PhaseCalendar.On(plan, phases, day).Says);
}
