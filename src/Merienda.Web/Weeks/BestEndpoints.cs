using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Weeks.Solving;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Weeks;

/// <summary>The best things for one meal, before anything is placed: for an open one, or instead of what stands there.</summary>
public static class BestEndpoints
{
    private const int MostRulers = 3;

    /// <summary>A batch that is planned is offered with so many portions more.</summary>
    private const int MostMore = 4;

    public static void MapBest(this RouteGroupBuilder weeks)
    {
        weeks.MapGet("/best", Best).WithName("GetBestForMeal");
        weeks.MapPost("/put", Put).WithName("PutOnMeal");
    }

    /// <param name="Loose">Portions of it that are loose; the others it would grow by.</param>
    /// <param name="CookedOn">Session that a recipe would be cooked in; null for what is there.</param>
    private sealed record Offered(MealThing Thing, Batch? Batch = null, Lot? Lot = null, decimal Loose = 0, DateOnly? CookedOn = null);

    /// <summary>Portions of batches, bought things and recipes for a meal of an eater, ranked by what they do to the day.</summary>
    /// <param name="instead">What stands there and would go; null to add to the meal.</param>
    /// <param name="isEaten">Only what is there already: it is eaten now.</param>
    private static async Task<Results<Ok<IReadOnlyList<BestThing>>, ProblemHttpResult>> Best(
        DateOnly date,
        DateOnly day,
        string meal,
        Guid eater,
        Guid? instead,
        bool? isEaten,
        CurrentTenant tenant,
        WeekStore weeks,
        KnowledgeBase knowledge
    )
    {
        var (stored, library) = await weeks.ReadWithLibrary(tenant, date);
        var cell = new Cell(day, meal, eater);
        var diner = stored.DinerAt(cell);
        if ((diner.Refusal ?? stored.Plan.WrongCell(null, cell)) is { } refusal)
        {
            return refusal.ToProblem();
        }

        if (instead is { } item && stored.Plan.Find(item)?.Serving.Cell != cell)
        {
            return WeekEdits.ItemGone(item).ToProblem();
        }

        var week = new WeekView(stored, knowledge);
        var others = week.Plated.Where(plated => plated.Item.Id != instead).ToList();
        var goes = week.Plated.FirstOrDefault(plated => plated.Item.Id == instead);
        var there = InBatches(week, day, isEaten == true).Where(one => goes?.Drawn is null || one.Lot != goes.Drawn.Lot).ToList();
        List<Offered> all =
        [
            .. there,
            .. SolveQuestions.Bought(week).Select(dish => new Offered(new(dish, 1, 0))),
            // What would be cooked opens its batch and leaves the meal as it is.
            .. instead is null && isEaten != true ? ToCook(week, library, diner.Value, day, there) : [],
        ];
        var question = new FillQuestion(
            week.Start,
            week.Plan.Rhythm,
            week.Plan.Sessions,
            week.Eaters,
            [.. all.Select(one => one.Thing.Dish)],
            FillWishes.Usual
        )
        {
            Placed = [.. others.Where(plated => plated.Helping is not null).Select(plated => (plated.Serving.Cell, plated.Helping!))],
        };
        var offers = BestForMeal.Of(
            question,
            week.LedgerOf(week.Eaters, others)[day, eater],
            week.Ledger[day, eater],
            week.Plan.Meals.First(slot => slot.Key == meal),
            [.. all.Select(one => one.Thing)]
        );
        return TypedResults.Ok<IReadOnlyList<BestThing>>([
            // Instead of what stands there only what does not break the day, and none where the day is over.
            .. offers
                .Where(offer => instead is null || (offer.Verdict != Verdict.Breaks && day >= week.Table.Today))
                .Select(offer => ToThing(offer, all.First(one => one.Thing == offer.Thing))),
        ]);
    }

