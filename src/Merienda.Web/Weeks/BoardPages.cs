using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks;

/// <summary>The board as drawn from a week.</summary>
public static class BoardPages
{
    public static WeekBoard ToBoard(this WeekView week) =>
        new(
            week.Start,
            week.Days,
            [.. week.Plan.Meals.Select(meal => new BoardMeal(meal.Key, meal.Name))],
            [.. Sessions(week)],
            [.. week.Eaters.Select((eater, at) => ToEater(week, eater, week.Table.Eaters[at]))],
            [.. week.Plan.Batches.Where(batch => IsOnBench(week, batch)).Select(batch => ToBatch(week, batch))],
            [
                .. week
                    .Plan.Servings.Where(serving => week.Plan.Holds(serving.Cell.Date) && IsSomething(serving))
                    .Select(serving => ToServing(week, serving)),
            ],
            [
                .. week.Ledger.Days.Select(day => new BoardDay(
                    day.Eater.Id,
                    day.Date,
                    day.OpenMeals,
                    day.Verdict,
                    day.Tightest is { } tightest ? Shown.Of(tightest) : null,
                    [.. week.Table.WithId(day.Eater.Id)!.Pinned.Select(measure => Shown.Of(day.Of(measure)))],
                    [.. day.Findings.Select(Shown.Of)]
                )),
            ],
            [.. Troubles(week)],
            [.. Outdated(week)],
            [.. MeasureInfo.All.Select(measure => new BoardMeasure(measure.Key, measure.Name))],
            week.Undo
        );

    /// <summary>The usual ones, and those in which something is cooked.</summary>
    private static IEnumerable<BoardSession> Sessions(WeekView week)
    {
        var rhythm = week.Table.Household.Rhythm;
        var cooked = week.Plan.CookedForIt.Select(batch => batch.Cooked).ToHashSet();
        var there = week.Plan.Sessions.Where(session => week.Plan.Holds(session.EatenFrom)).ToDictionary(session => session.Date);
        return rhythm
            .SessionsOf(week.Start)
            .Union(cooked)
            .Order()
            .Select(date => there.GetValueOrDefault(date) ?? rhythm.SessionOn(date, week.Start, Guid.Empty))
            .Select(session => new BoardSession(session.Date, session.Start, session.Cooks, session.Name));
    }

    private static IEnumerable<Trouble> Troubles(WeekView week)
    {
        var past =
            from plated in week.Plated
            where plated.Drawn?.Keeping.KeptIn == KeptIn.PastItsTime && week.Plan.Holds(plated.Serving.Cell.Date)
            let drawn = plated.Drawn
            select new PastItsTime(plated.Serving.Cell, $"{WeekView.Tape(drawn.Batch)} {drawn.Recipe.Name}", drawn.Keeping.EatBy);
        var lacks = week.Kitchen.Lacks([.. WaitingBoxes.Of(week.Plan, _ => true)], week.Table.Today);
        return new WeekTroubles(week.Ledger, week.Eaters, week.Table.Household.Rhythm, week.Table.Today, [.. past], [.. lacks]).All.Select(
            trouble => new Trouble(trouble.Kind, trouble.Text, trouble.Eater, trouble.Days, trouble.Meal, trouble.Count)
        );
    }

    /// <summary>Of an earlier one that is gone only what it was stands in the Log.</summary>
    private static bool IsOnBench(WeekView week, Batch batch) =>
        week.Plan.IsCookedForIt(batch)
        || week.Plan.DrawsOf(batch.Id).Any(item => week.Plan.Holds(item.Serving.Cell.Date))
        || week.Plan.ContainersOf(batch.Id).Any(box => week.Plan.StateOf(box).Place != BoxPlace.Gone);

    private static bool IsSomething(Serving serving) =>
        serving.Items.Count > 0 || serving.State != ServingState.Planned || serving.IsLocked || serving.Note.Length > 0;

    private static BoardEater ToEater(WeekView week, Eater eater, EaterSettings settings) =>
        new(
            eater.Id,
            eater.Name,
            settings.Protocols,
            settings.IsGuest,
            eater.PortionHabit,
            [.. settings.Meals.Select(meal => new BoardPattern(meal.Meal, [.. week.Days.Select(meal.On)]))],
            settings
                .Protocols.Select(id => (Plan: settings.PlanOf(id), week.Table.InForce(id)?.Protocol.Phases))
                .Where(item => item.Plan is not null && item.Phases is not null)
                .Select(item => PhaseCalendar.On(item.Plan!, item.Phases!, week.Table.Today).Says)
                .FirstOrDefault(),
            [.. settings.Pinned.Select(measure => MeasureInfo.Of(measure).Key)],
            [.. week.Ledger.Weeks[eater.Id].Select(Shown.Of)]
        );

