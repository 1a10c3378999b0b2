using System.Globalization;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;

namespace Merienda.Core.Filling;

/// <summary>Takes a whole change of a week: all of it, or nothing and why.</summary>
public static class ChangeEdits
{
    /// <param name="recipeOf">The version of a recipe that a new batch is cooked of.</param>
    /// <param name="dishOf">The dish of a lot that is planned or there.</param>
    /// <param name="readyOf">Something bought as its line says.</param>
    /// <param name="stop">Why an eater may not have a dish; null when nothing stops it.</param>
    /// <returns>The plan as it is then, and the new batches by their number.</returns>
    public static Result<(WeekPlan Plan, IReadOnlyDictionary<int, Batch> Made)> Take(
        this WeekPlan plan,
        WeekChange change,
        Func<NewBatch, RecipeVersion> recipeOf,
        Func<Batch, Lot, RecipeVersion> dishOf,
        Func<string, Result<RecipeLine>> readyOf,
        Func<Guid, RecipeVersion, Refusal?> stop,
        Func<Guid> newId
    )
    {
        if (change.Meals.Select(meal => plan.Against(meal)).FirstOrDefault(wrong => wrong is not null) is { } refusal)
        {
            return refusal;
        }

        foreach (var meal in change.Meals.Where(meal => meal.Off is not null))
        {
            var serving = plan.Find(meal.Off!.Item)!.Value.Serving;
            var left = serving.Items.Where(item => item.Id != meal.Off.Item).ToList();
            plan = plan.Replace(
                serving,
                serving with
                {
                    Items = left,
                    State = meal.IsLeftOut && left.Count == 0 ? ServingState.Skipped : serving.State,
                }
            );
        }

        var made = new Dictionary<int, Batch>();
        foreach (var batch in change.Batches)
        {
            var cooked = plan.Cook(batch, change, recipeOf(batch), newId);
            if (cooked.Refusal is { } cannot)
            {
                return cannot;
            }

            (plan, made[batch.Number]) = cooked.Value;
        }

        foreach (var meal in change.Meals.Where(meal => meal.On is not null))
        {
            var placed = meal.On!.Ready is { } ready ? plan.Put(meal.Cell, readyOf(ready), stop, newId) : plan.Put(meal, made, newId);
            if (placed.Refusal is { } cannot)
            {
                return cannot;
            }

            plan = placed.Value;
            if (DishOf(plan, change, meal.On, recipeOf, dishOf) is { } dish && stop(meal.Cell.Eater, dish) is { } allergy)
            {
                return allergy;
            }
        }

        return (plan, made);
    }

    /// <summary>
    /// The plan with batches that are still to be cooked smaller by the whole portions that a change took off them; one of which nothing is
    /// left is not cooked.
    /// </summary>
    /// <param name="before">The plan as it was before the change.</param>
    public static WeekPlan CookingLess(this WeekPlan plan, WeekPlan before, WeekChange change, DateOnly today)
    {
        var taken = change
            .Meals.Where(meal => meal.Off is not null && before.Find(meal.Off.Item)?.Item is Draw)
            .Select(meal => (Draw: (Draw)before.Find(meal.Off!.Item)!.Value.Item, meal.Off.Portions))
            .GroupBy(off => off.Draw.Batch);
        foreach (var off in taken)
        {
            if (plan.BatchWithId(off.Key) is not { PortionedOn: null } batch || batch.Cooked < today)
            {
                continue;
            }

            decimal Less(Lot lot) =>
                Math.Min(
                    Math.Floor(plan.Loose(batch, lot)),
                    Math.Ceiling(off.Where(one => one.Draw.Lot == lot.Id).Sum(one => one.Portions))
                );
            List<Lot> lots = [.. batch.Lots.Select(lot => lot with { Portions = lot.Portions - Less(lot) }).Where(lot => lot.Portions > 0)];
            plan =
                lots.Count == 0 ? plan.Remove(batch.Id).Value
                // Half a portion is no batch: what is loose of it stays loose.
                : Batch.RefusePortions(lots.Sum(lot => lot.Portions)) is not null ? plan
                : plan.WithoutLeftOut(batch.Id, lots).With(batch, batch with { Lots = lots });
        }

        return plan;
    }

    /// <summary>Null for something bought, which is judged where it is put.</summary>
    private static RecipeVersion? DishOf(
        WeekPlan plan,
        WeekChange change,
        PortionFrom on,
        Func<NewBatch, RecipeVersion> recipeOf,
        Func<Batch, Lot, RecipeVersion> dishOf
    )
    {
        if (on.NewBatch is { } number)
        {
            var recipe = recipeOf(change.Batches.First(batch => batch.Number == number));
            return recipe.As(on.Variant) ?? recipe;
        }

        return on.Batch is { } id && plan.BatchWithId(id) is { } batch ? dishOf(batch, batch.Lots.First(lot => lot.Id == on.Lot)) : null;
    }

    /// <summary>A thing of a meal in the size it has now; null where it is another meal's, or none's.</summary>
    public static ItemSeen? Seen(this WeekPlan plan, Guid item, Cell cell) =>
        plan.Find(item) is var (serving, found) && serving.Cell == cell
            ? new(item, found is Draw draw ? plan.PortionsOf(plan.BatchWithId(draw.Batch)!, draw) : 1)
            : null;

