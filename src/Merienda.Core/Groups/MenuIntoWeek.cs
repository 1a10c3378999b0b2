using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;

namespace Merienda.Core.Groups;

/// <summary>A dish of a menu at home.</summary>
/// <param name="Slot">Key of the household's meal; null where its days have no such meal.</param>
/// <param name="Version">Id of the recipe's version at home.</param>
/// <param name="Dish">As the menu has it.</param>
public sealed record DishForWeek(DateOnly Date, string? Slot, Guid Recipe, Guid Version, RecipeVersion Written, MenuDish Dish);

/// <param name="Protocols">Ids of the shipped protocols that they follow.</param>
public sealed record EaterAtHome(Eater Eater, IReadOnlyList<string> Protocols);

/// <summary>A dish that an eater does not get, and why.</summary>
public sealed record LeftOut(Guid Eater, DateOnly Date, string Dish, string Because);

/// <summary>What a menu is in a household's week.</summary>
public sealed record IntoWeek(WeekChange Change, IReadOnlyList<LeftOut> Left);

/// <summary>
/// Puts a menu's dishes on the empty meals of a week, for each eater as it is made for what they follow and as much as they usually take,
/// cooked in the last session from which it keeps. What stands there stays, no allergy is passed over, and nobody gets what they leave out.
/// </summary>
public static class MenuIntoWeek
{
    /// <param name="tier">Of the menu's tiers the one that is eaten by here; null for the dishes as they are.</param>
    public static IntoWeek Of(
        WeekPlan plan,
        DateOnly today,
        IReadOnlyList<EaterAtHome> eaters,
        IReadOnlyList<DishForWeek> dishes,
        string? tier
    )
    {
        var (sessions, batches, meals, left) = (
            plan.SessionsToCome(today),
            new List<NewBatch>(),
            new List<MealChange>(),
            new List<LeftOut>()
        );
        foreach (var dish in dishes.Where(dish => plan.Holds(dish.Date)))
        {
            foreach (var diner in eaters)
            {
                var size = Math.Round(dish.Dish.PortionsFor(tier) * diner.Eater.PortionHabit * 4, MidpointRounding.AwayFromZero) / 4;
                var cooked = SessionFor(sessions, dish.Written.KeepingOf(null), dish.Date);
                if (WhyNot(plan, today, diner, dish, size, cooked) is { } because)
                {
                    left.Add(new(diner.Eater.Id, dish.Date, dish.Written.Name, because));
                }
                else
                {
                    Give(dish, new(dish.Date, dish.Slot!, diner.Eater.Id), diner.Protocols, size, cooked!.Value);
                }
            }
        }

        return new(new(batches, meals), left);

        void Give(DishForWeek dish, Cell cell, IReadOnlyList<string> protocols, decimal size, DateOnly cooked)
        {
            var batch = batches.Find(one => one.Recipe == dish.Recipe && one.Cooked == cooked);
            if (batch is null)
            {
                batch = new(batches.Count + 1, dish.Recipe, dish.Version, dish.Written.Name, cooked);
                batches.Add(batch);
            }

            var variant = dish.Dish.VariantFor(protocols, dish.Written);
            var same = meals.FindIndex(meal => meal.Cell == cell && meal.On!.NewBatch == batch.Number && meal.On.Variant == variant);
            if (same >= 0)
            {
                // Twice on one meal it is a larger portion of it.
                meals[same] = meals[same] with
                {
                    On = meals[same].On! with { Size = meals[same].On!.Size + size },
                };
                return;
            }

            meals.Add(
                new(cell, null, new(batch.Number, variant, null, null, size, VariantName(dish.Written, variant)))
                {
                    // A second dish of a meal comes beside the first.
                    IsBeside = meals.Exists(meal => meal.Cell == cell),
                }
            );
        }
    }

    /// <summary>Why an eater does not get a dish, what stands on the calendar before what is in the dish; null when they get it.</summary>
    private static string? WhyNot(WeekPlan plan, DateOnly today, EaterAtHome diner, DishForWeek dish, decimal size, DateOnly? cooked)
    {
        var (eater, protocols) = diner;
        if (dish.Slot is not { } slot)
        {
            return "your days have no such meal";
        }

        if (dish.Date < today)
        {
            return "that day is over";
        }

        if (!eater.PrepMealsOn(dish.Date).Contains(slot))
        {
            return "this meal does not come from the prep";
        }

        if (plan.At(new(dish.Date, slot, eater.Id)) is { Items.Count: > 0 } or { IsLocked: true } or { IsSaid: true })
        {
            return "something stands there, and stays";
        }

        if (size == 0)
        {
            return "this tier has none of it";
        }

        var made = dish.Dish.For(protocols, dish.Written);
        return eater.Stop(made.Name, made.Profile)?.Reason
            ?? LeftOutBy(eater, made)?.TrimEnd('.')
            ?? (cooked is null ? "no session to come is near enough for it to keep" : null);
    }

    /// <summary>Why a dish is none for an eater in any amount: it holds what they leave out. Null where only amounts may be too much.</summary>
    private static string? LeftOutBy(Eater eater, RecipeVersion dish)
    {
        var portion = Intake.Of(new Helping(dish.Name, dish.Profile, 1));
        return eater
            .Rules.Rules.Where(rule => rule is IJudgesFoods)
            .Select(rule => rule.CheckPortion(portion, null, eater.Rules.Context))
            .FirstOrDefault(finding => finding.Verdict == Verdict.Breaks)
            ?.Because;
    }

    private static string VariantName(RecipeVersion recipe, string? variant) => variant is null ? recipe.Name : $"{recipe.Name}, {variant}";

    /// <summary>The last session from which it keeps, in the fridge or frozen; null when there is none.</summary>
    internal static DateOnly? SessionFor(IReadOnlyList<PrepSession> sessions, KeepingClass keeping, DateOnly eaten) =>
        sessions
            .Where(session => session.Date <= eaten && (eaten <= keeping.EatBy(session.Date) || keeping.Freezes))
            .OrderBy(session => session.EatenFrom <= eaten)
            .ThenBy(session => session.Date)
            .Select(session => (DateOnly?)session.Date)
            .LastOrDefault();
}