    /// <summary>Names of followed protocols of which another version counts than the one the week was planned with.</summary>
    private static IEnumerable<string> Outdated(WeekView week) =>
        week
            .Table.Eaters.SelectMany(eater => eater.Protocols)
            .Distinct()
            .Where(id => week.Table.InForce(id)?.Version != week.Table.Latest(id)?.Version)
            .Select(id => week.Table.Latest(id)!.Protocol.Name);

    private static BoardBatch ToBatch(WeekView week, Batch batch)
    {
        var recipe = week.RecipeOf(batch);
        var boxes = ShelvedBox.Of(week.Plan, batch, recipe.Version, week.Table.Today).ToList();
        return new(
            batch.Id,
            batch.Letter,
            WeekView.Tape(batch),
            recipe.RecipeId,
            recipe.Version.Name,
            recipe.Version.Meal,
            batch.Cooked,
            batch.Portions,
            week.Plan.Placed(batch),
            week.Plan.Loose(batch),
            week.Plan.Gone(batch),
            batch.Parts,
            [.. recipe.Version.Variants.Select(variant => variant.Name)],
            [.. batch.Lots.Select(lot => ToLot(week, batch, lot))],
            recipe.Version.KeepingOf(null).EatBy(batch.Cooked),
            recipe.Version.KeepingOf(null).Freezes,
            batch.PortionedOn is not null,
            boxes
                .Where(box => box.KeptIn == KeptIn.Freezer)
                .Sum(box =>
                    box.Real is { } real ? week.Plan.Rest(batch, real, batch.PartsOf(box.Lot))
                    : box.Cell is null ? box.Portions
                    : 0
                ),
            boxes.Count,
            boxes.Count(box => box.KeptIn == KeptIn.Freezer),
            recipe.Version.Reheating,
            string.Join(". ", recipe.Version.SaidAtEating(null)),
            week.Plan.LaterSession(batch, week.Table.Today)
        );
    }

    private static BoardLot ToLot(WeekView week, Batch batch, Lot lot) =>
        new(
            lot.Id,
            lot.Variant,
            lot.Portions,
            week.Plan.Placed(batch, lot),
            week.Plan.Loose(batch, lot),
            batch.GramsPerPortion(lot) is { } grams ? Math.Round(grams) : null,
            week.Numbers(week.HelpingOf(batch, lot, 1, null)),
            [
                .. week
                    .Eaters.Where(eater => eater.Dislikes(week.RecipeOf(batch).RecipeId, week.DishOf(batch, lot)))
                    .Select(eater => eater.Id),
            ]
        );

    private static BoardServing ToServing(WeekView week, Serving serving) =>
        new(
            new(serving.Cell.Date, serving.Cell.Meal, serving.Cell.Eater),
            serving.State,
            serving.IsLocked,
            serving.Note,
            [.. week.Plated.Where(plated => plated.Serving == serving).Select(plated => ToItem(week, plated))]
        );

    private static BoardItem ToItem(WeekView week, Plated plated)
    {
        var numbers = week.Numbers(plated.Helping ?? plated.Planned, plated.Serving.Cell.Eater);
        if (plated is { Item: Draw draw, Drawn: { } drawn })
        {
            return new(
                draw.Id,
                BoardItemKind.Draw,
                draw.Batch,
                draw.Lot,
                week.NameOf(drawn.Batch, drawn.Lot),
                null,
                Math.Round(drawn.Portions, 2),
                new(draw.Size.Amount, draw.Size.IsInGrams),
                draw.Parts,
                drawn.Keeping.KeptIn,
                drawn.Keeping.EatBy,
                drawn.Keeping.Thaw,
                FreezeEdits.ChoiceOf(drawn.Batch, draw, plated.Serving.Cell.Date),
                drawn.IsEaten,
                null,
                numbers
            );
        }

        var line = ((ReadyFood)plated.Item).Line;
        return new(
            plated.Item.Id,
            BoardItemKind.Ready,
            null,
            null,
            line.Name,
            line.Read.Text.Trim(),
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            false,
            line.Doubt,
            numbers
        );
    }
}