    /// <summary>Why a meal can't be changed so: it is another one by now.</summary>
    private static Refusal? Against(this WeekPlan plan, MealChange meal)
    {
        var there = plan.At(meal.Cell);
        if (there is { IsLocked: true } or { IsSaid: true })
        {
            return Changed(plan, meal.Cell, there.IsLocked ? "it is locked by now" : "it is settled by now");
        }

        if (meal.Off is not { } off)
        {
            return there is { Items.Count: > 0 } && !meal.IsBeside ? Changed(plan, meal.Cell, "something stands there by now") : null;
        }

        return there?.Items.FirstOrDefault(item => item.Id == off.Item) switch
        {
            ReadyFood => null,
            Draw draw when plan.BoxWithId(draw.Container)?.IsSettled(draw.Id) == true => Changed(plan, meal.Cell, "it is eaten by now"),
            Draw draw when plan.PortionsOf(plan.BatchWithId(draw.Batch)!, draw) == off.Portions => null,
            _ => Changed(plan, meal.Cell, "it is another one by now"),
        };
    }

    private static Refusal Changed(WeekPlan plan, Cell cell, string reason) =>
        new(
            "meal-changed",
            "meals",
            $"{cell.Date.ToString("dddd", CultureInfo.InvariantCulture)}, {plan.Rhythm.NameOf(cell.Meal)}",
            reason,
            "Leave this meal out, or let the week be solved again"
        );

    /// <summary>A batch of as many whole portions as the meals take of each variant.</summary>
    private static Result<(WeekPlan, Batch)> Cook(
        this WeekPlan plan,
        NewBatch asked,
        WeekChange change,
        RecipeVersion recipe,
        Func<Guid> newId
    )
    {
        if (plan.WrongSession("cookedOn", asked.Cooked) is { } refusal)
        {
            return refusal;
        }

        var lots = change
            .Meals.Where(meal => meal.On?.NewBatch == asked.Number)
            .GroupBy(meal => meal.On!.Variant ?? "")
            .ToDictionary(lot => lot.Key, lot => Math.Ceiling(lot.Sum(meal => meal.On!.Size)));
        var made = Batch.Make(
            TapeLetter.FirstFree(plan.Batches.Select(batch => batch.Letter).ToHashSet()),
            asked.Cooked,
            lots.Values.Sum(),
            [.. lots.Where(lot => lot.Key.Length > 0).Select(lot => new VariantPortions(lot.Key, lot.Value))],
            recipe,
            newId
        );
        return made.Select(batch => (plan.WithSession(asked.Cooked, newId()).Add(batch), batch));
    }

    private static Result<WeekPlan> Put(
        this WeekPlan plan,
        Cell cell,
        Result<RecipeLine> ready,
        Func<Guid, RecipeVersion, Refusal?> stop,
        Func<Guid> newId
    ) =>
        ready.Refusal is { } unread ? unread
        : stop(cell.Eater, ReadyFood.AsDish(ready.Value, null)) is { } never ? never
        : plan.AddReady(cell, new ReadyFood(newId(), ready.Value), newId);

    private static Result<WeekPlan> Put(this WeekPlan plan, MealChange meal, Dictionary<int, Batch> made, Func<Guid> newId)
    {
        var on = meal.On!;
        if ((on.NewBatch is { } number ? made[number] : plan.BatchWithId(on.Batch!.Value)) is not { } batch)
        {
            return WeekEdits.BatchGone(on.Batch!.Value);
        }

        if (batch.Lots.FirstOrDefault(one => on.NewBatch is null ? one.Id == on.Lot : one.Variant == on.Variant) is not { } lot)
        {
            return LotEdits.LotGone(on.Lot ?? Guid.Empty);
        }

        if (WeekEdits.WrongSize(batch, lot, new(on.Size)) is { } refusal)
        {
            return refusal;
        }

        var lacks = on.Size - plan.Loose(batch, lot);
        if (lacks > 0 && batch.PortionedOn is null)
        {
            var grown = plan.Grow(batch, lot, lacks);
            if (grown.Refusal is not null)
            {
                return grown;
            }

            plan = grown.Value;
        }

        var placed = plan.Place(batch.Id, meal.Cell, on.Size, newId, null, [lot.Id]);
        return placed.Refusal is not null ? placed
            : placed.Value.At(meal.Cell)!.Draws.Last().Size.Amount == on.Size ? placed
            : WeekEdits.NothingLoose(batch, "batch", batch.Letter, $"less than {on.Size:0.##} portions of it are loose in one box by now");
    }

    /// <summary>A batch that is still to be cooked, by as many whole portions as are lacking.</summary>
    internal static Result<WeekPlan> Grow(this WeekPlan plan, Batch batch, Lot lot, decimal lacks)
    {
        var more = lot with { Portions = lot.Portions + Math.Ceiling(lacks) };
        var larger = batch with { Lots = [.. batch.Lots.Select(one => one == lot ? more : one)] };
        return Batch.RefusePortions(larger.Portions) is { } tooLarge ? tooLarge : plan.With(batch, larger);
    }
}