    /// <summary>Puts one of them on its meal, instead of something or beside it; a planned batch grows by what it lacks.</summary>
    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Put(PutRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
        {
            var cell = request.Place.ToCell();
            if ((week.DinerAt(cell).Refusal ?? week.Plan.WrongCell(null, cell)) is { } refusal)
            {
                return refusal;
            }

            if (request.Ready is null && (request.BatchId is null || request.LotId is null))
            {
                return new Refusal(
                    "nothing-chosen",
                    "batchId",
                    "",
                    "neither a batch with its lot nor something bought is named",
                    "Choose one of the best things"
                );
            }

            var off = request.Instead is { } instead ? week.Plan.Seen(instead, cell) : null;
            if (request.Instead is { } gone && off is null)
            {
                return WeekEdits.ItemGone(gone);
            }

            var on = new PortionFrom(null, null, request.BatchId, request.LotId, request.Portions, "", request.Ready);
            return TakenChange
                .Of(week, new([], [new(cell, off, on) { IsBeside = true }]), [], Guid.CreateVersion7)
                .Select(taken => (taken.Week.Plan, off is null ? "Put something on a meal" : "Exchanged something of a meal"));
        });

    private static IEnumerable<Offered> InBatches(WeekView week, DateOnly day, bool isEaten) =>
        from batch in week.Plan.Batches
        where batch.Cooked <= day
        from lot in batch.Lots
        let more = !isEaten && batch.PortionedOn is null && batch.Cooked >= week.Table.Today ? MostMore : 0
        let loose = Math.Max(0, week.Plan.Loose(batch, lot))
        let dish = new FillDish(week.RecipeOf(batch).RecipeId, lot.Variant, week.DishOf(batch, lot))
        where loose + more >= Batch.SmallestSize && dish.KeptUntil(batch.Cooked, day) != KeptIn.PastItsTime
        select new Offered(new(dish, loose + more, 0), batch, lot, loose);

    /// <summary>Recipes in the variant that is usual for the eater; none that is on the bench, and no base that others are made of.</summary>
    private static IEnumerable<Offered> ToCook(
        WeekView week,
        IReadOnlyList<StoredRecipe> library,
        Eater eater,
        DateOnly day,
        List<Offered> there
    )
    {
        var known = there.Select(one => one.Thing.Dish.Recipe).ToHashSet();
        var sessions = week
            .Plan.Sessions.Where(session => session.Date >= week.Table.Today && session.EatenFrom <= day)
            .Select(session => session.Date)
            .Order()
            .DefaultIfEmpty(week.Table.Today <= day ? week.Table.Today : DateOnly.MaxValue)
            .ToList();
        return from recipe in SolveQuestions.Dishes(library)
            where !known.Contains(recipe.RecipeId)
            let variant = eater.UsualOf(recipe.RecipeId, recipe.Version)
            let dish = new FillDish(recipe.RecipeId, variant, recipe.Version.As(variant) ?? recipe.Version)
            let session = sessions.FirstOrDefault(one => one <= day && dish.KeptUntil(one, day) != KeptIn.PastItsTime)
            where session != default
            select new Offered(new(dish, null, dish.HandsOn), CookedOn: session);
    }

    private static BestThing ToThing(MealOffer offer, Offered of) =>
        new(
            of.Batch?.Id,
            of.Lot?.Id,
            offer.Thing.Dish.Recipe,
            offer.Thing.Dish.Ready,
            of.Batch?.Letter ?? "",
            offer.Thing.Dish.Name,
            offer.Size,
            of.Batch is not null && offer.Size > of.Loose,
            of.CookedOn,
            offer.Thing.Minutes,
            offer.Verdict,
            [
                .. offer
                    .Rulers.Take(MostRulers)
                    .Select(change => new BestRuler(
                        change.After.Title,
                        change.After.Scale!.Unit,
                        change.After.Scale!.Decimals,
                        Shown.Round(change.Before),
                        Shown.Round(change.After.Value!.Value.Best),
                        change.After.Limit?.AtLeast,
                        change.After.Limit?.AtMost,
                        change.After.Verdict
                    )),
            ]
        );
}
