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
            foreach (var (eater, protocols) in eaters)
            {
                void Leave(string because) => left.Add(new(eater.Id, dish.Date, dish.Written.Name, because));
                if (dish.Slot is not { } slot)
                {
                    Leave("your days have no such meal");
                    continue;
                }

                var size = Math.Round(dish.Dish.PortionsFor(tier) * eater.PortionHabit * 4, MidpointRounding.AwayFromZero) / 4;
                if (dish.Date < today)
                {
                    Leave("that day is over");
                }
                else if (!eater.PrepMealsOn(dish.Date).Contains(slot))
                {
                    Leave("this meal does not come from the prep");
                }
                else if (plan.At(new(dish.Date, slot, eater.Id)) is { Items.Count: > 0 } or { IsLocked: true } or { IsSaid: true })
                {
                    Leave("something stands there, and stays");
                }
                else if (size == 0)
                {
                    Leave("this tier has none of it");
                }
                else if (dish.Dish.For(protocols, dish.Written) is var made && eater.Stop(made.Name, made.Profile) is { } stop)
                {
                    Leave(stop.Reason);
                }
                else if (LeftOutBy(eater, made) is { } excluded)
                {
                    Leave(excluded.TrimEnd('.'));
                }
                else if (SessionFor(sessions, dish.Written.KeepingOf(null), dish.Date) is not { } cooked)
                {
                    Leave("no session to come is near enough for it to keep");
                }
                else
                {
                    var batch = batches.Find(one => one.Recipe == dish.Recipe && one.Cooked == cooked);
                    if (batch is null)
                    {
                        batch = new(batches.Count + 1, dish.Recipe, dish.Version, dish.Written.Name, cooked);
                        batches.Add(batch);
                    }

                    var variant = dish.Dish.VariantFor(protocols, dish.Written);
                    var cell = new Cell(dish.Date, slot, eater.Id);
                    var same = meals.FindIndex(meal =>
                        meal.Cell == cell && meal.On!.NewBatch == batch.Number && meal.On.Variant == variant
                    );
                    if (same >= 0)
                    {
                        // Twice on one meal it is a larger portion of it.
                        meals[same] = meals[same] with
                        {
                            On = meals[same].On! with { Size = meals[same].On!.Size + size },
                        };
                        continue;
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
        }

        return new(new(batches, meals), left);
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
    private static DateOnly? SessionFor(IReadOnlyList<PrepSession> sessions, KeepingClass keeping, DateOnly eaten) =>
        sessions
            .Where(session => session.Date <= eaten && (eaten <= keeping.EatBy(session.Date) || keeping.Freezes))
            .OrderBy(session => session.EatenFrom <= eaten)
            .ThenBy(session => session.Date)
            .Select(session => (DateOnly?)session.Date)
            .LastOrDefault();
}
