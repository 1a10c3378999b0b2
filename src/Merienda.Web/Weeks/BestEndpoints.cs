using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Weeks.Solving;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Weeks;

/// <summary>The best things for one open meal, before anything is placed.</summary>
public static class BestEndpoints
{
    private const int MostRulers = 3;

    public static void MapBest(this RouteGroupBuilder weeks) => weeks.MapGet("/best", Best).WithName("GetBestForMeal");

    /// <summary>Loose portions, bought things and recipes for a meal of an eater, ranked by what they do to the day.</summary>
    private static async Task<Results<Ok<IReadOnlyList<BestThing>>, ProblemHttpResult>> Best(
        DateOnly date,
        DateOnly day,
        string meal,
        Guid eater,
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

        var week = new WeekView(stored, knowledge);
        var there = Loose(week, day).ToList();
        List<(MealThing Thing, Batch? Batch, Lot? Lot, DateOnly? CookedOn)> all =
        [
            .. there,
            .. SolveQuestions.Bought(week).Select(dish => (new MealThing(dish, 1, 0), (Batch?)null, (Lot?)null, (DateOnly?)null)),
            .. ToCook(week, library, diner.Value, day, there),
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
            Placed = [.. week.Plated.Select(plated => (plated.Serving.Cell, plated.Helping))],
        };
        var offers = BestForMeal.Of(
            question,
            week.Ledger[day, eater],
            week.Plan.Meals.First(slot => slot.Key == meal),
            [.. all.Select(one => one.Thing)]
        );
        return TypedResults.Ok<IReadOnlyList<BestThing>>([
            .. offers.Select(offer => ToThing(offer, all.Find(one => one.Thing == offer.Thing))),
        ]);
    }

    private static IEnumerable<(MealThing Thing, Batch? Batch, Lot? Lot, DateOnly? CookedOn)> Loose(WeekView week, DateOnly day) =>
        from batch in week.Plan.Batches
        where batch.Cooked <= day
        from lot in batch.Lots
        let loose = week.Plan.Loose(batch, lot)
        let dish = new FillDish(week.RecipeOf(batch).RecipeId, lot.Variant, week.DishOf(batch, lot))
        where loose >= Batch.SmallestSize && dish.KeptUntil(batch.Cooked, day) != KeptIn.PastItsTime
        select (new MealThing(dish, loose, 0), (Batch?)batch, (Lot?)lot, (DateOnly?)null);

    /// <summary>Recipes in the variant that is usual for the eater; none that is on the bench, and no base that others are made of.</summary>
    private static IEnumerable<(MealThing Thing, Batch? Batch, Lot? Lot, DateOnly? CookedOn)> ToCook(
        WeekView week,
        IReadOnlyList<StoredRecipe> library,
        Eater eater,
        DateOnly day,
        List<(MealThing Thing, Batch? Batch, Lot? Lot, DateOnly? CookedOn)> there
    )
    {
        var loose = there.Select(one => one.Thing.Dish.Recipe).ToHashSet();
        var sessions = week
            .Plan.Sessions.Where(session => session.Date >= week.Table.Today && session.EatenFrom <= day)
            .Select(session => session.Date)
            .Order()
            .DefaultIfEmpty(week.Table.Today <= day ? week.Table.Today : DateOnly.MaxValue)
            .ToList();
        return from recipe in SolveQuestions.Dishes(library)
            where !loose.Contains(recipe.RecipeId)
            let variant = eater.UsualOf(recipe.RecipeId, recipe.Version)
            let dish = new FillDish(recipe.RecipeId, variant, recipe.Version.As(variant) ?? recipe.Version)
            let session = sessions.FirstOrDefault(one => one <= day && dish.KeptUntil(one, day) != KeptIn.PastItsTime)
            where session != default
            select (new MealThing(dish, null, dish.HandsOn), (Batch?)null, (Lot?)null, (DateOnly?)session);
    }

    private static BestThing ToThing(MealOffer offer, (MealThing Thing, Batch? Batch, Lot? Lot, DateOnly? CookedOn) of) =>
        new(
            of.Batch?.Id,
            of.Lot?.Id,
            offer.Thing.Dish.Recipe,
            offer.Thing.Dish.Ready,
            of.Batch?.Letter ?? "",
            offer.Thing.Dish.Name,
            offer.Size,
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
